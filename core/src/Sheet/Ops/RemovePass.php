<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops;

use Awning\Core\Sheet\FactKind;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\PassFact;
use Awning\Core\Sheet\Sheet;

final readonly class RemovePass implements Op
{
    public function __construct(private string $id)
    {
    }

    public function title(): string
    {
        return 'Remove a pass';
    }

    public function apply(Sheet $sheet): void
    {
        $fact = $sheet->fact(FactKind::Pass, $this->id) ?? throw new OpRefused('The pass is gone already.');
        $sheet->clearLayer(PassFact::fromArray($fact)->layer($this->id));
        $sheet->setFact(FactKind::Pass, $this->id, null);
    }
}

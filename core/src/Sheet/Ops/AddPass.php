<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops;

use Awning\Core\Sheet\FactKind;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\PassFact;
use Awning\Core\Sheet\Sheet;

final readonly class AddPass implements Op
{
    public const MOST = 200;

    public function __construct(private string $id, private PassFact $pass)
    {
    }

    public function title(): string
    {
        return "Add the pass {$this->pass->name}";
    }

    public function apply(Sheet $sheet): void
    {
        $sheet->grid();
        $passes = $sheet->facts(FactKind::Pass);
        if (isset($passes[$this->id])) {
            throw new OpRefused('This pass is there already.');
        }
        if (count($passes) >= self::MOST) {
            throw new OpRefused('A page holds at most '.self::MOST.' passes. Remove one first.');
        }
        $fact = $this->pass->toArray();
        if ($fact['order'] === 0.0) {
            // On top of its figure's passes.
            $fact['order'] = 1.0 + max([0.0, ...array_map(
                fn (array $other): float => $other['figure'] === $fact['figure'] && is_float($other['order']) ? $other['order'] : 0.0,
                array_values($passes),
            )]);
        }
        $sheet->setFact(FactKind::Pass, $this->id, $fact);
    }
}

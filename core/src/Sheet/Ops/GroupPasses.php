<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops;

use Awning\Core\Compose\BlendMode;
use Awning\Core\Sheet\FactKind;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\PassFact;
use Awning\Core\Sheet\Sheet;

/** Takes passes of one figure together, or with no passes changes or dissolves a group that is there. */
final readonly class GroupPasses implements Op
{
    /**
     * @param  list<string>  $passes  ids; empty keeps those the group has
     * @param  ?array{isolated: bool, mode: BlendMode, opacity: float}  $how  null dissolves the group
     */
    public function __construct(private string $id, private array $passes, private ?array $how)
    {
    }

    public function title(): string
    {
        return $this->how === null ? 'Part a group of passes' : 'Group passes';
    }

    public function apply(Sheet $sheet): void
    {
        $known = $sheet->facts(FactKind::Pass);
        $figures = [];
        foreach ($this->passes as $pass) {
            $figures[] = PassFact::fromArray($known[$pass] ?? throw new OpRefused('One of the passes is gone. Reload the page.'))->figure;
        }
        if (count(array_unique($figures)) > 1) {
            throw new OpRefused('Only passes of one figure go together in a group.');
        }
        if ($this->how === null) {
            foreach ($known as $id => $pass) {
                if ($pass['group'] === $this->id) {
                    $sheet->setFact(FactKind::Pass, $id, ['group' => null] + $pass);
                }
            }
            $sheet->setFact(FactKind::Group, $this->id, null);

            return;
        }
        if ($this->how['opacity'] < 0 || $this->how['opacity'] > 1) {
            throw new OpRefused('Opacity runs from 0 to 1.');
        }
        $sheet->setFact(FactKind::Group, $this->id, [
            'isolated' => $this->how['isolated'], 'mode' => $this->how['mode']->value, 'opacity' => $this->how['opacity'],
        ]);
        foreach ($this->passes as $id) {
            $sheet->setFact(FactKind::Pass, $id, ['group' => $this->id] + $known[$id]);
        }
    }
}

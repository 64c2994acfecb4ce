<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops;

use Awning\Core\Sheet\FactKind;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;

/** Gives regions a material, or with material 0 takes it from them. */
final readonly class FillRegions implements Op
{
    /** @param  non-empty-list<int>  $labels */
    public function __construct(private array $labels, private int $figure, private int $material)
    {
    }

    public function title(): string
    {
        $count = count($this->labels);
        $what = $count === 1 ? 'a region' : "$count regions";

        return $this->material === 0 ? "Unfill $what" : "Fill $what";
    }

    public function apply(Sheet $sheet): void
    {
        $regions = [];
        foreach ($this->labels as $label) {
            $regions[$label] = $sheet->fact(FactKind::Region, $label) ?? throw new OpRefused('There is no region there. Reload the page and click inside the lines.');
        }
        foreach ($regions as $label => $region) {
            $sheet->setFact(FactKind::Region, $label, ['figure' => $this->material === 0 ? 0 : $this->figure, 'material' => $this->material] + $region);
        }
    }
}

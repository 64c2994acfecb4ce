<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Flats;

use Awning\Core\Page\Data;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Labels;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Gives regions a material, or with material 0 takes it from them.
 *
 * @phpstan-type FillInput array{labels: list<int>, figure: int, material: int}
 */
final readonly class FillRegions implements ClientOp
{
    /** @param  non-empty-list<int>  $labels */
    public function __construct(private array $labels, private int $figure, private int $material)
    {
    }

    public static function kind(): string
    {
        return 'fill';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        $labels = array_values(array_unique(array_filter($input->list('labels', Labels::MOST), is_int(...))));
        if ($labels === []) {
            throw new OpRefused('No region was hit. Click inside the lines.');
        }

        return new self($labels, $input->int('figure', 0, PHP_INT_MAX, 0), $input->int('material', 0, PHP_INT_MAX, 0));
    }

    /** @return FillInput */
    public function toInput(): array
    {
        return ['labels' => $this->labels, 'figure' => $this->figure, 'material' => $this->material];
    }

    public function title(): string
    {
        $count = count($this->labels);
        $what = $count === 1 ? 'a region' : "$count regions";

        return $this->material === 0 ? "Unfill $what" : "Fill $what";
    }

    public function right(): Right
    {
        return Right::Flat;
    }

    public function refersTo(): References
    {
        return $this->material === 0
            ? new References
            : new References(materialsOf: [$this->material => $this->figure]);
    }

    public function apply(Sheet $sheet): void
    {
        // One look-up each for a click; all at once for a sweep.
        $known = count($this->labels) > 8 ? $sheet->all(Region::class) : null;
        $regions = [];
        foreach ($this->labels as $label) {
            $regions[$label] =
                ($known === null ? $sheet->find(Region::class, $label) : $known[$label] ?? null) ??
                throw new OpRefused('There is no region there. Reload the page and click inside the lines.');
        }
        $open = array_filter($regions, fn (Region $region): bool => ! $region->locked);
        if ($open === []) {
            throw new OpRefused(
                count($regions) === 1
                    ? 'This region is locked. Unlock it before you fill it.'
                    : 'These regions are locked. Unlock them before you fill them.',
            );
        }
        foreach ($open as $label => $region) {
            $sheet->put($label, $region->filled($this->figure, $this->material));
        }
    }
}

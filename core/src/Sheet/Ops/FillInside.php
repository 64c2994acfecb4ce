<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops;

use Awning\Core\Page\Data;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Region;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Rect;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\LabelWindow;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\References;
use Awning\Core\Sheet\Right;
use Awning\Core\Sheet\Sheet;

/**
 * Fills every region that lies wholly inside a loop.
 *
 * @phpstan-type PlaceData array{float, float}
 * @phpstan-type FillInsideInput array{outline: list<PlaceData>, figure: int, material: int, unfilled: bool}
 */
final readonly class FillInside implements ClientOp
{
    private const MOST_PLACES = 4000;

    /**
     * @param  non-empty-list<PlaceData>  $outline  round the loop, px of the page
     * @param  int  $material  0: they are unfilled
     * @param  bool  $unfilled  whether what is filled already stays as it is
     */
    private function __construct(private array $outline, private int $figure, private int $material, private bool $unfilled)
    {
    }

    public static function kind(): string
    {
        return 'fill.inside';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        $outline = array_map(function (mixed $place): array {
            if (! is_array($place) || ! array_is_list($place) || count($place) !== 2) {
                throw new \InvalidArgumentException('A loop is a list of places.');
            }
            $at = new Data(['x' => $place[0], 'y' => $place[1]]);

            return [$at->number('x', -PageSize::MOST, 2 * PageSize::MOST), $at->number('y', -PageSize::MOST, 2 * PageSize::MOST)];
        }, $input->list('outline', self::MOST_PLACES));
        if ($outline === [] || count($outline) < 3) {
            throw new OpRefused('Draw the loop round the regions you mean.');
        }

        return new self($outline, $input->int('figure', 0, PHP_INT_MAX, 0), $input->int('material', 0, PHP_INT_MAX, 0), $input->flag('unfilled', false));
    }

    /** @return FillInsideInput */
    public function toInput(): array
    {
        return ['outline' => $this->outline, 'figure' => $this->figure, 'material' => $this->material, 'unfilled' => $this->unfilled];
    }

    public function title(): string
    {
        return $this->material === 0 ? 'Unfill what a loop holds' : 'Fill what a loop holds';
    }

    public function right(): Right
    {
        return Right::Flat;
    }

    public function refersTo(): References
    {
        return $this->material === 0 ? new References : new References(materialsOf: [$this->material => $this->figure]);
    }

    public function apply(Sheet $sheet): void
    {
        $regions = $sheet->all(Region::class);
        $inside = array_filter(array_intersect_key($regions, $this->inside($sheet)), fn (Region $region): bool => ! $this->unfilled || ! $region->isFilled());
        if ($inside === []) {
            throw new OpRefused('No region lies wholly inside the loop. Draw it wider, or click the regions.');
        }
        foreach ($inside as $label => $region) {
            $sheet->put($label, $region->filled($this->figure, $this->material));
        }
    }

    /** @return array<int, true> labels none of whose pixels lie outside */
    private function inside(Sheet $sheet): array
    {
        $xs = array_column($this->outline, 0);
        $ys = array_column($this->outline, 1);
        // A pixel more all round: what goes on there goes on outside.
        $window = Rect::bounds((int) floor(min($xs)) - 1, (int) floor(min($ys)) - 1, (int) ceil(max($xs)) + 1, (int) ceil(max($ys)) + 1)->intersect($sheet->rect());
        if ($window->isEmpty()) {
            return [];
        }
        $labels = (new LabelWindow($sheet))->read($window);
        $within = $without = [];
        for ($y = 0; $y < $window->height; $y++) {
            $at = 0;
            foreach ([...$this->crossings($window, $y), $window->width] as $i => $to) {
                foreach (Labels::spans(substr($labels, 2 * ($y * $window->width + $at), 2 * ($to - $at))) as [, , $label]) {
                    if ($i % 2 === 0) {
                        $without[$label] = true;
                    } else {
                        $within[$label] = true;
                    }
                }
                $at = $to;
            }
        }

        return array_diff_key($within, $without);
    }

    /** @return list<int> where a row goes into the loop and out of it again, in pixels of the window */
    private function crossings(Rect $window, int $row): array
    {
        $y = $window->y + $row + 0.5;
        $crossings = [];
        foreach ($this->outline as $i => [$x0, $y0]) {
            [$x1, $y1] = $this->outline[($i + 1) % count($this->outline)];
            if (($y0 <= $y) !== ($y1 <= $y)) {
                $x = $x0 + ($y - $y0) / ($y1 - $y0) * ($x1 - $x0);
                $crossings[] = max(0, min($window->width, (int) ceil($x - 0.5) - $window->x));
            }
        }
        sort($crossings);

        return $crossings;
    }
}

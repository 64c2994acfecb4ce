<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Flats;

use Awning\Core\Page\Data;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Outline;
use Awning\Core\Raster\Rect;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Painting\LayerWindow;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

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
    private function __construct(
        private array $outline,
        private int $figure,
        private int $material,
        private bool $unfilled,
    ) {
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
        return new self(
            self::outline($input),
            $input->int('figure', 0, PHP_INT_MAX, 0),
            $input->int('material', 0, PHP_INT_MAX, 0),
            $input->flag('unfilled', false),
        );
    }

    /**
     * @return non-empty-list<PlaceData>
     *
     * @throws \InvalidArgumentException
     */
    public static function outline(Data $input): array
    {
        $place = fn (mixed $pair): array => Data::place(
            $pair,
            -PageSize::MOST,
            2 * PageSize::MOST,
            'A loop is a list of places.',
        );
        $outline = array_map($place, $input->list('outline', self::MOST_PLACES));

        return count($outline) < 3
            ? throw new \InvalidArgumentException('Draw the loop round what you mean.')
            : $outline;
    }

    /** @return FillInsideInput */
    public function toInput(): array
    {
        return [
            'outline' => $this->outline,
            'figure' => $this->figure,
            'material' => $this->material,
            'unfilled' => $this->unfilled,
        ];
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
        return $this->material === 0
            ? new References
            : new References(materialsOf: [$this->material => $this->figure]);
    }

    public function apply(Sheet $sheet): void
    {
        $regions = $sheet->all(Region::class);
        $inside = array_filter(
            array_intersect_key($regions, $this->inside($sheet)),
            fn (Region $region): bool => ! $region->locked && (! $this->unfilled || ! $region->isFilled()),
        );
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
        $window = Rect::bounds(
            (int) floor(min($xs)) - 1,
            (int) floor(min($ys)) - 1,
            (int) ceil(max($xs)) + 1,
            (int) ceil(max($ys)) + 1,
        )->intersect($sheet->rect());
        if ($window->isEmpty()) {
            return [];
        }
        $labels = (new LayerWindow($sheet, LayerName::flats()))->read($window);
        $loop = new Outline($this->outline);
        $within = $without = [];
        for ($y = 0; $y < $window->height; $y++) {
            $row = substr($labels, 2 * $y * $window->width, 2 * $window->width);
            $end = $window->x;
            foreach ($loop->spans($window->y + $y, $window->x, $window->right()) as [$from, $to]) {
                $without += self::labels($row, $end - $window->x, $from - $window->x);
                $within += self::labels($row, $from - $window->x, $to - $window->x);
                $end = $to;
            }
            $without += self::labels($row, $end - $window->x, $window->width);
        }

        return array_diff_key($within, $without);
    }

    /** @return array<int, true> those between two pixels of a row */
    private static function labels(string $row, int $from, int $to): array
    {
        return array_fill_keys(array_column(Labels::spans(substr($row, 2 * $from, 2 * ($to - $from))), 2), true);
    }
}

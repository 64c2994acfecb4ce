<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Paint;

use Awning\Core\Brush\Brush;
use Awning\Core\Brush\Path;
use Awning\Core\Brush\Softener;
use Awning\Core\Brush\StrokeDrawing;
use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\MirrorAxis;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Coverage;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Raster\TwinCoverage;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Painting\LayerWindow;
use Awning\Core\Sheet\Painting\Laying;
use Awning\Core\Sheet\Painting\PassReach;
use Awning\Core\Sheet\Painting\StrokeOnSheet;
use Awning\Core\Sheet\Prepares;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Softens the edges in a pass: where a brush goes, or all of them. It does not look beyond the pass's clip, so that
 * paint stays as strong as it is where it touches the border of its shape. With a mirror, where the brush is seen in
 * it, too. Each region may be softened for itself: edges that lie along a border, where forms touch, stay as they are
 * then.
 *
 * @phpstan-import-type BrushData from Stroke
 * @phpstan-import-type PointData from Stroke
 * @phpstan-import-type AxisData from MirrorAxis
 *
 * @phpstan-type SoftenPassInput array{pass: string, by: float, brush: ?BrushData, points: list<PointData>,
 *     inside: list<int>, mirror: ?AxisData, apart: bool}
 */
final readonly class SoftenPass implements ClientOp, Prepares
{
    public const MOST = 200;

    private ?StrokeDrawing $drawing;

    private ?StrokeDrawing $twin;

    /**
     * @param  float  $by  px that a hard edge takes to either side afterwards
     * @param  ?Path  $path  null: the whole pass
     * @param  list<int>  $inside  regions it stays inside of; none: wherever the pass's clip lets it
     * @param  bool  $apart  whether each region is softened for itself
     */
    public function __construct(
        private string $pass,
        private float $by,
        private ?Path $path = null,
        private ?Brush $brush = null,
        private array $inside = [],
        private ?MirrorAxis $mirror = null,
        private bool $apart = false,
    ) {
        $this->drawing = $path === null || $brush === null ? null : new StrokeDrawing($path, $brush);
        $this->twin =
            $path === null || $brush === null || $mirror === null
                ? null
                : new StrokeDrawing($path->mirrored($mirror), $brush);
    }

    public static function kind(): string
    {
        return 'pass.soften';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        $isWhole = ! $input->has('brush');

        return new self(
            pass: $input->id('pass'),
            by: $input->number('by', 0.5, self::MOST),
            path: $isWhole ? null : Path::fromPoints($input->list('points', Path::MOST_POINTS)),
            brush: $isWhole ? null : Stroke::brush($input->map('brush')),
            inside: Laying::labels($input, 'inside'),
            mirror: MirrorAxis::ofInput($input),
            apart: $input->flag('apart', false),
        );
    }

    /** @return SoftenPassInput */
    public function toInput(): array
    {
        return [
            'pass' => $this->pass,
            'by' => $this->by,
            'brush' => $this->brush === null ? null : Stroke::brushData($this->brush),
            'points' => $this->path->points ?? [],
            'inside' => $this->inside,
            'mirror' => $this->mirror?->toData(),
            'apart' => $this->apart,
        ];
    }

    public function title(): string
    {
        return $this->path === null ? 'Soften the whole pass' : 'Soften';
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return new References;
    }

    public function prepare(Sheet $sheet): void
    {
        $this->brushed($sheet);
    }

    public function apply(Sheet $sheet): void
    {
        $this->prepare($sheet);
        $pass =
            $sheet->find(PassSpec::class, $this->pass) ??
            throw new OpRefused('The pass is gone. Pick another one and soften that.');
        $windows = LayerWindow::planes($sheet, $pass->layer($this->pass));
        $softener = new Softener($this->by);
        $shapes = $this->apart ? $this->regions($sheet, $pass) : $this->clip($sheet, $pass);
        // Everything is read before anything is written: what is softened already must not soften its neighbours again.
        $soft = [];
        foreach ($this->places($sheet) as [$place, $strength]) {
            $planes = $this->softened($softener, $windows, $shapes($place), $place, $strength);
            if ($planes !== null) {
                $soft[] = [$place, $planes];
            }
        }
        if ($soft === []) {
            throw new OpRefused('Nothing of this pass has an edge there.');
        }
        foreach ($soft as [$place, $planes]) {
            foreach ($planes as $i => $plane) {
                $windows[$i]->write($place, $plane);
            }
        }
    }

    /** Where the brush went; null: it is the whole pass. */
    private function brushed(Sheet $sheet): ?Coverage
    {
        return $this->drawing === null
            ? null
            : TwinCoverage::of(
                StrokeOnSheet::mask($this->drawing, $sheet),
                $this->twin === null ? null : StrokeOnSheet::mask($this->twin, $sheet),
            );
    }

    /**
     * @return iterable<array{Rect, ?string}> pieces of tiles, and how strongly each pixel is softened, 0 to 255; null:
     *     all of it fully
     */
    private function places(Sheet $sheet): iterable
    {
        $mask = $this->brushed($sheet);
        $bounds = $mask?->bounds() ?? $sheet->rect();
        foreach ($sheet->grid()->touching($bounds) as $at) {
            $place = TileGrid::rect(...$at)->intersect($bounds);
            $strength = $mask?->cut($place);
            if ($mask === null || $strength !== null) {
                yield [$place, $strength];
            }
        }
    }

    /**
     * @return \Closure(Rect): list<PassReach> what of a place is softened without looking beyond it: all of the clip
     */
    private function clip(Sheet $sheet, PassSpec $pass): \Closure
    {
        $clip = new PassReach($sheet, $pass, $this->inside);

        return fn (Rect $place): array => [$clip];
    }

    /** @return \Closure(Rect): list<PassReach> the same: each region that is in it for itself */
    private function regions(Sheet $sheet, PassSpec $pass): \Closure
    {
        $flats = new LayerWindow($sheet, LayerName::flats());
        $known = [];

        return function (Rect $place) use ($sheet, $pass, $flats, &$known): array {
            $labels = array_unique(array_column(Labels::spans($flats->read($place)), 2));
            $meant = $this->inside === [] ? $labels : array_intersect($labels, $this->inside);

            return array_map(function (int $label) use ($sheet, $pass, &$known): PassReach {
                return $known[$label] ??= new PassReach($sheet, $pass, [$label]);
            }, array_values($meant));
        };
    }

    /**
     * @param  list<LayerWindow>  $windows
     * @param  list<PassReach>  $shapes
     * @return ?list<string> null where there is nothing to soften
     */
    private function softened(Softener $softener, array $windows, array $shapes, Rect $place, ?string $strength): ?array
    {
        $around = $softener->around($place);
        $planes = array_map(fn (LayerWindow $window): string => $window->read($around), $windows);
        $last = $planes[count($planes) - 1];
        if (strspn($last, $last[0]) === strlen($last) && (count($planes) === 1 || $last[0] === "\0")) {
            return null;
        }
        $opacity = $this->brush->opacity ?? 1.0;
        $isSoftened = false;
        $mixed = array_map(fn (LayerWindow $window): string => $window->read($place), $windows);
        foreach ($shapes as $shape) {
            $inside = $shape->in($around);
            if (self::isEven($planes, $inside)) {
                continue;
            }
            $isSoftened = true;
            $mask = $shape->in($place);
            $soft = $softener->soften($planes, $inside, $place);
            $mixed = array_map(
                fn (string $before, string $after): string => self::mixed(
                    $before,
                    $after,
                    $strength === null ? $mask : $mask & $strength,
                    $opacity,
                ),
                $mixed,
                $soft,
            );
        }

        return $isSoftened ? $mixed : null;
    }

    /**
     * Whether there is no edge in a shape.
     *
     * @param  list<string>  $planes
     */
    private static function isEven(array $planes, string $inside): bool
    {
        $there = ($planes[count($planes) - 1] ?? '') & $inside;

        return Bytes::isNothing($there) || (count($planes) === 1 && $there === $inside);
    }

    /** @param  string  $mask  0: as it was; 255: as far as the opacity goes */
    private static function mixed(string $before, string $after, string $mask, float $opacity): string
    {
        $mixed = $before;
        for ($at = strspn($mask, "\0"), $count = strlen($mask); $at < $count; $at += 1 + strspn($mask, "\0", $at + 1)) {
            $was = ord($before[$at]);
            $mixed[$at] = chr((int) ($was + (((ord($after[$at]) - $was) * ord($mask[$at])) / 255) * $opacity + 0.5));
        }

        return $mixed;
    }
}

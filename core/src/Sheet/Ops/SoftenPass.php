<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops;

use Awning\Core\Brush\Brush;
use Awning\Core\Brush\Path;
use Awning\Core\Brush\Softener;
use Awning\Core\Brush\StrokeDrawing;
use Awning\Core\Page\Data;
use Awning\Core\Page\PassSpec;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\LayerWindow;
use Awning\Core\Sheet\Laying;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\PassReach;
use Awning\Core\Sheet\Prepares;
use Awning\Core\Sheet\References;
use Awning\Core\Sheet\Right;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\StrokeOnSheet;

/**
 * Softens the edges in a pass: where a brush goes, or all of them. It does not look beyond the pass's clip, so that paint stays as
 * strong as it is where it touches the border of its shape.
 *
 * @phpstan-import-type BrushData from Stroke
 * @phpstan-import-type PointData from Stroke
 *
 * @phpstan-type SoftenPassInput array{pass: string, by: float, brush: ?BrushData, points: list<PointData>, inside: list<int>}
 */
final readonly class SoftenPass implements ClientOp, Prepares
{
    public const MOST = 200;

    private ?StrokeDrawing $drawing;

    /**
     * @param  float  $by  px that a hard edge takes to either side afterwards
     * @param  ?Path  $path  null: the whole pass
     * @param  list<int>  $inside  regions it stays inside of; none: wherever the pass's clip lets it
     */
    public function __construct(private string $pass, private float $by, private ?Path $path = null, private ?Brush $brush = null, private array $inside = [])
    {
        $this->drawing = $path === null || $brush === null ? null : new StrokeDrawing($path, $brush);
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
            $input->id('pass'), $input->number('by', 0.5, self::MOST), $isWhole ? null : Path::fromPoints($input->list('points', Path::MOST_POINTS)),
            $isWhole ? null : Stroke::brush($input->map('brush')), Laying::labels($input, 'inside'),
        );
    }

    /** @return SoftenPassInput */
    public function toInput(): array
    {
        return [
            'pass' => $this->pass, 'by' => $this->by, 'brush' => $this->brush === null ? null : Stroke::brushData($this->brush), 'points' => $this->path->points ?? [],
            'inside' => $this->inside,
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
        if ($this->drawing !== null) {
            StrokeOnSheet::mask($this->drawing, $sheet);
        }
    }

    public function apply(Sheet $sheet): void
    {
        $this->prepare($sheet);
        $pass = $sheet->find(PassSpec::class, $this->pass) ?? throw new OpRefused('The pass is gone. Pick another one and soften that.');
        $windows = LayerWindow::planes($sheet, $pass->layer($this->pass));
        $reach = new PassReach($sheet, $pass, $this->inside);
        $softener = new Softener($this->by);
        // Everything is read before anything is written: what is softened already must not soften its neighbours again.
        $soft = [];
        foreach ($this->places($sheet) as [$place, $strength]) {
            $planes = $this->softened($softener, $windows, $reach, $place, $strength);
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

    /** @return iterable<array{Rect, ?string}> pieces of tiles, and how strongly each pixel is softened, 0 to 255; null: all of it fully */
    private function places(Sheet $sheet): iterable
    {
        $mask = $this->drawing?->on($sheet->rect());
        foreach ($mask === null ? $sheet->grid()->all() : $sheet->grid()->touching($mask->bounds) as $at) {
            $place = TileGrid::rect(...$at)->intersect($mask === null ? $sheet->rect() : $mask->bounds);
            $strength = $mask?->cut($place);
            if ($mask === null || $strength !== null) {
                yield [$place, $strength];
            }
        }
    }

    /**
     * @param  list<LayerWindow>  $windows
     * @return ?list<string> null where there is nothing to soften
     */
    private function softened(Softener $softener, array $windows, PassReach $reach, Rect $place, ?string $strength): ?array
    {
        $around = $softener->around($place);
        $planes = array_map(fn (LayerWindow $window): string => $window->read($around), $windows);
        $last = $planes[count($planes) - 1];
        if (strspn($last, $last[0]) === strlen($last) && (count($planes) === 1 || $last[0] === "\0")) {
            return null;
        }
        $inside = $reach->in($around);
        $mask = $reach->in($place);
        if ($strength !== null) {
            $mask &= $strength;
        }
        $opacity = $this->brush->opacity ?? 1.0;
        $soft = $softener->soften($planes, $inside, $place);

        return array_map(fn (LayerWindow $window, string $plane): string => self::mixed($window->read($place), $plane, $mask, $opacity), $windows, $soft);
    }

    /** @param  string  $mask  0: as it was; 255: as far as the opacity goes */
    private static function mixed(string $before, string $after, string $mask, float $opacity): string
    {
        $mixed = $before;
        for ($at = strspn($mask, "\0"), $count = strlen($mask); $at < $count; $at += 1 + strspn($mask, "\0", $at + 1)) {
            $was = ord($before[$at]);
            $mixed[$at] = chr((int) ($was + (ord($after[$at]) - $was) * ord($mask[$at]) / 255 * $opacity + 0.5));
        }

        return $mixed;
    }
}

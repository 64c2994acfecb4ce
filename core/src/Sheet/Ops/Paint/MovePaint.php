<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Paint;

use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\MirrorAxis;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Coverage;
use Awning\Core\Raster\Projection;
use Awning\Core\Raster\Rect;
use Awning\Core\Select\SmoothShape;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Flats\FillInside;
use Awning\Core\Sheet\Painting\LayerWindow;
use Awning\Core\Sheet\Painting\LiftedPaint;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Moves, turns, scales or mirrors what an outline holds of a pass, or all of it; leaves it where it was, too, when it
 * is copied; may put it into another pass of the same kind. With a mirror, the same is done to what an outline's twin
 * holds.
 *
 * @phpstan-import-type PlaceData from FillInside
 * @phpstan-import-type AxisData from MirrorAxis
 *
 * @phpstan-type MovePaintInput array{pass: string, outline: ?list<PlaceData>, by: PlaceData, turn: float,
 *     scale: PlaceData, copy: bool, into: ?string, mirror: ?AxisData}
 */
final readonly class MovePaint implements ClientOp
{
    private const MOST_SCALE = 20.0;

    /**
     * @param  ?non-empty-list<PlaceData>  $outline  px of the page; null: all of the pass
     * @param  PlaceData  $by  px to the right and down
     * @param  float  $turn  degrees, clockwise, about the middle of the outline
     * @param  PlaceData  $scale  along and down, about that middle; below 0 mirrors
     * @param  ?string  $into  another pass; null: the same
     */
    public function __construct(
        private string $pass,
        private ?array $outline,
        private array $by,
        private float $turn = 0.0,
        private array $scale = [1.0, 1.0],
        private bool $copy = false,
        private ?string $into = null,
        private ?MirrorAxis $mirror = null,
    ) {
        if (min(abs($scale[0]), abs($scale[1])) < 1 / self::MOST_SCALE) {
            throw new \RangeException('Paint is scaled to a twentieth or to twenty times at the most.');
        }
    }

    public static function kind(): string
    {
        return 'paint.move';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self(
            pass: $input->id('pass'),
            outline: $input->has('outline') ? FillInside::outline($input) : null,
            by: Data::place($input->list('by', 2), -2 * PageSize::MOST, 2 * PageSize::MOST, 'Say how far to move it.'),
            turn: $input->number('turn', -360, 360, 0.0),
            scale: $input->has('scale')
                ? Data::place(
                    $input->list('scale', 2),
                    -self::MOST_SCALE,
                    self::MOST_SCALE,
                    'Say how large it becomes.',
                )
                : [1.0, 1.0],
            copy: $input->flag('copy', false),
            into: $input->has('into') ? $input->id('into') : null,
            mirror: MirrorAxis::ofInput($input),
        );
    }

    /** @return MovePaintInput */
    public function toInput(): array
    {
        return [
            'pass' => $this->pass,
            'outline' => $this->outline,
            'by' => $this->by,
            'turn' => $this->turn,
            'scale' => $this->scale,
            'copy' => $this->copy,
            'into' => $this->into,
            'mirror' => $this->mirror?->toData(),
        ];
    }

    public function title(): string
    {
        return $this->copy ? 'Copy paint' : 'Move paint';
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return new References;
    }

    public function apply(Sheet $sheet): void
    {
        $from = $this->find($sheet, $this->pass);
        $into = $this->into === null ? $from : $this->find($sheet, $this->into);
        if ($from->content->kind()->layer() !== $into->content->kind()->layer()) {
            throw new OpRefused('Free paint goes into free paint, and a tone or tint into a tone or tint.');
        }
        $page = $sheet->rect();
        $windows = LayerWindow::planes($sheet, $from->layer($this->pass));
        // All is taken before anything is put, so that what comes from one side is not moved on by the other.
        $parts = [];
        foreach ($this->outlines($page) as [$shape, $where, $there]) {
            $lifted = $where->isEmpty() ? null : LiftedPaint::of($windows, $shape, $where);
            if ($lifted !== null) {
                $parts[] = [$shape, $lifted, $there];
            }
        }
        if ($parts === []) {
            throw new OpRefused('There is no paint of this pass inside the outline.');
        }
        // What would be lost beyond the page stays where it is.
        $parts = array_filter(
            $parts,
            fn (array $part): bool => ! $part[1]->reaches($part[2])->intersect($page)->isEmpty(),
        );
        if ($parts === []) {
            throw new OpRefused('It would lie off the page.');
        }
        foreach ($this->copy ? [] : $parts as [$shape, $lifted]) {
            $this->clear($windows, $shape, $lifted->where);
        }
        $into = LayerWindow::planes($sheet, $into->layer($this->into ?? $this->pass));
        foreach ($parts as [, $lifted, $there]) {
            $lifted->put($into, $there, $page);
        }
    }

    /**
     * @return list<array{?Coverage, Rect, Projection}> what is moved, where it lies, and where it goes; with a mirror,
     *     its twin
     */
    private function outlines(Rect $page): array
    {
        if ($this->outline === null) {
            return [[null, $page, $this->there($page)]];
        }
        $shape = new SmoothShape($this->outline, $page);
        $there = $this->there($shape->bounds());
        if ($this->mirror === null) {
            return [[$shape, $shape->bounds(), $there]];
        }
        $twin = new SmoothShape($this->mirror->all($this->outline), $page);
        $mirror = $this->mirror->projection();

        return [[$shape, $shape->bounds(), $there], [$twin, $twin->bounds(), $mirror->then($there)->then($mirror)]];
    }

    private function find(Sheet $sheet, string $id): PassSpec
    {
        return $sheet->find(PassSpec::class, $id) ??
            throw new OpRefused('The pass is gone. Pick another one and move what is there.');
    }

    /** @param  list<LayerWindow>  $windows */
    private function clear(array $windows, ?Coverage $shape, Rect $where): void
    {
        $window = $windows[count($windows) - 1];
        $all = $window->read($where);
        $kept = $shape === null ? str_repeat("\0", strlen($all)) : Bytes::product(~($shape->cut($where) ?? ''), $all);
        $window->write($where, $kept);
    }

    private function there(Rect $where): Projection
    {
        [$x, $y] = [$where->x + $where->width / 2, $where->y + $where->height / 2];

        return Projection::scale($this->scale[0], $this->scale[1], $x, $y)
            ->then(Projection::turn($this->turn, $x, $y))
            ->then(Projection::move($this->by[0], $this->by[1]));
    }
}

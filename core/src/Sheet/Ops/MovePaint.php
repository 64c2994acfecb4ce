<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops;

use Awning\Core\Page\Data;
use Awning\Core\Page\MirrorAxis;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\PassSpec;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Coverage;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Projection;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\Warp;
use Awning\Core\Select\SmoothShape;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\LayerWindow;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\References;
use Awning\Core\Sheet\Right;
use Awning\Core\Sheet\Sheet;

/**
 * Moves, turns, scales or mirrors what an outline holds of a pass, or all of it; leaves it where it was, too, when it is copied;
 * may put it into another pass of the same kind. With a mirror, the same is done to what an outline's twin holds.
 *
 * @phpstan-import-type PlaceData from FillInside
 * @phpstan-import-type AxisData from MirrorAxis
 *
 * @phpstan-type MovePaintInput array{pass: string, outline: ?list<PlaceData>, by: PlaceData, turn: float, scale: PlaceData, copy: bool, into: ?string, mirror: ?AxisData}
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
        private string $pass, private ?array $outline, private array $by, private float $turn = 0.0, private array $scale = [1.0, 1.0], private bool $copy = false,
        private ?string $into = null, private ?MirrorAxis $mirror = null,
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
            $input->id('pass'), $input->has('outline') ? FillInside::outline($input) : null,
            Data::place($input->list('by', 2), -2 * PageSize::MOST, 2 * PageSize::MOST, 'Say how far to move it.'),
            $input->number('turn', -360, 360, 0.0),
            $input->has('scale') ? Data::place($input->list('scale', 2), -self::MOST_SCALE, self::MOST_SCALE, 'Say how large it becomes.') : [1.0, 1.0],
            $input->flag('copy', false), $input->has('into') ? $input->id('into') : null, MirrorAxis::ofInput($input),
        );
    }

    /** @return MovePaintInput */
    public function toInput(): array
    {
        return ['pass' => $this->pass, 'outline' => $this->outline, 'by' => $this->by, 'turn' => $this->turn, 'scale' => $this->scale, 'copy' => $this->copy, 'into' => $this->into, 'mirror' => $this->mirror?->toData()];
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
            $taken = $where->isEmpty() ? null : $this->taken($windows, $shape, $where);
            if ($taken !== null) {
                $parts[] = [$shape, $where, $there, $taken];
            }
        }
        if ($parts === []) {
            throw new OpRefused('There is no paint of this pass inside the outline.');
        }
        // What would be lost beyond the page stays where it is.
        $parts = array_filter($parts, fn (array $part): bool => ! self::reached($part[2], $part[1])->intersect($page)->isEmpty());
        if ($parts === []) {
            throw new OpRefused('It would lie off the page.');
        }
        foreach ($this->copy ? [] : $parts as [$shape, $where]) {
            $this->clear($windows, $shape, $where);
        }
        $into = LayerWindow::planes($sheet, $into->layer($this->into ?? $this->pass));
        foreach ($parts as [, $where, $there, $taken]) {
            $this->put($into, $taken, $where, $there, $page);
        }
    }

    /** @return list<array{?Coverage, Rect, Projection}> what is moved, where it lies, and where it goes; with a mirror, its twin */
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
        return $sheet->find(PassSpec::class, $id) ?? throw new OpRefused('The pass is gone. Pick another one and move what is there.');
    }

    /**
     * What is inside, the last plane less where the outline cuts through a pixel.
     *
     * @param  list<LayerWindow>  $windows
     * @return ?list<string> null when there is nothing
     */
    private function taken(array $windows, ?Coverage $shape, Rect $where): ?array
    {
        $planes = array_map(fn (LayerWindow $window): string => $window->read($where), $windows);
        $last = count($planes) - 1;
        if ($shape !== null) {
            $planes[$last] = Bytes::product($shape->cut($where) ?? str_repeat("\0", strlen($planes[$last])), $planes[$last]);
        }

        return Bytes::isNothing($planes[$last]) ? null : array_values($planes);
    }

    /** @param  list<LayerWindow>  $windows */
    private function clear(array $windows, ?Coverage $shape, Rect $where): void
    {
        $window = $windows[count($windows) - 1];
        $all = $window->read($where);
        $kept = $shape === null ? str_repeat("\0", strlen($all)) : Bytes::product(~($shape->cut($where) ?? ''), $all);
        $window->write($where, $kept);
    }

    /**
     * @param  list<LayerWindow>  $windows
     * @param  list<string>  $taken
     */
    private function put(array $windows, array $taken, Rect $where, Projection $there, Rect $page): void
    {
        $to = self::reached($there, $where)->intersect($page);
        $there = Projection::move($where->x, $where->y)->then($there)->then(Projection::move(-$to->x, -$to->y));
        $warped = fn (string $plane): string => Warp::plane(new Plane($where->width, $where->height, $plane), $there, $to->width, $to->height)->data;
        $weights = $taken[count($taken) - 1];
        $alpha = $warped($weights);
        // Colours are warped with their weight, so that nothing is mixed in from where there is no paint.
        $colours = array_map(fn (string $plane): string => $warped(Bytes::product($weights, $plane)), array_slice($taken, 0, -1));
        $this->over($windows, $colours, $alpha, $to);
    }

    private function there(Rect $where): Projection
    {
        [$x, $y] = [$where->x + $where->width / 2, $where->y + $where->height / 2];

        return Projection::scale($this->scale[0], $this->scale[1], $x, $y)->then(Projection::turn($this->turn, $x, $y))->then(Projection::move($this->by[0], $this->by[1]));
    }

    private static function reached(Projection $there, Rect $where): Rect
    {
        $corners = array_map(fn (array $at): array => $there->at(...$at), [[$where->x, $where->y], [$where->right(), $where->y], [$where->x, $where->bottom()], [$where->right(), $where->bottom()]]);
        $xs = array_column($corners, 0);
        $ys = array_column($corners, 1);

        return Rect::bounds((int) floor(min($xs)) - 1, (int) floor(min($ys)) - 1, (int) ceil(max($xs)) + 1, (int) ceil(max($ys)) + 1);
    }

    /**
     * @param  list<LayerWindow>  $windows
     * @param  list<string>  $colours  already weighed
     */
    private function over(array $windows, array $colours, string $alpha, Rect $to): void
    {
        $last = count($windows) - 1;
        $planes = array_map(fn (LayerWindow $window): string => $window->read($to), $windows);
        for ($at = strspn($alpha, "\0"), $count = strlen($alpha); $at < $count; $at += 1 + strspn($alpha, "\0", $at + 1)) {
            $over = ord($alpha[$at]) / 255;
            $under = ord($planes[$last][$at]) / 255 * (1 - $over);
            $sum = $over + $under;
            foreach ($colours as $i => $colour) {
                $planes[$i][$at] = chr((int) min(255.0, (ord($colour[$at]) + ord($planes[$i][$at]) * $under) / $sum + 0.5));
            }
            $planes[$last][$at] = chr((int) (255 * $sum + 0.5));
        }
        /** @var list<string> $planes */
        foreach ($planes as $i => $plane) {
            $windows[$i]->write($to, $plane);
        }
    }
}

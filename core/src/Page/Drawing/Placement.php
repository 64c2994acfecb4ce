<?php

declare(strict_types=1);

namespace Awning\Core\Page\Drawing;

use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;
use Awning\Core\Page\PageSize;
use Awning\Core\Raster\Outline;
use Awning\Core\Raster\Projection;

/**
 * Where a drawing lies on the page. Its middle, or that of the sheet whose corners are set, comes to (x, y), mirrored,
 * scaled and turned in this order.
 *
 * @phpstan-type CornerData array{float, float}
 * @phpstan-type CropData array{float, float, float, float}
 * @phpstan-type PlacementData array{x: float, y: float, scale: float, turn: float, mirror: bool,
 *     corners: ?list<CornerData>, crop: ?CropData, covers: bool}
 */
final readonly class Placement
{
    public const SMALLEST = 0.02;

    public const LARGEST = 20.0;

    /** As far off the page as anything may lie, px. */
    private const FARTHEST = 60_000;

    /**
     * @param  float  $x  px of the page
     * @param  float  $turn  degrees clockwise
     * @param  ?list<CornerData>  $corners  of a sheet seen from aside, px of the drawing, clockwise from the upper
     *     left: it is set straight and what lies round it is left out
     * @param  ?CropData  $crop  left, top, right and bottom of the part that is laid, px of the drawing or of the sheet
     *     set straight; null: all of it
     * @param  bool  $covers  whether it hides the lines of drawings that lie behind it
     */
    public function __construct(
        public float $x,
        public float $y,
        public float $scale = 1.0,
        public float $turn = 0.0,
        public bool $mirror = false,
        public ?array $corners = null,
        public ?array $crop = null,
        public bool $covers = false,
    ) {
        Bounds::number('x', $x, -self::FARTHEST, self::FARTHEST);
        Bounds::number('y', $y, -self::FARTHEST, self::FARTHEST);
        Bounds::number('scale', $scale, self::SMALLEST, self::LARGEST);
        Bounds::number('turn', $turn, -360, 360);
    }

    public static function middleOf(PageSize $page): self
    {
        return new self($page->width / 2, $page->height / 2);
    }

    /** @throws \InvalidArgumentException */
    public static function fromData(Data $data): self
    {
        $place = fn (string $name): float => $data->number($name, -self::FARTHEST, self::FARTHEST);
        $corner = fn (mixed $pair): array => Data::place(
            $pair,
            -self::FARTHEST,
            self::FARTHEST,
            'A corner is a pair of numbers.',
        );
        $corners = $data->has('corners') ? array_map($corner, $data->list('corners', 4)) : null;
        if ($corners !== null && count($corners) !== 4) {
            throw new \InvalidArgumentException('A sheet has four corners.');
        }

        return new self(
            x: $place('x'),
            y: $place('y'),
            scale: $data->number('scale', self::SMALLEST, self::LARGEST, 1),
            turn: $data->number('turn', -360, 360, 0),
            mirror: $data->flag('mirror', false),
            corners: $corners,
            crop: $data->has('crop') ? self::cropOf($data->list('crop', 4)) : null,
            covers: $data->flag('covers', false),
        );
    }

    /**
     * @param  list<mixed>  $sides
     * @return CropData
     */
    private static function cropOf(array $sides): array
    {
        if (count($sides) !== 4) {
            throw new \InvalidArgumentException('A part of a drawing has a left, a top, a right and a bottom.');
        }
        $at = new Data(['left' => $sides[0], 'top' => $sides[1], 'right' => $sides[2], 'bottom' => $sides[3]]);
        [$left, $top, $right, $bottom] = array_map(
            fn (string $side): float => $at->number($side, -self::FARTHEST, self::FARTHEST),
            $at->names(),
        );
        if ($right - $left < 1 || $bottom - $top < 1) {
            throw new \InvalidArgumentException(
                'The part that is laid is at least a pixel wide and high. Pull its sides apart.',
            );
        }

        return [$left, $top, $right, $bottom];
    }

    /** @return PlacementData */
    public function toData(): array
    {
        return [
            'x' => $this->x,
            'y' => $this->y,
            'scale' => $this->scale,
            'turn' => $this->turn,
            'mirror' => $this->mirror,
            'corners' => $this->corners,
            'crop' => $this->crop,
            'covers' => $this->covers,
        ];
    }

    /**
     * From the drawing's pixels to the page's.
     *
     * @throws \InvalidArgumentException when the corners are those of no sheet
     */
    public function projection(int $width, int $height): Projection
    {
        [$straight, $width, $height] = $this->straightened($width, $height);

        return $straight->then($this->laid($width, $height));
    }

    /** From what is laid, unscaled, to the page's pixels. */
    private function laid(float $width, float $height): Projection
    {
        return Projection::move(-$width / 2, -$height / 2)
            ->then(Projection::scale($this->mirror ? -$this->scale : $this->scale, $this->scale))
            ->then(Projection::turn($this->turn, 0, 0))
            ->then(Projection::move($this->x, $this->y));
    }

    /** @return array{float, float} width and height of what is laid, unscaled: the drawing's, or the sheet's */
    public function sides(int $width, int $height): array
    {
        [, $across, $down] = $this->straightened($width, $height);

        return [$across, $down];
    }

    /** The same in the middle of a page, in its own size. */
    public function filling(PageSize $page): self
    {
        return new self(
            x: $page->width / 2,
            y: $page->height / 2,
            scale: 1.0,
            turn: $this->turn,
            mirror: $this->mirror,
            corners: $this->corners,
            crop: $this->crop,
            covers: $this->covers,
        );
    }

    /** The same on a page that is made larger. */
    public function enlarged(float $factor): self
    {
        return new self(
            x: $this->x * $factor,
            y: $this->y * $factor,
            scale: $this->scale * $factor,
            turn: $this->turn,
            mirror: $this->mirror,
            corners: $this->corners,
            crop: $this->crop,
            covers: $this->covers,
        );
    }

    /** @return ?Outline what of the page it may lie on; null: wherever it reaches */
    public function part(int $width, int $height): ?Outline
    {
        if ($this->crop === null && $this->corners === null) {
            return null;
        }
        [$across, $down] = $this->sides($width, $height);
        [$left, $top, $right, $bottom] = $this->crop ?? [0.0, 0.0, $across, $down];
        $there = $this->laid($across, $down);

        return new Outline([
            $there->at($left, $top),
            $there->at($right, $top),
            $there->at($right, $bottom),
            $there->at($left, $bottom),
        ]);
    }

    /** Whether it lies pixel on pixel on a page of its own size. */
    public function isPlain(int $width, int $height, PageSize $page): bool
    {
        return $this->corners === null &&
            $this->crop === null &&
            ! $this->mirror &&
            $this->scale === 1.0 &&
            fmod($this->turn, 360) === 0.0 &&
            $page->width === $width &&
            $page->height === $height &&
            2 * $this->x === (float) $width &&
            2 * $this->y === (float) $height;
    }

    /** @return array{Projection, float, float} to a rectangle as large as the sheet's sides are long, and its sides */
    private function straightened(int $width, int $height): array
    {
        if ($this->corners === null) {
            return [Projection::move(0, 0), $width, $height];
        }
        [$a, $b, $c, $d] = $this->corners;
        $across = max(1.0, (hypot($b[0] - $a[0], $b[1] - $a[1]) + hypot($c[0] - $d[0], $c[1] - $d[1])) / 2);
        $down = max(1.0, (hypot($d[0] - $a[0], $d[1] - $a[1]) + hypot($c[0] - $b[0], $c[1] - $b[1])) / 2);

        return [Projection::toCorners($across, $down, $this->corners)->inverse(), $across, $down];
    }
}

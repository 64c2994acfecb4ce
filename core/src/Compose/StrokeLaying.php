<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

/** Adds a stroke to what a layer holds, or takes it away. Strokes accumulate over each other. */
final readonly class StrokeLaying
{
    public function __construct(private Tinting $tinting = new Tinting, private Painting $painting = new Painting)
    {
    }

    /** Coverage moved toward full. */
    public function add(string $layer, string $stroke, float $opacity): string
    {
        return $this->tinting->plane($layer, $stroke, 255, $opacity);
    }

    /** Coverage, or alpha, moved toward nothing. */
    public function remove(string $layer, string $stroke, float $opacity): string
    {
        return $this->tinting->plane($layer, $stroke, 0, $opacity);
    }

    /** @param  array{int, int, int}  $rgb */
    public function paint(Pixels $layer, string $stroke, array $rgb, float $opacity): Pixels
    {
        $colour = array_map(fn (int $part): string => str_repeat(chr($part), $layer->count), $rgb);

        return $this->painting->over($layer, new Pixels($layer->count, $colour[0], $colour[1], $colour[2], $stroke), BlendMode::Normal, $opacity);
    }
}

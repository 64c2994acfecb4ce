<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Raster\Plane;

/** Somebody's flat colours, clean. */
final readonly class TakenFlats
{
    /**
     * @param  string  $index  a byte a pixel: number of the colour, from 1
     * @param  non-empty-list<TakenColour>  $colours
     */
    public function __construct(public int $width, public int $height, public string $index, public array $colours)
    {
    }

    /** At another size, each pixel that of the nearest place. */
    public function scaled(int $width, int $height): self
    {
        return new self($width, $height, (new Plane($this->width, $this->height, $this->index))->nearest($width, $height)->data, $this->colours);
    }
}

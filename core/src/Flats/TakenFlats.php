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

    /**
     * On a page of another size, so far right and down; where their picture does not reach, its nearest pixels go on.
     */
    public function on(int $width, int $height, int $right, int $down): self
    {
        $index = '';
        for ($y = 0; $y < $height; $y++) {
            $row = substr($this->index, max(0, min($this->height - 1, $y - $down)) * $this->width, $this->width);
            $index .=
                $right >= 0
                    ? substr(
                        str_repeat($row[0], $right).
                            $row.
                            str_repeat($row[-1], max(0, $width - $this->width - $right)),
                        0,
                        $width,
                    )
                    : substr(str_pad(substr($row, min(-$right, $this->width - 1)), $width, $row[-1]), 0, $width);
        }

        return new self($width, $height, $index, $this->colours);
    }

    /** At another size, each pixel that of the nearest place. */
    public function scaled(int $width, int $height): self
    {
        return new self(
            $width,
            $height,
            (new Plane($this->width, $this->height, $this->index))->nearest($width, $height)->data,
            $this->colours,
        );
    }
}

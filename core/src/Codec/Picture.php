<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

use Awning\Core\Raster\Paint;
use Awning\Core\Raster\Plane;

/** A decoded image: upright, in sRGB, 8 bits a channel. */
final readonly class Picture
{
    /** As many pictures of one file as can be asked for; what a file has beyond them is not counted. */
    public const MOST = 10_000;

    /**
     * @param  float  $dpi  0 when the file does not say
     * @param  int  $pictures  how many the file holds, counted to MOST; this is one of them
     */
    public function __construct(public Paint $paint, public bool $grey, public float $dpi, public int $pictures = 1)
    {
    }

    public function width(): int
    {
        return $this->paint->width;
    }

    public function height(): int
    {
        return $this->paint->height;
    }

    /**
     * The picture's red, green and blue as on white paper: one plane when they are all the same, else three.
     *
     * @return non-empty-list<Plane>
     */
    public function channels(): array
    {
        $channels = $this->grey ? [$this->paint->red] : [$this->paint->red, $this->paint->green, $this->paint->blue];

        return array_map(
            fn (string $plane): Plane => new Plane(
                $this->paint->width,
                $this->paint->height,
                Flatten::plane($plane, $this->paint->alpha),
            ),
            $channels,
        );
    }
}

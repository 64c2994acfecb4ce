<?php

declare(strict_types=1);

namespace Awning\Core\Page\Drawing;

/** Where a drawing comes from: a kept file, and which of its pictures. */
final readonly class DrawingSource
{
    /**
     * @param  int  $original  number of the kept file
     * @param  float  $dpi  0 when the file does not say
     * @param  int  $picture  from 1
     * @param  int  $pictures  how many the file holds
     */
    public function __construct(
        public int $original,
        public string $name,
        public float $dpi = 0.0,
        public int $picture = 1,
        public int $pictures = 1,
    ) {
    }
}

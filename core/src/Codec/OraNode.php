<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

/** A layer or a stack of an OpenRaster file. */
abstract readonly class OraNode
{
    /**
     * @param  int  $x  offset within the enclosing stack, in pixels
     * @param  float  $opacity  0..1
     * @param  string  $operator  the composite-op without its "svg:"
     */
    public function __construct(
        public string $name,
        public int $x,
        public int $y,
        public float $opacity,
        public bool $visible,
        public string $operator,
    ) {
    }
}

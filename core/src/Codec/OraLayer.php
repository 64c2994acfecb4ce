<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

use Awning\Core\Raster\Paint;

final readonly class OraLayer extends OraNode
{
    /** @param  Paint|string  $picture  the pixels, or when read the name of the entry that holds them */
    public function __construct(
        public Paint|string $picture,
        string $name = '',
        int $x = 0,
        int $y = 0,
        float $opacity = 1.0,
        bool $visible = true,
        string $operator = 'src-over',
    ) {
        parent::__construct($name, $x, $y, $opacity, $visible, $operator);
    }
}

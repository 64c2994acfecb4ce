<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

final readonly class OraLayer extends OraNode
{
    /** @param  string  $entry  the part of the file that holds its pixels */
    public function __construct(
        public string $entry,
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

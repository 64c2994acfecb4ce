<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

final readonly class OraStack extends OraNode
{
    /** @param  list<OraNode>  $children  bottom up */
    public function __construct(
        public array $children,
        string $name = '',
        public bool $isolated = false,
        int $x = 0,
        int $y = 0,
        float $opacity = 1.0,
        bool $visible = true,
        string $operator = 'src-over',
    ) {
        parent::__construct($name, $x, $y, $opacity, $visible, $operator);
    }
}

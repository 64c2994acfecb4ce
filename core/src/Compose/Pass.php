<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

use Awning\Core\Colour\Tone;

/** One clipped layer over the flats. */
final readonly class Pass implements Node
{
    /**
     * @param  string  $layer  names the layer that holds its coverage or paint
     * @param  Tone|int|null  $colour  a tone: each material's own; a number: 0xRRGGBB; null: the layer's own paint
     * @param  float  $opacity  0..1
     */
    public function __construct(
        public string $layer,
        public Tone|int|null $colour,
        public Scope $scope,
        public BlendMode $mode = BlendMode::Normal,
        public float $opacity = 1.0,
        public bool $visible = true,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Compose\Canvas\Canvas;
use Awning\Core\Compose\Canvas\Pixels;

/** Lays the pass's own colours, cut to its clip. */
final readonly class PaintLayer extends PassLayer
{
    protected function put(Canvas $canvas, Ground $ground): void
    {
        $paint = $ground->paint($this->layer);
        if ($paint !== null) {
            $canvas->paint(
                $this->turnedPaint($this->maskedPaint($ground->flats->clip($paint, $this->spec->scope), $ground)),
                $this->spec->mode,
                $this->spec->opacity,
            );
        }
    }

    private function maskedPaint(Pixels $paint, Ground $ground): Pixels
    {
        return $this->spec->mask === null ? $paint : $paint->covered($this->masked($paint->alphas(), $ground));
    }

    private function turnedPaint(Pixels $paint): Pixels
    {
        return $this->spec->turn === null ? $paint : $paint->recoloured($this->spec->turn->colours());
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

/** Lays the pass's own colours, cut to its clip. */
final readonly class PaintLayer extends PassLayer
{
    protected function put(Canvas $canvas, Ground $ground): void
    {
        $paint = $ground->paint($this->layer);
        if ($paint !== null) {
            $clipped = $ground->flats->clip($paint, $this->spec->scope);
            $canvas->paint($this->turnedPaint($clipped->covered($this->masked($clipped->alphas(), $ground))), $this->spec->mode, $this->spec->opacity);
        }
    }

    private function turnedPaint(Pixels $paint): Pixels
    {
        return $this->spec->turn === null ? $paint : $paint->recoloured($this->spec->turn->colours());
    }
}

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
            $canvas->paint($ground->flats->clip($paint, $this->spec->scope), $this->spec->mode, $this->spec->opacity);
        }
    }
}

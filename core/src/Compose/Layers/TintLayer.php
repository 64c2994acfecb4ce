<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Compose\Canvas\Canvas;
use Awning\Core\Page\Pass\TintContent;

/** Lays one colour through the pass's coverage; of one that follows the light, the colour of each region's light. */
final readonly class TintLayer extends PassLayer
{
    protected function put(Canvas $canvas, Ground $ground): void
    {
        $coverage = $ground->coverage($this->layer);
        if ($coverage !== null && $this->spec->content instanceof TintContent) {
            $canvas->tint(
                $this->turned($ground->flats->inside($this->spec->scope, $this->spec->content)),
                $this->masked($coverage, $ground),
                $this->spec->mode,
                $this->spec->opacity,
            );
        }
    }
}

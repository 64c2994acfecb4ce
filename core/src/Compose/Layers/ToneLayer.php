<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Compose\Canvas\Canvas;
use Awning\Core\Page\Pass\ToneContent;

/** Lays each material's own tone through the pass's coverage; where there is no material, nothing. */
final readonly class ToneLayer extends PassLayer
{
    protected function put(Canvas $canvas, Ground $ground): void
    {
        $coverage = $ground->coverage($this->layer);
        if ($coverage !== null && $this->spec->content instanceof ToneContent) {
            $canvas->tint(
                $this->turned($ground->flats->inside($this->spec->scope, $this->spec->content->tone)),
                $this->masked($coverage, $ground),
                $this->spec->mode,
                $this->spec->opacity,
            );
        }
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Compose\Canvas\Canvas;
use Awning\Core\Page\Pass\AlteringContent;

/** Alters what lies beneath, inside its clip: levels, a curve, a shift of colours, a balance. */
final readonly class AlteringLayer extends PassLayer
{
    protected function put(Canvas $canvas, Ground $ground): void
    {
        $content = $this->spec->content;
        $coverage = $this->filled($ground);
        if ($coverage !== null && $content instanceof AlteringContent) {
            $canvas->alter($coverage, $content->alteration(), $this->spec->mode, $this->spec->opacity);
        }
    }
}

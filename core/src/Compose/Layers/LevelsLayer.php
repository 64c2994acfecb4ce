<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Colour\LevelsCurve;
use Awning\Core\Compose\Canvas\Canvas;
use Awning\Core\Page\Pass\LevelsContent;

/** Stretches the lightness of what lies beneath, inside its clip. */
final readonly class LevelsLayer extends PassLayer
{
    protected function put(Canvas $canvas, Ground $ground): void
    {
        $content = $this->spec->content;
        $coverage = $this->filled($ground);
        if ($coverage !== null && $content instanceof LevelsContent) {
            $canvas->alter(
                $coverage,
                new LevelsCurve($content->black, $content->white, $content->middle),
                $this->spec->mode,
                $this->spec->opacity,
            );
        }
    }
}

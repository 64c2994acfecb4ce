<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Compose\Canvas\Canvas;
use Awning\Core\Page\Pass\WashContent;

/** Lays one colour over all that the pass reaches. */
final readonly class WashLayer extends PassLayer
{
    protected function put(Canvas $canvas, Ground $ground): void
    {
        $content = $this->spec->content;
        $coverage = $this->filled($ground);
        if ($coverage !== null && $content instanceof WashContent) {
            $spans = $this->turned([[0, $ground->count, $content->colour->number()]]);
            $canvas->tint($spans, $coverage, $this->spec->mode, $this->spec->opacity);
        }
    }
}

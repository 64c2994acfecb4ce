<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Compose\Canvas\ExactCanvas;
use Awning\Core\Page\Pass\SoftnessContent;
use Awning\Core\Raster\BoxBlur;

/** Makes what lies beneath soft, inside its clip. */
final readonly class SoftnessLayer extends AroundLayer
{
    public function margin(): int
    {
        return $this->blur()->reach();
    }

    protected function seen(ExactCanvas $canvas, Ground $ground): ExactCanvas
    {
        $rect = $ground->rect();

        return $canvas->blurred($this->blur(), $rect->width, $rect->height);
    }

    private function blur(): BoxBlur
    {
        return new BoxBlur(
            $this->spec->content instanceof SoftnessContent
                ? $this->spec->content->reach
                : throw new \LogicException('Another kind of pass.'),
        );
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Compose\Canvas\Canvas;
use Awning\Core\Compose\Canvas\ExactCanvas;
use Awning\Core\Page\Pass\SoftnessContent;
use Awning\Core\Raster\BoxBlur;

/** Makes what lies beneath soft, inside its clip. */
final readonly class SoftnessLayer extends PassLayer implements NeighbourLayer
{
    public function isShown(): bool
    {
        return $this->spec->visible && $this->spec->opacity > 0;
    }

    public function margin(): int
    {
        return $this->blur()->reach();
    }

    public function over(ExactCanvas $canvas, Ground $ground): void
    {
        $coverage = $this->filled($ground);
        if ($coverage !== null) {
            $rect = $ground->rect();
            $canvas->lay(
                $canvas->blurred($this->blur(), $rect->width, $rect->height),
                $coverage,
                $this->spec->mode,
                $this->spec->opacity,
            );
        }
    }

    /** Laid by over() alone. */
    protected function put(Canvas $canvas, Ground $ground): void
    {
        throw new \LogicException('What looks around is laid over a finished picture.');
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

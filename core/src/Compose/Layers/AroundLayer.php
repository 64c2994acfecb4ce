<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Compose\Canvas\Canvas;
use Awning\Core\Compose\Canvas\ExactCanvas;
use Awning\Core\Page\PageSize;

/** Lays over the picture what it makes of it, inside its clip. */
abstract readonly class AroundLayer extends PassLayer implements NeighbourLayer
{
    /** Px: a picture is composed with so much more beside what is asked for as follows from it. */
    protected const MOST = 60.0;

    final public function isShown(): bool
    {
        return $this->spec->visible && $this->spec->opacity > 0;
    }

    /** What it makes of the picture that is there; the ground is a whole rectangle, row after row. */
    abstract protected function seen(ExactCanvas $canvas, Ground $ground): ExactCanvas;

    final public function over(ExactCanvas $canvas, Ground $ground): void
    {
        $coverage = $this->filled($ground);
        if ($coverage !== null) {
            $canvas->lay($this->seen($canvas, $ground), $coverage, $this->spec->mode, $this->spec->opacity);
        }
    }

    /** Laid by over() alone. */
    final protected function put(Canvas $canvas, Ground $ground): void
    {
        throw new \LogicException('What looks around is laid over a finished picture.');
    }

    /** Px for a thousandth of the page's longer side. */
    final protected function thousandth(): float
    {
        return ($this->page ?? new PageSize(1, 1))->thousandth();
    }
}

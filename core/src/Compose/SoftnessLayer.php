<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

use Awning\Core\Page\SoftnessContent;
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

    public function over(Pixels $picture, Ground $ground): Pixels
    {
        $coverage = $this->filled($ground);
        if ($coverage === null) {
            return $picture;
        }
        $rect = $ground->rect();
        $blur = $this->blur();
        $soft = fn (string $plane): string => FloatPlanes::bytes($blur->of(FloatPlanes::unit($plane), $rect->width, $rect->height));
        $source = new Pixels($picture->count, $soft($picture->red), $soft($picture->green), $soft($picture->blue), $coverage);
        if ($this->spec->mode->isSeparable()) {
            return (new Painting)->over($picture, $source, $this->spec->mode, $this->spec->opacity);
        }
        $canvas = new ExactCanvas($picture);
        $canvas->paint($source, $this->spec->mode, $this->spec->opacity);

        return $canvas->pixels();
    }

    /** Laid by over() alone. */
    protected function put(Canvas $canvas, Ground $ground): void
    {
        throw new \LogicException('What looks around is laid over a finished picture.');
    }

    private function blur(): BoxBlur
    {
        return new BoxBlur($this->spec->content instanceof SoftnessContent ? $this->spec->content->reach : throw new \LogicException('Another kind of pass.'));
    }
}

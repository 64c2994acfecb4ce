<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Weather;

use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\ParticlesContent;
use Awning\Core\Raster\Rect;

/**
 * How much of a weather shows by the light of lamps: all of it at a lamp, less and less by a smooth step as far as the
 * lamp reaches, and beyond that what is left of it. The browser's resources/js/picture/weather/lamplight.ts has the
 * same.
 */
final readonly class Lamplight
{
    /** @var list<array{float, float, float}> x, y and reach in px */
    private array $lamps;

    private float $dim;

    public function __construct(ParticlesContent $content, PageSize $page)
    {
        $this->dim = $content->dim;
        $this->lamps = array_map(
            fn (array $lamp): array => [$lamp[0] * $page->width, $lamp[1] * $page->height, $lamp[2] * $page->width],
            $content->lamps,
        );
    }

    /** @param  string  $plane  one byte a px of the rectangle */
    public function on(string $plane, Rect $rect): string
    {
        if ($this->lamps === [] || $this->dim <= 0) {
            return $plane;
        }
        $i = 0;
        for ($y = $rect->y; $y < $rect->bottom(); $y++) {
            for ($x = $rect->x; $x < $rect->right(); $x++, $i++) {
                if ($plane[$i] !== "\0") {
                    $plane[$i] = chr((int) (ord($plane[$i]) * $this->at($x + 0.5, $y + 0.5) + 0.5));
                }
            }
        }

        return $plane;
    }

    /** @return float 0..1 */
    private function at(float $x, float $y): float
    {
        $lit = 0.0;
        foreach ($this->lamps as [$lampX, $lampY, $reach]) {
            $near = 1 - sqrt(($x - $lampX) ** 2 + ($y - $lampY) ** 2) / $reach;
            if ($near > $lit) {
                $lit = $near;
            }
        }

        return 1 - $this->dim * (1 - $lit * $lit * (3 - 2 * $lit));
    }
}

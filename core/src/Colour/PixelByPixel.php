<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/** An alteration that is worked out for each pixel anew. */
trait PixelByPixel
{
    /**
     * @param  array{array<int, float>, array<int, float>, array<int, float>}  $planes
     * @param  list<array{int, int}>  $stretches
     * @return array{array<int, float>, array<int, float>, array<int, float>}
     */
    public function within(array $planes, array $stretches): array
    {
        [$red, $green, $blue] = $planes;
        foreach ($stretches as [$from, $to]) {
            for ($i = $from; $i < $to; $i++) {
                [$red[$i], $green[$i], $blue[$i]] = $this->of([$red[$i], $green[$i], $blue[$i]]);
            }
        }

        return [$red, $green, $blue];
    }
}

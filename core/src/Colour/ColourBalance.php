<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

use Awning\Core\Raster\Bytes;

/**
 * Adds a colour to the darks, one to the middle and one to the lights. How much each counts at a value v, as sRGB codes
 * it, is (1 - v)², 2v(1 - v) and v²: the Bernstein polynomials of the second degree, which together are 1 everywhere.
 */
final readonly class ColourBalance implements Alteration
{
    /**
     * @param  array{float, float, float}  $darks  red, green, blue, -1..1: what is added
     * @param  array{float, float, float}  $middle
     * @param  array{float, float, float}  $lights
     */
    public function __construct(private array $darks, private array $middle, private array $lights)
    {
    }

    public function of(array $colour): array
    {
        return [$this->value(0, $colour[0]), $this->value(1, $colour[1]), $this->value(2, $colour[2])];
    }

    public function tables(): array
    {
        $table = fn (int $channel): string => Bytes::table(
            fn (int $byte): float => 255 * $this->value($channel, $byte / 255),
        );

        return [$table(0), $table(1), $table(2)];
    }

    private function value(int $channel, float $value): float
    {
        $rest = 1 - $value;
        $added = $this->darks[$channel] * $rest * $rest
            + $this->middle[$channel] * 2 * $value * $rest
            + $this->lights[$channel] * $value * $value;

        return max(0.0, min(1.0, $value + $added));
    }
}

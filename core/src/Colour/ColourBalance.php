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
    use ChannelByChannel;

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

    /** @return array{float, float, float} how much a value of 0..1 counts to darks, middle and lights; together 1 */
    public static function weights(float $value): array
    {
        $rest = 1 - $value;

        return [$rest * $rest, 2 * $value * $rest, $value * $value];
    }

    private function value(int $channel, float $value): float
    {
        [$dark, $middle, $light] = self::weights($value);
        $added = $this->darks[$channel] * $dark + $this->middle[$channel] * $middle + $this->lights[$channel] * $light;

        return max(0.0, min(1.0, $value + $added));
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/**
 * Levels of one channel after the other, as sRGB codes them: v becomes ((v - black) / (white - black)) to the power of
 * 1 / middle, held to 0..1. Common practice.
 */
final readonly class LevelsCurve implements Alteration
{
    /**
     * @param  float  $black  0..1
     * @param  float  $white  0..1, above black
     * @param  float  $middle  above 0
     */
    public function __construct(private float $black, private float $white, private float $middle)
    {
    }

    public function of(array $colour): array
    {
        return [$this->value($colour[0]), $this->value($colour[1]), $this->value($colour[2])];
    }

    public function tables(): array
    {
        $table = '';
        for ($byte = 0; $byte < 256; $byte++) {
            $table .= chr((int) (255 * $this->value($byte / 255) + 0.5));
        }

        return [$table, $table, $table];
    }

    private function value(float $value): float
    {
        return max(0.0, min(1.0, ($value - $this->black) / ($this->white - $this->black))) ** (1 / $this->middle);
    }
}

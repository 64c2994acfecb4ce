<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/** What is done to each colour of a picture by itself. */
interface Alteration
{
    /**
     * @param  array{float, float, float}  $colour  red, green, blue as they are coded in sRGB, 0..1
     * @return array{float, float, float}
     */
    public function of(array $colour): array;

    /**
     * The same of many pixels.
     *
     * @param  array{array<int, float>, array<int, float>, array<int, float>}  $planes  red, green, blue
     * @param  list<array{int, int}>  $stretches  which of them: first pixel, pixel after the last
     * @return array{array<int, float>, array<int, float>, array<int, float>} the others as they were
     */
    public function within(array $planes, array $stretches): array;

    /**
     * @return ?array{string, string, string} 256 bytes each for red, green and blue; null: they depend on each other
     */
    public function tables(): ?array;
}

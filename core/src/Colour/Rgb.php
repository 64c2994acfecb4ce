<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/** A colour in sRGB (IEC 61966-2-1), each part 0..255. */
final readonly class Rgb implements \Stringable
{
    /** @throws \RangeException when a part is outside 0..255 */
    public function __construct(public int $red, public int $green, public int $blue)
    {
        if (min($red, $green, $blue) < 0 || max($red, $green, $blue) > 255) {
            throw new \RangeException("A colour's parts run from 0 to 255; ($red, $green, $blue) is outside.");
        }
    }

    /** @throws \InvalidArgumentException when the text is not six hexadecimal digits after an optional # */
    public static function fromHex(string $hex): self
    {
        if (preg_match('/^#?([0-9a-f]{6})$/iD', $hex, $match) !== 1) {
            throw new \InvalidArgumentException(
                "'$hex' is not a colour; write it as six hexadecimal digits, like #d9a441.",
            );
        }
        [$red, $green, $blue] = array_map(hexdec(...), str_split($match[1], 2));

        return new self((int) $red, (int) $green, (int) $blue);
    }

    /** @param  int  $number  0xRRGGBB */
    public static function fromNumber(int $number): self
    {
        return new self(($number >> 16) & 255, ($number >> 8) & 255, $number & 255);
    }

    /** The nearest colour to three parts of 0..1; parts outside are held to the range. */
    public static function fromUnit(float $red, float $green, float $blue): self
    {
        $byte = fn (float $part): int => (int) round(255 * max(0.0, min(1.0, $part)));

        return new self($byte($red), $byte($green), $byte($blue));
    }

    /** 0xRRGGBB */
    public function number(): int
    {
        return ($this->red << 16) | ($this->green << 8) | $this->blue;
    }

    public function hex(): string
    {
        return sprintf('#%02x%02x%02x', $this->red, $this->green, $this->blue);
    }

    /** @return array{int, int, int} */
    public function parts(): array
    {
        return [$this->red, $this->green, $this->blue];
    }

    /** @return array{float, float, float} parts of 0..1 */
    public function unit(): array
    {
        return [$this->red / 255, $this->green / 255, $this->blue / 255];
    }

    public function __toString(): string
    {
        return $this->hex();
    }
}

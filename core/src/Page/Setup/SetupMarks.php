<?php

declare(strict_types=1);

namespace Awning\Core\Page\Setup;

use Awning\Core\Raster\Rect;

/** What was painted in a pass of a setup, on a small square that stands for the box of what it was painted on. */
final readonly class SetupMarks
{
    /** Pixels along a side: few are enough for what is small. */
    public const SIDES = [64, 128];

    public int $side;

    /**
     * @param  string  $coverage  one byte a pixel, row after row
     *
     * @throws \InvalidArgumentException when it is of another size
     */
    public function __construct(public string $coverage)
    {
        $this->side = (int) sqrt(strlen($coverage));
        if (strlen($coverage) !== $this->side ** 2 || ! in_array($this->side, self::SIDES, true)) {
            throw new \InvalidArgumentException(
                'The marks of a setup are '.implode(' or ', self::SIDES).' pixels wide and high.',
            );
        }
    }

    /** @return int how many pixels a side shall have for a box */
    public static function sideFor(Rect $box): int
    {
        $longest = max($box->width, $box->height);

        return $longest <= 1.5 * self::SIDES[0] ? self::SIDES[0] : self::SIDES[1];
    }

    /** @throws \InvalidArgumentException */
    public static function fromText(string $text): self
    {
        // What is unpacked is no longer than it may be, whatever was packed.
        $coverage = @gzuncompress((string) base64_decode($text, true), max(self::SIDES) ** 2);

        return new self($coverage === false ? '' : $coverage);
    }

    public function toText(): string
    {
        return base64_encode((string) gzcompress($this->coverage, 9));
    }
}

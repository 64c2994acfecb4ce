<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

use Awning\Core\Colour\Verdict;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Paint;

/**
 * What came of holding a picture against a palette.
 *
 * @phpstan-import-type MatchedData from MatchedColour
 */
final readonly class PaletteDrift
{
    /** What drifts glows in this. */
    private const GLOW = [255, 96, 32];

    /** A difference of so much glows in full. */
    private const FULL = 10.0;

    /** How strongly the least drift glows, and the most. */
    private const FAINT = 0.35;

    private const STRONG = 0.95;

    /** The page behind is grey between these. */
    private const DARKEST = 70;

    private const LIGHTEST = 225;

    /**
     * @param  int  $side  of a block, px
     * @param  string  $of  two bytes a block: number of its colour, from 1
     * @param  list<MatchedColour>  $colours
     */
    public function __construct(public int $side, public int $columns, public string $of, public array $colours)
    {
    }

    /** @return list<MatchedData> the largest share first */
    public function toData(): array
    {
        $colours = $this->colours;
        usort($colours, fn (MatchedColour $a, MatchedColour $b): int => $b->share <=> $a->share);

        return array_map(fn (MatchedColour $colour): array => $colour->toData(), $colours);
    }

    /** The picture in grey, with what drifts glowing the more, the further off it is. */
    public function drift(Paint $picture): Paint
    {
        $tables = array_map(fn (MatchedColour $colour): array => self::tables($colour), $this->colours);
        $planes = ['', '', ''];
        for ($y = 0; $y < $picture->height; $y++) {
            $grey = self::grey($picture, $y);
            $row = substr($this->of, 2 * $this->columns * intdiv($y, $this->side), 2 * $this->columns);
            foreach (Labels::spans($row) as [$from, $to, $one]) {
                $part = substr($grey, $from * $this->side, ($to - $from) * $this->side);
                foreach ($tables[$one - 1] as $i => $table) {
                    $planes[$i] .= strtr($part, Bytes::identity(), $table);
                }
            }
        }

        return new Paint($picture->width, $picture->height, $planes[0], $planes[1], $planes[2], $picture->alpha);
    }

    /** Luma by the weights of ITU-R BT.601, near enough for a page that stands behind. */
    private static function grey(Paint $picture, int $y): string
    {
        $grey = '';
        for ($at = $y * $picture->width, $end = $at + $picture->width; $at < $end; $at++) {
            $grey .= chr(
                (77 * ord($picture->red[$at]) + 150 * ord($picture->green[$at]) + 29 * ord($picture->blue[$at])) >> 8,
            );
        }

        return $grey;
    }

    /** @return array{string, string, string} grey to each channel, 256 bytes each */
    private static function tables(MatchedColour $colour): array
    {
        $strength =
            $colour->verdict() === Verdict::Exact
                ? 0.0
                : self::FAINT + (self::STRONG - self::FAINT) * min(1.0, $colour->difference / self::FULL);
        $table = fn (int $glow): string => Bytes::table(function (int $grey) use ($strength, $glow): float {
            $behind = self::DARKEST + ((self::LIGHTEST - self::DARKEST) * $grey) / 255;

            return $behind + $strength * ($glow - $behind);
        });

        return [$table(self::GLOW[0]), $table(self::GLOW[1]), $table(self::GLOW[2])];
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

use Awning\Core\Codec\Flatten;
use Awning\Core\Colour\Difference;
use Awning\Core\Colour\Lab;
use Awning\Core\Colour\LinearRgb;
use Awning\Core\Colour\Rgb;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Paint;

/** Holds pictures against a palette: each flat colour gets the nearest tone, by CIEDE2000. */
final readonly class PaletteMatch
{
    /** @var non-empty-list<Lab> */
    private array $labs;

    /** @param  non-empty-list<NamedColour>  $tones */
    public function __construct(private array $tones)
    {
        $this->labs = array_map(fn (NamedColour $tone): Lab => Lab::of($tone->colour), $tones);
    }

    /** @param  Paint  $picture  what is see-through lies on white */
    public function match(Paint $picture): PaletteDrift
    {
        $blocks = FlatBlocks::of((new Flatten)->onWhite($picture));
        $flats = FlatColours::in($blocks);
        $places = self::places($flats->of, $blocks->columns);
        $colours = [];
        foreach ($flats->colours as $i => $parts) {
            [$count, $column, $row] = $places[$i + 1] ?? [0, 0, 0];
            $colours[] = $this->matched(
                $parts,
                $count / ($blocks->columns * $blocks->rows),
                min($picture->width - 1, $column * $blocks->side),
                min($picture->height - 1, $row * $blocks->side),
            );
        }

        return new PaletteDrift($blocks->side, $blocks->columns, $flats->of, $colours);
    }

    /** @param  array{float, float, float}  $parts  of 0..255 */
    private function matched(array $parts, float $share, int $x, int $y): MatchedColour
    {
        $lab = Lab::ofLinear(LinearRgb::ofBytes($parts));
        $differences = array_map(fn (Lab $tone): float => Difference::ciede2000($lab, $tone), $this->labs);
        $least = min($differences);

        return new MatchedColour(
            Rgb::fromUnit($parts[0] / 255, $parts[1] / 255, $parts[2] / 255),
            $share,
            $this->tones[(int) array_search($least, $differences, true)],
            $least,
            $x,
            $y,
        );
    }

    /**
     * @param  string  $of  two bytes a block
     * @return array<int, array{int, int, int}> of each number how many blocks there are, and the middle of the longest
     *     run in a row
     */
    private static function places(string $of, int $columns): array
    {
        $counts = $longest = [];
        foreach (Labels::spans($of) as [$from, $to, $one]) {
            $counts[$one] = ($counts[$one] ?? 0) + $to - $from;
            $length = min($to, ($row = intdiv($from, $columns)) * $columns + $columns) - $from;
            if ($length > ($longest[$one][0] ?? 0)) {
                $longest[$one] = [$length, ($from % $columns) + intdiv($length, 2), $row];
            }
        }
        $places = [];
        foreach ($counts as $one => $count) {
            $places[$one] = [$count, $longest[$one][1], $longest[$one][2]];
        }

        return $places;
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Flats\BandGrowth;
use Awning\Core\Flats\InkMap;
use Awning\Core\Flats\RegionGraph;
use Awning\Core\Flats\SolidInk;
use Awning\Core\Flats\TrapGrowth;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\OneWorker;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Workers;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is done to whole pages at once, held against plain ways to do the same. */
final class GrowthTest extends TestCase
{
    use DrawsPlanes;

    /** A hand that counts what it is given. */
    private function counting(int &$pieces): Workers
    {
        return new class($pieces) implements Workers
        {
            public function __construct(private int &$pieces)
            {
            }

            public function each(array $pieces, callable $work, ?callable $progress = null): array
            {
                $this->pieces += count($pieces);

                return (new OneWorker)->each($pieces, $work, $progress);
            }
        };
    }

    /**
     * Three regions and more between lines as wide as they are told, on a page of any size.
     *
     * @return array{string, string} labels and what is open
     */
    private function lined(int $width, int $height, int $line): array
    {
        $labels = $open = '';
        $slant = mt_rand(-8, 8) / 10;
        $wave = mt_rand(3, 9);
        $down = mt_rand(0, 40);
        for ($y = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                $across = (int) floor($x + $slant * $y + $wave * sin($y / $wave) + 500);
                $along = (int) floor($y + $slant * $x + $wave * sin($x / $wave) + 500) + $down;
                $isInk = $across % 29 < $line || $along % 41 < $line;
                $labels .= $isInk ? "\0\0" : pack('n', 250 + intdiv($across, 29) + 7 * intdiv($along, 41));
                $open .= $isInk ? "\xff" : "\0";
            }
        }

        return [$labels, $open];
    }

    #[DataProvider('lines')]
    public function test_bands_grow_as_the_whole_page_does_however_thick_its_lines_are(int $line): void
    {
        mt_srand(40 + $line);
        foreach ([[61, 97], [120, 143], [33, 64], [64, 101]] as [$width, $height]) {
            [$labels, $open] = $this->lined($width, $height, $line);
            $whole = $labels;
            (new TrapGrowth)->grow($whole, $open, $width, $height);
            $pieces = 0;
            self::assertSame(
                $whole,
                (new BandGrowth($this->counting($pieces), 1, 8))->grow($labels, $open, $width, $height),
            );
            self::assertSame(4, $pieces);
        }
    }

    /** @return iterable<array{int}> up to some that take more rounds than a band reaches */
    public static function lines(): iterable
    {
        yield from [[1], [4], [9], [14], [15], [16], [17], [23]];
    }

    public function test_a_band_of_nothing_but_black_takes_its_labels_from_far_away(): void
    {
        [$width, $height] = [20, 80];
        $labels = str_repeat("\1\5", $width * 3).str_repeat("\0\0", $width * ($height - 3));
        $open = str_repeat("\0", $width * 3).str_repeat("\xff", $width * ($height - 3));
        self::assertSame(
            str_repeat("\1\5", $width * $height),
            (new BandGrowth(large: 1, reach: 8))->grow($labels, $open, $width, $height),
        );
    }

    public function test_a_band_without_a_line_is_as_it_was(): void
    {
        [$width, $height] = [20, 80];
        $labels = str_repeat("\1\5", $width * 70).str_repeat("\0\0", $width * 2).str_repeat("\2\7", $width * 8);
        $open = str_repeat("\0", $width * 70).str_repeat("\xff", $width * 2).str_repeat("\0", $width * 8);
        $given = [];
        $workers = $this->createMock(Workers::class);
        $workers->method('each')->willReturnCallback(function (array $pieces, callable $work) use (&$given): array {
            return $given = array_map($work, $pieces);
        });
        self::assertSame(
            str_repeat("\1\5", $width * 71).str_repeat("\2\7", $width * 9),
            (new BandGrowth($workers, 1, 8))->grow($labels, $open, $width, $height),
        );
        self::assertSame(array_fill(0, 4, 2 * $width * 20), array_map(strlen(...), $given), 'nothing is done twice');
    }

    public function test_a_small_page_is_done_by_one_hand(): void
    {
        [$labels, $open] = $this->lined(61, 97, 4);
        $pieces = 0;
        foreach ([[61 * 97 + 1, 8], [1, 25]] as [$large, $reach]) {
            self::assertStringNotContainsString(
                "\0\0",
                (new BandGrowth($this->counting($pieces), $large, $reach))->grow($labels, $open, 61, 97),
            );
        }
        self::assertSame(0, $pieces, 'too few pixels, or too few rows to reach into each other');
    }

    public function test_borders_are_counted_pixel_by_pixel_with_the_ink_on_them(): void
    {
        mt_srand(5);
        foreach ([[1, 9], [9, 1], [17, 13], [30, 22]] as [$width, $height]) {
            $labels = $ink = '';
            for ($i = 0; $i < $width * $height; $i++) {
                // Some runs, and some that go on across the end of a row.
                $labels .=
                    $i > 0 && mt_rand(0, 2) > 0
                        ? substr($labels, -2)
                        : pack('n', [0, 1, 2, 256, 65_535][mt_rand(0, 4)]);
                $ink .= chr(mt_rand(0, 255));
            }
            $wanted = [];
            foreach ([[1, 0], [0, 1]] as [$dx, $dy]) {
                for ($y = 0; $y + $dy < $height; $y++) {
                    for ($x = 0; $x + $dx < $width; $x++) {
                        [$at, $to] = [$y * $width + $x, ($y + $dy) * $width + $x + $dx];
                        [$a, $b] = [unpack('n', $labels, 2 * $at)[1], unpack('n', $labels, 2 * $to)[1]];
                        if ($a !== $b) {
                            $wanted[$a][$b][] = $wanted[$b][$a][] = ord($ink[$at]) / 255;
                        }
                    }
                }
            }
            foreach ([null, new Plane($width, $height, $ink)] as $plane) {
                $graph = RegionGraph::of(new Labels($width, $height, $labels), $plane);
                foreach ($wanted as $region => $others) {
                    self::assertEqualsCanonicalizing(array_map(count(...), $others), $graph->neighbours($region));
                    foreach ($others as $other => $along) {
                        self::assertSame(count($along), $graph->neighbours($region)[$other]);
                        self::assertEqualsWithDelta(
                            $plane === null ? 0 : array_sum($along) / count($along),
                            $graph->inkBetween($region)[$other],
                            1e-9,
                        );
                    }
                }
                self::assertCount(count($wanted), $graph->regions());
            }
        }
    }

    public function test_lines_are_measured_alike_across_and_down(): void
    {
        foreach ([[400, 300], [90, 61]] as [$width, $height]) {
            $page = $turned = '';
            for ($y = 0; $y < $height; $y++) {
                for ($x = 0; $x < $width; $x++) {
                    $page .= $x % 30 < 7 ? "\xff" : "\0";
                }
            }
            for ($x = 0; $x < $width; $x++) {
                $turned .= str_repeat($x % 30 < 7 ? "\xff" : "\0", $height);
            }
            self::assertEqualsWithDelta(0.85 * 7, InkMap::of($page, $width, $height)->lineWidth(), 1e-9);
            self::assertEqualsWithDelta(0.85 * 7, InkMap::of($turned, $height, $width)->lineWidth(), 1e-9);
        }
        self::assertSame(1.0, InkMap::of(str_repeat("\0", 600), 30, 20)->lineWidth(), 'no line at all');
    }

    public function test_solid_black_is_what_squares_fit_into_but_for_a_rim(): void
    {
        // Squares of 16: a block with a line out of it, a line that is not as wide, and a block too small to be an
        // area.
        $is = fn (int $x, int $y): bool => ($x >= 20 && $x < 81 && $y >= 30 && $y < 63) ||
            ($y >= 40 && $y < 47) ||
            ($x >= 100 && $x < 115) ||
            ($x >= 120 && $x < 140 && $y >= 70 && $y < 88) ||
            ($x >= 160 && $x < 205 && $y >= 25 && $y < 55);
        $ink = $this->drawn(220, 90, $is)->data;
        $areas = (new SolidInk(3.0))->areas($ink, 220, 90);
        self::assertSame([22 * 37, 25 * 53], array_column($areas, 1));
        [$runs] = $areas[1];
        self::assertSame(
            [24 + 34 * 220, 77 + 34 * 220],
            $runs[0],
            'four pixels in from the left, the right and the top',
        );
        self::assertSame([24 + 58 * 220, 77 + 58 * 220], end($runs));
        self::assertCount(25, $runs);
        self::assertSame([], (new SolidInk(9.0))->areas($ink, 220, 90), 'squares of 36 do not fit');
        self::assertSame([], (new SolidInk(3.0))->areas(str_repeat("\0", 150 * 90), 150, 90));
        self::assertSame(
            142 * 82,
            (new SolidInk(3.0))->areas(str_repeat("\xff", 150 * 90), 150, 90)[0][1],
            'a page that is all black',
        );
    }
}

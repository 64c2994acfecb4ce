<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Colour\Rgb;
use Awning\Core\Flats\ColourRegions;
use Awning\Core\Flats\ColourTaker;
use Awning\Core\Flats\CueSpread;
use Awning\Core\Flats\FillsOfBefore;
use Awning\Core\Flats\FlatsAlignment;
use Awning\Core\Flats\FlatsPicture;
use Awning\Core\Flats\RegionColours;
use Awning\Core\Flats\RegionGraph;
use Awning\Core\Flats\RegionMatch;
use Awning\Core\Flats\RegionShape;
use Awning\Core\Flats\TakenColour;
use Awning\Core\Flats\TakenFlats;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Paint;
use Awning\Core\Raster\Plane;
use PHPUnit\Framework\TestCase;

/** Which regions lie beside each other, and what colours they come to have. */
final class FlatColourTest extends TestCase
{
    /** @param  list<string>  $rows  a letter a pixel: A is region 1 */
    private function labels(array $rows): Labels
    {
        $data = '';
        foreach (str_split(implode('', $rows)) as $letter) {
            $data .= pack('n', ord($letter) - 64);
        }

        return new Labels(strlen($rows[0]), count($rows), $data);
    }

    public function test_borders_are_counted_both_ways_with_the_ink_on_them(): void
    {
        $labels = $this->labels(['AABB', 'AABB', 'CCCB']);
        $graph = RegionGraph::of($labels);
        self::assertEquals([2 => 2, 3 => 2], $graph->neighbours(1));
        self::assertEquals([1 => 2, 3 => 2], $graph->neighbours(2));
        self::assertEquals([1 => 2, 2 => 2], $graph->neighbours(3));
        self::assertSame([4, 4, 4, 0], array_map($graph->perimeter(...), [1, 2, 3, 9]));
        $ink = new Plane(4, 3, "\0\xff\0\0"."\x33\x33\0\0"."\0\0\x66\0");
        $inked = RegionGraph::of($labels, $ink);
        self::assertEqualsWithDelta((255 + 51) / 2 / 255, $inked->inkBetween(1)[2], 1e-9);
        self::assertEqualsWithDelta(
            (51 + 51) / 2 / 255,
            $inked->inkBetween(3)[1],
            1e-9,
            'the upper pixel of a border counts',
        );
        self::assertEqualsWithDelta((0 + 102) / 2 / 255, $inked->inkBetween(2)[3], 1e-9);
        self::assertEquals([2 => 0.0, 3 => 0.0], $graph->inkBetween(1));
        $many = str_repeat(pack('n2', 256, 1), 6).str_repeat(pack('n2', 1, 65535), 6);
        self::assertEquals(
            [256 => 17, 65535 => 17],
            RegionGraph::of(new Labels(12, 2, $many))->neighbours(1),
            'high and low bytes',
        );
    }

    public function test_cues_go_where_the_least_ink_stands_between(): void
    {
        // Five fields in a row: dabs on the first and the last, a faint line between the second and the third.
        $labels = $this->labels(array_fill(0, 4, 'AAABBBCCCDDDEEE'));
        $row = str_repeat("\xff", 15);
        $row[5] = "\x20";
        $graph = RegionGraph::of($labels, new Plane(15, 4, str_repeat($row, 4)));
        $spread = new CueSpread($graph);
        $result = $spread->spread([1 => [7 => 3, 9 => 5], 5 => [4 => 1]], [1, 2, 3, 4, 5]);
        ksort($result);
        self::assertSame(
            [1 => 9, 2 => 9, 3 => 9, 4 => 4, 5 => 4],
            $result,
            'the cue that owns most of a region counts',
        );
        self::assertSame([], $spread->spread([], [1, 2]));
        self::assertSame([3 => 2], array_intersect_key($spread->spread([3 => [2 => 1]], [3]), [3 => true]));
    }

    public function test_dabs_are_counted_by_region(): void
    {
        $labels = $this->labels(['AABBB', 'AABBB']);
        self::assertSame(
            [1 => [5 => 1], 2 => [5 => 1, 6 => 2]],
            CueSpread::dabs($labels->data, "\0\5\5\0\0"."\0\0\0\6\6"),
        );
        self::assertSame([1 => [3 => 4], 2 => [3 => 6]], CueSpread::dabs($labels->data, str_repeat("\3", 10)));
    }

    public function test_neighbours_get_different_colours_and_few_do(): void
    {
        mt_srand(8);
        // A map of cells round random places.
        $places = array_map(fn (): array => [mt_rand(0, 79), mt_rand(0, 59)], range(1, 60));
        $data = '';
        for ($y = 0; $y < 60; $y++) {
            for ($x = 0; $x < 80; $x++) {
                $far = array_map(fn (array $at): int => ($at[0] - $x) ** 2 + ($at[1] - $y) ** 2, $places);
                $data .= pack('n', 1 + (int) array_search(min($far), $far, true));
            }
        }
        $labels = new Labels(80, 60, $data);
        $graph = RegionGraph::of($labels);
        foreach ([6, 16] as $count) {
            $colours = (new RegionColours($count))->of($graph, range(1, 60));
            self::assertLessThan($count, max($colours));
            foreach ($colours as $region => $colour) {
                foreach (array_keys($graph->neighbours($region)) as $other) {
                    self::assertNotSame($colour, $colours[$other], "regions $region and $other");
                }
            }
        }
        $picture = imagecreatefromstring(
            (new FlatsPicture([[255, 0, 0], [0, 255, 0], [0, 0, 255], [9, 9, 9]]))->png($this->labels(['AB', 'AC'])),
        );
        $at = fn (int $x, int $y): array => array_slice(
            imagecolorsforindex($picture, imagecolorat($picture, $x, $y)),
            0,
            3,
        );
        self::assertSame($at(0, 0), $at(0, 1));
        self::assertCount(3, array_unique([$at(0, 0), $at(1, 0), $at(1, 1)], SORT_REGULAR));
    }

    /** Three fields of flat colour, blurred where they meet, under noise. */
    private function theirs(int $noise): Paint
    {
        mt_srand(3);
        $colours = [[200, 60, 70], [60, 120, 200], [240, 230, 180]];
        $planes = ['', '', ''];
        for ($y = 0; $y < 90; $y++) {
            for ($x = 0; $x < 120; $x++) {
                $at = min(2, max(0, $x / 40 - 0.5));
                $mix = min(1, max(0, ($at - floor($at) - 0.47) / 0.06));
                [$a, $b] = [$colours[(int) floor($at)], $colours[min(2, (int) floor($at) + 1)]];
                for ($c = 0; $c < 3; $c++) {
                    $planes[$c] .= chr(
                        (int) max(0, min(255, round($a[$c] + ($b[$c] - $a[$c]) * $mix) + mt_rand(-$noise, $noise))),
                    );
                }
            }
        }

        return new Paint(120, 90, $planes[0], $planes[1], $planes[2], str_repeat("\xff", 120 * 90));
    }

    public function test_flat_colours_are_taken_over_clean(): void
    {
        foreach ([0, 4] as $noise) {
            $taken = (new ColourTaker([new Rgb(203, 60, 70), new Rgb(66, 126, 190), new Rgb(0, 0, 0)]))->take(
                $this->theirs($noise),
            );
            self::assertCount(3, $taken->colours, "noise of $noise: no edge is a colour of its own");
            $verdicts = [];
            foreach ($taken->colours as $i => $colour) {
                $verdicts[$colour->ours->hex()] = $colour->verdict();
                self::assertEqualsWithDelta(1 / 3, $colour->share, 0.04);
                self::assertEqualsWithDelta(substr_count($taken->index, chr($i + 1)) / 10_800, $colour->share, 1e-9);
            }
            self::assertSame('exact', $verdicts['#cb3c46']);
            self::assertSame('near', $verdicts['#427ebe']);
            self::assertCount(1, array_keys($verdicts, 'new', true));
            self::assertSame(10_800, strlen($taken->index));
            self::assertSame(0, substr_count($taken->index, "\0"), 'every pixel has one');
            foreach ([5, 60, 110] as $x) {
                self::assertSame($taken->index[$x], $taken->index[89 * 120 + $x]);
            }
            self::assertCount(3, array_unique([$taken->index[5], $taken->index[60], $taken->index[110]]));
        }
        $large = (new ColourTaker)->take($this->theirs(0))->scaled(300, 90);
        self::assertSame([300, 90, 27_000], [$large->width, $large->height, strlen($large->index)]);
        self::assertNotSame($large->index[20], $large->index[280]);
        self::assertNull($large->colours[0]->difference);
        self::assertSame('new', $large->colours[0]->verdict());
    }

    public function test_verdicts_have_their_limits(): void
    {
        $of = fn (?float $difference): string => (new TakenColour(
            new Rgb(1, 2, 3),
            new Rgb(1, 2, 3),
            $difference,
            0.1,
        ))->verdict();
        self::assertSame(
            ['exact', 'near', 'near', 'new', 'new'],
            [$of(1.0), $of(1.01), $of(5.0), $of(5.01), $of(null)],
        );
        self::assertCount(
            1,
            (new ColourTaker)->take(
                new Paint(
                    4,
                    3,
                    str_repeat("\x09", 12),
                    str_repeat("\x08", 12),
                    str_repeat("\x07", 12),
                    str_repeat("\xff", 12),
                ),
            )->colours,
            'a picture too small to tell',
        );
    }

    /** @param  list<string>  $rows  a digit a pixel: the number of the colour, from 1 */
    private function taken(array $rows, int $colours): TakenFlats
    {
        $index = implode('', array_map(fn (string $digit): string => chr((int) $digit), str_split(implode('', $rows))));

        return new TakenFlats(
            strlen($rows[0]),
            count($rows),
            $index,
            array_map(
                fn (int $i): TakenColour => new TakenColour(new Rgb(40 * $i, 9, 9), new Rgb(40 * $i, 9, 9), null, 0.1),
                range(1, $colours),
            ),
        );
    }

    public function test_each_connected_area_of_a_colour_is_a_region(): void
    {
        $ink = new Plane(6, 4, str_repeat("\0", 8)."\xff".str_repeat("\0", 15));
        $areas = ColourRegions::of($this->taken(['112211', '112211', '222222', '333111'], 3), $ink);
        self::assertSame(
            [0, 0, 0, 1, 2],
            array_values($areas->colours),
            'three areas of the first colour, one of the second, one of the third',
        );
        $at = fn (int $x, int $y): int => $areas->labels->at($x, $y);
        self::assertSame($at(0, 0), $at(1, 1));
        self::assertCount(5, array_unique([$at(0, 0), $at(5, 0), $at(5, 3), $at(2, 0), $at(0, 3)]));
        self::assertSame($at(2, 0), $at(0, 2));
        self::assertSame(
            [4, 4, 3, 9, 3],
            array_map(fn (int $label): int => $areas->regions[$label]->area, [
                $at(0, 0),
                $at(5, 0),
                $at(5, 3),
                $at(2, 0),
                $at(0, 3),
            ]),
            'the inked pixel is not free',
        );
        foreach ($areas->regions as $label => $region) {
            self::assertSame($label, $at($region->x, $region->y));
        }
    }

    public function test_their_picture_is_moved_to_where_its_borders_lie_under_the_lines(): void
    {
        $width = 240;
        $height = 190;
        $ink = $index = '';
        // Two boxes of unlike size, so that only one place fits; their picture is 13 px too far left and 9 too low.
        for ($y = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                $edge = fn (int $l, int $t, int $r, int $b): int => min($x - $l, $r - $x, $y - $t, $b - $y);
                $line = abs($edge(40, 50, 120, 130)) < 2 || abs($edge(140, 70, 200, 110)) < 2;
                $ink .= $line ? "\xff" : "\0";
                [$ox, $oy] = [$x + 13, $y - 9];
                $inside = fn (int $l, int $t, int $r, int $b): bool => $ox >= $l && $ox < $r && $oy >= $t && $oy < $b;
                $index .= $inside(40, 50, 120, 130) ? "\x02" : ($inside(140, 70, 200, 110) ? "\x03" : "\x01");
            }
        }
        $theirs = new TakenFlats($width, $height, $index, $this->taken(['1'], 3)->colours);
        $offset = (new FlatsAlignment)->find($theirs, new Plane($width, $height, $ink));
        self::assertEqualsWithDelta([13, -9], $offset, 1);
        self::assertSame(
            [0, 0],
            (new FlatsAlignment)->find($theirs, Plane::filled($width, $height, 0)),
            'without lines nothing fits better',
        );
    }

    public function test_a_moved_picture_goes_on_beyond_its_edges(): void
    {
        $theirs = $this->taken(['123', '231'], 3);
        $rows = fn (TakenFlats $flats): array => str_split(
            implode('', array_map(fn (string $byte): string => (string) ord($byte), str_split($flats->index))),
            $flats->width,
        );
        self::assertSame(['11233', '11233', '22311', '22311'], $rows($theirs->on(5, 4, 1, 1)));
        self::assertSame(['3111', '3111'], $rows($theirs->on(4, 2, -1, -1)));
        self::assertSame(['12', '23'], $rows($theirs->on(2, 2, 0, 0)));
        self::assertSame(['33'], $rows($theirs->on(2, 1, -9, 0)));
    }

    public function test_regions_are_what_they_overlap_most_and_what_parts_or_flows_together_is_told(): void
    {
        $wide = fn (string $row): string => implode(
            '',
            array_map(fn (string $letter): string => str_repeat($letter, 10), str_split($row)),
        );
        // A (old) lies in two parts, P and Q; C and D (old) flow together to R; B is S, moved by a column; E is new
        // ground.
        $before = $this->labels(array_fill(0, 10, $wide('AAAABBCCDD')));
        $after = $this->labels(array_fill(0, 10, $wide('PPQQQSRRRR')));
        $match = RegionMatch::of($before, $after);
        $number = fn (string $letter): int => ord($letter) - 64;
        self::assertSame(
            [$number('A'), $number('A'), $number('B'), $number('C')],
            array_map(fn (string $letter): ?int => $match->before($number($letter)), ['P', 'Q', 'S', 'R']),
            'of equals the one with the smaller number',
        );
        self::assertSame([$number('A') => [$number('P'), $number('Q')]], $match->split());
        self::assertSame([$number('R') => [$number('C'), $number('D')]], $match->merged());
        self::assertNull($match->before(999));
        self::assertSame([], RegionMatch::of($before, $before)->split());
        self::assertSame([], RegionMatch::of($before, $before)->merged());
        // A sliver that an edge left behind parts nothing.
        $sliver = $this->labels([...array_fill(0, 3, $wide('AAAABBCCDD')), ...array_fill(0, 7, $wide('AAAABBCCDD'))]);
        self::assertSame(
            [],
            RegionMatch::of(
                $before,
                $this->labels(array_fill(0, 10, str_repeat('Z', 3).substr($wide('AAAABBCCDD'), 3))),
            )->split(),
        );
        self::assertSame([], RegionMatch::of($before, $sliver)->merged());
    }

    public function test_shapes_are_told_in_parts_of_the_page(): void
    {
        $rows = array_fill(0, 10, str_repeat('A', 40));
        for ($y = 2; $y < 6; $y++) {
            $rows[$y] = str_repeat('A', 8).str_repeat('B', 12).str_repeat('A', 20);
        }
        $shape = RegionShape::all($this->labels($rows))[2];
        self::assertEqualsWithDelta([48 / 400, 14 / 40, 4 / 10], [$shape->share, $shape->x, $shape->y], 1e-12);
        self::assertEqualsWithDelta(
            sqrt((12 ** 2 - 1) / 12) / 40,
            $shape->wide,
            1e-12,
            'the deviation of a row of twelve',
        );
        self::assertEqualsWithDelta(sqrt((4 ** 2 - 1) / 12) / 10, $shape->high, 1e-12);
        self::assertSame(0.0, $shape->unlike($shape));
    }

    public function test_regions_are_guessed_from_those_that_lie_alike(): void
    {
        $page = fn (int $moved): array => RegionShape::all(
            $this->labels(
                array_map(
                    fn (int $y): string => implode(
                        '',
                        array_map(
                            fn (int $x): string => match (true) {
                                $x >= 10 + $moved && $x < 30 + $moved && $y >= 5 && $y < 15 => 'B',
                                $x >= 60 && $x < 70 && $y >= 20 && $y < 45 => 'C',
                                $x >= 80 && $x < 84 && $y >= 2 && $y < 5 => 'D',
                                default => 'A',
                            },
                            range(0, 99),
                        ),
                    ),
                    range(0, 49),
                ),
            ),
        );
        $guess = FillsOfBefore::guess(
            array_intersect_key($page(4), [2 => 0, 3 => 0, 4 => 0]),
            array_intersect_key($page(0), [2 => 0, 3 => 0]),
        );
        self::assertSame([2 => 2, 3 => 3], $guess, 'the small one is like neither');
        self::assertSame(
            [],
            FillsOfBefore::guess(array_intersect_key($page(50), [2 => 0]), array_intersect_key($page(0), [2 => 0])),
            'too far away',
        );
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Flats\FlatsResult;
use Awning\Core\Flats\TrapGrowth;
use Awning\Core\Page\Region\Bridge;
use Awning\Core\Raster\Plane;
use PHPUnit\Framework\TestCase;

final class FlatsTest extends TestCase
{
    use DrawsPlanes;

    /**
     * A square outline with a gap in its right side.
     */
    private function square(int $gap, int $side = 200, int $pen = 4): Plane
    {
        $rows = [];
        for ($y = 0; $y < $side; $y++) {
            $row = str_repeat("\0", $side);
            for ($x = 0; $x < $side; $x++) {
                $edge = min($x, $y, $side - 1 - $x, $side - 1 - $y);
                $inGap = $x > $side / 2 && abs($y - $side / 2) < $gap / 2;
                if ($edge >= 40 && $edge < 40 + $pen && ! $inGap) {
                    $row[$x] = "\xff";
                }
            }
            $rows[] = $row;
        }

        return new Plane($side, $side, implode('', $rows));
    }

    private function assertEveryPixelLabelled(FlatsResult $flats): void
    {
        $known = $flats->regions;
        foreach (array_unique(str_split($flats->labels->data, 2)) as $label) {
            self::assertArrayHasKey((ord($label[0]) << 8) | ord($label[1]), $known);
        }
    }

    public function test_closed_lines_bound_two_regions_that_meet_under_the_line(): void
    {
        $flats = (new FlatsFinder)->find($this->square(0));
        self::assertCount(2, $flats->regions);
        self::assertSame([], $flats->bridges);
        $this->assertEveryPixelLabelled($flats);
        $outside = $flats->labels->at(5, 100);
        $inside = $flats->labels->at(100, 100);
        self::assertNotSame($outside, $inside);
        // The line covers 40 to 43; the regions meet in its middle.
        self::assertSame($outside, $flats->labels->at(41, 100));
        self::assertSame($inside, $flats->labels->at(42, 100));
    }

    public function test_a_gap_within_the_limit_is_bridged_and_nothing_floods(): void
    {
        foreach ([2, 5, 9, 12] as $gap) {
            $flats = (new FlatsFinder(12))->find($this->square($gap));
            self::assertNotSame($flats->labels->at(5, 100), $flats->labels->at(100, 100), "a gap of $gap px leaks");
            self::assertNotSame([], $flats->bridges);
            $this->assertEveryPixelLabelled($flats);
        }
    }

    /** Turned by quarters, every gap is one bridge, and the bridge lies in the gap. */
    public function test_gaps_are_bridged_on_every_side_alike(): void
    {
        foreach ([3, 8, 11] as $gap) {
            $plane = $this->square($gap);
            for ($turns = 0; $turns < 4; $turns++) {
                $flats = (new FlatsFinder(12))->find($plane);
                self::assertCount(1, $flats->bridges, "gap $gap, turned $turns times");
                [$bridge] = $flats->bridges;
                // The gap is in the middle of a side: right, bottom, left, top.
                [$along, $across] =
                    $turns % 2 === 0
                        ? [[$bridge->y1, $bridge->y2], [$bridge->x1, $bridge->x2]]
                        : [[$bridge->x1, $bridge->x2], [$bridge->y1, $bridge->y2]];
                self::assertLessThanOrEqual($gap + 4, max($along) - min($along));
                self::assertEqualsWithDelta(
                    100,
                    array_sum($along) / 2,
                    3,
                    "gap $gap, turned $turns times: where along the side",
                );
                self::assertEqualsWithDelta(
                    $turns < 2 ? 157.5 : 41.5,
                    array_sum($across) / 2,
                    3,
                    "gap $gap, turned $turns times: which side",
                );
                self::assertCount(2, $flats->regions);
                $plane = $this->turned($plane);
            }
        }
    }

    /** A quarter to the right. */
    private function turned(Plane $plane): Plane
    {
        $data = str_repeat("\0", strlen($plane->data));
        for ($y = 0; $y < $plane->height; $y++) {
            for ($x = 0; $x < $plane->width; $x++) {
                $data[$x * $plane->height + $plane->height - 1 - $y] = $plane->data[$y * $plane->width + $x];
            }
        }

        return new Plane($plane->height, $plane->width, $data);
    }

    public function test_a_page_of_ink_has_its_one_region_in_the_middle(): void
    {
        [$region] = array_values((new FlatsFinder)->find(Plane::filled(64, 48, 255))->regions);
        self::assertSame([32, 24], [$region->x, $region->y]);
    }

    public function test_a_gap_beyond_the_limit_stays_open(): void
    {
        $flats = (new FlatsFinder(12))->find($this->square(30));
        self::assertSame($flats->labels->at(5, 100), $flats->labels->at(100, 100));
        self::assertSame([], (new FlatsFinder(0))->find($this->square(6))->bridges);
    }

    public function test_crumbs_go_to_a_neighbour(): void
    {
        $plane = $this->square(0, 200, 8);
        $data = $plane->data;
        $data[43 * 200 + 100] = $data[43 * 200 + 101] = "\0";
        $flats = (new FlatsFinder(0, 12))->find(new Plane(200, 200, $data));
        self::assertCount(2, $flats->regions);
        $this->assertEveryPixelLabelled($flats);
    }

    public function test_a_page_of_ink_or_of_nothing_is_one_region(): void
    {
        foreach ([0, 255] as $value) {
            $flats = (new FlatsFinder)->find(Plane::filled(64, 48, $value));
            self::assertCount(1, $flats->regions);
            $this->assertEveryPixelLabelled($flats);
        }
        self::assertCount(1, (new FlatsFinder)->find(Plane::filled(1, 1, 0))->regions);
    }

    public function test_more_regions_than_labels_can_name_are_joined_from_the_smallest(): void
    {
        // 600 x 600 with a free pixel pair in every 2 x 3 cell: 60 000 specks of two, and one large area.
        $row = str_repeat("\0\0\xff", 200);
        $ink = str_repeat("\xff", 600);
        $data = '';
        for ($y = 0; $y < 700; $y++) {
            $data .= $y % 2 === 0 ? $row : $ink;
        }
        $flats = (new FlatsFinder(0, 1))->find(new Plane(600, 700, $data));
        self::assertLessThanOrEqual(65535, count($flats->regions));
        $this->assertEveryPixelLabelled($flats);
    }

    public function test_a_bridge_is_an_unbroken_row_of_pixels(): void
    {
        foreach ([[0, 0, 9, 4], [9, 4, 0, 0], [3, 3, 3, 3], [0, 7, 2, 0]] as $ends) {
            $pixels = (new Bridge(...$ends))->pixels();
            self::assertSame([$ends[0], $ends[1]], $pixels[0]);
            self::assertSame([$ends[2], $ends[3]], $pixels[count($pixels) - 1]);
            for ($i = 1; $i < count($pixels); $i++) {
                self::assertLessThanOrEqual(
                    1,
                    max(abs($pixels[$i][0] - $pixels[$i - 1][0]), abs($pixels[$i][1] - $pixels[$i - 1][1])),
                );
            }
        }
    }

    /**
     * A drawing of straight strokes of 3 px on free paper.
     *
     * @param  list<array{int, int, int, int}>  $strokes  x, y, x, y
     */
    private function drawing(array $strokes, int $side = 120, int $pen = 3): Plane
    {
        $data = str_repeat("\0", $side * $side);
        foreach ($strokes as $stroke) {
            foreach ((new Bridge(...$stroke))->pixels() as [$x, $y]) {
                for ($dy = 0; $dy < $pen; $dy++) {
                    for ($dx = 0; $dx < $pen; $dx++) {
                        [$px, $py] = [$x + $dx - 1, $y + $dy - 1];
                        if ($px >= 0 && $py >= 0 && $px < $side && $py < $side) {
                            $data[$py * $side + $px] = "\xff";
                        }
                    }
                }
            }
        }

        return new Plane($side, $side, $data);
    }

    /**
     * @param  list<array{int, int, int, int}>  $strokes
     * @return list<array{int, int, int, int}> where bridges begin and end, in order
     */
    private function bridges(array $strokes, int $gap = 12): array
    {
        // Two lines far off, from edge to edge: so that most runs are as short as the pen is wide.
        $drawing = $this->drawing([...$strokes, [113, 0, 113, 119], [117, 0, 117, 119]]);
        $found = array_map(
            fn (Bridge $bridge): array => array_slice(array_values($bridge->toData()), 0, 4),
            array_filter(
                (new FlatsFinder($gap))->find($drawing)->bridges,
                fn (Bridge $bridge): bool => $bridge->x1 < 105,
            ),
        );
        sort($found);

        return $found;
    }

    public function test_ends_that_face_each_other_are_joined_and_others_are_not(): void
    {
        self::assertCount(1, $joined = $this->bridges([[20, 60, 50, 60], [59, 60, 95, 60]]));
        self::assertEqualsWithDelta([51, 60, 58, 60], $joined[0], 1.0, 'from tip to tip');
        self::assertCount(
            1,
            $this->bridges([[20, 60, 50, 60], [68, 60, 95, 60]]),
            'further than asked, since they face each other',
        );
        self::assertSame([], $this->bridges([[20, 60, 50, 60], [77, 60, 95, 60]]), 'too far apart');
        self::assertSame([], $this->bridges([[20, 60, 50, 60], [20, 72, 50, 72]]), 'side by side');
        self::assertSame([], $this->bridges([[20, 60, 50, 60], [58, 78, 95, 78]], 9), 'past each other');
        self::assertCount(
            2,
            $this->bridges([[20, 60, 50, 60], [56, 40, 56, 80], [62, 60, 95, 60]]),
            'each to the line between them, never through it',
        );
    }

    public function test_an_end_reaches_for_the_line_ahead_of_it(): void
    {
        [$reached] = $this->bridges([[20, 60, 50, 60], [60, 20, 60, 100]]);
        self::assertEqualsWithDelta([51, 60, 59, 60], $reached, 1.0);
        self::assertSame([], $this->bridges([[20, 60, 50, 60], [66, 20, 66, 100]]), 'too far');
        self::assertSame([], $this->bridges([[20, 60, 50, 60], [12, 20, 12, 100]], 5), 'behind it');
        self::assertSame(
            [],
            $this->bridges([[30, 60, 60, 60], [60, 60, 60, 68]], 12),
            'its own stroke closes nothing but a dent',
        );
    }

    public function test_the_straightest_of_two_partners_is_taken(): void
    {
        $found = $this->bridges([[20, 60, 50, 60], [59, 60, 95, 60], [57, 67, 90, 95]]);
        self::assertContains([51, 60, 58, 60], $found);
    }

    /** Round by round from the regions inward: the four and the eight neighbours in turn, all of a round at once. */
    public function test_labels_grow_under_the_ink_from_all_sides_at_the_same_pace(): void
    {
        mt_srand(12);
        for ($round = 0; $round < 12; $round++) {
            [$width, $height] = [mt_rand(9, 25), mt_rand(9, 25)];
            $labels = str_repeat("\0\0", $width * $height);
            $open = str_repeat("\xff", $width * $height);
            foreach ([[1, 1, 3], [1, $height - 3, 300], [$width - 3, 2, 7]] as [$x, $y, $label]) {
                foreach ([[0, 0], [1, 0], [0, 1]] as [$dx, $dy]) {
                    $at = ($y + $dy) * $width + $x + $dx;
                    $open[$at] = "\0";
                    $labels[2 * $at] = chr($label >> 8);
                    $labels[2 * $at + 1] = chr($label & 255);
                }
            }
            $grown = $labels;
            (new TrapGrowth)->grow($grown, $open, $width, $height);
            $steps = $this->stepsFromRegions($labels, $open, $width, $height);
            for ($at = 0; $at < $width * $height; $at++) {
                $label = substr($grown, 2 * $at, 2);
                self::assertContains(
                    (ord($label[0]) << 8) | ord($label[1]),
                    $steps[$at],
                    "pixel $at of $width x $height goes to the nearest",
                );
            }
        }
    }

    /** @return list<list<int>> for each pixel, the labels that come to it first */
    private function stepsFromRegions(string $labels, string $open, int $width, int $height): array
    {
        $first = [];
        for ($at = 0; $at < $width * $height; $at++) {
            $first[] = $open[$at] === "\0" ? [(ord($labels[2 * $at]) << 8) | ord($labels[2 * $at + 1])] : [];
        }
        for ($step = 0; in_array([], $first, true); $step++) {
            $next = $first;
            foreach ($first as $at => $here) {
                if ($here !== []) {
                    continue;
                }
                foreach ([[1, 0], [-1, 0], [0, 1], [0, -1], [1, 1], [1, -1], [-1, 1], [-1, -1]] as $i => [$dx, $dy]) {
                    // The first round goes to the four neighbours, then eight and four in turn.
                    if ($i >= 4 && $step % 2 === 0) {
                        continue;
                    }
                    [$x, $y] = [($at % $width) + $dx, intdiv($at, $width) + $dy];
                    if ($x >= 0 && $y >= 0 && $x < $width && $y < $height) {
                        array_push($next[$at], ...$first[$y * $width + $x]);
                    }
                }
            }
            $first = array_map(fn (array $l): array => array_values(array_unique($l)), $next);
        }

        return $first;
    }

    public function test_regions_know_their_area_and_a_place_inside(): void
    {
        $flats = (new FlatsFinder(0))->find($this->drawing([[40, 0, 40, 119], [40, 60, 119, 60]]));
        self::assertSame([1, 2, 3], array_keys($flats->regions));
        self::assertSame(
            [39 * 120, 78 * 59, 78 * 58],
            array_map(fn ($region): int => $region->area, array_values($flats->regions)),
        );
        foreach ($flats->regions as $label => $region) {
            self::assertSame($label, $flats->labels->at($region->x, $region->y));
            self::assertSame([0, 0], [$region->figure, $region->material]);
        }
        self::assertSame([2 * 12, 4 * 12], [$this->crumb(600), $this->crumb(600, true)]);
    }

    /** The gap and the crumb that go with a resolution: the first grows with it, the second with its square. */
    private function crumb(float $dpi, bool $isCrumb = false): int
    {
        $finder = FlatsFinder::forDpi($dpi);
        $value = (new \ReflectionProperty($finder, $isCrumb ? 'crumb' : 'gap'))->getValue($finder);

        return is_int($value) ? $value : 0;
    }

    public function test_solid_black_is_a_region_of_its_own_and_lines_are_not(): void
    {
        $frame = fn (int $x, int $y): bool => $x >= 20 &&
            $x < 380 &&
            $y >= 20 &&
            $y < 280 &&
            min($x - 20, 379 - $x, $y - 20, 279 - $y) < 5;
        $bar = fn (int $x, int $y): bool => abs($y - 240) < 5 && $x > 60 && $x < 340;
        $plain = $this->drawn(400, 301, fn (int $x, int $y): bool => $frame($x, $y) || $bar($x, $y));
        $black = $this->drawn(
            400,
            301,
            fn (int $x, int $y): bool => $frame($x, $y) ||
                $bar($x, $y) ||
                hypot($x - 120, $y - 120) < 45 ||
                ($x >= 250 && $x < 300 && $y < 90),
        );
        $without = (new FlatsFinder(0))->find($plain);
        $with = (new FlatsFinder(0))->find($black);
        self::assertCount(2, $without->regions, 'neither frame nor bar is an area');
        $this->assertEveryPixelLabelled($with);
        $disc = $with->labels->at(120, 120);
        $band = $with->labels->at(275, 10);
        self::assertCount(4, array_unique([$disc, $band, $with->labels->at(200, 150), $with->labels->at(5, 5)]));
        self::assertSame($disc, $with->labels->at($with->regions[$disc]->x, $with->regions[$disc]->y));
        self::assertEqualsWithDelta(
            M_PI * 41 * 41,
            $with->regions[$disc]->area,
            320,
            'but for a rim, and the narrow ends of a circle',
        );
        $beside = $with->labels->at(200, 150);
        // The black covers rows 76 to 164 here, and columns 250 to 299 there: what lies beside goes two pixels under
        // it.
        self::assertSame(
            [$beside, $beside, $disc, $disc],
            array_map(fn (int $x): int => $with->labels->at($x, 120), [76, 77, 79, 85]),
        );
        self::assertSame(
            [$beside, $beside, $band, $band],
            array_map(fn (int $x): int => $with->labels->at($x, 60), [250, 251, 253, 256]),
        );
        self::assertSame($band, $with->labels->at(254, 84), 'into its corners');
        self::assertNotSame($band, $with->labels->at(200, 22), 'the frame it touches goes to both sides');
    }

    public function test_slits_of_a_pixel_are_crumbs_however_long_and_small_shapes_are_kept(): void
    {
        $frame = fn (int $x, int $y): bool => $x >= 20 &&
            $x < 180 &&
            $y >= 20 &&
            $y < 180 &&
            min($x - 20, 179 - $x, $y - 20, 179 - $y) < 4;
        $slits = fn (int $wide): Plane => $this->drawn(
            200,
            200,
            fn (int $x, int $y): bool => $frame($x, $y) ||
                ($y >= 50 &&
                    $y < 150 &&
                    $x >= 60 &&
                    $x < 70 + $wide &&
                    ! ($x >= 65 && $x < 65 + $wide && $y >= 55 && $y < 145)) ||
                ($x >= 90 &&
                    $x < 170 &&
                    $y >= 90 &&
                    $y < 100 + $wide &&
                    ! ($y >= 95 && $y < 95 + $wide && $x >= 95 && $x < 165)),
        );
        self::assertCount(2, (new FlatsFinder(0))->find($slits(1))->regions, 'upright and level');
        self::assertCount(4, (new FlatsFinder(0))->find($slits(3))->regions);
        $eye = $this->drawn(
            200,
            200,
            fn (int $x, int $y): bool => $frame($x, $y) ||
                (hypot($x - 100, $y - 100) < 7 && hypot($x - 100, $y - 100) >= 3),
        );
        self::assertCount(3, (new FlatsFinder(0))->find($eye)->regions, 'the white of an eye');
    }
}

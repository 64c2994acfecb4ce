<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Flats\FlatsResult;
use Awning\Core\Page\Bridge;
use Awning\Core\Raster\Plane;
use PHPUnit\Framework\TestCase;

final class FlatsTest extends TestCase
{
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
            self::assertArrayHasKey(ord($label[0]) << 8 | ord($label[1]), $known);
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
                self::assertLessThanOrEqual(1, max(abs($pixels[$i][0] - $pixels[$i - 1][0]), abs($pixels[$i][1] - $pixels[$i - 1][1])));
            }
        }
    }
}

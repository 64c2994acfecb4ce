<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Components;
use Awning\Core\Raster\Histogram;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Paint;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\Runs;
use Awning\Core\Raster\TileGrid;
use PHPUnit\Framework\TestCase;

/** Against the plainest way to say the same: pixel by pixel. */
final class RasterTest extends TestCase
{
    protected function setUp(): void
    {
        mt_srand(23);
    }

    private function noise(int $count, int $most = 255): string
    {
        return implode('', array_map(fn (): string => chr(mt_rand(0, $most)), range(1, $count)));
    }

    public function test_tables_map_round_and_hold_to_the_range(): void
    {
        self::assertSame(256, strlen(Bytes::identity()));
        self::assertSame([0, 77, 255], array_map(fn (int $i): int => ord(Bytes::identity()[$i]), [0, 77, 255]));
        $table = Bytes::table(fn (int $v): float => 2 * $v - 100.4);
        self::assertSame([0, 0, 20, 255, 255], array_map(fn (int $i): int => ord($table[$i]), [0, 50, 60, 200, 255]));
        $threshold = Bytes::threshold(100);
        self::assertSame(["\0", "\xff", "\xff"], [$threshold[99], $threshold[100], $threshold[255]]);
        self::assertSame(
            [256, str_repeat("\xff", 256), str_repeat("\0", 256)],
            [strlen($threshold), Bytes::threshold(-3), Bytes::threshold(900)],
        );
        self::assertSame("\x00\x14\xff", (new Plane(3, 1, "\x32\x3c\xff"))->mapped($table)->data);
    }

    public function test_a_crop_takes_what_is_there_and_zeros_elsewhere(): void
    {
        foreach ([1, 2, 4] as $size) {
            $data = $this->noise(11 * 7 * $size);
            foreach (
                [
                    [2, 1, 5, 4],
                    [0, 0, 11, 7],
                    [-3, -2, 6, 5],
                    [8, 5, 6, 6],
                    [0, 2, 11, 3],
                    [20, 20, 3, 3],
                    [-2, 1, 20, 2],
                ] as [$x, $y, $width, $height]
            ) {
                $cut = Bytes::crop($data, 11, 7, new Rect($x, $y, $width, $height), $size);
                $plain = '';
                for ($py = $y; $py < $y + $height; $py++) {
                    for ($px = $x; $px < $x + $width; $px++) {
                        $plain .=
                            $px >= 0 && $py >= 0 && $px < 11 && $py < 7
                                ? substr($data, ($py * 11 + $px) * $size, $size)
                                : str_repeat("\0", $size);
                    }
                }
                self::assertSame(bin2hex($plain), bin2hex($cut), "$x $y $width $height, $size bytes");
            }
        }
    }

    public function test_rectangles_meet_where_both_are(): void
    {
        $rect = new Rect(2, 3, 10, 20);
        self::assertSame([12, 23, false], [$rect->right(), $rect->bottom(), $rect->isEmpty()]);
        self::assertEquals(new Rect(5, 4, 7, 6), $rect->intersect(new Rect(5, 4, 30, 6)));
        self::assertTrue($rect->intersect(new Rect(12, 3, 5, 5))->isEmpty());
        self::assertTrue($rect->intersect(new Rect(2, 23, 5, 5))->isEmpty());
        self::assertFalse($rect->intersect(new Rect(11, 22, 5, 5))->isEmpty());
        self::assertEquals(new Rect(1, 2, 0, 0), Rect::bounds(1, 2, 0, 1));
    }

    public function test_runs_and_components_find_what_hangs_together(): void
    {
        for ($round = 0; $round < 30; $round++) {
            [$width, $height] = [mt_rand(1, 23), mt_rand(1, 17)];
            $data = strtr($this->noise($width * $height, 1), "\1", "\xff");
            $runs = Runs::of($data, $width, $height, "\0");
            $covered = str_repeat("\xff", $width * $height);
            for ($i = 0; $i < $runs->count(); $i++) {
                self::assertSame(
                    intdiv($runs->from[$i], $width),
                    intdiv($runs->to[$i] - 1, $width),
                    'a run stays in its row',
                );
                $covered = substr_replace(
                    $covered,
                    str_repeat("\0", $runs->to[$i] - $runs->from[$i]),
                    $runs->from[$i],
                    $runs->to[$i] - $runs->from[$i],
                );
            }
            self::assertSame($data, $covered);
            self::assertSame($runs->count(), $runs->row[$height]);
            foreach (
                [
                    $data,
                    strtr($data, "\0\xff", "\xff\0"),
                    str_repeat("\0", $width * $height),
                    str_repeat("\xff", $width * $height),
                ] as $marks
            ) {
                self::assertEquals(
                    Runs::of($marks, $width, $height, "\0"),
                    Runs::ofMarks($marks, $width, $height, "\0"),
                );
                self::assertEquals(
                    Runs::of($marks, $width, $height, "\xff"),
                    Runs::ofMarks($marks, $width, $height, "\xff"),
                );
            }
            foreach ([false, true] as $diagonal) {
                $components = Components::of($runs, $diagonal);
                $of = [];
                foreach ($components->of as $run => $component) {
                    for ($at = $runs->from[$run]; $at < $runs->to[$run]; $at++) {
                        $of[$at] = $component;
                    }
                }
                self::assertSame(
                    $this->flooded($data, $width, $height, $diagonal),
                    $of,
                    "$width x $height, ".($diagonal ? 'corners too' : 'edges'),
                );
                self::assertSame(array_count_values($of), array_filter($components->area));
                self::assertSame($components->count(), count(array_unique($of)));
            }
        }
    }

    /** @return array<int, int> component by pixel, numbered by first appearance */
    private function flooded(string $data, int $width, int $height, bool $diagonal): array
    {
        $of = [];
        $next = 0;
        for ($start = 0; $start < $width * $height; $start++) {
            if ($data[$start] !== "\0" || isset($of[$start])) {
                continue;
            }
            $of[$start] = $next;
            for ($queue = [$start]; $queue !== [];) {
                $at = array_pop($queue);
                for ($dy = -1; $dy <= 1; $dy++) {
                    for ($dx = -1; $dx <= 1; $dx++) {
                        $x = ($at % $width) + $dx;
                        $y = intdiv($at, $width) + $dy;
                        $near = $y * $width + $x;
                        if (
                            ($diagonal || $dx === 0 || $dy === 0) &&
                            $x >= 0 &&
                            $y >= 0 &&
                            $x < $width &&
                            $y < $height &&
                            $data[$near] === "\0" &&
                            ! isset($of[$near])
                        ) {
                            $of[$near] = $next;
                            $queue[] = $near;
                        }
                    }
                }
            }
            $next++;
        }
        ksort($of);

        return $of;
    }

    public function test_lengths_of_runs_are_told_by_their_place_when_sorted(): void
    {
        $runs = Runs::of(
            str_repeat("\0", 2).'#'.str_repeat("\0", 9).'#'.str_repeat("\0", 4).'#'."\0",
            19,
            1,
            "\0",
        );
        self::assertSame([1, 2, 9], [$runs->lengthAt(0), $runs->lengthAt(0.5), $runs->lengthAt(1)]);
        self::assertSame(0, Runs::of('##', 2, 1, "\0")->lengthAt(0.5));
    }

    public function test_spans_of_labels_go_over_the_pixels_once(): void
    {
        for ($round = 0; $round < 40; $round++) {
            $labels = [];
            while (count($labels) < 60) {
                $label = [0, 1, 255, 256, 257, 65535][mt_rand(0, 5)];
                array_push($labels, ...array_fill(0, mt_rand(1, 7), $label));
            }
            $data = implode('', array_map(fn (int $l): string => chr($l >> 8).chr($l & 255), $labels));
            $seen = [];
            foreach (Labels::spans($data) as $i => [$from, $to, $label]) {
                self::assertSame(count($seen), $from);
                self::assertGreaterThan($from, $to);
                self::assertTrue($i === 0 || $label !== end($seen), 'neighbours of one label are one span');
                array_push($seen, ...array_fill(0, $to - $from, $label));
            }
            self::assertSame($labels, $seen);
        }
        // Runs of a large page: through the places where it is cut to be gone through, up to one of them, and from it.
        $words = [[5, 8_191], [6, 1], [7, 8_192], [256, 20_000], [1, 192], [2, 3]];
        $at = 0;
        $wanted = array_map(function (array $run) use (&$at): array {
            return [$at, ($at += $run[1]), $run[0]];
        }, $words);
        self::assertSame(
            $wanted,
            Labels::spans(
                implode('', array_map(fn (array $run): string => str_repeat(pack('n', $run[0]), $run[1]), $words)),
            ),
        );
        self::assertSame([], Labels::spans(''));
        self::assertSame([[0, 1, 7]], Labels::spans("\0\7"));
        self::assertSame(0x0203, (new Labels(2, 1, "\0\1\2\3"))->at(1, 0));
    }

    public function test_nothing_is_nothing_to_the_last_byte(): void
    {
        foreach ([1, 63, 64, 65, 70_000] as $count) {
            $zeros = str_repeat("\0", $count);
            self::assertTrue(Bytes::isNothing($zeros));
            self::assertFalse(Bytes::isNothing(substr_replace($zeros, "\1", -1, 1)));
            self::assertFalse(Bytes::isNothing(substr_replace($zeros, "\x80", 0, 1)));
        }
        self::assertTrue(Bytes::isNothing(''));
        self::assertFalse(Bytes::isNothing('0'), 'a digit is something');
    }

    public function test_a_grid_cuts_pages_of_any_size_and_joins_them_again(): void
    {
        foreach ([[1, 1], [256, 256], [257, 255], [300, 520], [511, 10]] as [$width, $height]) {
            $grid = new TileGrid($width, $height);
            self::assertSame([(int) ceil($width / 256), (int) ceil($height / 256)], [$grid->columns, $grid->rows]);
            self::assertCount($grid->columns * $grid->rows, $grid->all());
            foreach ([1, 2] as $size) {
                $data = random_bytes($width * $height * $size);
                $data[0] = 'x';
                $tiles = $grid->cut($data, $size);
                self::assertSame(
                    $data,
                    $grid->join(fn (int $column, int $row): ?string => $tiles["$column,$row"] ?? null, $size),
                    "$width x $height, $size bytes",
                );
            }
        }
        $grid = new TileGrid(700, 300);
        self::assertSame([], $grid->cut(str_repeat("\0", 210_000)));
        self::assertSame(str_repeat("\0", 210_000), $grid->join(fn (): ?string => null));
        self::assertSame([[0, 0], [1, 0]], $grid->touching(new Rect(255, 0, 2, 5)));
        self::assertSame([[0, 0]], $grid->touching(new Rect(0, 0, 256, 256)));
        self::assertSame([[2, 1]], $grid->touching(new Rect(690, 290, 900, 900)));
        self::assertSame([], $grid->touching(new Rect(700, 0, 5, 5)));
        self::assertEquals(new Rect(512, 256, 256, 256), TileGrid::rect(2, 1));
    }

    public function test_planes_and_paint_fit_their_size(): void
    {
        $paint = new Paint(2, 2, "\1\2\3\4", "\5\6\7\x08", "\x09\x0a\x0b\x0c", "\xff\xff\0\xff");
        self::assertSame([[2, 6, 10, 255], [3, 7, 11, 0]], [$paint->at(1, 0), $paint->at(0, 1)]);
        self::assertFalse($paint->isOpaque());
        self::assertTrue(Paint::solid(3, 2, [1, 2, 3])->isOpaque());
        self::assertSame([4, 8, 12, 255], $paint->crop(new Rect(1, 1, 1, 1))->at(0, 0));
        self::assertSame(
            [9, 0],
            [Plane::filled(3, 2, 9)->at(2, 1), Plane::filled(3, 2, 9)->crop(new Rect(2, 1, 2, 2))->at(1, 0)],
        );
        self::assertSame(6, Plane::filled(3, 2, 9)->histogram()[9]);
        foreach (
            [
                fn () => new Plane(2, 2, 'abc'),
                fn () => new Labels(2, 2, 'abcd'),
                fn () => new Paint(1, 1, 'a', 'b', 'cc', 'd'),
            ] as $make
        ) {
            try {
                $make();
                self::fail('bytes that do not fit were taken');
            } catch (\LengthException $error) {
                self::assertStringContainsString('bytes', $error->getMessage());
            }
        }
    }

    public function test_a_plane_is_packed_and_comes_back_whole(): void
    {
        $plane = new Plane(
            700,
            301,
            str_repeat("\0", 700 * 300).
                implode('', array_map(chr(...), array_map(fn (int $x): int => (7 * $x) % 256, range(0, 699)))),
        );
        $packed = serialize([3 => $plane]);
        self::assertLessThan(4000, strlen($packed));
        self::assertEquals([3 => $plane], unserialize($packed));
        // What was packed is no longer than it says.
        $this->expectException(\LengthException::class);
        @unserialize(str_replace('i:700;', 'i:699;', $packed));
    }

    public function test_clear_paint_and_histograms_count_every_pixel(): void
    {
        $clear = Paint::clear(3, 5);
        self::assertSame([3, 5, str_repeat("\0", 15)], [$clear->width, $clear->height, $clear->alpha]);
        $histogram = (new Plane(5, 2, "\0\0\0\7\7\7\7\xff\xff\1"))->histogram();
        self::assertSame([3, 1, 4, 2], [$histogram[0], $histogram[1], $histogram[7], $histogram[255]]);
        self::assertCount(256, $histogram);
        self::assertSame(0, $histogram[128]);
    }

    public function test_what_does_not_fit_says_how_many_bytes_it_needs(): void
    {
        $said = function (callable $make): string {
            try {
                $make();
            } catch (\LengthException $error) {
                return $error->getMessage();
            }

            return 'nothing';
        };
        self::assertStringContainsString(
            '3 x 5 labels need 30 bytes, not 7',
            $said(fn () => new Labels(3, 5, 'seven b')),
        );
        self::assertStringContainsString(
            'needs 15 bytes a plane, not 7',
            $said(fn () => new Paint(3, 5, 'seven b', '', '', '')),
        );
        $plane = new Plane(5, 3, implode('', array_map(chr(...), range(1, 15))));
        self::assertSame(
            [1, 5, 6, 14, 15],
            [$plane->at(0, 0), $plane->at(4, 0), $plane->at(0, 1), $plane->at(3, 2), $plane->at(4, 2)],
        );
    }

    public function test_a_quantile_is_the_first_level_that_so_many_do_not_exceed(): void
    {
        $counts = [0 => 2, 7 => 2, 9 => 0, 200 => 1];
        $found = fn (float $share): int => Histogram::quantile($counts, $share);
        self::assertSame([0, 0, 7, 7, 200, 200], array_map($found, [0.0, 0.4, 0.41, 0.8, 0.81, 1.0]));
        self::assertSame(255, Histogram::quantile([], 0.5));
    }
}

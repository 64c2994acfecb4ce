<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Ink\Levels;
use Awning\Core\Ink\ScanCleaner;
use Awning\Core\Ink\SpeckFilter;
use Awning\Core\Raster\Plane;
use PHPUnit\Framework\TestCase;

final class InkTest extends TestCase
{
    /**
     * A sheet with a vertical line, under light that falls off to the right, and noise.
     *
     * @param  array{int, int, int}  $paper
     * @param  array{int, int, int}  $pencil  colour of a second, underdrawn line
     * @return list<Plane>
     */
    private function sheet(array $paper, array $pencil): array
    {
        mt_srand(7);
        $channels = ['', '', ''];
        for ($y = 0; $y < 300; $y++) {
            for ($x = 0; $x < 400; $x++) {
                $light = 1 - 0.35 * $x / 400;
                for ($c = 0; $c < 3; $c++) {
                    $value = $paper[$c];
                    if ($x >= 250 && $x < 254) {
                        $value = $pencil[$c];
                    }
                    if ($x >= 100 && $x < 106) {
                        $value = 22;
                    } elseif ($x === 99 || $x === 106) {
                        $value = (22 + $paper[$c]) / 2;
                    }
                    $channels[$c] .= chr((int) max(0, min(255, $value * $light + mt_rand(-6, 6))));
                }
            }
        }

        return array_map(fn (string $data): Plane => new Plane(400, 300, $data), $channels);
    }

    public function test_paper_goes_to_nothing_ink_to_full_and_edges_stay_grey(): void
    {
        $ink = (new ScanCleaner)->clean($this->sheet([250, 240, 215], [250, 240, 215]))->ink;
        self::assertSame(255, $ink->at(102, 150));
        self::assertSame(0, $ink->at(50, 150));
        self::assertSame(0, $ink->at(390, 280), 'the dim corner is paper too');
        $edge = $ink->at(99, 150);
        self::assertGreaterThan(40, $edge);
        self::assertLessThan(230, $edge);
        $paper = $ink->crop(new \Awning\Core\Raster\Rect(150, 0, 250, 300));
        self::assertLessThan(0.002, 1 - $paper->histogram()[0] / (250 * 300), 'noise of the paper shows');
    }

    public function test_a_blue_underdrawing_is_not_ink(): void
    {
        $ink = (new ScanCleaner)->clean($this->sheet([250, 240, 225], [120, 160, 222]))->ink;
        self::assertSame(255, $ink->at(102, 150));
        self::assertLessThan(30, $ink->at(252, 150));
    }

    public function test_levels_move_the_ends_and_never_cross(): void
    {
        $levels = new Levels(50, 150);
        $table = $levels->table();
        self::assertSame(0, ord($table[50]));
        self::assertSame(255, ord($table[150]));
        self::assertEqualsWithDelta(127.5, ord($table[100]), 1);
        $crossed = new Levels(200, 100);
        self::assertGreaterThan($crossed->paper, $crossed->ink);
    }

    public function test_specks_go_and_dots_stay(): void
    {
        $data = str_repeat("\0", 60 * 60);
        foreach ([[10, 10, 2], [30, 30, 5]] as [$x, $y, $side]) {
            for ($dy = 0; $dy < $side; $dy++) {
                $data = substr_replace($data, str_repeat("\xff", $side), ($y + $dy) * 60 + $x, $side);
            }
        }
        $kept = (new SpeckFilter(9))->drop(new Plane(60, 60, $data));
        self::assertSame(0, $kept->at(10, 10));
        self::assertSame(255, $kept->at(32, 32));
        self::assertSame(25, $kept->histogram()[255]);
    }
}

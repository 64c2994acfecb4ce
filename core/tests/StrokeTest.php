<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Brush\Brush;
use Awning\Core\Brush\Path;
use Awning\Core\Brush\StrokeMask;
use Awning\Core\Brush\StrokeRaster;
use Awning\Core\Compose\StrokeLaying;
use Awning\Core\Raster\Rect;
use PHPUnit\Framework\TestCase;

final class StrokeTest extends TestCase
{
    private Rect $page;

    protected function setUp(): void
    {
        $this->page = new Rect(0, 0, 300, 200);
    }

    /** @param  non-empty-list<array{float, float, float}>  $points */
    private function draw(array $points, Brush $brush): StrokeMask
    {
        return (new StrokeRaster)->draw(new Path($points), $brush, $this->page);
    }

    private function at(StrokeMask $mask, int $x, int $y): int
    {
        return ord($mask->cut(new Rect($x, $y, 1, 1)) ?? "\0");
    }

    public function test_a_hard_dot_covers_the_area_of_its_circle(): void
    {
        foreach ([5, 20, 77] as $size) {
            $mask = $this->draw([[100.3, 90.7, 1.0]], new Brush($size));
            $sum = array_sum(array_map(fn (int $v, int $n): int => $v * $n, array_keys(count_chars($mask->data)), count_chars($mask->data))) / 255;
            self::assertEqualsWithDelta(M_PI * ($size / 2) ** 2, $sum, 0.03 * $sum + 1, "a dot of $size px");
        }
    }

    public function test_a_stroke_that_crosses_itself_does_not_build_up(): void
    {
        $brush = new Brush(30, 0.0, 0.5);
        $once = $this->draw([[40.0, 100.0, 1.0], [200.0, 100.0, 1.0]], $brush);
        $twice = $this->draw([[40.0, 100.0, 1.0], [200.0, 100.0, 1.0], [40.0, 100.0, 1.0]], $brush);
        self::assertSame($once->cut($this->page), $twice->cut($this->page));
    }

    public function test_two_strokes_build_up_and_the_eraser_takes_away(): void
    {
        $laying = new StrokeLaying;
        $first = $laying->add(str_repeat("\0", 3), "\xff\x80\0", 0.5);
        self::assertSame([128, 64, 0], array_map(ord(...), str_split($first)));
        $second = $laying->add($first, "\xff\x80\0", 0.5);
        self::assertSame([192, 112, 0], array_map(ord(...), str_split($second)));
        self::assertSame([0, 56, 0], array_map(ord(...), str_split($laying->remove($second, "\xff\x80\xff", 1.0))));
    }

    public function test_a_soft_edge_falls_off_and_a_hard_one_does_not(): void
    {
        $line = [[40.0, 100.5, 1.0], [200.0, 100.5, 1.0]];
        $soft = $this->draw($line, new Brush(60, 0.0));
        $hard = $this->draw($line, new Brush(60, 1.0));
        self::assertSame(255, $this->at($hard, 120, 120));
        self::assertGreaterThan(20, $this->at($soft, 120, 120));
        self::assertLessThan(200, $this->at($soft, 120, 120));
        self::assertSame(0, $this->at($hard, 120, 132));
        for ($y = 101, $last = 256; $y < 131; $y++) {
            self::assertLessThanOrEqual($last, $last = $this->at($soft, 120, $y));
        }
    }

    public function test_pressure_makes_it_thicker(): void
    {
        $mask = $this->draw([[40.0, 100.0, 0.1], [240.0, 100.0, 1.0]], new Brush(40));
        $width = fn (int $x): int => array_sum(array_map(fn (int $y): int => $this->at($mask, $x, $y) > 127 ? 1 : 0, range(60, 140)));
        self::assertGreaterThan(2 * $width(60), $width(220));
    }

    public function test_smoothing_calms_a_jittery_hand_and_still_reaches_the_end(): void
    {
        $points = [];
        for ($i = 0; $i <= 100; $i++) {
            $points[] = [50.0 + 1.5 * $i, 100.0 + ($i % 2 === 0 ? 4 : -4), 1.0];
        }
        $wobble = fn (array $path): float => array_sum(array_map(fn (array $a, array $b): float => abs($a[1] - $b[1]), array_slice($path, 1, 60), array_slice($path, 0, 60)));
        $rough = (new Path($points))->followed(new Brush(10));
        $calm = (new Path($points))->followed(new Brush(10, smoothing: 0.8));
        self::assertLessThan(0.4 * $wobble($rough) / 60, $wobble($calm) / 60);
        self::assertSame([200.0, 104.0, 1.0], $calm[count($calm) - 1]);
    }

    public function test_a_stroke_off_the_page_is_cut_at_its_edge(): void
    {
        $mask = $this->draw([[-50.0, -50.0, 1.0], [20.0, 20.0, 1.0]], new Brush(50));
        self::assertSame(0, $mask->bounds->x);
        self::assertTrue($this->draw([[-500.0, -500.0, 1.0]], new Brush(50))->bounds->isEmpty());
    }

    public function test_nonsense_is_refused(): void
    {
        foreach ([fn () => new Brush(0), fn () => new Brush(NAN), fn () => new Brush(5, 2), fn () => new Path([[NAN, 0.0, 1.0]]), fn () => new Path([[0.0, 0.0, 7.0]])] as $make) {
            try {
                $make();
                self::fail('nonsense was taken');
            } catch (\RangeException $error) {
                self::assertNotSame('', $error->getMessage());
            }
        }
    }
}

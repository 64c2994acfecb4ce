<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Brush\Brush;
use Awning\Core\Brush\Grain;
use Awning\Core\Brush\LinesSvg;
use Awning\Core\Brush\Nib;
use Awning\Core\Brush\Path;
use Awning\Core\Brush\StrokeDrawing;
use Awning\Core\Brush\StrokeMask;
use Awning\Core\Brush\StrokeRaster;
use Awning\Core\Brush\TidyLines;
use Awning\Core\Colour\Rgb;
use Awning\Core\Compose\Blend\StrokeLaying;
use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Page\Drawing\InkStroke;
use Awning\Core\Raster\Rect;
use PHPUnit\Framework\Attributes\DataProvider;
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
            $sum =
                array_sum(
                    array_map(
                        fn (int $v, int $n): int => $v * $n,
                        array_keys(count_chars($mask->data)),
                        count_chars($mask->data),
                    ),
                ) / 255;
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

    public function test_a_varied_layer_is_laid_over_pixel_by_pixel_however_much_of_it_there_is(): void
    {
        $laying = new StrokeLaying;
        mt_srand(8);
        foreach ([40_003, 40_005, 9, 3] as $count) {
            $layer = $stroke = '';
            for ($i = 0; $i < $count; $i++) {
                $layer .= chr(mt_rand(0, 255));
                $stroke .= chr(mt_rand(1, 254));
            }
            $laid = $laying->add($layer, $stroke, 0.7);
            self::assertSame($count, strlen($laid));
            for ($i = 0; $i < $count; $i += $i < $count - 120 ? 53 : 1) {
                self::assertEqualsWithDelta(
                    ord($layer[$i]) + (((255 - ord($layer[$i])) * ord($stroke[$i])) / 255) * 0.7,
                    ord($laid[$i]),
                    0.51,
                    "$i of $count",
                );
            }
        }
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
        $width = fn (int $x): int => array_sum(
            array_map(fn (int $y): int => $this->at($mask, $x, $y) > 127 ? 1 : 0, range(60, 140)),
        );
        self::assertGreaterThan(2 * $width(60), $width(220));
    }

    public function test_smoothing_calms_a_jittery_hand_and_still_reaches_the_end(): void
    {
        $points = [];
        for ($i = 0; $i <= 100; $i++) {
            $points[] = [50.0 + 1.5 * $i, 100.0 + ($i % 2 === 0 ? 4 : -4), 1.0];
        }
        $wobble = fn (array $path): float => array_sum(
            array_map(
                fn (array $a, array $b): float => abs($a[1] - $b[1]),
                array_slice($path, 1, 60),
                array_slice($path, 0, 60),
            ),
        );
        $rough = (new Path($points))->followed(new Brush(10));
        $calm = (new Path($points))->followed(new Brush(10, smoothing: 0.8));
        self::assertLessThan((0.4 * $wobble($rough)) / 60, $wobble($calm) / 60);
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
        foreach (
            [
                fn () => new Brush(0),
                fn () => new Brush(NAN),
                fn () => new Brush(5, 2),
                fn () => new Path([[NAN, 0.0, 1.0]]),
                fn () => new Path([[0.0, 0.0, 7.0]]),
            ] as $make
        ) {
            try {
                $make();
                self::fail('nonsense was taken');
            } catch (\RangeException $error) {
                self::assertNotSame('', $error->getMessage());
            }
        }
    }

    private function area(StrokeMask $mask): float
    {
        return array_sum(
            array_map(
                fn (int $value, int $count): int => $value * $count,
                array_keys(count_chars($mask->data)),
                count_chars($mask->data),
            ),
        ) / 255;
    }

    /** A tap: the hand stands still while the pressure comes and goes. */
    public function test_a_tap_keeps_the_pressure_it_had(): void
    {
        $full = M_PI * 20 ** 2;
        foreach ([0.0, 0.55, 0.9] as $smoothing) {
            $tap = $this->draw(
                [[100.0, 80.0, 0.05], [100.4, 80.1, 0.5], [100.2, 80.0, 1.0], [100.0, 80.0, 0.02]],
                new Brush(40, smoothing: $smoothing),
            );
            self::assertEqualsWithDelta($full, $this->area($tap), 0.02 * $full, "steadied by $smoothing");
        }
        $way = $this->draw(
            [[60.0, 60.0, 0.2], [140.0, 60.0, 0.2], [140.3, 60.0, 1.0], [140.3, 60.0, 0.9]],
            new Brush(40),
        );
        self::assertSame(255, $this->at($way, 140, 78), 'pressed at the end of a way');
        self::assertSame(0, $this->at($way, 80, 70));
    }

    /**
     * The size of a brush is the width of a line: 1 px lays one square pixel for each pixel of the way, at any slope
     * and place. A dot is a circle softened by a pixel, so that a dot of 1 px is a full pixel where it is aimed at one.
     */
    public function test_fine_lines_have_the_width_they_say(): void
    {
        mt_srand(4);
        foreach ([1, 1.5, 2, 3, 5] as $size) {
            for ($i = 0; $i < 12; $i++) {
                [$x, $y, $angle] = [120 + mt_rand(0, 99) / 100, 100 + mt_rand(0, 99) / 100, mt_rand(0, 628) / 100];
                $line = $this->draw(
                    [
                        [$x - 60 * cos($angle), $y - 60 * sin($angle), 1.0],
                        [$x + 60 * cos($angle), $y + 60 * sin($angle), 1.0],
                    ],
                    new Brush($size),
                );
                self::assertEqualsWithDelta(
                    120 * $size,
                    $this->area($line),
                    0.03 * 120 * $size + 0.3 * $size + 1,
                    "$size px at $angle",
                );
                $dot = $this->draw([[$x, $y, 1.0]], new Brush($size));
                self::assertEqualsWithDelta(
                    M_PI * (($size / 2) ** 2 + 1 / 12),
                    $this->area($dot),
                    0.2,
                    "a dot of $size px",
                );
            }
        }
        self::assertSame(255, $this->at($this->draw([[50.5, 60.5, 1.0]], new Brush(1)), 50, 60));
    }

    public function test_the_path_follows_the_hand_by_its_steadiness(): void
    {
        $brush = new Brush(10, smoothing: 0.5);
        self::assertSame(
            [[0.0, 0.0, 1.0], [4.0, 0.0, 0.75], [6.0, 2.0, 0.625], [8.0, 4.0, 0.5]],
            (new Path([[0.0, 0.0, 1.0], [8.0, 0.0, 0.5], [8.0, 4.0, 0.5]]))->followed($brush),
        );
        // Nearer than 6 % of the brush, or half a pixel: the same place.
        self::assertCount(2, (new Path([[0.0, 0.0, 1.0], [0.45, 0.0, 1.0], [0.9, 0.0, 1.0]]))->followed(new Brush(4)));
        self::assertCount(
            3,
            (new Path([[0.0, 0.0, 1.0], [6.1, 0.0, 1.0], [12.2, 0.0, 1.0]]))->followed(new Brush(100)),
        );
        self::assertCount(
            2,
            (new Path([[0.0, 0.0, 1.0], [5.9, 0.0, 1.0], [11.8, 0.0, 1.0]]))->followed(new Brush(100)),
        );
    }

    /** Every pixel's value follows from its distance to the nearest part of the path. */
    public function test_coverage_is_a_profile_of_the_distance(): void
    {
        foreach ([[30.0, 0.0], [30.0, 0.5], [14.0, 0.8], [9.0, 1.0]] as [$size, $hardness]) {
            $mask = $this->draw([[60.0, 70.0, 0.5], [200.0, 120.0, 1.0]], new Brush($size, $hardness));
            foreach (
                [
                    [60, 70],
                    [100, 90],
                    [130, 95],
                    [140, 88],
                    [130, 108],
                    [150, 110],
                    [199, 119],
                    [205, 125],
                    [58, 66],
                    [62, 75],
                ] as [$x, $y]
            ) {
                [$px, $py] = [$x + 0.5 - 60, $y + 0.5 - 70];
                $t = max(0, min(1, ($px * 140 + $py * 50) / (140 ** 2 + 50 ** 2)));
                $distance = hypot($px - 140 * $t, $py - 50 * $t);
                // The radius at half pressure and at full, and between them in proportion along the way.
                $radius = ($size / 2) * (0.12 + 0.88 * 0.5) * (1 - $t) + ($size / 2) * $t;
                $edge = max(1.0, $radius * (1 - $hardness));
                $share = max(0, min(1, ($radius + 0.5 - $distance) / $edge));
                $value = $radius * (1 - $hardness) > 1 ? $share ** 2 * (3 - 2 * $share) : $share;
                self::assertEqualsWithDelta(
                    255 * $value,
                    $this->at($mask, $x, $y),
                    1.0,
                    "$size px, hardness $hardness, at $x, $y",
                );
            }
        }
    }

    public function test_a_stroke_needs_a_point(): void
    {
        foreach (
            [
                fn () => new Path([]),
                fn () => Path::fromPoints([]),
                fn () => Path::fromPoints([[1, 2]]),
                fn () => Path::fromPoints([['x' => 1, 'y' => 2, 'p' => 3]]),
                fn () => Path::fromPoints([[1, '2', 3]]),
                fn () => Path::fromPoints([7]),
            ] as $make
        ) {
            try {
                $make();
                self::fail('it was taken for a stroke');
            } catch (\RangeException $error) {
                self::assertMatchesRegularExpression('/\.$/', $error->getMessage());
            }
        }
        self::assertSame([[1.0, 2.5, 0.0]], Path::fromPoints([[1, 2.5, 0]])->points);
    }

    public function test_paint_is_laid_by_the_formula(): void
    {
        $layer = new Pixels(3, "\x10\x20\x30", "\x40\x50\x60", "\x70\x80\x90", "\xff\x80\x00");
        $laid = (new StrokeLaying)->paint($layer, "\x80\xff\x40", new Rgb(200, 100, 50), 0.5);
        foreach ([[0x10, 255, 0x80], [0x20, 0x80, 0xFF], [0x30, 0, 0x40]] as $i => [$under, $alpha, $stroke]) {
            [$r, , , $a] = Formula::over(
                [$under / 255, 0.0, 0.0, $alpha / 255],
                [200 / 255, 0.0, 0.0],
                ($stroke / 255) * 0.5,
                'normal',
            );
            self::assertEqualsWithDelta(255 * $r, ord($laid->red[$i]), 0.51, "pixel $i");
            self::assertEqualsWithDelta(255 * $a, ord($laid->alphas()[$i]), 0.51);
        }
    }

    /**
     * What the strokes' definition says, pixel by pixel and segment by segment.
     *
     * @param  list<array{float, float, float}>  $path
     */
    private function plainly(array $path, Brush $brush, int $x, int $y): float
    {
        $most = 0.0;
        foreach (count($path) === 1 ? $path : array_slice($path, 1) as $i => [$bx, $by, $bp]) {
            [$ax, $ay, $ap] = $path[$i];
            $length = hypot($bx - $ax, $by - $ay);
            $t =
                $length > 0
                    ? max(
                        0.0,
                        min(1.0, (($x + 0.5 - $ax) * ($bx - $ax) + ($y + 0.5 - $ay) * ($by - $ay)) / $length ** 2),
                    )
                    : 0.0;
            $radius = fn (float $pressure): float => max(0.5, ($brush->size / 2) * (0.12 + 0.88 * $pressure));
            $here = $radius($ap) + ($radius($bp) - $radius($ap)) * $t;
            $edge = $here * (1 - $brush->hardness);
            $share = max(
                0.0,
                min(
                    1.0,
                    ($here + 0.5 - hypot($x + 0.5 - $ax - ($bx - $ax) * $t, $y + 0.5 - $ay - ($by - $ay) * $t)) /
                        max(1.0, $edge),
                ),
            );
            $most = max($most, 255 * ($edge > 1 ? $share ** 2 * (3 - 2 * $share) : $share));
        }

        return $most;
    }

    public function test_any_stroke_is_the_most_of_its_segments_at_every_pixel(): void
    {
        mt_srand(21);
        $page = new Rect(0, 0, 173, 131);
        for ($round = 0; $round < 24; $round++) {
            $brush = new Brush([1, 2.5, 13, 60, 180][$round % 5], [0.0, 0.35, 0.8, 1.0][$round % 4]);
            $points = [];
            [$x, $y] = [mt_rand(-20, 190), mt_rand(-20, 150)];
            for ($i = mt_rand(0, 25); $i >= 0; $i--) {
                $points[] = [(float) ($x += mt_rand(-40, 40)), (float) ($y += mt_rand(-40, 40)), mt_rand(0, 100) / 100];
            }
            $path = new Path($points);
            $mask = (new StrokeRaster)->draw($path, $brush, $page);
            $followed = $path->followed($brush);
            for ($k = 0; $k < 300; $k++) {
                [$px, $py] = [mt_rand(0, 172), mt_rand(0, 130)];
                $inside =
                    $px >= $mask->bounds->x &&
                    $px < $mask->bounds->right() &&
                    $py >= $mask->bounds->y &&
                    $py < $mask->bounds->bottom();
                $got = $inside
                    ? ord($mask->data[($py - $mask->bounds->y) * $mask->bounds->width + $px - $mask->bounds->x])
                    : 0;
                self::assertEqualsWithDelta(
                    $this->plainly($followed, $brush, $px, $py),
                    $got,
                    0.51,
                    "round $round, pixel $px, $py",
                );
            }
        }
    }

    /** @return iterable<string, array{list<array{float, float, float}>}> */
    public static function wideStrokes(): iterable
    {
        yield 'a loop' => [
            [
                [100.0, 100.0, 1.0],
                [900.0, 200.0, 0.9],
                [1500.0, 700.0, 1.0],
                [1000.0, 1300.0, 0.95],
                [300.0, 900.0, 1.0],
            ],
        ];
        yield 'to and fro, a crease that lies' => [
            [[-900.0, 231.0, 1.0], [2700.0, 231.0, 1.0], [2700.0, 1203.0, 1.0], [-900.0, 1203.0, 1.0]],
        ];
        yield 'up and down, a crease that stands' => [
            [[417.0, -900.0, 1.0], [417.0, 2500.0, 1.0], [1391.0, 2500.0, 1.0], [1391.0, -900.0, 1.0]],
        ];
    }

    /**
     * Where two arms of a very soft stroke meet is a crease, and straight lines between looked-at pixels cut its
     * corner.
     *
     * @param  list<array{float, float, float}>  $points
     */
    #[DataProvider('wideStrokes')]
    public function test_a_wide_soft_stroke_is_right_to_two_steps(array $points): void
    {
        $brush = new Brush(1200, 0.0);
        $path = new Path($points);
        $mask = (new StrokeRaster)->draw($path, $brush, new Rect(0, 0, 1801, 1503));
        $followed = $path->followed($brush);
        mt_srand(3);
        $off = [];
        for ($k = 0; $k < 4000; $k++) {
            [$x, $y] = [mt_rand(0, 1800), mt_rand(0, 1502)];
            $got =
                $x < $mask->bounds->right() && $x >= $mask->bounds->x
                    ? ord($mask->data[($y - $mask->bounds->y) * $mask->bounds->width + $x - $mask->bounds->x])
                    : 0;
            $off[] = abs($this->plainly($followed, $brush, $x, $y) - $got);
        }
        self::assertLessThanOrEqual(2.4, max($off));
        self::assertLessThan(0.3, array_sum($off) / count($off), 'on the whole it is rounding');
    }

    public function test_a_stroke_that_would_take_too_long_is_refused_before_it_is_drawn(): void
    {
        mt_srand(5);
        $points = array_map(
            fn (): array => [(float) mt_rand(0, 4000), (float) mt_rand(0, 4000), mt_rand(0, 100) / 100],
            range(1, 4000),
        );
        $page = new Rect(0, 0, 4000, 4000);
        self::assertGreaterThan(
            10_000_000,
            strlen(str_replace("\0", '', (new StrokeRaster)->draw(new Path($points), new Brush(1200), $page)->data)),
            'a hard one is no trouble',
        );
        $this->expectExceptionMessage('Lift the pen');
        (new StrokeRaster)->draw(new Path($points), new Brush(1200, 0.0), $page);
    }

    public function test_a_drawing_is_made_once_for_a_page(): void
    {
        $drawing = new StrokeDrawing(new Path([[5.0, 5.0, 1.0]]), new Brush(4));
        $page = new Rect(0, 0, 20, 20);
        self::assertSame($drawing->on($page), $drawing->on(new Rect(0, 0, 20, 20)));
        self::assertSame(6, $drawing->on(new Rect(0, 0, 6, 20))->bounds->right(), 'another page, another drawing');
    }

    public function test_the_papers_tooth_breaks_a_line_up_where_it_lies(): void
    {
        $line = new StrokeMask(new Rect(300, 200, 200, 100), str_repeat("\xff", 20_000));
        $paper = fn (StrokeMask $mask): float => substr_count($mask->data, "\0") / strlen($mask->data);
        self::assertSame($line, Grain::on($line, 0));
        [$some, $much] = [Grain::on($line, 0.4), Grain::on($line, 1)];
        self::assertGreaterThan(0.03, $paper($some));
        self::assertGreaterThan(3 * $paper($some), $paper($much));
        self::assertLessThan(0.7, $paper($much), 'a line is still a line');
        $part = Grain::on(new StrokeMask(new Rect(350, 230, 100, 50), str_repeat("\xff", 5_000)), 0.4);
        self::assertSame($some->cut(new Rect(350, 230, 100, 50)), $part->data, 'the same paper under another line');
        $faint = Grain::on(new StrokeMask(new Rect(300, 200, 200, 100), str_repeat("\x40\x80", 10_000)), 0.4);
        foreach ([0, 777, 12_345] as $at) {
            self::assertEqualsWithDelta(
                (($at % 2 === 0 ? 0x40 : 0x80) * ord($some->data[$at])) / 255,
                ord($faint->data[$at]),
                0.51,
            );
        }
        $stroke = fn (float $grain): InkStroke => new InkStroke(
            [[20.0, 30.0, 1.0], [180.0, 30.0, 1.0]],
            20,
            grain: $grain,
        );
        $page = new Rect(0, 0, 200, 60);
        self::assertSame(Grain::on(Nib::draw($stroke(0), $page), 0.7)->data, Nib::draw($stroke(0.7), $page)->data);
    }

    public function test_lines_go_to_svg_and_back(): void
    {
        $strokes = [
            new InkStroke([[10.5, 20.25, 0.4], [60.0, 80.0, 1.0], [90.125, 20.0, 0.5]], 7.5, 0.2, 0.25),
            new InkStroke([[5.0, 6.0, 1.0]], 12.0),
        ];
        self::assertEquals($strokes, LinesSvg::read(LinesSvg::write($strokes, 300, 200)));
        self::assertSame([], LinesSvg::read(LinesSvg::write([], 300, 200)));
    }

    public function test_strokes_of_other_drawings_are_read_where_they_lie(): void
    {
        $read = fn (string $body): array => LinesSvg::read("<svg xmlns=\"http://www.w3.org/2000/svg\">$body</svg>");
        $points = fn (InkStroke $stroke): array => array_map(
            fn (array $point): array => [round($point[0], 3), round($point[1], 3)],
            $stroke->points,
        );
        [$line] = $read(
            '<g transform="translate(10 20) scale(2)" stroke-width="3"><line x1="1" y1="2" x2="5" y2="2"/></g>',
        );
        self::assertSame([[[12.0, 24.0], [20.0, 24.0]], 6.0], [$points($line), $line->weight]);
        [$turned] = $read(
            '<polyline style="fill:none; stroke-width: 4" transform="rotate(90 10 10)" points="10,10 20,10"/>',
        );
        self::assertSame([[[10.0, 10.0], [10.0, 20.0]], 4.0], [$points($turned), $turned->weight]);
        [$closed] = $read('<polygon stroke-width="2" points="0 0 9 0 9 9"/>');
        self::assertSame([0.0, 0.0], $points($closed)[3]);
        $path = $read('<path stroke-width="2" d="M10,10h20v-5L5 5zm40-4 l-1.5.5"/>');
        self::assertSame([[10.0, 10.0], [30.0, 10.0], [30.0, 5.0], [5.0, 5.0], [10.0, 10.0]], $points($path[0]));
        self::assertSame([[50.0, 6.0], [48.5, 6.5]], $points($path[1]));
        // A cubic with its handles on a circle's quarter lies on the circle to 3 parts in 10 000 (closed form: r =
        // 100).
        [$quarter] = $read('<path stroke-width="2" d="M100 0C100 55.2285 55.2285 100 0 100"/>');
        foreach ($quarter->points as [$x, $y]) {
            self::assertEqualsWithDelta(100, hypot($x, $y), 0.03);
        }
        self::assertSame(
            [],
            $read(
                '<path d="M0 0L9 9"/><rect width="9" height="9"/><script>alert(1)</script><image '
                    .'href="http://a.example/x.png"/>',
            ),
            'what has no width, and what is no line',
        );
    }

    public function test_files_that_are_no_drawings_are_refused_in_plain_words(): void
    {
        $head = '<svg xmlns="http://www.w3.org/2000/svg">';
        foreach (
            [
                'no XML' => 'lines',
                'another kind' => '<html/>',
                'cut' => "$head<g>",
                'entities' => '<!DOCTYPE svg [<!ENTITY a "b">]>'.$head.'</svg>',
                'nested' => $head.str_repeat('<g>', 60).str_repeat('</g>', 60).'</svg>',
                'far off' => $head.'<line stroke-width="2" x1="1e9" y1="0" x2="0" y2="0"/></svg>',
                'too many points' => $head
                .'<polyline stroke-width="1" points="'.str_repeat('1,1 ', 400_001).'"/></svg>',
                'too many lines' => $head.str_repeat('<line x1="1" x2="2" stroke-width="1"/>', 5001).'</svg>',
            ] as $what => $svg
        ) {
            try {
                LinesSvg::read($svg);
                self::fail("$what was read");
            } catch (\InvalidArgumentException $error) {
                self::assertMatchesRegularExpression('/Save it|Cut|Move/', $error->getMessage(), $what);
            }
        }
    }

    public function test_lines_are_made_to_meet(): void
    {
        $line = fn (array ...$points): InkStroke => new InkStroke(
            array_map(fn (array $point): array => [(float) $point[0], (float) $point[1], 1.0], $points),
            4,
        );
        $lines = [
            'wall' => $line([100, 0], [100, 200]),
            'over' => $line([10, 50], [60, 50], [106, 50]),
            'far' => $line([10, 90], [130, 90]),
            'short' => $line([96, 120], [104, 120]),
            'left' => $line([200, 40], [300, 40]),
            'right' => $line([306, 44], [400, 40]),
            'alone' => $line([320, 90], [420, 90]),
        ];
        $changed = TidyLines::proposed($lines, 10, 0);
        self::assertSame(['over'], array_keys($changed), 'thirty beyond is meant, and a dash is no overshoot');
        self::assertSame([[10.0, 50.0, 1.0], [60.0, 50.0, 1.0], [100.0, 50.0, 1.0]], $changed['over']->points);
        $other = TidyLines::proposed(['wall' => $lines['wall'], 'start' => $line([94, 50], [180, 50])], 10, 0);
        self::assertSame([[100.0, 50.0, 1.0], [180.0, 50.0, 1.0]], $other['start']->points, 'at its beginning, too');
        $changed = TidyLines::proposed($lines, 0, 9);
        self::assertSame(['left', 'right'], array_keys($changed));
        self::assertSame(
            [[303.0, 42.0], [303.0, 42.0]],
            [array_slice($changed['left']->points[1], 0, 2), array_slice($changed['right']->points[0], 0, 2)],
        );
        self::assertSame([], TidyLines::proposed($lines, 0, 5));
        self::assertEqualsCanonicalizing(['over', 'left', 'right'], array_keys(TidyLines::proposed($lines, 10, 9)));
        self::assertSame(
            [],
            TidyLines::proposed(array_replace($lines, TidyLines::proposed($lines, 10, 9)), 10, 9),
            'done once, there is nothing left',
        );
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Ink\CleanScan;
use Awning\Core\Ink\Levels;
use Awning\Core\Ink\LineWeight;
use Awning\Core\Ink\PaperFlattener;
use Awning\Core\Ink\PinholeFilter;
use Awning\Core\Ink\PlacedDrawing;
use Awning\Core\Ink\ScanCleaner;
use Awning\Core\Ink\Skew;
use Awning\Core\Ink\SpeckFilter;
use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\CleanSettings;
use Awning\Core\Page\Drawing\DrawingSource;
use Awning\Core\Page\Drawing\LineColour;
use Awning\Core\Page\Drawing\Placement;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Projection;
use Awning\Core\Raster\Warp;
use PHPUnit\Framework\TestCase;

final class InkTest extends TestCase
{
    use DrawsPlanes;

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
                $light = 1 - (0.35 * $x) / 400;
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

    public function test_levels_and_strength_have_their_ends(): void
    {
        $ends = fn (int $paper, int $ink): array => [($levels = new Levels($paper, $ink))->paper, $levels->ink];
        self::assertSame(
            [[254, 255], [254, 255], [0, 1], [9, 10]],
            [$ends(255, 300), $ends(254, 3), $ends(-4, -9), $ends(9, 9)],
        );
        $channels = $this->sheet([230, 230, 230], [230, 230, 230]);
        $flat = fn (mixed ...$more): string => (new PaperFlattener)->flatten([$channels[0]], ...$more)->darkness
            ->data;
        $paper = fn (string $data): float => array_sum(
            array_map(ord(...), str_split(substr($data, 50 * 400 + 340, 40))),
        ) / 40;
        self::assertSame($flat(), $flat(LineColour::Auto, 1.0), 'all of it, unless less is asked for');
        self::assertLessThan(14, $paper($flat()), 'paper is next to nothing');
        self::assertGreaterThan(20, $paper($flat(LineColour::Auto, 0.5)), 'half of the falling light stays');
        $colour = fn (float $strength): float => $paper(
            (new PaperFlattener)->flatten($channels, LineColour::Keep, $strength)->darkness->data,
        );
        self::assertLessThan(14, $colour(1.0));
        self::assertGreaterThan($colour(0.8) + 5, $colour(0.4));
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

    /**
     * A grey page of a level, with rectangles drawn on it.
     *
     * @param  list<array{int, int, int, int, float}>  $parts  left, top, right, bottom, and what part of the light is
     *     left there
     */
    private function page(int $width, int $height, int $paper, array $parts, int $noise = 2): Plane
    {
        mt_srand(11);
        $light = array_fill(0, $width * $height, 1.0);
        foreach ($parts as [$left, $top, $right, $bottom, $share]) {
            for ($y = max(0, $top); $y < min($height, $bottom); $y++) {
                for ($x = max(0, $left); $x < min($width, $right); $x++) {
                    $light[$y * $width + $x] *= $share;
                }
            }
        }

        return new Plane(
            $width,
            $height,
            implode(
                '',
                array_map(
                    fn (float $share): string => chr(
                        (int) max(0, min(255, $paper * $share + mt_rand(-$noise, $noise))),
                    ),
                    $light,
                ),
            ),
        );
    }

    public function test_a_hard_shadow_is_no_ink_and_a_solid_black_is(): void
    {
        $ink = (new ScanCleaner)->clean([
            $this->page(603, 407, 235, [
                [240, -1, 603, 407, 0.45],
                [30, 30, 34, 380, 0.1],
                [420, 20, 424, 390, 0.1],
                [60, 120, 200, 300, 0.1],
                [470, 80, 580, 200, 0.1],
            ]),
        ])->ink;
        foreach ([[100, 60], [237, 200], [243, 200], [300, 200], [590, 400]] as [$x, $y]) {
            self::assertSame(0, $ink->at($x, $y), "paper at $x, $y");
        }
        foreach ([[32, 200], [422, 200], [130, 210], [62, 122], [525, 140], [578, 198]] as [$x, $y]) {
            self::assertSame(255, $ink->at($x, $y), "ink at $x, $y");
        }
        self::assertLessThan(20, $ink->at(466, 140), 'no halo round a black in the shadow');
    }

    public function test_faint_pencil_is_found_with_its_filled_shapes(): void
    {
        $ink = (new ScanCleaner)->clean([
            $this->page(600, 400, 240, [[50, 30, 53, 370, 0.79], [200, 100, 300, 200, 0.79]]),
        ])->ink;
        self::assertGreaterThan(200, $ink->at(51, 200));
        self::assertGreaterThan(200, $ink->at(260, 150));
        self::assertSame(0, $ink->at(500, 200));
    }

    public function test_a_page_that_is_nearly_all_black_keeps_its_black(): void
    {
        $black = [[0, 0, 600, 60, 0.09], [0, 60, 500, 400, 0.09], [500, 100, 600, 400, 0.09]];
        $ink = (new ScanCleaner)->clean([$this->page(600, 400, 240, $black)])->ink;
        self::assertSame([255, 255, 0], [$ink->at(250, 200), $ink->at(20, 390), $ink->at(550, 80)]);
        self::assertEqualsWithDelta(236_000 / 240_000, $ink->histogram()[255] / 240_000, 0.01);
    }

    public function test_what_lies_round_a_photographed_sheet_goes_unless_it_is_wanted(): void
    {
        $page = $this->page(700, 500, 230, [
            [0, 0, 700, 60, 0.2],
            [0, 60, 90, 440, 0.2],
            [610, 60, 700, 440, 0.2],
            [0, 440, 700, 500, 0.2],
            [300, 200, 304, 300, 0.1],
            [30, 200, 34, 300, 0.1],
        ]);
        $scan = (new ScanCleaner)->clean([$page]);
        self::assertTrue($scan->edge?->isSure);
        self::assertEqualsWithDelta(
            [[90, 60], [610, 60], [610, 440], [90, 440]],
            array_map(fn (array $corner): array => [round($corner[0]), round($corner[1])], $scan->edge->corners),
            9,
        );
        self::assertSame([0, 0, 255], [$scan->ink->at(32, 250), $scan->ink->at(650, 250), $scan->ink->at(302, 250)]);
        $whole = (new ScanCleaner)->clean([$page], new CleanSettings(crop: false));
        self::assertGreaterThan(200, $whole->ink->at(32, 250));
        $black = $this->page(700, 500, 230, [
            [0, 0, 700, 60, 0.08],
            [0, 60, 90, 440, 0.08],
            [610, 60, 700, 440, 0.08],
            [0, 440, 700, 500, 0.08],
            [300, 200, 304, 300, 0.1],
        ]);
        $drawn = (new ScanCleaner)->clean([$black]);
        self::assertFalse($drawn->edge?->isSure, 'it may be a black border that was drawn');
        self::assertSame(255, $drawn->ink->at(20, 20));
    }

    /** @return list<Plane> black lines at the left, lines of a colour at the right */
    private function coloured(float $red, float $green, float $blue, float $black = 0.1): array
    {
        return array_map(
            fn (float $share): Plane => $this->page(600, 300, 235, [
                [50, 20, 55, 280, $black],
                [120, 20, 125, 280, $black],
                [400, 20, 405, 280, $share],
                [470, 20, 475, 280, $share],
            ]),
            [$red, $green, $blue],
        );
    }

    public function test_coloured_lines_are_told_by_how_dark_they_are(): void
    {
        $blue = $this->coloured(0.5, 0.72, 0.92);
        $red = $this->coloured(0.72, 0.14, 0.2);
        $at = fn (array $scan, LineColour $drop = LineColour::Auto): array => (fn (Plane $ink): array => [
            $ink->at(52, 100),
            $ink->at(402, 100) < 20 ? 0 : $ink->at(402, 100),
        ])((new ScanCleaner)->clean($scan, new CleanSettings(colours: $drop))->ink);
        self::assertSame([255, 0], $at($blue), 'a blue pencil under black ink goes');
        self::assertSame([255, 255], $at($red), 'red ink as dark as black stays');
        self::assertSame([255, 0], $at($red, LineColour::Red));
        self::assertSame([255, 0], $at($red, LineColour::All));
        self::assertSame([255, 255], $at($red, LineColour::Blue), 'blue is dropped, and this is red');
        self::assertGreaterThan(120, $at($blue, LineColour::Keep)[1]);
        self::assertGreaterThan(
            200,
            $at($this->coloured(0.5, 0.72, 0.92, 1.0))[1],
            'where blue pencil is all there is, it is the drawing',
        );
        $scan = (new ScanCleaner)->clean($red);
        self::assertSame([['red'], []], [$scan->colours->kept, $scan->colours->dropped]);
        self::assertSame(
            [[], ['blue']],
            [(new ScanCleaner)->clean($blue)->colours->kept, (new ScanCleaner)->clean($blue)->colours->dropped],
        );
        // A fifth darker than paper in one channel alone is a colour still; a tenth is paper's.
        self::assertSame(['blue'], (new ScanCleaner)->clean($this->coloured(0.8, 0.97, 0.99))->colours->dropped);
        self::assertSame([], (new ScanCleaner)->clean($this->coloured(0.9, 0.97, 0.99))->colours->dropped);
    }

    public function test_light_that_is_not_divided_out_stays(): void
    {
        $page = $this->page(600, 300, 235, [[300, -1, 600, 300, 0.6], [50, 20, 55, 280, 0.1]]);
        self::assertSame(0, (new ScanCleaner)->clean([$page])->ink->at(450, 150));
        self::assertGreaterThan(
            60,
            (new ScanCleaner)
                ->clean([$page], new CleanSettings(flatten: 0.0, paper: 40, ink: 160))
                ->ink->at(450, 150),
        );
    }

    public function test_lines_become_thicker_and_thinner_by_whole_pixels_and_keep_their_grey(): void
    {
        $row = str_repeat("\0", 20).chr(128).str_repeat("\xff", 7).str_repeat("\0", 22);
        $line = new Plane(50, 30, str_repeat($row, 30));
        $width = fn (int $pixels): array => [
            substr_count(substr((new LineWeight)->change($line, $pixels)->data, 15 * 50, 50), "\xff"),
            ord((new LineWeight)->change($line, $pixels)->data[15 * 50 + 20 - $pixels]),
        ];
        self::assertSame([7, 128], $width(0));
        foreach ([1, 2, 3, -1, -2, -3] as $pixels) {
            [$full, $grey] = $width($pixels);
            self::assertSame(7 + 2 * $pixels, $full, "by $pixels");
            self::assertEqualsWithDelta(128, $grey, 17, "the edge by $pixels");
        }
        $dot = new Plane(21, 21, substr_replace(str_repeat("\0", 441), "\xff", 10 * 21 + 10, 1));
        $grown = (new LineWeight)->change($dot, 3);
        self::assertSame(
            [0, 255, 255, 0],
            [$grown->at(6, 10), $grown->at(7, 10), $grown->at(12, 8), $grown->at(13, 7)],
            'an octagon',
        );
        self::assertSame(
            0,
            (new LineWeight)->change(new Plane(9, 3, "\xff".str_repeat("\0", 26)), 1)->at(8, 0),
            'never round to the other side',
        );
    }

    public function test_hairlines_of_two_pixels_survive_and_solid_blacks_stay_solid(): void
    {
        mt_srand(11);
        $page = $truth = '';
        for ($y = 0; $y < 500; $y++) {
            for ($x = 0; $x < 700; $x++) {
                $isInk =
                    $x === 60 ||
                    $x === 61 ||
                    $y === 40 ||
                    $y === 41 ||
                    abs(0.4 * $x - $y + 60) < 1.1 ||
                    ($x >= 480 && $y >= 100 && $y < 260);
                $truth .= $isInk ? "\1" : "\0";
                $page .= chr(max(0, ($isInk ? 45 : 232) - (int) ($x / 20) + mt_rand(-5, 5)));
            }
        }
        $plane = new Plane(700, 500, $page);
        $ink = (new ScanCleaner)->clean([$plane, $plane, $plane], new CleanSettings(turn: 0.0))->ink->data;
        [$lost, $false] = [0, 0];
        for ($at = 0; $at < 700 * 500; $at++) {
            $lost += $truth[$at] === "\1" && ord($ink[$at]) < 128 ? 1 : 0;
            $false += $truth[$at] === "\0" && ord($ink[$at]) >= 128 ? 1 : 0;
        }
        self::assertSame([0, 0], [$lost, $false]);
    }

    public function test_pinholes_in_solid_black_are_filled_and_gaps_of_hatching_stay(): void
    {
        $data = str_repeat("\xff", 60 * 40);
        foreach ([[20, 10, 2, 1], [40, 10, 4, 3]] as [$x, $y, $w, $h]) {
            for ($line = 0; $line < $h; $line++) {
                $data = substr_replace($data, str_repeat("\0", $w), ($y + $line) * 60 + $x, $w);
            }
        }
        // Two hairlines, two pixels apart, with a gap of two pixels between.
        for ($y = 25; $y < 40; $y++) {
            $data = substr_replace($data, str_repeat("\0", 60), $y * 60, 60);
        }
        for ($y = 30; $y < 34; $y++) {
            $data = substr_replace(
                $data,
                $y === 31 || $y === 32 ? "\xff\xff\0\0\xff\xff" : str_repeat("\xff", 6),
                $y * 60 + 20,
                6,
            );
        }
        $filled = (new PinholeFilter(4))->fill(new Plane(60, 40, $data));
        self::assertSame(
            [255, 255, 0, 0],
            [$filled->at(20, 10), $filled->at(21, 10), $filled->at(42, 11), $filled->at(22, 31)],
        );
        self::assertSame($data, (new PinholeFilter(0))->fill(new Plane(60, 40, $data))->data);
    }

    public function test_a_page_askew_is_set_straight_by_its_borders(): void
    {
        $bars = str_repeat("\0", 500 * 380);
        $sides = [[40, 40, 460, 44], [40, 336, 460, 340], [40, 40, 44, 340], [456, 40, 460, 340]];
        foreach ($sides as [$left, $top, $right, $bottom]) {
            for ($y = $top; $y < $bottom; $y++) {
                $bars = substr_replace($bars, str_repeat("\xff", $right - $left), $y * 500 + $left, $right - $left);
            }
        }
        $straight = new Plane(500, 380, $bars);
        self::assertSame(0.0, abs((float) Skew::of($straight)));
        foreach ([-4.7, -0.6, 1.35, 8.2] as $degrees) {
            $turned = Warp::plane($straight, Projection::turn($degrees, 250, 190), 500, 380);
            self::assertEqualsWithDelta($degrees, Skew::of($turned), 0.1);
            $scan = new Plane(
                500,
                380,
                strtr(
                    $turned->data,
                    implode('', array_map(chr(...), range(0, 255))),
                    implode('', array_map(fn (int $v): string => chr(240 - intdiv(220 * $v, 255)), range(0, 255))),
                ),
            );
            $clean = (new ScanCleaner)->clean([$scan]);
            self::assertEqualsWithDelta(-$degrees, $clean->turned, 0.1);
            self::assertGreaterThan(
                200,
                min($clean->ink->at(60, 42), $clean->ink->at(440, 42), $clean->ink->at(42, 320)),
                "straight again after $degrees",
            );
            self::assertSame(0.0, (new ScanCleaner)->clean([$scan], new CleanSettings(turn: 0.0))->turned);
        }
        $loose = new Plane(90, 90, substr_replace(str_repeat("\0", 8100), str_repeat("\xff", 9), 4000, 9));
        self::assertNull(Skew::of($loose), 'nothing to tell by');
        // Lines one way are enough, across or down; a stroke that is short for the page is not.
        $line = fn (int $length, int $thick): Plane => Warp::plane(
            $this->drawn(900, 400, fn (int $x, int $y): bool => abs($x - 450) < $length && abs($y - 200) < $thick),
            Projection::turn(2.0, 450, 200),
            900,
            400,
        );
        self::assertEqualsWithDelta(2.0, Skew::of($line(300, 4)), 0.1, 'across');
        self::assertEqualsWithDelta(2.0, Skew::of($line(4, 150)), 0.1, 'down');
        self::assertNull(Skew::of($line(70, 4)), 'a stroke across');
        self::assertNull(Skew::of($line(4, 35)), 'a stroke down');
    }

    public function test_hard_ink_has_no_grey(): void
    {
        $ink = (new ScanCleaner)->clean(
            $this->sheet([250, 240, 215], [250, 240, 215]),
            new CleanSettings(hard: true),
        )->ink;
        self::assertSame(400 * 300, $ink->histogram()[0] + $ink->histogram()[255]);
        self::assertGreaterThan(0, $ink->histogram()[255]);
    }

    public function test_settings_go_to_data_and_back_and_are_bounded(): void
    {
        $settings = new CleanSettings(
            flatten: 0.4,
            paper: 33,
            ink: 144,
            weight: -2,
            specks: 21,
            pinholes: 17,
            colours: LineColour::Red,
            turn: 1.25,
            hard: true,
            crop: false,
        );
        self::assertEquals($settings, CleanSettings::fromData(new Data($settings->toData())));
        self::assertEquals(new CleanSettings, CleanSettings::fromData(new Data([])));
        self::assertEquals(
            new CleanSettings(
                flatten: 0.4,
                paper: 33,
                ink: 144,
                weight: -2,
                specks: 21,
                pinholes: 17,
                colours: LineColour::Red,
                turn: 0.0,
                hard: true,
                crop: false,
            ),
            $settings->unturned(),
        );
        foreach (
            [
                ['weight' => 4],
                ['specks' => -1],
                ['turn' => 16],
                ['flatten' => 1.1],
                ['colours' => 'mauve'],
                ['paper' => 3],
                ['pinholes' => 401],
            ] as $bad
        ) {
            try {
                CleanSettings::fromData(new Data($bad));
                self::fail(json_encode($bad).' was taken');
            } catch (\InvalidArgumentException) {
                $this->addToAssertionCount(1);
            }
        }
    }

    public function test_a_sheet_seen_from_aside_is_found_with_a_shadow_across_it(): void
    {
        mt_srand(5);
        $corners = [[120, 60], [520, 90], [580, 430], [90, 410]];
        $data = '';
        for ($y = 0; $y < 480; $y++) {
            for ($x = 0; $x < 680; $x++) {
                $inside = true;
                foreach ($corners as $i => [$ax, $ay]) {
                    [$bx, $by] = $corners[($i + 1) % 4];
                    $inside = $inside && ($bx - $ax) * ($y - $ay) - ($by - $ay) * ($x - $ax) >= 0;
                }
                $level = $inside ? 230 : 50 + mt_rand(-12, 12);
                $level *= $x + $y / 2 > 520 ? 0.5 : 1;
                $data .= chr((int) ($inside && abs($x - 300) < 2 && $y > 150 && $y < 330 ? 25 : $level));
            }
        }
        $scan = (new ScanCleaner)->clean([new Plane(680, 480, $data)], new CleanSettings(turn: 0.0));
        self::assertTrue($scan->edge?->isSure);
        foreach ($corners as $i => [$x, $y]) {
            self::assertLessThan(
                14,
                hypot($scan->edge->corners[$i][0] - $x, $scan->edge->corners[$i][1] - $y),
                "corner $i",
            );
        }
        self::assertSame(
            [0, 0, 255, 0],
            [$scan->ink->at(40, 240), $scan->ink->at(650, 460), $scan->ink->at(300, 240), $scan->ink->at(500, 200)],
        );
    }

    public function test_the_smallest_and_the_plainest_pictures_are_cleaned_without_complaint(): void
    {
        mt_srand(1);
        foreach ([[1, 1], [1, 7], [7, 1], [3, 2], [17, 16], [100, 3]] as [$width, $height]) {
            foreach (
                [
                    str_repeat("\0", $width * $height),
                    str_repeat("\xff", $width * $height),
                    implode('', array_map(fn (): string => chr(mt_rand(0, 255)), range(1, $width * $height))),
                ] as $data
            ) {
                foreach ([1, 3] as $channels) {
                    $scan = (new ScanCleaner)->clean(
                        array_fill(0, $channels, new Plane($width, $height, $data)),
                        new CleanSettings(0.5, weight: 2, specks: 0, turn: 7.0, hard: true),
                    );
                    self::assertSame([$width, $height], [$scan->ink->width, $scan->ink->height]);
                }
            }
        }
    }

    public function test_levels_that_are_given_are_taken_and_what_was_found_is_told(): void
    {
        $page = $this->page(200, 100, 240, [[50, 20, 60, 80, 0.1], [120, 50, 122, 51, 0.1]]);
        $scan = (new ScanCleaner)->clean([$page], new CleanSettings(paper: 33, ink: 144, turn: 0.0));
        self::assertSame([33, 144], [$scan->levels->paper, $scan->levels->ink]);
        self::assertSame([1, 0.0, null], [$scan->specks, $scan->turned, $scan->edge], 'one speck of two pixels');
        self::assertEqualsWithDelta(600 / 20_000, $scan->share(), 1e-9);
        self::assertFalse($scan->isNearlyEmpty());
        self::assertTrue((new ScanCleaner)->clean([$this->page(200, 100, 240, [])])->isNearlyEmpty());
        self::assertNotSame(
            33,
            (new ScanCleaner)->clean([$page], new CleanSettings(turn: 0.0))->levels->paper,
            'measured',
        );
        $plain = new CleanScan($page, new Levels(1, 2), new Plane(2, 1, "\0\xff"));
        self::assertSame([0.5, 0.0, 0], [$plain->share(), $plain->turned, $plain->specks]);
        self::assertTrue(
            (new CleanScan(
                $page,
                new Levels(1, 2),
                new Plane(10_000, 1, str_repeat("\0", 9_996).'abcd'),
            ))->isNearlyEmpty(),
        );
        self::assertFalse(
            (new CleanScan(
                $page,
                new Levels(1, 2),
                new Plane(10_000, 1, str_repeat("\0", 9_994).'abcdef'),
            ))->isNearlyEmpty(),
        );
    }

    public function test_what_lies_under_the_levels_is_turned_and_placed_as_the_ink_is(): void
    {
        $page = $this->page(400, 300, 240, [
            [40, 40, 360, 44, 0.1],
            [40, 256, 360, 260, 0.1],
            [40, 40, 44, 260, 0.1],
            [356, 40, 360, 260, 0.1],
        ]);
        $askew = Warp::plane(
            $page->mapped(implode('', array_map(fn (int $v): string => chr(255 - $v), range(0, 255)))),
            Projection::turn(2.5, 200, 150),
            400,
            300,
        );
        $scan = (new ScanCleaner)->clean([
            $askew->mapped(implode('', array_map(fn (int $v): string => chr(min(240, 255 - $v)), range(0, 255)))),
        ]);
        $placed = PlacedDrawing::of($scan, new CleanSettings, new DrawingSource(7, 'Frame'));
        self::assertSame(
            [400, 300, 0.0, 7, 'Frame'],
            [
                $placed->size->width,
                $placed->size->height,
                $placed->size->dpi,
                $placed->drawing->original,
                $placed->drawing->name,
            ],
        );
        foreach ([[200, 42], [42, 150], [358, 150], [200, 258]] as [$x, $y]) {
            self::assertGreaterThan(
                150,
                min($placed->lines->at($x, $y), $placed->darkness->at($x, $y)),
                "the frame at $x, $y",
            );
        }
        self::assertSame([0, 0], [$placed->lines->at(200, 150), $placed->darkness->at(200, 150)]);
        $moved = PlacedDrawing::of(
            $scan,
            new CleanSettings,
            new DrawingSource(7, 'Frame'),
            $placed->size,
            new Placement(210, 160),
        );
        self::assertGreaterThan(150, min($moved->lines->at(210, 52), $moved->darkness->at(210, 52)));
        self::assertSame(0, $moved->lines->at(300, 42));
    }

    public function test_a_pencil_that_shows_in_every_channel_is_taken_out_of_all_three(): void
    {
        // Grey-blue: a fifth dark even where it is lightest, so that no one channel is free of it.
        $ink = (new ScanCleaner)->clean($this->coloured(0.45, 0.55, 0.8))->ink;
        self::assertSame(255, $ink->at(52, 100));
        self::assertLessThan(80, $ink->at(402, 100));
    }
}

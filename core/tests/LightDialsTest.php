<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Light\Emission\KeyLight;
use Awning\Core\Light\Plan\RoughDials;
use Awning\Core\Light\RoughIn;
use Awning\Core\Light\Scene;
use Awning\Core\Light\Shadow\CastShadow;
use Awning\Core\Light\Shadow\FadedEdge;
use Awning\Core\Light\Shadow\GroundShadow;
use Awning\Core\Light\Shadow\ShadowCasters;
use Awning\Core\Light\Shadow\UnseenLines;
use Awning\Core\Page\Data;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Each dial of a first light moves what it says, on a ball in closed form. */
final class LightDialsTest extends TestCase
{
    use DrawsLabels;

    /** A ball of 92.8 about 112, 108; light from the right, 30 degrees up. */
    private static function ball(RoughDials $dials): RoughIn
    {
        return RoughIn::of(
            self::drawn(221, 221, fn (int $x, int $y): int => hypot($x - 112, $y - 108) <= 92.3 ? 700 : 0),
            new KeyLight(0, 30),
            $dials,
        );
    }

    /**
     * The cosine between the ball and the light so far to the right of its middle; between it and half-way from light
     * to reader.
     */
    private static function cosine(int $x, float $degrees = 30): float
    {
        $aside = ($x - 112) / 92.8;

        return $aside * cos(deg2rad($degrees)) + sqrt(1 - $aside * $aside) * sin(deg2rad($degrees));
    }

    private static function eased(float $part): float
    {
        $part = max(0.0, min(1.0, $part));

        return $part * $part * (3 - 2 * $part);
    }

    /**
     * @return iterable<string, array{string, RoughDials, float, float, float}> the pass, where it is nothing and all as
     *     cosines, and how high the light stands
     */
    public static function passes(): iterable
    {
        yield 'shade' => ['shade', new RoughDials(soft: 0.5, reach: 0.3), 0.55, 0.05, 30];
        yield 'deep shade' => [
            'deep',
            new RoughDials(soft: 0.1, reach: 0.3, deepFrom: 0.6, deepSoft: 0.7),
            0.05,
            -0.65,
            30,
        ];
        yield 'deep shade, nearer and harder' => [
            'deep',
            new RoughDials(soft: 0.5, reach: -0.1, deepFrom: 0.2, deepSoft: 0.3),
            -0.15,
            -0.45,
            30,
        ];
        yield 'bounce' => ['bounce', new RoughDials(reach: 0.2, bounceFrom: 0.1, bounceOver: 0.9), 0.1, -0.8, 30];
        yield 'bounce, later' => [
            'bounce',
            new RoughDials(reach: -0.1, bounceFrom: 0.5, bounceOver: 0.3),
            -0.6,
            -0.9,
            30,
        ];
        yield 'light' => ['light', new RoughDials(lit: 0.4, litSoft: 0.75), 0.3, 0.9, 30];
        yield 'light, harder' => ['light', new RoughDials(lit: 0.6, litSoft: 0.25), 0.25, 0.55, 30];
        yield 'glint' => ['glint', new RoughDials(glint: 0.2, glintSoft: 0.5), 0.7, 0.9, 60];
        yield 'glint, softer' => ['glint', new RoughDials(glint: 0.25, glintSoft: 0.9), 0.525, 0.975, 60];
        yield 'lines' => ['lines', new RoughDials(lines: 1, linesFrom: -0.4), -0.4, 0.8, 30];
    }

    #[DataProvider('passes')]
    public function test_a_pass_begins_and_is_full_where_its_dials_say(
        string $name,
        RoughDials $dials,
        float $nothing,
        float $all,
        float $degrees,
    ): void {
        $plane = self::ball($dials)->{$name};
        assert($plane instanceof Plane);
        foreach (range(36, 186, 10) as $x) {
            $cosine = self::cosine($x, $degrees);
            // A cosine is kept in steps of 1/127: the steeper the edge, the more that is.
            self::assertEqualsWithDelta(
                255 * self::eased(($cosine - $nothing) / ($all - $nothing)),
                $plane->at($x, 108),
                6 + 6 / abs($all - $nothing),
                "$name at $x",
            );
        }
    }

    public function test_a_light_or_a_glint_of_no_size_is_none(): void
    {
        $none = str_repeat("\0", 221 * 221);
        $rough = self::ball(new RoughDials(lit: 0, litSoft: 1, glint: 0, glintSoft: 1));
        self::assertSame([$none, $none], [$rough->light->data, $rough->glint->data]);
        self::assertNotSame($none, self::ball(new RoughDials)->glint->data);
    }

    public function test_corners_are_as_wide_and_as_dark_as_their_dials_say(): void
    {
        // Two bars of 60 side by side; at both ends of the page they go on.
        $labels = self::drawn(130, 90, fn (int $x): int => $x < 5 || $x >= 125 ? 0 : ($x < 65 ? 3 : 8));
        $corner = fn (float $wide, float $dark, int $x): int => RoughIn::of(
            $labels,
            new KeyLight(90, 60),
            new RoughDials(corners: $wide, cornersDark: $dark),
        )->occlusion->at($x, 45);
        foreach ([[0.22, 0.85], [0.5, 0.85], [0.5, 0.3]] as [$wide, $dark]) {
            foreach ([64, 60, 50] as $x) {
                // Distances are told at half the size.
                $away = intdiv(65 - $x, 2) * 2 + 0.5;
                self::assertEqualsWithDelta(
                    255 * $dark * exp(-(($away / ($wide * 30)) ** 2)),
                    $corner($wide, $dark, $x),
                    26 * $dark,
                    "$wide, $dark at $x",
                );
            }
        }
        self::assertSame(0, $corner(0.5, 0, 64));
    }

    public function test_a_rim_is_inside_as_well_by_its_dial(): void
    {
        // Two bars side by side, the light behind at the right: the left one's right edge lies beside the other.
        $labels = self::drawn(
            150,
            80,
            fn (int $x, int $y): int => $y < 5 || $y >= 75 || $x < 5 || $x >= 145 ? 0 : ($x < 75 ? 3 : 8),
        );
        $rims = fn (float $inside): array => (fn (Plane $rim): array => [
            $rim->at(71, 40),
            $rim->at(142, 40),
            $rim->at(8, 40),
        ])(RoughIn::of($labels, new KeyLight(180, 30), new RoughDials(rim: 9, rimInside: $inside))->rim);
        [$inner, $outer, $lit] = $rims(1);
        self::assertGreaterThan(180, $inner);
        self::assertEqualsWithDelta($outer, $inner, 8, 'all of it');
        self::assertEqualsWithDelta([0.4 * $inner, $outer, 0], $rims(0.4), 1);
        self::assertSame([0, $outer, $lit], $rims(0), 'on silhouettes only');
    }

    public function test_a_soft_shadow_fades_to_its_outline_and_is_full_up_to_what_throws_it(): void
    {
        // A wall right across, rows 40 to 70; light from above: the shadow goes 60 further down.
        foreach ([1, 4, 9, 24] as $soft) {
            $shadow = CastShadow::of(
                self::shape(131, 173, fn (int $x, int $y): bool => $y >= 40 && $y < 70),
                new KeyLight(90, 20),
                60,
                $soft,
            );
            foreach ([60, 69, 70, 90, 106, 117, 122, 126, 128, 131, 140] as $y) {
                $expected = $y < 70 ? 0 : 255 * self::eased((130 - $y - 0.5) / $soft);
                self::assertEqualsWithDelta($expected, $shadow->at(65, $y), 24, "$soft at $y");
            }
            self::assertSame(
                str_repeat("\0", 131 * 70),
                substr($shadow->data, 0, 131 * 70),
                'no dark on what throws it, nor before it',
            );
        }
        // Hard, it has the edge it always had.
        $wall = self::shape(60, 90, fn (int $x, int $y): bool => $y >= 20 && $y < 30 && $x < 40);
        self::assertSame(
            CastShadow::of($wall, new KeyLight(70, 20), 30)->data,
            CastShadow::of($wall, new KeyLight(70, 20), 30, 0.9)->data,
        );
    }

    public function test_a_part_of_a_page_has_the_soft_shadow_that_the_whole_has_there(): void
    {
        $page = new Rect(0, 0, 211, 187);
        $nearer = self::shape(
            211,
            187,
            fn (int $x, int $y): bool => hypot($x - 60, $y - 50) < 30 || ($x > 150 && $x < 171 && $y < 120),
        );
        $before = self::shape(211, 187, fn (int $x, int $y): bool => $y > 20 + $x / 3 && $y < 40 + $x / 3);
        $floor = self::shape(
            211,
            187,
            fn (int $x, int $y): bool => ! (hypot($x - 60, $y - 50) < 30 || ($x > 150 && $x < 171 && $y < 120)),
        );
        foreach ([
            [125, 46.0, 5.0, 14.0],
            [70, 30.0, 17.0, 61.0],
            [200, 80.0, 2.0, 33.0],
            [215, 62.0, 24.0, 33.0],
        ] as [$azimuth, $length, $soft, $reach]) {
            $throwers = new ShadowCasters($nearer, $before, GroundShadow::of($nearer, $floor, $reach));
            $on = fn (Rect $where): Plane => $throwers->on($where, new KeyLight($azimuth, 40), $length, $soft) ??
                Plane::filled($where->width, $where->height, 0);
            $whole = $on($page);
            self::assertLessThan(strlen($whole->data), strspn($whole->data, "\0"));
            foreach ([
                [0, 0, 97, 61],
                [97, 61, 114, 126],
                [41, 66, 1, 1],
                [31, 70, 23, 29],
                [130, 101, 60, 31],
            ] as [$x, $y, $width, $height]) {
                self::assertSame(
                    $whole->crop(new Rect($x, $y, $width, $height))->data,
                    $on(new Rect($x, $y, $width, $height))->data,
                    "$azimuth, part at $x, $y",
                );
            }
        }
    }

    public function test_a_part_of_a_shape_fades_as_it_does_in_the_whole(): void
    {
        $page = new Rect(0, 0, 211, 187);
        $shape = self::shape(211, 187, fn (int $x, int $y): bool => hypot($x - 90, $y - 80) < 70 || $x > 150);
        foreach ([3.0, 11.0, 42.0] as $over) {
            $whole = FadedEdge::of($shape, $over);
            foreach (
                [[60, 60, 9, 13], [95, 30, 41, 22], [0, 0, 50, 90], [190, 101, 21, 86]] as [$x, $y, $width, $height]
            ) {
                $part = new Rect($x, $y, $width, $height);
                $around = FadedEdge::around($part, $over)->intersect($page);
                self::assertSame(
                    $whole->crop($part)->data,
                    FadedEdge::of($shape->crop($around), $over)->crop(
                        new Rect($x - $around->x, $y - $around->y, $width, $height),
                    )->data,
                    "$over, part at $x, $y",
                );
            }
        }
    }

    public function test_what_stands_close_before_throws_a_shadow_that_is_shorter_and_harder(): void
    {
        $none = Plane::filled(90, 160, 0);
        $brim = self::shape(90, 160, fn (int $x, int $y): bool => $y >= 20 && $y < 40);
        $all = new Rect(0, 0, 90, 160);
        self::assertSame(
            CastShadow::of($brim, new KeyLight(90, 40), 20, 8)->data,
            (new ShadowCasters($none, $brim))->on($all, new KeyLight(90, 40), 50, 20)?->data,
        );
        self::assertSame(
            CastShadow::of($brim, new KeyLight(90, 40), 50, 20)->data,
            (new ShadowCasters($brim, $none))->on($all, new KeyLight(90, 40), 50, 20)?->data,
        );
    }

    public function test_what_stands_on_something_darkens_it_at_its_soles(): void
    {
        // A post with an arm and a ledge to the right, 100 high: its soles are its lowest 8; beside it one that hangs
        // over the edge of the ground, and one that goes on below the page.
        $standing = self::shape(
            400,
            200,
            fn (int $x, int $y): bool => ($x >= 100 && $x < 120 && $y >= 60 && $y < 160) ||
                ($x >= 120 && $x < 150 && (($y >= 80 && $y < 90) || ($y >= 142 && $y < 149))) ||
                ($x >= 300 && $x < 320 && $y >= 20 && $y < 40) ||
                ($x >= 380 && $y >= 150),
        );
        $ground = self::shape(400, 200, fn (int $x, int $y): bool => $y >= 50 && $standing->at($x, $y) === 0);
        foreach ([12.0, 60.0] as $reach) {
            $dark =
                GroundShadow::of($standing, $ground, $reach)->on(new Rect(0, 0, 400, 200)) ??
                self::fail('nothing is dark');
            // Below the middle, to either side, and where it ends; it lies three times as wide as high.
            foreach ([
                [110, 0.3, 0.0],
                [110, 0.8, 0.0],
                [119, 0.1, 0.5],
                [100, 0.1, -0.7],
                [119, 0.3, 0.4],
            ] as [$x, $down, $aside]) {
                $at = [(int) round($x + $aside * $reach), (int) round(160 + ($down * $reach) / 3)];
                $across = max(0.0, 100 - $at[0] - 0.5, $at[0] + 0.5 - 120) / $reach;
                self::assertEqualsWithDelta(
                    255 * max(0, 1 - $across ** 2 - ((($at[1] + 0.5 - 160) * 3) / $reach) ** 2) ** 2,
                    $dark->at(...$at),
                    22,
                    "$reach: $at[0], $at[1]",
                );
            }
            self::assertSame([0, 0], [$dark->at(110, 159), $dark->at(105, 155)], 'not what stands there');
            self::assertSame(
                [0, 0, 0],
                [$dark->at(135, 91), $dark->at(310, 41), $dark->at(375, 190)],
                'not under an arm, nor where there is no ground',
            );
            self::assertSame(0, $dark->at(110, (int) (162 + $reach / 3 + $reach / 5)), 'and there it ends');
        }
        self::assertSame(
            0,
            GroundShadow::of($standing, $ground, 12)->on(new Rect(0, 0, 400, 200))?->at(135, 150),
            'nor under a ledge above the soles',
        );
        self::assertNull(GroundShadow::of($standing, $ground, 12)->on(new Rect(160, 100, 100, 90)));
        self::assertNull(GroundShadow::of($standing, Plane::filled(400, 200, 0), 60)->on(new Rect(0, 0, 400, 200)));
    }

    public function test_each_dial_is_kept_under_its_name_and_held_to_its_range(): void
    {
        $data = [];
        foreach (RoughDials::RANGES as $name => [$least, $most]) {
            // All different: none is taken for another.
            $data[$name] = $least + (($most - $least) * (count($data) + 1)) / 30;
        }
        $dials = RoughDials::fromData(new Data($data));
        self::assertEquals($data, $dials->toData());
        $smaller = $dials->smaller(4);
        foreach ($data as $name => $value) {
            self::assertEqualsWithDelta(
                in_array($name, ['cast', 'castSoft', 'ground', 'rim', 'glow', 'snowSize'], true) ? $value / 4 : $value,
                $smaller->{$name},
                1e-12,
                $name,
            );
        }
        foreach (RoughDials::RANGES as $name => [$least, $most, $usual]) {
            self::assertSame($usual, (new RoughDials)->{$name});
            foreach ([$least - 0.01, $most + 0.01, NAN] as $beyond) {
                try {
                    new RoughDials(...[$name => $beyond]);
                    self::fail("$name was $beyond");
                } catch (\RangeException $e) {
                    self::assertStringContainsString("$name runs from", $e->getMessage());
                }
            }
        }
        self::assertSame(
            [0.4, 0.2],
            [
                RoughDials::fromData(new Data(['soft' => 0.4]))->deepSoft,
                RoughDials::fromData(new Data(['soft' => 0.4, 'deepSoft' => 0.2]))->deepSoft,
            ],
            'kept before there was one',
        );
    }

    public function test_dark_in_the_place_of_lines_is_as_wide_and_soft_as_they_were(): void
    {
        // An upright line of 8 px, and one of 3 that is half covered; by the bell's integral. At twice the resolution
        // all is twice as large.
        $bell = fn (float $from, float $to, float $at, float $sigma): float => (self::erf(
            ($to - $at) / $sigma / M_SQRT2,
        ) -
            self::erf(($from - $at) / $sigma / M_SQRT2)) /
            2;
        foreach ([[300.0, 1], [0.0, 1], [600.0, 2]] as [$dpi, $large]) {
            $rows = '';
            for ($x = 0; $x < 160 * $large; $x++) {
                $rows .=
                    $x >= 50 * $large && $x < 58 * $large
                        ? "\xff"
                        : ($x >= 110 * $large && $x < 113 * $large
                            ? "\x80"
                            : "\0");
            }
            $unseen = new UnseenLines(new Plane(160 * $large, 90, str_repeat($rows, 90)), $dpi);
            $soft = $unseen->on(new Rect(0, 0, 160 * $large, 90)) ?? self::fail('no dark');
            foreach ([40, 46, 50, 54, 57, 61, 66, 104, 111, 116, 140] as $x) {
                $middle = $x + 0.5 / $large;
                $expected =
                    255 * min(1.0, ($bell(50, 58, $middle, 4) + (128 / 255) * $bell(110, 113, $middle, 4)) / 0.68);
                self::assertEqualsWithDelta($expected, $soft->at($x * $large, 45), 12, "$dpi at $x");
            }
            foreach ([[41, 20, 30, 25], [96 * $large, 3, 21, 60], [53, 44, 1, 1]] as [$x, $y, $width, $height]) {
                $part = new Rect($x, $y, $width, $height);
                self::assertSame(
                    bin2hex($soft->crop($part)->data),
                    bin2hex($unseen->on($part)->data ?? str_repeat("\0", $width * $height)),
                    "$dpi, part at $x, $y",
                );
            }
            self::assertNull($unseen->on(new Rect(0, 10, 20, 20)));
        }
    }

    /** Abramowitz and Stegun 7.1.26, from memory: off by 1.5e-7 at the most. */
    private static function erf(float $x): float
    {
        $t = 1 / (1 + 0.3275911 * abs($x));
        $y =
            1 -
            ((((1.061405429 * $t - 1.453152027) * $t + 1.421413741) * $t - 0.284496736) * $t + 0.254829592) *
                $t *
                exp(-$x * $x);

        return $x < 0 ? -$y : $y;
    }

    /** @return iterable<string, array{callable(int, int): int, array<int, int>}> labels on 900 × 800 px, and bodies */
    public static function worked(): iterable
    {
        yield 'two regions, which are one body by the dial for folds' => [
            fn (int $x, int $y): int => hypot(($x - 440) / 380, ($y - 400) / 330) <= 1 ? ($y < 430 ? 3 : 5) : 0,
            [3 => 3, 5 => 3],
        ];
        yield 'what lies about a hole of some shape' => [
            fn (int $x, int $y): int => $x > 30 && abs($x - 560 - 40 * sin($y / 31)) > 110 ? 7 : 0,
            [],
        ];
    }

    /**
     * @param  callable(int, int): int  $label
     * @param  array<int, int>  $bodies
     */
    #[DataProvider('worked')]
    public function test_what_is_worked_out_small_is_true_to_the_border_of_a_body(callable $label, array $bodies): void
    {
        $labels = self::drawn(900, 800, $label);
        $rough = RoughIn::of($labels, new KeyLight(180, 10), new RoughDials(folds: 0.35), new Scene($bodies), 9_000);
        // The light is at the left: where a body ends toward the right it lies in shade, to its last pixels.
        $lit = [];
        for ($y = 200; $y < 600; $y++) {
            for ($x = 300; $x < 890; $x++) {
                if (
                    $labels->at($x, $y) !== 0 &&
                    $labels->at($x + 1, $y) === 0 &&
                    ($rough->shade->at($x, $y) < 250 || $rough->light->at($x, $y) > 0)
                ) {
                    $lit[] = "$x, $y: {$rough->shade->at($x, $y)}";
                }
            }
        }
        self::assertSame([], $lit);
    }

    public function test_the_dark_of_a_touch_that_lies_aslant_has_no_steps(): void
    {
        $labels = self::drawn(
            900,
            700,
            fn (int $x, int $y): int => $x < 20 || $x >= 880 || $y < 20 || $y >= 680
                ? 0
                : ($y < 250 + 0.23 * $x
                    ? 3
                    : 8),
        );
        $occlusion = RoughIn::of($labels, new KeyLight(90, 40), new RoughDials(corners: 0.1), new Scene, 9_000)
            ->occlusion;
        $along = array_map(fn (int $x): int => $occlusion->at($x, (int) round(250 + 0.23 * $x) - 8), range(200, 700));
        self::assertLessThan(65, max($along) - min($along));
        self::assertGreaterThan(110, min($along));
    }

    public function test_lines_that_are_not_shown_darken_bodies_alone(): void
    {
        $labels = self::drawn(60, 50, fn (int $x): int => $x < 30 ? 0 : 4);
        $line = new Plane(60, 50, str_repeat("\x90", 3000));
        $rough = fn (?\Closure $unseen): string => RoughIn::of(
            $labels,
            new KeyLight(90, 40),
            new RoughDials,
            new Scene(unseen: $unseen),
        )->unseen->data;
        self::assertSame(
            str_repeat(str_repeat("\0", 30).str_repeat("\x90", 30), 50),
            $rough(fn (Rect $part): Plane => $line->crop($part)),
        );
        self::assertSame(str_repeat("\0", 3000), $rough(null));
        self::assertSame(str_repeat("\0", 3000), $rough(fn (): ?Plane => null));
    }
}

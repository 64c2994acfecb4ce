<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Colour\ColourBalance;
use Awning\Core\Colour\Derivation;
use Awning\Core\Colour\Difference;
use Awning\Core\Colour\Lab;
use Awning\Core\Colour\Lch;
use Awning\Core\Colour\LinearRgb;
use Awning\Core\Colour\Oklab;
use Awning\Core\Colour\Oklch;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\ShadeHue;
use Awning\Core\Colour\Shift;
use Awning\Core\Colour\Tone;
use Awning\Core\Colour\ToneRule;
use PHPUnit\Framework\TestCase;

final class ColourTest extends TestCase
{
    public function test_every_space_leads_back_to_the_colour_it_came_from(): void
    {
        for ($i = 0; $i < 216; $i++) {
            $rgb = new Rgb(($i % 6) * 51, (intdiv($i, 6) % 6) * 51, intdiv($i, 36) * 51);
            self::assertEquals($rgb, Lab::of($rgb)->toRgb(), "Lab of $rgb");
            self::assertEquals($rgb, Lch::of($rgb)->toRgb(), "LCh of $rgb");
            self::assertEquals($rgb, Oklab::of($rgb)->toRgb(), "Oklab of $rgb");
            self::assertEquals($rgb, LinearRgb::of($rgb)->toRgb(), "linear light of $rgb");
        }
    }

    public function test_a_colour_outside_the_gamut_keeps_lightness_and_hue(): void
    {
        $shown = Lch::of((new Lch(60, 140, 250))->toRgb());
        self::assertEqualsWithDelta(60, $shown->l, 1.0);
        self::assertEqualsWithDelta(250, $shown->h, 3.0);
    }

    public function test_hex_is_read_strictly(): void
    {
        self::assertSame('#d9a441', Rgb::fromHex('D9A441')->hex());
        foreach (['#fff', 'd9a44', '#d9a4411', "d9a441\n", 'd9a44g', ''] as $bad) {
            try {
                Rgb::fromHex($bad);
                self::fail("'$bad' was taken for a colour");
            } catch (\InvalidArgumentException $error) {
                self::assertStringContainsString('six hexadecimal digits', $error->getMessage());
            }
        }
    }

    public function test_derived_tones_run_from_dark_to_light(): void
    {
        $rule = new ToneRule;
        foreach (['#c98d6b', '#e0a93a', '#a9a8a2', '#41667a', '#b9463c', '#20242a', '#f0e4c6'] as $base) {
            $tones = $rule->complete(['base' => Rgb::fromHex($base)]);
            $lightness = array_map(fn (Tone $tone): float => Lab::of($tones[$tone->value])->l, [
                Tone::Deep,
                Tone::Shade,
                Tone::Base,
                Tone::Light,
                Tone::Glint,
            ]);
            $sorted = $lightness;
            sort($sorted);
            self::assertSame($sorted, $lightness, "tones of $base");
            self::assertLessThan($lightness[2] + 0.001, Lab::of($tones['line'])->l, "line of $base");
        }
    }

    /** Common practice: shadows go to the hue opposite to the light's. */
    public function test_the_shadow_turns_away_from_the_hue_of_the_light(): void
    {
        $yellow = new ToneRule(Rgb::fromHex('#ffe08a'));
        $blue = new ToneRule(Rgb::fromHex('#9cc4ff'));
        $grey = Rgb::fromHex('#808080');
        self::assertLessThan(0, Lab::of($yellow->derive(Tone::Shade, $grey))->b, 'yellow light, bluish shadow');
        self::assertGreaterThan(0, Lab::of($blue->derive(Tone::Shade, $grey))->b, 'blue light, yellowish shadow');
    }

    public function test_a_pinned_tone_is_left_alone(): void
    {
        $tones = (new ToneRule)->complete(['base' => Rgb::fromHex('#c98d6b'), 'shade' => Rgb::fromHex('#123456')]);
        self::assertSame('#123456', $tones['shade']->hex());
    }

    /** Each rule worked out a second time, from what the class says of itself. */
    public function test_every_tone_follows_its_rule(): void
    {
        $dials = new Derivation(turn: 0.3, shade: 0.8, deep: 0.65, chroma: 1.2, light: 0.25, glint: 0.6, pull: 0.2);
        foreach ([
            ['#ffe4b0', ShadeHue::Opposite],
            ['#9cc4ff', ShadeHue::Opposite],
            ['#ffe4b0', ShadeHue::Blue],
        ] as [$lightHex, $toward]) {
            $lit = Oklab::of(Rgb::fromHex($lightHex));
            $rule = new ToneRule(Rgb::fromHex($lightHex), $dials->with(['toward' => $toward->value]));
            $hue = $toward === ShadeHue::Blue ? deg2rad(258) : atan2(-$lit->b, -$lit->a);
            foreach (['#c98d6b', '#6a7480', '#b0a898', '#5a4a40'] as $hex) {
                $base = Rgb::fromHex($hex);
                $down = function (Rgb $from, float $kept) use ($hue): Rgb {
                    $lab = Oklab::of($from);

                    return (new Oklab(
                        $lab->l * $kept,
                        0.7 * 1.2 * $lab->a + 0.03 * cos($hue),
                        0.7 * 1.2 * $lab->b + 0.03 * sin($hue),
                    ))->fitted();
                };
                $up = function (Rgb $from, float $way) use ($lit): Rgb {
                    $lab = Oklab::of($from);

                    return (new Oklab(
                        $lab->l + (min(0.985, $lit->l) - $lab->l) * $way,
                        0.8 * $lab->a + 0.2 * $lit->a,
                        0.8 * $lab->b + 0.2 * $lit->b,
                    ))->fitted();
                };
                $lab = Oklab::of($base);
                self::assertEquals(
                    [
                        'deep' => $down($down($base, 0.8), 0.65),
                        'shade' => $down($base, 0.8),
                        'base' => $base,
                        'light' => $up($base, 0.25),
                        'glint' => $up($up($base, 0.25), 0.6),
                        'line' => (new Oklab(0.38 * $lab->l, 0.6 * $lab->a, 0.6 * $lab->b))->fitted(),
                    ],
                    $rule->complete(['base' => $base]),
                    "$hex under $lightHex",
                );
            }
        }
        $this->expectException(\InvalidArgumentException::class);
        (new ToneRule)->complete(['shade' => new Rgb(1, 2, 3)]);
    }

    /**
     * All of sRGB in steps of 15, its corners and greys among them, under three lights and at the ends of the dials.
     */
    public function test_ramps_rise_in_lightness_from_any_base(): void
    {
        $rules = [
            new ToneRule,
            new ToneRule(
                Rgb::fromHex('#24305a'),
                new Derivation(
                    toward: ShadeHue::Blue,
                    turn: 0.8,
                    shade: 0.97,
                    deep: 0.98,
                    chroma: 2.0,
                    light: 0.05,
                    glint: 0.05,
                    pull: 0.5,
                ),
            ),
            new ToneRule(
                Rgb::fromHex('#ff8000'),
                new Derivation(turn: 0.0, shade: 1.0, deep: 1.0, light: 0.0, glint: 0.0),
            ),
        ];
        $wrong = [];
        for ($i = 0; $i < 18 ** 3; $i++) {
            $base = new Rgb(($i % 18) * 15, (intdiv($i, 18) % 18) * 15, intdiv($i, 324) * 15);
            foreach ($rules as $n => $rule) {
                $l = array_map(
                    fn (Rgb $tone): float => Oklab::of($tone)->l,
                    array_slice($rule->complete(['base' => $base]), 0, 5),
                );
                if (
                    ! (
                        $l['deep'] <= $l['shade'] &&
                        $l['shade'] <= $l['base'] &&
                        $l['base'] <= $l['light'] &&
                        $l['light'] <= $l['glint']
                    )
                ) {
                    $wrong[] = "$base by rule $n";
                }
            }
        }
        self::assertSame([], $wrong);
    }

    public function test_what_srgb_cannot_show_loses_chroma_and_keeps_its_hue_and_lightness(): void
    {
        mt_srand(4);
        for ($i = 0; $i < 300; $i++) {
            $wanted = new Oklch(mt_rand(25, 90) / 100, mt_rand(5, 45) / 100, mt_rand(0, 3599) / 10);
            $got = Oklch::of($wanted->toRgb());
            self::assertEqualsWithDelta($wanted->l, $got->l, 0.006, "lightness of $wanted->l $wanted->c $wanted->h");
            self::assertLessThan($wanted->c + 0.006, $got->c);
            $turn = abs(fmod($got->h - $wanted->h + 540, 360) - 180);
            self::assertLessThan(0.007, deg2rad($turn) * $got->c, "hue of $wanted->l $wanted->c $wanted->h");
        }
        $inside = Rgb::fromHex('#c98d6b');
        self::assertEquals($inside, Oklch::of($inside)->toRgb());
    }

    public function test_dials_are_held_to_their_ranges(): void
    {
        $dials = new Derivation(turn: 0.4);
        self::assertSame(
            [0.4, 0.9, 'blue'],
            [
                $dials->with(['shade' => 0.9])->turn,
                $dials->with(['shade' => 0.9])->shade,
                $dials->with(['toward' => 'blue'])->toData()['toward'],
            ],
        );
        self::assertEquals($dials, (new Derivation)->with($dials->toData()));
        foreach (['turn' => 0.81, 'shade' => 0.2, 'pull' => NAN] as $name => $value) {
            try {
                $dials->with([$name => $value]);
                self::fail("$name may be $value");
            } catch (\RangeException $error) {
                self::assertStringContainsString("'$name'", $error->getMessage());
            }
        }
    }

    /** Some of the pairs of Sharma, Wu and Dalal 2005 (from memory; all 34 are among the reference tests). */
    public function test_colour_differences_are_those_of_ciede2000(): void
    {
        foreach (
            [
                [[50, 2.6772, -79.7751], [50, 0, -82.7485], 2.0425],
                [[50, -1, 2], [50, 0, 0], 2.3669],
                [[50, 2.49, -0.001], [50, -2.49, 0.0011], 7.2195],
                [[50, -0.001, 2.49], [50, 0.0009, -2.49], 4.8045],
                [[50, 2.5, 0], [73, 25, -18], 27.1492],
                [[50, 2.5, 0], [56, -27, -3], 31.903],
                [[60.2574, -34.0099, 36.2677], [60.4626, -34.1751, 39.4387], 1.2644],
                [[22.7233, 20.0904, -46.694], [23.0331, 14.973, -42.5619], 2.0373],
                [[90.8027, -2.0831, 1.441], [91.1528, -1.6435, 0.0447], 1.4441],
                [[2.0776, 0.0795, -1.135], [0.9033, -0.0636, -0.5514], 0.9082],
            ] as [$a, $b, $difference]
        ) {
            self::assertEqualsWithDelta($difference, Difference::ciede2000(new Lab(...$a), new Lab(...$b)), 0.0001);
            self::assertEqualsWithDelta($difference, Difference::ciede2000(new Lab(...$b), new Lab(...$a)), 0.0001);
        }
    }

    /** IEC 61966-2-1 and CIE 15: the corners of the cube in Lab under D50 (from memory). */
    public function test_known_colours_have_their_known_coordinates(): void
    {
        foreach (
            [
                '#ffffff' => [100, 0, 0],
                '#000000' => [0, 0, 0],
                '#ff0000' => [54.29, 80.81, 69.89],
                '#00ff00' => [87.82, -79.27, 80.99],
                '#0000ff' => [29.57, 68.3, -112.03],
                '#808080' => [53.59, 0, 0],
            ] as $hex => [$l, $a, $b]
        ) {
            $lab = Lab::of(Rgb::fromHex($hex));
            foreach ([[$l, $lab->l], [$a, $lab->a], [$b, $lab->b]] as [$expected, $found]) {
                self::assertEqualsWithDelta($expected, $found, 0.03, $hex);
            }
        }
        $red = Oklab::of(new Rgb(255, 0, 0));
        self::assertEqualsWithDelta(0.62796, $red->l, 0.0005);
        self::assertEqualsWithDelta(0.22486, $red->a, 0.0005);
        self::assertEqualsWithDelta(0.12585, $red->b, 0.0005);
        self::assertEqualsWithDelta(0.21404, LinearRgb::of(new Rgb(127, 0, 0))->red + 0.0018, 0.002);
        self::assertSame(
            [0x12, 0x34, 0x56, 0x123456],
            [...Rgb::fromHex('123456')->parts(), Rgb::fromHex('123456')->number()],
        );
        self::assertSame('#00ff80', (string) Rgb::fromUnit(-0.2, 1.7, 0.5));
        $this->expectException(\RangeException::class);
        new Rgb(0, 256, 0);
    }

    public function test_a_shift_moves_only_what_it_says(): void
    {
        foreach (['#e0a93a', '#345678', '#804020'] as $hex) {
            $from = Oklab::of(Rgb::fromHex($hex));
            $polar = fn (Rgb $colour): array => [
                Oklab::of($colour)->l,
                hypot(Oklab::of($colour)->a, Oklab::of($colour)->b),
                rad2deg(atan2(Oklab::of($colour)->b, Oklab::of($colour)->a)),
            ];
            [$l, $c, $h] = $polar(Rgb::fromHex($hex));
            [$lighter, $same, $alike] = $polar((new Shift(0.06, 1, 0))->of(Rgb::fromHex($hex)));
            self::assertEqualsWithDelta([$l + 0.06, $c, $h], [$lighter, $same, $alike], 0.6, $hex);
            self::assertEqualsWithDelta($l + 0.06, $lighter, 0.004);
            self::assertEqualsWithDelta($c / 2, $polar((new Shift(0, 0.5, 0))->of(Rgb::fromHex($hex)))[1], 0.004);
            self::assertEqualsWithDelta($from->l, $polar((new Shift(0, 0.6, 120))->of(Rgb::fromHex($hex)))[0], 0.004);
            $turned = $polar((new Shift(0, 0.6, 40))->of(Rgb::fromHex($hex)))[2];
            self::assertEqualsWithDelta(0, fmod($turned - $h - 40 + 540, 360) - 180, 2.5, $hex);
        }
        self::assertSame('#ffffff', (new Shift(0.5, 2, 10))->of(Rgb::fromHex('#eeeeee'))->hex());
    }

    /** What sRGB cannot show keeps lightness and hue and loses chroma, over the whole cube. */
    public function test_a_shift_that_leaves_the_gamut_loses_chroma_alone(): void
    {
        for ($i = 0; $i < 400; $i++) {
            $colour = new Rgb(($i * 37) % 256, ($i * 91 + 13) % 256, ($i * 151 + 7) % 256);
            $from = Oklab::of($colour);
            $to = Oklab::of((new Shift(0.1, 2, 0))->of($colour));
            self::assertEqualsWithDelta(min(1.0, $from->l + 0.1), $to->l, 0.012, $colour->hex());
            if (hypot($from->a, $from->b) > 0.04 && hypot($to->a, $to->b) > 0.04) {
                self::assertEqualsWithDelta(
                    1,
                    ($from->a * $to->a + $from->b * $to->b) / hypot($from->a, $from->b) / hypot($to->a, $to->b),
                    0.01,
                    $colour->hex(),
                );
            }
        }
    }

    public function test_a_balance_alters_each_channel_by_its_own_amounts_as_its_tables_do(): void
    {
        $balance = new ColourBalance([0.3, -0.2, 0.1], [0.05, 0.15, -0.25], [-0.1, 0.2, 0.4]);
        $tables = $balance->tables();
        foreach ([[0, 0, 0], [255, 255, 255], [30, 140, 220], [200, 90, 10]] as $bytes) {
            $altered = $balance->of([$bytes[0] / 255, $bytes[1] / 255, $bytes[2] / 255]);
            foreach ($bytes as $channel => $byte) {
                self::assertEqualsWithDelta(ord($tables[$channel][$byte]), 255 * $altered[$channel], 0.5 + 1e-9);
            }
        }
        self::assertSame([0.3, 0.0, 0.1], $balance->of([0.0, 0.0, 0.0]), 'black takes what is added to the darks');
        $white = array_map(fn (float $v): float => round($v, 9), $balance->of([1.0, 1.0, 1.0]));
        self::assertSame([0.9, 1.0, 1.0], $white);
    }
}

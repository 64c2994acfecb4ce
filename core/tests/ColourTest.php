<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Colour\Lab;
use Awning\Core\Colour\Lch;
use Awning\Core\Colour\LinearRgb;
use Awning\Core\Colour\Oklab;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Colour\ToneRule;
use PHPUnit\Framework\TestCase;

final class ColourTest extends TestCase
{
    public function test_every_space_leads_back_to_the_colour_it_came_from(): void
    {
        for ($i = 0; $i < 216; $i++) {
            $rgb = new Rgb($i % 6 * 51, intdiv($i, 6) % 6 * 51, intdiv($i, 36) * 51);
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
            $lightness = array_map(fn (Tone $tone): float => Lab::of($tones[$tone->value])->l, [Tone::Deep, Tone::Shade, Tone::Base, Tone::Light, Tone::Glint]);
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
}

<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Colour\ColourBalance;
use Awning\Core\Grade\Likeness;
use Awning\Core\Grade\PictureTones;
use Awning\Core\Page\Pass\BalanceContent;
use Awning\Core\Page\Pass\CurveContent;
use Awning\Core\Raster\Paint;
use Awning\Core\Sheet\Export\GradedPicture;
use PHPUnit\Framework\TestCase;

/** What is measured of pictures, and layers that bring one near another. */
final class GradeTest extends TestCase
{
    /**
     * A ramp from dark to light with some colour in it, each pixel changed by a rule.
     *
     * @param  callable(list<float>): list<float>  $rule  of red, green and blue, 0..255
     */
    private static function picture(callable $rule, int $width = 161, int $height = 97, string $alpha = "\xff"): Paint
    {
        mt_srand(11);
        $planes = ['', '', ''];
        for ($i = 0; $i < $width * $height; $i++) {
            $light = 20 + (200 * ($i % $width)) / $width;
            $pixel = $rule([$light + mt_rand(-15, 15), $light + mt_rand(-15, 15), $light + mt_rand(-15, 15)]);
            foreach ($pixel as $channel => $value) {
                $planes[$channel] .= chr((int) max(0, min(255, round($value))));
            }
        }

        return new Paint($width, $height, ...[...$planes, str_repeat($alpha, $width * $height)]);
    }

    private static function tones(Paint $picture): PictureTones
    {
        $tones = PictureTones::of($picture);
        self::assertNotNull($tones);

        return $tones;
    }

    /** @return array{CurveContent, BalanceContent} */
    private static function contents(Paint $from, Paint $to): array
    {
        [$curve, $balance] = Likeness::layers(self::tones($from), self::tones($to));
        self::assertInstanceOf(CurveContent::class, $curve->content);
        self::assertInstanceOf(BalanceContent::class, $balance->content);

        return [$curve->content, $balance->content];
    }

    public function test_a_picture_that_is_like_the_other_already_is_left_as_it_is(): void
    {
        $picture = self::picture(fn (array $pixel): array => $pixel);
        [$curve, $balance] = self::contents($picture, $picture);
        foreach ($curve->points as [$from, $to]) {
            self::assertEqualsWithDelta($from, $to, 0.005);
        }
        foreach ([...$balance->darks, ...$balance->middle, ...$balance->lights] as $added) {
            self::assertEqualsWithDelta(0.0, $added, 0.01);
        }
    }

    public function test_lightness_goes_where_the_other_picture_has_it(): void
    {
        $picture = self::picture(fn (array $pixel): array => $pixel);
        $dim = self::picture(fn (array $pixel): array => array_map(fn (float $v): float => 0.5 * $v, $pixel));
        $shares = [0.1, 0.4, 0.6, 0.9];
        $wanted = self::tones($dim)->lightnessAt($shares);
        $graded = (new GradedPicture)->of($picture, Likeness::layers(self::tones($picture), self::tones($dim)));
        foreach (self::tones($graded)->lightnessAt($shares) as $i => $light) {
            self::assertEqualsWithDelta($wanted[$i], $light, 0.02, "share $shares[$i]");
        }
        [$curve] = self::contents($picture, $dim);
        // Neither steeper than three nor flatter than a tenth, whatever the other picture is.
        $blackAndWhite = fn (float $v): float => $v < 110 ? 0 : 255;
        $stark = self::picture(fn (array $pixel): array => array_map($blackAndWhite, $pixel));
        [$stark] = self::contents($picture, $stark);
        foreach ([$curve, $stark] as $one) {
            $inner = array_slice($one->points, 1, -1);
            for ($i = 1; $i < count($inner); $i++) {
                $slope = ($inner[$i][1] - $inner[$i - 1][1]) / ($inner[$i][0] - $inner[$i - 1][0]);
                self::assertLessThanOrEqual(3.001, $slope);
                $isAtEnd = in_array(1.0, [$inner[$i][1], 1 - $inner[$i - 1][1]], true);
                self::assertTrue($slope >= 0.099 || $isAtEnd, (string) $slope);
            }
            self::assertSame([0.0, 1.0], [$one->points[0][0], $one->points[count($one->points) - 1][0]]);
        }
    }

    public function test_each_band_takes_the_colour_of_its_own_band(): void
    {
        $picture = self::picture(fn (array $pixel): array => $pixel);
        $bluish = self::picture(function (array $pixel): array {
            $dark = max(0, 1 - array_sum($pixel) / 3 / 128);

            return [$pixel[0] - 12 * $dark, $pixel[1] - 4 * $dark, $pixel[2] + 50 * $dark];
        });
        [, $balance] = self::contents($picture, $bluish);
        self::assertGreaterThan(0.05, $balance->darks[2] - $balance->darks[0], 'darks turn blue');
        self::assertLessThan(
            0.5 * ($balance->darks[2] - $balance->darks[0]),
            abs($balance->lights[2] - $balance->lights[0]),
            'lights less than half as much',
        );
        $warm = self::picture(fn (array $pixel): array => [$pixel[0] + 20, $pixel[1], $pixel[2] - 25]);
        $graded = (new GradedPicture)->of($picture, Likeness::layers(self::tones($picture), self::tones($warm)));
        $apart = function (Paint $one) use ($warm): float {
            $sum = 0.0;
            foreach (self::tones($warm)->bands() as $i => $band) {
                $is = self::tones($one)->bands()[$i]->colour;
                $sum += hypot($is->a - $band->colour->a, $is->b - $band->colour->b);
            }

            return $sum;
        };
        self::assertLessThan(0.15 * $apart($picture), $apart($graded));
    }

    public function test_what_is_transparent_does_not_count(): void
    {
        self::assertNull(PictureTones::of(self::picture(fn (array $pixel): array => $pixel, alpha: "\x7f")));
        $half = new Paint(2, 1, "\x00\xff", "\x00\xff", "\x00\xff", "\x00\x80");
        self::assertSame([1.0, 1.0], self::tones($half)->lightnessAt([0.3, 1.0]));
    }

    public function test_bands_count_what_is_as_light_as_they_are(): void
    {
        // A dark red pixel, a light blue one, and two of a grey between them.
        $four = new Paint(4, 1, "\x40\xc0\x80\x80", "\x10\xd0\x80\x80", "\x10\xff\x80\x80", "\xff\xff\xff\xff");
        [$darks, $middle, $lights] = self::tones($four)->bands();
        self::assertEqualsWithDelta(1.0, $darks->share + $middle->share + $lights->share, 1e-9);
        self::assertGreaterThan($lights->colour->a, $darks->colour->a);
        self::assertLessThan($darks->colour->b, $lights->colour->b);
        self::assertTrue($darks->colour->l < $middle->colour->l && $middle->colour->l < $lights->colour->l);
        foreach ([0.0, 0.3, 1.0] as $value) {
            self::assertEqualsWithDelta(1.0, array_sum(ColourBalance::weights($value)), 1e-12);
        }
        self::assertSame([1.0, 0.0, 0.0], ColourBalance::weights(0.0));
    }

    public function test_a_picture_of_one_colour_can_be_measured_and_brought_near(): void
    {
        [$black, $grey] = [Paint::solid(9, 7, [0, 0, 0]), Paint::solid(9, 7, [90, 120, 150])];
        foreach ([[$black, $grey], [$grey, $black], [$grey, $grey]] as [$from, $to]) {
            [$curve, $balance] = self::contents($from, $to);
            self::assertGreaterThanOrEqual(2, count($curve->points));
            self::assertLessThanOrEqual(0.6, max(array_map(abs(...), [...$balance->darks, ...$balance->lights])));
        }
    }

    public function test_the_strength_is_the_opacity_of_both_layers(): void
    {
        $tones = self::tones(self::picture(fn (array $pixel): array => $pixel));
        [$curve, $balance] = Likeness::layers($tones, $tones, 0.4);
        self::assertSame([0.4, 0.4], [$curve->opacity, $balance->opacity]);
        [$curve, $balance] = Likeness::layers($tones, $tones);
        self::assertSame([1.0, 1.0], [$curve->opacity, $balance->opacity]);
    }
}

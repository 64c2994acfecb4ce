<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Colour\Oklch;
use Awning\Core\Light\Emission\KeyLight;
use Awning\Core\Light\Rainbow;
use Awning\Core\Page\Data;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\GradientContent;
use Awning\Core\Raster\Rect;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Where a rainbow stands, against the angle between rays of a pinhole camera. */
final class RainbowTest extends TestCase
{
    private static function bow(KeyLight $light, PageSize $page, ?Rect $picture = null): GradientContent
    {
        $bow = Rainbow::of($light, $picture ?? new Rect(0, 0, $page->width, $page->height), $page);

        return $bow instanceof GradientContent ? $bow : self::fail($bow);
    }

    /** @return iterable<string, array{float, float, int, int}> azimuth and elevation of the light, the page */
    public static function lights(): iterable
    {
        yield 'from above, upright page' => [90, 40, 1000, 1400];
        yield 'from above, wide page' => [90, 55, 1500, 1000];
        yield 'from the upper left' => [140, 35, 1000, 1400];
        yield 'from the lower right' => [300, 30, 1200, 1200];
        yield 'from the reader, nearly' => [20, 85, 800, 1600];
    }

    #[DataProvider('lights')]
    public function test_the_bow_lies_42_degrees_from_the_point_opposite_to_the_light(
        float $azimuth,
        float $elevation,
        int $width,
        int $height,
    ): void {
        $light = new KeyLight($azimuth, $elevation);
        $bow = self::bow($light, new PageSize($width, $height));
        [$right, $up, $near] = $light->direction;
        // A picture 60 degrees wide: so many px it lies before the eye.
        $focal = $width / 2 / tan(deg2rad(30));
        $degrees = function (float $x, float $y) use ($right, $up, $near, $focal, $width, $height): float {
            // Right, up and toward the reader, of a ray that leaves the eye.
            $ray = [$x - $width / 2, $height / 2 - $y, -$focal];
            $length = sqrt($ray[0] ** 2 + $ray[1] ** 2 + $ray[2] ** 2);

            $cosine = -($ray[0] * $right + $ray[1] * $up + $ray[2] * $near) / $length;

            return rad2deg(acos(max(-1.0, min(1.0, $cosine))));
        };
        [$fromX, $fromY] = [$bow->from[0] * $width, $bow->from[1] * $height];
        self::assertEqualsWithDelta(0, $degrees($fromX, $fromY), 1e-4, 'the middle is opposite to the light');
        [$toX, $toY] = [$bow->to[0] * $width, $bow->to[1] * $height];
        $wanted = [39.6, 40.6, 41.0, 41.4, 41.8, 42.4, 43.4];
        foreach ($bow->stops as $i => $stop) {
            $found = $degrees($fromX + $stop->at * ($toX - $fromX), $fromY + $stop->at * ($toY - $fromY));
            self::assertEqualsWithDelta($wanted[$i], $found, 1e-4);
        }
        // There it comes nearest to the middle of the page: on the line from there through it.
        $cross = ($width / 2 - $fromX) * ($toY - $fromY) - ($height / 2 - $fromY) * ($toX - $fromX);
        self::assertEqualsWithDelta(0, $cross / $width ** 2, 1e-6);
    }

    public function test_red_is_outside_and_violet_inside_and_both_fade(): void
    {
        $bow = self::bow(new KeyLight(90, 40), new PageSize(1000, 1400));
        self::assertSame([true, true], [$bow->isRound, $bow->isOklab]);
        $hues = array_map(fn ($stop): float => Oklch::of($stop->colour)->h, array_slice($bow->stops, 1, 5));
        // Violet, blue, green, yellow, red: hues fall all the way.
        for ($i = 1; $i < 5; $i++) {
            self::assertLessThan($hues[$i - 1], $hues[$i]);
        }
        self::assertSame([0.0, 0.0, 1.0], [$bow->stops[0]->alpha, $bow->stops[6]->alpha, $bow->stops[6]->at]);
        self::assertEquals($bow, GradientContent::fromData(new Data($bow->toData())));
    }

    public function test_a_panel_has_the_bow_of_a_page_of_its_size(): void
    {
        $light = new KeyLight(60, 35);
        $alone = self::bow($light, new PageSize(400, 500));
        $panel = self::bow($light, new PageSize(1000, 1400), new Rect(200, 300, 400, 500));
        foreach (['from', 'to'] as $end) {
            self::assertEqualsWithDelta(
                [200 + 400 * $alone->{$end}[0], 300 + 500 * $alone->{$end}[1]],
                [1000 * $panel->{$end}[0], 1400 * $panel->{$end}[1]],
                1e-6,
            );
        }
        self::assertEquals($alone->stops, $panel->stops);
        // The same light has no bow in a panel that is wide and flat.
        $flat = Rainbow::of(new KeyLight(90, 90), new Rect(200, 300, 400, 60), new PageSize(1000, 1400));
        self::assertIsString($flat);
    }

    public function test_it_says_why_there_is_none(): void
    {
        $page = new PageSize(1000, 1400);
        foreach ([7.9, 0.0, -20.0] as $low) {
            self::assertStringContainsString('from the side or from behind', (string) self::why($low, 90, $page));
        }
        self::assertNull(self::why(40, 90, $page));
        // From the side it would stand beside an upright page, and still on a wide one.
        $strip = new PageSize(2000, 300);
        self::assertStringContainsString('outside of the picture', (string) self::why(8.5, 90, $strip));
        self::assertNull(self::why(8.5, 90, new PageSize(1000, 1700)));
        // Its middle is more than four heights of a strip away, though the bow crosses the strip.
        self::assertStringContainsString('too far away', (string) self::why(48, 90, new PageSize(2000, 300)));
        // The whole page lies inside of the bow.
        self::assertStringContainsString('outside of the picture', (string) self::why(90, 0, new PageSize(1000, 900)));
        self::assertNull(self::why(90, 0, new PageSize(1000, 1700)));
    }

    private static function why(float $elevation, float $azimuth, PageSize $page): ?string
    {
        $whole = new Rect(0, 0, $page->width, $page->height);
        $bow = Rainbow::of(new KeyLight($azimuth, $elevation), $whole, $page);

        return is_string($bow) ? $bow : null;
    }
}

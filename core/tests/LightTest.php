<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Light\BorderDistance;
use Awning\Core\Light\Inflation;
use Awning\Core\Light\KeyLight;
use Awning\Core\Light\RoughIn;
use Awning\Core\Raster\Labels;
use PHPUnit\Framework\TestCase;

/** Bodies from flat shapes, against spheres and cylinders in closed form; and the light on them. */
final class LightTest extends TestCase
{
    private const SIDE = 221;

    /** @param  callable(int, int): int  $label */
    private static function drawn(int $width, int $height, callable $label): Labels
    {
        $data = '';
        for ($y = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                $data .= pack('n', $label($x, $y));
            }
        }

        return new Labels($width, $height, $data);
    }

    /** A disc a little off the middle, of a radius that fits no grid. */
    private static function disc(int $label = 700): Labels
    {
        return self::drawn(self::SIDE, self::SIDE, fn (int $x, int $y): int => hypot($x - 112, $y - 108) <= 92.3 ? $label : 0);
    }

    public function test_distances_are_those_of_the_definition(): void
    {
        mt_srand(3);
        $blobs = array_map(fn (): array => [mt_rand(0, 40), mt_rand(0, 30), mt_rand(3, 11), mt_rand(1, 3) * 255], range(1, 9));
        $labels = self::drawn(41, 31, function (int $x, int $y) use ($blobs): int {
            $label = 0;
            foreach ($blobs as [$bx, $by, $radius, $one]) {
                $label = hypot($x - $bx, $y - $by) < $radius ? $one : $label;
            }

            return $label;
        });
        $squared = BorderDistance::squared($labels);
        foreach ($squared as $at => $found) {
            [$x, $y] = [$at % 41, intdiv($at, 41)];
            $least = PHP_INT_MAX;
            for ($other = 0; $other < 41 * 31; $other++) {
                if ($labels->at($other % 41, intdiv($other, 41)) !== $labels->at($x, $y)) {
                    $least = min($least, ($x - $other % 41) ** 2 + ($y - intdiv($other, 41)) ** 2);
                }
            }
            self::assertSame($least, $found, "at $x, $y");
        }
        // The rim of the picture is no border.
        self::assertGreaterThan(1e8, min(BorderDistance::squared(self::drawn(7, 5, fn (): int => 4))));
    }

    /**
     * @param  callable(int, int): ?array{float, float, float}  $truth  null where it is not compared
     * @return array{float, float} mean and 95th percentile of the angle between the two, degrees
     */
    private static function off(Inflation $bodies, callable $truth): array
    {
        $angles = [];
        foreach ($bodies->x as $at => $x) {
            $true = $truth($at % $bodies->width, intdiv($at, $bodies->width));
            if ($true !== null) {
                $y = $bodies->y[$at];
                $z = sqrt(max(0.0, 1 - $x * $x - $y * $y));
                $angles[] = rad2deg(acos(max(-1.0, min(1.0, $x * $true[0] + $y * $true[1] + $z * $true[2]))));
            }
        }
        sort($angles);

        return [array_sum($angles) / count($angles), $angles[(int) (0.95 * count($angles))]];
    }

    public function test_a_disc_becomes_a_sphere(): void
    {
        [$mean, $most] = self::off(Inflation::of(self::disc()), function (int $x, int $y): ?array {
            $far = hypot($x - 112, $y - 108) / 92.8;

            return $far > 0.985 ? null : [($x - 112) / 92.8, -($y - 108) / 92.8, sqrt(1 - $far ** 2)];
        });
        self::assertLessThan(1.2, $mean);
        self::assertLessThan(3.5, $most);
    }

    /** Lying askew, and going on beyond the picture. */
    public function test_a_bar_becomes_a_cylinder(): void
    {
        foreach ([0.0, 27.0, 61.0, 90.0] as $turn) {
            [$right, $down] = [-sin(deg2rad($turn)), cos(deg2rad($turn))];
            $across = fn (int $x, int $y): float => ($x - 110) * $right + ($y - 110) * $down;
            $bodies = Inflation::of(self::drawn(self::SIDE, self::SIDE, fn (int $x, int $y): int => abs($across($x, $y)) <= 47 ? 9 : 0));
            [$mean, $most] = self::off($bodies, function (int $x, int $y) use ($across, $right, $down): ?array {
                $far = $across($x, $y) / 47.5;

                return abs($far) > 0.97 || min($x, $y, self::SIDE - $x, self::SIDE - $y) < 12 ? null : [$right * $far, -$down * $far, sqrt(1 - $far ** 2)];
            });
            self::assertLessThan(1.2, $mean, "turned by $turn");
            self::assertLessThan(3.5, $most, "turned by $turn");
        }
    }

    public function test_each_region_is_round_in_itself_and_what_is_mirrored_is_mirrored(): void
    {
        // A thin arm on a wide body: its middle faces the reader, not the body's middle.
        $shape = fn (int $x, int $y): int => hypot($x - 60, $y - 110) <= 50 || ($x >= 60 && $x < 200 && abs($y - 110) <= 9) ? 5 : (hypot($x - 170, $y - 40) <= 25 ? 6 : 0);
        $bodies = Inflation::of(self::drawn(self::SIDE, self::SIDE, $shape));
        $at = fn (int $x, int $y): int => $y * self::SIDE + $x;
        self::assertEqualsWithDelta(0.0, $bodies->y[$at(160, 110)], 0.05);
        self::assertEqualsWithDelta(sin(acos(1 - 0.0)) + 5 / 9.5, $bodies->y[$at(160, 105)], 0.08, 'half-way to the arm\'s upper side');
        self::assertEqualsWithDelta(0.4, $bodies->y[$at(170, 30)], 0.06, 'the other region has its own middle');
        self::assertGreaterThan(0.95, $bodies->depth[$at(60, 110)]);
        $mirrored = Inflation::of(self::drawn(self::SIDE, self::SIDE, fn (int $x, int $y): int => $shape(self::SIDE - 1 - $x, $y)));
        foreach ([[60, 75], [160, 104], [35, 130], [180, 50]] as [$x, $y]) {
            self::assertEqualsWithDelta(-$bodies->x[$at($x, $y)], $mirrored->x[$at(self::SIDE - 1 - $x, $y)], 0.02);
            self::assertEqualsWithDelta($bodies->y[$at($x, $y)], $mirrored->y[$at(self::SIDE - 1 - $x, $y)], 0.02);
        }
    }

    /** Lambert: a sphere is in shade where its normal is more than a quarter turn from the light. */
    public function test_shade_ends_where_the_light_grazes_the_sphere(): void
    {
        foreach ([[0.0, 0.0], [135.0, 40.0], [250.0, 25.0]] as [$azimuth, $elevation]) {
            $key = new KeyLight($azimuth, $elevation);
            $rough = RoughIn::of(self::disc(), $key);
            $wrong = $count = 0;
            for ($y = 20; $y < 200; $y += 3) {
                for ($x = 22; $x < 204; $x += 3) {
                    $far = hypot($x - 112, $y - 108) / 92.8;
                    $cosine = $far < 0.97 ? ($x - 112) / 92.8 * $key->direction[0] - ($y - 108) / 92.8 * $key->direction[1] + sqrt(1 - $far ** 2) * $key->direction[2] : 0.0;
                    if (abs($cosine) > 0.14) {
                        $count++;
                        $wrong += $rough->shade->at($x, $y) === ($cosine < 0 ? 255 : 0) ? 0 : 1;
                    }
                }
            }
            self::assertGreaterThan(800, $count);
            self::assertLessThan(0.01, $wrong / $count, "light from $azimuth, $elevation");
            // Light and shade never lie on one place; nothing lies beside the body.
            self::assertSame(0, strlen(str_replace("\0", '', $rough->light->data & $rough->shade->data)));
            foreach ([$rough->shade, $rough->light, $rough->occlusion, $rough->rim] as $plane) {
                self::assertSame([0, 0], [$plane->at(3, 3), $plane->at(218, 110)]);
            }
        }
        // Seen from the light there is no shade, and the middle is lit.
        $front = RoughIn::of(self::disc(), new KeyLight(0, 90));
        self::assertSame([0, 255], [$front->shade->at(112, 40), $front->light->at(112, 108)]);
        self::assertSame([128, 128, 255], [$front->normals()[0]->at(112, 108), $front->normals()[1]->at(2, 2), $front->normals()[2]->at(2, 2)]);
    }

    public function test_it_is_dark_where_bodies_touch_and_a_rim_faces_away_from_the_light(): void
    {
        // Two discs that touch; light from the upper left.
        $labels = self::drawn(300, 160, fn (int $x, int $y): int => hypot($x - 90, $y - 80) <= 60 ? 1 : (hypot($x - 205, $y - 80) <= 60 ? 2 : 0));
        $rough = RoughIn::of($labels, new KeyLight(150, 20));
        self::assertGreaterThan(150, $rough->occlusion->at(146, 80));
        self::assertGreaterThan(150, $rough->occlusion->at(154, 80));
        self::assertSame(0, $rough->occlusion->at(60, 80));
        self::assertLessThan($rough->occlusion->at(146, 80), $rough->occlusion->at(140, 80));
        self::assertGreaterThan(120, $rough->rim->at(262, 92), 'the far side of the right one');
        self::assertSame([0, 0], [$rough->rim->at(34, 60), $rough->rim->at(250, 92)], 'not where the light is, and no wider than it should be');
        self::assertLessThan(40, $rough->rim->at(148, 82), 'not where another body covers the edge');
    }

    /** Worked out smaller, it comes to the same, at full size. */
    public function test_large_planes_come_to_the_same(): void
    {
        $large = self::drawn(1000, 900, fn (int $x, int $y): int => hypot($x - 480, $y - 430) <= 370.4 ? 3 : 0);
        $rough = RoughIn::of($large, new KeyLight(135, 40));
        self::assertSame([1000, 900], [$rough->shade->width, $rough->shade->height]);
        [$right, $up] = $rough->normals();
        $key = new KeyLight(135, 40);
        foreach ([[600, 600], [700, 300], [300, 250], [480, 700], [200, 500], [480, 430]] as [$x, $y]) {
            [$nx, $ny] = [($x - 480) / 370.9, -($y - 430) / 370.9];
            $cosine = $nx * $key->direction[0] + $ny * $key->direction[1] + sqrt(1 - $nx ** 2 - $ny ** 2) * $key->direction[2];
            self::assertEqualsWithDelta(127.5 + 127.5 * $nx, $right->at($x, $y), 4, "$x, $y");
            self::assertEqualsWithDelta(127.5 + 127.5 * $ny, $up->at($x, $y), 4, "$x, $y");
            if (abs($cosine) > 0.12) {
                self::assertSame($cosine < 0 ? 255 : 0, $rough->shade->at($x, $y), "$x, $y");
            }
        }
        // The edge of the body is where the labels have it, not where the smaller plane had it.
        self::assertSame([255, 0], [$rough->shade->at(480, 800), $rough->shade->at(480, 801)]);
    }

    public function test_a_light_has_a_place(): void
    {
        self::assertEqualsWithDelta([1, 0, 0], (new KeyLight(0, 0))->direction, 1e-9);
        self::assertEqualsWithDelta([0, 1, 0], (new KeyLight(90, 0))->direction, 1e-9);
        self::assertEqualsWithDelta([0, 0, 1], (new KeyLight(33, 90))->direction, 1e-9);
        $this->expectException(\RangeException::class);
        new KeyLight(0, 91);
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Colour\Oklab;
use Awning\Core\Colour\Oklch;
use Awning\Core\Colour\Rgb;
use Awning\Core\Light\Emission\BesideColour;
use Awning\Core\Light\Emission\Glow;
use Awning\Core\Light\Emission\KeyLight;
use Awning\Core\Light\Emission\NearLight;
use Awning\Core\Light\ManualEdits;
use Awning\Core\Light\Plan\LightColours;
use Awning\Core\Light\Plan\LightPlan;
use Awning\Core\Light\Plan\PanelLight;
use Awning\Core\Light\Plan\RoughDials;
use Awning\Core\Light\RoughIn;
use Awning\Core\Light\Scene;
use Awning\Core\Light\Shadow\CastShadow;
use Awning\Core\Light\Shadow\ShadowCasters;
use Awning\Core\Light\Surface\BorderDistance;
use Awning\Core\Light\Surface\DirectionField;
use Awning\Core\Light\Surface\Inflation;
use Awning\Core\Light\Surface\LitSurface;
use Awning\Core\Light\Surface\Pieces;
use Awning\Core\Light\Surface\SmallLight;
use Awning\Core\Light\Surface\SurfaceNormals;
use Awning\Core\Page\Data;
use Awning\Core\Page\LayerKind;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\LightPart;
use Awning\Core\Page\Region\FlowLine;
use Awning\Core\Page\Region\FlowLines;
use Awning\Core\Page\Region\Solid;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;
use Awning\Core\Sheet\Ops\Light\LayRoughIn;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\MemorySource;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Bodies from flat shapes, against spheres and cylinders in closed form; and the light on them. */
final class LightTest extends TestCase
{
    use DrawsLabels;

    private const SIDE = 221;

    /** A disc a little off the middle, of a radius that fits no grid. */
    private static function disc(int $label = 700): Labels
    {
        return self::drawn(
            self::SIDE,
            self::SIDE,
            fn (int $x, int $y): int => hypot($x - 112, $y - 108) <= 92.3 ? $label : 0,
        );
    }

    public function test_distances_are_those_of_the_definition(): void
    {
        mt_srand(3);
        $blobs = array_map(
            fn (): array => [mt_rand(0, 40), mt_rand(0, 30), mt_rand(3, 11), mt_rand(1, 3) * 255],
            range(1, 9),
        );
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
                    $least = min($least, ($x - ($other % 41)) ** 2 + ($y - intdiv($other, 41)) ** 2);
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
            $bodies = Inflation::of(
                self::drawn(self::SIDE, self::SIDE, fn (int $x, int $y): int => abs($across($x, $y)) <= 47 ? 9 : 0),
            );
            [$mean, $most] = self::off($bodies, function (int $x, int $y) use ($across, $right, $down): ?array {
                $far = $across($x, $y) / 47.5;

                return abs($far) > 0.97 || min($x, $y, self::SIDE - $x, self::SIDE - $y) < 12
                    ? null
                    : [$right * $far, -$down * $far, sqrt(1 - $far ** 2)];
            });
            self::assertLessThan(1.2, $mean, "turned by $turn");
            self::assertLessThan(3.5, $most, "turned by $turn");
        }
    }

    public function test_each_region_is_round_in_itself_and_what_is_mirrored_is_mirrored(): void
    {
        // A thin arm on a wide body: its middle faces the reader, not the body's middle.
        $shape = fn (int $x, int $y): int => hypot($x - 60, $y - 110) <= 50 ||
        ($x >= 60 && $x < 200 && abs($y - 110) <= 9)
            ? 5
            : (hypot($x - 170, $y - 40) <= 25
                ? 6
                : 0);
        $bodies = Inflation::of(self::drawn(self::SIDE, self::SIDE, $shape));
        $at = fn (int $x, int $y): int => $y * self::SIDE + $x;
        self::assertEqualsWithDelta(0.0, $bodies->y[$at(160, 110)], 0.05);
        self::assertEqualsWithDelta(
            sin(acos(1 - 0.0)) + 5 / 9.5,
            $bodies->y[$at(160, 105)],
            0.08,
            'half-way to the arm\'s upper side',
        );
        self::assertEqualsWithDelta(0.4, $bodies->y[$at(170, 30)], 0.06, 'the other region has its own middle');
        self::assertGreaterThan(0.95, $bodies->depth[$at(60, 110)]);
        $mirrored = Inflation::of(
            self::drawn(self::SIDE, self::SIDE, fn (int $x, int $y): int => $shape(self::SIDE - 1 - $x, $y)),
        );
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
                    $cosine =
                        $far < 0.97
                            ? (($x - 112) / 92.8) * $key->direction[0] -
                                (($y - 108) / 92.8) * $key->direction[1] +
                                sqrt(1 - $far ** 2) * $key->direction[2]
                            : 0.0;
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
        $facing = SmallLight::of(self::disc(), new KeyLight(0, 90))->normals();
        self::assertSame([128, 128, 255], [$facing[0]->at(112, 108), $facing[1]->at(2, 2), $facing[2]->at(2, 2)]);
    }

    public function test_it_is_dark_where_bodies_touch_and_a_rim_faces_away_from_the_light(): void
    {
        // Two discs that touch; light from the upper left.
        $labels = self::drawn(
            300,
            160,
            fn (int $x, int $y): int => hypot($x - 90, $y - 80) <= 60 ? 1 : (hypot($x - 205, $y - 80) <= 60 ? 2 : 0),
        );
        $rough = RoughIn::of($labels, new KeyLight(150, 20));
        self::assertGreaterThan(150, $rough->occlusion->at(146, 80));
        self::assertGreaterThan(150, $rough->occlusion->at(154, 80));
        self::assertSame(0, $rough->occlusion->at(60, 80));
        self::assertLessThan($rough->occlusion->at(146, 80), $rough->occlusion->at(140, 80));
        self::assertGreaterThan(120, $rough->rim->at(262, 92), 'the far side of the right one');
        self::assertSame(
            [0, 0],
            [$rough->rim->at(34, 60), $rough->rim->at(250, 92)],
            'not where the light is, and no wider than it should be',
        );
        self::assertLessThan(40, $rough->rim->at(148, 82), 'not where another body covers the edge');
    }

    public function test_a_large_plane_comes_in_cells_that_are_as_the_whole_and_hold_all_bodies(): void
    {
        // Two parts of a ball, and a bar apart, on a plane whose sides are no multiples of a cell or of how much
        // smaller it is worked out.
        $labels = self::drawn(
            1501,
            1203,
            fn (int $x, int $y): int => hypot($x - 380, $y - 330) <= 300
                ? ($y < 290
                    ? 3
                    : 5)
                : ($x > 1290 && $x < 1490 && $y > 640 && $y < 1190
                    ? 4
                    : 0),
        );
        $ramp = str_repeat(Bytes::identity(), 8);
        $cast = new Plane(
            1501,
            1203,
            implode('', array_map(fn (int $y): string => substr($ramp, (2 * $y) % 256, 1501), range(0, 1202))),
        );
        $scene = new Scene(cast: fn (Rect $part): Plane => $cast->crop($part), lamps: [new NearLight(700, 700, 900)]);
        $light = [$labels, new KeyLight(135, 40), new RoughDials(soft: 0.3, rim: 20, lines: 0.5), $scene, 20_000];
        $whole = RoughIn::of(...$light);
        $worked = SmallLight::of(...$light);
        $cells = array_map(
            fn (Rect $cell): array => [$cell, RoughIn::inside($cell, $labels, $worked, $light[2], $scene)],
            $worked->cells($labels),
        );
        $all = ['shade', 'deep', 'light', 'glint', 'occlusion', 'bounce', 'cast', 'rim', 'lines'];
        $told = 0;
        foreach ($cells as [$cell, $rough]) {
            foreach (
                [
                    ...array_map(fn (string $name): array => [$name, $whole->{$name}, $rough->{$name}], $all),
                    ['lamp', $whole->lamps[0], $rough->lamps[0]],
                ] as [$name, $theirs, $ours]
            ) {
                self::assertSame(0, self::farthest($theirs->crop($cell), $ours), "$name at $cell->x, $cell->y");
            }
            $told += substr_count(LitSurface::inside($labels->crop($cell)), "\xff");
        }
        self::assertSame(substr_count(LitSurface::inside($labels), "\xff"), $told, 'every pixel of a body once');
        self::assertLessThan(9, count($cells), 'where there is nothing there is no cell');
        foreach ($all as $name) {
            self::assertLessThan(strlen($whole->{$name}->data), strspn($whole->{$name}->data, "\0"), "there is $name");
        }
    }

    public function test_edges_that_are_found_finer_are_averaged(): void
    {
        // Both worked out smaller, and at the size of the plane.
        foreach (
            [
                [self::drawn(200, 160, fn (int $x, int $y): int => hypot($x - 100, $y - 80) <= 75 ? 3 : 0), 3_000],
                [self::drawn(60, 50, fn (int $x, int $y): int => hypot($x - 30, $y - 25) <= 22 ? 3 : 0), 3_000],
            ] as [$labels, $work]
        ) {
            $light = [$labels, new KeyLight(115, 40), new RoughDials(soft: 0.0), new Scene, $work];
            $page = new Rect(0, 0, $labels->width, $labels->height);
            $lit = fn (int $finer): RoughIn => RoughIn::inside(
                $page,
                $labels,
                SmallLight::of(...$light, finer: $finer),
                $light[2],
                new Scene,
            );
            [$plain, $fine] = [$lit(1), $lit(2)];
            self::assertSame([$labels->width, $labels->height], [$fine->shade->width, $fine->shade->height]);
            $kinds = function (Plane $plane): array {
                $histogram = $plane->histogram();

                return [$histogram[255], $plane->width * $plane->height - $histogram[0] - $histogram[255]];
            };
            [[$all, $between], [$allFinely, $betweenFinely]] = [$kinds($plain->shade), $kinds($fine->shade)];
            self::assertGreaterThan($between, $betweenFinely, 'its edge is smoother');
            self::assertEqualsWithDelta(
                $all + $between / 2,
                $allFinely + $betweenFinely / 2,
                0.02 * $labels->width * $labels->height,
                'where it was',
            );
            self::assertSame(0, $fine->shade->at(1, 1));
            $middle = intdiv($labels->height, 2);
            $column = intdiv($labels->width, 2);
            self::assertSame(
                [$plain->light->at($column, $middle), $plain->shade->at($column, $middle)],
                [$fine->light->at($column, $middle), $fine->shade->at($column, $middle)],
            );
        }
    }

    private static function farthest(Plane $a, Plane $b): int
    {
        self::assertSame([$a->width, $a->height], [$b->width, $b->height]);
        $most = 0;
        foreach (count_chars($a->data ^ $b->data, 1) as $apart => $count) {
            $most = max($most, $apart);
        }

        return $most;
    }

    /** Worked out smaller, it comes to the same, at full size. */
    public function test_large_planes_come_to_the_same(): void
    {
        $large = self::drawn(1000, 900, fn (int $x, int $y): int => hypot($x - 480, $y - 430) <= 370.4 ? 3 : 0);
        $rough = RoughIn::of($large, new KeyLight(135, 40));
        self::assertSame([1000, 900], [$rough->shade->width, $rough->shade->height]);
        $key = new KeyLight(135, 40);
        [$right, $up] = SmallLight::of($large, $key)->normals();
        foreach ([[600, 600], [700, 300], [300, 250], [480, 700], [200, 500], [480, 430]] as [$x, $y]) {
            [$nx, $ny] = [($x - 480) / 370.9, -($y - 430) / 370.9];
            $cosine =
                $nx * $key->direction[0] +
                $ny * $key->direction[1] +
                sqrt(1 - $nx ** 2 - $ny ** 2) * $key->direction[2];
            self::assertEqualsWithDelta(127.5 + 127.5 * $nx, $right->at($x, $y), 4, "$x, $y");
            self::assertEqualsWithDelta(127.5 + 127.5 * $ny, $up->at($x, $y), 4, "$x, $y");
            if (abs($cosine) > 0.12) {
                self::assertSame($cosine < 0 ? 255 : 0, $rough->shade->at($x, $y), "$x, $y");
            }
        }
        // The edge of the body is where the labels have it, not where the smaller plane had it.
        self::assertSame([255, 0], [$rough->shade->at(480, 800), $rough->shade->at(480, 801)]);
    }

    /** Recomputed, what a hand did to a coverage stays: property over many pairs. */
    public function test_hand_work_outlives_what_was_computed(): void
    {
        mt_srand(7);
        $bytes = fn (int $count): string => implode(
            '',
            array_map(fn (): string => chr(mt_rand(0, 255)), range(1, $count)),
        );
        [$computed, $anew, $now] = [$bytes(3000), $bytes(3000), $bytes(3000)];
        $none = new ManualEdits(str_repeat("\0", 3000), str_repeat("\0", 3000));
        self::assertSame($anew, $none->goneOn($computed, $computed)->on($anew), 'nobody touched it');
        $kept = fn (string $now): string => $none->goneOn($computed, $now)->on($anew);
        self::assertSame(
            0,
            strlen(
                str_replace(
                    "\xff",
                    '',
                    $kept(str_repeat("\xff", 3000)) |
                        strtr(
                            $computed,
                            Bytes::identity(),
                            Bytes::table(fn (int $value): int => $value === 255 ? 255 : 0),
                        ),
                ),
            ),
            'painted full',
        );
        self::assertSame(
            0,
            strlen(
                str_replace(
                    "\0",
                    '',
                    $kept(str_repeat("\0", 3000)) &
                        strtr(
                            $computed,
                            Bytes::identity(),
                            Bytes::table(fn (int $value): int => $value === 0 ? 0 : 255),
                        ),
                ),
            ),
            'erased to nothing',
        );
        $hand = $none->goneOn($computed, $now);
        [$again, $moved] = [$hand->on($computed), $hand->on($anew)];
        for ($at = 0; $at < 3000; $at++) {
            self::assertEqualsWithDelta(ord($now[$at]), ord($again[$at]), 1, 'computed to the same as before');
            $isMore = ord($now[$at]) >= ord($computed[$at]);
            self::assertTrue(
                $isMore ? ord($moved[$at]) >= ord($anew[$at]) : ord($moved[$at]) <= ord($anew[$at]),
                'what was added is never less, what was erased never more',
            );
        }
        self::assertSame(
            [160, 50],
            array_values(
                (array) unpack('C*', (new ManualEdits("\0\0", "\0\0"))->goneOn("\x37\xc8", "\x9b\x64")->on("\x41\x64")),
            ),
            'half of what was missing; half of what was there',
        );
        // Painted where nothing was, then all of it is computed full, then nothing again: the paint is still there.
        $hand = (new ManualEdits("\0", "\0"))->goneOn("\0", "\xff");
        $hand = $hand->goneOn($hand->on("\xff"), $hand->on("\xff"));
        self::assertSame("\xff", $hand->on("\0"));
        // Erased again, it is gone; what is computed there then stays away, too.
        $hand = $hand->goneOn("\xff", "\0");
        self::assertSame(["\0", "\0"], [$hand->on("\0"), $hand->on("\xff")]);
    }

    public function test_shadows_fall_away_from_the_light_and_so_far(): void
    {
        $post = new Plane(
            120,
            90,
            implode(
                '',
                array_map(
                    fn (int $i): string => abs(($i % 120) - 60) < 3 && abs(intdiv($i, 120) - 40) < 4 ? "\xff" : "\0",
                    range(0, 120 * 90 - 1),
                ),
            ),
        );
        $shadow = CastShadow::of($post, new KeyLight(135, 30), 28);
        // From the upper left: to the lower right, 28 px long.
        self::assertSame(
            [255, 255, 0, 0],
            [$shadow->at(66, 46), $shadow->at(78, 58), $shadow->at(86, 66), $shadow->at(50, 30)],
        );
        self::assertSame(0, $shadow->at(60, 40), 'not on itself');
        $left = CastShadow::of($post, new KeyLight(0, 10), 20);
        self::assertSame([255, 0, 0], [$left->at(40, 40), $left->at(36, 40), $left->at(66, 40)]);
        self::assertSame(str_repeat("\0", 120 * 90), CastShadow::of($post, new KeyLight(0, 90), 20)->data);
        self::assertSame(str_repeat("\0", 120 * 90), CastShadow::of($post, new KeyLight(0, 10), 0)->data);
    }

    public function test_light_is_laid_in_every_tile_that_a_part_reaches_into(): void
    {
        // Two parts that meet at 300, 200: they reach a few pixels into the third column of tiles and the second row.
        $light = fn (int $width, int $height): RoughIn => RoughIn::of(
            self::drawn($width, $height, fn (int $x, int $y): int => 4),
            new KeyLight(0, 90),
        );
        $pieces = [[new Rect(10, 20, 290, 180), $light(290, 180)], [new Rect(300, 200, 217, 60), $light(217, 60)]];
        $source = new MemorySource;
        $sheet = new Sheet($source);
        $sheet->put(PageSize::KEY, new PageSize(600, 400, 300));
        (new LayRoughIn(
            7,
            'Oda',
            new PanelLight(LightPlan::fromData(new Data(['azimuth' => 0, 'elevation' => 90])), $pieces),
        ))->apply($sheet);
        $laid = $sheet->layer(LayerName::ofPass('rough7light', LayerKind::Coverage));
        $at = fn (int $x, int $y): int => ord($laid[600 * $y + $x]);
        self::assertSame([255, 255, 255, 255], [$at(150, 110), $at(290, 100), $at(400, 230), $at(400, 257)]);
        self::assertSame([0, 0, 0, 0], [$at(5, 110), $at(150, 205), $at(520, 230), $at(400, 262)]);
        $reaches = fn (string $row): int => strlen(rtrim($row, "\0"));
        $columns = $reaches(substr($laid, 600 * 230, 600));
        self::assertSame(
            300 + $reaches(substr($pieces[1][1]->light->data, 217 * 30, 217)),
            $columns,
            'as far as it reaches',
        );
        self::assertGreaterThan(512, $columns);
    }

    public function test_many_pieces_share_the_work_of_two(): void
    {
        $square = fn (int $side): Rect => new Rect(7, 9, $side, $side);
        self::assertSame([900], Pieces::works([$square(40)], 900));
        self::assertSame([900, 900], Pieces::works([$square(40), $square(40)], 900));
        self::assertSame([600, 600, 600], Pieces::works([$square(40), $square(40), $square(40)], 900));
        // By their sides: 2 × 30, 60 and 110 of 200; the smallest still have a quarter, the largest no more than all.
        self::assertSame([270, 540, 900], Pieces::works([$square(30), new Rect(0, 0, 30, 120), $square(110)], 900));
        self::assertSame([225, 225, 900], Pieces::works([$square(1), $square(2), $square(500)], 900));
        self::assertSame([], Pieces::works([], 900));
    }

    public function test_the_edge_of_a_shadow_is_smooth(): void
    {
        // Two columns of eight throw to the right; the shadow's last pixel has three of its eight neighbours in it, its
        // corner one.
        $post = new Plane(
            40,
            20,
            implode(
                '',
                array_map(
                    fn (int $i): string => $i % 40 >= 10 && $i % 40 < 12 && intdiv($i, 40) >= 6 && intdiv($i, 40) < 14
                        ? "\xff"
                        : "\0",
                    range(0, 799),
                ),
            ),
        );
        $shadow = CastShadow::of($post, new KeyLight(180, 10), 7);
        self::assertSame(
            [255, 159, 96, 0],
            [$shadow->at(15, 10), $shadow->at(18, 10), $shadow->at(19, 10), $shadow->at(20, 10)],
        );
        self::assertSame([96, 32], [$shadow->at(15, 14), $shadow->at(19, 14)]);
        // What falls over one side of the page does not come in at the other.
        foreach ([180, 0] as $azimuth) {
            $far = CastShadow::of($post, new KeyLight($azimuth, 10), 35);
            $rows = array_map(fn (int $y): string => substr($far->data, 40 * $y, 40), range(0, 19));
            foreach ($rows as $y => $row) {
                $beyond = $azimuth === 180 ? substr($row, 0, 10) : substr($row, 12);
                self::assertSame(str_repeat("\0", strlen($beyond)), $beyond, "$azimuth, row $y");
            }
            self::assertSame(
                [255, 255],
                $azimuth === 180 ? [$far->at(13, 10), $far->at(38, 10)] : [$far->at(1, 10), $far->at(8, 10)],
            );
        }
    }

    public function test_what_stands_before_the_rest_throws_a_shorter_shadow_on_it_and_none_on_itself(): void
    {
        // A brim across a page; light from above. The place looked at begins below it.
        $none = Plane::filled(100, 200, 0);
        $brim = new Plane(
            100,
            200,
            str_repeat("\0", 100 * 50).str_repeat("\xff", 100 * 12).str_repeat("\0", 100 * 138),
        );
        $where = new Rect(20, 63, 40, 100);
        $on = fn (Plane $nearer, Plane $before, Rect $where): Plane => (new ShadowCasters($nearer, $before))->on(
            $where,
            new KeyLight(90, 40),
            50,
        ) ?? self::fail('no shadow');
        $rows = fn (Plane $plane, int ...$rows): array => array_map(fn (int $y): int => $plane->at(5, $y), $rows);
        self::assertSame([255, 255, 0, 0], $rows($on($none, $brim, $where), 0, 17, 20, 90));
        self::assertSame([255, 255, 0], $rows($on($brim, $none, $where), 20, 47, 50));
        self::assertSame([255, 255, 0], $rows($on($brim, $brim, $where), 17, 47, 50));
        self::assertSame(
            [0, 0, 0],
            $rows($on($none, $brim, new Rect(0, 30, 100, 100)), 5, 22, 28),
            'not above, not on itself',
        );
        self::assertNull((new ShadowCasters($none, $none))->on($where, new KeyLight(90, 40), 50));
        self::assertNull((new ShadowCasters($brim, $brim))->on($where, new KeyLight(90, 40), 0));
        // A part of a place has the shadow that the whole has there, to its edge.
        $slant = new Plane(
            100,
            200,
            str_repeat(str_repeat("\0", 30).str_repeat("\xff", 9).str_repeat("\0", 61), 200),
        );
        foreach ([[130, 23.4], [180, 24.0], [90, 20.0]] as [$azimuth, $length]) {
            $thrown = fn (Rect $where): Plane => (new ShadowCasters($slant, $brim))->on(
                $where,
                new KeyLight($azimuth, 40),
                $length,
            ) ?? Plane::filled($where->width, $where->height, 0);
            foreach (
                [
                    [0, 0, 47, 61],
                    [47, 61, 53, 139],
                    [40, 66, 1, 1],
                    [31, 70, 20, 20],
                    [62, 100, 30, 20],
                    [63, 100, 30, 20],
                ] as [$x, $y, $width, $height]
            ) {
                self::assertSame(
                    0,
                    self::farthest(
                        $thrown(new Rect(0, 0, 100, 200))->crop(new Rect($x, $y, $width, $height)),
                        $thrown(new Rect($x, $y, $width, $height)),
                    ),
                    "$azimuth, $x",
                );
            }
        }
        // Only what is a body is shaded.
        $labels = self::drawn(40, 100, fn (int $x): int => $x < 10 ? 0 : 4);
        $cast = RoughIn::of(
            $labels,
            new KeyLight(90, 40),
            new RoughDials,
            new Scene(cast: fn (): ?Plane => $on($none, $brim, $where)),
        )->cast;
        self::assertSame([0, 255], [$cast->at(5, 10), $cast->at(30, 10)]);
    }

    public function test_a_small_body_darkens_a_large_one_only_close_by(): void
    {
        // A button and a half of the coat's size on one coat.
        $coat = fn (float $radius): RoughIn => RoughIn::of(
            self::drawn(
                240,
                240,
                fn (int $x, int $y): int => hypot($x - 120, $y - 120) <= $radius
                    ? 2
                    : (hypot($x - 120, $y - 120) <= 110
                        ? 1
                        : 0),
            ),
            new KeyLight(90, 40),
        );
        [$button, $patch] = [$coat(8)->occlusion, $coat(50)->occlusion];
        self::assertGreaterThan(150, $button->at(120, 110));
        self::assertLessThan(20, $button->at(120, 104));
        self::assertGreaterThan(60, $patch->at(120, 62), 'as near to a larger one');
    }

    public function test_a_lamp_falls_on_what_faces_it_as_far_as_it_reaches(): void
    {
        // A disc of 92 about 112, 108; the lamp at its right edge, and above.
        $lamp = fn (float $x, float $y, float $reach): Plane => RoughIn::of(
            self::disc(),
            new KeyLight(90, 40),
            new RoughDials,
            new Scene(lamps: [new NearLight(1, 1, 1), new NearLight($x, $y, $reach)]),
        )->lamps[1];
        $right = $lamp(200, 108, 150);
        self::assertGreaterThan($right->at(110, 108) + 30, $right->at(150, 108));
        self::assertSame(0, $right->at(40, 108), 'the other side');
        self::assertEqualsWithDelta($right->at(160, 80), $right->at(160, 136), 6, 'above as below');
        $above = $lamp(112, 20, 80);
        self::assertGreaterThan(100, $above->at(112, 40));
        self::assertSame([0, 0], [$above->at(112, 101), $above->at(112, 180)], 'out of reach');
        // In closed form: over the middle of a ball that faces the reader, straight below the lamp, all of it.
        self::assertEqualsWithDelta(255, $lamp(112.5, 108.5, 300)->at(112, 108), 3);
        // 60 px to the left of a lamp of 200: the surface leans 60/92 away; the lamp stands 60 before the page.
        $cosine = ((-60 / 92.5) * 60 + sqrt(1 - (60 / 92.5) ** 2) * 60) / hypot(60, 60);
        self::assertEqualsWithDelta(
            255 * max(0, $cosine) * (1 - (60 / 200) ** 2) ** 2,
            $lamp(112.5, 108.5, 200)->at(52, 108),
            6,
        );
    }

    public function test_lines_give_way_where_light_falls_by_the_dial(): void
    {
        $lines = fn (float $dial): Plane => RoughIn::of(self::disc(), new KeyLight(0, 30), new RoughDials(lines: $dial))
            ->lines;
        // On a ball of 92.8 about 112, 108 under a light 30 degrees up from the right: at its edge cos 30, in the
        // middle sin 30.
        $part = fn (float $cosine): float => (fn (float $t): float => $t * $t * (3 - 2 * $t))(
            max(0.0, min(1.0, ($cosine - 0.3) / 0.6)),
        );
        self::assertEqualsWithDelta(255 * $part(0.5), $lines(1)->at(112, 108), 6);
        self::assertEqualsWithDelta(255 * 0.5 * $part(0.5), $lines(0.5)->at(112, 108), 4);
        self::assertGreaterThan(240, $lines(1)->at(190, 108));
        self::assertSame([0, 0, 0], [$lines(1)->at(40, 108), $lines(0)->at(190, 108), $lines(1)->at(215, 108)]);
    }

    public function test_a_rim_comes_from_where_the_light_behind_stands(): void
    {
        $rim = fn (?KeyLight $back): Plane => RoughIn::of(
            self::disc(),
            new KeyLight(180, 30),
            new RoughDials(rim: 20),
            new Scene(back: $back),
        )->rim;
        // The right edge, the upper, the left.
        $at = fn (Plane $rim): array => array_map(fn (int $value): bool => $value > 80, [
            $rim->at(199, 108),
            $rim->at(112, 21),
            $rim->at(25, 108),
        ]);
        self::assertSame([true, false, false], $at($rim(null)));
        self::assertSame([false, true, false], $at($rim(new KeyLight(90, 0))));
        self::assertSame([false, false, true], $at($rim(new KeyLight(180, 0))));
    }

    public function test_a_plan_keeps_its_lamps_and_its_light_from_behind(): void
    {
        $data = [
            'azimuth' => 40.0,
            'elevation' => 20.0,
            'colour' => '#fff1d6',
            'ambient' => '#8fa8c8',
            'dials' => (new RoughDials)->toData(),
            'lamps' => [
                ['x' => 0.25, 'y' => 0.75, 'reach' => 0.5, 'colour' => '#ffd08a'],
                ['x' => 1.25, 'y' => -0.25, 'reach' => 1.5, 'colour' => '#112233'],
            ],
            'back' => ['azimuth' => 300.0, 'colour' => '#cfe0ff'],
            'beside' => true,
        ];
        self::assertSame($data, LightPlan::fromData(new Data($data))->toData());
        // On a piece of the page: 200 px wide, 400 high, the piece from 30, 100.
        self::assertEquals(
            new NearLight(20.0, 200.0, 100.0),
            LightPlan::fromData(new Data($data))->lamps[0]->near(new Rect(0, 0, 200, 400), new Rect(30, 100, 50, 50)),
        );
        $this->expectExceptionMessage('at most 2');
        LightPlan::fromData(new Data(['lamps' => [[], [], []]] + $data));
    }

    /** @return iterable<string, array{int}> */
    public static function sizes(): iterable
    {
        yield 'worked out as it is' => [1];
        yield 'worked out smaller' => [9];
    }

    #[DataProvider('sizes')]
    public function test_what_shines_glows_as_far_as_it_reaches(int $by): void
    {
        // A disc of 24 about 60, 90 and a small one at the right, on a page of 260 x 150; the whole so many times as
        // large.
        $shining = self::shape(
            260 * $by,
            150 * $by,
            fn (int $x, int $y): bool => hypot($x + 0.5 - 60 * $by, $y + 0.5 - 90 * $by) <= 24 * $by ||
                hypot($x + 0.5 - 200 * $by, $y + 0.5 - 40 * $by) <= 5 * $by,
        );
        $glow = Glow::around($shining, 50 * $by, 3, new Rgb(1, 2, 3)) ?? self::fail('nothing glows');
        self::assertEquals([Rect::bounds(0, 0, 255 * $by, 150 * $by), new Rgb(1, 2, 3)], [$glow->where, $glow->colour]);
        $at = fn (float $x, float $y): int => $glow->coverage->at((int) ($x * $by), (int) ($y * $by));
        foreach (
            [
                [60, 90, 0],
                [80, 90, 0],
                [60, 60, 6],
                [94, 90, 10],
                [60, 26, 40],
                [25, 120, hypot(35, 30) - 24],
                [220, 40, 15],
            ] as [$x, $y, $away]
        ) {
            self::assertEqualsWithDelta(255 * (1 - $away / 50) ** 3, $at($x, $y), 14, "at $x,$y");
        }
        self::assertSame([0, 0], [$at(135.5, 120), $at(254, 100)]);
        $close = Glow::around($shining, 50 * $by, 5.5, new Rgb(1, 2, 3)) ?? self::fail('nothing glows');
        self::assertEqualsWithDelta(
            255 * (1 - 10 / 50) ** 5.5,
            $close->coverage->at(94 * $by, 90 * $by),
            10,
            'more of it close by',
        );
        self::assertNull(Glow::around(Plane::filled(30, 20, 0), 50, 3, new Rgb(1, 2, 3)));
    }

    public function test_light_bounces_back_in_the_colour_of_what_lies_where_a_figure_turns_from_it(): void
    {
        // A square of two regions; at its left a third one, below it two others half and half, at its right nothing
        // filled.
        $labels = self::drawn(
            120,
            100,
            fn (int $x, int $y): int => match (true) {
                $x >= 40 && $x < 80 && $y >= 30 && $y < 70 => $x < 60 ? 1 : 2,
                $x < 40 => 3,
                $y >= 70 && $x < 60 => 4,
                $y >= 70 => 5,
                default => 6,
            },
        );
        $colours = [
            1 => new Rgb(9, 9, 9),
            3 => new Rgb(200, 30, 40),
            4 => new Rgb(30, 60, 200),
            5 => new Rgb(40, 180, 60),
        ];
        $from = fn (float $azimuth, float $elevation = 30, array $known = []): ?Rgb => BesideColour::of(
            $labels,
            [1 => true, 2 => true],
            $known === [] ? $colours : $known,
            new KeyLight($azimuth, $elevation),
        );
        self::assertEquals(new Rgb(200, 30, 40), $from(0));
        $mean = fn (Rgb $a, Rgb $b): Rgb => (fn (Oklab $a, Oklab $b): Rgb => (new Oklab(
            ($a->l + $b->l) / 2,
            ($a->a + $b->a) / 2,
            ($a->b + $b->b) / 2,
        ))->fitted())(Oklab::of($a), Oklab::of($b));
        self::assertEquals($mean($colours[4], $colours[5]), $from(90));
        self::assertEquals(
            $mean($colours[4], $colours[5]),
            $from(0, 90),
            'from the ground when the light comes from the reader',
        );
        self::assertNull($from(180), 'nothing is filled there');
        self::assertEquals($colours[5], $from(90, 30, [5 => $colours[5]]), 'what is not filled has no say');
        // The same, so large that it is looked at smaller.
        $large = self::drawn(
            1200,
            1000,
            fn (int $x, int $y): int => $x >= 400 && $x < 800 && $y >= 300 && $y < 700 ? 1 : ($x < 400 ? 3 : 4),
        );
        self::assertEquals($colours[3], BesideColour::of($large, [1 => true], $colours, new KeyLight(0, 10)));
    }

    public function test_the_opposite_of_a_light_is_its_hue_turned_half_round_at_a_shade_s_lightness(): void
    {
        foreach (['#ffb050', '#3060ff', '#c8ffe0', '#ffffff', '#101010'] as $hex) {
            $light = Oklch::of(Rgb::fromHex($hex));
            $colours = new LightColours(Rgb::fromHex($hex), new Rgb(1, 2, 3));
            $opposite = Oklch::of($colours->of(LightPart::Opposite) ?? self::fail('no colour'));
            self::assertEqualsWithDelta(0.56, $opposite->l, 0.01, $hex);
            if ($light->c > 0.01) {
                self::assertEqualsWithDelta(180, abs($opposite->h - $light->h), 3, $hex);
            }
            self::assertGreaterThan(0.05, $opposite->c, 'even of a white light');
            self::assertSame(
                ['light' => $hex, 'around' => '#010203', 'opposite' => $colours->of(LightPart::Opposite)?->hex()],
                $colours->toData(),
            );
        }
    }

    public function test_fold_lines_crease_a_body_by_their_strength(): void
    {
        // One bar of two regions: a line parts it lengthwise.
        $bar = self::drawn(160, 101, fn (int $x, int $y): int => $x < 20 || $x >= 140 ? 0 : ($y < 50 ? 4 : 5));
        $facing = fn (float $folds): SurfaceNormals => SurfaceNormals::of($bar, [4 => 4, 5 => 4], $folds, []);
        $up = fn (float $folds, int $y): float => $facing($folds)->y[$y * 160 + 80];
        self::assertEqualsWithDelta(0, $up(0, 47), 0.1, 'no crease: the middle faces the reader');
        self::assertLessThan(-0.7, $up(1, 47), 'a crease: the upper half turns down to the line');
        self::assertGreaterThan(0.7, $up(1, 53));
        self::assertEqualsWithDelta(($up(0, 40) + $up(1, 40)) / 2, $up(0.5, 40), 0.02);
    }

    public function test_a_body_that_is_told_at_half_the_size_turns_without_steps(): void
    {
        // A ball that a line parts, which hardly creases it.
        $ball = self::drawn(
            self::SIDE,
            self::SIDE,
            fn (int $x, int $y): int => hypot($x - 112, $y - 108) <= 92.3 ? ($y < 108 ? 4 : 5) : 0,
        );
        $facing = SurfaceNormals::of($ball, [4 => 4, 5 => 4], 0.1, []);
        $worst = 0.0;
        for ($x = 60; $x < 170; $x++) {
            $at = 60 * self::SIDE + $x;
            $worst = max($worst, abs($facing->x[$at + 1] - 2 * $facing->x[$at] + $facing->x[$at - 1]));
        }
        // Along a row it turns by 1 / 92.8 a pixel; told twice each, it would by none and by two.
        self::assertLessThan(0.5 / 92.8, $worst);
        self::assertEqualsWithDelta(40 / 92.8, $facing->x[60 * self::SIDE + 152], 0.06);
    }

    public function test_simple_solids_are_what_they_are_said_to_be(): void
    {
        $isInside = fn (int $x, int $y): bool => $x >= 10 && $x <= 90 && $y >= 20 && $y <= 40;
        $region = self::drawn(120, 80, fn (int $x, int $y): int => $isInside($x, $y) ? 6 : 0);
        $facing = fn (Solid $solid): SurfaceNormals => SurfaceNormals::of($region, [], 1, [6 => $solid]);
        $at = fn (SurfaceNormals $facing, int $x, int $y): array => [
            $facing->x[$y * 120 + $x],
            $facing->y[$y * 120 + $x],
        ];
        self::assertSame([0.0, 0.0], $at($facing(Solid::Flat), 12, 21));
        // A tube along the long side: it turns up and down alone.
        self::assertEqualsWithDelta([0, 0.9], $at($facing(Solid::Tube), 12, 21), 0.06);
        self::assertEqualsWithDelta([0, -0.48], $at($facing(Solid::Tube), 70, 35), 0.06);
        // A ball as wide as the region is long.
        self::assertEqualsWithDelta([0.48, 0], $at($facing(Solid::Ball), 70, 30), 0.03);
        self::assertEqualsWithDelta([-0.95, 0], $at($facing(Solid::Ball), 11, 30), 0.04);
        self::assertNotEquals([0.0, 0.0], $at($facing(Solid::Round), 12, 21));
    }

    public function test_a_gem_is_of_planes_that_lean_from_its_middle(): void
    {
        $facing = SurfaceNormals::of(self::disc(), [], 1, [700 => Solid::Gem]);
        $at = function (float $part, float $degrees) use ($facing): array {
            $i =
                (int) round(108 - $part * 92 * sin(deg2rad($degrees))) * self::SIDE +
                (int) round(112 + $part * 92 * cos(deg2rad($degrees)));

            return [$facing->x[$i], $facing->y[$i]];
        };
        self::assertSame([0.0, 0.0], $at(0.45, 70), 'the table faces the reader');
        // A facet is one plane to 22.5° on either side of its middle; those of the outer ring lie between those of the
        // inner.
        self::assertSame($at(0.6, 48), $at(0.7, 64));
        self::assertNotSame($at(0.6, 64), $at(0.6, 71));
        self::assertSame($at(0.85, 49), $at(0.95, 86));
        self::assertNotSame($at(0.85, 41), $at(0.85, 49));
        // A disc has no longer side: its axis lies somewhere, and all facets by it.
        foreach ([[0.65, 0.45], [0.9, 0.75]] as [$part, $lean]) {
            foreach ([20, 70, 110, 200, 340] as $degrees) {
                [$x, $y] = $at($part, $degrees);
                self::assertEqualsWithDelta($lean, hypot($x, $y), 1e-9);
                self::assertGreaterThan(
                    cos(deg2rad(24)),
                    ($x * cos(deg2rad($degrees)) + $y * sin(deg2rad($degrees))) / $lean,
                    "it leans outward at {$degrees}°",
                );
            }
        }
        $planes = array_unique(
            array_map(
                fn (float $x, float $y): string => sprintf('%d %d', round(1000 * $x), round(1000 * $y)),
                $facing->x,
                $facing->y,
            ),
        );
        self::assertCount(1 + 2 * 8, $planes);
    }

    public function test_cloth_hangs_in_folds_that_grow_deeper_downward_or_along_a_direction(): void
    {
        $isInside = fn (int $x, int $y): bool => $x >= 20 && $x < 120 && $y >= 10 && $y < 190;
        $sheet = self::drawn(150, 201, fn (int $x, int $y): int => $isInside($x, $y) ? 6 : 0);
        $plain = SurfaceNormals::of($sheet, [], 1, []);
        $row = fn (SurfaceNormals $facing, int $y): array => array_map(
            fn (int $x): float => $facing->x[$y * 150 + $x] - 0.5 * $plain->x[$y * 150 + $x],
            range(30, 110),
        );
        $hanging = SurfaceNormals::of($sheet, [], 1, [6 => Solid::Cloth]);
        [$top, $bottom] = [$row($hanging, 20), $row($hanging, 180)];
        $turns = count(array_filter(range(0, 79), fn (int $i): bool => $bottom[$i] * $bottom[$i + 1] < 0));
        self::assertGreaterThanOrEqual(4, $turns, 'two folds in 80 px of 100 at the least');
        self::assertLessThanOrEqual(8, $turns);
        self::assertGreaterThan(1.8 * max($top), max($bottom));
        self::assertLessThanOrEqual(0.75 + 1e-9, max($bottom));
        // Along a direction that runs to the left they lie across, and are deepest at the left.
        $drawn = SurfaceNormals::of(
            $sheet,
            [],
            1,
            [6 => Solid::Cloth],
            [6 => new DirectionField([[110, 100], [30, 100]])],
        );
        $column = fn (int $x): float => max(
            array_map(fn (int $y): float => abs($drawn->y[$y * 150 + $x]), range(60, 140)),
        );
        self::assertGreaterThan(1.5 * $column(110), $column(32));
        foreach ($drawn->x as $at => $x) {
            self::assertLessThanOrEqual(0.98 + 1e-9, hypot($x, $drawn->y[$at]));
        }
    }

    public function test_a_direction_takes_what_is_round_along_it_away(): void
    {
        $plain = SurfaceNormals::of(self::disc(), [], 1, []);
        $level = SurfaceNormals::of(self::disc(), [], 1, [], [700 => new DirectionField([[10, 30], [200, 30]])]);
        // Of two lines that meet at a right angle the nearer one counts.
        $bent = SurfaceNormals::of(
            self::disc(),
            [],
            1,
            [],
            [700 => new DirectionField([[60, 0], [60, 150], [210, 150]])],
        );
        foreach ([[70, 60], [150, 170], [112, 40]] as [$x, $y]) {
            $at = $y * self::SIDE + $x;
            self::assertEqualsWithDelta([0, $plain->y[$at]], [$level->x[$at], $level->y[$at]], 1e-9);
        }
        [$upper, $lower] = [60 * self::SIDE + 75, 165 * self::SIDE + 150];
        self::assertEqualsWithDelta([$plain->x[$upper], 0], [$bent->x[$upper], $bent->y[$upper]], 1e-9);
        self::assertEqualsWithDelta([0, $plain->y[$lower]], [$bent->x[$lower], $bent->y[$lower]], 1e-9);
        // Aslant, it takes the part along it alone.
        $slant = SurfaceNormals::of(self::disc(), [], 1, [], [700 => new DirectionField([[0, 0], [100, 50]])]);
        $at = 60 * self::SIDE + 75;
        [$alongX, $alongY] = [2 / sqrt(5), -1 / sqrt(5)];
        self::assertEqualsWithDelta(0, $slant->x[$at] * $alongX + $slant->y[$at] * $alongY, 1e-9);
        self::assertEqualsWithDelta(
            $plain->x[$at] * $alongY - $plain->y[$at] * $alongX,
            $slant->x[$at] * $alongY - $slant->y[$at] * $alongX,
            1e-9,
        );
        // A tube lies along a direction, not along its longer side.
        $bar = self::drawn(120, 80, fn (int $x, int $y): int => $x >= 10 && $x <= 90 && $y >= 20 && $y <= 40 ? 6 : 0);
        $tube = SurfaceNormals::of($bar, [], 1, [6 => Solid::Tube], [6 => new DirectionField([[50.5, 0], [50.5, 60]])]);
        self::assertEqualsWithDelta(
            [-39 / 40.5, 0, 20 / 40.5, 0],
            [$tube->x[22 * 120 + 11], $tube->y[22 * 120 + 11], $tube->x[37 * 120 + 70], $tube->y[37 * 120 + 70]],
            0.02,
        );
    }

    public function test_a_direction_is_of_the_page_whatever_part_of_it_is_lit_and_how_small(): void
    {
        // Strands that run aslant: half of the page's width and height, seen on a piece of it.
        $flow = DirectionField::on(
            FlowLines::fromList([[0.25, 0.5], [0.75, 1.0]]),
            new Rect(0, 0, 400, 400),
            new Rect(100, 100, self::SIDE, self::SIDE),
        );
        self::assertEqualsWithDelta([0, 0, M_SQRT1_2, M_SQRT1_2], $flow->at(0, 100), 1e-9);
        $large = self::drawn(900, 700, fn (int $x, int $y): int => hypot($x - 450, $y - 350) < 340 ? 3 : 0);
        $worked = SmallLight::of(
            $large,
            new KeyLight(0, 20),
            new RoughDials,
            new Scene(flows: [3 => new DirectionField([[0, 350], [900, 350]])]),
        );
        // Nothing turns from a light at the right any more: only up and down.
        [$right, , $near] = $worked->normals();
        self::assertEqualsWithDelta([127.5, 127.5], [$right->at(200, 350), $right->at(700, 350)], 3);
        self::assertEqualsWithDelta(255, $near->at(700, 350), 6);
    }

    public function test_places_beside_a_line_are_told_by_side_and_way(): void
    {
        $line = new DirectionField([[10, 10], [30, 10], [30, 50]]);
        self::assertEqualsWithDelta([4, 7, 1, 0], $line->at(17, 14), 1e-9);
        self::assertEqualsWithDelta([-4, 7, 1, 0], $line->at(17, 6), 1e-9);
        self::assertEqualsWithDelta([3, -5, 1, 0], $line->at(5, 13), 1e-9, 'before its beginning it goes on straight');
        self::assertEqualsWithDelta([-6, 70, 0, 1], $line->at(36, 60), 1e-9);
        self::assertEqualsWithDelta([2, 3.5, 1, 0], $line->smaller(2)->at(8.5, 7), 1e-9);
        self::assertCount(2, FlowLine::fromList([[0.25, 0.5], [0.25, 0.5], [0.75, 0.5]])->points);
    }

    public function test_between_two_lines_the_direction_turns_from_one_to_the_other(): void
    {
        // One runs down at 10, drawn upward; one aslant from 40 on. Side and way are those of the nearer one.
        $both = new DirectionField([[10, 80], [10, 0]], [[40, 0], [120, 80]]);
        [$aside, $come, $right, $down] = $both->at(11, 30);
        self::assertEqualsWithDelta([1, 50], [$aside, $come], 1e-9);
        self::assertEqualsWithDelta([0, -1], [$right, $down], 0.02);
        self::assertEqualsWithDelta([M_SQRT1_2, M_SQRT1_2], array_slice($both->at(70, 30), 2), 0.02);
        // Where both are equally far, half-way between down and aslant.
        $x = (10 + M_SQRT1_2 * 70) / (1 + M_SQRT1_2);
        $between = array_slice($both->at($x, 30), 2);
        self::assertEqualsWithDelta([sin(M_PI / 8), cos(M_PI / 8)], [abs($between[0]), abs($between[1])], 1e-6);
        self::assertGreaterThan(0, $between[0] * $between[1], 'not across');
        self::assertEqualsWithDelta(
            $both->at(30, 40),
            array_map(fn (int $i): float => $both->smaller(2)->at(15, 20)[$i] * ($i < 2 ? 2 : 1), [0, 1, 2, 3]),
            0.01,
        );
    }

    public function test_directions_are_read_as_they_are_kept_and_as_they_were_kept(): void
    {
        $lines = [[[0.25, 0.5], [0.75, 1.0]], [[0.5, 0.0], [0.5, 1.0], [0.25, 1.0]]];
        self::assertSame($lines, FlowLines::fromList($lines)->toList());
        self::assertSame([$lines[1]], FlowLines::fromList($lines[1])->toList(), 'the places of one line');
        self::assertSame([$lines[0]], FlowLines::fromList([$lines[0]])->toList(), 'a list of one line');
        $eight = FlowLines::fromList(array_fill(0, 8, $lines[0]));
        foreach (
            [
                fn () => $eight->with(FlowLine::fromList($lines[1])),
                fn () => FlowLines::fromList([]),
                fn () => FlowLines::fromList(array_fill(0, 9, $lines[0])),
                fn () => FlowLines::fromList([$lines[0], 'x']),
            ] as $i => $wrong
        ) {
            try {
                $wrong();
                self::fail("case $i is taken");
            } catch (\InvalidArgumentException $refused) {
                self::assertStringContainsString('direction', strtolower($refused->getMessage()));
            }
        }
    }

    /** @return iterable<string, array{list<mixed>}> */
    public static function noDirections(): iterable
    {
        yield 'one place' => [[[0.5, 0.5]]];
        yield 'the same twice' => [[[0.5, 0.5], [0.5, 0.5]]];
        yield 'far from the page' => [[[0.5, 0.5], [9, 0.5]]];
        yield 'no place' => [[[0.5, 0.5], 'x']];
        yield 'too many' => [array_map(fn (int $i): array => [$i / 30, 0], range(0, 24))];
    }

    /** @param  list<mixed>  $places */
    #[DataProvider('noDirections')]
    public function test_what_is_no_direction_is_refused(array $places): void
    {
        $this->expectException(\InvalidArgumentException::class);
        FlowLine::fromList($places);
    }

    public function test_deep_shade_glint_and_bounce_lie_where_they_belong(): void
    {
        $rough = RoughIn::of(self::disc(), new KeyLight(0, 30), new RoughDials(soft: 0.04, reach: 0.2, rim: 20));
        $planes = [$rough->shade, $rough->deep, $rough->bounce, $rough->light, $rough->glint];
        $at = fn (int $x): array => array_map(fn (Plane $plane): int => $plane->at($x, 108), $planes);
        self::assertSame(
            [255, 255, 255, 0, 0],
            array_map(fn (int $value): int => $value > 100 ? 255 : 0, $at(24)),
            'far from the light',
        );
        self::assertSame([255, 0, 0], array_slice($at(74), 0, 3), 'in shade, not in the deep of it');
        self::assertSame([0, 0, 0, 0, 0], $at(120), 'between: with a reach of 0.2 shade ends earlier');
        self::assertSame(255, $at(112 + (int) (92.8 * sin(deg2rad(30))))[4], 'half-way to the light');
        self::assertSame([255, 0], array_slice($at(190), 3), 'lit, but no glint');
        self::assertGreaterThan(0, $rough->rim->at(34, 108));
        self::assertSame(str_repeat("\0", strlen($rough->cast->data)), $rough->cast->data);
        $thrown = RoughIn::of(
            self::disc(),
            new KeyLight(0, 30),
            new RoughDials,
            new Scene(
                cast: fn (): Plane => new Plane(
                    self::SIDE,
                    self::SIDE,
                    str_repeat(str_repeat("\0", 130).str_repeat("\xff", self::SIDE - 130), self::SIDE),
                ),
            ),
        );
        self::assertSame(
            [255, 0, 0],
            [$thrown->cast->at(150, 108), $thrown->cast->at(120, 108), $thrown->cast->at(218, 108)],
        );
        self::assertSame(0, $thrown->deep->at(150, 108), 'no shade of its own there');
        $this->expectExceptionMessage('reach runs from');
        new RoughDials(reach: 0.9);
    }

    public function test_pieces_lie_apart_and_hold_everything(): void
    {
        $labels = self::drawn(
            200,
            150,
            fn (int $x, int $y): int => match (true) {
                $x < 40 && $y < 40, $x >= 60 && $x < 90 && $y >= 10 && $y < 30, $x >= 44 && $x < 50 && $y < 20 => 3,
                $y >= 100 && $y < 120 && $x >= 150 => 8,
                default => 0,
            },
        );
        self::assertEquals(
            [new Rect(0, 0, 52, 42), new Rect(148, 98, 52, 24), new Rect(58, 8, 34, 24)],
            Pieces::of($labels),
            'the largest first',
        );
        self::assertSame([], Pieces::of(self::drawn(20, 20, fn (): int => 0)));
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

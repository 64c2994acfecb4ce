<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Light\Emission\KeyLight;
use Awning\Core\Light\Plan\LightPlan;
use Awning\Core\Light\Plan\PanelLight;
use Awning\Core\Light\Plan\RoughDials;
use Awning\Core\Light\RoughIn;
use Awning\Core\Light\Scene;
use Awning\Core\Light\Surface\OpenSky;
use Awning\Core\Light\Surface\SettledSnow;
use Awning\Core\Light\Surface\SmallLight;
use Awning\Core\Page\Data;
use Awning\Core\Page\LayerKind;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\LightPart;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\TintContent;
use Awning\Core\Page\Region\Solid;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;
use Awning\Core\Sheet\Ops\Light\LayRoughIn;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\MemorySource;
use PHPUnit\Framework\TestCase;

/** Snow that a first light lays on what faces up, on a ball and a ramp in closed form. */
final class SettledSnowTest extends TestCase
{
    use DrawsLabels;

    private const SIZE = 221;

    /** A ball of 92.8 about 112, 108. */
    private static function labels(): Labels
    {
        return self::drawn(
            self::SIZE,
            self::SIZE,
            fn (int $x, int $y): int => hypot($x - 112, $y - 108) <= 92.3 ? 700 : 0,
        );
    }

    private static function ball(RoughDials $dials, float $azimuth = 90, Scene $scene = new Scene): RoughIn
    {
        return RoughIn::of(self::labels(), new KeyLight($azimuth, 30), $dials, $scene);
    }

    private static function eased(float $part): float
    {
        $part = max(0.0, min(1.0, $part));

        return $part * $part * (3 - 2 * $part);
    }

    public function test_snow_lies_where_a_ball_faces_up_by_more_than_the_dial_says(): void
    {
        foreach ([0.25, 0.6, 1.0] as $amount) {
            $snow = self::ball(new RoughDials(snow: $amount, snowLumps: 0))->snow;
            foreach (range(20, 196, 4) as $y) {
                foreach ([112, 70] as $x) {
                    if (hypot($x - 112, $y - 108) <= 90) {
                        // A normal is off by 0.03 at most (LightTest).
                        $up = (108 - $y) / 92.8;
                        $where = "$amount at $x, $y";
                        $least = 255 * self::between($up - 0.03, $amount) - 3;
                        self::assertGreaterThanOrEqual($least, $snow->at($x, $y), $where);
                        $most = 255 * self::between($up + 0.03, $amount) + 3;
                        self::assertLessThanOrEqual($most, $snow->at($x, $y), $where);
                    }
                }
            }
        }
    }

    /** @return float 0..1: how much snow lies on what faces up so far */
    private static function between(float $up, float $amount): float
    {
        return self::eased(($up - min(1 - $amount, 0.9)) / 0.1 + 0.5) * self::eased($up / 0.1);
    }

    public function test_without_snow_there_is_none_and_more_is_more(): void
    {
        $sum = fn (float $amount): int => self::sum(self::ball(new RoughDials(snow: $amount))->snow);
        [$none, $little, $more, $most] = array_map($sum, [0.0, 0.1, 0.5, 1.0]);
        self::assertSame(0, $none);
        // However little has fallen, it lies on what faces up squarely.
        self::assertGreaterThan(250, self::ball(new RoughDials(snow: 0.02, snowLumps: 0))->snow->at(112, 18));
        self::assertSame(0, self::sum(self::ball(new RoughDials)->snow), 'none is usual');
        self::assertGreaterThan(255 * 100, $little);
        self::assertGreaterThan(3 * $little, $more);
        self::assertGreaterThan(1.4 * $more, $most);
    }

    public function test_however_lumpy_it_is_nothing_lies_on_what_faces_sideways_or_down(): void
    {
        $snow = self::ball(new RoughDials(snow: 1, snowLumps: 1, snowSize: 9))->snow;
        self::assertSame('', trim(substr($snow->data, self::SIZE * 112), "\0"), 'the lower half');
        self::assertNotSame('', trim(substr($snow->data, 0, self::SIZE * 60), "\0"));
    }

    public function test_lumps_move_the_rim_from_place_to_place_by_their_dial(): void
    {
        // A ramp that faces up by 0..1 from left to right; snow begins half-way.
        $row = implode('', array_map(fn (int $x): string => chr((int) round(127.5 + $x / 4)), range(0, 399)));
        $rim = function (float $lumps, float $size) use ($row): array {
            $snow = SettledSnow::on(str_repeat($row, 300), new Rect(0, 0, 400, 300), 0.5, $lumps, $size);
            $begins = [];
            foreach (str_split($snow->cover, 400) as $line) {
                $begins[] = strcspn($line, implode('', array_map(chr(...), range(128, 255))));
            }

            return $begins;
        };
        [$even, $half, $all] = [$rim(0, 40), $rim(0.5, 40), $rim(1, 40)];
        self::assertSame(1, count(array_unique($even)));
        // 400 px are a cosine of 0.784; lumps move it by 0.3 at most to either side.
        self::assertEqualsWithDelta(255, $even[0], 3);
        $spread = fn (array $rim): int => max($rim) - min($rim);
        self::assertGreaterThan(60, $spread($all));
        self::assertLessThan(310, $spread($all));
        self::assertEqualsWithDelta($spread($all) / 2, $spread($half), $spread($all) / 5);
        self::assertEqualsWithDelta(255, array_sum($all) / 300, 45, 'on average it stays where it was');
        // Smaller lumps follow each other sooner: the rim turns more often.
        $turns = function (array $rim): int {
            $signs = [];
            for ($y = 8; $y < count($rim); $y += 4) {
                $signs[] = $rim[$y] <=> $rim[$y - 8];
            }

            return count(array_filter(range(1, count($signs) - 1), fn (int $i): bool => $signs[$i] !== $signs[$i - 1]));
        };
        self::assertGreaterThan(1.5 * $turns($rim(1, 80)), $turns($rim(1, 20)));
    }

    public function test_nothing_lies_under_another_body_of_the_figure(): void
    {
        // A coat from 30 to 170 across, a head over its middle, and a hat's brim that floats above with air between.
        $labels = self::drawn(200, 160, function (int $x, int $y): int {
            return match (true) {
                $y >= 80 && $x >= 30 && $x < 170 => 3,
                $y >= 40 && $y < 80 && $x >= 80 && $x < 120 => 9,
                $y >= 10 && $y < 20 && $x >= 130 && $x < 160 => 5,
                default => 0,
            };
        });
        $up = str_repeat("\xff", 200 * 160);
        $open = OpenSky::over($labels, [], [], $up, 6);
        $at = fn (int $x, int $y): int => ord($open[200 * $y + $x]);
        self::assertSame([255, 255, 128], [$at(50, 90), $at(50, 159), $at(100, 90)], 'the coat');
        self::assertSame([255, 255], [$at(100, 45), $at(100, 79)], 'the head');
        self::assertSame([255, 255], [$at(145, 12), $at(145, 100)], 'air lies between the brim and the coat');
        // From open to sheltered over 13 px about the edge at 80.
        self::assertSame([255, 128], [$at(73, 120), $at(86, 120)]);
        self::assertEqualsWithDelta(128 + 127 * 6 / 13, $at(80, 120), 1.5);
        // Head and coat are one body where the lines between them only crease it.
        self::assertSame(255, ord(OpenSky::over($labels, [9 => 3], [], $up, 6)[200 * 120 + 100]));
        // A sky that is told to be flat keeps nothing off what stands before it; a ball would.
        $under = fn (Solid $solid): int => ord(OpenSky::over($labels, [], [9 => $solid], $up, 6)[200 * 120 + 100]);
        self::assertSame([255, 128], [$under(Solid::Flat), $under(Solid::Ball)]);
        // What is no body does not count beside the coat's own edge.
        self::assertSame([255, 128], [$at(30, 120), $at(20, 120)]);

        $snow = RoughIn::of($labels, new KeyLight(90, 60), new RoughDials(snow: 1, snowLumps: 0, snowSize: 20))->snow;
        self::assertSame([0, 255, 255], [$snow->at(100, 84), $snow->at(55, 84), $snow->at(100, 44)]);
    }

    public function test_snow_thins_out_beside_a_shelter_over_as_much_of_the_page_however_small_it_is_worked_out(): void
    {
        // A coat with a head over its left half, worked out as large as it is, and a third as large.
        $labels = self::drawn(240, 240, fn (int $x, int $y): int => match (true) {
            $y >= 90 => 3,
            $y >= 30 && $x < 120 => 9,
            default => 0,
        });
        $dials = new RoughDials(snow: 1, snowLumps: 0, snowSize: 40);
        $open = function (int $work) use ($labels, $dials): array {
            $small = SmallLight::of($labels, new KeyLight(90, 60), $dials, new Scene, $work);
            $up = $small->enlarged(new Rect(0, 0, 240, 240), $small->up)[0];

            return array_map(fn (int $x): int => ord($up[240 * 100 + $x]), [60, 100, 120, 140, 180]);
        };
        $whole = $open(SmallLight::WORK);
        self::assertSame(128, $whole[0]);
        self::assertGreaterThan(150, $whole[2]);
        self::assertEqualsWithDelta($whole, $open(5_000), 12);
    }

    public function test_lumps_follow_from_the_place_on_the_page(): void
    {
        $dials = new RoughDials(snow: 0.6, snowLumps: 1, snowSize: 20);
        $whole = RoughIn::of(
            self::drawn(300, 280, fn (int $x, int $y): int => hypot($x - 172, $y - 138) <= 92.3 ? 700 : 0),
            new KeyLight(90, 30),
            $dials,
        )->snow->crop(new Rect(60, 30, self::SIZE, self::SIZE));
        self::assertSame(bin2hex($whole->data), bin2hex(self::ball($dials, 90, new Scene(x: 60, y: 30))->snow->data));
        self::assertNotSame($whole->data, self::ball($dials, 90, new Scene(x: 30, y: 60))->snow->data);
    }

    public function test_a_part_has_the_snow_of_the_whole_and_finer_is_averaged(): void
    {
        $dials = new RoughDials(snow: 0.7, snowLumps: 0.8, snowSize: 24);
        $labels = self::labels();
        $scene = new Scene(x: 17, y: 5);
        $small = fn (int $finer): SmallLight => SmallLight::of(
            $labels,
            new KeyLight(0, 30),
            $dials,
            $scene,
            SmallLight::WORK,
            $finer,
        );
        $whole = RoughIn::from($small(1), $labels, $dials, $scene);
        $where = new Rect(60, 11, 90, 70);
        $part = RoughIn::inside($where, $labels, $small(1), $dials, $scene);
        self::assertSame($whole->snow->crop($where)->data, $part->snow->data);
        self::assertSame($whole->snowShade->crop($where)->data, $part->snowShade->data);
        $finer = RoughIn::from($small(2), $labels, $dials, $scene)->snow;
        $off = array_map(
            fn (int $at): int => abs(ord($finer->data[$at]) - ord($whole->snow->data[$at])),
            array_keys(str_split($finer->data)),
        );
        self::assertLessThan(4, array_sum($off) / max(1, count(array_filter(str_split($finer->data), ord(...)))));
        self::assertNotSame($whole->snow->data, $finer->data);
    }

    public function test_snow_lies_in_shade_at_its_rim_and_where_the_body_turns_from_the_light(): void
    {
        // Light from the left.
        $rough = self::ball(new RoughDials(snow: 0.9, snowLumps: 0), 180);
        for ($at = 0; $at < self::SIZE ** 2; $at++) {
            self::assertLessThanOrEqual(ord($rough->snow->data[$at]) + 1, ord($rough->snowShade->data[$at]));
        }
        self::assertSame([255, 0], [$rough->snow->at(70, 60), $rough->snowShade->at(70, 60)], 'toward the light');
        self::assertSame([255, 255], [$rough->snow->at(185, 70), $rough->snowShade->at(185, 70)], 'away from it');
        // The rim lies at an eleventh of the radius above the middle.
        self::assertGreaterThan(150, $rough->snowShade->at(60, 97));
        self::assertSame(0, $rough->snowShade->at(60, 78));
    }

    public function test_snow_is_hung_over_the_light_in_white_and_blue_and_only_where_there_is_some(): void
    {
        $plan = LightPlan::fromData(new Data(['azimuth' => 90, 'elevation' => 40]));
        $sheet = new Sheet(new MemorySource);
        $sheet->put(PageSize::KEY, new PageSize(self::SIZE, self::SIZE, 300));
        $lay = function (float $amount) use ($sheet, $plan): void {
            $rough = self::ball(new RoughDials(snow: $amount, lines: 1, rim: 9), 90);
            $piece = [new Rect(0, 0, self::SIZE, self::SIZE), $rough];
            (new LayRoughIn(7, 'Oda', new PanelLight($plan, [$piece])))->apply($sheet);
        };
        $passes = fn (): array => $sheet->all(PassSpec::class);
        $lay(0);
        self::assertArrayNotHasKey('rough7snow', $passes());
        $lay(0.8);
        [$snow, $shade] = [$passes()['rough7snow'], $passes()['rough7snowshade']];
        self::assertSame(['Snow, rough', 'Snow in shade, rough'], [$snow->name, $shade->name]);
        self::assertEquals(
            [LightPart::Given, LightPart::Given],
            array_map(
                fn (PassSpec $pass): ?LightPart => $pass->content instanceof TintContent
                    ? $pass->content->follows
                    : null,
                [$snow, $shade],
            ),
        );
        self::assertLessThan($shade->order, $snow->order);
        foreach (['rough7light', 'rough7rim', 'rough7lines'] as $below) {
            self::assertLessThan($snow->order, $passes()[$below]->order, $below);
        }
        $laid = fn (): string => $sheet->layer(LayerName::ofPass('rough7snow', LayerKind::Coverage));
        self::assertSame(255, ord($laid()[self::SIZE * 30 + 112]));
        $lay(0);
        self::assertSame('', trim($laid(), "\0"), 'and melts');
    }

    private static function sum(Plane $plane): int
    {
        return (int) array_sum(array_map(ord(...), str_split($plane->data)));
    }
}

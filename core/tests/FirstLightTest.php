<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Colour\Rgb;
use Awning\Core\Light\FirstLight;
use Awning\Core\Light\LightPage;
use Awning\Core\Light\Plan\LightPlan;
use Awning\Core\Light\RoughIn;
use Awning\Core\Light\Scene;
use Awning\Core\Page\Data;
use Awning\Core\Page\Region\Region;
use Awning\Core\Page\Region\Solid;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;
use PHPUnit\Framework\TestCase;

/** The entrance to the room of light: what it takes of a page, and whom it lights. */
final class FirstLightTest extends TestCase
{
    private const WIDTH = 240;

    private const HEIGHT = 160;

    /** Two figures of two regions each: 1 and 2 of figure 5, 3 and 4 of figure 8, on nothing. */
    private const BOXES = [
        1 => [20, 20, 60, 70],
        2 => [20, 90, 60, 140],
        3 => [110, 20, 170, 70],
        4 => [180, 90, 220, 140],
    ];

    /** @param  array<int, array<string, mixed>>  $more  what is told of regions, by label */
    private function page(array $more = [], array $depths = [5 => 1, 8 => 2], array $plans = []): LightPage
    {
        $data = str_repeat("\0", 2 * self::WIDTH * self::HEIGHT);
        $regions = [];
        foreach (self::BOXES as $label => [$left, $top, $right, $bottom]) {
            for ($y = $top; $y < $bottom; $y++) {
                $data = substr_replace(
                    $data,
                    str_repeat("\0".chr($label), $right - $left),
                    2 * ($y * self::WIDTH + $left),
                    2 * ($right - $left),
                );
            }
            $figure = $label < 3 ? 5 : 8;
            $regions[$label] = Region::fromData(
                new Data(
                    ($more[$label] ?? []) + [
                        'figure' => $figure,
                        'material' => 10 * $figure + $label,
                        'area' => ($right - $left) * ($bottom - $top),
                        'x' => $left,
                        'y' => $top,
                    ],
                ),
            );
        }

        return new LightPage(
            new Labels(self::WIDTH, self::HEIGHT, $data),
            $regions,
            $depths,
            fn (Region $region): ?Rgb => new Rgb($region->material, 100, 50),
            $plans,
        );
    }

    private function plan(array $dials = []): LightPlan
    {
        return LightPlan::fromData(new Data(['azimuth' => 150, 'elevation' => 40, 'dials' => $dials]));
    }

    /**
     * How much there is of a plane of some pieces inside a box.
     *
     * @param  list<array{Rect, RoughIn}>  $pieces
     * @param  callable(RoughIn): Plane  $of
     */
    private static function inside(array $pieces, array $box, callable $of): int
    {
        [$left, $top, $right, $bottom] = $box;
        $sum = 0;
        foreach ($pieces as [$where, $light]) {
            $plane = $of($light);
            for ($y = max($top, $where->y); $y < min($bottom, $where->bottom()); $y++) {
                for ($x = max($left, $where->x); $x < min($right, $where->right()); $x++) {
                    $sum += ord($plane->data[($y - $where->y) * $where->width + $x - $where->x]);
                }
            }
        }

        return $sum;
    }

    public function test_a_light_falls_on_the_figure_that_is_meant_and_on_no_other(): void
    {
        $lit = (new FirstLight($this->page(), 8))->by($this->plan()) ?? self::fail('no light');
        $shade = fn (RoughIn $light): Plane => $light->shade;
        self::assertGreaterThan(0, self::inside($lit->light->pieces, self::BOXES[3], $shade));
        self::assertGreaterThan(0, self::inside($lit->light->pieces, self::BOXES[4], $shade));
        self::assertSame(
            [0, 0],
            [
                self::inside($lit->light->pieces, self::BOXES[1], $shade),
                self::inside($lit->light->pieces, self::BOXES[2], $shade),
            ],
        );
        self::assertSame([null, []], [$lit->glow, $lit->panels]);
        self::assertNull((new FirstLight($this->page(), 9))->by($this->plan()), 'nobody of that number is here');
    }

    public function test_regions_under_a_plan_of_their_own_are_lit_by_that_and_named_after_it(): void
    {
        $dark = LightPlan::fromData(new Data(['azimuth' => 330, 'elevation' => 10]));
        $page = $this->page(
            [2 => ['plan' => 31], 3 => ['plan' => 31], 4 => ['plan' => 77]],
            plans: [31 => [$dark, 'The kitchen']],
        );
        $lit = (new FirstLight($page, 5))->by($this->plan()) ?? self::fail('no light');
        self::assertSame([31], array_keys($lit->panels));
        self::assertSame('Shade: The kitchen', $lit->panels[31]->named('Shade'));
        $shade = fn (RoughIn $light): Plane => $light->shade;
        self::assertSame(0, self::inside($lit->light->pieces, self::BOXES[2], $shade));
        self::assertSame(0, self::inside($lit->panels[31]->pieces, self::BOXES[1], $shade));
        // From the upper left the right of a box lies in shade; from the lower right its left does.
        $half = fn (array $box, bool $isRight): array => $isRight
            ? [($box[0] + $box[2]) / 2, $box[1], $box[2], $box[3]]
            : [$box[0], $box[1], ($box[0] + $box[2]) / 2, $box[3]];
        self::assertGreaterThan(
            self::inside($lit->light->pieces, $half(self::BOXES[1], false), $shade),
            self::inside($lit->light->pieces, $half(self::BOXES[1], true), $shade),
        );
        self::assertGreaterThan(
            self::inside($lit->panels[31]->pieces, $half(self::BOXES[2], true), $shade),
            self::inside($lit->panels[31]->pieces, $half(self::BOXES[2], false), $shade),
        );
        self::assertSame(
            [],
            ((new FirstLight($page, 8))->by($this->plan()) ?? self::fail('no light'))->panels[77] ?? [],
            'a plan that is gone is the page’s',
        );
    }

    public function test_only_a_nearer_figure_casts_its_shadow_on_another(): void
    {
        $cast = fn (RoughIn $light): Plane => $light->cast;
        // Figure 8 stands to the right of 5: with the light from the right its shadow falls on 5 where it is nearer.
        $plan = LightPlan::fromData(new Data(['azimuth' => 0, 'elevation' => 20, 'dials' => ['cast' => 80]]));
        $falls = fn (array $depths): int => self::inside(
            ((new FirstLight($this->page(depths: $depths), 5))->by($plan) ?? self::fail('no light'))->light->pieces,
            self::BOXES[1],
            $cast,
        );
        self::assertGreaterThan(0, $falls([5 => 1, 8 => 2]));
        self::assertSame(0, $falls([5 => 2, 8 => 1]));
    }

    public function test_lumps_of_snow_follow_from_the_place_on_the_page(): void
    {
        $plan = $this->plan(['snow' => 0.8, 'snowLumps' => 1, 'snowSize' => 12]);
        $lit = (new FirstLight($this->page(), 8))->by($plan) ?? self::fail('no light');
        self::assertCount(2, $lit->light->pieces);
        foreach ($lit->light->pieces as [$where, $rough]) {
            self::assertGreaterThan(100, $where->x);
            $alone = fn (int $x, int $y): RoughIn => RoughIn::of(
                $this->page()->labels->crop($where),
                $plan->key,
                $plan->dials,
                new Scene(x: $x, y: $y),
            );
            self::assertSame(bin2hex($alone($where->x, $where->y)->snow->data), bin2hex($rough->snow->data));
            self::assertNotSame($alone(0, $where->y)->snow->data, $rough->snow->data);
            self::assertNotSame($alone($where->x, 0)->snow->data, $rough->snow->data);
        }
    }

    public function test_what_shines_has_no_shade_and_glows_in_the_colour_of_its_largest(): void
    {
        $page = $this->page([
            1 => ['solid' => Solid::Shining->value],
            2 => ['solid' => Solid::Shining->value, 'area' => 9000],
        ]);
        $lit = (new FirstLight($page, 5))->by($this->plan(['glow' => 20])) ?? self::fail('no light');
        self::assertSame([[], '#346432'], [$lit->light->pieces, $lit->glow?->colour->hex()]);
        self::assertNull((new FirstLight($page, 5))->by($this->plan(['glow' => 0])), 'nothing of it is to be lit');
    }

    public function test_the_ground_all_round_is_no_body(): void
    {
        self::assertSame([5 => 4000, 8 => 5000], $this->page()->bodies());
    }
}

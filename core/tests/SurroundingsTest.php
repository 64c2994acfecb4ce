<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Colour\Oklab;
use Awning\Core\Colour\Rgb;
use Awning\Core\Grade\AroundFigures;
use Awning\Core\Page\Data;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Pass\Surroundings;
use Awning\Core\Page\Pass\WashContent;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Labels;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Passes\AddPass;
use Awning\Core\Sheet\Ops\Passes\WashSurroundings;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\MemorySource;
use PHPUnit\Framework\TestCase;

/** What lies around figures, and washes in the colour of that. */
final class SurroundingsTest extends TestCase
{
    use DrawsLabels;

    /** A figure (label 1) in the middle, ground to its left (2) and right (3), and far from it a corner (4). */
    private static function scene(int $scale = 1): Labels
    {
        return self::drawn(
            200 * $scale,
            150 * $scale,
            fn (int $x, int $y): int => match (true) {
                $x < 20 * $scale && $y < 20 * $scale => 4,
                abs($x - 100 * $scale) < 20 * $scale && abs($y - 75 * $scale) < 30 * $scale => 1,
                $x < 110 * $scale => 2,
                default => 3,
            },
        );
    }

    /**
     * @param  array<int, int>  $figures  by label; 0: unfilled
     * @return array<int, Region>
     */
    private static function regions(array $figures): array
    {
        return array_map(fn (int $figure): Region => new Region($figure, $figure, 100, 1, 1), $figures);
    }

    public function test_what_lies_near_a_figure_counts_for_more_than_what_lies_far(): void
    {
        $regions = self::regions([1 => 5, 2 => 6, 3 => 7, 4 => 7]);
        $around = new AroundFigures(self::scene(), $regions, [5 => 2, 6 => 1, 7 => 0]);
        $shares = $around->of(5)?->shares ?? [];
        self::assertEqualsWithDelta(1000, array_sum($shares), 2);
        // The left ground reaches under more of the figure's edge than the right one.
        self::assertSame([2, 3], array_keys($shares), 'the corner is too far to count');
        self::assertGreaterThan(1.3, $shares[2] / $shares[3]);
        self::assertLessThan(2.2, $shares[2] / $shares[3]);
        self::assertNull($around->of(99), 'a figure the page has nothing of');
    }

    public function test_a_large_page_is_thinned_and_comes_to_the_same(): void
    {
        $regions = self::regions([1 => 5, 2 => 6, 3 => 7, 4 => 7]);
        $small = (new AroundFigures(self::scene(), $regions, [5 => 2]))->of(5)?->shares ?? [];
        $large = (new AroundFigures(self::scene(4), $regions, [5 => 2]))->of(5)?->shares ?? [];
        self::assertSame(array_keys($small), array_keys($large));
        self::assertEqualsWithDelta($small[2], $large[2], 15);
    }

    public function test_what_stands_before_a_figure_is_unfilled_or_of_itself_does_not_count(): void
    {
        $of = fn (array $figures, array $depths): array => array_keys(
            (new AroundFigures(self::scene(), self::regions($figures), $depths))->of(5)?->shares ?? [],
        );
        self::assertSame([3], $of([1 => 5, 2 => 6, 3 => 7, 4 => 7], [5 => 1, 6 => 2, 7 => 0]), 'the left is nearer');
        self::assertSame([2, 3], $of([1 => 5, 2 => 6, 3 => 7, 4 => 7], [5 => 1, 6 => 1, 7 => 0]), 'as near');
        self::assertSame([2], $of([1 => 5, 2 => 6, 3 => 0, 4 => 7], [5 => 1, 6 => 0, 7 => 0]), 'the right is unfilled');
        self::assertSame([3, 4], $of([1 => 5, 2 => 5, 3 => 7, 4 => 7], [5 => 1, 7 => 0]), 'the left one is its own');
        self::assertSame([], $of([1 => 5, 2 => 0, 3 => 0, 4 => 0], [5 => 1]));
        // One that no list of depths knows lies behind all others.
        self::assertSame([2, 3], $of([1 => 5, 2 => 6, 3 => 7, 4 => 7], [5 => 1]));
    }

    public function test_paper_that_runs_round_the_page_does_not_count(): void
    {
        // A panel (2) with a figure (1) in it, on paper (3).
        $page = fn (int $x, int $y): int => match (true) {
            abs($x - 60) < 12 && abs($y - 50) < 12 => 1,
            $x >= 40 && $x < 80 && $y >= 30 && $y < 70 => 2,
            default => 3,
        };
        $regions = self::regions([1 => 5, 2 => 6, 3 => 7]);
        $shares = fn (callable $label): array => array_keys(
            (new AroundFigures(self::drawn(120, 100, $label), $regions, [5 => 1]))->of(5)?->shares ?? [],
        );
        self::assertSame([2], $shares($page));
        // It does where it is bled off on three sides only.
        self::assertSame([2, 3], $shares(fn (int $x, int $y): int => $y >= 90 ? 2 : $page($x, $y)));
    }

    public function test_those_that_count_most_are_kept(): void
    {
        $weights = [];
        foreach (range(1, 60) as $label) {
            $weights[$label] = (float) $label;
        }
        $kept = Surroundings::of($weights)?->shares ?? [];
        self::assertSame([range(60, 13), 48], [array_keys($kept), count($kept)]);
        self::assertSame([7 => 667, 9 => 333], Surroundings::of([9 => 1.0, 7 => 2.0, 3 => 0.0001])?->shares);
        self::assertNull(Surroundings::of([]));
        self::assertNull(Surroundings::of([4 => 0.0]));
    }

    public function test_the_colour_is_the_mean_in_oklab_of_what_is_there(): void
    {
        $around = new Surroundings([2 => 600, 3 => 200, 9 => 200]);
        $colours = [2 => new Rgb(200, 40, 40), 3 => new Rgb(30, 60, 220)];
        $mixed = $around->colour(fn (int $label): ?Rgb => $colours[$label] ?? null);
        self::assertNotNull($mixed);
        [$red, $blue, $is] = [Oklab::of($colours[2]), Oklab::of($colours[3]), Oklab::of($mixed)];
        // Three to one: the third has no colour, and does not count.
        self::assertEqualsWithDelta(0.75 * $red->l + 0.25 * $blue->l, $is->l, 0.004);
        self::assertEqualsWithDelta(0.75 * $red->a + 0.25 * $blue->a, $is->a, 0.004);
        self::assertEqualsWithDelta(0.75 * $red->b + 0.25 * $blue->b, $is->b, 0.004);
        self::assertNull($around->colour(fn (): ?Rgb => null));
    }

    /** A page of 40 × 10 with a figure (1), ground (2) and sky (3), and a wash of half strength over the figure. */
    private static function washed(): Sheet
    {
        $sheet = new Sheet(new MemorySource);
        $sheet->put(PageSize::KEY, new PageSize(40, 10, 300));
        foreach ([1 => [5, 50], 2 => [6, 60], 3 => [7, 70]] as $label => [$figure, $material]) {
            $sheet->put((string) $label, new Region($figure, $material, 100, 1, 1));
        }

        return $sheet;
    }

    /** @param  list<array{int, int}>  $around */
    private static function wash(float $strength, array $around = [[2, 500]], int $figure = 5): WashSurroundings
    {
        return WashSurroundings::fromInput(new Data([
            'washes' => [['figure' => $figure, 'colour' => '#010203', 'around' => $around]],
            'strength' => $strength,
        ]));
    }

    public function test_a_figure_has_one_such_wash_that_is_set_anew(): void
    {
        $sheet = self::washed();
        self::wash(0.25)->apply($sheet);
        $pass = fn (): ?PassSpec => $sheet->find(PassSpec::class, 'around5');
        self::assertEquals(
            ['Surroundings', 5, Scope::figure(5), BlendMode::Normal, 0.25],
            [$pass()?->name, $pass()?->figure, $pass()?->scope, $pass()?->mode, $pass()?->opacity],
        );
        $hung = $pass() ?? self::fail('there is none');
        $sheet->put('around5', $hung->changed(new Data(['mode' => 'multiply', 'name' => 'Haze']))->at(0.5));
        self::wash(0.5, [[3, 900]])->apply($sheet);
        self::assertEquals(
            ['Haze', BlendMode::Multiply, 0.5, 0.5, new Surroundings([3 => 900])],
            [
                $pass()?->name,
                $pass()?->mode,
                $pass()?->opacity,
                $pass()?->order,
                $pass()?->content instanceof WashContent ? $pass()->content->around : null,
            ],
        );
        self::wash(0.5, [[2, 900]], 6)->apply($sheet);
        self::assertSame(['around5', 'around6'], array_keys($sheet->all(PassSpec::class)));
        foreach (range(3, AddPass::MOST) as $i) {
            $sheet->put("pass$i", $hung);
        }
        $this->expectException(OpRefused::class);
        self::wash(0.5, [[2, 900]], 7)->apply($sheet);
    }

    public function test_what_is_no_wash_of_surroundings_is_refused(): void
    {
        $good = ['figure' => 5, 'colour' => '#010203', 'around' => [[2, 500]]];
        $many = array_map(fn (int $i): array => [$i, 5], range(1, 49));
        foreach (
            [
                ['washes' => [], 'strength' => 0.5],
                ['washes' => [$good], 'strength' => 1.01],
                ['washes' => [['figure' => 0] + $good], 'strength' => 0.5],
                ['washes' => [['around' => []] + $good], 'strength' => 0.5],
                ['washes' => [['around' => [[2]]] + $good], 'strength' => 0.5],
                ['washes' => [['around' => [['2', 500]]] + $good], 'strength' => 0.5],
                ['washes' => [['around' => [[0, 500]]] + $good], 'strength' => 0.5],
                ['washes' => [['around' => [[65536, 500]]] + $good], 'strength' => 0.5],
                ['washes' => [['around' => [[2, 0]]] + $good], 'strength' => 0.5],
                ['washes' => [['around' => [[2, 1001]]] + $good], 'strength' => 0.5],
                ['washes' => [['around' => $many] + $good], 'strength' => 0],
            ] as $i => $input
        ) {
            try {
                WashSurroundings::fromInput(new Data($input));
                self::fail("Number $i was taken.");
            } catch (\InvalidArgumentException) {
                $this->addToAssertionCount(1);
            }
        }
        $input = ['washes' => [$good, ['figure' => 6] + $good], 'strength' => 0.5];
        self::assertSame($input, WashSurroundings::fromInput(new Data($input))->toInput());
        self::assertSame([5, 6], WashSurroundings::fromInput(new Data($input))->refersTo()->figures);
        self::assertSame(
            ['Wash 2 figures in their surroundings', 'Wash a figure in its surroundings'],
            [WashSurroundings::fromInput(new Data($input))->title(), self::wash(1)->title()],
        );
    }

    public function test_on_another_page_a_wash_has_the_colour_it_was_last_told(): void
    {
        $data = ['name' => 'Air', 'mode' => 'normal', 'opacity' => 1.0];
        $content = ['kind' => 'wash', 'colour' => '#102030', 'around' => [[2, 500]]];
        $pass = PassSpec::ofNobody(new Data($data + ['content' => $content]));
        self::assertSame(['kind' => 'wash', 'colour' => '#102030'], $pass->content->toData());
        $own = PassSpec::ofNobody(new Data($data + ['content' => ['kind' => 'wash', 'colour' => '#405060']]));
        self::assertSame(['kind' => 'wash', 'colour' => '#405060'], $own->content->toData());
    }
}

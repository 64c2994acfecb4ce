<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Flats\BridgeCandidate;
use Awning\Core\Flats\BridgeCandidates;
use Awning\Core\Flats\BridgeChoice;
use Awning\Core\Flats\BridgeFinder;
use Awning\Core\Flats\BridgeScore;
use Awning\Core\Flats\BridgeTrees;
use Awning\Core\Flats\EndKind;
use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Flats\InkMap;
use Awning\Core\Flats\LeftOver;
use Awning\Core\Flats\LineEnd;
use Awning\Core\Flats\LineEnds;
use Awning\Core\Flats\Nearby;
use Awning\Core\Page\Region\Bridge;
use Awning\Core\Page\Region\BridgeKind;
use Awning\Core\Raster\Components;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Runs;
use PHPUnit\Framework\TestCase;

/** How gaps are found, scored and chosen; and what is joined of hatching. */
final class BridgeTest extends TestCase
{
    use DrawsPlanes;

    /** Strokes of 5 px from place to place. */
    private function strokes(int $side, array ...$strokes): Plane
    {
        return $this->drawn($side, $side, function (int $x, int $y) use ($strokes): bool {
            foreach ($strokes as [$ax, $ay, $bx, $by]) {
                $t = max(
                    0,
                    min(
                        1,
                        (($x - $ax) * ($bx - $ax) + ($y - $ay) * ($by - $ay)) / (($bx - $ax) ** 2 + ($by - $ay) ** 2),
                    ),
                );
                if (hypot($x - $ax - $t * ($bx - $ax), $y - $ay - $t * ($by - $ay)) < 2.5) {
                    return true;
                }
            }

            return false;
        });
    }

    private function map(Plane $plane): InkMap
    {
        return InkMap::of($plane->data, $plane->width, $plane->height);
    }

    public function test_tips_and_corners_are_found_where_they_are(): void
    {
        $map = $this->map($this->strokes(160, [30, 80, 100, 80], [30, 80, 60, 20]));
        $ends = (new LineEnds($map->ink, $map->stride))->find($map->runs(), $map->lineWidth());
        $tips = array_values(array_filter($ends, fn (LineEnd $end): bool => $end->is(EndKind::Tip)));
        usort($tips, fn (LineEnd $a, LineEnd $b): int => $a->x <=> $b->x);
        self::assertGreaterThanOrEqual(2, count($tips));
        $last = $tips[count($tips) - 1];
        self::assertEqualsWithDelta([103.5, 81.5, 1, 0], [$last->x, $last->y, $last->dx, $last->dy], 1.0);
        $upper = array_values(array_filter($tips, fn (LineEnd $end): bool => $end->y < 40))[0];
        self::assertEqualsWithDelta([62, 19, 0.447, -0.894], [$upper->x, $upper->y, $upper->dx, $upper->dy], 1.6);
        self::assertLessThan(-0.7, $upper->dy);
        foreach ($ends as $end) {
            self::assertEqualsWithDelta(1.0, hypot($end->dx, $end->dy), 1e-9);
            self::assertTrue($map->isInk($end->x, $end->y), 'an end lies on ink');
        }
    }

    /** @return list<LineEnd> of a drawing of strokes, of one kind */
    private function endsOf(EndKind $kind, Plane $plane): array
    {
        $map = $this->map($plane);

        return array_values(
            array_filter(
                (new LineEnds($map->ink, $map->stride))->find($map->runs(), 5.0),
                fn (LineEnd $end): bool => $end->is($kind),
            ),
        );
    }

    public function test_a_corner_is_found_however_it_is_turned_and_a_curve_is_none(): void
    {
        foreach ([0, 23, 45, 70] as $degrees) {
            [$cos, $sin] = [cos(deg2rad($degrees)), sin(deg2rad($degrees))];
            $at = fn (float $along, float $aside): array => [
                80 + $along * $cos - $aside * $sin,
                80 + $along * $sin + $aside * $cos,
            ];
            $corners = $this->endsOf(
                EndKind::Corner,
                $this->strokes(160, [...$at(0, 0), ...$at(45, 0)], [...$at(0, 0), ...$at(0, 45)]),
            );
            self::assertCount(1, $corners, "turned by $degrees degrees");
            // It juts out away from both; half a turn of 90 degrees is cos 45, here as further on.
            [$x, $y] = $at(-1.2, -1.2);
            self::assertEqualsWithDelta([$x + 1.5, $y + 1.5], [$corners[0]->x, $corners[0]->y], 1.5);
            self::assertGreaterThan(
                0.95,
                -($corners[0]->dx * ($cos - $sin) + $corners[0]->dy * ($sin + $cos)) / M_SQRT2,
            );
            self::assertEqualsWithDelta([M_SQRT1_2, M_SQRT1_2], [$corners[0]->bend, $corners[0]->farBend], 0.09);
        }
        $ring = fn (float $radius): Plane => $this->drawn(
            160,
            160,
            fn (int $x, int $y): bool => abs(hypot($x - 80, $y - 80) - $radius) < 2.5,
        );
        self::assertSame([], $this->endsOf(EndKind::Corner, $ring(30)));
        // A rounded one is bent more when one looks further.
        $rounded = $this->drawn(
            160,
            160,
            fn (int $x, int $y): bool => $x >= 80 && $y >= 80 && $x < 84 && $y < 84
                ? abs(hypot($x - 84, $y - 84) - 2.5) < 2.5
                : (abs($x - 81.5) < 2.5 && $y >= 84 && $y < 130) || (abs($y - 81.5) < 2.5 && $x >= 84 && $x < 130),
        );
        [$corner] = $this->endsOf(EndKind::Corner, $rounded);
        self::assertGreaterThan(M_SQRT1_2 + 0.02, $corner->farBend);
        self::assertLessThan($corner->bend - 0.02, $corner->farBend);
    }

    public function test_patterns_have_no_corners_and_no_dots(): void
    {
        // Teeth of a comb 8 px apart, beside one corner far away; a field of dots, beside one bit of a line.
        $comb = $this->drawn(
            240,
            160,
            fn (int $x, int $y): bool => ($y > 60 && $y < 100 && $x < 130 && ($y > 80 || $x % 16 < 8)) ||
                ($x > 180 && $x < 185 && $y > 40 && $y < 120) ||
                ($y > 115 && $y < 120 && $x > 180 && $x < 230),
        );
        self::assertSame(
            [[true, true]],
            array_map(
                fn (LineEnd $end): array => [$end->x > 175, $end->y > 110],
                array_values(
                    array_filter(
                        $this->endsOf(EndKind::Corner, $comb),
                        fn (LineEnd $end): bool => $end->x > 30 && ($end->x < 110 || $end->x > 160),
                    ),
                ),
            ),
        );
        $dots = $this->drawn(
            240,
            160,
            fn (int $x, int $y): bool => ($x > 20 &&
                $x < 100 &&
                $y > 20 &&
                $y < 100 &&
                hypot(($x % 10) - 5, ($y % 10) - 5) < 2.5) ||
                hypot($x - 180, $y - 60) < 3,
        );
        self::assertSame(
            [[181, 61]],
            array_map(fn (LineEnd $end): array => [(int) $end->x, (int) $end->y], $this->endsOf(EndKind::Dot, $dots)),
        );
    }

    public function test_a_mirrored_drawing_has_mirrored_ends(): void
    {
        $plane = $this->strokes(
            160,
            [20, 40, 70, 90],
            [80, 20, 81, 70],
            [90, 100, 150, 130],
            [40, 140, 70, 110],
            [130, 30, 131, 30],
        );
        $ends = function (Plane $plane): array {
            $map = $this->map($plane);

            return [
                $map->lineWidth(),
                (new LineEnds($map->ink, $map->stride))->find($map->runs(), $map->lineWidth()),
            ];
        };
        [$width, $found] = $ends($plane);
        [$mirroredWidth, $mirrored] = $ends(
            new Plane(160, 160, implode('', array_map(strrev(...), str_split($plane->data, 160)))),
        );
        self::assertSame($width, $mirroredWidth);
        $key = fn (LineEnd $end): string => sprintf(
            '%.2f %.2f %.3f %.3f %.4f %.4f',
            $end->x,
            $end->y,
            $end->dx,
            $end->dy,
            $end->bend,
            $end->farBend,
        );
        $a = array_map($key, $found);
        $b = array_map(
            fn (LineEnd $end): string => $key(
                new LineEnd(
                    x: 162 - $end->x,
                    y: $end->y,
                    dx: -$end->dx,
                    dy: $end->dy,
                    kind: $end->kind,
                    bend: $end->bend,
                    farBend: $end->farBend,
                ),
            ),
            $mirrored,
        );
        sort($a);
        sort($b);
        self::assertNotSame([], $a);
        self::assertSame($a, $b);
    }

    public function test_scores_follow_the_trees(): void
    {
        self::assertGreaterThan(0.8, $near = BridgeScore::pair([0.5, 0.05, 0.02, 0, 0.05, 1, 0, 0.0, 0.0]));
        self::assertLessThan(0.1, BridgeScore::pair([1.7, 0.9, 0.8, 0, 1.5, 1, 0, 0.0, 0.0]));
        self::assertGreaterThan(BridgeScore::pair([1.75, 0.05, 0.02, 0, 0.05, 1, 0, 0.0, 0.0]), $near);
        self::assertGreaterThan(0.6, BridgeScore::shot([0.3, 0.02, 1.0, 0.3, 0.5, 0]));
        self::assertLessThan(0.1, BridgeScore::shot([1.3, 0.6, 0.3, -0.3, 0.2, 5]));
        // Alone they were one line; where there is a surer way for one of them, they were not.
        $bend = [1.35, 0.21, 0.04, 0, 0.38, 2, 0, 0.0, 0.0];
        self::assertGreaterThan(
            2 * BridgeScore::leftPair([...$bend, 9, 6, 0.19]),
            BridgeScore::leftPair([...$bend, 0, 0, 0]),
        );
        self::assertGreaterThan(
            BridgeScore::leftShot([1.25, 0.5, 0.5, 0.1, 0.8, 3, 0.0, 0, 0, 0.0, 0.0]),
            BridgeScore::leftShot([1.0, 0.02, 1.0, -0.17, -0.08, 0, 0.0, 0, 0, 0.0, 0.0]),
        );
        foreach (['pair' => 8, 'shot' => 5, 'leftPair' => 11, 'leftShot' => 10] as $kind => $last) {
            foreach (BridgeTrees::of($kind)['trees'] as $tree) {
                self::assertSame(0, count($tree) % 3);
                for ($at = 0; $at < count($tree); $at += 3) {
                    self::assertTrue(
                        $tree[$at] === -1 ||
                            ($tree[$at] >= 0 &&
                                $tree[$at] <= $last &&
                                $tree[$at + 2] > $at &&
                                $tree[$at + 2] < count($tree)),
                        'every node leads on',
                    );
                }
            }
        }
    }

    public function test_ends_are_found_by_place(): void
    {
        $ends = [3 => new LineEnd(10, 10, 1, 0), 5 => new LineEnd(19, 10, 1, 0), 8 => new LineEnd(100, 90, 1, 0)];
        $nearby = new Nearby($ends, 12);
        self::assertSame(9.0, $nearby->distance(10, 10, 3));
        self::assertSame(0.0, $nearby->distance(10, 10, 5));
        self::assertSame(12.0, $nearby->distance(60, 60, 1), 'none within reach');
        self::assertSame(
            [2, 1, 0, 1],
            [$nearby->count(14, 10), $nearby->count(14, 10, 5), $nearby->count(60, 60), $nearby->count(101, 91)],
        );
    }

    public function test_three_lines_that_were_cut_apart_are_joined_again(): void
    {
        $star = $this->strokes(
            200,
            [100, 10, 100, 93],
            [20, 160, 94, 105],
            [180, 160, 106, 105],
            [2, 10, 198, 10],
            [2, 10, 20, 160],
            [198, 10, 180, 160],
            [20, 160, 180, 160],
        );
        $flats = (new FlatsFinder(12))->find($star);
        $at = fn (int $x, int $y): int => $flats->labels->at($x, $y);
        self::assertNotSame($at(50, 60), $at(150, 60));
        self::assertNotSame($at(50, 60), $at(100, 140));
        self::assertNotSame($at(150, 60), $at(100, 140));
        self::assertGreaterThanOrEqual(2, count($flats->bridges));
    }

    public function test_a_bit_of_a_line_between_two_cuts_is_joined_at_both_sides(): void
    {
        $dotted = fn (array ...$more): Plane => $this->strokes(170, [20, 80, 70, 80], [79, 80, 80, 80], ...$more);
        $kinds = function (Plane $plane): array {
            $map = $this->map($plane);
            $ends = (new LineEnds($map->ink, $map->stride))->find($map->runs(), $map->lineWidth());

            return array_values(array_filter($ends, fn (LineEnd $end): bool => $end->is(EndKind::Dot)));
        };
        [$dot] = $kinds($dotted());
        self::assertEqualsWithDelta([81.0, 81.5, 0.0, 0.0], [$dot->x, $dot->y, $dot->dx, $dot->dy], 0.01);
        $spans = fn (Plane $plane): array => array_map(
            fn (Bridge $one): array => [min($one->x1, $one->x2), max($one->x1, $one->x2)],
            (new BridgeFinder(12))->find($this->map($plane), 5.0)->made,
        );
        // To a line that goes on, to one that bends away a little, to the side of one that crosses.
        foreach ([[90, 80, 150, 80], [91, 83, 140, 110], [91, 30, 91, 140]] as $beyond) {
            $made = $spans($dotted($beyond));
            sort($made);
            self::assertCount(2, $made);
            self::assertEqualsWithDelta([[72, 79], [81, 88]], $made, 3);
        }
        // A stroke that can be told by its two tips is none, and neither is a hole in a blot.
        self::assertSame([], $kinds($this->strokes(170, [20, 80, 70, 80], [79, 80, 92, 80])));
        self::assertSame(
            [],
            $kinds(
                $this->drawn(
                    170,
                    170,
                    fn (int $x, int $y): bool => (hypot($x - 60, $y - 60) < 12 && hypot($x - 60, $y - 60) > 3) ||
                        abs($y - 120) < 3,
                ),
            ),
        );
    }

    public function test_a_bend_that_was_cut_away_is_closed_when_all_else_is_done(): void
    {
        $bend = [[30, 100, 80, 100], [90, 84, 90, 29]];
        $found = (new BridgeFinder(12))->find($this->map($this->strokes(170, ...$bend)), 5.0);
        self::assertCount(1, $found->made);
        self::assertSame([], $found->doubtful, 'what is made is not told as doubtful, too');
        self::assertEqualsWithDelta(
            [90, 86, 82, 100],
            [$found->made[0]->x1, $found->made[0]->y1, $found->made[0]->x2, $found->made[0]->y2],
            2.5,
        );
        $refused = $found->made[0]->moved(-1, -1)->as(BridgeKind::Refused);
        self::assertSame(
            [],
            (new BridgeFinder(12, [$refused]))->find($this->map($this->strokes(170, ...$bend)), 5.0)->made,
        );
        // Upside down it is found upside down.
        $flipped = (new BridgeFinder(12))->find(
            $this->map(
                $this->strokes(
                    170,
                    ...array_map(
                        fn (array $line): array => [$line[0], 169 - $line[1], $line[2], 169 - $line[3]],
                        $bend,
                    ),
                ),
            ),
            5.0,
        );
        self::assertEqualsWithDelta($found->made[0]->score, $flipped->made[0]->score, 1e-9);
    }

    public function test_what_is_left_is_judged_by_whom_else_it_has(): void
    {
        // Two ends of a bend, a third that is aside of it, and a fourth far away.
        $map = $this->map(
            $this->strokes(240, [30, 100, 80, 100], [96, 86, 96, 30], [84, 122, 84, 180], [200, 200, 230, 200]),
        );
        $ends = (new LineEnds($map->ink, $map->stride))->find($map->runs(), 5.0);
        $candidates = new BridgeCandidates($map, $ends, 12, 5.0);
        $choice = new BridgeChoice($ends, $candidates->pairs());
        $near = fn (int $x, int $y): int => array_keys(
            array_filter($choice->free(), fn (LineEnd $end): bool => hypot($end->x - $x, $end->y - $y) < 6),
        )[0];
        [$left, $upper, $lower] = [$near(83, 101), $near(97, 85), $near(85, 120)];
        $all = [];
        foreach ((new LeftOver($choice, $map, 12))->pairs() as $pair) {
            $all[min($pair->from, $pair->to).' '.max($pair->from, $pair->to)] = $pair;
        }
        $bend = $all[min($left, $upper).' '.max($left, $upper)];
        $first = array_values(
            array_filter(
                $choice->pairs,
                fn (BridgeCandidate $pair): bool => [$pair->from, $pair->to] === [$bend->from, $bend->to],
            ),
        )[0];
        self::assertSame($first->features, array_slice($bend->features, 0, 9));
        // Around either of the two there is the third, besides its partner.
        self::assertSame(
            [1 + (int) (hypot($ends[$upper]->x - $ends[$lower]->x, $ends[$upper]->y - $ends[$lower]->y) < 36), 1],
            [$bend->features[9], $bend->features[10]],
        );
        $others = array_filter(
            $choice->pairs,
            fn (BridgeCandidate $pair): bool => $pair !== $first &&
                $pair->score >= 0.02 &&
                array_intersect([$pair->from, $pair->to], [$left, $upper]) !== [],
        );
        self::assertSame(
            max(0.0, ...array_map(fn (BridgeCandidate $pair): float => $pair->score, array_values($others))),
            $bend->features[11],
        );
        // When the third has its bridge, it is nobody's rival and no neighbour any more.
        $choice->make(new BridgeCandidate(new Bridge(85, 122, 85, 121), $lower, null, 1.0, []), $map);
        foreach ((new LeftOver($choice, $map, 12))->pairs() as $pair) {
            self::assertNotContains($lower, [$pair->from, $pair->to]);
            self::assertSame([0, 0, 0.0], array_slice($pair->features, 9));
        }
    }

    public function test_what_is_left_looks_ahead_from_tips_and_corners_and_not_from_dots(): void
    {
        // A corner before a wall, an end before it, another end far from all, and a dot before it.
        $map = $this->map(
            $this->strokes(
                170,
                [90, 10, 90, 160],
                [30, 80, 80, 80],
                [80, 80, 80, 120],
                [20, 20, 80, 20],
                [120, 20, 150, 20],
                [79, 145, 80, 145],
            ),
        );
        $ends = (new LineEnds($map->ink, $map->stride))->find($map->runs(), 5.0);
        $candidates = new BridgeCandidates($map, $ends, 12, 5.0);
        $choice = new BridgeChoice($ends, $candidates->pairs());
        $shots = fn (): array => array_map(
            fn (BridgeCandidate $shot): array => [
                $ends[$shot->from]->kind->name,
                $ends[$shot->from]->x > 70,
                count($shot->features),
                $shot->features[7],
            ],
            (new LeftOver($choice, $map, 12))->shots($candidates),
        );
        self::assertEqualsCanonicalizing(
            [['Corner', true, 11, 1], ['Tip', true, 11, 0]],
            array_values(array_unique($shots(), SORT_REGULAR)),
        );
        self::assertContains('Dot', array_map(fn (LineEnd $end): string => $end->kind->name, $ends));
        // One that has a bridge looks no more.
        $corner = array_values(
            array_filter(
                array_keys($ends),
                fn (int $end): bool => $ends[$end]->is(EndKind::Corner) && $ends[$end]->x > 70,
            ),
        )[0];
        $choice->make(new BridgeCandidate(new Bridge(84, 81, 86, 81), $corner, null, 1.0, []), $map);
        self::assertNotContains(['Corner', true, 11, 1], $shots());
    }

    public function test_what_is_not_sure_enough_is_told_and_not_made(): void
    {
        $flats = (new FlatsFinder(12))->find(
            $this->strokes(200, [20, 100, 80, 100], [97, 40, 97, 180], [10, 10, 190, 10], [185, 30, 190, 190]),
        );
        foreach ($flats->doubtful as $found) {
            self::assertLessThan(0.25, $found->score);
            self::assertGreaterThanOrEqual(0.07, $found->score);
            self::assertSame(BridgeKind::Doubtful, $found->kind);
        }
        self::assertSame(
            [],
            (new FlatsFinder(0))->find($this->strokes(200, [20, 100, 80, 100], [90, 40, 90, 180]))->doubtful,
        );
    }

    public function test_a_bridge_is_clear_when_it_crosses_paper_alone(): void
    {
        $map = $this->map($this->drawn(40, 20, fn (int $x, int $y): bool => $x < 10 || $x === 20 || $x > 30));
        self::assertTrue($map->isClear(new Bridge(9, 5, 18, 5)));
        self::assertTrue($map->isClear(new Bridge(10, 5, 21, 5)), 'to the line');
        self::assertFalse($map->isClear(new Bridge(10, 5, 32, 5)), 'through a line');
        self::assertFalse($map->isClear(new Bridge(2, 5, 8, 5)), 'all ink');
        self::assertEquals(new Bridge(11, 3, 19, 3), $map->draw(new Bridge(12, 4, 20, 4)), 'back in the page');
        self::assertFalse($map->isClear(new Bridge(12, 4, 20, 4)));
        self::assertSame(255, ord($map->bounds()[3 * 40 + 15]));
    }

    public function test_hatching_becomes_one_region_and_windows_stay_apart(): void
    {
        $isFrame = fn (int $x, int $y): bool => abs(max(abs($x - 300), abs($y - 300)) - 220) < 3;
        $isInside = fn (int $x, int $y): bool => max(abs($x - 300), abs($y - 300)) < 220;
        $count = fn (callable $isInk): int => count(
            (new FlatsFinder(12))->find($this->drawn(600, 600, $isInk))->regions,
        );
        self::assertSame(2, $count($isFrame));
        self::assertLessThanOrEqual(
            5,
            $count(fn (int $x, int $y): bool => $isFrame($x, $y) || ($isInside($x, $y) && $x < 350 && $x % 10 < 3)),
            'hatching across',
        );
        self::assertLessThanOrEqual(
            4,
            $count(
                fn (int $x, int $y): bool => $isFrame($x, $y) ||
                    ($isInside($x, $y) && $x + $y < 600 && ($x + $y) % 11 < 3),
            ),
            'askew',
        );
        self::assertLessThanOrEqual(
            4,
            $count(
                fn (int $x, int $y): bool => $isFrame($x, $y) ||
                    ($isInside($x, $y) && $x < 300 && ($x % 12 < 3 || $y % 12 < 3)),
            ),
            'crossed',
        );
        self::assertSame(
            2,
            $count(
                fn (int $x, int $y): bool => $isFrame($x, $y) ||
                    ($isInside($x, $y) && hypot(($x % 8) - 4, ($y % 8) - 4) < 2.5),
            ),
            'dots',
        );
        $windows = $count(
            fn (int $x, int $y): bool => $isFrame($x, $y) ||
                ($isInside($x, $y) && $y > 200 && $y < 320 && ($x % 40 < 4 || $y % 40 < 4)),
        );
        self::assertGreaterThan(20, $windows, 'a house keeps its windows');
    }

    public function test_splinters_between_lines_that_cross_at_random_stay_apart(): void
    {
        mt_srand(9);
        $lines = array_map(
            fn (): array => [mt_rand(0, 399), mt_rand(0, 399), mt_rand(0, 628) / 100, mt_rand(2, 4)],
            range(1, 60),
        );
        $plane = $this->drawn(400, 400, function (int $x, int $y) use ($lines): bool {
            foreach ($lines as [$px, $py, $angle, $width]) {
                if (abs(($x - $px) * sin($angle) - ($y - $py) * cos($angle)) < $width / 2) {
                    return true;
                }
            }

            return false;
        });
        $components = Components::of(Runs::of($plane->data, 400, 400, "\0"));
        self::assertCount($components->count(), (new FlatsFinder(0, 1, 0))->find($plane)->regions);
        self::assertGreaterThan(300, $components->count());
    }

    public function test_hatching_never_runs_into_what_lies_beside_it(): void
    {
        $flats = (new FlatsFinder(12))->find(
            $this->drawn(
                600,
                600,
                fn (int $x, int $y): bool => abs(max(abs($x - 300), abs($y - 300)) - 220) < 3 ||
                    (max(abs($x - 300), abs($y - 300)) < 220 && $x + $y < 600 && ($x + $y) % 11 < 3),
            ),
        );
        $at = fn (int $x, int $y): int => $flats->labels->at($x, $y);
        self::assertSame($at(150, 150), $at(200, 330), 'the hatched half');
        self::assertCount(3, array_unique([$at(10, 10), $at(150, 150), $at(450, 450)]));
        self::assertSame(
            600 * 600,
            array_sum(array_map(fn ($region): int => $region->area, $flats->regions)) +
                substr_count(
                    $this->drawn(
                        600,
                        600,
                        fn (int $x, int $y): bool => abs(max(abs($x - 300), abs($y - 300)) - 220) < 3 ||
                            (max(abs($x - 300), abs($y - 300)) < 220 && $x + $y < 600 && ($x + $y) % 11 < 3),
                    )->data,
                    "\xff",
                ),
            'areas add up',
        );
    }

    public function test_noise_ends_with_a_word(): void
    {
        mt_srand(5);
        $flats = (new FlatsFinder)->find($this->drawn(300, 200, fn (): bool => mt_rand(0, 1) === 1));
        self::assertTrue($flats->isNoise);
        self::assertSame([1], array_keys($flats->regions));
        self::assertSame(str_repeat("\0\1", 60_000), $flats->labels->data);
        self::assertFalse(
            (new FlatsFinder)->find($this->drawn(300, 200, fn (int $x): bool => $x % 40 < 4))->isNoise,
        );
    }
}

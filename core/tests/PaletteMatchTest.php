<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Colour\Clusters;
use Awning\Core\Colour\ColourSight;
use Awning\Core\Colour\Difference;
use Awning\Core\Colour\Lab;
use Awning\Core\Colour\MainColours;
use Awning\Core\Colour\Oklab;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Colour\ToneRule;
use Awning\Core\Colour\Verdict;
use Awning\Core\Proof\Advice;
use Awning\Core\Proof\AdviceKind;
use Awning\Core\Proof\LabelPiece;
use Awning\Core\Proof\NamedColour;
use Awning\Core\Proof\PaletteMatch;
use Awning\Core\Proof\PaletteSnap;
use Awning\Core\Proof\RampAdvice;
use Awning\Core\Proof\SeenColours;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Paint;
use Awning\Core\Raster\Plane;
use PHPUnit\Framework\TestCase;

final class PaletteMatchTest extends TestCase
{
    private const WIDTH = 331;

    private const HEIGHT = 243;

    private const SKIN = [201, 141, 107];

    private const WALL = [169, 168, 162];

    private const SEA = [65, 102, 122];

    /**
     * A wall, a disc of skin with a smooth edge, a box of sea, dark lines across, and three patches in the wall that
     * drift.
     *
     * @param  array<int, array{int, int, int}>  $patches  their colours
     */
    private static function page(
        array $patches,
        int $noise,
        array $wall = self::WALL,
        array $skin = self::SKIN,
        array $sea = self::SEA,
    ): Paint {
        mt_srand(11);
        $planes = ['', '', ''];
        for ($y = 0; $y < self::HEIGHT; $y++) {
            for ($x = 0; $x < self::WIDTH; $x++) {
                $colour = $wall;
                foreach ($patches as $i => $patch) {
                    if ($x >= 20 + 60 * $i && $x < 50 + 60 * $i && $y >= 190 && $y < 220) {
                        $colour = $patch;
                    }
                }
                if ($x >= 200 && $x < 310 && $y >= 30 && $y < 120) {
                    $colour = $sea;
                }
                $inside = max(0.0, min(1.0, 61.5 - hypot($x - 90, $y - 80)));
                $line = max(0.0, min(1.0, 2.2 - abs($x - 1.4 * $y) / 1.7));
                foreach ($planes as $c => $plane) {
                    $value = $colour[$c] + ($skin[$c] - $colour[$c]) * $inside;
                    $value += (20 - $value) * $line;
                    $planes[$c] .= chr(
                        (int) max(0, min(255, round($value + ($noise > 0 ? mt_rand(-$noise, $noise) : 0)))),
                    );
                }
            }
        }

        return new Paint(
            self::WIDTH,
            self::HEIGHT,
            $planes[0],
            $planes[1],
            $planes[2],
            str_repeat("\xff", self::WIDTH * self::HEIGHT),
        );
    }

    private static function palette(): PaletteMatch
    {
        return new PaletteMatch([
            new NamedColour('skin', new Rgb(...self::SKIN)),
            new NamedColour('wall', new Rgb(...self::WALL)),
            new NamedColour('sea', new Rgb(...self::SEA)),
        ]);
    }

    /** @return array{int, int, int} the wall, so far off */
    private static function off(float $wanted): array
    {
        $wall = Lab::of(new Rgb(...self::WALL));
        for ($blue = self::WALL[2]; $blue > 0; $blue--) {
            $colour = new Rgb(self::WALL[0], self::WALL[1], $blue);
            if (Difference::ciede2000($wall, Lab::of($colour)) >= $wanted) {
                return $colour->parts();
            }
        }
        self::fail("no colour is $wanted off");
    }

    public function test_drift_is_found_in_its_place_and_edges_and_noise_are_no_colours(): void
    {
        $patches = [self::off(2), self::off(5.5), self::off(10)];
        foreach ([0, 4] as $noise) {
            $page = self::page($patches, $noise);
            $drift = self::palette()->match($page);
            $rows = $drift->toData();
            self::assertCount(6, $rows, "noise $noise: ".json_encode(array_column($rows, 'colour')));
            self::assertEqualsWithDelta(1.0, array_sum(array_column($rows, 'share')), 1e-4);
            self::assertSame(['wall', 'skin', 'sea'], array_column(array_slice($rows, 0, 3), 'tone'));
            self::assertSame(['exact', 'exact', 'exact'], array_column(array_slice($rows, 0, 3), 'verdict'));
            self::assertEqualsWithDelta(0.123, $rows[2]['share'], 0.008, 'the sea is 110 x 90 px');
            $found = array_slice($rows, 3);
            usort($found, fn (array $a, array $b): int => $a['x'] <=> $b['x']);
            self::assertSame(['near', 'unknown', 'unknown'], array_column($found, 'verdict'));
            foreach ($found as $i => $row) {
                $true = Difference::ciede2000(Lab::of(new Rgb(...self::WALL)), Lab::of(new Rgb(...$patches[$i])));
                self::assertSame('wall', $row['tone']);
                self::assertEqualsWithDelta($true, $row['deltaE'], 0.4, "patch $i, noise $noise");
                self::assertTrue(
                    $row['x'] >= 20 + 60 * $i && $row['x'] < 50 + 60 * $i && $row['y'] >= 190 && $row['y'] < 220,
                    "patch $i is in its place",
                );
                self::assertEqualsWithDelta(900 / self::WIDTH / self::HEIGHT, $row['share'], 0.0025);
            }
            $this->assertGlows($drift->drift($page), $noise);
        }
    }

    /** The same page drawn in the palette's own colours is what snapping should come to. */
    public function test_a_picture_that_drifts_is_moved_onto_the_palette(): void
    {
        [$wall, $skin, $sea] = [[178, 175, 160], [196, 146, 114], [70, 98, 126]];
        $patches = [self::off(14)];
        $truth = self::page($patches, 0);
        foreach ([0, 4] as $noise) {
            $theirs = self::page($patches, $noise, $wall, $skin, $sea);
            $drift = self::palette()->match($theirs);
            self::assertSame(['near', 'near', 'near', 'unknown'], array_column($drift->toData(), 'verdict'));
            $snapped = PaletteSnap::of($theirs, $drift);
            foreach ([
                [150, 230, self::WALL],
                [90, 80, self::SKIN],
                [250, 60, self::SEA],
                [330, 242, self::WALL],
            ] as [$x, $y, $tone]) {
                self::assertSame([...$tone, 255], $snapped->at($x, $y), "flat at $x, $y, noise $noise");
            }
            self::assertSame($theirs->at(35, 205), $snapped->at(35, 205), 'what the palette does not know stays');
            $exact = $far = $sum = 0;
            foreach (['red', 'green', 'blue'] as $plane) {
                for ($at = 0, $count = strlen($truth->$plane); $at < $count; $at++) {
                    $off = abs(ord($truth->$plane[$at]) - ord($snapped->$plane[$at]));
                    $exact += $off === 0 ? 1 : 0;
                    $far += $off > 6 ? 1 : 0;
                    $sum += $off;
                }
            }
            $count = 3 * strlen($truth->red);
            self::assertGreaterThan($noise === 0 ? 0.9975 : 0.96, $exact / $count, "noise $noise");
            self::assertLessThan(0.0002, $far / $count, "noise $noise");
            self::assertLessThan($noise === 0 ? 0.005 : 0.1, $sum / $count, "noise $noise");
        }
        // What is right already comes back as it was.
        $right = self::page([self::WALL], 0);
        $same = PaletteSnap::of($right, self::palette()->match($right));
        $most = 0;
        foreach (['red', 'green', 'blue'] as $plane) {
            $most = max(
                $most,
                ...array_map(
                    fn (int $a, int $b): int => abs($a - $b),
                    unpack('C*', $right->$plane),
                    unpack('C*', $same->$plane),
                ),
            );
        }
        self::assertLessThanOrEqual(2, $most);
    }

    /** Where noise is as large as the drift of 2 itself, the two larger ones are found, and still nothing else. */
    public function test_much_noise_is_no_colour(): void
    {
        foreach ([6, 9, 14] as $noise) {
            $rows = self::palette()->match(self::page([self::WALL, self::off(8), self::off(14)], $noise))->toData();
            self::assertCount(5, $rows, "noise $noise: ".json_encode(array_column($rows, 'colour')));
            self::assertSame(
                [['wall', 'exact'], ['skin', 'exact'], ['sea', 'exact'], ['wall', 'unknown'], ['wall', 'unknown']],
                array_map(fn (array $row): array => [$row['tone'], $row['verdict']], $rows),
                "noise $noise",
            );
        }
    }

    /** What drifts has a hue, the more the further off it is; all else is grey. */
    private function assertGlows(Paint $picture, int $noise): void
    {
        self::assertSame([self::WIDTH, self::HEIGHT], [$picture->width, $picture->height]);
        $hue = fn (int $x, int $y): int => $picture->at($x, $y)[0] - $picture->at($x, $y)[2];
        self::assertSame([0, 0, 0], [$hue(150, 230), $hue(90, 80), $hue(250, 60)]);
        self::assertGreaterThan(25, $hue(35, 205), "noise $noise");
        self::assertGreaterThan($hue(35, 205) + 20, $hue(95, 205));
        self::assertGreaterThan($hue(95, 205) + 20, $hue(155, 205));
        self::assertSame(0, $hue(12, 205));
    }

    public function test_what_a_reader_sees_is_the_mean_of_the_light_where_no_ink_lies(): void
    {
        // Label 1: a black and a white pixel, and one under ink; label 2: another material; label 3: none.
        $labels = new Labels(3, 2, pack('n*', 1, 1, 1, 2, 3, 2));
        $picture = new Paint(
            3,
            2,
            "\x00\xff\x80\x10\x77\x12",
            "\x00\xff\x80\x20\x77\x20",
            "\x00\xff\x80\x30\x77\x30",
            str_repeat("\xff", 6),
        );
        $seen = SeenColours::of($picture, $labels, new Plane(3, 2, "\0\x0b\x0c\0\0\0"), [1 => 7, 2 => 8, 3 => 0]);
        self::assertSame([7, 8], array_keys($seen));
        self::assertSame(
            ['#bcbcbc', '#112030'],
            [$seen[7]->colour->hex(), $seen[8]->colour->hex()],
            'half the light is 188, not 128',
        );
        self::assertSame([2 / 6, 2 / 6], [$seen[7]->share, $seen[8]->share]);
    }

    public function test_pieces_touch_by_corners_and_rooms_do_not(): void
    {
        // A line of ink, two pixels across, from corner to corner: the same region on both sides, in two rooms; without
        // ink one piece.
        $labels = new Labels(4, 4, str_repeat(pack('n', 5), 16));
        $ink = '';
        for ($i = 0; $i < 16; $i++) {
            $ink .= in_array(($i % 4) - intdiv($i, 4), [0, 1], true) ? "\xff" : "\0";
        }
        self::assertCount(1, LabelPiece::in($labels));
        $sides = LabelPiece::in($labels, new Plane(4, 4, $ink));
        self::assertSame([3, 6], array_map(fn (LabelPiece $piece): int => $piece->area, $sides));
        self::assertNotSame($sides[0]->room, $sides[1]->room);
        // Two pixels of one label that meet at a corner, over a ground of another.
        $corner = LabelPiece::in(new Labels(2, 2, pack('n*', 7, 8, 8, 7)), new Plane(2, 2, "\0\xff\xff\0"));
        self::assertSame([1, 2], [count($corner), $corner[0]->area], 'one piece');
        $apart = LabelPiece::in(new Labels(2, 2, pack('n*', 7, 8, 8, 9)), new Plane(2, 2, "\0\xff\xff\0"));
        self::assertCount(2, $apart);
        self::assertNotSame($apart[0]->room, $apart[1]->room, 'nobody gets through a corner');
    }

    public function test_what_is_see_through_lies_on_white(): void
    {
        $half = new Paint(
            40,
            30,
            str_repeat("\0", 1200),
            str_repeat("\0", 1200),
            str_repeat("\0", 1200),
            str_repeat("\x80", 1200),
        );
        [$row] = (new PaletteMatch([
            new NamedColour('grey', new Rgb(127, 127, 127)),
            new NamedColour('black', new Rgb(0, 0, 0)),
        ]))
            ->match($half)
            ->toData();
        self::assertSame(
            ['#7f7f7f', 1.0, 'grey', 0.0, 'exact'],
            [$row['colour'], $row['share'], $row['tone'], $row['deltaE'], $row['verdict']],
        );
        self::assertSame(
            [Verdict::Exact, Verdict::Near, Verdict::Near, Verdict::Unknown],
            [Verdict::of(1.0), Verdict::of(1.01), Verdict::of(5.0), Verdict::of(5.01)],
        );
        $dot = new Paint(1, 1, "\x10", "\x20", "\x30", "\xff");
        self::assertSame('#102030', self::palette()->match($dot)->toData()[0]['colour'], 'a single pixel is a picture');
    }

    public function test_clusters_are_the_same_every_time_and_hold_what_is_heavy(): void
    {
        $page = self::page([], 3);
        $colours = MainColours::of($page, 4);
        self::assertEquals($colours, MainColours::of($page, 4));
        self::assertCount(4, $colours);
        self::assertEqualsWithDelta(1.0, array_sum(array_map(fn ($colour): float => $colour->share, $colours)), 1e-9);
        foreach ([self::WALL, self::SKIN, self::SEA] as $i => $parts) {
            self::assertLessThan(
                2.5,
                Difference::ciede2000(Lab::of(new Rgb(...$parts)), Lab::of($colours[$i]->colour)),
                "colour $i",
            );
        }
        self::assertEqualsWithDelta(0.143, $colours[1]->share, 0.015, 'the disc, without what lines cover');
        $few = MainColours::of(new Paint(3, 1, "\1\1\xf0", "\2\2\xf0", "\3\3\xf0", "\xff\xff\x00"), 5);
        self::assertSame(
            ['#010203', 1.0, 1],
            [$few[0]->colour->hex(), $few[0]->share, count($few)],
            'what is not seen does not count, nor what is not there',
        );
        self::assertSame([], MainColours::of(Paint::clear(4, 4), 3));
    }

    public function test_centres_settle_where_the_weight_is(): void
    {
        $at = fn (float $l): Oklab => new Oklab($l, 0.0, 0.1);
        $points = [$at(0.1), $at(0.2), $at(0.8), $at(0.9)];
        [$centres, $of] = Clusters::settled($points, [3.0, 1.0, 1.0, 1.0], [$at(0.0), $at(0.25), $at(5.0)]);
        self::assertSame([0, 0, 1, 1], $of);
        self::assertEqualsWithDelta(
            [0.125, 0.85, 5.0],
            array_map(fn (Oklab $centre): float => $centre->l, $centres),
            1e-9,
        );
        self::assertEquals([$at(0.9), $at(0.1), $at(0.2)], Clusters::seeds($points, [1.0, 1.0, 1.0, 2.0], 3));
        self::assertCount(
            2,
            Clusters::seeds([$at(0.1), $at(0.1), $at(0.4)], [1.0, 1.0, 1.0], 3),
            'two colours, two seeds',
        );
    }

    /** @param  array<string, string>  $tones */
    private static function ramp(array $tones): array
    {
        return array_map(
            Rgb::fromHex(...),
            $tones + [
                'deep' => '#4a2f25',
                'shade' => '#8a5d48',
                'base' => '#c98d6b',
                'light' => '#e0b095',
                'glint' => '#f8dccb',
                'line' => '#2a1a14',
            ],
        );
    }

    /** @return list<string> */
    private static function told(array $advice): array
    {
        return array_map(fn (Advice $one): string => "{$one->kind->value} {$one->tone->value}", $advice);
    }

    public function test_a_ramp_is_advised_on_where_it_does_not_hold(): void
    {
        self::assertSame([], self::told(RampAdvice::material(self::ramp([]))));
        self::assertSame(
            ['order light', 'order glint'],
            array_values(
                array_filter(
                    self::told(RampAdvice::material(self::ramp(['light' => '#70503c', 'glint' => '#60402c']))),
                    fn (string $one): bool => str_starts_with($one, 'order'),
                ),
            ),
        );
        self::assertSame(
            ['order shade'],
            array_values(
                array_filter(
                    self::told(RampAdvice::material(self::ramp(['shade' => '#d99d7b']))),
                    fn (string $one): bool => str_starts_with($one, 'order'),
                ),
            ),
        );
        [$step] = RampAdvice::material(self::ramp(['shade' => '#c58a68']));
        self::assertSame(
            [AdviceKind::Step, Tone::Shade, null, true],
            [$step->kind, $step->tone, $step->mend, $step->toData()['release']],
        );
        self::assertEqualsWithDelta(
            Difference::ciede2000(Lab::of(Rgb::fromHex('#c58a68')), Lab::of(Rgb::fromHex('#c98d6b'))),
            $step->amount,
            1e-9,
        );
        self::assertContains('grey deep', self::told(RampAdvice::material(self::ramp(['deep' => '#000000']))));
        self::assertContains('grey shade', self::told(RampAdvice::material(self::ramp(['shade' => '#666666']))));
        self::assertNotContains(
            'grey shade',
            self::told(
                RampAdvice::material(
                    array_map(Rgb::fromHex(...), [
                        'deep' => '#303030',
                        'shade' => '#505050',
                        'base' => '#808080',
                        'light' => '#a0a0a0',
                        'glint' => '#c8c8c8',
                        'line' => '#101010',
                    ]),
                ),
            ),
            'grey may be grey',
        );
        self::assertContains(
            'uneven deep',
            self::told(
                RampAdvice::material(
                    self::ramp(['deep' => '#080504', 'shade' => '#b57d5e', 'light' => '#d59d7d', 'glint' => '#e4b093']),
                ),
            ),
        );
    }

    public function test_a_base_is_advised_to_leave_room_and_the_mend_does(): void
    {
        foreach ([['bright', '#fff4d8', 88.0], ['dark', '#14202c', 20.0]] as [$kind, $hex, $bound]) {
            $advice = array_values(
                array_filter(
                    RampAdvice::material((new ToneRule)->complete(['base' => Rgb::fromHex($hex)])),
                    fn (Advice $one): bool => $one->kind->value === $kind,
                ),
            )[0];
            self::assertEqualsWithDelta(Lab::of(Rgb::fromHex($hex))->l, $advice->amount, 1e-9);
            self::assertEqualsWithDelta($bound, Lab::of($advice->mend ?? new Rgb(0, 0, 0))->l, 1.5);
        }
        $strong = array_values(
            array_filter(
                RampAdvice::material((new ToneRule)->complete(['base' => Rgb::fromHex('#ff2010')])),
                fn (Advice $one): bool => $one->kind === AdviceKind::Strong,
            ),
        )[0];
        self::assertGreaterThan(0.2, $strong->amount);
        self::assertNotNull($strong->mend);
        self::assertNotContains(
            AdviceKind::Strong,
            array_map(
                fn (Advice $one): AdviceKind => $one->kind,
                RampAdvice::material((new ToneRule)->complete(['base' => $strong->mend])),
            ),
        );
    }

    public function test_materials_of_a_figure_are_held_apart_for_all_eyes(): void
    {
        $bases = [7 => Rgb::fromHex('#c98d6b'), 8 => Rgb::fromHex('#c48a68'), 9 => Rgb::fromHex('#41667a')];
        $found = RampAdvice::figure($bases);
        self::assertSame([8], array_keys($found));
        self::assertSame([AdviceKind::Alike, 7], [$found[8][0]->kind, $found[8][0]->other]);
        self::assertSame(
            [],
            RampAdvice::figure([7 => $bases[7], 8 => $found[8][0]->mend ?? $bases[7], 9 => $bases[9]]),
            'the mend parts them',
        );
        // Three steps of L* apart, and still near; ten apart, and not.
        self::assertSame(
            [2],
            array_keys(
                RampAdvice::figure([
                    1 => Rgb::fromHex('#c98d6b'),
                    2 => Rgb::fromHex('#d39774'),
                    3 => Rgb::fromHex('#edaf8b'),
                ]),
            ),
        );
        // A red and a green of one lightness are far apart, but not without one of the cones.
        $pair = [3 => Rgb::fromHex('#b86a50'), 4 => Rgb::fromHex('#7f8a4a')];
        $sight = RampAdvice::figure($pair)[4][0] ?? null;
        self::assertNotNull($sight);
        self::assertSame(AdviceKind::Sight, $sight->kind);
        self::assertNotNull($sight->sight);
        self::assertEqualsWithDelta($sight->sight->difference($pair[3], $pair[4]), $sight->amount, 1e-9);
        self::assertGreaterThan(15, Difference::ciede2000(Lab::of($pair[3]), Lab::of($pair[4])));
        foreach (ColourSight::cases() as $eyes) {
            self::assertEquals(new Rgb(128, 128, 128), $eyes->of(new Rgb(128, 128, 128)), 'grey is grey to all');
            self::assertGreaterThanOrEqual(RampAdvice::APART, $eyes->difference($pair[3], $sight->mend ?? $pair[3]));
        }
    }
}

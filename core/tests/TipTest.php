<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Brush\BroughtTip;
use Awning\Core\Brush\Brush;
use Awning\Core\Brush\BrushBox;
use Awning\Core\Brush\DabRaster;
use Awning\Core\Brush\Path;
use Awning\Core\Brush\PressureCurve;
use Awning\Core\Brush\StrokeDrawing;
use Awning\Core\Brush\StrokeMask;
use Awning\Core\Brush\Tip;
use Awning\Core\Brush\TipImport;
use Awning\Core\Brush\TipKind;
use Awning\Core\Page\Data;
use Awning\Core\Raster\Paint;
use Awning\Core\Raster\Rect;
use Awning\Core\Sheet\Ops\Paint\Stroke;
use PHPUnit\Framework\TestCase;

/** Brushes with tips: what they lay, how it builds up, and that it is always the same. */
final class TipTest extends TestCase
{
    private static function page(): Rect
    {
        return new Rect(0, 0, 700, 400);
    }

    /** @param  list<array{float, float, float}>  $points */
    private static function draw(array $points, Tip $tip, float $size = 40, float $hardness = 1.0): StrokeMask
    {
        return DabRaster::draw(new Path($points), new Brush($size, $hardness), $tip, self::page());
    }

    private static function at(StrokeMask $mask, int $x, int $y): int
    {
        return ord($mask->cut(new Rect($x, $y, 1, 1)) ?? "\0");
    }

    /** @return list<array{float, float, float}> */
    private static function line(float $fromX, float $fromY, float $toX, float $toY, float $pressure = 1.0): array
    {
        return array_map(
            fn (int $i): array => [
                $fromX + (($toX - $fromX) * $i) / 40,
                $fromY + (($toY - $fromY) * $i) / 40,
                $pressure,
            ],
            range(0, 40),
        );
    }

    private static function sum(StrokeMask $mask): int
    {
        return (int) array_sum((array) unpack('C*', $mask->data));
    }

    /** Against the sum of the definition, place after place, in whole numbers nobody shares with the code. */
    public function test_flow_builds_up_to_what_places_over_each_other_come_to(): void
    {
        // Places 8 px apart under a tip 40 px wide: five of them lie over each pixel of the middle of the line.
        $mask = self::draw(
            self::line(100.5, 100.5, 420.5, 100.5),
            new Tip(TipKind::Round, flow: 0.2, spacing: 0.2, sizeBy: PressureCurve::from(1)),
            hardness: 1.0,
        );
        self::assertEqualsWithDelta(255 * (1 - 0.8 ** 5), self::at($mask, 260, 100), 12);
        $single = self::draw([[100.5, 100.5, 1.0]], new Tip(TipKind::Round, flow: 0.2, sizeBy: PressureCurve::from(1)));
        self::assertEqualsWithDelta(51, self::at($single, 100, 100), 1);
        self::assertSame([0, 0], [self::at($single, 122, 100), self::at($single, 100, 79)]);
        $crossed = self::draw(
            [...self::line(100.5, 100.5, 420.5, 100.5), ...self::line(420.5, 100.5, 100.5, 100.5)],
            new Tip(TipKind::Round, flow: 0.2, spacing: 0.2, sizeBy: PressureCurve::from(1)),
        );
        self::assertGreaterThan(
            self::at($mask, 260, 100) + 30,
            self::at($crossed, 260, 100),
            'a stroke that goes back builds up',
        );
    }

    public function test_pressure_commands_size_and_flow_as_far_as_it_may(): void
    {
        $wide = fn (float $pressure, Tip $tip): int => count(
            array_filter(
                range(60, 140),
                fn (int $y): bool => self::at(self::draw(self::line(100, 100, 300, 100, $pressure), $tip), 200, $y) > 0,
            ),
        );
        self::assertEqualsWithDelta(40, $wide(1.0, new Tip(TipKind::Round, sizeBy: PressureCurve::from(0.2))), 2);
        self::assertEqualsWithDelta(40 * 0.6, $wide(0.5, new Tip(TipKind::Round, sizeBy: PressureCurve::from(0.2))), 2);
        self::assertEqualsWithDelta(40, $wide(0.5, new Tip(TipKind::Round, sizeBy: PressureCurve::from(1))), 2);
        $tap = fn (float $pressure): int => self::at(
            self::draw(
                [[100.5, 100.5, $pressure]],
                new Tip(TipKind::Round, flow: 0.8, sizeBy: PressureCurve::from(1), flowBy: PressureCurve::from(0.5)),
            ),
            100,
            100,
        );
        self::assertEqualsWithDelta([255 * 0.8, 255 * 0.8 * 0.75], [$tap(1.0), $tap(0.5)], 1);
    }

    public function test_pressure_commands_by_a_curve(): void
    {
        // Small where it is pressed a little and at the most, large between.
        $wide = fn (float $pressure): int => count(
            array_filter(
                range(60, 140),
                fn (int $y): bool => self::at(
                    self::draw(
                        self::line(100, 100, 300, 100, $pressure),
                        new Tip(TipKind::Round, sizeBy: new PressureCurve([0, 0.5, 1, 0.75, 0.25])),
                    ),
                    200,
                    $y,
                ) > 0,
            ),
        );
        self::assertEqualsWithDelta([20, 40, 30, 10], array_map($wide, [0.25, 0.5, 0.75, 1.0]), 2);
        $flow = new Tip(
            TipKind::Round,
            flow: 0.6,
            sizeBy: PressureCurve::from(1),
            flowBy: new PressureCurve([0.2, 0.2, 0.9, 0.3, 1]),
        );
        $tap = fn (float $pressure, Tip $tip): int => self::at(self::draw([[100.5, 100.5, $pressure]], $tip), 100, 100);
        self::assertEqualsWithDelta(
            [255 * 0.12, 255 * 0.54, 255 * 0.18],
            [$tap(0.0, $flow), $tap(0.5, $flow), $tap(0.75, $flow)],
            1,
        );
    }

    public function test_no_place_lays_more_than_the_opacity_it_is_pressed_with(): void
    {
        $tip = new Tip(
            TipKind::Round,
            flow: 0.4,
            spacing: 0.05,
            sizeBy: PressureCurve::from(1),
            opacityBy: new PressureCurve([0.1, 0.3, 0.5, 0.7, 0.9]),
        );
        $line = fn (float $pressure): array => self::line(100.5, 100.5, 420.5, 100.5, $pressure);
        $middle = fn (array ...$lines): int => self::at(self::draw(array_merge(...$lines), $tip), 260, 100);
        // So many places lie over each other that what is laid comes up to what it may.
        self::assertEqualsWithDelta(
            [255 * 0.3, 255 * 0.7, 255 * 0.9],
            array_map(fn (float $pressure): int => $middle($line($pressure)), [0.25, 0.75, 1.0]),
            3,
        );
        self::assertEqualsWithDelta(
            255 * 0.7,
            $middle($line(0.75), array_reverse($line(0.25))),
            3,
            'pressed less, it takes nothing away',
        );
        self::assertEqualsWithDelta(255 * 0.7, $middle($line(0.25), array_reverse($line(0.75))), 3);
        self::assertSame(
            0,
            self::at(
                self::draw(
                    [[100.5, 100.5, 0.3]],
                    new Tip(TipKind::Round, opacityBy: new PressureCurve([0, 0, 0, 0, 1])),
                ),
                100,
                100,
            ),
        );
    }

    public function test_a_curve_goes_through_its_places_and_never_beyond_two_of_them(): void
    {
        mt_srand(11);
        for ($round = 0; $round < 200; $round++) {
            $shares = array_map(fn (): float => mt_rand(0, 4) < 1 ? 0.5 : mt_rand(0, 1000) / 1000, range(0, 4));
            $curve = PressureCurve::fromData(new Data(['by' => $shares]), 'by', PressureCurve::from(0));
            self::assertSame($shares, $curve->toData());
            foreach ($shares as $i => $share) {
                self::assertEqualsWithDelta($share, $curve->at($i / 4), 1e-12);
                for ($part = 0.0; $i < 4 && $part <= 1; $part += 0.05) {
                    $at = $curve->at(min(1.0, ($i + $part) / 4));
                    self::assertTrue(
                        $at >= min($share, $shares[$i + 1]) - 1e-12 && $at <= max($share, $shares[$i + 1]) + 1e-12,
                        implode(' ', $shares)." at $i + $part",
                    );
                }
            }
        }
        self::assertEqualsWithDelta(
            [0.3, 0.405, 1.0],
            array_map(PressureCurve::from(0.3)->at(...), [0.0, 0.15, 1.0]),
            1e-12,
            'straight',
        );
    }

    public function test_a_curve_is_read_as_it_is_kept_and_as_it_was_kept_once(): void
    {
        $tip = ['kind' => 'round', 'sizeBy' => 0.7, 'flowBy' => [0, 0.1, 0.2, 0.3, 0.4]];
        $read = Tip::fromData(new Data($tip))->toData();
        self::assertEqualsWithDelta(
            [0.3, 0.475, 0.65, 0.825, 1.0],
            $read['sizeBy'],
            1e-12,
            'how much of the size pressure commands',
        );
        self::assertSame([[0.0, 0.1, 0.2, 0.3, 0.4], [1.0, 1.0, 1.0, 1.0, 1.0]], [$read['flowBy'], $read['opacityBy']]);
        self::assertEquals($read, Tip::fromData(new Data($read))->toData());
        self::assertSame(
            [0.4, 1.0],
            [Tip::fromData(new Data(['kind' => 'round']))->sizeBy->at(0), (new Tip(TipKind::Round))->flowBy->at(0)],
        );
        foreach (
            [
                [0, 1, 0, 1],
                [0, 1, 0, 1, 0, 1],
                [0, 1, 1.01, 1, 1],
                [0, -0.1, 0, 0, 0],
                [0, '1', 0, 0, 0],
                ['a' => 1],
                1.5,
                'x',
                [0, NAN, 0, 0, 0],
            ] as $bad
        ) {
            try {
                Tip::fromData(new Data(['opacityBy' => $bad] + $tip));
                self::fail('read '.json_encode($bad, JSON_PARTIAL_OUTPUT_ON_ERROR));
            } catch (\InvalidArgumentException $e) {
                self::assertNotSame('', $e->getMessage());
            }
        }
    }

    public function test_a_tip_turns_with_the_stroke_or_keeps_its_angle(): void
    {
        $high = fn (StrokeMask $mask): int => $mask->bounds->height;
        $down = self::line(200, 60, 200, 260);
        $wide = fn (Tip $tip): int => count(
            array_filter(range(150, 250), fn (int $x): bool => self::at(self::draw($down, $tip), $x, 160) > 40),
        );
        // A flat tip lies along: seen from aside it is as narrow as it is thick.
        self::assertEqualsWithDelta(
            39,
            $wide(new Tip(TipKind::Flat, spacing: 0.05, sizeBy: PressureCurve::from(1))),
            3,
        );
        self::assertEqualsWithDelta(
            12,
            $wide(new Tip(TipKind::Flat, spacing: 0.05, along: true, sizeBy: PressureCurve::from(1))),
            3,
        );
        self::assertEqualsWithDelta(
            12,
            $wide(new Tip(TipKind::Flat, spacing: 0.05, angle: 90, sizeBy: PressureCurve::from(1))),
            3,
        );
        self::assertGreaterThan(200, $high(self::draw($down, new Tip(TipKind::Flat, sizeBy: PressureCurve::from(1)))));
    }

    public function test_strokes_thin_out_at_their_ends_dry_and_lie_on_the_tooth_of_the_paper(): void
    {
        $line = self::line(100, 100, 500, 100);
        $high = fn (Tip $tip, int $x): int => count(
            array_filter(range(70, 130), fn (int $y): bool => self::at(self::draw($line, $tip), $x, $y) > 0),
        );
        $tapered = new Tip(TipKind::Round, taper: 0.25, sizeBy: PressureCurve::from(1), spacing: 0.05);
        self::assertEqualsWithDelta(
            [20, 40, 20],
            [$high($tapered, 150), $high($tapered, 300), $high($tapered, 450)],
            4,
        );
        $wet = self::draw(
            $line,
            new Tip(TipKind::Round, flow: 0.6, wet: 1.0, sizeBy: PressureCurve::from(1)),
            hardness: 0.4,
        );
        self::assertLessThan(110, self::at($wet, 300, 100), 'the middle dries pale');
        self::assertGreaterThan(
            self::at($wet, 300, 100) + 10,
            max(array_map(fn (int $y): int => self::at($wet, 300, $y), range(80, 99))),
            'the edge dark',
        );
        $dry = self::draw($line, new Tip(TipKind::Round, grain: 0.8, sizeBy: PressureCurve::from(1)));
        self::assertLessThan(
            0.9 * self::sum(self::draw($line, new Tip(TipKind::Round, sizeBy: PressureCurve::from(1)))),
            self::sum($dry),
        );
    }

    public function test_every_tip_is_a_shape_of_its_own(): void
    {
        $sums = [];
        foreach (array_filter(TipKind::cases(), fn (TipKind $kind): bool => $kind !== TipKind::Picture) as $kind) {
            $mask = self::draw([[200.5, 200.5, 1.0]], new Tip($kind, 7, sizeBy: PressureCurve::from(1)), 100);
            $sums[$kind->value] = intdiv(self::sum($mask), 255);
            self::assertGreaterThan(100, $sums[$kind->value], $kind->value);
            self::assertLessThan(7900, $sums[$kind->value], "$kind->value stays in its circle");
        }
        self::assertCount(count($sums), array_unique($sums));
        // The disc of 100 px; and where the roots of both distances come to less than 1, a sixth of the square, less
        // its soft edge.
        self::assertEqualsWithDelta(7854, $sums['round'], 330);
        self::assertEqualsWithDelta((((100 * 100) / 6) * (1 - 0.82 ** 5)) / (5 * 0.18), $sums['sparkle'], 60);
        // Thrown aside, marks lie beside the path; with another seed elsewhere.
        $thrown = fn (int $seed): StrokeMask => self::draw(
            self::line(100, 200, 500, 200),
            new Tip(TipKind::Splatter, $seed, spacing: 0.8, scatter: 1.5, sizeBy: PressureCurve::from(1)),
            20,
        );
        self::assertGreaterThan(50, $thrown(3)->bounds->height);
        self::assertNotSame($thrown(3)->data, $thrown(4)->data);
        self::assertSame($thrown(3)->data, $thrown(3)->data);
    }

    public function test_where_tiles_are_cut_makes_no_difference(): void
    {
        $tip = new Tip(
            kind: TipKind::Grain,
            seed: 5,
            flow: 0.4,
            scatter: 0.2,
            turn: 1,
            jitter: 0.3,
            sizeBy: PressureCurve::from(1),
        );
        $here = self::draw(self::line(40, 40, 240, 90), $tip);
        // The same, a whole tile farther to the right and down.
        $there = DabRaster::draw(
            new Path(self::line(296, 296, 496, 346)),
            new Brush(40, 1.0),
            $tip,
            new Rect(0, 0, 900, 700),
        );
        self::assertSame(
            [$here->bounds->width, $here->bounds->height],
            [$there->bounds->width, $there->bounds->height],
        );
        self::assertSame($here->data, $there->data);
        $across = DabRaster::draw(
            new Path(self::line(140, 140, 340, 190)),
            new Brush(40, 1.0),
            $tip,
            new Rect(0, 0, 900, 700),
        );
        self::assertSame($here->data, $across->data);
    }

    public function test_what_lies_ready_can_be_drawn_and_kept(): void
    {
        self::assertCount(12, array_unique(array_column(BrushBox::all(), 'name')));
        foreach (BrushBox::all() as $boxed) {
            $brush = new Brush(
                $boxed['size'],
                $boxed['hardness'],
                tip: $boxed['tip'] === null ? null : Tip::fromData(new Data($boxed['tip'])),
            );
            self::assertEquals($brush, Stroke::brush(new Data(Stroke::brushData($brush))), $boxed['name']);
            self::assertGreaterThan(
                10_000,
                self::sum((new StrokeDrawing(new Path(self::line(100, 100, 500, 140)), $brush))->on(self::page())),
                $boxed['name'],
            );
        }
        $this->expectException(\InvalidArgumentException::class);
        Tip::fromData(new Data(['kind' => 'cloud']));
    }

    public function test_a_tip_that_is_brought_covers_as_its_picture_does(): void
    {
        $half = new BroughtTip(
            str_repeat(str_repeat("\xff", 24).str_repeat("\0", 24), 24).
                str_repeat(str_repeat("\x80", 24).str_repeat("\0", 24), 24),
        );
        self::assertEqualsWithDelta(
            [1, 128 / 255, 0, 0],
            [$half->at(-0.5, -0.5), $half->at(-0.5, 0.5), $half->at(0.5, -0.5), $half->at(1.5, 0)],
            1e-9,
        );
        self::assertEqualsWithDelta(
            [0.5, (255 + 128) / 510],
            [$half->at(0, -0.5), $half->at(-0.5, 0)],
            1e-9,
            'half-way between two pixels',
        );
        $tip = new Tip(TipKind::Picture, spacing: 3, sizeBy: PressureCurve::from(1), picture: $half);
        self::assertEquals($tip, Tip::fromData(new Data($tip->toData())));
        $mask = self::draw([[200.0, 100.0, 1.0]], $tip, 40);
        $at = fn (int $x, int $y): int => ord(
            $mask->data[($y - $mask->bounds->y) * $mask->bounds->width + $x - $mask->bounds->x],
        );
        self::assertEqualsWithDelta([255, 128, 0], [$at(190, 92), $at(190, 108), $at(210, 92)], 3);
        foreach (
            [
                ['kind' => 'picture'],
                ['kind' => 'round', 'picture' => $half->toText()],
                ['kind' => 'picture', 'picture' => 'AAAA'],
                ['kind' => 'picture', 'picture' => '**'],
            ] as $data
        ) {
            try {
                Tip::fromData(new Data($data));
                self::fail(json_encode($data).' was taken');
            } catch (\InvalidArgumentException $error) {
                self::assertStringContainsString(' ', $error->getMessage());
            }
        }
    }

    public function test_a_picture_becomes_a_tip_dark_on_white_or_on_nothing(): void
    {
        // 192 by 96: the left half black, the right half of half-seen red.
        $row = fn (string $left, string $right): string => str_repeat(
            str_repeat($left, 96).str_repeat($right, 96),
            96,
        );
        $tip = TipImport::of(
            new Paint(192, 96, $row("\0", "\xff"), $row("\0", "\0"), $row("\0", "\0"), $row("\xff", "\x80")),
        );
        self::assertEqualsWithDelta(
            [1, (0.701 * 128) / 255, 0, 0],
            [$tip->at(-0.5, 0), $tip->at(0.5, 0), $tip->at(-0.5, -0.8), $tip->at(0.5, 0.8)],
            0.02,
            'in the middle of a square',
        );
        foreach ([-0.95, -0.8, 0.8, 0.95] as $beside) {
            self::assertEqualsWithDelta(0, $tip->at(-0.5, $beside), 0.001, 'and nothing above and below it');
        }
        $small = TipImport::of(Paint::solid(4, 2, [0, 0, 0]));
        self::assertEqualsWithDelta([1, 1], [$small->at(0, -0.2), $small->at(0, 0.2)], 0.02, 'every row of it');
        $this->expectExceptionMessage('Nothing in this picture is dark');
        TipImport::of(Paint::solid(30, 50, [255, 250, 255]));
    }

    public function test_a_stroke_that_is_too_much_is_refused(): void
    {
        $this->expectExceptionMessage('Lift the pen');
        self::draw(
            [...self::line(0, 0, 690, 390), ...self::line(690, 390, 0, 0), ...self::line(0, 0, 690, 390)],
            new Tip(TipKind::Round, spacing: 0.02),
            1200,
        );
    }
}

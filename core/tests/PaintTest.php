<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Brush\Softener;
use Awning\Core\Codec\Resized;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Exchange\SetupFile;
use Awning\Core\Flats\RegionGraph;
use Awning\Core\Light\Surface\FigureBodies;
use Awning\Core\Page\Data;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\ColourTurn;
use Awning\Core\Page\Pass\PaintContent;
use Awning\Core\Page\Pass\PassOrder;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Pass\TintContent;
use Awning\Core\Page\Pass\ToneContent;
use Awning\Core\Page\Region\Region;
use Awning\Core\Page\Region\Solid;
use Awning\Core\Page\Setup\Setup;
use Awning\Core\Page\Setup\SetupBox;
use Awning\Core\Page\Setup\SetupMarks;
use Awning\Core\Raster\Blur;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Select\Ramp;
use Awning\Core\Select\RampForm;
use Awning\Core\Select\SmoothShape;
use Awning\Core\Sheet\OpKinds;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Paint\PlacePaint;
use Awning\Core\Sheet\Ops\Passes\FollowSetup;
use Awning\Core\Sheet\Painting\LiftedPaint;
use Awning\Core\Sheet\Painting\MarkedRegions;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\MemorySource;
use PHPUnit\Framework\TestCase;

/** What a hand does with paint beside strokes: blocks, ramps, pours, softens, drags, moves. */
final class PaintTest extends TestCase
{
    private const WIDTH = 530;

    private const HEIGHT = 301;

    private MemorySource $source;

    /**
     * Region 7 of figure 3 left of x = 240, region 9 of figure 5 from there to 500, nothing beyond; both of all rows.
     */
    protected function setUp(): void
    {
        $this->source = new MemorySource;
        $sheet = new Sheet($this->source);
        $sheet->put(PageSize::KEY, new PageSize(self::WIDTH, self::HEIGHT, 300));
        $row = str_repeat("\0\7", 240).str_repeat("\0\11", 260).str_repeat("\0\0", 30);
        $sheet->setLayer(LayerName::flats(), str_repeat($row, self::HEIGHT));
        $sheet->put(7, new Region(3, 31, 240 * self::HEIGHT, 10, 10));
        $sheet->put(9, new Region(5, 52, 260 * self::HEIGHT, 300, 10));
        $this->source->store($sheet->takeChange());
        $this->op('pass.add', ['id' => 'shadepass1', 'pass' => $this->toneOf(3)]);
        $this->op('pass.add', [
            'id' => 'paintpass1',
            'pass' => ['name' => 'Free', 'figure' => 3, 'kind' => 'paint', 'scope' => ['kind' => 'page', 'id' => 0]],
        ]);
    }

    /** @return array<string, mixed> */
    private function toneOf(int $figure): array
    {
        return (new PassSpec('Shade', $figure, new ToneContent(Tone::Shade), Scope::figure($figure)))->toData();
    }

    /** @param  array<string, mixed>  $input */
    private function op(string $kind, array $input): void
    {
        $sheet = new Sheet($this->source);
        $op = OpKinds::read($kind, $input);
        self::assertEquals($op, OpKinds::read($kind, $op->toInput()), 'what the journal keeps is the op');
        $op->apply($sheet);
        $this->source->store($sheet->takeChange());
    }

    /** @param  array<string, mixed>  $input */
    private function assertRefused(string $kind, array $input, string $why): void
    {
        try {
            $this->op($kind, $input);
            self::fail("$kind was not refused");
        } catch (OpRefused $refused) {
            self::assertStringContainsString($why, $refused->getMessage());
        }
    }

    /**
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    private function into(string $pass = 'shadepass1', array $more = []): array
    {
        return ['pass' => $pass, ...$more];
    }

    private function layer(string $pass = 'shadepass1'): string
    {
        $sheet = new Sheet($this->source);

        return $sheet->layer(($sheet->find(PassSpec::class, $pass) ?? self::fail("no pass $pass"))->layer($pass));
    }

    private function at(int $x, int $y, string $pass = 'shadepass1'): int
    {
        return ord($this->layer($pass)[$y * self::WIDTH + $x]);
    }

    /** @return list<int> red, green, blue, alpha */
    private function paintAt(int $x, int $y, string $pass = 'paintpass1'): array
    {
        $sheet = new Sheet($this->source);

        return array_map(
            fn (string $plane): int => ord($plane[$y * self::WIDTH + $x]),
            $sheet->planes(($sheet->find(PassSpec::class, $pass) ?? self::fail('no paint'))->layer($pass)),
        );
    }

    /** @param  list<array{float|int, float|int}>  $outline */
    private function block(array $outline, string $pass = 'shadepass1', mixed ...$more): void
    {
        $this->op('paint.shape', ['laying' => $this->into($pass, $more), 'outline' => $outline]);
    }

    /** @return list<array{float, float}> */
    private static function box(float $left, float $top, float $right, float $bottom): array
    {
        return [[$left, $top], [$right, $top], [$right, $bottom], [$left, $bottom]];
    }

    public function test_a_shape_covers_each_pixel_as_far_as_it_lies_in_it(): void
    {
        $page = new Rect(0, 0, 40, 30);
        $shape = new SmoothShape(self::box(3.25, 4.5, 9.75, 7.25), $page);
        $at = fn (?string $data, int $x, int $y): int => ord(($data ?? '')[$y * 40 + $x]);
        $all = $shape->cut($page);
        self::assertSame([0, 191, 255, 191, 0], array_map(fn (int $x): int => $at($all, $x, 5), [2, 3, 6, 9, 10]));
        self::assertSame([0, 128, 255, 64, 0], array_map(fn (int $y): int => $at($all, 6, $y), [3, 4, 6, 7, 8]));
        self::assertSame(
            [96, 48],
            [$at($all, 3, 4), $at($all, 3, 7)],
            'a corner: three quarters of a half, and of a quarter',
        );
        self::assertEquals(new Rect(3, 4, 7, 4), $shape->bounds());
        $part = $shape->cut(new Rect(8, 5, 5, 4));
        self::assertSame(
            [255, 191, 0],
            [ord($part[0] ?? ''), ord($part[1] ?? ''), ord($part[2] ?? '')],
            'a part of it begins elsewhere',
        );
        self::assertNull($shape->cut(new Rect(20, 5, 8, 8)));
        // A circle of 60 corners, over four tiles: its area is known.
        $circle = array_map(
            fn (int $i): array => [255.3 + 90 * cos(($i / 30) * M_PI), 250.8 + 90 * sin(($i / 30) * M_PI)],
            range(0, 59),
        );
        $round = new SmoothShape($circle, new Rect(0, 0, 600, 600));
        $sum = 0;
        foreach ((new TileGrid(600, 600))->touching($round->bounds()) as $tile) {
            $sum += array_sum((array) unpack('C*', $round->cut(TileGrid::rect(...$tile)) ?? ''));
        }
        self::assertEqualsWithDelta(0.5 * 60 * 90 ** 2 * sin(M_PI / 30), $sum / 255, 3);
        $crossed = new SmoothShape([[0, 0], [20, 20], [20, 0], [0, 20]], $page);
        self::assertSame(
            [255, 0, 255, 0],
            [
                $at($crossed->cut($page), 3, 10),
                $at($crossed->cut($page), 10, 3),
                $at($crossed->cut($page), 16, 10),
                $at($crossed->cut($page), 10, 16),
            ],
        );
    }

    public function test_a_ramp_is_full_where_it_begins_and_nothing_where_it_ends(): void
    {
        $page = new Rect(0, 0, 90, 60);
        $at = fn (Ramp $ramp, int $x, int $y): int => ord(($ramp->cut($page) ?? '')[$y * 90 + $x]);
        $straight = new Ramp([20.5, 30.5], [70.5, 30.5], RampForm::Straight, $page);
        self::assertSame(
            [255, 255, 204, 128, 0, 0],
            array_map(fn (int $x): int => $at($straight, $x, 7), [5, 20, 30, 45, 70, 88]),
        );
        $slanted = new Ramp([10.5, 10.5], [40.5, 50.5], RampForm::Straight, $page);
        self::assertSame(255 - 51, $at($slanted, 16, 18), 'a fifth of the way');
        self::assertSame(255 - 51, $at($slanted, 16 - 8, 18 + 6), 'and right across from there');
        $round = new Ramp([40.5, 30.5], [40.5, 10.5], RampForm::Round, $page);
        self::assertSame(
            [255, 128, 191, 0],
            [$at($round, 40, 30), $at($round, 50, 30), $at($round, 43, 34), $at($round, 61, 30)],
        );
        self::assertEquals(new Rect(20, 10, 41, 41), $round->bounds());
        self::assertNull($round->cut(new Rect(70, 40, 10, 10)));
        $part = (string) $slanted->cut(new Rect(16, 18, 7, 3));
        self::assertSame(255 - 51, ord($part[0]));
        self::assertSame($at($slanted, 22, 20), ord($part[20]));
        $this->expectException(\RangeException::class);
        new Ramp([5, 5], [5.4, 5.3], RampForm::Round, $page);
    }

    public function test_blocks_are_laid_taken_away_and_kept_to_picked_regions(): void
    {
        $this->block(self::box(200, 40, 300, 90), opacity: 0.5);
        self::assertSame([128, 128, 0], [$this->at(210, 60), $this->at(280, 60), $this->at(199, 60)]);
        $this->block(self::box(200, 40, 300, 90), inside: [9], opacity: 0.5);
        self::assertSame([128, 192], [$this->at(239, 60), $this->at(240, 60)], 'once more, in region 9 alone');
        $this->block(self::box(230, 60, 260, 70), erase: true);
        self::assertSame(
            [0, 0, 128, 192],
            [$this->at(235, 65), $this->at(259, 69), $this->at(229, 65), $this->at(260, 69)],
        );
        $this->block([[20, 20], [60, 20], [60, 50]], 'newshade01', make: $this->toneOf(5));
        self::assertSame([255, 0], [$this->at(50, 30, 'newshade01'), $this->at(30, 40, 'newshade01')]);
        $this->block(self::box(10, 10, 30, 30), 'paintpass1', colour: '#c86432', opacity: 0.5);
        self::assertSame([200, 100, 50, 128], $this->paintAt(20, 20));
        $this->assertRefused(
            'paint.shape',
            ['laying' => $this->into('paintpass1'), 'outline' => self::box(1, 1, 5, 5)],
            'colour',
        );
        $this->assertRefused(
            'paint.shape',
            ['laying' => $this->into('nobodys001'), 'outline' => self::box(1, 1, 5, 5)],
            'pass is gone',
        );
        $this->assertRefused(
            'paint.shape',
            ['laying' => $this->into(), 'outline' => self::box(-50, 1, -5, 5)],
            'off the page',
        );
        $this->assertRefused('paint.shape', ['laying' => $this->into(), 'outline' => [[1, 1], [2, 2]]], 'loop');
        $this->assertRefused(
            'paint.shape',
            ['laying' => $this->into(more: ['inside' => [0]]), 'outline' => self::box(1, 1, 5, 5)],
            'region',
        );
    }

    public function test_regions_are_poured_full_and_cleared(): void
    {
        $this->op('paint.pour', ['laying' => $this->into(more: ['opacity' => 0.4]), 'labels' => [9]]);
        self::assertSame(
            [0, 102, 102, 0],
            [$this->at(239, 300), $this->at(240, 0), $this->at(499, 300), $this->at(500, 300)],
        );
        $this->op('paint.pour', ['laying' => $this->into(), 'labels' => [7, 9]]);
        self::assertSame([255, 255], [$this->at(0, 0), $this->at(499, 300)]);
        $this->op('paint.pour', ['laying' => $this->into(more: ['erase' => true]), 'labels' => [7]]);
        self::assertSame([0, 255], [$this->at(239, 10), $this->at(240, 10)]);
        $this->assertRefused('paint.pour', ['laying' => $this->into(), 'labels' => []], 'Click a region');
    }

    public function test_ramps_lie_in_passes_and_end_with_the_picked_regions(): void
    {
        $this->op('paint.ramp', [
            'laying' => $this->into(more: ['inside' => [7]]),
            'from' => [0.5, 100.5],
            'to' => [510.5, 100.5],
            'form' => 'straight',
        ]);
        self::assertSame([255, 155, 0], [$this->at(0, 3), $this->at(200, 290), $this->at(260, 3)]);
        $this->op('paint.ramp', [
            'laying' => $this->into(more: ['erase' => true]),
            'from' => [200.5, 290.5],
            'to' => [240.5, 290.5],
            'form' => 'round',
        ]);
        self::assertSame([0, 155], [$this->at(200, 290), $this->at(200, 240)]);
        self::assertEqualsWithDelta(155 / 2, $this->at(200, 270), 1);
        $this->assertRefused('paint.ramp', ['laying' => $this->into(), 'from' => [5, 5], 'to' => [5, 5]], 'Drag');
    }

    public function test_a_blur_has_the_spread_it_was_asked_for(): void
    {
        foreach ([1.7, 3.0, 6.4] as $sigma) {
            $side = 81;
            $values = array_fill(0, $side * 61, 0.0);
            $values[30 * $side + 40] = 1.0;
            $blurred = (new Blur($sigma))->of($values, $side, 61);
            $across = $down = $sum = 0.0;
            foreach ($blurred as $at => $value) {
                $sum += $value;
                $across += $value * (($at % $side) - 40) ** 2;
                $down += $value * (intdiv($at, $side) - 30) ** 2;
            }
            self::assertEqualsWithDelta(1, $sum, 1e-9);
            self::assertEqualsWithDelta($sigma, sqrt($across), 0.25);
            self::assertEqualsWithDelta($sigma, sqrt($down), 0.25);
        }
    }

    /** The step of a hard edge becomes the integral of a bell, to either side of where it was. */
    public function test_softened_edges_are_as_soft_as_was_said(): void
    {
        foreach ([6.0, 24.0, 60.0] as $by) {
            $place = new Rect(512, 256, 256, 40);
            $softener = new Softener($by);
            $around = $softener->around($place);
            $line = '';
            for ($x = $around->x; $x < $around->right(); $x++) {
                $line .= $x < 640 ? "\xf0" : "\x10";
            }
            [$soft] = $softener->soften(
                [str_repeat($line, $around->height)],
                str_repeat("\xff", $around->width * $around->height),
                $place,
            );
            foreach ([-1.2, -0.5, -0.1, 0.3, 0.8] as $part) {
                $x = (int) round(640 + $part * $by);
                $far = ($x + 0.5 - 640) / ($by / 2);
                self::assertEqualsWithDelta(
                    16 + 224 * (1 - self::normal($far)),
                    ord($soft[30 * 256 + $x - 512]),
                    6,
                    "$by px, $part of it",
                );
            }
        }
    }

    /** How much of a bell lies below (Abramowitz and Stegun 26.2.17). */
    private static function normal(float $z): float
    {
        $t = 1 / (1 + 0.2316419 * abs($z));
        $tail =
            (exp((-$z * $z) / 2) / sqrt(2 * M_PI)) *
            $t *
            (0.31938153 + $t * (-0.356563782 + $t * (1.781477937 + $t * (-1.821255978 + $t * 1.330274429))));

        return $z > 0 ? 1 - $tail : $tail;
    }

    public function test_softening_stays_in_the_clip_and_leaves_contact_edges(): void
    {
        $this->block(self::box(100, 0, 240, 301));
        $this->op('pass.soften', ['pass' => 'shadepass1', 'by' => 12]);
        self::assertSame(
            [255, 255, 0],
            [$this->at(239, 150), $this->at(200, 0), $this->at(240, 150)],
            'against the border of its figure nothing is lost, and nothing comes over',
        );
        self::assertEqualsWithDelta(128, ($this->at(99, 150) + $this->at(100, 150)) / 2, 2);
        self::assertSame([0, 255], [$this->at(80, 150), $this->at(119, 150)]);
        self::assertEqualsWithDelta($this->at(95, 150), $this->at(95, 255), 1);
        self::assertEqualsWithDelta($this->at(95, 255), $this->at(95, 256), 0, 'no seam between tiles');
        $this->assertRefused('pass.soften', ['pass' => 'nobodys001', 'by' => 12], 'gone');
        $this->assertRefused('pass.soften', ['pass' => 'shadepass1', 'by' => 0], '0.5');
    }

    public function test_softening_with_a_brush_reaches_as_far_as_the_brush(): void
    {
        $this->block(self::box(60, 20, 180, 280));
        $brush = ['size' => 60, 'hardness' => 1, 'opacity' => 0.5, 'smoothing' => 0];
        $this->op('pass.soften', [
            'pass' => 'shadepass1',
            'by' => 10,
            'brush' => $brush,
            'points' => [[60, 100, 1], [60, 101, 1]],
        ]);
        self::assertSame([255, 0], [$this->at(60, 140), $this->at(59, 60)]);
        // The blur, half-way.
        self::assertEqualsWithDelta(255 - 128 / 2, $this->at(60, 100), 6);
        self::assertEqualsWithDelta(128 / 2, $this->at(59, 100), 6);
        self::assertSame([255, 0], [$this->at(95, 100), $this->at(25, 100)]);
        $this->assertRefused(
            'pass.soften',
            ['pass' => 'shadepass1', 'by' => 10, 'brush' => $brush, 'points' => [[400, 100, 1]]],
            'edge',
        );
    }

    public function test_free_paint_is_softened_without_dark_seams(): void
    {
        $this->block(self::box(0, 0, 100, 301), 'paintpass1', colour: '#f0c810');
        $this->op('pass.soften', ['pass' => 'paintpass1', 'by' => 16]);
        [$red, $green, $blue, $alpha] = $this->paintAt(104, 150);
        self::assertSame([0xF0, 0xC8, 0x10], [$red, $green, $blue], 'its colour does not change on the way to nothing');
        self::assertTrue($alpha > 20 && $alpha < 120, "$alpha");
        self::assertSame(255, $this->paintAt(0, 0)[3], 'the rim of the page is no edge');
    }

    public function test_paint_is_pulled_along_and_not_across_the_clip(): void
    {
        $this->block(self::box(40, 100, 120, 140));
        $brush = ['size' => 30, 'hardness' => 0.5, 'opacity' => 0.8, 'smoothing' => 0];
        $this->op('paint.drag', [
            'pass' => 'shadepass1',
            'brush' => $brush,
            'points' => [[110, 120, 1], [150, 120, 1]],
        ]);
        self::assertGreaterThan(100, $this->at(126, 120));
        self::assertLessThan($this->at(126, 120), $this->at(140, 120), 'less the farther it was pulled');
        self::assertSame([0, 255, 0], [$this->at(190, 120), $this->at(60, 120), $this->at(140, 170)]);
        $before = $this->layer();
        $this->op('paint.drag', [
            'pass' => 'shadepass1',
            'brush' => $brush,
            'points' => [[230, 120, 1], [60, 120, 1], [300, 130, 1]],
        ]);
        $after = $this->layer();
        self::assertNotSame($before, $after);
        for ($y = 0; $y < self::HEIGHT; $y++) {
            self::assertSame(str_repeat("\0", 290), substr($after, $y * self::WIDTH + 240, 290), 'beyond the figure');
        }
        $this->assertRefused(
            'paint.drag',
            ['pass' => 'shadepass1', 'brush' => $brush, 'points' => [[20, 280, 1], [30, 280, 1]]],
            'no paint',
        );
        $this->assertRefused(
            'paint.drag',
            ['pass' => 'shadepass1', 'brush' => ['size' => 401] + $brush, 'points' => [[20, 280, 1]]],
            '400',
        );
    }

    public function test_stronger_drags_pull_farther(): void
    {
        $reached = [];
        foreach ([0.3, 0.7] as $strength) {
            $this->setUp();
            $this->block(self::box(40, 100, 120, 140));
            $this->op('paint.drag', [
                'pass' => 'shadepass1',
                'brush' => ['size' => 24, 'hardness' => 1, 'opacity' => $strength, 'smoothing' => 0],
                'points' => [[105, 120, 1], [170, 120, 1]],
            ]);
            $reached[] = array_sum(array_map(fn (int $x): int => $this->at($x, 120), range(120, 180)));
        }
        self::assertGreaterThan(2 * $reached[0], $reached[1]);
    }

    public function test_paint_is_moved_copied_turned_and_mirrored(): void
    {
        $this->block([[40, 100], [60, 100], [60, 110], [50, 110], [50, 130], [40, 130]], opacity: 0.8);
        $loop = self::box(35, 95, 70, 140);
        $move = fn (array $more): array => ['pass' => 'shadepass1', 'by' => [0, 0], ...$more];
        $this->op('paint.move', $move(['outline' => $loop, 'by' => [300, 7], 'copy' => true]));
        self::assertSame(
            [204, 204, 0, 0],
            [$this->at(41, 101), $this->at(341, 108), $this->at(341, 106), $this->at(355, 120)],
        );
        $this->op('paint.move', $move(['outline' => $loop, 'by' => [0, 60], 'scale' => [-1, 1]]));
        self::assertSame([0, 0], [$this->at(41, 101), $this->at(59, 101)], 'gone from where it was');
        // Mirrored about 52.5: what lay from 40 to 50 lies from 55 to 65.
        self::assertSame(
            [0, 204, 204, 0],
            [$this->at(50, 185), $this->at(56, 185), $this->at(63, 165), $this->at(66, 165)],
        );
        $loop = self::box(330, 90, 370, 150);
        $this->op('paint.move', $move(['outline' => $loop, 'turn' => 90]));
        // About (350, 120): a pixel at (341, 132) goes to (338, 111).
        self::assertSame([204, 0], [$this->at(337, 111), $this->at(341, 132)]);
        $this->assertRefused('paint.move', $move(['outline' => $loop, 'by' => [900, 0]]), 'off the page');
        $loop = self::box(430, 90, 470, 150);
        $this->assertRefused('paint.move', $move(['outline' => $loop]), 'no paint');
        $this->assertRefused('paint.move', $move(['scale' => [0.01, 1]]), 'twentieth');
        $this->assertRefused('paint.move', $move(['into' => 'paintpass1']), 'Free paint');
    }

    public function test_several_passes_are_hung_elsewhere_at_once_or_none(): void
    {
        $this->op('pass.add', ['id' => 'another001', 'pass' => $this->toneOf(5)]);
        $this->op('pass.order', [
            'passes' => [['id' => 'shadepass1', 'order' => 4.25], ['id' => 'paintpass1', 'order' => -3]],
        ]);
        $orders = fn (): array => array_map(
            fn (PassSpec $pass): float => $pass->order,
            (new Sheet($this->source))->all(PassSpec::class),
        );
        self::assertEquals(
            ['shadepass1' => 4.25, 'paintpass1' => -3.0],
            array_intersect_key($orders(), ['shadepass1' => 0, 'paintpass1' => 0]),
        );
        $before = $orders();
        $this->assertRefused(
            'pass.order',
            ['passes' => [['id' => 'another001', 'order' => 9], ['id' => 'nobodys001', 'order' => 1]]],
            'gone',
        );
        $this->assertRefused('pass.order', ['passes' => []], 'Say which');
        $this->assertRefused('pass.order', ['passes' => [['id' => 'another001', 'order' => 1e9]]], 'Order runs from');
        self::assertSame($before, $orders());
    }

    public function test_a_whole_pass_moves_into_another(): void
    {
        $this->op('pass.add', ['id' => 'another001', 'pass' => $this->toneOf(5)]);
        $this->block(self::box(10, 10, 50, 50), opacity: 0.6);
        $this->op('paint.move', ['pass' => 'shadepass1', 'by' => [260, 20], 'into' => 'another001']);
        self::assertSame(
            [0, 0, 153, 0],
            [$this->at(20, 20), $this->at(280, 40), $this->at(280, 40, 'another001'), $this->at(20, 20, 'another001')],
        );
    }

    public function test_paint_that_was_taken_along_is_put_into_other_passes(): void
    {
        $this->op('pass.add', ['id' => 'another001', 'pass' => $this->toneOf(5)]);
        $this->block(self::box(10, 10, 50, 50), opacity: 0.6);
        $place = function (array $more, ?LiftedPaint $paint): void {
            $op = PlacePaint::fromInput(
                new Data(
                    $more + [
                        'pass' => 'another001',
                        'make' => null,
                        'page' => 4,
                        'from' => 'shadepass1',
                        'outline' => self::box(20, 5, 60, 40),
                        'by' => [0, 0],
                    ],
                ),
            );
            $sheet = new Sheet($this->source);
            ($paint === null ? $op : $op->carrying($paint))->apply($sheet);
            $this->source->store($sheet->takeChange());
        };
        $lift = fn (string $pass = 'shadepass1', int $left = 20): LiftedPaint => LiftedPaint::from(
            new Sheet($this->source),
            $pass,
            self::box($left, 5, $left + 40, 40),
        );
        // Half of it, so far to the right and down; where it was it stays.
        $place(['by' => [200, 30]], $lift());
        self::assertSame(
            [153, 0, 153, 0],
            [$this->at(30, 20), $this->at(230, 50), $this->at(230, 50, 'another001'), $this->at(215, 50, 'another001')],
        );
        self::assertSame([153, 0], [$this->at(230, 69, 'another001'), $this->at(230, 71, 'another001')]);
        // Over what is there, and into a pass that is made for it.
        $place(['by' => [200, 30]], $lift());
        self::assertEqualsWithDelta(255 * (1 - 0.4 ** 2), $this->at(230, 50, 'another001'), 1);
        $place(
            [
                'pass' => 'newpass001',
                'make' => (new PassSpec('Rim', 5, new TintContent(new Rgb(1, 2, 3)), Scope::figure(5)))->toData(),
                'by' => [-30, 0],
            ],
            $lift(),
        );
        self::assertSame(
            [153, 0, 'Rim'],
            [
                $this->at(10, 20, 'newpass001'),
                $this->at(30, 20, 'newpass001'),
                (new Sheet($this->source))->find(PassSpec::class, 'newpass001')?->name,
            ],
        );
        $before = $this->layer('another001');
        foreach (
            [
                [['pass' => 'paintpass1'], $lift(), 'Free paint goes into'],
                [['by' => [9000, 0]], $lift(), 'off the page'],
                [['pass' => 'nothere001'], $lift(), 'pass is gone'],
                [[], null, 'Nothing was taken along'],
            ] as [$more, $paint, $why]
        ) {
            try {
                $place($more, $paint);
                self::fail("not refused: $why");
            } catch (OpRefused $refused) {
                self::assertStringContainsString($why, $refused->getMessage());
            }
        }
        foreach (
            [['nothere001', 20, 'is gone'], ['shadepass1', 400, 'no paint of that pass']] as [$pass, $left, $why]
        ) {
            try {
                $lift($pass, $left);
                self::fail("not refused: $why");
            } catch (OpRefused $refused) {
                self::assertStringContainsString($why, $refused->getMessage());
            }
        }
        self::assertSame($before, $this->layer('another001'));
        // Colours go along with their weight.
        $this->block(self::box(10, 100, 50, 140), 'paintpass1', colour: '#3060c0', opacity: 0.5);
        $this->op('pass.add', [
            'id' => 'paintpass2',
            'pass' => (new PassSpec('More', 3, new PaintContent, Scope::figure(3)))->toData(),
        ]);
        $place(
            ['pass' => 'paintpass2', 'by' => [100, 0]],
            LiftedPaint::from(new Sheet($this->source), 'paintpass1', self::box(0, 90, 60, 150)),
        );
        self::assertEqualsWithDelta([48, 96, 192, 128], $this->paintAt(130, 120, 'paintpass2'), 1);
    }

    public function test_moved_colours_lie_over_what_is_there(): void
    {
        $this->block(self::box(10, 10, 40, 40), 'paintpass1', colour: '#ff0000', opacity: 0.5);
        $this->block(self::box(100, 10, 140, 40), 'paintpass1', colour: '#0000ff');
        $this->op('paint.move', ['pass' => 'paintpass1', 'outline' => self::box(5, 5, 45, 45), 'by' => [95, 0]]);
        self::assertEqualsWithDelta([128, 0, 127, 255], $this->paintAt(110, 20), 1);
        self::assertSame([0, 0, 255, 255], $this->paintAt(138, 20));
        self::assertSame(0, $this->paintAt(20, 20)[3]);
    }

    public function test_a_pass_is_duplicated_with_its_paint_and_lies_on_top(): void
    {
        $this->block(self::box(30, 20, 290, 60), opacity: 0.7);
        $this->op('pass.change', ['id' => 'shadepass1', 'values' => ['opacity' => 0.4, 'mode' => 'multiply']]);
        $this->op('pass.copy', ['id' => 'thecopy001', 'from' => 'shadepass1']);
        self::assertSame($this->layer(), $this->layer('thecopy001'));
        $passes = (new Sheet($this->source))->all(PassSpec::class);
        [$first, $copy] = [$passes['shadepass1'], $passes['thecopy001']];
        self::assertSame(
            ['Shade, copy', 0.4, 'multiply', 3],
            [$copy->name, $copy->opacity, $copy->mode->value, $copy->figure],
        );
        self::assertGreaterThan($first->order, $copy->order);
        $this->block(self::box(30, 20, 60, 60), 'thecopy001', erase: true);
        self::assertSame([178, 0], [$this->at(40, 40), $this->at(40, 40, 'thecopy001')], 'they are two');
        $this->assertRefused('pass.copy', ['id' => 'thecopy002', 'from' => 'nobodys001'], 'gone');
        $this->assertRefused('pass.copy', ['id' => 'thecopy001', 'from' => 'shadepass1'], 'there already');
    }

    public function test_regions_are_stood_before_the_rest_and_back_whatever_else_is_done_to_them(): void
    {
        $this->op('light.before', ['labels' => [7, 9], 'before' => true]);
        $this->op('light.before', ['labels' => [9], 'before' => false]);
        $this->op('fill', ['labels' => [7], 'figure' => 5, 'material' => 52]);
        $this->op('light.solid', ['labels' => [7], 'solid' => 'tube']);
        $regions = (new Sheet($this->source))->all(Region::class);
        self::assertEquals(
            [
                new Region(
                    figure: 5,
                    material: 52,
                    area: 240 * self::HEIGHT,
                    x: 10,
                    y: 10,
                    solid: Solid::Tube,
                    inFront: true,
                ),
                false,
            ],
            [$regions[7], $regions[9]->inFront],
        );
        self::assertEquals($regions[7], Region::fromData(new Data($regions[7]->toData())));
    }

    public function test_regions_are_put_under_another_light_plan_and_back(): void
    {
        $this->op('light.stand', ['labels' => [7, 9], 'plan' => 12]);
        $this->op('light.stand', ['labels' => [9], 'plan' => null]);
        $regions = (new Sheet($this->source))->all(Region::class);
        self::assertSame([12, null], [$regions[7]->plan, $regions[9]->plan]);
        self::assertSame(
            [[12], []],
            array_map(
                fn (?int $plan): array => OpKinds::read('light.stand', ['labels' => [7], 'plan' => $plan])->refersTo()
                    ->lights,
                [12, null],
            ),
        );
        $this->assertRefused('light.stand', ['labels' => [7], 'plan' => 0], 'plan');
        $this->assertRefused('light.stand', ['labels' => [70], 'plan' => 12], 'gone');
    }

    public function test_a_direction_is_told_of_regions_and_forgotten(): void
    {
        $line = [[0.1, 0.25], [0.3, 0.5], [0.3, 0.75]];
        $this->op('light.flow', ['labels' => [7, 9], 'line' => $line]);
        $this->op('light.flow', ['labels' => [9], 'line' => null]);
        $regions = (new Sheet($this->source))->all(Region::class);
        self::assertSame([[$line], null], [$regions[7]->flow?->toList(), $regions[9]->flow]);
        // One more beside it; else in its place.
        $other = [[0.5, 0.5], [0.75, 0.5]];
        $this->op('light.flow', ['labels' => [7, 9], 'line' => $other, 'more' => true]);
        $regions = (new Sheet($this->source))->all(Region::class);
        self::assertSame([[$line, $other], [$other]], [$regions[7]->flow?->toList(), $regions[9]->flow?->toList()]);
        $this->op('light.flow', ['labels' => [7], 'line' => $line]);
        self::assertSame([$line], (new Sheet($this->source))->find(Region::class, 7)?->flow?->toList());
        foreach (range(2, 8) as $ignored) {
            $this->op('light.flow', ['labels' => [9], 'line' => $line, 'more' => true]);
        }
        $this->assertRefused('light.flow', ['labels' => [7, 9], 'line' => $line, 'more' => true], 'Remove them');
        self::assertCount(
            1,
            (new Sheet($this->source))->find(Region::class, 7)?->flow->lines ?? [],
            'none of them, then',
        );
        $this->assertRefused('light.flow', ['labels' => [9], 'line' => [[0.1, 0.2]]], 'Draw it again');
    }

    public function test_what_lies_on_a_body_is_of_it_and_what_lies_beside_it_is_not(): void
    {
        // A face (1) with a mouth (2), in which there are teeth (3); half of an ear (4) beside it, as large as the
        // mouth; a button (5) of another figure on it.
        $at = fn (int $x, int $y): int => match (true) {
            abs($x - 50) < 4 && abs($y - 70) < 2 => 3,
            abs($x - 50) < 12 && abs($y - 70) < 5 => 2,
            abs($x - 30) < 3 && abs($y - 30) < 3 => 5,
            hypot($x - 50, $y - 50) < 40 => 1,
            hypot($x - 93, $y - 50) < 9 => 4,
            default => 6,
        };
        $labels = new Labels(
            120,
            100,
            implode('', array_map(fn (int $i): string => pack('n', $at($i % 120, intdiv($i, 120))), range(0, 11_999))),
        );
        $areas = array_count_values((array) unpack('n*', $labels->data));
        $of = fn (int $label, int $figure, int $material): Region => new Region(
            $figure,
            $material,
            $areas[$label],
            1,
            1,
        );
        $regions = [
            6 => $of(6, 0, 0),
            4 => $of(4, 7, 31),
            3 => $of(3, 7, 33),
            2 => $of(2, 7, 32),
            1 => $of(1, 7, 30),
            5 => $of(5, 8, 40),
        ];
        self::assertEquals([1 => 1, 2 => 1, 3 => 1, 4 => 4], FigureBodies::of($regions, RegionGraph::of($labels), 7));
        self::assertEquals([5 => 5], FigureBodies::of($regions, RegionGraph::of($labels), 8));
        // Of one material they are one, wherever they lie.
        $regions[4] = $of(4, 7, 30);
        self::assertEquals([1 => 4, 2 => 4, 3 => 4, 4 => 4], FigureBodies::of($regions, RegionGraph::of($labels), 7));
    }

    public function test_a_stroke_is_mirrored_in_an_axis_as_one(): void
    {
        $brush = ['size' => 20, 'hardness' => 1, 'opacity' => 0.5, 'smoothing' => 0];
        $stroke = fn (array $more): array => $more + [
            'pass' => 'shadepass1',
            'points' => [[60.0, 50.0, 1.0], [130.0, 50.0, 1.0]],
            'brush' => $brush,
        ];
        // Upright at 120: from 60 to 130, and from 180 back to 110; where both lie it is no darker.
        $this->op('stroke', $stroke(['mirror' => ['x' => 120.0, 'y' => 0.0, 'turn' => 0.0]]));
        self::assertSame(
            [128, 128, 128, 0, 0],
            [$this->at(70, 50), $this->at(170, 50), $this->at(120, 50), $this->at(40, 50), $this->at(200, 50)],
        );
        // Lying, at 100: down there; erased on both sides.
        $this->op(
            'stroke',
            $stroke([
                'mirror' => ['x' => 0.0, 'y' => 100.0, 'turn' => M_PI / 2],
                'points' => [[80.0, 140.0, 1.0]],
                'brush' => ['opacity' => 1] + $brush,
            ]),
        );
        self::assertSame([255, 255, 0], [$this->at(80, 140), $this->at(80, 60), $this->at(80, 100)]);
        $this->op(
            'stroke',
            $stroke([
                'mirror' => ['x' => 120.0, 'y' => 0.0, 'turn' => 0.0],
                'points' => [[80.0, 140.0, 1.0]],
                'erase' => true,
                'brush' => ['opacity' => 1] + $brush,
            ]),
        );
        self::assertSame(0, $this->at(80, 140));
    }

    public function test_a_shape_is_mirrored_in_an_axis_as_one(): void
    {
        // Upright at 120.5: 80 to 130.5 becomes 110.5 to 161, too; half covered at both ends, no darker where both lie.
        $mirror = ['x' => 120.5, 'y' => 0.0, 'turn' => 0.0];
        $block = fn (array $box, array $more = [], ?array $in = null) => $this->op('paint.shape', [
            'laying' => $this->into('shadepass1', $more + ['opacity' => 0.6]),
            'outline' => $box,
            'mirror' => $in ?? $mirror,
        ]);
        $block(self::box(80, 30, 130.5, 60));
        $across = array_map(fn (int $x): int => $this->at($x, 40), [79, 80, 120, 130, 160, 161]);
        self::assertSame([0, 153, 153, 153, 153, 0], $across);
        $block(self::box(80, 30, 100, 60), ['erase' => true, 'opacity' => 1.0]);
        self::assertSame([0, 153, 0], [$this->at(90, 40), $this->at(120, 40), $this->at(150, 40)]);
        // Only one half of it lies on the page; one that lies nowhere on it is refused.
        $block(self::box(10, 80, 30, 90), in: ['x' => 5.0, 'y' => 0.0, 'turn' => 0.0]);
        self::assertSame([153, 0], [$this->at(20, 85), $this->at(2, 85)]);
        $this->assertRefused(
            'paint.shape',
            [
                'laying' => $this->into(),
                'outline' => self::box(-50, 1, -5, 5),
                'mirror' => ['x' => -60.0, 'y' => 0.0, 'turn' => 0.0],
            ],
            'off the page',
        );
        $this->assertRefused(
            'paint.shape',
            ['laying' => $this->into(), 'outline' => self::box(1, 1, 5, 5), 'mirror' => ['x' => 'here', 'y' => 0.0]],
            'X runs from',
        );
    }

    public function test_ramps_softening_dragging_and_moving_are_mirrored(): void
    {
        $mirror = ['x' => 120.0, 'y' => 0.0, 'turn' => 0.0];
        $brush = ['size' => 30, 'hardness' => 0.5, 'opacity' => 0.9, 'smoothing' => 0];
        $this->op('paint.shape', [
            'laying' => $this->into(),
            'outline' => self::box(60, 30, 100, 60),
            'mirror' => $mirror,
        ]);
        $this->op('pass.soften', [
            'pass' => 'shadepass1',
            'by' => 4,
            'brush' => $brush,
            'points' => [[60, 45, 1]],
            'mirror' => $mirror,
        ]);
        $this->assertSymmetric([57, 45], 10);
        $this->op('paint.ramp', [
            'laying' => $this->into(),
            'from' => [60.5, 150.5],
            'to' => [30.5, 150.5],
            'form' => 'round',
            'over' => [['laying' => $this->into(), 'part' => 0.5]],
            'mirror' => $mirror,
        ]);
        $this->assertSymmetric([68, 160], 100);
        $this->op('paint.move', [
            'pass' => 'shadepass1',
            'outline' => self::box(40, 20, 118, 70),
            'by' => [-10, 180],
            'turn' => 30,
            'mirror' => $mirror,
        ]);
        self::assertSame(0, $this->at(80, 45), 'moved away');
        $this->assertSymmetric([70, 225], 200);
        $this->op('paint.drag', [
            'pass' => 'shadepass1',
            'brush' => $brush,
            'points' => [[70, 225, 1], [95, 225, 1]],
            'mirror' => $mirror,
        ]);
        // What is pulled lies on whole pixels, which the mirror has the other way round.
        self::assertEqualsWithDelta(
            [$this->at(97, 225), $this->at(70, 225)],
            [$this->at(142, 225), $this->at(169, 225)],
            40,
        );
        self::assertGreaterThan(60, min($this->at(97, 225), $this->at(142, 225)));
    }

    public function test_what_is_poured_fades_inside_the_border_of_its_regions_and_never_leaves_them(): void
    {
        // Region 7 lies from 0 to 240, region 9 from 240 to 500, both as high as the page; together they have one
        // border, at 500.
        $eased = fn (float $part): float => 255 * max(0, min(1, $part)) ** 2 * (3 - 2 * max(0, min(1, $part)));
        foreach ([1.5, 7, 40] as $i => $fade) {
            foreach ([[[7], 240], [[7, 9], 500]] as $j => [$labels, $border]) {
                $pass = "fading{$i}{$j}00";
                $this->op('paint.pour', [
                    'laying' => $this->into($pass, [
                        'make' => (new PassSpec('Shade', 0, new ToneContent(Tone::Shade), Scope::page()))->toData(),
                    ]),
                    'labels' => $labels,
                    'fade' => $fade,
                ]);
                foreach ([1, 3, 6, 20, 39, 60] as $inside) {
                    $expected = $eased(($inside - 0.5) / $fade);
                    self::assertEqualsWithDelta(
                        $expected,
                        $this->at($border - $inside, 130, $pass),
                        $fade < 2 ? 45 : 26,
                        "$fade, $inside px inside $border",
                    );
                }
                self::assertSame(
                    str_repeat("\0", 29),
                    substr($this->layer($pass), 130 * self::WIDTH + $border, 29),
                    'nothing beside it',
                );
                self::assertSame(255, $this->at(0, 0, $pass), 'the rim of the page is no border');
            }
        }
        // A border is seen from the tile beside it: that of region 9 lies at 240, tiles meet at 256.
        $this->op('paint.pour', [
            'laying' => $this->into('fadingnine', [
                'make' => (new PassSpec('Shade', 0, new ToneContent(Tone::Shade), Scope::page()))->toData(),
            ]),
            'labels' => [9],
            'fade' => 40,
        ]);
        self::assertEqualsWithDelta(
            [$eased(14.5 / 40), $eased(18.5 / 40), $eased(29.5 / 40)],
            [$this->at(254, 130, 'fadingnine'), $this->at(258, 130, 'fadingnine'), $this->at(269, 130, 'fadingnine')],
            26,
        );
        $this->assertRefused(
            'paint.pour',
            ['laying' => $this->into(), 'labels' => [7], 'fade' => 201],
            'Fade runs from',
        );
    }

    public function test_the_edge_of_a_mask_is_softened_and_whoever_shows_for_itself_stays_hard(): void
    {
        $this->block(self::box(60, 40, 180, 200));
        $this->op('pass.add', [
            'id' => 'lightpass1',
            'pass' => (new PassSpec('Light', 3, new ToneContent(Tone::Light), Scope::figure(3)))->toData(),
        ]);
        $this->op('pass.change', [
            'id' => 'lightpass1',
            'values' => ['mask' => ['pass' => 'shadepass1', 'outside' => true]],
        ]);
        $hard = $this->layer('shadepass1');
        $this->op('mask.soften', ['id' => 'lightpass1', 'mask' => 'softmask01', 'by' => 10]);
        $passes = (new Sheet($this->source))->all(PassSpec::class);
        self::assertSame(
            ['softmask01', true, false, 'Mask of Light'],
            [
                $passes['lightpass1']->mask?->pass,
                $passes['lightpass1']->mask->outside,
                $passes['softmask01']->visible,
                $passes['softmask01']->name,
            ],
        );
        self::assertSame($hard, $this->layer('shadepass1'));
        self::assertEqualsWithDelta(
            [255, 128, 0],
            [
                $this->at(120, 100, 'softmask01'),
                ($this->at(179, 100, 'softmask01') + $this->at(180, 100, 'softmask01')) / 2,
                $this->at(196, 100, 'softmask01'),
            ],
            4,
        );
        self::assertGreaterThan(20, $this->at(184, 100, 'softmask01'));
        // Once more: the mask is nobody else's, and takes it itself.
        $this->op('mask.soften', ['id' => 'lightpass1', 'mask' => 'softmask02', 'by' => 20]);
        self::assertSame(
            ['softmask01', false],
            [
                (new Sheet($this->source))->find(PassSpec::class, 'lightpass1')?->mask?->pass,
                isset((new Sheet($this->source))->all(PassSpec::class)['softmask02']),
            ],
        );
        self::assertGreaterThan(20, $this->at(192, 100, 'softmask01'));
        $this->assertRefused(
            'mask.soften',
            ['id' => 'shadepass1', 'mask' => 'softmask03', 'by' => 10],
            'not kept to anything',
        );
        $this->assertRefused('mask.soften', ['id' => 'nothere001', 'mask' => 'softmask03', 'by' => 10], 'gone');
    }

    public function test_a_twin_that_would_leave_the_page_stays_while_the_other_is_moved(): void
    {
        $mirror = ['x' => 60.0, 'y' => 0.0, 'turn' => 0.0];
        $this->op('paint.shape', [
            'laying' => $this->into(),
            'outline' => self::box(66, 30, 98, 60),
            'mirror' => $mirror,
        ]);
        self::assertSame([255, 255], [$this->at(80, 45), $this->at(39, 45)]);
        $move = ['pass' => 'shadepass1', 'outline' => self::box(62, 20, 105, 70), 'mirror' => $mirror];
        $this->op('paint.move', $move + ['by' => [85, 3]]);
        self::assertSame([0, 255, 255], [$this->at(80, 45), $this->at(165, 48), $this->at(39, 45)]);
        $this->assertRefused(
            'paint.move',
            ['outline' => self::box(150, 20, 190, 70)] + $move + ['by' => [900, 0]],
            'off the page',
        );
        self::assertSame(255, $this->at(165, 48));
    }

    public function test_edges_along_borders_stay_where_each_region_is_softened_for_itself(): void
    {
        $this->op('pass.add', [
            'id' => 'allaround1',
            'pass' => (new PassSpec('Shade', 0, new ToneContent(Tone::Shade), Scope::page()))->toData(),
        ]);
        // Up to the border of two regions at 240, and beyond it in none.
        $this->block(self::box(200, 20, 240, 60), 'allaround1', opacity: 0.8);
        $this->op('pass.soften', ['pass' => 'allaround1', 'by' => 6, 'brush' => null, 'points' => [], 'apart' => true]);
        [$border, $inner] = [
            fn (): array => [$this->at(239, 40, 'allaround1'), $this->at(240, 40, 'allaround1')],
            fn (): array => [$this->at(199, 40, 'allaround1'), $this->at(200, 40, 'allaround1')],
        ];
        self::assertSame([204, 0], $border(), 'where they meet it is as it was');
        self::assertGreaterThan(60, $inner()[0]);
        self::assertLessThan(140, $inner()[1]);
        $this->assertRefused(
            'pass.soften',
            ['pass' => 'allaround1', 'by' => 6, 'brush' => null, 'points' => [], 'inside' => [9], 'apart' => true],
            'Nothing of this pass',
        );
    }

    public function test_what_is_moved_is_mirrored_in_a_slanted_axis(): void
    {
        // About (120, 100), aslant: right becomes down.
        $mirror = ['x' => 120.0, 'y' => 100.0, 'turn' => M_PI / 4];
        $this->op('paint.shape', [
            'laying' => $this->into(),
            'outline' => self::box(60, 30, 80, 40),
            'mirror' => $mirror,
        ]);
        self::assertSame([255, 255], [$this->at(70, 35), $this->at(55, 50)]);
        $this->op('paint.move', [
            'pass' => 'shadepass1',
            'outline' => self::box(55, 25, 85, 45),
            'by' => [0, 100],
            'scale' => [2, 1],
            'mirror' => $mirror,
        ]);
        self::assertSame([0, 0], [$this->at(70, 35), $this->at(55, 50)]);
        self::assertSame([255, 255, 0], [$this->at(52, 135), $this->at(88, 135), $this->at(48, 135)]);
        self::assertSame([255, 255, 0], [$this->at(155, 32), $this->at(155, 68), $this->at(155, 28)]);
    }

    /**
     * In an upright axis at 120, and there is something on both sides.
     *
     * @param  array{int, int}  $place
     */
    private function assertSymmetric(array $place, int $least): void
    {
        self::assertGreaterThan($least, $this->at(...$place));
        foreach (str_split($this->layer(), self::WIDTH) as $y => $row) {
            [$left, $right] = [substr($row, 0, 120), strrev(substr($row, 120, 120))];
            $apart = array_map(
                fn (string $a, string $b): int => abs(ord($a) - ord($b)),
                str_split($left),
                str_split($right),
            );
            self::assertLessThanOrEqual(1, max($apart), "row $y");
        }
    }

    public function test_a_ramp_runs_through_several_tones_in_one_step(): void
    {
        $deep = [
            'pass' => 'deeppass01',
            'make' => ['content' => ['kind' => 'tone', 'tone' => 'deep'], 'name' => 'Deep shade'] + $this->toneOf(3),
        ];
        $this->op('paint.ramp', [
            'laying' => $this->into(),
            'from' => [20.5, 50.5],
            'to' => [220.5, 50.5],
            'form' => 'straight',
            'over' => [['laying' => $deep, 'part' => 0.25]],
        ]);
        self::assertEqualsWithDelta(
            [255, 255 * 0.9, 255 * 0.5, 0],
            [$this->at(10, 50), $this->at(40, 50), $this->at(120, 50), $this->at(225, 50)],
            1,
        );
        self::assertEqualsWithDelta(
            [255, 255 * 0.6, 0],
            [$this->at(10, 50, 'deeppass01'), $this->at(40, 50, 'deeppass01'), $this->at(71, 50, 'deeppass01')],
            1,
        );
        self::assertSame(
            Tone::Deep->value,
            (new Sheet($this->source))->find(PassSpec::class, 'deeppass01')?->toData()['content']['tone'],
        );
        $this->assertRefused(
            'paint.ramp',
            [
                'laying' => $this->into(),
                'from' => [20, 50],
                'to' => [60, 50],
                'over' => [['laying' => $this->into('nobodys001'), 'part' => 0.5]],
            ],
            'gone',
        );
        self::assertSame(255, $this->at(10, 50), 'and nothing of it is laid');
    }

    public function test_two_passes_of_one_tone_are_merged_with_their_opacities_and_look_as_before(): void
    {
        $this->op('pass.add', ['id' => 'upperpass1', 'pass' => $this->toneOf(3)]);
        $this->block(self::box(20, 20, 120, 90), opacity: 0.8);
        $this->block(self::box(80, 20, 300, 90), 'upperpass1', opacity: 0.6);
        $this->op('pass.change', ['id' => 'shadepass1', 'values' => ['opacity' => 0.5]]);
        $this->op('pass.change', ['id' => 'upperpass1', 'values' => ['opacity' => 0.25]]);
        $this->assertRefused('pass.merge', ['id' => 'upperpass1', 'into' => 'shadepass1'], 'right below');
        $this->op('pass.change', ['id' => 'paintpass1', 'values' => ['order' => 9]]);
        $this->op('pass.merge', ['id' => 'upperpass1', 'into' => 'shadepass1']);
        // 0.8 · 0.5 alone; 0.6 · 0.25 alone; both: 1 − (1 − 0.4)(1 − 0.15).
        self::assertEqualsWithDelta(
            [255 * 0.4, 255 * 0.15, 255 * 0.49, 0],
            [$this->at(40, 40), $this->at(280, 40), $this->at(100, 40), $this->at(40, 100)],
            1,
        );
        $passes = (new Sheet($this->source))->all(PassSpec::class);
        self::assertSame([1.0, false], [$passes['shadepass1']->opacity, isset($passes['upperpass1'])]);
        self::assertNull(
            (new Sheet($this->source))->tile($passes['shadepass1']->layer('upperpass1'), 0, 0),
            'nothing of it is left',
        );
    }

    public function test_paint_is_merged_in_its_colours(): void
    {
        $this->op('pass.add', [
            'id' => 'upperpaint',
            'pass' => [
                'name' => 'More',
                'figure' => 3,
                'kind' => 'paint',
                'scope' => ['kind' => 'page', 'id' => 0],
                'opacity' => 0.5,
            ],
        ]);
        $this->block(self::box(20, 20, 120, 90), 'paintpass1', colour: '#ff0000');
        $this->block(self::box(80, 20, 200, 90), 'upperpaint', colour: '#0000ff');
        $this->op('pass.merge', ['id' => 'upperpaint', 'into' => 'paintpass1']);
        self::assertEqualsWithDelta(
            [[255, 0, 0, 255], [128, 0, 128, 255], [0, 0, 255, 128]],
            [$this->paintAt(40, 40), $this->paintAt(100, 40), $this->paintAt(180, 40)],
            1,
        );
    }

    public function test_passes_that_do_not_lay_the_same_stay_apart(): void
    {
        $unlike = [
            ['content' => ['kind' => 'tone', 'tone' => 'light']],
            ['scope' => ['kind' => 'material', 'id' => 31]],
            ['mode' => 'multiply'],
            ['visible' => false],
            ['mask' => ['pass' => 'paintpass1', 'outside' => true]],
            ['turn' => ['lightness' => 0.1, 'chroma' => 1, 'hue' => 0]],
        ];
        $words = ['do not lay the same', 'clipped', 'normally', 'rolled up', 'keeps to another', 'turned'];
        $this->op('pass.change', ['id' => 'paintpass1', 'values' => ['order' => 99]]);
        foreach ($unlike as $i => $change) {
            $this->op('pass.add', [
                'id' => "unlike000$i",
                'pass' => [...$this->toneOf(3), 'order' => 1.5 + $i, ...$change],
            ]);
            $this->assertRefused(
                'pass.merge',
                ['id' => "unlike000$i", 'into' => $i === 0 ? 'shadepass1' : 'alike0000'.($i - 1)],
                $words[$i],
            );
            $this->op('pass.add', ['id' => "alike0000$i", 'pass' => [...$this->toneOf(3), 'order' => 1.9 + $i]]);
        }
    }

    public function test_two_passes_are_merged_as_a_copy_and_both_stay_under_it(): void
    {
        $this->op('pass.add', ['id' => 'upperpass1', 'pass' => $this->toneOf(3)]);
        $this->op('pass.change', ['id' => 'paintpass1', 'values' => ['order' => 9]]);
        $this->op('pass.add', [
            'id' => 'highest001',
            'pass' => ['content' => ['kind' => 'tone', 'tone' => 'light'], 'name' => 'Light'] + $this->toneOf(3),
        ]);
        $this->block(self::box(20, 20, 120, 90), opacity: 0.8);
        // It reaches to a tile where the other has nothing.
        $this->block(self::box(80, 20, 300, 90), 'upperpass1', opacity: 0.6);
        $this->op('pass.change', ['id' => 'upperpass1', 'values' => ['opacity' => 0.5]]);
        $parts = [$this->layer('shadepass1'), $this->layer('upperpass1')];
        $this->op('pass.merge', ['id' => 'upperpass1', 'into' => 'shadepass1', 'copy' => 'mergedpas1']);
        $passes = (new Sheet($this->source))->all(PassSpec::class);
        self::assertSame($parts, [$this->layer('shadepass1'), $this->layer('upperpass1')]);
        self::assertEqualsWithDelta(
            [204, 255 * (1 - 0.2 * 0.7), 76.5, 0],
            [
                $this->at(40, 50, 'mergedpas1'),
                $this->at(100, 50, 'mergedpas1'),
                $this->at(280, 50, 'mergedpas1'),
                $this->at(310, 50, 'mergedpas1'),
            ],
            1,
        );
        self::assertSame(
            [false, false, true],
            [$passes['shadepass1']->visible, $passes['upperpass1']->visible, $passes['mergedpas1']->visible],
        );
        self::assertSame([0.5, 1.0], [$passes['upperpass1']->opacity, $passes['mergedpas1']->opacity]);
        self::assertGreaterThan($passes['upperpass1']->order, $passes['mergedpas1']->order);
        self::assertLessThan($passes['highest001']->order, $passes['mergedpas1']->order);
        $this->assertRefused(
            'pass.merge',
            ['id' => 'mergedpas1', 'into' => 'upperpass1', 'copy' => 'anotherps1'],
            'rolled up',
        );
        $this->assertRefused(
            'pass.merge',
            ['id' => 'paintpass1', 'into' => 'mergedpas1', 'copy' => 'anotherps1'],
            'do not lay the same',
        );
    }

    public function test_a_setup_with_marks_is_painted_in_other_regions_scaled_into_their_box(): void
    {
        // Region 7 lies from 0 to 240: painted in its right lower quarter; half of that by another pass.
        $this->op('pass.add', [
            'id' => 'lightpass1',
            'pass' => [
                'content' => ['kind' => 'tone', 'tone' => 'light'],
                'name' => 'Light',
                'turn' => ['lightness' => 0.1, 'chroma' => 1.5, 'hue' => 20.0],
            ] + $this->toneOf(3),
        ]);
        $this->block(self::box(120, 150, 400, self::HEIGHT), opacity: 0.8);
        $this->block(self::box(180, 150, 240, self::HEIGHT), 'lightpass1');
        $sheet = new Sheet($this->source);
        $regions = new MarkedRegions($sheet, [7]);
        $passes = array_map(
            fn (string $id): array => (fn (PassSpec $pass): array => array_intersect_key(
                $pass->toData(),
                array_flip(['name', 'content', 'mode', 'opacity', 'turn']),
            ) + ['marks' => $regions->read($id, $pass)?->toText(), 'rough' => null])(
                $sheet->find(PassSpec::class, $id) ?? self::fail($id),
            ),
            ['shadepass1', 'lightpass1'],
        );
        [$name, $setup] = SetupFile::read(SetupFile::write('Corner ☂', Setup::fromList($passes)));
        self::assertSame(['Corner ☂', $passes], [$name, $setup->toList()]);
        // As sharp as a box of that size is worth; marks of a setup that was kept long ago have fewer pixels.
        self::assertSame(
            [128, 64, 128],
            [
                SetupMarks::fromText((string) $passes[0]['marks'])->side,
                SetupMarks::sideFor(new Rect(5, 5, 96, 20)),
                SetupMarks::sideFor(new Rect(5, 5, 20, 97)),
            ],
        );
        foreach ([0, 63 ** 2, 64 * 128, 129 ** 2] as $length) {
            try {
                new SetupMarks(str_repeat("\1", $length));
                self::fail("$length pixels");
            } catch (\InvalidArgumentException $e) {
                self::assertStringContainsString('64 or 128', $e->getMessage());
            }
        }
        // Region 9 lies from 240 to 500.
        $this->op('setup.hang', [
            'name' => 'Corner',
            'figure' => 5,
            'scope' => ['kind' => 'figure', 'id' => 5],
            'ids' => ['newshade01', 'newlight01'],
            'passes' => $setup->toList(),
            'labels' => [9],
        ]);
        self::assertEqualsWithDelta(
            [204, 0, 0, 0, 0],
            [
                $this->at(470, 270, 'newshade01'),
                $this->at(300, 270, 'newshade01'),
                $this->at(470, 60, 'newshade01'),
                $this->at(510, 270, 'newshade01'),
                $this->at(230, 270, 'newshade01'),
            ],
            2,
        );
        self::assertEqualsWithDelta(
            [255, 0],
            [$this->at(480, 270, 'newlight01'), $this->at(400, 270, 'newlight01')],
            2,
        );
        self::assertEquals(
            new ColourTurn(0.1, 1.5, 20),
            (new Sheet($this->source))->find(PassSpec::class, 'newlight01')?->turn,
        );
        self::assertNull(
            (new MarkedRegions(new Sheet($this->source), [9]))->read(
                'lightpass1',
                $sheet->find(PassSpec::class, 'lightpass1') ?? self::fail('no light'),
            ),
            'nothing of it lies there',
        );
        $this->assertRefused(
            'setup.hang',
            [
                'name' => 'Corner',
                'figure' => 5,
                'scope' => ['kind' => 'figure', 'id' => 5],
                'ids' => ['another001', 'another002'],
                'passes' => $passes,
                'labels' => [1234],
            ],
            'gone',
        );
        foreach (
            [
                '{' => 'no setup',
                '{"kind":"awning setup","version":3}' => 'newer',
                '{"kind":"awning setup","version":1,"name":""}' => 'name',
                '{"kind":"awning setup","version":1,"name":"x","passes":[]}' => '1 to 24',
                '{"kind":"awning '
                    .'setup","version":1,"name":"x","passes":[{"name":"a","kind":"tone","tone":"shade","marks":"eJw="}]}' => '64 or 128',
            ] as $json => $why
        ) {
            try {
                SetupFile::read((string) $json);
                self::fail("$json was taken");
            } catch (\InvalidArgumentException $error) {
                self::assertStringContainsString($why, $error->getMessage());
            }
        }
    }

    public function test_a_setup_says_what_a_first_light_fills(): void
    {
        $shade = ['name' => 'Soft shade', 'kind' => 'tone', 'tone' => 'shade', 'opacity' => 0.7, 'rough' => 'shade'];
        $rim = [
            'name' => 'Moon edge',
            'kind' => 'tint',
            'colour' => '#c0d8ff',
            'mode' => 'screen',
            'opacity' => 0.5,
            'rough' => 'rim',
        ];
        $lines = ['name' => 'Warm lines', 'kind' => 'tone', 'tone' => 'light', 'rough' => 'lines'];
        $plain = ['name' => 'By hand', 'kind' => 'tone', 'tone' => 'light'];
        // One of them hangs already, from a light that was laid before, and is kept low; another became of another
        // kind.
        $this->op('pass.add', [
            'id' => 'rough5rim',
            'pass' => [
                'name' => 'Rim, rough',
                'figure' => 5,
                'kind' => 'tint',
                'colour' => '#ffffff',
                'scope' => ['kind' => 'figure', 'id' => 5],
                'mode' => 'normal',
                'opacity' => 1,
            ],
        ]);
        $this->op('pass.add', [
            'id' => 'rough5lines',
            'pass' => [
                'name' => 'Edges',
                'figure' => 5,
                'kind' => 'tint',
                'colour' => '#ffffff',
                'scope' => ['kind' => 'ink', 'id' => 0],
            ],
        ]);
        $order = (new Sheet($this->source))->find(PassSpec::class, 'rough5rim')?->order;
        $hang = fn (array $passes, int $figure, string $ids) => $this->op('setup.hang', [
            'name' => 'Moonlit',
            'figure' => $figure,
            'scope' => ['kind' => 'material', 'id' => 52],
            'ids' => array_map(fn (int $i): string => "$ids$i", array_keys($passes)),
            'passes' => $passes,
            'setup' => 31,
        ]);
        $hang([$plain, $shade, $rim, $lines], 5, 'moonlit00');
        $passes = (new Sheet($this->source))->all(PassSpec::class);
        self::assertSame(
            ['Moon edge', '#c0d8ff', 'screen', 0.5, $order],
            [
                $passes['rough5rim']->name,
                $passes['rough5rim']->toData()['content']['colour'],
                $passes['rough5rim']->mode->value,
                $passes['rough5rim']->opacity,
                $passes['rough5rim']->order,
            ],
        );
        self::assertSame(
            ['Soft shade', 0.7, ['kind' => 'figure', 'id' => 5]],
            [$passes['rough5shade']->name, $passes['rough5shade']->opacity, $passes['rough5shade']->scope->toData()],
        );
        self::assertSame(
            ['Edges', ['kind' => 'material', 'id' => 52]],
            [$passes['rough5lines']->name, $passes['moonlit000']->scope->toData()],
        );
        self::assertArrayNotHasKey('moonlit001', $passes);
        self::assertSame([31, 1], [$passes['rough5shade']->setup?->setup, $passes['rough5shade']->setup?->place]);
        $scopes = array_map(
            fn (PassSpec $pass): array => $pass->scope->toData(),
            Setup::fromList([
                $plain,
                $lines,
                ['name' => 'Halo', 'kind' => 'tint', 'colour' => '#ffeeaa', 'rough' => 'glow'],
            ])->on(3, Scope::material(9), 0),
        );
        self::assertSame(['material', 'ink', 'page'], array_column($scopes, 'kind'));
        // One that is new in it hangs where the others do, as that figure's own.
        $sheet = new Sheet($this->source);
        (new FollowSetup(
            31,
            'Moonlit',
            Setup::fromList([
                $plain,
                $shade,
                $rim,
                $lines,
                ['name' => 'Sparks', 'kind' => 'tone', 'tone' => 'glint', 'rough' => 'glint'],
            ]),
            4,
        ))->apply($sheet);
        self::assertSame('Sparks', $sheet->find(PassSpec::class, 'rough5glint')?->name);
        [, $read] = SetupFile::read(SetupFile::write('Moonlit', Setup::fromList([$plain, $rim])));
        self::assertSame([null, 'rim'], array_column($read->toList(), 'rough'));
        $this->block(self::box(20, 20, 200, 200));
        $marks = (string) (new MarkedRegions(new Sheet($this->source), [7]))
            ->read(
                'shadepass1',
                (new Sheet($this->source))->find(PassSpec::class, 'shadepass1') ?? self::fail('no shade'),
            )
            ?->toText();
        foreach (
            [
                ['kind' => 'paint', 'tone' => null] + $shade,
                ['rough' => 'sunbeam'] + $shade,
                ['marks' => $marks] + $shade,
            ] as $wrong
        ) {
            $this->assertRefused(
                'setup.hang',
                [
                    'name' => 'Moonlit',
                    'figure' => 5,
                    'scope' => ['kind' => 'figure', 'id' => 5],
                    'ids' => ['another001'],
                    'passes' => [$wrong],
                ],
                'first light',
            );
        }
    }

    public function test_what_was_hung_from_a_setup_follows_when_that_is_changed(): void
    {
        $tint = fn (string $name, string $colour, float $opacity = 0.4): array => [
            'name' => $name,
            'kind' => 'tint',
            'colour' => $colour,
            'mode' => 'multiply',
            'opacity' => $opacity,
        ];
        $tone = ['name' => 'Light', 'kind' => 'tone', 'tone' => 'light'];
        $hang = fn (int $setup, int $figure, array $scope, array $ids) => $this->op('setup.hang', [
            'name' => 'Eye',
            'figure' => $figure,
            'scope' => $scope,
            'ids' => $ids,
            'passes' => [$tint('Dark', '#102030'), $tone],
            'setup' => $setup,
        ]);
        $hang(77, 5, ['kind' => 'material', 'id' => 52], ['eyedark001', 'eyelight01']);
        $hang(77, 3, ['kind' => 'figure', 'id' => 3], ['eyedark002', 'eyelight02']);
        $hang(78, 3, ['kind' => 'figure', 'id' => 3], ['elsewhere1', 'elsewhere2']);
        $hang(0, 3, ['kind' => 'figure', 'id' => 3], ['nobodys001', 'nobodys002']);
        $this->op('pass.copy', ['id' => 'thecopy001', 'from' => 'eyedark002']);
        $this->block(self::box(20, 20, 60, 60), 'eyedark002', opacity: 0.6);
        $passes = fn (): array => array_map(
            fn (PassSpec $pass): array => $pass->toData(),
            (new Sheet($this->source))->all(PassSpec::class),
        );
        $before = $passes();
        self::assertSame(
            [['setup' => 77, 'place' => 0, 'marked' => []], ['setup' => 78, 'place' => 1, 'marked' => []], null, null],
            array_map(fn (string $id): ?array => $before[$id]['setup'], [
                'eyedark001',
                'elsewhere2',
                'nobodys001',
                'thecopy001',
            ]),
        );
        // Another colour and name below; what was a tone is to be paint, which its pass cannot become; one that is new.
        $now = Setup::fromList([
            $tint('Darker', '#405060', 0.75),
            ['name' => 'Strands', 'kind' => 'paint'],
            $tint('Glow', '#ffffff', 0.3),
        ]);
        $follow = function () use ($now): void {
            $sheet = new Sheet($this->source);
            (new FollowSetup(77, 'Eye', $now, 2))->apply($sheet);
            $this->source->store($sheet->takeChange());
        };
        $follow();
        $after = $passes();
        foreach (['eyedark001', 'eyedark002'] as $id) {
            self::assertSame(
                [
                    'name' => 'Darker',
                    'content' => ['kind' => 'tint', 'colour' => '#405060', 'follows' => null],
                    'opacity' => 0.75,
                ] + $before[$id],
                array_intersect_key($after[$id], ['name' => 0, 'content' => 0, 'opacity' => 0]) + $after[$id],
            );
        }
        self::assertSame(153, $this->at(30, 30, 'eyedark002'), 'what is painted stays');
        $left = ['eyelight01', 'eyelight02', 'elsewhere1', 'elsewhere2', 'nobodys001', 'thecopy001', 'shadepass1'];
        self::assertSame(
            array_intersect_key($before, array_flip($left)),
            array_intersect_key($after, array_flip($left)),
        );
        $new = array_values(array_diff_key($after, $before));
        self::assertCount(2, $new);
        foreach ($new as $pass) {
            self::assertSame(['Glow', ['setup' => 77, 'place' => 2, 'marked' => []]], [$pass['name'], $pass['setup']]);
        }
        self::assertEqualsCanonicalizing(
            [[5, 'material', 52], [3, 'figure', 3]],
            array_map(fn (array $pass): array => [$pass['figure'], ...array_values($pass['scope'])], $new),
        );
        $follow();
        self::assertSame($after, $passes(), 'followed again it is as it is');
    }

    /**
     * @return array<string, mixed> a pass whose marks are of one value in the left half of their box, and of one in the
     *     right
     */
    private static function halves(string $name, int $left, int $right): array
    {
        return [
            'name' => $name,
            'kind' => 'tone',
            'tone' => 'shade',
            'marks' => (new SetupMarks(
                str_repeat(str_repeat(chr($left), 32).str_repeat(chr($right), 32), 64),
            ))->toText(),
        ];
    }

    public function test_what_a_setup_painted_is_painted_anew_where_it_is_followed_and_the_hand_stays(): void
    {
        // Region 9 lies from 240 to 500, and is of figure 5.
        $was = Setup::fromList([self::halves('Dark', 200, 0)]);
        $hang = fn (string $id, array $labels) => $this->op('setup.hang', [
            'name' => 'Eye',
            'figure' => 5,
            'scope' => ['kind' => 'figure', 'id' => 5],
            'ids' => [$id],
            'passes' => $was->toList(),
            'labels' => $labels,
            'setup' => 77,
        ]);
        $hang('eyedark001', [9]);
        $hang('eyedark002', []);
        self::assertSame(
            [[9], []],
            array_map(
                fn (string $id): array => (new Sheet($this->source))->find(PassSpec::class, $id)->setup->marked ?? [0],
                ['eyedark001', 'eyedark002'],
            ),
        );
        $at = fn (int $x, int $y, string $id = 'eyedark001'): int => $this->at($x, $y, $id);
        self::assertEqualsWithDelta([200, 0], [$at(300, 200), $at(450, 200)], 1);
        // Painted full where marks are and where none is, rubbed out where some are.
        $this->block(self::box(260, 100, 280, 120), 'eyedark001');
        $this->block(self::box(430, 100, 450, 120), 'eyedark001');
        $this->block(self::box(320, 100, 340, 120), 'eyedark001', erase: true);
        $follow = function (Setup $setup, ?Setup $before): void {
            $sheet = new Sheet($this->source);
            (new FollowSetup(77, 'Eye', $setup, 1, $before))->apply($sheet);
            $this->source->store($sheet->takeChange());
        };
        $now = Setup::fromList([self::halves('Darker', 60, 120), self::halves('Glow', 90, 0)]);
        $follow($now, $was);
        self::assertEqualsWithDelta(
            [60, 120, 0],
            [$at(300, 200), $at(450, 200), $at(510, 200)],
            1,
            'and nowhere beside the region',
        );
        self::assertEqualsWithDelta(
            [255, 255, 0],
            [$at(270, 110), $at(440, 110), $at(330, 110)],
            1,
            'what was painted and rubbed out stays',
        );
        self::assertSame(0, $at(450, 200, 'eyedark002'), 'that was hung empty');
        // What is new in it hangs beside each of them, and is painted where that is.
        $glows = array_filter(
            (new Sheet($this->source))->all(PassSpec::class),
            fn (PassSpec $pass): bool => $pass->name === 'Glow',
        );
        self::assertEqualsCanonicalizing(
            [[9], []],
            array_map(fn (PassSpec $pass): array => $pass->setup->marked ?? [0], array_values($glows)),
        );
        foreach ($glows as $id => $pass) {
            $is = $pass->setup?->marked === [9] ? [90, 0] : [0, 0];
            self::assertEqualsWithDelta($is, [$at(300, 200, (string) $id), $at(450, 200, (string) $id)], 1);
        }
        // Nothing is known of what it was: only how it lays what is painted changes.
        $follow(Setup::fromList([self::halves('Darkest', 10, 20)]), null);
        self::assertEqualsWithDelta([60, 120], [$at(300, 200), $at(450, 200)], 1);
        self::assertSame('Darkest', (new Sheet($this->source))->find(PassSpec::class, 'eyedark001')?->name);
        // Where a setup was made of what is painted, that is as sharp as it was.
        $sheet = new Sheet($this->source);
        $eye = $sheet->find(PassSpec::class, 'eyedark001') ?? self::fail('the pass is gone');
        $layer = fn (): string => (new Sheet($this->source))->layer($eye->layer('eyedark001'));
        $painted = $layer();
        $of =
            ['marks' => (new MarkedRegions($sheet, [9]))->read('eyedark001', $eye)?->toText()] +
            self::halves('Of this', 0, 0);
        $follow(Setup::fromList([$of]), $now);
        self::assertSame($painted, $layer());
        // A region that has become another figure's is not painted in.
        $this->op('fill', ['labels' => [9], 'figure' => 3, 'material' => 31]);
        $follow(Setup::fromList([self::halves('Darkest', 10, 20)]), $now);
        self::assertEqualsWithDelta([60, 120], [$at(300, 200), $at(450, 200)], 1);
    }

    public function test_what_a_setup_was_made_of_stays_sharp_by_marks_of_any_size(): void
    {
        $this->block([[20, 10], [200, 90], [60, 260]], opacity: 0.9);
        $before = $this->layer('shadepass1');
        // Region 7 lies from 0 to 240.
        $there = '';
        for ($y = 0; $y < self::HEIGHT; $y++) {
            $there .= substr($before, $y * self::WIDTH, 240);
        }
        $shade = (new Sheet($this->source))->find(PassSpec::class, 'shadepass1') ?? self::fail('no shade');
        foreach (SetupMarks::SIDES as $side) {
            $sheet = new Sheet($this->source);
            $marks = new SetupMarks(Resized::plane($there, 240, self::HEIGHT, $side, $side));
            (new MarkedRegions($sheet, [7]))->repaint('shadepass1', $shade, null, $marks);
            self::assertSame([], $sheet->takeChange()->tiles, "$side px");
            // Another one's are laid, over nothing a hand did.
            (new MarkedRegions($sheet, [7]))->repaint(
                'shadepass1',
                $shade,
                $marks,
                new SetupMarks(strrev($marks->coverage)),
            );
            self::assertNotSame([], $sheet->takeChange()->tiles, "$side px");
        }
    }

    public function test_passes_that_hang_become_part_of_a_setup_and_follow_it(): void
    {
        $tint = fn (string $name, float $opacity): array => [
            'name' => $name,
            'kind' => 'tint',
            'colour' => '#102030',
            'mode' => 'multiply',
            'opacity' => $opacity,
        ];
        $hang = fn (int $setup, int $figure, array $scope, array $ids, array $passes, array $labels = []) => $this->op(
            'setup.hang',
            [
                'name' => 'Eye',
                'figure' => $figure,
                'scope' => $scope,
                'ids' => $ids,
                'passes' => $passes,
                'labels' => $labels,
                'setup' => $setup,
            ],
        );
        $hang(77, 5, ['kind' => 'material', 'id' => 52], ['eyedark001'], [$tint('Dark', 0.4)]);
        $hang(77, 3, ['kind' => 'figure', 'id' => 3], ['eyedark002'], [$tint('Dark', 0.4)], [7]);
        $hang(
            0,
            3,
            ['kind' => 'figure', 'id' => 3],
            ['glowing001', 'strands001'],
            [$tint('Glow', 0.5), ['name' => 'Strands', 'kind' => 'paint']],
        );
        $this->op('setup.join', [
            'passes' => ['strands001', 'glowing001'],
            'setup' => 77,
            'first' => 1,
            'marked' => [7],
        ]);
        $passes = fn (): array => (new Sheet($this->source))->all(PassSpec::class);
        self::assertSame(
            [
                ['setup' => 77, 'place' => 2, 'marked' => [7]],
                ['setup' => 77, 'place' => 1, 'marked' => [7]],
                ['setup' => 77, 'place' => 0, 'marked' => [7]],
            ],
            array_map(fn (string $id): ?array => $passes()[$id]->setup?->toData(), [
                'glowing001',
                'strands001',
                'eyedark002',
            ]),
        );
        self::assertSame(['Glow', 3], [$passes()['glowing001']->name, $passes()['glowing001']->figure]);
        // What joined is not hung again where it hangs, and is elsewhere.
        $sheet = new Sheet($this->source);
        (new FollowSetup(
            77,
            'Eye',
            Setup::fromList([$tint('Dark', 0.4), ['name' => 'Hairs', 'kind' => 'paint'], $tint('Glow', 0.9)]),
            1,
        ))->apply($sheet);
        $before = $passes();
        $this->source->store($sheet->takeChange());
        self::assertSame(['Hairs', 0.9], [$passes()['strands001']->name, $passes()['glowing001']->opacity]);
        self::assertSame(
            [['Hairs', 5, 1], ['Glow', 5, 2]],
            array_map(
                fn (PassSpec $pass): array => [$pass->name, $pass->figure, $pass->setup->place ?? 0],
                array_values(array_diff_key($passes(), $before)),
            ),
        );
        $this->assertRefused(
            'setup.join',
            ['passes' => ['glowing001', 'nothere001'], 'setup' => 77, 'first' => 1],
            'gone',
        );
        $this->assertRefused(
            'setup.join',
            ['passes' => ['glowing001', 'strands001'], 'setup' => 77, 'first' => 23],
            '1 to 24',
        );
        $this->assertRefused('setup.join', ['passes' => [], 'setup' => 77, 'first' => 0], '1 to 24');
    }

    public function test_a_setup_hangs_its_passes_in_order_on_whatever_it_is_meant_for(): void
    {
        $passes = SetupBox::all()['Eye']->toList();
        $ids = array_map(fn (int $i): string => "eyepass00$i", array_keys($passes));
        $this->op('setup.hang', [
            'name' => 'Eye',
            'figure' => 5,
            'scope' => ['kind' => 'material', 'id' => 52],
            'ids' => $ids,
            'passes' => $passes,
        ]);
        $all = (new Sheet($this->source))->all(PassSpec::class);
        $hung = PassOrder::sorted(array_intersect_key($all, array_flip($ids)));
        self::assertSame($ids, array_keys($hung));
        self::assertSame(
            [
                ['Shade', ['kind' => 'tone', 'tone' => 'shade']],
                ['Upper dark', ['kind' => 'tint', 'colour' => '#2c2740', 'follows' => null]],
            ],
            array_map(
                fn (string $id): array => [$hung[$id]->name, $hung[$id]->toData()['content']],
                array_slice($ids, 0, 2),
            ),
        );
        self::assertSame(
            ['multiply', 0.55, 5, 'material', 52],
            [
                $hung[$ids[1]]->mode->value,
                $hung[$ids[1]]->opacity,
                $hung[$ids[1]]->figure,
                $hung[$ids[1]]->scope->kind->value,
                $hung[$ids[1]]->scope->id,
            ],
        );
        $hang = fn (array $more): array => $more + [
            'name' => 'Eye',
            'figure' => 5,
            'scope' => ['kind' => 'figure', 'id' => 5],
            'ids' => ['otherpass1'],
            'passes' => [$passes[0]],
        ];
        $this->assertRefused('setup.hang', $hang(['ids' => ['otherpass1', 'otherpass2']]), 'needs an id');
        $this->assertRefused('setup.hang', $hang(['passes' => []]), '1 to 24');
        $this->assertRefused('setup.hang', $hang(['ids' => ['eyepass001']]), 'there already');
        self::assertCount(8, SetupBox::all());
    }

    /** Whatever is done, kept to a region, leaves every pixel outside of it as it was. */
    public function test_nothing_leaves_the_picked_regions(): void
    {
        $this->block(self::box(0, 0, 530, 301), opacity: 0.3);
        $this->op('paint.ramp', [
            'laying' => $this->into(),
            'from' => [100, 20],
            'to' => [420, 280],
            'form' => 'straight',
        ]);
        mt_srand(20261126);
        $place = fn (): array => [mt_rand(-40, 600), mt_rand(-40, 340)];
        $stroke = fn (): array => array_map(fn (): array => [...$place(), mt_rand(1, 10) / 10], range(1, 4));
        $changed = [];
        for ($i = 0; $i < 24; $i++) {
            $inside = [$i % 4 < 2 ? 7 : 9];
            $before = $this->layer();
            $brush = [
                'size' => mt_rand(5, 90),
                'hardness' => mt_rand(0, 10) / 10,
                'opacity' => mt_rand(3, 10) / 10,
                'smoothing' => 0,
            ];
            $laying = $this->into(
                more: ['inside' => $inside, 'erase' => mt_rand(0, 1) === 0, 'opacity' => mt_rand(2, 10) / 10],
            );
            try {
                match ($i % 6) {
                    0 => $this->op('stroke', [...$laying, 'brush' => $brush, 'points' => $stroke()]),
                    1 => $this->op('paint.shape', [
                        'laying' => $laying,
                        'outline' => [$place(), $place(), $place(), $place()],
                    ]),
                    2 => $this->op('paint.ramp', [
                        'laying' => $laying,
                        'from' => $place(),
                        'to' => $place(),
                        'form' => 'round',
                    ]),
                    3 => $this->op('paint.drag', [
                        'pass' => 'shadepass1',
                        'brush' => $brush,
                        'points' => $stroke(),
                        'inside' => $inside,
                    ]),
                    4 => $this->op('pass.soften', [
                        'pass' => 'shadepass1',
                        'by' => mt_rand(2, 30),
                        'brush' => $brush,
                        'points' => $stroke(),
                        'inside' => $inside,
                    ]),
                    default => $this->op('pass.soften', [
                        'pass' => 'shadepass1',
                        'by' => mt_rand(2, 12),
                        'inside' => $inside,
                    ]),
                };
            } catch (OpRefused) {
                continue;
            }
            $after = $this->layer();
            $changed[$i % 6] = ($changed[$i % 6] ?? false) || $after !== $before;
            for ($y = 0; $y < self::HEIGHT; $y++) {
                [$from, $count] = $inside === [7] ? [240, 290] : [0, 240];
                self::assertSame(
                    substr($before, $y * self::WIDTH + $from, $count),
                    substr($after, $y * self::WIDTH + $from, $count),
                    "step $i, row $y",
                );
            }
        }
        ksort($changed);
        self::assertSame(array_fill(0, 6, true), $changed, 'each of them did something');
    }
}

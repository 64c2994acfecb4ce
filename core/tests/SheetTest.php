<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Brush\Brush;
use Awning\Core\Brush\Path;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Ink\CleanScan;
use Awning\Core\Ink\Levels;
use Awning\Core\Ink\PlacedDrawing;
use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\CleanSettings;
use Awning\Core\Page\Drawing\Drawing;
use Awning\Core\Page\Drawing\DrawingSource;
use Awning\Core\Page\Drawing\InkStroke;
use Awning\Core\Page\Drawing\Placement;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Page\Pass\PaintContent;
use Awning\Core\Page\Pass\PassGroup;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Pass\TintContent;
use Awning\Core\Page\Pass\ToneContent;
use Awning\Core\Page\Pass\WashContent;
use Awning\Core\Page\Record;
use Awning\Core\Page\RecordKind;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Lanczos;
use Awning\Core\Raster\Plane;
use Awning\Core\Sheet\InkLayers;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpKinds;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Flats\FillRegions;
use Awning\Core\Sheet\Ops\Ink\ChangeDrawing;
use Awning\Core\Sheet\Ops\Ink\DrawInk;
use Awning\Core\Sheet\Ops\Ink\EnlargePage;
use Awning\Core\Sheet\Ops\Ink\LayInk;
use Awning\Core\Sheet\Ops\Ink\RemoveDrawing;
use Awning\Core\Sheet\Ops\Ink\StartPage;
use Awning\Core\Sheet\Ops\Paint\Stroke;
use Awning\Core\Sheet\Ops\Passes\AddPass;
use Awning\Core\Sheet\Ops\Passes\ChangePass;
use Awning\Core\Sheet\Ops\Passes\GroupPasses;
use Awning\Core\Sheet\Ops\Passes\RemovePass;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Change;
use Awning\Core\Sheet\State\MemorySource;
use Awning\Core\Sheet\State\RecordChange;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;
use PHPUnit\Framework\TestCase;

final class SheetTest extends TestCase
{
    private MemorySource $source;

    protected function setUp(): void
    {
        $this->source = new MemorySource;
        $this->apply($this->ink(520, 300, 3));
    }

    private function apply(Op $op): Change
    {
        $sheet = new Sheet($this->source);
        $op->apply($sheet);
        $change = $sheet->takeChange();
        $this->source->store($change);

        return $change;
    }

    private function ink(int $width, int $height, int $columns): LayInk
    {
        $row = '';
        for ($x = 0; $x < $width; $x++) {
            $row .= $x % intdiv($width, $columns) < 4 ? "\xff" : "\0";
        }
        $ink = new Plane($width, $height, str_repeat($row, $height));

        return new LayInk(
            'Import',
            PlacedDrawing::of(
                new CleanScan($ink, new Levels(20, 200), $ink),
                new CleanSettings,
                new DrawingSource(0, 'Scan', 300),
            ),
            (new FlatsFinder)->find($ink),
        );
    }

    private function pass(int $figure = 1): PassSpec
    {
        return new PassSpec('Shade', $figure, new ToneContent(Tone::Shade), Scope::figure($figure));
    }

    private function op(int $kind, int $step): Op
    {
        $passes = array_map(strval(...), array_keys($this->source->records(RecordKind::Pass)));
        $some = $passes === [] ? 'none00' : $passes[mt_rand(0, count($passes) - 1)];
        $points = array_map(
            fn (): array => [(float) mt_rand(-30, 550), (float) mt_rand(-30, 330), mt_rand(10, 100) / 100],
            range(1, mt_rand(1, 6)),
        );

        return match ($kind) {
            0 => new FillRegions([mt_rand(1, 4)], 1, mt_rand(0, 5)),
            1 => new AddPass("added$step", $this->pass(mt_rand(1, 2))),
            2 => new Stroke(
                "stroke$step",
                new Path($points),
                new Brush(mt_rand(2, 90), mt_rand(0, 10) / 10, mt_rand(1, 10) / 10),
                make: mt_rand(0, 2) === 0 ? new PassSpec('Paint', 1, new PaintContent, Scope::page()) : $this->pass(),
                colour: new Rgb(mt_rand(0, 255), 80, 90),
            ),
            3 => new Stroke(
                $some,
                new Path($points),
                new Brush(mt_rand(2, 120), 0.5),
                mt_rand(0, 1) === 0,
                new Rgb(9, 200, 30),
            ),
            4 => new ChangePass(
                $some,
                new Data(['opacity' => mt_rand(0, 100) / 100, 'mode' => BlendMode::cases()[mt_rand(0, 16)]->value]),
            ),
            5 => new ChangePass($some, new Data(['order' => (float) mt_rand(0, 50), 'visible' => mt_rand(0, 1) === 1])),
            6 => new RemovePass($some),
            7 => new GroupPasses(
                'group1',
                [$some],
                mt_rand(0, 1) === 1
                    ? new PassGroup(true, BlendMode::Multiply, 0.5)
                    : new PassGroup(false, opacity: 0.5),
            ),
            8 => new GroupPasses('group1', [], null),
            default => $this->ink(520, 300, mt_rand(2, 6)),
        };
    }

    /** Any sequence of ops, undone, gives the page back bit for bit; done again, the result bit for bit. */
    public function test_undo_and_redo_are_exact_whatever_was_done(): void
    {
        foreach (range(1, 12) as $seed) {
            mt_srand($seed);
            $this->setUp();
            $before = [$this->source->hash()];
            $changes = [];
            $refused = 0;
            for ($step = 0; $step < 25; $step++) {
                try {
                    $changes[] = $this->apply($this->op(mt_rand(0, 9), $step));
                    $before[] = $this->source->hash();
                } catch (OpRefused) {
                    $refused++;
                    self::assertSame(
                        $before[count($before) - 1],
                        $this->source->hash(),
                        'a refused op altered something',
                    );
                }
            }
            self::assertGreaterThan(8, count($changes), "seed $seed refused $refused");
            for ($i = count($changes) - 1; $i >= 0; $i--) {
                $this->source->store($changes[$i]->inverted());
                self::assertSame($before[$i], $this->source->hash(), "seed $seed, undo of step $i");
            }
            foreach ($changes as $i => $change) {
                $this->source->store($change);
                self::assertSame($before[$i + 1], $this->source->hash(), "seed $seed, redo of step $i");
            }
        }
    }

    public function test_a_refused_op_reads_but_never_writes(): void
    {
        $sheet = new Sheet($this->source);
        foreach (
            [
                new FillRegions([1, 999], 1, 2),
                new Stroke('nobody', new Path([[5.0, 5.0, 1.0]]), new Brush(5)),
                new Stroke('newone', new Path([[-900.0, -900.0, 1.0]]), new Brush(5), make: $this->pass()),
                new ChangePass('nobody', new Data(['opacity' => 0.5])),
                new RemovePass('nobody'),
            ] as $op
        ) {
            try {
                $op->apply($sheet);
                self::fail($op->title().' was not refused');
            } catch (OpRefused $error) {
                self::assertTrue($sheet->takeChange()->isEmpty(), $op->title());
                self::assertMatchesRegularExpression('/\.$/', $error->getMessage());
            }
        }
    }

    public function test_cleaning_again_keeps_what_regions_were_filled_with(): void
    {
        $sheet = new Sheet($this->source);
        $label = $sheet->labelAt(260, 150);
        $this->apply(new FillRegions([$label], 7, 42));
        $this->apply($this->ink(520, 300, 6));
        $sheet = new Sheet($this->source);
        self::assertSame(42, $sheet->find(Region::class, $sheet->labelAt(290, 150))?->material);
        self::assertSame(0, $sheet->find(Region::class, $sheet->labelAt(40, 150))?->material);
    }

    public function test_a_scan_of_another_size_does_not_slip_under_painting(): void
    {
        $this->apply(new AddPass('shade1', $this->pass()));
        $this->expectException(OpRefused::class);
        $this->expectExceptionMessage('520 x 300');
        $this->apply($this->ink(600, 300, 3));
    }

    public function test_a_change_is_empty_when_nothing_differs(): void
    {
        $fill = $this->apply(new FillRegions([1], 4, 9));
        self::assertSame([false, 0, 1], [$fill->isEmpty(), count($fill->tiles), count($fill->records)]);
        self::assertTrue($this->apply(new FillRegions([1], 4, 9))->isEmpty(), 'filled with what it has');
        $this->apply(new AddPass('paints', $this->pass()));
        $stroke = $this->apply(new Stroke('paints', new Path([[20.0, 20.0, 1.0]]), new Brush(20)));
        self::assertSame([false, 1, 0], [$stroke->isEmpty(), count($stroke->tiles), count($stroke->records)]);
        self::assertTrue($this->apply(new ChangePass('paints', new Data(['visible' => true])))->isEmpty());
        foreach (
            [
                new Stroke('paints', new Path([[20.0, 20.0, 1.0]]), new Brush(20), true),
                new ChangePass('paints', new Data(['visible' => false])),
                new ChangePass('paints', new Data(['visible' => true])),
                new FillRegions([1, 2], 0, 0),
                new RemovePass('paints'),
                new GroupPasses('group1', [], null),
                new AddPass('another', $this->pass()),
            ] as $i => $op
        ) {
            self::assertSame(
                [
                    'Erase',
                    'Roll a pass up',
                    'Let a pass down',
                    'Unfill 2 regions',
                    'Remove a pass',
                    'Ungroup passes',
                    'Add the pass Shade',
                ][$i],
                $op->title(),
            );
        }
    }

    /**
     * An eraser takes away, a brush adds, and paint takes its colour: all through the clip of nothing but the stroke.
     */
    public function test_strokes_lay_and_take_away_in_coverage_and_in_paint(): void
    {
        $at = fn (string $layer, int $plane = 0): int => ord(
            $this->source->tile(LayerName::parse($layer), 0, 0)[$plane * 65536 + 20 * 256 + 20] ?? "\0",
        );
        $dot = new Path([[20.5, 20.5, 1.0]]);
        $this->apply(new Stroke('cover1', $dot, new Brush(20, 1, 0.5), make: $this->pass()));
        self::assertSame(128, $at('pass:cover1'));
        $this->apply(new Stroke('cover1', $dot, new Brush(20, 1, 0.5)));
        self::assertSame(192, $at('pass:cover1'));
        $this->apply(new Stroke('cover1', $dot, new Brush(20, 1, 0.25), true));
        self::assertSame(144, $at('pass:cover1'));
        $this->apply(new Stroke('cover1', $dot, new Brush(20, 1, 1), true));
        self::assertSame(0, $at('pass:cover1'));
        $this->apply(
            new Stroke(
                'paint1',
                $dot,
                new Brush(20, 1, 0.5),
                colour: new Rgb(200, 100, 50),
                make: new PassSpec('Paint', 1, new PaintContent, Scope::page()),
            ),
        );
        self::assertSame(
            [200, 100, 50, 128],
            [$at('paint:paint1'), $at('paint:paint1', 1), $at('paint:paint1', 2), $at('paint:paint1', 3)],
        );
        $this->apply(new Stroke('paint1', $dot, new Brush(20, 1, 0.5), true));
        self::assertSame([200, 64], [$at('paint:paint1'), $at('paint:paint1', 3)]);
        $this->expectExceptionMessage('Pick a colour');
        $this->apply(new Stroke('paint1', $dot, new Brush(20)));
    }

    public function test_a_page_holds_so_many_passes_and_no_more(): void
    {
        for ($i = 0; $i < AddPass::MOST; $i++) {
            $this->apply(new AddPass("pass$i".'x', $this->pass()));
        }
        $this->expectExceptionMessage('at most 200 passes');
        $this->apply(new AddPass('onemore', $this->pass()));
    }

    public function test_computed_coverage_must_fit_the_page(): void
    {
        $this->apply(new LayCoverage('laid01', $this->pass(), Plane::filled(520, 300, 77)));
        self::assertSame(77, ord($this->source->tile(LayerName::parse('pass:laid01'), 2, 1)[3] ?? ''));
        foreach (
            [
                [Plane::filled(519, 300, 1), $this->pass()],
                [Plane::filled(520, 301, 1), $this->pass()],
                [Plane::filled(520, 300, 1), new PassSpec('Paint', 1, new PaintContent, Scope::page())],
            ] as [$plane, $pass]
        ) {
            try {
                $this->apply(new LayCoverage('laid02', $pass, $plane));
                self::fail('it was laid');
            } catch (OpRefused $error) {
                self::assertStringContainsString('does not fit', $error->getMessage());
            }
        }
    }

    public function test_a_scan_of_another_size_replaces_all_of_the_old_one(): void
    {
        $this->apply($this->ink(260, 140, 2));
        $sheet = new Sheet($this->source);
        self::assertSame([260, 140, 300.0], [$sheet->size()->width, $sheet->size()->height, $sheet->size()->dpi]);
        self::assertTrue(
            $this->source->tile(LayerName::ink(), 2, 1) === null,
            'nothing is left where the page no longer is',
        );
        self::assertCount(
            count($this->source->records(RecordKind::Region)),
            array_unique(str_split($sheet->layer(LayerName::flats()), 2)),
        );
    }

    public function test_an_op_touches_only_the_tiles_it_covers(): void
    {
        $change = $this->apply(
            new Stroke('stroke', new Path([[20.0, 20.0, 1.0], [60.0, 40.0, 1.0]]), new Brush(20), make: $this->pass()),
        );
        self::assertSame(
            [['pass:stroke', 0, 0]],
            array_map(fn ($tile): array => [$tile->layer->value, $tile->column, $tile->row], $change->tiles),
        );
    }

    public function test_groups_keep_to_one_figure_and_one_place_and_end_with_their_last_member(): void
    {
        $this->apply(new AddPass('shade01', $this->pass(1)));
        $this->apply(new AddPass('light01', $this->pass(1)));
        $this->apply(new AddPass('other01', $this->pass(2)));
        $this->apply(new AddPass('above01', new PassSpec('Glow', 1, new TintContent(new Rgb(9, 8, 7)), Scope::page())));
        $this->apply(new GroupPasses('group01', ['shade01', 'light01'], new PassGroup));
        foreach (
            [
                'another figure' => new ChangePass('other01', new Data(['group' => 'group01'])),
                'another place' => new ChangePass('above01', new Data(['group' => 'group01'])),
                'a clip that lies elsewhere' => new ChangePass(
                    'shade01',
                    new Data(['scope' => ['kind' => 'page', 'id' => 0]]),
                ),
                'no such group' => new ChangePass('shade01', new Data(['group' => 'nogroup1'])),
                'one of another figure among them' => new GroupPasses(
                    'group02',
                    ['light01', 'other01'],
                    new PassGroup,
                ),
                'a group of nobody' => new GroupPasses('group03', [], new PassGroup),
            ] as $what => $op
        ) {
            $before = $this->source->hash();
            try {
                $this->apply($op);
                self::fail("$what was taken into the group");
            } catch (OpRefused $error) {
                self::assertSame($before, $this->source->hash(), $what);
                self::assertMatchesRegularExpression('/\.$/', $error->getMessage());
            }
        }
        $this->apply(new RemovePass('light01'));
        self::assertCount(1, $this->source->records(RecordKind::Group));
        $this->apply(new ChangePass('shade01', new Data(['group' => null])));
        self::assertSame([], $this->source->records(RecordKind::Group), 'a group of nobody stayed behind');
        $last = $this->apply(new GroupPasses('group04', ['shade01'], new PassGroup(opacity: 0.25)));
        $this->apply(new RemovePass('shade01'));
        self::assertSame([], $this->source->records(RecordKind::Group));
        self::assertSame(0.25, $last->records[0]->after?->toData()['opacity'] ?? null);
    }

    public function test_a_parted_group_lets_all_its_passes_go_and_no_others(): void
    {
        foreach (['first01', 'second01', 'third01', 'fourth01'] as $id) {
            $this->apply(new AddPass($id, $this->pass(1)));
        }
        $this->apply(new GroupPasses('groupa1', ['first01', 'third01'], new PassGroup(opacity: 0.5)));
        $this->apply(new GroupPasses('groupb1', ['second01', 'fourth01'], new PassGroup(opacity: 0.25)));
        $grouped = $this->source->hash();
        $change = $this->apply(new GroupPasses('groupa1', [], null));
        $group = fn (): array => array_map(
            fn (Record $pass): mixed => $pass->toData()['group'] ?? null,
            $this->source->records(RecordKind::Pass),
        );
        self::assertEquals(
            ['first01' => null, 'second01' => 'groupb1', 'third01' => null, 'fourth01' => 'groupb1'],
            $group(),
        );
        self::assertSame(['groupb1'], array_keys($this->source->records(RecordKind::Group)));
        $this->source->store($change->inverted());
        self::assertSame($grouped, $this->source->hash(), 'and undone, they are together again');
    }

    public function test_a_change_is_titled_by_what_it_does(): void
    {
        $title = fn (array $values): string => (new ChangePass('any00001', new Data($values)))->title();
        self::assertSame('Let a pass down', $title(['visible' => true]));
        self::assertSame('Roll a pass up', $title(['visible' => false]));
        self::assertSame(
            ['Move a pass', 'Move a pass'],
            [$title(['order' => 1.5]), $title(['order' => 1.5, 'group' => null])],
        );
        self::assertSame('Change a pass', $title(['order' => 1.5, 'opacity' => 0.5]));
        self::assertSame('Group passes', (new GroupPasses('groupa1', ['first01'], new PassGroup))->title());
        self::assertSame('Ungroup passes', (new GroupPasses('groupa1', [], null))->title());
    }

    /** A page's own pass names no figure, so nothing asks whether figure 0 is of the series. */
    public function test_a_pass_refers_to_its_figure_and_to_what_clips_it(): void
    {
        $of = fn (int $figure, Scope $scope): array => [
            References::ofPass($figure, $scope)->figures,
            References::ofPass($figure, $scope)->materials,
        ];
        self::assertSame([[], []], $of(0, Scope::page()));
        self::assertSame([[3], []], $of(3, Scope::ink()));
        self::assertSame([[3, 5], []], $of(3, Scope::figure(5)));
        self::assertSame([[5], []], $of(0, Scope::figure(5)));
        self::assertSame([[3], [8]], $of(3, Scope::material(8)));
    }

    /**
     * The journal keeps an op's input under its form: a form may change only together with a reader for the old one.
     */
    public function test_every_op_is_of_its_first_form(): void
    {
        foreach (OpKinds::ALL as $op) {
            self::assertSame(1, $op::form(), $op::kind());
        }
        self::assertSame(1, LayCoverage::form());
    }

    public function test_labels_are_read_by_the_place_on_the_page(): void
    {
        $sheet = new Sheet($this->source);
        $tile = fn (int $column, int $row): string => (string) $sheet->tile(LayerName::flats(), $column, $row);
        $read = fn (string $tile, int $x, int $y): int => ((array) unpack('n', $tile, 2 * ($y * 256 + $x)))[1];
        self::assertSame($read($tile(1, 0), 14, 9), $sheet->labelAt(270, 9));
        self::assertSame($read($tile(1, 1), 200, 40), $sheet->labelAt(456, 296));
        self::assertNotSame($sheet->labelAt(270, 9), $sheet->labelAt(456, 296));
        self::assertSame([0, 0, 0], [$sheet->labelAt(-1, 9), $sheet->labelAt(9, -1), $sheet->labelAt(9, 900)]);
        self::assertNotSame(0, $sheet->labelAt(0, 0), 'the first pixel is of the page');
    }

    public function test_records_are_read_strictly_and_written_as_they_are_read(): void
    {
        $good = (new PassSpec(
            'Rim',
            1,
            new TintContent(new Rgb(1, 2, 3)),
            Scope::figure(1),
            BlendMode::Screen,
            0.5,
        ))->toData();
        self::assertSame($good, PassSpec::fromData(new Data($good))->toData());
        foreach (
            [
                ['name' => ''],
                ['name' => "a\u{0}b"],
                ['opacity' => 1.5],
                ['opacity' => NAN],
                ['mode' => 'sparkle'],
                ['content' => ['kind' => 'tone', 'tone' => 'mud']],
                ['content' => ['kind' => 'glitter']],
                ['content' => ['colour' => '#102030']],
                ['content' => 'tint'],
                ['scope' => ['kind' => 'figure', 'id' => 0]],
                ['scope' => null],
                ['content' => ['kind' => 'tint', 'colour' => 'red']],
                ['visible' => 1],
                ['group' => 'A!'],
                ['figure' => -1],
                ['order' => 'high'],
            ] as $bad
        ) {
            try {
                PassSpec::fromData(new Data($bad + $good));
                self::fail(json_encode($bad, JSON_PARTIAL_OUTPUT_ON_ERROR).' was taken');
            } catch (\InvalidArgumentException $error) {
                self::assertNotSame('', $error->getMessage());
            }
        }
        $dusk = new PassSpec('Dusk', 0, new WashContent(new Rgb(0x39, 0x40, 0x6E)), Scope::page());
        foreach (
            [
                RecordKind::Page->value => [
                    'width' => 520,
                    'height' => 301,
                    'dpi' => 300.0,
                    'behind' => true,
                    'lines' => ['rule' => 'tone', 'colour' => '#203040', 'shown' => false],
                    'mood' => 'Last light',
                    'moodPlan' => 3,
                    'moodVariant' => 8,
                ],
                RecordKind::Region->value => [
                    'figure' => 4,
                    'material' => 7,
                    'area' => 99,
                    'x' => 3,
                    'y' => 5,
                    'locked' => true,
                    'shift' => 'shift00007',
                    'variant' => 12,
                    'solid' => 'tube',
                    'inFront' => false,
                    'flow' => [[[0.25, 0.5], [0.5, 0.75], [1.0, -0.125]], [[0.0, 1.0], [0.5, 0.5]]],
                    'plan' => 31,
                    'mood' => ['plan' => null, 'variant' => 9],
                ],
                RecordKind::Shift->value => ['material' => 7, 'lightness' => -0.25, 'chroma' => 1.5, 'hue' => 120.0],
                RecordKind::Bridge->value => [
                    'x1' => 1,
                    'y1' => 2,
                    'x2' => 3,
                    'y2' => 4,
                    'kind' => 'refused',
                    'score' => 0.25,
                ],
                RecordKind::Group->value => ['isolated' => false, 'mode' => 'normal', 'opacity' => 0.75],
                RecordKind::Held->value => [
                    'name' => 'Lamp hour',
                    'brought' => ['plan' => 31, 'variant' => null],
                    'layers' => ['mooddusk01' => $dusk->toData()],
                    'groups' => ['dusk01' => ['isolated' => true, 'mode' => 'multiply', 'opacity' => 0.5]],
                ],
                RecordKind::Stroke->value => [
                    'points' => [[1.5, 2.25, 0.5], [30.0, 4.0, 1.0]],
                    'weight' => 6.5,
                    'taper' => 0.25,
                    'steady' => 0.5,
                    'grain' => 0.75,
                ],
                RecordKind::Drawing->value => [
                    'original' => 12,
                    'name' => 'scan.png',
                    'width' => 520,
                    'height' => 301,
                    'clean' => [
                        'flatten' => 0.5,
                        'paper' => 20,
                        'ink' => 200,
                        'weight' => -1,
                        'specks' => 12,
                        'pinholes' => 3,
                        'colours' => 'red',
                        'turn' => 1.5,
                        'hard' => true,
                        'crop' => false,
                    ],
                    'place' => [
                        'x' => 100.5,
                        'y' => -20.25,
                        'scale' => 0.75,
                        'turn' => 12.5,
                        'mirror' => true,
                        'corners' => [[1.0, 2.0], [300.0, 4.0], [290.0, 250.0], [5.0, 240.0]],
                        'crop' => [10.0, 20.5, 200.0, 180.0],
                        'covers' => true,
                    ],
                    'role' => 'underdrawing',
                    'tint' => '#c04a2e',
                    'strength' => 0.35,
                    'above' => true,
                    'visible' => false,
                    'order' => -3,
                    'picture' => 2,
                    'pictures' => 5,
                    'found' => ['paper' => 21, 'ink' => 199],
                ],
            ] as $kind => $data
        ) {
            self::assertSame($data, RecordKind::from($kind)->read($data)->toData(), $kind);
        }
        $this->expectException(\InvalidArgumentException::class);
        RecordKind::Page->read(['width' => 0, 'height' => 4]);
    }

    /** What a client sends is what the journal keeps, and from that the same op is read again. */
    public function test_ops_are_read_from_their_own_input(): void
    {
        $brush = ['size' => 12.0, 'hardness' => 0.5, 'opacity' => 0.75, 'smoothing' => 0.25];
        $make = $this->pass(3)->toData();
        foreach (
            [
                'fill' => ['labels' => [3, 5], 'figure' => 7, 'material' => 9],
                'stroke' => [
                    'pass' => 'stroke01',
                    'points' => [[1.0, 2.0, 0.5], [3.0, 4.0, 1.0]],
                    'brush' => $brush,
                    'erase' => true,
                    'colour' => '#102030',
                    'make' => $make,
                    'inside' => [4, 65535],
                    'mirror' => ['x' => 9.5, 'y' => -4.0, 'turn' => 0.5],
                ],
                'pass.add' => ['id' => 'newpass1', 'pass' => $make],
                'pass.change' => [
                    'id' => 'newpass1',
                    'values' => ['opacity' => 0.5, 'scope' => ['kind' => 'material', 'id' => 4]],
                ],
                'pass.remove' => ['id' => 'newpass1'],
                'group' => [
                    'id' => 'group001',
                    'passes' => ['newpass1'],
                    'how' => ['isolated' => true, 'mode' => 'multiply', 'opacity' => 0.5],
                ],
                'ink.draw' => [
                    'strokes' => [
                        [
                            'id' => 'line0001',
                            'stroke' => [
                                'points' => [[1.0, 2.0, 0.5]],
                                'weight' => 4.0,
                                'taper' => 0.1,
                                'steady' => 0.2,
                                'grain' => 0.4,
                            ],
                        ],
                        ['id' => 'line0002', 'stroke' => null],
                    ],
                ],
                'drawing.change' => [
                    'id' => 'drawing1',
                    'values' => ['role' => 'underdrawing', 'strength' => 0.25, 'above' => true, 'order' => -2],
                ],
                'drawing.remove' => ['id' => 'drawing1'],
                'lines.colour' => ['lines' => ['rule' => 'colour', 'colour' => '#402010', 'shown' => true]],
                'fill.inside' => [
                    'outline' => [[1.0, 2.0], [30.5, 4.0], [5.0, 60.0]],
                    'figure' => 7,
                    'material' => 9,
                    'unfilled' => true,
                ],
                'bridges' => ['draw' => [3, 4, 9, 12], 'bridge' => null, 'as' => null],
                'page.start' => ['width' => 300, 'height' => 200, 'dpi' => 150.0],
            ] as $kind => $input
        ) {
            $op = OpKinds::read($kind, $input);
            self::assertSame($kind, $op::kind());
            self::assertSame($input, $op->toInput(), $kind);
            self::assertSame(
                in_array(
                    $kind,
                    ['fill', 'fill.inside', 'bridges', 'drawing.change', 'drawing.remove', 'page.start'],
                    true,
                )
                    ? Right::Flat
                    : Right::Colour,
                $op->right(),
                $kind,
            );
        }
        self::assertSame(
            [9 => 7],
            OpKinds::read('fill', ['labels' => [1], 'figure' => 7, 'material' => 9])->refersTo()->materialsOf,
        );
        self::assertSame(
            [3],
            array_values(
                array_unique(OpKinds::read('pass.add', ['id' => 'newpass1', 'pass' => $make])->refersTo()->figures),
            ),
        );
        self::assertSame(
            [4],
            OpKinds::read('pass.change', [
                'id' => 'newpass1',
                'values' => ['scope' => ['kind' => 'material', 'id' => 4]],
            ])->refersTo()->materials,
        );
        foreach (
            [
                ['fill', ['labels' => []]],
                ['fill', ['labels' => ['one']]],
                ['stroke', ['pass' => 'stroke01', 'points' => [], 'brush' => $brush]],
                ['stroke', ['pass' => 'stroke01', 'points' => [[1, 2]], 'brush' => $brush]],
                ['stroke', ['pass' => 'stroke01', 'points' => [[1, 2, 3]], 'brush' => $brush]],
                ['stroke', ['pass' => 'stroke01', 'points' => [[1, 2, 1]], 'brush' => ['size' => 5000] + $brush]],
                ['pass.remove', ['id' => '../etc']],
                ['group', ['id' => 'group001', 'passes' => [1]]],
                ['sparkle', []],
            ] as [$kind, $input]
        ) {
            try {
                OpKinds::read($kind, $input);
                self::fail("$kind took ".json_encode($input));
            } catch (OpRefused $error) {
                self::assertMatchesRegularExpression('/\.$/', $error->getMessage());
            }
        }
    }

    public function test_a_new_pass_hangs_on_top_of_its_figures(): void
    {
        $order = fn (string $id): float => (new Sheet($this->source))->find(PassSpec::class, $id)->order ?? -1.0;
        $this->apply(new AddPass('first01', $this->pass(1)));
        $this->apply(new AddPass('other01', $this->pass(2)));
        $this->apply(new ChangePass('first01', new Data(['order' => 6.5])));
        $this->apply(new AddPass('second1', $this->pass(1)));
        $this->apply(new AddPass('placed1', $this->pass(1)->at(2.25)));
        self::assertSame(
            [6.5, 1.0, 7.5, 2.25],
            [$order('first01'), $order('other01'), $order('second1'), $order('placed1')],
        );
    }

    /** Painting takes a tile through several ops of one sheet; the change keeps what stood there first. */
    public function test_a_change_keeps_the_first_before(): void
    {
        $this->apply(new Stroke('stroke', new Path([[20.0, 20.0, 1.0]]), new Brush(20), make: $this->pass()));
        $first = $this->source->tile(LayerName::parse('pass:stroke'), 0, 0);
        $sheet = new Sheet($this->source);
        foreach ([40.0, 60.0, 80.0] as $x) {
            (new Stroke('stroke', new Path([[$x, 20.0, 1.0]]), new Brush(20)))->apply($sheet);
        }
        (new ChangePass('stroke', new Data(['opacity' => 0.3])))->apply($sheet);
        (new ChangePass('stroke', new Data(['opacity' => 0.6])))->apply($sheet);
        $change = $sheet->takeChange();
        self::assertSame($first, $change->tiles[0]->before);
        self::assertSame(
            [1.0, 0.6],
            [
                $change->records[0]->before?->toData()['opacity'] ?? null,
                $change->records[0]->after?->toData()['opacity'] ?? null,
            ],
        );
    }

    public function test_layers_are_cut_into_tiles_and_joined_to_the_pixel(): void
    {
        $size = new PageSize(520, 300);
        $data = '';
        for ($y = 0; $y < 300; $y++) {
            for ($x = 0; $x < 520; $x++) {
                $data .= chr(1 + (($x * 7 + $y * 13) % 255));
            }
        }
        $sheet = new Sheet($this->source);
        $sheet->setLayer(LayerName::ink(), $data);
        self::assertSame($data, $sheet->layer(LayerName::ink()));
        foreach ([[0, 0], [255, 255], [256, 0], [0, 256], [519, 299], [511, 256]] as [$x, $y]) {
            $tile = $sheet->bytes(LayerName::ink(), intdiv($x, 256), intdiv($y, 256));
            self::assertSame(1 + (($x * 7 + $y * 13) % 255), ord($tile[($y % 256) * 256 + ($x % 256)]), "$x, $y");
        }
        self::assertSame(0, ord($sheet->bytes(LayerName::ink(), 2, 1)[(300 % 256) * 256 + 3]), 'below the page');
        self::assertSame([260, 150], [$size->reduced(1)->width, $size->reduced(1)->height]);
    }

    public function test_layer_names_tell_their_kind(): void
    {
        foreach (
            [
                'scan:drawing1' => 1,
                'drawing:drawing1' => 1,
                'ink' => 1,
                'flats' => 2,
                'pass:abc123' => 1,
                'paint:abc123' => 4,
            ] as $name => $bytes
        ) {
            self::assertSame(
                [$name, $bytes],
                [LayerName::parse($name)->value, LayerName::parse($name)->kind->bytesPerPixel()],
            );
        }
        foreach (['', 'pass:', 'Pass:abc', 'ink ', 'pass:../x', 'sketch'] as $name) {
            try {
                LayerName::parse($name);
                self::fail("'$name' was taken");
            } catch (\InvalidArgumentException) {
                $this->addToAssertionCount(1);
            }
        }
    }

    private function inkAt(int $x, int $y): int
    {
        return ord(
            (new Sheet($this->source))->bytes(LayerName::ink(), intdiv($x, 256), intdiv($y, 256))[
                ($y % 256) * 256 + ($x % 256)
            ],
        );
    }

    /** @param  list<array{float, float, float}>  $points */
    private function line(string $id, array $points, float $weight = 8.0): DrawInk
    {
        return new DrawInk([$id => new InkStroke($points, $weight)]);
    }

    public function test_lines_drawn_here_come_to_the_ink_and_go_without_a_trace(): void
    {
        $this->apply($this->ink(520, 301, 4));
        $before = (new Sheet($this->source))->layer(LayerName::ink());
        self::assertFalse((new Sheet($this->source))->size()->behind);
        $this->apply($this->line('line0001', [[200.0, 40.0, 1.0], [300.0, 60.0, 1.0]]));
        self::assertSame([0, 255], [ord($before[50 * 520 + 250]), $this->inkAt(250, 50)], 'across two tiles');
        self::assertSame(255, $this->inkAt(200, 40));
        self::assertTrue((new Sheet($this->source))->size()->behind, 'the regions are those of the lines before');
        $this->apply($this->line('line0002', [[230.0, 20.0, 1.0], [260.0, 90.0, 1.0]], 5.0));
        $both = (new Sheet($this->source))->layer(LayerName::ink());
        // Moved away and back: the sum is the same whatever the order it came about in.
        $this->apply($this->line('line0001', [[20.0, 200.0, 1.0], [90.0, 280.0, 1.0]]));
        self::assertSame(
            [255, 255],
            [$this->inkAt(55, 240), $this->inkAt(244, 52)],
            'the other line is still whole where they crossed',
        );
        $this->apply($this->line('line0001', [[200.0, 40.0, 1.0], [300.0, 60.0, 1.0]]));
        self::assertSame($both, (new Sheet($this->source))->layer(LayerName::ink()));
        $this->apply(new DrawInk(['line0001' => null, 'line0002' => null]));
        self::assertSame($before, (new Sheet($this->source))->layer(LayerName::ink()));
        self::assertSame([], (new Sheet($this->source))->all(InkStroke::class));
        $this->expectException(OpRefused::class);
        $this->apply(new DrawInk(['line0001' => null]));
    }

    public function test_a_tapered_line_runs_out_to_points(): void
    {
        $points = array_map(fn (int $i): array => [20.0 + 10 * $i, 50.0, 1.0], range(0, 40));
        $pressures = array_column((new InkStroke($points, 10, 0.25))->tapered(), 2);
        self::assertEqualsWithDelta(
            [0.0, 0.5, 1.0, 1.0, 0.5, 0.0],
            [$pressures[0], $pressures[5], $pressures[10], $pressures[30], $pressures[35], $pressures[40]],
            1e-9,
        );
        self::assertSame($points, (new InkStroke($points, 10))->tapered());
        self::assertSame(
            [0.0, 1.0, 1.0, 1.0],
            array_column(
                InkStroke::fromData(
                    new Data(['points' => [[1, 1, -3], [2, 2, 7], [3, 3, null], [4, 4, 'hard']], 'weight' => 4]),
                )->points,
                2,
            ),
            'garbage from a tablet',
        );
    }

    public function test_a_drawing_becomes_an_underdrawing_and_ink_again(): void
    {
        $this->apply($this->ink(520, 301, 4));
        $whole = (new Sheet($this->source))->layer(LayerName::ink());
        $this->apply($this->line('line0001', [[200.0, 40.0, 1.0], [240.0, 60.0, 1.0]]));
        $this->apply(new ChangeDrawing('drawing1', new Data(['role' => 'underdrawing', 'strength' => 0.3])));
        self::assertSame([0, 255], [$this->inkAt(2, 200), $this->inkAt(220, 50)], 'only what was drawn here is ink');
        self::assertNotSame('', (new Sheet($this->source))->layer(LayerName::drawing('drawing1')));
        $this->apply(new ChangeDrawing('drawing1', new Data(['role' => 'ink'])));
        $this->apply(new DrawInk(['line0001' => null]));
        self::assertSame($whole, (new Sheet($this->source))->layer(LayerName::ink()));
        self::assertSame(0.3, (new Sheet($this->source))->find(Drawing::class, 'drawing1')?->strength);
        $this->apply(new RemoveDrawing('drawing1'));
        self::assertSame('', trim((new Sheet($this->source))->layer(LayerName::ink()), "\0"));
        self::assertSame([], (new Sheet($this->source))->all(Drawing::class));
        $this->expectException(OpRefused::class);
        $this->apply(new RemoveDrawing('drawing1'));
    }

    public function test_two_drawings_make_one_ink(): void
    {
        $this->apply($this->ink(520, 301, 4));
        $dot = new Plane(40, 30, str_repeat(str_repeat("\0", 10).str_repeat("\xff", 20).str_repeat("\0", 10), 30));
        $page = (new Sheet($this->source))->size();
        $placed = PlacedDrawing::of(
            new CleanScan($dot, new Levels(20, 200), $dot),
            new CleanSettings,
            new DrawingSource(7, 'Dot'),
            $page,
            new Placement(300, 200, 2),
        );
        $ink = (new InkLayers(new Sheet($this->source)))->with('drawing2', $placed);
        $this->apply(new LayInk('Add', $placed, (new FlatsFinder)->find($ink), 'drawing2'));
        self::assertSame(
            $ink->data,
            (new Sheet($this->source))->layer(LayerName::ink()),
            'flats are found of what is laid',
        );
        self::assertSame(
            [0, 255, 255, 0, 255],
            [
                $this->inkAt(278, 200),
                $this->inkAt(282, 200),
                $this->inkAt(318, 200),
                $this->inkAt(322, 200),
                $this->inkAt(2, 200),
            ],
        );
        self::assertSame([255, 0], [$this->inkAt(300, 172), $this->inkAt(300, 168)]);
        $this->apply(new ChangeDrawing('drawing1', new Data(['visible' => false])));
        self::assertSame([255, 0], [$this->inkAt(300, 200), $this->inkAt(2, 200)]);
    }

    public function test_a_page_begins_empty_and_is_one_region(): void
    {
        $this->source = new MemorySource;
        $this->apply(new StartPage(300, 200, 150));
        $sheet = new Sheet($this->source);
        self::assertSame([300, 200, 150.0], [$sheet->size()->width, $sheet->size()->height, $sheet->size()->dpi]);
        self::assertSame(
            [1, 1, 60_000],
            [$sheet->labelAt(0, 0), $sheet->labelAt(299, 199), $sheet->find(Region::class, 1)?->area],
        );
        $this->apply($this->line('line0001', [[10.0, 10.0, 1.0], [280.0, 180.0, 1.0]]));
        self::assertSame(255, $this->inkAt(145, 95));
        $this->expectException(OpRefused::class);
        $this->apply(new StartPage(10, 10, 0));
    }

    public function test_where_a_drawing_lies(): void
    {
        $at = fn (Placement $place, float $x, float $y): array => array_map(
            fn (float $v): float => round($v, 3),
            $place->projection(200, 100)->at($x, $y),
        );
        self::assertSame([300.0, 50.0], $at(new Placement(300, 50), 100, 50), 'its middle');
        self::assertSame([320.0, 50.0], $at(new Placement(300, 50), 120, 50));
        self::assertSame([340.0, 30.0], $at(new Placement(300, 50, 2), 120, 40));
        self::assertSame([280.0, 50.0], $at(new Placement(300, 50, 1, 0, true), 120, 50), 'mirrored');
        self::assertSame([300.0, 70.0], $at(new Placement(300, 50, 1, 90), 120, 50), 'clockwise');
        self::assertSame(
            [300.0, 70.0],
            $at(new Placement(300, 50, 1, -90, true), 120, 50),
            'mirrored first, turned then',
        );
        $corners = [[20.0, 10.0], [180.0, 10.0], [180.0, 90.0], [20.0, 90.0]];
        self::assertSame([300.0, 50.0], $at(new Placement(300, 50, corners: $corners), 100, 50));
        self::assertSame(
            [220.0, 10.0],
            $at(new Placement(300, 50, corners: $corners), 20, 10),
            'a sheet of 160 x 80 px',
        );
        self::assertTrue((new Placement(100, 50))->isPlain(200, 100, new PageSize(200, 100)));
        foreach (
            [
                new Placement(101, 50),
                new Placement(100, 50, 1.01),
                new Placement(100, 50, 1, 1),
                new Placement(100, 50, 1, 0, true),
                new Placement(100, 50, corners: $corners),
            ] as $place
        ) {
            self::assertFalse($place->isPlain(200, 100, new PageSize(200, 100)));
        }
        self::assertFalse((new Placement(100, 50))->isPlain(200, 100, new PageSize(201, 100)));
    }

    public function test_a_page_is_enlarged_with_all_that_is_on_it(): void
    {
        $this->apply($this->ink(520, 301, 4));
        $this->apply(new FillRegions([1], 3, 9));
        $this->apply($this->line('line0001', [[200.0, 40.0, 1.0], [240.0, 60.0, 1.0]], 6.0));
        $this->apply(
            new Stroke(
                'tonepass1',
                Path::fromPoints([[100, 100, 1], [160, 140, 1]]),
                new Brush(30, 0.2, 0.8),
                make: $this->pass(3),
            ),
        );
        $this->apply(
            new Stroke(
                'paintpass',
                Path::fromPoints([[300, 200, 1], [320, 210, 1]]),
                new Brush(20),
                colour: new Rgb(10, 200, 60),
                make: new PassSpec('Free', 3, new PaintContent, Scope::page()),
            ),
        );
        $before = new Sheet($this->source);
        $region = $before->find(Region::class, 1);
        $spots = [[3, 4], [200, 40], [519, 300], [260, 150]];
        $labels = array_map(fn (array $spot): int => $before->labelAt(...$spot), $spots);
        $tone = LayerName::parse('pass:tonepass1');
        $shade = ord($before->layer($tone)[120 * 520 + 130]);
        $change = $this->apply(new EnlargePage(1.5));
        $after = new Sheet($this->source);
        self::assertSame([780, 452, 450.0], [$after->size()->width, $after->size()->height, $after->size()->dpi]);
        foreach ($spots as $i => [$x, $y]) {
            self::assertSame(
                $labels[$i],
                $after->labelAt((int) (($x + 0.5) * 1.5), (int) ((($y + 0.5) * 452) / 301)),
                "the region at $x, $y",
            );
        }
        self::assertSame([3, 9], [$after->find(Region::class, 1)?->figure, $after->find(Region::class, 1)?->material]);
        self::assertEqualsWithDelta(2.25 * $region->area, $after->find(Region::class, 1)->area, 1);
        self::assertSame(1, $after->labelAt($after->find(Region::class, 1)->x, $after->find(Region::class, 1)->y));
        self::assertEqualsWithDelta(
            [[300.0, 60.0, 1.0], [360.0, 90.0, 1.0]],
            $after->find(InkStroke::class, 'line0001')?->points,
            1e-9,
        );
        self::assertSame(9.0, $after->find(InkStroke::class, 'line0001')->weight);
        self::assertSame([255, 0], [$this->inkAt(330, 75), $this->inkAt(330, 60)], 'drawn anew');
        self::assertSame(
            [1.5, 390.0],
            [
                $after->find(Drawing::class, 'drawing1')?->place->scale,
                $after->find(Drawing::class, 'drawing1')?->place->x,
            ],
        );
        self::assertEqualsWithDelta($shade, ord($after->layer($tone)[180 * 780 + 195]), 4);
        $paint = array_map(
            fn (string $plane): int => ord($plane[(int) ((307 * 452) / 452) * 780 + 465]),
            $after->planes(LayerName::parse('paint:paintpass')),
        );
        self::assertEqualsWithDelta([10, 200, 60, 255], $paint, 1.0);
        self::assertSame(0, ord($after->planes(LayerName::parse('paint:paintpass'))[3][100 * 780 + 600]));
        self::assertNotEmpty($change->tiles);
        $this->expectException(OpRefused::class);
        $this->source->store(
            new Change([], [new RecordChange(RecordKind::Page, 'page', null, new PageSize(15_000, 9_000))]),
        );
        (new EnlargePage(1.5))->apply(new Sheet($this->source));
    }

    public function test_enlarging_keeps_what_is_even_and_makes_edges_no_wider(): void
    {
        $step = new Plane(40, 30, str_repeat(str_repeat("\0", 20).str_repeat("\xc8", 20), 30));
        $large = Lanczos::enlarged($step, 80, 60);
        self::assertSame([0, 200], [$large->at(20, 31), $large->at(70, 31)]);
        $edge = array_map(fn (int $x): int => $large->at($x, 30), range(36, 43));
        self::assertLessThanOrEqual(
            3,
            count(array_filter($edge, fn (int $value): bool => $value > 20 && $value < 180)),
            'of two pixels at most',
        );
        self::assertSame(200, Lanczos::enlarged(Plane::filled(7, 5, 200), 21, 11)->at(20, 10), 'right into the corner');
        $this->expectException(\InvalidArgumentException::class);
        Lanczos::enlarged($step, 39, 30);
    }

    public function test_what_flows_together_in_new_flats_is_told(): void
    {
        $this->apply($this->ink(520, 301, 4));
        $labels = array_map(fn (int $x): int => (new Sheet($this->source))->labelAt($x, 100), [60, 200, 320]);
        foreach ($labels as $i => $label) {
            $this->apply(new FillRegions([$label], 3, 7 + $i));
        }
        $same = (new FlatsFinder)->find(new Plane(520, 301, (new Sheet($this->source))->layer(LayerName::ink())));
        self::assertSame('', (new LayInk('Again', null, $same))->report(new Sheet($this->source)));
        $none = (new FlatsFinder)->find(Plane::filled(520, 301, 0));
        self::assertStringContainsString(
            'flow together in one place',
            (new LayInk('Empty', null, $none))->report(new Sheet($this->source)),
        );
        $this->apply(new LayInk('Again', null, $same));
        self::assertSame(
            [7, 8, 9],
            array_map(
                fn (int $x): int => (new Sheet($this->source))->find(
                    Region::class,
                    (new Sheet($this->source))->labelAt($x, 100),
                )->material ?? 0,
                [60, 200, 320],
            ),
        );
    }
}

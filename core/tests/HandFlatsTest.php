<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Colour\Difference;
use Awning\Core\Colour\Lab;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Shift;
use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Flats\RegionGraph;
use Awning\Core\Ink\CleanScan;
use Awning\Core\Ink\Levels;
use Awning\Core\Ink\PlacedDrawing;
use Awning\Core\Page\Drawing\CleanSettings;
use Awning\Core\Page\Drawing\DrawingSource;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Pass\PaintContent;
use Awning\Core\Page\Pass\PassMask;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Region\ColourShift;
use Awning\Core\Page\Region\Region;
use Awning\Core\Proof\Finder;
use Awning\Core\Proof\FinderKinds;
use Awning\Core\Proof\Finders\AlikeNeighbours;
use Awning\Core\Proof\Finders\FlatsBeyondLines;
use Awning\Core\Proof\Finders\IsolatedRegions;
use Awning\Core\Proof\Finders\SmallRegions;
use Awning\Core\Proof\Finders\StrayPieces;
use Awning\Core\Proof\Finding;
use Awning\Core\Proof\FromPixels;
use Awning\Core\Proof\ProofPage;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Outline;
use Awning\Core\Raster\Plane;
use Awning\Core\Sheet\Export\StackBuilder;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpKinds;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Ink\LayInk;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\MemorySource;
use Awning\Core\Sheet\State\Palette;
use PHPUnit\Framework\TestCase;

/**
 * Flats laid by hand: blocked in, taken away, grown, joined, locked. What is known of the regions stays true of the
 * pixels.
 */
final class HandFlatsTest extends TestCase
{
    private const WIDTH = 530;

    private const HEIGHT = 301;

    private MemorySource $source;

    /** A room of 5 px walls left of the border between tiles, on a page of open paper. */
    protected function setUp(): void
    {
        $data = '';
        for ($y = 0; $y < self::HEIGHT; $y++) {
            for ($x = 0; $x < self::WIDTH; $x++) {
                $data .=
                    $x >= 60 && $x < 240 && $y >= 60 && $y < 230 && min($x - 60, 239 - $x, $y - 60, 229 - $y) < 5
                        ? "\xff"
                        : "\0";
            }
        }
        $ink = new Plane(self::WIDTH, self::HEIGHT, $data);
        $this->source = new MemorySource;
        $this->apply(
            new LayInk(
                'Import',
                PlacedDrawing::of(
                    new CleanScan($ink, new Levels(20, 200), $ink),
                    new CleanSettings,
                    new DrawingSource(0, 'Scan', 300),
                ),
                (new FlatsFinder(12))->find($ink),
            ),
        );
    }

    private function apply(Op $op): void
    {
        $sheet = new Sheet($this->source);
        $op->apply($sheet);
        $this->source->store($sheet->takeChange());
        $this->assertRecordsAreTrue();
    }

    /** @param  array<string, mixed>  $input */
    private function ask(string $kind, array $input): void
    {
        $this->apply(OpKinds::read($kind, $input));
    }

    /** Every label has a record, every record its free pixels and a place inside. */
    private function assertRecordsAreTrue(): void
    {
        $sheet = $this->sheet();
        $labels = $sheet->layer(LayerName::flats());
        $ink = $sheet->layer(LayerName::ink());
        $free = $all = [];
        for ($i = 0, $count = strlen($ink); $i < $count; $i++) {
            $label = (ord($labels[2 * $i]) << 8) | ord($labels[2 * $i + 1]);
            $all[$label] = true;
            $free[$label] = ($free[$label] ?? 0) + (ord($ink[$i]) < FlatsFinder::BOUND ? 1 : 0);
        }
        $regions = $sheet->all(Region::class);
        ksort($regions);
        ksort($all);
        self::assertSame(array_keys($all), array_keys($regions));
        foreach ($regions as $label => $region) {
            self::assertSame($free[$label], $region->area, "area of $label");
            self::assertSame($label, $sheet->labelAt($region->x, $region->y), "place of $label");
        }
    }

    private function sheet(): Sheet
    {
        return new Sheet($this->source);
    }

    private function label(int $x, int $y): int
    {
        return $this->sheet()->labelAt($x, $y);
    }

    private function at(int $x, int $y): Region
    {
        return $this->sheet()->find(Region::class, $this->label($x, $y)) ?? self::fail("no region at $x, $y");
    }

    /** @return array<string, mixed> */
    private function box(
        float $left,
        float $top,
        float $right,
        float $bottom,
        string $use = 'add',
        int $figure = 3,
        int $material = 8,
    ): array {
        return [
            'use' => $use,
            'outline' => [[$left, $top], [$right, $top], [$right, $bottom], [$left, $bottom]],
            'figure' => $figure,
            'material' => $material,
        ];
    }

    public function test_an_outline_becomes_a_region_to_the_pixel(): void
    {
        $this->ask('flats.shape', $this->box(300, 100, 411, 173));
        $made = $this->at(350, 120);
        self::assertSame([3, 8, 111 * 73], [$made->figure, $made->material, $made->area]);
        self::assertSame(
            [$this->label(300, 100), $this->label(410, 172)],
            [$this->label(350, 120), $this->label(350, 120)],
        );
        foreach ([[299, 120], [411, 120], [350, 99], [350, 173]] as [$x, $y]) {
            self::assertFalse($this->at($x, $y)->isFilled(), "$x, $y is outside");
        }
    }

    public function test_pieces_of_a_material_that_touch_are_one_region_and_others_are_their_own(): void
    {
        $this->ask('flats.shape', $this->box(300, 100, 350, 150));
        $this->ask('flats.shape', $this->box(340, 120, 400, 180));
        self::assertSame($this->label(310, 110), $this->label(390, 170));
        self::assertSame(50 * 50 + 60 * 60 - 10 * 30, $this->at(310, 110)->area);
        $this->ask('flats.shape', $this->box(390, 170, 420, 190, material: 9));
        self::assertSame(9, $this->at(395, 175)->material);
        self::assertSame(8, $this->at(385, 175)->material);
    }

    public function test_it_goes_under_the_lines_and_a_region_that_is_covered_is_gone(): void
    {
        $before = count($this->sheet()->all(Region::class));
        $room = $this->label(150, 150);
        $this->ask('flats.shape', $this->box(58, 58, 242, 232));
        self::assertNull($this->sheet()->find(Region::class, $room), 'all of it is covered');
        self::assertSame($this->label(150, 150), $this->label(61, 61), 'under the line, too');
        self::assertSame($before, count($this->sheet()->all(Region::class)));
    }

    public function test_taking_away_and_keeping_inside_are_of_the_material_alone(): void
    {
        $this->ask('flats.shape', $this->box(300, 100, 400, 200));
        $this->ask('flats.shape', $this->box(400, 100, 450, 200, material: 9));
        $this->ask('flats.shape', $this->box(380, 90, 420, 150, 'take'));
        self::assertFalse($this->at(390, 140)->isFilled());
        self::assertSame(9, $this->at(410, 140)->material, 'another material loses nothing');
        self::assertSame(10_000 - 20 * 50, $this->at(310, 110)->area);
        $this->ask('flats.shape', $this->box(290, 150, 350, 260, 'keep'));
        self::assertSame(8, $this->at(349, 151)->material);
        self::assertFalse($this->at(351, 151)->isFilled());
        self::assertFalse($this->at(310, 110)->isFilled());
        self::assertSame(9, $this->at(410, 140)->material);
        self::assertSame(50 * 50, $this->at(310, 160)->area);
    }

    public function test_without_a_material_whatever_is_filled_is_taken(): void
    {
        $this->ask('flats.shape', $this->box(300, 100, 350, 150));
        $this->ask('flats.shape', $this->box(350, 100, 400, 150, figure: 4, material: 9));
        $this->ask('flats.shape', $this->box(340, 100, 360, 150, 'take', 0, 0));
        self::assertSame(
            [8, 0, 0, 9],
            array_map(fn (int $x): int => $this->at($x, 120)->material, [339, 340, 359, 360]),
        );
    }

    public function test_a_pen_lays_a_hard_band_across_tiles(): void
    {
        $this->ask('flats.shape', [
            'use' => 'add',
            'pen' => ['points' => [[200, 270, 1], [480, 270, 1]], 'width' => 21],
            'figure' => 3,
            'material' => 8,
        ]);
        self::assertSame(
            [0, 8, 8, 0],
            array_map(fn (int $y): int => $this->at(300, $y)->material, [258, 261, 279, 282]),
        );
        self::assertSame(8, $this->at(189 + 5, 270)->material, 'ends are round');
        self::assertFalse($this->at(188, 270)->isFilled());
    }

    public function test_a_border_is_pushed_into_the_neighbour(): void
    {
        $this->ask('flats.shape', $this->box(300, 60, 400, 160));
        [$box, $paper] = [$this->label(350, 100), $this->label(450, 100)];
        $push = fn (int $into, array $points) => $this->ask('flats.shape', [
            'use' => 'add',
            'pen' => ['points' => $points, 'width' => 20],
            'figure' => 0,
            'material' => 0,
            'into' => $into,
        ]);
        $push($box, [[390, 100, 1], [420, 100, 1]]);
        self::assertSame([$box, $box, $paper], array_map(fn (int $x): int => $this->label($x, 100), [399, 428, 432]));
        $push($paper, [[440, 140, 1], [380, 140, 1]]);
        self::assertSame(
            [$box, $paper, $paper],
            array_map(fn (int $x): int => $this->label($x, 140), [368, 372, 399]),
            'and back again',
        );
        self::assertSame(8, $this->at(428, 100)->material);
        $this->ask('flats.lock', ['labels' => [$box], 'locked' => true]);
        $this->expectException(OpRefused::class);
        $push($box, [[390, 100, 1], [470, 100, 1]]);
    }

    public function test_shapes_are_pixels_whose_middles_lie_inside(): void
    {
        mt_srand(7);
        for ($round = 0; $round < 12; $round++) {
            $corners = array_map(
                fn (): array => [mt_rand(-400, 6000) / 10, mt_rand(-300, 3400) / 10],
                range(0, mt_rand(2, 6)),
            );
            $before = $this->sheet()->layer(LayerName::flats());
            try {
                $this->ask('flats.shape', [
                    'use' => 'add',
                    'outline' => $corners,
                    'figure' => 2,
                    'material' => 20 + $round,
                ]);
            } catch (OpRefused) {
                continue;
            }
            $after = $this->sheet()->layer(LayerName::flats());
            $outline = new Outline($corners);
            for ($y = 0; $y < self::HEIGHT; $y++) {
                $inside = array_fill(0, self::WIDTH, false);
                foreach ($outline->spans($y, 0, self::WIDTH) as [$from, $to]) {
                    array_splice($inside, $from, $to - $from, array_fill(0, $to - $from, true));
                }
                for ($x = $y % 3; $x < self::WIDTH; $x += 3) {
                    $at = 2 * ($y * self::WIDTH + $x);
                    if ($inside[$x]) {
                        self::assertSame(20 + $round, $this->at($x, $y)->material);
                        break;
                    }
                    self::assertSame(substr($before, $at, 2), substr($after, $at, 2), "outside at $x, $y");
                }
            }
        }
    }

    public function test_growing_and_shrinking_go_as_far_as_is_said(): void
    {
        $this->ask('flats.shape', $this->box(300, 100, 400, 160));
        $made = $this->label(350, 130);
        $this->ask('flats.resize', ['labels' => [$made], 'by' => 7]);
        self::assertSame(
            [false, true, true, false],
            array_map(fn (int $x): bool => $this->label($x, 130) === $made, [292, 293, 406, 407]),
        );
        self::assertSame(
            [false, true, true, false],
            array_map(fn (int $y): bool => $this->label(350, $y) === $made, [92, 93, 166, 167]),
        );
        $this->ask('flats.resize', ['labels' => [$made], 'by' => -7]);
        self::assertSame(
            [false, true, true, false],
            array_map(fn (int $x): bool => $this->label($x, 130) === $made, [299, 300, 399, 400]),
        );
        $this->ask('flats.resize', ['labels' => [$made], 'by' => -50]);
        self::assertNull($this->sheet()->find(Region::class, $made), 'nothing is left of it');
    }

    public function test_holes_are_filled_but_not_what_is_open_to_the_outside(): void
    {
        $this->ask('flats.shape', $this->box(300, 60, 420, 200));
        $made = $this->label(310, 70);
        $this->ask('flats.shape', $this->box(330, 100, 360, 130, 'add', 4, 9));
        $this->ask('flats.shape', $this->box(390, 150, 430, 170, 'take'));
        $this->ask('flats.resize', ['labels' => [$made], 'by' => 0]);
        self::assertSame($made, $this->label(340, 110));
        self::assertNotSame($made, $this->label(400, 160));
        $this->expectException(OpRefused::class);
        $this->ask('flats.resize', ['labels' => [$made], 'by' => 0]);
    }

    public function test_joined_regions_are_one_filled_as_the_largest_was(): void
    {
        $this->ask('flats.shape', $this->box(300, 100, 350, 150));
        $this->ask('flats.shape', $this->box(430, 30, 520, 290, figure: 4, material: 9));
        [$small, $large] = [$this->label(310, 110), $this->label(500, 200)];
        $this->ask('flats.join', ['labels' => [$small, $large]]);
        self::assertSame($large, $this->label(310, 110));
        self::assertSame(9, $this->at(310, 110)->material);
        self::assertSame(2500 + 90 * 260, $this->at(310, 110)->area);
    }

    /**
     * Two stores may hand out the records of one page in different order: what comes of an op must not depend on it.
     */
    public function test_of_equal_regions_the_smaller_label_keeps_what_it_is(): void
    {
        $this->ask('flats.shape', $this->box(300, 100, 350, 150));
        $this->ask('flats.shape', $this->box(400, 100, 450, 150, figure: 4, material: 9));
        [$first, $second] = [$this->label(310, 110), $this->label(410, 110)];
        self::assertLessThan($second, $first);
        $sheet = $this->sheet();
        $record = $sheet->find(Region::class, $first) ?? self::fail('the first');
        // Taken away and put back, it comes last.
        $sheet->remove(Region::class, $first);
        $this->source->store($sheet->takeChange());
        $sheet = $this->sheet();
        $sheet->put($first, $record);
        $this->source->store($sheet->takeChange());
        self::assertSame([$second, $first], array_slice(array_keys($this->sheet()->all(Region::class)), -2));
        $this->ask('flats.join', ['labels' => [$second, $first]]);
        self::assertSame([$first, 8], [$this->label(410, 110), $this->at(410, 110)->material]);
    }

    public function test_what_is_locked_stays_as_it_is(): void
    {
        $this->ask('flats.shape', $this->box(300, 100, 400, 200));
        $kept = $this->label(350, 150);
        $this->ask('flats.lock', ['labels' => [$kept], 'locked' => true]);
        $area = $this->at(350, 150)->area;
        $this->ask('flats.shape', $this->box(350, 90, 450, 210, figure: 4, material: 9));
        self::assertSame($kept, $this->label(399, 150));
        self::assertSame(9, $this->at(400, 150)->material);
        $beside = $this->label(420, 150);
        $this->ask('flats.resize', ['labels' => [$beside], 'by' => 5]);
        self::assertSame($kept, $this->label(399, 150));
        $this->ask('fill.inside', [
            'outline' => [[0, 0], [530, 0], [530, 301], [0, 301]],
            'figure' => 5,
            'material' => 10,
        ]);
        self::assertSame([8, $area], [$this->at(350, 150)->material, $this->at(350, 150)->area]);
        foreach (
            [
                ['fill', ['labels' => [$kept], 'figure' => 5, 'material' => 10]],
                ['flats.join', ['labels' => [$kept, $beside]]],
                ['flats.resize', ['labels' => [$kept], 'by' => 3]],
            ] as [$kind, $input]
        ) {
            try {
                $this->ask($kind, $input);
                self::fail("$kind changed what is locked");
            } catch (OpRefused $refused) {
                self::assertStringContainsString('locked', $refused->getMessage());
            }
        }
        $this->ask('flats.lock', ['labels' => [$kept], 'locked' => false]);
        $this->ask('fill', ['labels' => [$kept], 'figure' => 5, 'material' => 10]);
        self::assertSame(10, $this->at(350, 150)->material);
    }

    public function test_what_cannot_be_is_refused_with_a_word(): void
    {
        $refusals = [
            [['use' => 'add', 'outline' => [[0, 0], [9, 0], [9, 9]]], 'Pick a material'],
            [$this->box(700, 100, 800, 200), 'off the page'],
            [$this->box(300, 100, 400, 200, 'take'), 'Nothing changes'],
            [
                ['use' => 'rub', 'outline' => [[0, 0], [9, 0], [9, 9]], 'figure' => 1, 'material' => 1],
                'adds, takes away or keeps',
            ],
        ];
        foreach ($refusals as [$input, $word]) {
            try {
                $this->ask('flats.shape', $input);
                self::fail("expected: $word");
            } catch (OpRefused $refused) {
                self::assertStringContainsString($word, $refused->getMessage());
            }
        }
    }

    public function test_a_crumb_goes_to_the_neighbour_it_is_least_parted_from(): void
    {
        // Longest beside the room (40 px) and beside what lies right of it (40 px), but there is the wall between; open
        // to the paper for 12.
        $this->ask('flats.shape', [
            'use' => 'add',
            'outline' => [[236, 100], [240, 100], [240, 134], [246, 134], [246, 140], [236, 140]],
            'figure' => 3,
            'material' => 8,
        ]);
        $this->ask('flats.shape', $this->box(240, 100, 300, 134, figure: 4, material: 9));
        [$crumb, $paper] = [$this->label(238, 120), $this->label(400, 250)];
        self::assertSame(36, $this->at(238, 120)->area);
        $this->ask('flats.absorb', ['labels' => [$crumb]]);
        self::assertSame($paper, $this->label(238, 120));
        self::assertFalse($this->at(243, 137)->isFilled());
    }

    public function test_a_crumb_with_locked_neighbours_only_stays(): void
    {
        $this->ask('flats.shape', $this->box(100, 100, 104, 104));
        [$room, $crumb] = [$this->label(150, 150), $this->label(102, 102)];
        $this->ask('flats.lock', ['labels' => [$room], 'locked' => true]);
        try {
            $this->ask('flats.absorb', ['labels' => [$crumb]]);
            self::fail('a locked region took something in');
        } catch (OpRefused) {
            self::assertSame($crumb, $this->label(102, 102));
        }
        $this->ask('flats.lock', ['labels' => [$room], 'locked' => false]);
        $this->ask('flats.absorb', ['labels' => [$crumb]]);
        self::assertSame($room, $this->label(102, 102));
    }

    public function test_stray_pixels_are_found_and_go_to_what_surrounds_them(): void
    {
        $this->ask('flats.shape', $this->box(300, 60, 420, 200));
        $this->ask('flats.shape', $this->box(440, 100, 446, 105));
        [$large, $stray] = [$this->label(310, 70), $this->label(442, 102)];
        $this->ask('flats.join', ['labels' => [$large, $stray]]);
        $found = StrayPieces::in(new Labels(self::WIDTH, self::HEIGHT, $this->sheet()->layer(LayerName::flats())));
        self::assertCount(1, $found);
        self::assertSame(
            [[$large], 30.0, true],
            [
                $found[0]->labels,
                $found[0]->amount,
                $found[0]->x >= 440 && $found[0]->x < 446 && $found[0]->y >= 100 && $found[0]->y < 105,
            ],
        );
        $this->ask('flats.strays', ['places' => [[$found[0]->x, $found[0]->y]]]);
        self::assertSame($this->label(500, 20), $this->label(442, 102));
        self::assertSame($large, $this->label(310, 70));
        self::assertSame(
            [],
            StrayPieces::in(new Labels(self::WIDTH, self::HEIGHT, $this->sheet()->layer(LayerName::flats()))),
        );
    }

    public function test_flats_that_show_beyond_their_line_are_found(): void
    {
        $spills = fn (): array => array_map(
            fn (Finding $spill): array => [$spill->labels, $spill->amount],
            FlatsBeyondLines::in($this->sheet()->labels(), $this->sheet()->ink()),
        );
        self::assertSame([], $spills());
        // Six columns reach through the wall (235..239) into the paper, a patch of its own into the room.
        $this->ask('flats.shape', $this->box(200, 100, 246, 140, figure: 3, material: 8));
        $this->ask('flats.shape', $this->box(235, 160, 330, 200, figure: 4, material: 9));
        [$inside, $outside] = [$this->label(210, 110), $this->label(300, 180)];
        self::assertSame([[[$inside], 240.0]], $spills(), 'what goes under the line only is no spill');
        $this->ask('flats.shape', $this->box(228, 160, 331, 200, figure: 4, material: 9));
        self::assertSame([[[$outside], 280.0], [[$inside], 240.0]], $spills());
        $spill = FlatsBeyondLines::in($this->sheet()->labels(), $this->sheet()->ink())[1];
        self::assertTrue($spill->x >= 240 && $spill->x < 246 && $spill->y >= 100 && $spill->y < 140);
        // A room of one's own beyond a line is none.
        $this->ask('flats.join', ['labels' => [$this->label(100, 210), $this->label(500, 20)]]);
        self::assertCount(2, $spills());
    }

    public function test_findings_name_the_regions_that_are_odd(): void
    {
        $this->ask('flats.shape', $this->box(300, 60, 350, 110, figure: 3, material: 8));
        $this->ask('flats.shape', $this->box(350, 60, 400, 110, figure: 4, material: 9));
        $this->ask('flats.shape', $this->box(450, 200, 500, 250, figure: 3, material: 8));
        $this->ask('flats.shape', $this->box(300, 250, 305, 258, figure: 5, material: 7));
        $sheet = $this->sheet();
        $graph = RegionGraph::of(new Labels(self::WIDTH, self::HEIGHT, $sheet->layer(LayerName::flats())));
        /** @var array<int, Region> $regions */
        $regions = $sheet->all(Region::class);
        $colours = [8 => 0xC09040, 9 => 0xC29140, 7 => 0x203040];
        $page = fn (array $colours, float $dpi = 300, array $passes = []): ProofPage => new ProofPage(
            regions: $regions,
            passes: $passes,
            dpi: $dpi,
            colour: fn (int $label): ?int => $colours[$regions[$label]->material] ?? null,
            graph: fn (): RegionGraph => $graph,
            labels: $sheet->labels(...),
            ink: $sheet->ink(...),
        );
        $alike = (new AlikeNeighbours)->find($page($colours));
        self::assertCount(1, $alike);
        self::assertEqualsCanonicalizing([$this->label(310, 70), $this->label(360, 70)], $alike[0]->labels);
        $between = Difference::ciede2000(Lab::of(Rgb::fromHex('#c09040')), Lab::of(Rgb::fromHex('#c29140')));
        self::assertEqualsWithDelta($between, $alike[0]->amount, 1e-9);
        self::assertSame(sprintf('ΔE %.1f between them', $between), $alike[0]->words);
        self::assertSame(
            [[$this->label(310, 70)], [$this->label(460, 210)]],
            self::sorted((new IsolatedRegions)->find($page([]))),
        );
        self::assertSame(
            [[$this->label(302, 252)]],
            array_map(fn (Finding $finding): array => $finding->labels, (new SmallRegions)->find($page([]))),
        );
        self::assertSame(
            [],
            (new SmallRegions)->find($page([], 150)),
            'at half the resolution 40 px are not small',
        );
        self::assertSame([], (new AlikeNeighbours)->find($page([8 => 0xC09040, 9 => 0x4090C0, 7 => 0])));
        $passes = [
            'hidden0001' => new PassSpec('Hidden', 3, new PaintContent, Scope::figure(3), visible: false),
            'masking001' => new PassSpec('Masking', 3, new PaintContent, Scope::figure(3), visible: false),
            'seen000001' => new PassSpec(
                'Seen',
                3,
                new PaintContent,
                Scope::figure(3),
                mask: new PassMask('masking001'),
            ),
        ];
        $found = array_column(FinderKinds::lookThrough($page($colours, 300, $passes)), null, 'kind');
        self::assertSame(['unfilled', 'alike', 'isolated', 'small', 'hidden'], array_keys($found));
        self::assertSame(['Hidden'], array_column($found['hidden']['findings'], 'words'));
        $areas = array_map(fn (array $one): int => $regions[$one['labels'][0]]->area, $found['unfilled']['findings']);
        self::assertSame(
            $areas,
            array_reverse(
                (function (array $sorted): array {
                    sort($sorted);

                    return $sorted;
                })($areas),
            ),
            'the largest first',
        );
        self::assertStringEndsWith('% of the page', $found['unfilled']['findings'][0]['words']);
        // What mends them is a change the page knows, and does away with them.
        self::assertSame(
            ['kind' => 'flats.absorb', 'labels' => [$this->label(302, 252)]],
            $found['small']['mend']['op'] ?? null,
        );
        self::assertSame(
            ['kind' => 'pass.change', 'id' => 'hidden0001', 'values' => ['visible' => true]],
            $found['hidden']['findings'][0]['mend']['op'] ?? null,
        );
        $this->ask('flats.absorb', ['labels' => [$this->label(302, 252)]]);
        self::assertSame(
            [],
            array_filter($this->sheet()->all(Region::class), fn (Region $region): bool => $region->area < 60),
        );
    }

    public function test_of_many_findings_all_are_counted_some_told_and_as_many_mended_as_one_op_takes(): void
    {
        $regions = array_combine(
            range(1, 700),
            array_map(fn (int $i): Region => new Region(3, 8, 1 + ($i % 40), $i, 2), range(1, 700)),
        );
        $none = fn (): never => throw new \LogicException('not asked for');
        $page = new ProofPage(
            regions: $regions,
            passes: [],
            dpi: 300,
            colour: fn (): ?int => null,
            graph: fn (): RegionGraph => new RegionGraph([]),
            labels: $none,
            ink: $none,
        );
        $find = fn (Finder $finder, ProofPage $page): array => $finder instanceof FromPixels
            ? []
            : $finder->find($page);
        $small = array_column(FinderKinds::lookThrough($page, $find), null, 'kind')['small'];
        self::assertSame(
            [700, 60, 500],
            [$small['count'], count($small['findings']), count($small['mend']['op']['labels'] ?? [])],
        );
        self::assertSame('1 px', $small['findings'][0]['words'], 'the smallest first');
        OpKinds::read('flats.absorb', array_diff_key($small['mend']['op'], ['kind' => 0]));
    }

    /**
     * @param  list<Finding>  $findings
     * @return list<list<int>>
     */
    private static function sorted(array $findings): array
    {
        $labels = array_map(fn (Finding $finding): array => $finding->labels, $findings);
        sort($labels);

        return $labels;
    }

    public function test_a_shift_is_of_this_page_and_goes_when_nothing_wears_it(): void
    {
        $this->ask('flats.shape', $this->box(300, 60, 350, 110, material: 8));
        $this->ask('flats.shape', $this->box(400, 60, 450, 110, material: 8));
        $this->ask('flats.shape', $this->box(300, 200, 350, 250, material: 9));
        $values = ['material' => 8, 'lightness' => -0.1, 'chroma' => 0.5, 'hue' => 30.0];
        $this->ask('colour.shift', ['id' => 'shift00001', 'labels' => [$this->label(310, 70)], 'values' => $values]);
        self::assertSame(
            ['shift00001', null, null],
            [$this->at(310, 70)->shift, $this->at(410, 70)->shift, $this->at(310, 210)->shift],
        );
        $palette = new Palette(
            [8 => ['base' => 0xE0A93A, 'shade' => 0x805010], 9 => ['base' => 0x104080, 'shade' => 0x081020]],
            [8 => 3, 9 => 3],
            [3],
        );
        $flats = (new StackBuilder)->build($this->sheet(), $palette)->flats;
        $shift = new Shift(-0.1, 0.5, 30);
        self::assertSame($shift->of(Rgb::fromHex('#e0a93a'))->number(), $flats[$this->label(310, 70)]->tones['base']);
        self::assertSame(0xE0A93A, $flats[$this->label(410, 70)]->tones['base']);
        // All of the material that is not shifted otherwise.
        $this->ask('colour.shift', ['id' => 'shift00002', 'labels' => [], 'values' => ['hue' => -20.0] + $values]);
        self::assertSame(
            ['shift00001', 'shift00002', null],
            [$this->at(310, 70)->shift, $this->at(410, 70)->shift, $this->at(310, 210)->shift],
        );
        // Filled with something else, a region wears it no more; taken back, the shift is gone.
        $this->ask('fill', ['labels' => [$this->label(310, 70)], 'figure' => 3, 'material' => 9]);
        self::assertNull($this->at(310, 70)->shift);
        $this->ask('colour.shift', [
            'id' => 'shift00002',
            'labels' => [],
            'values' => ['material' => 8, 'lightness' => 0.0, 'chroma' => 1.0, 'hue' => 0.0],
        ]);
        self::assertSame([], $this->sheet()->all(ColourShift::class));
        self::assertNull($this->at(410, 70)->shift);
    }

    public function test_regions_under_another_light_have_the_tones_it_derives(): void
    {
        $under = new Palette(
            [8 => ['base' => 0xA08030], 9 => ['base' => 0x102060]],
            variants: [5 => [8 => ['base' => 0x801010]]],
        );
        $palette = new Palette(
            [8 => ['base' => 0xE0A93A], 9 => ['base' => 0x104080]],
            variants: [5 => [8 => ['base' => 0xC02020], 9 => ['base' => 0x777777]]],
            under: [31 => $under],
        );
        $base = fn (int $material, ?int $variant, ?int $plan): int => $palette->tones($material, $variant, $plan)[
            'base'
        ] ?? -1;
        self::assertSame(
            [0xE0A93A, 0xA08030, 0x801010, 0xC02020],
            [$base(8, null, null), $base(8, null, 31), $base(8, 5, 31), $base(8, 5, null)],
        );
        // What the variant does not say under that light is the palette's under that light; a plan nobody derives for
        // is the page's.
        self::assertSame([0x102060, 0x777777, -1], [$base(9, 5, 31), $base(9, 5, 44), $base(1, null, 31)]);
    }

    public function test_regions_wear_variants_of_the_palette_under_their_shifts(): void
    {
        $this->ask('flats.shape', $this->box(300, 60, 350, 110, material: 8));
        $this->ask('flats.shape', $this->box(400, 60, 450, 110, material: 8));
        $this->ask('flats.shape', $this->box(300, 200, 350, 250, material: 9));
        $this->ask('flats.shape', $this->box(400, 200, 450, 250, material: 9));
        [$one, $two, $three, $four] = [
            $this->label(310, 70),
            $this->label(410, 70),
            $this->label(310, 210),
            $this->label(410, 210),
        ];
        $this->ask('variant.wear', ['labels' => [$one, $three], 'variant' => 5]);
        $this->ask('variant.wear', ['labels' => [$two], 'variant' => 0]);
        $this->ask('colour.shift', [
            'id' => 'shift00001',
            'labels' => [],
            'values' => ['material' => 8, 'lightness' => 0.0, 'chroma' => 0.0, 'hue' => 0.0],
        ]);
        $palette = new Palette(
            [8 => ['base' => 0xE0A93A], 9 => ['base' => 0x104080]],
            [8 => 3, 9 => 3],
            [3],
            [0 => [8 => ['base' => 0x20C040]], 5 => [8 => ['base' => 0xC02020]]],
        );
        $base = fn (int $label): int => (new StackBuilder)->build($this->sheet(), $palette)->flats[$label]->tones[
            'base'
        ];
        $grey = new Shift(0, 0, 0);
        // One shift, two variants: each is shifted from what it wears. What a variant does not say is the palette's.
        self::assertSame(
            [
                $grey->of(Rgb::fromHex('#c02020'))->number(),
                $grey->of(Rgb::fromHex('#20c040'))->number(),
                0x104080,
                0x104080,
            ],
            array_map($base, [$one, $two, $three, $four]),
        );
        // It stays on when the region is filled otherwise; a variant that is gone is none.
        $this->ask('fill', ['labels' => [$three], 'figure' => 3, 'material' => 8]);
        self::assertSame(
            [5, 0, 5, null],
            [
                $this->at(310, 70)->variant,
                $this->at(410, 70)->variant,
                $this->at(310, 210)->variant,
                $this->at(410, 210)->variant,
            ],
        );
        self::assertSame(0xC02020, $base($three));
        $this->ask('variant.wear', ['labels' => [$three], 'variant' => 77]);
        self::assertSame(0xE0A93A, $base($three));
        $this->ask('variant.wear', ['labels' => [$three], 'variant' => null]);
        self::assertNull($this->at(310, 210)->variant);
        // A locked region keeps what it wears.
        $this->ask('flats.lock', ['labels' => [$one], 'locked' => true]);
        $this->expectException(OpRefused::class);
        $this->ask('variant.wear', ['labels' => [$one], 'variant' => null]);
    }
}

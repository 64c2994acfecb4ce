<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Ink\CleanScan;
use Awning\Core\Ink\Levels;
use Awning\Core\Ink\PlacedDrawing;
use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\CleanSettings;
use Awning\Core\Page\Drawing\DrawingSource;
use Awning\Core\Page\Region\Bridge;
use Awning\Core\Page\Region\BridgeKind;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Plane;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Flats\ChangeBridges;
use Awning\Core\Sheet\Ops\Flats\FillInside;
use Awning\Core\Sheet\Ops\Flats\FillRegions;
use Awning\Core\Sheet\Ops\Flats\LimitBridges;
use Awning\Core\Sheet\Ops\Ink\LayInk;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\MemorySource;
use PHPUnit\Framework\TestCase;

/**
 * Bridges drawn, kept and taken away: only what lies beside them changes, and comes to what all of it anew comes to.
 */
final class RepartitionTest extends TestCase
{
    private MemorySource $source;

    private Plane $ink;

    /** Two rooms across the borders of tiles, with a door of 40 px between them that no bridge closes by itself. */
    protected function setUp(): void
    {
        $data = '';
        for ($y = 0; $y < 420; $y++) {
            for ($x = 0; $x < 700; $x++) {
                $isWall =
                    $x >= 40 &&
                    $x < 660 &&
                    $y >= 40 &&
                    $y < 380 &&
                    (min($x - 40, 659 - $x, $y - 40, 379 - $y) < 5 || ($x >= 298 && $x < 303 && abs($y - 210) > 20));
                $data .= $isWall ? "\xff" : "\0";
            }
        }
        $this->ink = new Plane(700, 420, $data);
        $this->source = new MemorySource;
        $this->lay();
    }

    private function lay(): void
    {
        $decided = array_values(LayInk::decided(new Sheet($this->source)));
        $flats = (new FlatsFinder(12))->find($this->ink, $decided);
        $this->apply(
            new LayInk(
                'Import',
                PlacedDrawing::of(
                    new CleanScan($this->ink, new Levels(20, 200), $this->ink),
                    new CleanSettings,
                    new DrawingSource(0, 'Scan', 300),
                ),
                $flats,
            ),
        );
    }

    private function apply(Op $op): void
    {
        $sheet = new Sheet($this->source);
        $op->apply($sheet);
        $this->source->store($sheet->takeChange());
    }

    private function sheet(): Sheet
    {
        return new Sheet($this->source);
    }

    private function at(int $x, int $y): int
    {
        return $this->sheet()->labelAt($x, $y);
    }

    /** @param  array<string, mixed>  $input */
    private function bridges(array $input): void
    {
        $this->apply(ChangeBridges::fromInput(new Data($input)));
    }

    private function number(): int
    {
        return (int) array_key_last($this->sheet()->all(Bridge::class));
    }

    public function test_a_drawn_bridge_parts_a_region_and_both_parts_keep_the_fill(): void
    {
        self::assertSame($this->at(100, 200), $this->at(500, 200), 'the door is open');
        $whole = $this->at(100, 200);
        $area = $this->sheet()->find(Region::class, $whole)->area;
        $outside = $this->at(5, 5);
        $this->apply(FillRegions::fromInput(new Data(['labels' => [$whole], 'figure' => 4, 'material' => 9])));
        $this->bridges(['draw' => [300, 188, 300, 231]]);
        [$left, $right] = [$this->at(100, 200), $this->at(500, 200)];
        self::assertNotSame($left, $right);
        self::assertSame([$whole, $outside], [$right, $this->at(5, 5)], 'the larger part stays what it was');
        [$a, $b] = [$this->sheet()->find(Region::class, $left), $this->sheet()->find(Region::class, $right)];
        self::assertSame([[4, 9], [4, 9]], [[$a->figure, $a->material], [$b->figure, $b->material]]);
        self::assertSame($left, $this->at($a->x, $a->y), 'each knows a place inside');
        self::assertSame($right, $this->at($b->x, $b->y));
        self::assertSame(253 * 330 + 2 * 41, $a->area, 'the room, and its half of the door');
        self::assertSame($area, $a->area + $b->area);
        $this->assertAsIfFoundAnew();
    }

    public function test_a_limit_puts_longer_ones_in_doubt_and_makes_shorter_ones_again(): void
    {
        $whole = $this->at(100, 200);
        $this->bridges(['draw' => [300, 188, 300, 231]]);
        $this->bridges(['draw' => [100, 100, 100, 45]]);
        // As if they had been found: what is decided by hand knows no limit.
        $sheet = $this->sheet();
        $numbers = array_keys($sheet->all(Bridge::class));
        $sheet->put($numbers[0], $sheet->all(Bridge::class)[$numbers[0]]->as(BridgeKind::Found, 0.7));
        $this->source->store($sheet->takeChange());
        $limit = fn (float $longest) => $this->apply(LimitBridges::fromInput(new Data(['longest' => $longest])));
        $kinds = fn (): array => array_map(
            fn (int $number): BridgeKind => $this->sheet()->all(Bridge::class)[$number]->kind,
            $numbers,
        );
        $limit(42.9);
        self::assertSame([BridgeKind::Doubtful, BridgeKind::Kept], $kinds());
        self::assertSame([$whole, $whole], [$this->at(100, 200), $this->at(500, 200)], 'the door is open again');
        self::assertSame(0.7, $this->sheet()->all(Bridge::class)[$numbers[0]]->score);
        try {
            $limit(40);
            self::fail('a limit that changes nothing');
        } catch (OpRefused $refused) {
            self::assertStringContainsString('No bridge', $refused->getMessage());
        }
        $limit(43);
        self::assertSame([BridgeKind::Found, BridgeKind::Kept], $kinds());
        self::assertNotSame($this->at(100, 200), $this->at(500, 200));
    }

    /** Everywhere off the lines' middles, the labels mean what they mean when all regions are found at once. */
    private function assertAsIfFoundAnew(): void
    {
        $anew = (new FlatsFinder(12))->find($this->ink, array_values(LayInk::decided($this->sheet())));
        $pairs = [];
        $sheet = $this->sheet();
        for ($y = 0; $y < 420; $y += 3) {
            for ($x = 0; $x < 700; $x++) {
                $pairs[$sheet->labelAt($x, $y)][$anew->labels->at($x, $y)] =
                    ($pairs[$sheet->labelAt($x, $y)][$anew->labels->at($x, $y)] ?? 0) + 1;
            }
        }
        self::assertCount(count($anew->regions), $pairs);
        $astray = 0;
        foreach ($pairs as $others) {
            $astray += array_sum($others) - max($others);
        }
        self::assertLessThan(60, $astray, 'but for a pixel here and there under a line');
    }

    public function test_taken_away_it_joins_them_again_and_is_not_found_again(): void
    {
        $before = $this->at(500, 200);
        $this->bridges(['draw' => [300, 188, 300, 231]]);
        $number = $this->number();
        $this->apply(
            FillRegions::fromInput(new Data(['labels' => [$this->at(100, 200)], 'figure' => 1, 'material' => 2])),
        );
        $this->bridges(['bridge' => $number, 'as' => 'refused']);
        self::assertSame([$before, $before], [$this->at(100, 200), $this->at(500, 200)]);
        self::assertSame(BridgeKind::Refused, $this->sheet()->find(Bridge::class, $number)->kind);
        self::assertSame(0, $this->sheet()->find(Region::class, $before)->material, 'it is what the larger one was');
        self::assertCount(2, $this->sheet()->all(Region::class));
        $this->assertAsIfFoundAnew();
        $this->bridges(['bridge' => $number, 'as' => 'kept']);
        self::assertNotSame($this->at(100, 200), $this->at(500, 200));
        $this->lay();
        self::assertNotSame($this->at(100, 200), $this->at(500, 200), 'kept when regions are found anew');
        $this->expectException(OpRefused::class);
        $this->bridges(['bridge' => 999, 'as' => 'kept']);
    }

    public function test_a_found_bridge_that_is_refused_stays_away(): void
    {
        $data = $this->ink->data;
        for ($y = 205; $y < 213; $y++) {
            $data = substr_replace($data, str_repeat("\0", 5), $y * 700 + 655, 5);
        }
        $this->ink = new Plane(700, 420, $data);
        $this->lay();
        $found = array_filter(
            $this->sheet()->all(Bridge::class),
            fn (Bridge $bridge): bool => $bridge->kind === BridgeKind::Found && $bridge->x1 > 600,
        );
        self::assertCount(1, $found);
        self::assertGreaterThan(0.5, array_values($found)[0]->score);
        self::assertNotSame($this->at(5, 5), $this->at(500, 200));
        $this->bridges(['bridge' => (int) array_key_first($found), 'as' => 'refused']);
        self::assertSame($this->at(5, 5), $this->at(500, 200), 'it floods now, because it was asked to');
        $this->lay();
        self::assertSame($this->at(5, 5), $this->at(500, 200), 'and still does');
        $this->assertAsIfFoundAnew();
    }

    public function test_a_bridge_that_closes_nothing_changes_no_region(): void
    {
        $before = array_map(fn (Region $region): array => $region->toData(), $this->sheet()->all(Region::class));
        $this->bridges(['draw' => [100, 100, 180, 140]]);
        self::assertSame(
            $before,
            array_map(fn (Region $region): array => $region->toData(), $this->sheet()->all(Region::class)),
        );
        $this->bridges(['bridge' => $this->number(), 'as' => 'refused']);
        self::assertSame(
            $before,
            array_map(fn (Region $region): array => $region->toData(), $this->sheet()->all(Region::class)),
        );
        foreach (
            [
                ['draw' => [1, 2, 3]],
                ['draw' => [1, 2, 1, 2]],
                ['draw' => [0, 0, 690, 4000]],
                ['bridge' => 1, 'as' => 'found'],
                ['bridge' => 1, 'as' => 'steel'],
                [],
            ] as $bad
        ) {
            try {
                $this->bridges($bad);
                self::fail(json_encode($bad).' was taken');
            } catch (\InvalidArgumentException|OpRefused $error) {
                self::assertNotSame('', $error->getMessage());
            }
        }
        $this->expectException(OpRefused::class);
        $this->bridges(['draw' => [10, 10, 10, 900]]);
    }

    public function test_a_loop_fills_what_lies_wholly_inside_it(): void
    {
        $this->bridges(['draw' => [300, 188, 300, 231]]);
        [$left, $right, $outside] = [$this->at(100, 200), $this->at(500, 200), $this->at(5, 5)];
        $inside = fn (array $outline, bool $unfilled = false): FillInside => FillInside::fromInput(
            new Data(['outline' => $outline, 'figure' => 3, 'material' => 8, 'unfilled' => $unfilled]),
        );
        $materials = fn (): array => array_map(
            fn (int $label): int => $this->sheet()->find(Region::class, $label)->material,
            [$left, $right, $outside],
        );
        $this->apply($inside([[20, 20], [320, 20], [320, 400], [20, 400]]));
        self::assertSame([8, 0, 0], $materials());
        $this->apply(FillRegions::fromInput(new Data(['labels' => [$left], 'figure' => 1, 'material' => 2])));
        $this->apply($inside([[20, 20], [680, 10], [690, 400], [20, 410]], true));
        self::assertSame([2, 8, 0], $materials(), 'what was filled stays');
        $this->expectExceptionMessage('No region lies wholly inside');
        $this->apply($inside([[60, 60], [200, 60], [200, 200]]));
    }
}

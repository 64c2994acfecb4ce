<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Brush\Brush;
use Awning\Core\Brush\Path;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Compose\BlendMode;
use Awning\Core\Compose\Scope;
use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Ink\CleanScan;
use Awning\Core\Ink\Levels;
use Awning\Core\Raster\Plane;
use Awning\Core\Sheet\Change;
use Awning\Core\Sheet\FactKind;
use Awning\Core\Sheet\MemorySource;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\AddPass;
use Awning\Core\Sheet\Ops\ChangePass;
use Awning\Core\Sheet\Ops\FillRegions;
use Awning\Core\Sheet\Ops\GroupPasses;
use Awning\Core\Sheet\Ops\LayInk;
use Awning\Core\Sheet\Ops\RemovePass;
use Awning\Core\Sheet\Ops\Stroke;
use Awning\Core\Sheet\PassFact;
use Awning\Core\Sheet\Sheet;
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

        return new LayInk('Import', new CleanScan($ink, new Levels(20, 200), $ink), (new FlatsFinder)->find($ink), 300);
    }

    private function pass(int $figure = 1): PassFact
    {
        return new PassFact('Shade', $figure, Tone::Shade, Scope::figure($figure));
    }

    private function op(int $kind, int $step): Op
    {
        $passes = array_map(strval(...), array_keys($this->source->facts(FactKind::Pass)));
        $some = $passes === [] ? 'none00' : $passes[mt_rand(0, count($passes) - 1)];
        $points = array_map(fn (): array => [(float) mt_rand(-30, 550), (float) mt_rand(-30, 330), mt_rand(10, 100) / 100], range(1, mt_rand(1, 6)));

        return match ($kind) {
            0 => new FillRegions([mt_rand(1, 4)], 1, mt_rand(0, 5)),
            1 => new AddPass("added$step", $this->pass(mt_rand(1, 2))),
            2 => new Stroke("stroke$step", new Path($points), new Brush(mt_rand(2, 90), mt_rand(0, 10) / 10, mt_rand(1, 10) / 10), make: mt_rand(0, 2) === 0 ? new PassFact('Paint', 1, null, Scope::page()) : $this->pass(), rgb: [mt_rand(0, 255), 80, 90]),
            3 => new Stroke($some, new Path($points), new Brush(mt_rand(2, 120), 0.5), mt_rand(0, 1) === 0, [9, 200, 30]),
            4 => new ChangePass($some, ['opacity' => mt_rand(0, 100) / 100, 'mode' => BlendMode::cases()[mt_rand(0, 16)]->value]),
            5 => new ChangePass($some, ['order' => (float) mt_rand(0, 50), 'visible' => mt_rand(0, 1) === 1]),
            6 => new RemovePass($some),
            7 => new GroupPasses('group1', [$some], ['isolated' => mt_rand(0, 1) === 1, 'mode' => BlendMode::Multiply, 'opacity' => 0.5]),
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
                    self::assertSame($before[count($before) - 1], $this->source->hash(), 'a refused op altered something');
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
        foreach ([
            new FillRegions([1, 999], 1, 2), new Stroke('nobody', new Path([[5.0, 5.0, 1.0]]), new Brush(5)),
            new Stroke('newone', new Path([[-900.0, -900.0, 1.0]]), new Brush(5), make: $this->pass()),
            new ChangePass('nobody', ['opacity' => 0.5]), new RemovePass('nobody'),
        ] as $op) {
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
        self::assertSame(42, $sheet->fact(FactKind::Region, $sheet->labelAt(290, 150))['material'] ?? null);
        self::assertSame(0, $sheet->fact(FactKind::Region, $sheet->labelAt(40, 150))['material'] ?? null);
    }

    public function test_a_scan_of_another_size_does_not_slip_under_painting(): void
    {
        $this->apply(new AddPass('shade1', $this->pass()));
        $this->expectException(OpRefused::class);
        $this->expectExceptionMessage('520 x 300');
        $this->apply($this->ink(600, 300, 3));
    }

    public function test_an_op_touches_only_the_tiles_it_covers(): void
    {
        $change = $this->apply(new Stroke('stroke', new Path([[20.0, 20.0, 1.0], [60.0, 40.0, 1.0]]), new Brush(20), make: $this->pass()));
        self::assertSame([['pass:stroke', 0, 0]], array_map(fn ($tile): array => [$tile->layer, $tile->column, $tile->row], $change->tiles));
    }

    public function test_pass_facts_are_read_strictly(): void
    {
        $good = (new PassFact('Rim', 1, new Rgb(1, 2, 3), Scope::figure(1), BlendMode::Screen, 0.5))->toArray();
        self::assertSame($good, PassFact::fromArray($good)->toArray());
        foreach ([['name' => ''], ['name' => "a\u{0}b"], ['opacity' => 1.5], ['mode' => 'sparkle'], ['kind' => 'tone', 'tone' => 'mud'], ['scope' => ['kind' => 'figure', 'id' => 0]], ['colour' => 'red']] as $bad) {
            try {
                PassFact::fromArray($bad + $good);
                self::fail(json_encode($bad).' was taken');
            } catch (\InvalidArgumentException $error) {
                self::assertNotSame('', $error->getMessage());
            }
        }
    }
}

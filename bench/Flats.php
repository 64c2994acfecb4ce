<?php

declare(strict_types=1);

use Awning\Core\Flats\CueSpread;
use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Flats\RegionGraph;
use Awning\Core\Ink\CleanScan;
use Awning\Core\Ink\Levels;
use Awning\Core\Ink\PlacedDrawing;
use Awning\Core\Page\Drawing\CleanSettings;
use Awning\Core\Page\Drawing\DrawingSource;
use Awning\Core\Page\Region\Bridge;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpKinds;
use Awning\Core\Sheet\Ops\Ink\LayInk;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\MemorySource;

/**
 * What the hand does to the flats of a large page, in the core alone.
 *
 * @return list<array{string, float, string, string}> what, median ms, target, note
 */
function bench_flats(Plane $ink): array
{
    $source = new MemorySource;
    $apply = function (Op $op) use ($source): float {
        $began = hrtime(true);
        $sheet = new Sheet($source);
        $op->apply($sheet);
        $change = $sheet->takeChange();
        $took = (hrtime(true) - $began) / 1e6;
        $source->store($change);

        return $took;
    };
    $finder = FlatsFinder::forDpi(300);
    $began = hrtime(true);
    $flats = $finder->find($ink);
    $partition = (hrtime(true) - $began) / 1e6;
    $apply(
        new LayInk(
            'Import',
            PlacedDrawing::of(
                new CleanScan($ink, new Levels(20, 200), $ink),
                new CleanSettings,
                new DrawingSource(0, 'Scan', 300),
            ),
            $flats,
        ),
    );
    $bridges = array_keys(
        array_filter((new Sheet($source))->all(Bridge::class), fn (Bridge $bridge): bool => $bridge->kind->isMade()),
    );
    $one = [];
    foreach (array_slice($bridges, 0, 24) as $number) {
        foreach (['refused', 'kept'] as $kind) {
            $one[] = $apply(OpKinds::read('bridges', ['draw' => null, 'bridge' => $number, 'as' => $kind]));
        }
    }
    sort($one);
    $boxes = [];
    foreach (range(0, 6) as $i) {
        [$left, $top] = [300 + 97 * $i, 400 + 53 * $i];
        $boxes[] = $apply(
            OpKinds::read('flats.shape', [
                'use' => 'add',
                'outline' => [
                    [$left, $top],
                    [$left + 1000, $top + 40],
                    [$left + 1040, $top + 1000],
                    [$left, $top + 1000],
                ],
                'figure' => 1,
                'material' => 20 + $i,
            ]),
        );
    }
    sort($boxes);
    [$labels, $lines] = bench_cells();
    $graph = RegionGraph::of($labels, $lines);
    $dabs = [];
    foreach (range(1, 60) as $i) {
        $dabs[31 * $i] = [1 + ($i % 12) => 40];
    }
    $spread = median(9, fn () => (new CueSpread($graph))->spread($dabs, $graph->regions()));
    $regions = new Labels($ink->width, $ink->height, $flats->labels->data);
    $beside = median(3, fn () => RegionGraph::of($regions, $ink));

    return [
        [
            'bridges and regions of a 16 MP page',
            $partition,
            '',
            sprintf('%d regions, %d bridges', count($flats->regions), count($flats->bridges)),
        ],
        [
            'one bridge taken away or put back there',
            $one[intdiv(count($one), 2)],
            '≤ 80 ms',
            sprintf('median of %d; the slowest %d ms', count($one), end($one)),
        ],
        ['1 MP blocked in by a loop there', $boxes[intdiv(count($boxes), 2)], '', 'median of 7'],
        ['60 cues spread over 2 000 regions', $spread, '≤ 150 ms', 'which regions lie beside each other is known'],
        ['which regions of the page lie beside each other', $beside, '', 'once for each state of the flats'],
    ];
}

/** @return array{Labels, Plane} 2 000 cells, with lines of unlike strength between them */
function bench_cells(): array
{
    $labels = $lines = '';
    for ($y = 0; $y < 40 * 20; $y++) {
        $row = $ink = '';
        for ($cell = 0; $cell < 50; $cell++) {
            $row .= str_repeat(pack('n', 1 + intdiv($y, 20) * 50 + $cell), 20);
            $ink .= str_repeat("\0", 18).str_repeat(chr(40 + ((37 * ($cell + $y)) % 200)), 2);
        }
        $labels .= $row;
        $lines .= $ink;
    }

    return [new Labels(1000, 800, $labels), new Plane(1000, 800, $lines)];
}

<?php

declare(strict_types=1);

use App\Desk\Page\PageDesk;
use App\Models\Figure;
use App\Models\Material;
use App\Models\Page;
use App\Store\PageStore;
use Awning\Core\Page\Region\Region;
use Awning\Core\Sheet\OpKinds;
use Awning\Core\Sheet\Sheet;
use Symfony\Component\Process\Process;

const FIGURES = 6;

/**
 * A first light on the figures of a 16-megapixel page, and on one of a megapixel, in a process as a queue worker does
 * it; in a database of its own.
 *
 * @return list<array{string, float, string, string}> what, ms, target, note
 */
function bench_light(string $scan): array
{
    $page = bench_light_page($scan);
    $plan = [
        'azimuth' => 130,
        'elevation' => 35,
        'dials' => ['cast' => 60],
        'back' => ['azimuth' => 20, 'elevation' => 10, 'colour' => '#9fb8ff'],
        'lamps' => [['x' => 0.4, 'y' => 0.4, 'reach' => 0.5, 'colour' => '#ffd08a']],
    ];
    $once = function (?int $figure) use ($page, $plan): array {
        $work = new Process([
            PHP_BINARY,
            'bench/rough_in.php',
            (string) $page->id,
            (string) json_encode(['figure' => $figure, 'plan' => $plan]),
        ]);
        $work->start();
        for ($most = 0.0; $work->isRunning(); usleep(30_000)) {
            $most = max($most, bench_memory((int) $work->getPid()));
        }
        $work->isSuccessful() || throw new RuntimeException($work->getErrorOutput());

        return (array) json_decode($work->getOutput(), true) + ['mb' => $most];
    };
    $light = function (?int $figure) use ($once): array {
        $runs = array_map(fn (): array => $once($figure), range(1, 3));
        usort($runs, fn (array $a, array $b): int => $a['ms'] <=> $b['ms']);

        return $runs[1];
    };
    $areas = [];
    foreach ((new Sheet(new PageStore($page)))->all(Region::class) as $region) {
        $areas[$region->figure] = ($areas[$region->figure] ?? 0) + $region->area;
    }
    $nearest = array_map(fn (int $area): int => abs($area - 1_000_000), $areas);
    $one = (int) array_search(min($nearest), $nearest, true);
    [$all, $single] = [$light(null), $light($one)];

    return [
        [
            'first light on a 16 MP page with '.FIGURES.' figures, all passes, laid',
            $all['ms'],
            '≤ 10 000 ms, 600 MB',
            sprintf('median of 3; peak %d MB, both processes together', $all['mb']),
        ],
        [
            'the same on one figure',
            $single['ms'],
            '≤ 1 000 ms a megapixel',
            sprintf('median of 3; %.1f MP', $areas[$one] / 1e6),
        ],
    ];
}

/** Megabytes that a process and its children hold, what they share counted once; 0 when it has ended. */
function bench_memory(int $process): float
{
    $kilobytes =
        preg_match('/^Pss: +(\d+)/m', (string) @file_get_contents("/proc/$process/smaps_rollup"), $match) === 1
            ? (int) $match[1]
            : 0;
    $children = array_filter(explode(' ', trim((string) @file_get_contents("/proc/$process/task/$process/children"))));

    return $kilobytes / 1000 + array_sum(array_map(fn (string $child): float => bench_memory((int) $child), $children));
}

/** Its regions are dealt to figures by where they lie, in two rows. */
function bench_light_page(string $scan): Page
{
    [$page, $user, $flats] = bench_scanned_page($scan);
    $dealt = [];
    // The paper between panels is nobody's.
    foreach (array_diff_key($flats->regions, [$flats->labels->at(0, 0) => true]) as $label => $region) {
        $dealt[
            intdiv($region->x * 3, $flats->labels->width) + 3 * intdiv($region->y * 2, $flats->labels->height)
        ][] = $label;
    }
    foreach ($dealt as $place => $labels) {
        $figure = Figure::query()->create([
            'series_id' => $page->series_id,
            'name' => "Figure $place",
            'depth' => $place,
        ]);
        $material = Material::query()->create([
            'figure_id' => $figure->id,
            'name' => 'cloth',
            'place' => 1,
            'pinned' => ['base' => '#e0a93a'],
        ]);
        (new PageDesk)->apply(
            $page->refresh(),
            $user,
            OpKinds::read('fill', ['labels' => $labels, 'figure' => $figure->id, 'material' => $material->id]),
        );
    }

    return $page->refresh();
}

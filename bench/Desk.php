<?php

declare(strict_types=1);

use App\Desk\Page\Lease;
use App\Models\Figure;
use App\Models\Material;
use App\Models\StrokeRow;
use Awning\Core\Brush\BrushBox;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cache;

/**
 * Requests through the application, database included, network left out; in a database of its own.
 *
 * @return list<array{string, float, float, string}> what, median ms, p95 ms, target
 */
function bench_desk(string $scan): array
{
    config(['session.driver' => 'array', 'cache.default' => 'array', 'app.env' => 'testing']);
    [$page, $user, $flats] = bench_scanned_page($scan);
    $series = $page->series;
    $figure = Figure::query()->create(['series_id' => $series->id, 'name' => 'Oda', 'depth' => 1]);
    $material = Material::query()->create([
        'figure_id' => $figure->id,
        'name' => 'oilskin',
        'place' => 1,
        'pinned' => ['base' => '#e0a93a'],
    ]);
    $labels = array_keys($flats->regions);
    unset($flats);
    (new Lease)->take($page, $user, 'benchlease0000');
    config(['awning.lease_seconds' => 9999]);

    $send = function (string $method, string $path, array $body) use ($user): void {
        Auth::login($user);
        $request = Request::create(
            $path,
            $method,
            server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
            content: (string) json_encode($body),
        );
        $response = app(Kernel::class)->handle($request);
        $response->getStatusCode() === 200 ||
            throw new RuntimeException($response->getStatusCode().' '.$response->getContent());
    };
    $measure = function (callable $work, int $runs = 21): array {
        $times = [];
        for ($i = 0; $i <= $runs; $i++) {
            $began = hrtime(true);
            $work($i);
            $times[] = (hrtime(true) - $began) / 1e6;
        }
        array_shift($times);
        sort($times);

        return [$times[intdiv($runs, 2)], $times[(int) (0.95 * ($runs - 1))]];
    };
    $op = fn (array $op) => $send('POST', "/api/pages/$page->id/ops", [
        'id' => bin2hex(random_bytes(10)),
        'base' => $page->refresh()->revision,
        'lease' => 'benchlease0000',
        'op' => $op,
    ]);
    $points = fn (int $i): array => array_map(
        fn (int $k): array => [
            500 + 100 * $i + 10 * $k,
            900 + 40 * $i + 30 * sin($k / 7),
            0.5 + 0.5 * sin($k / 20) ** 2,
        ],
        range(0, 60),
    );
    $across = fn (): array => array_map(
        fn (int $k): array => [600 + 35 * $k, 700 + 30 * $k + 300 * sin($k / 15), 0.8 + 0.2 * sin($k / 11)],
        range(0, 80),
    );
    $brush = ['size' => 40, 'hardness' => 0.4, 'opacity' => 0.8, 'smoothing' => 0.5];
    $stroke = fn (int $i, bool $isLargest = false) => $op([
        'kind' => 'stroke',
        'pass' => 'benchpass1',
        'points' => $isLargest ? $across() : $points($i),
        'erase' => $isLargest && $i % 2 === 1,
        'brush' => $isLargest ? ['size' => 1200, 'hardness' => 0] + $brush : $brush,
        'make' => [
            'name' => 'Shade',
            'figure' => $figure->id,
            'kind' => 'tone',
            'tone' => 'shade',
            'scope' => ['kind' => 'figure', 'id' => $figure->id],
            'mode' => 'normal',
            'opacity' => 1,
        ],
    ]);
    // What is softened and dragged must lie in the figure; the first regions are left for the fills that are measured.
    $op(['kind' => 'fill', 'labels' => array_slice($labels, 40), 'figure' => $figure->id, 'material' => $material->id]);
    $fill = fn (int $i) => $op([
        'kind' => 'fill',
        'labels' => [$labels[$i % count($labels)]],
        'figure' => $figure->id,
        'material' => $material->id,
    ]);
    $tone = fn (int $i) => $send('PUT', "/api/series/$series->id/materials/$material->id/tones", [
        'version' => $material->refresh()->version,
        'tones' => ['shade' => sprintf('#6644%02x', 40 + $i)],
    ]);

    $textured = fn (int $i) => $op([
        'kind' => 'stroke',
        'pass' => 'benchpass1',
        'points' => $points($i),
        'erase' => false,
        'make' => null,
        'brush' => [
            'size' => 60,
            'hardness' => 1,
            'opacity' => 1,
            'smoothing' => 0.5,
            'tip' => array_column(BrushBox::all(), 'tip', 'name')['Broom'],
        ],
    ]);
    $soften = fn (int $i) => $op([
        'kind' => 'pass.soften',
        'pass' => 'benchpass1',
        'by' => 12,
        'brush' => ['size' => 60, 'hardness' => 0.5, 'opacity' => 1, 'smoothing' => 0],
        'points' => $points($i),
        'inside' => [],
    ]);
    $drag = fn (int $i) => $op([
        'kind' => 'paint.drag',
        'pass' => 'benchpass1',
        'brush' => ['size' => 60, 'hardness' => 0.5, 'opacity' => 0.4, 'smoothing' => 0],
        'points' => $points($i),
        'inside' => [],
    ]);
    // A megapixel: a circle of 564 px.
    $block = fn (int $i) => $op([
        'kind' => 'paint.shape',
        'laying' => [
            'pass' => 'benchpass1',
            'make' => null,
            'erase' => $i % 2 === 1,
            'colour' => null,
            'opacity' => 0.8,
            'inside' => [],
        ],
        'outline' => array_map(
            fn (int $k): array => [1800 + 20 * $i + 564 * cos(($k / 60) * M_PI), 1900 + 564 * sin(($k / 60) * M_PI)],
            range(0, 119),
        ),
    ]);

    $try = fn (int $i) => $send('POST', "/api/pages/$page->id/rough/preview", [
        'figure' => $figure->id,
        'plan' => ['azimuth' => 10 * $i, 'elevation' => 40, 'dials' => ['cast' => 40]],
    ]);

    $lines = array_map(
        fn (int $i): array => [
            'page_id' => $page->id,
            'id' => sprintf('line%08d', $i),
            'weight' => 6,
            'taper' => 0.1,
            'steady' => 0,
            'grain' => 0,
            'points' => json_encode(
                array_map(
                    fn (int $k): array => [
                        100 + ($i % 70) * 50 + 3 * $k,
                        100 + intdiv($i, 70) * 50 + 8 * sin($k / 5),
                        1,
                    ],
                    range(0, 39),
                ),
            ),
        ],
        range(0, 4999),
    );
    foreach (array_chunk($lines, 500) as $chunk) {
        StrokeRow::query()->toBase()->insert($chunk);
    }
    $ink = fn (int $i) => $op([
        'kind' => 'ink.draw',
        'strokes' => [
            [
                'id' => sprintf('drawn%08d', $i),
                'stroke' => ['points' => $points($i), 'weight' => 8, 'taper' => 0.1, 'steady' => 0],
            ],
        ],
    ]);
    $move = fn (int $i) => $op([
        'kind' => 'ink.draw',
        'strokes' => [
            [
                'id' => sprintf('line%08d', 70 * $i),
                'stroke' => ['points' => $points($i), 'weight' => 8, 'taper' => 0.1, 'steady' => 0],
            ],
        ],
    ]);
    $open = fn () => $send('GET', "/api/pages/$page->id", []);
    $drift = function () use ($send, $page): void {
        Cache::flush();
        for ($i = 0; $i < 20; $i++) {
            $send('GET', "/api/pages/$page->id/colours", []);
            Cache::flush();
        }
    };

    return [
        ['ink a 600 px line on a page with 5 000 lines', ...$measure($ink), '≤ 60 ms median, 120 ms p95'],
        ['change one of the 5 000 lines', ...$measure($move), ''],
        ['all that a window needs to open that page', ...$measure($open, 5), ''],
        ['a 600 px stroke, 40 px soft brush, on a 16 MP page', ...$measure($stroke), '≤ 120 ms median, 300 ms p95'],
        [
            'the largest, softest brush, right across a 16 MP page',
            ...$measure(fn (int $i) => $stroke($i, true), 5),
            '≤ 1 000 ms',
        ],
        ['a 600 px stroke of a bristle brush of 60 px', ...$measure($textured), '≤ 150 ms median'],
        ['soften 600 px with a brush of 60 px', ...$measure($soften), '≤ 200 ms'],
        ['drag paint along 600 px with a brush of 60 px', ...$measure($drag), ''],
        ['block in 1 MP of a pass', ...$measure($block), '≤ 150 ms'],
        ['a light that is tried on a figure, as it is dragged', ...$measure($try), '≤ 150 ms'],
        ['fill a region', ...$measure($fill), '≤ 60 ms'],
        ['change a tone', ...$measure($tone), '≤ 60 ms'],
        ['a drift report of 20 such pages', ...$measure($drift, 3), ''],
    ];
}

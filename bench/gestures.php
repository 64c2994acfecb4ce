<?php

declare(strict_types=1);

/*
 * Counts how few gestures flat the demo's pages from bare ink, and writes docs/gestures.md. It is worked out from the
 * finished pages, by a hand that knows where everything goes and loses no way; a person takes more. From the project's
 * folder, with the demo's database in the environment (DB_SOCKET, DB_DATABASE):
 *
 *   PHP_INI_SCAN_DIR=:etc/php php bench/gestures.php
 */

use App\Desk\Page\PageRegions;
use App\Models\Page;
use App\Store\PageStore;
use Awning\Core\Page\Region\Region;
use Awning\Core\Sheet\Sheet;
use Illuminate\Contracts\Console\Kernel;

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/keep_section.php';
(require __DIR__.'/../bootstrap/app.php')->make(Kernel::class)->bootstrap();

/** Px of border that a hand can cross. */
const PASSABLE = 6;

/** Regions that are filled, their materials, and which of them a hand can go between. */
final readonly class FinishedPage
{
    /**
     * @param  array<int, int>  $materials  by label
     * @param  array<int, list<int>>  $beside  by label
     */
    private function __construct(public array $materials, private array $beside)
    {
    }

    public static function of(Page $page): self
    {
        /** @var array<int, Region> $regions */
        $regions = (new Sheet(new PageStore($page)))->all(Region::class);
        $materials = array_filter(array_map(fn (Region $region): int => $region->material, $regions));
        $graph = (new PageRegions($page))->graph();
        $beside = [];
        foreach (array_keys($materials) as $label) {
            $isPassable = fn (int $border): bool => $border >= PASSABLE;
            $beside[$label] = array_keys(array_filter($graph->neighbours($label), $isPassable));
        }

        return new self($materials, $beside);
    }

    /**
     * The sweeps a material takes: each is all of it that can be reached over its own regions and those that may be
     * crossed.
     *
     * @param  array<int, true>  $crossed  labels that may be crossed, as they are filled already
     * @return list<list<int>>
     */
    public function sweeps(int $material, array $crossed): array
    {
        $left = array_diff_key(array_filter($this->materials, fn (int $of): bool => $of === $material), $crossed);
        $sweeps = [];
        while ($left !== []) {
            $swept = $this->swept((int) array_key_first($left), $material, $crossed);
            $sweeps[] = $swept;
            $left = array_diff_key($left, array_flip($swept));
        }

        return $sweeps;
    }

    /**
     * @param  array<int, true>  $crossed
     * @return list<int>
     */
    private function swept(int $start, int $material, array $crossed): array
    {
        $seen = [$start => true];
        $open = [$start];
        $swept = [];
        while ($open !== []) {
            $label = array_pop($open);
            if ($this->materials[$label] === $material && ! isset($crossed[$label])) {
                $swept[] = $label;
            }
            foreach ($this->beside[$label] as $other) {
                $isPassable = isset($crossed[$other]) || ($this->materials[$other] ?? 0) === $material;
                if ($isPassable && ! isset($seen[$other]) && isset($this->materials[$other])) {
                    $seen[$other] = true;
                    $open[] = $other;
                }
            }
        }

        return $swept;
    }
}

/** Sweeps when filled regions may be crossed, and the material that takes fewest comes next. */
function sweeps_over_filled(FinishedPage $page): int
{
    $crossed = [];
    $count = 0;
    $left = array_unique(array_values($page->materials));
    for (; $left !== []; $left = array_values(array_diff($left, [$next]))) {
        $of = [];
        foreach ($left as $material) {
            $of[$material] = $page->sweeps($material, $crossed);
        }
        // Of materials that take equally many the one that fills most.
        $filled = fn (array $sweeps): int => count(array_merge(...$sweeps));
        uasort($of, fn (array $a, array $b): int => count($a) <=> count($b) ?: $filled($b) <=> $filled($a));
        $next = (int) array_key_first($of);
        $count += count($of[$next]);
        $crossed += array_fill_keys(array_merge(...$of[$next]), true);
    }

    return $count;
}

function sweeps_alone(FinishedPage $page): int
{
    $sweeps = fn (int $material): int => count($page->sweeps($material, []));

    return array_sum(array_map($sweeps, array_unique($page->materials)));
}

$rows = '';
foreach (Page::query()->whereNotNull('width')->orderBy('number')->get() as $row) {
    $page = FinishedPage::of($row);
    $regions = count($page->materials);
    if ($regions < 20) {
        continue;
    }
    $picks = count(array_unique($page->materials));
    $sweeps = sweeps_over_filled($page);
    $rows .= sprintf("| %d. %s | %d | %d | %d | %d | %.0f | %d |\n", $row->number, $row->title, $regions, $picks, $sweeps, $picks + $sweeps, 340 * ($picks + $sweeps) / $regions, $picks + sweeps_alone($page));
}
$text = '
By `bench/gestures.php`, '.date('j F Y').", from the demo's finished pages: a material is picked once and swept wherever it lies; a sweep may
cross what is filled, and the material that takes the fewest sweeps comes next. It is worked out, not done by a hand: a person takes
more, and finds the order by beginning with what lies behind. *Before*: when a sweep filled all that it crossed.

| page | regions | picks | sweeps | gestures | in proportion to 340 regions | before |
|---|---|---|---|---|---|---|
$rows";
keep_section('Worked out', $text);
echo $text;

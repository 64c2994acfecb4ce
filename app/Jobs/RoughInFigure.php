<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\PageDesk;
use App\Models\Figure;
use App\Models\Task;
use App\Store\PageStore;
use Awning\Core\Light\LightPlan;
use Awning\Core\Light\Pieces;
use Awning\Core\Light\RoughIn;
use Awning\Core\Page\Data;
use Awning\Core\Page\Region;
use Awning\Core\Page\Solid;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\LayRoughIn;
use Awning\Core\Sheet\Sheet;

/** Works out a first light on a figure of a page. */
final class RoughInFigure extends LongTask
{
    public static function line(): string
    {
        return 'long';
    }

    protected function work(Task $task): void
    {
        $page = $task->onPage();
        $figure = Figure::query()->where('series_id', $page->series_id)->findOrFail($task->input['figure'] ?? 0);
        /** @var array<string, mixed> $input */
        $input = $task->input['plan'] ?? [];
        $plan = LightPlan::fromData(new Data($input));
        /** @var list<int> $only */
        $only = $task->input['only'] ?? [];
        $this->step($task, 5, 'Looking at the shapes');
        $sheet = new Sheet(new PageStore($page));
        $regions = $sheet->all(Region::class);
        $all = $sheet->labels();
        $mine = self::mine($all, $regions, $figure);
        $bodies = self::bodies($regions, $figure);
        $solids = self::solids($regions);
        $nearer = $plan->dials->cast > 0 ? self::nearer($all, $regions, $figure) : null;
        $lit = [];
        foreach ($pieces = Pieces::of($mine) as $i => $where) {
            $this->step($task, 15 + intdiv(60 * $i, count($pieces)), 'Working out the light');
            $throwers = $nearer === null ? null : new Plane($where->width, $where->height, Bytes::crop($nearer, $all->width, $all->height, $where, 1));
            $lit[] = [$where, RoughIn::of($mine->crop($where), $plan->key, $plan->dials, $bodies, $solids, $throwers)];
        }
        if ($lit === []) {
            throw new OpRefused("Nothing of $figure->name is on this page yet. Fill its regions first.");
        }
        $this->step($task, 75, 'Laying it on the page');
        (new PageDesk)->land($task, new LayRoughIn($figure->id, $figure->name, $lit, $plan, $only));
    }

    /**
     * Regions of one material are one body.
     *
     * @param  array<array-key, Region>  $regions
     * @return array<int, int> by label the first label of its material
     */
    private static function bodies(array $regions, Figure $figure): array
    {
        $first = $bodies = [];
        foreach ($regions as $label => $region) {
            if ($region->figure === $figure->id) {
                $bodies[(int) $label] = $first[$region->material] ??= (int) $label;
            }
        }

        return $bodies;
    }

    /**
     * @param  array<array-key, Region>  $regions
     * @return array<int, Solid>
     */
    private static function solids(array $regions): array
    {
        $solids = [];
        foreach ($regions as $label => $region) {
            if ($region->solid !== null) {
                $solids[(int) $label] = $region->solid;
            }
        }

        return $solids;
    }

    /**
     * Where a figure stands that is nearer to the reader than this one.
     *
     * @param  array<array-key, Region>  $regions
     * @return string 255 there
     */
    private static function nearer(Labels $all, array $regions, Figure $figure): string
    {
        /** @var array<int, int> $depths */
        $depths = Figure::query()->where('series_id', $figure->series_id)->pluck('depth', 'id')->all();
        $data = '';
        foreach (Labels::spans($all->data) as [$from, $to, $label]) {
            $isNearer = ($depths[$regions[$label]->figure ?? 0] ?? -1) > $figure->depth;
            $data .= str_repeat($isNearer ? "\xff" : "\0", $to - $from);
        }

        return $data;
    }

    /**
     * The figure's regions alone; all else is nothing.
     *
     * @param  array<array-key, Region>  $regions
     */
    private static function mine(Labels $all, array $regions, Figure $figure): Labels
    {
        $data = '';
        foreach (Labels::spans($all->data) as [$from, $to, $label]) {
            $isMine = isset($regions[$label]) && $regions[$label]->figure === $figure->id;
            $data .= $isMine ? substr($all->data, 2 * $from, 2 * ($to - $from)) : str_repeat("\0", 2 * ($to - $from));
        }

        return new Labels($all->width, $all->height, $data);
    }
}

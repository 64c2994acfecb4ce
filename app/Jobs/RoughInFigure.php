<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\PageDesk;
use App\Models\Figure;
use App\Models\Task;
use App\Store\PageStore;
use Awning\Core\Light\KeyLight;
use Awning\Core\Light\RoughIn;
use Awning\Core\Page\Region;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Rect;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\LayRoughIn;
use Awning\Core\Sheet\Sheet;

/** Works out a first light on a figure of a page. */
final class RoughInFigure extends LongTask
{
    /** Pixels around the figure in which its edges are still seen as edges. */
    private const AROUND = 2;

    public static function line(): string
    {
        return 'long';
    }

    protected function work(Task $task): void
    {
        $page = $task->onPage();
        $figure = Figure::query()->where('series_id', $page->series_id)->findOrFail($task->input['figure'] ?? 0);
        $key = new KeyLight((float) ($task->input['azimuth'] ?? 0), (float) ($task->input['elevation'] ?? 0));
        $this->step($task, 5, 'Looking at the shapes');
        [$labels, $where] = self::shapes(new Sheet(new PageStore($page)), $figure);
        $this->step($task, 25, 'Working out the light');
        $rough = RoughIn::of($labels, $key);
        $this->step($task, 75, 'Laying it on the page');
        (new PageDesk)->land($task, new LayRoughIn($figure->id, $figure->name, $where, $rough));
    }

    /**
     * The figure's regions alone; all else is nothing.
     *
     * @return array{Labels, Rect} and where on the page they are
     *
     * @throws OpRefused when the page has nothing of the figure
     */
    private static function shapes(Sheet $sheet, Figure $figure): array
    {
        $all = $sheet->labels();
        $mine = array_filter($sheet->all(Region::class), fn (Region $region): bool => $region->figure === $figure->id);
        $data = '';
        [$left, $top, $right, $bottom] = [$all->width, $all->height, 0, 0];
        foreach (Labels::spans($all->data) as [$from, $to, $label]) {
            $isMine = isset($mine[$label]);
            $data .= $isMine ? substr($all->data, 2 * $from, 2 * ($to - $from)) : str_repeat("\0", 2 * ($to - $from));
            if ($isMine) {
                $isLong = intdiv($from, $all->width) !== intdiv($to - 1, $all->width);
                $left = $isLong ? 0 : min($left, $from % $all->width);
                $right = $isLong ? $all->width : max($right, ($to - 1) % $all->width + 1);
                $top = min($top, intdiv($from, $all->width));
                $bottom = max($bottom, intdiv($to - 1, $all->width) + 1);
            }
        }
        if ($right === 0) {
            throw new OpRefused("Nothing of $figure->name is on this page yet. Fill its regions first.");
        }
        $where = Rect::bounds($left - self::AROUND, $top - self::AROUND, $right + self::AROUND, $bottom + self::AROUND)->intersect(new Rect(0, 0, $all->width, $all->height));

        return [(new Labels($all->width, $all->height, $data))->crop($where), $where];
    }
}

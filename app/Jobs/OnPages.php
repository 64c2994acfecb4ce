<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\Palette\SeriesWide;
use App\Models\Task;
use App\Values\Scalar;
use Awning\Core\Sheet\Op;
use Illuminate\Support\ValidatedInput;

/**
 * One change to several pages of a series, page by page. What came of each page is kept as soon as it is known, so that
 * work that is interrupted goes on with the next page.
 *
 * @phpstan-import-type PageOutcome from Task
 */
abstract class OnPages extends LongTask implements ClientTask
{
    /** After so long the task goes back into its line. */
    private const SECONDS = 10.0;

    /** Of one task. */
    private const MOST_PAGES = 500;

    /** What names the pages, for validation. */
    protected const PAGES = ['pages' => 'required|list|min:1|max:'.self::MOST_PAGES, 'pages.*' => 'integer|min:1'];

    final public static function isOfSeries(): bool
    {
        return true;
    }

    final public static function right(): string
    {
        return 'colour';
    }

    /** Each page is asked for when its turn has come. */
    final public static function holding(): Holding
    {
        return Holding::Any;
    }

    /** @return list<int> the ids of the pages that were named */
    final protected static function pages(ValidatedInput $input): array
    {
        return Scalar::ints($input->array('pages'));
    }

    final public static function line(): string
    {
        return TaskLine::LONG;
    }

    abstract protected function op(Task $task): Op;

    protected function work(Task $task): void
    {
        $series = new SeriesWide($task->inSeries());
        /** @var list<int> $pages */
        $pages = $task->input['pages'];
        $op = $this->op($task);
        $until = microtime(true) + self::SECONDS;
        /** @var list<PageOutcome> $outcomes */
        $outcomes = $task->report['outcomes'] ?? [];
        foreach ($series->ordered($pages, array_column($outcomes, 'page')) as $page) {
            $this->step(
                $task,
                (int) ((100 * count($outcomes)) / count($pages)),
                sprintf('%d of %d pages done', count($outcomes), count($pages)),
            );
            if (microtime(true) > $until) {
                throw new GoesOn;
            }
            $outcomes[] = $series->one($page, $task->user, $op, "task-$task->id");
            $task->forceFill(['report' => ['outcomes' => $outcomes]])->save();
        }
    }

    /** What is done stays: each page is undone on its own. */
    public static function stopped(Task $task): string
    {
        $done = count(array_filter($task->report['outcomes'] ?? [], fn (array $outcome): bool => $outcome['done']));

        return $done === 0
            ? parent::stopped($task)
            : sprintf(
                'Stopped. %d %s changed before; undo on the page takes it back.',
                $done,
                $done === 1 ? 'page was' : 'pages were',
            );
    }
}

<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\Page\PageColours;
use App\Models\Page;
use App\Models\Series;
use App\Models\Task;

/** Measures what each material looks like on each page of a series, as far as that is not known. */
final class MeasureColours extends LongTask implements ClientTask
{
    private const SECONDS = 10.0;

    public static function kind(): string
    {
        return 'colours';
    }

    public static function isOfSeries(): bool
    {
        return true;
    }

    public static function right(): string
    {
        return 'view';
    }

    public static function holding(): Holding
    {
        return Holding::Any;
    }

    public static function asked(TaskInput $asked): array
    {
        return [];
    }

    public static function line(): string
    {
        return TaskLine::QUICK;
    }

    /** What is asked for while it waits is the same. */
    public static function replaces(array $waiting, array $asked): bool
    {
        return true;
    }

    protected function work(Task $task): void
    {
        $until = microtime(true) + self::SECONDS;
        /** @var list<Page> $pages */
        $pages = $task->inSeries()->pages()->get()->all();
        foreach ($pages as $i => $page) {
            $this->step($task, (int) (100 * $i / count($pages)), sprintf('Looking: %d of %d pages', $i, count($pages)));
            if (microtime(true) > $until) {
                throw new GoesOn;
            }
            (new PageColours($page))->measure();
        }
    }
}

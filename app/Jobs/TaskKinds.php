<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Page;
use App\Models\Series;

/** All long work there is. */
final class TaskKinds
{
    /** @var list<class-string<LongTask>> */
    public const ALL = [
        CleanDrawing::class,
        Deliver::class,
        EnlargePage::class,
        FindRegions::class,
        FollowMood::class,
        FollowOnPages::class,
        HoldAgainst::class,
        ImportScan::class,
        MeasureColours::class,
        ReadReference::class,
        ReplaceOnPages::class,
        RoughInFigures::class,
        SnapPicture::class,
        TakeOver::class,
        TidyInk::class,
    ];

    /**
     * @return class-string<LongTask>
     *
     * @throws \LogicException when there is no such kind
     */
    public static function of(string $kind): string
    {
        foreach (self::ALL as $task) {
            if ($task::kind() === $kind) {
                return $task;
            }
        }
        throw new \LogicException("There is no work of the kind $kind.");
    }

    /** @return ?class-string<LongTask&ClientTask> work on a page that a window may ask for */
    public static function forPage(string $kind): ?string
    {
        return self::ofClient($kind, false);
    }

    /** @return ?class-string<LongTask&ClientTask> work on a series that a window may ask for */
    public static function forSeries(string $kind): ?string
    {
        return self::ofClient($kind, true);
    }

    /** @return ?class-string<LongTask&ClientTask> */
    private static function ofClient(string $kind, bool $isOfSeries): ?string
    {
        foreach (self::ALL as $task) {
            $isMeant = $task::kind() === $kind && $task::isOfSeries() === $isOfSeries;
            if ($isMeant && is_subclass_of($task, ClientTask::class)) {
                return $task;
            }
        }

        return null;
    }
}

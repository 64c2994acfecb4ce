<?php

declare(strict_types=1);

namespace App\Jobs;

/** Which process works on something, told so that its death can be noticed: host, number and time of start. */
final class Worker
{
    public static function me(): string
    {
        return self::named((int) getmypid());
    }

    /** Whether the process is surely gone. Of another host's nothing is known here. */
    public static function isGone(string $worker): bool
    {
        [$host, $pid] = explode(' ', $worker) + ['', '', ''];

        return $host === self::host() && self::named((int) $pid) !== $worker;
    }

    private static function named(int $pid): string
    {
        // A number is given out again; with its time of start it names one process only (proc(5), field 22 of stat).
        $stat = (string) @file_get_contents("/proc/$pid/stat");
        $fields = explode(' ', substr($stat, (int) strrpos($stat, ')') + 2));

        return self::host()." $pid ".(($fields[0] ?? '') === 'Z' ? '' : $fields[19] ?? '');
    }

    private static function host(): string
    {
        return substr((string) preg_replace('/\s+/', '-', (string) gethostname()), 0, 60);
    }
}

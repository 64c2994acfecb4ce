<?php

declare(strict_types=1);

namespace App\Desk;

use Awning\Core\Raster\OneWorker;
use Awning\Core\Raster\Workers;

/**
 * Every second piece is done by a copy of this process, so that whole pages use two cores. Only for the command line
 * and queue workers, and only for work that asks nothing of the database: the copy shares its connection.
 *
 * Where PHP cannot fork, or the copy ends early, the pieces are done here: slower, and the same.
 */
final readonly class WorkerProcesses implements Workers
{
    /** @param  int  $least  fewer pieces are not worth a copy */
    public function __construct(private int $least = 8)
    {
    }

    public function each(array $pieces, callable $work, ?callable $progress = null): array
    {
        if (
            count($pieces) < $this->least ||
            PHP_SAPI !== 'cli' ||
            ! function_exists('pcntl_fork') ||
            ! function_exists('posix_kill')
        ) {
            return (new OneWorker)->each($pieces, $work, $progress);
        }
        $file = (string) tempnam(sys_get_temp_dir(), 'awning-hand');
        $child = pcntl_fork();
        if ($child === 0) {
            $this->work(array_filter($pieces, fn (int $at): bool => $at % 2 === 1, ARRAY_FILTER_USE_KEY), $work, $file);
        }
        try {
            $done = [];
            foreach ($pieces as $at => $piece) {
                if ($at % 2 === 0 || $child < 0) {
                    $done[$at] = $work($piece);
                    if ($progress !== null) {
                        $progress(($at + 1) / count($pieces));
                    }
                }
            }
            if ($child > 0) {
                pcntl_waitpid($child, $status);
                $child = 0;
                $done += $this->read($file);
            }
        } finally {
            if ($child > 0) {
                posix_kill($child, SIGKILL);
                pcntl_waitpid($child, $status);
            }
            @unlink($file);
        }
        foreach ($pieces as $at => $piece) {
            $done[$at] ??= $work($piece);
        }
        ksort($done);

        return array_values($done);
    }

    /**
     * In the copy. It ends by a signal it sends itself: an ordinary end would close the connections it shares.
     *
     * @template T
     *
     * @param  array<int, T>  $pieces
     * @param  callable(T): mixed  $work
     */
    private function work(array $pieces, callable $work, string $file): never
    {
        // However it ends, out of memory say: before anything is tidied up that is not its own.
        register_shutdown_function(static fn () => posix_kill((int) getmypid(), SIGKILL));
        try {
            $out = fopen($file, 'w');
            foreach ($pieces as $at => $piece) {
                $bytes = serialize($work($piece));
                if ($out === false || fwrite($out, pack('NN', $at, strlen($bytes)).$bytes) === false) {
                    break;
                }
            }
        } catch (\Throwable) {
            // The other hand does what is missing, and meets the same error where it can be told.
        }
        exit(1);
    }

    /**
     * @return array<int, mixed> what is there whole: packed by a copy of this process, so that nothing of it comes from
     *     outside
     */
    private function read(string $file): array
    {
        $done = [];
        $in = fopen($file, 'r');
        while ($in !== false && strlen($head = (string) fread($in, 8)) === 8) {
            /** @var array{at: int, length: int} $piece */
            $piece = unpack('Nat/Nlength', $head);
            $bytes = (string) stream_get_contents($in, $piece['length']);
            if (strlen($bytes) === $piece['length']) {
                $done[$piece['at']] = unserialize($bytes);
            }
        }

        return $done;
    }
}

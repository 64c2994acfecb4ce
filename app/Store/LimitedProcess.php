<?php

declare(strict_types=1);

namespace App\Store;

use Symfony\Component\Process\Exception\ProcessTimedOutException;
use Symfony\Component\Process\Process;

/** Limits for a process that reads a stranger's file: what it may take of memory, of work and of the disk. */
final readonly class LimitedProcess
{
    /** How a process ends that has used up its work: by SIGXCPU, as the shell reports it. */
    public const OUT_OF_TIME = 128 + SIGXCPU;

    /** How often it is asked whether to go on, in microseconds. */
    private const LOOK_EVERY = 200_000;

    /**
     * @param  int  $megabytes  of memory it may address
     * @param  int  $seconds  of work
     * @param  int  $patience  seconds on the clock
     * @param  int  $blocks  of 1024 bytes that a file it writes may have
     */
    public function __construct(
        private int $megabytes,
        private int $seconds,
        private int $patience,
        private int $blocks,
    ) {
    }

    /**
     * @param  list<string>  $command
     * @param  callable(): void  $goOn  called a few times a second; may throw to end the work
     * @return Process that has ended, well or not
     *
     * @throws ProcessTimedOutException
     */
    public function run(array $command, callable $goOn): Process
    {
        $process = new Process([
            '/bin/bash',
            '-c',
            'ulimit -v "$1" -f "$3" -c 0 && ulimit -S -t "$2" && ulimit -H -t "$(($2 + 2))" && shift 3 && exec "$@"',
            'limited',
            (string) (1024 * $this->megabytes),
            (string) $this->seconds,
            (string) $this->blocks,
            ...$command,
        ]);
        try {
            $process->setTimeout($this->patience)->start();
            while ($process->isRunning()) {
                usleep(self::LOOK_EVERY);
                $process->checkTimeout();
                $goOn();
            }

            return $process;
        } finally {
            $process->stop(0);
        }
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** What the start script does with processes: those that are ours, and nobody else's. */
final class ServiceTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/awning-service-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        // Whatever a failed test left running.
        exec(
            'pkill -KILL -f '.
                escapeshellarg("$this->folder/service.sh").
                '; rm -rf '.
                escapeshellarg($this->folder),
        );
    }

    /** Runs a line of shell among the functions of ./awning. */
    private function shell(string $line): string
    {
        $project = dirname(__DIR__, 2);
        $functions = preg_replace(
            ['/^case "\$\{1:-\}" in.*/ms', '/^cd .*$/m'],
            ['', "cd $project"],
            (string) file_get_contents("$project/awning"),
        );
        file_put_contents("$this->folder/functions.sh", $functions);

        return trim(
            (new Process(['bash', '-c', ". $this->folder/functions.sh; $line"], null, null, null, 30))
                ->mustRun()
                ->getOutput(),
        );
    }

    private function until(callable $holds): void
    {
        for ($tries = 0; ! $holds(); $tries++) {
            self::assertLessThan(200, $tries, 'it never came to be');
            usleep(50_000);
        }
    }

    /** A zombie is nobody any more. */
    private function isGone(string $pid): bool
    {
        return preg_match('/\) [^Z]/', (string) @file_get_contents("/proc/$pid/stat")) !== 1;
    }

    public function test_what_dies_is_started_again_and_ends_with_all_it_started(): void
    {
        file_put_contents(
            "$this->folder/service.sh",
            "#!/bin/bash\necho \$\$ >> $this->folder/starts\nsleep 300 &\necho \$! >> $this->folder/children\nwait\n",
        );
        chmod("$this->folder/service.sh", 0700);
        $keeper = new Process(
            ['setsid', dirname(__DIR__, 2).'/etc/keep.sh', "$this->folder/service.sh"],
            null,
            null,
            null,
            null,
        );
        $keeper->start();
        $lines = fn (string $file): array => is_file("$this->folder/$file")
            ? (array) file("$this->folder/$file", FILE_IGNORE_NEW_LINES)
            : [];
        $this->until(fn (): bool => count($lines('children')) === 1);
        posix_kill((int) $lines('starts')[0], SIGKILL);
        $this->until(fn (): bool => count($lines('children')) === 2);
        self::assertTrue(
            $this->isGone($lines('children')[0]),
            'what the dead one had started is gone before the next begins',
        );
        $keeper->signal(SIGTERM);
        $this->until(fn (): bool => ! $keeper->isRunning());
        $this->until(fn (): bool => $this->isGone($lines('children')[1]));
        self::assertCount(2, $lines('starts'), 'and nothing is started after that');
    }

    public function test_a_number_that_was_given_to_somebody_else_is_left_alone(): void
    {
        $stranger = new Process(['setsid', 'sleep', '1000'], null, null, null, null);
        $stranger->start();
        $pid = $stranger->getPid();
        file_put_contents("$this->folder/old.pid", "$pid 12345\n");
        self::assertSame('no', $this->shell("alive $this->folder/old.pid && echo yes || echo no"));
        $this->shell("ends $this->folder/old.pid");
        self::assertTrue($stranger->isRunning(), 'started at another time: not the one that was written down');
        self::assertFileDoesNotExist("$this->folder/old.pid");
        $began = $this->shell("started $pid");
        file_put_contents("$this->folder/ours.pid", "$pid $began\n");
        self::assertSame('yes', $this->shell("alive $this->folder/ours.pid && echo yes || echo no"));
        $this->shell("ends $this->folder/ours.pid");
        $this->until(fn (): bool => ! $stranger->isRunning());
        file_put_contents("$this->folder/broken.pid", "nonsense\n");
        self::assertSame('no', $this->shell("alive $this->folder/broken.pid && echo yes || echo no"));
        self::assertSame('no', $this->shell("alive $this->folder/none.pid && echo yes || echo no"));
    }
}

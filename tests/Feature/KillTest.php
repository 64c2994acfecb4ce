<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** A database of its own and an op that is killed half-way, for real: PHP by SIGKILL, then the database itself. */
final class KillTest extends TestCase
{
    private string $folder;

    private ?Process $database = null;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/awk'.bin2hex(random_bytes(3));
        mkdir($this->folder);
        $user = trim((string) shell_exec('id -un'));
        (new Process(['mariadb-install-db', '--no-defaults', "--datadir=$this->folder/data", '--auth-root-authentication-method=socket', "--auth-root-socket-user=$user", '--skip-test-db']))->setTimeout(90)->mustRun();
        $this->startDatabase();
        $this->sql('CREATE DATABASE kill_test');
        $this->worker('prepare')->mustRun();
    }

    protected function tearDown(): void
    {
        $this->database?->stop(5);
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    private function startDatabase(): void
    {
        $user = trim((string) shell_exec('id -un'));
        $this->database = new Process(['mariadbd', '--defaults-file='.dirname(__DIR__, 2).'/etc/mariadb.cnf', "--user=$user", "--datadir=$this->folder/data", "--socket=$this->folder/s", '--skip-networking', "--pid-file=$this->folder/pid"]);
        $this->database->setTimeout(null)->start();
        for ($tries = 0; (new Process(['mariadb-admin', '--no-defaults', "--socket=$this->folder/s", 'ping']))->run() !== 0; $tries++) {
            self::assertLessThan(400, $tries, 'the database did not come up: '.$this->database->getErrorOutput());
            usleep(50_000);
        }
    }

    private function gone(?Process $process): void
    {
        while ($process?->isRunning()) {
            usleep(20_000);
        }
    }

    private function sql(string $sql): string
    {
        return (new Process(['mariadb', '--no-defaults', "--socket=$this->folder/s", '-N', '-B', '-e', $sql]))->mustRun()->getOutput();
    }

    private function worker(string $verb): Process
    {
        return (new Process([PHP_BINARY, __DIR__.'/kill_worker.php', $verb], null, [
            'DB_SOCKET' => "$this->folder/s", 'DB_DATABASE' => 'kill_test', 'AWNING_WORKS' => "$this->folder/works",
        ]))->setTimeout(60);
    }

    private function state(): string
    {
        $process = $this->worker('state');
        $process->mustRun();

        return trim($process->getOutput());
    }

    public function test_whatever_dies_the_page_is_before_or_after_the_op(): void
    {
        $before = $this->state();
        $began = microtime(true);
        $this->worker('op')->mustRun();
        $whole = (microtime(true) - $began) * 1_000_000;
        $after = $this->state();
        self::assertNotSame($before, $after);
        $this->worker('undo')->mustRun();
        self::assertSame($before, $this->state());

        $seen = ['before' => 0, 'after' => 0];
        foreach ([0.35, 0.6, 0.75, 0.85, 0.95] as $i => $share) {
            $worker = $this->worker('op');
            $worker->start();
            usleep((int) ($share * $whole));
            if ($i % 2 === 0) {
                // It may just have ended by itself; then there is nothing to kill, and the state is after.
                $pid = $worker->getPid();
                if ($pid !== null) {
                    exec("kill -KILL $pid 2>/dev/null");
                }
                $this->gone($worker);
            } else {
                exec('kill -KILL '.trim((string) file_get_contents("$this->folder/pid")));
                $this->gone($this->database);
                $this->gone($worker);
                $this->startDatabase();
            }
            $state = $this->state();
            self::assertContains($state, [$before, $after], 'the page is between two states');
            $seen[$state === $before ? 'before' : 'after']++;
            if ($state === $after) {
                $this->worker('undo')->mustRun();
            }
        }
        self::assertSame($before, $this->state());
        self::assertGreaterThan(0, $seen['before'], 'nothing was ever cut off: the kills came too late to mean anything');
    }
}

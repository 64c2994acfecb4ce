<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Exception\ProcessSignaledException;
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
        (new Process([
            'mariadb-install-db',
            '--no-defaults',
            "--datadir=$this->folder/data",
            '--auth-root-authentication-method=socket',
            "--auth-root-socket-user=$user",
            '--skip-test-db',
        ]))
            ->setTimeout(90)
            ->mustRun();
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
        $this->database = new Process([
            'mariadbd',
            '--defaults-file='.dirname(__DIR__, 2).'/etc/mariadb.cnf',
            "--user=$user",
            "--datadir=$this->folder/data",
            "--socket=$this->folder/s",
            '--skip-networking',
            "--pid-file=$this->folder/pid",
        ]);
        $this->database->setTimeout(null)->start();
        for (
            $tries = 0;
            (new Process(['mariadb-admin', '--no-defaults', "--socket=$this->folder/s", 'ping']))->run() !== 0;
            $tries++
        ) {
            self::assertLessThan(400, $tries, 'the database did not come up: '.$this->database->getErrorOutput());
            usleep(50_000);
        }
    }

    private function sql(string $sql): string
    {
        return (new Process(['mariadb', '--no-defaults', "--socket=$this->folder/s", '-N', '-B', '-e', $sql]))
            ->mustRun()
            ->getOutput();
    }

    /** @param  string  $kill  what dies at which query of the op, like "worker 3" or "database 7" */
    private function worker(string $verb, string $kill = ''): Process
    {
        return (new Process([PHP_BINARY, __DIR__.'/kill_worker.php', $verb], null, [
            'KILL' => $kill,
            'KILL_PID' => "$this->folder/pid",
            'DB_SOCKET' => "$this->folder/s",
            'DB_DATABASE' => 'kill_test',
            'AWNING_WORKS' => "$this->folder/works",
        ]))->setTimeout(60);
    }

    /** Whether a process came to an end of its own, or was put to one. */
    private function dies(Process $process): bool
    {
        try {
            // The application says what is wrong and ends by itself when it has lost its database.
            return $process->run() !== 0 ||
                str_contains($process->getOutput().$process->getErrorOutput(), 'has gone away');
        } catch (ProcessSignaledException) {
            return true;
        }
    }

    private function state(): string
    {
        $process = $this->worker('state');
        $process->mustRun();

        return trim($process->getOutput());
    }

    /**
     * At every kind of moment: after the first queries, in the middle, after the last before the commit, after the
     * commit.
     */
    public function test_whatever_dies_the_page_is_before_or_after_the_op(): void
    {
        $before = $this->state();
        // Once to have the tiles there, and once to count: later ones ask as much.
        $this->worker('op')->mustRun();
        $this->worker('undo')->mustRun();
        $queries = (int) $this->worker('op')->mustRun()->getOutput();
        self::assertGreaterThan(8, $queries);
        $after = $this->state();
        self::assertNotSame($before, $after);
        $this->worker('undo')->mustRun();
        self::assertSame($before, $this->state());

        foreach ([2, intdiv($queries, 3), intdiv($queries, 2), $queries - 1, $queries] as $at) {
            self::assertTrue($this->dies($this->worker('op', "worker $at")), "the worker went on after query $at");
            self::assertSame($before, $this->state(), "the worker was killed after query $at of $queries");
        }
        self::assertTrue($this->dies($this->worker('op', 'worker commit')));
        self::assertSame($after, $this->state(), 'the worker was killed after the commit');
        $this->worker('undo')->mustRun();
        foreach ([intdiv($queries, 2), $queries] as $at) {
            self::assertTrue($this->dies($this->worker('op', "database $at")), 'the worker noticed nothing');
            try {
                $this->database?->wait();
            } catch (ProcessSignaledException) {
                // As it should.
            }
            $this->startDatabase();
            self::assertSame($before, $this->state(), "the database was killed after query $at of $queries");
        }
        $this->worker('op')->mustRun();
        self::assertSame($after, $this->state(), 'and the op can still be done');
    }
}

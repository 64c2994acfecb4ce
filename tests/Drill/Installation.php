<?php

declare(strict_types=1);

namespace Tests\Drill;

use RuntimeException;
use Symfony\Component\Process\Process;

/**
 * A private copy of Awning in a temporary folder, with its own database, servers and workers, started by its own
 * script.
 */
final class Installation
{
    private const PARTS = [
        'app',
        'bootstrap',
        'config',
        'core',
        'database',
        'etc',
        'public',
        'resources',
        'routes',
        'pins',
        'artisan',
        'awning',
        'composer.json',
        'package.json',
        'package-lock.json',
        'vite.config.ts',
    ];

    public readonly string $folder;

    public readonly int $port;

    /** Of the web server that stands before it and speaks HTTPS. */
    public readonly int $securePort;

    public const HOST = 'awning.drill.example';

    private readonly string $pool;

    public function __construct(private readonly string $project)
    {
        $this->folder = sys_get_temp_dir().'/awning-drill-'.bin2hex(random_bytes(3));
        $this->port = self::freePort();
        $this->securePort = self::freePort();
        $this->pool = 'awning-'.substr(sha1($this->folder), 0, 10);
    }

    private static function freePort(): int
    {
        $server = stream_socket_server('tcp://127.0.0.1:0') ?: throw new RuntimeException('There is no free port.');
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($server, false), ':'), 1);
        fclose($server);

        return $port;
    }

    public function start(): void
    {
        mkdir("$this->folder/var/cache", 0700, true);
        foreach (self::PARTS as $part) {
            (new Process(['cp', '-r', "$this->project/$part", $this->folder]))->mustRun();
        }
        foreach (['vendor', 'node_modules'] as $part) {
            symlink("$this->project/$part", "$this->folder/$part");
        }
        foreach (glob("$this->project/var/cache/*.stamp") ?: [] as $stamp) {
            copy($stamp, "$this->folder/var/cache/".basename($stamp));
        }
        // The address is told once, at the first start; every later command goes by what is kept.
        $this->run(
            ['start'],
            [
                'AWNING_PORT' => (string) $this->port,
                'APP_URL' => 'https://'.self::HOST.":$this->securePort",
                'AWNING_DEMO' => '0',
            ],
        );
    }

    public function stop(): void
    {
        $this->awning('stop');
        (new Process(['rm', '-rf', $this->folder, "/tmp/$this->pool"]))->run();
    }

    public function awning(string ...$arguments): string
    {
        return $this->run($arguments, ['AWNING_PORT' => false, 'APP_URL' => false, 'AWNING_DEMO' => false]);
    }

    /**
     * @param  list<string>  $arguments
     * @param  array<string, string|false>  $told
     */
    private function run(array $arguments, array $told): string
    {
        return (new Process(["$this->folder/awning", ...$arguments], $this->folder, $told + $this->environment()))
            ->setTimeout(240)
            ->mustRun()
            ->getOutput();
    }

    /** Ends a kept service, as if it had been stopped by hand. */
    public function end(string $service): void
    {
        [$leader] = explode(' ', (string) @file_get_contents("$this->folder/var/run/$service.pid"));
        posix_kill((int) $leader, SIGTERM);
        for (
            $tries = 0;
            $tries < 100 && preg_match('/^State:\s+[^ZX]/m', (string) @file_get_contents("/proc/$leader/status")) === 1;
            $tries++
        ) {
            usleep(100_000);
        }
    }

    /** @return array<string, string|false> what differs from the surroundings this was called in */
    public function environment(): array
    {
        return [
            'AWNING_PORT' => (string) $this->port,
            'AWNING_DETACH' => '1',
            'AWNING_DEMO' => '0',
            'AWNING_USER' => (string) getenv('USER') ?: 'root',
            'AWNING_LEASE_SECONDS' => '600',
            'APP_ENV' => 'production',
            'APP_DEBUG' => 'false',
            'APP_KEY' => false,
            'APP_URL' => 'https://'.self::HOST.":$this->securePort",
            'AWNING_WORKS' => "$this->folder/var/works",
            'AWNING_STORAGE' => "$this->folder/var/storage",
            'DB_SOCKET' => "/tmp/$this->pool/db.sock",
            'DB_DATABASE' => 'awning',
            'APP_CONFIG_CACHE' => "$this->folder/var/cache/config.php",
            'APP_ROUTES_CACHE' => "$this->folder/var/cache/routes.php",
            'TMPDIR' => "$this->folder/var/tmp",
        ];
    }

    /** Ends one process of a kind at once, as the kernel does when memory is short. */
    public function kill(string $kind): bool
    {
        $pids = match ($kind) {
            'web worker' => $this->webWorkers(),
            'queue worker' => array_merge($this->children('work-quick'), $this->children('work-long')),
            'database' => $this->children('mariadb'),
            default => throw new RuntimeException("Nothing is called $kind."),
        };

        return $pids !== [] && posix_kill($pids[array_rand($pids)], SIGKILL);
    }

    /** Crashes one web worker, as broken compiled code does; all of them are begun afresh by that. */
    public function crash(): void
    {
        posix_kill($this->webWorkers()[0], SIGSEGV);
    }

    /** @return list<int> */
    public function webWorkers(): array
    {
        return $this->found('-f', "php-fpm: pool $this->pool");
    }

    /** Waits until all is answered again. */
    public function settle(): void
    {
        for ($tries = 0; $tries < 300; $tries++) {
            if (
                @file_get_contents(
                    "http://127.0.0.1:$this->port/api/session",
                    false,
                    stream_context_create(['http' => ['timeout' => 2]]),
                ) !== false
            ) {
                return;
            }
            usleep(100_000);
        }
        throw new RuntimeException('The server did not come back within thirty seconds.');
    }

    /** @return list<int> what a kept service started */
    private function children(string $service): array
    {
        [$leader] = explode(' ', (string) @file_get_contents("$this->folder/var/run/$service.pid"));

        return $leader === '' ? [] : $this->found('-P', $leader);
    }

    /** @return list<int> */
    private function found(string ...$how): array
    {
        $process = new Process(['pgrep', ...$how]);
        $process->run();

        return array_map(intval(...), array_values(array_filter(explode("\n", trim($process->getOutput())))));
    }
}

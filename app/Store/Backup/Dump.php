<?php

declare(strict_types=1);

namespace App\Store\Backup;

use App\Values\Scalar;
use Illuminate\Support\Facades\DB;
use RuntimeException;
use Symfony\Component\Process\Process;

/** The database to a file of SQL and back, by the server's own tools. */
final readonly class Dump
{
    /** What is not worth keeping: who is signed in, locks, what is cached. Their tables are kept, empty. */
    private const EMPTY = ['sessions', 'cache', 'cache_locks', 'jobs', 'failed_jobs'];

    /** @return array{host: ?string, port: ?string, unix_socket: ?string, username: string, password: string} */
    private function settings(): array
    {
        /**
         * @var array{host: ?string, port: ?string, unix_socket: ?string, username: string, password: string} $settings
         */
        $settings = config('database.connections.'.Scalar::string(config('database.default')));

        return $settings;
    }

    /** As it stands at one moment, while it is worked on. */
    public function write(string $file): void
    {
        $database = DB::getDatabaseName();
        $without = array_map(fn (string $table): string => "--ignore-table-data=$database.$table", self::EMPTY);
        $this->run(
            [
                'mariadb-dump',
                '--no-defaults',
                ...$this->access(),
                '--single-transaction',
                '--quick',
                '--hex-blob',
                '--skip-tz-utc',
                "--result-file=$file",
                ...$without,
                $database,
            ],
            null,
        );
    }

    /** @param  resource  $sql */
    public function read($sql, string $database): void
    {
        $this->run(['mariadb', '--no-defaults', ...$this->access(), '--max-allowed-packet=256M', $database], $sql);
    }

    /** @return list<string> */
    private function access(): array
    {
        $settings = $this->settings();

        return [
            '--user='.$settings['username'],
            ...$settings['unix_socket']
                ? ['--socket='.$settings['unix_socket']]
                : ['--host='.$settings['host'], '--port='.$settings['port']],
        ];
    }

    /**
     * @param  list<string>  $command
     * @param  ?resource  $input
     */
    private function run(array $command, $input): void
    {
        // By the environment: a password on the command line is there for all to read.
        $process = new Process($command, null, ['MYSQL_PWD' => (string) $this->settings()['password']], $input, null);
        if ($process->run() !== 0) {
            throw new RuntimeException('The database said: '.trim($process->getErrorOutput()));
        }
    }
}

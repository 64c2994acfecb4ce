<?php

declare(strict_types=1);

/* Before every test run. Where several processes share one (paratest), each has a database and folders of its own. */

require __DIR__.'/../vendor/autoload.php';

(function (): void {
    $process = (string) getenv('TEST_TOKEN');
    $own = [
        'DB_DATABASE' => "awning_test$process",
        'AWNING_WORKS' => "var/tmp/test-works$process",
        'AWNING_STORAGE' => "var/tmp/test-storage$process",
    ];
    foreach ($own as $name => $value) {
        putenv("$name=$value");
        $_ENV[$name] = $_SERVER[$name] = $value;
    }
    $root = dirname(__DIR__);
    // What an earlier run left there, of this group or another, would be taken for this one's.
    (new Illuminate\Filesystem\Filesystem)->deleteDirectory("$root/$own[AWNING_WORKS]");
    foreach (
        [
            $own['AWNING_WORKS'],
            ...array_map(fn (string $folder): string => "$own[AWNING_STORAGE]/$folder", [
                'framework/views',
                'framework/cache',
                'framework/sessions',
                'logs',
            ]),
        ] as $folder
    ) {
        is_dir("$root/$folder") || mkdir("$root/$folder", 0777, true);
    }
    $socket = (string) getenv('DB_SOCKET');
    if ($process !== '' && $socket !== '' && file_exists($socket)) {
        (new PDO("mysql:unix_socket=$socket", (string) getenv('DB_USERNAME')))->exec(
            "CREATE DATABASE IF NOT EXISTS $own[DB_DATABASE]",
        );
    }
})();

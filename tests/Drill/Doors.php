<?php

declare(strict_types=1);

namespace Tests\Drill;

use Awning\Core\Codec\PngWriter;
use Awning\Core\Raster\Plane;
use Symfony\Component\Process\Process;

/**
 * The installation as a studio runs it: behind a web server that speaks HTTPS, with readers that hang, and with PHP
 * gone.
 */
final readonly class Doors
{
    public function __construct(private World $world, private Tally $tally)
    {
    }

    /** @return array{int, string} */
    public function run(): array
    {
        $this->proxied();
        $this->sent();
        $this->painted();
        $this->gone();

        return [
            4,
            'signed in by HTTPS through a web server in front; large files from who is signed in alone; painted '
                .'while all readers hang; a page that waits while PHP is gone',
        ];
    }

    /** A whole sign-in through nginx with a certificate, in front of ours, by the address start was told. */
    private function proxied(): void
    {
        $installation = $this->world->installation;
        $proxy = new Proxy($installation);
        $proxy->start();
        try {
            $this->signIn($proxy);
        } finally {
            $proxy->stop();
        }
    }

    private function signIn(Proxy $proxy): void
    {
        $address = $proxy->address();
        $link = $this->world->installation->awning('person', 'password', 'pell@drill.example');
        $this->holds(
            str_contains($link, "$address/welcome/"),
            'links name the address that start was told, from every command',
        );
        $cookies = "$proxy->folder/cookies";
        $curl = function (string $method, string $path, ?array $body = null, array $more = []) use (
            $address,
            $proxy,
            $cookies,
        ): string {
            $token =
                preg_match('/XSRF-TOKEN\t(\S+)/', (string) @file_get_contents($cookies), $found) === 1
                    ? urldecode($found[1])
                    : '';
            $run = new Process([
                'curl',
                '-s',
                '-i',
                '--cacert',
                $proxy->certificate(),
                '--resolve',
                $proxy->resolved(),
                '--retry',
                '10',
                '--retry-connrefused',
                '--retry-delay',
                '1',
                '-b',
                $cookies,
                '-c',
                $cookies,
                '-X',
                $method,
                '-H',
                'Accept: application/json',
                '-H',
                'Content-Type: application/json',
                '-H',
                "X-XSRF-TOKEN: $token",
                ...$more,
                ...$body === null ? [] : ['-d', json_encode($body, JSON_THROW_ON_ERROR)],
                $address.$path,
            ]);

            return $run->mustRun()->getOutput();
        };
        $first = $curl('GET', '/api/session');
        $this->holds(
            preg_match('/^set-cookie: awning=.*; secure/im', $first) === 1 &&
                preg_match('/^set-cookie: XSRF-TOKEN=.*; secure/im', $first) === 1,
            'cookies of an HTTPS address are Secure',
        );
        $this->holds(
            str_contains(
                $curl('POST', '/api/session', ['email' => 'mira@drill.example', 'password' => World::PASSWORD]),
                '"name":"Mira"',
            ),
            'Mira signs in through it',
        );
        $this->holds(str_contains($curl('GET', '/api/series'), 'The Drill'), 'and sees her series');
        $invited = $curl('POST', "/api/series/{$this->world->series->id}/invitations", ['role' => 'viewer']);
        $this->holds(
            str_contains(str_replace('\/', '/', $invited), "$address/welcome/"),
            'the link of an invitation leads back through it',
        );
        // Addresses are those of who asks, not of the server in front: a stranger elsewhere does not use up Mira's
        // tries.
        for ($i = 0; $i < 31; $i++) {
            $last = $curl(
                'POST',
                '/api/session',
                ['email' => "guess$i@drill.example", 'password' => 'guess'],
                ['--interface', '127.0.0.2'],
            );
        }
        $this->holds(str_contains($last, ' 429'), 'thirty tries a minute from one address are enough');
        $this->holds(
            ! str_contains(
                $curl(
                    'POST',
                    '/api/session',
                    ['email' => 'pell@drill.example', 'password' => 'guess'],
                    ['--interface', '127.0.0.3'],
                ),
                ' 429',
            ),
            'another address is another one',
        );
        $this->holds(
            str_contains($curl('GET', '/api/session', null, ['-H', 'Host: elsewhere.example']), ' 400'),
            'other names are refused',
        );
    }

    /** A file larger than any other request may be is taken from who is signed in, and from nobody else. */
    private function sent(): void
    {
        $installation = $this->world->installation;
        $page = $this->world->page();
        $file = "$installation->folder/var/tmp/large.png";
        file_put_contents($file, (new PngWriter)->grey(new Plane(2_000, 2_000, random_bytes(4_000_000)), 300));
        $this->holds(filesize($file) > 3_000_000, 'a large file');
        [$status, $task] = $this->world->mira->json('POST', "/api/pages/$page->id/tasks/import", [
            'lease' => $this->world->lease,
            'scan' => new \CURLFile($file, 'image/png', 'large.png'),
        ]);
        $this->holds($status === 202, "a large file of somebody who is signed in is taken: $status");
        $this->world->mira->json('DELETE', '/api/tasks/'.($task['id'] ?? 0));
        foreach (['Cookie: other=1', 'Cookie: awning=x'] as $cookie) {
            $refused = (new Process([
                'curl',
                '-s',
                '-o',
                '/dev/null',
                '-w',
                '%{http_code}',
                '-H',
                $cookie,
                '-H',
                'Expect:',
                '-F',
                "scan=@$file",
                "http://127.0.0.1:$installation->port/api/pages/$page->id/tasks/import",
            ]))
                ->mustRun()
                ->getOutput();
            $this->holds($refused === '401', "a large file with \"$cookie\" is refused: $refused");
        }
        unlink($file);
    }

    /** Pictures and tiles have PHP workers of their own: with all of them stopped, strokes land. */
    private function painted(): void
    {
        $page = $this->world->page();
        $readers = $this->world->installation->webWorkers();
        foreach ($readers as $pid) {
            posix_kill($pid, SIGSTOP);
        }
        try {
            $material = $this->world->materials[0];
            $ask = fn (string $verb, array $more): int => $this->world->mira->json(
                'POST',
                "/api/pages/$page->id/$verb",
                [
                    'id' => bin2hex(random_bytes(8)),
                    'base' => (int) $page->refresh()->revision,
                    'lease' => $this->world->lease,
                ] + $more,
            )[0];
            $statuses = [
                $ask('ops', [
                    'op' => [
                        'kind' => 'fill',
                        'labels' => [1],
                        'figure' => $material->figure_id,
                        'material' => $material->id,
                    ],
                ]),
                $ask('undo', []),
                $ask('redo', []),
                $this->world->mira->json('POST', "/api/pages/$page->id/lease", ['lease' => $this->world->lease])[0],
                $this->world->mira->json('GET', "/api/pages/$page->id/feed?since=0&palette=0")[0],
            ];
        } finally {
            foreach ($readers as $pid) {
                posix_kill($pid, SIGCONT);
            }
        }
        $this->holds(
            count($readers) > 2 && $statuses === [200, 200, 200, 200, 200],
            'ops, undo, lease and feed are answered while no reader is: '.implode(' ', $statuses),
        );
    }

    private function gone(): void
    {
        $installation = $this->world->installation;
        $installation->end('fpm');
        $installation->end('fpm-ops');
        $port = $installation->port;
        $get = fn (string $path): array => [
            ($request = new Process(['curl', '-s', '-i', "http://127.0.0.1:$port$path"]))->mustRun()->getOutput(),
            str_contains($request->getOutput(), ' 502'),
        ];
        [$page, $isDown] = $get('/bench/1');
        $this->holds(
            $isDown &&
                str_contains($page, 'server is not answering') &&
                str_contains($page, '/down.js') &&
                stripos($page, 'no-store') !== false,
            'a reload while PHP is gone shows a page that says so',
        );
        $this->holds(str_contains($get('/down.js')[0], 'location.reload'), 'and keeps trying');
        $this->holds($get('/api/session')[1], 'what asks for data is told by its status');
        $installation->awning('start');
        $installation->settle();
        $this->holds(str_contains($get('/bench/1')[0], '<div id="app">'), 'the bench is back');
    }

    private function holds(bool $so, string $what): void
    {
        if (! $so) {
            $this->tally->fail('doors', "not so: $what");
        }
    }
}

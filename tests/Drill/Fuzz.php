<?php

declare(strict_types=1);

namespace Tests\Drill;

use App\Models\User;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Foundation\Application;
use Illuminate\Http\Request;
use Illuminate\Routing\Route as RegisteredRoute;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Route;

/**
 * Requests as windows send them with one leaf changed, over every route and every op. Whatever is asked, the answer is
 * not an error of ours.
 */
final class Fuzz
{
    private const ODD = [
        null,
        true,
        false,
        0,
        -1,
        1,
        1.5,
        4294967296,
        9.9e99,
        '',
        'x',
        '0',
        '-1',
        '1e999',
        'NaN',
        "\0",
        "\u{202E}",
        'é',
        [],
        [[]],
        [1, 2, 3],
        ['a' => 1],
        ['kind' => 'fill'],
        "' OR 1=1 --",
        '<script>',
        '../../etc/passwd',
        '#112233',
        '#11223',
        'owner',
        'multiply',
        'shade',
        'png',
    ];

    public function __construct(
        private readonly Application $app,
        private readonly World $world,
        private readonly Tally $tally,
    ) {
    }

    /** @return array{int, string} */
    public function run(int $times): array
    {
        $page = $this->world->page();
        $bodies = new Bodies($this->world, $page);
        $routes = array_values(
            array_filter(
                Route::getRoutes()->getRoutes(),
                fn (RegisteredRoute $route): bool => ! str_starts_with($route->uri(), 'storage') &&
                    $route->uri() !== 'up',
            ),
        );
        $ops = array_keys($bodies->ops());
        $seriesOps = array_keys($bodies->seriesOps());
        $mira = User::query()->where('email', 'mira@drill.example')->sole();
        // Every op and every route as it is meant first, so that one leaf that is changed meets work that is done.
        $taken = 0;
        foreach ($ops as $kind) {
            $taken += $this->ask('POST', "/api/pages/$page->id/ops", $this->op($bodies, $kind), $mira) < 300 ? 1 : 0;
        }
        if ($taken < count($ops) - self::REFUSED) {
            $this->tally->fail(
                'fuzz',
                sprintf('of %d ops as they are meant only %d were done: the bodies are wrong', count($ops), $taken),
            );
        }
        for ($i = 0; $i < $times; $i++) {
            $route = $routes[$i % count($routes)];
            $method = $route->methods()[0];
            $body = match (true) {
                $route->getName() === 'pages.ops' || $i % 3 === 0 => $this->op(
                    $bodies,
                    $ops[intdiv($i, 3) % count($ops)],
                ),
                $i % 6 === 1 => [
                    'op' => ['kind' => ($kind = $seriesOps[intdiv($i, 6) % count($seriesOps)])] +
                        $bodies->seriesOps()[$kind],
                ],
                default => $bodies->of("$method {$route->uri()}"),
            };
            $uri =
                '/'.
                preg_replace_callback(
                    '/\{(\w+\??)\}/',
                    fn (array $name): string => mt_rand(0, 7) === 0
                        ? rawurlencode((string) json_encode($this->odd()))
                        : $bodies->parameter($name[1]),
                    $route->uri(),
                );
            [$method, $uri] = match (true) {
                $i % 3 === 0 => ['POST', "/api/pages/$page->id/ops"],
                $i % 6 === 1 && $route->getName() !== 'pages.ops' => ['POST', "/api/series/{$page->series_id}/ops"],
                default => [$method, $uri],
            };
            // What people do to each other would end the drill: it is asked as if of somebody who may not.
            $this->ask(
                $method,
                $uri,
                $this->changed($body),
                preg_match('#members|^/api/session$#', $uri) === 1 || mt_rand(0, 9) === 0 ? null : $mira,
            );
        }
        ksort($this->statuses);

        return [
            $times,
            "$taken of ".
            count($ops).
            ' ops done as meant; one leaf changed, '.
            implode(
                ', ',
                array_map(fn ($kind, $n): string => "{$kind}xx: $n", array_keys($this->statuses), $this->statuses),
            ),
        ];
    }

    /** Ops that are rightly refused as they are meant: on a page that is begun, or of what is not there. */
    private const REFUSED = 10;

    /** @var array<int, int> how often, by hundreds */
    private array $statuses = [];

    /** @return array<string, mixed> */
    private function op(Bodies $bodies, string $kind): array
    {
        return ['op' => ['kind' => $kind] + $bodies->ops()[$kind]] + $bodies->of('POST api/pages/{page}/ops');
    }

    /** @param  array<array-key, mixed>  $body */
    private function ask(string $method, string $uri, array $body, ?User $user): int
    {
        $said = (string) json_encode($body, JSON_PARTIAL_OUTPUT_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE);
        // Numbers that PHP itself would not write.
        $said = str_replace('9.9e+99', ['1e999', '-1e999', '9.9e99'][mt_rand(0, 2)], $said);
        $isRead = $method === 'GET';
        $request = Request::create(
            $uri.($isRead ? '?'.http_build_query($body) : ''),
            $method,
            server: [
                'CONTENT_TYPE' => 'application/json',
                'HTTP_ACCEPT' => 'application/json',
                'HTTP_HOST' => '127.0.0.1',
            ],
            content: $isRead ? null : $said,
        );
        $status = $this->handled($request, $user);
        $this->statuses[intdiv($status, 100)] = ($this->statuses[intdiv($status, 100)] ?? 0) + 1;
        if ($status >= 500) {
            $this->tally->fail('fuzz', "$status for $method $uri with ".mb_strcut($said, 0, 400).' '.$this->why);
        }

        return $status;
    }

    /**
     * A body in which one leaf, or one list or map, is something else, or is gone.
     *
     * @param  array<array-key, mixed>  $body
     * @return array<array-key, mixed>
     */
    private function changed(array $body): array
    {
        if ($body === []) {
            return mt_rand(0, 1) === 0 ? [] : ['more' => $this->odd()];
        }
        $key = array_rand($body);
        if (is_array($body[$key]) && $body[$key] !== [] && mt_rand(0, 4) > 0) {
            $body[$key] = $this->changed($body[$key]);
        } elseif (mt_rand(0, 8) === 0) {
            unset($body[$key]);
        } else {
            $body[$key] = $this->odd();
        }

        return $body;
    }

    private string $why = '';

    private function handled(Request $request, ?User $user): int
    {
        $this->app['auth']->forgetGuards();
        if ($user !== null) {
            Auth::setUser($user);
        }
        $this->app->instance('request', $request);
        $kernel = $this->app->make(Kernel::class);
        $response = $kernel->handle($request);
        $this->why =
            $response->getStatusCode() >= 500
                ? mb_strcut((string) ($response->exception ?? $response->getContent()), 0, 200)
                : '';
        $kernel->terminate($request, $response);

        return $response->getStatusCode();
    }

    private function odd(): mixed
    {
        $value = self::ODD[mt_rand(0, count(self::ODD) - 1)];

        return mt_rand(0, 12) === 0 ? [$value, $this->odd()] : $value;
    }
}

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

/** Requests nobody sends by accident, over every route. Whatever is asked, the answer is not an error of ours. */
final class Fuzz
{
    private const ODD = [
        null, true, false, 0, -1, 1, 1.5, 4294967296, 9.9e99, '', 'x', '0', '-1', '1e999', 'NaN', "\0", "\u{202E}", 'é', [], [[]], [1, 2, 3], ['a' => 1], ['kind' => 'fill'],
        "' OR 1=1 --", '<script>', '../../etc/passwd', '#112233', '#11223', 'owner', 'multiply', 'shade', 'png',
    ];

    private const FIELDS = [
        'email', 'password', 'old', 'name', 'title', 'role', 'lease', 'id', 'base', 'op', 'since', 'palette', 'wait', 'level', 'want', 'format', 'drawing', 'clean', 'place', 'strokes', 'stroke', 'weight', 'scan', 'original', 'cut',
        'version', 'tone', 'colour', 'op_id', 'light', 'values', 'token', 'colours', 'ramp', 'page', 'reference', 'x', 'across', 'azimuth', 'elevation', 'figure', 'more', 'pages', 'into', 'from', 'to', 'of', 'follow',
    ];

    private const OP_FIELDS = ['labels', 'figure', 'material', 'pass', 'points', 'brush', 'erase', 'colour', 'make', 'id', 'values', 'passes', 'how', 'kind'];

    public function __construct(private readonly Application $app, private readonly World $world, private readonly Tally $tally)
    {
    }

    /** @return array{int, string} */
    public function run(int $times): array
    {
        $page = $this->world->page();
        $ids = ['{series}' => $this->world->series->id, '{page}' => $page->id, '{user}' => User::query()->value('id'), '{figure}' => $this->world->materials[0]->figure_id, '{material}' => $this->world->materials[0]->id, '{task}' => 1, '{hash}' => str_repeat('a', 64), '{token}' => str_repeat('b', 40), '{format}' => 'csv', '{version}' => 1, '{variant}' => 1, '{light}' => 1, '{setup}' => 1, '{reference}' => 1, '{number}' => 0, '{any?}' => 'series'];
        $routes = array_values(array_filter(Route::getRoutes()->getRoutes(), fn (RegisteredRoute $route): bool => ! str_starts_with($route->uri(), 'storage')));
        $mira = User::query()->where('email', 'mira@drill.example')->sole();
        $statuses = [];
        for ($i = 0; $i < $times; $i++) {
            $route = $routes[$i % count($routes)];
            $uri = '/'.preg_replace_callback('/\{\w+\??\}/', fn (array $name): string => mt_rand(0, 4) === 0 ? rawurlencode((string) json_encode($this->odd())) : (string) ($ids[$name[0]] ?? 'x'), $route->uri());
            $body = $this->body($page->id, $this->world->lease);
            $method = $route->methods()[0];
            $said = mt_rand(0, 20) === 0 ? '{"broken": ' : (string) json_encode($body, JSON_PARTIAL_OUTPUT_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE);
            // Numbers that PHP itself would not write.
            $said = str_replace('9.9e99', ['1e999', '-1e999', '9.9e99'][mt_rand(0, 2)], $said);
            $request = Request::create($uri.($method === 'GET' ? '?'.http_build_query($body) : ''), $method, server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json', 'HTTP_HOST' => '127.0.0.1'], content: $method === 'GET' ? null : $said);
            $status = $this->handled($request, mt_rand(0, 9) === 0 ? null : $mira);
            $statuses[intdiv($status, 100)] = ($statuses[intdiv($status, 100)] ?? 0) + 1;
            if ($status >= 500) {
                $this->tally->fail('fuzz', "$status for $method $uri with ".mb_strcut($said, 0, 160).' '.$this->why);
            }
        }
        ksort($statuses);

        return [$times, implode(', ', array_map(fn ($kind, $n): string => "{$kind}xx: $n", array_keys($statuses), $statuses))];
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
        $this->why = $response->getStatusCode() >= 500 ? mb_strcut((string) ($response->exception ?? $response->getContent()), 0, 200) : '';
        $kernel->terminate($request, $response);

        return $response->getStatusCode();
    }

    /** @return array<string, mixed> */
    private function body(int $page, string $lease): array
    {
        $body = ['lease' => $lease, 'id' => bin2hex(random_bytes(8)), 'base' => (int) \App\Models\Page::query()->whereKey($page)->value('revision')];
        foreach ((array) array_rand(array_flip(self::FIELDS), mt_rand(1, 6)) as $field) {
            $body[$field] = $this->odd();
        }
        if (mt_rand(0, 1) === 0) {
            $op = ['kind' => ['fill', 'stroke', 'pass.add', 'pass.change', 'pass.remove', 'group'][mt_rand(0, 5)]];
            foreach ((array) array_rand(array_flip(self::OP_FIELDS), mt_rand(1, 8)) as $field) {
                $op[$field] = $this->odd();
            }
            $body = ['op' => $op, 'lease' => $lease] + $body;
        }
        if (mt_rand(0, 3) === 0) {
            $body['want'] = [[['ink', 0, 0], ['flats', 9.9e99, 0], ['ink'], 7, ['a' => 1], [[], 0, 0], ['pass:x', -3, 1]][mt_rand(0, 6)]];
        }
        if (mt_rand(0, 300) === 0) {
            $body['name'] = str_repeat('A', 65_536);
        }

        return $body;
    }

    private function odd(): mixed
    {
        $value = self::ODD[mt_rand(0, count(self::ODD) - 1)];

        return mt_rand(0, 12) === 0 ? [$value, $this->odd()] : $value;
    }
}

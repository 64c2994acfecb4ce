<?php

declare(strict_types=1);

namespace Tests\Drill;

use App\Desk\People\People;
use App\Models\Member;
use App\Models\Page;
use App\Models\Role;
use CurlHandle;
use Illuminate\Support\Facades\DB;

/**
 * An afternoon of a studio, through a web server that speaks HTTPS: a series of many pages, twenty people who look,
 * paint, deliver and import at the same time, one of whom begins as much work as is taken, and one who sends what
 * nobody should.
 */
final class Afternoon
{
    private const PASSWORD = 'drilled all afternoon';

    private const PEOPLE = 20;

    private const PAGES = 500;

    /** @var array<string, list<float>> seconds by what was asked */
    private array $times = [];

    public function __construct(private readonly World $world, private readonly Tally $tally)
    {
    }

    /** @return array{int, string} */
    public function run(int $rounds, bool $isShort): array
    {
        $proxy = new Proxy($this->world->installation);
        $proxy->start();
        try {
            return $this->spent($proxy, $rounds, $isShort);
        } finally {
            $proxy->stop();
        }
    }

    /** @return array{int, string} */
    private function spent(Proxy $proxy, int $rounds, bool $isShort): array
    {
        $people = $this->people($proxy, $isShort ? 5 : self::PEOPLE);
        $held = array_map(
            fn (Client $client): Page => $this->held($client),
            array_slice($people, 0, intdiv(count($people), 2)),
        );
        $this->pages($isShort ? 40 : self::PAGES);
        $greedy = $people[count($people) - 1];
        $this->floods($greedy, $held[0]);
        $asked = 0;
        for ($round = 0; $round < $rounds; $round++) {
            $requests = [];
            foreach ($people as $who => $client) {
                $requests[] = [$client, ...$this->wish($client, $held[$who] ?? null, $who)];
            }
            foreach (Client::together($requests) as $i => [$status, , $seconds]) {
                $this->times[$requests[$i][2]][] = $seconds;
                $asked++;
                if ($status === 0 || $status >= 500) {
                    $this->tally->fail('afternoon', "{$requests[$i][2]} was answered $status");
                }
            }
        }
        $first = $this->servedBesideTheGreedy($people[1], $held[1], $this->floods($greedy, $held[0]));
        $at = function (string $what, float $share): float {
            $times = $this->times[$what] ?? [0.0];
            sort($times);

            return 1000 * $times[(int) ($share * (count($times) - 1))];
        };

        return [
            $asked,
            sprintf(
                '%d people by HTTPS, %d pages: strokes p50 %d, p95 %d ms; shelf and series p50 %d, p95 %d ms; a '
                    .'delivery beside twenty of another\'s came after %.1f s, %d of the twenty before it',
                count($people),
                Page::query()->where('series_id', $this->world->series->id)->count(),
                $at('stroke', 0.5),
                $at('stroke', 0.95),
                $at('shelf', 0.5),
                $at('shelf', 0.95),
                ...$first,
            ),
        ];
    }

    /** @return non-empty-list<Client> signed in */
    private function people(Proxy $proxy, int $count): array
    {
        $clients = [];
        for ($i = 0; $i < $count; $i++) {
            $person = (new People)->add("person$i@drill.example", "Person $i", self::PASSWORD);
            Member::query()->create([
                'series_id' => $this->world->series->id,
                'user_id' => $person->id,
                'role' => Role::Colourist,
            ]);
            $clients[] = $client = new Client($this->world->installation->port, $proxy);
            $client->signIn("person$i@drill.example", self::PASSWORD);
        }

        return $clients === [] ? throw new \LogicException('Nobody came.') : $clients;
    }

    private function lease(Page $page): string
    {
        return "afternoon$page->id".str_repeat('x', 6);
    }

    /** A page with line art on it that somebody holds. */
    private function held(Client $client): Page
    {
        $page = $this->world->page();
        $this->world->mira->json('DELETE', "/api/pages/$page->id/lease", ['lease' => $this->world->lease]);
        $client->json('POST', "/api/pages/$page->id/lease", ['lease' => $this->lease($page)])[0] === 200 ||
            $this->tally->fail('afternoon', 'a page that was given back could not be taken');

        return $page->refresh();
    }

    /** So many pages are in the series, most of them empty. */
    private function pages(int $count): void
    {
        $first = 1 + (int) Page::query()->max('number');
        $rows = array_map(
            fn (int $i): array => [
                'series_id' => $this->world->series->id,
                'number' => $first + $i,
                'title' => "Page $i",
                'created_at' => now(),
                'updated_at' => now(),
            ],
            range(0, $count - 1),
        );
        DB::table('pages')->insert($rows);
    }

    /** @return list<int> deliveries somebody begins until no more is taken */
    private function floods(Client $greedy, Page $page): array
    {
        $tasks = [];
        for ($i = 0; $i < 25; $i++) {
            [$status, $task] = $greedy->json('POST', "/api/pages/$page->id/tasks/deliver", ['format' => 'ora']);
            if ($status === 202) {
                $tasks[] = (int) $task['id'];
            }
        }
        count($tasks) <= 25 || $this->tally->fail('afternoon', 'more work was taken than may wait');

        return $tasks;
    }

    /**
     * @param  list<int>  $waiting
     * @return array{float, int} seconds until somebody's delivery is there, and how many of the greedy one's came
     *     before
     */
    private function servedBesideTheGreedy(Client $client, Page $page, array $waiting): array
    {
        $began = microtime(true);
        $before = DB::table('tasks')->whereIn('id', $waiting)->where('state', 'done')->count();
        [$status, $task] = $client->json('POST', "/api/pages/$page->id/tasks/deliver", ['format' => 'png']);
        while (
            $status === 202 &&
            in_array(DB::table('tasks')->where('id', $task['id'])->value('state'), ['waiting', 'working'], true) &&
            microtime(true) < $began + 120
        ) {
            usleep(100_000);
        }
        $after = DB::table('tasks')->whereIn('id', $waiting)->where('state', 'done')->count();
        $left = DB::table('tasks')
            ->whereIn('id', $waiting)
            ->whereIn('state', ['waiting', 'working'])
            ->count();
        // Both workers may be at one of the greedy one's, and one more may be begun before the other's is seen.
        if ($status !== 202 || ($left > 0 && $after - $before > 3)) {
            $this->tally->fail('afternoon', "a delivery waited for {$after} of another's: $status");
        }

        return [microtime(true) - $began, $after - $before];
    }

    /**
     * What somebody does next.
     *
     * @return array{CurlHandle, string} the request, and what it is called
     */
    private function wish(Client $client, ?Page $page, int $who): array
    {
        $series = $this->world->series->id;
        if ($page !== null && mt_rand(0, 3) > 0) {
            $material = $this->world->materials[mt_rand(0, 1)];
            $asked = [
                'id' => bin2hex(random_bytes(9)),
                'base' => (int) DB::table('pages')->where('id', $page->id)->value('revision'),
                'lease' => $this->lease($page),
            ];
            $point = fn (): array => [mt_rand(20, 680), mt_rand(20, 480), mt_rand(1, 10) / 10];

            return [
                $client->request(
                    'POST',
                    "/api/pages/$page->id/ops",
                    $asked + [
                        'op' => [
                            'kind' => 'stroke',
                            'pass' => 'afternoon1',
                            'points' => [$point(), $point(), $point()],
                            'erase' => false,
                            'brush' => ['size' => mt_rand(5, 60), 'hardness' => 0.5, 'opacity' => 1, 'smoothing' => 0],
                            'make' => [
                                'name' => 'Shade',
                                'figure' => $material->figure_id,
                                'kind' => 'tone',
                                'tone' => 'shade',
                                'scope' => ['kind' => 'figure', 'id' => $material->figure_id],
                                'mode' => 'normal',
                                'opacity' => 1,
                            ],
                        ],
                    ],
                ),
                'stroke',
            ];
        }
        // One of them means harm.
        if ($who === 2) {
            return [
                [
                    fn (): CurlHandle => $client->request('POST', '/api/pages/1/ops', [
                        'op' => ['kind' => 'fill', 'labels' => array_fill(0, 60_000, 1)],
                    ]),
                    fn (): CurlHandle => $client->request('POST', "/api/series/$series/ops", [
                        'op' => ['kind' => 'figure.add', 'name' => str_repeat('é', 900_000)],
                    ]),
                    fn (): CurlHandle => $client->request(
                        'GET',
                        '/api/pages/1/feed?since=99999999999999999999&palette[]=1',
                    ),
                    fn (): CurlHandle => $client->request('POST', "/api/series/$series/ops", [
                        'op' => ['kind' => 'palette.import', 'name' => 'p.json', 'text' => str_repeat('[', 200_000)],
                    ]),
                    fn (): CurlHandle => $client->request('DELETE', "/api/series/$series/members/1"),
                    fn (): CurlHandle => $client->request('POST', '/api/pages/1/tiles', [
                        'level' => 0,
                        'want' => array_fill(0, 5_000, ['ink', 0, 0]),
                    ]),
                ][mt_rand(0, 5)](),
                'harm',
            ];
        }
        $any = (int) DB::table('pages')
            ->where('series_id', $series)
            ->whereNotNull('width')
            ->inRandomOrder()
            ->value('id');

        return match (mt_rand(0, 5)) {
            0 => [$client->request('GET', '/api/series'), 'shelf'],
            1 => [$client->request('GET', "/api/series/$series"), 'shelf'],
            2 => [$client->request('GET', "/api/pages/$any"), 'page'],
            3 => [$client->request('GET', "/api/pages/$any/picture"), 'picture'],
            4 => [$client->request('GET', "/api/pages/$any/feed?since=0&palette=0&wait=1"), 'feed'],
            default => [
                $client->request('POST', "/api/pages/$any/tiles", [
                    'level' => 0,
                    'want' => [['ink', 0, 0], ['flats', 0, 0], ['flats', 1, 1]],
                ]),
                'tiles',
            ],
        };
    }
}

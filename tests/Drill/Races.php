<?php

declare(strict_types=1);

namespace Tests\Drill;

use App\Models\Page;
use App\Store\TileSweep;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;

/** Several at once: two who want one page, a sweep among ops, many readers beside heavy work. */
final readonly class Races
{
    public function __construct(private World $world, private Tally $tally, private string $project)
    {
    }

    /** @return array{int, string} */
    public function lease(int $times): array
    {
        $page = $this->world->page(false);
        $won = [0, 0];
        for ($i = 0; $i < $times; $i++) {
            DB::table('pages')
                ->where('id', $page->id)
                ->update(['holder_id' => null, 'lease' => null, 'lease_until' => null]);
            $answers = Client::together([
                [
                    $this->world->mira,
                    $this->world->mira->request('POST', "/api/pages/$page->id/lease", ['lease' => 'mirasleasexxx']),
                ],
                [
                    $this->world->pell,
                    $this->world->pell->request('POST', "/api/pages/$page->id/lease", ['lease' => 'pellsleasexxx']),
                ],
            ]);
            $held = array_map(fn (array $answer): bool => ($answer[1]['held'] ?? false) === true, $answers);
            if ($held[0] === $held[1]) {
                $this->tally->fail(
                    'lease',
                    "round $i: ".($held[0] ? 'both have' : 'neither has').' the page '.json_encode($answers),
                );
            }
            $won[$held[0] ? 0 : 1]++;
        }

        return [$times, "Mira $won[0], Pell $won[1]"];
    }

    /**
     * Ops, undos and other pages' equal tiles, while old tiles are swept as fast as can be.
     *
     * @return array{int, string}
     */
    public function sweep(int $times): array
    {
        $pages = [$this->world->page(), $this->world->page()];
        $sweeper = new Process(
            [PHP_BINARY, "$this->project/tests/Drill/sweeper.php"],
            null,
            array_filter($this->world->installation->environment(), is_string(...)) + [
                'APP_KEY' => (string) config('app.key'),
            ],
            null,
            null,
        );
        $sweeper->start();
        $refused = 0;
        $again = 0;
        for ($i = 0; $i < $times; $i++) {
            $page = $pages[$i % 2];
            // The same strokes on both pages: their tiles are shared.
            mt_srand(intdiv($i, 2) % 40);
            $material = $this->world->materials[0];
            $stroke = [
                'op' => [
                    'kind' => 'stroke',
                    'pass' => 'shadepass1',
                    'points' => [[mt_rand(0, 700), mt_rand(0, 500), 1], [mt_rand(0, 700), mt_rand(0, 500), 1]],
                    'erase' => $i % 5 === 0,
                    'brush' => ['size' => 30, 'hardness' => 1, 'opacity' => 1, 'smoothing' => 0],
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
            ];
            $verb = ['ops', 'ops', 'ops', 'undo', 'redo', 'undo', 'ops', 'undo'][intdiv($i, 2) % 8];
            [$status, $answer, $tries] = $this->world->asks(
                $page,
                $verb,
                $verb === 'ops' ? $stroke : [],
                sprintf('sweep%012d', $i),
            );
            // One crash begins all web workers afresh: what was under way then is asked again, as a window does.
            $again += $tries > 1 ? 1 : 0;
            $status === 200 || ++$refused;
            if ($status >= 500) {
                $this->tally->fail('sweep', "$verb $i: $status ".json_encode($answer));
            }
        }
        $sweeper->stop(3);
        if ($again > 1) {
            $this->tally->fail('sweep', "$again of $times changes were answered only when asked again");
        }
        preg_match_all('/swept (\d+)/', $sweeper->getOutput(), $swept);
        if ($sweeper->getErrorOutput() !== '') {
            $this->tally->fail('sweep', mb_strcut($sweeper->getErrorOutput(), 0, 200));
        }
        DB::table('tiles')->update(['made_at' => now()->subDays(9)]);
        (new TileSweep)->run(0);
        $missing = DB::scalar('SELECT COUNT(*) FROM layer_tiles LEFT JOIN tiles USING (hash) WHERE tiles.hash IS NULL');
        foreach (DB::table('journal')->where('state', '!=', 'dropped')->pluck('tiles') as $tiles) {
            $hashes = array_filter(
                array_merge(
                    ...array_map(
                        fn (array $tile): array => [$tile[3], $tile[4]],
                        json_decode($tiles, true) ?: [[0, 0, 0, null, null]],
                    ),
                ),
            );
            $missing += count(array_unique($hashes)) - DB::table('tiles')->whereIn('hash', $hashes)->count();
        }
        if ($missing > 0) {
            $this->tally->fail('sweep', "$missing tiles that a page or its undo needs are gone");
        }

        return [
            $times,
            sprintf(
                '%d sweeps took %d tiles; %d had nothing to undo or redo',
                count($swept[1]),
                array_sum(array_map(intval(...), $swept[1])),
                $refused,
            ),
        ];
    }

    /** @return array{int, string} */
    public function readers(int $rounds, int $readers): array
    {
        $page = $this->world->page();
        $tasks = [];
        $busy = [];
        for ($i = 0; $i < 4; $i++) {
            $busy[] = $other = $this->world->page(false);
            $tasks[] = (int) $this->world->mira->json(
                'POST',
                "/api/pages/$other->id/tasks/import",
                $this->world->upload(),
            )[1]['id'];
        }
        $times = [];
        $paths = [
            "/api/pages/$page->id",
            "/api/pages/$page->id/feed?since=0&palette=1",
            "/api/pages/$page->id/picture",
            '/api/series',
            "/api/series/{$page->series_id}",
        ];
        for ($round = 0; $round < $rounds; $round++) {
            $requests = [];
            for ($reader = 0; $reader < $readers; $reader++) {
                $client = $reader % 2 === 0 ? $this->world->mira : $this->world->pell;
                $requests[] = [$client, $client->request('GET', $paths[$reader % count($paths)])];
            }
            foreach (Client::together($requests) as $reader => $answer) {
                $times[] = $answer[2];
                if ($answer[0] !== 200) {
                    $this->tally->fail('readers', "{$paths[$reader % count($paths)]} answered $answer[0]");
                }
            }
        }
        foreach ($tasks as $task) {
            $state = $this->world->ended($task)['state'];
            $state === 'done' || $this->tally->fail('readers', "an import beside readers ended as $state");
        }
        sort($times);
        $at = fn (float $share): float => 1000 * $times[(int) ($share * (count($times) - 1))];

        return [
            count($times),
            sprintf(
                '%d at a time beside %d imports: p50 %d, p95 %d, p99 %d ms',
                $readers,
                count($busy),
                $at(0.5),
                $at(0.95),
                $at(0.99),
            ),
        ];
    }
}

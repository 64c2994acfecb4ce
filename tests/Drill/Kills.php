<?php

declare(strict_types=1);

namespace Tests\Drill;

use App\Models\Original;
use App\Models\Page;
use App\Store\PageStore;
use App\Store\Tiles;
use App\Store\WholeFile;
use Awning\Core\Page\RecordKind;
use Awning\Core\Page\Region\Region;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;

/** Processes that die while something is under way, and what is there afterwards. */
final readonly class Kills
{
    private const VICTIMS = ['web worker', 'queue worker', 'database'];

    private const ACTS = ['op', 'undo', 'import', 'deliver'];

    public function __construct(private World $world, private Tally $tally)
    {
    }

    /** @return array{int, string} */
    public function run(int $times): array
    {
        $page = $this->world->page();
        $labels = array_map(intval(...), array_keys((new PageStore($page))->records(RecordKind::Region)));
        $counts = [];
        $again = 0;
        for ($i = 0; $i < $times; $i++) {
            $victim = self::VICTIMS[mt_rand(0, 2)];
            // What runs in a queue is met there; a database dies under anything.
            $act =
                $victim === 'web worker'
                    ? ['op', 'undo', 'import'][mt_rand(0, 2)]
                    : ($victim === 'queue worker'
                        ? ['import', 'deliver'][mt_rand(0, 1)]
                        : self::ACTS[mt_rand(0, 3)]);
            $counts[$victim] = ($counts[$victim] ?? 0) + 1;
            $again += match ($act) {
                'op' => $this->op($page, $labels[mt_rand(0, count($labels) - 1)], $i, $victim),
                'undo' => $this->undo($page, $i, $victim),
                'import' => $this->import($page, $i, $victim),
                'deliver' => $this->deliver($page, $i, $victim),
            };
        }
        $this->aCrashRenewsAll();
        $this->originalsAreWhole();
        $this->tilesAreThere();

        return [
            $times,
            sprintf(
                '%s; %d requests asked again',
                implode(', ', array_map(fn ($kind, $n) => "$n × $kind", array_keys($counts), $counts)),
                $again,
            ),
        ];
    }

    /**
     * Begins a request, lets somebody die a little later, and takes the answer if there is one.
     *
     * @return array{int, mixed}
     */
    private function interrupted(\CurlHandle $request, string $victim): array
    {
        $multi = curl_multi_init();
        curl_multi_add_handle($multi, $request);
        $until = microtime(true) + mt_rand(0, 60_000) / 1e6;
        $isKilled = false;
        do {
            curl_multi_exec($multi, $running);
            if (! $isKilled && microtime(true) >= $until) {
                $isKilled = $this->world->installation->kill($victim) || microtime(true) > $until + 2;
            }
            curl_multi_select($multi, 0.002);
        } while ($running > 0 || ! $isKilled);
        $answer = $this->world->mira->answer($request, curl_multi_getcontent($request));
        curl_multi_remove_handle($multi, $request);
        $this->world->installation->settle();
        DB::purge();

        return $answer;
    }

    private function op(Page $page, int $label, int $i, string $victim): int
    {
        $region = (new PageStore($page))->record(RecordKind::Region, $label);
        $now = $region instanceof Region ? $region->material : 0;
        $material = $this->world->materials[$now === $this->world->materials[0]->id ? 1 : 0];
        $change = [
            'op' => [
                'kind' => 'fill',
                'labels' => [$label],
                'figure' => $material->figure_id,
                'material' => $material->id,
            ],
        ];
        $before = (int) Page::query()->whereKey($page->id)->value('revision');
        $id = sprintf('killop%010d%s', $i, bin2hex(random_bytes(4)));
        $this->interrupted(
            $this->world->mira->request(
                'POST',
                "/api/pages/$page->id/ops",
                ['id' => $id, 'base' => $before, 'lease' => $this->world->lease] + $change,
            ),
            $victim,
        );
        [$status, , $tries] = $this->world->asks($page, 'ops', $change, $id);
        $after = (int) Page::query()->whereKey($page->id)->value('revision');
        if ($status !== 200 || $after !== $before + 1) {
            $this->tally->fail('kills', "op $i beside a dying $victim: status $status, revision $before became $after");
        }
        $there = (new PageStore($page))->record(RecordKind::Region, $label);
        if (! ($there instanceof Region) || $there->material !== $material->id) {
            $this->tally->fail('kills', "op $i beside a dying $victim was answered and is not there");
        }

        return $tries - 1;
    }

    private function undo(Page $page, int $i, string $victim): int
    {
        $done = fn (): int => DB::table('journal')->where('page_id', $page->id)->where('state', 'done')->count();
        $before = $done();
        $verb = $before > 3 ? 'undo' : 'redo';
        if (
            $verb === 'redo' &&
            DB::table('journal')->where('page_id', $page->id)->where('state', 'undone')->doesntExist()
        ) {
            return 0;
        }
        $id = sprintf('killundo%010d%s', $i, bin2hex(random_bytes(4)));
        $base = (int) Page::query()->whereKey($page->id)->value('revision');
        $this->interrupted(
            $this->world->mira->request('POST', "/api/pages/$page->id/$verb", [
                'id' => $id,
                'base' => $base,
                'lease' => $this->world->lease,
            ]),
            $victim,
        );
        [$status, , $tries] = $this->world->asks($page, $verb, [], $id);
        if ($status !== 200 || $done() !== $before + ($verb === 'undo' ? -1 : 1)) {
            $this->tally->fail(
                'kills',
                "$verb $i beside a dying $victim: status $status, $before steps became {$done()}",
            );
        }

        return $tries - 1;
    }

    private function import(Page $page, int $i, string $victim): int
    {
        $landed = fn (): int => DB::table('journal')->where('page_id', $page->id)->where('kind', 'ink.lay')->count();
        $known = (int) DB::table('tasks')->max('id');
        [$status] = $this->interrupted(
            $this->world->mira->request('POST', "/api/pages/$page->id/tasks/import", $this->world->upload()),
            $victim,
        );
        $tasks = DB::table('tasks')->where('id', '>', $known)->pluck('id')->all();
        if ($status === 202 && $tasks === []) {
            $this->tally->fail('kills', "import $i was taken and is not there");
        }
        foreach ($tasks as $task) {
            $state = $this->world->ended((int) $task);
            if ($state['state'] !== 'done' && $state['message'] === '') {
                $this->tally->fail('kills', "import $i beside a dying $victim ended without a word");
            }
        }
        if (count($tasks) > 1 || $landed() < 1) {
            $this->tally->fail('kills', "import $i: ".count($tasks).' tasks, '.$landed().' landed');
        }

        return $status === 202 ? 0 : 1;
    }

    private function deliver(Page $page, int $i, string $victim): int
    {
        $known = (int) DB::table('tasks')->max('id');
        $format = ['png', 'ora', 'jpeg'][mt_rand(0, 2)];
        [$status] = $this->interrupted(
            $this->world->mira->request('POST', "/api/pages/$page->id/tasks/deliver", ['format' => $format]),
            $victim,
        );
        foreach (DB::table('tasks')->where('id', '>', $known)->pluck('id')->all() as $task) {
            $state = $this->world->ended((int) $task);
            $path = DB::table('tasks')->where('id', $task)->value('result_path');
            if (
                $state['state'] === 'done' &&
                (! is_string($path) ||
                    ! Storage::disk('works')->exists($path) ||
                    Storage::disk('works')->size($path) < 500)
            ) {
                $this->tally->fail('kills', "delivery $i ($format) is called done and is not whole");
            }
        }

        return $status === 202 ? 0 : 1;
    }

    /** The compiled code that web workers share may be broken by one that died; none may go on with it. */
    private function aCrashRenewsAll(): void
    {
        $installation = $this->world->installation;
        $before = $installation->webWorkers();
        $installation->crash();
        for ($tries = 0; $tries < 100 && array_intersect($before, $installation->webWorkers()) !== []; $tries++) {
            usleep(100_000);
        }
        if (array_intersect($before, $installation->webWorkers()) !== []) {
            $this->tally->fail('kills', 'a web worker went on beside one that had crashed');
        }
        $installation->settle();
    }

    private function originalsAreWhole(): void
    {
        $whole = new WholeFile(Storage::disk('works'));
        foreach (Original::query()->get() as $original) {
            if (! $whole->is($original->path, $original->bytes, $original->sha256)) {
                $this->tally->fail('kills', "the original $original->path is not whole");
            }
        }
        foreach (Storage::disk('works')->allFiles('originals') as $file) {
            if (
                ! str_contains($file, WholeFile::PART) &&
                hash('sha256', (string) Storage::disk('works')->get($file)) !== basename($file)
            ) {
                $this->tally->fail('kills', "$file is not what its name says");
            }
        }
    }

    private function tilesAreThere(): void
    {
        foreach (DB::table('layer_tiles')->distinct()->pluck('hash') as $hash) {
            try {
                if (Tiles::hash((new Tiles)->bytes((string) $hash)) !== $hash) {
                    $this->tally->fail('kills', "tile $hash is not what its name says");
                }
            } catch (\Throwable $error) {
                $this->tally->fail('kills', $error->getMessage());
            }
        }
    }
}

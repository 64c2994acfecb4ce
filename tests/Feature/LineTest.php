<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Jobs\NextTask;
use App\Jobs\TaskLine;
use App\Jobs\Tasks;
use App\Models\JournalEntry;
use App\Models\Material;
use App\Models\Page;
use App\Models\Series;
use App\Models\Task;
use App\Models\User;
use App\Store\PageStore;
use Awning\Core\Page\Region\Region;
use Awning\Core\Sheet\Sheet;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

/** Who is served next, what becomes of work that is asked for twice, interrupted, or too much for one go. */
final class LineTest extends TestCase
{
    use RefreshDatabase;

    private Series $series;

    private Page $page;

    private Material $material;

    private User $mira;

    private User $pell;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->series, $this->page, $this->material] = $this->series();
        $this->mira = $this->person('Mira', $this->series);
        $this->pell = $this->person('Pell', $this->series);
        $this->import($this->page, $this->mira);
        config(['queue.default' => 'database']);
    }

    private function another(int $number): Page
    {
        return Page::query()
            ->create(['series_id' => $this->series->id, 'number' => $number, 'title' => "Page $number"])
            ->refresh();
    }

    /** @return list<string> whose tasks are taken, one after the other */
    private function taken(string $line, int $times): array
    {
        $names = [];
        for ($i = 0; $i < $times; $i++) {
            $task = (new TaskLine($line))->take();
            $names[] = $task === null ? '-' : "{$task->user->name} $task->kind ".($task->page->number ?? 0);
            $task?->forceFill(['state' => 'done'])->save();
            // Two are never taken in the same microsecond.
            usleep(2);
        }

        return $names;
    }

    public function test_who_was_served_longest_ago_is_served_next_and_of_theirs_the_oldest(): void
    {
        $tasks = new Tasks;
        $pages = array_map($this->another(...), range(2, 5));
        foreach ([$this->page, ...$pages] as $page) {
            $tasks->begin($page, $this->mira, 'deliver', ['format' => 'png']);
        }
        $tasks->begin($pages[0], $this->pell, 'deliver', ['format' => 'png']);
        self::assertSame(
            ['Mira deliver 1', 'Pell deliver 2', 'Mira deliver 2'],
            $this->taken('quick', 3),
            'the second comes after one of the first\'s, not after five',
        );
        $tasks->begin($pages[3], $this->pell, 'deliver', ['format' => 'png']);
        self::assertSame(
            ['Pell deliver 5', 'Mira deliver 3', 'Mira deliver 4', 'Mira deliver 5', '-'],
            $this->taken('quick', 5),
        );
        self::assertSame(['-'], $this->taken('long', 1), 'each line by itself');
    }

    public function test_work_on_a_page_does_not_keep_a_worker_waiting_for_other_work_on_it(): void
    {
        $other = $this->another(2);
        $tasks = new Tasks;
        $tasks->begin($this->page, $this->mira, 'regions', [], self::LEASE);
        $first = (new TaskLine('long'))->take();
        $tasks->begin($this->page, $this->pell, 'clean', []);
        self::assertNull((new TaskLine('long'))->take());
        self::assertFalse((new TaskLine('long'))->isEmpty());
        $tasks->begin($other, $this->mira, 'import', []);
        $taken = (new TaskLine('long'))->take();
        self::assertSame([$other->id, 'working', 1], [$taken?->page_id, $taken?->state, $taken?->attempts]);
        $first?->forceFill(['state' => 'done'])->save();
        self::assertSame($this->page->id, (new TaskLine('long'))->take()?->page_id);
    }

    public function test_a_first_light_asked_for_again_while_it_waits_is_one_with_the_last_wish(): void
    {
        $ask = fn (int $azimuth, array $of = []): int => $this->actingAs($this->mira)
            ->postJson(
                "/api/pages/{$this->page->id}/tasks/rough",
                ['lease' => self::LEASE, 'plan' => ['azimuth' => $azimuth, 'elevation' => 30]] + $of,
            )
            ->assertStatus(202)
            ->json('id');
        $figure = ['figure' => $this->material->figure_id];
        $first = $ask(10, $figure);
        self::assertSame($first, $ask(20, $figure));
        self::assertEquals(20, Task::query()->findOrFail($first)->input['plan']['azimuth']);
        $all = $ask(30);
        self::assertNotSame($first, $all);
        self::assertSame($all, $ask(40));
        self::assertNotSame($all, $ask(50, ['lineless' => true]));
        self::assertNotSame($first, $ask(60, $figure + ['only' => [1]]), 'of some of its regions alone');
        Task::query()
            ->whereKey($first)
            ->update(['state' => 'working']);
        self::assertNotSame($first, $ask(70, $figure), 'what has been begun is not changed any more');
        self::assertSame(5, Task::query()->where('kind', 'rough')->count());
    }

    public function test_an_error_of_ours_is_told_tried_again_and_in_the_end_recorded(): void
    {
        // A page that is not there is an error that nobody planned for.
        $task = (new Tasks)->begin($this->series, $this->mira, 'match', ['page' => 12345, 'name' => 'Gone']);
        for ($i = 1; $i <= 3; $i++) {
            $this->artisan('queue:work', ['--once' => true, '--queue' => 'quick'])->assertSuccessful();
            self::assertSame([$i === 3 ? 'failed' : 'waiting', $i], [$task->refresh()->state, $task->attempts]);
        }
        self::assertStringContainsString('error on our side', $task->message);
        self::assertSame([0, 1], [DB::table('jobs')->count(), DB::table('failed_jobs')->count()]);
        self::assertStringContainsString(
            'ModelNotFoundException',
            (string) DB::table('failed_jobs')->value('exception'),
        );
    }

    public function test_work_that_ran_out_of_time_says_so(): void
    {
        $task = (new Tasks)->begin($this->page, $this->mira, 'deliver', ['format' => 'png']);
        $other = (new Tasks)->begin($this->page, $this->pell, 'deliver', ['format' => 'png']);
        $taken = (new TaskLine('quick'))->take();
        (new NextTask('quick'))->failed(null);
        self::assertSame(
            [$task->id, 'failed', 'waiting'],
            [$taken?->id, $task->refresh()->state, $other->refresh()->state],
        );
        self::assertStringContainsString('longer than 10 minutes', $task->message);
    }

    public function test_a_change_to_many_pages_goes_on_where_it_was_interrupted_and_does_nothing_twice(): void
    {
        $pages = [$this->page, ...array_map($this->another(...), [2, 3])];
        config(['queue.default' => 'sync']);
        $this->deleteJson("/api/pages/{$this->page->id}/lease", ['lease' => self::LEASE]);
        foreach (array_slice($pages, 1) as $page) {
            $this->import($page, $this->mira);
            $this->deleteJson("/api/pages/$page->id/lease", ['lease' => self::LEASE]);
        }
        $into = Material::query()->create([
            'figure_id' => $this->material->figure_id,
            'name' => 'brass',
            'place' => 2,
            'pinned' => ['base' => '#b08030'],
        ]);
        foreach ($pages as $page) {
            $this->hold($page->refresh(), $this->mira);
            $this->op($page, $this->fillOp($this->material, $this->labelAt($page, 120, 200)))->assertOk();
            $this->deleteJson("/api/pages/$page->id/lease", ['lease' => self::LEASE]);
        }
        config(['queue.default' => 'database']);
        $ids = array_map(fn (Page $page): int => $page->id, $pages);
        $task = Task::query()->findOrFail(
            $this->postJson("/api/series/{$this->series->id}/tasks/replace", [
                'pages' => $ids,
                'material' => $this->material->id,
                'into' => $into->id,
            ])
                ->assertStatus(202)
                ->json('id'),
        );
        $entries = fn (Page $page): int => JournalEntry::query()
            ->where('page_id', $page->id)
            ->where('kind', 'material.replace')
            ->count();
        $material = fn (Page $page): ?int => (new Sheet(new PageStore($page->refresh())))->find(
            Region::class,
            $this->labelAt($page, 120, 200),
        )?->material;
        (new NextTask('long'))->handle();
        self::assertSame(
            [[1, true], [2, true], [3, true]],
            array_map(fn (array $one): array => [$one['number'], $one['done']], $task->refresh()->report['outcomes']),
        );
        self::assertSame([$into->id, $into->id, $into->id], array_map($material, $pages));
        self::assertSame('done', $task->state);

        // Killed after the second page was changed, before anybody wrote down what came of it.
        $task->forceFill(['state' => 'waiting', 'report' => ['outcomes' => [$task->report['outcomes'][0]]]])->save();
        (new NextTask('long'))->handle();
        self::assertSame(
            [[1, true], [2, true], [3, true]],
            array_map(fn (array $one): array => [$one['number'], $one['done']], $task->refresh()->report['outcomes']),
        );
        self::assertSame([1, 1, 1], array_map($entries, $pages), 'each page once');

        // Stopped half-way it says what stays.
        $task
            ->forceFill([
                'state' => 'working',
                'report' => ['outcomes' => array_slice($task->report['outcomes'], 0, 2)],
            ])
            ->save();
        $this->deleteJson("/api/tasks/$task->id")->assertJson([
            'state' => 'stopped',
            'message' => 'Stopped. 2 pages were changed before; undo on the page takes it back.',
        ]);
    }

    public function test_a_part_that_is_done_lets_others_go_first(): void
    {
        $task = (new Tasks)->begin($this->series, $this->mira, 'colours', []);
        $taken = (new TaskLine('quick'))->take();
        self::assertSame($task->id, $taken?->id);
        (new Tasks)->goOn($task);
        self::assertSame(['waiting', 0, null], [$task->refresh()->state, $task->attempts, $task->worker]);
        self::assertSame(2, DB::table('jobs')->where('queue', 'quick')->count(), 'and a job for the rest');
        (new Tasks)->begin($this->page, $this->pell, 'deliver', ['format' => 'png']);
        self::assertSame(['Pell deliver 1', 'Mira colours 0'], $this->taken('quick', 2));
        $stopped = (new Tasks)->begin($this->series, $this->mira, 'colours', []);
        (new Tasks)->stop($stopped);
        (new Tasks)->goOn($stopped);
        self::assertSame('stopped', $stopped->refresh()->state);
    }
}

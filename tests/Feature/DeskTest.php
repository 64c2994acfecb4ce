<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Desk\Page\PageDesk;
use App\Models\Figure;
use App\Models\JournalEntry;
use App\Models\Page;
use App\Models\PageChange;
use App\Models\SeriesEntry;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

/** What the desk promises: once and only once, everything written down, only differences told. */
final class DeskTest extends TestCase
{
    use RefreshDatabase;

    private Page $page;

    private User $mira;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->series, $this->page, $this->material] = $this->series();
        $this->mira = $this->person('Mira', $this->series);
        $this->import($this->page, $this->mira);
    }

    private \App\Models\Series $series;

    private \App\Models\Material $material;

    /** @return array<string, mixed> */
    private function feed(int $since, ?int $palette = null): array
    {
        return $this->getJson(
            "/api/pages/{$this->page->id}/feed?since=$since&palette=".
                ($palette ?? $this->series->refresh()->palette_version),
        )
            ->assertOk()
            ->json();
    }

    public function test_an_op_sent_twice_is_done_once_and_answered_the_same(): void
    {
        $body = [
            'id' => self::opId(),
            'base' => $this->page->refresh()->revision,
            'lease' => self::LEASE,
            'op' => $this->strokeOp($this->material),
        ];
        $first = $this->postJson("/api/pages/{$this->page->id}/ops", $body)
            ->assertOk()
            ->json();
        self::assertNotSame([], $first['tiles']);
        $again = $this->postJson("/api/pages/{$this->page->id}/ops", $body)
            ->assertOk()
            ->json();
        self::assertSame($first, $again);
        self::assertSame(2, JournalEntry::query()->count(), 'the import and one stroke');
        // Also after the lease has lapsed and somebody else holds the page: it was done, so it is said that it was.
        $this->page->forceFill(['holder_id' => null, 'lease' => null, 'lease_until' => null])->save();
        self::assertSame(
            $first,
            $this->postJson("/api/pages/{$this->page->id}/ops", $body)
                ->assertOk()
                ->json(),
        );
        $this->hold($this->page, $this->mira);
        $undo = ['id' => self::opId(), 'base' => $first['revision'], 'lease' => self::LEASE];
        $back = $this->postJson("/api/pages/{$this->page->id}/undo", $undo)
            ->assertOk()
            ->json();
        self::assertSame(
            $back,
            $this->postJson("/api/pages/{$this->page->id}/undo", $undo)
                ->assertOk()
                ->json(),
        );
        self::assertSame('Import scan.png', $back['journal']['undo'], 'one step was taken back, not two');
        self::assertNull($back['tiles'][0][3], 'the tile is empty again');
        $this->postJson("/api/pages/{$this->page->id}/ops", ['id' => 'x'] + $body)->assertStatus(422);
        $this->postJson("/api/pages/{$this->page->id}/undo", $undo + ['op' => ['kind' => 'fill']])->assertStatus(422);
    }

    public function test_the_journal_keeps_what_was_asked_for(): void
    {
        $this->op($this->page, $this->strokeOp($this->material))->assertOk();
        [$import, $stroke] = JournalEntry::query()->orderBy('id')->get()->all();
        self::assertSame('ink.lay', $import->kind);
        self::assertIsInt($import->input['drawing']['original'] ?? null);
        self::assertGreaterThan(
            $import->input['drawing']['found']['paper'] ?? 999,
            $import->input['drawing']['found']['ink'] ?? 0,
        );
        self::assertSame(
            ['stroke', 1, 'colour', $this->mira->id],
            [$stroke->kind, $stroke->form, $stroke->right->value, $stroke->user_id],
        );
        self::assertSame([[100.0, 100.0, 1.0], [180.0, 160.0, 0.7]], $stroke->input['points'] ?? null);
        // From what is kept, the same op can be read and done on a fresh page.
        $op = \Awning\Core\Sheet\OpKinds::read($stroke->kind, $stroke->input ?? []);
        $this->undo($this->page)->assertOk();
        $hash = $stroke->tiles[0][4];
        self::assertSame($hash, (new PageDesk)->apply($this->page, $this->mira, $op)->tiles()[0][3]);
        self::assertSame(
            [[1, false], [2, false], [3, true], [4, false]],
            PageChange::query()
                ->where('page_id', $this->page->id)
                ->orderBy('revision')
                ->get()
                ->map(fn (PageChange $c): array => [$c->revision, $c->back])
                ->all(),
        );
    }

    public function test_a_stroke_of_twenty_thousand_points_fits_the_journal(): void
    {
        $points = array_map(fn (int $i): array => [100 + ($i % 300) / 7, 100 + $i / 130, 0.123456], range(0, 19_999));
        $this->op($this->page, ['points' => $points] + $this->strokeOp($this->material))->assertOk();
        self::assertCount(20_000, JournalEntry::query()->latest('id')->firstOrFail()->input['points'] ?? []);
        $this->op($this->page, ['points' => [...$points, [1, 1, 1]]] + $this->strokeOp($this->material))->assertStatus(
            422,
        );
    }

    public function test_the_feed_tells_only_what_differs(): void
    {
        $from = $this->page->refresh()->revision;
        self::assertSame(
            [$from, false, [], [], null, null],
            array_values(
                array_intersect_key(
                    $this->feed($from),
                    array_flip(['revision', 'reset', 'tiles', 'records', 'journal', 'paletteState']),
                ),
            ),
        );
        $label = $this->labelAt($this->page, 120, 200);
        $this->op($this->page, $this->fillOp($this->material, $label))->assertOk();
        $stroke = $this->op($this->page, $this->strokeOp($this->material))->assertOk()->json();
        $this->op($this->page, [
            'kind' => 'pass.change',
            'id' => 'shadepass1',
            'values' => ['opacity' => 0.25],
        ])->assertOk();
        $news = $this->feed($from);
        self::assertSame($from + 3, $news['revision']);
        self::assertSame($stroke['tiles'], $news['tiles']);
        $records = array_column($news['records'], 2, 1);
        self::assertSame(
            [$this->material->id, 0.25],
            [$records[(string) $label]['material'], $records['shadepass1']['opacity']],
            'each record once, as it is now',
        );
        self::assertCount(2, $news['records']);
        self::assertSame('Mira', $news['holder']['name']);
        self::assertSame('Set a pass\'s opacity', $news['journal']['undo']);
        $this->undo($this->page)->assertOk();
        $this->undo($this->page)->assertOk();
        $back = $this->feed($from + 1);
        self::assertSame([['pass', 'shadepass1', null]], $back['records'], 'the pass is gone again');
        self::assertNull($back['tiles'][0][3]);
        self::assertSame(1, count($this->feed($from + 4)['records']), 'only the last step');
        self::assertTrue($this->feed($from + 99)['reset'], 'a revision that is not there');
        PageChange::query()
            ->where('page_id', $this->page->id)
            ->where('revision', $from + 1)
            ->delete();
        self::assertTrue($this->feed($from)['reset'], 'a revision nobody wrote down');
        self::assertFalse($this->feed($from + 1)['reset']);
    }

    public function test_the_feed_brings_a_changed_palette_and_waits_only_where_there_is_room(): void
    {
        $version = $this->series->refresh()->palette_version;
        $this->postJson("/api/series/{$this->series->id}/ops", [
            'op' => [
                'kind' => 'tones.pin',
                'material' => $this->material->id,
                'version' => 1,
                'tones' => ['shade' => '#123456'],
            ],
        ])->assertOk();
        $news = $this->feed($this->page->refresh()->revision, $version);
        self::assertSame('#123456', $news['paletteState']['figures'][0]['materials'][0]['tones']['shade']);
        config(['awning.feed_seconds' => 0.5, 'awning.feed_slots' => 1]);
        $wait = fn (): array => $this->getJson(
            "/api/pages/{$this->page->id}/feed?wait=1&since={$this->page->revision}&palette=".($version + 1),
        )
            ->assertOk()
            ->json();
        self::assertSame(0, $wait()['again'], 'it waited here, so it may ask again at once');
        // Another connection sits in the only slot.
        config(['database.connections.second' => config('database.connections.'.config('database.default'))]);
        $name = DB::connection()->getDatabaseName().' feed 1';
        DB::connection('second')->scalar('SELECT GET_LOCK(?, 0)', [$name]);
        $answer = $wait();
        DB::connection('second')->scalar('SELECT RELEASE_LOCK(?)', [$name]);
        self::assertGreaterThan(500, $answer['again'], 'it was sent away, not held');
    }

    public function test_palette_changes_have_a_journal_and_are_done_once(): void
    {
        $path = "/api/series/{$this->series->id}/ops";
        $body = ['op' => ['kind' => 'figure.add', 'name' => 'Tamsin'], 'op_id' => self::opId()];
        $id = $this->postJson($path, $body)->assertOk()->json('added');
        self::assertSame($id, $this->postJson($path, $body)->assertOk()->json('added'));
        self::assertSame(1, Figure::query()->where('name', 'Tamsin')->count());
        $this->postJson($path, [
            'op' => ['kind' => 'material.add', 'figure' => $id, 'name' => 'clogs', 'base' => '#8a5a2b'],
        ])->assertOk();
        $this->postJson("/api/series/{$this->series->id}/ops", [
            'op' => [
                'kind' => 'tones.pin',
                'material' => $this->material->id,
                'version' => 1,
                'tones' => ['shade' => '#112233'],
            ],
        ])->assertOk();
        $entries = SeriesEntry::query()->orderBy('id')->get();
        self::assertSame(['figure.add', 'material.add', 'tones.pin'], $entries->pluck('kind')->all());
        self::assertSame([2, 3, 4], $entries->pluck('version')->all());
        self::assertSame(
            [['material' => $this->material->id, 'tones' => ['shade' => '#112233']], $this->mira->id],
            [$entries[2]->input, $entries[2]->user_id],
        );
        [$kind, $key, $before, $after] = $entries[2]->records[0];
        self::assertSame(['material', $this->material->id], [$kind, $key]);
        self::assertSame(
            [['base' => '#e0a93a'], ['base' => '#e0a93a', 'shade' => '#112233']],
            [$before['pinned'] ?? null, $after['pinned'] ?? null],
        );
        self::assertSame(
            [1, 2],
            Figure::query()->where('series_id', $this->series->id)->orderBy('depth')->pluck('depth')->all(),
            'depth is a total order',
        );
    }

    public function test_a_page_is_opened_with_what_one_can_do_on_it(): void
    {
        $rules = $this->getJson("/api/pages/{$this->page->id}")
            ->assertOk()
            ->json('rules');
        self::assertSame(['tone' => 'line', 'name' => 'Line colour', 'scope' => 'ink'], $rules['tones'][5]);
        self::assertSame(['tone' => 'deep', 'name' => 'Deep shade', 'scope' => 'figure'], $rules['tones'][0]);
        foreach ($rules['hangable'] as $number => $entry) {
            foreach ($entry['scopes'] as $scope) {
                $on = [
                    'figure' => $this->material->figure_id,
                    'scope' => ['kind' => $scope, 'id' => $this->material->figure_id],
                ];
                $this->op($this->page, [
                    'kind' => 'pass.add',
                    'id' => "hangable$number$scope",
                    'pass' => $entry['pass'] + $on,
                ])->assertOk();
            }
        }
    }
}

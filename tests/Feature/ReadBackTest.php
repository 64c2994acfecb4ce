<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\JournalEntry;
use App\Models\Page;
use App\Models\User;
use App\Store\PageStore;
use Awning\Core\Codec\Picture;
use Awning\Core\Page\RecordKind;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

/** What a change wrote is read once more before it counts. */
final class ReadBackTest extends TestCase
{
    use RefreshDatabase;

    private Page $page;

    private User $mira;

    protected function setUp(): void
    {
        parent::setUp();
        [$series, $this->page] = $this->series();
        $this->mira = $this->person('Mira', $series);
        $this->import($this->page, $this->mira);
    }

    public function test_a_record_that_comes_back_different_undoes_the_whole_change(): void
    {
        $material = \App\Models\Material::query()->firstOrFail();
        $label = $this->labelAt($this->page, 120, 200);
        $before = DB::table('regions')->where('page_id', $this->page->id)->orderBy('label')->get()->toArray();
        $entries = JournalEntry::query()->count();
        DB::listen(function ($query) use (&$spoiled): void {
            if ($spoiled !== true && str_starts_with($query->sql, 'insert into `regions`')) {
                $spoiled = true;
                DB::table('regions')->increment('x');
            }
        });
        $this->op($this->page, $this->fillOp($material, $label))
            ->assertStatus(422)
            ->assertJsonPath(
                'message',
                'This change could not be kept as it was made, so nothing was changed. Reload the page and try again.',
            );
        self::assertTrue($spoiled);
        self::assertEquals(
            $before,
            DB::table('regions')->where('page_id', $this->page->id)->orderBy('label')->get()->toArray(),
        );
        self::assertSame($entries, JournalEntry::query()->count());
        $this->op($this->page, $this->fillOp($material, $label))->assertOk();
    }

    public function test_a_page_whose_drawing_was_kept_with_too_many_pictures_opens_and_goes_back(): void
    {
        $settings = (string) DB::table('drawings')->value('settings');
        DB::table('drawings')->update(['settings' => str_replace('"pictures":1', '"pictures":20000', $settings)]);
        $entry = JournalEntry::query()->latest('id')->firstOrFail();
        $entry
            ->forceFill([
                'records' => array_map(
                    fn (array $record): array => $record[0] === 'drawing'
                        ? [$record[0], $record[1], $record[2], ['pictures' => 20000] + $record[3]]
                        : $record,
                    $entry->records,
                ),
            ])
            ->save();
        self::assertSame(
            Picture::MOST,
            $this->getJson("/api/pages/{$this->page->id}")
                ->assertOk()
                ->json('records.drawing.drawing1.pictures'),
        );
        $this->undo($this->page)->assertOk();
        $this->undo($this->page, 'redo')->assertOk();
        $this->op($this->page, [
            'kind' => 'drawing.change',
            'id' => 'drawing1',
            'values' => ['order' => 3],
        ])->assertOk();
        self::assertSame(
            Picture::MOST,
            json_decode((string) DB::table('drawings')->value('settings'), true)['pictures'],
        );
    }

    public function test_what_cannot_be_a_record_is_refused_in_words_wherever_it_comes_up(): void
    {
        // At the largest scale a drawing may have, and the page is made larger still.
        $place = ['x' => 300.0, 'y' => 200.0, 'scale' => 15.0];
        $task = $this->postJson(
            "/api/pages/{$this->page->id}/tasks/clean",
            $this->cleaning($this->page, ['turn' => 0.0], $place),
        )
            ->assertStatus(202)
            ->json('id');
        $this->getJson("/api/tasks/$task")->assertJson(['state' => 'done']);
        $task = $this->postJson("/api/pages/{$this->page->id}/tasks/enlarge", ['lease' => self::LEASE, 'factor' => 2.0])
            ->assertStatus(202)
            ->json('id');
        $this->getJson("/api/tasks/$task")->assertJson([
            'state' => 'failed',
            'message' => 'Scale runs from 0.02 to 20.',
        ]);
        $this->getJson("/api/pages/{$this->page->id}")->assertOk();
    }

    public function test_a_name_no_record_can_have_is_one_that_is_not_there(): void
    {
        $store = new PageStore($this->page->refresh());
        self::assertNull($store->record(RecordKind::Pass, "\u{202E}"));
        self::assertNotNull($store->record(RecordKind::Drawing, 'drawing1'));
        $label = $this->labelAt($this->page, 120, 200);
        $this->postJson("/api/pages/{$this->page->id}/marks", [
            'passes' => ["\u{202E}"],
            'labels' => [$label],
        ])->assertStatus(422);
        $this->postJson("/api/pages/{$this->page->id}/marks", ['passes' => ['nobodys01'], 'labels' => [$label]])
            ->assertOk()
            ->assertExactJson(['marks' => [null]]);
    }

    public function test_a_light_plan_that_could_not_be_read_is_not_kept(): void
    {
        $series = $this->page->series_id;
        DB::listen(function ($query) use (&$spoiled): void {
            if ($spoiled !== true && str_starts_with($query->sql, 'insert into `light_plans`')) {
                $spoiled = true;
                DB::table('light_plans')->update(['plan' => '{"azimuth":900,"elevation":30}']);
            }
        });
        $plan = ['azimuth' => 90, 'elevation' => 30];
        $this->postJson("/api/series/$series/ops", [
            'op' => ['kind' => 'light.add', 'name' => 'Noon', 'plan' => $plan],
        ])->assertStatus(422);
        self::assertSame(
            [true, 0, 0],
            [$spoiled, DB::table('light_plans')->count(), DB::table('series_journal')->count()],
        );
        $this->postJson("/api/series/$series/ops", [
            'op' => ['kind' => 'light.add', 'name' => 'Noon', 'plan' => $plan],
        ])->assertOk();
    }
}

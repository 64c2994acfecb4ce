<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\JournalEntry;
use App\Models\Original;
use App\Models\Page;
use App\Models\Role;
use App\Models\Series;
use App\Models\User;
use App\Store\JournalRule;
use App\Store\TileSweep;
use Illuminate\Foundation\Testing\DatabaseTruncation;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Tests\TestCase;
use ZipArchive;

/** A real database that is dumped and put back: nothing here runs inside a transaction. */
final class BackupTest extends TestCase
{
    use DatabaseTruncation;

    private string $folder;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/awning-backup-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        exec('rm -rf '.escapeshellarg($this->folder));
        foreach (
            DB::select(
                "SELECT schema_name AS name FROM information_schema.schemata WHERE schema_name LIKE '{$this->database()}_before_%' OR schema_name LIKE '{$this->database()}_new_%'",
            ) as $left
        ) {
            DB::statement("DROP DATABASE `$left->name`");
        }
        // The tests that come after think the database empty.
        $this->truncateTablesForAllConnections();
        parent::tearDown();
    }

    /** @return array{Page, User} a page with a fill, a stroke, something undone */
    private function worked(): array
    {
        [$series, $page, $material] = $this->series();
        $user = $this->person('Mira', $series, Role::Owner);
        $this->import($page, $user);
        $this->op($page, $this->fillOp($material, $this->labelAt($page, 120, 200)))->assertOk();
        $this->op($page, $this->strokeOp($material))->assertOk();
        $this->op($page, $this->strokeOp($material, 'shadepass2'))->assertOk();
        $this->undo($page)->assertOk();

        return [$page->refresh(), $user];
    }

    /** @return array<string, string> */
    private function everything(): array
    {
        $all = [];
        foreach (
            [
                'users',
                'members',
                'series',
                'figures',
                'materials',
                'pages',
                'regions',
                'bridges',
                'passes',
                'pass_groups',
                'layer_tiles',
                'tiles',
                'journal',
                'page_changes',
                'originals',
                'series_journal',
            ] as $table
        ) {
            $rows = DB::table($table)
                ->get()
                ->map(fn ($row): string => hash('sha256', serialize($row)))
                ->sort()
                ->values()
                ->all();
            $all[$table] = count($rows).' '.hash('sha256', implode($rows));
        }

        return $all;
    }

    public function test_what_is_backed_up_comes_back_to_the_last_bit(): void
    {
        [$page, $user] = $this->worked();
        $before = $this->everything();
        $original = Original::query()->sole();
        $bytes = Storage::disk('works')->get($original->path);
        $file = "$this->folder/monday.awning";
        $this->artisan('awning:backup', ['file' => $file])
            ->expectsOutputToContain('read back and whole')
            ->assertSuccessful();
        self::assertSame('0600', substr(sprintf('%o', fileperms($file)), -4), 'passwords are in it');
        self::assertSame([$file], glob("$this->folder/*"));
        $this->artisan('awning:backup', ['file' => $file])
            ->expectsOutputToContain('is there already')
            ->assertFailed();

        $this->op($page, ['kind' => 'pass.remove', 'id' => 'shadepass1'])->assertOk();
        Series::query()->create(['name' => 'Begun after the backup']);
        $user->forceFill(['name' => 'Somebody else'])->save();
        Storage::disk('works')->delete($original->path);
        self::assertNotEquals($before, $this->everything());

        $this->artisan('awning:restore', ['file' => $file, '--yes' => true])
            ->expectsOutputToContain('The backup is in place')
            ->assertSuccessful();
        self::assertEquals($before, $this->everything());
        self::assertSame($bytes, Storage::disk('works')->get($original->path));
        // And it works on: the step that was undone is done again, the page is painted on.
        $this->actingAs(User::query()->sole());
        $this->undo($page->refresh(), 'redo')->assertOk();
        $aside = DB::select(
            "SELECT schema_name AS name FROM information_schema.schemata WHERE schema_name LIKE '{$this->database()}_before_%'",
        );
        self::assertCount(1, $aside);
        self::assertSame(
            2,
            (int) DB::scalar("SELECT COUNT(*) FROM `{$aside[0]->name}`.series"),
            'what was there is kept aside',
        );
    }

    public function test_a_damaged_backup_is_refused_and_touches_nothing(): void
    {
        $this->worked();
        $file = "$this->folder/b.awning";
        $this->artisan('awning:backup', ['file' => $file])->assertSuccessful();
        $before = $this->everything();
        $whole = (string) file_get_contents($file);
        $damages = [
            'cut short' => substr($whole, 0, (int) (0.8 * strlen($whole))),
            'not a zip' => str_repeat('x', 5000),
        ];
        $zip = new ZipArchive;
        copy($file, "$this->folder/c.awning");
        $zip->open("$this->folder/c.awning");
        $zip->addFromString('works/'.Original::query()->value('path'), 'another file');
        $zip->close();
        $damages['an original exchanged'] = (string) file_get_contents("$this->folder/c.awning");
        foreach ($damages as $what => $bytes) {
            file_put_contents("$this->folder/d.awning", $bytes);
            $this->artisan('awning:restore', ['file' => "$this->folder/d.awning", '--yes' => true])->assertFailed();
            self::assertEquals($before, $this->everything(), $what);
        }
        self::assertSame(
            [],
            DB::select(
                "SELECT schema_name FROM information_schema.schemata WHERE schema_name LIKE '{$this->database()}_new_%' OR schema_name LIKE '{$this->database()}_before_%'",
            ),
        );
    }

    public function test_undo_is_as_long_as_the_rule_says_and_has_no_holes(): void
    {
        [$page] = $this->worked();
        // Import, fill, stroke are done; one stroke is undone.
        $ids = JournalEntry::query()->orderBy('id')->pluck('id')->all();
        self::assertCount(4, $ids);
        JournalEntry::query()
            ->whereIn('id', array_slice($ids, 0, 2))
            ->update(['made_at' => now()->subDays(40)]);
        self::assertSame(
            ['steps' => 0, 'tiles' => 0, 'bytes' => 0],
            (new JournalRule(0, 1))->wouldFree(),
            'for ever is for ever',
        );
        self::assertSame(0, (new JournalRule(30, 3))->wouldFree()['steps'], 'the newest three stay however old');
        self::assertSame(1, (new JournalRule(30, 2))->wouldFree()['steps']);
        self::assertSame(2, (new JournalRule(30, 1))->wouldFree()['steps'], 'no more than are old');
        JournalEntry::query()
            ->whereKey($ids[0])
            ->update(['made_at' => now()]);
        self::assertSame(0, (new JournalRule(30, 1))->wouldFree()['steps'], 'a young step keeps all after it');
        JournalEntry::query()
            ->whereKey($ids[0])
            ->update(['made_at' => now()->subDays(40)]);
        $this->artisan('awning:journal', ['--days' => 30, '--steps' => 1])
            ->expectsOutputToContain('This would let go 2 steps')
            ->assertSuccessful();
        self::assertSame(4, JournalEntry::query()->count(), 'only told');
        self::assertSame(2, (new JournalRule(30, 1))->forget());
        DB::table('tiles')->update(['made_at' => now()->subDays(9)]);
        (new TileSweep)->run(48);
        $this->undo($page)->assertOk();
        $this->undo($page)
            ->assertStatus(422)
            ->assertJsonFragment(['message' => 'There is nothing left to undo.']);
        $this->undo($page, 'redo')->assertOk();
        $this->undo($page, 'redo')->assertOk();
        $this->getJson("/api/pages/$page->id")->assertOk();
    }

    /**
     * Every row the sweep pages over may go meanwhile: by offset, rows behind it would be skipped and their tiles lost.
     */
    public function test_the_sweep_reads_every_entry_though_others_go_while_it_reads(): void
    {
        [$series, $page] = $this->series();
        $user = $this->person('Mira', $series, Role::Owner);
        $tiles = [];
        for ($i = 0; $i < 260; $i++) {
            $hash = hash('sha256', "tile $i");
            $tiles[] = $hash;
            DB::table('tiles')->insert(['hash' => $hash, 'bytes' => 'x', 'made_at' => now()->subDays(9)]);
            JournalEntry::query()->create([
                'page_id' => $page->id,
                'user_id' => $user->id,
                'title' => 't',
                'state' => $i < 60 ? 'undone' : 'done',
                'kind' => 'stroke',
                'form' => 1,
                'input' => [],
                'right' => 'colour',
                'tiles' => [['ink', 0, 0, null, $hash]],
                'records' => [],
            ]);
        }
        $reads = 0;
        DB::listen(function ($query) use (&$reads): void {
            if (str_starts_with($query->sql, 'select * from `journal`') && ++$reads === 1) {
                JournalEntry::query()
                    ->where('state', 'undone')
                    ->update(['state' => 'dropped']);
            }
        });
        (new TileSweep)->run(48);
        self::assertGreaterThan(1, $reads, 'it reads in parts');
        self::assertSame(
            0,
            count(array_diff(array_slice($tiles, 60), DB::table('tiles')->pluck('hash')->all())),
            'no tile that undo needs is gone',
        );
    }

    /** Each process of a test run has one of its own. */
    private function database(): string
    {
        return DB::connection()->getDatabaseName();
    }
}

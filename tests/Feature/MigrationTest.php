<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\JournalEntry;
use App\Models\Page;
use App\Models\Series;
use App\Store\PageStore;
use Awning\Core\Page\Drawing\Drawing;
use Awning\Core\Page\Drawing\DrawingRole;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\PassGroup;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Region\Region;
use Awning\Core\Sheet\Ops\Ink\LayInk;
use Awning\Core\Sheet\Sheet;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

/** A page and its journal made by the first version come through, and can be undone to the first step. */
final class MigrationTest extends TestCase
{
    protected function tearDown(): void
    {
        Artisan::call('migrate:fresh', ['--force' => true]);
        parent::tearDown();
    }

    /** @param  array<string, mixed>  $value */
    private function fact(int $page, string $kind, string $name, array $value): void
    {
        DB::table('page_facts')->insert([
            'page_id' => $page,
            'kind' => $kind,
            'name' => $name,
            'value' => json_encode($value, JSON_PRESERVE_ZERO_FRACTION),
        ]);
    }

    public function test_an_old_page_and_its_journal_survive(): void
    {
        Artisan::call('migrate:fresh', [
            '--force' => true,
            '--path' => 'database/migrations/2026_11_23_000001_create_awning_tables.php',
        ]);
        $series = DB::table('series')->insertGetId(['name' => 'Old']);
        foreach ([['Oda', 3], ['Tamsin', 3], ['Purser', 1]] as [$name, $depth]) {
            $figures[] = DB::table('figures')->insertGetId([
                'series_id' => $series,
                'name' => $name,
                'depth' => $depth,
            ]);
        }
        $user = DB::table('users')->insertGetId([
            'name' => 'Mira',
            'email' => 'mira@awning.example',
            'password' => 'x',
        ]);
        DB::table('members')->insert(['series_id' => $series, 'user_id' => $user, 'role' => 'colourist']);
        $id = DB::table('pages')->insertGetId([
            'series_id' => $series,
            'number' => 1,
            'title' => 'One',
            'revision' => 3,
            'holder_id' => $user,
            'lease' => self::LEASE,
        ]);
        $size = ['width' => 300, 'height' => 200, 'dpi' => 300.0, 'paper' => 20, 'ink' => 200];
        $region = ['figure' => 0, 'material' => 0, 'area' => 50, 'x' => 4, 'y' => 5];
        $filled = array_replace($region, ['figure' => $figures[0], 'material' => 7]);
        $pass = [
            'name' => 'Shade',
            'figure' => $figures[0],
            'kind' => 'tone',
            'tone' => 'shade',
            'colour' => null,
            'scope' => ['kind' => 'figure', 'id' => $figures[0]],
            'mode' => 'normal',
            'opacity' => 1.0,
            'visible' => true,
            'order' => 1.5,
            'group' => 'groupa',
        ];
        $tint = array_replace($pass, [
            'name' => 'Rim',
            'kind' => 'tint',
            'tone' => null,
            'colour' => '#ffe2b0',
            'order' => 2.0,
            'group' => null,
        ]);
        $group = ['isolated' => false, 'mode' => 'multiply', 'opacity' => 0.5];
        $this->fact($id, 'page', 'page', $size);
        $this->fact($id, 'region', '1', $filled);
        $this->fact($id, 'bridge', '1', ['x1' => 1, 'y1' => 2, 'x2' => 3, 'y2' => 4]);
        $this->fact($id, 'pass', 'shadepass1', $pass);
        $this->fact($id, 'pass', 'rimpass001', $tint);
        $this->fact($id, 'group', 'groupa', $group);
        $this->fact($id, 'group', 'nobody', $group);
        $tile = str_repeat("\x40", 65536);
        $hash = hash('sha256', $tile);
        DB::table('tiles')->insert(['hash' => $hash, 'bytes' => gzcompress($tile)]);
        foreach (['scan', 'ink', 'pass:shadepass1'] as $layer) {
            DB::table('layer_tiles')->insert([
                'page_id' => $id,
                'layer' => $layer,
                'column' => 0,
                'row' => 0,
                'hash' => $hash,
            ]);
        }
        $entry = fn (string $title, array $tiles, array $facts) => DB::table('journal')->insert([
            'page_id' => $id,
            'user_id' => $user,
            'title' => $title,
            'state' => 'done',
            'tiles' => json_encode($tiles),
            'facts' => json_encode($facts, JSON_PRESERVE_ZERO_FRACTION),
        ]);
        $entry(
            'Import scan.png',
            [['scan', 0, 0, null, $hash], ['ink', 0, 0, null, $hash]],
            [
                ['page', 'page', null, $size],
                ['region', '1', null, $region],
                ['bridge', '1', null, ['x1' => 1, 'y1' => 2, 'x2' => 3, 'y2' => 4]],
            ],
        );
        $entry('Fill a region', [], [['region', '1', $region, $filled]]);
        $entry(
            'Group passes',
            [['pass:shadepass1', 0, 0, null, $hash]],
            [
                ['pass', 'shadepass1', null, $pass],
                ['pass', 'rimpass001', null, $tint],
                ['group', 'groupa', null, $group],
            ],
        );

        Artisan::call('migrate', ['--force' => true]);

        $page = Page::query()->findOrFail($id);
        $sheet = fn (): Sheet => new Sheet(new PageStore($page->refresh()));
        self::assertEquals(new PageSize(300, 200, 300.0), $sheet()->size());
        $drawing = $sheet()->find(Drawing::class, LayInk::FIRST);
        self::assertSame(
            [300, 20, 200, DrawingRole::Ink],
            [$drawing?->width, $drawing?->clean->paper, $drawing?->clean->ink, $drawing?->role],
        );
        self::assertSame(
            [$tile, $tile],
            [
                $sheet()->tile(LayerName::scan(LayInk::FIRST), 0, 0),
                $sheet()->tile(LayerName::drawing(LayInk::FIRST), 0, 0),
            ],
        );
        // Which layers an entry changed is told in rows, of old entries, too.
        $told = DB::table('journal_layers')
            ->orderBy('layer')
            ->get()
            ->groupBy('journal_id')
            ->map(fn ($rows): array => $rows->pluck('layer')->all())
            ->all();
        $changed = DB::table('journal')
            ->get()
            ->mapWithKeys(
                fn ($entry): array => [
                    $entry->id => collect(json_decode($entry->tiles, true))
                        ->pluck(0)
                        ->unique()
                        ->sort()
                        ->values()
                        ->all(),
                ],
            )
            ->filter()
            ->all();
        self::assertEquals($changed, $told);
        self::assertNotSame([], $told);
        self::assertSame(
            $filled + [
                'locked' => false,
                'shift' => null,
                'variant' => null,
                'solid' => null,
                'inFront' => false,
                'flow' => null,
                'plan' => null,
                'mood' => null,
            ],
            $sheet()->find(Region::class, 1)?->toData(),
        );
        $own = fn (array $data): array => $data['kind'] === 'tone'
            ? ['kind' => 'tone', 'tone' => $data['tone']]
            : ['kind' => 'tint', 'colour' => $data['colour'], 'follows' => null];
        $now = fn (array $data): array => array_diff_key($data, ['kind' => 0, 'tone' => 0, 'colour' => 0]) + [
            'content' => $own($data),
        ];
        self::assertEquals(
            $now($pass) + ['mask' => null, 'turn' => null, 'setup' => null],
            $sheet()->find(PassSpec::class, 'shadepass1')?->toData(),
        );
        self::assertEquals(
            $now($tint) + ['mask' => null, 'turn' => null, 'setup' => null],
            $sheet()->find(PassSpec::class, 'rimpass001')?->toData(),
        );
        self::assertSame(
            ['groupa' => ['isolated' => false, 'mode' => 'normal', 'opacity' => 0.5]],
            array_map(fn (PassGroup $g): array => $g->toData(), $sheet()->all(PassGroup::class)),
            'a mode that was never shown is no longer pretended, and the empty group is gone',
        );
        self::assertSame(
            ['flat', 'flat', 'colour'],
            JournalEntry::query()->orderBy('id')->get()->map(fn (JournalEntry $e): string => $e->right->value)->all(),
        );
        self::assertSame(
            [1, 2, 3],
            Series::query()->findOrFail($series)->figures()->pluck('depth')->sort()->values()->all(),
            'two figures stood at one depth',
        );
        self::assertSame(
            $figures[2],
            Series::query()->findOrFail($series)->figures()->orderBy('depth')->get()->last()?->id,
        );

        $this->actingAs(\App\Models\User::query()->findOrFail($user));
        self::assertTrue(
            $this->getJson("/api/pages/$id/feed?since=1&palette=1")
                ->assertOk()
                ->json('reset'),
            'old revisions are fetched whole',
        );
        $this->undo($page)->assertOk();
        self::assertSame([], $sheet()->all(PassSpec::class));
        self::assertNull($sheet()->tile(LayerName::parse('pass:shadepass1'), 0, 0));
        $this->undo($page)->assertOk();
        self::assertSame(
            $region + [
                'locked' => false,
                'shift' => null,
                'variant' => null,
                'solid' => null,
                'inFront' => false,
                'flow' => null,
                'plan' => null,
                'mood' => null,
            ],
            $sheet()->find(Region::class, 1)?->toData(),
        );
        $this->undo($page)->assertOk();
        self::assertTrue($sheet()->isEmpty());
        self::assertSame([], $sheet()->all(Drawing::class));
        self::assertNull($sheet()->tile(LayerName::drawing(LayInk::FIRST), 0, 0));
        foreach ([1, 2, 3] as $step) {
            $this->undo($page, 'redo')->assertOk();
        }
        self::assertEquals(
            $now($pass) + ['mask' => null, 'turn' => null, 'setup' => null],
            $sheet()->find(PassSpec::class, 'shadepass1')?->toData(),
        );
        self::assertSame($tile, $sheet()->tile(LayerName::ink(), 0, 0));
        self::assertEquals($drawing, $sheet()->find(Drawing::class, LayInk::FIRST));
        self::assertSame($tile, $sheet()->tile(LayerName::drawing(LayInk::FIRST), 0, 0));
    }
}

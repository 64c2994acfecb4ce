<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Desk\Page\PageDesk;
use App\Desk\Palette\SeriesPalette;
use App\Models\Figure;
use App\Models\JournalEntry;
use App\Models\Material;
use App\Models\Member;
use App\Models\Original;
use App\Models\Page;
use App\Models\Role;
use App\Models\Task;
use App\Store\PageStore;
use App\Store\Pyramid;
use App\Store\TileSweep;
use Awning\Core\Codec\ImageReader;
use Awning\Core\Codec\OpenRasterFile;
use Awning\Core\Codec\OpenRasterWriter;
use Awning\Core\Codec\OraStack;
use Awning\Core\Compose\OpenRasterRenderer;
use Awning\Core\Page\Drawing\InkStroke;
use Awning\Core\Page\LayerKind;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Paint;
use Awning\Core\Sheet\Ops\Ink\EnlargePage;
use Awning\Core\Sheet\Sheet;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Tests\TestCase;

final class BenchTest extends TestCase
{
    use RefreshDatabase;

    protected function setUp(): void
    {
        parent::setUp();
        Storage::disk('works')->deleteDirectory('deliveries');
        Storage::disk('works')->deleteDirectory('originals');
    }

    private function fingerprint(Page $page): string
    {
        return hash(
            'sha256',
            (string) json_encode([
                DB::table('layer_tiles')
                    ->where('page_id', $page->id)
                    ->orderBy('layer')
                    ->orderBy('column')
                    ->orderBy('row')
                    ->get(),
                DB::table('pages')
                    ->where('id', $page->id)
                    ->get(['width', 'height', 'dpi', 'behind']),
                ...array_map(
                    fn (string $table) => DB::table($table)
                        ->where('page_id', $page->id)
                        ->orderBy($table === 'regions' ? 'label' : ($table === 'bridges' ? 'number' : 'id'))
                        ->get(),
                    ['regions', 'bridges', 'passes', 'pass_groups', 'drawings', 'ink_strokes'],
                ),
            ]),
        );
    }

    public function test_a_page_goes_from_scan_to_delivery(): void
    {
        [$series, $page, $material] = $this->series();
        $user = $this->person('Mira', $series, Role::Owner);
        $this->import($page, $user);
        $original = Original::query()->sole();
        self::assertSame('scan.png', $original->name);
        self::assertSame($this->scanBytes(), Storage::disk('works')->get($original->path), 'kept byte for byte');
        $label = $this->labelAt($page, 120, 200);
        self::assertNotSame($label, $this->labelAt($page, 300, 200));
        self::assertNotSame($label, $this->labelAt($page, 10, 10));

        $this->op($page, $this->fillOp($material, $label))->assertOk();
        $applied = $this->op($page, $this->strokeOp($material))->assertOk()->json();
        self::assertSame(['pass:shadepass1', 0, 0], array_slice($applied['tiles'][0], 0, 3));

        $picture = function (string $format) use ($page) {
            $task = $this->postJson("/api/pages/$page->id/tasks/deliver", ['format' => $format])
                ->assertStatus(202)
                ->json('id');
            $this->getJson("/api/tasks/$task")->assertJson(['state' => 'done', 'download' => "/deliveries/$task"]);
            $file = sys_get_temp_dir()."/awning-test.$format";
            file_put_contents(
                $file,
                $this->get("/deliveries/$task")
                    ->assertOk()
                    ->streamedContent(),
            );

            return $file;
        };
        $png = (new ImageReader)->read($picture('png'));
        $tones = $material->tones(new \Awning\Core\Colour\ToneRule(\Awning\Core\Colour\Rgb::fromHex($series->light)));
        self::assertSame([...$tones['base']->parts(), 255], $png->paint->at(60, 300));
        self::assertSame(
            [...$tones['shade']->parts(), 255],
            $png->paint->at(130, 120),
            'the shade tone of the material itself',
        );
        self::assertSame([255, 255, 255, 255], $png->paint->at(300, 200), 'another region is not touched');
        self::assertSame(300.0, $png->dpi);
        $ora = (new OpenRasterRenderer(new OpenRasterFile($picture('ora'))))->render();
        foreach ([[60, 300], [130, 120], [300, 200], [42, 100], [110, 108]] as [$x, $y]) {
            for ($c = 0; $c < 3; $c++) {
                self::assertEqualsWithDelta(
                    $png->paint->at($x, $y)[$c],
                    $ora->at($x, $y)[$c],
                    1,
                    "layers and picture agree at $x, $y",
                );
            }
        }
        $flats = (new ImageReader)->read($picture('flats'))->paint;
        self::assertSame([...$tones['base']->parts(), 255], $flats->at(130, 120), 'without the shade');
        self::assertSame($flats->at(130, 120), $flats->at(43, 200), 'under the line, too');
        self::assertSame([0, 0], [$flats->at(300, 200)[3], $flats->at(5, 5)[3]], 'see-through where nothing is filled');
        foreach (['flats-figures' => ['Oda Brack'], 'flats-materials' => ['Oda Brack, oilskin']] as $format => $names) {
            $layered = new OpenRasterFile($picture($format));
            self::assertSame($names, array_map(fn ($layer): string => $layer->name, $layered->root->children));
            self::assertSame(
                [...$tones['base']->parts(), 255],
                (new OpenRasterRenderer($layered))->render()->at(130, 120),
            );
            self::assertSame(0, (new OpenRasterRenderer($layered))->render()->at(300, 200)[3]);
        }
        self::assertSame(600, (new ImageReader)->read($picture('tiff'))->width());
        self::assertSame(600, (new ImageReader)->read($picture('jpeg'))->width());
        self::assertCount(7, Storage::disk('works')->files("deliveries/$page->id"), 'always a new file');
    }

    public function test_everything_can_be_undone_step_by_step_and_done_again(): void
    {
        [$series, $page, $material] = $this->series();
        $this->import($page, $this->person('Mira', $series));
        $prints = [$this->fingerprint($page)];
        $ops = [
            $this->fillOp($material, $this->labelAt($page, 120, 200)),
            $this->strokeOp($material),
            ['kind' => 'pass.change', 'id' => 'shadepass1', 'values' => ['opacity' => 0.4, 'mode' => 'multiply']],
            $this->strokeOp($material, 'shadepass1'),
            ['kind' => 'pass.remove', 'id' => 'shadepass1'],
        ];
        foreach ($ops as $op) {
            $this->op($page, $op)->assertOk();
            $prints[] = $this->fingerprint($page);
        }
        for ($i = count($ops) - 1; $i >= 0; $i--) {
            $this->undo($page)->assertOk();
            self::assertSame($prints[$i], $this->fingerprint($page), "undo of op $i");
        }
        for ($i = 1; $i <= count($ops); $i++) {
            $this->undo($page, 'redo')->assertOk();
            self::assertSame($prints[$i], $this->fingerprint($page), "redo of op $i");
        }
        $this->undo($page, 'redo')->assertStatus(422);
    }

    public function test_a_new_op_drops_what_was_undone(): void
    {
        [$series, $page, $material] = $this->series();
        $this->import($page, $this->person('Mira', $series));
        $this->op($page, $this->strokeOp($material))->assertOk();
        $this->undo($page)->assertOk();
        $this->op($page, $this->strokeOp($material, 'otherpass1'))->assertOk();
        $this->undo($page, 'redo')->assertStatus(422);
        self::assertSame(1, JournalEntry::query()->where('state', 'dropped')->count());
    }

    public function test_one_holds_the_page_and_others_watch(): void
    {
        [$series, $page, $material] = $this->series();
        $mira = $this->person('Mira', $series);
        $jonne = $this->person('Jonne', $series);
        $this->import($page, $mira);
        $this->hold($page, $jonne, 'jonneslease0000')->assertJson(['held' => false, 'holder' => 'Mira']);
        $this->op($page, $this->strokeOp($material), null, 'jonneslease0000')
            ->assertStatus(409)
            ->assertJsonFragment(['reason' => 'lease']);
        self::assertSame(1, JournalEntry::query()->count(), 'nothing was written');
        // A second window of the same person does not hold it either.
        $this->hold($page, $mira, 'secondwindow000')->assertJson(['held' => false]);
        $this->travel(2)->minutes();
        $this->hold($page, $jonne, 'jonneslease0000')->assertJson(['held' => true]);
        $this->op($page, $this->strokeOp($material), null, 'jonneslease0000')->assertOk();
        $this->actingAs($mira);
        $this->op($page, $this->strokeOp($material))->assertStatus(409);
    }

    public function test_an_op_on_an_old_revision_changes_nothing(): void
    {
        [$series, $page, $material] = $this->series();
        $this->import($page, $this->person('Mira', $series));
        $base = $page->refresh()->revision;
        $this->op($page, $this->strokeOp($material))->assertOk();
        $print = $this->fingerprint($page);
        $this->op($page, $this->strokeOp($material), $base)
            ->assertStatus(409)
            ->assertJsonFragment(['reason' => 'revision', 'revision' => $base + 1]);
        self::assertSame($print, $this->fingerprint($page));
    }

    public function test_a_stale_palette_edit_gets_both_values(): void
    {
        [$series, , $material] = $this->series();
        $this->actingAs($this->person('Mira', $series));
        $pin = fn (int $version, array $tones) => $this->postJson("/api/series/$series->id/ops", [
            'op' => ['kind' => 'tones.pin', 'material' => $material->id, 'version' => $version, 'tones' => $tones],
        ]);
        $pin(1, ['shade' => '#112233'])
            ->assertOk()
            ->assertJsonPath('shown.figures.0.materials.0.tones.shade', '#112233');
        $pin(1, ['shade' => '#445566'])
            ->assertStatus(409)
            ->assertJsonPath('theirs.tones.shade', '#112233')
            ->assertJsonPath('yours.tones.shade', '#445566');
        $pin(2, ['shade' => null])
            ->assertOk()
            ->assertJsonPath('shown.figures.0.materials.0.pinned', ['base']);
        $pin(3, ['base' => null])->assertStatus(422);
    }

    public function test_changing_a_tone_changes_no_pixel_and_every_page_follows(): void
    {
        [$series, $page, $material] = $this->series();
        $this->import($page, $this->person('Mira', $series));
        $this->op($page, $this->fillOp($material, $this->labelAt($page, 120, 200)))->assertOk();
        $print = $this->fingerprint($page);
        $first = $this->get("/api/pages/$page->id/picture")
            ->assertOk()
            ->getContent();
        $this->postJson("/api/series/$series->id/ops", [
            'op' => [
                'kind' => 'tones.pin',
                'material' => $material->id,
                'version' => 1,
                'tones' => ['base' => '#2244cc'],
            ],
        ])->assertOk();
        self::assertSame($print, $this->fingerprint($page));
        self::assertSame(
            $first,
            $this->get("/api/pages/$page->id/picture")
                ->assertHeader('Cache-Control', 'no-store, private')
                ->getContent(),
            'the last one, until the next is made',
        );
        \App\Jobs\MakePicture::dispatchSync($page->id);
        self::assertNotSame(
            $first,
            $this->get("/api/pages/$page->id/picture")
                ->assertHeader('Cache-Control', 'immutable, max-age=31536000, private')
                ->getContent(),
        );
    }

    public function test_bad_files_are_refused_and_nothing_is_stored(): void
    {
        [$series, $page] = $this->series();
        $this->hold($page, $this->person('Mira', $series));
        $good = $this->scanBytes();
        $huge = substr_replace($good, pack('NN', 60000, 60000), 16, 8);
        foreach (['not a picture', '', $huge, '<svg/>'] as $bytes) {
            $this->withHeader('Accept', 'application/json')
                ->post("/api/pages/$page->id/tasks/import", [
                    'lease' => self::LEASE,
                    'scan' => $this->upload($bytes, '../../../etc/scan.png'),
                ])
                ->assertStatus(422);
        }
        self::assertSame(0, Original::query()->count());
        self::assertSame(0, Task::query()->count());
        // The head is fine but the rest is missing: found while decoding, said in the task.
        $task = $this->post("/api/pages/$page->id/tasks/import", [
            'lease' => self::LEASE,
            'scan' => $this->upload(substr($good, 0, (int) (0.7 * strlen($good))), '../../../etc/scan.png'),
        ])
            ->assertStatus(202)
            ->json('id');
        $this->getJson("/api/tasks/$task")
            ->assertJson(['state' => 'failed'])
            ->assertJsonFragment([
                'message' => 'The image is damaged or cut short and was not opened. Export or scan it again.',
            ]);
        self::assertSame(
            0,
            DB::table('layer_tiles')->count() + DB::table('regions')->count() + DB::table('journal')->count(),
        );
        self::assertSame(0, Original::query()->count());
        self::assertSame([], Storage::disk('works')->allFiles('originals'));
    }

    public function test_ops_are_checked_before_anything_is_touched(): void
    {
        [$series, $page, $material] = $this->series();
        [$other, , $foreign] = $this->series('Another');
        $this->import($page, $this->person('Mira', $series));
        $print = $this->fingerprint($page);
        $stroke = $this->strokeOp($material);
        $bad = [
            ['kind' => 'explode'],
            $this->fillOp($foreign, 1),
            ['figure' => $foreign->figure_id] + $this->fillOp($material, 1),
            ['labels' => []] + $this->fillOp($material),
            ['points' => [[NAN > 0, 1, 1]]] + $stroke,
            ['points' => [[1, 2]]] + $stroke,
            ['points' => [[1e9, 2, 1]]] + $stroke,
            ['brush' => ['size' => 99999]] + $stroke,
            ['pass' => '../../x'] + $stroke,
            ['make' => ['figure' => $foreign->figure_id] + $stroke['make']] + $stroke,
            ['make' => ['scope' => ['kind' => 'figure', 'id' => $foreign->figure_id]] + $stroke['make']] + $stroke,
            ['kind' => 'pass.change', 'id' => 'nosuchpass', 'values' => ['opacity' => 1]],
        ];
        foreach ($bad as $op) {
            $this->op($page, $op)->assertStatus(422);
        }
        self::assertSame($print, $this->fingerprint($page));
        $this->actingAs($this->person('Mole', $other))
            ->getJson("/api/pages/$page->id")
            ->assertForbidden();
    }

    public function test_paint_is_taken_along_to_another_page_of_the_series(): void
    {
        [$series, $page, $material] = $this->series();
        [, $foreign, $theirs] = $this->series('Another');
        $mira = $this->person('Mira', $series);
        $this->import($page, $mira);
        $this->op($page, $this->fillOp($material, $this->labelAt($page, 120, 200)))->assertOk();
        $this->op(
            $page,
            ['points' => [[100, 200, 1], [140, 200, 1]]] + $this->strokeOp($material, 'fromhere01'),
        )->assertOk();
        $next = Page::query()
            ->create(['series_id' => $series->id, 'number' => 2, 'title' => 'Dusk'])
            ->refresh();
        $this->import($next, $mira);
        $this->op($next, $this->fillOp($material, $this->labelAt($next, 120, 200)))->assertOk();
        $make = $this->strokeOp($material)['make'];
        $put = fn (array $more = []): array => $more + [
            'kind' => 'paint.place',
            'pass' => 'puthere001',
            'make' => $make,
            'page' => $page->id,
            'from' => 'fromhere01',
            'outline' => [[70, 170], [170, 170], [170, 230], [70, 230]],
            'by' => [0, 60],
        ];
        $at = fn (int $x, int $y): int => ord(
            (new Sheet(new PageStore($next->refresh())))->layer(LayerName::ofPass('puthere001', LayerKind::Coverage))[
                $y * 600 + $x
            ],
        );
        $this->op($next, $put())->assertOk();
        self::assertSame([255, 0], [$at(120, 260), $at(120, 200)]);
        self::assertSame(
            'Put paint that was taken along',
            JournalEntry::query()->where('page_id', $next->id)->latest('id')->value('title'),
        );
        $this->undo($next)->assertOk();
        self::assertSame(0, $at(120, 260));
        $this->undo($next, 'redo')->assertOk();
        self::assertSame(255, $at(120, 260));
        // Not from a page of another series, though the person may see that; not what is gone; not into what is not of
        // the series.
        Member::query()->create([
            'series_id' => $theirs->figure->series_id,
            'user_id' => $mira->id,
            'role' => Role::Colourist,
        ]);
        $this->import($foreign, $mira);
        $this->op($foreign, $this->fillOp($theirs, $this->labelAt($foreign, 120, 200)))->assertOk();
        $this->op(
            $foreign,
            ['points' => [[100, 200, 1], [140, 200, 1]]] + $this->strokeOp($theirs, 'fromhere01'),
        )->assertOk();
        $print = $this->fingerprint($next);
        self::assertStringContainsString(
            'not in this series',
            (string) $this->op($next, $put(['page' => $foreign->id]))->assertStatus(422)->json('message'),
        );
        foreach (
            [
                ['page' => 999_999],
                ['from' => 'nosuchpass'],
                ['outline' => [[400, 10], [420, 10], [420, 30]]],
                ['pass' => 'puthere002', 'make' => ['figure' => $theirs->figure_id] + $make],
            ] as $bad
        ) {
            $this->op($next, $put($bad))->assertStatus(422);
        }
        self::assertSame($print, $this->fingerprint($next));
    }

    public function test_reduced_tiles_are_averages_and_tiles_come_only_to_members(): void
    {
        [$series, $page, $material] = $this->series();
        $this->import($page, $this->person('Mira', $series));
        $store = new PageStore($page);
        $full = $store->tile(LayerName::ink(), 0, 0) ?? '';
        $half = (new Pyramid($store, 1))->tile(LayerName::ink(), 0, 0) ?? '';
        foreach ([[20, 40], [21, 31], [99, 33], [60, 60]] as [$x, $y]) {
            $at = fn (int $dx, int $dy): int => ord($full[(2 * $y + $dy) * 256 + 2 * $x + $dx]);
            self::assertEqualsWithDelta(
                ($at(0, 0) + $at(1, 0) + $at(0, 1) + $at(1, 1)) / 4,
                ord($half[$y * 256 + $x]),
                1.5,
                "$x, $y",
            );
        }
        $answer = $this->postJson("/api/pages/$page->id/tiles", [
            'level' => 0,
            'want' => [['ink', 0, 0], ['pass:none', 0, 0]],
        ])
            ->assertOk()
            ->getContent();
        $length = unpack('N', (string) $answer)[1];
        self::assertSame($full, gzuncompress(substr((string) $answer, 36, $length)));
        self::assertSame(str_repeat("\0", 36), substr((string) $answer, 36 + $length));
        $this->postJson("/api/pages/$page->id/tiles", ['level' => 0, 'want' => [['../etc', 0, 0]]])->assertStatus(422);
        $named = ['layer' => [], 'column' => 0, 'row' => 0];
        $this->postJson("/api/pages/$page->id/tiles", ['level' => 0, 'want' => [$named]])->assertStatus(422);
        $hash = $store->hashesOf(LayerName::ink())['0,0'];
        self::assertSame($hash, bin2hex(substr((string) $answer, 4, 32)), 'a tile is told its name');
        // The names a page is opened with are those its tiles are kept under, at every level.
        $names = $this->getJson("/api/pages/$page->id")->json('tiles');
        foreach ([0, 1, 2, 3, 4] as $level) {
            foreach ($names[$level]['flats'] as $place => $name) {
                [$column, $row] = array_map(intval(...), explode(',', $place));
                self::assertSame(
                    (new Pyramid($store, $level))->hash(LayerName::flats(), $column, $row),
                    $name,
                    "level $level, $place",
                );
            }
        }
        self::assertSame([6, 2, 1, 1, 1], array_map(fn (array $level): int => count($level['flats']), $names));
        $this->get("/pages/$page->id/tiles/$hash")
            ->assertOk()
            ->assertHeader('Cache-Control', 'immutable, max-age=31536000, private');
        $this->get("/pages/$page->id/tiles/".str_repeat('0', 64))->assertNotFound();
    }

    public function test_the_sweep_takes_only_what_nothing_refers_to(): void
    {
        [$series, $page, $material] = $this->series();
        $this->import($page, $this->person('Mira', $series));
        $this->op($page, $this->strokeOp($material))->assertOk();
        $this->undo($page)->assertOk();
        DB::table('tiles')->insert(['hash' => str_repeat('f', 64), 'bytes' => 'x']);
        DB::table('tiles')->update(['made_at' => now()->subDays(9)]);
        self::assertSame(1, (new TileSweep)->run(48));
        $this->undo($page, 'redo')->assertOk();
        self::assertNotNull((new PageStore($page))->tile(LayerName::parse('pass:shadepass1'), 0, 0));
    }

    public function test_cleaning_again_moves_the_ink_and_keeps_the_fills(): void
    {
        [$series, $page, $material] = $this->series();
        $this->import($page, $this->person('Mira', $series));
        $this->op($page, $this->fillOp($material, $this->labelAt($page, 120, 200)))->assertOk();
        $print = $this->fingerprint($page);
        $ink = (new PageStore($page))->tile(LayerName::ink(), 0, 0);
        $this->postJson("/api/pages/$page->id/tasks/clean", $this->cleaning($page, ['weight' => 7]))->assertStatus(422);
        $this->postJson("/api/pages/$page->id/tasks/clean", $this->cleaning($page, [], ['scale' => 0]))->assertStatus(
            422,
        );
        $task = $this->postJson(
            "/api/pages/$page->id/tasks/clean",
            $this->cleaning($page, ['paper' => 120, 'ink' => 255]),
        )
            ->assertStatus(202)
            ->json('id');
        $this->getJson("/api/tasks/$task")->assertJson(['state' => 'done']);
        self::assertNotSame($ink, (new PageStore($page))->tile(LayerName::ink(), 0, 0));
        self::assertSame(
            $material->id,
            (new Sheet(new PageStore($page)))->find(Region::class, $this->labelAt($page, 120, 200))?->material,
        );
        $this->undo($page)->assertOk();
        self::assertSame($print, $this->fingerprint($page));
    }

    public function test_stopped_work_changes_nothing(): void
    {
        [$series, $page] = $this->series();
        $user = $this->person('Mira', $series);
        $this->import($page, $user);
        $print = $this->fingerprint($page);
        $task = Task::query()->create([
            'page_id' => $page->id,
            'user_id' => $user->id,
            'kind' => 'clean',
            'state' => 'waiting',
            'progress' => 0,
            'message' => '',
            'input' => ['clean' => ['paper' => 90, 'ink' => 120]],
        ]);
        $this->deleteJson("/api/tasks/$task->id")->assertJson(['state' => 'stopped']);
        \App\Jobs\NextTask::dispatch('long');
        self::assertSame($print, $this->fingerprint($page));
    }

    public function test_a_second_drawing_is_laid_beside_the_first_and_may_become_an_underdrawing(): void
    {
        [$series, $page] = $this->series();
        $this->import($page, $this->person('Mira', $series));
        $ink = fn (): string => (new Sheet(new PageStore($page->refresh())))->layer(LayerName::ink());
        $first = $ink();
        $task = $this->post("/api/pages/$page->id/tasks/import", [
            'lease' => self::LEASE,
            'drawing' => 'drawing2',
            'scan' => $this->upload($this->scanBytes(), 'figure.png'),
        ])
            ->assertStatus(202)
            ->json('id');
        $this->getJson("/api/tasks/$task")->assertJson(['state' => 'done']);
        self::assertSame($first, $ink(), 'the same lines in the same place');
        $body =
            ['drawing' => 'drawing2'] +
            $this->cleaning($page, ['turn' => 0], ['x' => 250.0, 'y' => 210.0, 'scale' => 0.5]);
        $task = $this->postJson("/api/pages/$page->id/tasks/clean", $body)
            ->assertStatus(202)
            ->json('id');
        $this->getJson("/api/tasks/$task")->assertJson(['state' => 'done']);
        $both = $ink();
        self::assertGreaterThan(
            substr_count($first, "\xff") * 1.05,
            substr_count($both, "\xff"),
            'a smaller copy lies on it',
        );
        $records = $this->getJson("/api/pages/$page->id")->json('records');
        self::assertSame(['drawing1', 'drawing2'], array_keys($records['drawing']));
        $original = $records['drawing']['drawing2']['original'];
        $view = getimagesizefromstring(
            (string) $this->get("/api/pages/$page->id/originals/$original")
                ->assertOk()
                ->getContent(),
        );
        self::assertSame(
            [600, 400, 'image/jpeg'],
            [$view[0] ?? 0, $view[1] ?? 0, $view['mime'] ?? ''],
            'a picture of it to look at',
        );
        [, $elsewhere] = $this->series('Another');
        $this->get("/api/pages/$elsewhere->id/originals/$original")->assertForbidden();
        self::assertSame(
            [0.5, 'figure.png'],
            [$records['drawing']['drawing2']['place']['scale'], $records['drawing']['drawing2']['name']],
        );
        $this->op($page, [
            'kind' => 'drawing.change',
            'id' => 'drawing2',
            'values' => ['role' => 'underdrawing'],
        ])->assertOk();
        self::assertSame($first, $ink(), 'an underdrawing is no ink');
        self::assertTrue($page->refresh()->behind, 'the regions have yet to follow');
        $task = $this->postJson("/api/pages/$page->id/tasks/regions", ['lease' => self::LEASE])
            ->assertStatus(202)
            ->json('id');
        $this->getJson("/api/tasks/$task")->assertJson(['state' => 'done']);
        self::assertFalse($page->refresh()->behind);
        foreach (range(1, 4) as $ignored) {
            $this->undo($page)->assertOk();
        }
        self::assertSame([$first, 1], [$ink(), DB::table('drawings')->where('page_id', $page->id)->count()]);
    }

    public function test_a_line_is_inked_once_kept_as_a_line_and_never_by_a_flatter(): void
    {
        [$series, $page] = $this->series();
        $user = $this->person('Mira', $series);
        $this->hold($page, $user)->assertOk();
        $this->op($page, ['kind' => 'page.start', 'width' => 700, 'height' => 400, 'dpi' => 300])->assertOk();
        $body = [
            'id' => self::opId(),
            'base' => $page->refresh()->revision,
            'lease' => self::LEASE,
            'op' => [
                'kind' => 'ink.draw',
                'strokes' => [
                    [
                        'id' => 'line0001',
                        'stroke' => [
                            'points' => [[40, 40, 'NaN'], [500, 300, 9]],
                            'weight' => 9,
                            'taper' => 0,
                            'steady' => 0,
                        ],
                    ],
                ],
            ],
        ];
        $this->postJson("/api/pages/$page->id/ops", $body)->assertOk();
        $this->postJson("/api/pages/$page->id/ops", $body)->assertOk();
        self::assertSame(1, DB::table('ink_strokes')->where('page_id', $page->id)->count());
        self::assertSame(
            [[[40, 40, 1], [500, 300, 1]], 9],
            [
                $this->getJson("/api/pages/$page->id")->json('records.stroke.line0001.points'),
                $this->getJson("/api/pages/$page->id")->json('records.stroke.line0001.weight'),
            ],
        );
        self::assertSame("\xff", (new Sheet(new PageStore($page)))->layer(LayerName::ink())[170 * 700 + 270]);
        $this->undo($page)->assertOk();
        self::assertSame(0, DB::table('ink_strokes')->where('page_id', $page->id)->count());
        self::assertSame('', trim((new Sheet(new PageStore($page)))->layer(LayerName::ink()), "\0"));
        $this->op($page, ['kind' => 'ink.draw', 'strokes' => array_fill(0, 501, ['id' => 'line0001'])])->assertStatus(
            422,
        );
        $this->op($page, ['kind' => 'page.start', 'width' => 700, 'height' => 400, 'dpi' => 300])->assertStatus(422);
    }

    public function test_what_should_be_known_of_an_import_is_said(): void
    {
        [$series, $page] = $this->series();
        $this->hold($page, $this->person('Mira', $series))->assertOk();
        $import = function (string $bytes, string $name) use ($page): string {
            $task = $this->post("/api/pages/$page->id/tasks/import", [
                'lease' => self::LEASE,
                'drawing' => 'drawing1',
                'scan' => $this->upload($bytes, $name),
            ])
                ->assertStatus(202)
                ->json('id');

            return (string) $this->getJson("/api/tasks/$task")
                ->assertJson(['state' => 'done'])
                ->json('message');
        };
        self::assertSame('Done', $import($this->scanBytes(), 'scan.png'));
        $two = new \Imagick;
        foreach ([600, 610] as $width) {
            $two->readImageBlob($this->scanBytes($width, 400));
        }
        $two->setFormat('tiff');
        self::assertSame(
            'Picture 1 of 2 in the file was taken; Place takes another.',
            $import($two->getImagesBlob(), 'both.tif'),
        );
        $pdf = new \Imagick;
        $pdf->readImageBlob($this->scanBytes());
        $pdf->setImageFormat('jpeg');
        $jpeg = $pdf->getImageBlob();
        self::assertSame(
            'Picture 1 of 2 in the file was taken; Place takes another.',
            $import($this->pdf($jpeg, 600, 400, 2), 'pages.pdf'),
        );
        self::assertSame([600, 400], [$page->refresh()->width, $page->height]);
        $layered = sys_get_temp_dir().'/awning-'.bin2hex(random_bytes(6)).'.ora';
        $writer = new OpenRasterWriter($layered);
        $sent = $this->upload($this->scanBytes());
        $under = (new ImageReader)->read($sent->path())->paint;
        $row = str_repeat("\0", 100).str_repeat("\xff", 30).str_repeat("\0", 470);
        $alpha = str_repeat("\0", 200 * 600).str_repeat($row, 30).str_repeat("\0", 170 * 600);
        $grey = str_repeat("\x14", 600 * 400);
        $dot = new Paint(600, 400, $grey, $grey, $grey, $alpha);
        $writer->finish(new OraStack([$writer->layer($under, 'paper'), $writer->layer($dot, 'dot')]), $under, 300);
        self::assertSame('Done', $import((string) file_get_contents($layered), 'page.ora'));
        unlink($layered);
        self::assertSame(
            "\xff",
            (new Sheet(new PageStore($page->refresh())))->layer(LayerName::ink())[215 * 600 + 115],
            'what a layer adds is there',
        );
        $broken = $this->post("/api/pages/$page->id/tasks/import", [
            'lease' => self::LEASE,
            'scan' => $this->upload('%PDF-1.4 nothing', 'broken.pdf'),
        ])
            ->assertStatus(202)
            ->json('id');
        $this->getJson("/api/tasks/$broken")->assertJson([
            'state' => 'failed',
            'message' => 'The PDF could not be opened: it is damaged, locked, or asks for more than a page needs. '
                .'Export the page as PNG and send that.',
        ]);
        $huge = $this->post("/api/pages/$page->id/tasks/import", [
            'lease' => self::LEASE,
            'scan' => $this->upload($this->pdf($jpeg, 90_000, 400, 1), 'huge.pdf'),
        ])
            ->assertStatus(202)
            ->json('id');
        self::assertStringStartsWith(
            'The page would be',
            (string) $this->getJson("/api/tasks/$huge")
                ->assertJson(['state' => 'failed'])
                ->json('message'),
        );
        $blank = new \Imagick;
        $blank->newImage(600, 400, new \ImagickPixel('#eeeeee'), 'png');
        self::assertStringStartsWith('Next to no ink was found.', $import($blank->getImageBlob(), 'blank.png'));
    }

    public function test_another_picture_of_the_same_file_is_taken(): void
    {
        [$series, $page] = $this->series();
        $this->hold($page, $this->person('Mira', $series))->assertOk();
        $two = new \Imagick;
        foreach ([600, 610] as $width) {
            $two->readImageBlob($this->scanBytes($width, 400));
        }
        $two->setFormat('tiff');
        $take = function (array $more) use ($page): array {
            $task = $this->post(
                "/api/pages/$page->id/tasks/import",
                ['lease' => self::LEASE, 'drawing' => 'drawing1'] + $more,
            )
                ->assertStatus(202)
                ->json('id');

            return $this->getJson("/api/tasks/$task")->json();
        };
        $take(['scan' => $this->upload($two->getImagesBlob(), 'both.tif')]);
        $drawing = fn (): array => $this->getJson("/api/pages/$page->id")->json('records.drawing.drawing1');
        $original = $drawing()['original'];
        self::assertSame([600, 1, 2], [$drawing()['width'], $drawing()['picture'], $drawing()['pictures']]);
        self::assertSame('done', $take(['original' => $original, 'picture' => 2])['state']);
        self::assertSame(
            [610, 2, $original, 610],
            [$drawing()['width'], $drawing()['picture'], $drawing()['original'], $page->refresh()->width],
        );
        $task = $this->postJson("/api/pages/$page->id/tasks/clean", $this->cleaning($page, ['turn' => 0]))
            ->assertStatus(202)
            ->json('id');
        $this->getJson("/api/tasks/$task")->assertJson(['state' => 'done']);
        self::assertSame([610, 2], [$drawing()['width'], $drawing()['picture']], 'cleaning again stays with it');
        $failed = $take(['original' => $original, 'picture' => 3]);
        self::assertSame(['failed', 'The file has no picture 3: it has 2.'], [$failed['state'], $failed['message']]);
        self::assertSame(
            [1, 'both.tif'],
            [
                DB::table('originals')->where('page_id', $page->id)->count(),
                DB::table('originals')->where('page_id', $page->id)->value('name'),
            ],
            'the file stays kept',
        );
        $jpeg = new \Imagick;
        $jpeg->readImageBlob($this->scanBytes());
        $jpeg->setImageFormat('jpeg');
        self::assertSame(
            'done',
            $take([
                'scan' => $this->upload($this->pdf($jpeg->getImageBlob(), 600, 400, 2), 'pages.pdf'),
                'picture' => 2,
            ])['state'],
        );
        self::assertSame([2, 'pages.pdf'], [$drawing()['picture'], $drawing()['name']]);
        self::assertSame(
            'The file has no picture 9: it has 2.',
            $take(['original' => $drawing()['original'], 'picture' => 9])['message'],
        );
    }

    public function test_a_drawing_of_shapes_is_drawn_without_what_is_not_shapes(): void
    {
        [$series, $page] = $this->series();
        $this->hold($page, $this->person('Mira', $series))->assertOk();
        $import = function (string $svg) use ($page): array {
            $task = $this->post("/api/pages/$page->id/tasks/import", [
                'lease' => self::LEASE,
                'drawing' => 'drawing1',
                'scan' => $this->upload($svg, 'lines.svg'),
            ])
                ->assertStatus(202)
                ->json('id');

            return $this->getJson("/api/tasks/$task")->json();
        };
        $frame = '<rect x="10" y="10" width="180" height="80" fill="none" stroke="black" stroke-width="4"/>';
        $outside = sys_get_temp_dir().'/awning-outside.svg';
        file_put_contents(
            $outside,
            '<svg xmlns="http://www.w3.org/2000/svg" width="50" height="50"><rect width="50" height="50"/></svg>',
        );
        self::assertSame(
            'done',
            $import(
                '<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" '
                    .'xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 200 100">'.
                    $frame.
                    '<image x="80" y="40" width="30" height="30" xlink:href="file://'.
                    $outside.
                    '"/><script>while(true){}</script></svg>',
            )['state'],
        );
        unlink($outside);
        $page->refresh();
        self::assertSame([4000, 2000], [$page->width, $page->height], 'as large as a page');
        $ink = (new Sheet(new PageStore($page)))->layer(LayerName::ink());
        self::assertSame(
            ["\xff", "\0", "\0"],
            [$ink[1000 * 4000 + 200], $ink[1000 * 4000 + 400], $ink[1000 * 4000 + 1800]],
            'the frame, and nothing from outside',
        );
        foreach (
            [
                '<svg xmlns="http://www.w3.org/2000/svg" width="10" height="10"><g>' => 'This is not an SVG drawing',
                '<svg xmlns="http://www.w3.org/2000/svg"/>' => 'The SVG does not say how large',
                '<svg xmlns="http://www.w3.org/2000/svg" width="30000" height="30000"/>' => 'The drawing would be',
                '<!DOCTYPE svg [<!ENTITY a "b">]><svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>' => 'The SVG has entities',
            ] as $svg => $said
        ) {
            $file = $this->upload($svg, 'lines.svg');
            $answer = $this->post("/api/pages/$page->id/tasks/import", ['lease' => self::LEASE, 'scan' => $file]);
            $task = $answer->status() === 202 ? $this->getJson('/api/tasks/'.$answer->json('id'))->json() : null;
            self::assertStringStartsWith($said, (string) ($task['message'] ?? $answer->json('message')));
        }
    }

    public function test_a_drawing_is_looked_at_before_it_is_cleaned_otherwise(): void
    {
        [$series, $page] = $this->series();
        $this->import($page, $this->person('Mira', $series));
        $look = fn (array $clean, array $more = []) => $this->postJson(
            "/api/pages/$page->id/drawings/drawing1/look",
            $more + ['clean' => ['turn' => 0.0] + $clean, 'level' => 0, 'tiles' => [0, 0, 3, 2]],
        );
        $print = $this->fingerprint($page);
        $now = $this->getJson("/api/pages/$page->id")->json('records.drawing.drawing1.clean');
        $seen = function (array $clean) use ($look, $now): array {
            $answer = $look($clean + $now)->assertOk();
            $file = sys_get_temp_dir().'/awning-look.png';
            file_put_contents($file, (string) $answer->getContent());
            $plane = (new ImageReader)->read($file)->paint;
            unlink($file);

            return [
                $answer->headers->get('X-Awning-Place'),
                $plane->width,
                $plane->height,
                $plane->at(38, 200)[0],
                $plane->at(42, 200)[0],
            ];
        };
        self::assertSame(['0 0', 768, 512, 255, 0], $seen([]));
        self::assertSame(['0 0', 768, 512, 0, 0], $seen(['weight' => 3]), 'heavier by three');
        self::assertSame(['0 0', 768, 512, 255, 255], $seen(['weight' => -3]), 'and lighter');
        [$place, $width, $height, , $line] = $seen(['flatten' => 0.5]);
        self::assertSame(
            ['drawing', 600, 400, 0],
            [$place, $width, $height, $line],
            'the whole of it, where the paper counts',
        );
        $look(['weight' => 9])->assertStatus(422);
        $look([], ['tiles' => [0, 0, 40, 40]])->assertStatus(422);
        $look([], ['tiles' => [3, 0, 3, 2]])->assertStatus(422);
        $this->postJson("/api/pages/$page->id/drawings/nosuchone/look", [
            'clean' => [],
            'level' => 0,
            'tiles' => [0, 0, 1, 1],
        ])->assertStatus(422);
        $this->postJson("/api/pages/$page->id/drawings/nosuchone/look", [
            'clean' => ['weight' => 1],
            'level' => 0,
            'tiles' => [0, 0, 1, 1],
        ])->assertNotFound();
        self::assertSame($print, $this->fingerprint($page), 'looking changes nothing');
    }

    public function test_cues_say_what_they_mean_and_change_nothing(): void
    {
        [$series, $page, $material] = $this->series();
        $this->import($page, $this->person('Mira', $series));
        $labels = array_map(fn (array $at): int => $this->labelAt($page, ...$at), [
            [120, 200],
            [300, 200],
            [480, 200],
            [5, 5],
        ]);
        $print = $this->fingerprint($page);
        $cues = fn (array $dabs) => $this->postJson("/api/pages/$page->id/cues", ['dabs' => $dabs]);
        $cues([['label' => [], 'material' => 1, 'length' => 1]])->assertStatus(422);
        $meant = $cues([[$labels[0], 51, 9], [$labels[0], 52, 4], [$labels[2], 52, 1]])
            ->assertOk()
            ->json();
        self::assertSame([51, 52], [$meant[$labels[0]], $meant[$labels[2]]]);
        self::assertCount(4, $meant, 'every region takes one');
        self::assertSame($print, $this->fingerprint($page));
        $this->op($page, $this->fillOp($material, $labels[1]))->assertOk();
        $meant = $cues([[$labels[0], 51, 9]])
            ->assertOk()
            ->json();
        self::assertArrayNotHasKey($labels[1], $meant, 'what is filled stays');
        self::assertSame(51, $meant[$labels[0]]);
        self::assertSame(
            [$material->id],
            array_values(array_unique($cues([[$labels[1], $material->id, 3]])->json())),
            'with one cue all become that',
        );
        foreach ([[], [[0, 1, 1]], [[1, 1]], [['a', 1, 1]], [[1, 1, 0]]] as $bad) {
            $cues($bad)->assertStatus(422);
        }
    }

    public function test_an_import_that_is_stopped_leaves_no_file(): void
    {
        [$series, $page] = $this->series();
        $this->import($page, $this->person('Mira', $series));
        config(['queue.default' => 'database']);
        $kept = DB::table('originals')->pluck('path')->all();
        $other = $this->scanBytes(620, 400);
        $task = $this->post("/api/pages/$page->id/tasks/import", [
            'lease' => self::LEASE,
            'scan' => $this->upload($other, 'other.png'),
        ])
            ->assertStatus(202)
            ->json('id');
        self::assertCount(2, DB::table('originals')->get());
        $this->deleteJson("/api/tasks/$task")->assertJson(['state' => 'stopped']);
        self::assertSame($kept, DB::table('originals')->pluck('path')->all());
        self::assertFalse(
            Storage::disk('works')->exists(sprintf('originals/%d/%s', $page->id, hash('sha256', $other))),
        );
        self::assertTrue(Storage::disk('works')->exists($kept[0]));
        $again = $this->post("/api/pages/$page->id/tasks/import", [
            'lease' => self::LEASE,
            'original' => DB::table('originals')->value('id'),
        ])
            ->assertStatus(202)
            ->json('id');
        $this->deleteJson("/api/tasks/$again")->assertJson(['state' => 'stopped']);
        self::assertSame($kept, DB::table('originals')->pluck('path')->all(), 'a file that is on the page stays');
    }

    public function test_lines_leave_as_svg_and_come_back(): void
    {
        [$series, $page] = $this->series();
        $this->hold($page, $this->person('Mira', $series))->assertOk();
        $this->get("/api/pages/$page->id/lines")->assertStatus(422);
        $this->op($page, ['kind' => 'page.start', 'width' => 700, 'height' => 400, 'dpi' => 300])->assertOk();
        $stroke = [
            'points' => [[40, 40, 0.5], [500, 300, 1]],
            'weight' => 9,
            'taper' => 0.25,
            'steady' => 0,
            'grain' => 0.5,
        ];
        $this->op($page, ['kind' => 'ink.draw', 'strokes' => [['id' => 'line0001', 'stroke' => $stroke]]])->assertOk();
        $svg = (string) $this->get("/api/pages/$page->id/lines")
            ->assertOk()
            ->assertHeader('Content-Type', 'image/svg+xml')
            ->getContent();
        $this->postJson("/api/pages/$page->id/lines", ['svg' => $svg])
            ->assertOk()
            ->assertExactJson([$stroke]);
        $this->postJson("/api/pages/$page->id/lines", ['svg' => '<!DOCTYPE svg><svg/>'])->assertJsonValidationErrorFor(
            'svg',
        );
        $this->postJson("/api/pages/$page->id/lines", ['svg' => ['a']])->assertJsonValidationErrorFor('svg');
        $this->op($page, [
            'kind' => 'ink.draw',
            'strokes' => [
                ['id' => 'line0002', 'stroke' => ['points' => [[506, 303, 1], [690, 300, 1]], 'weight' => 4]],
            ],
        ])->assertOk();
        $proposed = $this->postJson("/api/pages/$page->id/lines/tidy", ['overshoot' => 5, 'gap' => 12])
            ->assertOk()
            ->json();
        self::assertSame(['line0001', 'line0002'], array_column($proposed, 'id'));
        self::assertEqualsWithDelta([503, 301.5], array_slice($proposed[0]['stroke']['points'][1], 0, 2), 1e-9);
        $this->postJson("/api/pages/$page->id/lines/tidy", [
            'overshoot' => 'much',
            'gap' => 900,
        ])->assertJsonValidationErrors(['overshoot', 'gap']);
        self::assertSame(2, DB::table('ink_strokes')->count(), 'asking changes nothing');
        $lines = fn (): array => (new Sheet(new PageStore($page->refresh())))->all(InkStroke::class);
        self::assertNotSame($proposed[0]['stroke'], $lines()['line0001']->toData());
        $task = $this->postJson("/api/pages/$page->id/tasks/tidy", [
            'lease' => self::LEASE,
            'overshoot' => 5,
            'gap' => 12,
        ])
            ->assertStatus(202)
            ->json('id');
        $this->getJson("/api/tasks/$task")->assertJson(['state' => 'done']);
        self::assertEquals(
            array_column($proposed, 'stroke'),
            array_map(fn (InkStroke $line): array => $line->toData(), array_values($lines())),
            'what was shown is done',
        );
        self::assertSame(0.5, $lines()['line0001']->grain);
        $task = $this->postJson("/api/pages/$page->id/tasks/tidy", [
            'lease' => self::LEASE,
            'overshoot' => 5,
            'gap' => 12,
        ])
            ->assertStatus(202)
            ->json('id');
        $this->getJson("/api/tasks/$task")->assertJson([
            'state' => 'failed',
            'message' => 'All lines meet already. Nothing was changed.',
        ]);
        $this->postJson("/api/pages/$page->id/tasks/tidy", [
            'lease' => 'anotherlease00',
            'overshoot' => 5,
            'gap' => 12,
        ])->assertStatus(409);
    }

    public function test_a_photographed_sheet_is_cut_out_and_set_straight(): void
    {
        [$series, $page] = $this->series();
        $this->hold($page, $this->person('Mira', $series))->assertOk();
        $photo = new \Imagick;
        $photo->newImage(800, 600, new \ImagickPixel('#4a3a2c'), 'png');
        $draw = new \ImagickDraw;
        $draw->setFillColor('#f0eadc');
        $draw->polygon([
            ['x' => 150, 'y' => 80],
            ['x' => 620, 'y' => 110],
            ['x' => 700, 'y' => 540],
            ['x' => 110, 'y' => 500],
        ]);
        $draw->setStrokeColor('#181818');
        $draw->setStrokeWidth(5);
        $draw->line(300, 200, 500, 420);
        $photo->drawImage($draw);
        $task = $this->post("/api/pages/$page->id/tasks/import", [
            'lease' => self::LEASE,
            'scan' => $this->upload($photo->getImageBlob(), 'photo.png'),
        ])
            ->assertStatus(202)
            ->json('id');
        $this->getJson("/api/tasks/$task")->assertJson(['state' => 'done']);
        $found = $this->getJson("/api/pages/$page->id")->json('records.drawing.drawing1');
        self::assertEqualsWithDelta(
            [150, 80, 700, 540],
            [...$found['found']['sheet'][0], ...$found['found']['sheet'][2]],
            12,
        );
        $task = $this->postJson(
            "/api/pages/$page->id/tasks/clean",
            $this->cleaning($page, [], ['corners' => $found['found']['sheet']]),
        )
            ->assertStatus(202)
            ->json('id');
        $this->getJson("/api/tasks/$task")->assertJson(['state' => 'done']);
        $size = (new Sheet(new PageStore($page->refresh())))->size();
        self::assertEqualsWithDelta([525, 425], [$size->width, $size->height], 20, 'the page is the sheet now');
        $drawing = $this->getJson("/api/pages/$page->id")->json('records.drawing.drawing1');
        self::assertSame([0.0, $size->width / 2], [(float) $drawing['found']['turned'], $drawing['place']['x']]);
        $ink = (new Sheet(new PageStore($page)))->layer(LayerName::ink());
        self::assertGreaterThan(800, substr_count($ink, "\xff"), 'the line');
        self::assertSame(0, ord($ink[5 * $size->width + 5]), 'no desk in the corner');
        $this->undo($page)->assertOk();
        self::assertSame(800, $page->refresh()->width);
    }

    /** A PDF whose pages show one JPEG over all of them, at 300 dpi; written by the book (ISO 32000-1, 7.5). */
    private function pdf(string $jpeg, int $width, int $height, int $pages): string
    {
        [$w, $h] = [($width * 72) / 300, ($height * 72) / 300];
        $draw = "q $w 0 0 $h 0 0 cm /I Do Q";
        $kids = implode(' ', array_map(fn (int $i): string => 5 + $i.' 0 R', range(0, $pages - 1)));
        $objects = [
            '<</Type/Catalog/Pages 2 0 R>>',
            "<</Type/Pages/Kids[$kids]/Count $pages>>",
            '<</Type/XObject/Subtype/Image/Width 600/Height 400/ColorSpace/DeviceGray/BitsPerComponent '
                .'8/Filter/DCTDecode/Length '.
            strlen($jpeg).
            ">>stream\n$jpeg\nendstream",
            '<</Length '.strlen($draw).">>stream\n$draw\nendstream",
        ];
        for ($i = 0; $i < $pages; $i++) {
            $objects[] = "<</Type/Page/Parent 2 0 R/MediaBox[0 0 $w $h]/Contents 4 0 R/Resources<</XObject<</I 3 0 R>>>>>>";
        }
        $out = "%PDF-1.4\n";
        $places = '';
        foreach ($objects as $i => $object) {
            $places .= sprintf("%010d 00000 n \n", strlen($out));
            $out .= $i + 1 ." 0 obj\n$object\nendobj\n";
        }
        $count = count($objects) + 1;

        return $out.
            "xref\n0 $count\n0000000000 65535 f \n{$places}trailer<</Size $count/Root 1 0 R>>\nstartxref\n".
            strlen($out).
            "\n%%EOF";
    }

    public function test_the_page_before_tells_what_regions_may_be_that_lie_alike(): void
    {
        [$series, $page, $material] = $this->series();
        $user = $this->person('Mira', $series);
        $next = Page::query()
            ->create(['series_id' => $series->id, 'number' => 2, 'title' => 'Night'])
            ->refresh();
        $this->import($page, $user);
        self::assertSame(
            [],
            $this->getJson("/api/pages/$page->id/before")
                ->assertOk()
                ->json(),
            'the first page has none before it',
        );
        $this->op($page, $this->fillOp($material, $this->labelAt($page, 300, 200)))->assertOk();
        $this->import($next, $user);
        $label = $this->labelAt($next, 300, 200);
        self::assertSame(
            [$label => $material->id],
            $this->getJson("/api/pages/$next->id/before")
                ->assertOk()
                ->json(),
        );
        $this->op($next, $this->fillOp($material, $label))->assertOk();
        self::assertSame([], $this->getJson("/api/pages/$next->id/before")->json(), 'what is filled is not guessed');
    }

    public function test_a_pass_is_brought_back_to_how_it_was_painted_once(): void
    {
        [$series, $page, $material] = $this->series();
        $user = $this->person('Mira', $series);
        $this->import($page, $user);
        $make = [
            'make' => [
                'name' => 'Shade',
                'figure' => $material->figure_id,
                'kind' => 'tone',
                'tone' => 'shade',
                'scope' => ['kind' => 'page', 'id' => 0],
                'mode' => 'normal',
                'opacity' => 1,
            ],
        ];
        $stroke = fn (string $pass, float $x, float $y = 100, bool $erase = false) => $this->op(
            $page,
            [
                'kind' => 'stroke',
                'pass' => $pass,
                'points' => [[$x, $y, 1]],
                'erase' => $erase,
                'brush' => ['size' => 20, 'hardness' => 1, 'opacity' => 1, 'smoothing' => 0],
            ] + $make,
        )->assertOk();
        $at = fn (string $pass, int $x, int $y = 100): int => ord(
            (new Sheet(new PageStore($page->refresh())))->layer(LayerName::ofPass($pass, LayerKind::Coverage))[
                $y * 600 + $x
            ],
        );
        $list = fn (string $pass = 'firstpass1'): array => $this->getJson("/api/pages/$page->id/passes/$pass/history")
            ->assertOk()
            ->json();
        $back = fn (int $entry, string $pass = 'firstpass1') => $this->postJson(
            "/api/pages/$page->id/passes/$pass/history",
            ['entry' => $entry],
        );
        // Three places on two tiles, one of them painted over again; meanwhile another pass; one stroke taken back.
        $stroke('firstpass1', 60);
        $stroke('otherpass1', 60);
        $stroke('firstpass1', 300);
        $stroke('firstpass1', 60, erase: true);
        $stroke('firstpass1', 120);
        $this->undo($page)->assertOk();
        $this->op($page, ['kind' => 'pass.change', 'id' => 'firstpass1', 'values' => ['opacity' => 0.4]])->assertOk();
        $entries = $list();
        self::assertCount(3, $entries, 'what is set is not painted, and what was taken back is not there');
        self::assertSame(['Mira', 'Mira', 'Mira'], array_column($entries, 'who'));
        self::assertGreaterThan($entries[1]['entry'], $entries[0]['entry'], 'the newest first');
        self::assertSame([0, 255], [$at('firstpass1', 60), $at('firstpass1', 300)]);

        self::assertTrue($back($entries[1]['entry'])->assertOk()->json('changed'));
        self::assertSame([255, 255, 255], [$at('firstpass1', 60), $at('firstpass1', 300), $at('otherpass1', 60)]);
        $back($entries[2]['entry'])->assertOk();
        self::assertSame(
            [255, 0, 0.4],
            [
                $at('firstpass1', 60),
                $at('firstpass1', 300),
                (new Sheet(new PageStore($page->refresh())))->find(PassSpec::class, 'firstpass1')?->opacity,
            ],
        );
        self::assertSame('Bring back what was painted', $list()[0]['title']);
        $back($entries[0]['entry'])->assertOk();
        self::assertSame([0, 255], [$at('firstpass1', 60), $at('firstpass1', 300)], 'and forward again');
        $this->undo($page)->assertOk();
        self::assertSame([255, 0], [$at('firstpass1', 60), $at('firstpass1', 300)], 'as one step');
        self::assertFalse($back($list()[0]['entry'])->assertOk()->json('changed'), 'as it is already');

        $back($list('otherpass1')[0]['entry'])->assertStatus(422);
        $this->getJson("/api/pages/$page->id/passes/nosuchpass/history")->assertStatus(422);
        $this->op(
            $page,
            [
                'kind' => 'stroke',
                'pass' => 'otherpass1',
                'points' => [[90, 100, 1]],
                'erase' => false,
                'brush' => ['size' => 20, 'hardness' => 1, 'opacity' => 1, 'smoothing' => 0],
            ] + $make,
        )->assertOk();
        self::assertCount(2, $list('otherpass1'));
        (new PageDesk)->apply($page->refresh(), $user, new EnlargePage(2));
        self::assertSame([], $list('otherpass1'), 'what was painted at another size does not fit any more');
        $this->actingAs($this->person('Flo', $series, Role::Flatter));
        $back($entries[0]['entry'])->assertForbidden();
    }

    public function test_figures_are_renamed_moved_in_depth_and_take_materials_of_others(): void
    {
        [$series, , $material] = $this->series();
        $this->actingAs($this->person('Mira', $series));
        $others = array_map(
            fn (string $name): int => $this->postJson("/api/series/$series->id/ops", [
                'op' => ['kind' => 'figure.add', 'name' => $name],
            ])
                ->assertOk()
                ->json('added'),
            ['Tamsin', 'The ferry'],
        );
        $order = fn (): array => Figure::query()
            ->where('series_id', $series->id)
            ->orderBy('depth')
            ->pluck('name')
            ->all();
        self::assertSame(['Oda Brack', 'Tamsin', 'The ferry'], $order());
        $change = fn (int $figure, array $how) => $this->postJson("/api/series/$series->id/ops", [
            'op' => ['kind' => 'figure.change', 'figure' => $figure] + $how,
        ]);
        $change($material->figure_id, ['nearer' => 1])->assertOk();
        self::assertSame(['Tamsin', 'Oda Brack', 'The ferry'], $order());
        $change($others[1], ['nearer' => -2])->assertOk();
        self::assertSame(['The ferry', 'Tamsin', 'Oda Brack'], $order());
        $change($others[0], ['nearer' => 50])->assertOk();
        self::assertSame(['The ferry', 'Oda Brack', 'Tamsin'], $order());
        $change($others[0], ['name' => 'Tamsin Reed'])
            ->assertOk()
            ->assertJsonPath('shown.figures.0.name', fn (string $name): bool => $name !== 'Tamsin');
        self::assertSame(['The ferry', 'Oda Brack', 'Tamsin Reed'], $order());
        self::assertCount(3, Figure::query()->where('series_id', $series->id)->distinct()->pluck('depth'));

        $soft = fn (): array => Figure::query()
            ->where('series_id', $series->id)
            ->where('soft', true)
            ->pluck('name')
            ->all();
        $core = fn (): array => (new SeriesPalette($series->refresh()))->core()->soft;
        self::assertSame([[], []], [$soft(), $core()]);
        $change($others[0], ['soft' => true])
            ->assertOk()
            ->assertJsonPath('shown.figures.0.soft', true)
            ->assertJsonPath('shown.figures.1.soft', false);
        self::assertSame([['Tamsin Reed'], [$others[0] => true]], [$soft(), $core()]);
        self::assertSame(['The ferry', 'Oda Brack', 'Tamsin Reed'], $order());
        $change($others[0], ['name' => 'Tamsin R.'])->assertOk();
        self::assertSame(['Tamsin R.'], $soft(), 'another change leaves it soft');
        $undo = fn () => $this->postJson("/api/series/$series->id/undo")->assertOk();
        $undo();
        $undo();
        self::assertSame([[], []], [$soft(), $core()]);
        $change($others[0], ['soft' => 'very'])->assertStatus(422);

        $copies = fn () => $this->postJson("/api/series/$series->id/ops", [
            'op' => ['kind' => 'material.copy', 'figure' => $others[0], 'materials' => [$material->id]],
        ])->assertOk();
        $copies();
        $copies();
        $copy = Material::query()->where('figure_id', $others[0])->get();
        self::assertSame(['oilskin'], $copy->pluck('name')->all(), 'only once');
        self::assertSame($material->pinned, $copy[0]->pinned);
        self::assertSame($material->figure_id, $material->refresh()->figure_id, 'the other keeps its own');

        [$foreign, , $theirs] = $this->series('Another Ferry');
        $this->postJson("/api/series/$series->id/ops", [
            'op' => ['kind' => 'material.copy', 'figure' => $others[0], 'materials' => [$theirs->id]],
        ])->assertOk();
        self::assertSame(
            1,
            Material::query()->where('figure_id', $others[0])->count(),
            'nothing of a series that is not one\'s own',
        );
        $change($theirs->figure_id, ['name' => 'Stolen'])->assertStatus(404);
        self::assertNotSame($series->id, $foreign->id);
    }

    public function test_what_is_worth_a_look_has_words_a_place_and_a_mend_and_follows_the_page(): void
    {
        [, $page, $material] = $this->series('The Other Ferry');
        $mira = $this->person('Maja', $page->series);
        $this->actingAs($mira)
            ->getJson("/api/pages/$page->id/findings")
            ->assertOk()
            ->assertExactJson([]);
        $this->import($page, $mira);
        $found = fn (): array => array_column(
            (array) $this->getJson("/api/pages/$page->id/findings")
                ->assertOk()
                ->json(),
            null,
            'kind',
        );
        $labels = array_map(intval(...), array_keys((new Sheet(new PageStore($page->refresh())))->all(Region::class)));
        $open = $found()['unfilled'];
        self::assertSame(
            ['Unfilled regions', 'proof', null, count($labels)],
            [$open['title'], $open['stage'], $open['mend'], count($open['findings'])],
        );
        $this->op($page, [
            'kind' => 'fill',
            'labels' => $labels,
            'figure' => $material->figure_id,
            'material' => $material->id,
        ])->assertOk();
        self::assertArrayNotHasKey('unfilled', $found());
        $make = [
            'name' => 'Rim',
            'figure' => $material->figure_id,
            'content' => ['kind' => 'tint', 'colour' => '#ffe0b0', 'follows' => null],
            'scope' => ['kind' => 'page', 'id' => 0],
            'visible' => false,
        ];
        $this->op($page, ['kind' => 'pass.add', 'id' => 'rolled0001', 'pass' => $make])->assertOk();
        $hidden = $found()['hidden']['findings'];
        self::assertSame(
            [['Rim', null, 'Let down']],
            array_map(fn (array $one): array => [$one['words'], $one['x'], $one['mend']['title']], $hidden),
        );
        $this->op($page, $hidden[0]['mend']['op'])->assertOk();
        self::assertArrayNotHasKey('hidden', $found());
    }
}

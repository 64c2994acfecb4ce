<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\JournalEntry;
use App\Models\Original;
use App\Models\Page;
use App\Models\Role;
use App\Models\Task;
use App\Store\PageStore;
use App\Store\Pyramid;
use App\Store\TileSweep;
use Awning\Core\Codec\ImageReader;
use Awning\Core\Codec\OpenRasterFile;
use Awning\Core\Compose\OpenRasterRenderer;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Region;
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
        return hash('sha256', (string) json_encode([
            DB::table('layer_tiles')->where('page_id', $page->id)->orderBy('layer')->orderBy('column')->orderBy('row')->get(),
            DB::table('pages')->where('id', $page->id)->get(['width', 'height', 'dpi', 'paper', 'ink']),
            ...array_map(fn (string $table) => DB::table($table)->where('page_id', $page->id)->orderBy($table === 'regions' ? 'label' : ($table === 'bridges' ? 'number' : 'id'))->get(), ['regions', 'bridges', 'passes', 'pass_groups']),
        ]));
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
            $task = $this->postJson("/api/pages/$page->id/deliver", ['format' => $format])->assertStatus(202)->json('id');
            $this->getJson("/api/tasks/$task")->assertJson(['state' => 'done', 'download' => "/deliveries/$task"]);
            $file = sys_get_temp_dir()."/awning-test.$format";
            file_put_contents($file, $this->get("/deliveries/$task")->assertOk()->streamedContent());

            return $file;
        };
        $png = (new ImageReader)->read($picture('png'));
        $tones = $material->tones(new \Awning\Core\Colour\ToneRule(\Awning\Core\Colour\Rgb::fromHex($series->light)));
        self::assertSame([...$tones['base']->parts(), 255], $png->paint->at(60, 300));
        self::assertSame([...$tones['shade']->parts(), 255], $png->paint->at(130, 120), 'the shade tone of the material itself');
        self::assertSame([255, 255, 255, 255], $png->paint->at(300, 200), 'another region is not touched');
        self::assertSame(300.0, $png->dpi);
        $ora = (new OpenRasterRenderer(new OpenRasterFile($picture('ora'))))->render();
        foreach ([[60, 300], [130, 120], [300, 200], [42, 100], [110, 108]] as [$x, $y]) {
            for ($c = 0; $c < 3; $c++) {
                self::assertEqualsWithDelta($png->paint->at($x, $y)[$c], $ora->at($x, $y)[$c], 1, "layers and picture agree at $x, $y");
            }
        }
        self::assertSame(600, (new ImageReader)->read($picture('tiff'))->width());
        self::assertSame(600, (new ImageReader)->read($picture('jpeg'))->width());
        self::assertCount(4, Storage::disk('works')->files("deliveries/$page->id"), 'always a new file');
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
        $this->op($page, $this->strokeOp($material), null, 'jonneslease0000')->assertStatus(409)->assertJsonFragment(['reason' => 'lease']);
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
        $this->op($page, $this->strokeOp($material), $base)->assertStatus(409)->assertJsonFragment(['reason' => 'revision', 'revision' => $base + 1]);
        self::assertSame($print, $this->fingerprint($page));
    }

    public function test_a_stale_palette_edit_gets_both_values(): void
    {
        [$series, , $material] = $this->series();
        $this->actingAs($this->person('Mira', $series));
        $path = "/api/series/$series->id/materials/$material->id";
        $this->patchJson($path, ['version' => 1, 'tone' => 'shade', 'colour' => '#112233'])->assertOk()->assertJsonPath('material.tones.shade', '#112233');
        $this->patchJson($path, ['version' => 1, 'tone' => 'shade', 'colour' => '#445566'])->assertStatus(409)->assertJsonPath('theirs.tones.shade', '#112233')->assertJsonPath('yours.colour', '#445566');
        $this->patchJson($path, ['version' => 2, 'tone' => 'shade', 'colour' => null])->assertOk()->assertJsonPath('material.pinned', ['base']);
        $this->patchJson($path, ['version' => 3, 'tone' => 'base', 'colour' => null])->assertStatus(422);
    }

    public function test_changing_a_tone_changes_no_pixel_and_every_page_follows(): void
    {
        [$series, $page, $material] = $this->series();
        $this->import($page, $this->person('Mira', $series));
        $this->op($page, $this->fillOp($material, $this->labelAt($page, 120, 200)))->assertOk();
        $print = $this->fingerprint($page);
        $first = $this->get("/api/pages/$page->id/picture")->assertOk()->getContent();
        $this->patchJson("/api/series/$series->id/materials/$material->id", ['version' => 1, 'tone' => 'base', 'colour' => '#2244cc'])->assertOk();
        self::assertSame($print, $this->fingerprint($page));
        self::assertNotSame($first, $this->get("/api/pages/$page->id/picture")->assertOk()->getContent());
    }

    public function test_bad_files_are_refused_and_nothing_is_stored(): void
    {
        [$series, $page] = $this->series();
        $this->hold($page, $this->person('Mira', $series));
        $good = $this->scanBytes();
        $huge = substr_replace($good, pack('NN', 60000, 60000), 16, 8);
        foreach (['not a picture', '', $huge, '<svg/>'] as $bytes) {
            $this->withHeader('Accept', 'application/json')->post("/api/pages/$page->id/import", ['lease' => self::LEASE, 'scan' => $this->upload($bytes, '../../../etc/scan.png')])->assertStatus(422);
        }
        self::assertSame(0, Original::query()->count());
        self::assertSame(0, Task::query()->count());
        // The head is fine but the rest is missing: found while decoding, said in the task.
        $task = $this->post("/api/pages/$page->id/import", ['lease' => self::LEASE, 'scan' => $this->upload(substr($good, 0, (int) (0.7 * strlen($good))), '../../../etc/scan.png')])->assertStatus(202)->json('id');
        $this->getJson("/api/tasks/$task")->assertJson(['state' => 'failed'])->assertJsonFragment(['message' => 'The image is damaged or cut short and was not opened. Export or scan it again.']);
        self::assertSame(0, DB::table('layer_tiles')->count() + DB::table('regions')->count() + DB::table('journal')->count());
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
        $this->actingAs($this->person('Mole', $other))->getJson("/api/pages/$page->id")->assertForbidden();
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
            self::assertEqualsWithDelta(($at(0, 0) + $at(1, 0) + $at(0, 1) + $at(1, 1)) / 4, ord($half[$y * 256 + $x]), 1.5, "$x, $y");
        }
        $answer = $this->postJson("/api/pages/$page->id/tiles", ['level' => 0, 'want' => [['ink', 0, 0], ['pass:none', 0, 0]]])->assertOk()->getContent();
        $length = unpack('N', (string) $answer)[1];
        self::assertSame($full, gzuncompress(substr((string) $answer, 36, $length)));
        self::assertSame(str_repeat("\0", 36), substr((string) $answer, 36 + $length));
        $this->postJson("/api/pages/$page->id/tiles", ['level' => 0, 'want' => [['../etc', 0, 0]]])->assertStatus(422);
        $hash = $store->hashesOf(LayerName::ink())['0,0'];
        self::assertSame($hash, bin2hex(substr((string) $answer, 4, 32)), 'a tile is told its name');
        // The names a page is opened with are those its tiles are kept under, at every level.
        $names = $this->getJson("/api/pages/$page->id")->json('tiles');
        foreach ([0, 1, 2, 3, 4] as $level) {
            foreach ($names[$level]['flats'] as $place => $name) {
                [$column, $row] = array_map(intval(...), explode(',', $place));
                self::assertSame((new Pyramid($store, $level))->hash(LayerName::flats(), $column, $row), $name, "level $level, $place");
            }
        }
        self::assertSame([6, 2, 1, 1, 1], array_map(fn (array $level): int => count($level['flats']), $names));
        $this->get("/pages/$page->id/tiles/$hash")->assertOk()->assertHeader('Cache-Control', 'immutable, max-age=31536000, private');
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
        $this->postJson("/api/pages/$page->id/clean", ['lease' => self::LEASE, 'paper' => 120, 'ink' => 100])->assertStatus(422);
        $task = $this->postJson("/api/pages/$page->id/clean", ['lease' => self::LEASE, 'paper' => 120, 'ink' => 255])->assertStatus(202)->json('id');
        $this->getJson("/api/tasks/$task")->assertJson(['state' => 'done']);
        self::assertNotSame($ink, (new PageStore($page))->tile(LayerName::ink(), 0, 0));
        self::assertSame($material->id, (new Sheet(new PageStore($page)))->find(Region::class, $this->labelAt($page, 120, 200))?->material);
        $this->undo($page)->assertOk();
        self::assertSame($print, $this->fingerprint($page));
    }

    public function test_stopped_work_changes_nothing(): void
    {
        [$series, $page] = $this->series();
        $user = $this->person('Mira', $series);
        $this->import($page, $user);
        $print = $this->fingerprint($page);
        $task = Task::query()->create(['page_id' => $page->id, 'user_id' => $user->id, 'kind' => 'clean', 'state' => 'waiting', 'progress' => 0, 'message' => '', 'input' => ['paper' => 90, 'ink' => 120]]);
        $this->deleteJson("/api/tasks/$task->id")->assertJson(['state' => 'stopped']);
        \App\Jobs\CleanInk::dispatch($task->id);
        self::assertSame($print, $this->fingerprint($page));
    }
}

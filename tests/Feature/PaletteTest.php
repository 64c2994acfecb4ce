<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Desk\Page\PageDesk;
use App\Desk\Page\PagePicture;
use App\Desk\Palette\FigureLinks;
use App\Desk\Palette\SeriesDesk;
use App\Desk\Palette\SeriesPalette;
use App\Desk\SeriesOps\AddFigure;
use App\Desk\SeriesOps\AddMaterial;
use App\Models\Figure;
use App\Models\Material;
use App\Models\Member;
use App\Models\Page;
use App\Models\RegionRow;
use App\Models\Role;
use App\Models\Series;
use App\Models\SeriesBrush;
use App\Models\SeriesEntry;
use App\Models\SeriesSetup;
use App\Models\User;
use App\Store\PageStore;
use Awning\Core\Brush\BroughtTip;
use Awning\Core\Brush\BrushBox;
use Awning\Core\Brush\Tip;
use Awning\Core\Brush\TipKind;
use Awning\Core\Codec\ImageReader;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Colour\Derivation;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\ShadeHue;
use Awning\Core\Colour\ToneRule;
use Awning\Core\Exchange\PaletteFiles;
use Awning\Core\Light\Plan\LightColours;
use Awning\Core\Light\Plan\RoughDials;
use Awning\Core\Page\Pass\LightPart;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\RecordKind;
use Awning\Core\Page\Region\Region;
use Awning\Core\Page\Setup\Setup;
use Awning\Core\Page\Setup\SetupMarks;
use Awning\Core\Raster\Plane;
use Awning\Core\Sheet\Export\StackBuilder;
use Awning\Core\Sheet\OpKinds;
use Awning\Core\Sheet\Sheet;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

/** A palette that is changed, by one or by two, taken back, emptied, and carried to files and back. */
final class PaletteTest extends TestCase
{
    use RefreshDatabase;

    private Series $series;

    private Page $page;

    private Material $oilskin;

    private Material $skin;

    private Material $brass;

    private User $mira;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->series, $this->page, $this->oilskin] = $this->series();
        $this->mira = $this->person('Mira', $this->series);
        $desk = new SeriesDesk;
        $this->skin = $this->added(
            $desk->apply($this->series, $this->mira, new AddMaterial($this->oilskin->figure, 'skin', '#c98d6b')),
        );
        $purser = Figure::query()->findOrFail(
            $desk->apply($this->series, $this->mira, new AddFigure('Tin Purser'))->records[0][1],
        );
        $this->brass = $this->added(
            $desk->apply($this->series, $this->mira, new AddMaterial($purser, 'brass', '#b08a3c')),
        );
        $this->actingAs($this->mira);
    }

    private function added(SeriesEntry $entry): Material
    {
        return Material::query()->findOrFail($entry->records[0][1]);
    }

    /** @return array<string, mixed> */
    private function change(string $method, string $path, array $body = [], int $status = 200): array
    {
        return (array) $this->json($method, "/api/series/{$this->series->id}/$path", $body)
            ->assertStatus($status)
            ->json();
    }

    /**
     * A change to the series, as a window asks for it.
     *
     * @param  array<string, mixed>  $input  the op's, and beside it its `op_id` and the `page` that shows the answer
     * @return array<string, mixed>
     */
    private function seriesOp(string $kind, array $input = [], int $status = 200): array
    {
        $beside = ['op_id' => 0, 'page' => 0];
        $asked = array_intersect_key($input, $beside) + ['op' => ['kind' => $kind] + array_diff_key($input, $beside)];

        return $this->change('POST', 'ops', $asked, $status);
    }

    /**
     * What came of a change to several pages, page by page.
     *
     * @param  array<string, mixed>  $body
     * @return list<array{page: int, number: int, done: bool, why: string}>
     */
    private function outcomes(string $path, array $body): array
    {
        $task = $this->change('POST', "tasks/$path", $body, 202)['id'];

        return $this->getJson("/api/tasks/$task")
            ->assertJson(['state' => 'done'])
            ->json('outcomes');
    }

    /** What the materials look like on the page, measured by a task. */
    private function colours(): TestResponse
    {
        $task = $this->change('POST', 'tasks/colours', [], 202)['id'];
        $this->getJson("/api/tasks/$task")->assertJson(['state' => 'done']);

        return $this->getJson("/api/pages/{$this->page->id}/colours")->assertOk();
    }

    /** @return array<string, list<string>> names of the materials by figure, in order */
    private function names(): array
    {
        $names = [];
        foreach ($this->change('GET', 'palette')['palette']['figures'] as $figure) {
            $names[$figure['name']] = array_column($figure['materials'], 'name');
        }

        return $names;
    }

    private function version(Material $material): int
    {
        return $material->refresh()->version;
    }

    public function test_materials_are_renamed_moved_and_put_in_order(): void
    {
        $figure = $this->oilskin->figure->name;
        $before = $this->names()[$figure];
        $this->seriesOp('material.change', [
            'material' => $this->skin->id,
            'version' => 1,
            'name' => 'weathered skin',
        ]);
        $this->seriesOp('material.change', ['material' => $this->skin->id, 'version' => 2, 'place' => 0]);
        self::assertSame(['weathered skin', ...array_values(array_diff($before, ['skin']))], $this->names()[$figure]);
        $this->seriesOp('material.change', [
            'material' => $this->brass->id,
            'version' => $this->version($this->brass),
            'figure' => $this->oilskin->figure_id,
            'place' => 1,
        ]);
        self::assertSame('brass', $this->names()[$figure][1]);
        self::assertSame([], $this->names()['Tin Purser']);
        $copy = $this->seriesOp('material.duplicate', ['material' => $this->brass->id]);
        $again = $this->seriesOp('material.duplicate', ['material' => $this->brass->id]);
        self::assertSame(['brass 2', 'brass 3'], array_slice($this->names()[$figure], -2));
        self::assertNotSame($copy['added'], $again['added']);
        $this->seriesOp(
            'material.change',
            ['material' => $this->brass->id, 'version' => $this->version($this->brass), 'figure' => 999_999],
            404,
        );
        [$another] = $this->series('Another');
        $theirs = Material::query()->whereRelation('figure', 'series_id', $another->id)->firstOrFail();
        $this->seriesOp('material.change', ['material' => $theirs->id, 'version' => 1, 'name' => 'x'], 404);
    }

    public function test_undo_goes_back_step_by_step_and_redo_forward(): void
    {
        $figure = $this->oilskin->figure->name;
        $this->seriesOp('tones.pin', [
            'material' => $this->skin->id,
            'version' => 1,
            'tones' => ['shade' => '#112233', 'deep' => '#001122'],
        ]);
        $this->seriesOp('material.change', ['material' => $this->skin->id, 'version' => 2, 'name' => 'hide']);
        self::assertSame('Rename skin', $this->change('GET', 'palette')['undo']);
        self::assertSame('Undo: Rename skin', $this->change('POST', 'undo')['title']);
        self::assertContains('skin', $this->names()[$figure]);
        self::assertSame(
            ['base' => '#c98d6b', 'deep' => '#001122', 'shade' => '#112233'],
            collect($this->skin->refresh()->pinned)
                ->sortKeys()
                ->all(),
        );
        $this->change('POST', 'undo');
        self::assertSame(['base' => '#c98d6b'], $this->skin->refresh()->pinned);
        self::assertSame(5, $this->skin->version, 'a version is never seen twice');
        $this->change('POST', 'redo');
        $this->change('POST', 'redo');
        self::assertSame(['hide', '#112233'], [$this->skin->refresh()->name, $this->skin->pinned['shade']]);
        $this->change('POST', 'redo', [], 409);
        $this->change('POST', 'undo');
        $this->seriesOp('figure.change', ['figure' => $this->oilskin->figure_id, 'name' => 'Oda']);
        $this->change('POST', 'redo', [], 409);
        // What was added goes, and comes again under the same id.
        foreach (range(1, 10) as $_) {
            $this->json('POST', "/api/series/{$this->series->id}/undo");
        }
        self::assertArrayNotHasKey('Tin Purser', $this->names());
        self::assertNull($this->change('GET', 'palette')['undo']);
        $id = self::opId();
        $this->change('POST', 'redo', ['op_id' => $id]);
        $this->change('POST', 'redo', ['op_id' => $id]);
        self::assertContains(
            'skin',
            $this->names()[$this->oilskin->figure->refresh()->name],
            'asked twice, done once',
        );
        self::assertArrayNotHasKey('Tin Purser', $this->names());
        $this->change('POST', 'redo');
        self::assertArrayHasKey('Tin Purser', $this->names());
        self::assertSame('Redo: Add the figure Tin Purser', $this->change('GET', 'palette/history')[0]['title']);
    }

    public function test_history_shows_who_did_what_with_ramps(): void
    {
        $this->seriesOp('tones.pin', [
            'material' => $this->skin->id,
            'version' => 1,
            'tones' => ['shade' => '#112233'],
        ]);
        [$entry] = $this->change('GET', 'palette/history');
        self::assertSame(
            ['Pin skin, shade', 'Mira', 'skin'],
            [$entry['title'], $entry['who'], $entry['ramps'][0]['name']],
        );
        self::assertSame(
            (new ToneRule)->complete(['base' => Rgb::fromHex('#c98d6b')])['shade']->hex(),
            $entry['ramps'][0]['before']['shade'],
        );
        self::assertSame('#112233', $entry['ramps'][0]['after']['shade']);
        $this->seriesOp('material.retire', ['material' => $this->skin->id, 'version' => 2, 'into' => null]);
        self::assertNull($this->change('GET', 'palette/history')[0]['ramps'][0]['after']);
    }

    public function test_two_people_get_both_values_and_nothing_is_lost(): void
    {
        $this->seriesOp('tones.pin', [
            'material' => $this->skin->id,
            'version' => 1,
            'tones' => ['shade' => '#112233'],
        ]);
        foreach (
            [
                ['material.change', ['name' => 'x']],
                ['material.retire', ['into' => null]],
                ['tones.pin', ['tones' => ['shade' => '#000001']]],
            ] as [$kind, $input]
        ) {
            $answer = $this->seriesOp($kind, $input + ['material' => $this->skin->id, 'version' => 1], 409);
            self::assertSame('#112233', $answer['theirs']['tones']['shade']);
        }
        self::assertSame('#112233', $this->skin->refresh()->pinned['shade']);
        $this->seriesOp('material.retire', ['material' => $this->skin->id, 'version' => 2, 'into' => null]);
        $gone = $this->seriesOp(
            'tones.pin',
            ['material' => $this->skin->id, 'version' => 3, 'tones' => ['shade' => '#000001']],
            409,
        );
        self::assertStringContainsString('out of the palette', $gone['message']);
        self::assertNull($gone['theirs']);
        $this->seriesOp(
            'material.retire',
            [
                'material' => $this->oilskin->id,
                'version' => $this->version($this->oilskin),
                'into' => $this->skin->id,
            ],
            409,
        );
        $this->seriesOp(
            'tones.pin',
            ['material' => $this->oilskin->id, 'version' => 1, 'tones' => ['base' => null]],
            422,
        );
        $this->seriesOp(
            'tones.pin',
            ['material' => $this->oilskin->id, 'version' => 1, 'tones' => ['middle' => '#000000']],
            422,
        );
    }

    public function test_what_was_taken_out_meanwhile_is_not_changed_and_nothing_is_added_to_it(): void
    {
        $purser = $this->brass->figure_id;
        $this->seriesOp('figure.retire', ['figure' => $purser, 'into' => null]);
        $version = $this->version($this->skin);
        foreach (
            [
                ['figure.change', ['figure' => $purser, 'name' => 'x']],
                ['figure.change', ['figure' => $purser, 'nearer' => 1]],
                ['material.add', ['figure' => $purser, 'name' => 'tin', 'base' => '#99a0a0']],
                ['material.copy', ['figure' => $purser, 'materials' => [$this->skin->id]]],
                ['material.duplicate', ['material' => $this->brass->id]],
            ] as [$kind, $input]
        ) {
            self::assertStringContainsString('out of the palette', $this->seriesOp($kind, $input, 409)['message']);
        }
        $this->seriesOp(
            'material.change',
            ['material' => $this->skin->id, 'version' => $version, 'figure' => $purser],
            404,
        );
        self::assertSame(3, Material::query()->count());
        self::assertSame('Tin Purser', Figure::query()->findOrFail($purser)->name);
    }

    /** @return array<int, Region> */
    private function regions(): array
    {
        return (new PageStore($this->page->refresh()))->records(RecordKind::Region);
    }

    public function test_what_is_merged_away_is_another_on_all_pages_until_it_is_undone(): void
    {
        $this->import($this->page, $this->mira);
        $label = $this->labelAt($this->page, 100, 200);
        $other = $this->labelAt($this->page, 480, 200);
        $this->op($this->page, $this->fillOp($this->skin, $label))->assertOk();
        $this->op($this->page, $this->fillOp($this->oilskin, $other))->assertOk();
        $this->op($this->page, $this->strokeOp($this->skin))->assertOk();
        $use = $this->change('GET', 'palette')['uses'][$this->skin->id];
        self::assertSame(
            [1, [$this->page->number], $this->page->id, 600],
            [$use['regions'], $use['pages'], $use['place']['page'], $use['width']],
        );
        self::assertSame($label, $this->labelAt($this->page, $use['place']['x'], $use['place']['y']));

        $merged = $this->seriesOp('material.retire', [
            'material' => $this->skin->id,
            'version' => $this->version($this->skin),
            'into' => $this->brass->id,
        ]);
        self::assertSame([$this->skin->id => $this->brass->id], $merged['shown']['standIns']['materials']);
        self::assertSame(
            [$this->brass->id, $this->brass->figure_id],
            [$this->regions()[$label]->material, $this->regions()[$label]->figure],
        );
        self::assertSame($this->oilskin->id, $this->regions()[$other]->material);
        self::assertSame(
            $this->brass->id,
            $this->getJson("/api/pages/{$this->page->id}")->json("records.region.$label.material"),
        );
        self::assertSame(1, $this->change('GET', 'palette')['uses'][$this->brass->id]['regions']);
        $this->op($this->page, $this->fillOp($this->skin, $other))->assertStatus(422);
        // The page's own undo brings back what was there then: as what it is now.
        $this->op($this->page, $this->fillOp($this->oilskin, $label))->assertOk();
        $back = $this->undo($this->page)->assertOk()->json('records');
        self::assertSame(
            [$this->brass->id, $this->brass->figure_id],
            [$back[0][2]['material'], $back[0][2]['figure']],
        );
        $this->op($this->page, ['kind' => 'flats.lock', 'labels' => [$label], 'locked' => true])->assertOk();
        // One after the other: what stands in may be taken away itself.
        $this->seriesOp('material.retire', [
            'material' => $this->brass->id,
            'version' => $this->version($this->brass),
            'into' => $this->oilskin->id,
        ]);
        self::assertSame($this->oilskin->id, $this->regions()[$label]->material);
        $this->seriesOp('material.retire', [
            'material' => $this->oilskin->id,
            'version' => $this->version($this->oilskin),
            'into' => null,
        ]);
        self::assertSame(
            [0, 0, 0],
            [
                $this->regions()[$label]->material,
                $this->regions()[$label]->figure,
                $this->regions()[$other]->material,
            ],
        );
        foreach ([[0, $this->oilskin->id], [1, $this->brass->id], [2, $this->skin->id]] as [, $material]) {
            $this->change('POST', 'undo');
            self::assertSame(
                [$material, true],
                [$this->regions()[$label]->material, $this->regions()[$label]->locked],
            );
        }
    }

    public function test_a_figure_that_is_merged_takes_its_passes_along(): void
    {
        $this->import($this->page, $this->mira);
        $label = $this->labelAt($this->page, 100, 200);
        $this->op($this->page, $this->fillOp($this->brass, $label))->assertOk();
        $this->op($this->page, $this->strokeOp($this->brass))->assertOk();
        $purser = $this->brass->figure_id;
        $oda = $this->oilskin->figure_id;
        $this->seriesOp('figure.retire', ['figure' => $purser, 'into' => $purser], 422);
        $this->seriesOp('figure.retire', ['figure' => $purser, 'into' => $oda]);
        self::assertSame(
            [$this->brass->id, $oda],
            [$this->regions()[$label]->material, $this->regions()[$label]->figure],
        );
        $pass = (new PageStore($this->page->refresh()))->record(RecordKind::Pass, 'shadepass1');
        self::assertInstanceOf(PassSpec::class, $pass);
        self::assertSame([$oda, $oda], [$pass->figure, $pass->scope->id]);
        // What is changed meanwhile stays whose it was.
        $this->op($this->page, [
            'kind' => 'pass.change',
            'id' => 'shadepass1',
            'values' => ['opacity' => 0.4],
        ])->assertOk();
        $this->op($this->page, ['kind' => 'flats.lock', 'labels' => [$label], 'locked' => true])->assertOk();
        self::assertSame('brass', last($this->names()[$this->oilskin->figure->name]));
        $this->seriesOp('figure.retire', ['figure' => $purser], 404);
        $this->change('POST', 'undo');
        self::assertSame([$purser, true], [$this->regions()[$label]->figure, $this->regions()[$label]->locked]);
        $pass = (new PageStore($this->page->refresh()))->record(RecordKind::Pass, 'shadepass1');
        self::assertInstanceOf(PassSpec::class, $pass);
        self::assertSame([$purser, $purser, 0.4], [$pass->figure, $pass->scope->id, $pass->opacity]);
        self::assertSame(['brass'], $this->names()['Tin Purser']);
        $this->seriesOp('figure.retire', ['figure' => $purser]);
        self::assertSame(0, $this->regions()[$label]->material);
        self::assertArrayNotHasKey('Tin Purser', $this->names());
    }

    public function test_the_rule_is_of_the_series_and_a_material_may_have_its_own(): void
    {
        $dials = ['toward' => 'blue', 'turn' => 0.4, 'shade' => 0.6];
        $would = $this->change('POST', 'rule/preview', ['light' => '#ffe0b0', 'dials' => $dials])[$this->skin->id];
        $rule = new ToneRule(Rgb::fromHex('#ffe0b0'), new Derivation(ShadeHue::Blue, 0.4, 0.6));
        $tones = array_map(
            fn (Rgb $tone): string => $tone->hex(),
            $rule->complete(['base' => Rgb::fromHex('#c98d6b')]),
        );
        self::assertSame($tones, $would);
        $shade = fn (): string => collect($this->change('GET', 'palette')['palette']['figures'])
            ->flatMap(fn (array $figure): array => $figure['materials'])
            ->firstWhere('id', $this->skin->id)['tones']['shade'];
        $before = $shade();
        self::assertNotSame($tones['shade'], $before, 'nothing is changed by asking');
        $this->seriesOp('rule.change', ['light' => '#ffe0b0', 'dials' => $dials]);
        self::assertSame($tones['shade'], $shade());
        $this->seriesOp('material.change', [
            'material' => $this->skin->id,
            'version' => 1,
            'dials' => ['shade' => 0.9],
        ]);
        self::assertSame(
            $rule
                ->by($rule->dials()->with(['shade' => 0.9]))
                ->derive(\Awning\Core\Colour\Tone::Shade, Rgb::fromHex('#c98d6b'))
                ->hex(),
            $shade(),
        );
        $this->seriesOp('material.change', ['material' => $this->skin->id, 'version' => 2, 'dials' => []]);
        self::assertSame($tones['shade'], $shade());
        foreach (['POST', 'POST', 'POST'] as $_) {
            $this->change('POST', 'undo');
        }
        self::assertSame($before, $shade());
        $this->seriesOp('rule.change', ['light' => '#ffe0b0', 'dials' => ['turn' => 0.9]], 422);
        $this->seriesOp('rule.change', ['light' => 'red', 'dials' => $dials], 422);
        $this->seriesOp('rule.change', ['light' => '#ffe0b0', 'dials' => ['turn' => '1e999']], 422);
    }

    public function test_a_palette_goes_to_files_and_comes_back(): void
    {
        foreach (['csv', 'json', 'css'] as $format) {
            $text = $this->get("/api/series/{$this->series->id}/palette/file/$format")
                ->assertOk()
                ->assertHeader('content-disposition')
                ->getContent();
            $book = PaletteFiles::read($format, (string) $text);
            self::assertSame(
                array_keys($this->names()),
                array_map(fn ($figure): string => $figure->name, $book->figures),
            );
            $rows = $this->change('POST', 'palette/file', ['name' => "p.$format", 'text' => $text]);
            self::assertSame(
                ['leave'],
                array_values(array_unique(array_column($rows, 'does'))),
                'what left comes back as it is',
            );
        }
        self::assertStringStartsWith(
            '%PDF',
            (string) $this->get("/api/series/{$this->series->id}/palette/file/pdf")
                ->assertOk()
                ->getContent(),
        );
        $this->get("/api/series/{$this->series->id}/palette/file/exe")->assertStatus(404);

        $text = "Tin Purser,brass,#b08a3d\nTin Purser,brass,glint,#ffffee\nTin Purser,eye,#a0d0c8\nsail,#d0c8b0\n";
        $rows = $this->change('POST', 'palette/file', ['name' => 'p.csv', 'text' => $text]);
        self::assertSame(
            [['Tin Purser', 'brass', 'change'], ['Tin Purser', 'eye', 'add'], ['Palette', 'sail', 'add']],
            array_map(fn (array $row): array => [$row['figure'], $row['material'], $row['does']], $rows),
        );
        self::assertSame(
            [['base' => '#b08a3c'], ['base' => '#b08a3d', 'glint' => '#ffffee']],
            [$rows[0]['before'], collect($rows[0]['after'])->sortKeys()->all()],
        );
        self::assertSame('#b08a3c', $this->brass->refresh()->pinned['base'], 'nothing is changed by asking');
        $id = self::opId();
        $this->seriesOp('palette.import', ['name' => 'p.csv', 'text' => $text, 'op_id' => $id]);
        $this->seriesOp('palette.import', ['name' => 'p.csv', 'text' => $text, 'op_id' => $id]);
        self::assertSame(
            [['brass', 'eye'], ['sail'], '#b08a3d'],
            [$this->names()['Tin Purser'], $this->names()['Palette'], $this->brass->refresh()->pinned['base']],
        );
        $this->change('POST', 'undo');
        self::assertSame(
            [['brass'], '#b08a3c'],
            [$this->names()['Tin Purser'], $this->brass->refresh()->pinned['base']],
        );
        // What a file says nothing of stays pinned; what it calls derived is let go.
        $this->seriesOp('tones.pin', [
            'material' => $this->brass->id,
            'version' => $this->version($this->brass),
            'tones' => ['light' => '#ffeecc', 'deep' => '#201808'],
        ]);
        $text =
            "figure,material,tone,hex,kind\nTin Purser,brass,base,#b08a3e,pinned\nTin Purser,brass,deep,#000000,derived\n";
        $this->seriesOp('palette.import', ['name' => 'p.csv', 'text' => $text]);
        self::assertSame(
            ['base' => '#b08a3e', 'light' => '#ffeecc'],
            collect($this->brass->refresh()->pinned)
                ->sortKeys()
                ->all(),
        );
        self::assertStringContainsString(
            'Line 2',
            $this->seriesOp('palette.import', ['name' => 'p.csv', 'text' => "a,#123456\nb,#12\n"], 422)['message'],
        );
        self::assertSame(['brass'], $this->names()['Tin Purser']);
    }

    public function test_a_figure_of_another_series_is_taken_over_as_a_copy(): void
    {
        [$another] = $this->series('Another');
        $theirs = Figure::query()->where('series_id', $another->id)->firstOrFail();
        $theirs->update(['name' => 'Keeper']);
        $material = $theirs->materials()->firstOrFail();
        $material
            ->forceFill(['pinned' => ['base' => '#405060', 'glint' => '#f0f8ff'], 'dials' => ['shade' => 0.5]])
            ->save();
        $this->seriesOp('figure.copy', ['figure' => $theirs->id], 403);
        \App\Models\Member::query()->create([
            'series_id' => $another->id,
            'user_id' => $this->mira->id,
            'role' => \App\Models\Role::Viewer,
        ]);
        $this->seriesOp('figure.copy', ['figure' => $this->oilskin->figure_id], 422);
        $this->seriesOp('figure.copy', ['figure' => $theirs->id]);
        $copy = Material::query()
            ->whereRelation(
                'figure',
                fn ($figures) => $figures->where('series_id', $this->series->id)->where('name', 'Keeper'),
            )
            ->firstOrFail();
        self::assertSame(
            [$material->name, ['base' => '#405060', 'glint' => '#f0f8ff'], ['shade' => 0.5]],
            [$copy->name, collect($copy->pinned)->sortKeys()->all(), $copy->dials],
        );
        $this->seriesOp('tones.pin', ['material' => $copy->id, 'version' => 1, 'tones' => ['base' => '#000001']]);
        self::assertSame('#405060', $material->refresh()->pinned['base'], 'it goes its own way');
        $this->change('POST', 'undo');
        $this->change('POST', 'undo');
        self::assertArrayNotHasKey('Keeper', $this->names());
    }

    public function test_advice_stands_beside_each_material(): void
    {
        $near = $this->seriesOp('material.add', [
            'figure' => $this->oilskin->figure_id,
            'name' => 'near',
            'base' => '#c88c6a',
        ])['added'];
        $advice = $this->change('GET', 'palette')['advice'];
        $alike = array_values(array_filter($advice[$near], fn (array $one): bool => $one['kind'] === 'alike'));
        self::assertSame([$this->skin->id, 1], [$alike[0]['other'], count($alike)]);
        self::assertLessThan(1, $alike[0]['amount']);
        $this->seriesOp('tones.pin', ['material' => $near, 'version' => 1, 'tones' => ['base' => $alike[0]['mend']]]);
        self::assertSame(
            [],
            array_values(
                array_filter(
                    $this->change('GET', 'palette')['advice'][$near],
                    fn (array $one): bool => in_array($one['kind'], ['alike', 'sight'], true) &&
                        $one['other'] === $this->skin->id,
                ),
            ),
        );
    }

    public function test_a_page_that_holds_a_version_keeps_its_colours_until_it_takes_them_over(): void
    {
        $this->import($this->page, $this->mira);
        $label = $this->labelAt($this->page, 100, 200);
        $other = $this->labelAt($this->page, 480, 200);
        $this->op($this->page, $this->fillOp($this->skin, $label))->assertOk();
        $this->op($this->page, $this->fillOp($this->oilskin, $other))->assertOk();
        $id = $this->change('POST', 'versions', ['name' => 'Book 1, printed'], 201)['id'];
        $this->seriesOp('page.version', ['of' => $this->page->id, 'version' => $id]);
        $this->seriesOp('tones.pin', [
            'material' => $this->skin->id,
            'version' => $this->version($this->skin),
            'tones' => ['base' => '#b07a5a'],
        ]);
        $this->seriesOp('tones.pin', [
            'material' => $this->oilskin->id,
            'version' => $this->version($this->oilskin),
            'tones' => ['base' => '#d09a30'],
        ]);
        $added = $this->seriesOp('material.add', [
            'figure' => $this->oilskin->figure_id,
            'name' => 'rope',
            'base' => '#90805a',
        ])['added'];

        $tones = fn (): array => collect(
            $this->getJson("/api/pages/{$this->page->id}")
                ->assertOk()
                ->json('palette.figures'),
        )
            ->flatMap(fn (array $figure): array => $figure['materials'])
            ->mapWithKeys(fn (array $one): array => [$one['id'] => $one['tones']['base']])
            ->all();
        self::assertSame(
            ['#c98d6b', '#e0a93a', '#90805a'],
            [$tones()[$this->skin->id], $tones()[$this->oilskin->id], $tones()[$added]],
        );
        self::assertSame('Book 1, printed', $this->getJson("/api/pages/{$this->page->id}")->json('palette.held'));
        $picture = function (int $x, int $y): array {
            $image = new \Imagick;
            \App\Jobs\MakePicture::dispatchSync($this->page->id);
            $image->readImageBlob(
                (string) $this->get("/api/pages/{$this->page->id}/picture?".bin2hex(random_bytes(4)))
                    ->assertOk()
                    ->getContent(),
            );
            $pixel = $image
                ->getImagePixelColor(
                    (int) (($x * $image->getImageWidth()) / 600),
                    (int) (($y * $image->getImageWidth()) / 600),
                )
                ->getColor();

            return [$pixel['r'], $pixel['g'], $pixel['b']];
        };
        self::assertSame([0xC9, 0x8D, 0x6B], $picture(100, 200));

        $version = $this->change('GET', 'versions')['versions'][0];
        $base = array_values(
            array_filter(
                $version['moved'],
                fn (array $one): bool => $one['material'] === $this->skin->id && $one['tone'] === 'base',
            ),
        )[0];
        self::assertSame(['#c98d6b', '#b07a5a'], [$base['before'], $base['after']]);
        self::assertEqualsWithDelta(
            \Awning\Core\Colour\Difference::ciede2000(
                \Awning\Core\Colour\Lab::of(Rgb::fromHex('#c98d6b')),
                \Awning\Core\Colour\Lab::of(Rgb::fromHex('#b07a5a')),
            ),
            $base['deltaE'],
            0.006,
        );
        $differences = array_column($version['moved'], 'deltaE');
        $sorted = $differences;
        rsort($sorted);
        self::assertSame(
            [$sorted, []],
            [
                $differences,
                array_filter($version['moved'], fn (array $one): bool => $one['material'] === $this->brass->id),
            ],
        );

        // Some are taken over, then all.
        $this->seriesOp('page.version', [
            'of' => $this->page->id,
            'version' => $id,
            'follows' => [$this->oilskin->id],
        ]);
        self::assertSame(['#c98d6b', '#d09a30'], [$tones()[$this->skin->id], $tones()[$this->oilskin->id]]);
        self::assertSame([[0xC9, 0x8D, 0x6B], [0xD0, 0x9A, 0x30]], [$picture(100, 200), $picture(480, 200)]);
        $this->seriesOp('page.version', ['of' => $this->page->id, 'version' => null]);
        self::assertSame(
            ['#b07a5a', null],
            [$tones()[$this->skin->id], $this->getJson("/api/pages/{$this->page->id}")->json('palette.held')],
        );

        // Going back is a change like any other.
        $this->seriesOp('version.restore', ['version' => $id]);
        self::assertSame(['#c98d6b', '#90805a'], [$tones()[$this->skin->id], $tones()[$added]]);
        self::assertSame([], $this->change('GET', 'versions')['versions'][0]['moved']);
        $this->change('POST', 'undo');
        self::assertSame('#b07a5a', $tones()[$this->skin->id]);
        [$another, $elsewhere] = $this->series('Another');
        Member::query()->create([
            'series_id' => $another->id,
            'user_id' => $this->mira->id,
            'role' => Role::Colourist,
        ]);
        $this->seriesOp('page.version', ['of' => $elsewhere->id, 'version' => $id], 404);
        $this->postJson("/api/series/$another->id/ops", [
            'op' => ['kind' => 'version.restore', 'version' => $id],
        ])->assertStatus(404);
    }

    public function test_setups_lie_ready_and_are_kept_with_the_series(): void
    {
        $setups = fn (): array => array_column(
            (array) $this->getJson("/api/series/{$this->series->id}/setups")
                ->assertOk()
                ->json(),
            'name',
            'id',
        );
        $ready = count((array) $this->getJson("/api/series/{$this->series->id}/setups")->json());
        self::assertSame(8, $ready);
        $pass = [
            'name' => 'Rust',
            'content' => ['kind' => 'tint', 'colour' => '#803010', 'follows' => 'around'],
            'mode' => 'multiply',
            'opacity' => 0.3,
            'turn' => null,
            'marks' => null,
            'rough' => null,
        ];
        $kept = $this->seriesOp('setup.keep', ['name' => 'Old iron', 'passes' => [$pass]])['shown'];
        self::assertEquals(['name' => 'Old iron', 'passes' => [$pass]], array_diff_key($kept[8], ['id' => 0]));
        // One that was kept before tints could follow the light, or colours be turned.
        $early = SeriesSetup::query()->create([
            'series_id' => $this->series->id,
            'name' => 'Early',
            'passes' => [
                ['kind' => 'tint', 'colour' => '#803010'] +
                array_diff_key($pass, ['content' => 0, 'turn' => 0, 'marks' => 0, 'rough' => 0]),
            ],
        ]);
        self::assertEquals(
            ['content' => ['follows' => null] + $pass['content']] + $pass,
            collect((array) $this->getJson("/api/series/{$this->series->id}/setups")->json())->firstWhere(
                'id',
                $early->id,
            )['passes'][0],
        );
        $early->delete();
        // As much as a setup can hold, and nothing of it can be made shorter.
        $noise = (new SetupMarks(
            implode('', array_map(fn (): string => chr(mt_rand(0, 255)), range(1, max(SetupMarks::SIDES) ** 2))),
        ))->toText();
        $full = $this->seriesOp('setup.keep', [
            'name' => 'Full',
            'passes' => array_fill(0, Setup::MOST, ['marks' => $noise] + $pass),
        ])['shown'];
        self::assertSame($noise, $full[9]['passes'][23]['marks']);
        (new SeriesDesk)->undo($this->series->refresh(), $this->mira);
        $this->seriesOp('setup.keep', ['name' => 'Broken', 'passes' => [['name' => 'x', 'kind' => 'cloud']]], 422);
        $this->seriesOp('setup.keep', ['name' => 'Empty', 'passes' => []], 422);
        $id = $kept[8]['id'];
        self::assertSame('Old iron', $setups()[$id]);
        // As a file, and back from it.
        $file = $this->get("/api/series/{$this->series->id}/setups/$id/file")
            ->assertOk()
            ->assertHeader('Content-Disposition')
            ->getContent();
        $taken = $this->seriesOp('setup.keep', ['text' => $file])['shown'];
        self::assertEquals(['name' => 'Old iron', 'passes' => [$pass]], array_diff_key($taken[9], ['id' => 0]));
        $this->seriesOp('setup.keep', ['text' => '{"kind":"something else"}'], 422);
        $this->getJson("/api/series/{$this->series->id}/setups/9999/file")->assertStatus(404);
        $this->seriesOp('setup.retire', ['setup' => $id]);
        self::assertArrayNotHasKey($id, $setups());
        $this->seriesOp('setup.retire', ['setup' => $id], 404);
        (new SeriesDesk)->undo($this->series->refresh(), $this->mira);
        self::assertSame('Old iron', $setups()[$id]);
    }

    public function test_a_setup_is_changed_and_the_pages_that_are_named_follow(): void
    {
        $pass = [
            'name' => 'Rust',
            'content' => ['kind' => 'tint', 'colour' => '#803010', 'follows' => null],
            'mode' => 'multiply',
            'opacity' => 0.3,
            'turn' => null,
            'marks' => null,
            'rough' => null,
        ];
        $id = $this->seriesOp('setup.keep', ['name' => 'Old iron', 'passes' => [$pass]])['added'];
        $second = Page::query()->create(['series_id' => $this->series->id, 'number' => 2, 'title' => 'Two']);
        $bare = Page::query()->create(['series_id' => $this->series->id, 'number' => 3, 'title' => 'Three']);
        $figure = $this->skin->figure_id;
        foreach ([$this->page, $second, $bare] as $page) {
            (new PageDesk)->applyBeside(
                $page,
                $this->mira,
                OpKinds::read('page.start', ['width' => 40, 'height' => 30, 'dpi' => 300]),
            );
        }
        foreach ([$this->page, $second] as $page) {
            (new PageDesk)->applyBeside(
                $page,
                $this->mira,
                OpKinds::read('setup.hang', [
                    'name' => 'Old iron',
                    'figure' => $figure,
                    'scope' => ['kind' => 'figure', 'id' => $figure],
                    'ids' => ["rustof{$page->id}x000"],
                    'passes' => [$pass],
                    'setup' => $id,
                ]),
            );
        }
        $name = Figure::query()->findOrFail($figure)->name;
        $followers = $this->change('GET', "setups/$id/followers");
        self::assertSame(
            [[$this->page->id, [$name]], [$second->id, [$name]]],
            array_map(fn (array $one): array => [$one['page'], $one['figures']], $followers),
        );
        $changed = ['opacity' => 0.8, 'content' => ['colour' => '#112233'] + $pass['content']] + $pass;
        $setups = $this->seriesOp('setup.change', ['setup' => $id, 'passes' => [$changed, $pass]])['shown'];
        self::assertEquals([$changed, $pass], collect($setups)->firstWhere('id', $id)['passes']);
        $colours = fn (Page $page): array => array_values(
            array_map(
                fn (PassSpec $one): string => $one->toData()['content']['colour'] ?? '',
                (new Sheet(new PageStore($page->refresh())))->all(PassSpec::class),
            ),
        );
        self::assertSame(
            [['#803010'], ['#803010']],
            [$colours($this->page), $colours($second)],
            'nobody follows by itself',
        );
        $outcomes = $this->outcomes('follow', ['setup' => $id, 'pages' => [$second->id, $bare->id], 'known' => 1]);
        self::assertSame(
            [[$second->id, true], [$bare->id, false]],
            array_map(fn (array $one): array => [$one['page'], $one['done']], $outcomes),
        );
        self::assertSame(['#803010'], $colours($this->page));
        self::assertEqualsCanonicalizing(['#112233', '#803010'], $colours($second));
        // The setup goes back like anything else of the series.
        (new SeriesDesk)->undo($this->series->refresh(), $this->mira);
        self::assertEquals([$pass], SeriesSetup::query()->findOrFail($id)->passes);
        $this->seriesOp('setup.change', ['setup' => $id, 'passes' => []], 422);
        $this->change('POST', 'tasks/follow', ['setup' => $id, 'pages' => [], 'known' => 1], 422);
        $this->change(
            'POST',
            'tasks/follow',
            ['setup' => $id, 'pages' => [$second->id], 'known' => 1, 'before' => [['kind' => 'cloud']]],
            422,
        );
        $this->seriesOp('setup.retire', ['setup' => $id]);
        $this->seriesOp('setup.change', ['setup' => $id, 'passes' => [$pass]], 404);
        $this->change('GET', "setups/$id/followers", [], 404);
        $this->change('POST', 'tasks/follow', ['setup' => $id, 'pages' => [$second->id], 'known' => 1], 404);
    }

    public function test_brushes_are_made_kept_with_the_series_and_taken_out(): void
    {
        $ready = count(BrushBox::all());
        $tip = (new Tip(TipKind::Bristle, 12, flow: 0.4, along: true))->toData();
        $kept = $this->seriesOp('brush.keep', [
            'name' => 'Net mender',
            'brush' => ['size' => 33.5, 'hardness' => 0.25, 'tip' => $tip],
        ])['shown'];
        self::assertCount($ready + 1, $kept);
        $own = $kept[$ready];
        self::assertEquals(
            ['name' => 'Net mender', 'size' => 33.5, 'hardness' => 0.25, 'tip' => $tip],
            array_diff_key($own, ['id' => 0, 'what' => 0]),
        );
        $brushes = fn (): array => array_column(
            (array) $this->getJson("/api/pages/{$this->page->id}")
                ->assertOk()
                ->json('brushes'),
            'name',
            'id',
        );
        self::assertSame('Net mender', $brushes()[$own['id']]);
        // One that was kept when pressure commanded in straight lines alone.
        $old = SeriesBrush::query()->create([
            'series_id' => $this->series->id,
            'name' => 'Old mender',
            'brush' => ['size' => 12, 'hardness' => 1, 'tip' => ['kind' => 'flat', 'sizeBy' => 0.4, 'flowBy' => 0.2]],
        ]);
        $read = collect((array) $this->getJson("/api/pages/{$this->page->id}")->json('brushes'))->firstWhere(
            'id',
            $old->id,
        );
        self::assertEqualsWithDelta(
            [[0.6, 0.7, 0.8, 0.9, 1], [0.8, 0.85, 0.9, 0.95, 1], [1, 1, 1, 1, 1]],
            [$read['tip']['sizeBy'], $read['tip']['flowBy'], $read['tip']['opacityBy']],
            1e-9,
        );
        $this->seriesOp(
            'brush.keep',
            [
                'name' => 'Bent',
                'brush' => [
                    'size' => 9,
                    'hardness' => 1,
                    'tip' => ['kind' => 'round', 'opacityBy' => [0, 1, 2, 1, 0]],
                ],
            ],
            422,
        );
        $this->seriesOp(
            'brush.keep',
            ['name' => 'Broken', 'brush' => ['size' => 9, 'hardness' => 1, 'tip' => ['kind' => 'cloud']]],
            422,
        );
        $this->seriesOp('brush.keep', ['name' => 'Huge', 'brush' => ['size' => 99999, 'hardness' => 1]], 422);
        $this->seriesOp('brush.retire', ['brush' => $own['id']]);
        self::assertArrayNotHasKey($own['id'], $brushes());
        $this->seriesOp('brush.retire', ['brush' => $own['id']], 404);
        (new SeriesDesk)->undo($this->series->refresh(), $this->mira);
        self::assertSame('Net mender', $brushes()[$own['id']]);
    }

    public function test_a_picture_is_read_as_a_tip(): void
    {
        $send = function (string $png): TestResponse {
            $file = (string) tempnam(sys_get_temp_dir(), 'tip');
            file_put_contents($file, $png);

            return $this->post(
                "/api/series/{$this->series->id}/tips",
                ['picture' => new UploadedFile($file, 'tip.png', 'image/png', null, true)],
                ['Accept' => 'application/json'],
            );
        };
        $dark = (new PngWriter)->grey(
            new Plane(60, 60, str_repeat(str_repeat("\0", 30).str_repeat("\xff", 30), 60)),
        );
        $tip = BroughtTip::fromText($send($dark)->assertOk()->json('picture'));
        self::assertEqualsWithDelta([1, 0], [$tip->at(-0.5, 0), $tip->at(0.5, 0)], 0.02);
        $send((new PngWriter)->grey(Plane::filled(40, 40, 255)))
            ->assertStatus(422)
            ->assertJsonPath(
                'errors.picture.0',
                'Nothing in this picture is dark. A tip is drawn dark on white, or on nothing.',
            );
        $send('no picture at all')->assertStatus(422);
        self::assertStringContainsString(
            'at most 1024',
            $send((new PngWriter)->grey(Plane::filled(1025, 4, 0)))->assertStatus(422)->json('errors.picture.0'),
        );
    }

    public function test_light_plans_are_kept_picked_by_pages_and_change_what_is_derived(): void
    {
        $plan = fn (string $colour, float $azimuth = 120): array => [
            'azimuth' => $azimuth,
            'elevation' => 35,
            'colour' => $colour,
            'ambient' => '#203040',
            'dials' => ['cast' => 55],
            'lamps' => [['x' => 0.25, 'y' => 0.5, 'reach' => 0.3, 'colour' => '#ffd08a']],
            'back' => ['azimuth' => 300, 'colour' => '#cfe0ff'],
        ];
        $kept = $this->seriesOp('light.add', ['name' => 'Lamp at midnight', 'plan' => $plan('#ff9030')])['shown'];
        ['id' => $id, 'version' => $version, 'plan' => $shown] = $kept['lights'][0];
        self::assertEquals(
            [
                'azimuth' => 120,
                'elevation' => 35,
                'colour' => '#ff9030',
                'ambient' => '#203040',
                'dials' => (new RoughDials(cast: 55))->toData(),
                'lamps' => [['x' => 0.25, 'y' => 0.5, 'reach' => 0.3, 'colour' => '#ffd08a']],
                'back' => ['azimuth' => 300, 'colour' => '#cfe0ff'],
                'beside' => false,
            ],
            $shown,
        );
        $page = \App\Models\Page::query()->create([
            'series_id' => $this->series->id,
            'number' => 91,
            'title' => 'Night',
        ]);
        $shade = fn (): string => (string) $this->getJson("/api/pages/$page->id")->json(
            'palette.figures.0.materials.0.tones.shade',
        );
        $before = $shade();
        $stands = collect(
            $this->seriesOp('page.light', ['of' => $page->id, 'light' => $id, 'page' => $page->id])['shown'],
        )->dot();
        self::assertSame(
            [$id, '#ff9030', '#203040'],
            [$stands->get('plan'), $stands->get('lightColours.light'), $stands->get('lightColours.around')],
        );
        self::assertSame(
            [$this->series->light, '#8fa8c8'],
            [
                $this->getJson("/api/series/{$this->series->id}/palette")->json('palette.lightColours.light'),
                $this->getJson("/api/series/{$this->series->id}/palette")->json('palette.lightColours.around'),
            ],
        );
        self::assertSame(
            (new LightColours(Rgb::fromHex('#ff9030'), new Rgb(0, 0, 0)))->of(LightPart::Opposite)?->hex(),
            SeriesPalette::of($page->refresh())->core()->light?->of(LightPart::Opposite)?->hex(),
        );
        self::assertNotSame($before, $shade(), 'what nobody pinned is derived for the light of the page');
        self::assertSame($stands->get('figures.0.materials.0.tones.shade'), $shade());
        // The same for regions that stand under it on a page that does not; the page's own light is told once.
        $other = \App\Models\Page::query()->create([
            'series_id' => $this->series->id,
            'number' => 92,
            'title' => 'Day',
        ]);
        $under = $this->getJson("/api/pages/$other->id")->json('palette.under.0');
        $material = (int) $stands->get('figures.0.materials.0.id');
        self::assertSame(
            [$id, $shade(), []],
            [
                $under['plan'],
                $under['materials'][$material]['shade'],
                $this->getJson("/api/pages/$page->id")->json('palette.under'),
            ],
        );
        RegionRow::query()->insert([
            'page_id' => $other->id,
            'label' => 3,
            'figure_id' => 1,
            'material_id' => $material,
            'area' => 9,
            'x' => 1,
            'y' => 1,
            'plan' => $id,
        ]);
        $palette = SeriesPalette::of($other)->core();
        self::assertSame(
            [$shade(), $before],
            array_map(
                fn (?int $plan): string => sprintf('#%06x', $palette->tones($material, null, $plan)['shade'] ?? 0),
                [$id, null],
            ),
        );
        // Whoever changes the palette on a page that stands under a light is answered with what that page shows.
        $first = Material::query()->findOrFail((int) $stands->get('figures.0.materials.0.id'));
        $figure = $first->figure_id;
        foreach ([[['page' => $page->id], $shade()], [[], $before]] as [$as, $expected]) {
            $answers = [
                $this->seriesOp('figure.change', ['figure' => $figure, 'nearer' => 0, 'soft' => true] + $as)['shown'][
                    'figures'
                ],
                $this->seriesOp('material.copy', ['figure' => $figure, 'materials' => [$this->brass->id]] + $as)[
                    'shown'
                ]['figures'],
                $this->seriesOp('material.add', ['figure' => $figure, 'name' => 'one', 'base' => '#123456'] + $as)[
                    'shown'
                ]['figures'],
            ];
            $pinned = $this->seriesOp(
                'tones.pin',
                ['material' => $first->id, 'version' => $this->version($first), 'tones' => ['line' => '#101010']] +
                    $as,
            )['shown']['figures'];
            foreach (
                array_map(fn (array $figures): array => collect($figures)->firstWhere('id', $figure)['materials'][0], [
                    ...$answers,
                    $pinned,
                ]) as $material
            ) {
                self::assertSame([$first->id, $expected], [$material['id'], $material['tones']['shade']]);
            }
        }
        $this->seriesOp('figure.change', ['figure' => $figure, 'nearer' => 0, 'page' => 999_999], 404);
        $warm = $shade();
        $this->seriesOp('light.change', ['light' => $id, 'version' => $version, 'plan' => $plan('#3060ff')]);
        self::assertNotSame($warm, $shade());
        $this->seriesOp('light.change', ['light' => $id, 'version' => $version, 'name' => 'Late'], 409);
        $this->seriesOp(
            'light.change',
            ['light' => $id, 'version' => $version + 1, 'plan' => ['azimuth' => 400] + $plan('#3060ff')],
            422,
        );
        $this->seriesOp('light.change', ['light' => $id, 'version' => $version + 1, 'retire' => true]);
        self::assertSame($before, $shade(), 'a plan that is gone lights nothing');
        (new SeriesDesk)->undo($this->series->refresh(), $this->mira);
        self::assertNotSame($before, $shade());
        $this->seriesOp('page.light', ['of' => $page->id, 'light' => 999], 404);
        $this->seriesOp('page.light', ['of' => $page->id, 'light' => null]);
        self::assertSame($before, $shade());
    }

    public function test_a_page_wears_a_variant_and_all_it_does_not_say_comes_from_the_palette(): void
    {
        $this->import($this->page, $this->mira);
        $this->op($this->page, $this->fillOp($this->skin, $this->labelAt($this->page, 100, 200)))->assertOk();
        $wet = $this->seriesOp('variant.add', ['name' => 'Wet'])['added'];
        $put = fn (int $version, int $material, array $tones, int $status = 200): array => $this->seriesOp(
            'variant.change',
            ['variant' => $wet, 'version' => $version, 'material' => $material, 'tones' => $tones],
            $status,
        );
        $put(1, $this->skin->id, ['base' => '#a87050', 'glint' => '#ffffff']);
        $put(1, $this->skin->id, ['base' => '#000000'], 409);
        $state = $put(2, $this->brass->id, ['line' => '#102030'])['shown']['variants'][0];
        $rule = new ToneRule;
        $expected = array_map(
            fn (Rgb $tone): string => $tone->hex(),
            $rule->complete(['base' => Rgb::fromHex('#a87050'), 'glint' => Rgb::fromHex('#ffffff')]),
        );
        self::assertSame($expected, $state['materials'][$this->skin->id]['tones']);
        self::assertSame(
            [['base', 'glint'], ['line']],
            [$state['materials'][$this->skin->id]['own'], $state['materials'][$this->brass->id]['own']],
        );

        $tones = fn (): array => collect(
            $this->getJson("/api/pages/{$this->page->id}")
                ->assertOk()
                ->json('palette.figures'),
        )
            ->flatMap(fn (array $figure): array => $figure['materials'])
            ->mapWithKeys(fn (array $one): array => [$one['id'] => array_intersect_key($one['tones'], $expected)])
            ->all();
        self::assertSame('#c98d6b', $tones()[$this->skin->id]['base'], 'no page wears it yet');
        $this->seriesOp('page.variant', ['of' => $this->page->id, 'variant' => $wet]);
        self::assertSame(
            [$expected, '#102030', '#b08a3c', '#e0a93a'],
            [
                $tones()[$this->skin->id],
                $tones()[$this->brass->id]['line'],
                $tones()[$this->brass->id]['base'],
                $tones()[$this->oilskin->id]['base'],
            ],
        );
        self::assertSame('Wet', $this->getJson("/api/pages/{$this->page->id}")->json('palette.variant'));
        self::assertSame('#a87050', $this->colours()->json("materials.{$this->skin->id}.seen"));
        // A version that is held is worn with it.
        $book = $this->change('POST', 'versions', ['name' => 'Book 1'], 201)['id'];
        $this->seriesOp('tones.pin', [
            'material' => $this->skin->id,
            'version' => $this->version($this->skin),
            'tones' => ['deep' => '#111111'],
        ]);
        self::assertSame('#111111', $tones()[$this->skin->id]['deep']);
        $this->seriesOp('page.version', ['of' => $this->page->id, 'version' => $book]);
        self::assertSame($expected, $tones()[$this->skin->id]);
        $put(3, $this->skin->id, ['base' => null, 'glint' => null]);
        self::assertSame('#c98d6b', $tones()[$this->skin->id]['base']);
        $this->change('POST', 'undo');
        self::assertSame('#a87050', $tones()[$this->skin->id]['base']);
        $this->seriesOp('variant.change', ['variant' => $wet, 'version' => 5, 'retire' => true]);
        self::assertSame(
            ['#c98d6b', null, []],
            [
                $tones()[$this->skin->id]['base'],
                $this->getJson("/api/pages/{$this->page->id}")->json('palette.variant'),
                $this->change('GET', 'variants')['variants'],
            ],
        );
        $this->seriesOp('variant.change', ['variant' => $wet, 'version' => 6, 'name' => 'x'], 404);
        $this->change('POST', 'undo');
        self::assertSame('#a87050', $tones()[$this->skin->id]['base']);
        [$another, $elsewhere] = $this->series('Another');
        Member::query()->create([
            'series_id' => $another->id,
            'user_id' => $this->mira->id,
            'role' => Role::Colourist,
        ]);
        $this->seriesOp('page.variant', ['of' => $elsewhere->id, 'variant' => $wet], 404);
        $this->postJson("/api/series/$another->id/ops", [
            'op' => ['kind' => 'variant.change', 'variant' => $wet, 'version' => 7, 'name' => 'x'],
        ])->assertStatus(404);
    }

    public function test_a_material_has_up_to_four_more_tones_in_an_order(): void
    {
        $state = fn (): array => collect($this->change('GET', 'palette')['palette']['figures'])
            ->flatMap(fn (array $figure): array => $figure['materials'])
            ->firstWhere('id', $this->brass->id);
        $name = fn (array $more, int $status = 200): array => $this->seriesOp(
            'tones.name',
            ['material' => $this->brass->id, 'version' => $this->version($this->brass), 'more' => $more],
            $status,
        );
        $tone = fn (string $tone, string $name, string $colour): array => [
            'tone' => $tone,
            'name' => $name,
            'colour' => $colour,
        ];
        $name([$tone('more-3', 'verdigris', '#406050'), $tone('more-1', 'polish', '#fff8d0')]);
        $brass = $state();
        self::assertSame(
            [['tone' => 'more-3', 'name' => 'verdigris'], ['tone' => 'more-1', 'name' => 'polish']],
            $brass['more'],
        );
        self::assertSame(
            ['#406050', '#fff8d0', '#b08a3c'],
            [$brass['tones']['more-3'], $brass['tones']['more-1'], $brass['tones']['more-2']],
            'where there is none, the base',
        );
        self::assertCount(4, $brass['steps']);
        foreach (
            [
                [$tone('more-1', 'a', '#000000'), $tone('more-1', 'b', '#000000')],
                [$tone('shade', 'a', '#000000')],
                [$tone('more-1', '', '#000000')],
                [$tone('more-1', 'a', 'red')],
            ] as $bad
        ) {
            $name($bad, 422);
        }
        // Pinned like any other; but not let follow, and not without a name.
        $pin = fn (array $tones, int $status = 200): array => $this->seriesOp(
            'tones.pin',
            ['material' => $this->brass->id, 'version' => $this->version($this->brass), 'tones' => $tones],
            $status,
        );
        $pin(['more-1' => '#ffffff']);
        $pin(['more-1' => null], 409);
        $pin(['more-4' => '#123456'], 409);

        // A pass paints in it, inside the material; and goes on showing the base when the tone is taken out.
        $this->import($this->page, $this->mira);
        $label = $this->labelAt($this->page, 100, 200);
        $this->op($this->page, $this->fillOp($this->brass, $label))->assertOk();
        $this->op($this->page, [
            'kind' => 'stroke',
            'points' => [[120, 200, 1]],
            'pass' => 'polish0001',
            'brush' => ['size' => 60, 'hardness' => 1, 'opacity' => 1, 'smoothing' => 0],
            'erase' => false,
            'make' => [
                'name' => 'polish',
                'figure' => $this->brass->figure_id,
                'kind' => 'tone',
                'tone' => 'more-1',
                'scope' => ['kind' => 'material', 'id' => $this->brass->id],
                'mode' => 'normal',
                'opacity' => 1,
            ],
        ])->assertOk();
        $seen = function (int $x): string {
            $paint = PagePicture::reduced($this->page->refresh(), 0);

            return sprintf(
                '#%02x%02x%02x',
                ord($paint->red[200 * 600 + $x]),
                ord($paint->green[200 * 600 + $x]),
                ord($paint->blue[200 * 600 + $x]),
            );
        };
        self::assertSame(['#ffffff', '#b08a3c'], [$seen(120), $seen(170)]);
        $twin = Material::query()->findOrFail(
            $this->seriesOp('material.duplicate', ['material' => $this->brass->id])['added'],
        );
        self::assertSame(
            [['more-3' => 'verdigris', 'more-1' => 'polish'], '#ffffff'],
            [$twin->more, $twin->pinned['more-1']],
        );
        $csv = $this->get("/api/series/{$this->series->id}/palette/file/csv")
            ->assertOk()
            ->getContent();
        self::assertStringContainsString('Tin Purser,brass,more-3,#406050,pinned,verdigris', $csv);
        $name([$tone('more-3', 'verdigris', '#406050')]);
        self::assertSame('#b08a3c', $seen(120));
        self::assertArrayNotHasKey('more-1', $this->brass->refresh()->pinned);
        $this->change('POST', 'undo');
        self::assertSame('#ffffff', $seen(120));
        self::assertSame(['verdigris', 'polish'], array_column($state()['more'], 'name'));
        // A version has them, too, and restoring it brings them back.
        $book = $this->change('POST', 'versions', ['name' => 'Book 1'], 201)['id'];
        $name([$tone('more-2', 'other', '#102030')]);
        $this->seriesOp('version.restore', ['version' => $book]);
        self::assertSame(
            [['more-3', 'more-1'], '#ffffff', '#b08a3c'],
            [array_column($state()['more'], 'tone'), $state()['tones']['more-1'], $state()['tones']['more-2']],
        );
    }

    public function test_a_material_or_a_tone_is_replaced_on_chosen_pages(): void
    {
        $this->import($this->page, $this->mira);
        [$left, $middle, $right] = array_map(fn (int $x): int => $this->labelAt($this->page, $x, 200), [
            100,
            300,
            480,
        ]);
        $this->op($this->page, $this->fillOp($this->skin, $left, $middle))->assertOk();
        $this->op($this->page, $this->fillOp($this->oilskin, $right))->assertOk();
        $this->op($this->page, ['kind' => 'flats.lock', 'labels' => [$middle], 'locked' => true])->assertOk();
        $stroke = fn (string $id, string $tone, array $scope): array => [
            'kind' => 'stroke',
            'pass' => $id,
            'points' => [[100, 200, 1]],
            'erase' => false,
            'brush' => ['size' => 20, 'hardness' => 1, 'opacity' => 1, 'smoothing' => 0],
            'make' => [
                'name' => $tone,
                'figure' => $this->skin->figure_id,
                'kind' => 'tone',
                'tone' => $tone,
                'scope' => $scope,
                'mode' => 'normal',
                'opacity' => 1,
            ],
        ];
        $this->op(
            $this->page,
            $stroke('ofskin0001', 'shade', ['kind' => 'material', 'id' => $this->skin->id]),
        )->assertOk();
        $this->op(
            $this->page,
            $stroke('offigure01', 'glint', ['kind' => 'figure', 'id' => $this->skin->figure_id]),
        )->assertOk();
        $other = Page::query()->create(['series_id' => $this->series->id, 'number' => 2, 'title' => 'Fog']);
        [, $elsewhere] = $this->series('Another');

        $outcomes = $this->outcomes('replace', [
            'material' => $this->skin->id,
            'into' => $this->brass->id,
            'pages' => [$other->id, $elsewhere->id, $this->page->id],
        ]);
        self::assertSame(
            [[1, true], [2, false]],
            array_map(fn (array $one): array => [$one['number'], $one['done']], $outcomes),
        );
        self::assertSame(
            [$this->brass->id, $this->skin->id, $this->oilskin->id],
            array_map(fn (int $label): int => $this->regions()[$label]->material, [$left, $middle, $right]),
            'what is locked stays',
        );
        self::assertSame($this->brass->figure_id, $this->regions()[$left]->figure);
        $passes = fn (): array => (new PageStore($this->page->refresh()))->records(RecordKind::Pass);
        self::assertEquals(
            ['kind' => 'material', 'id' => $this->brass->id],
            $passes()['ofskin0001']->toData()['scope'],
        );

        $this->outcomes('replace', [
            'figure' => $this->skin->figure_id,
            'tone' => 'glint',
            'into' => 'light',
            'pages' => [$this->page->id],
        ]);
        self::assertSame(
            ['shade', 'light'],
            [
                $passes()['ofskin0001']->toData()['content']['tone'],
                $passes()['offigure01']->toData()['content']['tone'],
            ],
        );
        $this->undo($this->page)->assertOk();
        self::assertSame('glint', $passes()['offigure01']->toData()['content']['tone']);
        $this->undo($this->page)->assertOk();
        self::assertSame($this->skin->id, $this->regions()[$left]->material);

        // Somebody else works on it: it is left, and said so.
        $pell = $this->person('Pell', $this->series);
        $this->page
            ->refresh()
            ->forceFill(['holder_id' => $pell->id, 'lease_until' => now()->addMinute()])
            ->save();
        [$left] = $this->outcomes('replace', [
            'material' => $this->skin->id,
            'into' => $this->brass->id,
            'pages' => [$this->page->id],
        ]);
        self::assertSame([false, 'Pell is working on page 1; it was left as it is.'], [$left['done'], $left['why']]);
        foreach (
            [
                ['material' => $this->skin->id, 'into' => $this->skin->id],
                ['figure' => $this->skin->figure_id, 'tone' => 'mud', 'into' => 'base'],
                [],
            ] as $bad
        ) {
            $this->change('POST', 'tasks/replace', $bad + ['pages' => [$this->page->id]], 422);
        }
    }

    public function test_a_change_that_changes_nothing_leaves_what_is_to_be_redone(): void
    {
        $this->seriesOp('tones.pin', [
            'material' => $this->skin->id,
            'version' => 1,
            'tones' => ['shade' => '#102030'],
        ]);
        $this->change('POST', 'undo');
        $before = SeriesEntry::query()->count();
        $version = $this->skin->refresh()->version;
        $palette = $this->series->refresh()->palette_version;
        // The base it has already, the name it has, the rule there is.
        $answer = $this->seriesOp('tones.pin', [
            'material' => $this->skin->id,
            'version' => $version,
            'tones' => ['base' => $this->skin->pinned['base']],
        ]);
        self::assertSame([$version, $palette], [$this->skin->refresh()->version, $answer['version']]);
        $this->seriesOp('material.change', [
            'material' => $this->skin->id,
            'version' => $version,
            'name' => $this->skin->name,
        ]);
        $this->seriesOp('figure.change', ['figure' => $this->skin->figure_id, 'nearer' => 0]);
        self::assertSame(
            [$before, $version, $palette],
            [
                SeriesEntry::query()->count(),
                $this->skin->refresh()->version,
                $this->series->refresh()->palette_version,
            ],
        );
        $this->change('POST', 'redo');
        self::assertSame('#102030', $this->skin->refresh()->pinned['shade']);
        // What does change something ends it.
        $this->change('POST', 'undo');
        $this->seriesOp('tones.pin', [
            'material' => $this->skin->id,
            'version' => $this->skin->refresh()->version,
            'tones' => ['deep' => '#010203'],
        ]);
        $this->change('POST', 'redo', [], 409);
    }

    public function test_a_palette_that_leaves_and_comes_back_keeps_its_depths(): void
    {
        foreach (['Harbour', 'Sea'] as $name) {
            $figure = $this->seriesOp('figure.add', ['name' => $name])['added'];
            $this->seriesOp('material.add', ['figure' => $figure, 'name' => 'water', 'base' => '#204060']);
        }
        $order = fn (Series $series): array => $series->figures()->pluck('name')->all();
        $wanted = $order($this->series);
        self::assertSame(['Sea', 'Harbour'], array_slice($wanted, 0, 2), 'the last one made stands nearest');
        foreach (['csv', 'json', 'css'] as $format) {
            $file = (string) $this->get("/api/series/{$this->series->id}/palette/file/$format")
                ->assertOk()
                ->getContent();
            $other = Series::query()->create(['name' => "Taken from $format"]);
            Member::query()->create([
                'series_id' => $other->id,
                'user_id' => $this->mira->id,
                'role' => \App\Models\Role::Owner,
            ]);
            $this->postJson("/api/series/$other->id/ops", [
                'op' => ['kind' => 'palette.import', 'name' => "palette.$format", 'text' => $file],
            ])->assertOk();
            self::assertSame($wanted, $order($other), $format);
        }
    }

    public function test_two_versions_are_compared_as_numbers_and_as_pictures(): void
    {
        $this->import($this->page, $this->mira);
        $this->op($this->page, $this->fillOp($this->skin, $this->labelAt($this->page, 100, 200)))->assertOk();
        $first = $this->change('POST', 'versions', ['name' => 'Book 1'], 201)['id'];
        $this->seriesOp('tones.pin', [
            'material' => $this->skin->id,
            'version' => 1,
            'tones' => [
                'base' => '#806040',
                'shade' => '#403020',
                'deep' => '#201810',
                'light' => '#a08060',
                'glint' => '#c0a080',
                'line' => '#181008',
            ],
        ]);
        $second = $this->change('POST', 'versions', ['name' => 'Book 2'], 201)['id'];
        $this->seriesOp('tones.pin', [
            'material' => $this->brass->id,
            'version' => 1,
            'tones' => ['line' => '#000000'],
        ]);
        $compare = fn (int $from, int $to): array => $this->change('GET', "versions/compare?from=$from&to=$to");
        $there = $compare($first, $second);
        self::assertSame(['Oda Brack, skin'], array_values(array_unique(array_column($there, 'name'))));
        self::assertSame(
            ['#c98d6b', '#806040'],
            array_values(
                array_intersect_key(collect($there)->firstWhere('tone', 'base'), ['before' => 0, 'after' => 0]),
            ),
        );
        self::assertSame(
            ['#806040', '#c98d6b'],
            array_values(
                array_intersect_key(collect($compare($second, $first))->firstWhere('tone', 'base'), [
                    'before' => 0,
                    'after' => 0,
                ]),
            ),
        );
        self::assertSame(
            [['Tin Purser, brass', 'line', '#000000']],
            array_map(fn (array $one): array => [$one['name'], $one['tone'], $one['after']], $compare($second, 0)),
        );
        self::assertSame([], $compare($first, $first));

        // In the filled box of the page: by each version, by the palette now, whatever the page holds.
        $this->seriesOp('page.version', [
            'of' => $this->page->id,
            'version' => $first,
            'follows' => [$this->skin->id],
        ]);
        $colour = function (int $version): string {
            $file = sys_get_temp_dir().'/as.png';
            file_put_contents(
                $file,
                $this->get("/api/series/{$this->series->id}/pages/{$this->page->id}/as/$version")
                    ->assertOk()
                    ->getContent(),
            );
            $paint = (new ImageReader)->read($file)->paint;
            $at = 25 * $paint->width + 15;

            return sprintf('#%02x%02x%02x', ord($paint->red[$at]), ord($paint->green[$at]), ord($paint->blue[$at]));
        };
        self::assertSame(['#c98d6b', '#806040', '#806040'], [$colour($first), $colour($second), $colour(0)]);
        [$another, $elsewhere] = $this->series('Another');
        $this->getJson("/api/series/{$this->series->id}/pages/$elsewhere->id/as/0")->assertStatus(404);
        $this->getJson("/api/series/{$this->series->id}/pages/{$this->page->id}/as/999")->assertStatus(404);
    }

    public function test_a_figure_follows_one_of_another_series_until_it_is_let_go(): void
    {
        [$other] = $this->series('Book 2');
        Member::query()->create(['series_id' => $other->id, 'user_id' => $this->mira->id, 'role' => Role::Colourist]);
        $there = fn (string $kind, array $input, int $status = 200): array => (array) $this->postJson(
            "/api/series/$other->id/ops",
            ['op' => ['kind' => $kind] + $input],
        )
            ->assertStatus($status)
            ->json();
        $oda = $this->oilskin->figure_id;
        $linked = collect($there('figure.link', ['figure' => $oda])['shown']['figures'])->firstWhere(
            'follows',
            'The Test Ferry',
        );
        self::assertSame(
            ['Oda Brack', ['oilskin', 'skin']],
            [$linked['name'], array_column($linked['materials'], 'name')],
        );
        [$oilskin, $skin] = array_column($linked['materials'], 'id');
        $now = fn (): array => collect(
            $this->getJson("/api/series/$other->id/palette")->json('palette.figures'),
        )->firstWhere('id', $linked['id']);

        // It changes where it is set: named, pinned, added, merged; what is open here hears of it.
        $this->seriesOp('tones.pin', [
            'material' => $this->skin->id,
            'version' => 1,
            'tones' => ['base' => '#a06040', 'glint' => '#ffeedd'],
        ]);
        $this->seriesOp('figure.change', ['figure' => $oda, 'name' => 'Captain Brack']);
        $rope = $this->seriesOp('material.add', ['figure' => $oda, 'name' => 'rope', 'base' => '#b09060'])['added'];
        $version = $other->refresh()->palette_version;
        self::assertSame(1, (new FigureLinks)->catchUp());
        self::assertSame(0, (new FigureLinks)->catchUp(), 'once is enough');
        self::assertSame($version + 1, $other->refresh()->palette_version);
        $figure = $now();
        self::assertSame(
            ['Captain Brack', ['oilskin', 'skin', 'rope'], '#a06040', '#ffeedd'],
            [
                $figure['name'],
                array_column($figure['materials'], 'name'),
                $figure['materials'][1]['tones']['base'],
                $figure['materials'][1]['tones']['glint'],
            ],
        );
        self::assertSame(
            [$oilskin, $skin],
            array_slice(array_column($figure['materials'], 'id'), 0, 2),
            'pages name them by these',
        );
        $this->seriesOp('material.retire', ['material' => $rope, 'version' => 1, 'into' => $this->oilskin->id]);
        (new FigureLinks)->catchUp();
        self::assertSame($oilskin, Material::query()->where('follows_id', $rope)->sole()->stands_in);
        // Deleted there, it stays here, for pages wear it; and it is this series' own from then on.
        $belt = $this->seriesOp('material.add', ['figure' => $oda, 'name' => 'belt', 'base' => '#706040'])['added'];
        (new FigureLinks)->catchUp();
        $own = Material::query()->where('follows_id', $belt)->sole();
        $this->seriesOp('material.retire', ['material' => $belt, 'version' => 1, 'into' => null]);
        (new FigureLinks)->catchUp();
        self::assertSame([false, null], [$own->refresh()->retired, $own->follows_id]);
        $there('material.change', ['material' => $own->id, 'version' => $own->version, 'name' => 'our belt']);

        // Nobody changes it here, by hand or by undo; its place in the depth is this series' own.
        $refused = [
            [
                'tones.pin',
                [
                    'material' => $skin,
                    'version' => Material::query()->findOrFail($skin)->version,
                    'tones' => ['deep' => '#000000'],
                ],
            ],
            ['figure.change', ['figure' => $linked['id'], 'name' => 'x']],
            ['material.add', ['figure' => $linked['id'], 'name' => 'x', 'base' => '#000000']],
        ];
        foreach ($refused as [$kind, $input]) {
            self::assertStringContainsString('follows', $there($kind, $input, 409)['message']);
        }
        $there('figure.change', ['figure' => $linked['id'], 'nearer' => -1]);
        $this->postJson("/api/series/$other->id/undo")->assertOk();
        self::assertSame('Captain Brack', $now()['name']);

        // Let go, it is as it was last, and its own.
        $there('figure.unlink', ['figure' => $linked['id']]);
        $this->seriesOp('tones.pin', [
            'material' => $this->skin->id,
            'version' => 2,
            'tones' => ['base' => '#112233'],
        ]);
        self::assertSame(0, (new FigureLinks)->catchUp());
        self::assertSame([null, '#a06040'], [$now()['follows'], $now()['materials'][1]['tones']['base']]);
        $there('figure.change', ['figure' => $linked['id'], 'name' => 'Oda of book 2']);
        $there('figure.unlink', ['figure' => $linked['id']], 404);
    }

    public function test_a_link_shows_nothing_to_those_who_may_no_longer_see(): void
    {
        [$other] = $this->series('Book 2');
        $pell = $this->person('Pell', $other);
        $this->actingAs($pell)
            ->postJson("/api/series/$other->id/ops", [
                'op' => ['kind' => 'figure.link', 'figure' => $this->oilskin->figure_id],
            ])
            ->assertStatus(403);
        $member = Member::query()->create([
            'series_id' => $this->series->id,
            'user_id' => $pell->id,
            'role' => Role::Viewer,
        ]);
        $this->actingAs($pell)
            ->postJson("/api/series/$other->id/ops", [
                'op' => ['kind' => 'figure.link', 'figure' => $this->oilskin->figure_id],
            ])
            ->assertOk();
        $member
            ->newQuery()
            ->where(['series_id' => $this->series->id, 'user_id' => $pell->id])
            ->delete();
        $this->actingAs($this->mira);
        $this->seriesOp('tones.pin', [
            'material' => $this->oilskin->id,
            'version' => 1,
            'tones' => ['base' => '#123456'],
        ]);
        self::assertSame(0, (new FigureLinks)->catchUp());
        self::assertSame(
            '#e0a93a',
            Material::query()->where('follows_id', $this->oilskin->id)->sole()->pinned['base'],
        );
    }

    public function test_regions_wear_variants_of_their_own(): void
    {
        $this->import($this->page, $this->mira);
        [$left, $middle, $right] = array_map(fn (int $x): int => $this->labelAt($this->page, $x, 200), [
            100,
            300,
            480,
        ]);
        $this->op($this->page, $this->fillOp($this->skin, $left, $middle, $right))->assertOk();
        $made = [];
        foreach (['Wet' => '#a87050', 'Night' => '#304060'] as $name => $base) {
            $made[$name] = $this->seriesOp('variant.add', ['name' => $name])['added'];
            $this->seriesOp('variant.change', [
                'variant' => $made[$name],
                'version' => 1,
                'material' => $this->skin->id,
                'tones' => ['base' => $base],
            ]);
        }
        $wear = fn (array $labels, ?int $variant): TestResponse => $this->op($this->page, [
            'kind' => 'variant.wear',
            'labels' => $labels,
            'variant' => $variant,
        ]);
        $wear([$left], $made['Night'])
            ->assertOk()
            ->assertJsonPath('records.0.2.variant', $made['Night']);
        $wear([$middle], 0)->assertOk();
        $bases = function () use ($left, $middle, $right): array {
            $flats = (new StackBuilder)->build(
                new Sheet(new PageStore($this->page->refresh())),
                SeriesPalette::of($this->page)->core(),
            )->flats;

            return array_map(fn (int $label): string => sprintf('#%06x', $flats[$label]->tones['base']), [
                $left,
                $middle,
                $right,
            ]);
        };
        self::assertSame(['#304060', '#c98d6b', '#c98d6b'], $bases());
        $this->seriesOp('page.variant', ['of' => $this->page->id, 'variant' => $made['Wet']]);
        self::assertSame(['#304060', '#c98d6b', '#a87050'], $bases());
        $variants = collect($this->getJson("/api/pages/{$this->page->id}")->json('palette.variants'))->keyBy('id');
        self::assertSame([0, $made['Wet'], $made['Night']], $variants->keys()->all());
        self::assertSame(
            ['#c98d6b', '#304060'],
            [
                $variants[0]['materials'][$this->skin->id]['base'],
                $variants[$made['Night']]['materials'][$this->skin->id]['base'],
            ],
        );
        // What the page's variant says of other materials does not hold where another is worn.
        $this->seriesOp('variant.change', [
            'variant' => $made['Wet'],
            'version' => 2,
            'material' => $this->brass->id,
            'tones' => ['base' => '#111111'],
        ]);
        $this->op($this->page, $this->fillOp($this->brass, $right))->assertOk();
        self::assertSame('#111111', $bases()[2]);
        $wear([$right], $made['Night'])->assertOk();
        self::assertSame('#b08a3c', $bases()[2]);
        $this->undo($this->page)->assertOk();
        $this->undo($this->page)->assertOk();
        // Taken out of the palette, it is worn no more; and what is not of this series never is.
        $this->seriesOp('variant.change', ['variant' => $made['Night'], 'version' => 2, 'retire' => true]);
        self::assertSame(['#a87050', '#c98d6b', '#a87050'], $bases());
        $wear([$right], $made['Night'])->assertStatus(422);
        $this->undo($this->page)->assertOk();
        self::assertSame(['#a87050', '#a87050', '#a87050'], $bases());
    }

    public function test_what_a_reader_sees_of_a_material_is_measured(): void
    {
        $this->colours()->assertJsonPath('materials', []);
        $this->import($this->page, $this->mira);
        $label = $this->labelAt($this->page, 100, 200);
        $this->op($this->page, $this->fillOp($this->skin, $label))->assertOk();
        $this->op($this->page, $this->fillOp($this->brass, $this->labelAt($this->page, 480, 200)))->assertOk();
        $seen = $this->colours()->json('materials');
        self::assertSame(
            ['#c98d6b', '#c98d6b', '#b08a3c'],
            [$seen[$this->skin->id]['flat'], $seen[$this->skin->id]['seen'], $seen[$this->brass->id]['seen']],
        );
        self::assertSame(
            $label,
            $this->labelAt($this->page, $seen[$this->skin->id]['x'], $seen[$this->skin->id]['y']),
        );
        self::assertArrayNotHasKey($this->oilskin->id, $seen);
        // A pass over all of it, half as strong as it can be: the reader sees it, the flats stay.
        $this->op($this->page, [
            'kind' => 'pass.add',
            'id' => 'nightfall1',
            'pass' => [
                'name' => 'Night',
                'figure' => 0,
                'kind' => 'tint',
                'colour' => '#000000',
                'scope' => ['kind' => 'page', 'id' => 0],
                'mode' => 'normal',
                'opacity' => 0.5,
            ],
        ])->assertOk();
        $points = array_map(fn (int $x): array => [$x, 200, 1], range(0, 600, 20));
        $this->op($this->page, [
            'kind' => 'stroke',
            'pass' => 'nightfall1',
            'points' => $points,
            'brush' => ['size' => 1000, 'hardness' => 1, 'opacity' => 1, 'smoothing' => 0],
            'erase' => false,
            'colour' => null,
            'make' => null,
        ])->assertOk();
        $now = $this->colours()->json('materials')[$this->skin->id];
        self::assertSame(['#c98d6b', '#c98d6b'], [$now['flat'], $now['lit']]);
        foreach (Rgb::fromHex('#c98d6b')->parts() as $i => $part) {
            self::assertEqualsWithDelta($part / 2, Rgb::fromHex($now['seen'])->parts()[$i], 1.5);
        }
        // Light within the figure is light, not mood.
        $this->op($this->page, [
            'kind' => 'stroke',
            'pass' => 'shadeall01',
            'points' => $points,
            'brush' => ['size' => 1000, 'hardness' => 1, 'opacity' => 1, 'smoothing' => 0],
            'erase' => false,
            'colour' => null,
            'make' => [
                'name' => 'Shade',
                'figure' => $this->skin->figure_id,
                'kind' => 'tone',
                'tone' => 'shade',
                'scope' => ['kind' => 'figure', 'id' => $this->skin->figure_id],
                'mode' => 'normal',
                'opacity' => 1,
            ],
        ])->assertOk();
        $shaded = $this->colours()->json('materials')[$this->skin->id];
        self::assertSame(
            ['#c98d6b', (new ToneRule)->complete(['base' => Rgb::fromHex('#c98d6b')])['shade']->hex()],
            [$shaded['flat'], $shaded['lit']],
        );
    }
}

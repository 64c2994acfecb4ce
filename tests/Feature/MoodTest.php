<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Desk\Palette\SeriesDesk;
use App\Desk\Palette\SeriesMoods;
use App\Desk\Palette\SeriesPalette;
use App\Models\Figure;
use App\Models\Material;
use App\Models\Member;
use App\Models\Page;
use App\Models\Role;
use App\Models\Series;
use App\Models\SeriesLight;
use App\Models\SeriesMood;
use App\Models\User;
use App\Store\PageStore;
use Awning\Core\Codec\ImageReader;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Raster\Paint;
use Awning\Core\Sheet\Export\SheetPicture;
use Awning\Core\Sheet\Export\StackBuilder;
use Awning\Core\Sheet\OpKinds;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Right;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Tests\TestCase;

/** Moods: those that lie ready, those a series keeps, and pages that are shown in one. */
final class MoodTest extends TestCase
{
    use RefreshDatabase;

    private Series $series;

    private Page $page;

    private User $mira;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->series, $this->page] = $this->series();
        $this->mira = $this->person('Mira', $this->series);
        $this->import($this->page, $this->mira);
    }

    /** @return list<array{key: string, id: ?int, name: string, layers: list<array<string, mixed>>}> */
    private function moods(): array
    {
        return (array) $this->getJson("/api/series/{$this->series->id}/moods")
            ->assertOk()
            ->json();
    }

    /** @return array<string, PassSpec> those of the page now, by id */
    private function passes(): array
    {
        return (new Sheet(new PageStore($this->page->refresh())))->all(PassSpec::class);
    }

    /** @param  list<array<string, mixed>>  $layers */
    private function wear(string $name, array $layers, string $ids = 'a'): void
    {
        $named = array_map(fn (int $i): string => "moodlayer$ids$i", array_keys($layers));
        $this->op($this->page, [
            'kind' => 'mood.wear',
            'name' => $name,
            'layers' => $layers,
            'ids' => $named,
        ])->assertOk();
    }

    private function shown(): string
    {
        $size = (new Sheet(new PageStore($this->page->refresh())))->find(PageSize::class, PageSize::KEY);

        return $size->mood ?? 'no page';
    }

    public function test_eight_moods_lie_ready_and_a_page_is_shown_in_one_by_one_step(): void
    {
        $moods = $this->moods();
        self::assertSame(
            ['First light of day', 'Noon', 'Last light', 'Lamp hour', 'Deep night', 'Fog', 'Storm', 'Winter'],
            array_column($moods, 'name'),
        );
        $own = [
            'name' => 'By hand',
            'figure' => 0,
            'content' => ['kind' => 'wash', 'colour' => '#102030'],
            'scope' => ['kind' => 'page', 'id' => 0],
        ];
        $this->op($this->page, ['kind' => 'pass.add', 'id' => 'byhand0001', 'pass' => $own])->assertOk();
        [, , , $lamp, $night] = $moods;
        $this->wear('Lamp hour', $lamp['layers'], 'a');
        self::assertSame(['By hand', ...array_column($lamp['layers'], 'name')], $this->names());
        $this->wear('Deep night', $night['layers'], 'b');
        self::assertSame(
            ['By hand', ...array_column($night['layers'], 'name')],
            $this->names(),
            'instead of the last',
        );
        self::assertSame('Deep night', $this->shown());
        $this->stepBack();
        self::assertSame(
            ['Lamp hour', ['By hand', ...array_column($lamp['layers'], 'name')]],
            [$this->shown(), $this->names()],
        );
        $this->wear('', [], 'c');
        self::assertSame(['', ['By hand']], [$this->shown(), $this->names()], 'what was hung by hand stays');
        $this->stepBack();
        self::assertSame('Lamp hour', $this->shown());
    }

    public function test_what_is_no_mood_is_not_worn(): void
    {
        $layer = ['name' => 'Air', 'content' => ['kind' => 'wash', 'colour' => '#dfe5ea']];
        $wear = fn (array $layers, array $ids, string $name = 'Fog') => $this->op($this->page, [
            'kind' => 'mood.wear',
            'name' => $name,
            'layers' => $layers,
            'ids' => $ids,
        ]);
        $wear([$layer], ['other0001'])->assertStatus(422);
        $wear([$layer], [])->assertStatus(422);
        $wear([$layer, $layer], ['moodlayer1', 'moodlayer1'])->assertStatus(422);
        $wear([['content' => ['kind' => 'paint']] + $layer], ['moodlayer1'])->assertStatus(422);
        $wear([$layer], ['moodlayer1'], '')->assertStatus(422);
        $wear(array_fill(0, 25, $layer), array_map(fn (int $i): string => "moodlayer$i", range(0, 24)))->assertStatus(
            422,
        );
        self::assertSame(['', []], [$this->shown(), $this->names()]);
        $wear([$layer], ['moodlayer1'])->assertOk();
        $off = ['name' => '', 'layers' => [], 'ids' => []];
        self::assertSame(Right::Colour, OpKinds::read('mood.wear', $off)->right(), 'a flatter may not');
        self::assertSame('Fog', $this->shown());
    }

    public function test_a_series_keeps_moods_changes_them_and_takes_them_out(): void
    {
        $layers = [
            [
                'name' => 'Air',
                'content' => ['kind' => 'wash', 'colour' => '#dfe5ea'],
                'mode' => 'screen',
                'opacity' => 0.4,
            ],
        ];
        $ask = fn (string $kind, array $input, int $status = 200): array => (array) $this->postJson(
            "/api/series/{$this->series->id}/ops",
            ['op' => ['kind' => $kind] + $input],
        )
            ->assertStatus($status)
            ->json();
        $kept = $ask('mood.keep', ['name' => 'Salt haze', 'layers' => $layers]);
        $last = $kept['shown'][8];
        self::assertEquals(['own'.$kept['added'], $kept['added'], 'Salt haze', $layers, '', ''], array_values(array_diff_key($last, ['version' => 0])));
        self::assertSame(1, $last['version']);
        $file = (string) $this->get("/api/series/{$this->series->id}/moods/{$last['key']}/file")
            ->assertOk()
            ->getContent();
        $taken = $ask('mood.keep', ['text' => $file])['shown'][9];
        self::assertEquals(['Salt haze', $layers], [$taken['name'], $taken['layers']], 'nothing is lost on the way');
        self::assertStringContainsString(
            'Layer 1',
            $ask('mood.keep', ['text' => strtr($file, ['wash' => 'sepia'])], 422)['message'],
        );
        $ask('mood.keep', ['name' => 'Empty', 'layers' => []], 422);
        $darker = [['opacity' => 0.9] + $layers[0]];
        $change = ['mood' => $kept['added'], 'version' => 1, 'layers' => $darker];
        self::assertSame(2, $ask('mood.change', $change)['shown'][8]['version']);
        // Somebody who has not seen that does not change it once more.
        $conflict = $ask('mood.change', ['layers' => $layers] + $change, 409);
        self::assertStringContainsString('Somebody changed the mood Salt haze', $conflict['message']);
        self::assertSame(0.9, $this->moods()[8]['layers'][0]['opacity']);
        (new SeriesDesk)->undo($this->series->refresh(), $this->mira);
        self::assertSame(0.4, $this->moods()[8]['layers'][0]['opacity']);
        // A page that shows it stays as it is when it is taken out.
        $this->wear('Salt haze', $layers);
        $ask('mood.retire', ['mood' => $kept['added']]);
        self::assertCount(9, $this->moods());
        self::assertSame(['Salt haze', ['Air']], [$this->shown(), $this->names()]);
        $ask('mood.retire', ['mood' => $kept['added']], 404);
        (new SeriesDesk)->undo($this->series->refresh(), $this->mira);
        self::assertCount(10, $this->moods());
    }

    public function test_a_mood_brings_a_light_plan_and_a_variant_by_name(): void
    {
        $ask = fn (string $kind, array $input, int $status = 200, ?Series $of = null): array => (array) $this->postJson(
            '/api/series/'.($of ?? $this->series)->id.'/ops',
            ['op' => ['kind' => $kind] + $input],
        )->assertStatus($status)->json();
        $material = Material::query()->firstOrFail();
        $this->op($this->page, $this->fillOp($material, $this->labelAt($this->page, 120, 200)))->assertOk();
        $plan = $ask('light.add', [
            'name' => 'Lamp at midnight',
            'plan' => ['azimuth' => 120, 'elevation' => 20, 'colour' => '#ff9030'],
        ])['added'];
        $night = $ask('variant.add', ['name' => 'Night clothes'])['added'];
        $ask('variant.change', [
            'variant' => $night, 'version' => 1, 'material' => $material->id, 'tones' => ['base' => '#0000ff'],
        ]);
        $layers = [['name' => 'Air', 'content' => ['kind' => 'wash', 'colour' => '#dfe5ea'], 'mode' => 'normal', 'opacity' => 0.0]];
        $mood = $ask('mood.keep', [
            'name' => 'Night watch', 'layers' => $layers, 'light' => 'Lamp at midnight', 'variant' => 'Night clothes',
        ]);
        $last = $mood['shown'][8];
        self::assertSame(['Lamp at midnight', 'Night clothes'], [$last['light'], $last['variant']]);
        $wear = fn (array $more) => $this->op($this->page, [
            'kind' => 'mood.wear', 'name' => 'Night watch', 'layers' => $layers, 'ids' => ['moodlayer1'], ...$more,
        ]);
        $before = $this->picture('shown');
        $ahead = $this->picture($last['key']);
        self::assertNotSame($before, $ahead, 'the small picture is in the colours it brings');
        $wear(['plan' => $plan, 'variant' => $night])->assertOk();
        self::assertSame($ahead, $this->picture('shown'));
        $brought = fn (): array => array_values(
            array_intersect_key($this->pageSize()->toData(), ['moodPlan' => 0, 'moodVariant' => 0]),
        );
        self::assertSame([$plan, $night], $brought());
        $followers = fn (): array => array_column(
            (array) $this->getJson("/api/series/{$this->series->id}/moods/{$last['key']}/followers")->json(),
            'isChanged',
        );
        self::assertSame([false], $followers());
        // Changed on the page alone, and taken back.
        $this->op($this->page, ['kind' => 'mood.bring', 'plan' => $plan, 'variant' => null])->assertOk();
        self::assertSame([[$plan, null], [true]], [$brought(), $followers()]);
        $this->stepBack();
        self::assertSame([[$plan, $night], $ahead], [$brought(), $this->picture('shown')]);
        $this->op($this->page, ['kind' => 'mood.bring', 'plan' => null, 'variant' => null])->assertOk();
        self::assertSame($before, $this->picture('shown'));
        $this->stepBack();
        // With the mood goes what it brought.
        $this->wear('', []);
        self::assertSame([null, null], $brought());
        $this->op($this->page, ['kind' => 'mood.bring', 'plan' => $plan, 'variant' => null])->assertStatus(422);
        // What another series calls so is another's.
        [$other] = $this->series('Another');
        Member::query()->create(['series_id' => $other->id, 'user_id' => $this->mira->id, 'role' => Role::Owner]);
        $theirs = $ask('variant.add', ['name' => 'Night clothes'], of: $other)['added'];
        $wear(['variant' => $theirs])->assertStatus(422);
        // As a file it keeps both names; where a series has none of a name, nothing is brought.
        $file = (string) $this->get("/api/series/{$this->series->id}/moods/{$last['key']}/file")->getContent();
        $taken = $ask('mood.keep', ['text' => $file], of: $other)['shown'][8];
        self::assertSame(['Lamp at midnight', 'Night clothes'], [$taken['light'], $taken['variant']]);
        self::assertSame(
            [null, $theirs],
            (new SeriesMoods($other))->brought((new SeriesMoods($other))->find($taken['key'])[2]),
        );
        // Plans may have names of eighty characters, and a mood brings each of them.
        $long = str_repeat('n', 80);
        $kept = $ask('mood.keep', ['name' => 'Long', 'layers' => $layers, 'light' => $long]);
        $text = (string) $this->get("/api/series/{$this->series->id}/moods/own{$kept['added']}/file")->getContent();
        self::assertSame($long, $ask('mood.keep', ['text' => $text])['shown'][10]['light']);
        $ask('mood.keep', ['name' => 'Longer', 'layers' => $layers, 'light' => "{$long}n"], 422);
        $ask('mood.keep', ['text' => str_replace($long, "{$long}n", $text)], 422);
        $change = ['mood' => $mood['added'], 'version' => 1, 'layers' => $layers, 'light' => ''];
        $ask('mood.change', $change + ['variant' => 'Night clothes']);
        self::assertSame(['', 'Night clothes'], [$this->moods()[8]['light'], $this->moods()[8]['variant']]);
    }

    public function test_a_mood_at_hand_is_kept_pictured_and_shown_again(): void
    {
        $wash = fn (string $colour): array => [
            ['name' => 'Air', 'content' => ['kind' => 'wash', 'colour' => $colour], 'mode' => 'normal', 'opacity' => 0.5],
        ];
        $ask = fn (array $op) => $this->op($this->page, $op);
        $this->wear('Dusk', $wash('#402080'));
        $ask(['kind' => 'pass.change', 'id' => 'moodlayera0', 'values' => ['opacity' => 0.75]])->assertOk();
        $dusk = $this->picture('shown');
        $wear = ['kind' => 'mood.wear', 'name' => 'Noon', 'layers' => $wash('#ffffc0'), 'ids' => ['moodlayerb0']];
        $ask($wear + ['hold' => 'dusk0001'])->assertOk();
        $noon = $this->picture('shown');
        self::assertSame($dusk, $this->picture('helddusk0001'), 'before it is shown');
        self::assertSame($noon, $this->picture('shown'), 'and the page is as it was');
        $held = fn (): array => (array) $this->getJson("/api/pages/{$this->page->id}")->json('records.held');
        self::assertSame(['dusk0001'], array_keys($held()));
        self::assertSame(0.75, $held()['dusk0001']['layers']['moodlayera0']['opacity']);
        $this->getJson("/api/pages/{$this->page->id}/moods/heldnight0001")->assertNotFound();
        $other = Page::query()->create(['series_id' => $this->series->id, 'number' => 2, 'title' => 'Another']);
        $this->getJson("/api/pages/$other->id/moods/helddusk0001")->assertNotFound();

        $ask(['kind' => 'mood.show', 'id' => 'dusk0001', 'hold' => 'noon0001'])->assertOk();
        self::assertSame(['Dusk', $dusk, ['noon0001']], [$this->shown(), $this->picture('shown'), array_keys($held())]);
        $this->stepBack();
        self::assertSame(['Noon', $noon, ['dusk0001']], [$this->shown(), $this->picture('shown'), array_keys($held())]);
        $ask(['kind' => 'mood.letgo', 'id' => 'dusk0001'])->assertOk();
        self::assertSame([], $held());
        $ask(['kind' => 'mood.show', 'id' => 'dusk0001'])->assertStatus(422);
        $this->stepBack();
        self::assertSame($dusk, $this->picture('helddusk0001'));
    }

    public function test_regions_in_a_mood_of_their_own_are_shown_under_the_light_it_brings(): void
    {
        $ask = fn (string $kind, array $input): array => (array) $this->postJson(
            "/api/series/{$this->series->id}/ops",
            ['op' => ['kind' => $kind] + $input],
        )->assertOk()->json();
        $plan = fn (string $name, string $colour): int => $ask('light.add', [
            'name' => $name,
            'plan' => ['azimuth' => 120, 'elevation' => 20, 'colour' => $colour],
        ])['added'];
        [$red, $blue] = [$plan('Embers', '#ff3010'), $plan('Moon', '#3050ff')];
        $material = Material::query()->firstOrFail();
        $label = $this->labelAt($this->page, 120, 200);
        $this->op($this->page, $this->fillOp($material, $label))->assertOk();
        $shade = [
            'name' => 'Shade', 'figure' => $material->figure_id, 'content' => ['kind' => 'tone', 'tone' => 'shade'],
            'scope' => ['kind' => 'figure', 'id' => $material->figure_id], 'mode' => 'normal', 'opacity' => 1.0,
        ];
        $this->op($this->page, [
            'kind' => 'stroke', 'pass' => 'shadepass1', 'make' => $shade, 'opacity' => 1, 'inside' => [],
            'points' => [[100, 200, 1], [140, 200, 1]], 'brush' => ['size' => 60, 'hardness' => 1],
        ])->assertOk();
        $seen = function (): array {
            $sheet = new Sheet(new PageStore($this->page->refresh()));
            $stack = (new StackBuilder)->build($sheet, SeriesPalette::of($this->page)->core());

            return array_slice((new SheetPicture)->compose($sheet, $stack)->at(120, 200), 0, 3);
        };
        $lit = $seen();
        $clear = [['name' => 'Air', 'content' => ['kind' => 'wash', 'colour' => '#dfe5ea'], 'mode' => 'normal', 'opacity' => 0.0]];
        $page = ['kind' => 'mood.wear', 'name' => 'Moonrise', 'layers' => $clear, 'ids' => ['moodlayer1'], 'plan' => $blue];
        $this->op($this->page, $page)->assertOk();
        $moonlit = $seen();
        $panel = ['kind' => 'mood.panel', 'name' => 'Fire', 'layers' => $clear, 'ids' => ['panellayer1']];
        $panel += ['cover' => 'panelcover01', 'labels' => [$label]];
        $this->op($this->page, $panel + ['plan' => $red])->assertOk();
        $ember = $seen();
        self::assertCount(3, array_unique(array_map(json_encode(...), [$lit, $moonlit, $ember])), 'three lights');
        $this->op($this->page, ['ids' => ['panellayer2'], 'cover' => 'panelcover02'] + $panel)->assertOk();
        self::assertSame($lit, $seen(), 'what the mood of the page brings is not for it');
        $back = ['name' => '', 'layers' => [], 'ids' => [], 'cover' => 'panelcover03'] + $panel;
        $this->op($this->page, $back)->assertOk();
        self::assertSame($moonlit, $seen());
        $this->op($this->page, ['ids' => ['panellayer4'], 'cover' => 'panelcover04', 'plan' => 99999] + $panel)
            ->assertStatus(422);
    }

    public function test_a_picture_on_the_board_is_measured_and_brings_the_page_near_it(): void
    {
        $blue = (new PngWriter)->paint(Paint::solid(120, 80, [20, 40, 150]));
        $file = (string) tempnam(sys_get_temp_dir(), 'blue');
        file_put_contents($file, $blue);
        $picture = fn (Series $of): int => (int) $this->post("/api/series/$of->id/references", [
            'picture' => new UploadedFile($file, 'Blue hour.png', 'image/png', null, true),
        ], ['Accept' => 'application/json'])->assertStatus(202)->json('0.id');
        $hung = $picture($this->series);
        $address = "/api/series/{$this->series->id}/references/$hung/mood?page={$this->page->id}";
        $revision = $this->page->refresh()->revision;
        $measured = (array) $this->getJson($address)->assertOk()->json();
        self::assertSame(['Like Blue hour', $revision], [$measured['name'], $this->page->refresh()->revision]);
        self::assertSame(['curve', 'balance'], array_column(array_column($measured['layers'], 'content'), 'kind'));
        $mean = function (): array {
            $file = (string) tempnam(sys_get_temp_dir(), 'mood');
            file_put_contents($file, $this->picture('shown'));
            $paint = (new ImageReader)->read($file)->paint;
            unlink($file);

            return array_map(
                fn (string $plane): float => array_sum(array_map(ord(...), str_split($plane))) / strlen($plane),
                [$paint->red, $paint->green, $paint->blue],
            );
        };
        [$red, , $blueness] = $mean();
        $this->wear('Like Blue hour', $measured['layers']);
        [$redNow, , $bluenessNow] = $mean();
        self::assertGreaterThan($blueness - $red + 60, $bluenessNow - $redNow, 'it turned blue');
        // Measured of the page as it is lit, whatever mood it is shown in: asked again, the same.
        self::assertSame($measured, $this->getJson($address)->json());
        [$other, $far] = $this->series('Another');
        Member::query()->create(['series_id' => $other->id, 'user_id' => $this->mira->id, 'role' => Role::Owner]);
        $theirs = $picture($other);
        $ours = "/api/series/{$this->series->id}/references";
        $this->getJson("$ours/$theirs/mood?page={$this->page->id}")->assertNotFound();
        $this->getJson("$ours/$hung/mood?page=$far->id")->assertNotFound();
        $this->getJson("/api/series/$other->id/references/$theirs/mood?page=$far->id")
            ->assertStatus(422)
            ->assertJsonPath('message', 'The page is empty. Import a scan first.');
        unlink($file);
    }

    private function picture(string $mood): string
    {
        return (string) $this->get("/api/pages/{$this->page->id}/moods/$mood")->assertOk()->getContent();
    }

    private function pageSize(): PageSize
    {
        return (new Sheet(new PageStore($this->page->refresh())))->size();
    }

    public function test_pages_that_show_a_mood_are_listed_and_follow_it_where_somebody_says_so(): void
    {
        $layers = fn (float $opacity): array => [
            ['name' => 'Air', 'content' => ['kind' => 'wash', 'colour' => '#dfe5ea'], 'mode' => 'screen', 'opacity' => $opacity],
        ];
        $ask = fn (string $kind, array $input): array => (array) $this->postJson(
            "/api/series/{$this->series->id}/ops",
            ['op' => ['kind' => $kind] + $input],
        )->assertOk()->json();
        $mood = $ask('mood.keep', ['name' => 'Salt haze', 'layers' => $layers(0.4)])['added'];
        $first = $this->page;
        $this->wear('Salt haze', $layers(0.4));
        $others = [];
        foreach ([2 => 'as the series has it', 3 => 'set', 4 => 'hidden', 5 => 'another mood', 6 => 'by hand beside'] as $number => $what) {
            $this->page = $others[$number] = Page::query()->create([
                'series_id' => $this->series->id,
                'number' => $number,
                'title' => $what,
            ]);
            $this->import($this->page, $this->mira);
            $this->wear($number === 5 ? 'Squall' : 'Salt haze', $layers($number === 3 ? 0.5 : 0.4));
        }
        $this->op($others[4], ['kind' => 'pass.change', 'id' => 'moodlayera0', 'values' => ['visible' => false]])->assertOk();
        $byHand = ['figure' => 0, 'scope' => ['kind' => 'page', 'id' => 0]] + $layers(0.1)[0];
        $this->op($others[6], ['kind' => 'pass.add', 'id' => 'byhand0001', 'pass' => $byHand])->assertOk();
        // The mood of another series that has the same name is another one.
        [$other, $far] = $this->series('Another');
        Page::query()->whereKey($far->id)->update(['mood' => 'Salt haze']);
        $followers = fn (string $key, Series $of): array => array_map(
            fn (array $one): array => [$one['number'], $one['isChanged']],
            (array) $this->getJson("/api/series/$of->id/moods/$key/followers")->assertOk()->json(),
        );
        self::assertSame(
            [[1, false], [2, false], [3, true], [4, true], [6, false]],
            $followers("own$mood", $this->series),
        );
        $this->getJson("/api/series/$other->id/moods/own$mood/followers")->assertForbidden();
        $ask('mood.change', ['mood' => $mood, 'version' => 1, 'layers' => $layers(0.9)]);
        $task = $this->postJson("/api/series/{$this->series->id}/tasks/mood", [
            'mood' => $mood,
            'pages' => [$others[2]->id, $others[3]->id, $far->id],
        ])->assertStatus(202)->json('id');
        $this->getJson("/api/tasks/$task")->assertJson(['state' => 'done']);
        $opacity = function (Page $page): array {
            $this->page = $page;

            return array_values(array_map(fn (PassSpec $pass): float => $pass->opacity, $this->passes()));
        };
        $four = [$first, $others[2], $others[3], $others[4]];
        self::assertSame([[0.4], [0.9], [0.9], [0.4]], array_map($opacity, $four));
        self::assertSame(
            [[1, true], [2, false], [3, false], [4, true], [6, true]],
            $followers("own$mood", $this->series),
        );
        $this->page = $others[3];
        $this->stepBack();
        self::assertSame([0.5], $opacity($others[3]), 'what the page had of its own comes back with undo');
    }

    public function test_a_small_picture_shows_the_page_in_a_mood_and_leaves_the_page_as_it_is(): void
    {
        $mean = function (string $key): float {
            $png = (string) $this->get("/api/pages/{$this->page->id}/moods/$key")
                ->assertOk()
                ->getContent();
            $file = (string) tempnam(sys_get_temp_dir(), 'mood');
            file_put_contents($file, $png);
            $paint = (new ImageReader)->read($file)->paint;
            unlink($file);

            return array_sum(count_chars($paint->blue, 1)) === 0
                ? 0.0
                : array_sum(array_map(ord(...), str_split($paint->red))) / strlen($paint->red);
        };
        $revision = $this->page->refresh()->revision;
        self::assertGreaterThan($mean('ready4') + 40, $mean('ready1'), 'night is darker than noon');
        self::assertSame([$revision, []], [$this->page->refresh()->revision, $this->names()]);
        $this->get("/api/pages/{$this->page->id}/moods/ready99")->assertNotFound();
        $width = fn (string $address): int => (int) (getimagesizefromstring(
            (string) $this->get("/api/pages/{$this->page->id}/moods/$address")->assertOk()->getContent(),
        ) ?: [0])[0];
        self::assertSame(2 * $width('ready4'), $width('ready4?size=large'), 'halved once less');
        self::assertSame($width('ready4?size=large'), $width('shown?size=large'));
        $this->wear('Deep night', $this->moods()[4]['layers']);
        self::assertSame($mean('ready4'), $mean('shown'), 'as the page is shown now');
        // A mood of another series is none of this page's, though the person may see both.
        [$other] = $this->series('Another');
        Member::query()->create(['series_id' => $other->id, 'user_id' => $this->mira->id, 'role' => Role::Owner]);
        $theirs = SeriesMood::query()->create([
            'series_id' => $other->id,
            'name' => 'Theirs',
            'layers' => $this->moods()[0]['layers'],
        ]);
        $this->get("/api/pages/{$this->page->id}/moods/own$theirs->id")->assertNotFound();
        $this->get("/api/series/{$this->series->id}/moods/own$theirs->id/file")->assertNotFound();
        $this->get("/api/series/$other->id/moods/own$theirs->id/file")->assertOk();
    }

    public function test_a_page_that_is_made_larger_stays_in_its_mood(): void
    {
        $this->wear('Fog', $this->moods()[5]['layers']);
        $task = $this->postJson("/api/pages/{$this->page->id}/tasks/enlarge", [
            'lease' => self::LEASE,
            'factor' => 1.5,
        ])
            ->assertStatus(202)
            ->json('id');
        $this->getJson("/api/tasks/$task")->assertJson(['state' => 'done']);
        self::assertSame('Fog', $this->shown());
    }

    /** @return list<string> of the passes over the whole page, bottom up */
    private function names(): array
    {
        $passes = $this->passes();
        uasort($passes, fn (PassSpec $a, PassSpec $b): int => $a->order <=> $b->order);

        return array_values(array_map(fn (PassSpec $pass): string => $pass->name, $passes));
    }

    private function stepBack(): void
    {
        $this->postJson("/api/pages/{$this->page->id}/undo", [
            'id' => self::opId(),
            'base' => $this->page->refresh()->revision,
            'lease' => self::LEASE,
        ])->assertOk();
    }

    public function test_figures_are_washed_in_the_colour_of_what_lies_around_them_and_that_follows(): void
    {
        $oda = Material::query()->firstOrFail();
        [$box, $around] = [$this->labelAt($this->page, 120, 200), $this->labelAt($this->page, 10, 10)];
        $address = "/api/pages/{$this->page->id}/surroundings";
        self::assertSame([], $this->getJson($address)->assertOk()->json(), 'nothing is filled');
        $quay = Figure::query()->create(['series_id' => $this->series->id, 'name' => 'The quay', 'depth' => 0]);
        $oda->figure->forceFill(['depth' => 5])->save();
        [$stone, $grass] = array_map(
            fn (string $name, string $colour): Material => Material::query()->create([
                'figure_id' => $quay->id,
                'name' => $name,
                'place' => 0,
                'pinned' => ['base' => $colour],
            ]),
            ['stone', 'grass'],
            ['#4060c0', '#30a040'],
        );
        $fill = fn (int $label, Material $of) => $this->op($this->page, $this->fillOp($of, $label))->assertOk();
        $fill($box, $oda);
        $inside = $this->labelAt($this->page, 480, 120);
        $fill($inside, $stone);
        $found = (array) $this->getJson($address)->assertOk()->json();
        self::assertSame([$oda->figure_id], array_column($found, 'figure'), 'nothing lies behind the quay');
        self::assertSame([$oda->figure->name], array_column($found, 'name'));
        self::assertSame([[[$inside, 1000]]], array_column($found, 'around'));
        self::assertNotSame($around, $inside);
        $wash = fn (array $more = []) => $this->op($this->page, $more + [
            'kind' => 'wash.around',
            'washes' => [['colour' => '#000000', 'figure' => $oda->figure_id, 'around' => $found[0]['around']]],
            'strength' => 1,
        ]);
        $wash()->assertOk();
        $at = function (): string {
            $file = (string) tempnam(sys_get_temp_dir(), 'mood');
            file_put_contents($file, $this->picture('shown'));
            $paint = (new ImageReader)->read($file)->paint;
            unlink($file);
            [$x, $y] = [(int) (120 * $paint->width / 600), (int) (200 * $paint->height / 400)];

            return sprintf('%02x%02x%02x', ...$paint->at($x, $y));
        };
        self::assertSame('4060c0', $at());
        $fill($inside, $grass);
        self::assertSame('30a040', $at(), 'it follows');
        [$other] = $this->series('Another');
        $theirs = Figure::query()->where('series_id', $other->id)->firstOrFail();
        $wash(['washes' => [['figure' => $theirs->id, 'colour' => '#000000', 'around' => [[1, 5]]]]])->assertStatus(422);
        $this->actingAs($this->person('Stranger', $other))->getJson($address)->assertForbidden();
    }

    public function test_a_rainbow_stands_opposite_to_the_light_of_the_page_or_it_is_said_why_not(): void
    {
        $address = "/api/pages/{$this->page->id}/rainbow";
        $this->postJson($address)->assertStatus(422)->assertJsonPath(
            'message',
            'The page stands under no light plan yet. Pick one in the Light stage: a rainbow stands opposite to it.',
        );
        $plan = fn (string $name, float $elevation): int => SeriesLight::query()->create([
            'series_id' => $this->series->id,
            'name' => $name,
            'plan' => ['azimuth' => 90, 'elevation' => $elevation, 'colour' => '#ffeecc', 'ambient' => '#8899aa'],
        ])->id;
        [$high, $low] = [$plan('Afternoon', 50), $plan('Sunset', 4)];
        $this->page->refresh()->forceFill(['plan_id' => $high])->save();
        $bow = (array) $this->postJson($address)->assertOk()->json();
        self::assertSame(['gradient', 'round'], [$bow['kind'], $bow['form']]);
        self::assertEqualsWithDelta(0.5, $bow['from'][0], 1e-9, 'the light is above the middle');
        self::assertGreaterThan(0.5, $bow['from'][1]);
        $box = $this->labelAt($this->page, 120, 200);
        $inBox = (array) $this->postJson($address, ['labels' => [$box]])->assertOk()->json();
        self::assertLessThan(0.4, $inBox['from'][0], 'the box is to the left');
        $this->postJson($address, ['labels' => [9999]])->assertStatus(422)->assertJsonPath(
            'errors.labels.0',
            'The picked regions are not there any more. Pick others.',
        );
        $this->postJson($address, ['labels' => [70000]])->assertStatus(422);
        $this->wear('Dusk', [['name' => 'Air', 'content' => ['kind' => 'wash', 'colour' => '#dfe5ea']] + [
            'mode' => 'screen',
            'opacity' => 0.4,
        ]]);
        $this->op($this->page, ['kind' => 'mood.bring', 'plan' => $low, 'variant' => null])->assertOk();
        $why = (string) $this->postJson($address)->assertStatus(422)->json('errors.light.0');
        self::assertStringContainsString('from the side', $why, 'the light that the mood brings');
        [$other, $empty] = $this->series('Another');
        $this->actingAs($this->person('Stranger', $other))->postJson($address)->assertForbidden();
        // A page that has nothing on it yet.
        $says = 'The page has no line art yet. Import a scan first.';
        $this->postJson("/api/pages/$empty->id/rainbow")->assertStatus(422)->assertJsonPath('message', $says);
        $this->getJson("/api/pages/$empty->id/surroundings")->assertStatus(422)->assertJsonPath('message', $says);
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Desk\SeriesOps\SeriesOpKinds;
use App\Jobs\ClientTask;
use App\Jobs\TaskKinds;
use App\Models\Figure;
use App\Models\Material;
use App\Models\Member;
use App\Models\Page;
use App\Models\PaletteVariant;
use App\Models\PaletteVersion;
use App\Models\ReferencePicture;
use App\Models\Role;
use App\Models\Series;
use App\Models\SeriesBrush;
use App\Models\SeriesEntry;
use App\Models\SeriesLight;
use App\Models\SeriesMood;
use App\Models\SeriesSetup;
use App\Models\User;
use App\Store\Originals;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Routing\Route as RegisteredRoute;
use Illuminate\Support\Facades\Route;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** What stands inside the address of a series is of that series, or it is not found. */
final class AddressTest extends TestCase
{
    use RefreshDatabase;

    /** What the routes that take something would take, were the address right. */
    private const BODY = ['name' => 'New name', 'x' => 5, 'y' => 5, 'version' => 1];

    /** @return array{Series, array<string, int>} a series with one of everything, and its ids by parameter */
    private function furnished(string $name, User $owner): array
    {
        [$series, $page, $material] = $this->series($name);
        $original = (new Originals)->keepBytes($series, $owner, $this->scanBytes(), 'a.png');
        $pageOriginal = (new Originals)->keepBytes($page, $owner, $this->scanBytes(), 'b.png');
        $guest = $this->person("Guest$series->id", $series, Role::Viewer);

        return [
            $series,
            [
                'figure' => $material->figure_id,
                'material' => $material->id,
                'page' => $page->id,
                'user' => $guest->id,
                'original' => $pageOriginal->id,
                'variant' => PaletteVariant::query()->create([
                    'series_id' => $series->id,
                    'name' => 'Wet',
                    'tones' => [],
                ])->id,
                'version' => PaletteVersion::query()->create([
                    'series_id' => $series->id,
                    'name' => 'Book 1',
                    'version' => 1,
                    'palette' => ['light' => '#ffffff', 'dials' => null, 'materials' => []],
                ])->id,
                'light' => SeriesLight::query()->create([
                    'series_id' => $series->id,
                    'name' => 'Noon',
                    'plan' => ['azimuth' => 10, 'elevation' => 20],
                ])->id,
                'setup' => SeriesSetup::query()->create([
                    'series_id' => $series->id,
                    'name' => 'Rust',
                    'passes' => [['name' => 'Rust', 'kind' => 'tint', 'colour' => '#803010']],
                ])->id,
                'mood' => SeriesMood::query()->create([
                    'series_id' => $series->id,
                    'name' => 'Haze',
                    'layers' => [['name' => 'Air', 'content' => ['kind' => 'wash', 'colour' => '#dfe5ea']]],
                ])->id,
                'brush' => SeriesBrush::query()->create([
                    'series_id' => $series->id,
                    'name' => 'Twig',
                    'brush' => ['size' => 9, 'hardness' => 1, 'tip' => null],
                ])->id,
                'reference' => ReferencePicture::query()->create([
                    'series_id' => $series->id,
                    'original_id' => $original->id,
                    'name' => 'A picture',
                    'x' => 0,
                    'y' => 0,
                ])->id,
            ],
        ];
    }

    /**
     * Mira, who is signed in, owns both: nothing but the address itself keeps them apart.
     *
     * @return array{Series, array<string, int>, array<string, int>} one series, what is in it and what is in the other
     */
    private function twoOfMiras(): array
    {
        $mira = User::query()->create([
            'name' => 'Mira',
            'email' => 'mira@awning.example',
            'password' => 'secret of Mira',
        ]);
        [$ours, $mine] = $this->furnished('Ours', $mira);
        [$theirs, $other] = $this->furnished('Theirs', $mira);
        foreach ([$ours, $theirs] as $series) {
            Member::query()->create(['series_id' => $series->id, 'user_id' => $mira->id, 'role' => Role::Owner]);
        }
        $this->actingAs($mira);

        return [$ours, $mine, $other];
    }

    public function test_every_address_inside_another_is_refused_the_ids_of_somebody_elses(): void
    {
        [$ours, $mine, $other] = $this->twoOfMiras();
        $state = fn (): array => array_map(
            fn (string $table): array => \Illuminate\Support\Facades\DB::table($table)
                ->orderBy('id')
                ->get()
                ->map(fn ($row): array => (array) $row)
                ->all(),
            [
                'figures',
                'materials',
                'pages',
                'members',
                'palette_variants',
                'palette_versions',
                'light_plans',
                'moods',
                'setups',
                'brushes',
                'reference_pictures',
                'originals',
            ],
        );
        $before = $state();
        $nested = 0;
        foreach (Route::getRoutes()->getRoutes() as $route) {
            /** @var RegisteredRoute $route */
            preg_match_all('/\{(\w+)\}/', $route->uri(), $names);
            $inner = array_intersect(array_slice($names[1], 1), array_keys($mine));
            if (! in_array($names[1][0] ?? '', ['series', 'page'], true) || $inner === []) {
                continue;
            }
            foreach ($inner as $wrong) {
                $ids = ['series' => $ours->id, 'page' => $mine['page'], 'number' => 0] + $mine;
                $ids[$wrong] = $other[$wrong];
                // Moods that a series has of its own are told from those that lie ready.
                $ids['mood'] = "own{$ids['mood']}";
                $uri = preg_replace_callback(
                    '/\{(\w+)\}/',
                    fn (array $name): string => (string) $ids[$name[1]],
                    $route->uri(),
                );
                $method = $route->methods()[0];
                $this->json($method, "/$uri", self::BODY)->assertStatus(404);
                $nested++;
            }
        }
        self::assertGreaterThan(7, $nested, 'the table is not empty');
        self::assertEquals($before, $state(), 'nothing of either was touched');
    }

    /**
     * @param  array<string, int>  $ids
     * @return array<string, array<string, mixed>> series ops as a window sends them; all that name something
     */
    private static function seriesOps(array $ids): array
    {
        $of = fn (string ...$names): array => array_intersect_key($ids, array_flip($names));
        $passes = [['name' => 'Tar', 'content' => ['kind' => 'tint', 'colour' => '#101010', 'follows' => null]]];

        return [
            'figure.change' => $of('figure') + ['name' => 'Harbour'],
            'figure.retire' => $of('figure') + ['into' => null],
            'figure.unlink' => $of('figure'),
            'material.add' => $of('figure') + ['name' => 'rope', 'base' => '#102030'],
            'material.change' => $of('material', 'figure') + ['version' => 1, 'name' => 'rope'],
            'material.copy' => $of('figure') + ['materials' => [1]],
            'material.duplicate' => $of('material'),
            'material.retire' => $of('material') + ['version' => 1, 'into' => null],
            'colours.take' => $of('figure') + ['name' => 'lips', 'ramp' => true, 'colours' => ['#102030']],
            'tones.pin' => $of('material') + ['version' => 1, 'tones' => ['base' => '#102030']],
            'tones.name' => $of('material') + ['version' => 1, 'more' => []],
            'light.change' => $of('light') + ['version' => 1, 'name' => 'Noon'],
            'variant.change' => $of('variant', 'material') + ['version' => 1, 'tones' => ['base' => '#102030']],
            'version.restore' => $of('version'),
            'page.light' => ['of' => $ids['page']] + $of('light'),
            'page.variant' => ['of' => $ids['page']] + $of('variant'),
            'page.version' => ['of' => $ids['page']] + $of('version'),
            'setup.change' => $of('setup') + ['passes' => $passes],
            'setup.retire' => $of('setup'),
            'brush.retire' => $of('brush'),
            'mood.change' => $of('mood') + [
                'version' => 1,
                'layers' => [['name' => 'Air', 'content' => ['kind' => 'wash', 'colour' => '#dfe5ea']]],
            ],
            'mood.retire' => $of('mood'),
        ];
    }

    public function test_every_series_op_is_refused_the_ids_of_somebody_elses(): void
    {
        [$ours, $mine, $other] = $this->twoOfMiras();
        $ops = self::seriesOps($mine);
        // Those that name nothing of the series.
        $bare = [
            'figure.add',
            'figure.copy',
            'figure.link',
            'light.add',
            'variant.add',
            'rule.change',
            'palette.import',
            'setup.keep',
            'mood.keep',
            'brush.keep',
        ];
        self::assertEqualsCanonicalizing(array_map(fn (string $op): string => $op::kind(), SeriesOpKinds::ALL), [
            ...array_keys($ops),
            ...$bare,
        ]);
        $asked = fn (string $kind, array $input) => $this->postJson("/api/series/$ours->id/ops", [
            'op' => ['kind' => $kind] + $input,
        ]);
        foreach ($ops as $kind => $input) {
            foreach (array_intersect_key(['of' => $other['page']] + $other, $input) as $name => $wrong) {
                // A version is what the window has seen of a record, but where it is the record itself.
                if ($name !== 'version' || in_array($kind, ['version.restore', 'page.version'], true)) {
                    $asked($kind, [$name => $wrong] + $input)->assertStatus(404);
                }
            }
        }
        self::assertSame(0, SeriesEntry::query()->count());
        // Each is done with ids of its own: what is refused above is refused for nothing but the id.
        $ending = ['figure.retire' => 0, 'figure.unlink' => 0, 'material.retire' => 0];
        foreach (array_diff_key($ops, $ending) as $kind => $input) {
            $version = match (true) {
                isset($input['variant'], $input['version']) => PaletteVariant::query()->findOrFail($input['variant'])
                    ->version,
                isset($input['material'], $input['version']) => Material::query()->findOrFail($input['material'])
                    ->version,
                default => null,
            };
            $asked($kind, array_filter(['version' => $version]) + $input)->assertOk();
        }
    }

    /**
     * @return iterable<string, array{string, array<string, mixed>}> changes that say a page which is not of the series
     */
    public static function changes(): iterable
    {
        yield 'figure' => ['ops', ['op' => ['kind' => 'figure.add', 'name' => 'Harbour']]];
        yield 'tone' => ['ops', ['op' => ['kind' => 'tones.pin', 'version' => 1, 'tones' => ['base' => '#112233']]]];
        yield 'rule' => [
            'ops',
            ['op' => ['kind' => 'rule.change', 'light' => '#ffe0b0', 'dials' => ['turn' => 0.2]]],
        ];
        yield 'light' => [
            'ops',
            ['op' => ['kind' => 'light.add', 'name' => 'Noon', 'plan' => ['azimuth' => 1, 'elevation' => 2]]],
        ];
        yield 'brush' => [
            'ops',
            ['op' => ['kind' => 'brush.keep', 'name' => 'Reed', 'brush' => ['size' => 9, 'hardness' => 1]]],
        ];
        yield 'undo' => ['undo', []];
    }

    /** @param  array<string, mixed>  $body */
    #[DataProvider('changes')]
    public function test_what_is_answered_as_not_found_was_not_done(string $path, array $body): void
    {
        [$series, , $material] = $this->series();
        [, $elsewhere] = $this->series('Another');
        $this->actingAs($this->person('Mira', $series, Role::Owner));
        $this->postJson("/api/series/$series->id/ops", [
            'op' => ['kind' => 'rule.change', 'light' => '#ffeedd', 'dials' => ['turn' => 0.1]],
        ])->assertOk();
        $entries = SeriesEntry::query()->count();
        if (($body['op']['kind'] ?? '') === 'tones.pin') {
            $body['op']['material'] = $material->id;
        }
        $url = "/api/series/$series->id/$path";
        $this->postJson($url, $body + ['page' => $elsewhere->id])->assertStatus(404);
        self::assertSame($entries, SeriesEntry::query()->count());
        self::assertSame(
            ['#ffeedd', 1, 1],
            [
                $series->refresh()->light,
                Figure::query()->where('series_id', $series->id)->count(),
                Material::query()->find($material->id)?->version,
            ],
        );
        $this->postJson($url, $body)->assertSuccessful();
        self::assertSame($entries + 1, SeriesEntry::query()->count());
    }

    public function test_a_page_task_is_no_series_task_and_the_other_way_round(): void
    {
        [$series, $page] = $this->series();
        $this->import($page, $this->person('Mira', $series, Role::Owner));
        foreach (TaskKinds::ALL as $task) {
            $kind = $task::kind();
            $isAsked = is_subclass_of($task, ClientTask::class);
            self::assertSame($isAsked && ! $task::isOfSeries(), TaskKinds::forPage($kind) === $task, $kind);
            self::assertSame($isAsked && $task::isOfSeries(), TaskKinds::forSeries($kind) === $task, $kind);
        }
        $this->postJson("/api/pages/$page->id/tasks/colours")->assertStatus(404);
        $this->postJson("/api/pages/$page->id/tasks/reference", ['reference' => 1])->assertStatus(404);
        $this->postJson("/api/series/$series->id/tasks/regions", ['lease' => self::LEASE])->assertStatus(404);
        $this->postJson("/api/series/$series->id/tasks/colours")->assertStatus(202);
        $this->postJson("/api/pages/$page->id/tasks/regions", ['lease' => self::LEASE])->assertStatus(202);
    }

    public function test_ops_name_setups_of_their_own_series_only(): void
    {
        [$series, $page, $material] = $this->series();
        [$another] = $this->series('Another');
        $this->import($page, $this->person('Mira', $series));
        $setup = function (Series $of, bool $retired = false): int {
            $one = SeriesSetup::query()->create([
                'series_id' => $of->id,
                'name' => 'Rust',
                'passes' => [['name' => 'Rust', 'kind' => 'tint', 'colour' => '#803010']],
            ]);
            $one->forceFill(['retired' => $retired])->save();

            return $one->id;
        };
        $hang = fn (int $of, string $id): array => [
            'kind' => 'setup.hang',
            'name' => 'Rust',
            'figure' => $material->figure_id,
            'scope' => ['kind' => 'figure', 'id' => $material->figure_id],
            'ids' => [$id],
            'passes' => [['name' => 'Rust', 'kind' => 'tint', 'colour' => '#803010']],
            'labels' => [],
            'setup' => $of,
        ];
        $join = fn (int $of): array => [
            'kind' => 'setup.join',
            'passes' => ['rustpass1'],
            'setup' => $of,
            'first' => 0,
            'marked' => [],
        ];
        $add = fn (int $of): array => [
            'kind' => 'pass.add',
            'id' => 'added0001',
            'pass' => [
                'name' => 'Rust',
                'figure' => $material->figure_id,
                'kind' => 'tint',
                'colour' => '#803010',
                'scope' => ['kind' => 'figure', 'id' => $material->figure_id],
                'setup' => ['setup' => $of, 'place' => 0],
            ],
        ];
        $own = $setup($series);
        $this->op($page, $hang($own, 'rustpass1'))->assertOk();
        $revision = $page->refresh()->revision;
        foreach ([$setup($another), $setup($series, true), 999_999] as $wrong) {
            foreach ([$hang($wrong, 'rustpass2'), $join($wrong), $add($wrong)] as $op) {
                $this->op($page, $op)
                    ->assertStatus(422)
                    ->assertJsonPath('message', 'This setup is not in the series, or no longer. Pick another.');
            }
        }
        self::assertSame($revision, $page->refresh()->revision);
        $this->op($page, $join($own))->assertOk();
        $this->op($page, $add($own))->assertOk();
        $this->op($page, $hang(0, 'rustpass3'))->assertOk();
    }
}

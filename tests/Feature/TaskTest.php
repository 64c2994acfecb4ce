<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Desk\Light\FigureLight;
use App\Desk\Page\PageDesk;
use App\Desk\Page\PageMoment;
use App\Desk\Page\PagePicture;
use App\Desk\Palette\SeriesPalette;
use App\Desk\TaskEnded;
use App\Desk\WorkerProcesses;
use App\Jobs\NextTask;
use App\Jobs\Tasks;
use App\Jobs\Worker;
use App\Models\Figure;
use App\Models\JournalEntry;
use App\Models\Material;
use App\Models\Original;
use App\Models\Page;
use App\Models\Role;
use App\Models\SeriesLight;
use App\Models\Task;
use App\Models\User;
use App\Store\FrozenPage;
use App\Store\PageStore;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Light\Plan\LightColours;
use Awning\Core\Light\Plan\LightPlan;
use Awning\Core\Page\Data;
use Awning\Core\Page\LayerKind;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\ScopeKind;
use Awning\Core\Page\Record;
use Awning\Core\Page\RecordKind;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\OneWorker;
use Awning\Core\Sheet\Ops\Flats\FillRegions;
use Awning\Core\Sheet\Sheet;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** Long work that is stopped, killed, begun twice, overtaken. */
final class TaskTest extends TestCase
{
    use RefreshDatabase;

    private Page $page;

    private User $user;

    private Material $material;

    protected function setUp(): void
    {
        parent::setUp();
        [$series, $this->page, $this->material] = $this->series();
        $this->user = $this->person('Mira', $series, Role::Owner);
        $this->import($this->page, $this->user);
        config(['queue.default' => 'database']);
    }

    private function begin(string $kind = 'clean', array $input = ['clean' => ['paper' => 20, 'ink' => 200]]): Task
    {
        return (new Tasks)->begin($this->page, $this->user, $kind, $input, $kind === 'deliver' ? null : self::LEASE);
    }

    /**
     * An op holds its page before its journal entry names the person: the other way round, the two would wait for each
     * other.
     */
    public function test_work_that_is_begun_holds_its_page_before_the_person(): void
    {
        DB::flushQueryLog();
        DB::enableQueryLog();
        $this->begin();
        $held = array_values(
            array_filter(
                array_column(DB::getQueryLog(), 'query'),
                fn (string $query): bool => preg_match('/for update|lock in share mode/i', $query) === 1,
            ),
        );
        DB::disableQueryLog();
        self::assertSame(
            ['pages', 'users'],
            array_map(
                fn (string $query): string => (string) preg_replace('/^.* from `(\w+)`.*$/s', '$1', $query),
                array_slice($held, 0, 2),
            ),
        );
    }

    public function test_a_first_light_is_roughed_in_beside_what_the_hand_has_painted(): void
    {
        config(['queue.default' => 'sync']);
        $left = $this->labelAt($this->page, 100, 200);
        $this->op($this->page, $this->fillOp($this->material, $left))->assertOk();
        $hand = [
            'make' => [
                'name' => 'Shade',
                'figure' => $this->material->figure_id,
                'kind' => 'tone',
                'tone' => 'shade',
                'scope' => ['kind' => 'figure', 'id' => $this->material->figure_id],
                'mode' => 'normal',
                'opacity' => 1,
            ],
        ];
        $this->op(
            $this->page,
            [
                'kind' => 'stroke',
                'pass' => 'byhand0001',
                'points' => [[60, 80, 1], [90, 80, 1]],
                'erase' => false,
                'brush' => ['size' => 12, 'hardness' => 1, 'opacity' => 1, 'smoothing' => 0],
            ] + $hand,
        )->assertOk();
        $light = fn (float $azimuth, float $elevation = 0): array => [
            'azimuth' => $azimuth,
            'elevation' => $elevation,
            'colour' => '#ffcc88',
            'ambient' => '#335577',
            'dials' => ['cast' => 0],
        ];
        $rough = fn (float $azimuth, array $only = []): array => $this->postJson(
            "/api/pages/{$this->page->id}/tasks/rough",
            [
                'lease' => self::LEASE,
                'figure' => $this->material->figure_id,
                'plan' => $light($azimuth),
                'only' => $only,
            ],
        )
            ->assertStatus(202)
            ->json();
        self::assertSame('done', $this->getJson("/api/tasks/{$rough(0)['id']}")->json('state'));
        $figure = $this->material->figure_id;
        $passes = fn (): array => (new PageStore($this->page->refresh()))->records(RecordKind::Pass);
        // Nothing lies beside the box or before it: no occlusion, no cast shadow.
        self::assertEqualsCanonicalizing(
            [
                'byhand0001',
                ...array_map(fn (string $kind): string => "rough$figure$kind", [
                    'shade',
                    'deep',
                    'bounce',
                    'light',
                    'glint',
                    'rim',
                ]),
            ],
            array_keys($passes()),
        );
        self::assertSame(
            ['#ffcc88', '#335577'],
            array_map(fn (string $kind): string => $passes()["rough$figure$kind"]->toData()['content']['colour'], [
                'rim',
                'bounce',
            ]),
        );
        $coverage = function (string $id, int $x): int {
            $sheet = new Sheet(new PageStore($this->page->refresh()));

            return ord($sheet->layer($sheet->find(PassSpec::class, $id)->layer($id))[200 * 600 + $x]);
        };
        // The left box, 40 to 200, light from the right: its left half is in shade, its right rim lit; nothing lies
        // beside it.
        self::assertSame(
            [255, 0, 0],
            [
                $coverage("rough{$figure}shade", 60),
                $coverage("rough{$figure}shade", 180),
                $coverage("rough{$figure}light", 60),
            ],
        );
        self::assertGreaterThan(240, $coverage("rough{$figure}light", 190));
        self::assertSame([0, 0], [$coverage("rough{$figure}shade", 20), $coverage("rough{$figure}shade", 300)]);

        // Changed by hand, and the light moved: mode and place stay, coverage follows, the hand's own pass is as it
        // was.
        $this->op($this->page, [
            'kind' => 'pass.change',
            'id' => "rough{$figure}shade",
            'values' => ['opacity' => 0.4, 'order' => 0.5],
        ])->assertOk();
        $painted = $coverage('byhand0001', 75);
        $rough(180);
        self::assertSame([0, 255], [$coverage("rough{$figure}shade", 60), $coverage("rough{$figure}shade", 180)]);
        self::assertSame(
            [0.4, 0.5, $painted],
            [
                $passes()["rough{$figure}shade"]->opacity,
                $passes()["rough{$figure}shade"]->order,
                $coverage('byhand0001', 75),
            ],
        );
        self::assertCount(7, $passes());
        $this->undo($this->page)->assertOk();
        self::assertSame(255, $coverage("rough{$figure}shade", 60));

        // What the hand does in a pass that was computed outlives its being computed anew.
        $brush = ['size' => 20, 'hardness' => 1, 'opacity' => 1, 'smoothing' => 0];
        $inShade = ['kind' => 'stroke', 'pass' => "rough{$figure}shade", 'make' => null, 'brush' => $brush];
        $this->op($this->page, ['points' => [[60, 200, 1]], 'erase' => true] + $inShade)->assertOk();
        $this->op($this->page, ['points' => [[185, 200, 1]], 'erase' => false] + $inShade)->assertOk();
        self::assertSame([0, 255], [$coverage("rough{$figure}shade", 60), $coverage("rough{$figure}shade", 185)]);
        $rough(0);
        self::assertSame(
            [0, 255, 255],
            [
                $coverage("rough{$figure}shade", 60),
                $coverage("rough{$figure}shade", 185),
                $coverage("rough{$figure}shade", 75),
            ],
        );
        $rough(180);
        self::assertSame(
            [0, 255, 0],
            [
                $coverage("rough{$figure}shade", 60),
                $coverage("rough{$figure}shade", 185),
                $coverage("rough{$figure}shade", 75),
            ],
        );
        // Only regions that are named are lit anew.
        $rough(0, [$left + 1]);
        self::assertSame(0, $coverage("rough{$figure}shade", 75), 'the region was not among them');
        $rough(0, [$left]);
        self::assertSame(255, $coverage("rough{$figure}shade", 75));
        $this->op($this->page, ['kind' => 'light.solid', 'labels' => [$left], 'solid' => 'flat'])->assertOk();
        $rough(0);
        self::assertSame(
            [0, 255],
            [$coverage("rough{$figure}light", 190), $coverage("rough{$figure}shade", 185)],
            'a sheet that faces the reader is not lit from the side, and the hand stays',
        );

        $other = Figure::query()->create(['series_id' => $this->page->series_id, 'name' => 'Nobody', 'depth' => 7]);
        $task = $this->postJson("/api/pages/{$this->page->id}/tasks/rough", [
            'lease' => self::LEASE,
            'figure' => $other->id,
            'plan' => $light(10, 20),
        ])
            ->assertStatus(202)
            ->json('id');
        self::assertSame(
            'Nothing of Nobody is on this page yet. Fill its regions first.',
            $this->getJson("/api/tasks/$task")->json('message'),
        );
        $this->postJson("/api/pages/{$this->page->id}/tasks/rough", [
            'lease' => self::LEASE,
            'figure' => $figure,
            'plan' => $light(10, 91),
        ])->assertStatus(422);
    }

    public function test_a_panel_is_lit_by_a_plan_of_its_own(): void
    {
        config(['queue.default' => 'sync']);
        [$left, $right] = [$this->labelAt($this->page, 100, 200), $this->labelAt($this->page, 300, 200)];
        foreach ([$left, $right] as $label) {
            $this->op($this->page, $this->fillOp($this->material, $label))->assertOk();
        }
        $plan = fn (int $azimuth, string $colour, array $more = []): array => [
            'azimuth' => $azimuth,
            'elevation' => 0,
            'colour' => $colour,
            'ambient' => '#335577',
            'dials' => ['cast' => 0],
        ] + $more;
        $night = SeriesLight::query()->create([
            'series_id' => $this->page->series_id,
            'name' => str_repeat('Nightly', 11),
            'plan' => $plan(0, '#3060ff', ['lamps' => [['x' => 0.5, 'y' => 0.5, 'reach' => 1, 'colour' => '#ffd08a']]]),
        ])->id;
        $elsewhere = SeriesLight::query()->create([
            'series_id' => $this->series()[0]->id,
            'name' => 'Noon',
            'plan' => [],
        ])->id;
        $this->op($this->page, ['kind' => 'light.stand', 'labels' => [$right], 'plan' => $elsewhere])->assertStatus(
            422,
        );
        $this->op($this->page, ['kind' => 'light.stand', 'labels' => [$right], 'plan' => $night])->assertOk();
        $figure = $this->material->figure_id;
        $asked = ['lease' => self::LEASE, 'figure' => $figure, 'plan' => $plan(180, '#ffcc88')];
        $rough = fn () => $this->postJson("/api/pages/{$this->page->id}/tasks/rough", $asked)->assertStatus(202);
        $sheet = fn (): Sheet => new Sheet(new PageStore($this->page->refresh()));
        $at = fn (string $kind, int $x): int => ord(
            $sheet()->layer(LayerName::ofPass("rough$figure$kind", LayerKind::Coverage))[200 * 600 + $x],
        );
        $colour = fn (string $kind): ?string => $sheet()
            ->find(PassSpec::class, "rough$figure$kind")
            ?->toData()['content']['colour'];
        // What is tried shows it before it is laid.
        self::assertContains(
            "rough{$figure}rimunder$night",
            array_keys(
                $this->postJson("/api/pages/{$this->page->id}/rough/preview", $asked)
                    ->assertOk()
                    ->json('passes'),
            ),
        );
        $rough();
        // The left box, 40 to 200, has light from the left; the right one, 240 on, from the right.
        self::assertSame([0, 255, 255, 0], [$at('shade', 60), $at('shade', 180), $at('shade', 260), $at('shade', 345)]);
        self::assertSame(
            ['#ffcc88', '#3060ff', '#ffd08a', null],
            [$colour('rim'), $colour("rimunder$night"), $colour("lamp1under$night"), $colour('lamp1')],
        );
        self::assertSame(
            [0, 60],
            [
                $at("lamp1under$night", 100),
                mb_strlen($sheet()->find(PassSpec::class, "rough{$figure}rimunder$night")->name),
            ],
        );
        self::assertGreaterThan(0, $at("lamp1under$night", 300));
        // What tints follow there, in pictures and in windows.
        $page = $this->page->refresh();
        self::assertSame(
            [$night => '#335577'],
            array_map(
                fn (LightColours $light): string => $light->around->hex(),
                (new SeriesPalette($page->series, $page))->core()->lights,
            ),
        );
        self::assertSame(
            [['#3060ff', '#335577']],
            array_map(
                fn (array $light): array => [$light['colours']['light'], $light['colours']['around']],
                $this->getJson("/api/pages/$page->id")->json('palette.lights'),
            ),
        );
        // Back in the light of the page; its passes hang still, and are empty but for what a hand did.
        $this->op($this->page, ['kind' => 'light.stand', 'labels' => [$right], 'plan' => null])->assertOk();
        $rough();
        self::assertSame([0, 255, 0], [$at('shade', 260), $at('shade', 345), $at("lamp1under$night", 300)]);
    }

    public function test_what_shines_has_no_shade_and_glows_over_the_page(): void
    {
        config(['queue.default' => 'sync']);
        [$left, $right] = [$this->labelAt($this->page, 100, 200), $this->labelAt($this->page, 300, 200)];
        $this->op($this->page, $this->fillOp($this->material, $left))->assertOk();
        $this->op($this->page, $this->fillOp($this->material, $right))->assertOk();
        $figure = $this->material->figure_id;
        $rough = fn (array $dials = [], array $only = []) => $this->postJson(
            "/api/pages/{$this->page->id}/tasks/rough",
            [
                'lease' => self::LEASE,
                'figure' => $figure,
                'only' => $only,
                'plan' => ['azimuth' => 180, 'elevation' => 0, 'dials' => $dials],
            ],
        )->assertStatus(202);
        $sheet = fn (): Sheet => new Sheet(new PageStore($this->page->refresh()));
        $pass = fn (string $kind): ?PassSpec => $sheet()->find(PassSpec::class, "rough$figure$kind");
        $at = fn (string $kind, int $x, int $y = 200): int => ord(
            $sheet()->layer(LayerName::ofPass("rough$figure$kind", LayerKind::Coverage))[$y * 600 + $x],
        );
        $rough();
        self::assertNull($pass('glow'), 'nothing shines yet');
        self::assertSame(255, $at('shade', 180));
        $this->op($this->page, ['kind' => 'light.solid', 'labels' => [$left], 'solid' => 'shining'])->assertOk();
        $rough(['glow' => 60]);
        self::assertSame(
            [0, 0, 0],
            [$at('shade', 180), $at('light', 50), $at('occlusion', 60)],
            'what shines has neither',
        );
        self::assertGreaterThan(0, $at('shade', 340), 'the other box has still');
        // Full inside, an eighth half-way to where it ends; the box begins at 40.
        self::assertSame(255, $at('glow', 100));
        self::assertEqualsWithDelta(255 * 0.5 ** 3, $at('glow', 10), 12);
        self::assertSame(0, $at('glow', 300));
        self::assertSame(
            [ScopeKind::Page, 'Glow, rough', 'screen', 0.6],
            [$pass('glow')?->scope->kind, $pass('glow')?->name, $pass('glow')?->mode->value, $pass('glow')?->opacity],
        );
        self::assertSame(
            $this->material->tones($this->page->series->rule())['base']->hex(),
            $pass('glow')?->toData()['content']['colour'],
        );
        $rough(['glow' => 60], [$right]);
        self::assertGreaterThan(15, $at('glow', 10), 'it reaches beyond what is lit alone');
        $rough(['glow' => 0]);
        self::assertSame(0, $at('glow', 100), 'by the dial');
        $rough(['glow' => 60]);
        $this->op($this->page, ['kind' => 'light.solid', 'labels' => [$left], 'solid' => 'round'])->assertOk();
        $rough(['glow' => 60]);
        self::assertSame([0, 255], [$at('glow', 100), $at('shade', 180)]);
        // A figure that does nothing but shine.
        $this->op($this->page, [
            'kind' => 'light.solid',
            'labels' => [$left, $right],
            'solid' => 'shining',
        ])->assertOk();
        $rough(['glow' => 60]);
        self::assertSame([255, 255, 0], [$at('glow', 100), $at('glow', 300), $at('shade', 340)]);
    }

    public function test_what_a_first_light_colours_is_coloured_anew_unless_somebody_gave_it_a_colour(): void
    {
        config(['queue.default' => 'sync']);
        [$left, $around] = [$this->labelAt($this->page, 100, 200), $this->labelAt($this->page, 20, 200)];
        $this->op($this->page, $this->fillOp($this->material, $left))->assertOk();
        $other = Figure::query()->create(['series_id' => $this->page->series_id, 'name' => 'The quay', 'depth' => 7]);
        $stone = Material::query()->create([
            'figure_id' => $other->id,
            'name' => 'stone',
            'place' => 0,
            'pinned' => ['base' => '#8090a0'],
        ]);
        $this->op($this->page, [
            'kind' => 'fill',
            'labels' => [$around],
            'figure' => $other->id,
            'material' => $stone->id,
        ])->assertOk();
        $figure = $this->material->figure_id;
        $rough = fn (array $plan) => $this->postJson("/api/pages/{$this->page->id}/tasks/rough", [
            'lease' => self::LEASE,
            'figure' => $figure,
            'plan' => $plan + ['azimuth' => 180, 'elevation' => 10, 'colour' => '#ffcc88', 'ambient' => '#335577'],
        ])->assertStatus(202);
        $colours = fn (): array => array_map(
            fn (string $kind): ?string => (new Sheet(new PageStore($this->page->refresh())))
                ->find(PassSpec::class, "rough$figure$kind")
                ?->toData()['content']['colour'],
            ['bounce', 'rim'],
        );
        $rough([]);
        self::assertSame(['#335577', '#ffcc88'], $colours());
        $rough(['ambient' => '#112233', 'colour' => '#aabbcc']);
        self::assertSame(['#112233', '#aabbcc'], $colours());
        $this->op($this->page, [
            'kind' => 'pass.change',
            'id' => "rough{$figure}rim",
            'values' => ['follows' => null, 'colour' => '#010203'],
        ])->assertOk();
        // About the box lies the quay.
        $rough(['beside' => true, 'colour' => '#ddeeff']);
        self::assertSame(['#8090a0', '#010203'], $colours());
        $tried = $this->postJson("/api/pages/{$this->page->id}/rough/preview", [
            'figure' => $figure,
            'plan' => ['azimuth' => 180, 'elevation' => 10, 'ambient' => '#445566'],
        ])
            ->assertOk()
            ->json('passes');
        self::assertSame(
            ['#445566', 'given'],
            [
                $tried["rough{$figure}bounce"]['spec']['content']['colour'],
                $tried["rough{$figure}bounce"]['spec']['content']['follows'],
            ],
        );
        $this->undo($this->page)->assertOk();
        self::assertSame(['#112233', '#010203'], $colours());
    }

    public function test_every_figure_of_a_page_is_lit_in_one_step_as_each_would_be_alone(): void
    {
        config(['queue.default' => 'sync']);
        [$left, $right, $around] = [
            $this->labelAt($this->page, 100, 200),
            $this->labelAt($this->page, 480, 200),
            $this->labelAt($this->page, 10, 10),
        ];
        $other = Figure::query()->create(['series_id' => $this->page->series_id, 'name' => 'The quay', 'depth' => 7]);
        Figure::query()->create(['series_id' => $this->page->series_id, 'name' => 'On no page', 'depth' => 9]);
        $paper = Figure::query()->create(['series_id' => $this->page->series_id, 'name' => 'The sheet', 'depth' => 11]);
        $gutter = Material::query()->create([
            'figure_id' => $paper->id,
            'name' => 'gutter',
            'place' => 0,
            'pinned' => ['base' => '#ffffff'],
        ]);
        $stone = Material::query()->create([
            'figure_id' => $other->id,
            'name' => 'stone',
            'place' => 0,
            'pinned' => ['base' => '#8090a0'],
        ]);
        $plan = [
            'azimuth' => 140,
            'elevation' => 20,
            'colour' => '#ffcc88',
            'ambient' => '#335577',
            'beside' => true,
            'dials' => ['cast' => 20],
        ];
        $rough = fn (array $more) => $this->postJson("/api/pages/{$this->page->id}/tasks/rough", [
            'lease' => self::LEASE,
            'plan' => $plan,
            ...$more,
        ])
            ->assertStatus(202)
            ->json('id');
        // What lies all round the page is no body.
        $this->op($this->page, [
            'kind' => 'fill',
            'labels' => [$around],
            'figure' => $paper->id,
            'material' => $gutter->id,
        ])->assertOk();
        self::assertStringContainsString(
            'Nothing is filled',
            $this->getJson("/api/tasks/{$rough([])}")->json('message'),
        );
        $this->op($this->page, $this->fillOp($this->material, $left))->assertOk();
        $this->op($this->page, [
            'kind' => 'fill',
            'labels' => [$right],
            'figure' => $other->id,
            'material' => $stone->id,
        ])->assertOk();
        $now = fn (): array => [
            array_map(
                fn (Record $pass): array => $pass->toData(),
                (new PageStore($this->page->refresh()))->records(RecordKind::Pass),
            ),
            array_filter(
                (new PageStore($this->page))->allHashes(),
                fn (string $layer): bool => str_contains($layer, 'rough'),
                ARRAY_FILTER_USE_KEY,
            ),
        ];
        // Alone, the larger one first, as together.
        foreach ([$other->id, $this->material->figure_id] as $figure) {
            $rough(['figure' => $figure]);
        }
        $alone = $now();
        self::assertGreaterThan(8, count($alone[0]));
        $this->undo($this->page)->assertOk();
        $this->undo($this->page)->assertOk();
        self::assertSame([[], []], $now());
        self::assertSame('done', $this->getJson("/api/tasks/{$rough([])}")->json('state'));
        self::assertEquals($alone, $now());
        self::assertSame('Lay first light on 2 figures', JournalEntry::query()->latest('id')->value('title'));
        $this->undo($this->page)->assertOk();
        self::assertSame([[], []], $now());
    }

    public function test_a_light_is_tried_small_and_nothing_is_changed_by_it(): void
    {
        config(['queue.default' => 'sync']);
        $left = $this->labelAt($this->page, 100, 200);
        $this->op($this->page, $this->fillOp($this->material, $left))->assertOk();
        $figure = $this->material->figure_id;
        $plan = fn (float $azimuth): array => [
            'azimuth' => $azimuth,
            'elevation' => 0,
            'colour' => '#ffcc88',
            'ambient' => '#335577',
            'dials' => ['cast' => 0, 'rim' => 8],
        ];
        $this->postJson("/api/pages/{$this->page->id}/tasks/rough", [
            'lease' => self::LEASE,
            'figure' => $figure,
            'plan' => $plan(0),
        ])->assertStatus(202);
        // What the hand did there is seen in what is tried, too.
        $this->op($this->page, [
            'kind' => 'stroke',
            'pass' => "rough{$figure}shade",
            'make' => null,
            'brush' => ['size' => 60, 'hardness' => 1, 'opacity' => 1, 'smoothing' => 0],
            'points' => [[160, 300, 1]],
            'erase' => false,
        ])->assertOk();
        $now = fn (): array => [
            $this->page->refresh()->revision,
            (new PageStore($this->page))->allHashes(),
            array_map(
                fn (Record $pass): array => $pass->toData(),
                (new PageStore($this->page))->records(RecordKind::Pass),
            ),
        ];
        $before = $now();
        $try = fn (array $with = []) => $this->postJson(
            "/api/pages/{$this->page->id}/rough/preview",
            $with + ['figure' => $figure, 'plan' => $plan(180)],
        );
        $tried = $try()->assertOk()->json();
        $at = function (array $tried, string $kind, int $x, int $y = 200) use ($figure): int {
            $plane = (string) gzuncompress(
                (string) base64_decode($tried['passes']["rough$figure$kind"]['coverage'], true),
            );
            self::assertSame($tried['width'] * $tried['height'], strlen($plane));

            return ord(
                $plane[
                    (($y >> $tried['level']) - $tried['y']) * $tried['width'] + ($x >> $tried['level']) - $tried['x']
                ],
            );
        };
        self::assertSame(2, $tried['level']);
        // The left box again, 40 to 200, a quarter of its size, light from the left now.
        self::assertSame([0, 255], [$at($tried, 'shade', 60), $at($tried, 'shade', 180)]);
        self::assertSame(255, $at($tried, 'shade', 160, 300));
        self::assertGreaterThan(200, $at($tried, 'light', 46));
        self::assertSame(
            ['#ffcc88', 'Rim, rough'],
            [
                $tried['passes']["rough{$figure}rim"]['spec']['content']['colour'],
                $tried['passes']["rough{$figure}rim"]['spec']['name'],
            ],
        );
        // When the hand rests it is told twice as finely, and says the same.
        $fine = $try(['fine' => true])
            ->assertOk()
            ->json();
        self::assertSame(
            [1, 0, 255, 255],
            [$fine['level'], $at($fine, 'shade', 60), $at($fine, 'shade', 180), $at($fine, 'shade', 160, 300)],
        );
        $try(['fine' => 'very'])->assertStatus(422);
        $none = $try(['only' => [$left + 1]])
            ->assertOk()
            ->json();
        self::assertSame(255, $at($none, 'shade', 60), 'elsewhere it stays as it is');
        self::assertSame($before, $now(), 'nothing is changed by asking');

        $try(['plan' => ['elevation' => 91] + $plan(0)])->assertStatus(422);
        $try(['figure' => 999_999])->assertNotFound();
        $nobody = Figure::query()->create(['series_id' => $this->page->series_id, 'name' => 'Nobody', 'depth' => 7]);
        self::assertStringContainsString(
            'Nothing of Nobody is on this page yet',
            (string) $try(['figure' => $nobody->id])
                ->assertStatus(422)
                ->getContent(),
        );
        $this->actingAs($this->person('Flo', $this->page->series, Role::Flatter));
        $try()->assertForbidden();
    }

    public function test_a_figure_in_two_places_is_lit_by_two_workers_as_by_one(): void
    {
        foreach ([100, 300] as $x) {
            $this->op($this->page, $this->fillOp($this->material, $this->labelAt($this->page, $x, 200)))->assertOk();
        }
        $left = $this->labelAt($this->page, 100, 200);
        $this->op($this->page, ['kind' => 'light.solid', 'labels' => [$left], 'solid' => 'flat'])->assertOk();
        $figure = Figure::query()->findOrFail($this->material->figure_id);
        $sheet = new Sheet(new PageStore($this->page->refresh()));
        $shapes = FigureLight::pageOf($sheet, $this->page);
        $plan = LightPlan::fromData(
            new Data([
                'azimuth' => 0,
                'elevation' => 0,
                'dials' => ['cast' => 20],
                'lamps' => [['x' => 0.5, 'y' => 0.5, 'reach' => 0.3, 'colour' => '#11ff22']],
            ]),
        );
        $told = [];
        $one = (new FigureLight($shapes, $figure))->by(
            $plan,
            done: function (float $done) use (&$told): void {
                $told[] = $done;
            },
        );
        self::assertSame([0.5, 1.0], $told, 'in two pieces');
        self::assertSame(
            serialize($one),
            serialize((new FigureLight($shapes, $figure, new WorkerProcesses(2)))->by($plan)),
        );
        // Light from the side: the flat one has none, the round one has.
        $one->apply($sheet);
        $light = substr($sheet->layer(LayerName::computed("rough{$figure->id}light")), 200 * 600, 600);
        self::assertSame('', trim(substr($light, 0, 200), "\0"));
        self::assertStringContainsString("\xff", substr($light, 220));
    }

    public function test_lamps_and_what_stands_before_the_rest_are_roughed_in(): void
    {
        config(['queue.default' => 'sync']);
        [$left, $right] = [$this->labelAt($this->page, 100, 200), $this->labelAt($this->page, 300, 200)];
        self::assertNotSame($left, $right);
        $this->op($this->page, $this->fillOp($this->material, $left))->assertOk();
        $this->op($this->page, $this->fillOp($this->material, $right))->assertOk();
        $this->op($this->page, ['kind' => 'light.before', 'labels' => [$left], 'before' => true])->assertOk();
        $figure = $this->material->figure_id;
        $plan = [
            'azimuth' => 180,
            'elevation' => 30,
            'colour' => '#ffcc88',
            'ambient' => '#335577',
            'dials' => ['cast' => 300],
            'back' => ['azimuth' => 90, 'colour' => '#0000ff'],
            'lamps' => [
                ['x' => 0.2, 'y' => 0.5, 'reach' => 0.15, 'colour' => '#11ff22'],
                ['x' => 0.5, 'y' => 0.5, 'reach' => 0.1, 'colour' => '#ff1122'],
            ],
        ];
        $this->postJson("/api/pages/{$this->page->id}/tasks/rough", [
            'lease' => self::LEASE,
            'figure' => $figure,
            'plan' => $plan,
        ])->assertStatus(202);
        $sheet = new Sheet(new PageStore($this->page->refresh()));
        $pass = fn (string $kind): PassSpec => $sheet->find(PassSpec::class, "rough$figure$kind") ??
            self::fail("no $kind");
        $at = fn (string $kind, int $x, int $y = 200): int => ord(
            $sheet->layer($pass($kind)->layer("rough$figure$kind"))[$y * 600 + $x],
        );
        self::assertSame(
            ['#11ff22', '#ff1122', '#0000ff'],
            [
                $pass('lamp1')->toData()['content']['colour'],
                $pass('lamp2')->toData()['content']['colour'],
                $pass('rim')->toData()['content']['colour'],
            ],
        );
        self::assertSame(['Lamp 1, rough', 'screen'], [$pass('lamp1')->name, $pass('lamp1')->mode->value]);
        // 0.2 of 600 px, reaching 90; 300, reaching 60.
        self::assertGreaterThan(150, $at('lamp1', 120));
        self::assertSame([0, 0, 0], [$at('lamp1', 120, 295), $at('lamp1', 300), $at('lamp2', 120)]);
        self::assertGreaterThan(150, $at('lamp2', 300));
        // Light from the left: what stands before throws to the right, four tenths as long, and not on itself.
        self::assertSame([0, 255, 0], [$at('cast', 190), $at('cast', 310), $at('cast', 330)]);
    }

    public function test_thrown_shadows_glows_and_what_stands_on_a_figure_follow_their_dials(): void
    {
        config(['queue.default' => 'sync']);
        [$left, $around] = [$this->labelAt($this->page, 100, 200), $this->labelAt($this->page, 10, 10)];
        $quay = Figure::query()->create([
            'series_id' => $this->page->series_id,
            'name' => 'The quay',
            'depth' => $this->material->figure->depth - 1,
        ]);
        $stone = Material::query()->create([
            'figure_id' => $quay->id,
            'name' => 'stone',
            'place' => 0,
            'pinned' => ['base' => '#8090a0'],
        ]);
        $this->op($this->page, $this->fillOp($this->material, $left))->assertOk();
        $this->op($this->page, [
            'kind' => 'fill',
            'labels' => [$around],
            'figure' => $quay->id,
            'material' => $stone->id,
        ])->assertOk();
        $lit = function (Figure $figure, array $dials, int $x, int $y, string $kind = 'cast'): int {
            $plan = [
                'azimuth' => 180,
                'elevation' => 20,
                'colour' => '#ffcc88',
                'ambient' => '#335577',
                'dials' => $dials,
            ];
            $this->postJson("/api/pages/{$this->page->id}/tasks/rough", [
                'lease' => self::LEASE,
                'figure' => $figure->id,
                'plan' => $plan,
            ])->assertStatus(202);

            return ord(
                (new Sheet(new PageStore($this->page->refresh())))->layer(
                    LayerName::ofPass("rough$figure->id$kind", LayerKind::Coverage),
                )[$y * 600 + $x],
            );
        };
        // The box ends at 198 and 338; light from the left. A soft shadow is full up to the box, and fades toward 234,
        // where it ends.
        $hard = array_map(fn (int $x): int => $lit($quay, ['cast' => 36], $x, 200), [190, 204, 212, 218]);
        self::assertSame([0, 255, 255, 255], $hard);
        [$on, $near, $further, $edge] = array_map(
            fn (int $x): int => $lit($quay, ['cast' => 36, 'castSoft' => 30], $x, 200),
            [190, 204, 212, 218],
        );
        self::assertSame(0, $on);
        // It is worked out in places of 4 px, which may lie half of one aside.
        self::assertEqualsWithDelta([255, 210, 143], [$near, $further, $edge], 38);
        // What stands on the quay darkens it below, three times as wide as high, even where nothing is thrown; itself
        // it does not.
        $dark = fn (int $y): float => 255 * max(0, 1 - (($y + 0.5 - 338) / 20) ** 2) ** 2;
        $ground = array_map(fn (int $y): int => $lit($quay, ['ground' => 60], 120, $y), [330, 342, 348, 354, 362]);
        self::assertEqualsWithDelta([0, $dark(342), $dark(348), $dark(354), 0], $ground, 10);
        self::assertSame(
            0,
            $lit($this->material->figure, ['ground' => 60, 'cast' => 36], 120, 330),
            'nothing stands on it',
        );
        // What shines, from 42 on, glows by a power of what is left of its reach.
        $this->op($this->page, ['kind' => 'light.solid', 'labels' => [$left], 'solid' => 'shining'])->assertOk();
        foreach ([2, 5] as $fall) {
            self::assertEqualsWithDelta(
                255 * (1 - 32 / 60) ** $fall,
                $lit($this->material->figure, ['glow' => 60, 'glowFall' => $fall], 10, 200, 'glow'),
                5,
            );
        }
        $this->postJson("/api/pages/{$this->page->id}/tasks/rough", [
            'lease' => self::LEASE,
            'figure' => $quay->id,
            'plan' => ['azimuth' => 0, 'elevation' => 0, 'dials' => ['ground' => 301]],
        ])->assertStatus(422);
    }

    public function test_occlusion_takes_the_place_of_the_lines_in_one_step(): void
    {
        config(['queue.default' => 'sync']);
        [$left, $right] = [$this->labelAt($this->page, 100, 200), $this->labelAt($this->page, 300, 200)];
        $this->op($this->page, $this->fillOp($this->material, $left))->assertOk();
        $figure = $this->material->figure_id;
        $plan = ['azimuth' => 180, 'elevation' => 20, 'colour' => '#ffcc88', 'ambient' => '#335577'];
        $rough = fn (array $more): array => $this->postJson(
            "/api/pages/{$this->page->id}/tasks/rough",
            $more + ['lease' => self::LEASE, 'plan' => ['azimuth' => 0] + $plan],
        )
            ->assertStatus(202)
            ->json();
        $sheet = fn (): Sheet => new Sheet(new PageStore($this->page->refresh()));
        $pass = fn (string $kind): ?PassSpec => $sheet()->find(PassSpec::class, "rough$figure$kind");
        $at = fn (string $kind, int $x): int => ord(
            $sheet()->layer(LayerName::ofPass("rough$figure$kind", LayerKind::Coverage))[200 * 600 + $x],
        );
        $rough(['figure' => $figure, 'plan' => $plan]);
        self::assertNull($pass('unseen'), 'the lines are there');
        $shade = $at('shade', 180);
        // From the other side, as occlusion alone: whatever else hangs there stays as it is.
        $task = $rough(['lineless' => true]);
        self::assertSame('done', $this->getJson("/api/tasks/{$task['id']}")->json('state'));
        self::assertFalse($sheet()->size()->lines->shown);
        self::assertSame(
            [$shade, 0.7, 'multiply', 'Instead of lines, rough'],
            [$at('shade', 180), $pass('unseen')?->opacity, $pass('unseen')?->mode->value, $pass('unseen')?->name],
        );
        // The line of the box lies from 40 to 45, and the box ends in its middle.
        self::assertGreaterThan(150, $at('unseen', 44));
        self::assertSame([0, 0], [$at('unseen', 38), $at('unseen', 70)]);
        foreach (
            array_filter(
                $sheet()->all(PassSpec::class),
                fn (PassSpec $other): bool => $other->name !== 'Instead of lines, rough',
            ) as $other
        ) {
            self::assertLessThan($pass('unseen')->order ?? 0, $other->order, 'it lies over all light');
        }
        // One undo has the lines back, and what was laid is gone; done anew, a figure that is lit later has it as well.
        $this->undo($this->page)->assertOk();
        self::assertSame([true, null], [$sheet()->size()->lines->shown, $pass('unseen')]);
        $this->op($this->page, [
            'kind' => 'lines.colour',
            'lines' => ['shown' => false, 'rule' => 'tone', 'colour' => '#204060'],
        ])->assertOk();
        $rough(['figure' => $figure]);
        self::assertGreaterThan(150, $at('unseen', 44));
        self::assertSame(0, $at('shade', 180), 'all of the light');
        // Lines that show again need nothing in their place.
        $this->op($this->page, [
            'kind' => 'lines.colour',
            'lines' => ['shown' => true, 'rule' => 'tone', 'colour' => '#204060'],
        ])->assertOk();
        $rough(['figure' => $figure]);
        self::assertSame(0, $at('unseen', 44));
        $rough(['lineless' => true]);
        self::assertSame(
            ['tone', '#204060', false],
            [$sheet()->size()->lines->rule->value, $sheet()->size()->lines->colour, $sheet()->size()->lines->shown],
        );
        // Before it is laid it is seen.
        $tried = $this->postJson("/api/pages/{$this->page->id}/rough/preview", ['figure' => $figure, 'plan' => $plan])
            ->assertOk()
            ->json();
        $coverage = (string) gzuncompress(
            (string) base64_decode($tried['passes']["rough{$figure}unseen"]['coverage'], true),
        );
        self::assertStringContainsString(
            "\xff",
            strtr($coverage, array_combine(array_map(chr(...), range(150, 254)), array_fill(0, 105, "\xff"))),
        );
        $this->postJson("/api/pages/{$this->page->id}/tasks/rough", [
            'lease' => self::LEASE,
            'plan' => $plan,
            'lineless' => 'much',
        ])->assertStatus(422);
    }

    private function workOn(Task $task): Task
    {
        (new NextTask($task->line))->handle();

        return $task->refresh();
    }

    private function entries(): int
    {
        return JournalEntry::query()->where('page_id', $this->page->id)->count();
    }

    public function test_a_task_and_its_job_are_there_together_or_not_at_all(): void
    {
        $task = $this->begin();
        self::assertSame(['long', ['long']], [$task->line, DB::table('jobs')->pluck('queue')->all()]);
        self::assertSame(
            'quick',
            $this->begin('deliver', ['format' => 'png'])->line,
            'a delivery waits in another line',
        );
        self::assertSame(['long', 'quick'], DB::table('jobs')->orderBy('id')->pluck('queue')->all());
        config(['queue.connections.database.table' => 'no_such_table']);
        $this->app->forgetInstance('queue');
        \Illuminate\Support\Facades\Queue::clearResolvedInstances();
        try {
            $this->begin();
            self::fail('a queue without a table took a job');
        } catch (\Illuminate\Database\QueryException) {
            self::assertSame(2, Task::query()->where('state', 'waiting')->count(), 'no task without a job');
        }
    }

    public function test_no_more_than_twenty_wait(): void
    {
        for ($i = 0; $i < 20; $i++) {
            $this->begin();
        }
        $this->postJson("/api/pages/{$this->page->id}/tasks/deliver", ['format' => 'png'])
            ->assertStatus(422)
            ->assertJsonPath('errors.task.0', 'Twenty pieces of work are waiting already. Let some finish first.');
        self::assertSame(20, DB::table('jobs')->count());
    }

    public function test_what_lands_ends_the_task_and_is_not_done_twice(): void
    {
        $task = $this->begin();
        $before = $this->entries();
        self::assertSame('done', $this->workOn($task)->state);
        self::assertSame($before + 1, $this->entries());
        $this->workOn($task);
        // Killed after it landed and before anybody was told: the op's own number tells.
        $task->forceFill(['state' => 'waiting'])->save();
        $this->workOn($task);
        self::assertSame($before + 1, $this->entries(), 'the same job, run again');
    }

    public function test_nothing_lands_after_the_page_was_given_back(): void
    {
        $task = $this->begin();
        $this->deleteJson("/api/pages/{$this->page->id}/lease", ['lease' => self::LEASE])->assertNoContent();
        $this->hold($this->page, $this->person('Pell', $this->page->series), 'anotherlease000')->assertOk();
        $before = $this->entries();
        $ended = $this->workOn($task);
        self::assertSame('failed', $ended->state);
        self::assertStringContainsString('Pell is working on this page', $ended->message);
        self::assertSame($before, $this->entries());
    }

    public function test_a_stop_before_the_landing_is_true_and_one_after_it_says_so(): void
    {
        $task = $this->begin();
        $task->forceFill(['state' => 'working', 'progress' => 80])->save();
        $this->deleteJson("/api/tasks/$task->id")->assertJson([
            'state' => 'stopped',
            'message' => 'Stopped. Nothing was changed.',
        ]);
        $before = $this->entries();
        try {
            (new PageDesk)->land(
                $task->refresh(),
                new FillRegions(
                    [$this->labelAt($this->page, 120, 200)],
                    $this->material->figure_id,
                    $this->material->id,
                ),
            );
            self::fail('it landed all the same');
        } catch (TaskEnded) {
            self::assertSame($before, $this->entries());
        }
        $late = $this->begin();
        $this->workOn($late);
        $this->deleteJson("/api/tasks/$late->id")->assertJson([
            'state' => 'done',
            'message' => 'It was done before it could be stopped. Undo takes it back.',
        ]);
        self::assertSame($before + 1, $this->entries());
    }

    public function test_work_of_a_dead_process_is_taken_up_again_and_only_that(): void
    {
        $sleeper = new Process(['sleep', '30']);
        $sleeper->start();
        $stat = explode(
            ' ',
            (string) preg_replace('/.*\) /', '', (string) file_get_contents("/proc/{$sleeper->getPid()}/stat")),
        );
        [$host] = explode(' ', Worker::me());
        $alive = "$host {$sleeper->getPid()} $stat[19]";
        $task = $this->begin();
        $task->forceFill(['state' => 'working', 'worker' => $alive])->save();
        DB::table('jobs')->update(['reserved_at' => now()->getTimestamp(), 'attempts' => 1]);
        self::assertSame(0, (new Tasks)->takeUpAgain(), 'it is at work');
        self::assertFalse(Worker::isGone(Worker::me()));
        self::assertFalse(Worker::isGone('otherhost 1 1'), 'nothing is known of another machine');
        $sleeper->signal(SIGKILL);
        $sleeper->wait(static fn () => null);
        self::assertSame(1, (new Tasks)->takeUpAgain());
        self::assertSame(['waiting', null], [$task->refresh()->state, $task->worker]);
        self::assertSame(
            1,
            DB::table('jobs')->where('queue', 'long')->whereNull('reserved_at')->count(),
            'free for the next worker',
        );
        self::assertSame('done', $this->workOn($task)->state);
    }

    public function test_a_task_that_lost_its_job_gets_a_new_one(): void
    {
        $lost = $this->begin();
        DB::table('jobs')->delete();
        self::assertSame(0, (new Tasks)->takeUpAgain(), 'it may be just being begun');
        $old = fn (Task $task) => Task::query()
            ->toBase()
            ->where('id', $task->id)
            ->update(['updated_at' => now()->subSeconds(20)]);
        $old($lost);
        self::assertSame(1, (new Tasks)->takeUpAgain());
        self::assertSame(0, (new Tasks)->takeUpAgain(), 'once');
        self::assertSame('done', $this->workOn($lost->refresh())->state);
        $taken = $this->begin();
        $old($taken);
        DB::table('jobs')->update(['reserved_at' => now()->subSeconds(16)->getTimestamp()]);
        self::assertSame(1, (new Tasks)->takeUpAgain(), 'taken by a worker that never began');
    }

    public function test_no_job_runs_longer_than_the_queue_waits_for_it(): void
    {
        self::assertGreaterThan((new NextTask('long'))->timeout, config('queue.connections.database.retry_after'));
        self::assertGreaterThan((new NextTask('long'))->timeout, config('queue.connections.redis.retry_after'));
    }

    public function test_a_moment_stays_whatever_is_done_afterwards(): void
    {
        $this->op($this->page, $this->fillOp($this->material, $this->labelAt($this->page, 120, 200)))->assertOk();
        $this->op($this->page, $this->strokeOp($this->material))->assertOk();
        $moment = PageMoment::of($this->page);
        $before = PagePicture::full($moment);
        $this->op($this->page, ['kind' => 'pass.remove', 'id' => 'shadepass1'])->assertOk();
        $this->op($this->page, $this->fillOp($this->material, $this->labelAt($this->page, 300, 200)))->assertOk();
        $this->postJson("/api/series/{$this->page->series_id}/ops", [
            'op' => [
                'kind' => 'tones.pin',
                'material' => $this->material->id,
                'version' => 1,
                'tones' => ['base' => '#112233'],
            ],
        ])->assertOk();
        self::assertEquals($before, PagePicture::full($moment));
        self::assertNotEquals($before, PagePicture::full(PageMoment::of($this->page->refresh())));
        self::assertSame($this->page->refresh()->revision - 2, $moment->revision);
        self::assertNotEmpty($moment->page->tilesOf(LayerName::flats()));
        self::assertEquals(
            (new PageStore($this->page))->tilesOf(LayerName::ink()),
            $moment->page->tilesOf(LayerName::ink()),
        );
        self::assertInstanceOf(FrozenPage::class, $moment->page);
    }

    public function test_two_workers_do_what_one_does_in_the_same_order(): void
    {
        $work = fn (int $n): string => $n === 5 ? '' : hash('sha256', (string) $n);
        $told = [];
        self::assertSame(
            (new OneWorker)->each(range(0, 20), $work),
            (new WorkerProcesses)->each(range(0, 20), $work, function (float $share) use (&$told): void {
                $told[] = $share;
            }),
        );
        self::assertSame(1.0, end($told));
        $here = getmypid();
        $pids = (new WorkerProcesses)->each(range(0, 20), fn (): string => (string) getmypid());
        self::assertCount(2, array_unique($pids));
        self::assertSame((string) $here, $pids[0]);
        // The copy dies of one of its pieces: the other hand does them.
        $dies = (new WorkerProcesses)->each(
            range(0, 20),
            fn (int $n): string => getmypid() === $here ? "done $n" : ($n === 9 ? exit(3) : "copy $n"),
        );
        self::assertSame(['done 0', 'done 8', 'done 9', 'done 20'], [$dies[0], $dies[8], $dies[9], $dies[20]]);
        self::assertSame('copy 1', $dies[1]);
        $this->expectExceptionMessage('stopped here');
        (new WorkerProcesses)->each(
            range(0, 20),
            $work,
            fn (float $share) => $share > 0.5 ? throw new \RuntimeException('stopped here') : null,
        );
    }

    public function test_an_original_that_is_only_half_there_is_written_anew(): void
    {
        $original = Original::query()->sole();
        $disk = \Illuminate\Support\Facades\Storage::disk('works');
        $whole = (string) $disk->get($original->path);
        $disk->put($original->path, substr($whole, 0, 700));
        config(['queue.default' => 'sync']);
        $this->import($this->page, $this->user);
        self::assertSame($whole, $disk->get($original->path));
        $disk->put($original->path, strrev($whole));
        $this->import($this->page, $this->user);
        self::assertSame($whole, $disk->get($original->path), 'as long, and another');
    }

    /** Their picture: the first box in our oilskin's own colour, the second in none of ours, the third almost ours. */
    private function theirFlats(int $width = 600, int $height = 400, int $right = 0, int $down = 0): string
    {
        $pixels = '';
        for ($y = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                [$atX, $atY] = $right === 0 ? [($x * 600) / $width, ($y * 400) / $height] : [$x + $right, $y + $down];
                $isBox = fn (int $left, int $right): bool => $atX >= $left && $atX < $right && $atY >= 62 && $atY < 338;
                $pixels .= $isBox(42, 198)
                    ? "\xe0\xa9\x3a"
                    : ($isBox(222, 378)
                        ? "\x33\x55\xaa"
                        : ($isBox(402, 558)
                            ? "\xe8\xb9\x5c"
                            : "\xff\xff\xff"));
            }
        }

        return (new PngWriter)->rgb($width, $height, $pixels, 300);
    }

    private function takeOver(string $bytes): Task
    {
        $answer = $this->actingAs($this->user)
            ->postJson("/api/pages/{$this->page->id}/tasks/take", [
                'lease' => self::LEASE,
                'flats' => $this->upload($bytes, 'flats.png'),
            ])
            ->assertStatus(202);

        return $this->workOn(Task::query()->findOrFail($answer->json('id')));
    }

    private function materialAt(int $x, int $y): int
    {
        $sheet = new Sheet(new PageStore($this->page->refresh()));

        return $sheet->find(Region::class, $sheet->labelAt($x, $y))->material ?? -1;
    }

    public function test_somebodys_flats_become_the_regions_and_what_is_unknown_is_told(): void
    {
        foreach ([[600, 400], [300, 200]] as [$width, $height]) {
            $task = $this->takeOver($this->theirFlats($width, $height));
            self::assertSame('done', $task->state, $task->message);
            self::assertSame(
                [$this->material->id, 0, $this->material->id, 0],
                [
                    $this->materialAt(120, 200),
                    $this->materialAt(300, 200),
                    $this->materialAt(480, 200),
                    $this->materialAt(10, 10),
                ],
            );
            $rows = array_column($task->toClient()['report']['rows'] ?? [], null, 'colour');
            self::assertSame(
                ['exact', 'new', 'near', 'new'],
                array_map(fn (string $colour): string => $rows[$colour]['verdict'], [
                    '#e0a93a',
                    '#3355aa',
                    '#e8b95c',
                    '#ffffff',
                ]),
            );
            self::assertSame([$this->material->id, null], [$rows['#e0a93a']['material'], $rows['#3355aa']['material']]);
            self::assertEqualsWithDelta((156 * 276) / 240_000, $rows['#3355aa']['share'], 0.01);
            $sheet = new Sheet(new PageStore($this->page->refresh()));
            self::assertSame([$sheet->labelAt(300, 200)], $rows['#3355aa']['labels']);
            self::assertSame(
                $sheet->labelAt(300, 200),
                $sheet->labelAt(225, 66),
                'to the border, the line on it as well',
            );
            $this->undo($this->page)->assertOk();
            self::assertSame(0, $this->materialAt(120, 200));
        }
    }

    public function test_a_picture_that_lies_elsewhere_is_moved_under_the_lines(): void
    {
        $task = $this->takeOver($this->theirFlats(560, 410, 22, -14));
        self::assertSame('done', $task->state, $task->message);
        self::assertEqualsWithDelta([22, -14], [$task->report['right'] ?? null, $task->report['down'] ?? null], 2);
        self::assertSame([$this->material->id, 0], [$this->materialAt(46, 68), $this->materialAt(300, 200)]);
    }

    public function test_flats_are_not_taken_over_what_is_locked_nor_from_what_is_no_picture(): void
    {
        $label = (new Sheet(new PageStore($this->page)))->labelAt(120, 200);
        $this->actingAs($this->user)
            ->op($this->page, ['kind' => 'flats.lock', 'labels' => [$label], 'locked' => true])
            ->assertOk();
        $task = $this->takeOver($this->theirFlats());
        self::assertSame('failed', $task->state);
        self::assertStringContainsString('Unlock them first', $task->message);
        $entries = $this->entries();
        $this->postJson("/api/pages/{$this->page->id}/tasks/take", [
            'lease' => self::LEASE,
            'flats' => $this->upload('no picture', 'flats.png'),
        ])->assertStatus(422);
        foreach ([[], ['flats' => 'words']] as $none) {
            $this->postJson("/api/pages/{$this->page->id}/tasks/take", ['lease' => self::LEASE] + $none)
                ->assertStatus(422)
                ->assertJsonValidationErrorFor('flats');
        }
        $this->postJson("/api/pages/{$this->page->id}/tasks/take", [
            'lease' => 'somebodyelse0',
            'flats' => $this->upload($this->theirFlats(), 'flats.png'),
        ])->assertStatus(409);
        self::assertSame($entries, $this->entries());
    }
}

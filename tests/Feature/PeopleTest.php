<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Desk\Page\PageDesk;
use App\Desk\People\People;
use App\Jobs\Tasks;
use App\Models\Figure;
use App\Models\Member;
use App\Models\Original;
use App\Models\Page;
use App\Models\ReferencePicture;
use App\Models\Role;
use App\Models\Series;
use App\Models\Task;
use App\Models\User;
use App\Store\PageStore;
use Awning\Core\Page\Region\Region;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Ink\EnlargePage;
use Awning\Core\Sheet\Sheet;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Routing\Route as RegisteredRoute;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Tests\TestCase;

final class PeopleTest extends TestCase
{
    use RefreshDatabase;

    public function test_signing_in_takes_the_right_password_and_is_slowed_down_after_wrong_ones(): void
    {
        [$series] = $this->series();
        $this->person('Mira', $series);
        $this->postJson('/api/session', ['email' => 'mira@awning.example', 'password' => 'secret of Mira'])
            ->assertOk()
            ->assertJsonPath('user.name', 'Mira');
        $this->deleteJson('/api/session')->assertNoContent();
        for ($i = 0; $i < 7; $i++) {
            $this->postJson('/api/session', ['email' => 'mira@awning.example', 'password' => "guess $i"])->assertStatus(
                422,
            );
        }
        $this->postJson('/api/session', [
            'email' => 'mira@awning.example',
            'password' => 'secret of Mira',
        ])->assertStatus(429);
        self::assertStringStartsWith('$2y$', (string) User::query()->value('password'));
    }

    public function test_one_click_sign_in_is_for_demo_people_in_the_demo_only(): void
    {
        [$series] = $this->series();
        $real = $this->person('Mira', $series);
        $demo = $this->person('Guest', $series);
        $demo->update(['is_demo' => true]);
        $this->postJson('/api/session/demo', ['id' => $demo->id])->assertNotFound();
        config(['awning.demo' => true]);
        $this->postJson('/api/session/demo', ['id' => $real->id])->assertNotFound();
        $this->postJson('/api/session/demo', ['id' => $demo->id])
            ->assertOk()
            ->assertJsonPath('user.name', 'Guest');
    }

    private function reference(Series $series, User $owner): ReferencePicture
    {
        $original = Original::query()->create([
            'series_id' => $series->id,
            'user_id' => $owner->id,
            'name' => 'sea.png',
            'path' => 'originals/none',
            'sha256' => str_repeat('a', 64),
            'bytes' => 1,
        ]);

        return ReferencePicture::query()->create([
            'series_id' => $series->id,
            'original_id' => $original->id,
            'name' => 'sea.png',
        ]);
    }

    public function test_every_route_refuses_strangers(): void
    {
        [$series, $page, $material] = $this->series();
        $owner = $this->person('Owner', $series, Role::Owner);
        $task = \App\Models\Task::query()->create([
            'page_id' => $page->id,
            'user_id' => $owner->id,
            'kind' => 'deliver',
            'state' => 'done',
            'progress' => 100,
            'message' => '',
            'input' => [],
        ]);
        $version = \App\Models\PaletteVersion::query()->create([
            'series_id' => $series->id,
            'name' => 'Book 1',
            'version' => 1,
            'palette' => ['light' => '#ffffff', 'dials' => null, 'materials' => []],
        ]);
        $variant = \App\Models\PaletteVariant::query()->create([
            'series_id' => $series->id,
            'name' => 'Wet',
            'tones' => [],
        ]);
        $reference = $this->reference($series, $owner);
        $light = \App\Models\SeriesLight::query()->create(['series_id' => $series->id, 'name' => 'Noon', 'plan' => []]);
        $setup = \App\Models\SeriesSetup::query()->create([
            'series_id' => $series->id,
            'name' => 'Rust',
            'passes' => [],
        ]);
        $brush = \App\Models\SeriesBrush::query()->create([
            'series_id' => $series->id,
            'name' => 'Twig',
            'brush' => ['size' => 9, 'hardness' => 1, 'tip' => null],
        ]);
        $stranger = $this->person('Stranger', $series, null);
        $open = [
            'api/session',
            'api/session/demo',
            '{any?}',
            'storage/{path}',
            'api/series',
            'up',
            'api/invitations/{token}',
            'api/session/password',
            'api/session/may-send',
            'api/manual',
            'manual/{picture}',
        ];
        $checked = 0;
        foreach (Route::getRoutes()->getRoutes() as $route) {
            /** @var RegisteredRoute $route */
            if (in_array($route->uri(), $open, true)) {
                continue;
            }
            $uri = strtr($route->uri(), [
                '{series}' => $series->id,
                '{page}' => $page->id,
                '{user}' => $owner->id,
                '{figure}' => $material->figure_id,
                '{material}' => $material->id,
                '{task}' => $task->id,
                '{hash}' => str_repeat('a', 64),
                '{original}' => 1,
                '{drawing}' => 'drawing1',
                '{format}' => 'csv',
                '{version}' => $version->id,
                '{variant}' => $variant->id,
                '{light}' => $light->id,
                '{setup}' => $setup->id,
                '{brush}' => $brush->id,
                '{reference}' => $reference->id,
                '{number}' => 0,
                '{pass}' => 'firstpass1',
                '{mood}' => 'ready1',
                '{kind}' => 'colours',
            ]);
            $method = $route->methods()[0];
            $this->app['auth']->forgetGuards();
            $this->json($method, "/$uri")->assertStatus(401);
            $this->actingAs($stranger)
                ->json($method, "/$uri", ['lease' => self::LEASE])
                ->assertStatus(403);
            $checked++;
        }
        self::assertGreaterThan(20, $checked);
    }

    public function test_roles_bound_what_a_member_may_do(): void
    {
        [$series, $page, $material] = $this->series();
        $flatter = $this->person('Pell', $series, Role::Flatter);
        $viewer = $this->person('Ida', $series, Role::Viewer);
        $this->import($page, $flatter);
        $label = $this->labelAt($page, 120, 200);
        $this->op($page, $this->fillOp($material, $label))->assertOk();
        $this->op($page, $this->strokeOp($material))
            ->assertStatus(422)
            ->assertJsonFragment([
                'message' => 'Your part in this series is flatting: you can fill regions, not paint.',
            ]);
        $this->postJson("/api/series/$series->id/ops", [
            'op' => [
                'kind' => 'tones.pin',
                'material' => $material->id,
                'version' => 1,
                'tones' => ['base' => '#112233'],
            ],
        ])->assertForbidden();
        $this->actingAs($viewer)
            ->getJson("/api/pages/$page->id")
            ->assertOk();
        $this->postJson("/api/pages/$page->id/lease", ['lease' => self::LEASE])->assertForbidden();
        $this->postJson("/api/series/$series->id/members", [
            'email' => 'ida@awning.example',
            'role' => 'owner',
        ])->assertForbidden();
    }

    public function test_a_series_keeps_an_owner(): void
    {
        [$series] = $this->series();
        $owner = $this->person('Mira', $series, Role::Owner);
        $this->actingAs($owner)
            ->deleteJson("/api/series/$series->id/members/$owner->id")
            ->assertStatus(422);
        $this->postJson("/api/series/$series->id/members", [
            'email' => 'mira@awning.example',
            'role' => 'viewer',
        ])->assertStatus(422);
        self::assertSame(Role::Owner, $owner->roleIn($series));
    }

    /** Posting as a browser does from another site: with the session's cookie and without its token. */
    public function test_forms_from_elsewhere_are_refused(): void
    {
        [$series] = $this->series();
        $this->actingAs($this->person('Mira', $series));
        // Laravel lets requests of test runs through; here they are checked like any other.
        $this->app['env'] = 'production';
        $this->post("/api/series/$series->id/ops", [
            'op' => ['kind' => 'figure.add', 'name' => 'Smuggled'],
        ])->assertStatus(419);
        $this->withHeader('X-XSRF-TOKEN', 'made up')
            ->postJson("/api/series/$series->id/ops", ['op' => ['kind' => 'figure.add', 'name' => 'Smuggled']])
            ->assertStatus(419);
        self::assertSame(1, Figure::query()->count());
        $this->withSession(['_token' => 'the token'])
            ->withHeader('X-CSRF-TOKEN', 'the token')
            ->postJson("/api/series/$series->id/ops", ['op' => ['kind' => 'figure.add', 'name' => 'Tamsin']])
            ->assertOk();
        $this->get('/')->assertHeader('Content-Security-Policy')->assertHeader('X-Content-Type-Options', 'nosniff');
    }

    /** Who may do what: every kind of op, its undo, and every route that changes something, for every role. */
    public function test_roles_bound_every_change_and_its_undo(): void
    {
        $may = [
            'fill' => [Role::Owner, Role::Colourist, Role::Flatter],
            'stroke' => [Role::Owner, Role::Colourist],
            'pass.change' => [Role::Owner, Role::Colourist],
            'pass.remove' => [Role::Owner, Role::Colourist],
            'group' => [Role::Owner, Role::Colourist],
            'clean' => [Role::Owner, Role::Colourist, Role::Flatter],
            'regions' => [Role::Owner, Role::Colourist, Role::Flatter],
            'enlarge' => [Role::Owner, Role::Colourist],
            'drawing.change' => [Role::Owner, Role::Colourist, Role::Flatter],
            'ink.draw' => [Role::Owner, Role::Colourist],
            'lines.colour' => [Role::Owner, Role::Colourist],
            'deliver' => Role::cases(),
            'add page' => [Role::Owner, Role::Colourist, Role::Flatter],
            'add figure' => [Role::Owner, Role::Colourist],
            'pin' => [Role::Owner, Role::Colourist],
            'invite' => [Role::Owner],
            'feed' => Role::cases(),
            'look' => Role::cases(),
            'cues' => [Role::Owner, Role::Colourist, Role::Flatter],
            'fill.inside' => [Role::Owner, Role::Colourist, Role::Flatter],
            'bridges' => [Role::Owner, Role::Colourist, Role::Flatter],
            'findings' => Role::cases(),
            'rename figure' => [Role::Owner, Role::Colourist],
            'copy materials' => [Role::Owner, Role::Colourist],
            ...array_fill_keys(
                [
                    'change material',
                    'duplicate material',
                    'rule',
                    'undo palette',
                    'redo palette',
                    'take in a palette',
                    'name version',
                    'hold version',
                    'add variant',
                    'wear variant',
                    'take colours',
                    'replace',
                ],
                [Role::Owner, Role::Colourist],
            ),
            ...array_fill_keys(
                [
                    'palette',
                    'history',
                    'preview',
                    'palette file',
                    'versions',
                    'variants',
                    'references',
                    'match',
                    'compare versions',
                ],
                Role::cases(),
            ),
            'before' => [Role::Owner, Role::Colourist, Role::Flatter],
            'arrange reference' => [Role::Owner, Role::Colourist, Role::Flatter],
            'flats.shape' => [Role::Owner, Role::Colourist, Role::Flatter],
            'colour.shift' => [Role::Owner, Role::Colourist],
        ];
        [$series, $page, $material] = $this->series();
        $owner = $this->person('Owner', $series, Role::Owner);
        $this->import($page, $owner);
        $reference = $this->reference($series, $owner);
        foreach (Role::cases() as $number => $role) {
            $person = $role === Role::Owner ? $owner : $this->person($role->value, $series, $role);
            $page
                ->forceFill(['holder_id' => $person->id, 'lease' => self::LEASE, 'lease_until' => now()->addHour()])
                ->save();
            $ops = [
                'fill' => $this->fillOp($material, 1 + $number),
                'colour.shift' => [
                    'kind' => 'colour.shift',
                    'id' => 'shiftedhere',
                    'labels' => [],
                    'values' => ['material' => $material->id, 'lightness' => 0.05 + 0.05 * $number],
                ],
                'stroke' => $this->strokeOp($material, 'of'.$role->value.'1'),
                'pass.change' => [
                    'kind' => 'pass.change',
                    'id' => 'ofowner1',
                    'values' => ['opacity' => 0.1 + 0.1 * array_search($role, Role::cases(), true)],
                ],
                'group' => [
                    'kind' => 'group',
                    'id' => 'groupof'.$role->value,
                    'passes' => ['ofowner1'],
                    'how' => ['isolated' => true, 'mode' => 'normal', 'opacity' => 1],
                ],
            ];
            $ops['drawing.change'] = [
                'kind' => 'drawing.change',
                'id' => 'drawing1',
                'values' => ['strength' => 0.1 + 0.1 * $number],
            ];
            $ops['lines.colour'] = [
                'kind' => 'lines.colour',
                'lines' => ['rule' => 'colour', 'colour' => sprintf('#10%02x20', 16 + $number), 'shown' => true],
            ];
            $ops['ink.draw'] = [
                'kind' => 'ink.draw',
                'strokes' => [
                    [
                        'id' => 'lineof'.$role->value,
                        'stroke' => ['points' => [[10 + $number, 10, 1], [60, 40, 1]], 'weight' => 4],
                    ],
                ],
            ];
            $ops['fill.inside'] = [
                'kind' => 'fill.inside',
                'outline' => [[-9, -9], [60000, -9], [60000, 60000], [-9, 60000]],
                'figure' => $material->figure_id,
                'material' => $number % 2 === 0 ? $material->id : 0,
                'unfilled' => false,
            ];
            $ops['bridges'] = [
                'kind' => 'bridges',
                'draw' => [402, 100 + 40 * $number, 560, 100 + 40 * $number],
                'bridge' => null,
                'as' => null,
            ];
            // The page grows with every role: a place that is in a box whatever its size.
            $boxes = array_filter(
                (new Sheet(new PageStore($page->refresh())))->all(Region::class),
                fn (Region $region): bool => ! $region->locked && $region->y > 0,
            );
            $box = array_shift($boxes) ?? self::fail('there is no box');
            $ops['flats.shape'] = [
                'kind' => 'flats.shape',
                'use' => $number % 2 === 0 ? 'take' : 'add',
                'outline' => [[$box->x, $box->y + 40], [$box->x + 9, $box->y + 40], [$box->x + 9, $box->y + 50]],
                'pen' => null,
                'figure' => $material->figure_id,
                'material' => $material->id,
            ];
            $allowed = fn (string $what): bool => in_array($role, $may[$what], true);
            foreach ($ops as $what => $op) {
                $this->actingAs($person);
                $status = $this->op($page, $op)->status();
                self::assertSame($allowed($what), $status === 200, "$role->value, $what: $status");
                if (! $allowed($what)) {
                    // What somebody else did of this kind may not be taken back either, nor done again.
                    $this->actingAs($owner);
                    $page->forceFill(['holder_id' => $owner->id])->save();
                    $this->op($page, $op)->assertOk();
                    $page->forceFill(['holder_id' => $person->id])->save();
                    $before = $page->refresh()->revision;
                    $this->actingAs($person);
                    self::assertNotSame(200, $this->undo($page)->status(), "$role->value takes back $what");
                    self::assertNotSame(200, $this->undo($page, 'redo')->status());
                    self::assertSame($before, $page->refresh()->revision, "$role->value takes back $what");
                } else {
                    self::assertSame(200, $this->undo($page)->status(), "$role->value takes back $what");
                    self::assertSame(200, $this->undo($page, 'redo')->status(), "$role->value does $what again");
                }
            }
            $this->actingAs($person);
            $routes = [
                'clean' => [
                    'POST',
                    "/api/pages/$page->id/tasks/clean",
                    $this->cleaning($page, ['paper' => 40, 'ink' => 200]),
                    202,
                ],
                'look' => [
                    'POST',
                    "/api/pages/$page->id/drawings/drawing1/look",
                    ['clean' => ['weight' => 1], 'level' => 0, 'tiles' => [0, 0, 1, 1]],
                    200,
                ],
                'before' => ['GET', "/api/pages/$page->id/before", [], 200],
                'rename figure' => [
                    'POST',
                    "/api/series/$series->id/ops",
                    [
                        'op' => [
                            'kind' => 'figure.change',
                            'figure' => $material->figure_id,
                            'name' => "Of $role->value",
                        ],
                    ],
                    200,
                ],
                'copy materials' => [
                    'POST',
                    "/api/series/$series->id/ops",
                    [
                        'op' => [
                            'kind' => 'material.copy',
                            'figure' => $material->figure_id,
                            'materials' => [$material->id],
                        ],
                    ],
                    200,
                ],
                'findings' => ['GET', "/api/pages/$page->id/findings", [], 200],
                'cues' => ['POST', "/api/pages/$page->id/cues", ['dabs' => [[1, $material->id, 1]]], 200],
                'regions' => ['POST', "/api/pages/$page->id/tasks/regions", ['lease' => self::LEASE], 202],
                'enlarge' => [
                    'POST',
                    "/api/pages/$page->id/tasks/enlarge",
                    ['lease' => self::LEASE, 'factor' => 1.5],
                    202,
                ],
                'deliver' => ['POST', "/api/pages/$page->id/tasks/deliver", ['format' => 'png'], 202],
                'add page' => ['POST', "/api/series/$series->id/pages", ['title' => "By $role->value"], 201],
                'add figure' => [
                    'POST',
                    "/api/series/$series->id/ops",
                    ['op' => ['kind' => 'figure.add', 'name' => "By $role->value"]],
                    200,
                ],
                'pin' => [
                    'POST',
                    "/api/series/$series->id/ops",
                    [
                        'op' => [
                            'kind' => 'tones.pin',
                            'material' => $material->id,
                            'version' => $material->refresh()->version,
                            'tones' => ['deep' => sprintf('#1010%02x', strlen($role->value))],
                        ],
                    ],
                    200,
                ],
                'change material' => [
                    'POST',
                    "/api/series/$series->id/ops",
                    [
                        'op' => [
                            'kind' => 'material.change',
                            'material' => $material->id,
                            'version' => $material->refresh()->version + ($allowed('pin') ? 1 : 0),
                            'name' => "By $role->value",
                        ],
                    ],
                    200,
                ],
                'duplicate material' => [
                    'POST',
                    "/api/series/$series->id/ops",
                    ['op' => ['kind' => 'material.duplicate', 'material' => $material->id]],
                    200,
                ],
                'rule' => [
                    'POST',
                    "/api/series/$series->id/ops",
                    ['op' => ['kind' => 'rule.change', 'light' => '#ffe0b0', 'dials' => ['turn' => 0.3]]],
                    200,
                ],
                'undo palette' => ['POST', "/api/series/$series->id/undo", [], 200],
                'redo palette' => ['POST', "/api/series/$series->id/redo", [], 200],
                'take in a palette' => [
                    'POST',
                    "/api/series/$series->id/ops",
                    ['op' => ['kind' => 'palette.import', 'name' => 'p.csv', 'text' => "a,#123456\n"]],
                    200,
                ],
                'palette' => ['GET', "/api/series/$series->id/palette", [], 200],
                'history' => ['GET', "/api/series/$series->id/palette/history", [], 200],
                'preview' => [
                    'POST',
                    "/api/series/$series->id/rule/preview",
                    ['light' => '#ffe0b0', 'dials' => ['turn' => 0.3]],
                    200,
                ],
                'palette file' => ['GET', "/api/series/$series->id/palette/file/json", [], 200],
                'variants' => ['GET', "/api/series/$series->id/variants", [], 200],
                'add variant' => [
                    'POST',
                    "/api/series/$series->id/ops",
                    ['op' => ['kind' => 'variant.add', 'name' => 'Wet']],
                    200,
                ],
                'wear variant' => [
                    'POST',
                    "/api/series/$series->id/ops",
                    ['op' => ['kind' => 'page.variant', 'of' => $page->id, 'variant' => null]],
                    200,
                ],
                'replace' => [
                    'POST',
                    "/api/series/$series->id/tasks/replace",
                    ['pages' => [$page->id], 'figure' => $material->figure_id, 'tone' => 'shade', 'into' => 'deep'],
                    202,
                ],
                'take colours' => [
                    'POST',
                    "/api/series/$series->id/ops",
                    [
                        'op' => [
                            'kind' => 'colours.take',
                            'figure' => $material->figure_id,
                            'name' => 'x',
                            'ramp' => true,
                            'colours' => ['#808080'],
                        ],
                    ],
                    200,
                ],
                'references' => ['GET', "/api/series/$series->id/references", [], 200],
                'arrange reference' => ['PATCH', "/api/series/$series->id/references/$reference->id", ['x' => 1], 200],
                'match' => ['POST', "/api/series/$series->id/tasks/match", ['page' => $page->id], 202],
                'compare versions' => ['GET', "/api/series/$series->id/versions/compare?from=0&to=0", [], 200],
                'versions' => ['GET', "/api/series/$series->id/versions", [], 200],
                'name version' => ['POST', "/api/series/$series->id/versions", ['name' => 'Book 1'], 201],
                'hold version' => [
                    'POST',
                    "/api/series/$series->id/ops",
                    ['op' => ['kind' => 'page.version', 'of' => $page->id, 'version' => null]],
                    200,
                ],
                'invite' => [
                    'POST',
                    "/api/series/$series->id/members",
                    ['email' => 'owner@awning.example', 'role' => 'owner'],
                    200,
                ],
                'feed' => ['GET', "/api/pages/$page->id/feed?since=0&palette=0", [], 200],
            ];
            foreach ($routes as $what => [$method, $path, $body, $good]) {
                self::assertSame(
                    $allowed($what) ? $good : 403,
                    $this->json($method, $path, $body)->status(),
                    "$role->value, $what",
                );
            }
        }
        foreach (Role::cases() as $role) {
            $this->actingAs($role === Role::Owner ? $owner : User::query()->where('name', $role->value)->firstOrFail());
            $page->forceFill(['holder_id' => $this->app['auth']->id(), 'lease' => self::LEASE])->save();
            if (! in_array($role, $may['pass.remove'], true)) {
                self::assertNotSame(200, $this->op($page, ['kind' => 'pass.remove', 'id' => 'ofowner1'])->status());
            }
        }
    }

    public function test_who_is_removed_or_may_do_less_lands_nothing_and_holds_nothing(): void
    {
        [$series, $page, $material] = $this->series();
        [$elsewhere, $other] = $this->series('Another');
        $owner = $this->person('Owner', $series, Role::Owner);
        $mira = $this->person('Mira', $series);
        Member::query()->create(['series_id' => $elsewhere->id, 'user_id' => $mira->id, 'role' => Role::Colourist]);
        $this->import($page, $mira);
        $this->hold($other, $mira, 'anotherlease00');
        config(['queue.default' => 'database']);
        $begin = function () use ($page, $mira, $series, $other): array {
            $this->hold($page, $mira)->assertOk();

            return array_map(
                fn (array $of): Task => (new Tasks)->begin($of[0], $mira, $of[1], $of[2], $of[3] ?? null),
                [
                    [$page, 'enlarge', ['factor' => 1.5], self::LEASE],
                    [$series, 'colours', []],
                    [$other, 'deliver', ['format' => 'png']],
                ],
            );
        };
        $states = fn (array $tasks): array => array_map(fn (Task $task): string => $task->refresh()->state, $tasks);
        $working = function (Task $task): Task {
            $task->forceFill(['state' => 'working'])->save();

            return $task;
        };
        $print = $page->refresh()->revision;

        // Less than before: what was begun and held in this series ends, in the others it goes on.
        $tasks = $begin();
        $tasks[0]->forceFill(['state' => 'working'])->save();
        $this->actingAs($owner)
            ->postJson("/api/series/$series->id/members", ['email' => 'mira@awning.example', 'role' => 'flatter'])
            ->assertOk();
        self::assertSame(['stopped', 'stopped', 'waiting'], $states($tasks));
        self::assertSame([null, $mira->id], [$page->refresh()->holder_id, $other->refresh()->holder_id]);
        try {
            (new PageDesk)->land($working($tasks[0]), new EnlargePage(1.5));
            self::fail('a flatter enlarged the page');
        } catch (OpRefused $refused) {
            self::assertStringContainsString('flatting', $refused->getMessage());
        }

        // As much or more: nothing ends.
        $this->postJson("/api/series/$series->id/members", [
            'email' => 'mira@awning.example',
            'role' => 'colourist',
        ])->assertOk();
        $tasks = $begin();
        $this->actingAs($owner)
            ->postJson("/api/series/$series->id/members", ['email' => 'mira@awning.example', 'role' => 'owner'])
            ->assertOk();
        self::assertSame(
            [['waiting', 'waiting', 'waiting'], $mira->id],
            [$states($tasks), $page->refresh()->holder_id],
        );

        // Gone.
        $this->deleteJson("/api/series/$series->id/members/$mira->id")->assertNoContent();
        self::assertSame([['stopped', 'stopped', 'waiting'], null], [$states($tasks), $page->refresh()->holder_id]);
        foreach (
            [
                fn () => (new PageDesk)->land($working($tasks[0]), new EnlargePage(1.5)),
                fn () => (new PageDesk)->applyBeside($page, $mira, new EnlargePage(1.5)),
            ] as $change
        ) {
            try {
                $change();
                self::fail('it landed all the same');
            } catch (OpRefused $refused) {
                self::assertStringContainsString('no longer one of the people', $refused->getMessage());
            }
        }
        self::assertSame($print, $page->refresh()->revision);

        // Kept out of the house, everything ends.
        (new People)->disable($mira);
        self::assertSame(['stopped', null], [$tasks[2]->refresh()->state, $other->refresh()->holder_id]);
    }

    public function test_shelf_and_series_ask_a_bounded_number_of_questions(): void
    {
        $count = function (string $path): int {
            DB::flushQueryLog();
            DB::enableQueryLog();
            $this->getJson($path)->assertOk();
            DB::disableQueryLog();

            return count(DB::getQueryLog());
        };
        [$series] = $this->series();
        $this->actingAs($this->person('Mira', $series, Role::Owner));
        $few = [$count('/api/series'), $count("/api/series/$series->id")];
        for ($number = 2; $number < 30; $number++) {
            Page::query()->create(['series_id' => $series->id, 'number' => $number, 'title' => "Page $number"]);
        }
        for ($i = 0; $i < 5; $i++) {
            [$another] = $this->series("Another $i");
            Member::query()->create([
                'series_id' => $another->id,
                'user_id' => $this->app['auth']->id(),
                'role' => Role::Viewer,
            ]);
        }
        self::assertSame($few, [$count('/api/series'), $count("/api/series/$series->id")]);
        self::assertSame(
            'viewer',
            $this->getJson('/api/series')->json('0.role'),
            'one\'s part in each series is its own',
        );
        self::assertLessThan(16, max($few));
    }
}

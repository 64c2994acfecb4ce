<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Routing\Route as RegisteredRoute;
use Illuminate\Support\Facades\Route;
use Tests\TestCase;

final class PeopleTest extends TestCase
{
    use RefreshDatabase;

    public function test_signing_in_takes_the_right_password_and_is_slowed_down_after_wrong_ones(): void
    {
        [$series] = $this->series();
        $this->person('Mira', $series);
        $this->postJson('/api/session', ['email' => 'mira@awning.example', 'password' => 'secret of Mira'])->assertOk()->assertJsonPath('user.name', 'Mira');
        $this->deleteJson('/api/session')->assertNoContent();
        for ($i = 0; $i < 7; $i++) {
            $this->postJson('/api/session', ['email' => 'mira@awning.example', 'password' => "guess $i"])->assertStatus(422);
        }
        $this->postJson('/api/session', ['email' => 'mira@awning.example', 'password' => 'secret of Mira'])->assertStatus(429);
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
        $this->postJson('/api/session/demo', ['id' => $demo->id])->assertOk()->assertJsonPath('user.name', 'Guest');
    }

    public function test_every_route_refuses_strangers(): void
    {
        [$series, $page, $material] = $this->series();
        $owner = $this->person('Owner', $series, Role::Owner);
        $task = \App\Models\Task::query()->create(['page_id' => $page->id, 'user_id' => $owner->id, 'kind' => 'deliver', 'state' => 'done', 'progress' => 100, 'message' => '', 'input' => []]);
        $stranger = $this->person('Stranger', $series, null);
        $open = ['api/session', 'api/session/demo', '{any?}', 'storage/{path}', 'api/series', 'up'];
        $checked = 0;
        foreach (Route::getRoutes()->getRoutes() as $route) {
            /** @var RegisteredRoute $route */
            if (in_array($route->uri(), $open, true)) {
                continue;
            }
            $uri = strtr($route->uri(), ['{series}' => $series->id, '{page}' => $page->id, '{user}' => $owner->id, '{figure}' => $material->figure_id, '{material}' => $material->id, '{task}' => $task->id, '{hash}' => str_repeat('a', 64)]);
            $method = $route->methods()[0];
            $this->app['auth']->forgetGuards();
            $this->json($method, "/$uri")->assertStatus(401);
            $this->actingAs($stranger)->json($method, "/$uri", ['lease' => self::LEASE])->assertStatus(403);
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
        $this->op($page, ['kind' => 'fill', 'labels' => [$label], 'material' => $material->id])->assertOk();
        $this->op($page, $this->strokeOp($material))->assertStatus(422)->assertJsonFragment(['message' => 'Your part in this series is flatting: you can fill regions, not paint.']);
        $this->patchJson("/api/series/$series->id/materials/$material->id", ['version' => 1, 'tone' => 'base', 'colour' => '#112233'])->assertForbidden();
        $this->actingAs($viewer)->getJson("/api/pages/$page->id")->assertOk();
        $this->postJson("/api/pages/$page->id/lease", ['lease' => self::LEASE])->assertForbidden();
        $this->postJson("/api/series/$series->id/members", ['email' => 'ida@awning.example', 'role' => 'owner'])->assertForbidden();
    }

    public function test_a_series_keeps_an_owner(): void
    {
        [$series] = $this->series();
        $owner = $this->person('Mira', $series, Role::Owner);
        $this->actingAs($owner)->deleteJson("/api/series/$series->id/members/$owner->id")->assertStatus(422);
        $this->postJson("/api/series/$series->id/members", ['email' => 'mira@awning.example', 'role' => 'viewer'])->assertStatus(422);
        self::assertSame(Role::Owner, $owner->roleIn($series));
    }

    public function test_forms_from_elsewhere_are_refused(): void
    {
        $middleware = Route::getRoutes()->getByAction('App\Http\Controllers\BenchController@apply')?->gatherMiddleware() ?? [];
        self::assertContains('web', $middleware, 'the group that checks the CSRF token');
        $this->get('/')->assertHeader('Content-Security-Policy')->assertHeader('X-Content-Type-Options', 'nosniff');
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Desk\Page\PagePicture;
use App\Models\Material;
use App\Models\Original;
use App\Models\Page;
use App\Models\ReferencePicture;
use App\Models\Role;
use App\Models\Series;
use App\Models\Task;
use App\Models\User;
use App\Store\PageStore;
use Awning\Core\Codec\ImageReader;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Page\RecordKind;
use Awning\Core\Raster\Paint;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\Storage;
use Tests\TestCase;

/** Pictures beside the work, and pictures held against the palette. */
final class PictureTest extends TestCase
{
    use RefreshDatabase;

    private Series $series;

    private Page $page;

    private Material $oilskin;

    private User $mira;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->series, $this->page, $this->oilskin] = $this->series();
        $this->mira = $this->person('Mira', $this->series);
        $this->actingAs($this->mira);
    }

    /** Three columns of colour, 60, 90 and 150 px wide. */
    private function stripes(): string
    {
        $planes = [];
        foreach ([[0xE0, 0x10, 0x40], [0xA9, 0x20, 0x90], [0x3A, 0x30, 0xE0]] as [$first, $second, $third]) {
            $planes[] = str_repeat(
                str_repeat(chr($first), 60).str_repeat(chr($second), 90).str_repeat(chr($third), 150),
                201,
            );
        }

        return (new PngWriter)->paint(
            new Paint(300, 201, $planes[0], $planes[1], $planes[2], str_repeat("\xff", 300 * 201)),
        );
    }

    /**
     * @param  array<string, mixed>  $with
     * @return list<array<string, mixed>>
     */
    private function hang(string $bytes, string $name, array $with = []): array
    {
        return $this->post(
            "/api/series/{$this->series->id}/references",
            ['picture' => $this->upload($bytes, $name)] + $with,
        )
            ->assertStatus(202)
            ->json();
    }

    /** @return list<array<string, mixed>> */
    private function board(string $query = ''): array
    {
        return $this->getJson("/api/series/{$this->series->id}/references$query")
            ->assertOk()
            ->json();
    }

    public function test_a_picture_is_hung_up_with_its_main_colours_arranged_and_taken_away(): void
    {
        $this->hang($this->stripes(), 'harbour.png');
        [$one] = $this->board();
        self::assertSame(
            ['harbour.png', 300, 201, null, null],
            [$one['name'], $one['width'], $one['height'], $one['page'], $one['trouble']],
        );
        self::assertSame(range(3, 12), array_keys($one['colours']));
        self::assertSame(
            [
                ['colour' => '#4090e0', 'share' => 0.5],
                ['colour' => '#102030', 'share' => 0.3],
                ['colour' => '#e0a93a', 'share' => 0.2],
            ],
            $one['colours'][3],
        );

        $path = "/api/series/{$this->series->id}/references/{$one['id']}";
        $file = sys_get_temp_dir().'/hung.jpg';
        file_put_contents(
            $file,
            $this->get("$path/picture")
                ->assertOk()
                ->assertHeader('Content-Type', 'image/jpeg')
                ->getContent(),
        );
        $shown = (new ImageReader)->read($file)->paint;
        self::assertSame([300, 201], [$shown->width, $shown->height]);
        self::assertEqualsWithDelta(0x90, ord($shown->green[100 * 300 + 200]), 2);

        $arranged = $this->patchJson($path, ['x' => -12.5, 'y' => 40, 'across' => 200, 'mirrored' => true])
            ->assertOk()
            ->json();
        self::assertEquals(
            [-12.5, 40, 200, true, false],
            [$arranged['x'], $arranged['y'], $arranged['across'], $arranged['mirrored'], $arranged['grey']],
        );
        self::assertEquals([$arranged], $this->board());
        $this->patchJson($path, ['across' => 1])->assertStatus(422);

        $original = Original::query()->sole();
        Storage::disk('works')->assertExists($original->path);
        $this->deleteJson($path)->assertStatus(204);
        self::assertSame([], $this->board());
        Storage::disk('works')->assertMissing($original->path);
        $this->get("$path/picture")->assertStatus(404);
    }

    public function test_a_page_has_pictures_of_its_own_and_sees_those_of_the_series(): void
    {
        $other = Page::query()->create(['series_id' => $this->series->id, 'number' => 2, 'title' => 'Fog']);
        $this->hang($this->stripes(), 'all.png');
        $this->hang($this->stripes(), 'noon.png', ['page' => $this->page->id]);
        self::assertSame(['all.png'], array_column($this->board(), 'name'));
        self::assertSame(['all.png', 'noon.png'], array_column($this->board("?page={$this->page->id}"), 'name'));
        self::assertSame(['all.png'], array_column($this->board("?page=$other->id"), 'name'));
        self::assertNotSame(
            $this->board("?page={$this->page->id}")[0]['x'],
            $this->board("?page={$this->page->id}")[1]['x'],
        );
        // The same bytes hang twice; one taken away leaves the other's file.
        $this->deleteJson("/api/series/{$this->series->id}/references/{$this->board()[0]['id']}")->assertStatus(204);
        Storage::disk('works')->assertExists(ReferencePicture::query()->sole()->original->path);
    }

    public function test_a_page_is_hung_up_as_it_is(): void
    {
        $url = "/api/series/{$this->series->id}/references";
        $this->postJson($url, ['of' => $this->page->id])->assertStatus(422);
        $this->import($this->page, $this->mira);
        $this->op($this->page, [
            'kind' => 'fill',
            'labels' => [$this->labelAt($this->page, 100, 200)],
            'figure' => $this->oilskin->figure_id,
            'material' => $this->oilskin->id,
        ])->assertOk();
        $this->postJson($url, ['of' => $this->page->id])->assertStatus(202);
        [$one] = $this->board();
        self::assertSame(['p. 1 Noon', 600, 400], [$one['name'], $one['width'], $one['height']]);
        self::assertContains('#e0a93a', array_column($one['colours'][3], 'colour'));
        [, $elsewhere] = $this->series('Another Ferry');
        $this->postJson($url, ['of' => $elsewhere->id])->assertStatus(404);
    }

    public function test_what_is_no_picture_or_of_another_series_is_refused_and_a_broken_one_says_so(): void
    {
        $url = "/api/series/{$this->series->id}/references";
        $this->post(
            $url,
            ['picture' => $this->upload('hello', 'note.png')],
            ['Accept' => 'application/json'],
        )->assertStatus(422);
        $this->post($url, [], ['Accept' => 'application/json'])->assertStatus(422);
        self::assertSame(0, Original::query()->count());

        $this->hang(substr($this->stripes(), 0, 120), 'cut.png');
        [$cut] = $this->board();
        self::assertNull($cut['width']);
        self::assertNotEmpty($cut['trouble']);
        $this->get("$url/{$cut['id']}/picture")->assertStatus(404);

        [$theirs] = $this->series('Another Ferry');
        $this->person('Pell', $theirs, Role::Owner);
        $this->actingAs(User::query()->where('name', 'Pell')->firstOrFail());
        $this->patchJson("/api/series/$theirs->id/references/{$cut['id']}", ['x' => 1])->assertStatus(404);
        $this->deleteJson("/api/series/$theirs->id/references/{$cut['id']}")->assertStatus(404);
        $this->post(
            "/api/series/$theirs->id/references",
            ['picture' => $this->upload($this->stripes()), 'page' => $this->page->id],
            ['Accept' => 'application/json'],
        )->assertStatus(404);
        $this->postJson("/api/series/$theirs->id/tasks/match", ['reference' => $cut['id']])->assertStatus(404);
        self::assertSame(1, ReferencePicture::query()->count());
    }

    public function test_colours_of_a_picture_become_a_ramp_or_materials(): void
    {
        $take = fn (array $input) => $this->postJson("/api/series/{$this->series->id}/ops", [
            'op' => ['kind' => 'colours.take', 'figure' => $this->oilskin->figure_id] + $input,
        ]);
        $ramp = $take(['name' => 'lips', 'ramp' => true, 'colours' => ['#d08070', '#401018', '#903040', '#ffd0c8']])
            ->assertOk()
            ->json('added');
        self::assertSame(
            ['deep' => '#401018', 'shade' => '#903040', 'base' => '#d08070', 'light' => '#ffd0c8'],
            Material::query()->findOrFail($ramp)->pinned,
        );
        $two = $take(['name' => 'lips', 'ramp' => true, 'colours' => ['#d08070', '#401018']])
            ->assertOk()
            ->json('added');
        self::assertSame(['shade' => '#401018', 'base' => '#d08070'], Material::query()->findOrFail($two)->pinned);
        $take(['name' => 'scarf', 'ramp' => false, 'colours' => ['#d08070', '#401018', '#00ff00']])->assertOk();
        self::assertSame(
            ['scarf 1' => '#d08070', 'scarf 2' => '#401018', 'scarf 3' => '#00ff00'],
            Material::query()
                ->where('name', 'like', 'scarf%')
                ->orderBy('place')
                ->get()
                ->mapWithKeys(fn (Material $one) => [$one->name => $one->pinned['base']])
                ->all(),
        );
        $take(['name' => 'x', 'ramp' => true, 'colours' => array_fill(0, 6, '#d08070')])->assertStatus(422);
        $take(['name' => 'x', 'ramp' => false, 'colours' => []])->assertStatus(422);
        $this->postJson("/api/series/{$this->series->id}/undo")->assertOk();
        self::assertSame(3, Material::living()->count());
    }

    /**
     * @param  array<string, mixed>  $what
     * @return array<string, mixed>
     */
    private function held(array $what): array
    {
        $task = $this->post("/api/series/{$this->series->id}/tasks/match", $what, ['Accept' => 'application/json'])
            ->assertStatus(202)
            ->json('id');

        return $this->getJson("/api/tasks/$task")
            ->assertOk()
            ->json();
    }

    public function test_a_picture_is_held_against_the_palette_and_its_file_is_not_kept(): void
    {
        $task = $this->held(['picture' => $this->upload($this->stripes(), 'theirs.png')]);
        self::assertSame(
            ['done', null, 'theirs.png', 300, 201],
            [
                $task['state'],
                $task['report'],
                $task['match']['name'],
                $task['match']['width'],
                $task['match']['height'],
            ],
        );
        [$blue, $dark, $oilskin] = $task['match']['rows'];
        self::assertSame(
            ['#e0a93a', 'exact', 'Oda Brack / oilskin / base'],
            [$oilskin['colour'], $oilskin['verdict'], $oilskin['tone']],
        );
        self::assertEqualsWithDelta(0, $oilskin['deltaE'], 0.01);
        self::assertEqualsWithDelta([0.2, 0.3, 0.5], [$oilskin['share'], $dark['share'], $blue['share']], 0.03);
        self::assertSame('unknown', $blue['verdict']);
        self::assertTrue($blue['x'] >= 150 && $oilskin['x'] < 60);
        self::assertSame(0, Original::query()->count());
        self::assertSame([], Storage::disk('works')->allFiles("originals/series-{$this->series->id}"));
        $file = sys_get_temp_dir().'/drift.png';
        file_put_contents($file, $this->get($task['download'])->assertOk()->streamedContent());
        $drift = (new ImageReader)->read($file)->paint;
        $pixel = fn (int $x): array => [
            ord($drift->red[100 * 300 + $x]),
            ord($drift->green[100 * 300 + $x]),
            ord($drift->blue[100 * 300 + $x]),
        ];
        self::assertCount(1, array_unique($pixel(20)), 'what is as it should be is grey');
        self::assertGreaterThan(1, count(array_unique($pixel(250))), 'what drifts glows');
        // As it was sent, and as it would be on the palette.
        foreach (['before' => [0x40, 0x90, 0xE0], 'snapped' => [0x40, 0x90, 0xE0]] as $part => $colour) {
            file_put_contents(
                $file,
                $this->get("{$task['download']}?part=$part")
                    ->assertOk()
                    ->streamedContent(),
            );
            $paint = (new ImageReader)->read($file)->paint;
            self::assertSame($colour, array_slice($paint->at(250, 100), 0, 3), $part);
        }
        $this->getJson("{$task['download']}?part=drift")->assertStatus(422);
        $this->post("/api/series/{$this->series->id}/tasks/match", [], ['Accept' => 'application/json'])->assertStatus(
            422,
        );
    }

    public function test_a_hung_picture_and_a_page_are_held_against_the_palette(): void
    {
        $this->hang($this->stripes(), 'harbour.png');
        $task = $this->held(['reference' => $this->board()[0]['id']]);
        self::assertSame(
            ['done', 'harbour.png', 3],
            [$task['state'], $task['match']['name'], count($task['match']['rows'])],
        );
        self::assertSame(1, Original::query()->count(), 'what hangs on the board stays');

        self::assertSame(
            ['failed', 'The page is empty. Import a scan first.'],
            array_values(array_intersect_key($this->held(['page' => $this->page->id]), ['state' => 0, 'message' => 0])),
        );
        $this->import($this->page, $this->mira);
        $label = $this->labelAt($this->page, 100, 200);
        $this->op($this->page, [
            'kind' => 'fill',
            'labels' => [$label],
            'figure' => $this->oilskin->figure_id,
            'material' => $this->oilskin->id,
        ])->assertOk();
        $task = $this->held(['page' => $this->page->id]);
        self::assertSame(
            ['1. Noon', 600, 400],
            [$task['match']['name'], $task['match']['width'], $task['match']['height']],
        );
        $exact = array_values(
            array_filter($task['match']['rows'], fn (array $row): bool => $row['verdict'] === 'exact'),
        );
        self::assertSame(['Oda Brack / oilskin / base'], array_column($exact, 'tone'));
        self::assertEqualsWithDelta((150 * 270) / (600 * 400), $exact[0]['share'], 0.02);
    }

    /** The oilskin's colour and the skin's, each some way off, and one that is nobody's; twice the page's size. */
    private function drifting(): string
    {
        $planes = [];
        foreach ([[0xDA, 0xC4, 0x10], [0xAC, 0x92, 0x20], [0x42, 0x72, 0xE0]] as [$first, $second, $third]) {
            $planes[] = str_repeat(
                str_repeat(chr($first), 400).str_repeat(chr($second), 400).str_repeat(chr($third), 400),
                800,
            );
        }

        return (new PngWriter)->paint(
            new Paint(1200, 800, $planes[0], $planes[1], $planes[2], str_repeat("\xff", 1200 * 800)),
        );
    }

    public function test_a_coloured_page_is_laid_over_ours_on_the_palette_and_taken_back(): void
    {
        Material::query()->create([
            'figure_id' => $this->oilskin->figure_id,
            'name' => 'skin',
            'place' => 2,
            'pinned' => ['base' => '#c98d6b'],
        ]);
        $url = "/api/pages/{$this->page->id}/tasks/snap";
        $task = fn (array $what): array => $this->getJson(
            '/api/tasks/'.
                $this->post($url, $what, ['Accept' => 'application/json'])
                    ->assertStatus(202)
                    ->json('id'),
        )->json();
        self::assertSame(
            'failed',
            $task(['picture' => $this->upload($this->drifting(), 'theirs.png')])['state'],
            'there is no page yet',
        );
        $this->import($this->page, $this->mira);
        $before = $this->page->refresh()->revision;
        $wrong = $task([
            'picture' => $this->upload((new PngWriter)->paint(Paint::solid(100, 90, [1, 2, 3])), 'square.png'),
        ]);
        self::assertStringContainsString('100 × 90 px, the page 600 × 400', $wrong['message']);
        self::assertSame(
            ['done', 'Done'],
            array_values(
                array_intersect_key($task(['picture' => $this->upload($this->drifting(), 'theirs.png')]), [
                    'state' => 0,
                    'message' => 0,
                ]),
            ),
        );
        self::assertSame($before + 1, $this->page->refresh()->revision);
        self::assertSame(
            1,
            Original::query()->where('page_id', $this->page->id)->count(),
            'the scan is kept, what was laid is in the tiles',
        );

        $pass = collect((new PageStore($this->page))->records(RecordKind::Pass))->sole();
        self::assertSame(
            ['theirs.png', 'paint', 'page'],
            [$pass->name, $pass->content->kind()->value, $pass->scope->kind->value],
        );
        $seen = function (int $x, int $y): string {
            $paint = PagePicture::reduced($this->page->refresh(), 0);

            return sprintf(
                '#%02x%02x%02x',
                ord($paint->red[$y * 600 + $x]),
                ord($paint->green[$y * 600 + $x]),
                ord($paint->blue[$y * 600 + $x]),
            );
        };
        self::assertSame(
            ['#e0a93a', '#c98d6b', '#1020e0', '#1020e0'],
            [$seen(100, 10), $seen(300, 390), $seen(500, 200), $seen(599, 399)],
        );
        $this->undo($this->page)->assertOk();
        self::assertSame([], (new PageStore($this->page->refresh()))->records(RecordKind::Pass));

        // From the board the picture stays; and where somebody else works, nothing is laid.
        $this->hang($this->drifting(), 'hung.png');
        self::assertSame('done', $task(['reference' => $this->board()[0]['id']])['state']);
        self::assertSame(1, ReferencePicture::query()->count());
        $pell = $this->person('Pell', $this->series);
        $this->page
            ->refresh()
            ->forceFill(['holder_id' => $pell->id, 'lease_until' => now()->addMinute()])
            ->save();
        $this->post($url, ['reference' => $this->board()[0]['id']], ['Accept' => 'application/json'])->assertStatus(
            409,
        );
        $this->actingAs($this->person('Ida', $this->series, Role::Flatter))
            ->post($url, [], ['Accept' => 'application/json'])
            ->assertStatus(403);
    }

    public function test_one_who_is_not_of_the_series_cannot_see_what_was_held(): void
    {
        $task = $this->held(['picture' => $this->upload($this->stripes(), 'theirs.png')]);
        [$theirs] = $this->series('Another Ferry');
        $this->actingAs($this->person('Pell', $theirs));
        $this->getJson("/api/tasks/{$task['id']}")->assertStatus(403);
        $this->get($task['download'])->assertStatus(403);
        self::assertSame(1, Task::query()->count());
    }
}

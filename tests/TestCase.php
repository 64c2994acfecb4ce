<?php

declare(strict_types=1);

namespace Tests;

use App\Models\Figure;
use App\Models\Material;
use App\Models\Member;
use App\Models\Page;
use App\Models\Role;
use App\Models\Series;
use App\Models\User;
use App\Store\PageStore;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Page\RecordKind;
use Awning\Core\Raster\Plane;
use Awning\Core\Sheet\Ops\Ink\LayInk;
use Illuminate\Foundation\Testing\TestCase as BaseTestCase;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;

abstract class TestCase extends BaseTestCase
{
    public const LEASE = 'lease0000000000';

    public function createApplication()
    {
        $app = require __DIR__.'/../bootstrap/app.php';
        $app->make(\Illuminate\Contracts\Console\Kernel::class)->bootstrap();

        return $app;
    }

    protected function person(string $name, Series $series, ?Role $role = Role::Colourist): User
    {
        $user = User::query()->create([
            'name' => $name,
            'email' => strtolower($name).'@awning.example',
            'password' => "secret of $name",
        ]);
        if ($role !== null) {
            Member::query()->create(['series_id' => $series->id, 'user_id' => $user->id, 'role' => $role]);
        }

        return $user;
    }

    /** @return array{Series, Page, Material} */
    protected function series(string $name = 'The Test Ferry'): array
    {
        $series = Series::query()->create(['name' => $name]);
        $figure = Figure::query()->create(['series_id' => $series->id, 'name' => 'Oda Brack', 'depth' => 1]);
        $material = Material::query()->create([
            'figure_id' => $figure->id,
            'name' => 'oilskin',
            'place' => 1,
            'pinned' => ['base' => '#e0a93a'],
        ]);

        return [
            $series->refresh(),
            Page::query()
                ->create(['series_id' => $series->id, 'number' => 1, 'title' => 'Noon'])
                ->refresh(),
            $material,
        ];
    }

    /** Three boxes side by side on tinted paper, at 300 dpi: a scan small enough for tests. */
    protected function scanBytes(int $width = 600, int $height = 400): string
    {
        $data = '';
        for ($y = 0; $y < $height; $y++) {
            $row = str_repeat(chr(235 - intdiv($y, 20)), $width);
            foreach ([[40, 200], [220, 380], [400, 560]] as [$left, $right]) {
                if ($y >= 60 && $y < 340) {
                    $row =
                        $y < 65 || $y >= 335
                            ? substr_replace($row, str_repeat(chr(18), $right - $left), $left, $right - $left)
                            : substr_replace(
                                substr_replace($row, str_repeat(chr(18), 5), $left, 5),
                                str_repeat(chr(18), 5),
                                $right - 5,
                                5,
                            );
                }
            }
            $data .= $row;
        }

        return (new PngWriter)->grey(new Plane($width, $height, $data), 300);
    }

    protected function upload(string $bytes, string $name = 'scan.png'): UploadedFile
    {
        return UploadedFile::fake()->createWithContent($name, $bytes);
    }

    protected function hold(Page $page, User $user, string $lease = self::LEASE): TestResponse
    {
        return $this->actingAs($user)->postJson("/api/pages/$page->id/lease", ['lease' => $lease]);
    }

    protected function import(Page $page, User $user): void
    {
        $this->hold($page, $user)->assertOk();
        $task = $this->post("/api/pages/$page->id/tasks/import", [
            'lease' => self::LEASE,
            'scan' => $this->upload($this->scanBytes()),
        ])
            ->assertStatus(202)
            ->json('id');
        $this->getJson("/api/tasks/$task")->assertJson(['state' => 'done']);
    }

    /**
     * What is sent to have the page's drawing cleaned anew.
     *
     * @param  array<string, mixed>  $clean
     * @param  array<string, mixed>  $place
     * @return array<string, mixed>
     */
    protected function cleaning(Page $page, array $clean, array $place = []): array
    {
        $size = (new PageStore($page))->record(RecordKind::Page, 'page')?->toData() ?? [
            'width' => 100,
            'height' => 100,
        ];

        return [
            'lease' => self::LEASE,
            'drawing' => LayInk::FIRST,
            'clean' => $clean,
            'place' => $place + ['x' => $size['width'] / 2, 'y' => $size['height'] / 2],
        ];
    }

    /** @param  array<string, mixed>  $op */
    protected function op(Page $page, array $op, ?int $base = null, string $lease = self::LEASE): TestResponse
    {
        return $this->postJson("/api/pages/$page->id/ops", [
            'id' => self::opId(),
            'base' => $base ?? $page->refresh()->revision,
            'lease' => $lease,
            'op' => $op,
        ]);
    }

    protected static function opId(): string
    {
        return \Illuminate\Support\Str::lower(\Illuminate\Support\Str::random(20));
    }

    protected function undo(Page $page, string $verb = 'undo'): TestResponse
    {
        return $this->postJson("/api/pages/$page->id/$verb", [
            'id' => self::opId(),
            'lease' => self::LEASE,
            'base' => $page->refresh()->revision,
        ]);
    }

    /** @return array<string, mixed> */
    protected function fillOp(Material $material, int ...$labels): array
    {
        return [
            'kind' => 'fill',
            'labels' => array_values($labels),
            'figure' => $material->figure_id,
            'material' => $material->id,
        ];
    }

    /** @return array<string, mixed> */
    protected function strokeOp(Material $material, string $id = 'shadepass1'): array
    {
        return [
            'kind' => 'stroke',
            'pass' => $id,
            'points' => [[100, 100, 1], [180, 160, 0.7]],
            'erase' => false,
            'brush' => ['size' => 40, 'hardness' => 1, 'opacity' => 1, 'smoothing' => 0],
            'make' => [
                'name' => 'Shade',
                'figure' => $material->figure_id,
                'kind' => 'tone',
                'tone' => 'shade',
                'scope' => ['kind' => 'figure', 'id' => $material->figure_id],
                'mode' => 'normal',
                'opacity' => 1,
            ],
        ];
    }

    protected function labelAt(Page $page, int $x, int $y): int
    {
        return (new \Awning\Core\Sheet\Sheet(new \App\Store\PageStore($page)))->labelAt($x, $y);
    }
}

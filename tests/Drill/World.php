<?php

declare(strict_types=1);

namespace Tests\Drill;

use App\Desk\People\People;
use App\Models\Figure;
use App\Models\Material;
use App\Models\Member;
use App\Models\Page;
use App\Models\Role;
use App\Models\Series;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Raster\Plane;
use Illuminate\Support\Facades\DB;
use RuntimeException;

/** A studio of two people with a series and pages, on a private installation. */
final class World
{
    public const PASSWORD = 'drilled every morning';

    public readonly Client $mira;

    public readonly Client $pell;

    public readonly Series $series;

    /** @var list<Material> */
    public readonly array $materials;

    public readonly string $scan;

    public readonly string $lease;

    public function __construct(public readonly Installation $installation)
    {
        $people = new People;
        $mira = $people->add('mira@drill.example', 'Mira', self::PASSWORD);
        $pell = $people->add('pell@drill.example', 'Pell', self::PASSWORD);
        $this->series = Series::query()
            ->create(['name' => 'The Drill'])
            ->refresh();
        foreach ([$mira, $pell] as $person) {
            Member::query()->create([
                'series_id' => $this->series->id,
                'user_id' => $person->id,
                'role' => Role::Owner,
            ]);
        }
        $figure = Figure::query()->create(['series_id' => $this->series->id, 'name' => 'Oda Brack', 'depth' => 1]);
        $this->materials = array_map(
            fn (array $of): Material => Material::query()->create([
                'figure_id' => $figure->id,
                'name' => $of[0],
                'place' => 1,
                'pinned' => ['base' => $of[1]],
            ]),
            [['oilskin', '#e0a93a'], ['plait', '#7a4a2c']],
        );
        $this->lease = 'drill'.bin2hex(random_bytes(8));
        $this->scan = (string) tempnam(sys_get_temp_dir(), 'scan');
        file_put_contents($this->scan, self::boxes(700, 500, 6));
        $this->mira = new Client($installation->port);
        $this->pell = new Client($installation->port);
        $this->mira->signIn('mira@drill.example', self::PASSWORD);
        $this->pell->signIn('pell@drill.example', self::PASSWORD);
    }

    /** A page with the scan on it, held by Mira. */
    public function page(bool $isImported = true): Page
    {
        $page = Page::query()
            ->create([
                'series_id' => $this->series->id,
                'number' => 1 + (int) Page::query()->max('number'),
                'title' => 'Drill',
            ])
            ->refresh();
        $this->mira->json('POST', "/api/pages/$page->id/lease", ['lease' => $this->lease])[0] === 200 ||
            throw new RuntimeException('The page could not be taken.');
        if ($isImported) {
            [$status, $task] = $this->mira->json('POST', "/api/pages/$page->id/tasks/import", $this->upload());
            $status === 202 || throw new RuntimeException("The import was not begun: $status");
            $this->ended((int) $task['id'])['state'] === 'done' ||
                throw new RuntimeException('The first import failed.');
        }

        return $page->refresh();
    }

    /** @return array<string, mixed> */
    public function upload(): array
    {
        return ['lease' => $this->lease, 'scan' => new \CURLFile($this->scan, 'image/png', 'scan.png')];
    }

    /** @return array<string, mixed> a task when it has ended */
    public function ended(int $task, int $seconds = 90): array
    {
        for ($tries = 0; $tries < 10 * $seconds; $tries++) {
            [$status, $state] = $this->mira->json('GET', "/api/tasks/$task");
            if ($status === 200 && ! in_array($state['state'], ['waiting', 'working'], true)) {
                return $state;
            }
            usleep(100_000);
        }
        throw new RuntimeException(
            "Task $task did not end within $seconds s: ".json_encode(DB::table('tasks')->find($task)),
        );
    }

    /**
     * Asks for a change as a window does: under one id, again and again until it is answered, on whatever revision the
     * page has by then.
     *
     * @param  array<string, mixed>  $change
     * @return array{int, mixed, int} status, answer, how often it was asked
     */
    public function asks(Page $page, string $verb, array $change, string $id): array
    {
        for ($tries = 1; $tries < 60; $tries++) {
            $base = (int) ($this->mira->json('GET', "/api/pages/$page->id")[1]['revision'] ?? 0);
            [$status, $answer] = $this->mira->json(
                'POST',
                "/api/pages/$page->id/$verb",
                ['id' => $id, 'base' => $base, 'lease' => $this->lease] + $change,
            );
            if ($status !== 0 && $status < 500 && $status !== 409) {
                return [$status, $answer, $tries];
            }
            usleep(250_000);
        }
        throw new RuntimeException("A change was not answered in sixty tries; the last answer was $status.");
    }

    /** Boxes side by side, as line art. */
    public static function boxes(int $width, int $height, int $count): string
    {
        $data = str_repeat("\xff", $width * $height);
        $each = intdiv($width, $count);
        for ($box = 0; $box < $count; $box++) {
            for ($y = 30; $y < $height - 30; $y++) {
                $isEdge = $y < 35 || $y >= $height - 35;
                $at = $y * $width + $box * $each + 10;
                $data = $isEdge
                    ? substr_replace($data, str_repeat("\x10", $each - 20), $at, $each - 20)
                    : substr_replace(
                        substr_replace($data, str_repeat("\x10", 5), $at, 5),
                        str_repeat("\x10", 5),
                        $at + $each - 25,
                        5,
                    );
            }
        }

        return (new PngWriter)->grey(new Plane($width, $height, $data), 300);
    }
}

<?php

declare(strict_types=1);

namespace Tests\Drill;

use App\Desk\Asked;
use App\Desk\Page\ClientOps;
use App\Desk\Page\PageDesk;
use App\Models\Page;
use App\Models\Role;
use App\Models\User;
use App\Store\PageStore;
use App\Store\Tiles;
use App\Store\TileSweep;
use Awning\Core\Page\RecordKind;
use Awning\Core\Sheet\OpRefused;
use Illuminate\Support\Facades\DB;

/** Thousands of steps at the desk, held against a page in memory, bit for bit. */
final readonly class Model
{
    public function __construct(private World $world, private Tally $tally)
    {
    }

    /** @return array{int, string} */
    public function run(int $times): array
    {
        $page = $this->world->page();
        $user = User::query()->where('email', 'mira@drill.example')->sole();
        $desk = new PageDesk;
        $memory = $this->copied($page);
        $labels = array_keys($memory->records(RecordKind::Region));
        $refused = $steps = 0;
        for ($i = 0; $i < $times; $i++) {
            $asked = fn (): Asked => new Asked(
                sprintf('model%012d', $i),
                (int) Page::query()->whereKey($page->id)->value('revision'),
                $this->world->lease,
            );
            try {
                match (mt_rand(0, 9)) {
                    0, 1 => $memory->undo() && $desk->undo($page, $user, Role::Owner, $asked()),
                    2 => $memory->redo() && $desk->redo($page, $user, Role::Owner, $asked()),
                    default => $this->both($page, $user, $desk, $memory, $this->op($labels, $memory), $asked()),
                };
                $steps++;
            } catch (OpRefused|\InvalidArgumentException|\RangeException) {
                // The same op is refused by both, before either is touched.
                $refused++;
            }
            if ($i % 250 === 249 && ! $this->alike($page, $memory)) {
                $this->tally->fail('model', "after step $i the page is not what it must be");

                return [$i, 'ended early'];
            }
            if ($i % 1000 === 999) {
                DB::table('tiles')->update(['made_at' => now()->subDays(9)]);
                (new TileSweep)->run(48);
            }
        }
        $back = 0;
        while ($memory->undo()) {
            $desk->undo(
                $page,
                $user,
                Role::Owner,
                new Asked(
                    sprintf('modelback%010d', $back++),
                    (int) Page::query()->whereKey($page->id)->value('revision'),
                    $this->world->lease,
                ),
            );
        }
        if (! $this->alike($page, $memory)) {
            $this->tally->fail('model', 'undone to the first step, the page is not what it was');
        }

        return [$steps, "$refused refused alike; undone to the first step ($back)"];
    }

    private function copied(Page $page): MemoryPage
    {
        $memory = new MemoryPage;
        $store = new PageStore($page);
        foreach ($store->allHashes() as $layer => $places) {
            foreach ($places as $place => $hash) {
                $memory->tiles[$layer][$place] = (new Tiles)->bytes($hash);
            }
        }
        foreach (RecordKind::cases() as $kind) {
            $memory->records[$kind->value] = $store->records($kind);
        }

        return $memory;
    }

    /** @param  array<string, mixed>  $data */
    private function both(Page $page, User $user, PageDesk $desk, MemoryPage $memory, array $data, Asked $asked): void
    {
        $read = fn () => (new ClientOps($this->world->series, Role::Owner))->read($data);
        $memory->apply($read());
        $desk->apply($page, $user, $read(), $asked);
    }

    /**
     * @param  list<array-key>  $labels
     * @return array<string, mixed>
     */
    private function op(array $labels, MemoryPage $memory): array
    {
        $passes = array_keys($memory->records(RecordKind::Pass));
        $groups = array_keys($memory->records(RecordKind::Group));
        $material = $this->world->materials[mt_rand(0, 1)];
        $pass = 'drillpass'.mt_rand(1, 6);
        $some = fn (array $of, mixed $else): mixed => $of === [] ? $else : $of[mt_rand(0, count($of) - 1)];

        return match (mt_rand(0, $groups === [] ? 19 : 20)) {
            0, 1 => [
                'kind' => 'fill',
                'labels' => [(int) $some($labels, 1), (int) $some($labels, 2)],
                'figure' => $material->figure_id,
                'material' => $material->id,
            ],
            2, 3, 4 => [
                'kind' => 'stroke',
                'pass' => $pass,
                'points' => [
                    [mt_rand(0, 700), mt_rand(0, 500), mt_rand(0, 10) / 10],
                    [mt_rand(0, 700), mt_rand(0, 500), mt_rand(0, 10) / 10],
                ],
                'erase' => mt_rand(0, 3) === 0,
                'brush' => [
                    'size' => mt_rand(1, 90),
                    'hardness' => mt_rand(0, 4) / 4,
                    'opacity' => mt_rand(1, 10) / 10,
                    'smoothing' => 0,
                ],
                'make' => [
                    'name' => "Pass $pass",
                    'figure' => $material->figure_id,
                    'kind' => 'tone',
                    'tone' => 'shade',
                    'scope' => ['kind' => 'figure', 'id' => $material->figure_id],
                    'mode' => 'normal',
                    'opacity' => 1,
                ],
            ],
            5 => [
                'kind' => 'pass.change',
                'id' => $some($passes, $pass),
                'values' => [
                    ['opacity' => mt_rand(0, 10) / 10],
                    ['mode' => 'multiply'],
                    ['visible' => (bool) mt_rand(0, 1)],
                    ['order' => mt_rand(-5, 5) / 2],
                ][mt_rand(0, 3)],
            ],
            6 => ['kind' => 'pass.remove', 'id' => $some($passes, $pass)],
            7 => [
                'kind' => 'group',
                'id' => 'drillgroup'.mt_rand(1, 3),
                'passes' => array_slice($passes, mt_rand(0, 2), 2),
                'how' => ['isolated' => (bool) mt_rand(0, 1), 'mode' => 'normal', 'opacity' => mt_rand(1, 10) / 10],
            ],
            8 => [
                'kind' => 'ink.draw',
                'strokes' => array_map(
                    fn (int $i): array => [
                        'id' => "drillline$i",
                        'stroke' => mt_rand(0, 3) === 0 ? null : $this->line(),
                    ],
                    range(1, mt_rand(1, 4)),
                ),
            ],
            9 => [
                'kind' => 'drawing.change',
                'id' => 'drawing1',
                'values' => [
                    ['role' => 'underdrawing'],
                    ['role' => 'ink'],
                    ['above' => (bool) mt_rand(0, 1)],
                    ['order' => mt_rand(-2, 2)],
                    ['visible' => (bool) mt_rand(0, 1)],
                ][mt_rand(0, 4)],
            ],
            10 => [
                'kind' => 'lines.colour',
                'lines' => [
                    'rule' => ['black', 'tone', 'colour'][mt_rand(0, 2)],
                    'colour' => sprintf('#%06x', mt_rand(0, 0xFFFFFF)),
                    'shown' => (bool) mt_rand(0, 1),
                ],
            ],
            11, 12 => [
                'kind' => 'flats.shape',
                'use' => ['add', 'add', 'take', 'keep'][mt_rand(0, 3)],
                'outline' => array_map(fn (): array => [mt_rand(-50, 750), mt_rand(-50, 550)], range(0, mt_rand(2, 6))),
                'pen' => null,
                'figure' => $material->figure_id,
                'material' => $material->id,
            ],
            13 => ['kind' => 'flats.resize', 'labels' => [(int) $some($labels, 1)], 'by' => mt_rand(-9, 9)],
            14 => [
                'kind' => ['flats.join', 'flats.absorb'][mt_rand(0, 1)],
                'labels' => [(int) $some($labels, 1), (int) $some($labels, 2)],
            ],
            15 => ['kind' => 'flats.lock', 'labels' => [(int) $some($labels, 3)], 'locked' => mt_rand(0, 2) === 0],
            16 => [
                'kind' => 'colour.shift',
                'id' => 'drillshift'.mt_rand(1, 2),
                'labels' => [],
                'values' => ['material' => $material->id, 'lightness' => mt_rand(-2, 2) / 10],
            ],
            17, 18, 19 => $this->mood($labels, array_keys($memory->records(RecordKind::Held))),
            default => [
                'kind' => 'group',
                'id' => $some($groups, 'drillgroup1'),
                'passes' => [],
                'how' => ['isolated' => false, 'mode' => 'normal', 'opacity' => 1],
            ],
        };
    }

    /**
     * A change of the mood of the page or of a region, of those it keeps at hand, or of a layer of a mood.
     *
     * @param  list<array-key>  $labels
     * @param  list<array-key>  $held
     * @return array<string, mixed>
     */
    private function mood(array $labels, array $held): array
    {
        $hold = mt_rand(0, 1) === 0 ? null : 'drillheld'.mt_rand(1, 5);
        $id = $held === [] ? 'drillheld1' : (string) $held[mt_rand(0, count($held) - 1)];
        $wash = [
            'name' => 'Air',
            'content' => ['kind' => 'wash', 'colour' => sprintf('#%06x', mt_rand(0, 0xFFFFFF))],
            'mode' => 'screen',
            'opacity' => mt_rand(1, 10) / 10,
        ];
        $layers = array_fill(0, mt_rand(0, 3), $wash);
        $worn = ['name' => $layers === [] ? '' : 'Dusk', 'layers' => $layers];
        $ids = fn (string $prefix): array => array_map(
            fn (): string => $prefix.sprintf('%08x', mt_rand()),
            array_keys($layers),
        );

        return match (mt_rand(0, 5)) {
            0, 1 => ['kind' => 'mood.wear', 'ids' => $ids('mood'), 'hold' => $hold] + $worn,
            2 => [
                'kind' => 'mood.panel',
                'ids' => $ids('panel'),
                'cover' => 'panelcover'.mt_rand(10, 14),
                'labels' => [(int) $labels[mt_rand(0, count($labels) - 1)]],
            ] + $worn,
            3 => ['kind' => 'mood.bring', 'plan' => null, 'variant' => null],
            4 => ['kind' => 'mood.show', 'id' => $id, 'hold' => $hold],
            default => ['kind' => 'mood.letgo', 'id' => $id],
        };
    }

    /** @return array<string, mixed> */
    private function line(): array
    {
        $point = fn (): array => [mt_rand(-20, 720), mt_rand(-20, 520), mt_rand(0, 10) / 10];

        return [
            'points' => [$point(), $point(), $point()],
            'weight' => mt_rand(1, 30),
            'taper' => mt_rand(0, 5) / 10,
            'steady' => 0,
            'grain' => mt_rand(0, 2) / 2,
        ];
    }

    private function alike(Page $page, MemoryPage $memory): bool
    {
        $now = $this->copied($page->refresh());
        $plain = function (MemoryPage $of): array {
            $tiles = array_filter($of->tiles);
            $records = array_map(
                fn (array $kind): array => array_map(fn ($record): array => $record->toData(), $kind),
                array_filter($of->records),
            );
            foreach (array_keys($tiles) as $layer) {
                ksort($tiles[$layer]);
            }
            foreach (array_keys($records) as $kind) {
                ksort($records[$kind]);
            }
            ksort($tiles);
            ksort($records);

            return [$tiles, $records];
        };

        return $plain($now) === $plain($memory);
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\Palette;

use App\Models\Figure;
use App\Models\Material;
use App\Models\Page;
use App\Models\PaletteVersion;
use App\Models\Series;
use App\Models\User;
use Awning\Core\Colour\Difference;
use Awning\Core\Colour\Lab;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Illuminate\Support\Facades\DB;

/**
 * Named versions of a palette, and which pages hold one instead of following.
 *
 * @phpstan-type MovedTone array{material: int, name: string, tone: value-of<Tone>, before: string, after: string,
 *     deltaE: float}
 * @phpstan-type PaletteVersionState array{id: int, name: string, version: int, who: ?string, when: string,
 *     moved: list<MovedTone>}
 * @phpstan-type HoldingState array{page: int, number: int, title: string, version: ?int, follows: list<int>}
 * @phpstan-type PaletteVersionsState array{versions: list<PaletteVersionState>, pages: list<HoldingState>}
 */
final readonly class PaletteVersions
{
    public function __construct(private Series $series)
    {
    }

    public function name(User $user, string $name): PaletteVersion
    {
        return DB::transaction(function () use ($user, $name): PaletteVersion {
            $series = Series::query()->lockForUpdate()->findOrFail($this->series->id);
            $materials = [];
            foreach ($series->load('figures.materials')->figures as $figure) {
                foreach ($figure->materials as $material) {
                    $materials[$material->id] = [
                        'pinned' => $material->pinned,
                        'dials' => $material->dials,
                        'more' => $material->more,
                    ];
                }
            }

            return PaletteVersion::query()
                ->create([
                    'series_id' => $series->id,
                    'user_id' => $user->id,
                    'name' => $name,
                    'version' => $series->palette_version,
                    'palette' => ['light' => $series->light, 'dials' => $series->dials, 'materials' => $materials],
                ])
                ->refresh();
        });
    }

    /** @return PaletteVersionsState */
    public function toClient(): array
    {
        $versions = PaletteVersion::query()->with('user')->where('series_id', $this->series->id)->latest('id')->get();
        $pages = Page::query()->where('series_id', $this->series->id)->orderBy('number')->get();

        return [
            'versions' => array_values(
                $versions
                    ->map(
                        fn (PaletteVersion $version): array => [
                            'id' => $version->id,
                            'name' => $version->name,
                            'version' => $version->version,
                            'who' => $version->user?->name,
                            'when' => $version->made_at->toIso8601String(),
                            'moved' => $this->between($version, null),
                        ],
                    )
                    ->all(),
            ),
            'pages' => array_values(
                $pages
                    ->map(
                        fn (Page $page): array => [
                            'page' => $page->id,
                            'number' => $page->number,
                            'title' => $page->title,
                            'version' => $page->version_id,
                            'follows' => $page->follows ?? [],
                        ],
                    )
                    ->all(),
            ),
        ];
    }

    /**
     * What differs between two versions of the palette, or one and the palette now.
     *
     * @param  ?PaletteVersion  $from  null: the palette now; so for the other
     * @return list<MovedTone> the furthest first
     */
    public function between(?PaletteVersion $from, ?PaletteVersion $to): array
    {
        $moved = [];
        foreach ($this->series->load('figures.materials')->figures as $figure) {
            foreach ($figure->materials as $material) {
                $before = $this->tones($from, $material);
                foreach ($before === null ? [] : $this->tones($to, $material) ?? [] as $tone => $after) {
                    if (isset($before[$tone]) && $before[$tone]->number() !== $after->number()) {
                        $moved[] = self::row($figure, $material, $tone, $before[$tone], $after);
                    }
                }
            }
        }
        usort($moved, fn (array $a, array $b): int => $b['deltaE'] <=> $a['deltaE']);

        return $moved;
    }

    /** @return ?array<value-of<Tone>, Rgb> null when the material was not there then */
    private function tones(?PaletteVersion $version, Material $material): ?array
    {
        return $version === null ? $material->tones($this->series->rule()) : $version->tones($material->id);
    }

    /** @return MovedTone */
    private static function row(Figure $figure, Material $material, string $tone, Rgb $before, Rgb $after): array
    {
        return [
            'material' => $material->id,
            'name' => "$figure->name, $material->name",
            'tone' => Tone::from($tone)->value,
            'before' => $before->hex(),
            'after' => $after->hex(),
            'deltaE' => round(Difference::ciede2000(Lab::of($before), Lab::of($after)), 2),
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\Palette;

use App\Models\Figure;
use App\Models\Material;
use App\Models\Page;
use App\Models\RegionRow;
use App\Models\Series;
use App\Models\SeriesEntry;
use App\Models\User;
use App\Store\StandIns;
use Awning\Core\Colour\Rgb;
use Awning\Core\Proof\Advice;
use Awning\Core\Proof\RampAdvice;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;

/**
 * A palette as its own screen shows it: with what each material is used for, and what is worth a second look.
 *
 * @phpstan-import-type PaletteState from SeriesPalette
 * @phpstan-import-type AdviceData from Advice
 *
 * @phpstan-type UseState array{regions: int, pages: list<int>, width: ?int, place: ?array{page: int, x: int, y: int}}
 * @phpstan-type PaletteOverviewState array{id: int, name: string, mayColour: bool, palette: PaletteState,
 *     uses: array<int, UseState>, advice: array<int, list<AdviceData>>, undo: ?string, redo: ?string}
 */
final readonly class PaletteOverview
{
    private const SECONDS = 3600;

    public function __construct(private Series $series)
    {
    }

    /** @return PaletteOverviewState */
    public function toClient(User $user): array
    {
        return [
            'id' => $this->series->id,
            'name' => $this->series->name,
            'mayColour' => $user->roleIn($this->series)?->mayColour() ?? false,
            'palette' => (new SeriesPalette($this->series))->toClient(),
            'uses' => $this->uses(),
            'advice' => $this->allAdvice(),
            'undo' => $this->title('done'),
            'redo' => $this->title('undone'),
        ];
    }

    /** @return array<int, list<AdviceData>> by material; worked out once for each state of the palette */
    private function allAdvice(): array
    {
        return Cache::remember(
            "palette-advice:{$this->series->id}:{$this->series->palette_version}",
            self::SECONDS,
            function (): array {
                $advice = [];
                foreach ($this->series->load('figures.materials')->figures as $figure) {
                    $advice += $this->advice($figure);
                }

                return $advice;
            },
        );
    }

    /** @return array<int, list<AdviceData>> by material */
    private function advice(Figure $figure): array
    {
        $rule = $this->series->rule();
        $tones = $figure->materials
            ->mapWithKeys(fn (Material $material): array => [$material->id => $material->tones($rule)])
            ->all();
        $between = RampAdvice::figure(array_map(fn (array $ramp): Rgb => $ramp['base'], $tones));
        $advice = [];
        foreach ($tones as $id => $ramp) {
            $advice[$id] = array_map(fn (Advice $one): array => $one->toData(), [
                ...RampAdvice::material($ramp),
                ...$between[$id] ?? [],
            ]);
        }

        return $advice;
    }

    /** @return array<int, UseState> by material, what is merged into it counted to it */
    private function uses(): array
    {
        $pages = Page::query()
            ->where('series_id', $this->series->id)
            ->get(['id', 'number', 'width'])
            ->keyBy('id');
        $standIns = (new StandIns($this->series->id))->toClient()['materials'];
        /** @var Collection<int, \stdClass&object{page_id: int, material_id: int, regions: int, largest: int}> $rows */
        $rows = RegionRow::query()
            ->toBase()
            ->whereIn('page_id', $pages->keys())
            ->where('material_id', '>', 0)
            ->groupBy('page_id', 'material_id')
            ->orderBy('page_id')
            ->get(['page_id', 'material_id', DB::raw('COUNT(*) AS regions'), DB::raw('MAX(area) AS largest')]);
        $uses = $largest = [];
        foreach ($rows as $row) {
            $material = $standIns[$row->material_id] ?? $row->material_id;
            $use = $uses[$material] ?? ['regions' => 0, 'pages' => [], 'width' => null, 'place' => null];
            $use['regions'] += $row->regions;
            $use['pages'] = array_values(array_unique([...$use['pages'], (int) $pages[$row->page_id]?->number]));
            $uses[$material] = $use;
            if ($row->largest > ($largest[$material][0] ?? 0)) {
                $largest[$material] = [$row->largest, $row->page_id, $row->material_id];
            }
        }
        unset($uses[0]);
        foreach ($uses as $material => $use) {
            [$area, $page, $of] = $largest[$material];
            /** @var (\stdClass&object{x: int, y: int})|null $place */
            $place = RegionRow::query()
                ->toBase()
                ->where('page_id', $page)
                ->where('material_id', $of)
                ->where('area', $area)
                ->first(['x', 'y']);
            $uses[$material]['width'] = $pages[$page]?->width;
            $uses[$material]['place'] =
                $place === null ? null : ['page' => $page, 'x' => $place->x, 'y' => $place->y];
        }

        return $uses;
    }

    private function title(string $state): ?string
    {
        $entries = SeriesEntry::query()
            ->where('series_id', $this->series->id)
            ->whereNotIn('kind', SeriesDesk::SWAPS)
            ->where('state', $state);

        $next = ($state === 'done' ? $entries->latest('version') : $entries->oldest('version'))->first(['title']);

        return $next?->title;
    }
}

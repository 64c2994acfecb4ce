<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Material;
use App\Models\Page;
use App\Models\Series;
use App\Store\StandIns;
use Awning\Core\Colour\Derivation;
use Awning\Core\Colour\Difference;
use Awning\Core\Colour\Lab;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Colour\ToneRule;
use Awning\Core\Exchange\PaletteBook;
use Awning\Core\Exchange\PaletteFigure;
use Awning\Core\Exchange\PaletteMaterial;
use Awning\Core\Sheet\Palette;

/**
 * A series' palette, with the derived tones worked out.
 *
 * @phpstan-import-type DerivationPart from Derivation
 * @phpstan-import-type DerivationData from Derivation
 *
 * @phpstan-type MaterialState array{id: int, figure: int, name: string, version: int, tones: array<value-of<Tone>, string>, pinned: list<value-of<Tone>>, steps: list<float>, dials: ?DerivationPart}
 * @phpstan-type FigureState array{id: int, name: string, depth: int, materials: list<MaterialState>}
 * @phpstan-type StandInsState array{materials: array<int, int>, figures: array<int, int>}
 * @phpstan-type PaletteState array{version: int, light: string, dials: DerivationData, figures: list<FigureState>, standIns: StandInsState, held: ?string, worn: ?string}
 */
final readonly class SeriesPalette
{
    private ToneRule $rule;

    /** @param  ?Page  $page  one that may hold a version of it */
    public function __construct(private Series $series, private ?Page $page = null)
    {
        $this->rule = $series->rule();
    }

    /** As a page shows it: by the version it holds, where it holds one. */
    public static function of(Page $page): self
    {
        return new self($page->series, $page);
    }

    /** @return array<string, Rgb> */
    private function tones(Material $material): array
    {
        $held = $this->page?->held;
        $others = $this->page?->worn->tones[$material->id] ?? [];
        $follows = $held === null || in_array($material->id, $this->page->follows ?? [], true);

        return ($follows ? null : $held->tones($material->id, $others)) ?? $material->tones($this->rule, $others);
    }

    public function core(): Palette
    {
        $materials = $figureOf = [];
        $figures = $this->series->load('figures.materials')->figures;
        foreach ($figures as $figure) {
            foreach ($figure->materials as $material) {
                $materials[$material->id] = array_map(fn (Rgb $tone): int => $tone->number(), $this->tones($material));
                $figureOf[$material->id] = $figure->id;
            }
        }

        return new Palette($materials, $figureOf, array_values($figures->sortBy('depth')->pluck('id')->all()));
    }

    /** As it leaves for other programs. */
    public function book(): PaletteBook
    {
        $figures = [];
        foreach ($this->series->load('figures.materials')->figures as $figure) {
            $materials = $figure->materials->map(function (Material $material): PaletteMaterial {
                $tones = $material->tones($this->rule);

                return new PaletteMaterial($material->name, $tones, array_values(array_diff(array_keys($tones), array_keys($material->pinned))));
            });
            $figures[] = new PaletteFigure($figure->name, array_values($materials->all()));
        }

        return new PaletteBook($figures);
    }

    /** @return PaletteState */
    public function toClient(): array
    {
        $figures = [];
        foreach ($this->series->load('figures.materials')->figures as $figure) {
            $figures[] = [
                'id' => $figure->id, 'name' => $figure->name, 'depth' => $figure->depth,
                'materials' => $figure->materials->map($this->material(...))->values()->all(),
            ];
        }

        return [
            'version' => $this->series->palette_version, 'light' => $this->series->light, 'dials' => $this->rule->dials()->toData(), 'figures' => $figures,
            'standIns' => (new StandIns($this->series->id))->toClient(), 'held' => $this->page?->held?->name, 'worn' => $this->page?->worn?->name,
        ];
    }

    /** @return array<int, array<string, string>> tones of each material by another rule, as #rrggbb */
    public function tonesBy(ToneRule $rule): array
    {
        $tones = [];
        foreach ($this->series->load('figures.materials')->figures as $figure) {
            foreach ($figure->materials as $material) {
                $tones[$material->id] = array_map(fn (Rgb $tone): string => $tone->hex(), $material->tones($rule));
            }
        }

        return $tones;
    }

    /** @return MaterialState */
    public function material(Material $material): array
    {
        $tones = $this->tones($material);
        $labs = array_map(Lab::of(...), array_values(array_diff_key($tones, [Tone::Line->value => 0])));
        $steps = [];
        for ($i = 1; $i < count($labs); $i++) {
            $steps[] = round(Difference::ciede2000($labs[$i - 1], $labs[$i]), 1);
        }

        return [
            'id' => $material->id, 'figure' => $material->figure_id, 'name' => $material->name, 'version' => $material->version,
            'tones' => array_map(fn (Rgb $tone): string => $tone->hex(), $tones),
            'pinned' => array_keys($material->pinned),
            'steps' => $steps, 'dials' => $material->dials,
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Material;
use App\Models\Series;
use Awning\Core\Colour\Difference;
use Awning\Core\Colour\Lab;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Colour\ToneRule;
use Awning\Core\Sheet\Palette;

/**
 * A series' palette, with the derived tones worked out.
 *
 * @phpstan-type MaterialState array{id: int, figure: int, name: string, version: int, tones: array<value-of<Tone>, string>, pinned: list<value-of<Tone>>, steps: list<float>}
 * @phpstan-type FigureState array{id: int, name: string, depth: int, materials: list<MaterialState>}
 * @phpstan-type PaletteState array{version: int, light: string, figures: list<FigureState>}
 */
final readonly class SeriesPalette
{
    private ToneRule $rule;

    public function __construct(private Series $series)
    {
        $this->rule = new ToneRule(Rgb::fromHex($series->light));
    }

    public function core(): Palette
    {
        $materials = $figureOf = [];
        $figures = $this->series->load('figures.materials')->figures;
        foreach ($figures as $figure) {
            foreach ($figure->materials as $material) {
                $materials[$material->id] = array_map(fn (Rgb $tone): int => $tone->number(), $material->tones($this->rule));
                $figureOf[$material->id] = $figure->id;
            }
        }

        return new Palette($materials, $figureOf, array_values($figures->sortBy('depth')->pluck('id')->all()));
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

        return ['version' => $this->series->palette_version, 'light' => $this->series->light, 'figures' => $figures];
    }

    /** @return MaterialState */
    public function material(Material $material): array
    {
        $tones = $material->tones($this->rule);
        $labs = array_map(Lab::of(...), array_values(array_diff_key($tones, [Tone::Line->value => 0])));
        $steps = [];
        for ($i = 1; $i < count($labs); $i++) {
            $steps[] = round(Difference::ciede2000($labs[$i - 1], $labs[$i]), 1);
        }

        return [
            'id' => $material->id, 'figure' => $material->figure_id, 'name' => $material->name, 'version' => $material->version,
            'tones' => array_map(fn (Rgb $tone): string => $tone->hex(), $tones),
            'pinned' => array_keys($material->pinned),
            'steps' => $steps,
        ];
    }
}

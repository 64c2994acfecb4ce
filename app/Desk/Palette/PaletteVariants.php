<?php

declare(strict_types=1);

namespace App\Desk\Palette;

use App\Models\Page;
use App\Models\PaletteVariant;
use App\Models\Series;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;

/**
 * The variants of a palette, with what comes of each, and which pages wear one.
 *
 * @phpstan-type VariantMaterial array{own: list<value-of<Tone>>, tones: array<value-of<Tone>, string>}
 * @phpstan-type VariantState array{id: int, name: string, version: int, materials: array<int, VariantMaterial>}
 * @phpstan-type PageVariantState array{page: int, number: int, title: string, variant: ?int}
 * @phpstan-type PaletteVariantsState array{variants: list<VariantState>, pages: list<PageVariantState>}
 */
final readonly class PaletteVariants
{
    public function __construct(private Series $series)
    {
    }

    /** @return PaletteVariantsState */
    public function toClient(): array
    {
        /** @var list<PaletteVariant> $variants */
        $variants = PaletteVariant::living()->where('series_id', $this->series->id)->orderBy('id')->get()->all();
        $pages = Page::query()->where('series_id', $this->series->id)->orderBy('number')->get();
        $living = array_map(fn (PaletteVariant $variant): int => $variant->id, $variants);

        return [
            'variants' => array_map(
                fn (PaletteVariant $variant): array => [
                    'id' => $variant->id,
                    'name' => $variant->name,
                    'version' => $variant->version,
                    'materials' => $this->materials($variant),
                ],
                $variants,
            ),
            'pages' => array_values(
                $pages
                    ->map(
                        fn (Page $page): array => [
                            'page' => $page->id,
                            'number' => $page->number,
                            'title' => $page->title,
                            'variant' => in_array($page->variant_id, $living, true) ? $page->variant_id : null,
                        ],
                    )
                    ->all(),
            ),
        ];
    }

    /** @return array<int, VariantMaterial> only those it says something of */
    private function materials(PaletteVariant $variant): array
    {
        $materials = [];
        $rule = $this->series->rule();
        foreach ($this->series->load('figures.materials')->figures as $figure) {
            foreach ($figure->materials->whereIn('id', array_keys($variant->tones)) as $material) {
                $tones = $material->tones($rule, $variant->tones[$material->id]);
                $materials[$material->id] = [
                    'own' => array_keys($variant->tones[$material->id]),
                    'tones' => array_map(fn (Rgb $tone): string => $tone->hex(), $tones),
                ];
            }
        }

        return $materials;
    }
}

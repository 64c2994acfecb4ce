<?php

declare(strict_types=1);

namespace App\Desk\Palette;

use App\Models\Material;
use App\Models\Page;
use App\Models\PaletteVariant;
use App\Models\PaletteVersion;
use App\Models\RegionRow;
use App\Models\Series;
use App\Models\SeriesLight;
use App\Store\StandIns;
use App\Values\Scalar;
use Awning\Core\Colour\Derivation;
use Awning\Core\Colour\Difference;
use Awning\Core\Colour\Lab;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Colour\ToneRule;
use Awning\Core\Exchange\PaletteBook;
use Awning\Core\Exchange\PaletteFigure;
use Awning\Core\Exchange\PaletteMaterial;
use Awning\Core\Light\Plan\LightColours;
use Awning\Core\Light\Plan\LightPlan;
use Awning\Core\Sheet\State\Palette;

/**
 * A series' palette, with the derived tones worked out.
 *
 * @phpstan-import-type DerivationPart from Derivation
 * @phpstan-import-type DerivationData from Derivation
 * @phpstan-import-type LightColoursData from LightColours
 * @phpstan-import-type LightPlanData from LightPlan
 *
 * @phpstan-type MaterialState array{id: int, figure: int, name: string, version: int,
 *     tones: array<value-of<Tone>, string>, pinned: list<value-of<Tone>>, steps: list<float>, dials: ?DerivationPart,
 *     more: list<array{tone: value-of<Tone>, name: string}>}
 * @phpstan-type FigureState array{id: int, name: string, depth: int, soft: bool, follows: ?string,
 *     materials: list<MaterialState>}
 * @phpstan-type StandInsState array{materials: array<int, int>, figures: array<int, int>}
 * @phpstan-type VariantTonesState array{id: int, name: string, materials: array<int, array<value-of<Tone>, string>>}
 * @phpstan-type UnderState array{plan: int, materials: array<int, array<value-of<Tone>, string>>,
 *     variants: list<VariantTonesState>}
 * @phpstan-type LightState array{id: int, name: string, version: int, plan: LightPlanData, colours: LightColoursData}
 * @phpstan-type PaletteState array{version: int, light: string, dials: DerivationData, figures: list<FigureState>,
 *     standIns: StandInsState, held: ?string, variant: ?string, variants: list<VariantTonesState>,
 *     under: list<UnderState>, lights: list<LightState>, plan: ?int, lightColours: LightColoursData}
 */
final readonly class SeriesPalette
{
    private ToneRule $rule;

    /**
     * @param  ?Page  $page  one that may hold a version of it
     * @param  ?Rgb  $light  the colour of another light than the page stands in
     */
    public function __construct(private Series $series, private ?Page $page = null, ?Rgb $light = null)
    {
        $light ??= $page?->light?->plan()->colour;
        $this->rule = $light === null ? $series->rule() : $series->rule()->under($light);
    }

    /** As a page shows it: by the version it holds, where it holds one. */
    public static function of(Page $page): self
    {
        return new self($page->series, $page);
    }

    /** As a page would show it if it held that version, or with null none. */
    public static function asIf(Page $page, ?PaletteVersion $version): self
    {
        $other = clone $page;
        $other->follows = null;

        return new self($page->series, $other->setRelation('held', $version));
    }

    /** @return array<value-of<Tone>, Rgb> as the page shows them */
    private function tones(Material $material): array
    {
        return $this->dressed($material, $this->page?->variant->tones[$material->id] ?? []);
    }

    /**
     * @param  array<value-of<Tone>, string>  $others  what a variant says of it
     * @return array<value-of<Tone>, Rgb>
     */
    private function dressed(Material $material, array $others): array
    {
        $held = $this->page?->held;
        $follows = $held === null || in_array($material->id, $this->page->follows ?? [], true);

        return self::filled(
            ($follows ? null : $held->tones($material->id, $others)) ?? $material->tones($this->rule, $others),
        );
    }

    /**
     * Where a pass lays a named tone that the material has not, or no more, its base shows.
     *
     * @param  array<value-of<Tone>, Rgb>  $tones
     * @return array<value-of<Tone>, Rgb>
     */
    private static function filled(array $tones): array
    {
        return $tones + array_fill_keys(array_column(Tone::more(), 'value'), $tones[Tone::Base->value]);
    }

    /** @param  ?int  $plan  a light plan that a mood would bring, beside those that the page has */
    public function core(?int $plan = null): Palette
    {
        $figures = $this->series->load('figures.materials')->figures;
        $figureOf = [];
        foreach ($figures as $figure) {
            foreach ($figure->materials as $material) {
                $figureOf[$material->id] = $figure->id;
            }
        }
        $stood = $this->stoodUnder($plan);
        $under = array_map(
            fn (self $other): Palette => new Palette($other->materialNumbers(), variants: $other->variantNumbers()),
            $this->underOthers($stood),
        );

        return new Palette(
            materials: $this->materialNumbers(),
            figureOf: $figureOf,
            depths: Scalar::ints($figures->sortBy('depth')->pluck('id')->all()),
            variants: $this->variantNumbers(),
            soft: array_fill_keys(Scalar::ints($figures->where('soft', true)->pluck('id')->all()), true),
            light: $this->lightColours(),
            lights: array_map(fn (SeriesLight $light): LightColours => LightColours::ofPlan($light->plan()), $stood),
            under: $under,
        );
    }

    /** @return array<int, array<string, int>> by material */
    private function materialNumbers(): array
    {
        return array_map(self::numbers(...), $this->shown());
    }

    /** @return array<int, array<value-of<Tone>, Rgb>> by material, as the page shows them */
    private function shown(): array
    {
        $tones = [];
        foreach ($this->series->figures as $figure) {
            foreach ($figure->materials as $material) {
                $tones[$material->id] = $this->tones($material);
            }
        }

        return $tones;
    }

    /** @return array<int, array<int, array<string, int>>> by variant and material */
    private function variantNumbers(): array
    {
        return array_map(
            fn (array $variant): array => array_map(self::numbers(...), $variant),
            array_column($this->wardrobe(), 'materials', 'id'),
        );
    }

    /**
     * The same palette in the light of the plans that a panel may stand under instead of the page's, where that has
     * another colour.
     *
     * @param  array<int, SeriesLight>  $lights
     * @return array<int, self> by light plan
     */
    private function underOthers(array $lights): array
    {
        $mine = $this->lightColours()->light->number();
        $others = array_filter($lights, fn (SeriesLight $light): bool => $light->plan()->colour->number() !== $mine);

        return array_map(
            fn (SeriesLight $light): self => new self($this->series, $this->page, $light->plan()->colour),
            $others,
        );
    }

    /** @return array<int, SeriesLight> light plans that regions of the page, or all of it in its mood, stand under */
    private function stoodUnder(?int $plan): array
    {
        $named = [];
        foreach ($this->page === null ? [] : ['plan', 'mood_plan'] as $column) {
            $regions = RegionRow::query()->where('page_id', $this->page?->id)->whereNotNull($column);
            $named += $regions->distinct()->pluck($column, $column)->all();
        }
        $named += array_flip(array_filter([$plan, $this->page?->mood_plan]));

        return $named === [] ? [] : array_intersect_key(SeriesLight::of($this->series->id), $named);
    }

    /** Of the light plan the page stands under; else of the series' light, with the usual sky. */
    private function lightColours(): LightColours
    {
        $plan = $this->page?->light?->plan();

        return $plan === null
            ? new LightColours(Rgb::fromHex($this->series->light), Rgb::fromHex(LightPlan::SKY))
            : LightColours::ofPlan($plan);
    }

    /**
     * @param  array<value-of<Tone>, Rgb>  $tones
     * @return array<string, int>
     */
    private static function numbers(array $tones): array
    {
        return array_map(fn (Rgb $tone): int => $tone->number(), $tones);
    }

    /**
     * What regions of the page may have instead of what the page has as a whole; as number 0 the palette as it is.
     *
     * @return list<array{id: int, name: string, materials: array<int, array<value-of<Tone>, Rgb>>}> only the
     *     materials that differ
     */
    private function wardrobe(): array
    {
        if ($this->page === null) {
            return [];
        }
        /** @var list<PaletteVariant> $variants */
        $variants = PaletteVariant::living()->where('series_id', $this->series->id)->orderBy('id')->get()->all();
        $ofPage = $this->page->variant->tones ?? [];
        $wardrobe =
            $ofPage === [] ? [] : [['id' => 0, 'name' => 'The palette', 'materials' => $this->differing($ofPage, [])]];
        foreach ($variants as $variant) {
            // What the page's own variant says does not hold for regions that wear another.
            $wardrobe[] = [
                'id' => $variant->id,
                'name' => $variant->name,
                'materials' => $this->differing($variant->tones + $ofPage, $variant->tones),
            ];
        }

        return $wardrobe;
    }

    /**
     * @param  array<int, mixed>  $which  materials by id
     * @param  array<int, array<value-of<Tone>, string>>  $others  what is said of each
     * @return array<int, array<value-of<Tone>, Rgb>>
     */
    private function differing(array $which, array $others): array
    {
        $tones = [];
        foreach ($this->series->figures as $figure) {
            foreach ($figure->materials as $material) {
                if (isset($which[$material->id])) {
                    $tones[$material->id] = $this->dressed($material, $others[$material->id] ?? []);
                }
            }
        }

        return $tones;
    }

    /** As it leaves for other programs. */
    public function book(): PaletteBook
    {
        $figures = [];
        foreach ($this->series->load('figures.materials')->figures as $figure) {
            $materials = $figure->materials->map(function (Material $material): PaletteMaterial {
                $tones = $material->tones($this->rule);

                return new PaletteMaterial(
                    $material->name,
                    $tones,
                    array_values(array_diff(array_keys($tones), array_keys($material->pinned))),
                    $material->more ?? [],
                );
            });
            $figures[] = new PaletteFigure($figure->name, array_values($materials->all()));
        }

        return new PaletteBook($figures);
    }

    /** @return PaletteState */
    public function toClient(): array
    {
        $figures = [];
        foreach ($this->series->load('figures.materials', 'figures.followed.series')->figures as $figure) {
            $figures[] = [
                'id' => $figure->id,
                'name' => $figure->name,
                'depth' => $figure->depth,
                'soft' => $figure->soft,
                'follows' => $figure->followed?->series->name,
                'materials' => array_values($figure->materials->map($this->material(...))->all()),
            ];
        }

        $lights = SeriesLight::of($this->series->id);

        return [
            'version' => $this->series->palette_version,
            'light' => $this->series->light,
            'dials' => $this->rule->dials()->toData(),
            'figures' => $figures,
            'standIns' => (new StandIns($this->series->id))->toClient(),
            'held' => $this->page?->held?->name,
            'variant' => $this->page?->variant?->name,
            'variants' => $this->wardrobeToClient(),
            'under' => $this->page === null ? [] : $this->underToClient($lights, $figures),
            'lights' => array_values(array_map(self::light(...), $lights)),
            'plan' => $this->page?->light?->id,
            'lightColours' => $this->lightColours()->toData(),
        ];
    }

    /** @return LightState */
    private static function light(SeriesLight $light): array
    {
        return [
            'id' => $light->id,
            'name' => $light->name,
            'version' => $light->version,
            'plan' => $light->plan()->toData(),
            'colours' => LightColours::ofPlan($light->plan())->toData(),
        ];
    }

    /**
     * @param  array<int, SeriesLight>  $lights
     * @param  list<FigureState>  $figures  as the page shows them
     * @return list<UnderState> only what differs from that
     */
    private function underToClient(array $lights, array $figures): array
    {
        $mine = array_column(array_merge(...array_column($figures, 'materials')), 'tones', 'id');
        $under = [];
        foreach ($this->underOthers($lights) as $plan => $other) {
            $tones = array_map(self::hexes(...), $other->shown());
            $under[] = [
                'plan' => $plan,
                'materials' => array_filter(
                    $tones,
                    fn (array $hexes, int $material): bool => $hexes !== $mine[$material],
                    ARRAY_FILTER_USE_BOTH,
                ),
                'variants' => $other->wardrobeToClient(),
            ];
        }

        return $under;
    }

    /** @return list<VariantTonesState> */
    private function wardrobeToClient(): array
    {
        return array_map(
            fn (array $one): array => ['materials' => array_map(self::hexes(...), $one['materials'])] + $one,
            $this->wardrobe(),
        );
    }

    /**
     * @param  array<value-of<Tone>, Rgb>  $tones
     * @return array<value-of<Tone>, string>
     */
    private static function hexes(array $tones): array
    {
        return array_map(fn (Rgb $tone): string => $tone->hex(), $tones);
    }

    /** @return array<int, array<value-of<Tone>, string>> tones of each material by another rule, as #rrggbb */
    public function tonesBy(ToneRule $rule): array
    {
        $tones = [];
        foreach ($this->series->load('figures.materials')->figures as $figure) {
            foreach ($figure->materials as $material) {
                $tones[$material->id] = self::hexes($material->tones($rule));
            }
        }

        return $tones;
    }

    /** @return MaterialState */
    public function material(Material $material): array
    {
        $tones = $this->tones($material);
        $labs = array_map(fn (Tone $tone): Lab => Lab::of($tones[$tone->value]), [
            Tone::Deep,
            Tone::Shade,
            Tone::Base,
            Tone::Light,
            Tone::Glint,
        ]);
        $steps = [];
        for ($i = 1; $i < count($labs); $i++) {
            $steps[] = round(Difference::ciede2000($labs[$i - 1], $labs[$i]), 1);
        }

        return [
            'id' => $material->id,
            'figure' => $material->figure_id,
            'name' => $material->name,
            'version' => $material->version,
            'tones' => self::hexes($tones),
            'pinned' => array_keys($material->pinned),
            'steps' => $steps,
            'dials' => $material->dials,
            'more' => array_map(
                fn (string $tone, string $name): array => ['tone' => Tone::from($tone)->value, 'name' => $name],
                array_keys($material->more ?? []),
                array_values($material->more ?? []),
            ),
        ];
    }
}

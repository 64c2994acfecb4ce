<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Export;

use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Compose\DepthPlane;
use Awning\Core\Compose\Layers\Flat;
use Awning\Core\Compose\Layers\GroupLayer;
use Awning\Core\Compose\Layers\Layer;
use Awning\Core\Compose\Layers\LayerKinds;
use Awning\Core\Compose\Layers\Mask;
use Awning\Core\Compose\Layers\PassLayer;
use Awning\Core\Compose\PageStack;
use Awning\Core\Light\Plan\LightColours;
use Awning\Core\Page\Drawing\LineColouring;
use Awning\Core\Page\Drawing\LineRule;
use Awning\Core\Page\Mood\Brought;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Page\Pass\PassGroup;
use Awning\Core\Page\Pass\PassOrder;
use Awning\Core\Page\Pass\PassPlace;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Pass\ScopeKind;
use Awning\Core\Page\Pass\TintContent;
use Awning\Core\Page\Pass\WashContent;
use Awning\Core\Page\Region\ColourShift;
use Awning\Core\Page\Region\Region;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Palette;

/** Puts a page's records and the series' palette together to what the compositor lays. */
final readonly class StackBuilder
{
    public function build(Sheet $sheet, Palette $palette, bool $showInk = true): PageStack
    {
        $flats = $this->flats($sheet, $palette);
        $places = ['ink' => [], 'above' => []];
        $planes = $behind = $spills = [];
        foreach ($this->layers($sheet, $palette, $flats) as [$spec, $layer]) {
            $place = PassPlace::of($spec->scope);
            if ($place === PassPlace::Figure) {
                $figure = $this->figureOf($spec, $palette);
                $planes[$figure][] = $layer;
                $spills[$figure] = ($spills[$figure] ?? false) || $this->spills($layer, $figure, $palette);
            } elseif ($place === PassPlace::Behind) {
                $behind[$spec->scope->id][] = $layer;
            } else {
                $places[$place->value][] = $layer;
            }
        }

        $lines = $sheet->find(PageSize::class, PageSize::KEY)->lines ?? new LineColouring;

        return new PageStack(
            flats: $flats,
            planes: array_map(
                fn (int $figure): DepthPlane => new DepthPlane(
                    $figure,
                    $planes[$figure] ?? [],
                    $behind[$figure] ?? [],
                    $spills[$figure] ?? false,
                ),
                $this->farToNear($palette, [
                    ...array_keys($planes),
                    ...array_keys($behind),
                    ...array_map(fn (Flat $flat): int => $flat->figure, $flats),
                ]),
            ),
            ink: $places['ink'],
            above: $places['above'],
            inkColour: $lines->ink()->number(),
            showInk: $showInk && $lines->shown,
            inkByTone: $lines->rule === LineRule::Tone,
            inkMode: $lines->rule === LineRule::Beneath ? BlendMode::Multiply : BlendMode::Normal,
            soft: $palette->soft,
        );
    }

    /** @return array<int, Flat> by label */
    private function flats(Sheet $sheet, Palette $palette): array
    {
        $flats = [];
        $shifts = $sheet->all(ColourShift::class);
        $shifted = [];
        $lights = array_map(fn (LightColours $light): array => $light->numbers(), $palette->lights);
        $brought = $sheet->find(PageSize::class, PageSize::KEY)?->brought() ?? new Brought;
        foreach ($sheet->all(Region::class) as $label => $region) {
            [$plan, $variant] = $region->shownUnder($brought);
            $tones = $palette->tones($region->material, $variant, $plan);
            if ($tones === null) {
                continue;
            }
            $shift = $shifts[$region->shift ?? ''] ?? null;
            if ($shift !== null && $shift->material === $region->material) {
                $tones = $shifted["$region->shift $variant $plan"] ??= $shift->tones($tones);
            }
            $flats[(int) $label] = new Flat(
                $region->figure,
                $region->material,
                $tones,
                $lights[$plan ?? 0] ?? [],
            );
        }

        return $flats;
    }

    /**
     * Passes and groups in their order; a group stands where its lowest member does.
     *
     * @param  array<int, Flat>  $flats  by label
     * @return list<array{PassSpec, Layer}> a pass, or the lowest of a group, and what is laid
     */
    private function layers(Sheet $sheet, Palette $palette, array $flats): array
    {
        $passes = array_map(
            fn (PassSpec $pass): PassSpec => self::surrounded(self::lit($pass, $palette), $flats),
            PassOrder::sorted($sheet->all(PassSpec::class)),
        );
        $groups = $sheet->all(PassGroup::class);
        $page = $sheet->find(PageSize::class, PageSize::KEY);
        $layer = fn (string $id, PassSpec $pass): PassLayer => LayerKinds::layer(
            $id,
            $pass,
            self::mask($passes, $id, $pass),
            $page,
        );
        $layers = $members = [];
        foreach ($passes as $id => $pass) {
            if ($pass->group !== null && isset($groups[$pass->group])) {
                $members[$pass->group][] = $layer((string) $id, $pass);
            }
        }
        $laid = [];
        foreach ($passes as $id => $pass) {
            if ($pass->group === null || ! isset($groups[$pass->group])) {
                $layers[] = [$pass, $layer((string) $id, $pass)];
            } elseif (! isset($laid[$pass->group])) {
                $laid[$pass->group] = true;
                $layers[] = [$pass, new GroupLayer($members[$pass->group], $groups[$pass->group])];
            }
        }

        return $layers;
    }

    /** A tint that follows the light in the colour that of the page has. */
    private static function lit(PassSpec $pass, Palette $palette): PassSpec
    {
        $follows = $pass->content instanceof TintContent ? $pass->content->follows : null;
        $colour = $follows === null ? null : $palette->light?->of($follows);

        return $colour === null ? $pass : $pass->showing(new TintContent($colour, $follows));
    }

    /**
     * A wash that follows what lies around a figure in the colour that has now.
     *
     * @param  array<int, Flat>  $flats  by label
     */
    private static function surrounded(PassSpec $pass, array $flats): PassSpec
    {
        $around = $pass->content instanceof WashContent ? $pass->content->around : null;
        $base = Tone::Base->value;
        $colour = $around?->colour(
            fn (int $label): ?Rgb => isset($flats[$label]->tones[$base])
                ? Rgb::fromNumber($flats[$label]->tones[$base])
                : null,
        );

        return $colour === null ? $pass : $pass->showing(new WashContent($colour, $around));
    }

    /**
     * A mask whose pass is gone, or is the pass itself, hides nothing.
     *
     * @param  array<array-key, PassSpec>  $passes
     */
    private static function mask(array $passes, string $id, PassSpec $pass): ?Mask
    {
        $by = $pass->mask?->pass;

        return $by === null || $by === $id || ! isset($passes[$by])
            ? null
            : new Mask($by, $passes[$by], $pass->mask->outside);
    }

    /** Whose plane a pass lies in: its figure's; a page's own pass in that of what it is clipped to. */
    private function figureOf(PassSpec $pass, Palette $palette): int
    {
        return $pass->figure > 0 ? $pass->figure : $this->clippedTo($pass->scope, $palette);
    }

    private function clippedTo(Scope $scope, Palette $palette): int
    {
        return $scope->kind === ScopeKind::Material ? $palette->figureOf[$scope->id] ?? 0 : $scope->id;
    }

    private function spills(Layer $layer, int $figure, Palette $palette): bool
    {
        foreach ($layer instanceof GroupLayer ? $layer->members : [$layer] as $member) {
            if ($member instanceof PassLayer && $this->clippedTo($member->spec->scope, $palette) !== $figure) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  array<int>  $present
     * @return list<int> figures, farthest first; those the palette does not know come before all others
     */
    private function farToNear(Palette $palette, array $present): array
    {
        $unknown = array_diff(array_unique($present), $palette->depths);
        sort($unknown);

        return [...$unknown, ...$palette->depths];
    }
}

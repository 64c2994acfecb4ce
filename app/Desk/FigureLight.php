<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Figure;
use App\Models\Material;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Light\Along;
use Awning\Core\Light\BesideColour;
use Awning\Core\Light\Glow;
use Awning\Core\Light\Lamp;
use Awning\Core\Light\LightPlan;
use Awning\Core\Light\NearLight;
use Awning\Core\Light\Pieces;
use Awning\Core\Light\RoughIn;
use Awning\Core\Light\Scene;
use Awning\Core\Light\Throwers;
use Awning\Core\Page\FlowLine;
use Awning\Core\Page\Region;
use Awning\Core\Page\Solid;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;
use Awning\Core\Sheet\FigureBodies;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\LayRoughIn;
use Awning\Core\Sheet\Sheet;

/** A rough light on a figure of a page, from its regions and the palette's depths. */
final readonly class FigureLight
{
    private Labels $labels;

    /** @var list<array{int, int, int}> of the labels: first pixel, pixel after the last, label */
    private array $spans;

    /** @var array<array-key, Region> */
    private array $regions;

    /** @var array<int, int> by figure */
    private array $depths;

    public function __construct(Sheet $sheet, private Figure $figure)
    {
        $this->labels = $sheet->labels();
        $this->spans = Labels::spans($this->labels->data);
        $this->regions = $sheet->all(Region::class);
        /** @var array<int, int> $depths */
        $depths = Figure::query()->where('series_id', $figure->series_id)->pluck('depth', 'id')->all();
        $this->depths = $depths;
    }

    /**
     * @param  list<int>  $only  regions it is laid in; none: all of the figure
     * @param  ?callable(float): void  $done  is told how far it is, 0..1
     *
     * @throws OpRefused when the page has nothing of the figure
     */
    public function by(LightPlan $plan, array $only = [], ?callable $done = null): LayRoughIn
    {
        $mine = $this->mine();
        [$bodies, $solids, $flows, $page] = [FigureBodies::of($this->regions, $this->labels, $this->figure->id), $this->told(fn (Region $region): ?Solid => $region->solid), $this->told(fn (Region $region): ?FlowLine => $region->flow), new Rect(0, 0, $mine->width, $mine->height)];
        $throwers = $plan->dials->cast > 0 ? new Throwers($this->where($this->isNearer(...)), $this->where($this->isBefore(...))) : null;
        $lit = [];
        $pieces = Pieces::of($mine);
        foreach ($pieces as $i => $where) {
            $done !== null && $done($i / count($pieces));
            $scene = new Scene($bodies, $solids, $throwers?->on($where, $plan->key, $plan->dials->cast), array_map(fn (Lamp $lamp): NearLight => $lamp->near($page, $where), $plan->lamps), $plan->back?->key(),
                array_map(fn (FlowLine $flow): Along => Along::on($flow, $page, $where), $flows));
            $lit[] = [$where, RoughIn::of($mine->crop($where), $plan->key, $plan->dials, $scene)];
        }

        $glow = $this->glow($plan);

        return $lit === [] && $glow === null ? throw new OpRefused("Nothing of {$this->figure->name} is on this page yet. Fill its regions first.")
            : new LayRoughIn($this->figure->id, $this->figure->name, $lit, $plan, $only, $glow, $plan->beside ? $this->beside($plan) : null);
    }

    /** What shines of the figure, in the colour of the largest of it. */
    private function glow(LightPlan $plan): ?Glow
    {
        $shining = array_filter($this->regions, $this->shines(...));
        if ($shining === [] || $plan->dials->glow < 1) {
            return null;
        }
        uasort($shining, fn (Region $a, Region $b): int => $b->area <=> $a->area);
        $tones = Material::query()->findOrFail(reset($shining)->material)->tones($this->figure->series->rule());

        return Glow::around($this->where($this->shines(...)), $plan->dials->glow, $tones[Tone::Base->value]);
    }

    /** The colour of what lies beside the figure, where it turns from the light. */
    private function beside(LightPlan $plan): ?Rgb
    {
        $palette = (new SeriesPalette($this->figure->series))->core();
        $mine = $colours = [];
        foreach ($this->regions as $label => $region) {
            $base = $palette->tones($region->material)[Tone::Base->value] ?? null;
            if ($region->figure === $this->figure->id) {
                $mine[(int) $label] = true;
            } elseif ($base !== null) {
                $colours[(int) $label] = Rgb::fromNumber($base);
            }
        }

        return BesideColour::of($this->labels, $mine, $colours, $plan->key);
    }

    /** The figure's regions alone; all else is nothing, and so is what shines: it has no shade. */
    private function mine(): Labels
    {
        $data = '';
        foreach ($this->spans as [$from, $to, $label]) {
            $region = $this->regions[$label] ?? null;
            $isBody = $region !== null && $region->figure === $this->figure->id && ! $this->shines($region);
            $data .= $isBody ? substr($this->labels->data, 2 * $from, 2 * ($to - $from)) : str_repeat("\0", 2 * ($to - $from));
        }

        return new Labels($this->labels->width, $this->labels->height, $data);
    }

    /**
     * @template T
     *
     * @param  callable(Region): ?T  $what
     * @return array<int, T> by label, where something is told
     */
    private function told(callable $what): array
    {
        $told = [];
        foreach ($this->regions as $label => $region) {
            $told[(int) $label] = $what($region);
        }

        return array_filter($told, fn (mixed $one): bool => $one !== null);
    }

    /** @param  callable(Region): bool  $does */
    private function where(callable $does): Plane
    {
        $is = array_map($does, $this->regions);
        $data = '';
        foreach ($this->spans as [$from, $to, $label]) {
            $data .= str_repeat(($is[$label] ?? false) ? "\xff" : "\0", $to - $from);
        }

        return new Plane($this->labels->width, $this->labels->height, $data);
    }

    /** Whether it is of a figure that is nearer to the reader than this one. */
    private function isNearer(Region $region): bool
    {
        return ($this->depths[$region->figure] ?? -1) > $this->figure->depth;
    }

    private function isBefore(Region $region): bool
    {
        return $region->figure === $this->figure->id && $region->before;
    }

    private function shines(Region $region): bool
    {
        return $region->figure === $this->figure->id && $region->solid === Solid::Shining;
    }
}

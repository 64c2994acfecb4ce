<?php

declare(strict_types=1);

namespace Awning\Core\Light;

use Awning\Core\Colour\Rgb;
use Awning\Core\Light\Emission\BesideColour;
use Awning\Core\Light\Emission\Glow;
use Awning\Core\Light\Emission\Lamp;
use Awning\Core\Light\Emission\NearLight;
use Awning\Core\Light\Plan\LightPlan;
use Awning\Core\Light\Plan\PanelLight;
use Awning\Core\Light\Plan\RoughDials;
use Awning\Core\Light\Shadow\GroundShadow;
use Awning\Core\Light\Shadow\ShadowCasters;
use Awning\Core\Light\Surface\DirectionField;
use Awning\Core\Light\Surface\FigureBodies;
use Awning\Core\Light\Surface\Pieces;
use Awning\Core\Light\Surface\SmallLight;
use Awning\Core\Page\Region\FlowLines;
use Awning\Core\Page\Region\Region;
use Awning\Core\Page\Region\Solid;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\OneWorker;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\Workers;

/**
 * The entrance to this room: a first light on one figure of a page. Whoever asks fills a LightPage; what comes back is
 * laid as passes.
 */
final readonly class FirstLight
{
    /** On a smaller page edges are found on planes so many times finer than its pixels. */
    private const FINER = 2;

    /**
     * @param  int  $figure  of the page
     * @param  Workers  $workers  who shares the work on a figure in several pieces
     */
    public function __construct(
        private LightPage $page,
        private int $figure,
        private Workers $workers = new OneWorker,
    ) {
    }

    /**
     * @param  LightPlan  $plan  of the page, in px of the page at full size
     * @param  ?callable(float): void  $done  is told how far it is, 0..1
     * @param  int  $work  pixels of bodies that are worked out in each place
     * @return ?FigureLit null: the page has nothing of the figure
     */
    public function by(LightPlan $plan, ?callable $done = null, int $work = SmallLight::WORK): ?FigureLit
    {
        $smaller = $this->page->smaller;
        $plan = $plan->smaller($smaller);
        $finer = $smaller === 1 ? 1 : self::FINER;
        $light = $this->under($plan, 0, '', $work, $finer, $done);
        $panels = [];
        foreach ($this->page->panelsOf($this->figure) as $id => [$other, $name]) {
            $panels[$id] = $this->under($other->smaller($smaller), $id, $name, $work, $finer);
        }
        $glow = $this->glow($plan);

        return $light->pieces === [] && $panels === [] && $glow === null ? null : new FigureLit($light, $glow, $panels);
    }

    /**
     * @param  int  $panel  the light plan of the regions that are lit; 0: the page's
     * @param  ?callable(float): void  $done
     */
    private function under(
        LightPlan $plan,
        int $panel,
        string $name,
        int $work,
        int $finer,
        ?callable $done = null,
    ): PanelLight {
        $mine = $this->mine($panel);
        $pieces = Pieces::of($mine);
        $works = Pieces::works($pieces, $work);
        $scenes = $this->scenes($plan, $panel, $pieces);
        $bodies = array_map($mine->crop(...), $pieces);
        $worked = $this->workers->each(
            array_keys($pieces),
            fn (int $i): SmallLight => SmallLight::of(
                $bodies[$i],
                $plan->key,
                $plan->dials,
                $scenes[$i],
                $works[$i],
                $finer,
            ),
            $done,
        );
        $lit = [];
        foreach ($worked as $i => $small) {
            foreach ($small->cells($bodies[$i]) as $cell) {
                $lit[] = [
                    $cell->moved($pieces[$i]->x, $pieces[$i]->y),
                    RoughIn::inside($cell, $bodies[$i], $small, $plan->dials, $scenes[$i]),
                ];
            }
        }

        return new PanelLight($plan, $lit, $plan->beside ? $this->bounced($plan, $panel) : null, $name);
    }

    /**
     * What is known of each piece.
     *
     * @param  list<Rect>  $pieces
     * @return list<Scene>
     */
    private function scenes(LightPlan $plan, int $panel, array $pieces): array
    {
        $whole = new Rect(0, 0, $this->page->labels->width, $this->page->labels->height);
        $bodies = FigureBodies::of($this->page->regions, $this->page->beside, $this->figure);
        $solids = $this->page->byRegion(fn (Region $region): ?Solid => $region->solid);
        $flows = $this->page->byRegion(fn (Region $region): ?FlowLines => $region->flow);
        $unseen = $this->page->unseen;
        $casters = $this->casters($plan->dials, $panel);

        return array_map(
            fn (Rect $where): Scene => new Scene(
                bodies: $bodies,
                solids: $solids,
                cast: $casters === null
                    ? null
                    : fn (Rect $part): ?Plane => $casters->on(
                        $part->moved($where->x, $where->y),
                        $plan->key,
                        $plan->dials->cast,
                        $plan->dials->castSoft,
                    ),
                lamps: array_map(fn (Lamp $lamp): NearLight => $lamp->near($whole, $where), $plan->lamps),
                back: $plan->back?->key(),
                flows: array_map(
                    fn (FlowLines $flow): DirectionField => DirectionField::on($flow, $whole, $where),
                    $flows,
                ),
                unseen: $unseen === null
                    ? null
                    : fn (Rect $part): ?Plane => $unseen->on($part->moved($where->x, $where->y)),
                x: $where->x,
                y: $where->y,
            ),
            $pieces,
        );
    }

    /** @return ?ShadowCasters null: nothing casts a shadow */
    private function casters(RoughDials $dials, int $panel): ?ShadowCasters
    {
        if ($dials->cast < 1 && $dials->ground < 1) {
            return null;
        }
        $where = fn (callable $does): Plane => $this->page->where(
            fn (Region $region): bool => $this->page->planOf($region) === $panel && $does($region),
        );
        $nearer = $where($this->isNearer(...));
        $ground =
            $dials->ground < 1
                ? null
                : GroundShadow::of(
                    $nearer,
                    $where(fn (Region $region): bool => $this->isMine($region, $panel)),
                    $dials->ground,
                );

        return new ShadowCasters($nearer, $where($this->isBefore(...)), $ground);
    }

    /** What shines of the figure, in the colour of the largest of it. */
    private function glow(LightPlan $plan): ?Glow
    {
        $shining = array_filter($this->page->regions, $this->shines(...));
        if ($shining === [] || $plan->dials->glow < 1) {
            return null;
        }
        uasort($shining, fn (Region $a, Region $b): int => $b->area <=> $a->area);
        $colour = $this->page->base(reset($shining));

        return $colour === null
            ? null
            : Glow::around($this->page->where($this->shines(...)), $plan->dials->glow, $plan->dials->glowFall, $colour);
    }

    /** The colour of what lies beside the figure, where it turns from the light. */
    private function bounced(LightPlan $plan, int $panel): ?Rgb
    {
        $mine = $this->page->byRegion(fn (Region $region): ?bool => $this->isMine($region, $panel) ? true : null);
        $others = $this->page->byRegion(
            fn (Region $region): ?Rgb => $region->figure === $this->figure ? null : $this->page->base($region),
        );

        return BesideColour::of($this->page->labels, $mine, $others, $plan->key);
    }

    private function isMine(Region $region, int $panel): bool
    {
        return $region->figure === $this->figure && $this->page->planOf($region) === $panel;
    }

    /** The figure's regions under one plan alone; all else is nothing, and so is what shines: it has no shade. */
    private function mine(int $panel): Labels
    {
        $labels = $this->page->labels;
        $isBody = array_map(
            fn (Region $region): bool => $this->isMine($region, $panel) && ! $this->shines($region),
            $this->page->regions,
        );
        $data = '';
        $done = 0;
        foreach ($this->page->spans as [$from, $to, $label]) {
            if ($isBody[$label] ?? false) {
                $data .= str_repeat("\0", 2 * ($from - $done)).substr($labels->data, 2 * $from, 2 * ($to - $from));
                $done = $to;
            }
        }

        return new Labels($labels->width, $labels->height, str_pad($data, strlen($labels->data), "\0"));
    }

    private function isNearer(Region $region): bool
    {
        return $this->page->isNearer($region, $this->figure);
    }

    private function isBefore(Region $region): bool
    {
        return $region->figure === $this->figure && $region->inFront;
    }

    private function shines(Region $region): bool
    {
        return $region->figure === $this->figure && $region->solid === Solid::Shining;
    }
}

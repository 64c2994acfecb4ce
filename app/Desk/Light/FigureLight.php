<?php

declare(strict_types=1);

namespace App\Desk\Light;

use App\Desk\Palette\SeriesPalette;
use App\Models\Figure;
use App\Models\Page;
use App\Models\SeriesLight;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Light\FirstLight;
use Awning\Core\Light\LightPage;
use Awning\Core\Light\Plan\LightPlan;
use Awning\Core\Light\Shadow\UnseenLines;
use Awning\Core\Light\Surface\SmallLight;
use Awning\Core\Page\Pass\RoughKind;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\OneWorker;
use Awning\Core\Raster\Workers;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Light\LayRoughIn;
use Awning\Core\Sheet\Sheet;

/** A first light on a figure of a page, as a change to the page. */
final readonly class FigureLight
{
    /** @param  Workers  $workers  who shares the work on a figure in several pieces */
    public function __construct(
        private LightPage $page,
        private Figure $figure,
        private Workers $workers = new OneWorker,
    ) {
    }

    /**
     * A page as the core's light asks for it. Nothing of it asks the database once it is made.
     *
     * @param  int  $smaller  so many times the sheet is smaller than the page
     * @param  bool  $isLineless  whether it is meant to be without lines, though they may show now
     */
    public static function pageOf(Sheet $sheet, Page $page, int $smaller = 1, bool $isLineless = false): LightPage
    {
        $size = $sheet->size();
        $palette = (new SeriesPalette($page->series))->core();
        /** @var array<int, int> $depths */
        $depths = Figure::query()->where('series_id', $page->series_id)->pluck('depth', 'id')->all();

        return new LightPage(
            labels: $sheet->labels(),
            regions: $sheet->all(Region::class),
            depths: $depths,
            base: function (Region $region) use ($palette): ?Rgb {
                $tones = $palette->tones($region->material);

                return $tones === null ? null : Rgb::fromNumber($tones[Tone::Base->value]);
            },
            plans: array_map(
                fn (SeriesLight $light): array => [$light->plan(), $light->name],
                array_diff_key(SeriesLight::of($page->series_id), [$page->plan_id => true]),
            ),
            unseen: $isLineless || ! $size->lines->shown ? new UnseenLines($sheet->ink(), $size->dpi / $smaller) : null,
            smaller: $smaller,
        );
    }

    /**
     * @param  list<int>  $only  regions it is laid in; none: all of the figure
     * @param  ?callable(float): void  $done  is told how far it is, 0..1
     * @param  int  $work  pixels of bodies that are worked out in each place
     * @param  list<RoughKind>  $kinds  what is laid of it; none: all
     *
     * @throws OpRefused when the page has nothing of the figure
     */
    public function by(
        LightPlan $plan,
        array $only = [],
        ?callable $done = null,
        int $work = SmallLight::WORK,
        array $kinds = [],
    ): LayRoughIn {
        $lit =
            (new FirstLight($this->page, $this->figure->id, $this->workers))->by($plan, $done, $work) ??
            throw new OpRefused("Nothing of {$this->figure->name} is on this page yet. Fill its regions first.");

        return new LayRoughIn(
            figure: $this->figure->id,
            name: $this->figure->name,
            light: $lit->light,
            only: $only,
            glow: $lit->glow,
            panels: $lit->panels,
            kinds: $kinds,
        );
    }
}

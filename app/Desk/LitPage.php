<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Figure;
use App\Models\Page;
use App\Models\SeriesLight;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Flats\RegionGraph;
use Awning\Core\Light\UnseenLines;
use Awning\Core\Page\Region;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;
use Awning\Core\Sheet\Palette;
use Awning\Core\Sheet\Sheet;

/** What a page says of its shapes and the palette of their colours and depths, for the light on any figure of it. Nothing here asks the database once it is made. */
final readonly class LitPage
{
    public Labels $labels;

    /** @var list<array{int, int, int}> of the labels: first pixel, pixel after the last, label */
    public array $spans;

    /** @var array<array-key, Region> */
    public array $regions;

    /** Which regions lie beside which. */
    public RegionGraph $beside;

    /** @var array<int, int> by figure */
    private array $depths;

    private Palette $palette;

    /** @var array<int, SeriesLight> light plans that regions may stand under instead of the page's */
    private array $plans;

    /** What stands in the place of the page's lines; null: they show. */
    public ?UnseenLines $unseen;

    /**
     * @param  int  $smaller  so many times the sheet is smaller than the page
     * @param  bool  $isLineless  whether it is meant to be without lines, though they may show now
     */
    public function __construct(Sheet $sheet, Page $page, public int $smaller = 1, bool $isLineless = false)
    {
        $size = $sheet->size();
        $this->unseen = $isLineless || ! $size->lines->shown ? new UnseenLines($sheet->ink(), $size->dpi / $smaller) : null;
        $this->labels = $sheet->labels();
        $this->spans = Labels::spans($this->labels->data);
        $this->regions = $sheet->all(Region::class);
        $this->beside = RegionGraph::of($this->labels, null, $this->spans);
        /** @var array<int, int> $depths */
        $depths = Figure::query()->where('series_id', $page->series_id)->pluck('depth', 'id')->all();
        $this->depths = $depths;
        $this->palette = (new SeriesPalette($page->series))->core();
        $this->plans = array_diff_key(SeriesLight::of($page->series_id), [$page->plan_id => true]);
    }

    /**
     * How much of the page each figure has, what lies all round it left out: paper between panels, or a plain ground, is no body.
     *
     * @return array<int, int> pixels by figure
     */
    public function bodies(): array
    {
        $areas = [];
        foreach (array_diff_key($this->regions, $this->allRound()) as $region) {
            if ($region->isFilled()) {
                $areas[$region->figure] = ($areas[$region->figure] ?? 0) + $region->area;
            }
        }

        return $areas;
    }

    /** @return array<int, int> labels that reach all four edges of the page, as keys */
    private function allRound(): array
    {
        [$width, $height] = [$this->labels->width, $this->labels->height];
        $edge = fn (int $x, int $y, int $right, int $down, int $count): array => array_flip(array_map(fn (int $i): int => $this->labels->at($x + $i * $right, $y + $i * $down), range(0, $count - 1)));

        return array_intersect_key($edge(0, 0, 1, 0, $width), $edge(0, $height - 1, 1, 0, $width), $edge(0, 0, 0, 1, $height), $edge($width - 1, 0, 0, 1, $height));
    }

    /** Whether a region is of a figure that is nearer to the reader than another one. */
    public function isNearer(Region $region, int $figure): bool
    {
        return ($this->depths[$region->figure] ?? -1) > ($this->depths[$figure] ?? 0);
    }

    /** Under which plan other than the page's a region stands; 0: under that. */
    public function planOf(Region $region): int
    {
        return isset($this->plans[$region->stands ?? 0]) ? (int) $region->stands : 0;
    }

    /** @return array<int, SeriesLight> by id, those under which a figure stands in places */
    public function panelsOf(int $figure): array
    {
        $stands = array_map($this->planOf(...), array_filter($this->regions, fn (Region $region): bool => $region->figure === $figure));

        return array_intersect_key($this->plans, array_flip($stands));
    }

    public function base(Region $region): ?Rgb
    {
        $tones = $this->palette->tones($region->material);

        return $tones === null ? null : Rgb::fromNumber($tones[Tone::Base->value]);
    }

    /**
     * @param  callable(Region): bool  $does
     * @return Plane 255 in every region that does
     */
    public function where(callable $does): Plane
    {
        $is = array_filter(array_map($does, $this->regions));
        if ($is === []) {
            return Plane::filled($this->labels->width, $this->labels->height, 0);
        }
        $data = '';
        foreach ($this->spans as [$from, $to, $label]) {
            $data .= str_repeat(isset($is[$label]) ? "\xff" : "\0", $to - $from);
        }

        return new Plane($this->labels->width, $this->labels->height, $data);
    }

    /**
     * @template T
     *
     * @param  callable(Region): ?T  $what
     * @return array<int, T> by label, where something is told
     */
    public function told(callable $what): array
    {
        $told = [];
        foreach ($this->regions as $label => $region) {
            $told[(int) $label] = $what($region);
        }

        return array_filter($told, fn (mixed $one): bool => $one !== null);
    }
}

<?php

declare(strict_types=1);

namespace App\Demo;

use App\Desk\FigureLight;
use App\Desk\PageDesk;
use App\Models\Figure;
use App\Models\Material;
use App\Models\Page;
use App\Models\Series;
use App\Models\SeriesLight;
use App\Models\User;
use App\Store\PageStore;
use Awning\Core\Codec\Resized;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Light\BackLight;
use Awning\Core\Light\KeyLight;
use Awning\Core\Light\Lamp;
use Awning\Core\Light\LightPlan;
use Awning\Core\Light\RoughDials;
use Awning\Core\Page\BlendMode;
use Awning\Core\Page\Data;
use Awning\Core\Page\PassSpec;
use Awning\Core\Page\Region;
use Awning\Core\Page\Scope;
use Awning\Core\Page\Solid;
use Awning\Core\Page\TintContent;
use Awning\Core\Page\ToneContent;
use Awning\Core\Raster\Blur;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;
use Awning\Core\Sheet\Laying;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpKinds;
use Awning\Core\Sheet\Ops\ChangePass;
use Awning\Core\Sheet\Ops\LayCoverage;
use Awning\Core\Sheet\Ops\LayRoughIn;
use Awning\Core\Sheet\Ops\PaintShape;
use Awning\Core\Sheet\Ops\SoftenPass;
use Awning\Core\Sheet\Sheet;
use Illuminate\Support\Str;

/** The light of the demo's pages, made with what the application offers: plans, a rough light, and a hand that corrects it. */
final readonly class DemoLight
{
    /** What of the harbour has a body; sky, sea and moon are light themselves. */
    private const SOLID = ['plaster', 'roofs', 'stone', 'hills'];

    /** What of that, and of the ferry, is flat: walls, not bellies. */
    private const FLAT = ['plaster', 'roofs', 'stone', 'hills', 'cabin'];

    /** What gives light. */
    private const LAMPS = ['lamp light', 'windows', 'moon'];

    /** Px; so wide a glow is worked out on squares of this side. */
    private const SQUARE = 8;

    public function __construct(private Series $series, private User $user, private PageDesk $desk)
    {
    }

    public function plans(): void
    {
        $plans = [
            'Noon on deck' => new LightPlan(new KeyLight(120, 50), new Rgb(0xFF, 0xF1, 0xD6), new Rgb(0x9F, 0xBC, 0xD8), new RoughDials(0.35, 0.06, 0.3, 46, 0)),
            'Lamp at midnight' => new LightPlan(new KeyLight(52, 34), new Rgb(0xFF, 0xE2, 0xA8), new Rgb(0x5E, 0x7C, 0xB0), new RoughDials(0.35, 0.08, 0.42, 60, 9, 0.6),
                [new Lamp(0.17, 0.85, 0.2, new Rgb(0xFF, 0xC4, 0x70))], new BackLight(40, new Rgb(0xCF, 0xE0, 0xFF))),
            'Sea fog' => new LightPlan(new KeyLight(90, 62), new Rgb(0xE6, 0xEC, 0xEE), new Rgb(0xB8, 0xC6, 0xCE), new RoughDials(0.2, 0.5, 0.2, 0, 0)),
        ];
        foreach ($plans as $name => $plan) {
            SeriesLight::query()->create(['series_id' => $this->series->id, 'name' => $name, 'plan' => $plan->toData()]);
        }
    }

    /** What stands before the rest of its figure. */
    private const BEFORE = ['plait', 'curls'];

    /** Roughed in, and nothing else. */
    public function roughIn(Page $page, string $plan): void
    {
        $light = $this->stand($page, $plan);
        foreach ($this->figures() as $figure) {
            $flat = $this->labelsOf($page, self::FLAT, $figure);
            if ($flat !== []) {
                $this->apply($page, OpKinds::read('light.solid', ['labels' => $flat, 'solid' => Solid::Flat->value]));
            }
            $before = $this->labelsOf($page, self::BEFORE, $figure);
            if ($before !== []) {
                $this->apply($page, OpKinds::read('light.before', ['labels' => $before, 'before' => true]));
            }
            $this->rough($page, $figure, $light);
        }
    }

    /** Roughed in, then corrected by hand, with lamps that glow. */
    public function finish(Page $page, string $plan): void
    {
        $this->roughIn($page, $plan);
        $oda = $this->figures()[0];
        // A face is not as deep in shade as a coat, and its glints are the wind's, not a lacquer's.
        $this->apply($page, new ChangePass($this->id($oda, 'glint'), $this->values(['opacity' => 0.55])));
        $this->apply($page, new SoftenPass($this->id($oda, 'shade'), 5));
        $cast = new PassSpec('Cast shadow', $oda->id, new ToneContent(Tone::Shade), Scope::figure($oda->id));
        $this->apply($page, new PaintShape(new Laying('castbyhand', $cast, inside: $this->labelsOf($page, ['skin'], $oda)), [[560, 1925], [812, 1915], [806, 1972], [760, 1992], [700, 1998], [596, 1984]]));
        $this->glow($page);
    }

    private function stand(Page $page, string $plan): LightPlan
    {
        $row = SeriesLight::query()->where('series_id', $this->series->id)->where('name', $plan)->firstOrFail();
        $page->forceFill(['plan_id' => $row->id])->save();

        return $row->plan();
    }

    /** @return list<Figure> nearest first, without the sheet itself */
    private function figures(): array
    {
        /** @var list<Figure> $figures */
        $figures = Figure::query()->where('series_id', $this->series->id)->orderByDesc('depth')->limit(5)->get()->all();

        return $figures;
    }

    private function rough(Page $page, Figure $figure, LightPlan $light): void
    {
        $solid = $this->labelsOf($page, self::SOLID, $figure);
        $isThere = array_filter($this->sheet($page)->all(Region::class), fn (Region $region): bool => $region->figure === $figure->id) !== [];
        if ($isThere) {
            $this->apply($page, (new FigureLight($this->sheet($page), $figure))->by($light, $solid));
        }
    }

    /**
     * @param  list<string>  $materials
     * @return list<int> regions of these
     */
    private function labelsOf(Page $page, array $materials, Figure $figure): array
    {
        $ids = Material::query()->where('figure_id', $figure->id)->whereIn('name', $materials)->pluck('id')->all();

        return array_map(intval(...), array_keys(array_filter($this->sheet($page)->all(Region::class), fn (Region $region): bool => in_array($region->material, $ids, true))));
    }

    /** Soft light about whatever shines, over everything. */
    private function glow(Page $page): void
    {
        $lamps = Material::query()->whereIn('figure_id', array_column($this->figures(), 'id'))->whereIn('name', self::LAMPS)->pluck('id')->all();
        $sheet = $this->sheet($page);
        $shining = array_filter($sheet->all(Region::class), fn (Region $region): bool => in_array($region->material, $lamps, true));
        $labels = $sheet->labels();
        [$columns, $rows] = [intdiv($labels->width, self::SQUARE) + 1, intdiv($labels->height, self::SQUARE) + 1];
        $squares = array_fill(0, $columns * $rows, 0.0);
        foreach (Labels::spans($labels->data) as [$from, $to, $label]) {
            for ($at = isset($shining[$label]) ? $from : $to; $at < $to; $at++) {
                $squares[intdiv(intdiv($at, $labels->width), self::SQUARE) * $columns + intdiv($at % $labels->width, self::SQUARE)] += 255 / self::SQUARE ** 2;
            }
        }
        $soft = (new Blur(64 / self::SQUARE))->of(array_values($squares), $columns, $rows);
        $bytes = implode('', array_map(fn (float $value): string => chr((int) min(255, $value)), $soft));
        $large = Resized::plane($bytes, $columns, $rows, $columns * self::SQUARE, $rows * self::SQUARE);
        $plane = (new Plane($columns * self::SQUARE, $rows * self::SQUARE, $large))->crop(new Rect(0, 0, $labels->width, $labels->height));
        $this->apply($page, new LayCoverage(Str::lower(Str::random(12)), new PassSpec('Glow', 0, new TintContent(new Rgb(0xFF, 0xB8, 0x60)), Scope::page(), BlendMode::PlusLighter, 0.5), $plane));
    }

    private function id(Figure $figure, string $kind): string
    {
        return LayRoughIn::PREFIX.$figure->id.$kind;
    }

    /** @param  array<string, mixed>  $values */
    private function values(array $values): Data
    {
        return new Data($values);
    }

    private function sheet(Page $page): Sheet
    {
        return new Sheet(new PageStore($page->refresh()));
    }

    private function apply(Page $page, Op $op): void
    {
        $this->desk->apply($page->refresh(), $this->user, $op);
    }
}

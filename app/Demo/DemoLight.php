<?php

declare(strict_types=1);

namespace App\Demo;

use App\Desk\Light\FigureLight;
use App\Desk\Page\PageDesk;
use App\Models\Figure;
use App\Models\Material;
use App\Models\Page;
use App\Models\Series;
use App\Models\SeriesLight;
use App\Models\User;
use App\Store\PageStore;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Light\Emission\BackLight;
use Awning\Core\Light\Emission\KeyLight;
use Awning\Core\Light\Emission\Lamp;
use Awning\Core\Light\Plan\LightPlan;
use Awning\Core\Light\Plan\RoughDials;
use Awning\Core\Page\Data;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\RoughKind;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Pass\ToneContent;
use Awning\Core\Page\Region\Region;
use Awning\Core\Page\Region\Solid;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpKinds;
use Awning\Core\Sheet\Ops\Paint\PaintShape;
use Awning\Core\Sheet\Ops\Paint\SoftenPass;
use Awning\Core\Sheet\Ops\Passes\ChangePass;
use Awning\Core\Sheet\Painting\Laying;
use Awning\Core\Sheet\Sheet;

/**
 * The light of the demo's pages, made with what the application offers: plans, a rough light, and a hand that corrects
 * it.
 */
final readonly class DemoLight
{
    /** What of the harbour has a body; sky, sea and moon are light themselves. */
    private const SOLID = ['plaster', 'roofs', 'stone', 'hills'];

    /** What of that, and of the ferry, is flat: walls, not bellies. */
    private const FLAT = ['plaster', 'roofs', 'stone', 'hills', 'cabin'];

    /** What gives light at night. */
    private const SHINING = ['lamp light', 'windows', 'moon'];

    /** What the brim of her hat shades of Oda's face, in the units of her drawing. */
    private const UNDER_BRIM = [[206, 173], [391, 165], [387, 207], [353, 222], [309, 226], [232, 216]];

    public function __construct(private Series $series, private User $user, private PageDesk $desk)
    {
    }

    public function plans(): void
    {
        $plans = [
            'Noon on deck' => new LightPlan(
                new KeyLight(120, 50),
                new Rgb(0xFF, 0xF1, 0xD6),
                new Rgb(0x9F, 0xBC, 0xD8),
                new RoughDials(folds: 0.35, soft: 0.06, reach: 0.3, cast: 46, rim: 0, deepSoft: 0.06, ground: 70),
            ),
            'Lamp at midnight' => new LightPlan(
                new KeyLight(52, 34),
                new Rgb(0xFF, 0xE2, 0xA8),
                new Rgb(0x5E, 0x7C, 0xB0),
                new RoughDials(
                    folds: 0.35,
                    soft: 0.08,
                    reach: 0.42,
                    cast: 60,
                    rim: 9,
                    lines: 0.6,
                    glow: 150,
                    deepSoft: 0.08,
                    castSoft: 12,
                    ground: 60,
                ),
                [new Lamp(0.17, 0.85, 0.2, new Rgb(0xFF, 0xC4, 0x70))],
                new BackLight(40, new Rgb(0xCF, 0xE0, 0xFF)),
            ),
            'Sea fog' => new LightPlan(
                new KeyLight(90, 62),
                new Rgb(0xE6, 0xEC, 0xEE),
                new Rgb(0xB8, 0xC6, 0xCE),
                new RoughDials(folds: 0.2, soft: 0.5, reach: 0.2, cast: 0, rim: 0, deepSoft: 0.5, ground: 110),
            ),
        ];
        foreach ($plans as $name => $plan) {
            SeriesLight::query()->create([
                'series_id' => $this->series->id,
                'name' => $name,
                'plan' => $plan->toData(),
            ]);
        }
    }

    /** What stands before the rest of its figure. */
    private const BEFORE = ['plait', 'curls'];

    /**
     * Roughed in, and nothing else.
     *
     * @param  bool  $isNight  lamps, windows and the moon shine
     */
    public function roughIn(Page $page, string $plan, bool $isNight = false): void
    {
        $light = $this->stand($page, $plan);
        foreach ($this->figures() as $figure) {
            foreach ([
                [self::FLAT, Solid::Flat],
                ...$isNight ? [[self::SHINING, Solid::Shining]] : [],
            ] as [$materials, $solid]) {
                $labels = $this->labelsOf($page, $materials, $figure);
                if ($labels !== []) {
                    $this->apply($page, OpKinds::read('light.solid', ['labels' => $labels, 'solid' => $solid->value]));
                }
            }
            $before = $this->labelsOf($page, self::BEFORE, $figure);
            if ($before !== []) {
                $this->apply($page, OpKinds::read('light.before', ['labels' => $before, 'inFront' => true]));
            }
            $this->rough($page, $figure, $light);
        }
    }

    /** Roughed in, then corrected by hand. */
    public function finish(Page $page, string $plan): void
    {
        $this->roughIn($page, $plan, true);
        $this->correct($page, [280, 1690], 1.36);
    }

    /** Roughed in, and one of the two corrected so far. */
    public function begin(Page $page, string $plan): void
    {
        $this->roughIn($page, $plan);
        $this->correct($page, [1470, 1670], 1.45);
    }

    /**
     * Oda as a hand would have her: a face is not as deep in shade as a coat, its glints are the wind's, not a
     * lacquer's, and the brim throws a shadow on it.
     *
     * @param  array{int, int}  $at  where her drawing begins on the page
     */
    private function correct(Page $page, array $at, float $scale): void
    {
        $oda = $this->figures()[0];
        $this->apply($page, new ChangePass($this->id($oda, 'glint'), $this->values(['opacity' => 0.55])));
        $this->apply($page, new SoftenPass($this->id($oda, 'shade'), 5));
        $cast = new PassSpec('Cast shadow', $oda->id, new ToneContent(Tone::Shade), Scope::figure($oda->id));
        $brim = array_map(
            fn (array $place): array => [$at[0] + $scale * $place[0], $at[1] + $scale * $place[1]],
            self::UNDER_BRIM,
        );
        $this->apply(
            $page,
            new PaintShape(new Laying('castbyhand', $cast, inside: $this->labelsOf($page, ['skin'], $oda)), $brim),
        );
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
        $isThere =
            array_filter(
                $this->sheet($page)->all(Region::class),
                fn (Region $region): bool => $region->figure === $figure->id,
            ) !== [];
        if ($isThere) {
            $this->apply(
                $page,
                (new FigureLight(FigureLight::pageOf($this->sheet($page), $page), $figure))->by($light, $solid),
            );
        }
    }

    /**
     * @param  list<string>  $materials
     * @return list<int> regions of these
     */
    private function labelsOf(Page $page, array $materials, Figure $figure): array
    {
        $ids = Material::query()->where('figure_id', $figure->id)->whereIn('name', $materials)->pluck('id')->all();

        return array_map(
            intval(...),
            array_keys(
                array_filter(
                    $this->sheet($page)->all(Region::class),
                    fn (Region $region): bool => in_array($region->material, $ids, true),
                ),
            ),
        );
    }

    private function id(Figure $figure, string $kind): string
    {
        return RoughKind::from($kind)->id($figure->id);
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

<?php

declare(strict_types=1);

namespace App\Desk\Light;

use App\Models\Figure;
use App\Models\Page;
use App\Store\PageStore;
use App\Store\Pyramid;
use Awning\Core\Light\Plan\LightPlan;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Region\Region;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Painting\LayerWindow;
use Awning\Core\Sheet\Sheet;

/**
 * What a light plan would do to a figure, while it is still being dragged: worked out small, and laid on nothing that
 * is kept.
 *
 * @phpstan-import-type PassData from PassSpec
 *
 * @phpstan-type TriedPassState array{spec: PassData, coverage: string}
 * @phpstan-type TriedLightState array{level: int, x: int, y: int, width: int, height: int,
 *     passes: array<string, TriedPassState>}
 */
final readonly class LightPreview
{
    public function __construct(private Page $page, private Figure $figure)
    {
    }

    /**
     * @param  list<int>  $only  regions it is laid in; none: all of the figure
     * @return TriedLightState place and size in pixels of its level; coverage one byte a pixel, deflated, as base64
     *
     * @throws OpRefused when the page has nothing of the figure
     */
    public function under(LightPlan $plan, array $only = [], Sharpness $sharpness = Sharpness::Quick): array
    {
        $store = new PageStore($this->page);
        $level = $this->level((new Sheet($store))->all(Region::class), $sharpness);
        $pyramid = new Pyramid($store, $level);
        $sheet = new Sheet($pyramid);
        $op = (new FigureLight(FigureLight::pageOf($sheet, $this->page, 1 << $level), $this->figure))->by(
            $plan,
            $only,
            work: $sharpness->bodies(),
        );
        $pyramid->fetch($op->layers());
        $op->apply($sheet);
        $where = $op->bounds();
        $passes = [];
        foreach ($sheet->all(PassSpec::class) as $id => $pass) {
            $id = (string) $id;
            if (! $op->isOurs($id)) {
                continue;
            }
            $passes[$id] = [
                'spec' => $pass->toData(),
                'coverage' => base64_encode(
                    (string) gzcompress((new LayerWindow($sheet, $pass->layer($id)))->read($where), 1),
                ),
            ];
        }

        return [
            'level' => $level,
            'x' => $where->x,
            'y' => $where->y,
            'width' => $where->width,
            'height' => $where->height,
            'passes' => $passes,
        ];
    }

    /**
     * The finest at which there is not too much to work out.
     *
     * @param  array<array-key, Region>  $regions
     */
    private function level(array $regions, Sharpness $sharpness): int
    {
        $area = 0;
        foreach ($regions as $region) {
            $area += $region->figure === $this->figure->id ? $region->area : 0;
        }
        $level = $sharpness->finest();
        while ($level < Pyramid::HIGHEST && $area >> (2 * $level) > $sharpness->pixels()) {
            $level++;
        }

        return $level;
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Painting;

use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\ScopeKind;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Rect;
use Awning\Core\Sheet\Sheet;

/**
 * Where paint of a pass is seen: the regions its clip lets it into. What works on paint that is there looks no further.
 */
final readonly class PassReach
{
    private ?RegionCoverage $regions;

    private bool $isNowhere;

    private Rect $page;

    /** @param  list<int>  $inside  regions it is kept inside of; none: wherever the clip lets it */
    public function __construct(Sheet $sheet, PassSpec $pass, array $inside)
    {
        $clip = match ($pass->scope->kind) {
            ScopeKind::Figure => self::labels(
                $sheet,
                fn (Region $region): bool => $region->figure === $pass->scope->id,
            ),
            ScopeKind::Material => self::labels(
                $sheet,
                fn (Region $region): bool => $region->material === $pass->scope->id,
            ),
            default => null,
        };
        $labels = match (true) {
            $clip === null => $inside,
            $inside === [] => $clip,
            default => array_values(array_intersect($clip, $inside)),
        };
        $this->page = $sheet->rect();
        $this->isNowhere = $labels === [] && ($clip !== null || $inside !== []);
        $this->regions = $labels === [] ? null : new RegionCoverage($sheet, $labels);
    }

    /** @return string 255 where it reaches, 0 elsewhere */
    public function in(Rect $rect): string
    {
        $none = str_repeat("\0", $rect->width * $rect->height);
        if ($this->isNowhere) {
            return $none;
        }
        if ($this->regions !== null) {
            return $this->regions->cut($rect) ?? $none;
        }
        // Beside the page there is nothing.
        $on = $rect->intersect($this->page);

        return Bytes::crop(
            str_repeat("\xff", $on->width * $on->height),
            $on->width,
            $on->height,
            new Rect($rect->x - $on->x, $rect->y - $on->y, $rect->width, $rect->height),
            1,
        );
    }

    /**
     * @param  \Closure(Region): bool  $isMeant
     * @return list<int>
     */
    private static function labels(Sheet $sheet, \Closure $isMeant): array
    {
        return array_map(intval(...), array_keys(array_filter($sheet->all(Region::class), $isMeant)));
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Painting;

use Awning\Core\Page\LayerName;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Coverage;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Rect;
use Awning\Core\Sheet\Sheet;

/** Regions of a page, all of them; or what of something else lies inside them. */
final readonly class RegionCoverage implements Coverage
{
    /** @var array<int, int> */
    private array $labels;

    /**
     * @param  non-empty-list<int>  $labels
     * @param  ?Coverage  $within  null: the whole regions
     */
    public function __construct(private Sheet $sheet, array $labels, private ?Coverage $within = null)
    {
        $this->labels = array_flip($labels);
    }

    public function bounds(): Rect
    {
        return $this->within?->bounds() ?? $this->sheet->rect();
    }

    public function cut(Rect $rect): ?string
    {
        $within = $this->within?->cut($rect);
        if ($within === null && $this->within !== null) {
            return null;
        }
        $mask = '';
        foreach (
            Labels::spans((new LayerWindow($this->sheet, LayerName::flats()))->read($rect)) as [$from, $to, $label]
        ) {
            $mask .= str_repeat(isset($this->labels[$label]) ? "\xff" : "\0", $to - $from);
        }
        $mask = $within === null ? $mask : $mask & $within;

        return Bytes::isNothing($mask) ? null : $mask;
    }
}

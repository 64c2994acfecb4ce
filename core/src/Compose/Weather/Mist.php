<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Weather;

use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\MistContent;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\ValueNoise;

/**
 * The coverage of mist: patches, or as even as fog is, between two heights of the page. The browser's
 * resources/js/picture/weather/mist.ts makes the same.
 */
final readonly class Mist implements Plane
{
    /** What the patches of half the size count beside the large ones. */
    private const FINER = 0.5;

    public function __construct(private MistContent $content, private PageSize $page)
    {
    }

    /** @return string one byte a px of the rectangle */
    public function in(Rect $rect): string
    {
        $content = $this->content;
        $large = (new ValueNoise($content->seed, $content->size))->in($rect);
        $fine = (new ValueNoise($content->seed + 1, $content->size / 2))->in($rect);
        // Patches have a mean of a half: so has fog without any.
        $even = (1 - $content->texture) / 2;
        $scale = $content->texture / (1 + self::FINER);
        $bytes = '';
        $at = 0;
        for ($row = $rect->y, $end = $rect->y + $rect->height; $row < $end; $row++) {
            $strength = 255 * $content->density * $this->atHeight(($row + 0.5) / $this->page->height);
            for ($x = 0; $x < $rect->width; $x++, $at++) {
                $patches = $scale * ($large[$at] + self::FINER * $fine[$at]);
                $bytes .= chr((int) ($strength * ($even + $patches) + 0.5));
            }
        }

        return $bytes;
    }

    /**
     * How much of it lies at a height: all between its edges; it ends smoothly over as much of the page as is said.
     *
     * @param  float  $height  part of the page's height, from above
     */
    private function atHeight(float $height): float
    {
        $content = $this->content;
        $inside = min($height - $content->top, $content->bottom - $height);
        if ($content->fade <= 0) {
            return $inside >= 0 ? 1.0 : 0.0;
        }
        $way = max(0.0, min(1.0, $inside / $content->fade + 1));

        return $way * $way * (3 - 2 * $way);
    }
}

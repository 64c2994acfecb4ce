<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Compose\Canvas\Canvas;
use Awning\Core\Page\Pass\MistContent;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\ValueNoise;

/** Lays one colour in patches that are computed from the place on the page, inside its clip. */
final readonly class MistLayer extends PassLayer
{
    /** What the patches of half the size count beside the large ones. */
    private const FINER = 0.5;

    protected function put(Canvas $canvas, Ground $ground): void
    {
        $content = $this->spec->content;
        $filled = $this->filled($ground);
        if ($filled === null || ! ($content instanceof MistContent)) {
            return;
        }
        $patches = $ground->generated(fn (Rect $rect): string => self::patches($content, $rect));
        $canvas->tint(
            $this->turned([[0, $ground->count, $content->colour->number()]]),
            Bytes::product($filled, $patches),
            $this->spec->mode,
            $this->spec->opacity,
        );
    }

    /** @return string one byte a pixel */
    private static function patches(MistContent $content, Rect $rect): string
    {
        $large = (new ValueNoise($content->seed, $content->size))->in($rect);
        $fine = (new ValueNoise($content->seed + 1, $content->size / 2))->in($rect);
        $scale = (255 * $content->density) / (1 + self::FINER);
        $bytes = '';
        foreach ($large as $i => $value) {
            $bytes .= chr((int) ($scale * ($value + self::FINER * $fine[$i]) + 0.5));
        }

        return $bytes;
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Light\Surface;

use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\ValueNoise;

/**
 * Snow that lies on what faces up: where the surface normal points up by more than a cosine, which differs from place
 * to place by value noise, so that the rim is lumpy. That snow gathers where the normal points up is common practice;
 * the figures are ours.
 */
final readonly class SettledSnow
{
    /** What the noise is made from: lumps are the same for every figure, as they follow from the place on the page. */
    private const SEED = 4711;

    /** How far lumps move the rim at most, as a cosine. */
    private const LUMPS = 0.3;

    /** Half of the width of the rim's soft edge, as a cosine. */
    private const SOFT = 0.05;

    /** How far inside its rim snow turns away from the reader and is in shade, as a cosine. */
    private const ROUND = 0.16;

    /** Up to that cosine nothing can lie. */
    private const FLAT = 0.1;

    /**
     * @param  string  $cover  one byte a px: how much snow covers
     * @param  string  $rim  one byte a px: how much it turns downward at its rim
     */
    private function __construct(public string $cover, public string $rim)
    {
    }

    /**
     * @param  string  $up  one byte a px of the rectangle: how far the surface faces up, 0..255 for -1..1
     * @param  Rect  $where  px of the page, so many times finer
     * @param  float  $amount  0..1: how much has settled; 1: on everything that faces up at all
     * @param  float  $lumpy  0..1: how lumpy the rim is
     * @param  float  $size  from lump to lump, px of that plane
     */
    public static function on(string $up, Rect $where, float $amount, float $lumpy, float $size): self
    {
        if ($amount <= 0 || trim($up, "\0..\x80") === '') {
            $none = str_repeat("\0", strlen($up));

            return new self($none, $none);
        }
        $noise = (new ValueNoise(self::SEED, max(1.0, $size)))->in($where);
        // A level roof holds snow however little has fallen.
        $from = min(1 - $amount, 1 - 2 * self::SOFT);
        $lumps = 2 * self::LUMPS * $lumpy;
        $cover = $rim = [];
        foreach ($noise as $at => $lump) {
            $facing = ord($up[$at]) / 127.5 - 1;
            // Also what is kept as 128, which is no further up than bytes can tell.
            if ($facing < 0.005) {
                $cover[] = $rim[] = 0;

                continue;
            }
            $inside = $facing - $from + $lumps * ($lump - 0.5);
            $lies = self::eased($inside / (2 * self::SOFT) + 0.5) * self::eased($facing / self::FLAT);
            $cover[] = (int) (255 * $lies + 0.5);
            $rim[] = (int) (255 * (1 - self::eased($inside / self::ROUND)) + 0.5);
        }

        return new self(Bytes::of($cover), Bytes::of($rim));
    }

    /** 0 below 0, 1 above 1, and the usual cubic between. */
    private static function eased(float $part): float
    {
        $part = max(0.0, min(1.0, $part));

        return $part * $part * (3 - 2 * $part);
    }
}

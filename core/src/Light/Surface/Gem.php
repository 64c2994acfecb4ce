<?php

declare(strict_types=1);

namespace Awning\Core\Light\Surface;

/**
 * A cut stone: a table in the middle that faces the reader, about it a ring of facets, and about that another one of
 * facets that lean more and lie between the first. Each is plane. The cut is ours, after the brilliant (common
 * practice).
 */
final readonly class Gem
{
    private const FACETS = 8;

    /** Parts of the way from the middle to the rim: the table ends, the outer ring begins. */
    private const TABLE = 0.5;

    private const GIRDLE = 0.78;

    /** Sines of how far the facets of either ring lean. */
    private const INNER = 0.45;

    private const OUTER = 0.75;

    /**
     * @param  float  $part  of the way from the middle to the rim
     * @param  float  $angle  about the middle, radians, against the clock from the stone's longer side
     * @return array{float, float} where the surface faces, along that side and across it; 0 and 0 is to the reader
     */
    public static function facing(float $part, float $angle): array
    {
        if ($part < self::TABLE) {
            return [0.0, 0.0];
        }
        $turn = 2 * M_PI / self::FACETS;
        $isOuter = $part >= self::GIRDLE;
        $offset = $isOuter ? 0.5 : 0.0;
        $middle = $turn * (round($angle / $turn - $offset) + $offset);
        $lean = $isOuter ? self::OUTER : self::INNER;

        return [$lean * cos($middle), $lean * sin($middle)];
    }
}

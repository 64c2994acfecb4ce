<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

/**
 * How sure it is that a gap was none in the drawing, 0..1: boosted decision trees (Friedman 2001, logistic loss) over
 * what can be measured of a bridge. The trees are learnt by tests/Reference/python/bridges.py, which cuts the lines of
 * drawings that are known and asks of every candidate whether a line was there.
 */
final class BridgeScore
{
    /**
     * @param  list<float|int>  $features  length in longest gaps; how far the end that turns more turns aside, and the
     *     other (1 less its cosine); how many of the two are corners, 3 and more with a dot; how far it is from an arc,
     *     radians; tips around; corners around; the straightest bend of a corner that it has, and twice as far from it
     *     (LineEnd), 0 without one
     */
    public static function pair(array $features): float
    {
        return self::of('pair', $features);
    }

    /**
     * @param  list<float|int>  $features  length in longest gaps, as all lengths here; turn aside (1 less its cosine);
     *     from the hit to the nearest other end that is free; how much further the ink is on the nearer side of the way
     *     and on the other; free tips around
     */
    public static function shot(array $features): float
    {
        return self::of('shot', $features);
    }

    /**
     * @param  list<float|int>  $features  those of a pair; then, when all that is sure has been bridged: free ends
     *     around both together, and around the one that has more; the score of the surest pair that either could have
     *     instead
     */
    public static function leftPair(array $features): float
    {
        return self::of('leftPair', $features);
    }

    /**
     * @param  list<float|int>  $features  those of a shot; then, when all that is sure has been bridged: the score of
     *     the surest pair that its end could have instead; whether it starts at a corner; corners around; how that
     *     corner bends, and twice as far from it, 0 of a tip
     */
    public static function leftShot(array $features): float
    {
        return self::of('leftShot', $features);
    }

    /**
     * @param  'pair'|'shot'|'leftPair'|'leftShot'  $kind
     * @param  list<float|int>  $features
     */
    private static function of(string $kind, array $features): float
    {
        ['bias' => $sum, 'trees' => $trees] = BridgeTrees::of($kind);
        foreach ($trees as $tree) {
            for ($at = 0; $tree[$at] >= 0;) {
                $at = $features[(int) $tree[$at]] < $tree[$at + 1] ? $at + 3 : (int) $tree[$at + 2];
            }
            $sum += $tree[$at + 1];
        }

        return 1 / (1 + exp(-$sum));
    }
}

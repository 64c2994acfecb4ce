<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

/**
 * Guesses what regions are filled with from those of another page that lie alike: the same cast stands in the same
 * places.
 */
final readonly class FillsOfBefore
{
    /** Less alike than this is no guess. */
    private const LIKE = 0.35;

    /**
     * @param  array<int, RegionShape>  $now  regions to be guessed, by label
     * @param  array<int, RegionShape>  $before  filled regions of the other page, by label
     * @return array<int, int> label of the other page's region by ours, for those of which one is like enough
     */
    public static function guess(array $now, array $before): array
    {
        $guesses = [];
        foreach ($now as $label => $shape) {
            $least = self::LIKE;
            foreach ($before as $other => $like) {
                $unlike = $shape->unlike($like);
                if ($unlike < $least) {
                    [$least, $guesses[$label]] = [$unlike, $other];
                }
            }
        }

        return $guesses;
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

/** The order passes lie in, bottom up: by their order number; where two are equal, by their id. */
final class PassOrder
{
    /** How far above the highest a new pass hangs. */
    public const STEP = 1.0;

    /**
     * @param  array<array-key, PassSpec>  $passes  by id
     * @return array<array-key, PassSpec>
     */
    public static function sorted(array $passes): array
    {
        uksort(
            $passes,
            fn (int|string $a, int|string $b): int => [$passes[$a]->order, (string) $a] <=> [
                $passes[$b]->order,
                (string) $b,
            ],
        );

        return $passes;
    }

    /**
     * The order number that lays a new pass on top of its figure's.
     *
     * @param  array<array-key, PassSpec>  $passes
     */
    public static function onTop(array $passes, int $figure): float
    {
        $highest = 0.0;
        foreach ($passes as $pass) {
            if ($pass->figure === $figure) {
                $highest = max($highest, $pass->order);
            }
        }

        return $highest + self::STEP;
    }

    /**
     * The pass right below another among those of its figure; null: it lies lowest.
     *
     * @param  array<array-key, PassSpec>  $passes  by id
     */
    public static function below(array $passes, string $id): ?string
    {
        $below = null;
        foreach (self::sorted($passes) as $other => $pass) {
            if ((string) $other === $id) {
                return $below;
            }
            $below = $pass->figure === $passes[$id]->figure ? (string) $other : $below;
        }

        return null;
    }

    /**
     * The order number right above a pass, below the next of its figure.
     *
     * @param  array<array-key, PassSpec>  $passes  by id
     */
    public static function above(array $passes, string $id): float
    {
        $order = $passes[$id]->order;
        foreach (self::sorted($passes) as $other) {
            if ($other->figure === $passes[$id]->figure && $other->order > $order) {
                return ($order + $other->order) / 2;
            }
        }

        return $order + self::STEP;
    }
}

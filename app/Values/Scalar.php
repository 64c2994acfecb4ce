<?php

declare(strict_types=1);

namespace App\Values;

use UnexpectedValueException;

/**
 * What settings, rows, requests and JSON give as "mixed", as the type it must have. Null is 0 or "", as PHP casts it:
 * of no rows at all the largest number is null.
 */
final class Scalar
{
    /** @throws UnexpectedValueException for an array or an object */
    public static function int(mixed $value): int
    {
        return (int) self::checked($value);
    }

    /** @throws UnexpectedValueException for an array or an object */
    public static function float(mixed $value): float
    {
        return (float) self::checked($value);
    }

    /** @throws UnexpectedValueException for an array or an object */
    public static function string(mixed $value): string
    {
        return (string) self::checked($value);
    }

    /**
     * @param  array<array-key, mixed>  $values
     * @return list<int>
     */
    public static function ints(array $values): array
    {
        return array_map(self::int(...), array_values($values));
    }

    /**
     * @param  array<array-key, mixed>  $values
     * @return list<string>
     */
    public static function strings(array $values): array
    {
        return array_map(self::string(...), array_values($values));
    }

    private static function checked(mixed $value): bool|float|int|string|null
    {
        return $value === null || is_scalar($value)
            ? $value
            : throw new UnexpectedValueException('A single value was wanted, not '.get_debug_type($value).'.');
    }
}

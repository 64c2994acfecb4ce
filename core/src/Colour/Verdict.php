<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/** How near a colour is to the nearest of a palette. */
enum Verdict: string
{
    case Exact = 'exact';
    case Near = 'near';
    case Unknown = 'unknown';

    private const EXACT_TO = 1.0;

    private const NEAR_TO = 5.0;

    /** @param  float  $difference  CIEDE2000 */
    public static function of(float $difference): self
    {
        return match (true) {
            $difference <= self::EXACT_TO => self::Exact,
            $difference <= self::NEAR_TO => self::Near,
            default => self::Unknown,
        };
    }
}

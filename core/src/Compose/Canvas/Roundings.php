<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Canvas;

use Awning\Core\Raster\Bytes;

/**
 * How far whole numbers of 0..255 may be from the exact values, pixel by pixel: right, at most half a step off, at most
 * a whole step, or perhaps more.
 *
 * Each layer that is laid rounds once, by at most half a step, and hands on what was off before it: no enlarged where
 * the mode's slope is at most one. So a pixel is surely within one step after two layers, and after one that enlarges
 * errors only if it was right before.
 *
 * One byte a pixel: the level, and for the time of one step what was laid on it, so that a step is one table look-up
 * (bits 0-1 the level, 2-3 what happens, 4-5 the level of what is mixed in).
 */
final class Roundings
{
    private const MORE = 3;

    private const NOTHING = 0;

    private const ROUNDED = 1;

    private const REPLACED = 2;

    private const UNKNOWN = 3;

    private string $levels;

    public function __construct(int $count)
    {
        $this->levels = str_repeat("\0", $count);
    }

    /** @return string 255 where more than one step may be missing, else 0 */
    public function tooMany(): string
    {
        return strtr($this->levels, Bytes::identity(), Bytes::threshold(self::MORE));
    }

    /**
     * A layer in whole numbers.
     *
     * @param  bool  $enlarging  whether the mode may be steeper than one
     * @param  bool  $replacing  whether full coverage puts a right value in place of what was there
     */
    public function lay(string $coverage, bool $enlarging, bool $replacing): void
    {
        $this->step(self::events($coverage, self::ROUNDED, $replacing ? self::REPLACED : self::ROUNDED), $enlarging);
    }

    /** A layer that whole numbers cannot lay. */
    public function giveUp(string $coverage): void
    {
        $this->step(self::events($coverage, self::UNKNOWN, self::UNKNOWN), false);
    }

    /**
     * Mixed with another picture: as bad as the worse of both, and rounded.
     *
     * @param  bool  $replacing  whether it is the other's where the coverage is full
     */
    public function mix(self $other, string $coverage, bool $replacing): void
    {
        $this->step(
            self::events($coverage, self::ROUNDED, $replacing ? self::REPLACED : self::ROUNDED) | $other->shifted(),
            false,
        );
    }

    /** Faded toward what was there before. */
    public function fade(self $before, string $coverage): void
    {
        $this->step(self::events($coverage, self::ROUNDED, self::ROUNDED) | $before->shifted(), false);
    }

    private function step(string $events, bool $enlarging): void
    {
        $this->levels = strtr($this->levels | $events, Bytes::identity(), self::after($enlarging));
    }

    private function shifted(): string
    {
        return strtr($this->levels, "\1\2\3", "\x10\x20\x30");
    }

    /** @return string what happens to each pixel, at bits 2-3 */
    private static function events(string $coverage, int $soft, int $full): string
    {
        return strtr(
            $coverage,
            Bytes::identity(),
            chr(self::NOTHING).str_repeat(chr($soft << 2), 254).chr($full << 2),
        );
    }

    /** @return string 256 bytes: level, event and the other's level to the level afterwards */
    private static function after(bool $enlarging): string
    {
        /** @var array<int, string> $tables */
        static $tables = [];

        return $tables[(int) $enlarging] ??= Bytes::table(static function (int $state) use ($enlarging): int {
            [$level, $event, $other] = [$state & 3, ($state >> 2) & 3, ($state >> 4) & 3];
            $worse = max($level, $other);

            return match ($event) {
                self::NOTHING => $level,
                self::ROUNDED => $enlarging && $worse > 0 ? self::MORE : min(self::MORE, $worse + 1),
                self::REPLACED => $other,
                default => self::MORE,
            };
        });
    }
}

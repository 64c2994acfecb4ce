<?php

declare(strict_types=1);

namespace Awning\Core\Ink;

use Awning\Core\Page\Drawing\LineColour;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Plane;

/**
 * Which colours of a scan were drawn to stay. A coloured underdrawing is lighter than the ink over it; lines that are
 * as dark as the ink, or that are nearly all there is, are ink whatever their colour.
 *
 * Colours are told apart by which channels stay bright: blue pencils run from violet blue to cyan, red ones from orange
 * red to magenta.
 */
final readonly class InkColours
{
    /**
     * By which of red (4), green (2) and blue (1) stay brighter than half-way between the darkest and the brightest.
     */
    public const NAMES = [1 => 'blue', 2 => 'green', 3 => 'blue', 4 => 'red', 5 => 'red', 6 => 'yellow'];

    /** Channels that differ by more make a pixel coloured, in steps of 255. */
    public const COLOURED = 40;

    /** So bright, of 255, is what is darker than paper by less than that. */
    private const PAPER = 256 - self::COLOURED;

    /** Every so many pixels and lines are looked at. */
    private const STEP = 5;

    /** Less than this part of all that is dark is fringes and stains. */
    private const COUNTS = 0.03;

    /** More than this part of all that is dark is black ink. */
    private const BLACK_COUNTS = 0.25;

    /** As dark as this part of the black ink, a coloured line is ink, too. */
    private const AS_DARK = 0.75;

    /** No darker than this part of the black ink in one channel, and levels alone take it away there. */
    private const CLEAR = 0.15;

    /** Lines as dark as this are ink when there is no black to compare with. */
    private const DARK = 150;

    /**
     * @param  list<string>  $kept  kinds of colour that are ink
     * @param  list<string>  $dropped  kinds that are an underdrawing
     * @param  int  $black  how dark the lines of no colour are, 0..255
     * @param  ?int  $clear  the channel (0 to 2) in which what is dropped hardly shows: that one says all; null: there
     *     is none
     * @param  bool  $areTold  whether a person says what is dropped: it goes then, however dark
     */
    public function __construct(
        public array $kept = [],
        public array $dropped = [],
        private int $black = 255,
        private ?int $clear = null,
        private bool $areTold = false,
    ) {
    }

    /** The same kinds, kept or dropped as a person wants. */
    public function asWanted(LineColour $drop): self
    {
        if ($drop === LineColour::Auto) {
            return $this;
        }
        $all = [...$this->kept, ...$this->dropped];
        $dropped = match ($drop) {
            LineColour::Keep => [],
            LineColour::All => $all,
            default => array_values(array_intersect($all, [$drop->value])),
        };

        return new self(array_values(array_diff($all, $dropped)), $dropped, $this->black, null, true);
    }

    /** The one channel that says all: green where nothing has a colour; null when all three are needed. */
    public function channel(): ?int
    {
        return $this->kept === [] && $this->dropped === [] ? 1 : $this->clear;
    }

    /**
     * @param  array{Plane, Plane, Plane}  $scan  red, green and blue
     * @param  array{PaperLight, PaperLight, PaperLight}  $light  on each
     */
    public static function of(array $scan, array $light): self
    {
        $seen = self::seen($scan, $light);
        $all = $seen->count();
        $counting = array_filter(
            $seen->coloured,
            fn (array $histogram): bool => array_sum($histogram) > self::COUNTS * $all,
        );
        if ($counting === []) {
            return new self;
        }
        $black = InkTally::usual($seen->neutral);
        $isBlackThere = array_sum($seen->neutral) > self::BLACK_COUNTS * $all;
        $enough = $isBlackThere ? self::AS_DARK * $black : self::DARK;
        $kept = array_keys(
            array_filter($counting, fn (array $histogram): bool => InkTally::usual($histogram) >= $enough),
        );
        if ($kept === [] && ! $isBlackThere) {
            // Nothing else is there: a drawing in pencil of one colour.
            $kept = array_keys($counting);
        }
        $isClear = $kept === [] && InkTally::usual($seen->lightest) <= self::CLEAR * $black;

        return new self(
            $kept,
            array_values(array_diff(array_keys($counting), $kept)),
            $black,
            $isClear ? $seen->clearest() : null,
        );
    }

    /**
     * @param  array{Plane, Plane, Plane}  $scan
     * @param  array{PaperLight, PaperLight, PaperLight}  $light
     */
    private static function seen(array $scan, array $light): InkTally
    {
        [$red, $green, $blue] = array_map(fn (Plane $plane): string => $plane->data, $scan);
        [$lightRed, $lightGreen, $lightBlue] = array_map(fn (PaperLight $of): string => $of->grid->levels, $light);
        $neutral = array_fill(0, 256, 0);
        $coloured = array_fill_keys(array_unique(self::NAMES), $neutral);
        $least = $neutral;
        $sums = [0, 0, 0];
        [$cell, $columns] = [$light[0]->grid->cell, $light[0]->grid->columns];
        [$width, $height] = [$scan[0]->width, $scan[0]->height];
        for ($y = 0; $y < $height; $y += self::STEP) {
            $first = intdiv($y, $cell) * $columns;
            for ($x = 0, $at = $y * $width; $x < $width; $x += self::STEP, $at += self::STEP) {
                $place = $first + (int) ($x / $cell);
                $r = 255 * ord($red[$at]);
                $g = 255 * ord($green[$at]);
                $b = 255 * ord($blue[$at]);
                $ofRed = ord($lightRed[$place]);
                $ofGreen = ord($lightGreen[$place]);
                $ofBlue = ord($lightBlue[$place]);
                // Paper, as nearly all of it is: told without a division.
                if ($r >= $ofRed * self::PAPER && $g >= $ofGreen * self::PAPER && $b >= $ofBlue * self::PAPER) {
                    continue;
                }
                $r = 255 - intdiv($r, $ofRed);
                $g = 255 - intdiv($g, $ofGreen);
                $b = 255 - intdiv($b, $ofBlue);
                $most = $r > $g ? ($r > $b ? $r : $b) : ($g > $b ? $g : $b);
                $low = $r < $g ? ($r < $b ? $r : $b) : ($g < $b ? $g : $b);
                if ($most - $low < self::COLOURED || $most - $low < 0.35 * $most) {
                    $neutral[$most]++;

                    continue;
                }
                $coloured[self::kind($r, $g, $b)][$most]++;
                $least[$low < 0 ? 0 : $low]++;
                $sums[0] += $r;
                $sums[1] += $g;
                $sums[2] += $b;
            }
        }

        return new InkTally($neutral, $coloured, $least, $sums);
    }

    /** The kind of colour that darkens the channels so. */
    private static function kind(int $r, int $g, int $b): string
    {
        $half = max($r, $g, $b) + min($r, $g, $b);

        return self::NAMES[(2 * $r < $half ? 4 : 0) | (2 * $g < $half ? 2 : 0) | (2 * $b < $half ? 1 : 0)] ?? 'red';
    }

    /**
     * One darkness out of three: of what is coloured and ink the darkest channel, else at most the lightest, which
     * hides an underdrawing.
     *
     * @param  array{Plane, Plane, Plane}  $darkness  of red, green and blue
     */
    public function merged(array $darkness): Plane
    {
        return $this->kept === [] && ! $this->areTold ? $this->darkInAll($darkness) : $this->chosen($darkness);
    }

    /**
     * Ink is dark in every channel, a coloured underdrawing is not: the channel in which the least is dark keeps its
     * greys, the others only say where there can be ink.
     *
     * @param  array{Plane, Plane, Plane}  $darkness
     */
    private function darkInAll(array $darkness): Plane
    {
        usort($darkness, fn (Plane $a, Plane $b): int => self::allDarkness($a) <=> self::allDarkness($b));
        [$base, $second, $third] = $darkness;
        $width = $base->width;
        $dark = Bytes::threshold(max(16, min(70, (int) (0.4 * $this->black))));
        $mask = strtr($second->data, Bytes::identity(), $dark) & strtr($third->data, Bytes::identity(), $dark);
        // "Can be ink" reaches two pixels further than what is dark, so that soft edges are kept whole.
        foreach ([1, 1] as $ignored) {
            $mask |= (substr($mask, 1)."\0") | ("\0".substr($mask, 0, -1));
            $mask |=
                (substr($mask, $width).str_repeat("\0", $width)) |
                (str_repeat("\0", $width).substr($mask, 0, -$width));
        }

        return new Plane($width, $base->height, $base->data & $mask);
    }

    /** The darkness of everything that is not just the paper's noise. */
    private static function allDarkness(Plane $plane): int
    {
        $sum = 0;
        foreach (array_slice($plane->histogram(), 16, null, true) as $darkness => $count) {
            $sum += $darkness * $count;
        }

        return $sum;
    }

    /** @param  array{Plane, Plane, Plane}  $darkness */
    private function chosen(array $darkness): Plane
    {
        [$red, $green, $blue] = array_map(fn (Plane $plane): string => $plane->data, $darkness);
        $isKept = [];
        foreach (self::NAMES as $bright => $name) {
            $isKept[$bright] = ! in_array($name, $this->dropped, true);
        }
        $isKept[0] = $isKept[7] = true;
        for ($at = 0, $count = strlen($green); $at < $count; $at++) {
            [$r, $g, $b] = [ord($red[$at]), ord($green[$at]), ord($blue[$at])];
            $most = $r > $g ? ($r > $b ? $r : $b) : ($g > $b ? $g : $b);
            $least = $r < $g ? ($r < $b ? $r : $b) : ($g < $b ? $g : $b);
            $half = $most + $least;
            $isInk = $isKept[($r + $r < $half ? 4 : 0) | ($g + $g < $half ? 2 : 0) | ($b + $b < $half ? 1 : 0)];
            // The more coloured it is, the more of what is dark in all channels goes, too.
            $left = $least - (($most - $least) >> 1);
            $green[$at] = chr($isInk ? $most : ($left > 0 ? $left : 0));
        }

        return new Plane($darkness[1]->width, $darkness[1]->height, $green);
    }
}

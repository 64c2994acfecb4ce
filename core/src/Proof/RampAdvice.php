<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

use Awning\Core\Colour\ColourSight;
use Awning\Core\Colour\Difference;
use Awning\Core\Colour\Lab;
use Awning\Core\Colour\Oklab;
use Awning\Core\Colour\Oklch;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;

/**
 * What is worth a second look in a material's ramp, and between the materials of a figure. The bounds are our choice.
 */
final class RampAdvice
{
    /** Neighbouring tones nearer than this cannot be told apart (CIEDE2000; common practice). */
    public const STEP = 3.0;

    /** Materials of one figure should be as far apart. */
    public const APART = 5.0;

    /** A step may be so many times as large as the smallest of the ramp. */
    private const UNEVEN = 5.0;

    /** Chroma in OKLCh below which a colour is grey, and from which a base is none. */
    private const GREY = 0.012;

    private const COLOURED = 0.035;

    /** L* between which a base leaves room for light and shadow, and the chroma it should not exceed. */
    private const BRIGHTEST = 88.0;

    private const DARKEST = 20.0;

    private const STRONGEST = 0.2;

    private const RAMP = [Tone::Deep, Tone::Shade, Tone::Base, Tone::Light, Tone::Glint];

    /**
     * Colours further apart in L* than this are not near, whatever else they are: CIEDE2000 divides it by 1.75 at the
     * most.
     */
    private const LIGHTNESS_PARTS = 9.0;

    /** Of one material no more than so many others it is near to. */
    private const MOST = 3;

    /** How finely a mending lightness is looked for, and how far inside a bound mended chroma lies; OKLCh. */
    private const NUDGE = 0.01;

    /**
     * @param  array<string, Rgb>  $tones  all six by name
     * @return list<Advice>
     */
    public static function material(array $tones): array
    {
        return [...self::order($tones), ...self::steps($tones), ...self::greys($tones), ...self::room($tones['base'])];
    }

    /**
     * @param  array<string, Rgb>  $tones
     * @return list<Advice>
     */
    private static function order(array $tones): array
    {
        $found = [];
        for ($i = 1; $i < count(self::RAMP); $i++) {
            [$darker, $lighter] = [$tones[self::RAMP[$i - 1]->value], $tones[self::RAMP[$i]->value]];
            $over = Lab::of($darker)->l - Lab::of($lighter)->l;
            if ($over > 0) {
                // The base is what was chosen first: the other one gives way.
                $found[] = new Advice(
                    AdviceKind::Order,
                    self::RAMP[$i] === Tone::Base ? self::RAMP[$i - 1] : self::RAMP[$i],
                    $over,
                );
            }
        }

        return $found;
    }

    /**
     * @param  array<string, Rgb>  $tones
     * @return list<Advice>
     */
    private static function steps(array $tones): array
    {
        $found = $steps = [];
        for ($i = 1; $i < count(self::RAMP); $i++) {
            $outer =
                self::RAMP[$i] === Tone::Base || self::RAMP[$i] === Tone::Shade ? self::RAMP[$i - 1] : self::RAMP[$i];
            $step = self::difference($tones[self::RAMP[$i - 1]->value], $tones[self::RAMP[$i]->value]);
            if ($step < self::STEP) {
                $found[] = new Advice(AdviceKind::Step, $outer, $step);
            }
            $steps[$outer->value] = $step;
        }
        asort($steps);
        $least = max(self::STEP, array_values($steps)[0] ?? self::STEP);
        $widest = (string) array_key_last($steps);
        if ($steps[$widest] > self::UNEVEN * $least) {
            $found[] = new Advice(AdviceKind::Uneven, Tone::from($widest), $steps[$widest] / $least);
        }

        return $found;
    }

    /**
     * @param  array<string, Rgb>  $tones
     * @return list<Advice>
     */
    private static function greys(array $tones): array
    {
        $found = [];
        $isColoured = Oklch::of($tones['base'])->c >= self::COLOURED;
        foreach ([Tone::Deep, Tone::Shade] as $tone) {
            $shade = $tones[$tone->value];
            $chroma = Oklch::of($shade)->c;
            if ($shade->number() === 0 || ($isColoured && $chroma < self::GREY)) {
                $found[] = new Advice(AdviceKind::Grey, $tone, $chroma);
            }
        }

        return $found;
    }

    /** @return list<Advice> */
    private static function room(Rgb $base): array
    {
        $found = [];
        $lab = Lab::of($base);
        $lch = Oklch::of($base);
        if ($lab->l > self::BRIGHTEST) {
            $found[] = new Advice(
                AdviceKind::Bright,
                Tone::Base,
                $lab->l,
                mend: self::atLightness($lch, self::BRIGHTEST),
            );
        } elseif ($lab->l < self::DARKEST) {
            $found[] = new Advice(AdviceKind::Dark, Tone::Base, $lab->l, mend: self::atLightness($lch, self::DARKEST));
        }
        if ($lch->c > self::STRONGEST) {
            $found[] = new Advice(
                AdviceKind::Strong,
                Tone::Base,
                $lch->c,
                mend: (new Oklch($lch->l, self::STRONGEST - self::NUDGE, $lch->h))->toRgb(),
            );
        }

        return $found;
    }

    /** The same hue and chroma at the first lightness that is inside a bound of L*. */
    private static function atLightness(Oklch $from, float $bound): Rgb
    {
        $step = Lab::of($from->toRgb())->l > $bound ? -self::NUDGE : self::NUDGE;
        $colour = $from;
        do {
            $colour = new Oklch($colour->l + $step, $colour->c, $colour->h);
        } while ($step < 0 ? Lab::of($colour->toRgb())->l > $bound : Lab::of($colour->toRgb())->l < $bound);

        return $colour->toRgb();
    }

    /**
     * @param  array<int, Rgb>  $bases  of the materials of one figure
     * @return array<int, list<Advice>> by the later one of each pair, no more than a few each
     */
    public static function figure(array $bases): array
    {
        $seen = [];
        foreach ($bases as $id => $base) {
            $seen[$id] = [
                Lab::of($base),
                ...array_map(fn (ColourSight $sight): Lab => Lab::of($sight->of($base)), ColourSight::cases()),
            ];
        }
        $found = [];
        $before = [];
        foreach ($seen as $id => $labs) {
            foreach ($before as $other => $others) {
                $near = self::near($others, $labs);
                if ($near !== null && count($found[$id] ?? []) < self::MOST) {
                    [$sight, $difference] = $near;
                    $found[$id][] = new Advice(
                        $sight === null ? AdviceKind::Alike : AdviceKind::Sight,
                        Tone::Base,
                        $difference,
                        $other,
                        $sight,
                        self::apart($bases[$other], $bases[$id]),
                    );
                }
            }
            $before[$id] = $labs;
        }

        return $found;
    }

    /**
     * @param  non-empty-list<Lab>  $first  as all see it, then as each kind of eyes does
     * @param  non-empty-list<Lab>  $second
     * @return ?array{?ColourSight, float} for which eyes two colours are too near, and how near; null when for none
     */
    private static function near(array $first, array $second): ?array
    {
        foreach ($first as $i => $one) {
            if (abs($one->l - $second[$i]->l) <= self::LIGHTNESS_PARTS) {
                $difference = Difference::ciede2000($one, $second[$i]);
                if ($difference < self::APART) {
                    return [$i === 0 ? null : ColourSight::cases()[$i - 1], $difference];
                }
            }
        }

        return null;
    }

    /**
     * The second colour, as little lighter or darker as parts it from the first for all eyes; null where nothing does.
     */
    private static function apart(Rgb $first, Rgb $second): ?Rgb
    {
        $from = Oklch::of($second);
        for ($far = self::NUDGE; $far < 1; $far += self::NUDGE) {
            foreach ($from->l >= Oklab::of($first)->l ? [$far, -$far] : [-$far, $far] as $step) {
                if ($from->l + $step > 0 && $from->l + $step < 1) {
                    $colour = (new Oklch($from->l + $step, $from->c, $from->h))->toRgb();
                    if (self::areApart($first, $colour)) {
                        return $colour;
                    }
                }
            }
        }

        return null;
    }

    private static function areApart(Rgb $a, Rgb $b): bool
    {
        foreach (ColourSight::cases() as $sight) {
            if ($sight->difference($a, $b) < self::APART) {
                return false;
            }
        }

        return self::difference($a, $b) >= self::APART;
    }

    private static function difference(Rgb $a, Rgb $b): float
    {
        return Difference::ciede2000(Lab::of($a), Lab::of($b));
    }
}

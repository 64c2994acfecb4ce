<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/** Colours that were picked out of a picture, as the ramp of one material: dark to light, about the base. */
final class PickedRamp
{
    /** Which tones so many colours are. */
    private const TONES = [
        1 => [Tone::Base],
        [Tone::Shade, Tone::Base],
        [Tone::Shade, Tone::Base, Tone::Light],
        [Tone::Deep, Tone::Shade, Tone::Base, Tone::Light],
        [Tone::Deep, Tone::Shade, Tone::Base, Tone::Light, Tone::Glint],
    ];

    public const MOST = 5;

    /**
     * @param  non-empty-list<Rgb>  $colours  in any order, MOST at the most
     * @return non-empty-array<value-of<Tone>, Rgb> a base among them
     *
     * @throws \RangeException when there are more
     */
    public static function of(array $colours): array
    {
        $tones =
            self::TONES[count($colours)] ??
            throw new \RangeException(
                sprintf(
                    'A ramp has %d tones at the most; leave some of these %d colours out.',
                    self::MOST,
                    count($colours),
                ),
            );
        usort($colours, fn (Rgb $a, Rgb $b): int => Lab::of($a)->l <=> Lab::of($b)->l);

        return array_combine(array_column($tones, 'value'), $colours);
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Light\Surface;

use Awning\Core\Light\Emission\KeyLight;
use Awning\Core\Light\Emission\NearLight;
use Awning\Core\Light\Plan\RoughDials;
use Awning\Core\Light\Shadow\Contact;
use Awning\Core\Raster\Labels;

/**
 * What a light does at each pixel of bodies that face some way: how squarely it falls on them by Lambert's cosine law,
 * how it shines back to the reader, where it does not come between bodies, and where one from behind catches an edge.
 */
final readonly class LitSurface
{
    /** A rim is no wider than this part of the body's radius. */
    private const RIM_PART = 0.35;

    /**
     * One byte a pixel each, row after row.
     *
     * @param  string  $inside  255 where there is a body
     * @param  array{string, string, string}  $facing  to the right, up, toward the reader; 0..255 for -1..1, what is no
     *     body faces the reader
     * @param  string  $lambert  the cosine between the surface and the light; 0..255 for -1..1
     * @param  string  $shine  that between the surface and the way half-way between light and reader
     * @param  string  $occlusion  coverage
     * @param  string  $rim  coverage
     * @param  list<string>  $lamps  coverage of each
     */
    private function __construct(
        public string $inside,
        public array $facing,
        public string $lambert,
        public string $shine,
        public string $occlusion,
        public string $rim,
        public array $lamps,
    ) {
    }

    /**
     * @param  RoughDials  $dials  for labels of this size
     * @param  ?KeyLight  $back  what a rim comes from; null: from opposite the key
     * @param  list<NearLight>  $lamps
     */
    public static function of(
        Labels $labels,
        SurfaceNormals $facing,
        KeyLight $key,
        RoughDials $dials,
        ?KeyLight $back = null,
        array $lamps = [],
    ): self {
        $contact = Contact::of($labels, $facing);
        $behind = $back->direction ?? [-$key->direction[0], -$key->direction[1]];
        $behind = [$behind[0], $behind[1], hypot($behind[0], $behind[1])];
        $inside = self::inside($labels);
        [$lightX, $lightY, $lightZ] = $key->direction;
        // How long the sum of the ways to light and reader is.
        $half = sqrt(2 + 2 * $lightZ);
        $x = $y = $z = $lambert = $shine = $occlusion = $rim = '';
        for ($at = 0, $count = strlen($inside); $at < $count; $at++) {
            $next = strcspn($inside, "\xff", $at);
            if ($next > 0) {
                $x .= str_repeat("\x80", $next);
                $y .= str_repeat("\x80", $next);
                $z .= str_repeat("\xff", $next);
                $lambert .= str_repeat("\xff", $next);
                $shine .= str_repeat("\0", $next);
                $occlusion .= str_repeat("\0", $next);
                $rim .= str_repeat("\0", $next);
                $at += $next - 1;

                continue;
            }
            $right = $facing->x[$at];
            [$far, $narrow] = $contact->at($at);
            $up = $facing->y[$at];
            $near = sqrt(max(0.0, 1 - $right * $right - $up * $up));
            $x .= self::byte($right);
            $y .= self::byte($up);
            $z .= self::byte($near);
            $cosine = $right * $lightX + $up * $lightY + $near * $lightZ;
            $lambert .= self::byte($cosine);
            $shine .= self::byte($half < 1e-6 ? 0.0 : ($cosine + $near) / $half);
            $radius = $facing->radius($at);
            // Dark where they touch, a third of it so far from there.
            $occlusion .= chr(
                (int) round(
                    255 * $dials->cornersDark * exp(-(($far / max(1.0, $dials->corners * min($radius, $narrow))) ** 2)),
                ),
            );
            $isOpen = $far > $facing->border[$at] + 2;
            $rim .= chr(
                (int) round(
                    255 *
                        ($isOpen ? 1.0 : $dials->rimInside) *
                        self::rim(
                            $right,
                            $up,
                            $facing->border[$at],
                            min($dials->rim, self::RIM_PART * $radius),
                            $behind,
                        ),
                ),
            );
        }

        return new self(
            inside: $inside,
            facing: [$x, $y, $z],
            lambert: $lambert,
            shine: $shine,
            occlusion: $occlusion,
            rim: $rim,
            lamps: array_map(fn (NearLight $lamp): string => $lamp->on($facing, $inside, $labels->width), $lamps),
        );
    }

    /** @return string 255 where there is a body */
    public static function inside(Labels $labels): string
    {
        $inside = '';
        foreach (Labels::spans($labels->data) as [$from, $to, $label]) {
            $inside .= str_repeat($label === 0 ? "\0" : "\xff", $to - $from);
        }

        return $inside;
    }

    /** -1..1 as a byte. */
    private static function byte(float $part): string
    {
        return chr((int) round(127.5 + 127.5 * $part));
    }

    /**
     * Light from behind on an edge.
     *
     * @param  array{float, float, float}  $behind  to the right, up, and how long both are together
     */
    private static function rim(float $right, float $up, float $border, float $width, array $behind): float
    {
        if ($behind[2] < 1e-6 || $border > $width) {
            return 0.0;
        }
        $turned = ($right * $behind[0] + $up * $behind[1]) / $behind[2] / max(1e-6, hypot($right, $up));

        return max(0.0, $turned) * min(1.0, $width - $border + 0.5);
    }
}

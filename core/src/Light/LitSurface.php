<?php

declare(strict_types=1);

namespace Awning\Core\Light;

use Awning\Core\Raster\Labels;

/**
 * What a light does at each pixel of bodies that face some way: how squarely it falls on them by Lambert's cosine law, how it
 * shines back to the reader, where it does not come between bodies, and where one from behind catches an edge.
 */
final readonly class LitSurface
{
    /** Occlusion falls to a third over this part of a body's radius. */
    private const OCCLUDED = 0.22;

    private const DEEPEST = 0.85;

    /** A rim is no wider than this part of the body's radius. */
    private const RIM_PART = 0.35;

    /**
     * One byte a pixel each, row after row.
     *
     * @param  string  $inside  255 where there is a body
     * @param  array{string, string, string}  $facing  to the right, up, toward the reader; 0..255 for -1..1, what is no body faces the reader
     * @param  string  $lambert  the cosine between the surface and the light; 0..255 for -1..1
     * @param  string  $shine  that between the surface and the way half-way between light and reader
     * @param  string  $occlusion  coverage
     * @param  string  $rim  coverage
     */
    private function __construct(public string $inside, public array $facing, public string $lambert, public string $shine, public string $occlusion, public string $rim)
    {
    }

    /** @param  float  $rimWidth  px, at the most */
    public static function of(Labels $labels, Facing $facing, KeyLight $key, float $rimWidth): self
    {
        $width = $labels->width;
        $columns = intdiv($width + 1, 2);
        $contact = self::contact($labels);
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
            $far = $contact[intdiv(intdiv($at, $width), 2) * $columns + intdiv($at % $width, 2)];
            $up = $facing->y[$at];
            $near = sqrt(max(0.0, 1 - $right * $right - $up * $up));
            $x .= self::byte($right);
            $y .= self::byte($up);
            $z .= self::byte($near);
            $cosine = $right * $lightX + $up * $lightY + $near * $lightZ;
            $lambert .= self::byte($cosine);
            $shine .= self::byte($half < 1e-6 ? 0.0 : ($cosine + $near) / $half);
            $radius = $facing->border[$at] / max(1e-6, $facing->depth[$at]);
            $occlusion .= chr((int) round(255 * self::occlusion($far, $radius)));
            $isOpen = $far > $facing->border[$at] + 2;
            $rim .= chr($isOpen ? (int) round(255 * self::rim($right, $up, $facing->border[$at], min($rimWidth, self::RIM_PART * $radius), $key)) : 0);
        }

        return new self($inside, [$x, $y, $z], $lambert, $shine, $occlusion, $rim);
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

    /**
     * How far places are from where a body touches another; worked out at half the size, as what it is for is soft.
     *
     * @return list<float> px, of each two by two pixels, row after row
     */
    private static function contact(Labels $labels): array
    {
        /** @var array<int, int> $of */
        $of = unpack('n*', $labels->data);
        [$width, $height] = [$labels->width, $labels->height];
        [$columns, $rows] = [intdiv($width + 1, 2), intdiv($height + 1, 2)];
        $marks = str_repeat("\0\0", $columns * $rows);
        foreach (Labels::spans($labels->data) as [$from, $to, $label]) {
            for ($at = $label === 0 ? $to : $from; $at < $to; $at++) {
                [$x, $y] = [$at % $width, intdiv($at, $width)];
                if (self::isOther($label, $x > 0 ? $of[$at] : 0) || self::isOther($label, $x < $width - 1 ? $of[$at + 2] : 0)
                    || self::isOther($label, $y > 0 ? $of[$at + 1 - $width] : 0) || self::isOther($label, $y < $height - 1 ? $of[$at + 1 + $width] : 0)) {
                    $marks[2 * (intdiv($y, 2) * $columns + intdiv($x, 2)) + 1] = "\1";
                }
            }
        }
        $distances = [];
        foreach (BorderDistance::squared(new Labels($columns, $rows, $marks)) as $at => $squared) {
            $distances[] = $marks[2 * $at + 1] === "\1" ? 0.5 : 2 * sqrt($squared);
        }

        return $distances;
    }

    private static function isOther(int $label, int $other): bool
    {
        return $other !== 0 && $other !== $label;
    }

    /** -1..1 as a byte. */
    private static function byte(float $part): string
    {
        return chr((int) round(127.5 + 127.5 * $part));
    }

    /** How dark a place is that lies so far from where its body touches another. */
    private static function occlusion(float $contact, float $radius): float
    {
        return self::DEEPEST * exp(-(($contact / max(1.0, self::OCCLUDED * $radius)) ** 2));
    }

    /** Light from behind, opposite to the key, on an edge that no other body covers. */
    private static function rim(float $right, float $up, float $border, float $width, KeyLight $key): float
    {
        $across = hypot($key->direction[0], $key->direction[1]);
        if ($across < 1e-6 || $border > $width) {
            return 0.0;
        }
        $turned = -($right * $key->direction[0] + $up * $key->direction[1]) / $across / max(1e-6, hypot($right, $up));

        return max(0.0, $turned) * min(1.0, $width - $border + 0.5);
    }
}

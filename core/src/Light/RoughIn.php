<?php

declare(strict_types=1);

namespace Awning\Core\Light;

use Awning\Core\Codec\Resized;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;

/**
 * A first light, computed from the shapes of regions: what of each lies in shade, what in the light, where it is dark in the
 * corners between things, and where a light from behind catches an edge. Each is a coverage to be laid as an ordinary pass.
 *
 * A body takes light by Lambert's cosine law. Large planes are worked out smaller: round bodies change slowly, and the edge of
 * a shade is found afterwards, at full size.
 */
final readonly class RoughIn
{
    /** Pixels that are worked out; larger planes are halved, thirded … to no more. */
    private const WORK = 600_000;

    /** The cosine at which shade ends, and how much of it either side its edge takes. */
    private const TERMINATOR = 0.0;

    private const SOFT = 0.06;

    /** Light is where the cosine is near its best: from here, with such an edge. */
    private const LIT = 0.86;

    private const LIT_SOFT = 0.05;

    /** Occlusion falls to a third over this part of a body's radius. */
    private const OCCLUDED = 0.22;

    private const DEEPEST = 0.85;

    /** A rim is so wide, px of the plane, and no wider than this part of the body's radius. */
    private const RIM = 6.0;

    private const RIM_PART = 0.35;

    /** @param  array{string, string, string}  $facing  where the small plane's surface faces: right, up, toward the reader; 0..255 for -1..1 */
    private function __construct(private Labels $small, private array $facing, public Plane $shade, public Plane $light, public Plane $occlusion, public Plane $rim)
    {
    }

    /** @param  Labels  $labels  0 is nothing: no body, but no neighbour that darkens, either */
    public static function of(Labels $labels, KeyLight $key): self
    {
        $by = (int) max(1, ceil(sqrt($labels->width * $labels->height / self::WORK)));
        $small = $by === 1 ? $labels : self::smaller($labels, $by);
        $bodies = Inflation::of($small);
        $contact = self::contact($small);
        $inside = self::inside($small);
        $x = $y = $z = $lambert = $occlusion = $rim = '';
        foreach ($bodies->x as $at => $right) {
            $isBody = $inside[$at] === "\xff";
            $up = $bodies->y[$at];
            $near = sqrt(max(0.0, 1 - $right * $right - $up * $up));
            $x .= self::byte($isBody ? $right : 0.0);
            $y .= self::byte($isBody ? $up : 0.0);
            $z .= self::byte($isBody ? $near : 1.0);
            $lambert .= self::byte($right * $key->direction[0] + $up * $key->direction[1] + $near * $key->direction[2]);
            $radius = $bodies->border[$at] / max(1e-6, $bodies->depth[$at]);
            $occlusion .= chr((int) round(255 * self::occlusion($contact[$at], $radius)));
            $isOpen = $contact[$at] > $bodies->border[$at] + 1;
            $rim .= chr($isOpen ? (int) round(255 * self::rim($right, $up, $bodies->border[$at], min(self::RIM / $by, self::RIM_PART * $radius), $key)) : 0);
        }
        if ($small !== $labels) {
            // Else the edge of a body would be lit by the nothing beside it.
            $lambert = self::spread($lambert, $inside, $small->width);
        }
        $lambert = self::large($lambert, $small, $labels);
        $bodies = self::inside($labels);
        $plane = fn (string $data): Plane => new Plane($labels->width, $labels->height, $data & $bodies);

        return new self(
            $small, [$x, $y, $z], $plane(self::stepped($lambert, self::TERMINATOR + self::SOFT, self::TERMINATOR - self::SOFT)), $plane(self::stepped($lambert, self::LIT - self::LIT_SOFT, self::LIT + self::LIT_SOFT)),
            $plane(self::large($occlusion, $small, $labels)), $plane(self::large($rim, $small, $labels)),
        );
    }

    /** @return array{Plane, Plane, Plane} where each pixel faces: right, up, toward the reader; 0..255 for -1..1. What is no body faces the reader */
    public function normals(): array
    {
        $plane = fn (string $facing): Plane => new Plane($this->shade->width, $this->shade->height, Resized::plane($facing, $this->small->width, $this->small->height, $this->shade->width, $this->shade->height));

        return [$plane($this->facing[0]), $plane($this->facing[1]), $plane($this->facing[2])];
    }

    /** -1..1 as a byte. */
    private static function byte(float $part): string
    {
        return chr((int) round(127.5 + 127.5 * $part));
    }

    private static function large(string $plane, Labels $small, Labels $labels): string
    {
        return Resized::plane($plane, $small->width, $small->height, $labels->width, $labels->height);
    }

    /** Coverage from nothing at one cosine to all at another. */
    private static function stepped(string $lambert, float $from, float $to): string
    {
        return strtr($lambert, Bytes::identity(), Bytes::table(fn (int $value): float => 255 * self::smooth(($value / 127.5 - 1 - $from) / ($to - $from))));
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

    /** @return list<float> how far each pixel is from a border to another body; what is no body is none */
    private static function contact(Labels $labels): array
    {
        /** @var array<int, int> $of */
        $of = unpack('n*', $labels->data);
        $marks = '';
        [$width, $height] = [$labels->width, $labels->height];
        for ($y = 0, $at = 1; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++, $at++) {
                $label = $of[$at];
                $touches = $label !== 0 && (self::isOther($label, $x > 0 ? $of[$at - 1] : 0) || self::isOther($label, $x < $width - 1 ? $of[$at + 1] : 0)
                    || self::isOther($label, $y > 0 ? $of[$at - $width] : 0) || self::isOther($label, $y < $height - 1 ? $of[$at + $width] : 0));
                $marks .= $touches ? "\0\1" : "\0\0";
            }
        }

        $distances = [];
        foreach (BorderDistance::squared(new Labels($width, $height, $marks)) as $at => $squared) {
            $distances[] = $marks[2 * $at + 1] === "\1" ? 0.5 : sqrt($squared) + 0.5;
        }

        return $distances;
    }

    private static function isOther(int $label, int $other): bool
    {
        return $other !== 0 && $other !== $label;
    }

    /** The middle of each block of so many pixels. */
    private static function smaller(Labels $labels, int $by): Labels
    {
        $width = intdiv($labels->width + $by - 1, $by);
        $height = intdiv($labels->height + $by - 1, $by);
        $data = '';
        for ($row = 0; $row < $height; $row++) {
            $y = min($labels->height - 1, $row * $by + intdiv($by, 2));
            for ($column = 0; $column < $width; $column++) {
                $data .= substr($labels->data, 2 * ($y * $labels->width + min($labels->width - 1, $column * $by + intdiv($by, 2))), 2);
            }
        }

        return new Labels($width, $height, $data);
    }

    /**
     * What is no body, beside one, takes the value of that.
     *
     * @param  string  $inside  255 where there is a body
     */
    private static function spread(string $plane, string $inside, int $width): string
    {
        $spread = $plane;
        for ($at = strcspn($inside, "\0"), $count = strlen($inside); $at < $count; $at += 1 + strcspn($inside, "\0", $at + 1)) {
            foreach ([$at - 1, $at + 1, $at - $width, $at + $width] as $beside) {
                if ($beside >= 0 && $beside < $count && $inside[$beside] === "\xff") {
                    $spread[$at] = $plane[$beside];
                    break;
                }
            }
        }

        return $spread;
    }

    /** 0 below 0, 1 above 1, and the usual cubic between. */
    private static function smooth(float $part): float
    {
        $part = max(0.0, min(1.0, $part));

        return $part * $part * (3 - 2 * $part);
    }

    /** @return string 255 where there is a body */
    private static function inside(Labels $labels): string
    {
        $inside = '';
        foreach (Labels::spans($labels->data) as [$from, $to, $label]) {
            $inside .= str_repeat($label === 0 ? "\0" : "\xff", $to - $from);
        }

        return $inside;
    }
}

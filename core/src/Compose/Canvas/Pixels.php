<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Canvas;

use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Rect;

/**
 * A stretch of pixels in reading order, whatever shape it was cut from: compositing knows neither rows nor tiles, so
 * the result cannot depend on them. Colours are not premultiplied.
 */
final readonly class Pixels
{
    /** @param  ?string  $alpha  null when every pixel is opaque */
    public function __construct(
        public int $count,
        public string $red,
        public string $green,
        public string $blue,
        public ?string $alpha,
    ) {
    }

    public static function paper(int $count): self
    {
        return self::solid($count, 0xFFFFFF);
    }

    public static function clear(int $count): self
    {
        $none = str_repeat("\0", $count);

        return new self($count, $none, $none, $none, $none);
    }

    /** The same, with null in place of an alpha that says opaque everywhere. */
    public function normalised(): self
    {
        return $this->alpha !== null && strspn($this->alpha, "\xff") === $this->count
            ? new self($this->count, $this->red, $this->green, $this->blue, null)
            : $this;
    }

    /** The same colours through another coverage. */
    public function covered(string $alpha): self
    {
        return new self($this->count, $this->red, $this->green, $this->blue, $alpha);
    }

    /**
     * Every colour that is seen made another; a stroke has few of them, so each is worked out once.
     *
     * @param  \Closure(int): int  $colour  from 0xRRGGBB to 0xRRGGBB
     */
    public function recoloured(\Closure $colour): self
    {
        [$red, $green, $blue] = [$this->red, $this->green, $this->blue];
        $known = [];
        $alphas = $this->alphas();
        for ($i = strspn($alphas, "\0"); $i < $this->count; $i += 1 + strspn($alphas, "\0", $i + 1)) {
            $from = (ord($red[$i]) << 16) | (ord($green[$i]) << 8) | ord($blue[$i]);
            $to = $known[$from] ??= $colour($from);
            $red[$i] = chr($to >> 16);
            $green[$i] = chr(($to >> 8) & 255);
            $blue[$i] = chr($to & 255);
        }

        return new self($this->count, $red, $green, $blue, $this->alpha);
    }

    /**
     * Another rectangle of the picture, these being the pixels of one, row after row; white where that does not reach.
     */
    public function part(Rect $from, Rect $to): self
    {
        if ($from == $to) {
            return $this;
        }
        $window = $to->moved(-$from->x, -$from->y);
        $on = $from->intersect($to);
        $plane = fn (string $bytes): string => $on == $to
            ? Bytes::crop($bytes, $from->width, $from->height, $window, 1)
            : ~Bytes::crop(~$bytes, $from->width, $from->height, $window, 1);

        return new self(
            $to->width * $to->height,
            $plane($this->red),
            $plane($this->green),
            $plane($this->blue),
            $this->alpha === null ? null : $plane($this->alpha),
        );
    }

    public function gathered(Areas $areas): self
    {
        return new self(
            $areas->count,
            $areas->cut($this->red),
            $areas->cut($this->green),
            $areas->cut($this->blue),
            $this->alpha === null ? null : $areas->cut($this->alpha),
        );
    }

    /** These pixels with some of them replaced. */
    public function with(Areas $areas, self $part): self
    {
        return new self(
            $this->count,
            $areas->put($this->red, $part->red),
            $areas->put($this->green, $part->green),
            $areas->put($this->blue, $part->blue),
            $this->alpha === null && $part->alpha === null ? null : $areas->put($this->alphas(), $part->alphas()),
        );
    }

    /**
     * Spans of plain colour through a coverage; clear between them.
     *
     * @param  list<array{int, int, int}>  $spans  first pixel, pixel after the last, 0xRRGGBB
     * @param  ?string  $coverage  null for full
     */
    public static function coloured(int $count, array $spans, ?string $coverage): self
    {
        $red = $green = $blue = '';
        $at = 0;
        foreach ($spans as [$from, $to, $colour]) {
            $none = str_repeat("\0", $from - $at);
            $length = $to - $from;
            $red .= $none.str_repeat(chr(($colour >> 16) & 255), $length);
            $green .= $none.str_repeat(chr(($colour >> 8) & 255), $length);
            $blue .= $none.str_repeat(chr($colour & 255), $length);
            $at = $to;
        }
        $none = str_repeat("\0", $count - $at);

        return new self($count, $red.$none, $green.$none, $blue.$none, self::within($count, $spans, $coverage));
    }

    /**
     * A coverage with what lies outside the spans made empty.
     *
     * @param  list<array{int, int, int}>  $spans  first pixel, pixel after the last, anything
     * @param  ?string  $coverage  null for full
     */
    public static function within(int $count, array $spans, ?string $coverage): string
    {
        $inside = '';
        $at = 0;
        foreach ($spans as [$from, $to]) {
            $inside .=
                str_repeat("\0", $from - $at).
                ($coverage === null ? str_repeat("\xff", $to - $from) : substr($coverage, $from, $to - $from));
            $at = $to;
        }

        return $inside.str_repeat("\0", $count - $at);
    }

    /** One opaque colour, 0xRRGGBB. */
    public static function solid(int $count, int $colour): self
    {
        return new self(
            $count,
            str_repeat(chr(($colour >> 16) & 255), $count),
            str_repeat(chr(($colour >> 8) & 255), $count),
            str_repeat(chr($colour & 255), $count),
            null,
        );
    }

    public function alphas(): string
    {
        return $this->alpha ?? str_repeat("\xff", $this->count);
    }
}

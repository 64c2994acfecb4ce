<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

/**
 * A stretch of pixels in reading order, whatever shape it was cut from: compositing knows neither rows nor tiles, so
 * the result cannot depend on them. Colours are not premultiplied.
 */
final readonly class Pixels
{
    /** @param  ?string  $alpha  null when every pixel is opaque */
    public function __construct(public int $count, public string $red, public string $green, public string $blue, public ?string $alpha)
    {
    }

    public static function paper(int $count): self
    {
        $white = str_repeat("\xff", $count);

        return new self($count, $white, $white, $white, null);
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

    public function alphas(): string
    {
        return $this->alpha ?? str_repeat("\xff", $this->count);
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Canvas;

use Awning\Core\Colour\Alteration;
use Awning\Core\Page\Pass\BlendMode;

/** Lays nothing, and notes which pixels are touched at all. */
final class FootprintCanvas implements Canvas
{
    private string $touched;

    public function __construct(private readonly int $count)
    {
        $this->touched = str_repeat("\0", $count);
    }

    /** Not zero where something was laid. */
    public function touched(): string
    {
        return $this->touched;
    }

    public function cover(array $spans): void
    {
        $this->touched |= Pixels::within($this->count, $spans, null);
    }

    public function tint(array $spans, string $coverage, BlendMode $mode, float $opacity): void
    {
        $this->touched |= Pixels::within($this->count, $spans, $coverage);
    }

    public function paint(Pixels $source, BlendMode $mode, float $opacity): void
    {
        $this->touched |= $source->alphas();
    }

    public function alter(string $coverage, Alteration $alteration, BlendMode $mode, float $opacity): void
    {
        $this->touched |= $coverage;
    }

    public function group(callable $layers, bool $isolated, BlendMode $mode, float $opacity): void
    {
        $layers($this);
    }

    public function through(string $mask, int $colour, callable $layers, BlendMode $mode): void
    {
        $this->touched |= $mask;
    }
}

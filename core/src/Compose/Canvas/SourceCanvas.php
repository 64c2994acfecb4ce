<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Canvas;

use Awning\Core\Colour\Alteration;
use Awning\Core\Page\Pass\BlendMode;

/**
 * Keeps what one layer would lay, before it is blended with anything: its colours, with its clip cut into its alpha.
 */
final class SourceCanvas implements Canvas
{
    private ?Pixels $source = null;

    public function __construct(private readonly int $count)
    {
    }

    /** Null when the layer has nothing here. */
    public function source(): ?Pixels
    {
        return $this->source;
    }

    public function cover(array $spans): void
    {
        $this->source = Pixels::coloured($this->count, $spans, null);
    }

    public function tint(array $spans, string $coverage, BlendMode $mode, float $opacity): void
    {
        $this->source = Pixels::coloured($this->count, $spans, $coverage);
    }

    public function paint(Pixels $source, BlendMode $mode, float $opacity): void
    {
        $this->source = $source;
    }

    public function alter(string $coverage, Alteration $alteration, BlendMode $mode, float $opacity): void
    {
        throw new \LogicException('What alters the picture beneath has no source of its own.');
    }

    public function group(callable $layers, bool $isolated, BlendMode $mode, float $opacity): void
    {
        throw new \LogicException('A group has no source of its own; ask its members.');
    }

    public function through(string $mask, int $colour, callable $layers, BlendMode $mode): void
    {
        $inside = new ExactCanvas(Pixels::solid($this->count, $colour));
        $layers($inside);
        $colours = $inside->pixels();
        $this->source = new Pixels($this->count, $colours->red, $colours->green, $colours->blue, $mask);
    }
}

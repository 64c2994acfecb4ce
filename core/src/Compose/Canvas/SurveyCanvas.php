<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Canvas;

use Awning\Core\Colour\Alteration;
use Awning\Core\Compose\Blend\BlendGain;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Raster\Bytes;

/**
 * Lays nothing, and notes where whole numbers of 0..255 might end more than one step from the exact picture: where more
 * than two soft layers lie over each other, where a mode enlarges what was rounded before it, and inside isolated
 * groups.
 */
final class SurveyCanvas implements Canvas
{
    private Roundings $roundings;

    public function __construct(private readonly int $count)
    {
        $this->roundings = new Roundings($count);
    }

    /** @return ?Areas null when whole numbers are enough everywhere */
    public function exact(): ?Areas
    {
        $areas = Areas::where($this->roundings->tooMany());

        return $areas->count === 0 ? null : $areas;
    }

    public function cover(array $spans): void
    {
        $this->roundings->lay(Pixels::within($this->count, $spans, null), false, true);
    }

    public function tint(array $spans, string $coverage, BlendMode $mode, float $opacity): void
    {
        $gain = 1.0;
        foreach (array_unique(array_column($spans, 2)) as $colour) {
            $gain = max($gain, BlendGain::ofColour($mode, $colour, $opacity));
        }
        $this->note(Pixels::within($this->count, $spans, $coverage), $mode, $opacity, $gain);
    }

    public function paint(Pixels $source, BlendMode $mode, float $opacity): void
    {
        $this->note($source->alphas(), $mode, $opacity, BlendGain::ofAny($mode, $opacity));
    }

    public function alter(string $coverage, Alteration $alteration, BlendMode $mode, float $opacity): void
    {
        $tables = $alteration->tables();
        // Light is added up to full and then faded, which laying it faded is not.
        if ($tables === null || $mode === BlendMode::PlusLighter) {
            $this->roundings->giveUp($coverage);

            return;
        }
        if (Bytes::isNothing($coverage)) {
            return;
        }
        if (! $mode->isSeparable()) {
            $this->roundings->giveUp($coverage);

            return;
        }
        $gain = max(BlendGain::ofAny($mode, $opacity), ...array_map(self::steepest(...), $tables));
        // It follows from what lies beneath: what is wrong there is wrong in it, too, however fully it covers.
        $this->roundings->lay($coverage, $gain > 1, false);
        if ($mode !== BlendMode::Normal || $opacity < 1) {
            // Rounded by the table, and once more where its values are mixed with what they come from.
            $this->roundings->lay($coverage, false, false);
        }
    }

    /** The largest step of a table from one value to the next. */
    private static function steepest(string $table): float
    {
        $most = 0;
        for ($value = 1; $value < 256; $value++) {
            $most = max($most, abs(ord($table[$value]) - ord($table[$value - 1])));
        }

        return $most;
    }

    public function group(callable $layers, bool $isolated, BlendMode $mode, float $opacity): void
    {
        $before = clone $this->roundings;
        $layers($this);
        if ($isolated || $opacity < 1) {
            $footprint = new FootprintCanvas($this->count);
            $layers($footprint);
            $isolated
                ? $this->roundings->giveUp($footprint->touched())
                : $this->roundings->fade($before, $footprint->touched());
        }
    }

    public function through(string $mask, int $colour, callable $layers, BlendMode $mode): void
    {
        $inside = new self($this->count);
        $layers($inside);
        $this->roundings->mix($inside->roundings, $mask, $mode === BlendMode::Normal);
    }

    private function note(string $alpha, BlendMode $mode, float $opacity, float $gain): void
    {
        if (Bytes::isNothing($alpha)) {
            return;
        }
        if ($mode->isSeparable()) {
            $this->roundings->lay($alpha, $gain > 1, $mode === BlendMode::Normal && $opacity >= 1);
        } else {
            $this->roundings->giveUp($alpha);
        }
    }
}

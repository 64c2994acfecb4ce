<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Paint;

use Awning\Core\Page\Data;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\Painting\FadedRegions;
use Awning\Core\Sheet\Painting\Laying;
use Awning\Core\Sheet\Painting\RegionCoverage;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Covers whole regions in a pass, or clears them.
 *
 * @phpstan-import-type LayingInput from Laying
 *
 * @phpstan-type PourPaintInput array{laying: LayingInput, labels: list<int>, fade: float}
 */
final readonly class PourPaint implements ClientOp
{
    /** Px. */
    private const MOST_FADE = 200;

    /**
     * @param  non-empty-list<int>  $labels
     * @param  float  $fade  px inside the border of the regions over which it fades toward that; under 1: not at all
     */
    public function __construct(private Laying $laying, private array $labels, private float $fade = 0.0)
    {
    }

    public static function kind(): string
    {
        return 'paint.pour';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        $labels = Laying::labels($input, 'labels');

        return new self(
            Laying::fromInput($input->map('laying')),
            $labels === [] ? throw new \InvalidArgumentException('Click a region to pour into.') : $labels,
            $input->number('fade', 0, self::MOST_FADE, 0),
        );
    }

    /** @return PourPaintInput */
    public function toInput(): array
    {
        return ['laying' => $this->laying->toInput(), 'labels' => $this->labels, 'fade' => $this->fade];
    }

    public function title(): string
    {
        return $this->laying->erase ? 'Clear regions' : 'Pour';
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return $this->laying->refersTo();
    }

    public function apply(Sheet $sheet): void
    {
        $regions = new RegionCoverage($sheet, $this->labels);
        $this->laying->lay($sheet, $this->fade < 1 ? $regions : new FadedRegions($regions, $this->fade));
    }
}

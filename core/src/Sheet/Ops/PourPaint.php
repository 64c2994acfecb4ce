<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops;

use Awning\Core\Page\Data;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\Laying;
use Awning\Core\Sheet\References;
use Awning\Core\Sheet\RegionCoverage;
use Awning\Core\Sheet\Right;
use Awning\Core\Sheet\Sheet;

/**
 * Covers whole regions in a pass, or clears them.
 *
 * @phpstan-import-type LayingInput from Laying
 *
 * @phpstan-type PourPaintInput array{laying: LayingInput, labels: list<int>}
 */
final readonly class PourPaint implements ClientOp
{
    /** @param  non-empty-list<int>  $labels */
    public function __construct(private Laying $laying, private array $labels)
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

        return new self(Laying::fromInput($input->map('laying')), $labels === [] ? throw new \InvalidArgumentException('Click a region to pour into.') : $labels);
    }

    /** @return PourPaintInput */
    public function toInput(): array
    {
        return ['laying' => $this->laying->toInput(), 'labels' => $this->labels];
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
        $this->laying->lay($sheet, new RegionCoverage($sheet, $this->labels));
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Light;

use Awning\Core\Page\Data;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Labels;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\Ops\Flats\AltersRegions;
use Awning\Core\Sheet\Ops\Flats\JoinRegions;

/**
 * Says which regions stand before the rest of their figure: a brim, a plait, an arm. When light is roughed in they
 * throw a shadow on it.
 *
 * @phpstan-type InFrontInput array{labels: list<int>, inFront: bool}
 */
final readonly class SetInFront implements ClientOp
{
    use AltersRegions;

    /** @param  non-empty-list<int>  $labels */
    private function __construct(private array $labels, private bool $inFront)
    {
    }

    public static function kind(): string
    {
        return 'light.before';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        $input = $input->renamed(['before' => 'inFront']);

        return new self(JoinRegions::labels($input, Labels::MOST), $input->flag('inFront', true));
    }

    /** @return InFrontInput */
    public function toInput(): array
    {
        return ['labels' => $this->labels, 'inFront' => $this->inFront];
    }

    public function title(): string
    {
        return $this->inFront ? 'Put regions in front of the rest' : 'Put regions level with the rest';
    }

    private function changed(Region $region): Region
    {
        return $region->standing($this->inFront);
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Light;

use Awning\Core\Page\Data;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Labels;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\Ops\Flats\AltersRegions;
use Awning\Core\Sheet\Ops\Flats\JoinRegions;
use Awning\Core\Sheet\State\References;

/**
 * Puts regions, those of a panel say, under another light plan than the rest of the page.
 *
 * @phpstan-type StandUnderInput array{labels: list<int>, plan: ?int}
 */
final readonly class SetLightPlan implements ClientOp
{
    use AltersRegions;

    /**
     * @param  non-empty-list<int>  $labels
     * @param  ?int  $plan  null: as the whole page does
     */
    private function __construct(private array $labels, private ?int $plan)
    {
    }

    public static function kind(): string
    {
        return 'light.stand';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self(
            JoinRegions::labels($input, Labels::MOST),
            $input->intOrNull('plan', 1, PHP_INT_MAX),
        );
    }

    /** @return StandUnderInput */
    public function toInput(): array
    {
        return ['labels' => $this->labels, 'plan' => $this->plan];
    }

    public function title(): string
    {
        return $this->plan === null ? 'Put regions under the light of the page' : 'Put regions under another light';
    }

    public function refersTo(): References
    {
        return new References(lights: $this->plan === null ? [] : [$this->plan]);
    }

    private function changed(Region $region): Region
    {
        return $region->standingUnder($this->plan);
    }
}

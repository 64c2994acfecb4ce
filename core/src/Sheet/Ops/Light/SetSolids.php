<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Light;

use Awning\Core\Page\Data;
use Awning\Core\Page\Region\Region;
use Awning\Core\Page\Region\Solid;
use Awning\Core\Raster\Labels;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\Ops\Flats\AltersRegions;
use Awning\Core\Sheet\Ops\Flats\JoinRegions;

/**
 * Says what regions are taken for when light is roughed in, where their outline says it wrong.
 *
 * @phpstan-type SolidsInput array{labels: list<int>, solid: value-of<Solid>}
 */
final readonly class SetSolids implements ClientOp
{
    use AltersRegions;

    /** @param  non-empty-list<int>  $labels */
    private function __construct(private array $labels, private Solid $solid)
    {
    }

    public static function kind(): string
    {
        return 'light.solid';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        $solid = $input->choice('solid', Solid::class, Solid::SAYS);
        assert($solid instanceof Solid);

        return new self(JoinRegions::labels($input, Labels::MOST), $solid);
    }

    /** @return SolidsInput */
    public function toInput(): array
    {
        return ['labels' => $this->labels, 'solid' => $this->solid->value];
    }

    public function title(): string
    {
        return "Take regions for {$this->solid->value}";
    }

    private function changed(Region $region): Region
    {
        return $region->as($this->solid === Solid::Round ? null : $this->solid);
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Flats;

use Awning\Core\Page\Data;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Labels;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\State\Right;

/**
 * Locks regions, so that they stay as they are, or lets them go.
 *
 * @phpstan-type LockInput array{labels: list<int>, locked: bool}
 */
final readonly class LockRegions implements ClientOp
{
    use AltersRegions;

    /** @param  non-empty-list<int>  $labels */
    private function __construct(private array $labels, private bool $locked)
    {
    }

    public static function kind(): string
    {
        return 'flats.lock';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self(JoinRegions::labels($input, Labels::MOST), $input->flag('locked', true));
    }

    /** @return LockInput */
    public function toInput(): array
    {
        return ['labels' => $this->labels, 'locked' => $this->locked];
    }

    public function title(): string
    {
        return $this->locked ? 'Lock regions' : 'Unlock regions';
    }

    public function right(): Right
    {
        return Right::Flat;
    }

    private function changed(Region $region): Region
    {
        return $region->lockedAs($this->locked);
    }
}

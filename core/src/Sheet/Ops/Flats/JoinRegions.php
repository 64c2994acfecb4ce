<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Flats;

use Awning\Core\Page\Data;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Labels;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Regions\Relabelling;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Makes one region of several: the largest takes the others in, and all is filled as it was.
 *
 * @phpstan-type JoinInput array{labels: list<int>}
 */
final readonly class JoinRegions implements ClientOp
{
    /** @param  non-empty-list<int>  $labels */
    private function __construct(private array $labels)
    {
    }

    public static function kind(): string
    {
        return 'flats.join';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self(self::labels($input, 1000));
    }

    /**
     * @return non-empty-list<int>
     *
     * @throws OpRefused
     */
    public static function labels(Data $input, int $most): array
    {
        $labels = array_values(
            array_unique(
                array_filter(
                    $input->list('labels', $most),
                    fn (mixed $label): bool => is_int($label) && $label > 0 && $label <= Labels::MOST,
                ),
            ),
        );

        return $labels === [] ? throw new OpRefused('Pick regions first.') : $labels;
    }

    /** @return JoinInput */
    public function toInput(): array
    {
        return ['labels' => $this->labels];
    }

    public function title(): string
    {
        return sprintf('Join %d regions', count($this->labels));
    }

    public function right(): Right
    {
        return Right::Flat;
    }

    public function refersTo(): References
    {
        return new References;
    }

    public function apply(Sheet $sheet): void
    {
        $regions = array_filter(
            array_intersect_key($sheet->all(Region::class), array_flip($this->labels)),
            fn (Region $region): bool => ! $region->locked,
        );
        if (count($regions) < 2) {
            throw new OpRefused('Pick two regions or more that are not locked.');
        }
        // Of equals the one with the smaller label, in whatever order they came.
        ksort($regions);
        uasort($regions, fn (Region $a, Region $b): int => $b->area <=> $a->area);
        $into = (int) array_key_first($regions);
        $flats = new Relabelling($sheet);
        foreach (array_slice($regions, 1, null, true) as $label => $_) {
            $flats->join((int) $label, $into);
        }
        $kept = $regions[$into];
        $sheet->put(
            $into,
            $kept->reaching(
                array_sum(array_map(fn (Region $region): int => $region->area, $regions)),
                $kept->x,
                $kept->y,
            ),
        );
    }
}

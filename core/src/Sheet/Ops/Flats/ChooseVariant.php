<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Flats;

use Awning\Core\Page\Data;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Labels;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Puts a variant of the palette on regions: those of a panel, or any that are picked.
 *
 * @phpstan-type WearInput array{labels: list<int>, variant: ?int}
 */
final readonly class ChooseVariant implements ClientOp
{
    /**
     * @param  non-empty-list<int>  $labels
     * @param  ?int  $variant  0: the palette as it is; null: what the whole page wears
     */
    private function __construct(private array $labels, private ?int $variant)
    {
    }

    public static function kind(): string
    {
        return 'variant.wear';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self(
            JoinRegions::labels($input, Labels::MOST),
            $input->intOrNull('variant', 0, PHP_INT_MAX),
        );
    }

    /** @return WearInput */
    public function toInput(): array
    {
        return ['labels' => $this->labels, 'variant' => $this->variant];
    }

    public function title(): string
    {
        return $this->variant === null ? 'Show regions in the variant of the page' : 'Show regions in a variant';
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return new References(variants: array_values(array_filter([(int) $this->variant])));
    }

    public function apply(Sheet $sheet): void
    {
        $regions = array_filter(
            array_intersect_key($sheet->all(Region::class), array_flip($this->labels)),
            fn (Region $region): bool => ! $region->locked,
        );
        if ($regions === []) {
            throw new OpRefused('These regions are gone or locked. Pick them again.');
        }
        foreach ($regions as $label => $region) {
            $sheet->put($label, $region->wearing($this->variant));
        }
    }
}

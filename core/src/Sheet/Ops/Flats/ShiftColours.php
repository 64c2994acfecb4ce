<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Flats;

use Awning\Core\Page\Data;
use Awning\Core\Page\Region\ColourShift;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Labels;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Shifts a material's colours on this page, in all of its regions or some; a shift of nothing takes it back. Shifts
 * that no region names any more are gone.
 *
 * @phpstan-import-type ShiftData from ColourShift
 *
 * @phpstan-type ShiftInput array{id: string, labels: list<int>, values: ShiftData}
 */
final readonly class ShiftColours implements ClientOp
{
    /** @param  list<int>  $labels  empty: every region of the material that is not shifted otherwise */
    private function __construct(private string $id, private array $labels, private ColourShift $shift)
    {
    }

    public static function kind(): string
    {
        return 'colour.shift';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        $labels = array_values(array_unique(array_filter($input->list('labels', Labels::MOST), is_int(...))));

        return new self($input->id('id'), $labels, ColourShift::fromData($input->map('values')));
    }

    /** @return ShiftInput */
    public function toInput(): array
    {
        return ['id' => $this->id, 'labels' => $this->labels, 'values' => $this->shift->toData()];
    }

    public function title(): string
    {
        return $this->shift->isNone() ? 'Remove a colour shift' : 'Shift colours on this page';
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return new References(materials: [$this->shift->material]);
    }

    public function apply(Sheet $sheet): void
    {
        $before = $sheet->find(ColourShift::class, $this->id);
        if ($before !== null && $before->material !== $this->shift->material) {
            throw new OpRefused('This shift is of another material. Reload the page and try again.');
        }
        $meant = array_filter(
            $sheet->all(Region::class),
            fn (Region $region, int|string $label): bool => $this->means($region, (int) $label),
            ARRAY_FILTER_USE_BOTH,
        );
        if ($meant === []) {
            throw new OpRefused('No region of this material is there to shift.');
        }
        $shift = $this->shift->isNone() ? null : $this->id;
        foreach ($meant as $label => $region) {
            $sheet->put($label, $region->shiftedBy($shift));
        }
        if ($shift !== null) {
            $sheet->put($this->id, $this->shift);
        }
        self::forget($sheet);
    }

    private function means(Region $region, int $label): bool
    {
        return $region->material === $this->shift->material &&
            ! $region->locked &&
            ($this->labels === []
                ? $region->shift === null || $region->shift === $this->id
                : in_array($label, $this->labels, true));
    }

    private static function forget(Sheet $sheet): void
    {
        $named = array_filter(array_map(fn (Region $region): ?string => $region->shift, $sheet->all(Region::class)));
        foreach (array_diff(array_map(strval(...), array_keys($sheet->all(ColourShift::class))), $named) as $unused) {
            $sheet->remove(ColourShift::class, $unused);
        }
    }
}

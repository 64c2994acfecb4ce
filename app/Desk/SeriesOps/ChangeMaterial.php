<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Name;
use App\Desk\Palette\SeriesPart;
use App\Models\Figure;
use App\Models\Material;
use App\Models\Series;
use Awning\Core\Colour\Derivation;

/**
 * Another name for a material, another place in the order, another figure, or a rule of its own for derived tones.
 *
 * @phpstan-import-type DerivationPart from Derivation
 */
final readonly class ChangeMaterial implements ClientSeriesOp
{
    use FigureChange;
    use MaterialChange;

    /**
     * @param  ?Figure  $figure  whose it becomes; null: as it is
     * @param  ?int  $place  before which of the figure's other materials, from 0; null: as it is, or last of another
     *     figure
     * @param  ?DerivationPart  $dials  null: as they are; empty: the series' own
     */
    public function __construct(
        private Material $material,
        private int $version,
        private ?string $name = null,
        private ?Figure $figure = null,
        private ?int $place = null,
        private ?array $dials = null,
    ) {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked(
            [
                'material' => 'required|integer',
                'version' => 'required|integer',
                'name' => ['sometimes', new Name(80)],
                'figure' => 'sometimes|integer',
                'place' => 'sometimes|integer|between:0,65535',
                'dials' => 'sometimes|array',
            ] + OpInput::dials(),
        );
        /** @var DerivationPart $dials */
        $dials = $input->array('dials');

        return new self(
            material: $asked->material($input->integer('material')),
            version: $input->integer('version'),
            name: $input->has('name') ? $input->string('name')->toString() : null,
            figure: $input->has('figure') ? $asked->livingFigure($input->integer('figure')) : null,
            place: $input->has('place') ? $input->integer('place') : null,
            dials: $asked->has('dials') ? $dials : null,
        );
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Palette;
    }

    public static function kind(): string
    {
        return 'material.change';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return match (true) {
            $this->name !== null => "Rename {$this->material->name}",
            $this->dials !== null => "Derive {$this->material->name} by a rule of its own",
            $this->figure !== null => "Move {$this->material->name} to {$this->figure->name}",
            default => "Move {$this->material->name}",
        };
    }

    public function toInput(): array
    {
        return [
            'material' => $this->material->id,
            'name' => $this->name,
            'figure' => $this->figure?->id,
            'place' => $this->place,
            'dials' => $this->dials,
        ];
    }

    public function apply(Series $series): array
    {
        $row = self::taken($series, $this->material, $this->version, [
            'name' => $this->name,
            'figure' => $this->figure?->id,
            'place' => $this->place,
        ]);
        $row->name = $this->name ?? $row->name;
        $row->dials = $this->dials === null ? $row->dials : ($this->dials ?: null);
        $records = [];
        if ($this->figure !== null || $this->place !== null) {
            $row->figure_id = $this->figure === null ? $row->figure_id : self::ownOf($this->figure)->id;
            /** @var list<Material> $others */
            $others = Material::living()
                ->where('figure_id', $row->figure_id)
                ->whereKeyNot($row->id)
                ->orderBy('place')
                ->orderBy('id')
                ->get()
                ->all();
            array_splice($others, $this->place ?? count($others), 0, [$row]);
            foreach ($others as $place => $one) {
                $one->place = $place + 1;
                if ($one !== $row && $one->isDirty()) {
                    $records[] = self::saved($one);
                }
            }
        }

        return [self::saved($row), ...$records];
    }
}

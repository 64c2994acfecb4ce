<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Conflict;
use App\Desk\Name;
use App\Desk\Palette\SeriesPart;
use App\Models\PaletteVariant;
use App\Models\Series;
use Awning\Core\Colour\Tone;

/**
 * Another colour for some tones of a material in a variant; null: as the palette has it. Or another name, or it is
 * taken out.
 */
final readonly class ChangeVariant implements ClientSeriesOp
{
    /**
     * @param  int  $version  the variant's, as the client knows it
     * @param  ?int  $material  whose tones
     * @param  array<value-of<Tone>, ?string>  $tones  #rrggbb, or null
     */
    public function __construct(
        private PaletteVariant $variant,
        private int $version,
        private ?string $name = null,
        private ?int $material = null,
        private array $tones = [],
        private bool $retire = false,
    ) {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked([
            'variant' => 'required|integer',
            'version' => 'required|integer',
            'name' => ['sometimes', new Name(80)],
            'material' => 'sometimes|integer',
            'tones' => ['required_with:material', 'array:'.implode(',', array_column(Tone::cases(), 'value'))],
            'tones.*' => ['nullable', OpInput::COLOUR],
            'retire' => 'sometimes|boolean',
        ]);
        /** @var array<value-of<Tone>, ?string> $tones */
        $tones = $input->array('tones');

        return new self(
            variant: $asked->variant($input->integer('variant')),
            version: $input->integer('version'),
            name: $input->has('name') ? $input->string('name')->toString() : null,
            material: $input->has('material') ? $asked->material($input->integer('material'))->id : null,
            tones: $tones,
            retire: $input->boolean('retire'),
        );
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Variants;
    }

    public static function kind(): string
    {
        return 'variant.change';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return ($this->retire
            ? 'Delete the variant '
            : ($this->name !== null
                ? 'Rename the variant '
                : 'Change the variant ')).$this->variant->name;
    }

    public function toInput(): array
    {
        return [
            'variant' => $this->variant->id,
            'name' => $this->name,
            'material' => $this->material,
            'tones' => $this->tones,
            'retire' => $this->retire,
        ];
    }

    public function apply(Series $series): array
    {
        $row = PaletteVariant::query()->lockForUpdate()->findOrFail($this->variant->id);
        if ($row->version !== $this->version) {
            throw new Conflict(
                "Somebody changed the variant $row->name meanwhile. Theirs is shown; choose again if yours should stand.",
                ['reason' => 'palette', 'theirs' => null, 'yours' => $this->toInput()],
            );
        }
        $before = $row->toRecord();
        $row->name = $this->name ?? $row->name;
        $row->retired = $this->retire;
        if ($this->material !== null) {
            $tones = $row->tones;
            $tones[$this->material] = array_filter([...$tones[$this->material] ?? [], ...$this->tones], is_string(...));
            $row->tones = array_filter($tones);
        }
        $row->version++;
        $row->save();

        return [['variant', $row->id, $before, $row->toRecord()]];
    }
}

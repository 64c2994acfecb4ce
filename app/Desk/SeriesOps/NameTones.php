<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Name;
use App\Desk\Palette\SeriesPart;
use App\Models\Material;
use App\Models\Series;
use Awning\Core\Colour\Tone;
use Illuminate\Validation\Rule;

/**
 * The tones that a material has beside its six: named, in an order, and always pinned.
 *
 * @phpstan-type NamedTone array{tone: value-of<Tone>, name: string, colour: string}
 */
final readonly class NameTones implements ClientSeriesOp
{
    use MaterialChange;

    /** @param  list<NamedTone>  $more  all there shall be, in their order; each tone one of Tone::more() */
    public function __construct(private Material $material, private int $version, private array $more)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $slots = array_column(Tone::more(), 'value');
        $input = $asked->checked([
            'material' => 'required|integer',
            'version' => 'required|integer',
            'more' => 'present|list|max:'.count($slots),
            'more.*.tone' => ['required', 'distinct', Rule::in($slots)],
            'more.*.name' => ['required', new Name(40)],
            'more.*.colour' => ['required', OpInput::COLOUR],
        ]);
        /** @var list<NamedTone> $more */
        $more = $input->array('more');

        return new self($asked->material($input->integer('material')), $input->integer('version'), $more);
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Palette;
    }

    public static function kind(): string
    {
        return 'tones.name';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return $this->more === []
            ? "Six tones for {$this->material->name}"
            : "More tones for {$this->material->name}: ".implode(', ', array_column($this->more, 'name'));
    }

    public function toInput(): array
    {
        return ['material' => $this->material->id, 'more' => $this->more];
    }

    public function apply(Series $series): array
    {
        $row = self::taken($series, $this->material, $this->version, ['more' => $this->more]);
        $row->more = array_column($this->more, 'name', 'tone') ?: null;
        $six = array_intersect_key($row->pinned, array_flip(array_column(Tone::six(), 'value')));
        $row->pinned = $six + array_column($this->more, 'colour', 'tone');

        return [self::saved($row)];
    }
}

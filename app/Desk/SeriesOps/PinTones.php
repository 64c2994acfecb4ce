<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Conflict;
use App\Desk\Palette\SeriesPart;
use App\Models\Material;
use App\Models\Series;
use Awning\Core\Colour\Tone;

/**
 * Pins some tones of a material to colours, or lets them be derived again: those that are null. The base is never
 * derived.
 */
final readonly class PinTones implements ClientSeriesOp
{
    use MaterialChange;

    /** @param  non-empty-array<value-of<Tone>, ?string>  $tones  #rrggbb, or null */
    public function __construct(private Material $material, private int $version, private array $tones)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked([
            'material' => 'required|integer',
            'version' => 'required|integer',
            'tones' => ['required', 'array:'.implode(',', array_column(Tone::cases(), 'value'))],
            'tones.*' => ['nullable', OpInput::COLOUR],
            'tones.base' => ['sometimes', 'required', OpInput::COLOUR],
        ]);
        /** @var non-empty-array<value-of<Tone>, ?string> $tones */
        $tones = $input->array('tones');

        return new self($asked->material($input->integer('material')), $input->integer('version'), $tones);
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Palette;
    }

    public static function kind(): string
    {
        return 'tones.pin';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        $pinned = array_filter($this->tones, is_string(...));

        return ($pinned === [] ? 'Derive' : 'Pin').
            " {$this->material->name}, ".
            implode(', ', array_keys($pinned ?: $this->tones));
    }

    public function toInput(): array
    {
        return ['material' => $this->material->id, 'tones' => $this->tones];
    }

    public function apply(Series $series): array
    {
        $row = self::taken($series, $this->material, $this->version, ['tones' => $this->tones]);
        foreach ($this->tones as $tone => $colour) {
            if (Tone::from($tone)->isMore() && ($colour === null || ! isset($row->more[$tone]))) {
                throw new Conflict(
                    "This tone of $row->name is gone, or has no colour to follow. Name it again first.",
                    ['reason' => 'palette', 'theirs' => null, 'yours' => ['tones' => $this->tones]],
                );
            }
        }
        $row->pinned = array_filter([...$row->pinned, ...$this->tones], is_string(...));

        return [self::saved($row)];
    }
}

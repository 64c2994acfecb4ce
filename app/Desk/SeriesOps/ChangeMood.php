<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Name;
use App\Desk\Palette\SeriesPart;
use App\Models\Series;
use App\Models\SeriesMood;
use Awning\Core\Page\Mood\Mood;

/** A mood becomes other layers; pages that show it stay as they are until somebody shows it there again. */
final readonly class ChangeMood implements ClientSeriesOp
{
    use RowChange;

    public function __construct(private SeriesMood $row, private Mood $mood)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked([
            'mood' => 'required|integer',
            'layers' => 'required|list|max:'.Mood::MOST,
            'light' => ['sometimes', 'nullable', new Name(Mood::LONGEST)],
            'variant' => ['sometimes', 'nullable', new Name(Mood::LONGEST)],
        ]);
        $mood = $asked->layers('layers')->bringing(
            $input->string('light')->toString(),
            $input->string('variant')->toString(),
        );

        return new self($asked->mood($input->integer('mood')), $mood);
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Moods;
    }

    public static function kind(): string
    {
        return 'mood.change';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return "Change the mood {$this->row->name}";
    }

    public function toInput(): array
    {
        return ['mood' => $this->row->id, 'layers' => $this->mood->toList()] + $this->mood->brought();
    }

    public function apply(Series $series): array
    {
        return self::changed('mood', $this->row, ['layers' => $this->mood->toList()] + $this->mood->brought());
    }
}

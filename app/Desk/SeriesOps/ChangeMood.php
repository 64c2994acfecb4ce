<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Conflict;
use App\Desk\Name;
use App\Desk\Palette\SeriesPart;
use App\Models\Series;
use App\Models\SeriesMood;
use Awning\Core\Page\Mood\Mood;

/** A mood becomes other layers; pages that show it stay as they are until somebody shows it there again. */
final readonly class ChangeMood implements ClientSeriesOp
{
    /** @param  int  $version  the mood's, as the client knows it */
    public function __construct(private SeriesMood $row, private int $version, private Mood $mood)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked([
            'mood' => 'required|integer',
            'version' => 'required|integer',
            'layers' => 'required|list|max:'.Mood::MOST,
            'light' => ['sometimes', 'nullable', new Name(Mood::LONGEST)],
            'variant' => ['sometimes', 'nullable', new Name(Mood::LONGEST)],
        ]);
        $mood = $asked->layers('layers')->bringing(
            $input->string('light')->toString(),
            $input->string('variant')->toString(),
        );

        return new self($asked->mood($input->integer('mood')), $input->integer('version'), $mood);
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
        $row = SeriesMood::query()->lockForUpdate()->findOrFail($this->row->id);
        if ($row->version !== $this->version) {
            throw new Conflict(
                "Somebody changed the mood $row->name meanwhile. Theirs is shown in the strip; your layers are still on "
                    .'this page. Change the mood again if yours should stand.',
            );
        }
        $before = $row->toRecord();
        $row->forceFill(
            ['layers' => $this->mood->toList(), 'version' => $row->version + 1] + $this->mood->brought(),
        )->save();

        return [['mood', $row->id, $before, $row->toRecord()]];
    }
}

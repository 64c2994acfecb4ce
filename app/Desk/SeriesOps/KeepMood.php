<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Name;
use App\Desk\Palette\SeriesPart;
use App\Models\Series;
use App\Models\SeriesMood;
use Awning\Core\Exchange\MoodFile;
use Awning\Core\Page\Mood\Mood;

/** A new mood: its name and layers, or the text of a file that holds both. */
final readonly class KeepMood implements ClientSeriesOp
{
    public function __construct(private string $name, private Mood $mood)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked([
            'name' => ['required_without:text', new Name(60)],
            'layers' => 'required_without:text|list|max:'.Mood::MOST,
            'light' => ['sometimes', 'nullable', new Name(Mood::LONGEST)],
            'variant' => ['sometimes', 'nullable', new Name(Mood::LONGEST)],
            'text' => 'sometimes|string|max:'.MoodFile::MOST_BYTES,
        ]);
        if ($input->has('text')) {
            $text = $input->string('text')->toString();
            [$name, $layers, $brought] = $asked->built('text', fn (): array => MoodFile::read($text));

            return new self($name, $asked->built('text', fn (): Mood => Mood::of($layers)->bringing(...$brought)));
        }

        return new self(
            $input->string('name')->toString(),
            $asked->layers('layers')->bringing(
                $input->string('light')->toString(),
                $input->string('variant')->toString(),
            ),
        );
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Moods;
    }

    public static function kind(): string
    {
        return 'mood.keep';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return "Keep the mood $this->name";
    }

    public function toInput(): array
    {
        return ['name' => $this->name, 'layers' => $this->mood->toList()] + $this->mood->brought();
    }

    public function apply(Series $series): array
    {
        $row = SeriesMood::query()
            ->create(['series_id' => $series->id] + $this->toInput())
            ->refresh();

        return [['mood', $row->id, null, $row->toRecord()]];
    }
}

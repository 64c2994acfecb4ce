<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Name;
use App\Desk\Palette\SeriesPart;
use App\Models\Series;
use App\Models\SeriesSetup;
use Awning\Core\Exchange\SetupFile;
use Awning\Core\Page\Setup\Setup;

/** A new setup: its name and passes, or the text of a file that holds both. */
final readonly class KeepSetup implements ClientSeriesOp
{
    /** Characters; a setup of all its passes with all their marks is well below it. */
    private const LONGEST_FILE = 800_000;

    public function __construct(private string $name, private Setup $setup)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked([
            'name' => ['required_without:text', new Name(60)],
            'passes' => 'required_without:text|array|max:'.Setup::MOST,
            'text' => 'sometimes|string|max:'.self::LONGEST_FILE,
        ]);
        if ($input->has('text')) {
            $text = $input->string('text')->toString();

            return new self(...$asked->built('text', fn (): array => SetupFile::read($text)));
        }

        return new self($input->string('name')->toString(), $asked->passes('passes'));
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Setups;
    }

    public static function kind(): string
    {
        return 'setup.keep';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return "Keep the setup $this->name";
    }

    public function toInput(): array
    {
        return ['name' => $this->name, 'passes' => $this->setup->toList()];
    }

    public function apply(Series $series): array
    {
        $row = SeriesSetup::query()
            ->create(['series_id' => $series->id, 'name' => $this->name, 'passes' => $this->setup->toList()])
            ->refresh();

        return [['setup', $row->id, null, $row->toRecord()]];
    }
}

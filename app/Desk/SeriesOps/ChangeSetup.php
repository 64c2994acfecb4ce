<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Palette\SeriesPart;
use App\Models\Series;
use App\Models\SeriesSetup;
use Awning\Core\Page\Setup\Setup;

/** A setup becomes another stack of passes; what was hung from it follows where somebody says so. */
final readonly class ChangeSetup implements ClientSeriesOp
{
    use RowChange;

    public function __construct(private SeriesSetup $row, private Setup $setup)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked(['setup' => 'required|integer', 'passes' => 'required|array|max:'.Setup::MOST]);

        return new self($asked->setup($input->integer('setup')), $asked->passes('passes'));
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Setups;
    }

    public static function kind(): string
    {
        return 'setup.change';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return "Change the setup {$this->row->name}";
    }

    public function toInput(): array
    {
        return ['setup' => $this->row->id, 'passes' => $this->setup->toList()];
    }

    public function apply(Series $series): array
    {
        return self::changed('setup', $this->row, ['passes' => $this->setup->toList()]);
    }
}

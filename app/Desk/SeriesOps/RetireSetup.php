<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Palette\SeriesPart;
use App\Models\Series;
use App\Models\SeriesSetup;

/** Takes a setup out; passes that were hung from it stay. */
final readonly class RetireSetup implements ClientSeriesOp
{
    use RowChange;

    public function __construct(private SeriesSetup $setup)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked(['setup' => 'required|integer']);

        return new self($asked->setup($input->integer('setup')));
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Setups;
    }

    public static function kind(): string
    {
        return 'setup.retire';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return "Delete the setup {$this->setup->name}";
    }

    public function toInput(): array
    {
        return ['setup' => $this->setup->id];
    }

    public function apply(Series $series): array
    {
        return self::changed('setup', $this->setup, ['retired' => true]);
    }
}

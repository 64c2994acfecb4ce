<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Models\Series;
use App\Models\SeriesSetup;
use Awning\Core\Page\Setup\Setup;

/** A new setup. */
final readonly class KeepSetup implements SeriesOp
{
    public function __construct(private string $name, private Setup $setup)
    {
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
        $row = SeriesSetup::query()->create(['series_id' => $series->id, 'name' => $this->name, 'passes' => $this->setup->toList()])->refresh();

        return [['setup', $row->id, null, $row->toRecord()]];
    }
}

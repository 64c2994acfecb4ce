<?php

declare(strict_types=1);

namespace App\Desk\Palette;

use App\Models\Series;
use App\Models\SeriesSetup;
use Awning\Core\Page\Setup\Setup;
use Awning\Core\Page\Setup\SetupBox;

/**
 * The setups there are for a series: those that lie ready, and its own.
 *
 * @phpstan-import-type SetupPass from Setup
 *
 * @phpstan-type SetupState array{id: int, name: string, passes: list<SetupPass>}
 */
final readonly class SeriesSetups
{
    public function __construct(private Series $series)
    {
    }

    /** @return list<SetupState> id 0: it lies ready */
    public function toClient(): array
    {
        $box = SetupBox::all();
        $ready = array_map(
            fn (string $name, Setup $setup): array => ['id' => 0, 'name' => $name, 'passes' => $setup->toList()],
            array_keys($box),
            $box,
        );
        /** @var list<SeriesSetup> $own */
        $own = SeriesSetup::living()->where('series_id', $this->series->id)->orderBy('id')->get()->all();

        return [
            ...$ready,
            ...array_map(
                fn (SeriesSetup $setup): array => [
                    'id' => $setup->id,
                    'name' => $setup->name,
                    'passes' => Setup::fromList($setup->passes)->toList(),
                ],
                $own,
            ),
        ];
    }
}

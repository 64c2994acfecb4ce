<?php

declare(strict_types=1);

namespace App\Desk\Page;

use App\Models\JournalEntry;
use App\Models\PageChange;
use App\Store\StandIns;
use Awning\Core\Page\RecordKind;

/**
 * What an op came to: the page's new revision, and the tiles and records that now differ.
 *
 * @phpstan-type TileNow array{string, int, int, ?string}
 * @phpstan-type RecordNow array{string, string, ?array<string, mixed>}
 * @phpstan-type AppliedState array{revision: int, title: ?string, tiles: list<TileNow>, records: list<RecordNow>}
 */
final readonly class Applied
{
    /** @param  ?JournalEntry  $entry  null when the op altered nothing */
    public function __construct(public int $revision, public ?JournalEntry $entry, private bool $back = false)
    {
    }

    public static function again(PageChange $change): self
    {
        return new self($change->revision, $change->entry, $change->back);
    }

    /** @return list<TileNow> layer, column, row, hash */
    public function tiles(): array
    {
        $side = $this->back ? 3 : 4;

        return array_map(
            fn (array $tile): array => [$tile[0], $tile[1], $tile[2], $tile[$side]],
            $this->entry->tiles ?? [],
        );
    }

    /**
     * @param  StandIns  $standIns  the journal may name what the palette has no more
     * @return list<RecordNow> kind, key, data
     */
    public function records(StandIns $standIns): array
    {
        $side = $this->back ? 2 : 3;

        return array_map(
            fn (array $record): array => [
                $record[0],
                (string) $record[1],
                self::now($standIns, RecordKind::from($record[0]), $record[$side]),
            ],
            $this->entry->records ?? [],
        );
    }

    /**
     * @param  ?array<string, mixed>  $data
     * @return ?array<string, mixed>
     */
    private static function now(StandIns $standIns, RecordKind $kind, ?array $data): ?array
    {
        return $data === null || ! StandIns::concern($kind) ? $data : $standIns->of($kind->read($data))->toData();
    }

    /** @return AppliedState */
    public function toClient(StandIns $standIns): array
    {
        return [
            'revision' => $this->revision,
            'title' => $this->entry?->title,
            'tiles' => $this->tiles(),
            'records' => $this->records($standIns),
        ];
    }
}

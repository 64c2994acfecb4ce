<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\JournalEntry;

/** What an op came to: the page's new revision, and the tiles and facts that now differ. */
final readonly class Applied
{
    /** @param  ?JournalEntry  $entry  null when the op altered nothing */
    public function __construct(public int $revision, public ?JournalEntry $entry, private bool $back = false)
    {
    }

    /** @return array{revision: int, title: ?string, tiles: list<array{string, int, int, ?string}>, facts: list<array{string, string, ?array<string, mixed>}>} */
    public function toClient(): array
    {
        $side = $this->back ? 0 : 1;

        return [
            'revision' => $this->revision,
            'title' => $this->entry?->title,
            'tiles' => array_map(fn (array $tile): array => [$tile[0], $tile[1], $tile[2], $tile[3 + $side]], $this->entry->tiles ?? []),
            'facts' => array_map(fn (array $fact): array => [$fact[0], $fact[1], $fact[2 + $side]], $this->entry->facts ?? []),
        ];
    }
}

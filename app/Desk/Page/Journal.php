<?php

declare(strict_types=1);

namespace App\Desk\Page;

use App\Models\JournalEntry;
use App\Models\Page;

/**
 * What can be undone and done again on a page.
 *
 * @phpstan-type JournalState array{undo: ?string, redo: ?string, count: int}
 */
final readonly class Journal
{
    public function __construct(private Page $page)
    {
    }

    /** @return JournalState titles of the next op either way, and how many are done */
    public function toClient(): array
    {
        $entries = JournalEntry::query()->where('page_id', $this->page->id);

        return [
            'undo' => (clone $entries)->where('state', 'done')->latest('id')->first(['title'])?->title,
            'redo' => (clone $entries)->where('state', 'undone')->oldest('id')->first(['title'])?->title,
            'count' => (clone $entries)->where('state', 'done')->count(),
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What one revision of a page is: a journal entry done (or done again), or taken back.
 *
 * @property int $page_id
 * @property int $revision
 * @property int $journal_id
 * @property bool $back
 * @property ?string $op_id made by the client, so that the same thing asked for twice is done once
 * @property JournalEntry $entry
 */
final class PageChange extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $primaryKey = null;

    protected $fillable = ['page_id', 'revision', 'journal_id', 'back', 'op_id'];

    /** @var array<string, string> */
    protected $casts = ['back' => 'boolean'];

    /** @return BelongsTo<JournalEntry, $this> */
    public function entry(): BelongsTo
    {
        return $this->belongsTo(JournalEntry::class, 'journal_id');
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * One change to a series' palette, of the same make as a page's journal: what was asked for, and what it altered.
 *
 * @property int $id
 * @property int $series_id
 * @property ?int $user_id
 * @property int $version the palette's, after it
 * @property string $kind
 * @property int $form
 * @property array<string, mixed> $input
 * @property string $title
 * @property list<array{string, int, ?array<string, mixed>, ?array<string, mixed>}> $records kind, id, before, after
 * @property ?string $op_id
 * @property string $state done, undone (and may be done again), or dropped (may not)
 * @property Carbon $made_at
 * @property ?User $user
 */
final class SeriesEntry extends Model
{
    public $timestamps = false;

    protected $table = 'series_journal';

    protected $fillable = [
        'series_id',
        'user_id',
        'version',
        'kind',
        'form',
        'input',
        'title',
        'records',
        'op_id',
        'state',
    ];

    /** @var array<string, string> */
    protected $casts = ['input' => 'array', 'records' => 'array', 'made_at' => 'datetime'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}

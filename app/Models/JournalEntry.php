<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * One op: what it altered, as tile hashes and facts before and after. Its state is done, undone, or dropped when
 * something else was done after it was undone.
 *
 * @property int $id
 * @property int $page_id
 * @property string $title
 * @property string $state
 * @property list<array{string, int, int, ?string, ?string}> $tiles layer, column, row, hash before, hash after
 * @property list<array{string, string, ?array<string, mixed>, ?array<string, mixed>}> $facts kind, key, before, after
 */
final class JournalEntry extends Model
{
    public $timestamps = false;

    protected $table = 'journal';

    protected $fillable = ['page_id', 'user_id', 'title', 'state', 'tiles', 'facts'];

    /** @var array<string, string> */
    protected $casts = ['tiles' => 'array', 'facts' => 'array'];

    protected function asJson($value, $flags = 0): string
    {
        return json_encode($value, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE | $flags);
    }
}

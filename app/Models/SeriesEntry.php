<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

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
 */
final class SeriesEntry extends Model
{
    public $timestamps = false;

    protected $table = 'series_journal';

    protected $fillable = ['series_id', 'user_id', 'version', 'kind', 'form', 'input', 'title', 'records', 'op_id'];

    /** @var array<string, string> */
    protected $casts = ['input' => 'array', 'records' => 'array'];
}

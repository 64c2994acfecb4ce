<?php

declare(strict_types=1);

namespace App\Models;

use App\Values\Scalar;
use Awning\Core\Sheet\State\Right;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * One op: as it was asked for, and what it altered, as tile hashes and records before and after. Its state is done,
 * undone, or dropped when something else was done after it was undone.
 *
 * @property int $id
 * @property int $page_id
 * @property ?int $user_id
 * @property ?User $user
 * @property \Illuminate\Support\Carbon $made_at
 * @property string $title
 * @property string $state
 * @property string $kind empty for what was done before ops were kept
 * @property int $form version of the op's input
 * @property ?array<string, mixed> $input
 * @property Right $right
 * @property list<array{string, int, int, ?string, ?string}> $tiles layer, column, row, hash before, hash after
 * @property list<array{string, string, ?array<string, mixed>, ?array<string, mixed>}> $records kind, key, before, after
 */
final class JournalEntry extends Model
{
    public $timestamps = false;

    protected $table = 'journal';

    protected $fillable = [
        'page_id',
        'user_id',
        'title',
        'state',
        'kind',
        'form',
        'input',
        'right',
        'tiles',
        'records',
    ];

    /** @var array<string, string> */
    protected $casts = [
        'tiles' => 'array',
        'records' => 'array',
        'input' => 'array',
        'right' => Right::class,
        'made_at' => 'datetime',
    ];

    /** @return list<string> the hashes that a step's tiles name, before and after */
    public static function hashesOf(\stdClass $row): array
    {
        $hashes = [];
        foreach ((array) json_decode(Scalar::string($row->tiles), true) as $tile) {
            array_push($hashes, ...Scalar::strings(array_filter(array_slice((array) $tile, 3, 2))));
        }

        return $hashes;
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return HasMany<JournalLayer, $this> */
    public function layers(): HasMany
    {
        return $this->hasMany(JournalLayer::class, 'journal_id');
    }

    protected function asJson($value, $flags = 0): string
    {
        return json_encode($value, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE | $flags);
    }
}

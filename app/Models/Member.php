<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $series_id
 * @property int $user_id
 * @property Role $role
 * @property User $user
 */
final class Member extends Model
{
    protected $fillable = ['series_id', 'user_id', 'role'];

    /** @var array<string, string> */
    protected $casts = ['role' => Role::class];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}

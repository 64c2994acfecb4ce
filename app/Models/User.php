<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Foundation\Auth\User as Authenticatable;

/**
 * @property int $id
 * @property string $name
 * @property string $email
 * @property bool $is_demo
 * @property string $password
 * @property ?\Illuminate\Support\Carbon $disabled_at
 */
final class User extends Authenticatable
{
    use CleanName;

    public const SHORTEST_PASSWORD = 10;

    protected $fillable = ['name', 'email', 'password', 'is_demo'];

    protected $hidden = ['password', 'remember_token'];

    /** @var array<string, string> */
    protected $casts = ['password' => 'hashed', 'is_demo' => 'boolean', 'disabled_at' => 'datetime'];

    /** @return BelongsToMany<Series, $this> */
    public function series(): BelongsToMany
    {
        return $this->belongsToMany(Series::class, 'members')->withPivot('role');
    }

    /** Kept out is who was disabled, and the people of the demo where no demo is. */
    public function mayComeIn(): bool
    {
        return $this->disabled_at === null && (! $this->is_demo || (bool) config('awning.demo'));
    }

    public function roleIn(Series $series): ?Role
    {
        $role = Member::query()->where('series_id', $series->id)->where('user_id', $this->id)->value('role');

        return $role instanceof Role ? $role : null;
    }
}

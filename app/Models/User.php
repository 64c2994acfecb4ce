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
 */
final class User extends Authenticatable
{
    protected $fillable = ['name', 'email', 'password', 'is_demo'];

    protected $hidden = ['password', 'remember_token'];

    /** @var array<string, string> */
    protected $casts = ['password' => 'hashed', 'is_demo' => 'boolean'];

    /** @return BelongsToMany<Series, $this> */
    public function series(): BelongsToMany
    {
        return $this->belongsToMany(Series::class, 'members')->withPivot('role');
    }

    public function roleIn(Series $series): ?Role
    {
        $role = Member::query()->where('series_id', $series->id)->where('user_id', $this->id)->value('role');

        return $role instanceof Role ? $role : null;
    }
}

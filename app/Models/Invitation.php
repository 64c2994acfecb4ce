<?php

declare(strict_types=1);

namespace App\Models;

use App\Values\Scalar;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;

/**
 * A link that lets somebody in once: to join a series, or to choose a new password.
 *
 * @property int $id
 * @property ?int $user_id whose password it is for; null for somebody who joins
 * @property ?int $series_id
 * @property ?Role $role
 * @property ?string $email
 * @property Carbon $expires_at
 * @property ?Carbon $used_at
 * @property ?Series $series
 * @property ?User $user
 */
final class Invitation extends Model
{
    public const DAYS = 7;

    protected $fillable = ['token_hash', 'user_id', 'series_id', 'role', 'email', 'made_by', 'expires_at'];

    /** @var array<string, string> */
    protected $casts = ['role' => Role::class, 'expires_at' => 'datetime', 'used_at' => 'datetime'];

    /**
     * @param  array{user_id?: int, series_id?: int, role?: Role, email?: ?string, made_by?: ?int}  $of
     * @return string the link's token, which is nowhere kept
     */
    public static function issue(array $of): string
    {
        $token = Str::random(40);
        self::query()->create($of + ['token_hash' => self::hash($token), 'expires_at' => now()->addDays(self::DAYS)]);

        return $token;
    }

    /** @return ?self null when it is not known, used or too old */
    public static function open(string $token): ?self
    {
        /** @var ?self $invitation */
        $invitation = self::query()
            ->where('token_hash', self::hash($token))
            ->whereNull('used_at')
            ->where('expires_at', '>', now())
            ->first();

        return $invitation;
    }

    public static function link(string $token): string
    {
        return rtrim(Scalar::string(config('app.url')), '/')."/welcome/$token";
    }

    private static function hash(string $token): string
    {
        return hash('sha256', $token);
    }

    /** @return BelongsTo<Series, $this> */
    public function series(): BelongsTo
    {
        return $this->belongsTo(Series::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}

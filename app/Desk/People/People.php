<?php

declare(strict_types=1);

namespace App\Desk\People;

use App\Models\Invitation;
use App\Models\Member;
use App\Models\Page;
use App\Models\Role;
use App\Models\Series;
use App\Models\SignedIn;
use App\Models\Task;
use App\Models\User;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** Who may come in, and with what. */
final class People
{
    /** Addresses differ by no more than case and the blanks of a careless hand. */
    public static function normal(string $email): string
    {
        return Str::lower(trim($email));
    }

    /** @return ?User null when the two do not belong together; known and unknown addresses take as long */
    public function who(string $email, string $password): ?User
    {
        $user = User::query()->where('email', self::normal($email))->first();
        $matches = Hash::check($password, $user->password ?? $this->nobodysHash());

        return $user !== null && $matches && $user->mayComeIn() ? $user : null;
    }

    public function add(string $email, string $name, ?string $password = null): User
    {
        if (User::query()->where('email', self::normal($email))->exists()) {
            throw ValidationException::withMessages(['email' => 'Somebody with this address is here already.']);
        }

        // Without a password of their own, nobody knows this one: they choose by a link.
        return User::query()->create([
            'email' => self::normal($email),
            'name' => $name,
            'password' => $password ?? Str::random(64),
        ]);
    }

    public function setPassword(User $user, string $password, ?string $butSession = null): void
    {
        DB::transaction(function () use ($user, $password, $butSession): void {
            $user->forceFill(['password' => $password, 'remember_token' => Str::random(60)])->save();
            $this->endSessions($user, $butSession);
        });
    }

    public function disable(User $user): void
    {
        DB::transaction(function () use ($user): void {
            $user->forceFill(['disabled_at' => now()])->save();
            $this->endSessions($user);
            self::letGo($user);
        });
    }

    /**
     * Ends what somebody holds and has begun: of a series they may do less in than before, or with null of all. Call it
     * in the transaction that changes what they may do.
     */
    public static function letGo(User $user, ?Series $series = null): void
    {
        $pages = Page::query()->when($series !== null, fn ($pages) => $pages->where('series_id', $series?->id));
        $pages
            ->clone()
            ->where('holder_id', $user->id)
            ->update(['holder_id' => null, 'lease' => null, 'lease_until' => null]);
        Task::query()
            ->where('user_id', $user->id)
            ->whereIn('state', ['waiting', 'working'])
            ->when(
                $series !== null,
                fn ($tasks) => $tasks->where(
                    fn ($of) => $of
                        ->where('series_id', $series?->id)
                        ->orWhereIn('page_id', $pages->clone()->select('id')),
                ),
            )
            ->update([
                'state' => 'stopped',
                'message' => 'Your part in this series has changed, and the work was stopped. Nothing was changed.',
            ]);
    }

    /** Follows an invitation: somebody joins, or has a new password. Once. */
    public function follow(string $token, ?string $name, ?string $email, string $password): User
    {
        return DB::transaction(function () use ($token, $name, $email, $password): User {
            $invitation = Invitation::open($token);
            // Of two who follow it at a time, one finds it used.
            if (
                $invitation === null ||
                Invitation::query()
                    ->whereKey($invitation->id)
                    ->whereNull('used_at')
                    ->update(['used_at' => now()]) === 0
            ) {
                throw ValidationException::withMessages([
                    'token' => 'This link has been used or is too old. Ask for a new one.',
                ]);
            }
            if ($invitation->user !== null) {
                $this->setPassword($invitation->user, $password);

                return $invitation->user;
            }
            $user = $this->joining(self::normal($invitation->email ?? (string) $email), (string) $name, $password);
            if (
                $invitation->series_id !== null &&
                $user->roleIn(Series::query()->findOrFail($invitation->series_id)) === null
            ) {
                Member::query()->create([
                    'series_id' => $invitation->series_id,
                    'user_id' => $user->id,
                    'role' => $invitation->role ?? Role::Viewer,
                ]);
            }

            return $user;
        });
    }

    /** Somebody who is here already joins with the password they have. */
    private function joining(string $email, string $name, string $password): User
    {
        if (! User::query()->where('email', $email)->exists()) {
            return $this->add($email, $name, $password);
        }

        return $this->who($email, $password) ??
            throw ValidationException::withMessages([
                'password' => 'Somebody with this address is here already. Give the password you have, to join with '
                    .'it.',
            ]);
    }

    private function endSessions(User $user, ?string $but = null): void
    {
        SignedIn::query()
            ->where('user_id', $user->id)
            ->when($but !== null, fn ($query) => $query->where('id', '!=', $but))
            ->delete();
    }

    private function nobodysHash(): string
    {
        return (string) Cache::rememberForever('nobodys-hash', fn (): string => Hash::make(Str::random(40)));
    }
}

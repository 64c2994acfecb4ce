<?php

declare(strict_types=1);

namespace App\Desk\Page;

use App\Desk\Conflict;
use App\Models\Page;
use App\Models\User;
use App\Values\Scalar;
use Illuminate\Support\Facades\DB;

/** Who holds a page: one person in one window. The lease lapses when its heartbeat stops. */
final class Lease
{
    /** Takes the page, or keeps it. @return bool whether it is held now */
    public function take(Page $page, User $user, string $token): bool
    {
        return DB::transaction(function () use ($page, $user, $token): bool {
            $row = Page::query()->lockForUpdate()->findOrFail($page->id);
            $free =
                $row->lease_until === null ||
                $row->lease_until->isPast() ||
                ($row->lease === $token && $row->holder_id === $user->id);
            if ($free) {
                $row->forceFill([
                    'holder_id' => $user->id,
                    'lease' => $token,
                    'lease_until' => now()->addSeconds(Scalar::int(config('awning.lease_seconds'))),
                ])->saveQuietly();
            }

            return $free;
        });
    }

    public function give(Page $page, User $user, string $token): void
    {
        Page::query()
            ->whereKey($page->id)
            ->where('holder_id', $user->id)
            ->where('lease', $token)
            ->update(['holder_id' => null, 'lease' => null, 'lease_until' => null]);
    }

    /** @throws Conflict when somebody else works on the page */
    public static function checkFree(Page $page, User $user): void
    {
        $other = $page->heldBy();
        if ($other !== null && $other->id !== $user->id) {
            throw new Conflict("{$other->name} is working on page $page->number; it was left as it is.", [
                'reason' => 'lease',
            ]);
        }
    }

    /** @throws Conflict when somebody else holds the page, or nobody does any more */
    public static function check(Page $page, User $user, string $token): void
    {
        if ($page->lease === $token && $page->holder_id === $user->id) {
            return;
        }
        $other = $page->heldBy();
        throw new Conflict(
            $other !== null && $other->id !== $user->id
                ? "{$other->name} is working on this page. You are watching; your change was not made."
                : 'This window no longer holds the page. Take it again to go on; your change was not made.',
            ['reason' => 'lease'],
        );
    }
}

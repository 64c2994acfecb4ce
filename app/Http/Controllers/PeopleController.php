<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\People\People;
use App\Models\Member;
use App\Models\Role;
use App\Models\Series;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

final class PeopleController
{
    public function store(Request $request, Series $series): JsonResponse
    {
        $request->validate(['email' => 'required|string|max:190', 'role' => ['required', Rule::enum(Role::class)]]);
        $user =
            User::query()->where('email', People::normal($request->string('email')->toString()))->first() ??
            throw ValidationException::withMessages([
                'email' => 'Nobody with this address works here yet. Invite them by a link.',
            ]);
        $this->keepingAnOwner(
            $series,
            $user,
            $request->enum('role', Role::class),
            fn () => Member::query()->updateOrCreate(
                ['series_id' => $series->id, 'user_id' => $user->id],
                ['role' => $request->enum('role', Role::class)],
            ),
        );

        return new JsonResponse([
            'id' => $user->id,
            'name' => $user->name,
            'role' => $request->enum('role', Role::class),
        ]);
    }

    public function destroy(Series $series, User $user): JsonResponse
    {
        $this->keepingAnOwner(
            $series,
            $user,
            null,
            fn () => Member::query()->where('series_id', $series->id)->where('user_id', $user->id)->delete(),
        );

        return new JsonResponse(null, 204);
    }

    /**
     * Looks and changes under one lock: of two owners who remove each other, one is too late.
     *
     * @param  callable(): mixed  $change
     */
    private function keepingAnOwner(Series $series, User $user, ?Role $next, callable $change): void
    {
        DB::transaction(function () use ($series, $user, $next, $change): void {
            Series::query()->lockForUpdate()->findOrFail($series->id);
            // Read anew in the present: who asks may have been removed while this waited.
            abort_unless(Gate::allows('invite', $series), 403);
            if (
                $next !== Role::Owner &&
                ! Member::query()
                    ->where('series_id', $series->id)
                    ->where('role', Role::Owner)
                    ->where('user_id', '!=', $user->id)
                    ->lockForUpdate()
                    ->exists()
            ) {
                throw ValidationException::withMessages([
                    'role' => 'A series keeps at least one owner. Make somebody else an owner first.',
                ]);
            }
            $before = $user->roleIn($series);
            $change();
            if ($before !== null && ! ($next?->covers($before) ?? false)) {
                People::letGo($user, $series);
            }
        });
    }
}

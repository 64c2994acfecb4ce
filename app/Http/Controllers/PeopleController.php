<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Member;
use App\Models\Role;
use App\Models\Series;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

final class PeopleController
{
    public function store(Request $request, Series $series): JsonResponse
    {
        $request->validate(['email' => 'required|string|max:190', 'role' => ['required', Rule::enum(Role::class)]]);
        $user = User::query()->where('email', $request->string('email')->toString())->first()
            ?? throw ValidationException::withMessages(['email' => 'Nobody with this address works here yet. Ask them to be added first.']);
        $this->keepAnOwner($series, $user, $request->enum('role', Role::class));
        Member::query()->updateOrCreate(['series_id' => $series->id, 'user_id' => $user->id], ['role' => $request->enum('role', Role::class)]);

        return new JsonResponse(['id' => $user->id, 'name' => $user->name, 'role' => $request->enum('role', Role::class)]);
    }

    public function destroy(Series $series, User $user): JsonResponse
    {
        $this->keepAnOwner($series, $user, null);
        Member::query()->where('series_id', $series->id)->where('user_id', $user->id)->delete();

        return new JsonResponse(null, 204);
    }

    private function keepAnOwner(Series $series, User $user, ?Role $next): void
    {
        if ($next !== Role::Owner && ! Member::query()->where('series_id', $series->id)->where('role', Role::Owner)->where('user_id', '!=', $user->id)->exists()) {
            throw ValidationException::withMessages(['role' => 'A series keeps at least one owner. Make somebody else an owner first.']);
        }
    }
}

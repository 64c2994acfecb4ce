<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Name;
use App\Desk\People\People;
use App\Models\Invitation;
use App\Models\Role;
use App\Models\Series;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\Rule;

/**
 * @phpstan-type InvitationState array{kind: 'join'|'password', series: ?string, role: ?value-of<Role>, email: ?string,
 *     name: ?string, shortest: int}
 * @phpstan-type InvitationLink array{link: string, days: int}
 */
final class InvitationController
{
    public function __construct(private readonly People $people)
    {
    }

    /** A link to join a series, from an owner; or a new password for one of its people. */
    public function store(Request $request, Series $series): JsonResponse
    {
        $request->validate([
            'email' => 'nullable|string|email|max:190',
            'role' => ['required', Rule::enum(Role::class)],
        ]);
        $token = Invitation::issue([
            'series_id' => $series->id,
            'role' => $request->enum('role', Role::class) ?? Role::Viewer,
            'made_by' => $request->user()?->id,
            'email' => $request->filled('email') ? People::normal($request->string('email')->toString()) : null,
        ]);

        return new JsonResponse(['link' => Invitation::link($token), 'days' => Invitation::DAYS], 201);
    }

    public function show(string $token): JsonResponse
    {
        $invitation = Invitation::open($token) ?? abort(404);

        return new JsonResponse([
            'kind' => $invitation->user_id === null ? 'join' : 'password',
            'series' => $invitation->series?->name,
            'role' => $invitation->role,
            'email' => $invitation->user->email ?? $invitation->email,
            'name' => $invitation->user?->name,
            'shortest' => User::SHORTEST_PASSWORD,
        ]);
    }

    public function follow(Request $request, string $token): JsonResponse
    {
        $request->validate([
            'name' => ['nullable', new Name(80)],
            'email' => 'nullable|string|email|max:190',
            'password' => 'required|string|min:'.User::SHORTEST_PASSWORD.'|max:200',
        ]);
        $invitation = Invitation::open($token);
        if ($invitation !== null && $invitation->user_id === null) {
            $request->validate([
                'name' => 'required',
                'email' => $invitation->email === null ? 'required' : 'nullable',
            ]);
        }
        $user = $this->people->follow(
            $token,
            $request->filled('name') ? $request->string('name')->toString() : null,
            $request->filled('email') ? $request->string('email')->toString() : null,
            $request->string('password')->toString(),
        );
        Auth::login($user);
        $request->session()->regenerate();

        return new JsonResponse(['user' => ['id' => $user->id, 'name' => $user->name]]);
    }

    /** One's own password, by knowing the old one. Other windows are signed out. */
    public function password(Request $request): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();
        $request->validate(
            [
                'old' => 'bail|required|string|current_password',
                'password' => 'required|string|min:'.User::SHORTEST_PASSWORD.'|max:200',
            ],
            [
                'old.current_password' => 'This is not the password you have now.',
            ],
        );
        $this->people->setPassword($user, $request->string('password')->toString(), $request->session()->getId());

        return new JsonResponse(null, 204);
    }
}

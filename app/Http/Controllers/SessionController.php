<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\People\People;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\ValidationException;

/**
 * @phpstan-type PersonState array{id: int, name: string}
 * @phpstan-type DemoPerson array{id: int, name: string, email: string}
 * @phpstan-type SessionState array{user: ?PersonState, demo: list<DemoPerson>}
 */
final class SessionController
{
    public function show(Request $request): JsonResponse
    {
        $user = $request->user();

        return new JsonResponse([
            'user' => $user instanceof User ? ['id' => $user->id, 'name' => $user->name] : null,
            'demo' => config('awning.demo')
                ? User::query()
                    ->where('is_demo', true)
                    ->orderBy('id')
                    ->get(['id', 'name', 'email'])
                : [],
        ]);
    }

    public function store(Request $request, People $people): JsonResponse
    {
        $request->validate(['email' => 'required|string|max:190', 'password' => 'required|string|max:200']);
        $user =
            $people->who($request->string('email')->toString(), $request->string('password')->toString()) ??
            throw ValidationException::withMessages([
                'email' => 'This address and password do not belong together. Check both and try again.',
            ]);
        Auth::login($user);
        $request->session()->regenerate();

        return $this->show($request);
    }

    /** One-click sign-in, in the demo only and as demo people only. */
    public function demo(Request $request): JsonResponse
    {
        abort_unless((bool) config('awning.demo'), 404);
        $request->validate(['id' => 'required|integer']);
        Auth::login(User::query()->where('is_demo', true)->findOrFail($request->integer('id')));
        $request->session()->regenerate();

        return $this->show($request);
    }

    /** Asked by the web server before it takes in a large file: whoever is not signed in is refused before this. */
    public function maySend(): JsonResponse
    {
        return new JsonResponse(null, 204);
    }

    public function destroy(Request $request): JsonResponse
    {
        Auth::guard('web')->logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new JsonResponse(null, 204);
    }
}

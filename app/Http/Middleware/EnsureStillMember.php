<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use Closure;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/** Ends the session of somebody who may not come in any more: kept out, or of the demo where there is none. */
final class EnsureStillMember
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        if ($user instanceof User && ! $user->mayComeIn()) {
            Auth::guard('web')->logout();
            $request->session()->invalidate();
            throw new AuthenticationException;
        }

        return $next($request);
    }
}

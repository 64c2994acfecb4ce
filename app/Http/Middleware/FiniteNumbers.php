<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Refuses numbers that are too large for a computer, such as 1e999: read from JSON they are infinite. */
final class FiniteNumbers
{
    /**
     * How such numbers are written: with a large exponent, or with very many digits. Other bodies need no second look.
     */
    private const LOOKS_LARGE = '/\d[eE]\+?\d{3}|\d{300}/';

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        if (
            $request->isJson() &&
            preg_match(self::LOOKS_LARGE, $request->getContent()) === 1 &&
            self::isAnyInfinite($request->json()->all())
        ) {
            return response()->json(
                [
                    'message' => 'A number in this request is too large. Nothing was changed; reload the page and '
                        .'try again.',
                ],
                422,
            );
        }

        return $next($request);
    }

    /** @param  array<array-key, mixed>  $values */
    private static function isAnyInfinite(array $values): bool
    {
        foreach ($values as $value) {
            if (is_array($value) ? self::isAnyInfinite($value) : is_float($value) && ! is_finite($value)) {
                return true;
            }
        }

        return false;
    }
}

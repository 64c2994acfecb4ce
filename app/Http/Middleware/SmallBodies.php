<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Only an upload may be large. Asked before anything reads the body: what is not read takes no memory. */
final class SmallBodies
{
    /** A stroke of as many points as are allowed takes about 1.2 MB. */
    public const MOST = 2 << 20;

    /** Where pictures are sent. */
    private const WITH_FILES = [
        'api/pages/*/tasks/import',
        'api/pages/*/tasks/take',
        'api/pages/*/tasks/snap',
        'api/series/*/tasks/match',
        'api/series/*/references',
    ];

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $isUpload =
            $request->isMethod('POST') &&
            $request->is(...self::WITH_FILES) &&
            str_starts_with((string) $request->header('Content-Type'), 'multipart/form-data');
        if (! $isUpload && (int) $request->server('CONTENT_LENGTH') > self::MOST) {
            return response()->json(
                ['message' => 'This is more than can be sent in one go. Do it in smaller steps.'],
                413,
            );
        }

        return $next($request);
    }
}

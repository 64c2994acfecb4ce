<?php

declare(strict_types=1);

namespace App\Providers;

use App\Desk\People\People;
use App\Models\Page;
use App\Models\Series;
use App\Policies\PagePolicy;
use App\Policies\SeriesPolicy;
use App\Values\Scalar;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\ServiceProvider;

final class AwningProvider extends ServiceProvider
{
    public function register(): void
    {
        // Floats go to the database as text, by this setting: with PHP's 14 digits an opacity would come back another
        // number.
        ini_set('precision', '-1');
    }

    public function boot(): void
    {
        Model::preventSilentlyDiscardingAttributes();
        Gate::policy(Page::class, PagePolicy::class);
        Gate::policy(Series::class, SeriesPolicy::class);
        TrustProxies::at(Scalar::string(config('awning.proxies')));
        TrustProxies::withHeaders(Request::HEADER_X_FORWARDED_FOR | Request::HEADER_X_FORWARDED_PROTO);
        self::limitDoors();
    }

    /**
     * One limiter a door, so that knocking at one does not shut another. A house behind one address shares what is
     * counted by network.
     */
    private static function limitDoors(): void
    {
        RateLimiter::for(
            'sign-in',
            fn (Request $request): array => [self::byAccount($request), self::byNetwork($request, 30)],
        );
        RateLimiter::for('demo', fn (Request $request): Limit => self::byNetwork($request, 60));
        // Nobody guesses a link; a stranger who tries fills a bucket of the network's own.
        RateLimiter::for(
            'invitation',
            fn (Request $request): array => [self::byToken($request, 30), self::byNetwork($request, 120)],
        );
        // Who has a link may still guess the password of somebody who is here already.
        RateLimiter::for(
            'follow-invitation',
            fn (Request $request): array => [
                self::byToken($request, 8),
                self::byAccount($request),
                self::byNetwork($request, 60),
            ],
        );
        RateLimiter::for(
            'own-password',
            fn (Request $request): Limit => Limit::perMinute(8)->by(
                'user:'.Scalar::string($request->user()?->getAuthIdentifier()),
            ),
        );
    }

    /** However the address is written. */
    private static function byAccount(Request $request): Limit
    {
        $email = $request->input('email');

        return Limit::perMinute(8)->by(
            is_string($email)
                ? 'mail:'.hash('sha256', People::normal($email))
                : 'none:'.self::network((string) $request->ip()),
        );
    }

    private static function byToken(Request $request, int $times): Limit
    {
        $token = $request->route('token');

        return Limit::perMinute($times)->by('token:'.hash('sha256', is_string($token) ? $token : ''));
    }

    private static function byNetwork(Request $request, int $times): Limit
    {
        return Limit::perMinute($times)->by('ip:'.self::network((string) $request->ip()));
    }

    /** An address of the old kind, or the part of a new one that a single customer holds (64 bits). */
    private static function network(string $ip): string
    {
        $bytes = (string) @inet_pton($ip);

        return strlen($bytes) === 16 ? bin2hex(substr($bytes, 0, 8)) : $ip;
    }
}

<?php

declare(strict_types=1);

namespace App\Providers;

use App\Desk\People;
use App\Models\Page;
use App\Models\Series;
use App\Policies\PagePolicy;
use App\Policies\SeriesPolicy;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\ServiceProvider;

final class AwningProvider extends ServiceProvider
{
    public function register(): void
    {
        // Floats go to the database as text, by this setting: with PHP's 14 digits an opacity would come back another number.
        ini_set('precision', '-1');
    }

    public function boot(): void
    {
        Model::preventSilentlyDiscardingAttributes();
        Gate::policy(Page::class, PagePolicy::class);
        Gate::policy(Series::class, SeriesPolicy::class);
        RateLimiter::for('sign-in', fn (Request $request): array => [
            // By account however it is written, and by network: a house behind one address shares the second.
            Limit::perMinute(8)->by('mail:'.hash('sha256', People::normal(is_string($email = $request->input('email')) ? $email : ''))),
            Limit::perMinute(30)->by('ip:'.self::network((string) $request->ip())),
        ]);
    }

    /** An address of the old kind, or the part of a new one that a single customer holds (64 bits). */
    private static function network(string $ip): string
    {
        $bytes = (string) @inet_pton($ip);

        return strlen($bytes) === 16 ? bin2hex(substr($bytes, 0, 8)) : $ip;
    }
}

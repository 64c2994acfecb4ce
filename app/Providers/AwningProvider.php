<?php

declare(strict_types=1);

namespace App\Providers;

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
            Limit::perMinute(8)->by('mail:'.mb_strtolower((string) $request->string('email'))),
            Limit::perMinute(30)->by('ip:'.$request->ip()),
        ]);
    }
}

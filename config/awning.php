<?php

return [
    // Demo people with one-click sign-in. Never on where real work is kept.
    'demo' => (bool) env('AWNING_DEMO', false),
    // Addresses of web servers before this one, whose word on who asks and how is taken; with an HTTPS address, one on
    // this machine is.
    'proxies' => env('AWNING_PROXIES', str_starts_with((string) env('APP_URL'), 'https:') ? '127.0.0.1,::1' : ''),
    // How long a page stays with the person who holds it after the last sign of life.
    'lease_seconds' => (int) env('AWNING_LEASE_SECONDS', 45),
    // The largest file that can be imported.
    'upload_megabytes' => (int) env('AWNING_UPLOAD_MB', 250),
    // How long a window that watches may wait for news in one request, and how many may wait at the same time: each
    // holds one of the web server's PHP workers meanwhile.
    'feed_seconds' => (float) env('AWNING_FEED_SECONDS', 4),
    'feed_slots' => (int) env('AWNING_FEED_SLOTS', 2),
    // How far undo reaches back: steps older than so many days go, but never the newest so many of a page. 0 days: all
    // stay.
    'journal_days' => (int) env('AWNING_JOURNAL_DAYS', 0),
    'journal_steps' => (int) env('AWNING_JOURNAL_STEPS', 200),
    // Tiles that nothing refers to any more are kept this long.
    'tile_grace_hours' => (int) env('AWNING_TILE_GRACE_HOURS', 48),
];

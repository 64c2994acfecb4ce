<?php

return [
    // Demo people with one-click sign-in. Never on where real work is kept.
    'demo' => (bool) env('AWNING_DEMO', false),
    // How long a page stays with the person who holds it after the last sign of life.
    'lease_seconds' => (int) env('AWNING_LEASE_SECONDS', 45),
    // The largest file that can be imported.
    'upload_megabytes' => (int) env('AWNING_UPLOAD_MB', 250),
    // Tiles that nothing refers to any more are kept this long.
    'tile_grace_hours' => (int) env('AWNING_TILE_GRACE_HOURS', 48),
];

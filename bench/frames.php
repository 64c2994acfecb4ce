<?php

declare(strict_types=1);

/*
 * How long frames take while a hand paints with all passes of a page in full view: in real Chromium, on the running
 * demo. What is painted is undone. Prints a line a stroke; docs/gestures.md keeps what was measured.
 *
 *   php bench/frames.php [PAGE]
 */

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/open_page.php';

const STROKES = 5;
/** Longer than this, a frame of a screen at 60 Hz was left out. */
const MISSED = 20.0;

$browser = openPage((int) ($argv[1] ?? 1));
$browser->press('Oda Brack oilskin light');
[$x, $y, $scale] = $browser->run(
    'const { view, canvas } = window.awning.renderer; return [canvas.width / 2 - view.x * view.scale, canvas.height '
        .'/ 2 - view.y * view.scale, view.scale]',
);
printf(
    "%d passes, %.2f screen pixels a pixel\n",
    $browser->run('return Object.keys(window.awning.session.view.records.pass).length'),
    $scale,
);
for ($stroke = 0; $stroke < STROKES; $stroke++) {
    $way = array_map(
        fn (int $i): array => [$x + (400 + 10 * $i) * $scale, $y + (2300 + 300 * sin($i / 6 + $stroke)) * $scale],
        range(0, 60),
    );
    $browser->run(
        'window.frames = []; window.isMeasured = true; let last = performance.now(); const frame = (now) => { '
            .'window.frames.push(now - last); last = now; if (window.isMeasured) requestAnimationFrame(frame); }; '
            .'requestAnimationFrame(frame)',
    );
    $browser->stroke($way);
    $browser->run('window.isMeasured = false');
    $frames = $browser->run('return window.frames');
    sort($frames);
    $count = count($frames);
    printf(
        "%d frames: median %.1f, 95th %.1f, worst %.1f ms; %d longer than %d ms\n",
        $count,
        $frames[intdiv($count, 2)],
        $frames[(int) (0.95 * $count)],
        $frames[$count - 1],
        count(array_filter($frames, fn (float $time): bool => $time > MISSED)),
        MISSED,
    );
    sleep(2);
}
for ($stroke = 0; $stroke < STROKES; $stroke++) {
    $browser->press('undo');
    $browser->until('window.awning.session.view.saving === "saved"', 'the undo');
}
$browser->visit('/');
$browser->close();

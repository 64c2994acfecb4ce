<?php

declare(strict_types=1);

/*
 * How long it takes until a tone that is changed is on screen everywhere, a page in full view: in real Chromium, on the running
 * demo, until the last tile that was asked for is drawn. Nothing is sent to the server. docs/gestures.md keeps what was measured.
 *
 *   php bench/tones.php [PAGE]
 */

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/open_page.php';

const MATERIALS = ['oilskin', 'plait', 'cardigan', 'sky', 'hull', 'stone'];
const CHANGES = 6;

/** Changes a tone, and tells after how many frames and milliseconds all of it has been drawn, and how many tiles workers were asked for. */
const WATCH = <<<'JS'
const [name, blue, done] = arguments;
const { session, renderer } = window.awning;
const material = session.view.palette.figures.flatMap((figure) => figure.materials).find((one) => one.name === name);
const { pool } = renderer;
let [began, frames, open, asked] = [0, 0, 0, 0];
// Of what is in view: a coarse picture that only stands in for tiles on their way is not seen.
const seen = `view ${renderer.level} `;
pool.ask = (request) => {
    const isSeen = request.key.startsWith(seen);
    if (isSeen) { open++; asked++; }
    Object.getPrototypeOf(pool).ask.call(pool, { ...request, done: (pixels) => { if (isSeen) open--; request.done(pixels); } });
};
renderer.draw = () => {
    Object.getPrototypeOf(renderer).draw.call(renderer);
    if (began === 0 || open > 0) return;
    const took = performance.now() - began;
    delete pool.ask;
    delete renderer.draw;
    began = 0;
    done([frames, took, asked]);
};
requestAnimationFrame(() => {
    began = performance.now();
    session.showMaterial({ ...material, tones: { ...material.tones, base: '#8060' + blue.toString(16).padStart(2, '0') } });
    const frame = () => { frames++; if (began !== 0) requestAnimationFrame(frame); };
    requestAnimationFrame(frame);
});
JS;

$browser = openPage((int) ($argv[1] ?? 1));
sleep(3);
$all = [];
foreach (MATERIALS as $name) {
    $times = [];
    for ($i = 0; $i < CHANGES; $i++) {
        $times[] = $browser->driver->executeAsyncScript(WATCH, [$name, 40 + 13 * $i]);
        usleep(300_000);
    }
    $all = [...$all, ...$times];
    printf("%-10s %s\n", $name, implode('  ', array_map(fn (array $time): string => sprintf('%d fr %.0f ms %d t', ...$time), $times)));
}
$times = array_column($all, 1);
$frames = array_column($all, 0);
sort($times);
sort($frames);
$count = count($times);
printf("%d changes: %.0f–%.0f ms, median %.0f; frames %d–%d, median %d\n", $count, $times[0], $times[$count - 1], $times[intdiv($count, 2)], $frames[0], $frames[$count - 1], $frames[intdiv($count, 2)]);
$browser->visit('/');
$browser->close();

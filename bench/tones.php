<?php

declare(strict_types=1);

/*
 * How long it takes until a tone that is changed is on screen everywhere, a page in full view: in real Chromium, on the
 * running demo, until the last tile that was asked for is drawn. Nothing is sent to the server. docs/gestures.md keeps
 * what was measured.
 *
 *   php bench/tones.php [PAGE]
 */

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/open_page.php';

const MATERIALS = ['oilskin', 'plait', 'cardigan', 'sky', 'hull', 'stone'];
const CHANGES = 6;

/**
 * Changes a tone, and tells after how many frames and milliseconds it has been drawn everywhere in view, after how many
 * all of it has been to the last pixel, and how many tiles workers were asked for.
 */
const WATCH = <<<'JS'
const [name, blue, done] = arguments;
const { session, renderer } = window.awning;
const material = session.view.palette.figures.flatMap((figure) => figure.materials).find((one) => one.name === name);
const { tiles } = renderer;
const { pool } = tiles;
let [began, frames, open, asked, there] = [0, 0, 0, 0, null];
// Of what is in view: a coarse picture that only stands in for tiles on their way is not seen.
const seen = `view ${renderer.level} `;
pool.ask = (request) => {
    const isSeen = request.key.startsWith(seen);
    if (isSeen) { open++; asked++; }
    Object.getPrototypeOf(pool).ask.call(pool, { ...request, done: (pixels) => { if (isSeen) open--; request.done(pixels); } });
};
const isThere = () => [...tiles.shown].every(([key, tile]) => !key.startsWith(`${renderer.level} `) || tile.isDraft || !(tile.isDirty || tile.isAsked));
renderer.draw = () => {
    Object.getPrototypeOf(renderer).draw.call(renderer);
    if (began === 0) return;
    const took = performance.now() - began;
    if (there === null && isThere()) there = [frames, took];
    if (there === null || open > 0) return;
    delete pool.ask;
    delete renderer.draw;
    began = 0;
    done([...there, frames, took, asked]);
};
requestAnimationFrame(() => {
    began = performance.now();
    session.palette.show({ ...material, tones: { ...material.tones, base: '#8060' + blue.toString(16).padStart(2, '0') } });
    const frame = () => { frames++; if (began !== 0) requestAnimationFrame(frame); };
    requestAnimationFrame(frame);
});
JS;

$browser = openPage((int) ($argv[1] ?? 1));
sleep(3);
$all = [];
foreach (MATERIALS as $name) {
    $changes = [];
    for ($i = 0; $i < CHANGES; $i++) {
        $changes[] = $browser->driver->executeAsyncScript(WATCH, [$name, 40 + 13 * $i]);
        usleep(300_000);
    }
    $all = [...$all, ...$changes];
    printf(
        "%-10s %s\n",
        $name,
        implode(
            '  ',
            array_map(
                fn (array $change): string => sprintf('%d fr %.0f ms, whole %d fr %.0f ms %d t', ...$change),
                $changes,
            ),
        ),
    );
}
foreach (['drawn' => [0, 1], 'to the last pixel' => [2, 3]] as $what => [$frame, $time]) {
    [$frames, $times] = [array_column($all, $frame), array_column($all, $time)];
    sort($times);
    sort($frames);
    $middle = intdiv(count($times), 2);
    printf(
        "%s: %.0f–%.0f ms, median %.0f; frames %d–%d, median %d\n",
        $what,
        $times[0],
        end($times),
        $times[$middle],
        $frames[0],
        end($frames),
        $frames[$middle],
    );
}
$browser->visit('/');
$browser->close();

<?php

declare(strict_types=1);

/*
 * How long it takes until another window shows a tone that was changed in this one: two real Chromiums on the running
 * demo, from the change to the moment the other window has it, while it watches the same page and while it works on
 * another one.
 *
 *   php bench/other_windows.php
 */

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/open_page.php';

const TONE = 'window.awning.session.view.palette.figures.flatMap((figure) => figure.materials).find((one) => one.name === "oilskin")';

/** Changes the base of a material and keeps it; tells when, by the clock of the machine. */
const CHANGE =
    'const tone = arguments[0]; void window.awning.session.palette.pin('.TONE.', "base", tone); return Date.now();';

/** Waits for it. */
const WAIT = <<<'JS'
const [tone, done] = arguments;
const look = () => (TONE.tones.base === tone ? requestAnimationFrame(() => done(Date.now())) : setTimeout(look, 5));
look();
JS;

$mine = openPage(1);
foreach ([1 => 'that watches the same page', 2 => 'that works on another page'] as $page => $where) {
    $other = openPage($page, $page !== 1);
    $times = [];
    for ($i = 0; $i < 9; $i++) {
        $tone = sprintf('#e0a9%02x', 40 + 3 * $i + $page);
        $began = $mine->run(CHANGE, [$tone]);
        $times[] = $other->driver->executeAsyncScript(str_replace('TONE', TONE, WAIT), [$tone]) - $began;
        usleep(700_000 + 130_000 * $i);
    }
    sort($times);
    printf("a window %s: median %d ms, %d to %d\n", $where, $times[4], $times[0], $times[8]);
    $other->visit('/');
    $other->close();
}
$mine->visit('/');
$mine->close();

<?php

declare(strict_types=1);

/*
 * Flats the demo's pages from bare ink in the running application, with a real pointer in a real Chromium, and adds
 * what it took to docs/gestures.md. The hand knows where everything goes (from the finished page) and moves at a
 * person's pace; the page is bare at the beginning and as it was at the end. From the project's folder, while ./awning
 * start serves the demo:
 *
 *   AWNING_PORT=8017 php bench/flat_by_hand.php [PAGE …]     by number; none: all of them
 */

use Tests\Browser\Browser;

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/keep_section.php';

/** Seconds a hand takes to pick a material, and px of the screen it moves in one. */
const PICK = 0.9;
const PACE = 900;

$browser = new Browser('http://127.0.0.1:'.(getenv('AWNING_PORT') ?: '8017'), 2560, 1440);
$browser->visit('/');
$browser->until('document.querySelector("form")', 'the sign-in form');
$browser->press('Mira Vael');
$browser->until('document.querySelectorAll("img").length > 3', 'the shelf');
$browser->press('The Salt Ferry');
$browser->until('document.querySelectorAll("li img").length > 2', 'the series');
$pages = $browser->run(
    'return [...document.querySelectorAll("section[aria-label=Pages] li a")].map((a) => '
        .'[Number(a.href.split("/").pop()), a.innerText.split("\n")[0]])',
);
$plan = (string) file_get_contents(__DIR__.'/sweeps.js');
$rows = '';
$wanted = array_map(intval(...), array_slice($argv, 1));
foreach ($pages as [$page, $title]) {
    if ($wanted !== [] && ! in_array((int) $title, $wanted, true)) {
        continue;
    }
    $browser->visit("/bench/$page");
    $browser->until('window.awning?.session.view.held', 'the page is held');
    $truth = (array) $browser->run(
        'return Object.fromEntries(Object.entries(window.awning.session.view.records.region).filter(([, region]) => '
            .'region.material !== 0).map(([label, region]) => [label, region.material]))',
    );
    if (count($truth) < 20) {
        continue;
    }
    $names = (array) $browser->run(
        'return Object.fromEntries(window.awning.session.view.palette.figures.flatMap((figure) => '
            .'figure.materials.map((material) => [material.id, `${figure.name} ${material.name} base`])))',
    );
    $browser->press('Flats');
    $browser->run(
        'const { session } = window.awning; session.apply({ kind: "fill", labels: arguments[0].map(Number), figure: '
            .'0, material: 0 })',
        [array_map(strval(...), array_keys($truth))],
    );
    $browser->until('window.awning.session.view.saving === "saved"', 'bare flats', 60);
    $browser->until(
        '[...(window.awning.renderer?.tiles.shown.values() ?? [])].every((tile) => tile.isReady && !tile.isDirty)',
        'the picture',
        60,
    );
    $picks = $sweeps = 0;
    $seconds = 0.0;
    $filled = [];
    while (($next = $browser->run($plan, [(object) $truth, array_map(intval(...), $filled)])) !== null) {
        $began = microtime(true);
        $browser->press($names[$next['material']]);
        $browser->keys('s');
        usleep((int) max(0, 1e6 * (PICK - (microtime(true) - $began))));
        $picks++;
        foreach ($next['sweeps'] as $way) {
            $at = microtime(true);
            $browser->stroke($way['points']);
            usleep((int) max(0, 1e6 * ($way['px'] / PACE - (microtime(true) - $at))));
            $sweeps++;
        }
        $seconds += microtime(true) - $began;
        $filled = [...$filled, ...array_diff($next['wanted'], $next['unreachable'])];
    }
    // What is too small for the screen is stepped to: a key goes there, and a click in the middle fills it.
    $small = array_diff(array_map(intval(...), array_keys($truth)), $filled);
    $browser->until('window.awning.session.view.saving === "saved"', 'all is saved', 120);
    $is = (array) $browser->run(
        'return Object.fromEntries(Object.entries(window.awning.session.view.records.region).map(([label, region]) '
            .'=> [label, region.material]))',
    );
    $wrong = count(array_filter($filled, fn (int $label): bool => (int) ($is[$label] ?? 0) !== (int) $truth[$label]));
    $gestures = $picks + $sweeps;
    $row = sprintf(
        "| %s | %d | %d | %d | %d | %.0f | %.0f s | %d | %d |\n",
        $title,
        count($truth),
        $picks,
        $sweeps,
        $gestures,
        (340 * $gestures) / count($truth),
        $seconds,
        count($small),
        $wrong,
    );
    echo $row;
    $rows .= $row;
    $fills = $sweeps + 1;
    for ($i = 0; $i < $fills; $i++) {
        $browser->press('undo');
        $browser->until('window.awning.session.view.saving === "saved"', 'undone', 60);
    }
    $left = $browser->run(
        'return Object.entries(arguments[0]).filter(([label, material]) => '
            .'window.awning.session.view.records.region[label]?.material !== material).length',
        [(object) $truth],
    );
    echo $left === 0 ? "as it was\n" : "$left regions are not as they were\n";
}
$browser->visit('/');
$browser->close();
$text =
    '
By `bench/flat_by_hand.php`, '.
    date('j F Y').
    ', in the running application in Chromium at 2560 × 1440, page in full view: a real pointer that knows where everything goes
picks each material ('.
    PICK.
    ' s each) and sweeps at '.
    PACE.
    ' px a second. It is as sure as no person is; what it measures is that so few gestures do it and how long they take
under the hand. *Too small*: regions without a spot of 3 × 3 screen pixels, which a hand steps to by *Next unfilled* (a key and a click each, not done here).
*Wrong*: regions that were given another material on the way.

| page | regions | picks | sweeps | gestures | in proportion to 340 regions | time | too small | wrong |
|---|---|---|---|---|---|---|---|---|
'.
    $rows;
keep_section('Done with a pointer', $text);

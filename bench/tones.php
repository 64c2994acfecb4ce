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
require __DIR__.'/drawn_everywhere.php';
require __DIR__.'/open_page.php';

const MATERIALS = ['oilskin', 'plait', 'cardigan', 'sky', 'hull', 'stone'];
const CHANGES = 6;

const CHANGE = <<<'JS'
const [name, blue] = arguments;
const material = session.view.palette.figures.flatMap((figure) => figure.materials).find((one) => one.name === name);
session.palette.show({ ...material, tones: { ...material.tones, base: '#8060' + blue.toString(16).padStart(2, '0') } });
JS;

$browser = openPage((int) ($argv[1] ?? 1));
sleep(3);
$all = [];
foreach (MATERIALS as $name) {
    $changes = [];
    for ($i = 0; $i < CHANGES; $i++) {
        $changes[] = $browser->driver->executeAsyncScript(drawnEverywhere(CHANGE), [$name, 40 + 13 * $i]);
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

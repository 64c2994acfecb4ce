<?php

declare(strict_types=1);

/*
 * How long it takes until a page is shown in another mood, in full view: in real Chromium, on the running demo; and how
 * long a mood of six layers takes over 16 million pixels, beside ImageMagick doing the same chain. Nothing is sent to
 * the server. Speed is told, not asserted.
 *
 *   php bench/moods.php [PAGE]
 */

use Awning\Core\Exchange\MoodFile;
use Awning\Core\Raster\Paint;
use Awning\Core\Sheet\Export\GradedPicture;
use Symfony\Component\Process\Process;

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/drawn_everywhere.php';
require __DIR__.'/open_page.php';

const SIDE = 4000;

/** Shows the page in a mood as this window would before the server has answered. */
const CHANGE = <<<'JS'
const mood = arguments[0];
const { records, rules } = session.view;
const pass = Object.fromEntries(Object.entries(records.pass).filter(([id]) => !id.startsWith('mood')));
mood.layers.forEach((layer, i) => {
    pass[`moodbench${i}`] = {
        ...layer, figure: 0, scope: { kind: 'page', id: 0 }, visible: true, order: 100 + i, group: null, mask: null,
        turn: null, setup: null,
    };
});
session.update({ records: { ...records, pass } });
JS;

$moods = [];
foreach (\Awning\Core\Page\Mood\MoodBox::all() as $name => $mood) {
    $moods[$name] = ['layers' => $mood->toList()];
}
$browser = openPage((int) ($argv[1] ?? 1));
sleep(3);
foreach ($moods as $name => $mood) {
    $change = $browser->driver->executeAsyncScript(drawnEverywhere(CHANGE), [$mood]);
    printf("%-20s %d frames %.0f ms, to the last pixel %d frames %.0f ms, %d tiles\n", $name, ...$change);
    usleep(800_000);
}
$browser->visit('/');
$browser->close();

$stops = [['at' => 0, 'colour' => '#1c2434', 'alpha' => 0.8], ['at' => 1, 'colour' => '#8a96a4', 'alpha' => 0.1]];
$layers = [
    ['kind' => 'gradient', 'form' => 'linear', 'space' => 'srgb', 'from' => [0.5, 0], 'to' => [0.5, 1], 'stops' => $stops],
    ['kind' => 'levels', 'black' => 10, 'white' => 230, 'gamma' => 0.9],
    ['kind' => 'curve', 'points' => [[0, 0.02], [0.5, 0.45], [1, 0.97]]],
    ['kind' => 'shift', 'chroma' => 0.7, 'hue' => 5],
    ['kind' => 'wash', 'colour' => '#39406e', 'mode' => 'multiply', 'opacity' => 0.4],
    ['kind' => 'wash', 'colour' => '#ffd080', 'mode' => 'screen', 'opacity' => 0.15],
];
mt_srand(1);
$row = '';
for ($x = 0; $x < SIDE; $x++) {
    $row .= chr(mt_rand(20, 235));
}
$planes = [];
for ($plane = 0; $plane < 3; $plane++) {
    $bytes = '';
    for ($y = 0; $y < SIDE; $y++) {
        $bytes .= substr($row.$row, ($y * (17 + $plane)) % SIDE, SIDE);
    }
    $planes[] = $bytes;
}
$picture = new Paint(SIDE, SIDE, ...[...$planes, str_repeat("\xff", SIDE * SIDE)]);
$chains = ['six layers' => $layers, 'without the shift' => array_values(array_diff_key($layers, [3 => 0]))];
foreach ($chains as $what => $some) {
    $json = (string) json_encode(['awning' => 'mood', 'version' => 1, 'name' => 'Bench', 'layers' => $some]);
    $began = microtime(true);
    (new GradedPicture)->of($picture, MoodFile::read($json)[1]);
    $ours = microtime(true) - $began;
    $command = implode(' ', [
        'convert -limit thread 1 -size '.SIDE.'x'.SIDE.' plasma:grey40-grey70',
        '\( -size '.SIDE.'x'.SIDE." gradient:'#1c2434cc'-'#8a96a41a' \) -composite",
        "-level '4%,90%,0.9' +level '2%,97%'",
        $what === 'six layers' ? '-modulate 100,70,103' : '',
        '\( -size '.SIDE.'x'.SIDE." xc:'#39406e66' \) -compose multiply -composite",
        '\( -size '.SIDE.'x'.SIDE." xc:'#ffd08026' \) -compose screen -composite null:",
    ]);
    $began = microtime(true);
    Process::fromShellCommandline($command)->setTimeout(300)->mustRun();
    $theirs = microtime(true) - $began;
    printf("%s over 16 MP: %.1f s, ImageMagick's chain %.1f s: %.2f ×\n", $what, $ours, $theirs, $ours / $theirs);
}
printf("peak memory %d MB\n", memory_get_peak_usage(true) >> 20);

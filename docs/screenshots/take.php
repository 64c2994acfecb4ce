<?php

declare(strict_types=1);

/* Takes the pictures beside this file from the demo that ./awning start serves: php docs/screenshots/take.php, with the
 * database of the demo in the environment (DB_SOCKET, DB_DATABASE) */

use App\Desk\Page\PageMoment;
use App\Models\Page;
use Awning\Core\Sheet\Export\FlatsExport;
use Awning\Core\Sheet\Export\StackBuilder;
use Awning\Core\Sheet\Sheet;
use Facebook\WebDriver\WebDriverBy;
use Illuminate\Contracts\Console\Kernel;
use Tests\Browser\Browser;

require __DIR__.'/../../vendor/autoload.php';
(require __DIR__.'/../../bootstrap/app.php')->make(Kernel::class)->bootstrap();
$browser = new Browser('http://127.0.0.1:'.(getenv('AWNING_PORT') ?: '8017'));
$shot = function (string $name) use ($browser): void {
    // Until everything in view is sharp.
    $browser->until('!window.awning || [...(window.awning.renderer?.tiles.shown.values() ?? [])].every((tile) => tile.isReady && !tile.isDirty)', 'the picture', 60);
    $browser->until('[...document.images].every((image) => image.complete)', 'the pictures', 60);
    usleep(1_500_000);
    $browser->shot(__DIR__."/$name.png");
};
/** After a zoom tiles that are out of view stay as they were; these are given time instead. */
$shotInTime = function (string $name) use ($browser): void {
    usleep(3_000_000);
    $browser->shot(__DIR__."/$name.png");
};
$bench = function (int $page) use ($browser): void {
    $browser->visit("/bench/$page");
    $browser->until('window.awning?.session.view.held', 'the page is held');
};
$browser->visit('/');
$browser->until('document.querySelector("form")', 'the sign-in form');
$shot('sign-in');
$browser->press('Mira Vael');
$browser->until('document.querySelectorAll("img").length > 3', 'the shelf');
$shot('shelf');
$browser->press('The Salt Ferry');
$browser->until('document.querySelectorAll("li img").length > 2', 'the series');
$shot('series');
$pages = $browser->run('return [...document.querySelectorAll("section[aria-label=Pages] li a")].map((a) => Number(a.href.split("/").pop()))');
$palette = (string) $browser->run('return new URL(document.querySelector("a[href^=\\"/palette/\\"]").href).pathname');
$browser->visit(str_replace('palette', 'board', $palette));
$browser->until('[...document.querySelectorAll("[aria-label=\"Pin-up board\"] img")].filter((one) => one.naturalWidth > 0).length > 1', 'the board', 60);
$browser->press('Harbour at dusk.png');
$browser->press('Pick all of these');
$shot('board');
$bench($pages[0]);
$browser->press('Oda Brack oilskin shade');
$browser->press('Set Shade, rough');
$shot('bench-light');
$browser->press('Deck pen');
$shot('light-brushes');
$bench($pages[1]);
$browser->press('Light');
$browser->press('Tamsin cardigan shade');
$browser->run('document.querySelectorAll("details").forEach((one) => (one.open = true)); window.awning.bench.surface.goTo(640, 900, 1100)');
// The light is turned by the arrows, and tried on the page.
$browser->run('document.querySelector("[aria-label=\"Where the light comes from\"]").focus()');
$browser->keys(str_repeat("\u{E014}", 9));
$browser->until('window.awning.bench.view.tried !== null', 'the light that is tried');
// Once the hand rests it is worked out finely.
sleep(3);
$shotInTime('light-rough');
$browser->press('Leave it');
$bench($pages[2]);
$browser->press('Oda Brack oilskin base');
$browser->run('window.awning.bench.set({ bridges: true })');
$shot('bench-flats');
$open = fn () => $browser->run('document.querySelectorAll("details").forEach((one) => (one.open = one.querySelector("h3").textContent === "Bridges"))');
$browser->press('Bridge');
$open();
$browser->press('Look at them');
$browser->run('window.awning.bench.surface.zoom(4)');
$shotInTime('flats-bridges');
$browser->run('window.awning.bench.surface.fit(); window.awning.bench.set({ bridges: false })');
$dab = function (string $tone, array ...$path) use ($browser): void {
    $browser->press($tone);
    $browser->press('Cue');
    $at = $browser->run('const { view, canvas } = window.awning.renderer; return [canvas.width / 2 - view.x * view.scale, canvas.height / 2 - view.y * view.scale, view.scale]');
    $onScreen = fn (array $place): array => [$at[0] + $place[0] * $at[2], $at[1] + $place[1] * $at[2]];
    $browser->stroke(array_map($onScreen, $path));
};
$dab('Oda Brack oilskin base', [1800, 2180], [1950, 2220], [2050, 2180]);
$dab('Oda Brack skin base', [1960, 1830], [2010, 1850]);
$dab('Tamsin curls base', [1850, 2620], [2000, 2560], [2100, 2640]);
$dab('Tamsin cardigan base', [1900, 3200], [2050, 3250]);
$dab('Tin Purser tin base', [600, 2200], [800, 2000], [1000, 2300]);
$dab('Harbour and sea sky base', [200, 300], [1200, 240], [2200, 600]);
$dab('Harbour and sea sea base', [300, 2750], [1300, 2800]);
$dab('The sheet gutter base', [1240, 50], [1300, 52]);
$dab('The ferry hull base', [800, 1000], [1500, 1030]);
$browser->press('Spread them');
$browser->until('document.body.innerText.includes("would be filled")', 'what the cues mean');
$shotInTime('flats-cues');
// Page 1: what is picked, and its own flats with their colours a little off, taken over and taken back.
$bench($pages[0]);
$browser->press('Flats');
$browser->press('Oda Brack oilskin base');
$browser->press('Pick');
$browser->run('const { session, bench } = window.awning; const { region } = session.view.records; bench.set({ pickedRegions: Object.keys(region).map(Number).filter((label) => region[label].material === bench.target.material.id) })');
$shotInTime('flats-picked');
$browser->run('window.awning.bench.set({ pickedRegions: [] })');
$theirs = sys_get_temp_dir().'/their-flats.png';
$moment = PageMoment::of(Page::query()->findOrFail($pages[0]));
$sheet = new Sheet($moment->page);
file_put_contents($theirs, (new FlatsExport($sheet, (new StackBuilder)->build($sheet, $moment->palette)))->png());
exec('convert '.escapeshellarg($theirs).' -background white -flatten -modulate 100,93,101 '.escapeshellarg($theirs));
$browser->run('[...document.querySelectorAll("details")].forEach((one) => (one.open = one.querySelector("h3").textContent.startsWith("Flats from")))');
$browser->until('document.querySelector("input[aria-label=\\"A picture of flats\\"]")', 'the way in for flats');
$browser->driver->findElement(WebDriverBy::cssSelector('input[aria-label="A picture of flats"]'))->sendKeys($theirs);
$browser->until('window.awning.session.view.taken !== null', 'what was taken over', 120);
$shotInTime('flats-taken');
$browser->press('undo');
usleep(2_000_000);
unlink($theirs);
$bench($pages[2]);
$browser->press('Proof');
$browser->until('window.awning.bench.view.findings !== null', 'what was found', 60);
$shot('bench-proof');
$bench($pages[3]);
$shot('bench-ink');
$bench($pages[2]);
$browser->press('Ink');
$browser->until('[...document.images].every((image) => image.complete && image.naturalWidth > 0)', 'the original');
$browser->run('window.awning.bench.set({ compare: 0.5 })');
$shot('ink-clean');
$browser->run('window.awning.bench.set({ compare: 0 })');
$browser->press('Underdrawing');
$browser->press('Mirror');
$browser->run(<<<'JS'
    const { bench, session } = window.awning;
    const arc = (x, y, rx, ry, from, to, weight) => ({ id: Math.random().toString(36).slice(2, 14).padEnd(12, '0'), stroke: { points: Array.from({ length: 25 }, (_, i) => { const a = from + ((to - from) * i) / 24; return [x + rx * Math.cos(a), y + ry * Math.sin(a), 1]; }), weight, taper: 0.2, steady: 0 } });
    bench.set({ axis: { x: 788, y: 0, turn: -0.006 } });
    const lines = [arc(788, 1990, 300, 430, Math.PI, 2 * Math.PI, 14), arc(788, 1850, 128, 126, 0.2, 6.4, 10), arc(788, 1850, 78, 78, 2, 8, 8), arc(788, 2075, 360, 60, 3.3, 6.1, 12)];
    session.apply({ kind: 'ink.draw', strokes: lines });
    bench.set({ tool: 'pick', picked: [lines[1].id] });
JS);
$browser->until('window.awning.session.view.saving === "saved"', 'saved');
$shot('ink-lines');
foreach (['undo', 'undo'] as $verb) {
    $browser->press($verb);
    usleep(900_000);
}
$browser->run('window.awning.bench.set({ axis: null, picked: [] })');
$bench($pages[0]);
$browser->press('Mood');
$browser->press('Storm');
$browser->until('window.awning.session.view.saving === "saved"', 'saved');
$shot('bench-mood');
$browser->press('undo');
$browser->until('window.awning.session.view.saving === "saved"', 'saved');
$browser->visit($palette);
$browser->until('document.querySelectorAll(".pin-mark").length > 60', 'the palette');
$browser->press('Oda Brack oilskin shade, derived');
$browser->until('document.querySelector("canvas[aria-label^=\\"A piece\\"]")', 'a piece of a page');
$shotInTime('palette');
$browser->press('Drift');
$browser->until('document.querySelectorAll("section[aria-label=\\"All materials\\"] li").length > 20', 'the drift', 60);
$shotInTime('palette-drift');
$browser->close();

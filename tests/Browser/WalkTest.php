<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\Desk\Page\PageMoment;
use App\Desk\Page\PagePicture;
use App\Models\Material;
use App\Models\User;
use Awning\Core\Codec\ImageReader;
use Awning\Core\Codec\OpenRasterFile;
use Awning\Core\Compose\OpenRasterRenderer;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\TileGrid;

/** The whole outcome, driven with a real pointer in a real browser against a real server; pixels are read back. */
final class WalkTest extends BrowserTestCase
{
    public function test_from_sign_in_to_delivery_and_back_after_the_server_was_killed(): void
    {
        $browser = $this->browser = $this->signInByForm('Mira');
        $browser->press('The Salt Ferry');
        $browser->press('1. Noon');
        $browser->until('window.awning?.session.view.held', 'the page is held');

        // Import a scan by the file chooser.
        $file = sys_get_temp_dir().'/walk-scan.png';
        file_put_contents($file, $this->scanBytes());
        $browser->driver
            ->findElement(\Facebook\WebDriver\WebDriverBy::cssSelector('input[type=file]'))
            ->sendKeys($file);
        $browser->until('Object.keys(window.awning.session.view.records.region).length === 4', 'four regions', 60);

        // Fill a region by a click, two more by a sweep, then take one away.
        $browser->press('Flats');
        $browser->press('Oda Brack oilskin base');
        $this->flatsAreHere($browser);
        $browser->stroke([$this->onCanvas($browser, 120, 200)]);
        $this->saved($browser);
        $this->shows($browser, [0xE0, 0xA9, 0x3A], 60, 300);
        $browser->press('Sweep');
        $browser->stroke([
            $this->onCanvas($browser, 250, 200),
            $this->onCanvas($browser, 300, 210),
            $this->onCanvas($browser, 350, 200),
            $this->onCanvas($browser, 450, 190),
            $this->onCanvas($browser, 500, 200),
        ]);
        $this->saved($browser);
        $this->shows($browser, [0xE0, 0xA9, 0x3A], 480, 100);
        $this->shows($browser, [0xE0, 0xA9, 0x3A], 300, 100);
        $browser->press('Unfill');
        // The sweep crossed the paper between the boxes too; that is taken away again.
        $browser->stroke([$this->onCanvas($browser, 20, 200)]);
        $this->saved($browser);

        // A shadow, by picking the tone; it stays inside the figure. Then a highlight with a pen's pressure.
        $browser->press('Light');
        $browser->press('Oda Brack oilskin shade');
        self::assertStringContainsString(
            'stays inside Oda Brack',
            (string) $browser->run('return document.getElementById("target-sentence").innerText'),
        );
        $browser->stroke([
            $this->onCanvas($browser, 10, 150),
            $this->onCanvas($browser, 80, 150),
            $this->onCanvas($browser, 180, 150),
        ]);
        $this->saved($browser);
        $shade = $this->tone('shade');
        $this->shows($browser, $shade, 120, 150);
        $this->shows($browser, [255, 255, 255], 20, 150); // the paint ran out of the figure
        $browser->press('Oda Brack oilskin light');
        $browser->stroke([$this->onCanvas($browser, 80, 260), $this->onCanvas($browser, 170, 260)], 'pen', 0.6);
        $this->saved($browser);
        $this->shows($browser, $this->tone('light'), 120, 260);

        // With Shift held, a detour of the hand is a straight stroke; and it can be undone.
        $browser->press('Oda Brack oilskin glint');
        $browser->stroke(
            [
                $this->onCanvas($browser, 70, 320),
                $this->onCanvas($browser, 110, 200),
                $this->onCanvas($browser, 180, 320),
            ],
            shift: true,
        );
        $this->saved($browser);
        $this->shows($browser, $this->tone('glint'), 120, 320);
        $this->shows($browser, [0xE0, 0xA9, 0x3A], 110, 225); // where the hand went meanwhile
        $browser->press('undo');
        $this->saved($browser);
        $this->shows($browser, [0xE0, 0xA9, 0x3A], 120, 320);

        // The read view shows it, and the browser's picture is the core's within two steps, on every pixel.
        $browser->until(
            'document.querySelector("[aria-label^=\\"The page at reading size\\"]").width > 50',
            'the read view',
        );
        $this->assertBrowserAgreesWithTheCore($browser);

        // Take away a picture and a layered file.
        foreach (['PNG' => 'png', 'OpenRaster' => 'ora'] as $button => $format) {
            $browser->press('Deliver');
            $browser->press($button, 'dialog button');
            $href = $browser->until('document.querySelector("a[download]")?.getAttribute("href")', "the $format", 60);
            $bytes = $browser->run(
                'const done = new Uint8Array(await (await fetch(arguments[0])).arrayBuffer()); let s = ""; for '
                    .'(const b of done) s += String.fromCharCode(b); return btoa(s)',
                [$href],
            );
            $path = sys_get_temp_dir()."/walk.$format";
            file_put_contents($path, base64_decode((string) $bytes));
            $browser->press('Close');
            $paint =
                $format === 'png'
                    ? (new ImageReader)->read($path)->paint
                    : (new OpenRasterRenderer(new OpenRasterFile($path)))->render();
            foreach ([0, 1, 2] as $c) {
                self::assertEqualsWithDelta($shade[$c], $paint->at(120, 150)[$c], 1, $format);
            }
        }

        // Close the browser, kill the server, start again.
        $browser->close();
        $this->kill();
        $this->serve();
        $browser = $this->browser = $this->signIn('Mira');
        $browser->press('1. Noon');
        $browser->until('window.awning?.session.view.held', 'the page is held again', 60);
        $this->shows($browser, $shade, 120, 150);
        $count = (int) $browser->run('return window.awning.session.view.journal.count');
        for ($i = 0; $i < $count; $i++) {
            $browser->press('undo');
            $this->saved($browser);
        }
        $browser->until(
            'window.awning.session.view.records.page.page === undefined',
            'the page is as empty as it was at first',
        );
        $browser->press('redo');
        $browser->until('Object.keys(window.awning.session.view.records.region).length === 4', 'and the scan is back');
        self::assertSame(
            [],
            array_filter(
                (array) $browser->driver->manage()->getLog('browser'),
                fn (array $line): bool => $line['level'] === 'SEVERE' && ! str_contains($line['message'], 'picture'),
            ),
            'errors in the browser',
        );
    }

    public function test_a_second_person_watches_and_a_lost_server_loses_no_stroke(): void
    {
        $mira = User::query()->where('name', 'Mira')->firstOrFail();
        config(['queue.default' => 'sync']);
        $this->import($this->page, $mira);
        $this->deleteJson("/api/pages/{$this->page->id}/lease", ['lease' => self::LEASE]);
        $label = $this->labelAt($this->page, 120, 200);
        $this->hold($this->page, $mira);
        $this->op($this->page, $this->fillOp(Material::query()->firstOrFail(), $label))->assertOk();
        $this->deleteJson("/api/pages/{$this->page->id}/lease", ['lease' => self::LEASE]);

        $browser = $this->browser = $this->signIn('Mira');
        $browser->press('1. Noon');
        $browser->until('window.awning?.session.view.held', 'Mira holds the page');
        $watcher = $this->signIn('Ida');
        $watcher->press('1. Noon');
        $watcher->until(
            'document.querySelector("header [role=status]")?.innerText === "watching Mira"',
            'Ida watches Mira',
        );
        // Her workers are scripts of their own: until they are there, a server that is lost is lost for them.
        $watcher->until('window.awning.renderer.colourAt(120, 200)', 'the tiles of the one who watches');

        $browser->press('Light');
        $browser->press('Oda Brack oilskin shade');
        $browser->until('window.awning.renderer.colourAt(120, 200)', 'the tiles');
        $this->kill();
        $browser->stroke([$this->onCanvas($browser, 70, 120), $this->onCanvas($browser, 170, 120)]);
        $browser->until(
            'document.querySelector("header [role=status]").innerText.startsWith("server lost")',
            'it says that the server is lost',
        );
        $browser->stroke([$this->onCanvas($browser, 70, 260), $this->onCanvas($browser, 170, 260)]);
        $this->serve();
        $this->saved($browser);
        $this->shows($browser, $this->tone('shade'), 120, 120);
        $this->shows($browser, $this->tone('shade'), 120, 260);
        $watcher->until(
            'JSON.stringify(await window.awning.renderer.colourAt(120, 260)) === '.
                json_encode(json_encode($this->tone('shade'))),
            'Ida sees both strokes',
        );
        $watcher->close();
    }

    private function assertBrowserAgreesWithTheCore(Browser $browser): void
    {
        $paint = PagePicture::full(PageMoment::of($this->page->refresh()));
        $off = $total = 0;
        foreach ((new TileGrid(600, 400))->all() as [$column, $row]) {
            $part = $paint->crop(new Rect($column * 256, $row * 256, 256, 256));
            $shown = base64_decode(
                (string) $browser->run(
                    'const c = await window.awning.renderer.pixels(arguments[0], arguments[1]); let out = ""; for '
                        .'(let y = 0; y < 256; y += 5) for (let x = 0; x < 256; x += 5) { const at = 4 * (y * 256 + x); '
                        .'out += String.fromCharCode(c[at], c[at + 1], c[at + 2]); } return btoa(out)',
                    [$column, $row],
                ),
            );
            for ($y = 0, $i = 0; $y < 256; $y += 5) {
                for ($x = 0; $x < 256; $x += 5, $i += 3) {
                    if ($column * 256 + $x < 600 && $row * 256 + $y < 400) {
                        $exact = $part->at($x, $y);
                        $worst = max(
                            abs($exact[0] - ord($shown[$i])),
                            abs($exact[1] - ord($shown[$i + 1])),
                            abs($exact[2] - ord($shown[$i + 2])),
                        );
                        $off += $worst > 2 ? 1 : 0;
                        $total++;
                    }
                }
            }
        }
        self::assertGreaterThan(9000, $total);
        self::assertSame(0, $off, "of $total pixels, so many differ by more than 2/255");
    }
}

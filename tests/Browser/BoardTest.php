<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\Models\Material;
use App\Models\ReferencePicture;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Colour\Difference;
use Awning\Core\Colour\Lab;
use Awning\Core\Colour\Rgb;
use Awning\Core\Raster\Paint;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverSelect;

/** Pictures beside the work: hung up, arranged, asked for colours; and held against the palette. */
final class BoardTest extends BrowserTestCase
{
    /** A left half of the oilskin's colour, a right half of another. */
    private function halves(string $name): string
    {
        $planes = [];
        foreach ([[0xE0, 0x20], [0xA9, 0x60], [0x3A, 0xA0]] as [$left, $right]) {
            $planes[] = str_repeat(str_repeat(chr($left), 120).str_repeat(chr($right), 120), 150);
        }
        $file = sys_get_temp_dir()."/$name";
        file_put_contents(
            $file,
            (new PngWriter)->paint(
                new Paint(240, 150, $planes[0], $planes[1], $planes[2], str_repeat("\xff", 240 * 150)),
            ),
        );

        return $file;
    }

    private function seriesId(): int
    {
        return Material::query()->where('name', 'oilskin')->firstOrFail()->figure->series_id;
    }

    /** @param  callable(ReferencePicture): bool  $is */
    private function hangs(callable $is): ReferencePicture
    {
        $this->comes(fn (): bool => $is(ReferencePicture::query()->firstOrFail()), 'the picture as it shall hang');

        return ReferencePicture::query()->firstOrFail();
    }

    /** @return array{float, float, float, float} left, top, width, height of the picture */
    private function box(Browser $browser): array
    {
        return $browser->still(
            'document.querySelector("[aria-label=\"Pin-up board\"] img")',
            'the picture in its place',
        );
    }

    private function near(string $hex, string $colour): void
    {
        self::assertLessThan(
            1.5,
            Difference::ciede2000(Lab::of(Rgb::fromHex($hex)), Lab::of(Rgb::fromHex($colour))),
            "$colour is not $hex",
        );
    }

    public function test_a_picture_is_hung_up_moved_mirrored_and_its_colours_become_a_material(): void
    {
        $browser = $this->browser = $this->signIn('Mira');
        $browser->visit("/board/{$this->seriesId()}");
        $browser->until('document.body.innerText.includes("Nothing hangs here yet")', 'the empty board');
        $browser->driver
            ->findElement(WebDriverBy::cssSelector('input[type=file]'))
            ->sendKeys($this->halves('halves.png'));
        $browser->until(
            'document.querySelector("[aria-label=\"Pin-up board\"] img")?.naturalWidth === 240',
            'the picture',
            40,
        );

        // Dragged by the hand; nudged and made larger by keys.
        [$left, $top, $width, $height] = $this->box($browser);
        $zoom = $width / 320;
        $browser->stroke([[$left + 20, $top + 20], [$left + 60, $top + 30], [$left + 120, $top + 70]]);
        $this->hangs(
            fn (ReferencePicture $one): bool => abs($one->x - 100 / $zoom) < 2 && abs($one->y - 50 / $zoom) < 2,
        );
        $browser->driver->getKeyboard()->sendKeys('+');
        $this->hangs(fn (ReferencePicture $one): bool => abs($one->across - 352) < 0.5);

        // A colour of each half; mirrored, the other half lies under the same place.
        $browser->press('Pick colours');
        [$left, $top, $width, $height] = $this->box($browser);
        $browser->click($left + 0.2 * $width, $top + 0.5 * $height);
        $browser->press('mirrored', 'label');
        $this->hangs(fn (ReferencePicture $one): bool => $one->mirrored);
        $browser->click($left + 0.2 * $width, $top + 0.5 * $height);
        $browser->until(
            'document.querySelectorAll("section[aria-label=\"Picked colours\"] li").length === 2',
            'two colours',
        );

        $browser->run('const field = [...document.querySelectorAll("section[aria-label=\"Picked colours\"] label")].find((one) => one.innerText.startsWith("Name")).querySelector("input");
            Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(field, "harbour light"); field.dispatchEvent(new Event("input", { bubbles: true }))');
        $browser->press('Make one ramp');
        $browser->until('document.body.innerText.includes("Colours you pick wait here")', 'an empty hand');
        $pinned = Material::query()->where('name', 'harbour light')->firstOrFail()->pinned;
        self::assertSame(['shade', 'base'], array_keys($pinned));
        $this->near('#2060a0', $pinned['shade']);
        $this->near('#e0a93a', $pinned['base']);

        $browser->press('Remove');
        $browser->press('Really remove it');
        $browser->until('document.body.innerText.includes("Nothing hangs here yet")', 'the empty board');
        self::assertSame(0, ReferencePicture::query()->count());
    }

    public function test_pictures_are_pasted_and_dropped_and_the_board_is_zoomed_and_dragged(): void
    {
        $browser = $this->browser = $this->signIn('Mira');
        $browser->visit("/board/{$this->seriesId()}");
        $browser->until('document.body.innerText.includes("Nothing hangs here yet")', 'the empty board');
        $bytes = base64_encode((string) file_get_contents($this->halves('carried.png')));
        $carried =
            'const carried = new DataTransfer(); carried.items.add(new File([Uint8Array.from(atob(arguments[0]), '
                .'(one) => one.charCodeAt(0))], arguments[1], { type: "image/png" }));';
        $browser->run(
            "$carried window.dispatchEvent(new ClipboardEvent('paste', { clipboardData: carried, bubbles: true, cancelable: true }))",
            [$bytes, 'pasted.png'],
        );
        $browser->until(
            'document.querySelectorAll("[aria-label=\"Pin-up board\"] img").length === 1',
            'what was pasted',
            40,
        );
        $browser->run(
            "$carried document.querySelector('[aria-label=\"Pin-up board\"]').dispatchEvent(new DragEvent('drop', { dataTransfer: carried, bubbles: true, cancelable: true }))",
            [$bytes, 'dropped.png'],
        );
        $browser->until(
            '[...document.querySelectorAll("[aria-label=\"Pin-up board\"] img")].filter((one) => one.naturalWidth '
                .'=== 240).length === 2',
            'what was dropped',
            40,
        );
        self::assertEqualsCanonicalizing(
            ['pasted.png', 'dropped.png'],
            ReferencePicture::query()->pluck('name')->all(),
        );

        // The wheel zooms about the pointer: the corner of the picture that is under it stays there.
        [$left, $top, $width] = $this->box($browser);
        $browser->wheel($left + 1, $top + 1, -200);
        $browser->until(
            'Math.abs(document.querySelector("[aria-label=\"Pin-up board\"] img").getBoundingClientRect().width - '.
                1.44 * $width.
                ') < 1',
            'a larger picture',
        );
        self::assertEqualsWithDelta([$left, $top], array_slice($this->box($browser), 0, 2), 2);
        // The bare board is dragged, and with it all that hangs there; nothing of that is kept.
        [$left, $top, $width, $height] = $this->box($browser);
        $browser->stroke([
            [$left + 30, $top + $height + 60],
            [$left + 60, $top + $height + 80],
            [$left + 130, $top + $height + 100],
        ]);
        self::assertEqualsWithDelta([$left + 100, $top + 40], array_slice($this->box($browser), 0, 2), 2);
        self::assertEquals([0.0, 350.0], ReferencePicture::query()->orderBy('id')->pluck('x')->all());
    }

    public function test_a_colour_is_picked_at_the_bench_into_the_tone_that_is_picked(): void
    {
        $browser = $this->browser = $this->signIn('Mira');
        $browser->press('The Salt Ferry');
        $browser->press('1. Noon');
        $browser->until('window.awning?.session.view.held', 'the page is held');
        $browser->press('Light');
        $browser->press('Oda Brack oilskin shade');
        $browser->press('pictures');
        $browser->driver
            ->findElement(WebDriverBy::cssSelector('aside[aria-label=Pictures] input[type=file]'))
            ->sendKeys($this->halves('beside.png'));
        $browser->until(
            'document.querySelector("[aria-label=\"Pin-up board\"] img")?.naturalWidth === 240',
            'the picture',
            40,
        );
        self::assertNotNull(ReferencePicture::query()->sole()->page_id, 'what is hung at the bench is of the page');
        $browser->press('Pick colours');
        [$left, $top, $width, $height] = $this->box($browser);
        $browser->click($left + 0.8 * $width, $top + 0.5 * $height);
        $browser->press('Use as oilskin › shade');
        $this->comes(
            fn (): bool => isset(Material::query()->where('name', 'oilskin')->firstOrFail()->pinned['shade']),
            'the tone that was picked',
        );
        $this->near('#2060a0', Material::query()->where('name', 'oilskin')->firstOrFail()->pinned['shade']);
    }

    public function test_a_picture_is_held_against_the_palette(): void
    {
        $browser = $this->browser = $this->signIn('Mira');
        $browser->visit("/palette/{$this->seriesId()}");
        $browser->press('Drift');
        $browser->until(
            'document.querySelector("[aria-label=\"A picture to hold against the palette\"]")',
            'the chooser',
        );
        $browser->driver
            ->findElement(WebDriverBy::cssSelector('[aria-label="A picture to hold against the palette"]'))
            ->sendKeys($this->halves('theirs.png'));
        $browser->until('document.querySelector("[alt^=\"Where it drifts\"]")?.naturalWidth === 240', 'the drift', 60);
        $rows = $browser->run(
            'return [...document.querySelectorAll("section[aria-label=\"A picture against the palette\"] tbody '
                .'tr")].map((row) => row.innerText)',
        );
        self::assertCount(2, $rows);
        $ours = array_values(
            array_filter($rows, fn (string $row): bool => str_contains($row, 'Oda Brack / oilskin / base')),
        );
        self::assertStringContainsString('= the tone', $ours[0]);
        self::assertStringContainsString('50.0 %', $ours[0]);
        self::assertStringContainsString('≠ no tone of ours', implode(array_diff($rows, $ours)));

        // Another view of it; and laid over a page, whose proportions it has not, it says why not.
        $browser->press('On the palette');
        $browser->until(
            'document.querySelector("[alt^=\"On the palette\"]")?.naturalWidth === 240',
            'the picture on the palette',
            30,
        );
        $browser->run('document.querySelector("select[aria-label=\"Over which page\"]").id = "over"');
        (new WebDriverSelect($browser->driver->findElement(WebDriverBy::id('over'))))->selectByIndex(1);
        $browser->press('on the palette');
        $browser->until(
            '[...document.querySelectorAll("[role=alert]")].some((one) => /240 × 150|no line art/.test(one.innerText))',
            'why it is not laid',
            40,
        );
    }
}

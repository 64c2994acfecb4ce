<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\Models\Material;
use App\Models\RegionRow;
use App\Models\User;
use Awning\Core\Colour\Oklch;
use Awning\Core\Colour\Rgb;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Facebook\WebDriver\WebDriverSelect;

/**
 * The palette's own screen: tones by the hand and by numbers, materials moved, merged, taken back; files out and in.
 */
final class PaletteTest extends BrowserTestCase
{
    private function open(): Browser
    {
        Material::query()->create([
            'figure_id' => $this->oilskin()->figure_id,
            'name' => 'skin',
            'place' => 9,
            'pinned' => ['base' => '#c98d6b'],
        ]);
        $browser = $this->browser = $this->signIn('Mira');
        $browser->press('The Salt Ferry');
        $browser->press('Open the palette');
        $browser->until('document.querySelectorAll(".pin-mark").length > 6', 'the palette');

        return $browser;
    }

    private function oilskin(): Material
    {
        return Material::query()->where('name', 'oilskin')->firstOrFail();
    }

    private function pinned(string $tone, ?string $colour): void
    {
        $this->comes(
            fn (): bool => ($this->oilskin()->pinned[$tone] ?? null) === $colour,
            "$tone pinned to ".($colour ?? 'nothing'),
        );
    }

    public function test_a_tone_is_changed_by_numbers_by_the_hand_and_taken_back(): void
    {
        $browser = $this->open();
        $browser->press('Oda Brack oilskin shade, derived');
        $browser->until(
            'document.querySelector("section[aria-label=Tone] h2")?.innerText.includes("oilskin › shade")',
            'the tone',
        );
        $derived = $browser->run(
            'return [...document.querySelectorAll("section[aria-label=Tone] input")].find((one) => '
                .'one.value.startsWith("#")).value',
        );

        // Hex, red green blue, L*a*b*: what is typed is pinned; the ring becomes a dot.
        $typed = fn (string $label, string $text) => $browser->run(
            '
            const field = [...document.querySelectorAll("section[aria-label=Tone] label")].find((one) => one.innerText.startsWith(arguments[0])).querySelector("input");
            field.focus(); Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(field, arguments[1]);
            field.dispatchEvent(new Event("input", { bubbles: true })); field.blur();',
            [$label, $text],
        );
        $typed('Hex', '#8a5d48');
        $this->pinned('shade', '#8a5d48');
        $browser->until(
            'document.querySelector("button[aria-label=\"Oda Brack oilskin shade, pinned\"] .pin-mark.full")',
            'a full dot',
        );
        $typed('Red', '120, 90, 60');
        $this->pinned('shade', '#785a3c');
        $typed('L* a* b*', '50, 0, 0');
        $this->pinned('shade', '#777777');
        $typed('Hex', 'no colour');
        usleep(300_000);
        $this->pinned('shade', '#777777');

        // The plane of neighbours: pulled through it, what counts is where the hand lets go.
        [$left, $top, $width, $height] = $browser->still(
            'document.querySelector("figure [role=presentation]")',
            'the plane of neighbours',
        );
        $browser->dragInWindow([
            [$left + 20, $top + 90],
            [$left + 0.1 * $width, $top + 0.5 * $height],
            [$left + 0.12 * $width, $top + 0.4 * $height],
        ]);
        $this->comes(fn (): bool => $this->oilskin()->pinned['shade'] !== '#777777', 'the colour that was picked');
        $picked = Oklch::of(Rgb::fromHex($this->oilskin()->pinned['shade']));
        self::assertEqualsWithDelta(0.6, $picked->l, 0.03);

        // Back to where it was, by the button and by the key.
        foreach (['#777777', '#785a3c', '#8a5d48'] as $i => $colour) {
            if ($i === 1) {
                $browser->driver->findElement(WebDriverBy::tagName('body'))->sendKeys([WebDriverKeys::CONTROL, 'z']);
            } else {
                $browser->press('undo');
            }
            $this->pinned('shade', $colour);
            // As a person does: what is to be changed next is seen first.
            $browser->until(
                "[...document.querySelectorAll('section[aria-label=Tone] input')].some((one) => one.value === '$colour')",
                "$colour in the field",
            );
        }
        $browser->until(
            '[...document.querySelectorAll("button")].some((one) => one.innerText === "Derive it")',
            'what is pinned may follow',
        );
        $browser->press('Derive it');
        $this->pinned('shade', null);
        $browser->until(
            "[...document.querySelectorAll('section[aria-label=Tone] input')].some((one) => one.value === '$derived')",
            'derived again',
        );
    }

    public function test_a_material_gets_a_tone_of_its_own_that_is_painted_with(): void
    {
        $browser = $this->open();
        $browser->press('Oda Brack oilskin glint, derived');
        $browser->until('document.querySelector("section[aria-label=\"More tones\"] input")', 'more tones');
        $browser->type('section[aria-label="More tones"] input', 'Wet fold');
        $browser->press('Add', 'section[aria-label="More tones"] button');
        $browser->until(
            'document.querySelector("section[aria-label=Tone] h2")?.innerText.includes("oilskin › Wet fold")',
            'the new tone is picked',
        );
        self::assertSame(['more-1' => 'Wet fold'], $this->oilskin()->more);
        $browser->visit(
            '/bench/'.
                \App\Models\Page::query()
                    ->where('number', 1)
                    ->where('series_id', $this->oilskin()->figure->series_id)
                    ->firstOrFail()->id,
        );
        $browser->until('window.awning?.session.view.held', 'the page is held');
        $browser->press('Light');
        $browser->press('Oda Brack oilskin Wet fold');
        self::assertStringContainsString(
            'its tone “Wet fold” · stays inside Oda Brack’s oilskin',
            (string) $browser->run('return document.getElementById("target-sentence").innerText'),
        );
        $browser->driver->findElement(WebDriverBy::tagName('body'))->sendKeys('3');
        $browser->until(
            'document.getElementById("target-sentence").innerText.includes("base tone")',
            'the base by its key',
        );
        $browser->driver->findElement(WebDriverBy::tagName('body'))->sendKeys('6');
        $browser->until(
            'document.getElementById("target-sentence").innerText.includes("Wet fold")',
            'the named tone by its key',
        );
    }

    public function test_somebody_elses_change_is_shown_beside_ones_own(): void
    {
        $browser = $this->open();
        $browser->press('Oda Brack oilskin shade, derived');
        $browser->until('document.querySelector("figure [role=presentation]")', 'the tone');
        $row = $this->oilskin();
        // Meanwhile, before this window has heard of it.
        Material::query()
            ->whereKey($row->id)
            ->update([
                'pinned' => json_encode(['base' => '#e0a93a', 'shade' => '#102030']),
                'version' => $row->version + 1,
            ]);
        $browser->press('Pin this colour');
        $browser->until('document.querySelector("[role=alert]")?.innerText.includes("meanwhile")', 'both values');
        $browser->press('Take yours');
        $browser->until('!document.body.innerText.includes("Which shall it be")', 'it is settled');
        self::assertNotSame('#102030', $this->oilskin()->pinned['shade']);
    }

    public function test_materials_are_moved_merged_and_the_rule_is_dragged(): void
    {
        $browser = $this->open();
        $names =
            '[...document.querySelectorAll("section[aria-label=\"Oda Brack\"] li [draggable]")].map((one) => '
                .'one.ariaLabel.split(" ")[1].replace(":", ""))';
        $before = $browser->run("return $names");
        $browser->run('[...document.querySelectorAll("section[aria-label=\"Oda Brack\"] [draggable]")][0].focus()');
        $browser->keys(WebDriverKeys::ARROW_DOWN);
        $browser->until("$names.join() !== '".implode(',', $before)."'", 'another order');
        self::assertSame([$before[1], $before[0]], array_slice($browser->run("return $names"), 0, 2));

        $browser->press('oilskin');
        $browser->until('document.body.innerText.includes("Delete or merge")', 'the material');
        $browser->press('Duplicate');
        $browser->until(
            'document.querySelector("section[aria-label=\"Oda Brack\"]").innerText.includes("oilskin 2")',
            'a second one',
        );
        $browser->press('oilskin 2');
        $browser->until(
            'document.querySelector("section[aria-label=Tone] h2")?.innerText.includes("oilskin 2")',
            'it is picked',
        );
        $browser->press('Delete or merge …');
        $browser->until('document.body.innerText.includes("No page uses it.")', 'what uses it');
        $select = $browser->driver->findElement(
            WebDriverBy::xpath('//span[contains(., "In its place")]/following-sibling::select'),
        );
        (new WebDriverSelect($select))->selectByVisibleText('Oda Brack, oilskin');
        $browser->press('Merge');
        $browser->until(
            '!document.querySelector("section[aria-label=\"Oda Brack\"]").innerText.includes("oilskin 2")',
            'it is gone',
        );
        self::assertSame(
            [true, $this->oilskin()->id],
            [
                Material::query()->where('name', 'oilskin 2')->value('retired'),
                Material::query()->where('name', 'oilskin 2')->value('stands_in'),
            ],
        );

        // A dial of the rule: the palette shows it before it is made so.
        $browser->press('Rule');
        $shade =
            'getComputedStyle(document.querySelector("button[aria-label=\"Oda Brack oilskin shade, '
                .'derived\"]")).backgroundColor';
        $was = $browser->run("return $shade");
        $browser->run('const dial = [...document.querySelectorAll("section[aria-label=Rule] label")].find((one) => one.innerText.startsWith("Shade keeps")).querySelector("input");
            Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(dial, 40); dial.dispatchEvent(new Event("input", { bubbles: true }))');
        $browser->until("$shade !== '$was'", 'the whole palette shows it');
        self::assertNull($this->oilskin()->figure->series->dials);
        $browser->press('Make it the series’ rule');
        $browser->until(
            '[...document.querySelectorAll("button")].some((one) => one.innerText === "undo" && '
                .'one.title.includes("rule"))',
            'it is the rule',
        );
        self::assertSame(0.4, (float) ($this->oilskin()->figure->series->dials['shade'] ?? 0));
        self::assertNotSame($was, $browser->run("return $shade"));
        $browser->press('History');
        $browser->until(
            'document.querySelector("section[aria-label=History]").innerText.includes("Merge oilskin 2 into oilskin")',
            'the history',
        );
    }

    public function test_a_file_is_shown_before_it_is_taken_in(): void
    {
        $browser = $this->open();
        $browser->press('In and out');
        $file = sys_get_temp_dir().'/awning-palette.csv';
        file_put_contents($file, "Oda Brack,sou'wester,#c8962e\nOda Brack,oilskin,#e0a93b\n");
        $browser->driver->findElement(WebDriverBy::cssSelector('input[type=file]'))->sendKeys($file);
        $browser->until('document.body.innerText.includes("1 added, 1 changed, 0 left")', 'what it would do');
        self::assertSame('#e0a93a', $this->oilskin()->pinned['base']);
        $browser->press('Take it in');
        $browser->until(
            'document.querySelector("section[aria-label=\"Oda Brack\"]").innerText.includes("sou\'wester")',
            'it is there',
        );
        $this->pinned('base', '#e0a93b');
        file_put_contents($file, "skin,#12345\n\nx,#zz\n");
        $browser->driver->findElement(WebDriverBy::cssSelector('input[type=file]'))->sendKeys($file);
        $browser->until('document.querySelector("[role=alert]")?.innerText.includes("Line")', 'which line is wrong');
    }

    private function choose(Browser $browser, string $label, string $option): void
    {
        (new WebDriverSelect(
            $browser->driver->findElement(WebDriverBy::cssSelector("select[aria-label='$label']")),
        ))->selectByVisibleText($option);
    }

    public function test_versions_are_held_variants_worn_and_drift_leads_to_its_place(): void
    {
        $mira = User::query()->where('name', 'Mira')->firstOrFail();
        $this->preparedPage($mira);
        $browser = $this->open();
        $browser->press('Versions');
        $browser->until('document.querySelector("section[aria-label=Versions] input")', 'the versions');
        $browser->type('section[aria-label=Versions] input', 'Book 1');
        $browser->press('Keep it');
        $browser->until(
            'document.querySelector("select[aria-label=\\"Palette of page 1\\"]")',
            'which page wears which',
        );
        $this->choose($browser, 'Palette of page 1', 'stays at Book 1');
        $browser->press('Oda Brack oilskin base, pinned');
        $browser->until('document.querySelector("figure [role=presentation]")', 'the tone');
        $browser->run('const field = [...document.querySelectorAll("section[aria-label=Tone] label")].find((one) => one.innerText.startsWith("Hex")).querySelector("input");
            field.focus(); Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(field, "#b07a30"); field.dispatchEvent(new Event("input", { bubbles: true })); field.blur();');
        $this->pinned('base', '#b07a30');
        $browser->press('Versions');
        $browser->until('document.body.innerText.includes("tones have moved on since")', 'what has moved');

        // The page keeps its colours: the flats are as far from the palette as the change was.
        $browser->press('Drift');
        $browser->until(
            'document.querySelector("section[aria-label=\\"The worst\\"] li")?.innerText.includes("to the palette")',
            'the drift',
            60,
        );
        $browser->press('Versions');
        $browser->until(
            '[...document.querySelectorAll("button")].some((one) => one.innerText.includes("tones have moved on"))',
            'what waits',
        );
        $browser->run(
            '[...document.querySelectorAll("button")].find((one) => one.innerText.includes("tones have moved '
                .'on")).click()',
        );
        $browser->until(
            '[...document.querySelectorAll("button")].some((one) => one.innerText === "Take oilskin over")',
            'what may be taken over',
        );
        $browser->press('Take oilskin over');
        $browser->until(
            '![...document.querySelectorAll("button")].some((one) => one.innerText.includes("tones have moved on"))',
            'nothing waits',
        );

        $browser->press('Variants');
        $browser->until('document.querySelector("section[aria-label=Variants] input")', 'the variants');
        $browser->type('section[aria-label=Variants] input', 'Wet');
        $browser->press('Add', 'section[aria-label=Variants] button');
        $browser->until(
            'document.querySelector("input[type=color][aria-label=\\"base in Wet\\"]")',
            'another colour for the picked tone',
        );
        $browser->run('const field = document.querySelector("input[type=color][aria-label=\\"base in Wet\\"]");
            field.focus(); Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(field, "#704818"); field.dispatchEvent(new Event("input", { bubbles: true })); field.blur();');
        $browser->until('document.querySelector("span[aria-label=\\"oilskin in Wet\\"]")', 'a second strip');
        $this->choose($browser, 'Variant of page 1', 'Wet');
        $browser->until(
            'document.querySelector("select[aria-label=\\"Variant of page 1\\"]").selectedOptions[0].innerText === '
                .'"Wet"',
            'the page wears it',
        );
        $browser->press('Drift');
        $browser->until('document.querySelector("section[aria-label=\\"The worst\\"] a")', 'the drift again', 60);
        $browser->run('document.querySelector("section[aria-label=\\"The worst\\"] a").click()');
        $browser->until(
            'window.awning?.renderer?.view && document.body.innerText.includes("uses the variant")',
            'the place on the bench',
        );
        [$x, $y] = $browser->run('return [window.awning.renderer.view.x, window.awning.renderer.view.y]');
        self::assertContains(
            'oilskin',
            Material::query()
                ->whereIn('id', RegionRow::query()->where('x', $x)->where('y', $y)->pluck('material_id'))
                ->pluck('name')
                ->all(),
        );

        // One of its regions wears the palette all the same.
        $browser->until('window.awning.session.view.held', 'the page is held');
        $base = fn (): int => $browser->run(
            'const { stack, records } = window.awning.session.view; return '
                .'stack.flats.get(Number(Object.entries(records.region).find(([, one]) => one.x === arguments[0] && '
                .'one.y === arguments[1])[0])).tones.base',
            [$x, $y],
        );
        self::assertSame(0x704818, $base());
        $browser->press('Flats');
        $browser->run(
            'const regions = Object.entries(window.awning.session.view.records.region); window.awning.bench.set({ '
                .'pickedRegions: [Number(regions.find(([, one]) => one.x === arguments[0] && one.y === arguments[1])[0])] })',
            [$x, $y],
        );
        $browser->until(
            '[...document.querySelectorAll("label")].some((one) => one.innerText.startsWith("Variant"))',
            'what it wears',
        );
        $browser->run(
            '[...document.querySelectorAll("label")].find((one) => '
                .'one.innerText.startsWith("Variant")).querySelector("select").id = "wears"',
        );
        (new WebDriverSelect($browser->driver->findElement(WebDriverBy::id('wears'))))->selectByVisibleText(
            'The palette',
        );
        $browser->until('window.awning.session.outbox.saving === "saved"', 'it is saved');
        self::assertSame(1, RegionRow::query()->where('variant', 0)->count());
        self::assertSame(hexdec(substr($this->oilskin()->pinned['base'], 1)), $base());
    }
}

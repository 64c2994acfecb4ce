<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\Models\Invitation;
use App\Models\JournalEntry;
use App\Models\Material;
use App\Models\Role;
use App\Models\User;

/** The bench under the hand and the keys, and for those who use neither mouse nor eyes. */
final class HandTest extends BrowserTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->preparedPage(User::query()->where('name', 'Mira')->firstOrFail());
    }

    /** @return array<string, mixed> */
    private function bench(Browser $browser): array
    {
        return (array) $browser->run(
            'const { stage, tool, size, grey, overlays, mirror, isKeySheetOpen, target } = '
                .'window.awning.bench.view; return { stage, tool, size, grey, overlays, mirror, isKeySheetOpen, tone: '
                .'target?.tone, figure: target?.figureName }',
        );
    }

    public function test_keys_do_what_the_sheet_says(): void
    {
        $series = $this->page->series;
        $tamsin = \App\Models\Figure::query()->create(['series_id' => $series->id, 'name' => 'Tamsin', 'depth' => 2]);
        Material::query()->create([
            'figure_id' => $tamsin->id,
            'name' => 'clogs',
            'place' => 1,
            'pinned' => ['base' => '#8a5a2b'],
        ]);
        $browser = $this->painting();
        $key = function (string $keys) use ($browser): array {
            $browser->keys($keys);

            return $this->bench($browser);
        };
        $browser->run('document.activeElement.blur()');
        self::assertSame('deep', $key('1')['tone']);
        self::assertSame('line', $key('0')['tone']);
        self::assertSame('light', $key('4')['tone']);
        self::assertSame('area', $key('z')['tool']);
        self::assertSame('pen', $key('p')['tool']);
        self::assertSame('pen', $key('q')['tool'], 'a tool of another stage');
        self::assertSame('Tamsin', $key('c')['figure']);
        self::assertSame('Oda Brack', $key('c')['figure']);
        self::assertSame('Tamsin', $key('C')['figure']);
        self::assertTrue($key('g')['grey']);
        self::assertFalse($key('h')['overlays']);
        self::assertTrue($key('v')['mirror']);
        self::assertStringContainsString(
            'View mirrored',
            (string) $browser->run('return document.querySelector("main").innerText'),
        );
        self::assertFalse($key('v')['mirror']);
        self::assertSame([75, 60, 48], [$key(']')['size'], $key('[')['size'], $key('[')['size']]);
        $scale = fn (): float => (float) $browser->until('window.awning.renderer.view?.scale', 'a view');
        $fitted = $scale();
        $key('+');
        self::assertEqualsWithDelta(1.25 * $fitted, $scale(), 1e-6);
        $key('o');
        self::assertEqualsWithDelta($fitted, $scale(), 1e-6);
        self::assertTrue($key('?')['isKeySheetOpen']);
        self::assertStringContainsString(
            'next figure of the cast',
            (string) $browser->run('return document.querySelector("dialog").innerText'),
        );
        self::assertSame('light', $key('2')['tone'], 'keys are the dialog\'s while it is open');
        $key("\u{E00C}");
        $browser->until('!window.awning.bench.view.isKeySheetOpen', 'Escape closes the sheet');
        $key('3');
        $browser->holdKey('e', fn () => self::assertSame('erase', $this->bench($browser)['tool']));
        self::assertSame('pen', $this->bench($browser)['tool']);
    }

    public function test_a_gesture_called_off_leaves_nothing(): void
    {
        $browser = $this->painting();
        $at = fn (int $x, int $y): array => $this->onCanvas($browser, $x, $y);
        $base = [0xE0, 0xA9, 0x3A];
        $browser->strokeThen([$at(70, 120), $at(170, 120)], fn () => $browser->keys("\u{E00C}"));
        usleep(300_000);
        $this->shows($browser, $base, 120, 120); // Escape
        $browser->strokeThen([$at(70, 120), $at(170, 120)], fn () => $browser->touchDown(...$at(100, 250)));
        usleep(300_000);
        $this->shows($browser, $base, 120, 120); // a second pointer
        $browser->strokeThen(
            [$at(70, 120), $at(170, 120)],
            fn () => $browser->run(
                'document.getElementById("surface").dispatchEvent(new PointerEvent("pointercancel", { pointerId: '
                    .'window.lastPointer }))',
            ),
        );
        usleep(300_000);
        $this->shows($browser, $base, 120, 120); // the browser took the pointer
        self::assertSame(0, JournalEntry::query()->where('kind', 'stroke')->count());
        $browser->stroke([$at(70, 120), $at(170, 120)]);
        $this->saved($browser);
        $this->shows($browser, $this->tone('shade'), 120, 120); // and the next one is made
    }

    public function test_the_page_is_zoomed_and_moved_and_never_lies_under_the_strip(): void
    {
        $browser = $this->painting();
        $corner = fn (int $x, int $y): array => $this->onCanvas($browser, $x, $y);
        $strip = $browser->run(
            'const c = document.getElementById("surface").getBoundingClientRect(); const t = '
                .'document.querySelector("[role=toolbar]").getBoundingClientRect(); return t.top - c.top',
        );
        self::assertLessThan($strip, $corner(0, 400)[1], 'the page\'s foot lies under the tool strip');
        $pageAt = fn (array $at): array => (array) $browser->run(
            'const r = window.awning.renderer, v = r.view; return [v.x + (arguments[0] - r.canvas.width / 2) / '
                .'v.scale, v.y + (arguments[1] - r.canvas.height / 2) / v.scale]',
            $at,
        );
        $spot = $corner(150, 100);
        $browser->wheel($spot[0], $spot[1], -400);
        $under = $pageAt($spot);
        self::assertEqualsWithDelta(150, $under[0], 0.7, 'the wheel zooms about the pointer');
        self::assertEqualsWithDelta(100, $under[1], 0.7);
        $before = $pageAt([100, 100]);
        $browser->holdKey(' ', fn () => $browser->stroke([[300, 300], [360, 330], [400, 340]]));
        $after = $pageAt([200, 140]);
        self::assertEqualsWithDelta($before[0], $after[0], 1.0, 'Space drags the page');
        self::assertEqualsWithDelta($before[1], $after[1], 1.0);
        self::assertSame(0, JournalEntry::query()->where('kind', 'stroke')->count());
    }

    public function test_tones_are_edited_passes_grouped_and_moved_by_keys(): void
    {
        $browser = $this->painting('Mira', 'shade');
        $browser->stroke([$this->onCanvas($browser, 70, 120), $this->onCanvas($browser, 170, 120)]);
        $browser->press('Oda Brack oilskin light');
        $browser->stroke([$this->onCanvas($browser, 70, 250), $this->onCanvas($browser, 170, 250)]);
        $this->saved($browser);
        // Tone editor: every place the tone is used follows, and no pixel is painted.
        $browser->press('Oda Brack oilskin shade');
        $browser->press('Edit tone');
        $browser->type('dialog input', '3355aa');
        $browser->press('Pin this colour');
        $browser->until(
            'JSON.stringify(await window.awning.renderer.colourAt(120, 120)) === "[51,85,170]"',
            'the new shade',
        );
        self::assertSame(
            'Edit tone',
            $browser->run('return document.activeElement.innerText'),
            'the focus is back where it was',
        );
        // Group the two passes by the panel, and fade the group.
        $browser->press('Set Light');
        $browser->press('Group with Shade');
        $browser->until('Object.keys(window.awning.session.view.records.group).length === 1', 'the group');
        $browser->press('Ungroup');
        $browser->until('Object.keys(window.awning.session.view.records.group).length === 0', 'parted');
        $this->saved($browser);
        // Order by the keyboard: take the handle, one down, let go.
        $order = fn (): array => (array) $browser->run(
            'return [...document.querySelectorAll("[aria-label^=\\"Move \\"]")].map((e) => '
                .'e.getAttribute("aria-label"))',
        );
        self::assertSame(['Move Shade', 'Move Light'], $order());
        // Come to by Tab, as Space is the page's after a click.
        $browser->run(
            'const all = [...document.querySelectorAll("button, input, select, a, summary, [tabindex]")].filter((e) '
                .'=> !e.disabled && e.tabIndex >= 0); all[all.findIndex((e) => e.ariaLabel === "Move Shade") - '
                .'1].focus()',
        );
        $browser->keys("\u{E004}");
        self::assertSame('Move Shade', $browser->run('return document.activeElement.getAttribute("aria-label")'));
        $told = 'document.querySelector("[id^=DndLiveRegion]").innerText';
        $browser->keys(' ');
        $browser->until("$told.includes('Shade at place 1 of 2')", 'the handle is taken');
        // It is told before it is measured where the others hang, and until then an arrow goes nowhere. Below the last
        // place there is none, so that one arrow more does no harm.
        $browser->until(
            "$told.includes('Shade at place 2 of 2')",
            'the handle is one further down',
            20,
            fn () => $browser->keys("\u{E015}"),
        );
        $browser->keys(' ');
        $browser->until(
            'document.querySelector("[aria-label^=\"Move \"]").getAttribute("aria-label") === "Move Light"',
            'the new order',
        );
        $this->saved($browser);
        self::assertSame(['Move Light', 'Move Shade'], $order());
    }

    public function test_tab_walks_the_whole_bench_and_leaves_it(): void
    {
        $browser = $this->painting();
        $browser->run('document.activeElement.blur()');
        $seen = [];
        for ($i = 0; $i < 140; $i++) {
            $browser->keys("\u{E004}");
            $where = (string) $browser->run(
                'const e = document.activeElement; return e === document.body ? "body" : (e.id || '
                    .'e.getAttribute("aria-label") || e.innerText || e.tagName).trim().slice(0, 40)',
            );
            $seen[] = $where;
            if (count($seen) > 5 && $where === $seen[0]) {
                break;
            }
        }
        foreach (['Shelf', 'surface', 'Oda Brack oilskin shade', 'Keys', 'Deliver'] as $stop) {
            self::assertContains($stop, $seen, "Tab never comes to $stop: ".implode(' | ', array_unique($seen)));
        }
        self::assertLessThan(140, count($seen), 'Tab goes round in the end');
    }

    public function test_every_screen_is_accessible(): void
    {
        $axe = (string) file_get_contents(dirname(__DIR__, 2).'/node_modules/axe-core/axe.min.js');
        $check = function (Browser $browser, string $screen) use ($axe): void {
            $browser->run($axe);
            $found = (array) $browser->run(
                'const r = await axe.run(document, { runOnly: ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", '
                    .'"wcag22aa"] }); return r.violations.map((v) => v.id + ": " + v.nodes.map((n) => n.target.join(" ") '
                    .'+ " (" + n.failureSummary.replace(/\\n/g, " ").slice(0, 160) + ")").slice(0, 3).join("; "))',
            );
            self::assertSame([], $found, $screen);
        };
        $visitor = $this->browser = new Browser($this->address);
        $visitor->visit('/');
        $visitor->until('document.querySelector("form")', 'the sign-in form');
        $check($visitor, 'sign in');
        $visitor->visit(
            '/welcome/'.Invitation::issue(['series_id' => $this->page->series_id, 'role' => Role::Viewer]),
        );
        $visitor->until('document.querySelector("form")', 'the answer to an invitation');
        $check($visitor, 'welcome');
        $visitor->close();
        $browser = $this->browser = $this->signIn('Ida');
        $browser->until('document.querySelector("h1")?.innerText === "Shelf"', 'the shelf');
        $check($browser, 'shelf');
        $browser->press('Ida');
        $browser->until('document.querySelector("dialog[open]")', 'the password form');
        $check($browser, 'own password');
        $browser->press('Close');
        $browser->press('The Salt Ferry');
        $browser->until('document.querySelector("h1")?.innerText === "The Salt Ferry"', 'the series');
        $browser->press('Add a material to Oda Brack');
        $browser->press('Make a link');
        $browser->until('document.querySelector("input[readonly]")', 'the link');
        $check($browser, 'series');
        $browser->press('1. Noon');
        $browser->until('window.awning?.session.view.held', 'held');
        foreach (['Ink', 'Flats', 'Light', 'Mood', 'Proof'] as $stage) {
            $browser->press($stage);
            usleep(200_000);
            $check($browser, $stage);
        }
        $browser->press('Light');
        $browser->press('Oda Brack oilskin shade');
        $browser->stroke([$this->onCanvas($browser, 70, 120), $this->onCanvas($browser, 170, 120)]);
        $this->saved($browser);
        $browser->press('Add', 'aside button');
        $browser->press('Set Shade');
        $check($browser, 'a pass opened');
        foreach ([
            'Deliver' => 'deliver',
            'Keys' => 'keys',
            'Edit tone' => 'tone editor',
            'Look at it' => 'read view',
        ] as $button => $dialog) {
            $button === 'Look at it'
                ? $browser->run('document.querySelector("[title^=\\"Look at it\\"]").click()')
                : $browser->press($button);
            $browser->until('document.querySelector("dialog[open]")', $dialog);
            usleep(300_000);
            $check($browser, $dialog);
            $browser->keys("\u{E00C}");
            $browser->until('document.querySelector("dialog[open]") === null', "$dialog closes by Escape");
        }
        $browser->run('document.documentElement.dataset.theme = "dusk"');
        $check($browser, 'by dusk');
    }

    public function test_forms_clear_what_was_added_and_say_what_is_wrong_beside_the_field(): void
    {
        $browser = $this->browser = $this->signIn('Ida');
        $browser->press('The Salt Ferry');
        foreach (['linen', 'rope'] as $name) {
            $browser->press('Add a material to Oda Brack');
            $field = 'document.querySelector("input[placeholder^=Skin]")';
            self::assertSame(
                '',
                $browser->until("$field && { value: $field.value }", 'the field')['value'],
                'what was typed before is still there',
            );
            $browser->type('input[placeholder^=Skin]', $name."\u{E007}");
            $browser->until(
                'document.querySelector("section[aria-label=Palette]").innerText.includes('.json_encode($name).')',
                "$name, added by Enter",
            );
        }
        self::assertSame(['oilskin', 'linen', 'rope'], Material::query()->orderBy('id')->pluck('name')->all());
        $browser->type('input[type=email]', "nobody@awning.example\u{E007}");
        self::assertStringContainsString(
            'Nobody with this address',
            (string) $browser->until(
                'document.querySelector("input[type=email]").closest("label").querySelector("[role=alert]")?.innerText',
                'the error beside the field',
            ),
        );
        $browser->type('input[type=email]', "jonne@awning.example\u{E007}");
        $browser->until('document.querySelector("section[aria-label=People]").innerText.includes("Jonne")', 'Jonne');
        self::assertSame('', $browser->run('return document.querySelector("input[type=email]").value'));
    }

    public function test_a_flatter_and_a_viewer_are_told_what_their_part_is(): void
    {
        $this->person('Pell', $this->page->series, Role::Flatter);
        $browser = $this->painting('Pell');
        $browser->stroke([$this->onCanvas($browser, 70, 120), $this->onCanvas($browser, 170, 120)]);
        self::assertStringContainsString(
            'Your part in this series is flatting',
            (string) $browser->until('document.querySelector("main [role=alert]")?.innerText', 'why not'),
        );
        self::assertSame(0, (int) $browser->run('return window.awning.session.view.unsent'));
    }
}

<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\Models\Material;
use App\Models\User;
use App\Store\PageStore;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Shift;
use Awning\Core\Page\Region\Bridge;
use Awning\Core\Page\Region\BridgeKind;
use Awning\Core\Page\Region\ColourShift;
use Awning\Core\Page\Region\Region;
use Awning\Core\Sheet\Sheet;

/** The Flats stage as it is worked: loops, silhouettes, bridges drawn and taken away. */
final class FlatsStageTest extends BrowserTestCase
{
    private function flatting(): Browser
    {
        $this->preparedPage(User::query()->where('name', 'Mira')->firstOrFail());
        $browser = $this->browser = $this->signIn('Mira');
        $browser->press('1. Noon');
        $browser->until('window.awning?.session.view.held', 'the page is held');
        $browser->press('Flats');
        $browser->press('Oda Brack oilskin base');
        $browser->until('window.awning.renderer.colourAt(120, 200)', 'the tiles');

        return $browser;
    }

    /** @param  list<array{float, float}>  $points  of the page */
    private function drag(Browser $browser, array $points): void
    {
        [$width, $height, $left, $top, $scale] = $browser->run(
            'const { view, canvas } = window.awning.renderer; return [canvas.width, canvas.height, view.x, view.y, '
                .'view.scale]',
        );
        $browser->stroke(
            array_map(
                fn (array $point): array => [
                    $width / 2 + ($point[0] - $left) * $scale,
                    $height / 2 + ($point[1] - $top) * $scale,
                ],
                $points,
            ),
        );
        $this->saved($browser);
    }

    private function sheet(): Sheet
    {
        return new Sheet(new PageStore($this->page->refresh()));
    }

    private function materialAt(int $x, int $y): int
    {
        $sheet = $this->sheet();

        return $sheet->find(Region::class, $sheet->labelAt($x, $y))->material ?? -1;
    }

    public function test_loops_fill_what_they_hold_and_all_but_fills_the_rest(): void
    {
        $browser = $this->flatting();
        $oilskin = Material::query()->firstOrFail()->id;
        self::assertSame(
            [$oilskin, 0, 0, 0],
            [
                $this->materialAt(120, 200),
                $this->materialAt(300, 200),
                $this->materialAt(480, 200),
                $this->materialAt(10, 10),
            ],
        );
        $browser->press('Loop');
        $this->drag($browser, [[210, 50], [390, 50], [395, 345], [210, 350]]);
        self::assertSame(
            [$oilskin, 0, 0],
            [$this->materialAt(300, 200), $this->materialAt(480, 200), $this->materialAt(10, 10)],
            'the box inside the loop, and nothing else',
        );
        $browser->until(
            'Object.values(window.awning.session.view.records.region).filter((region) => region.material > '
                .'0).length === 2',
            'it shows',
        );
        $this->drag($browser, [[420, 100], [500, 100], [500, 200]]);
        $browser->until(
            'document.querySelector("main [role=alert]")?.innerText.includes("No region lies wholly inside the loop")',
            'a word where nothing is held',
        );
        self::assertSame(0, $this->materialAt(480, 200));

        $browser->press('All but');
        $this->drag($browser, [[10, 10], [10, 10]]);
        self::assertSame(
            [$oilskin, 0],
            [$this->materialAt(480, 200), $this->materialAt(10, 10)],
            'all but the outside',
        );
        $browser->press('undo');
        $browser->until(
            'window.awning.session.view.saving === "saved" && '
                .'Object.values(window.awning.session.view.records.region).filter((region) => region.material > '
                .'0).length === 2',
            'undone',
        );
        self::assertSame(0, $this->materialAt(480, 200));
    }

    public function test_cues_are_dabbed_looked_at_and_taken(): void
    {
        $browser = $this->flatting();
        $oilskin = Material::query()->firstOrFail();
        $plait = Material::query()->create([
            'figure_id' => $oilskin->figure_id,
            'name' => 'plait',
            'place' => 2,
            'pinned' => ['base' => '#3050a0'],
        ]);
        $browser->visit("/bench/{$this->page->id}");
        $browser->until('window.awning?.session.view.held', 'held');
        $browser->press('Flats');
        $browser->press('Oda Brack plait base');
        $browser->press('Cue');
        $this->drag($browser, [[450, 100], [480, 150], [500, 200]]);
        self::assertSame(0, $this->materialAt(480, 200), 'nothing is filled yet');
        $browser->press('Oda Brack oilskin base');
        $this->drag($browser, [[280, 100], [300, 150]]);
        $browser->press('Spread them');
        $browser->until('document.body.innerText.includes("would be filled, as the hatching shows")', 'what it means');
        $this->shows($browser, [0x30, 0x50, 0xA0], 480, 200);
        self::assertSame([0, 0], [$this->materialAt(480, 200), $this->materialAt(300, 200)], 'looking fills nothing');
        $browser->press('Fill them all');
        $this->saved($browser);
        self::assertSame(
            [$oilskin->id, $oilskin->id, $plait->id],
            [$this->materialAt(120, 200), $this->materialAt(300, 200), $this->materialAt(480, 200)],
        );
        self::assertContains($this->materialAt(10, 10), [$oilskin->id, $plait->id], 'every region took one');
        self::assertSame([], $browser->run('return window.awning.bench.view.cues'));
    }

    public function test_a_bridge_is_drawn_taken_away_and_kept(): void
    {
        $browser = $this->flatting();
        $regions = fn (): int => count($this->sheet()->all(Region::class));
        $before = $regions();
        $browser->press('Bridge');
        $this->drag($browser, [[41, 200], [120, 200], [198, 200]]);
        self::assertSame($before + 1, $regions(), 'the filled box is two');
        self::assertNotSame($this->sheet()->labelAt(120, 100), $this->sheet()->labelAt(120, 300));
        self::assertSame($this->materialAt(120, 100), $this->materialAt(120, 300), 'both filled as before');
        $number = (int) array_key_last($this->sheet()->all(Bridge::class));
        $browser->until("window.awning.session.view.records.bridge['$number'].kind === 'kept'", 'it is known here');
        $this->drag($browser, [[120, 200], [120, 200]]);
        self::assertSame(
            [$before, BridgeKind::Refused],
            [$regions(), $this->sheet()->find(Bridge::class, $number)?->kind],
        );
        $this->drag($browser, [[120, 200], [120, 200]]);
        self::assertSame(
            [$before + 1, BridgeKind::Kept],
            [$regions(), $this->sheet()->find(Bridge::class, $number)?->kind],
        );
        $this->drag($browser, [[300, 20], [300, 20]]);
        $browser->until(
            'document.querySelector("main [role=alert]")?.innerText.includes("There is no bridge here")',
            'a word where there is none',
        );
        self::assertSame($before + 1, $regions());
    }

    public function test_flats_are_blocked_in_by_loop_corners_and_pen_and_taken_away_again(): void
    {
        $browser = $this->flatting();
        $oilskin = Material::query()->firstOrFail()->id;
        $browser->press('Block in');
        $this->drag($browser, [[230, 60], [260, 60], [260, 100], [230, 100]]);
        self::assertSame([$oilskin, 0], [$this->materialAt(245, 80), $this->materialAt(270, 80)]);
        $this->shows($browser, [0xE0, 0xA9, 0x3A], 245, 80);
        $this->choose($browser, 'What it does', 'take');
        $this->drag($browser, [[225, 90], [270, 90], [270, 110], [225, 110]]);
        self::assertSame([$oilskin, 0], [$this->materialAt(245, 80), $this->materialAt(245, 95)]);

        $this->choose($browser, 'What it does', 'add');
        $this->choose($browser, 'Drawn', 'corners');
        foreach ([[300, 200], [340, 200], [340, 240]] as $corner) {
            $this->drag($browser, [$corner, $corner]);
        }
        self::assertSame(0, $this->materialAt(330, 210), 'not before it is closed');
        $this->drag($browser, [[300, 200], [300, 200]]);
        self::assertSame([$oilskin, 0], [$this->materialAt(330, 210), $this->materialAt(310, 230)]);

        $this->choose($browser, 'Drawn', 'pen');
        $browser->run('window.awning.bench.set({ size: 16 })');
        $this->drag($browser, [[420, 300], [500, 300]]);
        self::assertSame(
            [$oilskin, $oilskin, 0],
            [$this->materialAt(460, 293), $this->materialAt(460, 306), $this->materialAt(460, 312)],
        );
        $browser->press('undo');
        $this->saved($browser);
        self::assertSame(0, $this->materialAt(460, 300));
    }

    public function test_picked_regions_are_joined_locked_grown_and_their_colour_is_shifted(): void
    {
        $browser = $this->flatting();
        $oilskin = Material::query()->firstOrFail()->id;
        $browser->press('Pick');
        $this->drag($browser, [[300, 200], [300, 200]]);
        $browser->until(
            'document.querySelector("aside h3")?.innerText.includes("One region picked") || '
                .'document.body.innerText.includes("One region picked")',
            'what is picked',
        );
        $browser->press('Fill with oilskin');
        $this->saved($browser);
        self::assertSame([$oilskin, 0], [$this->materialAt(300, 200), $this->materialAt(480, 200)]);

        // Its colour on this page: the palette stays as it is.
        $browser->run('document.querySelectorAll("details").forEach((one) => (one.open = true))');
        $this->slide($browser, 'Hue', 120);
        $this->saved($browser);
        $region = $this->sheet()->find(Region::class, $this->sheet()->labelAt(300, 200));
        self::assertNotNull($region?->shift);
        self::assertSame('#e0a93a', Material::query()->firstOrFail()->pinned['base']);
        $shift = $this->sheet()->find(ColourShift::class, $region->shift);
        self::assertSame(120.0, $shift?->turn->hue);
        $this->shows($browser, (new Shift(0, 1, 120))->of(Rgb::fromHex('#e0a93a'))->parts(), 300, 200);
        $this->shows($browser, [0xE0, 0xA9, 0x3A], 120, 200);
        $browser->press('As the palette says');
        $this->saved($browser);
        self::assertSame([], $this->sheet()->all(ColourShift::class));
        $this->shows($browser, [0xE0, 0xA9, 0x3A], 300, 200);

        // Locked, it is not filled; grown and joined it is another shape.
        $browser->press('Lock', 'aside button');
        $this->saved($browser);
        $browser->press('Unfill');
        $this->drag($browser, [[300, 200], [300, 200]]);
        $browser->until(
            'document.querySelector("main [role=alert]")?.innerText.includes("locked")',
            'that it is locked',
        );
        self::assertSame($oilskin, $this->materialAt(300, 200));
        $browser->press('Unlock', 'aside button');
        $this->saved($browser);
        $area = $this->sheet()->find(Region::class, $this->sheet()->labelAt(300, 200))?->area;
        $browser->type('aside input[type=number]', '9');
        $browser->press('Grow', 'aside button');
        $this->saved($browser);
        self::assertNotSame($area, $this->sheet()->find(Region::class, $this->sheet()->labelAt(300, 200))?->area);
        $browser->press('Pick');
        $this->drag($browser, [[300, 200], [480, 200]]);
        $browser->press('Join');
        $this->saved($browser);
        self::assertSame($this->sheet()->labelAt(300, 200), $this->sheet()->labelAt(480, 200));
    }

    public function test_a_veil_shows_what_is_meant_and_findings_are_mended(): void
    {
        $browser = $this->flatting();
        $browser->press('Block in');
        $this->drag($browser, [[470, 150], [474, 150], [474, 154], [470, 154]]);
        $browser->until('window.awning.bench.view.findings?.some((finding) => finding.kind === "small")', 'the crumb');
        $browser->run('document.querySelectorAll("details").forEach((one) => (one.open = true))');
        $before = count($this->sheet()->all(Region::class));
        $browser->press('Join all');
        $this->saved($browser);
        self::assertSame($before - 1, count($this->sheet()->all(Region::class)));
        self::assertSame(0, $this->materialAt(472, 152));
        $browser->until(
            'window.awning.bench.view.findings?.every((finding) => finding.kind !== "small")',
            'it is gone',
        );

        $this->choose($browser, 'Show clearly', 'material');
        $browser->until('window.awning.bench.clear?.size === 1', 'the one region of the material is clear');
        $seen = fn (float $x, float $y): array => $browser->run(
            'const { canvas, view } = window.awning.renderer; const [x, y] = arguments; return '
                .'[...canvas.getContext("2d").getImageData(Math.round(canvas.width / 2 + (x - view.x) * view.scale), '
                .'Math.round(canvas.height / 2 + (y - view.y) * view.scale), 1, 1).data].slice(0, 3)',
            [$x, $y],
        );
        $this->comes(
            fn (): bool => $seen(120, 200) === [0xE0, 0xA9, 0x3A] && $seen(20, 20)[0] < 190,
            'the clear region, and the veil over all else',
        );
        [$red, $green, $blue] = $seen(20, 20);
        self::assertLessThan(190, $red, 'the paper lies under the veil');
        self::assertSame([$red, $red], [$green, $blue], 'which has no hue');
    }

    private function choose(Browser $browser, string $label, string $value): void
    {
        $browser->run(
            'const field = document.querySelector(`select[aria-label="${arguments[0]}"]`); '
                .'Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, "value").set.call(field, arguments[1]); '
                .'field.dispatchEvent(new Event("change", { bubbles: true }))',
            [$label, $value],
        );
    }

    /** Drags a slider to a value and lets go. */
    private function slide(Browser $browser, string $label, int $value): void
    {
        $browser->until(
            '[...document.querySelectorAll("label")].some((one) => one.textContent.trim().startsWith("'.
                $label.
                '"))',
            "the slider $label",
        );
        $browser->run(
            'const field = [...document.querySelectorAll("label")].find((one) => '
                .'one.textContent.trim().startsWith(arguments[0])).querySelector("input"); '
                .'Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(field, '
                .'String(arguments[1])); field.dispatchEvent(new Event("input", { bubbles: true })); '
                .'field.dispatchEvent(new PointerEvent("pointerup", { bubbles: true }))',
            [$label, $value],
        );
    }
}

<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\Models\JournalEntry;
use App\Models\User;

/**
 * The Light stage as it is worked: blocks, ramps, pours, softening, dragging, moving, brushes, and a light that is set.
 */
final class LightStageTest extends BrowserTestCase
{
    private const BASE = [0xE0, 0xA9, 0x3A];

    protected function setUp(): void
    {
        parent::setUp();
        $this->preparedPage(User::query()->where('name', 'Mira')->firstOrFail());
    }

    /** @return list<array{float, float}> */
    private function way(Browser $browser, array ...$places): array
    {
        return array_map(fn (array $place): array => $this->onCanvas($browser, ...$place), $places);
    }

    private function drag(Browser $browser, string $tool, array ...$places): void
    {
        $browser->press($tool);
        $browser->stroke($this->way($browser, ...$places));
        $this->saved($browser);
    }

    private function undone(Browser $browser): void
    {
        $browser->press('undo');
        $this->saved($browser);
    }

    /** @param  array{int, int, int}  $colour */
    private function isBetween(array $colour): bool
    {
        $shade = $this->tone('shade');

        return $colour[0] > $shade[0] + 12 && $colour[0] < self::BASE[0] - 12;
    }

    public function test_shapes_ramps_and_regions_are_laid_and_taken_away(): void
    {
        $browser = $this->painting();
        $shade = $this->tone('shade');
        $this->drag($browser, 'Block', [80, 100], [150, 100], [150, 170], [80, 170]);
        $this->shows($browser, $shade, 115, 130);
        $this->shows($browser, self::BASE, 115, 200);
        self::assertSame('Block', JournalEntry::query()->latest('id')->value('title'));
        // A tone that is dragged is on screen at once, and gives way to another just so.
        [[$x, $y], [$besideX, $besideY]] = $this->way($browser, [115, 130], [115, 200]);
        $onScreen = fn (
            float $x,
            float $y,
        ): string => '(() => { const [r, g, b] = window.awning.renderer.canvas.getContext("2d").getImageData('.
            round($x).
            ', '.
            round($y).
            ', 1, 1).data; return `${r},${g},${b}`; })()';
        $browser->until($onScreen($x, $y)." === '".implode(',', $shade)."'", 'the shade on screen');
        foreach (['#123456' => '18,52,86', '#a0b0c0' => '160,176,192'] as $hex => $wanted) {
            $browser->run(
                "const { session } = window.awning; const material = session.view.palette.figures.flatMap((figure) => figure.materials).find(({ name }) => name === 'oilskin'); session.palette.show({ ...material, tones: { ...material.tones, shade: '$hex' } })",
            );
            $browser->until($onScreen($x, $y)." === '$wanted'", "$hex on screen", 5);
            self::assertSame(
                implode(',', self::BASE),
                $browser->run('return '.$onScreen($besideX, $besideY)),
                'and nothing else is another',
            );
        }
        $browser->run(
            sprintf(
                "const { session } = window.awning; const material = session.view.palette.figures.flatMap((figure) => figure.materials).find(({ name }) => name === 'oilskin'); session.palette.show({ ...material, tones: { ...material.tones, shade: '#%02x%02x%02x' } })",
                ...$shade,
            ),
        );
        $browser->holdKey(
            "\u{E00A}",
            fn () => $browser->stroke($this->way($browser, [80, 100], [110, 100], [110, 170], [80, 170])),
        );
        $this->saved($browser);
        $this->shows($browser, self::BASE, 95, 130);
        $this->shows($browser, $shade, 130, 130);
        // By corners, the first of which closes it.
        $browser->run('window.awning.bench.set({ areaWith: "corners" })');
        foreach ([[90, 250], [160, 250], [160, 320], [90, 250]] as $corner) {
            [[$x, $y]] = $this->way($browser, $corner);
            $browser->stroke([[$x, $y]]);
        }
        $this->saved($browser);
        $this->shows($browser, $shade, 150, 270);
        $this->shows($browser, self::BASE, 100, 300);
        $this->undone($browser);
        // With a mirror, on both sides of its axis, and one undo takes both away.
        $browser->run('window.awning.bench.set({ areaWith: "loop", axis: { x: 120, y: 0, turn: 0 } })');
        $browser->stroke($this->way($browser, [60, 300], [90, 300], [90, 340], [60, 340]));
        $this->saved($browser);
        $this->shows($browser, $shade, 75, 320);
        $this->shows($browser, $shade, 165, 320);
        $this->shows($browser, self::BASE, 120, 320);
        $browser->run('window.awning.bench.set({ axis: null })');
        $this->undone($browser);
        $this->shows($browser, self::BASE, 165, 320);
        $this->shows($browser, self::BASE, 150, 270);

        $this->drag($browser, 'Ramp', [60, 300], [110, 302], [180, 300]);
        $this->shows($browser, $shade, 52, 300);
        $this->shows($browser, self::BASE, 188, 220);
        $this->comes(fn (): bool => $this->isBetween($this->colour($browser, 120, 300)), 'a colour between the two');
        $this->undone($browser);
        $this->drag($browser, 'Pour', [120, 300]);
        $this->shows($browser, $shade, 60, 120);
        $this->undone($browser);
        $this->shows($browser, self::BASE, 60, 120);
    }

    public function test_edges_are_softened_and_paint_is_dragged_and_moved(): void
    {
        $browser = $this->painting();
        $shade = $this->tone('shade');
        $browser->press('Soften');
        $browser->stroke($this->way($browser, [100, 100], [100, 120]));
        self::assertStringContainsString(
            'no paint in this pass',
            (string) $browser->until('document.querySelector("main [role=alert]")?.innerText', 'why not'),
        );
        $this->drag($browser, 'Block', [70, 100], [130, 100], [130, 180], [70, 180]);
        $this->shows($browser, $shade, 127, 140);
        $this->drag($browser, 'Soften', [130, 120], [130, 140], [130, 160]);
        $browser->until(
            'window.awning.renderer.colourAt(127, 140).then((c) => c && c[0] > '.($shade[0] + 10).')',
            'a soft edge',
        );
        $this->comes(fn (): bool => $this->isBetween($this->colour($browser, 132, 140)), 'a colour between the two');
        $this->shows($browser, $shade, 85, 140);
        $this->undone($browser);
        $browser->run('window.awning.bench.set({ size: 30, strength: 0.9 })');
        $this->drag($browser, 'Drag', [120, 140], [135, 140], [150, 140], [160, 140]);
        $this->comes(fn (): bool => $this->colour($browser, 142, 140)[0] < self::BASE[0] - 12, 'a darker colour');
        $this->undone($browser);
        $this->shows($browser, self::BASE, 142, 140);

        // Drawn round, then carried down; with Alt it stays where it was, too.
        $seen = fn (): string => (string) $browser->run(
            'return window.awning.renderer.canvas.getContext("2d").getImageData('.
                implode(', ', array_map(fn (float $at): int => (int) round($at), $this->onCanvas($browser, 140, 95))).
                ', 1, 1).data.join()',
        );
        $bare = $seen();
        $this->drag($browser, 'Move', [60, 90], [145, 90], [145, 190], [60, 190]);
        $browser->until('window.awning.bench.view.movedOutline !== null', 'what is drawn round');
        $this->comes(fn (): bool => $seen() !== $bare, 'what is drawn round is told from the rest');
        $browser->stroke($this->way($browser, [100, 140], [110, 200], [110, 260]));
        $this->saved($browser);
        $this->shows($browser, self::BASE, 90, 130);
        $this->shows($browser, $shade, 100, 260);
        $browser->holdKey(
            "\u{E00A}",
            fn () => $browser->stroke($this->way($browser, [110, 260], [110, 200], [110, 140])),
        );
        $this->saved($browser);
        $this->shows($browser, $shade, 100, 140);
        $this->shows($browser, $shade, 100, 270);
        self::assertSame(
            ['Move paint', 'Copy paint'],
            JournalEntry::query()->latest('id')->limit(2)->pluck('title')->reverse()->values()->all(),
        );
        // Taken along, it goes into another pass, even after the page was left.
        $browser->press('Take along');
        $browser->visit('/');
        $browser->visit("/bench/{$this->page->id}");
        $browser->until('window.awning?.session.view.held', 'the page is held');
        $browser->press('Light');
        $browser->press('Oda Brack oilskin light');
        $browser->press('Move');
        $browser->press('Put Shade of Oda Brack here');
        $this->saved($browser);
        $this->shows($browser, $this->tone('light'), 100, 140);
        $this->shows($browser, $shade, 100, 270);
    }

    /** What the hand saw is what it gets: nothing jumps when the server's truth arrives. */
    public function test_a_mask_that_is_painted_hides_a_pass_and_a_turned_pass_changes_colour(): void
    {
        $browser = $this->painting();
        $shade = $this->tone('shade');
        $this->drag($browser, 'Block', [60, 100], [180, 100], [180, 200], [60, 200]);
        $this->shows($browser, $shade, 150, 150);
        $browser->run('document.querySelector(\'button[aria-label="Set Shade"]\').click()');
        $browser->press('Hide parts by painting');
        $this->saved($browser);
        $this->drag($browser, 'Block', [120, 90], [190, 90], [190, 210], [120, 210]);
        $this->shows($browser, self::BASE, 150, 150);
        $this->shows($browser, $shade, 90, 150);
        $this->undone($browser);
        $this->shows($browser, $shade, 150, 150);
        $pass = (string) $browser->run(
            'return Object.entries(window.awning.session.view.records.pass).find(([, { name }]) => name === '
                .'"Shade")[0]',
        );
        $browser->run(
            "window.awning.session.apply({ kind: 'pass.change', id: '$pass', values: { turn: { lightness: 0.2, chroma: 0, hue: 0 } } })",
        );
        $this->saved($browser);
        [$red, $green, $blue] = $this->colour($browser, 90, 150);
        self::assertEqualsWithDelta([$red, $red], [$green, $blue], 3, 'it is grey');
        self::assertGreaterThan($shade[2] + 20, $blue);
    }

    /** Keeps what is painted in the picked regions, and picks that setup. */
    private function keepSetup(Browser $browser, string $name): void
    {
        $browser->run(
            '[...document.querySelectorAll("summary")].find((summary) => '
                .'summary.textContent.includes("Setups")).click()',
        );
        $browser->until('document.querySelector(\'[aria-label="Name of a new setup"]\')', 'the setups');
        $browser->type('[aria-label="Name of a new setup"]', $name);
        $browser->press('Keep what is picked');
        $browser->until(
            '[...document.querySelectorAll(\'[aria-label="Setup"] option\')].some((option) => option.textContent === '.
                json_encode($name).
                ')',
            'the setup in the list',
        );
        $browser->run(
            'const list = document.querySelector(\'[aria-label="Setup"]\'); list.value = list.options.length - 1; '
                .'list.dispatchEvent(new Event("change", { bubbles: true }))',
        );
    }

    /**
     * @return array{int, int} the left box, whose lower half is painted and kept as a setup, and the right one, which
     *     is bare
     */
    private function keepHalfABox(Browser $browser): array
    {
        // The lower half of the left box.
        $this->drag($browser, 'Block', [30, 200], [230, 200], [230, 390], [30, 390]);
        $this->shows($browser, $this->tone('shade'), 120, 300);
        [$left, $right] = [$this->labelAt($this->page, 120, 300), $this->labelAt($this->page, 480, 300)];
        self::assertNotSame($left, $right);
        $browser->run(
            "const { id, figure } = window.awning.bench.target.material; window.awning.session.apply({ kind: 'fill', labels: [$right], figure, material: id })",
        );
        $this->saved($browser);
        $this->shows($browser, self::BASE, 480, 300);
        $browser->run("window.awning.bench.set({ pickedRegions: [$left] })");
        $this->keepSetup($browser, 'Half a box');

        return [$left, $right];
    }

    public function test_what_is_painted_in_one_region_is_kept_and_painted_in_another(): void
    {
        $browser = $this->painting();
        $shade = $this->tone('shade');
        [, $right] = $this->keepHalfABox($browser);
        $browser->run("window.awning.bench.set({ pickedRegions: [$right] })");
        $browser->press('Paint it in the picked region');
        $this->saved($browser);
        $this->shows($browser, $shade, 480, 300);
        $this->shows($browser, self::BASE, 480, 100);
        $this->undone($browser);
        $this->shows($browser, self::BASE, 480, 300);
        // Hung and altered, the setup becomes what hangs, and what was hung elsewhere follows.
        $hung = 'Object.values(window.awning.session.view.records.pass).filter(({ setup }) => setup !== null)';
        $browser->run('window.awning.bench.set({ pickedRegions: [] })');
        $browser->press('Hang it on oilskin');
        $browser->press('on all of Oda Brack');
        $this->saved($browser);
        $browser->until("$hung.length === 2", 'both');
        $id = (string) $browser->run(
            "return Object.entries(window.awning.session.view.records.pass).find(([, { setup, scope }]) => setup !== null && scope.kind === 'material')[0]",
        );
        $browser->run("window.awning.session.apply({ kind: 'pass.change', id: '$id', values: { opacity: 0.25 } })");
        $this->saved($browser);
        $browser->press('Change it to what hangs here');
        $browser->press('This page follows');
        $browser->until("$hung.every(({ opacity }) => opacity === 0.25)", 'both as the setup is now');
        // What hangs beside it becomes part of it, here as it is, and elsewhere anew.
        $browser->run(
            "const { figure, scope } = window.awning.session.view.records.pass['$id']; window.awning.session.apply({ kind: 'pass.add', id: 'hempass00001', pass: { name: 'Hem', figure, scope, content: { kind: 'tint', colour: '#e0c080', follows: null }, mode: 'normal', opacity: 0.5 } })",
        );
        $this->saved($browser);
        $browser->run(
            '[...document.querySelectorAll("fieldset label")].find((label) => label.textContent === "Hem").click()',
        );
        $browser->press('Change it to what hangs here');
        $browser->until(
            '[...document.querySelectorAll("button")].some((button) => button.textContent === "This page follows")',
            'who follows, asked anew',
        );
        $this->saved($browser);
        $browser->press('This page follows');
        $browser->until(
            "$hung.filter(({ name, setup }) => name === 'Hem' && setup.place === 1).length === 2",
            'the hem on both',
        );
        self::assertCount(4, (array) $browser->run("return $hung"));
    }

    public function test_a_group_is_dragged_by_its_edge_and_a_direction_is_drawn(): void
    {
        $browser = $this->painting();
        $this->drag($browser, 'Block', [50, 50], [150, 50], [150, 150]);
        foreach (['light', 'glint'] as $tone) {
            $browser->press("Oda Brack oilskin $tone");
            $this->drag($browser, 'Block', [50, 200], [150, 200], [150, 300]);
        }
        $names =
            'return Object.values(window.awning.session.view.records.pass).sort((a, b) => a.order - b.order).map(({ '
                .'name }) => name)';
        self::assertSame(['Shade', 'Light', 'Glint'], $browser->run($names));
        $browser->run(
            "const ids = Object.entries(window.awning.session.view.records.pass).filter(([, { name }]) => name !== 'Glint').map(([id]) => id); window.awning.session.apply({ kind: 'group', id: 'agroup00001', passes: ids, how: { isolated: true, mode: 'normal', opacity: 1 } })",
        );
        $this->saved($browser);
        [$fromX, $fromY, $toY] = $browser->until(
            '(() => { const edge = document.querySelector(".group-edge .grip"); edge?.scrollIntoView({ block: '
                .'"center" }); const grip = edge?.getBoundingClientRect(); const last = '
                .'[...document.querySelectorAll(".slat")].find((slat) => '
                .'slat.innerText.includes("Glint"))?.getBoundingClientRect(); const canvas = '
                .'document.getElementById("surface").getBoundingClientRect(); return grip && last ? [grip.left + 20 - '
                .'canvas.left, grip.top + grip.height / 2 - canvas.top, last.top + last.height / 2 - canvas.top] : null '
                .'})()',
            'the edge',
        );
        $browser->stroke([
            [$fromX, $fromY],
            [$fromX, $fromY + 8],
            [$fromX, ($fromY + $toY) / 2],
            [$fromX, $toY],
            [$fromX, $toY + 2],
        ]);
        $this->saved($browser);
        self::assertSame(['Glint', 'Shade', 'Light'], $browser->run($names));
        $this->undone($browser);
        self::assertSame(['Shade', 'Light', 'Glint'], $browser->run($names), 'both go back in one step');

        $region = $this->labelAt($this->page, 120, 300);
        $browser->run("window.awning.bench.set({ tool: 'choose', pickedRegions: [$region] })");
        $browser->press('First light on Oda Brack', 'summary');
        $browser->press('Draw its direction');
        $browser->stroke($this->way($browser, [60, 100], [60, 300]));
        $this->saved($browser);
        $flow = $browser->run("return window.awning.session.view.records.region[$region].flow");
        ['width' => $width, 'height' => $height] = $browser->run('return window.awning.session.view.records.page.page');
        self::assertCount(1, $flow);
        self::assertEqualsWithDelta(
            [60 / $width, 100 / $height, 60 / $width, 300 / $height],
            [...$flow[0][0], ...$flow[0][count($flow[0]) - 1]],
            0.01,
        );
        $browser->press('Draw one more');
        $browser->stroke($this->way($browser, [90, 100], [180, 200]));
        $this->saved($browser);
        $flow = $browser->run("return window.awning.session.view.records.region[$region].flow");
        self::assertEqualsWithDelta(
            [60 / $width, 180 / $width],
            [$flow[0][0][0], $flow[1][count($flow[1]) - 1][0]],
            0.01,
        );
        $browser->press('Remove all 2');
        $this->saved($browser);
        self::assertNull($browser->run("return window.awning.session.view.records.region[$region].flow"));
    }

    public function test_a_brush_with_a_tip_paints_what_it_showed(): void
    {
        $browser = $this->painting();
        $browser->press('Deck pen');
        $browser->press('Broom', '[role=option] button');
        $browser->run('window.awning.bench.set({ size: 60, steady: 0 }); window.awning.bench.surface.zoom(3)');
        $browser->run('window.awning.bench.surface.goTo(120, 200)');
        $seen =
            'Promise.all(Array.from({ length: 60 }, (_, i) => window.awning.renderer.colourAt(92 + 4 * (i % 10), '
                .'180 + 8 * Math.floor(i / 10)))).then((all) => all.every((one) => one) && all)';
        $before = [];
        $browser->strokeThen(
            $this->way($browser, [70, 200], [90, 198], [110, 204], [130, 200], [150, 202]),
            function () use ($browser, $seen, &$before): void {
                $before = $browser->settled($seen, 'the preview');
            },
        );
        $this->saved($browser);
        $after = $browser->settled($seen, 'the truth');
        $painted = 0;
        foreach ($after as $i => $colour) {
            $painted += $colour !== self::BASE ? 1 : 0;
            self::assertEqualsWithDelta($before[$i], $colour, 3, "place $i");
        }
        self::assertGreaterThan(5, $painted);
    }

    public function test_a_light_is_set_kept_with_the_series_and_roughed_in(): void
    {
        $browser = $this->painting();
        $browser->press('First light on Oda Brack', 'summary');
        [$left, $top] = $browser->still(
            'document.querySelector("[aria-label=\"Where the light comes from\"]")',
            'the ball',
        );
        $ball = [$left + 46, $top + 46];
        // Let go at its right rim: the light comes from the right.
        $browser->dragInWindow([[$ball[0], $ball[1]], [$ball[0] + 20, $ball[1]], [$ball[0] + 46, $ball[1]]]);
        $browser->until(
            'document.querySelector("[aria-label=\"Where the light comes '
                .'from\"]").getAttribute("aria-valuetext").match(/^from (35[6-9]|[0-4])°, height 0/)',
            'the light at the right',
        );
        // It is seen while it is tried, and nothing of it is on the page.
        [$x, $y] = $this->onCanvas($browser, 60, 200);
        $onScreen =
            'window.awning.renderer.canvas.getContext("2d").getImageData('.
            round($x).
            ', '.
            round($y).
            ', 1, 1).data.slice(0, 3).join()';
        $base = implode(',', self::BASE);
        $browser->until("$onScreen !== '$base'", 'the light that is tried');
        self::assertSame(
            [0, self::BASE],
            [
                $browser->run('return Object.keys(window.awning.session.view.records.pass).length'),
                $this->colour($browser, 60, 200),
            ],
        );
        $browser->press('Leave it');
        $browser->until("$onScreen === '$base'", 'the page as it is');
        // It may stay beside the page.
        $maquette = 'document.querySelector("aside[aria-label=Maquette] canvas")';
        $browser->run(
            '[...document.querySelectorAll("label")].find((one) => one.textContent.includes("keep the '
                .'maquette")).querySelector("input").click()',
        );
        $browser->until(
            "$maquette && $maquette.getContext('2d').getImageData(46, 60, 1, 1).data.slice(0, 3).join() === '$base'",
            'the material on the ball beside the page',
        );
        $browser->run('document.querySelector("[aria-label=\"Take the maquette down\"]").click()');
        $browser->until("$maquette === null", 'the page without it');
        $browser->run(
            'const name = document.querySelector("input[aria-label=\"Name of a new light plan\"]"); '
                .'name.scrollIntoView({ block: "center" }); name.focus()',
        );
        $browser->keys('Noon on deck');
        $browser->press('Keep as new');
        $browser->until(
            'window.awning.session.view.palette.plan !== null && '
                .'window.awning.session.view.palette.lights[0].name === "Noon on deck"',
            'the page stands under the plan',
        );
        $browser->press('Lay first light');
        $browser->until(
            'Object.values(window.awning.session.view.records.pass).filter((pass) => pass.name.endsWith(", '
                .'rough")).length > 4',
            'the passes',
            60,
        );
        $this->saved($browser);
        $passes = (array) $browser->run(
            'return Object.values(window.awning.session.view.records.pass).map((pass) => pass.name)',
        );
        self::assertEqualsCanonicalizing(
            ['Shade, rough', 'Deep, rough', 'Bounce, rough', 'Light, rough', 'Glint, rough', 'Rim, rough'],
            $passes,
        );
        // The passes are told of before their tiles have come.
        $browser->until(
            'window.awning.renderer.colourAt(60, 200).then((colour) => colour !== null && String(colour) !== "'.
                implode(',', self::BASE).
                '")',
            'the shade to be seen',
        );
        $shows = fn (int $x): array => $this->colour($browser, $x, 200);
        self::assertLessThan($shows(120)[0], $shows(60)[0], 'dark at the left');
        self::assertGreaterThan($shows(120)[1], $shows(185)[1], 'light at the right');
        self::assertStringContainsString(
            'Painting Oda Brack’s shade ·',
            (string) $browser->run('return document.getElementById("target-sentence").innerText'),
            'the hand still paints in a pass of its own',
        );
        // A held key shows the flats alone.
        $browser->run('document.activeElement.blur()');
        $browser->holdKey(
            '.',
            fn () => $browser->until($onScreen.' === "'.implode(',', self::BASE).'"', 'the flats alone'),
        );
        $browser->until($onScreen.' !== "'.implode(',', self::BASE).'"', 'the light again');
        $browser->press('undo');
        $browser->until('Object.keys(window.awning.session.view.records.pass).length === 0', 'no passes');
        $this->shows($browser, self::BASE, 70, 200);
    }

    public function test_a_lamp_is_hung_and_dragged_over_the_page(): void
    {
        $browser = $this->painting();
        $browser->press('First light on Oda Brack', 'summary');
        $browser->press('More lights', 'summary');
        $browser->press('Hang a lamp');
        $at = $browser->still(
            'document.querySelector("[aria-label=\"Place of lamp 1\"]")?.closest("svg")',
            'the small page',
        );
        $place = fn (float $x, float $y): array => [$at[0] + $at[2] * $x, $at[1] + $at[3] * $y];
        // From the middle to over the right of the left box.
        $browser->dragInWindow([$place(0.5, 0.5), $place(0.45, 0.5), $place(0.3, 0.5)]);
        $browser->until(
            'document.querySelector("[aria-label=\"Place of lamp '
                .'1\"]").getAttribute("aria-valuetext").match(/^(29|30|31) % from the left, (49|50|51) % from the top/)',
            'the lamp where it was let go',
        );
        $browser->until(
            'window.awning.bench.view.tried?.passes && '
                .'Object.values(window.awning.bench.view.tried.passes).some((pass) => pass.name === "Lamp, rough")',
            'the lamp in what is tried',
        );
        $browser->press('Lay first light');
        $browser->until(
            'Object.values(window.awning.session.view.records.pass).some((pass) => pass.name === "Lamp, rough")',
            'the lamp\'s pass',
            60,
        );
        $browser->until('window.awning.bench.view.tried === null', 'the try gives way to what was laid', 60);
        $this->saved($browser);
        // What it does is stronger where it hangs than far from there.
        $lit =
            'const { passes, session } = window.awning; const [id] = '
                .'Object.entries(session.view.records.pass).find(([, pass]) => pass.name === "Lamp, rough"); const tile '
                .'= session.tiles.get(0, `pass:${id}`, 0, 0); return tile ? [60, 120, 185].map((x) => tile[200 * 256 + '
                .'x]) : null';
        $browser->until("(() => { $lit })()", 'the light of the lamp');
        [$far, $middle, $near] = $browser->run($lit);
        self::assertGreaterThan($far, min($middle, $near));
    }

    public function test_a_curve_of_pressure_is_drawn_and_painted_by(): void
    {
        $browser = $this->painting();
        $browser->press('Deck pen');
        $browser->press('Make another of Deck pen');
        $browser->until('document.querySelector("[aria-label=\"Opacity by pressure\"]")', 'the curve');
        $share = fn (string $place): int => (int) $browser->run(
            'return document.querySelector(`[aria-label="Opacity, ${arguments[0]}"]`).getAttribute("aria-valuenow")',
            [$place],
        );
        self::assertSame([100, 100], [$share('pressed half'), $share('not pressed')]);
        $box = $browser->still(
            'document.querySelector("[aria-label=\"Opacity by pressure\"]")',
            'the curve in its place',
        );
        // Half pressed, four tenths: the graph has six px about its places.
        $at = fn (float $pressure, float $share): array => [
            $box[0] + 6 + ($box[2] - 12) * $pressure,
            $box[1] + $box[3] - 6 - ($box[3] - 12) * $share,
        ];
        $browser->dragInWindow([$at(0.52, 0.9), $at(0.5, 0.7), $at(0.6, 0.4)]);
        self::assertEqualsWithDelta(
            40,
            $share('pressed half'),
            2,
            'the place that was nearest follows, wherever the hand strays',
        );
        self::assertSame([100, 100], [$share('pressed three quarters'), $share('pressed a quarter')]);
        $browser->run('document.querySelector("[aria-label=\"Opacity, not pressed\"]").focus()');
        $browser->keys("\u{E015}\u{E015}\u{E013}");
        self::assertSame(95, $share('not pressed'));
        $half = $share('pressed half') / 100;
        $browser->press('Try it');
        $browser->until(
            'document.querySelector("[aria-label=\"Opacity by pressure\"]") === null',
            'the page is free again',
        );
        $browser->run('window.awning.bench.set({ size: 40, steady: 0 })');
        $browser->stroke($this->way($browser, [70, 200], [110, 200], [170, 200]), 'pen', 0.5);
        $this->saved($browser);
        $this->shows(
            $browser,
            array_map(
                fn (int $base, int $shade): int => (int) round($base + ($shade - $base) * $half),
                self::BASE,
                $this->tone('shade'),
            ),
            120,
            200,
        );
        $browser->stroke($this->way($browser, [70, 240], [110, 240], [170, 240]), 'pen', 1.0);
        $this->saved($browser);
        $this->shows($browser, $this->tone('shade'), 120, 240);
    }

    public function test_passes_of_a_first_light_have_dials_and_occlusion_takes_the_place_of_lines(): void
    {
        $browser = $this->painting();
        $browser->press('First light on Oda Brack', 'summary');
        $sliders =
            '[...document.querySelectorAll("label")].filter((one) => '
                .'one.querySelector("input[type=range]")).map((one) => one.innerText.trim().split("\n")[0])';
        $browser->until("($sliders).includes('Glint')", 'the dials');
        $soft = fn (): int => (int) $browser->run("return ($sliders).filter((name) => name === 'Soft').length");
        self::assertSame(0, $soft());
        $browser->run('document.querySelector("[aria-label=\"More of Light\"]").click()');
        $browser->until("($sliders).includes('Soft')", 'what lies behind the dial');
        // None of the light, and glints as large as can be: by the keys.
        foreach (['Light' => "\u{E011}", 'Glint' => "\u{E010}"] as $dial => $key) {
            $browser->run(
                "[...document.querySelectorAll('label')].find((one) => one.innerText.trim().startsWith('$dial') && one.querySelector('input[type=range]')).querySelector('input').focus()",
            );
            $browser->keys($key);
        }
        $browser->press('Lay first light');
        $browser->until(
            'Object.values(window.awning.session.view.records.pass).some((pass) => pass.name === "Glint, rough")',
            'the passes',
            60,
        );
        $this->saved($browser);
        $passes = (array) $browser->run(
            'return Object.values(window.awning.session.view.records.pass).map((pass) => pass.name)',
        );
        self::assertContains('Shade, rough', $passes);
        self::assertNotContains('Light, rough', $passes);
        self::assertNotContains('Instead of lines, rough', $passes);
        // The line at the left of the box is black, and becomes a soft dark of what lies there.
        $this->shows($browser, [17, 17, 17], 42, 200);
        $browser->press('Replace them by occlusion');
        $browser->until(
            '!window.awning.session.view.records.page.page.lines.shown && '
                .'Object.values(window.awning.session.view.records.pass).some((pass) => pass.name === "Instead of lines, '
                .'rough")',
            'lineless work',
            60,
        );
        $browser->until(
            'Promise.all([43, 60].map((x) => window.awning.renderer.colourAt(x, 200))).then(([line, body]) => line '
                .'&& body && line[0] > 60 && line[0] < body[0] - 60)',
            'the dark in its place',
        );
        $this->undone($browser);
        $this->shows($browser, [17, 17, 17], 42, 200);
    }
}

<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\Models\Page;
use App\Models\User;
use App\Store\PageStore;
use Awning\Core\Page\Drawing\Drawing;
use Awning\Core\Page\Drawing\DrawingRole;
use Awning\Core\Page\Drawing\InkStroke;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Region\Region;
use Awning\Core\Sheet\Sheet;

/**
 * The Ink stage as it is worked: lines drawn, mirrored, picked, moved and struck out; drawings cleaned, placed and
 * inked over.
 */
final class InkStageTest extends BrowserTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->preparedPage(User::query()->where('name', 'Mira')->firstOrFail());
    }

    private function inking(): Browser
    {
        $browser = $this->browser = $this->signIn('Mira');
        $browser->press('1. Noon');
        $browser->until('window.awning?.session.view.held', 'the page is held');
        $browser->press('Ink');
        $browser->until('window.awning.renderer.colourAt(120, 200)', 'the tiles');
        $browser->run('window.awning.bench.set({ weight: 8, taper: 0, steady: 0 })');

        return $browser;
    }

    /** @return array{float, float} where a point of the page is on the canvas */
    private function at(Browser $browser, float $x, float $y): array
    {
        [$width, $height, $left, $top, $scale] = $browser->run(
            'const { view, canvas } = window.awning.renderer; return [canvas.width, canvas.height, view.x, view.y, '.
                'view.scale]',
        );

        return [$width / 2 + ($x - $left) * $scale, $height / 2 + ($y - $top) * $scale];
    }

    /** @param  list<array{float, float}>  $points */
    private function drag(Browser $browser, array $points): void
    {
        $browser->stroke(array_map(fn (array $point): array => $this->at($browser, ...$point), $points));
    }

    private function sheet(): Sheet
    {
        return new Sheet(new PageStore($this->page->refresh()));
    }

    private function inkAt(int $x, int $y): int
    {
        return ord($this->sheet()->layer(LayerName::ink())[$y * 600 + $x]);
    }

    private function isDark(Browser $browser, int $x, int $y): bool
    {
        return $this->colour($browser, $x, $y)[1] < 128;
    }

    /** Presses a button that has the server at work, and waits until what it made is here. */
    private function have(Browser $browser, string $button): void
    {
        $before = (int) $browser->run('return window.awning.session.view.revision');
        $browser->press($button);
        $browser->until(
            "window.awning.session.view.revision > $before && window.awning.session.view.task === null",
            $button,
            60,
        );
    }

    public function test_lines_are_drawn_mirrored_picked_moved_and_struck_out(): void
    {
        $browser = $this->inking();
        self::assertFalse($this->isDark($browser, 300, 30));
        $this->drag($browser, [[250, 30], [300, 30], [350, 30]]);
        self::assertTrue($this->isDark($browser, 300, 30), 'shown at once');
        $this->saved($browser);
        self::assertSame(255, $this->inkAt(300, 30), 'and true');
        self::assertTrue($this->isDark($browser, 300, 30), 'the truth looks the same');

        $browser->press('Mirror');
        self::assertStringContainsString(
            'mirror is on',
            (string) $browser->run('return document.getElementById("target-sentence").innerText'),
        );
        $this->drag($browser, [[20, 380], [80, 380]]);
        $this->saved($browser);
        self::assertSame([255, 255], [$this->inkAt(50, 380), $this->inkAt(550, 380)], 'the line and its twin');
        self::assertCount(3, $this->sheet()->all(InkStroke::class));
        $browser->press('Mirror');

        $browser->press('Pick');
        $this->drag($browser, [[300, 30], [300, 30]]);
        self::assertCount(1, $browser->run('return window.awning.bench.view.pickedLines'));
        $this->drag($browser, [[300, 30], [300, 40], [300, 50]]);
        $this->saved($browser);
        self::assertSame([0, 255], [$this->inkAt(300, 30), $this->inkAt(300, 50)], 'moved');
        self::assertTrue($this->isDark($browser, 300, 50));
        self::assertFalse($this->isDark($browser, 300, 30), 'nothing is left behind on the screen');

        $browser->press('Strike');
        $this->drag($browser, [[50, 365], [50, 380], [50, 395]]);
        $this->saved($browser);
        self::assertSame([0, 255], [$this->inkAt(50, 380), $this->inkAt(550, 380)]);
        $this->have($browser, 'undo');
        self::assertSame(255, $this->inkAt(50, 380), 'undone');
    }

    public function test_a_line_that_divides_a_region_becomes_two_when_regions_are_found(): void
    {
        $browser = $this->inking();
        $regions = count($this->sheet()->all(Region::class));
        $this->drag($browser, [[30, 200], [120, 200], [215, 200]]);
        $this->saved($browser);
        self::assertStringContainsString(
            'regions',
            (string) $browser->run('return document.querySelector("header").innerText'),
            'the rail says what is left',
        );
        $this->have($browser, 'Find the regions');
        self::assertCount($regions + 1, $this->sheet()->all(Region::class));
        self::assertFalse($this->page->refresh()->behind);
        $materials = array_map(
            fn (array $at): int => $this->sheet()->find(Region::class, $this->sheet()->labelAt(...$at))->material ?? 0,
            [[120, 120], [120, 300]],
        );
        self::assertSame($materials[0], $materials[1], 'both keep the fill');
        self::assertGreaterThan(0, $materials[0]);
    }

    public function test_a_drawing_is_cleaned_again_placed_and_inked_over(): void
    {
        $browser = $this->inking();
        $before = $this->inkAt(38, 200);
        $browser->run('window.awning.bench.ink.try({ clean: { weight: 3 } })');
        $this->have($browser, 'Clean again');
        self::assertSame([0, 255], [$before, $this->inkAt(38, 200)], 'three pixels thicker');
        self::assertSame(3, $this->sheet()->find(Drawing::class, 'drawing1')?->clean->weight);

        $browser->press('Place', 'aside button');
        $this->drag($browser, [[300, 200], [310, 215], [320, 230]]);
        self::assertEqualsWithDelta(
            [320, 230],
            $browser->run('const { x, y } = window.awning.bench.view.trial.place; return [x, y]'),
            2,
        );
        $this->have($browser, 'Lay it here');
        self::assertSame([0, 255], [$this->inkAt(42, 200), $this->inkAt(62, 230)], 'it lies 20 px further right');

        $browser->press('Underdrawing');
        $this->saved($browser);
        self::assertSame(DrawingRole::Underdrawing, $this->sheet()->find(Drawing::class, 'drawing1')?->role);
        self::assertSame(0, $this->inkAt(62, 230));
        $browser->press('Ink', 'main button');
        $this->drag($browser, [[62, 150], [62, 250]]);
        $this->saved($browser);
        self::assertSame(255, $this->inkAt(62, 230));
        $screen = $browser->until(
            '(() => { const { canvas, view } = window.awning.renderer; const spot = (x, y) => '.
                '[...canvas.getContext("2d").getImageData(canvas.width / 2 + (x - view.x) * view.scale, canvas.height / '.
                '2 + (y - view.y) * view.scale, 1, 1).data]; const [r, g, b] = spot(62.5, 300.5); return b > r + 20 ? '.
                '[r, g, b] : null; })()',
            'a blue underdrawing on the screen',
        );
        self::assertGreaterThan($screen[0] + 20, $screen[2]);
    }

    /** Presses on the page, place after place. */
    private function places(Browser $browser, array ...$points): void
    {
        foreach ($points as $point) {
            $this->drag($browser, [$point, $point]);
        }
    }

    public function test_shapes_are_made_tidied_and_enlarged(): void
    {
        $browser = $this->inking();
        $browser->press('Shape');
        $this->places($browser, [30, 20], [180, 20], [180, 45], [180, 45]);
        $this->saved($browser);
        self::assertSame(
            [255, 255, 0],
            [$this->inkAt(100, 20), $this->inkAt(180, 35), $this->inkAt(60, 45)],
            'two sides of a corner, open at the end',
        );
        $browser->run('window.awning.bench.set({ shape: "ellipse" })');
        $browser->stroke(
            [$this->at($browser, 250, 6), $this->at($browser, 270, 12), $this->at($browser, 298, 20)],
            shift: true,
        );
        $this->saved($browser);
        self::assertSame(
            [255, 255, 255, 0],
            [$this->inkAt(250, 30), $this->inkAt(298, 30), $this->inkAt(274, 54), $this->inkAt(274, 20)],
            'a circle, from its upper left',
        );
        $browser->run('window.awning.bench.set({ shape: "curve" })');
        $this->places($browser, [30, 375], [110, 350], [190, 375], [190, 375]);
        $this->saved($browser);
        self::assertGreaterThan(
            0,
            max($this->inkAt(110, 350), $this->inkAt(110, 351), $this->inkAt(110, 349)),
            'a curve goes through its places',
        );
        self::assertSame(0, $this->inkAt(70, 364), 'and is no corner');

        $browser->press('Ink', 'main button');
        $this->drag($browser, [[150, 12], [150, 52]]);
        $this->saved($browser);
        self::assertSame(255, $this->inkAt(150, 12), 'it overshoots the line');
        $browser->press('Show what would change');
        $browser->until('document.body.innerText.includes("would change, as marked")', 'what would change');
        self::assertSame(255, $this->inkAt(150, 12), 'nothing is done yet');
        $this->have($browser, 'Do it');
        self::assertSame([0, 255], [$this->inkAt(150, 12), $this->inkAt(150, 20)], 'cut back to the line');

        $this->have($browser, '1.5 ×');
        self::assertSame([900, 600], [$this->page->refresh()->width, $this->page->height]);
        self::assertSame(
            [255, 0],
            [
                ord($this->sheet()->layer(LayerName::ink())[30 * 900 + 150]),
                ord($this->sheet()->layer(LayerName::ink())[45 * 900 + 150]),
            ],
        );
    }

    public function test_picked_lines_are_scaled_joined_bent_and_cut(): void
    {
        $browser = $this->inking();
        $this->drag($browser, [[250, 20], [300, 20], [350, 20]]);
        $this->drag($browser, [[250, 44], [300, 44], [350, 44]]);
        $this->saved($browser);
        $browser->press('Pick');
        $this->drag($browser, [[235, 8], [365, 8], [365, 55], [235, 55]]);
        self::assertCount(2, $browser->run('return window.awning.bench.view.pickedLines'), 'a loop round both');
        $browser->press('Larger');
        $this->saved($browser);
        self::assertSame(
            [255, 255, 0],
            [$this->inkAt(246, 19), $this->inkAt(354, 45), $this->inkAt(240, 19)],
            'by a tenth, about their middle',
        );
        $browser->press('Turn right');
        $browser->press('Turn left');
        $browser->press('Heavier');
        $this->saved($browser);
        self::assertSame(
            [9.0, 9.0],
            array_map(
                fn (InkStroke $line): float => $line->weight,
                array_values($this->sheet()->all(InkStroke::class)),
            ),
        );
        $browser->press('Mirrored copy');
        $this->saved($browser);
        self::assertCount(4, $this->sheet()->all(InkStroke::class));
        $browser->press('Delete');
        $this->saved($browser);
        self::assertCount(2, $this->sheet()->all(InkStroke::class), 'the copies were picked, and are gone');

        $this->drag($browser, [[235, 8], [365, 8], [365, 55], [235, 55]]);
        $browser->press('Join');
        $this->saved($browser);
        self::assertCount(1, $this->sheet()->all(InkStroke::class));
        $browser->press('Pull into shape');
        $this->drag($browser, [[246, 19], [246, 12], [246, 6]]);
        $this->saved($browser);
        self::assertSame(255, $this->inkAt(246, 7), 'its end is pulled up to there');

        $browser->press('Strike');
        $browser->run('window.awning.bench.set({ isCutting: true, cut: 20 })');
        $this->drag($browser, [[270, 38], [270, 45], [270, 52]]);
        $this->saved($browser);
        self::assertSame([0, 255], [$this->inkAt(270, 45), $this->inkAt(330, 45)], 'a part is gone, the rest stays');
        self::assertCount(2, $this->sheet()->all(InkStroke::class), 'in two pieces');

        $browser->press('Shape');
        $browser->run('window.awning.bench.set({ grid: 25, isSnapping: true, shape: "corners" })');
        $this->places($browser, [27, 352], [173, 377], [173, 377]);
        $this->saved($browser);
        self::assertSame(
            [255, 255],
            [$this->inkAt(30, 351), $this->inkAt(172, 375)],
            'from corner to corner of the grid',
        );
    }

    public function test_lines_come_as_svg_take_colour_and_grain(): void
    {
        $browser = $this->inking();
        $svg = tempnam(sys_get_temp_dir(), 'lines').'.svg';
        file_put_contents(
            $svg,
            '<svg xmlns="http://www.w3.org/2000/svg" width="600" height="400"><path d="M20 20L580 20" '.
                'stroke="black" stroke-width="12" fill="none"/></svg>',
        );
        $browser->driver
            ->findElement(\Facebook\WebDriver\WebDriverBy::cssSelector('input[aria-label="Lines to draw"]'))
            ->sendKeys($svg);
        $this->saved($browser);
        $browser->until('Object.keys(window.awning.session.view.records.stroke).length === 1', 'the line');
        $this->saved($browser);
        @unlink($svg);
        self::assertSame([255, 0], [$this->inkAt(300, 20), $this->inkAt(300, 30)]);
        for ($times = 0; $times < 8; $times++) {
            $browser->press('Drier');
        }
        $this->saved($browser);
        self::assertSame(0.8, array_values($this->sheet()->all(InkStroke::class))[0]->grain);
        $row = substr($this->sheet()->layer(LayerName::ink()), 20 * 600 + 50, 500);
        self::assertGreaterThan(50, substr_count($row, "\0"), 'paper shows in the line');
        self::assertGreaterThan(50, substr_count($row, "\xff"), 'and ink');

        $browser->press('Light');
        $browser->run(
            'const list = document.querySelector("select[aria-label=\"Colour of the lines\"]"); '.
                'Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, "value").set.call(list, "colour"); '.
                'list.dispatchEvent(new Event("change", { bubbles: true }))',
        );
        $this->saved($browser);
        $browser->run(
            'const field = document.querySelector("input[type=color][aria-label^=\"The lines\"]"); '.
                'Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(field, "#aa2211"); '.
                'field.dispatchEvent(new Event("input", { bubbles: true })); field.focus(); field.blur()',
        );
        $this->saved($browser);
        $this->shows($browser, [0xAA, 0x22, 0x11], 42, 200); // a line of the drawing, at its middle
        self::assertSame('#aa2211', $this->sheet()->size()->lines->colour);
        $browser->press('Roll up', '.slat button');
        $this->saved($browser);
        self::assertFalse($this->sheet()->size()->lines->shown);
    }

    public function test_settings_are_looked_at_parts_cut_out_and_corners_dragged(): void
    {
        $browser = $this->inking();
        $screen = fn (int $x, int $y): array => $browser->run(
            'const { canvas, view } = window.awning.renderer; return '.
                '[...canvas.getContext("2d").getImageData(canvas.width / 2 + (arguments[0] - view.x) * view.scale, '.
                'canvas.height / 2 + (arguments[1] - view.y) * view.scale, 1, 1).data]',
            [$x, $y],
        );
        $this->comes(fn (): bool => $screen(38, 200)[0] > 200, 'the page as it is');
        $browser->run('window.awning.bench.ink.try({ clean: { weight: 3 } })');
        $browser->until(
            '(() => { const { canvas, view } = window.awning.renderer; return '.
                'canvas.getContext("2d").getImageData(canvas.width / 2 + (38.5 - view.x) * view.scale, canvas.height / '.
                '2 + (200.5 - view.y) * view.scale, 1, 1).data[0] < 60 })()',
            'a heavier line, before it is cleaned',
        );
        self::assertSame(0, $this->inkAt(38, 200), 'nothing is done yet');
        $browser->press('Put back');
        $browser->until(
            '(() => { const { canvas, view } = window.awning.renderer; return '.
                'canvas.getContext("2d").getImageData(canvas.width / 2 + (38.5 - view.x) * view.scale, canvas.height / '.
                '2 + (200.5 - view.y) * view.scale, 1, 1).data[0] > 200 })()',
            'the line as it is',
        );

        $browser->press('Place', 'aside button');
        $this->drag($browser, [[0, 200], [100, 205], [210, 210]]);
        self::assertEqualsWithDelta(
            [210, 0, 600, 400],
            $browser->run('return window.awning.bench.view.trial.place.crop'),
            2,
        );
        $this->have($browser, 'Lay it here');
        self::assertSame(
            [0, 255],
            [$this->inkAt(42, 200), $this->inkAt(222, 200)],
            'what lies left of the side is gone',
        );
        self::assertEqualsWithDelta(210, $this->sheet()->find(Drawing::class, 'drawing1')?->place->crop[0], 2);

        $browser->until('window.awning.bench.view.trial === null', 'the trial is over');
        $browser->run(
            'window.awning.bench.ink.try({ place: { crop: null, corners: [[30, 50], [570, 50], [570, 350], [30, '.
                '350]] } })',
        );
        $this->drag($browser, [[30, 50], [100, 30], [206, 44]]);
        self::assertEqualsWithDelta(
            [[206, 44], [570, 50]],
            array_slice($browser->run('return window.awning.bench.view.trial.place.corners'), 0, 2),
            2,
        );
    }

    public function test_an_empty_page_is_begun_and_drawn_on(): void
    {
        $page = Page::query()->create(['series_id' => $this->page->series_id, 'number' => 2, 'title' => 'Blank']);
        $browser = $this->browser = $this->signIn('Mira');
        $browser->press('2. Blank');
        $browser->until('window.awning?.session.view.held', 'the page is held');
        foreach (['Width, px' => '700', 'Height, px' => '500'] as $label => $value) {
            $browser->run(
                'const input = [...document.querySelectorAll("label")].find((label) => '.
                    'label.innerText.startsWith(arguments[0])).querySelector("input"); '.
                    'Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(input, '.
                    'arguments[1]); input.dispatchEvent(new Event("input", { bubbles: true }))',
                [$label, $value],
            );
        }
        $browser->press('Begin an empty page');
        $browser->until(
            'window.awning.session.view.records.page.page?.width === 700 && window.awning.session.view.saving === '.
                '"saved"',
            'the page is begun',
        );
        $browser->run('window.awning.bench.set({ weight: 8, taper: 0, steady: 0 })');
        $browser->until('window.awning.renderer.view', 'a view');
        $this->drag($browser, [[100, 100], [400, 300]]);
        $this->saved($browser);
        $sheet = new Sheet(new PageStore($page->refresh()));
        self::assertSame(255, ord($sheet->layer(LayerName::ink())[200 * 700 + 250]));
        self::assertCount(1, $sheet->all(InkStroke::class));
    }

    public function test_shift_draws_straight_alt_copies_corner_and_knob_scale_and_turn(): void
    {
        $browser = $this->inking();
        $browser->stroke(
            [$this->at($browser, 250, 20), $this->at($browser, 300, 52), $this->at($browser, 350, 20)],
            shift: true,
        );
        $this->saved($browser);
        self::assertSame(
            [255, 0],
            [$this->inkAt(300, 20), $this->inkAt(300, 52)],
            'straight from where it began to where it ended',
        );

        $browser->press('Pick');
        $browser->holdKey("\u{E00A}", fn () => $this->drag($browser, [[300, 20], [300, 35], [300, 45]]));
        $this->saved($browser);
        self::assertSame([255, 255], [$this->inkAt(300, 20), $this->inkAt(300, 45)], 'the line and its copy');
        self::assertCount(2, $this->sheet()->all(InkStroke::class));
        self::assertSame(
            [45.0],
            array_map(
                fn (string $id): float => round($this->sheet()->find(InkStroke::class, $id)->points[0][1] ?? 0),
                $browser->run('return window.awning.bench.view.pickedLines'),
            ),
            'the copy is picked',
        );
        $browser->run('window.awning.bench.set({ pickedLines: [] })');

        $browser->press('Place', 'aside button');
        $this->drag($browser, [[0, 0], [40, 30], [75, 50]]);
        self::assertEqualsWithDelta(0.75, $browser->run('return window.awning.bench.view.trial.place.scale'), 0.01);
        [$x, $y] = $this->at($browser, 300, 50);
        $browser->stroke([[$x, $y - 34], $this->at($browser, 450, 80), $this->at($browser, 500, 205)], shift: true);
        self::assertEquals(
            90,
            $browser->run('return window.awning.bench.view.trial.place.turn'),
            'in steps of fifteen degrees',
        );
        $this->have($browser, 'Lay it here');
        self::assertSame([0, 255], [$this->inkAt(42, 200), $this->inkAt(300, 7)], 'its left border lies at the top');
    }

    public function test_an_underdrawing_lies_below_the_ink_or_above_it(): void
    {
        $browser = $this->inking();
        $browser->press('Underdrawing');
        $this->saved($browser);
        $this->drag($browser, [[42, 150], [42, 250]]);
        $this->saved($browser);
        $blue =
            '(() => { const { canvas, view } = window.awning.renderer; return '.
            'canvas.getContext("2d").getImageData(canvas.width / 2 + (42.5 - view.x) * view.scale, canvas.height / '.
            '2 + (200.5 - view.y) * view.scale, 1, 1).data[2] })()';
        $browser->until("$blue < 40", 'ink over it stays black');
        $browser->press('Above the ink', 'label');
        $this->saved($browser);
        self::assertTrue($this->sheet()->find(Drawing::class, 'drawing1')?->above);
        $browser->until("$blue > 60", 'its blue over the ink');
    }

    public function test_scans_are_dropped_and_pasted(): void
    {
        $page = Page::query()->create(['series_id' => $this->page->series_id, 'number' => 2, 'title' => 'Blank']);
        $browser = $this->browser = $this->signIn('Mira');
        $browser->press('2. Blank');
        $browser->until('window.awning?.session.view.held', 'the page is held');
        $browser->run(
            <<<'JS'
            window.scans = [["gulls", 40], ["quay", 90], ["ropes", 140]].map(async ([name, x]) => {
                const canvas = Object.assign(document.createElement("canvas"), { width: 300, height: 200 });
                const context = canvas.getContext("2d");
                context.fillStyle = "white";
                context.fillRect(0, 0, 300, 200);
                context.fillStyle = "black";
                context.fillRect(x, 20, 6, 160);
                return new File([await new Promise((done) => canvas.toBlob(done))], `${name}.png`, { type: "image/png" });
            });
            window.held = async (from, to) => {
                const files = new DataTransfer();
                (await Promise.all(window.scans)).slice(from, to).forEach((file) => files.items.add(file));
                return files;
            };
            window.held(0, 2).then((dataTransfer) => [...document.querySelectorAll("h2")].find((heading) => heading.innerText === "Bring in the line art").dispatchEvent(new DragEvent("drop", { dataTransfer, bubbles: true, cancelable: true })));
            JS
            ,
        );
        $browser->until(
            'Object.keys(window.awning.session.view.records.drawing).length === 2 && '.
                'window.awning.session.view.task === null',
            'both files that were dropped',
            60,
        );
        $browser->press('Ink');
        $browser->run(
            'window.held(2, 3).then((clipboardData) => document.body.dispatchEvent(new ClipboardEvent("paste", { '.
                'clipboardData, bubbles: true, cancelable: true })))',
        );
        $browser->until(
            'Object.keys(window.awning.session.view.records.drawing).length === 3 && '.
                'window.awning.session.view.task === null',
            'the file that was pasted',
            60,
        );
        $sheet = new Sheet(new PageStore($page->refresh()));
        self::assertEqualsCanonicalizing(
            ['gulls.png', 'quay.png', 'ropes.png'],
            array_map(fn (Drawing $drawing): string => $drawing->name, array_values($sheet->all(Drawing::class))),
        );
        self::assertSame(
            [255, 255, 255, 0],
            array_map(fn (int $x): int => ord($sheet->layer(LayerName::ink())[100 * 300 + $x]), [43, 93, 143, 190]),
            'the lines of all three',
        );
    }
}

<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\Desk\Palette\SeriesPalette;
use App\Models\User;
use App\Store\PageStore;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\LightningContent;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Sheet\Export\SheetPicture;
use Awning\Core\Sheet\Export\StackBuilder;
use Awning\Core\Sheet\Sheet;
use Facebook\WebDriver\WebDriverKeys;

/** A page is shown in moods, its layers are set, and what is seen is what the core computes. */
final class MoodStageTest extends BrowserTestCase
{
    private const PLACES = [[44, 200], [120, 200], [560, 380]];

    public function test_a_page_is_shown_in_a_mood_its_layers_are_set_and_kept_with_the_series(): void
    {
        $this->preparedPage(User::query()->where('name', 'Mira')->firstOrFail());
        $browser = $this->browser = $this->signIn('Mira');
        $browser->press('1. Noon');
        $browser->until('window.awning?.session.view.held', 'the page is held');
        $browser->press('Mood');
        $pictures = '[...document.querySelectorAll("section[aria-label=Moods] img")]';
        $browser->until("$pictures.length === 8 && $pictures.every((one) => one.complete)", 'the strip of moods');
        $lit = $this->kept();

        $browser->press('Storm', 'section[aria-label=Moods] button');
        $browser->until('document.body.innerText.includes("Shown in “Storm”")', 'what it is shown in');
        $this->saved($browser);
        $storm = $this->kept();
        self::assertNotSame($lit, $storm);
        $this->seen($browser, $storm);
        // Another one comes instead, in one step of undo.
        $browser->press('Deep night', 'section[aria-label=Moods] button');
        $this->saved($browser);
        self::assertSame('Deep night', $this->sheet()->find(PageSize::class, PageSize::KEY)?->mood);
        $this->seen($browser, $this->kept());
        $browser->press('undo');
        $this->saved($browser);
        self::assertSame($storm, $this->kept());
        $browser->until('document.body.innerText.includes("Shown in “Storm”")', 'the storm again');

        // A layer of it is made stronger; the panel says that this page differs.
        $browser->press('Set', 'aside li:first-child button');
        $browser->run(
            "[...document.querySelectorAll('label')].find((one) => one.innerText.trim().startsWith('Chroma') "
                ."&& one.querySelector('input[type=range]')).querySelector('input').focus()",
        );
        $browser->keys(WebDriverKeys::HOME);
        $browser->until('document.body.innerText.includes("differs from the series’ mood")', 'that it differs');
        $this->saved($browser);
        $this->seen($browser, $this->kept());
        $browser->press('Keep, save or take moods', 'summary');
        $name = 'document.querySelector("aside[aria-label=\"This stage\"] details form input")';
        $browser->until("$name !== null", 'the field for a name');
        $browser->run("$name.focus()");
        $browser->keys('Squall'.WebDriverKeys::ENTER);
        $browser->until("$pictures.length === 9", 'one mood more');
        $changed = $this->kept();
        $browser->press('Show no mood');
        $this->saved($browser);
        self::assertSame([$lit, []], [$this->kept(), $this->sheet()->all(PassSpec::class)]);
        // What was changed of it is at hand.
        $browser->press('Storm, as this page had it', 'section[aria-label=Moods] button');
        $this->saved($browser);
        self::assertSame($changed, $this->kept());
        $this->seen($browser, $changed);
    }

    public function test_a_picked_region_wears_a_mood_lightning_is_dragged_and_moods_are_compared(): void
    {
        $this->preparedPage(User::query()->where('name', 'Mira')->firstOrFail());
        $browser = $this->browser = $this->signIn('Mira');
        $browser->press('1. Noon');
        $browser->until('window.awning?.session.view.held', 'the page is held');
        $browser->press('Mood');
        [$line, $inside, $beside] = $this->kept();
        $this->flatsAreHere($browser);

        $browser->press('Pick', '[role=toolbar] button, button');
        $browser->stroke([$this->onCanvas($browser, 120, 200)]);
        $browser->until('document.body.innerText.includes("One region is picked")', 'that a region is picked');
        $browser->press('Deep night', 'section[aria-label=Moods] button');
        $browser->until('Object.keys(window.awning.session.view.records.pass).length > 3', 'the layers');
        $this->saved($browser);
        $worn = $this->kept();
        self::assertSame($beside, $worn[2], 'the rest of the page is as it was');
        self::assertLessThan($inside[0] - 40, $worn[1][0], 'the picked region is in the night');
        $this->seen($browser, $worn);
        $browser->press('Show them in the page’s mood');
        $browser->until('Object.keys(window.awning.session.view.records.pass).length === 0', 'no layer is left');
        $this->saved($browser);
        self::assertSame([$line, $inside, $beside], $this->kept());

        // Lightning goes where it is dragged, and undo takes it back.
        $browser->press('Lightning');
        $browser->stroke([
            $this->onCanvas($browser, 60, 40),
            $this->onCanvas($browser, 200, 150),
            $this->onCanvas($browser, 480, 330),
        ]);
        $this->saved($browser);
        $strikes = array_values($this->sheet()->all(PassSpec::class));
        self::assertCount(1, $strikes);
        $content = $strikes[0]->content;
        self::assertInstanceOf(LightningContent::class, $content);
        $size = $this->sheet()->size();
        self::assertEqualsWithDelta(
            [60 / $size->width, 40 / $size->height, 480 / $size->width, 330 / $size->height],
            [...$content->from, ...$content->to],
            0.01,
        );
        $this->seen($browser, $this->kept());

        // Light shafts spread where they are dragged; what is seen is what the core has.
        $browser->press('Shafts');
        $browser->stroke([$this->onCanvas($browser, 100, 60), $this->onCanvas($browser, 300, 300)]);
        $this->saved($browser);
        self::assertCount(2, $this->sheet()->all(PassSpec::class));
        $this->seen($browser, $this->kept());
        $browser->press('undo');
        $browser->until('Object.keys(window.awning.session.view.records.pass).length === 1', 'the shafts are gone');
        $this->saved($browser);

        // A cloud fills the box that is dragged, as far as what it begins in reaches.
        $clear = $this->kept();
        $browser->press('Clouds');
        $browser->stroke([$this->onCanvas($browser, 60, 110), $this->onCanvas($browser, 300, 260)]);
        $this->saved($browser);
        $cloudy = $this->kept();
        self::assertNotSame($clear[1], $cloudy[1]);
        self::assertSame($clear[0], $cloudy[0], 'lines lie over it');
        $this->seen($browser, $cloudy);
        $browser->press('undo');
        $browser->until('Object.keys(window.awning.session.view.records.pass).length === 1', 'the cloud is gone');
        $this->saved($browser);

        // The other mood lies right of an edge that the hand drags.
        $browser->press('Compare two moods', 'summary');
        $browser->until('document.body.innerText.includes("Compare with")', 'the list');
        $browser->run(
            'const list = [...document.querySelectorAll("select")].find((one) => [...one.options].some((option) => '
                .'option.text === "Storm")); const { set } = Object.getOwnPropertyDescriptor('
                .'HTMLSelectElement.prototype, "value"); set.call(list, "ready6"); '
                .'list.dispatchEvent(new Event("change", { bubbles: true }))',
        );
        $browser->until('window.awning.bench.view.compared !== null', 'that it is compared');
        $browser->until('!document.body.innerText.includes("The picture is being made")', 'its picture');
        $browser->press('Look');
        $half = $size->width / 2;
        $drawn = fn (float $x): array => $this->onScreen($browser, $x, 200);
        $right = $drawn(560);
        $browser->stroke([$this->onCanvas($browser, $half, 100), $this->onCanvas($browser, 590, 100)]);
        $browser->until('Math.abs(window.awning.bench.view.edge - '.(590 / $size->width).') < 0.02', 'the edge');
        self::assertGreaterThan($right[0] + 40, $drawn(560)[0], 'left of the edge the page is as it is');
        self::assertCount(1, $this->sheet()->all(PassSpec::class), 'nothing of the page is changed');
    }

    /** @return array{int, int, int} what the canvas shows at a place of the page, with all that lies over it */
    private function onScreen(Browser $browser, float $x, float $y): array
    {
        return $browser->run(
            'return new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => { '
                .'const { canvas } = window.awning.renderer; done([...canvas.getContext("2d").getImageData('
                .'Math.round(arguments[0][0]), Math.round(arguments[0][1]), 1, 1).data].slice(0, 3)) })))',
            [$this->onCanvas($browser, $x, $y)],
        );
    }

    private function sheet(): Sheet
    {
        return new Sheet(new PageStore($this->page->refresh()));
    }

    /** @return list<array{int, int, int}> a few colours of the page as the core has it */
    private function kept(): array
    {
        $sheet = $this->sheet();
        $stack = (new StackBuilder)->build($sheet, SeriesPalette::of($this->page)->core());
        $picture = (new SheetPicture)->compose($sheet, $stack);

        return array_map(fn (array $at): array => array_slice($picture->at(...$at), 0, 3), self::PLACES);
    }

    /** @param  list<array{int, int, int}>  $want */
    private function seen(Browser $browser, array $want): void
    {
        foreach (self::PLACES as $i => [$x, $y]) {
            $colour = json_encode($want[$i]);
            $browser->until(
                "window.awning.renderer.colourAt($x, $y).then((colour) => colour !== null && "
                    ."$colour.every((value, i) => Math.abs(value - colour[i]) <= 2))",
                "$colour at $x, $y",
            );
        }
    }
}

<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\Desk\Palette\SeriesPalette;
use App\Models\User;
use App\Store\PageStore;
use Awning\Core\Page\PageSize;
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
        $browser->until('document.body.innerText.includes("differ from the series’ mood")', 'that it differs');
        $this->saved($browser);
        $this->seen($browser, $this->kept());
        $browser->press('Keep, save or take moods');
        $browser->run('document.querySelector("section[aria-label=Moods] form input").focus()');
        $browser->keys('Squall'.WebDriverKeys::ENTER);
        $browser->until("$pictures.length === 9", 'one mood more');
        $browser->press('Show no mood');
        $this->saved($browser);
        self::assertSame([$lit, []], [$this->kept(), $this->sheet()->all(PassSpec::class)]);
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

<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\Models\User;

/** The manual inside the application: what opens it, and where. */
final class HelpTest extends BrowserTestCase
{
    public function test_the_mark_beside_a_title_opens_the_manual_there_and_leaves_the_part_open(): void
    {
        $this->preparedPage(User::query()->where('name', 'Mira')->firstOrFail());
        $browser = $this->browser = $this->signIn('Mira');
        $browser->press('1. Noon');
        $browser->until('window.awning?.session.view.held', 'the page is held');
        $browser->press('Flats');
        $browser->press('Bridges', 'summary');
        $browser->press('The manual: Bridges');
        self::assertSame('Bridge', $this->headingAtTheTop($browser, 'flats'));
        // A press beside the text of the manual belongs to the manual, not to the part it was opened from.
        $browser->press('Bridge', '.manual h2');
        $browser->press('Close');
        $browser->until('!document.querySelector("dialog[open]")', 'the bench alone');
        $bridges = '[...document.querySelectorAll("details")].find((one) => one.innerText.startsWith("Bridges"))';
        self::assertTrue($browser->run("return $bridges.open"));
        // The tool in hand has a place of its own in the same chapter.
        $browser->press('Sweep');
        $browser->press('Help');
        self::assertSame('Sweep', $this->headingAtTheTop($browser, 'flats'));
    }

    /** The first heading that is in sight, once the chapter is there and has been scrolled. */
    private function headingAtTheTop(Browser $browser, string $chapter): string
    {
        $browser->until('document.querySelector("dialog[open] .manual h2")', "the chapter $chapter");
        $browser->until('document.querySelector("dialog[open] .manual").scrollTop > 0', 'the place in it');
        self::assertSame(
            $chapter,
            mb_strtolower((string) $browser->run('return document.querySelector("dialog[open] .manual h1").innerText')),
        );

        return (string) $browser->run('const body = document.querySelector("dialog[open] .manual"), top = body.getBoundingClientRect().top;
            return [...body.querySelectorAll("h2")].find((one) => one.getBoundingClientRect().top >= top - 1).innerText');
    }
}

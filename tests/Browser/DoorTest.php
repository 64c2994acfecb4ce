<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\Models\Invitation;
use App\Models\Role;
use App\Models\User;
use Imagick;

/** Coming in by a link, and a file that was cut on its way. */
final class DoorTest extends BrowserTestCase
{
    public function test_somebody_joins_by_a_link_and_changes_their_password(): void
    {
        $owner = $this->browser = $this->signInByForm('Ida');
        $owner->press('The Salt Ferry');
        $owner->until('document.querySelector("section[aria-label=People]")', 'the people');
        $owner->press('Make a link');
        $link = (string) $owner->until('document.querySelector("input[readonly]")?.value', 'the link');
        $owner->visit((string) parse_url($link, PHP_URL_PATH));
        $owner->until(
            'document.body.innerText.includes("You are asked to join The Salt Ferry as colourist")',
            'what it is for',
        );
        $owner->type('input[autocomplete=name]', 'Tess');
        $owner->type('input[type=email]', 'tess@awning.example');
        $owner->type('input[type=password]', 'short');
        $owner->press('Join');
        $owner->until('document.querySelector("[role=alert]")?.innerText.includes("at least 10")', 'why not');
        $owner->type('input[type=password]', 'short and now long enough');
        $owner->press('Join');
        $owner->until(
            'location.pathname === "/" && document.body.innerText.includes("you are colourist")',
            'the shelf with the series',
        );
        self::assertSame(
            Role::Colourist,
            User::query()->where('email', 'tess@awning.example')->sole()->roleIn($this->page->series),
        );

        $owner->press('Tess');
        $owner->until('document.querySelector("dialog[open] input[autocomplete=new-password]")', 'the form');
        $owner->type('dialog input[autocomplete=current-password]', 'short and now long enough');
        $owner->type('dialog input[autocomplete=new-password]', 'another one altogether');
        $owner->press('Change it');
        $owner->until('document.querySelector("dialog [role=status]")', 'that it is changed');

        $owner->visit((string) parse_url($link, PHP_URL_PATH));
        $owner->until(
            'document.querySelector("[role=alert]")?.innerText.includes("has been used")',
            'that the link is spent',
        );
        $token = Invitation::issue(['user_id' => User::query()->where('name', 'Tess')->value('id')]);
        $owner->visit("/welcome/$token");
        $owner->until('document.body.innerText.includes("Choose a new password, Tess")', 'the other kind of link');
    }

    public function test_a_file_that_was_cut_is_imported_as_far_as_it_goes_when_one_says_so(): void
    {
        $image = new Imagick;
        $image->readImageBlob($this->scanBytes());
        $image->setImageFormat('jpeg');
        $whole = $image->getImageBlob();
        $file = sys_get_temp_dir().'/awning-cut.jpg';
        file_put_contents($file, substr($whole, 0, (int) (0.7 * strlen($whole))));
        $browser = $this->browser = $this->signInByForm('Mira');
        $browser->press('1. Noon');
        $browser->until('window.awning?.session.view.held', 'the page is held');
        $browser->driver
            ->findElement(\Facebook\WebDriver\WebDriverBy::cssSelector('input[type=file]'))
            ->sendKeys($file);
        $browser->until('/about \d+ % of it is there/.test(document.body.innerText)', 'how much there is', 60);
        self::assertSame(0, $this->page->refresh()->revision);
        $browser->run(
            '[...document.querySelectorAll("button")].find((b) => /^Import the \d+ %$/.test(b.innerText)).click()',
        );
        $browser->until('window.awning.session.view.revision === 1', 'the page has what was there', 60);
        @unlink($file);
    }
}

<?php

declare(strict_types=1);

use Tests\Browser\Browser;

/**
 * A page of the running demo on the bench, in the Light stage, with all that is in view fetched.
 *
 * @param  bool  $holds  false: another window holds it, and this one watches
 */
function openPage(int $page, bool $holds = true): Browser
{
    $browser = new Browser('http://127.0.0.1:'.(getenv('AWNING_PORT') ?: 8017));
    $browser->visit('/');
    $browser->until('document.querySelector("form")', 'the sign-in');
    $browser->press('Mira Vael');
    $browser->until('document.querySelectorAll("img").length > 3', 'the shelf');
    $browser->visit("/bench/$page");
    $browser->until('window.awning?.session.view.'.($holds ? 'held' : 'revision > 0'), 'the page', 90);
    $browser->press('Light');
    $browser->until(
        'window.awning.session.tiles.queue.length + window.awning.session.tiles.fetching === 0 && '
            .'window.awning.session.tiles.bytes.size > 0',
        'all tiles in view',
        60,
    );

    return $browser;
}

<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\Models\JournalEntry;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** What the hand did reaches the server exactly once, whatever happens on the way; and what is said of it is true. */
final class OutboxTest extends BrowserTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->preparedPage(User::query()->where('name', 'Mira')->firstOrFail());
    }

    private function strokes(): int
    {
        return JournalEntry::query()->where('kind', 'stroke')->count();
    }

    private function paintAt(Browser $browser, int $y): void
    {
        $browser->stroke([$this->onCanvas($browser, 70, $y), $this->onCanvas($browser, 170, $y)]);
    }

    private function unsent(Browser $browser): int
    {
        return (int) $browser->run('return window.awning.session.view.unsent');
    }

    public function test_strokes_wait_while_the_gateway_has_lost_the_application(): void
    {
        $browser = $this->painting();
        foreach (['502' => 90, '500' => 150] as $status => $y) {
            $before = $this->strokes();
            $this->trouble((string) $status);
            $this->paintAt($browser, $y);
            $this->paintAt($browser, $y + 30);
            $browser->until(
                'document.querySelector("header [role=status]").innerText.startsWith("server lost: 2 changes wait")',
                "it says that two changes wait after $status",
            );
            self::assertSame($before, $this->strokes());
            $this->trouble(null);
            $this->saved($browser);
            self::assertSame($before + 2, $this->strokes(), "after $status");
        }
        foreach ([90, 120, 150, 180] as $y) {
            $this->shows($browser, $this->tone('shade'), 120, $y);
        }
    }

    public function test_a_lost_answer_does_not_make_two_strokes(): void
    {
        $browser = $this->painting();
        $this->trouble('lost', '#/ops$#');
        $this->paintAt($browser, 120);
        $browser->until(
            'document.querySelector("header [role=status]").innerText.startsWith("server lost")',
            'no answer came',
        );
        self::assertSame(1, $this->strokes(), 'the server has it, and the browser does not know');
        $this->trouble(null);
        $this->saved($browser);
        self::assertSame(1, $this->strokes());
        $this->shows($browser, $this->tone('shade'), 120, 120);
    }

    public function test_what_waits_survives_a_reload(): void
    {
        $browser = $this->painting();
        $this->trouble('502', '#/ops$#');
        $this->paintAt($browser, 100);
        $this->paintAt($browser, 220);
        $browser->until(
            'window.awning.session.view.unsent === 2 && window.awning.session.view.saving === "offline"',
            'both wait',
        );
        $browser->visit("/bench/{$this->page->id}");
        $browser->until('window.awning?.session.view.unsent === 2', 'both are taken up again');
        self::assertNotSame('saved', $this->said($browser));
        $this->trouble(null);
        $this->saved($browser);
        self::assertSame(2, $this->strokes());
        $this->shows($browser, $this->tone('shade'), 120, 220);
        $browser->visit("/bench/{$this->page->id}");
        $browser->until('window.awning?.session.view.held', 'held');
        self::assertSame(0, $this->unsent($browser), 'what the server has is not kept any longer');
    }

    public function test_signed_out_in_mid_stroke(): void
    {
        $browser = $this->painting();
        DB::table('sessions')->delete();
        $this->paintAt($browser, 140);
        $browser->until(
            'document.querySelector("header [role=status]").innerText.startsWith("signed out: 1 change waits")',
            'it says that one is signed out',
        );
        self::assertSame(0, $this->strokes());
        // The bench asks for news meanwhile, and each answer without a session brings a token of its own: one that
        // was overtaken is fetched anew, as the sign-in screen does.
        $signedIn = $browser->run('
            const signIn = async () => {
                await fetch("/api/session");
                const token = decodeURIComponent(/XSRF-TOKEN=([^;]*)/.exec(document.cookie)[1]);
                return (await fetch("/api/session", { method: "POST", headers: { "Content-Type": "application/json", Accept: "application/json", "X-XSRF-TOKEN": token }, body: JSON.stringify({ email: "mira@awning.example", password: "secret of Mira" }) })).status;
            };
            for (let tries = 0; tries < 10; tries++) {
                const status = await signIn();
                if (status !== 419) return status;
            }
            return 419');
        self::assertSame(200, $signedIn);
        $browser->press('then go on');
        $this->saved($browser);
        self::assertSame(1, $this->strokes());
        $this->shows($browser, $this->tone('shade'), 120, 140);
    }

    public function test_a_lost_token_is_fetched_anew(): void
    {
        $browser = $this->painting();
        $browser->run('document.cookie = "XSRF-TOKEN=; expires=Thu, 01 Jan 1970 00:00:00 GMT; path=/"');
        $this->paintAt($browser, 140);
        $this->saved($browser);
        self::assertSame(1, $this->strokes());
    }

    public function test_a_refusal_says_what_was_not_done_and_the_rest_goes_on(): void
    {
        $browser = $this->painting();
        $this->trouble('502', '#/ops$#');
        $browser->run('window.awning.session.apply({ kind: "pass.remove", id: "nosuchpass" })');
        $this->paintAt($browser, 140);
        $this->trouble(null);
        $browser->until(
            'document.querySelector("main [role=alert]")?.innerText.includes("Removing the pass was not done. The '
                .'pass is gone already.")',
            'what was refused',
        );
        $this->saved($browser);
        self::assertSame(1, $this->strokes(), 'the stroke behind it was made');
        $this->shows($browser, $this->tone('shade'), 120, 140);
    }
}

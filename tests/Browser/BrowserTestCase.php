<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\Models\Material;
use App\Models\Page;
use App\Models\Role;
use App\Models\Series;
use App\Models\User;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\ToneRule;
use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** A real server on a database of its own, with one small series in it, and browsers to visit it with. */
abstract class BrowserTestCase extends TestCase
{
    protected string $address;

    /** Serves all tests of a run, unless one kills it. */
    private static ?Process $server = null;

    /** Works for all tests, unless one leaves it something to do. */
    private static ?Process $queue = null;

    private static string $served = '';

    protected ?Browser $browser = null;

    protected Page $page;

    protected function setUp(): void
    {
        parent::setUp();
        self::emptied();
        [$series, $this->page] = $this->series('The Salt Ferry');
        User::query()->create(['name' => 'Jonne', 'email' => 'jonne@awning.example', 'password' => 'secret of Jonne']);
        $this->person('Mira', $series);
        $this->person('Ida', $series, Role::Owner);
        if (self::$server === null) {
            self::$served = 'http://127.0.0.1:'.Browser::freePort();
            register_shutdown_function($this->kill(...));
        }
        $this->address = self::$served;
        self::$server?->isRunning() === true || $this->serve();
        $this->work();
    }

    /** The tables are made once; each test finds them empty, counting from one. */
    private static function emptied(): void
    {
        static $isMigrated = false;
        if (! $isMigrated) {
            Artisan::call('migrate:fresh', ['--force' => true]);
            $isMigrated = true;
        }
        Schema::disableForeignKeyConstraints();
        foreach (Schema::getTableListing(schemaQualified: false) as $table) {
            if ($table !== 'migrations' && DB::table($table)->exists()) {
                DB::table($table)->truncate();
            }
        }
        Schema::enableForeignKeyConstraints();
    }

    protected function serve(): void
    {
        $root = dirname(__DIR__, 2);
        $router = "$root/tests/Browser/router.php";
        self::$server = $this->started('-S', substr($this->address, 7), '-t', "$root/public", $router);
        for (
            $tries = 0;
            @file_get_contents("$this->address/robots.txt") === false &&
            @fsockopen('127.0.0.1', (int) parse_url($this->address, PHP_URL_PORT)) === false;
            $tries++
        ) {
            self::assertLessThan(100, $tries, 'the server did not start');
            usleep(50_000);
        }
        $this->work();
    }

    /** Sees to it that a worker of the queue runs. */
    private function work(): void
    {
        if (self::$queue?->isRunning() === true) {
            return;
        }
        self::$queue = $this->started('artisan', 'queue:work', '--queue=quick,long', '--sleep=0.2', '--tries=1');
    }

    private function started(string ...$arguments): Process
    {
        $settings =
            [
                'QUEUE_CONNECTION' => 'database',
                'SESSION_DRIVER' => 'database',
                'CACHE_STORE' => 'database',
                'PHP_CLI_SERVER_WORKERS' => '4',
                'APP_ENV' => 'production',
                'AWNING_TROUBLE' => $this->troubleFile(),
            ] + $this->testing();
        $process = new Process([PHP_BINARY, ...$arguments], dirname(__DIR__, 2), $settings, null, null);
        $process->start();

        return $process;
    }

    /** @return array<string, string> what phpunit.xml sets, for other processes */
    protected function testing(): array
    {
        return array_map(
            strval(...),
            array_intersect_key(
                $_SERVER,
                array_flip([
                    'APP_CONFIG_CACHE',
                    'APP_ROUTES_CACHE',
                    'DB_DATABASE',
                    'AWNING_WORKS',
                    'AWNING_STORAGE',
                    'BCRYPT_ROUNDS',
                    'AWNING_DEMO',
                ]),
            ),
        );
    }

    private function troubleFile(): string
    {
        return sys_get_temp_dir().'/awning-trouble-'.getmypid();
    }

    /** From now on requests that match end like this: "502", "500", or "lost": done, but the answer does not arrive. */
    protected function trouble(?string $what, string $path = '#/api/#'): void
    {
        $what === null ? @unlink($this->troubleFile()) : file_put_contents($this->troubleFile(), "$what $path");
    }

    /** A page with line art on it and one region filled, held by nobody. */
    protected function preparedPage(User $user): void
    {
        config(['queue.default' => 'sync']);
        $this->import($this->page, $user);
        $this->op(
            $this->page,
            $this->fillOp(Material::query()->firstOrFail(), $this->labelAt($this->page, 120, 200)),
        )->assertOk();
        $this->deleteJson("/api/pages/{$this->page->id}/lease", ['lease' => self::LEASE]);
    }

    /** A person at the bench, in the Light stage, with a tone picked and the page's tiles there. */
    protected function painting(string $name = 'Mira', string $tone = 'shade'): Browser
    {
        $browser = $this->browser = $this->signIn($name);
        $browser->press('1. Noon');
        $browser->until('window.awning?.session.view.held', 'the page is held');
        $browser->press('Light');
        $browser->press("Oda Brack oilskin $tone");
        $browser->until('window.awning.renderer.colourAt(120, 200)', 'the tiles');

        return $browser;
    }

    protected function said(Browser $browser): string
    {
        return (string) $browser->run('return document.querySelector("header [role=status]").innerText');
    }

    protected function kill(): void
    {
        // Master and workers alike, by the address they serve.
        exec('pkill -KILL -f '.escapeshellarg('php.* -S '.substr($this->address, 7)).' 2>/dev/null');
        self::$queue?->stop(0);
    }

    protected function tearDown(): void
    {
        $this->trouble(null);
        $this->browser?->close();
        $this->browser = null;
        if (DB::table('jobs')->exists()) {
            // No worker may come upon what another test left.
            self::$queue?->stop(0);
        }
        parent::tearDown();
    }

    /** The first screen of somebody who has signed in before. */
    protected function signIn(string $name): Browser
    {
        $cookies = new CookieJar;
        $http = new Client(['base_uri' => $this->address, 'cookies' => $cookies]);
        $http->get('/api/session');
        $token = (string) $cookies->getCookieByName('XSRF-TOKEN')?->getValue();
        $http->post('/api/session', [
            'json' => ['email' => strtolower($name).'@awning.example', 'password' => "secret of $name"],
            'headers' => ['X-XSRF-TOKEN' => urldecode($token), 'Accept' => 'application/json'],
        ]);
        $browser = new Browser($this->address);
        foreach ($cookies as $cookie) {
            $browser->keepCookie((string) $cookie->getName(), (string) $cookie->getValue());
        }
        $browser->visit('/');
        $browser->until('document.querySelector("main:not(:has([type=password]))")', 'whoever signed in is in');

        return $browser;
    }

    protected function signInByForm(string $name): Browser
    {
        $browser = new Browser($this->address);
        $browser->visit('/');
        $browser->until('document.querySelector("input[type=email]")', 'the sign-in form');
        $browser->click(640, 0);
        foreach (
            ['email' => strtolower($name).'@awning.example', 'password' => "secret of $name"] as $type => $text
        ) {
            $browser->driver
                ->findElement(\Facebook\WebDriver\WebDriverBy::cssSelector("input[type=$type]"))
                ->sendKeys($text);
        }
        $browser->press('Sign in');
        $browser->until('!document.querySelector("input[type=password]")', 'whoever signed in is in');

        return $browser;
    }

    /**
     * Canvas pixels of a point of the page, as the view shows it.
     *
     * @return array{float, float}
     */
    protected function onCanvas(Browser $browser, float $x, float $y): array
    {
        return $browser->until(
            "(({ view, canvas }) => view && !view.mirror && view.turn === 0 && [canvas.width / 2 + ($x - view.x) * view.scale, canvas.height / 2 + ($y - view.y) * view.scale])(window.awning.renderer)",
            'a view',
        );
    }

    /** @return array{int, int, int} the colour the surface shows for a pixel of the page, at full size */
    protected function colour(Browser $browser, int $x, int $y): array
    {
        return $browser->until("window.awning.renderer.colourAt($x, $y)", "the colour at $x, $y");
    }

    /**
     * Waits until the surface shows a colour: after a refusal the page is fetched anew, which takes its time.
     *
     * @param  array{int, int, int}  $colour
     */
    protected function shows(Browser $browser, array $colour, int $x, int $y): void
    {
        $wanted = implode(',', $colour);
        $browser->until(
            "window.awning.renderer.colourAt($x, $y).then((colour) => String(colour) === '$wanted')",
            "the colour $wanted at $x, $y",
        );
    }

    /**
     * Waits until something that is kept is as it shall be: the one way in which tests wait for the server.
     *
     * @param  callable(): bool  $holds
     */
    protected function comes(callable $holds, string $what): void
    {
        for ($end = microtime(true) + 30; ! $holds(); usleep(60_000)) {
            self::assertLessThan($end, microtime(true), "Waited in vain for: $what");
        }
        $this->addToAssertionCount(1);
    }

    /** Waits until the page is fitted into the surface and the regions under its first tile can be told. */
    protected function flatsAreHere(Browser $browser): void
    {
        $browser->until(
            '(({renderer, session}) => { const tile = session.tiles.peek(renderer.level, "flats", 0, 0); return '
                .'renderer.isFitted && tile !== null && tile.some((byte) => byte > 0); })(window.awning)',
            'the flats have arrived',
        );
    }

    protected function saved(Browser $browser): void
    {
        $browser->until(
            'window.awning.session.view.saving === "saved" && document.querySelector("header '
                .'[role=status]").innerText === "saved"',
            'saved',
        );
        usleep(250_000);
    }

    /** @return array{int, int, int} */
    protected function tone(string $name): array
    {
        $material = Material::query()->firstOrFail();

        return $material->tones(new ToneRule(Rgb::fromHex(Series::query()->firstOrFail()->light)))[$name]->parts();
    }
}

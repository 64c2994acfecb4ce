<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebDriver;

/** A window of a headless Chromium: a viewport of exactly 1280 x 800 and real pointer input. */
final class Browser
{
    public readonly RemoteWebDriver $driver;

    private ?Chromium $chromium;

    public function __construct(
        private readonly string $address,
        private readonly int $width = 1280,
        private readonly int $height = 800,
    ) {
        $this->chromium = Chromium::taken($width, $height);
        $this->driver = $this->chromium->driver;
    }

    public function close(): void
    {
        $this->chromium?->giveBack($this->address);
        $this->chromium = null;
    }

    public function keepCookie(string $name, string $value): void
    {
        $cookie = ['name' => $name, 'value' => $value, 'url' => $this->address];
        $this->chromium?->devTools('Network.setCookie', $cookie);
    }

    public function visit(string $path): void
    {
        $this->driver->get($this->address.$path);
    }

    /** @param  array<mixed>  $arguments */
    public function run(string $script, array $arguments = []): mixed
    {
        return $this->driver->executeScript($script, $arguments);
    }

    /**
     * Waits until a script answers something true.
     *
     * @param  ?callable(): mixed  $meanwhile  done at the beginning, and every two seconds again
     */
    public function until(string $script, string $what, float $seconds = 30, ?callable $meanwhile = null): mixed
    {
        $end = microtime(true) + $seconds;
        for ($next = 0.0; microtime(true) < $end;) {
            if ($meanwhile !== null && microtime(true) >= $next) {
                $meanwhile();
                $next = microtime(true) + 2;
            }
            $answer = $this->run("return await ($script)");
            if ($answer) {
                return $answer;
            }
            usleep(60_000);
        }
        throw new \RuntimeException(
            "Waited $seconds s in vain for: $what. On the page: ".
                mb_substr((string) $this->run('return document.body.innerText'), 0, 900),
        );
    }

    /**
     * Clicks the element of that role or tag whose text or label matches, once it stands still and nothing lies over
     * it.
     */
    public function press(string $text, string $selector = 'button, a'): void
    {
        $at = $this->until(
            '(async () => { const t = '.
                json_encode($text).
                '; const all = [...document.querySelectorAll('.
                json_encode($selector).
                ')].filter((e) => !e.disabled);
            const found = all.find((e) => e.getAttribute("aria-label") === t) ?? all.find((e) => e.innerText.trim().startsWith(t)) ?? all.find((e) => e.innerText.includes(t));
            if (!found) return null;
            found.scrollIntoView({ block: "nearest" });
            const place = () => { const b = found.getBoundingClientRect(); return [b.left + b.width / 2, b.top + b.height / 2] };
            const frame = () => new Promise((done) => setTimeout(() => requestAnimationFrame(done), 30));
            const before = place(); await frame(); await frame(); const at = place();
            if (!found.isConnected || found.disabled) return null;
            const hit = document.elementFromPoint(...at);
            return hit && (found.contains(hit) || hit.contains(found)) && at.join() === before.join() ? at : null })()',
            "something to press called \"$text\"",
        );
        $this->click($at[0], $at[1]);
    }

    /**
     * Where an element is in the window, once it is in view, stands still, and nothing lies over its middle: what a
     * hand would wait for before it presses.
     *
     * @param  string  $element  a script that gives it, or nothing while it is not there
     * @return array{float, float, float, float} left, top, width, height
     */
    public function still(string $element, string $what): array
    {
        return $this->until(
            "(async () => {
                const found = $element;
                if (!found) return null;
                found.scrollIntoView({ block: 'center' });
                const box = () => { const b = found.getBoundingClientRect(); return [b.left, b.top, b.width, b.height] };
                const before = box();
                for (let i = 0; i < 5; i++) {
                    await new Promise((done) => setTimeout(done, 40));
                    await new Promise((done) => requestAnimationFrame(done));
                    if (!found.isConnected || box().join() !== before.join()) return null;
                }
                const hit = document.elementFromPoint(before[0] + before[2] / 2, before[1] + before[3] / 2);
                return before[2] > 0 && before[3] > 0 && hit && (found.contains(hit) || hit.contains(found)) ? before : null;
            })()",
            $what,
        );
    }

    /** Waits until a script gives the same several times in a row, and gives that. */
    public function settled(string $script, string $what): mixed
    {
        return $this->until(
            "(async () => {
                const first = await ($script);
                for (let i = 0; first && i < 6; i++) {
                    await new Promise((done) => setTimeout(done, 100));
                    if (JSON.stringify(await ($script)) !== JSON.stringify(first)) return null;
                }
                return first;
            })()",
            $what,
        );
    }

    /** A click at a place of the viewport. */
    public function click(float $x, float $y, int $times = 1): void
    {
        $actions = [
            [
                'type' => 'pointerMove',
                'duration' => 0,
                'x' => (int) round($x),
                'y' => (int) round($y),
                'origin' => 'viewport',
            ],
        ];
        for ($i = 0; $i < $times; $i++) {
            array_push($actions, ['type' => 'pointerDown', 'button' => 0], ['type' => 'pointerUp', 'button' => 0]);
        }
        $this->point('mouse', $actions);
    }

    /** @param  list<array<string, mixed>>  $actions */
    private function point(string $kind, array $actions, bool $shift = false): void
    {
        // A key held all the while: down in the first tick, up after the last.
        $keys = [
            ['type' => 'keyDown', 'value' => "\u{E008}"],
            ...array_fill(0, count($actions), ['type' => 'pause']),
            ['type' => 'keyUp', 'value' => "\u{E008}"],
        ];
        if ($shift) {
            array_unshift($actions, ['type' => 'pause']);
        }

        $this->act([
            ...$shift ? [['type' => 'key', 'id' => 'keys', 'actions' => $keys]] : [],
            [
                'type' => 'pointer',
                'id' => "hand-$kind",
                'parameters' => ['pointerType' => $kind],
                'actions' => $actions,
            ],
        ]);
    }

    /**
     * A stroke of a pointing device over the canvas, in its own pixels.
     *
     * @param  non-empty-list<array{float|int, float|int}>  $points
     */
    public function stroke(array $points, string $kind = 'mouse', float $pressure = 0.5, bool $shift = false): void
    {
        $actions = $this->path($points, $kind === 'pen' ? ['pressure' => $pressure] : []);
        $this->point($kind, $actions, $shift);
    }

    /**
     * A drag of the mouse, in pixels of the window.
     *
     * @param  non-empty-list<array{float|int, float|int}>  $points
     */
    public function dragInWindow(array $points): void
    {
        [$left, $top] = $this->corner();
        $this->stroke(array_map(fn (array $point): array => [$point[0] - $left, $point[1] - $top], $points));
    }

    /** Keys pressed one after the other, to whatever has the focus. */
    public function keys(string $keys): void
    {
        $actions = [];
        foreach (mb_str_split($keys) as $key) {
            array_push($actions, ['type' => 'keyDown', 'value' => $key], ['type' => 'keyUp', 'value' => $key]);
        }
        $this->act([['type' => 'key', 'id' => 'typing', 'actions' => $actions]]);
    }

    /** Something done while a key is held. */
    public function holdKey(string $key, callable $work): void
    {
        $this->act([['type' => 'key', 'id' => 'holding', 'actions' => [['type' => 'keyDown', 'value' => $key]]]]);
        try {
            $work();
        } finally {
            $this->act([['type' => 'key', 'id' => 'holding', 'actions' => [['type' => 'keyUp', 'value' => $key]]]]);
        }
    }

    /** Puts a text in the place of what a field holds. */
    public function type(string $selector, string $text): void
    {
        $this->run('const e = document.querySelector(arguments[0]); e.focus(); e.select()', [$selector]);
        $this->keys($text);
    }

    public function wheel(float $x, float $y, int $by): void
    {
        [$left, $top] = $this->corner();
        $this->act([
            [
                'type' => 'wheel',
                'id' => 'wheel',
                'actions' => [
                    [
                        'type' => 'scroll',
                        'x' => (int) round($left + $x),
                        'y' => (int) round($top + $y),
                        'deltaX' => 0,
                        'deltaY' => $by,
                        'origin' => 'viewport',
                    ],
                ],
            ],
        ]);
    }

    /** A finger put down on the canvas and left there. */
    public function touchDown(float $x, float $y): void
    {
        [$left, $top] = $this->corner();
        $this->act([
            [
                'type' => 'pointer',
                'id' => 'finger',
                'parameters' => ['pointerType' => 'touch'],
                'actions' => [
                    [
                        'type' => 'pointerMove',
                        'duration' => 0,
                        'x' => (int) round($left + $x),
                        'y' => (int) round($top + $y),
                        'origin' => 'viewport',
                    ],
                    ['type' => 'pointerDown', 'button' => 0],
                ],
            ],
        ]);
    }

    /**
     * A stroke of the mouse that is still down when something else happens; then it is let go.
     *
     * @param  non-empty-list<array{float|int, float|int}>  $points
     */
    public function strokeThen(array $points, callable $work): void
    {
        $this->run(
            'document.getElementById("surface").addEventListener("pointerdown", (e) => { if (e.pointerType === '
                .'"mouse") window.lastPointer = e.pointerId })',
        );
        $down = $this->path($points);
        array_pop($down);
        $this->act([
            ['type' => 'pointer', 'id' => 'hand-mouse', 'parameters' => ['pointerType' => 'mouse'], 'actions' => $down],
        ]);
        $work();
        $this->act([
            [
                'type' => 'pointer',
                'id' => 'hand-mouse',
                'parameters' => ['pointerType' => 'mouse'],
                'actions' => [['type' => 'pointerUp', 'button' => 0]],
            ],
        ]);
        $this->act([
            [
                'type' => 'pointer',
                'id' => 'finger',
                'parameters' => ['pointerType' => 'touch'],
                'actions' => [['type' => 'pointerUp', 'button' => 0]],
            ],
        ]);
    }

    /** @param  list<array<string, mixed>>  $sources */
    private function act(array $sources): void
    {
        $this->driver->executeCustomCommand('/session/:sessionId/actions', 'POST', ['actions' => $sources]);
    }

    /** @return array{float, float} where the canvas begins in the viewport; its corner where there is none */
    private function corner(): array
    {
        return $this->run(
            'const b = document.getElementById("surface")?.getBoundingClientRect(); return [b?.left ?? 0, b?.top ?? 0]',
        );
    }

    /**
     * @param  non-empty-list<array{float|int, float|int}>  $points
     * @param  array<string, float>  $more
     * @return list<array<string, mixed>>
     */
    private function path(array $points, array $more = []): array
    {
        [$left, $top] = $this->corner();
        $actions = [];
        foreach ($points as $i => [$x, $y]) {
            $actions[] =
                [
                    'type' => 'pointerMove',
                    'duration' => $i === 0 ? 0 : 12,
                    'x' => (int) round($left + $x),
                    'y' => (int) round($top + $y),
                    'origin' => 'viewport',
                ] + $more;
            if ($i === 0) {
                $actions[] = ['type' => 'pointerDown', 'button' => 0] + $more;
            }
        }
        $actions[] = ['type' => 'pointerUp', 'button' => 0];

        return $actions;
    }

    public function shot(string $file): void
    {
        $this->driver->takeScreenshot($file);
    }

    public static function freePort(): int
    {
        $server = stream_socket_server('tcp://127.0.0.1:0') ?: throw new \RuntimeException('No port is free.');
        $name = (string) stream_socket_get_name($server, false);
        fclose($server);

        return (int) substr((string) strrchr($name, ':'), 1);
    }
}

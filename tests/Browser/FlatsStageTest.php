<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\Models\Material;
use App\Models\User;
use App\Store\PageStore;
use Awning\Core\Page\Bridge;
use Awning\Core\Page\BridgeKind;
use Awning\Core\Page\Region;
use Awning\Core\Sheet\Sheet;

/** The Flats stage as it is worked: loops, silhouettes, bridges drawn and taken away. */
final class FlatsStageTest extends BrowserTestCase
{
    private function flatting(): Browser
    {
        $this->preparedPage(User::query()->where('name', 'Mira')->firstOrFail());
        $browser = $this->browser = $this->signIn('Mira');
        $browser->press('1. Noon');
        $browser->until('window.awning?.session.view.held', 'the page is held');
        $browser->press('Flats');
        $browser->press('Oda Brack oilskin base');
        $browser->until('window.awning.renderer.colourAt(120, 200)', 'the tiles');

        return $browser;
    }

    /** @param  list<array{float, float}>  $points  of the page */
    private function drag(Browser $browser, array $points): void
    {
        [$width, $height, $left, $top, $scale] = $browser->run('const { view, canvas } = window.awning.renderer; return [canvas.width, canvas.height, view.x, view.y, view.scale]');
        $browser->stroke(array_map(fn (array $point): array => [$width / 2 + ($point[0] - $left) * $scale, $height / 2 + ($point[1] - $top) * $scale], $points));
        $this->saved($browser);
    }

    private function sheet(): Sheet
    {
        return new Sheet(new PageStore($this->page->refresh()));
    }

    private function materialAt(int $x, int $y): int
    {
        $sheet = $this->sheet();

        return $sheet->find(Region::class, $sheet->labelAt($x, $y))->material ?? -1;
    }

    public function test_loops_fill_what_they_hold_and_all_but_fills_the_rest(): void
    {
        $browser = $this->flatting();
        $oilskin = Material::query()->firstOrFail()->id;
        self::assertSame([$oilskin, 0, 0, 0], [$this->materialAt(120, 200), $this->materialAt(300, 200), $this->materialAt(480, 200), $this->materialAt(10, 10)]);
        $browser->press('Loop');
        $this->drag($browser, [[210, 50], [390, 50], [395, 345], [210, 350]]);
        self::assertSame([$oilskin, 0, 0], [$this->materialAt(300, 200), $this->materialAt(480, 200), $this->materialAt(10, 10)], 'the box inside the loop, and nothing else');
        $browser->until('Object.values(window.awning.session.view.records.region).filter((region) => region.material > 0).length === 2', 'it shows');
        $this->drag($browser, [[420, 100], [500, 100], [500, 200]]);
        $browser->until('document.querySelector("main [role=alert]")?.innerText.includes("No region lies wholly inside the loop")', 'a word where nothing is held');
        self::assertSame(0, $this->materialAt(480, 200));

        $browser->press('All but');
        $this->drag($browser, [[10, 10], [10, 10]]);
        self::assertSame([$oilskin, 0], [$this->materialAt(480, 200), $this->materialAt(10, 10)], 'all but the outside');
        $browser->press('undo');
        $browser->until('window.awning.session.view.saving === "saved" && Object.values(window.awning.session.view.records.region).filter((region) => region.material > 0).length === 2', 'undone');
        self::assertSame(0, $this->materialAt(480, 200));
    }

    public function test_cues_are_dabbed_looked_at_and_taken(): void
    {
        $browser = $this->flatting();
        $oilskin = Material::query()->firstOrFail();
        $plait = Material::query()->create(['figure_id' => $oilskin->figure_id, 'name' => 'plait', 'place' => 2, 'pinned' => ['base' => '#3050a0']]);
        $browser->visit("/bench/{$this->page->id}");
        $browser->until('window.awning?.session.view.held', 'held');
        $browser->press('Flats');
        $browser->press('Oda Brack plait base');
        $browser->press('Cue');
        $this->drag($browser, [[450, 100], [480, 150], [500, 200]]);
        self::assertSame(0, $this->materialAt(480, 200), 'nothing is filled yet');
        $browser->press('Oda Brack oilskin base');
        $this->drag($browser, [[280, 100], [300, 150]]);
        $browser->press('Spread them');
        $browser->until('document.body.innerText.includes("would be filled, as the page shows")', 'what it means');
        $this->shows($browser, [0x30, 0x50, 0xA0], 480, 200);
        self::assertSame([0, 0], [$this->materialAt(480, 200), $this->materialAt(300, 200)], 'looking fills nothing');
        $browser->press('Fill them all');
        $this->saved($browser);
        self::assertSame([$oilskin->id, $oilskin->id, $plait->id], [$this->materialAt(120, 200), $this->materialAt(300, 200), $this->materialAt(480, 200)]);
        self::assertContains($this->materialAt(10, 10), [$oilskin->id, $plait->id], 'every region took one');
        self::assertSame([], $browser->run('return window.awning.bench.view.cues'));
    }

    public function test_a_bridge_is_drawn_taken_away_and_kept(): void
    {
        $browser = $this->flatting();
        $regions = fn (): int => count($this->sheet()->all(Region::class));
        $before = $regions();
        $browser->press('Bridge');
        $this->drag($browser, [[41, 200], [120, 200], [198, 200]]);
        self::assertSame($before + 1, $regions(), 'the filled box is two');
        self::assertNotSame($this->sheet()->labelAt(120, 100), $this->sheet()->labelAt(120, 300));
        self::assertSame($this->materialAt(120, 100), $this->materialAt(120, 300), 'both filled as before');
        $number = (int) array_key_last($this->sheet()->all(Bridge::class));
        $browser->until("window.awning.session.view.records.bridge['$number'].kind === 'kept'", 'it is known here');
        $this->drag($browser, [[120, 200], [120, 200]]);
        self::assertSame([$before, BridgeKind::Refused], [$regions(), $this->sheet()->find(Bridge::class, $number)?->kind]);
        $this->drag($browser, [[120, 200], [120, 200]]);
        self::assertSame([$before + 1, BridgeKind::Kept], [$regions(), $this->sheet()->find(Bridge::class, $number)?->kind]);
        $this->drag($browser, [[300, 20], [300, 20]]);
        $browser->until('document.querySelector("main [role=alert]")?.innerText.includes("There is no bridge here")', 'a word where there is none');
        self::assertSame($before + 1, $regions());
    }
}

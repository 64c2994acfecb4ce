<?php

declare(strict_types=1);

namespace App\Demo;

use App\Desk\Page\PageDesk;
use App\Models\Figure;
use App\Models\Page;
use App\Models\User;
use App\Store\PageStore;
use App\Values\Scalar;
use Awning\Core\Colour\Rgb;
use Awning\Core\Page\Mood\MoodBox;
use Awning\Core\Page\Pass\MistContent;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Rect;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\Ops\Passes\AddPass;
use Awning\Core\Sheet\Ops\Passes\WearMood;
use Awning\Core\Sheet\Ops\Passes\WearPanelMood;
use Awning\Core\Sheet\Sheet;

/** Which moods the pages of The Salt Ferry are shown in. */
final readonly class DemoMood
{
    private const FOG = '#e3e9ed';

    /** Figures that fog lies behind, and how dense it is there: what is farther has more of it before it. */
    private const FOG_BEHIND = ['The ferry' => 0.75, 'Tamsin' => 0.55, 'Oda Brack' => 0.35];

    public function __construct(private User $user, private PageDesk $desk)
    {
    }

    public function show(Page $page): void
    {
        match ($page->number) {
            1 => $this->wear($page, 'Lamp hour'),
            2 => $this->wearInFirstPanel($page, 'Noon', 'Last light'),
            5 => $this->hangFog($page),
            default => null,
        };
    }

    private function wear(Page $page, string $mood): void
    {
        $this->apply($page, WearMood::of($mood, MoodBox::all()[$mood]));
    }

    private function wearInFirstPanel(Page $page, string $mood, string $inPanel): void
    {
        $this->wear($page, $mood);
        $panel = PageArt::all()[$page->number]->panel(0);
        $inside = array_filter(
            (new Sheet(new PageStore($page->refresh())))->all(Region::class),
            fn (Region $region): bool => $region->figure > 0 &&
                ! $panel->intersect(new Rect($region->x, $region->y, 1, 1))->isEmpty(),
        );
        $labels = array_map(intval(...), array_keys($inside));
        if ($labels !== []) {
            $this->apply($page, WearPanelMood::of($inPanel, MoodBox::all()[$inPanel], 'one', $labels));
        }
    }

    /** Between the depth planes of the page. */
    private function hangFog(Page $page): void
    {
        $figures = Figure::query()->where('series_id', $page->series_id)->pluck('id', 'name');
        foreach (self::FOG_BEHIND as $name => $density) {
            $fog = new MistContent(Rgb::fromHex(self::FOG), 700.0, $density, 7, 0.35);
            $figure = Scalar::int($figures[$name]);
            $spec = new PassSpec("Fog behind $name", 0, $fog, Scope::behind($figure));
            $this->apply($page, new AddPass("demofog$figure", $spec));
        }
        $low = new MistContent(Rgb::fromHex(self::FOG), 500.0, 0.8, 9, 0.5, top: 0.8, fade: 0.35);
        $this->apply($page, new AddPass('demofoglow', new PassSpec('Fog over the ground', 0, $low, Scope::page())));
    }

    private function apply(Page $page, Op $op): void
    {
        $this->desk->apply($page->refresh(), $this->user, $op);
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Painting;

use Awning\Core\Page\Mood\Brought;
use Awning\Core\Page\Mood\HeldMood;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\PassGroup;
use Awning\Core\Page\Pass\PassOrder;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Passes\AddPass;
use Awning\Core\Sheet\Ops\Passes\RemovePass;
use Awning\Core\Sheet\Sheet;

/** The mood that a whole page is shown in, and those that it keeps at hand. */
final readonly class PageMoods
{
    /** The ids of the layers of the mood it is shown in begin with it. */
    public const PREFIX = 'mood';

    public function __construct(private Sheet $sheet)
    {
    }

    /** @return array<string, PassSpec> the layers of the mood it is shown in, by id, bottom up */
    public function layers(): array
    {
        $layers = [];
        foreach (PassOrder::sorted($this->sheet->all(PassSpec::class)) as $id => $pass) {
            if (str_starts_with((string) $id, self::PREFIX)) {
                $layers[(string) $id] = $pass;
            }
        }

        return $layers;
    }

    /**
     * Takes the layers off the page.
     *
     * @param  ?string  $hold  under which id the mood is kept at hand; null, or where it has no layers: not at all
     *
     * @throws OpRefused
     */
    public function takeOff(?string $hold): void
    {
        $layers = $this->layers();
        if ($hold !== null && $layers !== []) {
            $this->hold($hold, $layers);
        }
        foreach (array_keys($layers) as $id) {
            (new RemovePass($id))->apply($this->sheet);
        }
    }

    /** @param  non-empty-array<string, PassSpec>  $layers */
    private function hold(string $id, array $layers): void
    {
        $held = $this->sheet->all(HeldMood::class);
        if (isset($held[$id])) {
            throw new OpRefused('Another mood is at hand under this id. Reload the page.');
        }
        if (count($held) >= HeldMood::MOST) {
            throw new OpRefused(
                HeldMood::MOST.' moods are at hand for this page, and it keeps no more. Let one of them go first.',
            );
        }
        $size = $this->sheet->size();
        $groups = array_filter(array_map(fn (PassSpec $layer): ?string => $layer->group, $layers));
        $this->sheet->put(
            $id,
            OpRefused::onInvalidValues(
                fn (): HeldMood => new HeldMood(
                    $size->mood === '' ? 'This page’s own' : $size->mood,
                    $size->brought(),
                    $layers,
                    array_intersect_key($this->sheet->all(PassGroup::class), array_flip($groups)),
                ),
            ),
        );
    }

    /**
     * Lays layers above all else that lies over the whole page, as that mood. They keep clear of regions that wear
     * another.
     *
     * @param  string  $name  empty: none
     * @param  array<string, PassSpec>  $layers  by id, bottom up
     */
    public function putOn(string $name, array $layers, Brought $brought): void
    {
        $panels = new PanelMoods($this->sheet);
        foreach ($layers as $id => $layer) {
            $placed = $layer->at(PassOrder::onTop($this->sheet->all(PassSpec::class), 0));
            (new AddPass($id, $panels->clearOfThem($placed)))->apply($this->sheet);
        }
        $size = $this->sheet->size()->showing($name, $brought->plan, $brought->variant);
        $this->sheet->put(PageSize::KEY, $size);
    }

    /**
     * Shows the page in a mood that is at hand, which then is at hand no more.
     *
     * @param  ?string  $hold  as for takeOff
     *
     * @throws OpRefused
     */
    public function show(string $id, ?string $hold): void
    {
        $held = $this->sheet->find(HeldMood::class, $id) ?? throw self::gone();
        $this->sheet->remove(HeldMood::class, $id);
        $this->takeOff($hold);
        foreach ($held->groups as $group => $how) {
            if ($this->sheet->find(PassGroup::class, $group) === null) {
                $this->sheet->put($group, $how);
            }
        }
        $this->putOn($held->name, $held->layers, $held->brought);
    }

    /** @throws OpRefused */
    public function letGo(string $id): void
    {
        if ($this->sheet->find(HeldMood::class, $id) === null) {
            throw self::gone();
        }
        $this->sheet->remove(HeldMood::class, $id);
    }

    private static function gone(): OpRefused
    {
        return new OpRefused('This mood is no longer at hand: somebody showed it or let it go. Press another one.');
    }
}

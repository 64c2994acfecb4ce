<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Painting;

use Awning\Core\Colour\Rgb;
use Awning\Core\Page\Mood\Brought;
use Awning\Core\Page\Pass\PassMask;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Pass\TintContent;
use Awning\Core\Sheet\Ops\Passes\RemovePass;
use Awning\Core\Sheet\Sheet;

/**
 * Regions of a page that wear a mood of their own. Each such mood has a rolled-up pass that covers its regions, and its
 * layers keep to that. One more rolled-up pass covers the regions of all of them: the layers of the page's own mood
 * keep clear of that.
 */
final readonly class PanelMoods
{
    /** Ids of these passes begin with it: of the layers, of what covers the regions of one mood, and of all of them. */
    public const PREFIX = 'panel';

    public const COVER = self::PREFIX.'cover';

    public const ALL = self::PREFIX.'s00000';

    public function __construct(private Sheet $sheet)
    {
    }

    /** What the layers of the page's own mood keep clear of; null: no region wears another. */
    private function elsewhere(): ?PassMask
    {
        return $this->sheet->find(PassSpec::class, self::ALL) === null ? null : new PassMask(self::ALL, true);
    }

    /** A layer of the page's mood, clear of regions that wear another; a mask that somebody gave it stays. */
    public function clearOfThem(PassSpec $layer): PassSpec
    {
        $isFree = $layer->mask === null || $layer->mask->pass === self::ALL;

        return $isFree ? $layer->maskedBy($this->elsewhere()) : $layer;
    }

    /**
     * Takes regions out of the moods they wear; a mood that is worn nowhere any more leaves the page.
     *
     * @param  non-empty-list<int>  $labels
     */
    public function takeOff(array $labels): void
    {
        $this->bring($labels, null);
        $remaining = 0;
        foreach ($this->covers() as $cover) {
            $this->lay($cover, $labels, null);
            if ($this->isEmpty($cover)) {
                $this->remove($cover);
            } else {
                $remaining++;
            }
        }
        if ($remaining > 0) {
            $this->lay(self::ALL, $labels, null);
        } elseif ($this->sheet->find(PassSpec::class, self::ALL) !== null) {
            (new RemovePass(self::ALL))->apply($this->sheet);
        }
    }

    /**
     * Has regions wear a mood: they are covered in the pass of that id, and in that of all.
     *
     * @param  string  $name  of the mood
     * @param  non-empty-list<int>  $labels
     */
    public function putOn(string $cover, string $name, array $labels, Brought $brought): void
    {
        $this->bring($labels, $brought);
        $this->lay($cover, $labels, "Where it is $name");
        $this->lay(self::ALL, $labels, 'Where the page’s mood is not');
    }

    /** @param  non-empty-list<int>  $labels */
    private function bring(array $labels, ?Brought $brought): void
    {
        foreach ($this->sheet->picked($labels) as $label => $region) {
            $this->sheet->put($label, $region->inMood($brought));
        }
    }

    /** @return list<string> the passes that cover the regions of one mood each */
    private function covers(): array
    {
        return array_values(
            array_filter(
                array_map(strval(...), array_keys($this->sheet->all(PassSpec::class))),
                fn (string $id): bool => str_starts_with($id, self::COVER),
            ),
        );
    }

    /** @param  non-empty-list<int>  $labels */
    private function lay(string $pass, array $labels, ?string $name): void
    {
        $make = $name === null
            ? null
            : new PassSpec($name, 0, new TintContent(new Rgb(128, 128, 128)), Scope::page(), visible: false);
        (new Laying($pass, $make, erase: $name === null))->lay($this->sheet, new RegionCoverage($this->sheet, $labels));
    }

    private function isEmpty(string $cover): bool
    {
        $layer = $this->sheet->find(PassSpec::class, $cover)?->layer($cover);

        if ($layer === null) {
            return true;
        }
        foreach ($this->sheet->tilesOf($layer) as [$column, $row]) {
            if ($this->sheet->tile($layer, $column, $row) !== null) {
                return false;
            }
        }

        return true;
    }

    private function remove(string $cover): void
    {
        foreach ($this->sheet->all(PassSpec::class) as $id => $pass) {
            if ($pass->mask?->pass === $cover && str_starts_with((string) $id, self::PREFIX)) {
                (new RemovePass((string) $id))->apply($this->sheet);
            }
        }
        (new RemovePass($cover))->apply($this->sheet);
    }
}

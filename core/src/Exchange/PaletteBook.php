<?php

declare(strict_types=1);

namespace Awning\Core\Exchange;

use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Colour\ToneRule;

/** A whole palette: figures, their materials, their tones. */
final readonly class PaletteBook
{
    /** @param  list<PaletteFigure>  $figures */
    public function __construct(public array $figures)
    {
    }

    /**
     * From rows of single tones, in the order in which figures and materials first come.
     *
     * @param  iterable<PaletteRow>  $rows
     *
     * @throws BrokenPalette when a tone comes twice, or there is none
     */
    public static function ofRows(iterable $rows): self
    {
        $tones = $derived = $more = [];
        foreach ($rows as $row) {
            $tone = $row->tone->value;
            if (isset($tones[$row->figure][$row->material][$tone])) {
                throw BrokenPalette::at(
                    $row->line,
                    sprintf('%s comes a second time. Give each tone one colour.', $row->title()),
                );
            }
            $tones[$row->figure][$row->material][$tone] = $row->colour;
            if ($row->tone->isMore()) {
                $more[$row->figure][$row->material][$tone] = $row->called !== '' ? $row->called : $tone;
            }
            if ($row->isDerived && ! $row->tone->isMore()) {
                $derived[$row->figure][$row->material][] = $tone;
            }
        }
        $figures = [];
        foreach ($tones as $figure => $materials) {
            $list = [];
            foreach ($materials as $material => $colours) {
                $list[] = new PaletteMaterial(
                    (string) $material,
                    $colours,
                    $derived[$figure][$material] ?? [],
                    $more[$figure][$material] ?? [],
                );
            }
            $figures[] = new PaletteFigure((string) $figure, $list);
        }

        return $figures !== []
            ? new self($figures)
            : throw new BrokenPalette('There is no colour in this palette. A line is enough, like: skin,#c98d6b');
    }

    /** @return list<PaletteRow> */
    public function rows(): array
    {
        $rows = [];
        foreach ($this->figures as $figure) {
            foreach ($figure->materials as $material) {
                foreach ($material->tones as $tone => $colour) {
                    $rows[] = new PaletteRow(
                        $figure->name,
                        $material->name,
                        Tone::from($tone),
                        $colour,
                        $material->isDerived($tone),
                        called: $material->more[$tone] ?? '',
                    );
                }
            }
        }

        return $rows;
    }

    /** @return non-empty-list<Rgb> the colour each material is known by */
    public function bases(): array
    {
        $bases = [];
        foreach ($this->figures as $figure) {
            foreach ($figure->materials as $material) {
                $bases[] = $material->base();
            }
        }

        return $bases === [] ? [new Rgb(0, 0, 0)] : $bases;
    }

    /**
     * The tones that are not pinned worked out anew from each base; a material without one takes what it is known by.
     */
    public function derived(ToneRule $rule): self
    {
        return new self(
            array_map(
                fn (PaletteFigure $figure): PaletteFigure => new PaletteFigure(
                    $figure->name,
                    array_map(function (PaletteMaterial $material) use ($rule): PaletteMaterial {
                        $pinned = $material->pinned() + [Tone::Base->value => $material->base()];
                        $all = $rule->complete($pinned);

                        return new PaletteMaterial(
                            $material->name,
                            $all,
                            array_values(array_diff(array_keys($all), array_keys($pinned))),
                            $material->more,
                        );
                    }, $figure->materials),
                ),
                $this->figures,
            ),
        );
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Exchange;

use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;

/** A material with its tones, as it leaves Awning or comes in. */
final readonly class PaletteMaterial
{
    public const LONGEST_NAME = 80;

    /** @var array<value-of<Tone>, Rgb> by tone name, dark to light, then the line, then the named ones */
    public array $tones;

    /**
     * @param  array<value-of<Tone>, Rgb>  $tones  by tone name, in any order
     * @param  list<string>  $derived  names of the tones nobody has pinned
     * @param  array<value-of<Tone>, string>  $more  what the tones beside the six are called; in their order
     */
    public function __construct(public string $name, array $tones, public array $derived = [], public array $more = [])
    {
        $ordered = [];
        foreach (Tone::cases() as $tone) {
            if (isset($tones[$tone->value])) {
                $ordered[$tone->value] = $tones[$tone->value];
            }
        }
        $named = [];
        foreach (array_keys($more) as $tone) {
            $named += isset($ordered[$tone]) ? [$tone => $ordered[$tone]] : [];
        }
        $this->tones = array_diff_key($ordered, $more) + $named;
    }

    public function isDerived(string $tone): bool
    {
        return in_array($tone, $this->derived, true);
    }

    /** @return array<value-of<Tone>, Rgb> */
    public function pinned(): array
    {
        return array_diff_key($this->tones, array_flip($this->derived));
    }

    /** The colour it is known by: its base, or what there is. */
    public function base(): Rgb
    {
        return $this->tones[Tone::Base->value] ?? array_values($this->tones)[0] ?? new Rgb(0, 0, 0);
    }
}

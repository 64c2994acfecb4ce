<?php

declare(strict_types=1);

namespace Awning\Core\Light;

/**
 * What a hand did to a coverage that is computed, kept apart from it, so that it outlives being computed anew: where
 * paint was added, that share of what is missing is added; where it was erased, that share of what is there goes. What
 * was painted full stays full, what was erased to nothing stays nothing, and what nobody touched is what is computed.
 * The formula is ours.
 */
final readonly class ManualEdits
{
    /**
     * @param  string  $added  how much was added, one byte a pixel
     * @param  string  $erased  how much was erased
     */
    public function __construct(public string $added, public string $erased)
    {
    }

    /** What stands when this hand has gone over something computed. */
    public function on(string $computed): string
    {
        $touched = $this->added | $this->erased;
        for (
            $at = strspn($touched, "\0"), $count = strlen($touched);
            $at < $count;
            $at += 1 + strspn($touched, "\0", $at + 1)
        ) {
            $value = ord($computed[$at]);
            $value += ((255 - $value) * ord($this->added[$at])) / 255;
            $computed[$at] = chr((int) round(($value * (255 - ord($this->erased[$at]))) / 255));
        }

        return $computed;
    }

    /**
     * The same hand, which has gone on.
     *
     * @param  string  $stood  what stood when it was computed last
     * @param  string  $now  what stands
     */
    public function goneOn(string $stood, string $now): self
    {
        [$added, $erased] = [$this->added, $this->erased];
        $touched = $stood ^ $now;
        for (
            $at = strspn($touched, "\0"), $count = strlen($touched);
            $at < $count;
            $at += 1 + strspn($touched, "\0", $at + 1)
        ) {
            $before = ord($stood[$at]);
            $by = ord($now[$at]) - $before;
            $share = $by > 0 ? $by / (255 - $before) : -$by / $before;
            [$more, $less] = $by > 0 ? [$added[$at], $erased[$at]] : [$erased[$at], $added[$at]];
            $more = chr((int) round(ord($more) + (255 - ord($more)) * $share));
            $less = chr((int) round(ord($less) * (1 - $share)));
            [$added[$at], $erased[$at]] = $by > 0 ? [$more, $less] : [$less, $more];
        }

        return new self($added, $erased);
    }
}

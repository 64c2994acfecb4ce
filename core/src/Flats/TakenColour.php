<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Verdict;

/** A flat colour of somebody else's, and what it became. */
final readonly class TakenColour
{
    /**
     * @param  Rgb  $theirs  as it is in their picture
     * @param  Rgb  $ours  the palette's, or theirs where the palette has none that is near
     * @param  ?float  $difference  CIEDE2000 to the palette's nearest; null: there is no palette
     * @param  float  $share  part of the page, 0..1
     */
    public function __construct(public Rgb $theirs, public Rgb $ours, public ?float $difference, public float $share)
    {
    }

    /** @return 'exact'|'near'|'new' */
    public function verdict(): string
    {
        return match ($this->difference === null ? Verdict::Unknown : Verdict::of($this->difference)) {
            Verdict::Exact => 'exact',
            Verdict::Near => 'near',
            Verdict::Unknown => 'new',
        };
    }
}

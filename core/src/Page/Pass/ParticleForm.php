<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

/** What one particle looks like. */
enum ParticleForm: string
{
    /** A line with round ends that fades towards its upper end; without a length, a disc. */
    case Streak = 'streak';
    /** A disc; with a length, drawn out along its way. */
    case Flake = 'flake';
    /** Six arms with two branches each. */
    case Crystal = 'crystal';
    /** An ellipse. */
    case Petal = 'petal';
    /** Two rings that lie flat: what a drop makes on water. */
    case Ripple = 'ripple';
    /** Five short lines that fan out upwards: a drop that hits something hard. */
    case Splash = 'splash';

    public const OPTIONS = 'A form is streak, flake, crystal, petal, ripple or splash.';

    /** Whether it is made of lines that are much thinner than it is large. */
    public function isLines(): bool
    {
        return $this === self::Crystal || $this === self::Ripple || $this === self::Splash;
    }
}

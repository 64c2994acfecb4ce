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

    public const OPTIONS = 'A form is streak, flake, crystal or petal.';
}

<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

enum AdviceKind: string
{
    /** A tone is lighter than the next lighter one. */
    case Order = 'order';

    /** Two neighbouring tones cannot be told apart. */
    case Step = 'step';

    /** One step is far larger than another. */
    case Uneven = 'uneven';

    /** A shade is black or grey though its base is not. */
    case Grey = 'grey';

    /** The base leaves no room for light, or for shadow. */
    case Bright = 'bright';
    case Dark = 'dark';
    case Strong = 'strong';

    /** Two materials of one figure are too near each other. */
    case Alike = 'alike';

    /** Two materials of one figure are too near each other for eyes that lack one kind of cone. */
    case Sight = 'sight';
}

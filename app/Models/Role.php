<?php

declare(strict_types=1);

namespace App\Models;

use Awning\Core\Sheet\State\Right;

/** What a person may do in a series; the first may most. */
enum Role: string
{
    case Owner = 'owner';
    case Colourist = 'colourist';
    case Flatter = 'flatter';
    case Viewer = 'viewer';

    /** Whether it may do all that another may. */
    public function covers(self $other): bool
    {
        $rank = array_flip(array_column(self::cases(), 'value'));

        return $rank[$this->value] <= $rank[$other->value];
    }

    /** Import line art and fill regions. */
    public function mayFlat(): bool
    {
        return $this !== self::Viewer;
    }

    /** Paint passes and alter the palette. */
    public function mayColour(): bool
    {
        return $this === self::Owner || $this === self::Colourist;
    }

    public function may(Right $right): bool
    {
        return match ($right) {
            Right::Flat => $this->mayFlat(),
            Right::Colour => $this->mayColour(),
        };
    }

    /** Choose who works on the series. */
    public function mayInvite(): bool
    {
        return $this === self::Owner;
    }
}

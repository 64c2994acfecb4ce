<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Series;
use App\Models\User;

final class SeriesPolicy
{
    public function view(User $user, Series $series): bool
    {
        return $user->roleIn($series) !== null;
    }

    /** Import line art, add pages, fill regions. */
    public function flat(User $user, Series $series): bool
    {
        return $user->roleIn($series)?->mayFlat() ?? false;
    }

    /** Paint, and alter the palette. */
    public function colour(User $user, Series $series): bool
    {
        return $user->roleIn($series)?->mayColour() ?? false;
    }

    public function invite(User $user, Series $series): bool
    {
        return $user->roleIn($series)?->mayInvite() ?? false;
    }
}

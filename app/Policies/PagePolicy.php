<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Page;
use App\Models\User;

/** A page is its series' matter. */
final class PagePolicy
{
    public function __construct(private readonly SeriesPolicy $series)
    {
    }

    public function view(User $user, Page $page): bool
    {
        return $this->series->view($user, $page->series);
    }

    public function flat(User $user, Page $page): bool
    {
        return $this->series->flat($user, $page->series);
    }

    public function colour(User $user, Page $page): bool
    {
        return $this->series->colour($user, $page->series);
    }
}

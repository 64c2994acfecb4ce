<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

/** What a pass is that looks at the pixels about each one: nothing is painted in it. */
trait LooksAround
{
    public static function layer(): null
    {
        return null;
    }

    public static function alters(): bool
    {
        return true;
    }

    public static function looksAround(): bool
    {
        return true;
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

/** What an adjustment is: it follows from each pixel beneath it, and nothing is painted in it. */
trait AltersBeneath
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
        return false;
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

/** What a pass does that lays colours over what lies beneath, whatever that looks like. */
trait LaysOver
{
    public static function alters(): bool
    {
        return false;
    }

    public static function looksAround(): bool
    {
        return false;
    }
}

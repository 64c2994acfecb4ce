<?php

declare(strict_types=1);

namespace App\Jobs;

/** What a task asks of the page's lease when it is begun. */
enum Holding
{
    /** The window that asks must hold the page. */
    case Held;

    /** Nobody else may hold the page. */
    case Free;

    /** It changes nothing that is held. */
    case Any;
}

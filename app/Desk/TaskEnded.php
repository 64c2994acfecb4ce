<?php

declare(strict_types=1);

namespace App\Desk;

use RuntimeException;

/** The task was stopped meanwhile, or is done already: there is nothing left to do for it. */
final class TaskEnded extends RuntimeException
{
}

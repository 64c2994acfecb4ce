<?php

declare(strict_types=1);

namespace App\Jobs;

/** A part of a task is done, and the rest goes back into the line: others' tasks come between. */
final class GoesOn extends \RuntimeException
{
}

<?php

declare(strict_types=1);

namespace App\Store;

use RuntimeException;

/** A file could not be written whole. The message says what to do. */
final class NotKept extends RuntimeException
{
}

<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

/** An op that cannot be done on this page; the message tells the person what to do. Nothing was changed. */
final class OpRefused extends \RuntimeException
{
}

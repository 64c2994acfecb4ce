<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

/** Something that is laid on a page: a pass or a group of passes. */
interface Node
{
}

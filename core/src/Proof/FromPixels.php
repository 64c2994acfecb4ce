<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

/** A finder whose findings follow from flats and ink alone: found once, they hold until one of these changes. */
interface FromPixels extends Finder
{
}

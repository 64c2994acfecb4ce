<?php

declare(strict_types=1);

namespace Awning\Core\Exchange;

/** A palette file that cannot be read: the message says what is wrong, in which line, and what to do. */
final class BrokenPalette extends \InvalidArgumentException
{
    public static function at(int $line, string $what): self
    {
        return new self("Line $line: $what");
    }
}

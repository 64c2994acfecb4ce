<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

/** A file that is not read, with a message that says why and what to do. */
class UnreadableImage extends \RuntimeException
{
    public static function withoutPicture(int $number, int $there): self
    {
        return new self("The file has no picture $number: it has $there.");
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Exchange;

/** An open format that a palette can be written in and read from, and nothing is lost. */
interface PaletteFormat
{
    public function write(PaletteBook $book): string;

    /** @throws BrokenPalette */
    public function read(string $text): PaletteBook;
}

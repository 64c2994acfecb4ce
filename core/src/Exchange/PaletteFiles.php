<?php

declare(strict_types=1);

namespace Awning\Core\Exchange;

/** Palette files by their extension. */
final class PaletteFiles
{
    /** A thousand materials take less than one megabyte in any format. */
    public const MOST_BYTES = 8_000_000;

    private const MOST_MATERIALS = 5000;

    /** @return list<string> extensions that can be read and written */
    public static function readable(): array
    {
        return ['csv', 'json', 'css'];
    }

    /** @throws BrokenPalette */
    public static function read(string $extension, string $bytes): PaletteBook
    {
        if (strlen($bytes) > self::MOST_BYTES) {
            throw new BrokenPalette(
                sprintf(
                    'This file has %d megabytes; a palette has less than %d. Look whether it is the right one.',
                    intdiv(strlen($bytes), 1_000_000),
                    intdiv(self::MOST_BYTES, 1_000_000),
                ),
            );
        }
        $text = str_starts_with($bytes, "\xef\xbb\xbf") ? substr($bytes, 3) : $bytes;
        $book = self::format($extension)->read($text);
        if (count($book->bases()) > self::MOST_MATERIALS) {
            throw new BrokenPalette(
                sprintf(
                    'This palette has %d materials; Awning reads up to %d. Split it.',
                    count($book->bases()),
                    self::MOST_MATERIALS,
                ),
            );
        }

        return $book;
    }

    public static function write(string $extension, PaletteBook $book): string
    {
        return self::format($extension)->write($book);
    }

    private static function format(string $extension): PaletteFormat
    {
        return match (strtolower($extension)) {
            'csv' => new PaletteCsv,
            'json' => new DesignTokens,
            'css' => new CssProperties,
            default => throw new BrokenPalette(
                "A palette is not read from '.$extension'. Give a .csv, .json or .css file.",
            ),
        };
    }
}

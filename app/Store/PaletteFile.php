<?php

declare(strict_types=1);

namespace App\Store;

use Awning\Core\Exchange\BrokenPalette;
use Awning\Core\Exchange\PaletteBook;
use Awning\Core\Exchange\PaletteFiles;
use Awning\Core\Exchange\SwatchCard;
use Symfony\Component\Process\Exception\ProcessTimedOutException;

/** Palettes on disk, and cards of them: librsvg draws those in a process of its own, with limits. */
final class PaletteFile
{
    /** Cards are for the eye. */
    public const CARDS = ['svg', 'png', 'pdf'];

    private const MEGABYTES = 2000;

    private const SECONDS = 60;

    private const BLOCKS = 200_000;

    /** Dots per inch of a card as PNG. */
    private const ZOOM = 2;

    /** @throws BrokenPalette */
    public static function read(string $path): PaletteBook
    {
        $size = is_file($path) ? filesize($path) : false;
        if ($size === false || $size > PaletteFiles::MOST_BYTES) {
            throw new BrokenPalette(
                $size === false
                    ? "The palette $path could not be opened. Check the name."
                    : sprintf(
                        '%s has %d megabytes; a palette has less than %d. Look whether it is the right file.',
                        $path,
                        intdiv($size, 1_000_000),
                        intdiv(PaletteFiles::MOST_BYTES, 1_000_000),
                    ),
            );
        }
        try {
            return PaletteFiles::read(self::extension($path), (string) file_get_contents($path));
        } catch (BrokenPalette $error) {
            throw new BrokenPalette(basename($path).': '.$error->getMessage(), 0, $error);
        }
    }

    public static function extension(string $path): string
    {
        return strtolower(pathinfo($path, PATHINFO_EXTENSION));
    }

    /** @throws BrokenPalette when there is no such format */
    public static function bytes(string $extension, PaletteBook $book, string $title): string
    {
        if (! in_array($extension, [...PaletteFiles::readable(), ...self::CARDS], true)) {
            throw new BrokenPalette(
                "A palette is not written as '.$extension'. Take .csv, .json, .css, .svg, .png or .pdf.",
            );
        }
        $card = new SwatchCard($book, $title);

        return match ($extension) {
            'svg' => $card->whole(),
            'png' => self::drawn([$card->whole()], ['--format=png', '--zoom='.self::ZOOM]),
            'pdf' => self::drawn($card->sheets(), ['--format=pdf']),
            default => PaletteFiles::write($extension, $book),
        };
    }

    /**
     * @param  list<string>  $sheets  SVG
     * @param  list<string>  $options
     */
    private static function drawn(array $sheets, array $options): string
    {
        $files = array_map(function (string $svg): string {
            $file = (string) tempnam(sys_get_temp_dir(), 'awning');
            file_put_contents($file, $svg);

            return $file;
        }, $sheets);
        $out = (string) tempnam(sys_get_temp_dir(), 'awning');
        try {
            $process = (new LimitedProcess(self::MEGABYTES, self::SECONDS, 2 * self::SECONDS, self::BLOCKS))->run(
                ['rsvg-convert', '--unlimited', ...$options, '--output', $out, ...$files],
                fn () => null,
            );
            $bytes = $process->getExitCode() === 0 ? (string) file_get_contents($out) : '';
        } catch (ProcessTimedOutException) {
            $bytes = '';
        } finally {
            array_map(unlink(...), [...$files, $out]);
        }

        return $bytes !== ''
            ? $bytes
            : throw new BrokenPalette('The card could not be drawn: it is too long. Split the palette, or take .svg.');
    }
}

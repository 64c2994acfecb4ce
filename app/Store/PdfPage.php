<?php

declare(strict_types=1);

namespace App\Store;

use Awning\Core\Codec\ImageReader;
use Awning\Core\Codec\Picture;
use Awning\Core\Codec\UnreadableImage;
use Symfony\Component\Process\Exception\ProcessTimedOutException;

/**
 * A page of a PDF as an image, made by poppler in a process of its own with limits of memory, time and output: a
 * PDF is a program, and these are strangers'.
 */
final class PdfPage
{
    private const DPI = 300;

    private const POINTS_AN_INCH = 72;

    private const MEGABYTES = 3000;

    /** Of work, and twice as many on the clock: others wait in the line behind it. */
    private const SECONDS = 20;

    private const BLOCKS = 1_000_000;

    public static function is(string $path): bool
    {
        return file_get_contents($path, false, null, 0, 5) === '%PDF-';
    }

    /**
     * How many pages there are, counted to Picture::MOST; and that the one that is wanted is no larger than is opened.
     *
     * @throws UnreadableImage
     */
    private static function check(string $path, int $page): int
    {
        preg_match('/^Pages:\s+(\d+)/m', self::run(['pdfinfo', $path], static fn () => null), $pages);
        if ($pages !== [] && $page > (int) $pages[1]) {
            throw UnreadableImage::withoutPicture($page, (int) $pages[1]);
        }
        $said = self::run(['pdfinfo', '-f', (string) $page, '-l', (string) $page, $path], static fn () => null);
        preg_match('/^Page\s+\d+ size:\s+([\d.]+) x ([\d.]+)/m', $said, $size);
        if ($pages === [] || $size === []) {
            throw self::unreadable();
        }
        [$width, $height] = array_map(
            fn (string $points): int => (int) ceil(((float) $points / self::POINTS_AN_INCH) * self::DPI),
            [$size[1], $size[2]],
        );
        if (! ImageReader::opens($width, $height)) {
            throw new UnreadableImage(
                sprintf(
                    'The page would be %d x %d px at %d dpi; that is more than can be opened. Export it smaller.',
                    $width,
                    $height,
                    self::DPI,
                ),
            );
        }

        return min(Picture::MOST, (int) $pages[1]);
    }

    /**
     * @param  int  $page  from 1
     * @param  callable(): void  $goOn  called a few times a second; may throw to end the work
     *
     * @throws UnreadableImage
     */
    public static function at(string $path, int $page, callable $goOn): DrawnPage
    {
        $pages = self::check($path, $page);
        $out = (string) tempnam(sys_get_temp_dir(), 'awning');
        try {
            self::run(
                [
                    'pdftoppm',
                    '-png',
                    '-r',
                    (string) self::DPI,
                    '-f',
                    (string) $page,
                    '-l',
                    (string) $page,
                    '-singlefile',
                    $path,
                    $out,
                ],
                $goOn,
            );
            if (! is_file("$out.png")) {
                throw self::unreadable();
            }

            return new DrawnPage("$out.png", $pages);
        } finally {
            @unlink($out);
        }
    }

    /**
     * @param  list<string>  $command
     * @param  callable(): void  $goOn
     */
    private static function run(array $command, callable $goOn): string
    {
        try {
            $process = (new LimitedProcess(self::MEGABYTES, self::SECONDS, 2 * self::SECONDS, self::BLOCKS))->run(
                $command,
                $goOn,
            );
        } catch (ProcessTimedOutException) {
            throw self::tooLong();
        }
        if ($process->getExitCode() === LimitedProcess::OUT_OF_TIME) {
            throw self::tooLong();
        }

        return $process->getExitCode() === 0 ? $process->getOutput() : throw self::unreadable();
    }

    private static function tooLong(): UnreadableImage
    {
        return new UnreadableImage(
            sprintf(
                'The page of the PDF takes longer than %d seconds to draw. Export the page as PNG and send that.',
                self::SECONDS,
            ),
        );
    }

    private static function unreadable(): UnreadableImage
    {
        return new UnreadableImage(
            'The PDF could not be opened: it is damaged, locked, or asks for more than a page needs. Export the '
                .'page as PNG and send that.',
        );
    }
}

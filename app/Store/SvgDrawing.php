<?php

declare(strict_types=1);

namespace App\Store;

use Awning\Core\Codec\ImageReader;
use Awning\Core\Codec\PlainSvg;
use Awning\Core\Codec\UnreadableImage;
use Symfony\Component\Process\Exception\ProcessTimedOutException;

/** A drawing of shapes as an image, made by librsvg in a process of its own with limits, of the shapes alone. */
final class SvgDrawing
{
    private const MEGABYTES = 3000;

    /** Of work, and twice as many on the clock: others wait in the line behind it. */
    private const SECONDS = 20;

    /** Longest side of a drawing that does not say that it is larger, px: an ordinary page's. */
    private const SIDE = 4000;

    /** Where the first element of an SVG stands. */
    private const WITHIN = 4096;

    public static function is(string $path): bool
    {
        return PlainSvg::is((string) file_get_contents($path, false, null, 0, self::WITHIN));
    }

    /**
     * @param  callable(): void  $goOn  called a few times a second; may throw to end the work
     *
     * @throws UnreadableImage
     */
    public static function drawn(string $path, callable $goOn): DrawnPage
    {
        $svg = PlainSvg::of((string) file_get_contents($path));
        [$width, $height] = self::size($svg);
        [$in, $out] = [(string) tempnam(sys_get_temp_dir(), 'awning'), (string) tempnam(sys_get_temp_dir(), 'awning')];
        try {
            file_put_contents($in, $svg);
            $process = (new LimitedProcess(
                self::MEGABYTES,
                self::SECONDS,
                2 * self::SECONDS,
                intdiv(4 * $width * $height, 1024) + 1000,
            ))->run(
                [
                    'rsvg-convert',
                    '--unlimited',
                    '--background-color',
                    'white',
                    '--width',
                    (string) $width,
                    '--height',
                    (string) $height,
                    '--output',
                    $out,
                    $in,
                ],
                $goOn,
            );
            $isDrawn = $process->getExitCode() === 0;
            $isOutOfTime = $process->getExitCode() === LimitedProcess::OUT_OF_TIME;
        } catch (ProcessTimedOutException) {
            $isDrawn = false;
            $isOutOfTime = true;
        } finally {
            @unlink($in);
        }
        if (! $isDrawn) {
            @unlink($out);
            throw $isOutOfTime
                ? new UnreadableImage(
                    sprintf(
                        'The SVG takes longer than %d seconds to draw. Leave its filters out, or export it as PNG '
                            .'and send that.',
                        self::SECONDS,
                    ),
                )
                : new UnreadableImage(
                    'The SVG could not be drawn: it is damaged, or asks for more than a page needs. Export it as '
                        .'PNG and send that.',
                );
        }

        return new DrawnPage($out, 1);
    }

    /**
     * In its own pixels, or as large as a page where it is smaller: shapes become sharper, not coarser.
     *
     * @return array{int, int}
     */
    private static function size(string $svg): array
    {
        $root = substr($svg, 0, (int) strpos($svg, '>'));
        $side = fn (string $name): float => preg_match("/\\s$name=\"\\s*([\\d.]+)(px)?\\s*\"/", $root, $match) === 1
            ? (float) $match[1]
            : 0.0;
        [$width, $height] = [$side('width'), $side('height')];
        if ($width <= 0 || $height <= 0) {
            preg_match('/\sviewBox="\s*[-\d.e]+[\s,]+[-\d.e]+[\s,]+([\d.e]+)[\s,]+([\d.e]+)\s*"/', $root, $box);
            [$width, $height] = [(float) ($box[1] ?? 0), (float) ($box[2] ?? 0)];
        }
        if ($width <= 0 || $height <= 0) {
            throw new UnreadableImage(
                'The SVG does not say how large it is. Give it a width and a height, or a viewBox, and send it again.',
            );
        }
        $factor = max(1.0, self::SIDE / max($width, $height));
        [$width, $height] = [max(1, (int) round($width * $factor)), max(1, (int) round($height * $factor))];
        if (! ImageReader::opens($width, $height)) {
            throw new UnreadableImage(
                sprintf(
                    'The drawing would be %d x %d px; that is more than can be opened. Export it smaller.',
                    $width,
                    $height,
                ),
            );
        }

        return [$width, $height];
    }
}

<?php

declare(strict_types=1);

namespace App\Store;

use Awning\Core\Codec\CutShort;
use Awning\Core\Codec\ImageHeader;
use Awning\Core\Codec\ImageReader;
use Awning\Core\Codec\OpenRasterFile;
use Awning\Core\Codec\Picture;
use Awning\Core\Codec\UnreadableImage;
use Awning\Core\Raster\Paint;
use Symfony\Component\Process\Exception\ProcessTimedOutException;
use Symfony\Component\Process\Process;

/**
 * Decodes images that come from people in a process of its own: a file that eats memory or time takes that process with
 * it and nothing else, and a person who presses stop does not wait for it.
 */
final readonly class ChildDecoder
{
    /**
     * @param  int  $megabytes  of memory the decoder may address: 130 million pixels in four channels of 16 bits take 1
     *     GB, and stand twice while they become planes
     * @param  int  $seconds  of work
     */
    public function __construct(private int $megabytes = 5000, private int $seconds = 40)
    {
    }

    /**
     * @param  callable(): void  $goOn  called a few times a second; may throw to end the work
     * @param  bool  $cut  whether a file that ends too early is read as far as it goes
     * @param  int  $picture  which of the pictures of a TIFF, or pages of a PDF
     *
     * @throws CutShort
     * @throws UnreadableImage
     */
    public function read(string $path, callable $goOn, bool $cut = false, int $picture = 1): Picture
    {
        if (PdfPage::is($path)) {
            return $this->readPage(PdfPage::at($path, $picture, $goOn), $goOn);
        }
        if (SvgDrawing::is($path)) {
            return $this->readPage(SvgDrawing::drawn($path, $goOn), $goOn);
        }
        // Of layers the size is only known when their list is read, which is the child's business.
        $pixels = OpenRasterFile::is($path)
            ? ImageReader::MOST_PIXELS
            : self::pixelsOf(ImageHeader::of($path, $picture));
        $out = (string) tempnam(sys_get_temp_dir(), 'awning');
        // Blocks of 1024 bytes; four planes and the line before them.
        $blocks = intdiv(4 * $pixels, 1024) + 100_000;
        try {
            $process = (new LimitedProcess($this->megabytes, $this->seconds, 2 * $this->seconds + 30, $blocks))->run(
                [PHP_BINARY, base_path('core/decode.php'), $path, $out, (string) $picture, ...$cut ? ['cut'] : []],
                $goOn,
            );

            return $process->getExitCode() === LimitedProcess::OUT_OF_TIME
                ? throw $this->tooLong()
                : $this->result($process, $out);
        } catch (ProcessTimedOutException) {
            throw $this->tooLong();
        } finally {
            @unlink($out);
        }
    }

    private static function pixelsOf(ImageHeader $header): int
    {
        return $header->width * $header->height;
    }

    /** @param  callable(): void  $goOn */
    private function readPage(DrawnPage $page, callable $goOn): Picture
    {
        try {
            $picture = $this->read($page->path, $goOn);

            return new Picture($picture->paint, $picture->grey, $picture->dpi, $page->pages);
        } finally {
            @unlink($page->path);
        }
    }

    private function result(Process $process, string $out): Picture
    {
        if ($process->getExitCode() !== 0) {
            /** @var ?array{message: string, share: int|float|null} $said nothing when it was ended from outside */
            $said = json_decode($process->getOutput(), true);
            throw match (true) {
                $said === null => $this->tooMuch(),
                $said['share'] !== null => new CutShort((float) $said['share']),
                default => new UnreadableImage($said['message']),
            };
        }
        $file = fopen($out, 'r') ?: throw $this->tooMuch();
        /** @var array{width: int, height: int, planes: int, grey: bool, dpi: float|int, pictures: int} $head */
        $head = json_decode((string) fgets($file), true);
        $pixels = $head['width'] * $head['height'];
        $planes = [];
        for ($i = 0; $i < $head['planes']; $i++) {
            $planes[] = (string) stream_get_contents($file, $pixels);
        }
        fclose($file);
        [$red, $green, $blue] = $head['grey'] ? [$planes[0], $planes[0], $planes[0]] : $planes;
        $alpha = $planes[$head['grey'] ? 1 : 3] ?? str_repeat("\xff", $pixels);

        return new Picture(
            new Paint($head['width'], $head['height'], $red, $green, $blue, $alpha),
            $head['grey'],
            (float) $head['dpi'],
            $head['pictures'],
        );
    }

    private function tooLong(): UnreadableImage
    {
        return new UnreadableImage(
            sprintf(
                'The image takes longer than %d seconds to open. Save it again as a plain PNG, or make it smaller, '
                    .'and send that.',
                $this->seconds,
            ),
        );
    }

    private function tooMuch(): UnreadableImage
    {
        return new UnreadableImage(
            'The image took more time or memory to open than an image of its size needs. It may be damaged; save it '
                .'again, as a plain PNG, and send that.',
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Demo;

use Awning\Core\Raster\Bytes;
use Imagick;
use Symfony\Component\Process\Process;

/** Turns vector drawings into "scans": tinted paper, uneven light, a blue underdrawing, gaps, a slight tilt, grain. */
final readonly class DemoScan
{
    public function __construct(private PageArt $art, private int $seed)
    {
    }

    /** @return string a PNG file's bytes, 300 dpi */
    public function scan(): string
    {
        $scan = $this->raster($this->art->scan($this->seed));
        $scan->setImageAlphaChannel(Imagick::ALPHACHANNEL_REMOVE);
        $scan->compositeImage($this->grain(), Imagick::COMPOSITE_HARDLIGHT, 0, 0);
        $scan->setImageUnits(Imagick::RESOLUTION_PIXELSPERINCH);
        $scan->setImageResolution(300, 300);
        $scan->setImageDepth(8);
        $scan->setImageFormat('png');
        $scan->setOption('png:compression-level', '1');

        return $scan->getImageBlob();
    }

    /** @return string one byte a pixel: number of the material's class, 0 for none */
    public function key(): string
    {
        $image = $this->raster($this->art->key());
        $image->setImageFormat('gray');
        $image->setImageDepth(8);

        return strtr(
            $image->getImageBlob(),
            Bytes::identity(),
            Bytes::table(fn (int $grey): int => $grey % 4 === 0 ? intdiv($grey, 4) : 0),
        );
    }

    private function raster(string $svg): Imagick
    {
        $process = new Process(['rsvg-convert', '--unlimited', '-b', 'white', '-f', 'png']);
        $process->setInput($svg)->setTimeout(60)->mustRun();
        $image = new Imagick;
        $image->readImageBlob($process->getOutput());

        return $image;
    }

    /** Grey noise about the middle, of a little over two levels. */
    private function grain(): Imagick
    {
        $random = (new \Random\Randomizer(new \Random\Engine\Xoshiro256StarStar($this->seed)))->getBytes(
            PageArt::WIDTH * PageArt::HEIGHT,
        );
        // The sum of the bits of a byte is near enough to bell-shaped.
        $grain = strtr(
            $random,
            Bytes::identity(),
            Bytes::table(fn (int $byte): int => 127 + array_sum(array_map(intval(...), str_split(decbin($byte)))) - 4),
        );
        $image = new Imagick;
        $image->setSize(PageArt::WIDTH, PageArt::HEIGHT);
        $image->setOption('depth', '8');
        $image->setFormat('gray');
        $image->readImageBlob($grain);

        return $image;
    }
}

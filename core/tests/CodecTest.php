<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Codec\Chunky;
use Awning\Core\Codec\ImageReader;
use Awning\Core\Codec\ImageWriter;
use Awning\Core\Codec\OpenRasterFile;
use Awning\Core\Codec\OpenRasterWriter;
use Awning\Core\Codec\OraStack;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Codec\UnreadableImage;
use Awning\Core\Compose\OpenRasterRenderer;
use Awning\Core\Raster\Paint;
use PHPUnit\Framework\TestCase;
use ZipArchive;

final class CodecTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/awning-codec-'.bin2hex(random_bytes(5));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    private function file(string $name, string $bytes): string
    {
        file_put_contents("$this->folder/$name", $bytes);

        return "$this->folder/$name";
    }

    private function gradient(): Paint
    {
        $red = $green = $alpha = '';
        for ($i = 0; $i < 60 * 40; $i++) {
            $red .= chr($i % 256);
            $green .= chr(intdiv($i, 10) % 256);
            $alpha .= chr($i % 60 < 10 ? 0 : ($i % 60 < 30 ? 128 : 255));
        }

        return new Paint(60, 40, $red, $green, strrev($red), $alpha);
    }

    private function assertRefused(string $path, string $says): void
    {
        try {
            (new ImageReader)->read($path);
            self::fail('It was read.');
        } catch (UnreadableImage $error) {
            self::assertStringContainsString($says, $error->getMessage());
        }
    }

    public function test_what_is_written_is_read_back(): void
    {
        $paint = $this->gradient();
        foreach (['png', 'tiff', 'webp'] as $kind) {
            $read = (new ImageReader)->read($this->file("x.$kind", (new ImageWriter)->write($paint, $kind, 300)));
            self::assertSame($paint->alpha, $read->paint->alpha, $kind);
            // Where nothing shows, a format may forget the colour.
            foreach (range(0, 2399, 7) as $i) {
                if (ord($paint->alpha[$i]) > 0) {
                    self::assertSame(ord($paint->red[$i]), ord($read->paint->red[$i]), "$kind, pixel $i");
                }
            }
            if ($kind !== 'webp') {
                self::assertEqualsWithDelta(300, $read->dpi, 0.5, $kind);
            }
        }
        self::assertTrue((new ImageReader)->read($this->file('x.jpeg', (new ImageWriter)->write($paint, 'jpeg', 300)))->paint->isOpaque());
    }

    public function test_broken_and_hostile_files_are_refused_in_plain_words(): void
    {
        $png = (new ImageWriter)->write($this->gradient(), 'png');
        $this->assertRefused($this->file('cut.png', substr($png, 0, (int) (strlen($png) * 0.6))), 'damaged');
        $this->assertRefused($this->file('text.png', 'This is no picture at all.'), 'not a PNG');
        $this->assertRefused($this->file('empty.png', ''), 'not a PNG');
        $this->assertRefused($this->file('drawing.svg', '<svg xmlns="http://www.w3.org/2000/svg"><image href="/etc/passwd"/></svg>'), 'not a PNG');
        $huge = substr_replace($png, pack('NN', 60000, 60000), 16, 8);
        $huge = substr_replace($huge, pack('N', crc32(substr($huge, 12, 17))), 29, 4);
        $this->assertRefused($this->file('huge.png', $huge), 'Scan at a lower resolution');
        $this->assertRefused("$this->folder/nowhere.png", 'could not be opened');
        // A name that would make the decoder run something else is only a name.
        $this->assertRefused($this->file('msl:run.png', '<msl/>'), 'not a PNG');
    }

    public function test_open_raster_has_the_parts_the_specification_asks_for(): void
    {
        $path = "$this->folder/x.ora";
        $writer = new OpenRasterWriter($path);
        $paint = $this->gradient();
        $back = $writer->layer(Paint::solid(60, 40, [200, 100, 50]), 'Back & "front"');
        $top = $writer->layer($paint, 'Top', 0.5, true, 'multiply');
        $merged = Paint::solid(60, 40, [1, 2, 3]);
        $writer->finish(new OraStack([$back, new OraStack([$top], 'Group', true)]), $merged, 300);
        $zip = new ZipArchive;
        $zip->open($path);
        self::assertSame('mimetype', $zip->getNameIndex(0));
        self::assertSame(ZipArchive::CM_STORE, $zip->statIndex(0)['comp_method'] ?? null);
        self::assertSame('image/openraster', $zip->getFromName('mimetype'));
        foreach (['stack.xml', 'mergedimage.png', 'Thumbnails/thumbnail.png'] as $part) {
            self::assertNotFalse($zip->locateName($part), $part);
        }
        self::assertStringStartsWith('PK', (string) file_get_contents($path, false, null, 0, 2));
        self::assertSame('mimetypeimage/openraster', file_get_contents($path, false, null, 30, 24));

        $file = new OpenRasterFile($path);
        self::assertSame([60, 40, 300.0], [$file->width, $file->height, $file->dpi]);
        self::assertSame('Back & "front"', $file->root->children[0]->name);
        $result = (new OpenRasterRenderer($file))->render();
        // In an isolated group of its own the layer meets nothing to multiply with: it lies over the back at its alpha.
        $alpha = ord($paint->alpha[45]) / 255 * 0.5;
        self::assertEqualsWithDelta(200 * (1 - $alpha) + ord($paint->red[45]) * $alpha, ord($result->red[45]), 1.5);
        self::assertNotSame([1, 2, 3], array_slice($result->at(45, 0), 0, 3), 'the merged image is never just handed on');
    }

    /** @param  array<string, string>  $parts */
    private function archive(array $parts): string
    {
        $path = "$this->folder/".bin2hex(random_bytes(4)).'.ora';
        $zip = new ZipArchive;
        $zip->open($path, ZipArchive::CREATE);
        foreach ($parts as $name => $bytes) {
            $zip->addFromString($name, $bytes);
        }
        $zip->close();

        return $path;
    }

    public function test_hostile_archives_are_refused(): void
    {
        $stack = fn (string $inner, string $size = 'w="9" h="9"'): array => ['mimetype' => 'image/openraster', 'stack.xml' => "<image $size><stack>$inner</stack></image>"];
        $bad = [
            'bomb' => $this->archive(['data/a.png' => str_repeat("\0", 60_000_000)] + $stack('<layer src="data/a.png"/>')),
            'a path out' => $this->archive($stack('<layer src="../../etc/passwd"/>')),
            'an absolute path' => $this->archive($stack('<layer src="/etc/passwd"/>')),
            'a missing part' => $this->archive($stack('<layer src="data/a.png"/>')),
            'entities' => $this->archive(['mimetype' => 'image/openraster', 'stack.xml' => '<!DOCTYPE image [<!ENTITY x SYSTEM "file:///etc/passwd">]><image w="9" h="9"><stack>&x;</stack></image>']),
            'size' => $this->archive($stack('', 'w="60000" h="60000"')),
            'not ours' => $this->archive(['mimetype' => 'text/plain']),
            'no archive' => $this->file('x.ora', 'PK nothing'),
            'an unknown operator' => $this->archive(['data/a.png' => (new ImageWriter)->write($this->gradient(), 'png')] + $stack('<layer src="data/a.png" composite-op="svg:sparkle"/>')),
            'depth' => $this->archive($stack(str_repeat('<stack>', 90).str_repeat('</stack>', 90))),
        ];
        foreach ($bad as $what => $path) {
            try {
                (new OpenRasterRenderer(new OpenRasterFile($path)))->render();
                self::fail("$what was read");
            } catch (UnreadableImage $error) {
                self::assertStringNotContainsString('root:', $error->getMessage(), $what);
            }
        }
        self::assertLessThan(400 << 20, memory_get_peak_usage());
    }

    public function test_planes_are_interleaved(): void
    {
        self::assertSame('adgbehcfi', Chunky::join(['abc', 'def', 'ghi']));
    }

    private function openRaster(string $stack, int $width = 20, int $height = 10): string
    {
        $path = $this->file('a.ora', '');
        $zip = new \ZipArchive;
        $zip->open($path, \ZipArchive::OVERWRITE);
        $zip->addFromString('mimetype', 'image/openraster');
        $zip->addFromString('stack.xml', $stack);
        for ($i = 0; $i < 5; $i++) {
            $zip->addFromString("data/$i.png", substr_replace((new PngWriter)->paint(Paint::solid(20, 10, [1, 2, 3])), pack('NN', $width, $height), 16, 8));
        }
        $zip->close();

        return $path;
    }

    private const STACK = '<image w="20" h="10"><stack><layer src="data/0.png"/><layer src="data/1.png"/><layer src="data/2.png"/><layer src="data/3.png"/><layer src="data/4.png"/><layer src="data/4.png"/></stack></image>';

    public function test_a_layer_list_is_utf_8_and_declares_nothing(): void
    {
        self::assertSame(20, (new OpenRasterFile($this->openRaster(self::STACK)))->width);
        self::assertSame(20, (new OpenRasterFile($this->openRaster('<?xml version="1.0" encoding="UTF-8"?>'.self::STACK)))->width);
        $bomb = '<!DOCTYPE image [<!ENTITY a "aaaa">]>'.self::STACK;
        foreach ([$bomb, mb_convert_encoding('<?xml version="1.0" encoding="UTF-16"?>'.$bomb, 'UTF-16'), "\xff\xfe".mb_convert_encoding(self::STACK, 'UTF-16LE'), '<?xml version="1.0" encoding="UTF-7"?>'.self::STACK] as $stack) {
            try {
                new OpenRasterFile($this->openRaster($stack));
                self::fail('it was opened');
            } catch (UnreadableImage $error) {
                self::assertMatchesRegularExpression('/no place there|UTF-8/', $error->getMessage());
            }
        }
    }

    public function test_layers_that_are_too_much_together_are_not_unpacked(): void
    {
        // Five pictures, one of them named twice: 9 000 x 9 900 px are 445.5 million together, 9 000 x 10 100 too many.
        self::assertSame(20, (new OpenRasterFile($this->openRaster(self::STACK, 9_000, 9_900)))->width);
        $this->expectExceptionMessage('454 million pixels');
        new OpenRasterFile($this->openRaster(self::STACK, 9_000, 10_100));
    }
}

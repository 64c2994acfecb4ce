<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Codec\Chunky;
use Awning\Core\Codec\ImageHeader;
use Awning\Core\Codec\ImageReader;
use Awning\Core\Codec\ImageWriter;
use Awning\Core\Codec\OpenRasterFile;
use Awning\Core\Codec\OpenRasterWriter;
use Awning\Core\Codec\OraStack;
use Awning\Core\Codec\PlainSvg;
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
        self::assertTrue(
            (new ImageReader)
                ->read($this->file('x.jpeg', (new ImageWriter)->write($paint, 'jpeg', 300)))
                ->paint->isOpaque(),
        );
    }

    public function test_broken_and_hostile_files_are_refused_in_plain_words(): void
    {
        $png = (new ImageWriter)->write($this->gradient(), 'png');
        $this->assertRefused($this->file('cut.png', substr($png, 0, (int) (strlen($png) * 0.6))), 'damaged');
        $this->assertRefused($this->file('text.png', 'This is no picture at all.'), 'not a PNG');
        $this->assertRefused($this->file('empty.png', ''), 'not a PNG');
        $this->assertRefused(
            $this->file('drawing.svg', '<svg xmlns="http://www.w3.org/2000/svg"><image href="/etc/passwd"/></svg>'),
            'not a PNG',
        );
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
        $alpha = (ord($paint->alpha[45]) / 255) * 0.5;
        self::assertEqualsWithDelta(200 * (1 - $alpha) + ord($paint->red[45]) * $alpha, ord($result->red[45]), 1.5);
        self::assertNotSame(
            [1, 2, 3],
            array_slice($result->at(45, 0), 0, 3),
            'the merged image is never just handed on',
        );
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
        $stack = fn (string $inner, string $size = 'w="9" h="9"'): array => [
            'mimetype' => 'image/openraster',
            'stack.xml' => "<image $size><stack>$inner</stack></image>",
        ];
        $bad = [
            'bomb' => $this->archive(
                ['data/a.png' => str_repeat("\0", 60_000_000)] + $stack('<layer src="data/a.png"/>'),
            ),
            'a path out' => $this->archive($stack('<layer src="../../etc/passwd"/>')),
            'an absolute path' => $this->archive($stack('<layer src="/etc/passwd"/>')),
            'a missing part' => $this->archive($stack('<layer src="data/a.png"/>')),
            'entities' => $this->archive([
                'mimetype' => 'image/openraster',
                'stack.xml' => '<!DOCTYPE image [<!ENTITY x SYSTEM "file:///etc/passwd">]><image w="9" '
                    .'h="9"><stack>&x;</stack></image>',
            ]),
            'size' => $this->archive($stack('', 'w="60000" h="60000"')),
            'not ours' => $this->archive(['mimetype' => 'text/plain']),
            'no archive' => $this->file('x.ora', 'PK nothing'),
            'an unknown operator' => $this->archive(
                ['data/a.png' => (new ImageWriter)->write($this->gradient(), 'png')] +
                    $stack('<layer src="data/a.png" composite-op="svg:sparkle"/>'),
            ),
            'depth' => $this->archive($stack(str_repeat('<stack>', 90).str_repeat('</stack>', 90))),
            'a part of which is damaged' => ($damaged = $this->archive(
                ['data/a.png' => str_repeat('packed well ', 400)] + $stack('<layer src="data/a.png"/>'),
            )),
        ];
        $bytes = (string) file_get_contents($damaged);
        file_put_contents(
            $damaged,
            substr_replace($bytes, str_repeat("\xff", 12), (int) strpos($bytes, 'data/a.png') + 10, 12),
        );
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
            $zip->addFromString(
                "data/$i.png",
                substr_replace(
                    (new PngWriter)->paint(Paint::solid(20, 10, [1, 2, 3])),
                    pack('NN', $width, $height),
                    16,
                    8,
                ),
            );
        }
        $zip->close();

        return $path;
    }

    private const STACK = '<image w="20" h="10"><stack><layer src="data/0.png"/><layer src="data/1.png"/><layer src="data/2.png"/><layer src="data/3.png"/><layer src="data/4.png"/><layer src="data/4.png"/></stack></image>';

    public function test_a_layer_list_is_utf_8_and_declares_nothing(): void
    {
        self::assertSame(20, (new OpenRasterFile($this->openRaster(self::STACK)))->width);
        self::assertSame(
            20,
            (new OpenRasterFile($this->openRaster('<?xml version="1.0" encoding="UTF-8"?>'.self::STACK)))->width,
        );
        $bomb = '<!DOCTYPE image [<!ENTITY a "aaaa">]>'.self::STACK;
        foreach (
            [
                $bomb,
                mb_convert_encoding('<?xml version="1.0" encoding="UTF-16"?>'.$bomb, 'UTF-16'),
                "\xff\xfe".mb_convert_encoding(self::STACK, 'UTF-16LE'),
                '<?xml version="1.0" encoding="UTF-7"?>'.self::STACK,
            ] as $stack
        ) {
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

    /**
     * A TIFF of one strip, uncompressed, written by the book (TIFF 6.0; BigTIFF as libtiff describes it).
     *
     * @param  array<int, list<int>>  $fields  of 16-bit values, by tag
     * @param  int  $pictures  times the same directory stands in the file
     */
    private function tiff(
        int $width,
        int $height,
        array $fields,
        string $data,
        bool $isBig = false,
        int $pictures = 1,
    ): string {
        $fields += [
            256 => [$width],
            257 => [$height],
            259 => [1],
            273 => [-1],
            277 => [1],
            278 => [$height],
            279 => [strlen($data)],
        ];
        ksort($fields);
        $size = ($isBig ? 8 : 2) + ($isBig ? 20 : 12) * count($fields) + ($isBig ? 8 : 4);
        $start = $isBig ? 16 : 8;
        $over = '';
        $directories = '';
        for ($picture = 0; $picture < $pictures; $picture++) {
            $directories .= pack($isBig ? 'P' : 'v', count($fields));
            foreach ($fields as $tag => $values) {
                if ($values === [-1]) {
                    $values = [$start + $pictures * $size + 100];
                }
                $bytes = pack('v*', ...$values);
                $room = $isBig ? 8 : 4;
                $directories .= pack($isBig ? 'vvP' : 'vvV', $tag, 3, count($values));
                $directories .=
                    strlen($bytes) <= $room
                        ? str_pad($bytes, $room, "\0")
                        : pack($isBig ? 'P' : 'V', $start + $pictures * $size + strlen($over));
                $over .= strlen($bytes) <= $room ? '' : $bytes;
            }
            $directories .= pack($isBig ? 'P' : 'V', $picture + 1 < $pictures ? $start + ($picture + 1) * $size : 0);
        }

        return ($isBig ? 'II'.pack('vvvP', 43, 8, 0, 16) : 'II'.pack('vV', 42, 8)).
            $directories.
            str_pad($over, 100, "\0").
            $data;
    }

    /** @return list<int> the red of the first row */
    private function row(string $bytes, string $name = 'x.tif'): array
    {
        $picture = (new ImageReader)->read($this->file($name, $bytes));

        return array_map(fn (int $x): int => $picture->paint->at($x, 0)[0], range(0, $picture->width() - 1));
    }

    public function test_greys_of_which_nothing_is_white_are_turned_over_at_every_depth(): void
    {
        $data = [1 => "\xa5", 2 => "\x1b\xe4", 4 => "\x01\x5a\xf8\x30", 8 => "\0\x32\x64\x96\xc8\xfa\xff\x09"];
        $black = [
            1 => [255, 0, 255, 0, 0, 255, 0, 255],
            2 => [0, 85, 170, 255, 255, 170, 85, 0],
            4 => [0, 17, 85, 170, 255, 136, 51, 0],
            8 => [0, 50, 100, 150, 200, 250, 255, 9],
        ];
        foreach ($data as $bits => $row) {
            self::assertSame(
                $black[$bits],
                $this->row($this->tiff(8, 1, [258 => [$bits], 262 => [1]], $row)),
                "$bits bits, 0 is black",
            );
            self::assertSame(
                array_map(fn (int $value): int => 255 - $value, $black[$bits]),
                $this->row($this->tiff(8, 1, [258 => [$bits], 262 => [0]], $row)),
                "$bits bits, 0 is white",
            );
            self::assertTrue((new ImageReader)->read("$this->folder/x.tif")->grey);
        }
    }

    public function test_a_sample_that_is_not_alpha_hides_nothing(): void
    {
        $pixels = "\xc8\x96\x64\x28\x0a\x14\x1e\x28";
        $fields = [258 => [8, 8, 8, 8], 262 => [2], 277 => [4]];
        $read = fn (int $extra): array => (new ImageReader)
            ->read($this->file('x.tif', $this->tiff(2, 1, $fields + [338 => [$extra]], $pixels)))
            ->paint->at(0, 0);
        self::assertSame([200, 150, 100, 255], $read(0), 'what it is, is not said');
        self::assertSame([200, 150, 100, 40], $read(2), 'alpha');
    }

    public function test_large_tiffs_and_those_of_several_pages_are_read_and_told(): void
    {
        $read = fn (string $bytes) => (new ImageReader)->read($this->file('x.tif', $bytes));
        $fields = [258 => [8], 262 => [1]];
        $big = $read($this->tiff(3, 2, $fields, "\x01\x02\x03\x04\x05\x06", true));
        self::assertSame(
            [3, 2, 1, 6, 1],
            [$big->width(), $big->height(), $big->paint->at(0, 0)[0], $big->paint->at(2, 1)[0], $big->pictures],
        );
        self::assertSame(3, $read($this->tiff(3, 2, $fields, "\x01\x02\x03\x04\x05\x06", false, 3))->pictures);
        self::assertSame(1, $read($this->tiff(3, 2, $fields, "\x01\x02\x03\x04\x05\x06"))->pictures);
        $this->expectException(UnreadableImage::class);
        $read(substr($this->tiff(3, 2, $fields, 'abcdef', true), 0, 20));
    }

    public function test_any_picture_of_a_tiff_is_read(): void
    {
        $file = $this->file('both.tif', '');
        $both = new \Imagick;
        foreach ([[5, 3, '#204060'], [7, 2, '#a0c0e0']] as [$width, $height, $colour]) {
            $both->newImage($width, $height, new \ImagickPixel($colour), 'tiff');
        }
        $both->writeImages("tiff:$file", true);
        $size = fn (int $number): array => [
            ($picture = (new ImageReader)->read($file, false, $number))->width(),
            $picture->height(),
            $picture->pictures,
            $picture->paint->at(1, 1)[0],
        ];
        self::assertSame([[5, 3, 2, 0x20], [7, 2, 2, 0xA0]], [$size(1), $size(2)]);
        $this->expectExceptionMessage('The file has no picture 3: it has 2.');
        $size(3);
    }

    public function test_a_jpeg_of_four_inks_is_taken_for_a_negative_unless_it_says_whose_it_is(): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'jpeg');
        $adobe = "\xff\xee\0\x0eAdobe\0\x64\0\0\0\0\x02";
        $isNegative = function (int $colours, string $before, string $end) use ($file): bool {
            $frame = "\x08\0\x05\0\x07".chr($colours).str_repeat("\x01\x11\0", $colours);
            file_put_contents($file, "\xff\xd8$before\xff\xc0".pack('n', strlen($frame) + 2).$frame.$end);
            $header = ImageHeader::of($file);
            self::assertSame([7, 5], [$header->width, $header->height]);

            return $header->isNegative;
        };
        foreach (['whole' => "\xff\xd9", 'cut' => ''] as $how => $end) {
            self::assertTrue($isNegative(4, '', $end), $how);
            self::assertFalse($isNegative(4, $adobe, $end), $how);
            self::assertFalse($isNegative(3, '', $end), $how);
            self::assertFalse($isNegative(1, '', $end), $how);
        }
        unlink($file);
    }

    public function test_of_an_svg_only_shapes_are_left(): void
    {
        $svg = fn (
            string $inside,
            string $more = '',
        ): string => '<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="9" height="8"'.
            $more.
            '>'.
            $inside.
            '</svg>';
        $left = fn (string $inside, string $more = ''): string => (string) preg_replace(
            '/^<svg [^>]*?( height="8"[^>]*)?\/?>|<\/svg>$/',
            '$1',
            PlainSvg::of($svg($inside, $more)),
        );
        self::assertSame(
            ' height="8"<path d="M0 0L1 1" style="fill:none"/>',
            $left('<path d="M0 0L1 1" style="fill:none"/>'),
        );
        self::assertSame(
            ' height="8"<g><rect width="3"/></g>',
            $left("<g>\n<!-- x --><rect width=\"3\"/>\n<text>words</text></g>"),
        );
        self::assertSame(
            ' height="8"<style>.a{fill:none}</style>',
            $left('<style>.a{fill:none}</style>'),
            'a style that stays inside',
        );
        self::assertSame(
            ' height="8"<style>.a{}</style><g/>',
            $left('<style>.a{}</style>words<g>more words</g>'),
            'words after a style are no style',
        );
        foreach (
            [
                '<script>x()</script>',
                '<image href="x.png"/>',
                '<foreignObject><p xmlns="http://www.w3.org/1999/xhtml">x</p></foreignObject>',
                '<p xmlns="urn:other">x</p>',
            ] as $gone
        ) {
            self::assertSame(' height="8"<g/>', $left($gone.'<g/>'), $gone);
        }
        self::assertSame(
            ' height="8"<use xlink:href="#a"/><use/><use/>',
            $left('<use href="#a"/><use xlink:href="http://x/#a"/><use href=" data:image/png;base64,AA"/>'),
        );
        self::assertSame(
            ' height="8"<g fill="url(#a)"/><g/><g/><style/>',
            $left(
                '<g fill="url(#a)"/><g fill="url(http://x)"/><g style="x:URL( \'http://x\')" '
                    .'onclick="x()"/><style>@import "x";</style>',
            ),
        );
        self::assertSame(' height="8"<g/>', $left('<g xmlns:o="urn:o" o:href="http://x" o:d="M0"/>'));
        self::assertTrue(PlainSvg::is("\xef\xbb\xbf<?xml version='1.0'?>\n<!-- made by hand --><svg xmlns='x'>"));
        self::assertFalse(PlainSvg::is('<html><svg>'));
        foreach (
            [
                '' => 'not an SVG',
                '<p/>' => 'not an SVG',
                $svg('<g>') => 'not an SVG',
                $svg(str_repeat('<g>', 70).str_repeat('</g>', 70)) => 'nested deeper',
                $svg(str_repeat('<g/>', 200_001)) => 'more than 200000 parts',
                $svg(str_repeat('<path d="M'.str_repeat('1 2 ', 1_700_000).'"/>', 3)) => 'two million points',
                "<svg xmlns=\"http://www.w3.org/2000/svg\" a=\"\xff\"/>" => 'UTF-8',
            ] as $bad => $said
        ) {
            try {
                PlainSvg::of($bad);
                self::fail("$said was taken");
            } catch (UnreadableImage $error) {
                self::assertStringContainsString($said, $error->getMessage());
            }
        }
    }

    /** @param  list<array{string, string}>  $chunks */
    private function png(array $chunks): string
    {
        return "\x89PNG\r\n\x1a\n".
            implode(
                '',
                array_map(
                    fn (array $chunk): string => pack('N', strlen($chunk[1])).
                        $chunk[0].
                        $chunk[1].
                        pack('N', crc32($chunk[0].$chunk[1])),
                    $chunks,
                ),
            );
    }

    /** Red, then black, above green, then blue. */
    private function fourColours(): array
    {
        return [
            ['IHDR', pack('NNCCCCC', 2, 2, 8, 2, 0, 0, 0)],
            ['IDAT', (string) gzcompress("\0\xff\0\0\0\0\0\0\0\xff\0\0\0\xff")],
            ['IEND', ''],
        ];
    }

    public function test_pictures_are_set_upright_whatever_they_are_kept_in(): void
    {
        $exif = "II*\0\x08\0\0\0\x01\0\x12\x01\x03\0\x01\0\0\0\x06\0\0\0\0\0\0\0";
        [$head, $data, $end] = $this->fourColours();
        $lying = (new ImageReader)->read($this->file('x.png', $this->png([$head, $data, $end])))->paint;
        self::assertSame(
            [[255, 0, 0], [0, 0, 0], [0, 255, 0], [0, 0, 255]],
            array_map(fn (array $at): array => array_slice($lying->at(...$at), 0, 3), [[0, 0], [1, 0], [0, 1], [1, 1]]),
        );
        $webp = new \Imagick;
        $webp->readImageBlob($this->png([$head, $data, $end]));
        $webp->setOption('webp:lossless', 'true');
        $webp->setImageFormat('webp');
        $plain = $webp->getImageBlob();
        $chunks = substr($plain, 12).'EXIF'.pack('V', strlen($exif)).$exif;
        $extended = 'VP8X'.pack('V', 10)."\x08\0\0\0\x01\0\0\x01\0\0".$chunks;
        foreach (
            [
                'x.png' => $this->png([$head, ['eXIf', $exif], $data, $end]),
                'x.webp' => 'RIFF'.pack('V', 4 + strlen($extended)).'WEBP'.$extended,
            ] as $name => $bytes
        ) {
            $upright = (new ImageReader)->read($this->file($name, $bytes))->paint;
            self::assertSame(
                [[0, 255, 0], [255, 0, 0], [0, 0, 255], [0, 0, 0]],
                array_map(fn (array $at): array => array_slice($upright->at(...$at), 0, 3), [
                    [0, 0],
                    [1, 0],
                    [0, 1],
                    [1, 1],
                ]),
                $name,
            );
        }
    }

    public function test_primaries_that_a_png_names_are_brought_to_srgb(): void
    {
        $head = ['IHDR', pack('NNCCCCC', 1, 1, 8, 2, 0, 0, 0)];
        $data = ['IDAT', (string) gzcompress("\0\xc8\x96\x64")];
        $chrm = fn (int ...$points): array => ['cHRM', pack('N*', ...$points)];
        $read = fn (array ...$chunks): array => array_slice(
            (new ImageReader)
                ->read($this->file('x.png', $this->png([$head, ...$chunks, $data, ['IEND', '']])))
                ->paint->at(0, 0),
            0,
            3,
        );
        $wide = $chrm(31270, 32900, 64000, 33000, 21000, 71000, 15000, 6000);
        // The matrices of Adobe RGB (1998) to XYZ and of XYZ to sRGB, both for D65, as published by Lindbloom; from
        // memory.
        $light = array_map(fn (int $value): float => \Awning\Core\Colour\LinearRgb::decode($value / 255), [
            200,
            150,
            100,
        ]);
        $times = fn (array $matrix, array $vector): array => array_map(
            fn (array $row): float => $row[0] * $vector[0] + $row[1] * $vector[1] + $row[2] * $vector[2],
            $matrix,
        );
        $xyz = $times(
            [[0.5767309, 0.185554, 0.1881852], [0.2973769, 0.6273491, 0.0752741], [0.0270343, 0.0706872, 0.9911085]],
            $light,
        );
        $srgb = $times(
            [[3.2404542, -1.5371385, -0.4985314], [-0.969266, 1.8760108, 0.041556], [0.0556434, -0.2040259, 1.0572252]],
            $xyz,
        );
        self::assertEqualsWithDelta(
            array_map(fn (float $value): float => 255 * \Awning\Core\Colour\LinearRgb::encode($value), $srgb),
            $read($wide),
            1.0,
        );
        self::assertSame(
            [200, 150, 100],
            $read($chrm(31270, 32900, 64000, 33000, 30000, 60000, 15000, 6000)),
            'sRGB\'s own',
        );
        self::assertSame([200, 150, 100], $read($wide, ['sRGB', "\0"]), 'sRGB says it better');
        self::assertSame([200, 150, 100], $read($chrm(0, 0, 0, 0, 0, 0, 0, 0)), 'no colours at all');
        self::assertNotSame($read($wide), $read(['gAMA', pack('N', 55556)], $wide), 'on a curve of its own, too');
    }

    public function test_ink_amounts_in_a_jpeg_are_turned_over_only_where_adobe_says_so(): void
    {
        $image = new \Imagick;
        $image->newImage(8, 8, new \ImagickPixel('cmyk(0, 255, 255, 0)'));
        $image->transformImageColorspace(\Imagick::COLORSPACE_CMYK);
        $image->setImageFormat('jpeg');
        $image->setImageCompressionQuality(98);
        $bytes = $image->getImageBlob();
        $at = strpos($bytes, "\xff\xee");
        self::assertIsInt($at);
        $length = 2 + ((ord($bytes[$at + 2]) << 8) | ord($bytes[$at + 3]));
        $read = fn (string $bytes): array => (new ImageReader)->read($this->file('x.jpg', $bytes))->paint->at(3, 3);
        self::assertEqualsWithDelta([255, 0, 0, 255], $read($bytes), 6.0);
        self::assertEqualsWithDelta(
            [0, 0, 0, 255],
            $read(substr_replace($bytes, '', $at, $length)),
            6.0,
            'the same numbers, as amounts of ink: black over all',
        );
    }
}

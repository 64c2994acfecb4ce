<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Codec\OpenRasterFile;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Compose\OpenRasterRenderer;
use Awning\Core\Raster\Paint;
use PHPUnit\Framework\TestCase;
use ZipArchive;

/**
 * What the composite operators, isolation, offsets and visibility of the OpenRaster specification come to, worked out
 * by hand.
 */
final class OpenRasterRenderTest extends TestCase
{
    /**
     * @param  array<string, Paint>  $layers
     * @return array{int, int, int, int} the pixel in the middle of a 10 x 10 picture
     */
    private function render(string $stack, array $layers, int $x = 5, int $y = 5): array
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'ora');
        unlink($path);
        $zip = new ZipArchive;
        $zip->open($path, ZipArchive::CREATE);
        $zip->addFromString('mimetype', 'image/openraster');
        $zip->addFromString('stack.xml', "<image w=\"10\" h=\"10\"><stack>$stack</stack></image>");
        foreach ($layers as $name => $paint) {
            $zip->addFromString("data/$name.png", (new PngWriter)->paint($paint));
        }
        $zip->close();
        try {
            return (new OpenRasterRenderer(new OpenRasterFile($path)))->render()->at($x, $y);
        } finally {
            unlink($path);
        }
    }

    /** @return array<string, Paint> */
    private function layers(): array
    {
        return [
            'back' => Paint::solid(10, 10, [200, 100, 40]),
            'half' => Paint::solid(10, 10, [100, 200, 250], 128),
            'small' => Paint::solid(4, 4, [0, 0, 255]),
        ];
    }

    /** @param  list<float|int>  $expected */
    private function assertPixel(array $expected, string $stack, string $what, int $x = 5, int $y = 5): void
    {
        $pixel = $this->render($stack, $this->layers(), $x, $y);
        if ($expected[3] == 0) {
            self::assertSame(0, $pixel[3], $what);

            return;
        }
        foreach ($expected as $i => $value) {
            self::assertEqualsWithDelta($value, $pixel[$i], 1.01, "$what, part $i");
        }
    }

    public function test_operators_that_change_where_the_picture_is(): void
    {
        $a = 128 / 255;
        $over = fn (float $s, float $b, float $alpha): float => $s * $alpha + $b * (1 - $alpha);
        $top = fn (
            string $operator,
            string $more = '',
        ): string => "<layer src=\"data/half.png\" composite-op=\"svg:$operator\" $more/><layer src=\"data/back.png\"/>";
        $this->assertPixel(
            [$over(100, 200, $a), $over(200, 100, $a), $over(250, 40, $a), 255],
            $top('src-atop'),
            'src-atop',
        );
        $this->assertPixel([200, 100, 40, 128], $top('dst-in'), 'dst-in');
        $this->assertPixel([200, 100, 40, 127], $top('dst-out'), 'dst-out');
        $this->assertPixel([200, 100, 40, 191], $top('dst-out', 'opacity="0.5"'), 'dst-out at half opacity');
        $this->assertPixel(
            [min(255, 200 + 100 * $a), min(255, 100 + 200 * $a), min(255, 40 + 250 * $a), 255],
            $top('plus'),
            'plus',
        );
        // A source that covers only a corner counts as clear elsewhere.
        $this->assertPixel(
            [0, 0, 0, 0],
            '<layer src="data/small.png" composite-op="svg:dst-in"/><layer src="data/back.png"/>',
            'dst-in outside its source',
        );
        $this->assertPixel(
            [200, 100, 40, 255],
            '<layer src="data/small.png" composite-op="svg:dst-in"/><layer src="data/back.png"/>',
            'dst-in inside its source',
            2,
            2,
        );
        $this->assertPixel(
            [200, 100, 40, 255],
            '<layer src="data/small.png" composite-op="svg:src-atop"/><layer src="data/back.png"/>',
            'src-atop outside its source',
        );
    }

    public function test_offsets_add_up_through_stacks_and_hidden_things_stay_hidden(): void
    {
        $stack = '<stack x="3" y="2"><layer src="data/small.png" x="2" y="3"/></stack><layer src="data/back.png"/>';
        $this->assertPixel([0, 0, 255, 255], $stack, 'inside', 5, 5);
        $this->assertPixel([0, 0, 255, 255], $stack, 'its last pixel', 8, 8);
        $this->assertPixel([200, 100, 40, 255], $stack, 'before it', 4, 5);
        $this->assertPixel([200, 100, 40, 255], $stack, 'behind it', 9, 9);
        $this->assertPixel(
            [200, 100, 40, 255],
            '<stack visibility="hidden"><layer src="data/half.png"/></stack><layer src="data/half.png" '
                .'visibility="hidden"/><layer src="data/back.png"/>',
            'hidden',
        );
        $this->assertPixel(
            [0, 0, 255, 255],
            '<layer src="data/small.png" x="-2" y="-1"/><layer src="data/back.png"/>',
            'cut at the edge',
            1,
            2,
        );
    }

    public function test_isolation_decides_what_a_layer_blends_with(): void
    {
        $a = 128 / 255;
        $inner = '<layer src="data/half.png" composite-op="svg:multiply"/>';
        $back = '<layer src="data/back.png"/>';
        $this->assertPixel(
            [
                200 * (1 - $a) + ((200 * 100) / 255) * $a,
                100 * (1 - $a) + ((100 * 200) / 255) * $a,
                40 * (1 - $a) + ((40 * 250) / 255) * $a,
                255,
            ],
            "<stack>$inner</stack>$back",
            'not isolated',
        );
        $this->assertPixel(
            [200 * (1 - $a) + 100 * $a, 100 * (1 - $a) + 200 * $a, 40 * (1 - $a) + 250 * $a, 255],
            "<stack isolation=\"isolate\">$inner</stack>$back",
            'isolated',
        );
        // An opacity of its own makes a stack isolated, whatever it says.
        $this->assertPixel(
            [
                200 * (1 - $a / 2) + (100 * $a) / 2,
                100 * (1 - $a / 2) + (200 * $a) / 2,
                40 * (1 - $a / 2) + (250 * $a) / 2,
                255,
            ],
            "<stack opacity=\"0.5\">$inner</stack>$back",
            'faded',
        );
        // Inside an isolated stack dst-out bites only what is in the stack.
        $this->assertPixel(
            [200, 100, 40, 255],
            "<stack isolation=\"isolate\"><layer src=\"data/back.png\" composite-op=\"svg:dst-out\"/><layer src=\"data/half.png\"/></stack>$back",
            'dst-out inside',
        );
        $this->assertPixel(
            [0, 0, 0, 0],
            "<stack><layer src=\"data/back.png\" composite-op=\"svg:dst-out\"/></stack>$back",
            'dst-out through',
        );
    }
}

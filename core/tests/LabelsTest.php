<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Raster\Rect;
use PHPUnit\Framework\TestCase;

/** Where labels of a plane lie. */
final class LabelsTest extends TestCase
{
    use DrawsLabels;

    public function test_a_box_holds_all_pixels_of_some_labels_and_no_more(): void
    {
        $labels = self::drawn(17, 11, fn (int $x, int $y): int => match (true) {
            $x >= 3 && $x < 6 && $y >= 2 && $y < 9 => 4,
            $x === 14 && $y === 10 => 300,
            $y === 0 => 7,
            default => 1,
        });
        self::assertEquals(new Rect(3, 2, 3, 7), $labels->boxOf([4]));
        self::assertEquals(new Rect(14, 10, 1, 1), $labels->boxOf([300]));
        self::assertEquals(new Rect(3, 2, 12, 9), $labels->boxOf([300, 4]));
        self::assertEquals(new Rect(0, 0, 17, 1), $labels->boxOf([7]), 'a row from edge to edge');
        self::assertEquals(new Rect(0, 1, 17, 10), $labels->boxOf([1]), 'rows that run on');
        self::assertNull($labels->boxOf([44, 255]));
        self::assertNull($labels->boxOf([]));
    }

    public function test_paper_reaches_all_four_edges(): void
    {
        $panel = fn (int $x, int $y): int => $x > 2 && $x < 14 && $y > 2 && $y < 8 ? 5 : 9;
        self::assertSame([9], array_keys(self::drawn(17, 11, $panel)->aroundAll()));
        foreach ([[0, 0, 1, 11], [16, 0, 1, 11], [0, 0, 17, 1], [0, 10, 17, 1]] as [$left, $top, $width, $height]) {
            $bled = self::drawn(17, 11, fn (int $x, int $y): int => $x >= $left && $x < $left + $width &&
                $y >= $top && $y < $top + $height ? 5 : $panel($x, $y));
            self::assertSame([], array_keys($bled->aroundAll()), "$left, $top");
        }
        // Two that share the edges both run round.
        $both = array_keys(self::drawn(17, 11, fn (int $x, int $y): int => ($x + $y) % 2 === 0 ? 3 : 8)->aroundAll());
        sort($both);
        self::assertSame([3, 8], $both);
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Flats\Silhouette;
use Awning\Core\Ink\CleanScan;
use Awning\Core\Ink\Levels;
use Awning\Core\Ink\PlacedDrawing;
use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\CleanSettings;
use Awning\Core\Page\Drawing\Drawing;
use Awning\Core\Page\Drawing\DrawingSource;
use Awning\Core\Page\Drawing\InkStroke;
use Awning\Core\Page\Drawing\Placement;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\PageSize;
use Awning\Core\Raster\Outline;
use Awning\Core\Raster\Plane;
use Awning\Core\Sheet\InkLayers;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\Ops\Ink\ChangeDrawing;
use Awning\Core\Sheet\Ops\Ink\DrawInk;
use Awning\Core\Sheet\Ops\Ink\EnlargePage;
use Awning\Core\Sheet\Ops\Ink\LayInk;
use Awning\Core\Sheet\Ops\Ink\RemoveDrawing;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\MemorySource;
use PHPUnit\Framework\TestCase;

/** Drawings cut to a part, laid before and behind each other. */
final class PlaceTest extends TestCase
{
    private MemorySource $source;

    protected function setUp(): void
    {
        $this->source = new MemorySource;
    }

    private function apply(Op $op): void
    {
        $sheet = new Sheet($this->source);
        $op->apply($sheet);
        $this->source->store($sheet->takeChange());
    }

    /**
     * Frames of ink, 3 px thick.
     *
     * @param  list<array{int, int, int, int}>  $frames  left, top, right, bottom
     */
    private function frames(int $width, int $height, array $frames): Plane
    {
        $data = str_repeat("\0", $width * $height);
        foreach ($frames as [$left, $top, $right, $bottom]) {
            for ($y = $top; $y < min($bottom, $height); $y++) {
                for ($x = $left; $x < $right; $x++) {
                    if (min($x - $left, $right - 1 - $x, $y - $top, $bottom - 1 - $y) < 3) {
                        $data[$y * $width + $x] = "\xff";
                    }
                }
            }
        }

        return new Plane($width, $height, $data);
    }

    private function placed(Plane $ink, ?PageSize $page = null, ?Placement $place = null, int $order = 0): PlacedDrawing
    {
        return PlacedDrawing::of(
            new CleanScan($ink, new Levels(20, 200), $ink),
            new CleanSettings,
            new DrawingSource(1, 'Frame', 300),
            $page,
            $place,
            null,
            $order,
        );
    }

    private function lay(PlacedDrawing $placed, string $id): void
    {
        $this->apply(new LayInk("Lay $id", $placed, (new FlatsFinder)->find($placed->lines), $id));
    }

    private function inkAt(int $x, int $y): int
    {
        $sheet = new Sheet($this->source);

        return ord($sheet->layer(LayerName::ink())[$y * $sheet->size()->width + $x]);
    }

    public function test_only_the_pixels_whose_middles_lie_inside_are_kept(): void
    {
        $all = new Plane(6, 4, str_repeat("\x07", 24));
        self::assertSame(
            "\0\0\0\0\0\0"."\0\7\7\7\0\0"."\0\7\7\7\0\0"."\0\0\0\0\0\0",
            (new Outline([[0.5, 0.6], [4.4, 0.6], [4.4, 2.9], [0.6, 2.9]]))->keep($all)->data,
        );
        $lozenge = [[3.0, 0.0], [6.0, 2.0], [3.0, 4.0], [0.0, 2.0]];
        self::assertSame(
            "\0\0\7\7\0\0"."\0\7\7\7\7\0"."\0\7\7\7\7\0"."\0\0\7\7\0\0",
            (new Outline($lozenge))->keep($all)->data,
        );
        self::assertSame(
            (new Outline($lozenge))->keep($all)->data,
            (new Outline(array_reverse($lozenge)))->keep($all)->data,
            'either way round',
        );
        self::assertSame(
            str_repeat("\0", 24),
            (new Outline([[9.0, 0.0], [12.0, 0.0], [12.0, 4.0], [9.0, 4.0]]))->keep($all)->data,
        );
    }

    public function test_a_part_of_a_drawing_is_laid_where_it_was(): void
    {
        $full = new Plane(100, 60, str_repeat("\xff", 6000));
        $page = new PageSize(300, 200, 300);
        $at = fn (Placement $place): \Closure => function (int $x, int $y) use ($full, $page, $place): array {
            $placed = $this->placed($full, $page, $place);

            return [$placed->lines->at($x, $y), $placed->darkness->at($x, $y)];
        };
        $plain = $at(new Placement(150, 100, crop: [10, 5, 40, 60]));
        self::assertSame(
            [[255, 255], [0, 0], [255, 255], [0, 0]],
            [$plain(112, 80), $plain(108, 80), $plain(139, 128), $plain(141, 128)],
            'left 110, right 140',
        );
        self::assertSame([[0, 0], [255, 255]], [$plain(120, 74), $plain(120, 76)], 'top 75');
        $mirrored = $at(new Placement(150, 100, 2, 0, true, crop: [10, 5, 40, 60]));
        self::assertSame(
            [[255, 255], [0, 0], [255, 255], [0, 0]],
            [$mirrored(228, 100), $mirrored(232, 100), $mirrored(172, 100), $mirrored(168, 100)],
            'mirrored and twice as large',
        );
        $turned = $at(new Placement(150, 100, 1, 90, crop: [10, 5, 40, 60]));
        self::assertSame([[255, 255], [0, 0]], [$turned(150, 62), $turned(150, 58)], 'its left side is above');
        $sheet = $at(new Placement(150, 100, corners: [[20, 10], [80, 10], [80, 50], [20, 50]]));
        self::assertSame(
            [[255, 255], [0, 0]],
            [$sheet(122, 100), $sheet(118, 100)],
            'of a sheet that is cut out nothing round it stays',
        );
        $cut = $at(new Placement(150, 100, corners: [[20, 10], [80, 10], [80, 50], [20, 50]], crop: [30, 0, 60, 40]));
        self::assertSame([[0, 0], [255, 255]], [$cut(148, 100), $cut(152, 100)], 'and of that a part');
    }

    public function test_a_part_is_read_strictly(): void
    {
        $read = fn (mixed $crop): ?array => Placement::fromData(new Data(['x' => 1, 'y' => 2, 'crop' => $crop]))->crop;
        self::assertSame([1.0, 2.0, 3.5, 9.0], $read([1, 2, 3.5, 9]));
        self::assertNull($read(null));
        foreach ([[1, 2, 3], [1, 2, 1.5, 9], [1, 2, 3, 2], ['a', 2, 3, 4], 'all', [1, 2, 3, 1e9]] as $bad) {
            try {
                $read($bad);
                self::fail(json_encode($bad).' was taken');
            } catch (\InvalidArgumentException $error) {
                self::assertNotSame('', $error->getMessage());
            }
        }
    }

    public function test_a_silhouette_is_all_that_lines_enclose(): void
    {
        $ink = $this->frames(200, 150, [[50, 40, 150, 160]]);
        $open = $ink->data;
        for ($x = 80; $x < 86; $x++) {
            for ($y = 40; $y < 43; $y++) {
                $open[$y * 200 + $x] = "\0";
            }
        }
        foreach ([$ink, new Plane(200, 150, $open)] as $drawing) {
            $inside = (new Silhouette)->of($drawing, 300);
            self::assertSame(
                [0, 255, 255, 0, 0],
                [
                    $inside->at(48, 90),
                    $inside->at(51, 90),
                    $inside->at(100, 90),
                    $inside->at(151, 90),
                    $inside->at(100, 39),
                ],
            );
            self::assertSame(255, $inside->at(100, 149), 'cut by the lower edge it still is inside');
        }
        self::assertSame(
            str_repeat("\0", 400),
            (new Silhouette)->of(new Plane(20, 20, str_repeat("\0", 400)), 300)->data,
        );
        self::assertSame(
            str_repeat("\xff", 400),
            (new Silhouette)->of(new Plane(20, 20, str_repeat("\xff", 400)), 300)->data,
        );
    }

    public function test_what_covers_hides_what_lies_behind_it_and_nothing_else(): void
    {
        $this->lay(
            $this->placed($this->frames(400, 300, [[20, 100, 380, 200], [120, 20, 180, 280]]), order: 3),
            'backdrop',
        );
        $page = (new Sheet($this->source))->size();
        $figure = fn (bool $covers): PlacedDrawing => $this->placed(
            $this->frames(100, 100, [[10, 10, 90, 90]]),
            $page,
            new Placement(150, 150, covers: $covers),
            4,
        );
        $this->lay($figure(false), 'figure');
        self::assertSame(
            [255, 255, 255],
            [$this->inkAt(121, 150), $this->inkAt(111, 150), $this->inkAt(121, 50)],
            'lines through each other',
        );
        $this->lay($figure(true), 'figure');
        self::assertSame(
            [0, 255, 255],
            [$this->inkAt(121, 150), $this->inkAt(111, 150), $this->inkAt(121, 50)],
            'hidden inside, there outside',
        );
        $this->apply(new ChangeDrawing('figure', new Data(['order' => 1])));
        self::assertSame(255, $this->inkAt(121, 150), 'behind the backdrop it hides nothing of it');
        self::assertTrue((new Sheet($this->source))->size()->behind);
        $this->apply(new ChangeDrawing('figure', new Data(['order' => 9])));
        self::assertSame(0, $this->inkAt(121, 150));
        $this->apply(new EnlargePage(2.0));
        self::assertSame(
            [0, 255, 255],
            [$this->inkAt(243, 300), $this->inkAt(223, 300), $this->inkAt(243, 100)],
            'nor when the page is larger',
        );
        $this->apply(new ChangeDrawing('figure', new Data(['visible' => false])));
        self::assertSame([255, 0], [$this->inkAt(243, 300), $this->inkAt(223, 300)], 'unseen it hides nothing');
        $this->apply(new RemoveDrawing('figure'));
        self::assertSame(
            '',
            (new Sheet($this->source))->find(Drawing::class, 'figure') === null
                ? trim((new Sheet($this->source))->layer(LayerName::cover('figure')), "\0")
                : 'still there',
        );
    }

    public function test_ink_made_anew_in_parts_is_the_ink_made_anew(): void
    {
        $this->lay($this->placed($this->frames(700, 400, [[20, 100, 680, 200], [240, 20, 300, 390]])), 'drawing1');
        mt_srand(31);
        $line = fn (): InkStroke => new InkStroke(
            array_map(
                fn (): array => [(float) mt_rand(-30, 730), (float) mt_rand(-30, 430), mt_rand(1, 10) / 10],
                range(1, mt_rand(1, 3)),
            ),
            mt_rand(2, 60) / 2,
            mt_rand(0, 5) / 10,
            0.0,
            mt_rand(0, 2) / 2,
        );
        for ($step = 0; $step < 25; $step++) {
            $drawn = [];
            foreach (range(1, mt_rand(1, 3)) as $ignored) {
                $id = 'line000'.mt_rand(1, 8);
                $isThere = (new Sheet($this->source))->find(InkStroke::class, $id) !== null;
                $drawn[$id] = $isThere && mt_rand(0, 2) === 0 ? null : $line();
            }
            $this->apply(new DrawInk($drawn));
            $sheet = new Sheet($this->source);
            $now = $sheet->layer(LayerName::ink());
            (new InkLayers($sheet))->make();
            self::assertSame(sha1($sheet->layer(LayerName::ink())), sha1($now), "step $step");
        }
        $this->apply(new DrawInk(array_fill_keys(array_keys((new Sheet($this->source))->all(InkStroke::class)), null)));
        self::assertSame(
            (new Sheet($this->source))->layer(LayerName::drawing('drawing1')),
            (new Sheet($this->source))->layer(LayerName::ink()),
        );
    }

    public function test_order_alone_changes_no_ink(): void
    {
        $this->lay($this->placed($this->frames(100, 80, [[10, 10, 60, 60]])), 'drawing1');
        $this->apply(new ChangeDrawing('drawing1', new Data(['order' => 7, 'above' => true])));
        $sheet = new Sheet($this->source);
        self::assertFalse($sheet->size()->behind);
        self::assertSame(
            [7, true],
            [$sheet->find(Drawing::class, 'drawing1')?->order, $sheet->find(Drawing::class, 'drawing1')?->above],
        );
    }
}

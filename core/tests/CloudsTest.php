<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Colour\Rgb;
use Awning\Core\Compose\Weather\Clouds;
use Awning\Core\Exchange\MoodFile;
use Awning\Core\Page\Data;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\CloudsContent;
use Awning\Core\Page\Pass\ColourTurn;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Raster\Paint;
use Awning\Core\Raster\Rect;
use Awning\Core\Sheet\Export\GradedPicture;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Heaped clouds: where they lie, and where the light falls on them. */
final class CloudsTest extends TestCase
{
    private const WIDTH = 300;

    private const HEIGHT = 200;

    /** @param  array<string, mixed>  $dials */
    private static function content(array $dials = []): CloudsContent
    {
        $usual = ['colour' => '#ffffff', 'shade' => '#203040', 'heaps' => [[0.2, 0.25, 0.6, 0.5]], 'softness' => 0.0];

        return CloudsContent::fromData(new Data($dials + $usual));
    }

    /**
     * @param  array<string, mixed>  $dials
     * @return array{string, string} what is covered, and what of it lies in the light
     */
    private static function clouds(array $dials = [], ?Rect $rect = null): array
    {
        $page = new PageSize(self::WIDTH, self::HEIGHT);

        return (new Clouds(self::content($dials), $page))->in($rect ?? new Rect(0, 0, self::WIDTH, self::HEIGHT));
    }

    /** The mean of a plane over a rectangle of the page. */
    private static function mean(string $plane, int $left, int $top, int $right, int $bottom): float
    {
        $sum = 0;
        for ($y = $top; $y < $bottom; $y++) {
            foreach (str_split(substr($plane, $y * self::WIDTH + $left, $right - $left)) as $byte) {
                $sum += ord($byte);
            }
        }

        return $sum / (($right - $left) * ($bottom - $top));
    }

    /** The mean of the light over all that is covered in a rectangle. */
    private static function light(array $clouds, int $left, int $top, int $right, int $bottom): float
    {
        return self::mean($clouds[1], $left, $top, $right, $bottom) /
            self::mean($clouds[0], $left, $top, $right, $bottom);
    }

    public function test_a_cloud_fills_its_box_over_a_flat_foot_and_is_nowhere_else(): void
    {
        foreach ([1, 2, 3, 77] as $seed) {
            [$covered] = self::clouds(['seed' => $seed]);
            $inside = self::mean($covered, 60, 50, 240, 150);
            self::assertGreaterThan(0.4 * 255, $inside, "seed $seed");
            self::assertLessThan(0.95 * 255, $inside, 'its corners are empty');
            $below = self::mean($covered, 0, 151, self::WIDTH, self::HEIGHT);
            self::assertEqualsWithDelta(0, $below, 0.01, 'nothing below');
            self::assertGreaterThan(0.8 * 255, self::mean($covered, 90, 140, 210, 149), 'it stands on its foot');
            self::assertEqualsWithDelta(0, self::mean($covered, 0, 0, self::WIDTH, 35), 0.01, 'nothing far above');
            foreach ([[0, 45], [255, self::WIDTH]] as [$left, $right]) {
                self::assertEqualsWithDelta(0, self::mean($covered, $left, 0, $right, self::HEIGHT), 0.01);
            }
        }
    }

    /** @return list<array{float, list<int>, list<int>}> degrees; the half that is lit, and the one that is not */
    public static function lights(): array
    {
        return [
            [0.0, [150, 40, 245, 150], [55, 40, 150, 150]],
            [180.0, [55, 40, 150, 150], [150, 40, 245, 150]],
            [90.0, [60, 40, 240, 95], [60, 110, 240, 150]],
            [-90.0, [60, 110, 240, 150], [60, 40, 240, 95]],
        ];
    }

    /**
     * @param  list<int>  $lit
     * @param  list<int>  $unlit
     */
    #[DataProvider('lights')]
    public function test_the_side_toward_the_light_is_lit(float $light, array $lit, array $unlit): void
    {
        $clouds = self::clouds(['light' => $light, 'height' => 10.0]);
        self::assertGreaterThan(0.15 + self::light($clouds, ...$unlit), self::light($clouds, ...$lit));
    }

    public function test_light_from_the_reader_lies_on_all_and_from_behind_on_none(): void
    {
        $all = [55, 40, 245, 150];
        $front = self::light(self::clouds(['height' => 90.0]), ...$all);
        $side = self::light(self::clouds(['height' => 0.0]), ...$all);
        $behind = self::light(self::clouds(['height' => -90.0]), ...$all);
        self::assertGreaterThan(0.75, $front);
        self::assertTrue($side > 0.2 && $side < 0.7, "from the side: $side");
        self::assertEqualsWithDelta(0.0, $behind, 0.001);
    }

    public function test_contrast_leaves_less_between_light_and_shade(): void
    {
        $between = function (float $contrast): float {
            [$covered, $lit] = self::clouds(['contrast' => $contrast, 'height' => 20.0]);
            $middle = 0;
            foreach (str_split($lit) as $i => $byte) {
                $middle += $covered[$i] === "\xff" && ord($byte) > 20 && ord($byte) < 235 ? 1 : 0;
            }

            return $middle / substr_count($covered, "\xff");
        };
        self::assertGreaterThan(0.6, $between(0.0));
        self::assertLessThan(0.25, $between(1.0));
        self::assertGreaterThan($between(1.0), $between(0.5));
    }

    public function test_dials_do_what_they_say(): void
    {
        $soft = fn (string $plane): int => strlen($plane) - substr_count($plane, "\0") - substr_count($plane, "\xff");
        [$hard] = self::clouds();
        self::assertGreaterThan(3 * $soft($hard), $soft(self::clouds(['softness' => 1.0])[0]), 'softness');
        $edges = function (string $plane): int {
            $hard = array_fill_keys(array_map(chr(...), range(1, 254)), "\xff");
            $steps = 0;
            foreach (str_split($plane, self::WIDTH) as $row) {
                $steps += substr_count(strtr($row, $hard), "\0\xff");
            }

            return $steps;
        };
        $lumps = fn (float $size): int => array_sum(
            array_map(
                fn (int $seed): int => $edges(self::clouds(['lumps' => $size, 'seed' => $seed])[1]),
                [4, 5, 6, 7],
            ),
        );
        self::assertGreaterThan(1.3 * $lumps(60.0), $lumps(8.0), 'small lumps make more edges of light');
        $full = fn (float $full): string => self::clouds(['fullness' => $full])[0];
        self::assertNotSame($full(0.0), $full(1.0));
        $much = fn (string $plane): float => self::mean($plane, 50, 30, 250, 150);
        self::assertGreaterThan($much($full(0.0)), $much($full(1.0)), 'more lumps cover more');
    }

    public function test_lumps_are_never_larger_than_their_box_allows(): void
    {
        foreach ([1, 2, 3] as $seed) {
            [$covered] = self::clouds(['heaps' => [[0.4, 0.4, 0.2, 0.1]], 'lumps' => 120.0, 'seed' => $seed]);
            self::assertGreaterThan(60.0, self::mean($covered, 120, 80, 180, 100));
            self::assertSame(0.0, self::mean($covered, 0, 0, self::WIDTH, 72), 'above it');
            self::assertSame(0.0, self::mean($covered, 0, 0, 113, self::HEIGHT), 'left of it');
            self::assertSame(0.0, self::mean($covered, 187, 0, self::WIDTH, self::HEIGHT), 'right of it');
        }
    }

    public function test_clouds_that_are_asked_again_elsewhere_answer_for_there(): void
    {
        $clouds = new Clouds(self::content(), new PageSize(self::WIDTH, self::HEIGHT));
        [$left, $right] = [new Rect(70, 70, 50, 40), new Rect(180, 70, 50, 40)];
        $first = $clouds->in($left);
        self::assertNotSame($first, $clouds->in($right));
        self::assertSame($first, $clouds->in($left));
    }

    public function test_the_same_seed_gives_the_same_bytes_in_any_part_and_another_one_others(): void
    {
        $dials = ['heaps' => [[0.1, 0.1, 0.5, 0.4], [0.4, 0.3, 0.55, 0.5]], 'softness' => 0.6];
        $whole = self::clouds($dials);
        self::assertSame($whole, self::clouds($dials));
        self::assertNotSame($whole, self::clouds($dials + ['seed' => 2]));
        $part = new Rect(73, 31, 150, 111);
        foreach (self::clouds($dials, $part) as $plane => $bytes) {
            for ($y = 0; $y < $part->height; $y++) {
                self::assertSame(
                    substr($whole[$plane], ($part->y + $y) * self::WIDTH + $part->x, $part->width),
                    substr($bytes, $y * $part->width, $part->width),
                    "row $y",
                );
            }
        }
    }

    public function test_each_heap_is_another_and_stays_when_one_more_comes(): void
    {
        [$one] = self::clouds(['heaps' => [[0.0, 0.3, 0.45, 0.4]]]);
        [$both] = self::clouds(['heaps' => [[0.0, 0.3, 0.45, 0.4], [0.5, 0.3, 0.45, 0.4]]]);
        $half = fn (string $plane, int $from): array => array_map(
            fn (string $row): string => substr($row, $from, 135),
            str_split($plane, self::WIDTH),
        );
        self::assertSame($half($one, 0), $half($both, 0));
        self::assertSame(0, substr_count(implode('', $half($one, 150)), "\xff"));
        $towers = fn (int $from): array => array_slice($half($both, $from), 60, 50);
        self::assertNotSame($towers(0), $towers(150), 'two boxes of one size hold two clouds');
    }

    public function test_they_are_laid_in_their_two_colours(): void
    {
        $picture = fn (array $dials, ?ColourTurn $turn = null): Paint => (new GradedPicture)->of(
            Paint::solid(self::WIDTH, self::HEIGHT, [0, 0, 255]),
            [new PassSpec('Clouds', 0, self::content($dials), Scope::page(), turn: $turn)],
        );
        $lit = $picture(['height' => 90.0, 'contrast' => 1.0]);
        $unlit = $picture(['height' => -90.0]);
        self::assertSame([0xFF, 0xFF, 0xFF, 255], $lit->at(150, 120));
        self::assertSame([0x20, 0x30, 0x40, 255], $unlit->at(150, 120));
        self::assertSame([[0, 0, 255, 255], [0, 0, 255, 255]], [$lit->at(5, 5), $unlit->at(150, 170)]);
        $turned = $picture(['height' => 90.0, 'contrast' => 1.0], new ColourTurn(-0.3, 1.0, 0.0))->at(150, 120);
        self::assertLessThan(0xD0, $turned[0], 'a turn of the pass turns them');
    }

    public function test_what_is_wrong_is_refused_and_what_is_right_comes_back(): void
    {
        $content = new CloudsContent(
            new Rgb(1, 2, 3), new Rgb(4, 5, 6), [[-1.5, 0.25, 0.5, 2.0], [0.0, 0.0, 8.0, 0.001]], 55.5, 0.25, 0.75, 1.0,
            -45.0, -12.5, 65535,
        );
        self::assertEquals($content, CloudsContent::fromData(new Data($content->toData())));
        $layers = [new PassSpec('A layer', 0, $content, Scope::page())];
        self::assertEquals($layers, MoodFile::read(MoodFile::write('Weather', $layers))[1]);
        foreach (
            [
                ['heaps' => []],
                ['heaps' => [[0.1, 0.2, 0.3]]],
                ['heaps' => [[0.1, 0.2, 0.3, 0.0]]],
                ['heaps' => [[0.1, 0.2, 8.1, 0.3]]],
                ['heaps' => [[4.1, 0.2, 0.3, 0.3]]],
                ['heaps' => [[0.1, -4.1, 0.3, 0.3]]],
                ['heaps' => [['x', 0.2, 0.3, 0.3]]],
                ['heaps' => array_fill(0, 25, [0.1, 0.2, 0.3, 0.3])],
                ['lumps' => 3.9],
                ['lumps' => 120.1],
                ['fullness' => 1.1],
                ['softness' => -0.1],
                ['contrast' => 1.01],
                ['height' => 91.0],
                ['light' => 361.0],
                ['seed' => 65536],
                ['shade' => 'grey'],
            ] as $wrong
        ) {
            try {
                CloudsContent::fromData(new Data($wrong + $content->toData()));
                self::fail('It was taken: '.json_encode($wrong));
            } catch (\InvalidArgumentException|\RangeException) {
                $this->addToAssertionCount(1);
            }
        }
        $this->expectException(\InvalidArgumentException::class);
        new CloudsContent(new Rgb(1, 2, 3), new Rgb(4, 5, 6), []);
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Colour\Alteration;
use Awning\Core\Colour\Channel;
use Awning\Core\Colour\ColourBalance;
use Awning\Core\Colour\FineTable;
use Awning\Core\Colour\LevelsCurve;
use Awning\Core\Colour\MonotoneCurve;
use Awning\Core\Colour\RangedShift;
use Awning\Core\Colour\Shift;
use Awning\Core\Colour\SoftRange;
use Awning\Core\Colour\ToneCurve;
use Awning\Core\Compose\Canvas\ExactCanvas;
use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Page\Pass\BlendMode;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is done to colours is the same for one and for millions of them. */
final class AlterationTest extends TestCase
{
    private const COUNT = 9000;

    /** @return iterable<string, array{Alteration, float}> and how far apart they may be, in steps of 8 bits */
    public static function alterations(): iterable
    {
        $curve = new MonotoneCurve([[0.0, 0.1], [0.3, 0.2], [1.0, 0.9]]);
        yield 'levels' => [new LevelsCurve(10 / 255, 230 / 255, 0.9, 0.05, 0.95), 0.26];
        yield 'bright levels, steep at black' => [new LevelsCurve(0.0, 1.0, 2.2), 0.26];
        yield 'levels that leave no room for a table' => [new LevelsCurve(0.4, 0.402, 1.0), 0.001];
        yield 'levels of the green' => [new LevelsCurve(0.1, 0.8, 1.3, 1.0, 0.0, Channel::Green), 0.26];
        yield 'a curve' => [new ToneCurve($curve), 0.26];
        yield 'a curve of the blue' => [new ToneCurve($curve, Channel::Blue), 0.26];
        yield 'a balance' => [new ColourBalance([0.1, -0.05, 0.0], [0.0, 0.1, -0.2], [-0.1, 0.0, 0.3]), 0.26];
        yield 'a shift of some hues' => [
            new RangedShift(new Shift(0.1, 0.5, 30), new SoftRange(20, 140, 30), new SoftRange(0.2, 0.7, 0.1)),
            0.001,
        ];
    }

    #[DataProvider('alterations')]
    public function test_many_pixels_are_altered_as_each_would_be(Alteration $alteration, float $apart): void
    {
        $planes = self::planes();
        $stretches = [[0, 7000], [7001, 7002], [7010, self::COUNT]];
        $altered = $alteration->within($planes, $stretches);
        for ($i = 0; $i < self::COUNT; $i++) {
            $was = [$planes[0][$i], $planes[1][$i], $planes[2][$i]];
            $is = [$altered[0][$i], $altered[1][$i], $altered[2][$i]];
            $isIn = $i < 7000 || $i === 7001 || $i >= 7010;
            if (! $isIn) {
                self::assertSame($was, $is);

                continue;
            }
            foreach ($alteration->of($was) as $channel => $value) {
                self::assertEqualsWithDelta($value, $is[$channel], $apart / 255, "channel $channel of pixel $i");
            }
        }
    }

    /** @return iterable<string, array{float, float, float, float}> lightness, chroma, hue; the least share that fits */
    public static function shifts(): iterable
    {
        yield 'lighter and greyer' => [0.1, 0.6, 40, 0.5];
        yield 'darker, and often more than sRGB can show' => [-0.2, 1.8, -75, 0.05];
        yield 'nothing' => [0.0, 1.0, 0.0, 0.99];
        yield 'grey' => [0.0, 0.0, 90, 0.99];
        yield 'a quarter of a turn' => [0.0, 0.5, 90, 0.7];
    }

    /** What fits is where Oklab has it, also between whole numbers; what does not is near what one colour becomes. */
    #[DataProvider('shifts')]
    public function test_a_shift_of_many_pixels_is_what_oklab_says(
        float $lighter,
        float $chroma,
        float $hue,
        float $least,
    ): void {
        $planes = self::planes();
        $shift = new RangedShift(new Shift($lighter, $chroma, $hue));
        $shifted = $shift->within($planes, [[0, 7000], [7001, self::COUNT]]);
        $colour = fn (array $planes, int $i): array => [$planes[0][$i], $planes[1][$i], $planes[2][$i]];
        self::assertSame($colour($planes, 7000), $colour($shifted, 7000));
        $fitting = 0;
        for ($i = 0; $i < self::COUNT; $i++) {
            [$l, $a, $b] = self::oklab(...$colour($planes, $i));
            [$c, $turned] = [$chroma * hypot($a, $b), atan2($b, $a) + deg2rad($hue)];
            $wanted = [max(0.0, min(1.0, $l + $lighter)), $c * cos($turned), $c * sin($turned)];
            $is = self::oklab(...$colour($shifted, $i));
            if (max(abs($wanted[0] - $is[0]), abs($wanted[1] - $is[1]), abs($wanted[2] - $is[2])) < 0.003) {
                $fitting++;
            } elseif ($i !== 7000) {
                $fitted = $shift->of($colour($planes, $i));
                self::assertEqualsWithDelta($fitted, $colour($shifted, $i), 1.5 / 255, "pixel $i");
            }
        }
        self::assertGreaterThan($least * self::COUNT, $fitting);
    }

    public function test_a_shift_is_not_rounded_to_whole_numbers(): void
    {
        $planes = [array_fill(0, 5000, 0.5004), array_fill(0, 5000, 0.25), array_fill(0, 5000, 0.75)];
        [$red, $green, $blue] = (new RangedShift(new Shift(0.1, 0.5, 90)))->within($planes, [[0, 5000]]);
        $from = self::oklab(0.5004, 0.25, 0.75);
        $to = self::oklab($red[4999], $green[4999], $blue[4999]);
        self::assertEqualsWithDelta([$from[0] + 0.1, -0.5 * $from[2], 0.5 * $from[1]], $to, 1e-4);
    }

    public function test_a_fine_table_follows_its_function_or_is_none(): void
    {
        $root = FineTable::of(sqrt(...)) ?? self::fail('a root is not too steep');
        foreach ([0.0, 1e-7, 1e-5, 0.0003, 0.0155, 0.016, 0.3, 0.99999, 1.0] as $value) {
            [$table, $cells] = $value < FineTable::BEGINNING
                ? [$root->beginning, FineTable::CELLS / FineTable::BEGINNING]
                : [$root->all, FineTable::CELLS];
            $at = (int) ($value * $cells);
            $share = $value * $cells - $at;
            self::assertEqualsWithDelta(
                sqrt($value),
                $table[$at] + $share * ($table[$at + 1] - $table[$at]),
                0.26 / 255,
                "at $value",
            );
        }
        self::assertNull(FineTable::of(fn (float $value): float => $value < 0.7 ? 0.0 : 1.0));
        self::assertNull(FineTable::of(fn (float $value): float => $value ** 0.1));
    }

    /** Half of what is altered where the coverage is half, all of it where it is full, and nothing where it is none. */
    public function test_an_alteration_is_mixed_in_as_its_coverage_and_opacity_say(): void
    {
        $grey = str_repeat("\x64", 6000);
        $coverage = str_repeat("\0", 1000).str_repeat("\x80", 2000).str_repeat("\xff", 3000);
        $inverted = new LevelsCurve(0.0, 1.0, 1.0, 1.0, 0.0, Channel::Red);
        foreach ([[1.0, [100, 128, 155]], [0.5, [100, 114, 128]]] as [$opacity, $wanted]) {
            $canvas = new ExactCanvas(new Pixels(6000, $grey, $grey, $grey, null));
            $canvas->alter($coverage, $inverted, BlendMode::Normal, $opacity);
            $is = $canvas->pixels();
            foreach ([500, 2000, 5000] as $i => $at) {
                self::assertEqualsWithDelta($wanted[$i], ord($is->red[$at]), 1, "at $at, opacity $opacity");
                self::assertSame(100, ord($is->green[$at]));
            }
        }
        $canvas = new ExactCanvas(new Pixels(6000, $grey, $grey, $grey, null));
        $canvas->alter(str_repeat("\xff", 6000), $inverted, BlendMode::Normal, 0.5);
        self::assertEqualsWithDelta(128, ord($canvas->pixels()->red[0]), 1, 'full coverage at half opacity');
        $canvas->alter(str_repeat("\xff", 6000), $inverted, BlendMode::Normal, 1.0);
        self::assertEqualsWithDelta(127, ord($canvas->pixels()->red[0]), 1);
    }

    /** @return array{array<int, float>, array<int, float>, array<int, float>} edges first, then by lot */
    private static function planes(): array
    {
        mt_srand(5);
        $planes = [[], [], []];
        $edges = [0.0, 1.0, 1 / 255, 0.0001, 0.0031, 0.0156, 0.0157, 0.04, 0.9999];
        for ($i = 0; $i < self::COUNT; $i++) {
            foreach ([0, 1, 2] as $channel) {
                $planes[$channel][] = $i < 729
                    ? $edges[intdiv($i, 9 ** $channel) % 9]
                    : mt_rand(0, 1_000_000) / 1_000_000;
            }
        }

        return $planes;
    }

    /** @return array{float, float, float} Ottosson 2020, from memory */
    private static function oklab(float ...$code): array
    {
        [$r, $g, $b] = array_map(
            fn (float $v): float => $v <= 0.04045 ? $v / 12.92 : (($v + 0.055) / 1.055) ** 2.4,
            $code,
        );
        $l = (0.4122214708 * $r + 0.5363325363 * $g + 0.0514459929 * $b) ** (1 / 3);
        $m = (0.2119034982 * $r + 0.6806995451 * $g + 0.1073969566 * $b) ** (1 / 3);
        $s = (0.0883024619 * $r + 0.2817188376 * $g + 0.6299787005 * $b) ** (1 / 3);

        return [
            0.2104542553 * $l + 0.793617785 * $m - 0.0040720468 * $s,
            1.9779984951 * $l - 2.428592205 * $m + 0.4505937099 * $s,
            0.0259040371 * $l + 0.7827717662 * $m - 0.808675766 * $s,
        ];
    }
}

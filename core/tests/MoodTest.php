<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Colour\Channel;
use Awning\Core\Colour\ColourBalance;
use Awning\Core\Colour\GradientRamp;
use Awning\Core\Colour\GradientStop;
use Awning\Core\Colour\LevelsCurve;
use Awning\Core\Colour\MonotoneCurve;
use Awning\Core\Colour\RangedShift;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Shift;
use Awning\Core\Colour\SoftRange;
use Awning\Core\Colour\ToneCurve;
use Awning\Core\Exchange\MoodFile;
use Awning\Core\Page\Data;
use Awning\Core\Page\Pass\BalanceContent;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Page\Pass\CurveContent;
use Awning\Core\Page\Pass\GradientContent;
use Awning\Core\Page\Pass\LevelsContent;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\ShiftContent;
use Awning\Core\Raster\Paint;
use Awning\Core\Sheet\Export\GradedPicture;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class MoodTest extends TestCase
{
    public function test_a_curve_goes_through_its_points_and_never_overshoots(): void
    {
        $points = [[0.1, 0.3], [0.3, 0.3], [0.4, 0.9], [0.8, 0.5]];
        $curve = new MonotoneCurve($points);
        foreach ($points as [$from, $to]) {
            self::assertEqualsWithDelta($to, $curve->at($from), 1e-12);
        }
        self::assertSame([0.3, 0.5], [$curve->at(0.0), $curve->at(1.0)], 'constant beyond its ends');
        for ($x = 0.1; $x < 0.3; $x += 0.01) {
            self::assertEqualsWithDelta(0.3, $curve->at($x), 1e-12, 'level between two that are level');
        }
        $before = 0.3;
        for ($x = 0.3; $x < 0.4; $x += 0.005) {
            self::assertGreaterThanOrEqual($before, $before = $curve->at($x));
        }
        self::assertEqualsWithDelta(
            0.35,
            (new MonotoneCurve([[0.0, 0.1], [1.0, 0.6]]))->at(0.5),
            1e-12,
            'two: straight',
        );
    }

    public function test_an_alteration_of_one_channel_leaves_the_others(): void
    {
        $levels = new LevelsCurve(0.2, 0.6, 2.0, 0.1, 0.9, Channel::Green);
        self::assertEqualsWithDelta(
            [0.3, 0.5, 0.7],
            $levels->of([0.3, 0.3, 0.7]),
            1e-12,
            '((0.3 - 0.2) / 0.4)^½ is ½',
        );
        [$red, $green, $blue] = $levels->tables();
        self::assertSame([77, 77], [ord($red[77]), ord($blue[77])]);
        self::assertSame([26, 230], [ord($green[0]), ord($green[255])], 'what black and white become');
        $curve = new ToneCurve(new MonotoneCurve([[0.0, 1.0], [1.0, 0.0]]), Channel::Blue);
        self::assertEqualsWithDelta([0.2, 0.4, 0.9], $curve->of([0.2, 0.4, 0.1]), 1e-12);
        self::assertSame([255, 55], [ord($curve->tables()[2][0]), ord($curve->tables()[2][200])]);
    }

    public function test_a_balance_counts_in_full_at_its_own_end_and_half_in_the_middle(): void
    {
        $balance = new ColourBalance([0.2, 0.0, 0.0], [0.0, 0.3, 0.0], [0.0, 0.0, -0.4]);
        self::assertEqualsWithDelta([0.2, 0.0, 0.0], $balance->of([0.0, 0.0, 0.0]), 1e-12);
        self::assertEqualsWithDelta([0.55, 0.65, 0.4], $balance->of([0.5, 0.5, 0.5]), 1e-12, '¼, ½ and ¼');
        self::assertEqualsWithDelta([1.0, 1.0, 0.6], $balance->of([1.0, 1.0, 1.0]), 1e-12);
        self::assertSame(102, ord((new ColourBalance([0, 0, 0], [0, 0, 0], [-0.6, 0, 0]))->tables()[0][255]));
    }

    public function test_a_range_fades_at_both_ends_and_degrees_go_round(): void
    {
        $range = new SoftRange(0.4, 0.6, 0.2);
        self::assertEqualsWithDelta(
            [0, 0.5, 1, 1, 1, 0.25, 0],
            array_map($range->at(...), [0.1, 0.3, 0.4, 0.5, 0.6, 0.75, 0.9]),
            1e-9,
        );
        $reds = new SoftRange(350, 20, 10);
        self::assertEqualsWithDelta(
            [1, 1, 1, 0.5, 0, 0.5, 0],
            array_map($reds->atDegrees(...), [355, 0, 20, 25, 40, 345, 180]),
            1e-9,
        );
        self::assertSame([1.0, 0.0], [(new SoftRange(1, 2, 0))->at(1.0), (new SoftRange(1, 2, 0))->at(0.99)]);
    }

    public function test_a_shift_of_some_hues_leaves_the_others_and_grey(): void
    {
        $shift = new RangedShift(new Shift(0.0, 0.0, 0.0), new SoftRange(0, 60, 0));
        [$r, $g, $b] = $shift->of((new Rgb(200, 80, 60))->unit());
        self::assertEqualsWithDelta($r, $g, 0.01, 'a red without chroma is grey');
        self::assertEqualsWithDelta($g, $b, 0.01);
        foreach ([new Rgb(60, 90, 220), new Rgb(128, 128, 128)] as $other) {
            self::assertEqualsWithDelta($other->unit(), $shift->of($other->unit()), 1e-9);
        }
        $lights = new RangedShift(new Shift(-0.2, 1.0, 0.0), null, new SoftRange(0.7, 1.0, 0.0));
        self::assertEqualsWithDelta([0.1, 0.1, 0.1], $lights->of([0.1, 0.1, 0.1]), 1e-9);
        self::assertLessThan(0.8, $lights->of([0.9, 0.9, 0.9])[0]);
        // What 8 bits cannot hold is not lost.
        $same = new RangedShift(new Shift(0.0, 1.0, 0.0));
        self::assertEqualsWithDelta([0.5013, 0.2527, 0.7508], $same->of([0.5013, 0.2527, 0.7508]), 0.5 / 255);
        self::assertNotSame($same->of([0.5013, 0.3, 0.3])[0], $same->of([0.5018, 0.3, 0.3])[0]);
    }

    public function test_a_gradient_is_premultiplied_and_clamped(): void
    {
        $ramp = new GradientRamp(
            [new GradientStop(0.25, new Rgb(200, 0, 0), 1.0), new GradientStop(0.75, new Rgb(0, 0, 100), 0.0)],
            false,
        );
        $of = fn (GradientRamp $ramp, float $at): array => array_map(
            fn (array $part): float => $part[(int) round(GradientRamp::STEPS * $at)] / 16,
            $ramp->sixteenths(),
        );
        self::assertEqualsWithDelta([200, 0, 0, 255], $of($ramp, 0.0), 1e-3);
        self::assertEqualsWithDelta([200, 0, 0, 127.5], $of($ramp, 0.5), 0.2, 'nothing of the transparent blue');
        self::assertEqualsWithDelta([0, 0, 100, 0], $of($ramp, 1.0), 1e-3);
        $hard = new GradientRamp(
            [
                new GradientStop(0.0, new Rgb(10, 10, 10)),
                new GradientStop(0.5, new Rgb(20, 20, 20)),
                new GradientStop(0.5, new Rgb(90, 90, 90)),
                new GradientStop(1.0, new Rgb(80, 80, 80)),
            ],
            true,
        );
        self::assertEqualsWithDelta(
            [20, 90],
            [$of($hard, 0.4995)[0], $of($hard, 0.5005)[0]],
            0.1,
            'two stops at one place',
        );
    }

    public function test_beyond_its_ends_a_gradient_is_as_at_them(): void
    {
        foreach (['linear' => [[0.25, 0.5], [0.75, 0.5]], 'round' => [[0.5, 0.5], [0.75, 0.5]]] as $form => $ends) {
            $mood = [
                'kind' => 'gradient',
                'form' => $form,
                'space' => 'srgb',
                'from' => $ends[0],
                'to' => $ends[1],
                'stops' => [['at' => 0, 'colour' => '#c80000'], ['at' => 1, 'colour' => '#000064']],
            ];
            $graded = (new GradedPicture)->of(
                Paint::solid(40, 40, [255, 255, 255]),
                MoodFile::read(self::file($mood))[1],
            );
            $at = fn (int $x): array => [ord($graded->red[20 * 40 + $x]), ord($graded->blue[20 * 40 + $x])];
            $first = [200, 0];
            $last = [0, 100];
            self::assertSame($form === 'linear' ? $first : $last, $at(0), "$form, far before");
            self::assertSame($form === 'linear' ? $first : $last, $at(9), "$form, just before");
            self::assertSame($last, $at(30), "$form, just behind");
            self::assertSame($last, $at(39), "$form, far behind");
        }
    }

    /** @return iterable<string, array{string, array{float, float}, array{float, float}}> */
    public static function gradients(): iterable
    {
        yield 'straight down' => ['linear', [0.5, 0.1], [0.5, 0.9]];
        yield 'straight up' => ['linear', [0.2, 1.0], [0.2, 0.3]];
        yield 'across' => ['linear', [0.05, 0.5], [0.95, 0.5]];
        yield 'slanting' => ['linear', [0.9, 0.1], [0.2, 0.8]];
        yield 'round' => ['round', [0.4, 0.3], [0.9, 0.7]];
    }

    /**
     * On a page of four tiles whose sides are no multiple of four. The thresholds by Bayer's rule (1973): the matrix of
     * twice the size is [4M, 4M + 2; 4M + 3, 4M + 1].
     *
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     */
    #[DataProvider('gradients')]
    public function test_each_pixel_of_a_gradient_is_its_place_and_its_threshold(
        string $form,
        array $from,
        array $to,
    ): void {
        [$width, $height] = [301, 275];
        $ends = [['at' => 0, 'colour' => '#10c828'], ['at' => 1, 'colour' => '#f01450']];
        $mood = ['kind' => 'gradient', 'form' => $form, 'space' => 'srgb', 'from' => $from, 'to' => $to];
        $graded = (new GradedPicture)->of(
            Paint::solid($width, $height, [255, 255, 255]),
            MoodFile::read(self::file($mood + ['stops' => $ends]))[1],
        );
        $two = [[0, 2], [3, 1]];
        $bayer = fn (int $x, int $y): int => 4 * $two[$y & 1][$x & 1] + $two[($y >> 1) & 1][($x >> 1) & 1];
        [$alongX, $alongY] = [($to[0] - $from[0]) * $width, ($to[1] - $from[1]) * $height];
        $length = hypot($alongX, $alongY);
        $most = $off = 0;
        for ($y = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                [$dx, $dy] = [$x + 0.5 - $from[0] * $width, $y + 0.5 - $from[1] * $height];
                $at = $form === 'round' ? hypot($dx, $dy) / $length : ($dx * $alongX + $dy * $alongY) / $length ** 2;
                $at = max(0.0, min(1.0, $at));
                $parts = [[16, 240, $graded->red], [200, 20, $graded->green], [40, 80, $graded->blue]];
                foreach ($parts as [$a, $b, $is]) {
                    $wanted = (int) floor($a + ($b - $a) * $at + $bayer($x, $y) / 16 + 1 / 32);
                    $found = ord($is[$y * $width + $x]);
                    $most = max($most, abs($wanted - $found));
                    $off += (int) ($wanted !== $found);
                }
            }
        }
        self::assertLessThanOrEqual(1, $most);
        // The ramp has 4096 places: of two hundred steps some are taken a pixel sooner or later.
        self::assertLessThan(0.03 * 3 * $width * $height, $off);
    }

    /** A blur has its tiles composed with a margin: parts that begin and end anywhere. */
    public function test_a_gradient_is_the_same_in_parts_that_begin_anywhere(): void
    {
        $ends = [['at' => 0, 'colour' => '#10c828'], ['at' => 1, 'colour' => '#f01450']];
        foreach ([[[0.5, 0.1], [0.5, 0.9]], [[0.9, 0.1], [0.2, 0.8]]] as [$from, $to]) {
            $layer = ['kind' => 'gradient', 'form' => 'linear', 'space' => 'srgb', 'from' => $from, 'to' => $to];
            $white = Paint::solid(301, 275, [255, 255, 255]);
            $graded = fn (array ...$layers): string => (new GradedPicture)->of(
                $white,
                MoodFile::read(self::file(...$layers))[1],
            )->red;
            $sharp = $graded($layer + ['stops' => $ends]);
            $soft = $graded($layer + ['stops' => $ends], ['kind' => 'blur', 'sigma' => 0.7]);
            $most = 0;
            for ($i = 0, $count = strlen($sharp); $i < $count; $i++) {
                $most = max($most, abs(ord($sharp[$i]) - ord($soft[$i])));
            }
            self::assertLessThanOrEqual(3, $most);
        }
    }

    public function test_a_dark_gradient_has_no_bands(): void
    {
        $width = 512;
        $mood = [
            'kind' => 'gradient',
            'form' => 'linear',
            'space' => 'srgb',
            'from' => [0, 0],
            'to' => [1, 0],
            'stops' => [['at' => 0, 'colour' => '#080808'], ['at' => 1, 'colour' => '#0c0c0c']],
        ];
        $graded = (new GradedPicture)->of(
            Paint::solid($width, 16, [255, 255, 255]),
            MoodFile::read(self::file($mood))[1],
        );
        // Of four steps over 512 px each would be a band of 128: instead each column's mean is what the gradient is.
        foreach ([40, 100, 200, 333, 470] as $x) {
            $sum = 0;
            for ($y = 0; $y < 16; $y++) {
                for ($dx = 0; $dx < 4; $dx++) {
                    $sum += ord($graded->red[$y * $width + $x + $dx]);
                }
            }
            self::assertEqualsWithDelta(8 + (4 * ($x + 2)) / $width, $sum / 64, 0.07, "about $x");
        }
    }

    public function test_a_picture_keeps_its_size_and_alpha_and_layers_lie_bottom_up(): void
    {
        $alpha = str_repeat("\xff\x80\x00", 5 * 7);
        $picture = new Paint(15, 7, ...[...array_fill(0, 3, str_repeat("\x40", 105)), $alpha]);
        [$name, $layers] = MoodFile::read(
            self::file(
                ['kind' => 'wash', 'colour' => '#ff0000', 'opacity' => 0.5],
                ['kind' => 'wash', 'colour' => '#00ff00', 'mode' => 'screen'],
            ),
        );
        $graded = (new GradedPicture)->of($picture, $layers);
        self::assertSame(['Tried', 15, 7, $alpha], [$name, $graded->width, $graded->height, $graded->alpha]);
        self::assertEqualsWithDelta(
            [160, 255, 32],
            [ord($graded->red[0]), ord($graded->green[0]), ord($graded->blue[0])],
            1,
        );
    }

    public function test_an_adjustment_that_covers_everything_keeps_what_those_beneath_it_did(): void
    {
        $wash = ['kind' => 'wash', 'colour' => '#808080', 'mode' => 'multiply'];
        $grey = ['kind' => 'shift', 'chroma' => 0];
        $same = ['kind' => 'curve', 'points' => [[0, 0], [1, 1]]];
        $seen = fn (array ...$layers): array => array_slice(
            (new GradedPicture)
                ->of(Paint::solid(8, 8, [224, 169, 58]), MoodFile::read(self::file(...$layers))[1])
                ->at(3, 3),
            0,
            3,
        );
        self::assertEqualsWithDelta($seen($grey, $wash), $seen($grey, $wash, $same), 1);
        self::assertEqualsWithDelta($seen($grey, $wash), $seen($grey, $wash, ['kind' => 'levels']), 1);
        $hue = ['kind' => 'wash', 'colour' => '#2040ff', 'mode' => 'hue'];
        self::assertEqualsWithDelta($seen($hue, $wash), $seen($hue, $wash, $same), 1);
    }

    public function test_a_mood_that_is_written_is_read_back_with_nothing_lost(): void
    {
        $stops = [
            ['at' => 0.0, 'colour' => '#102030', 'alpha' => 0.25],
            ['at' => 0.5, 'colour' => '#ffffff', 'alpha' => 1.0],
        ];
        [, $layers] = MoodFile::read(
            self::file(
                ['kind' => 'wash', 'colour' => '#123456', 'mode' => 'color-burn', 'opacity' => 0.3, 'name' => 'Dusk'],
                [
                    'kind' => 'gradient',
                    'form' => 'round',
                    'space' => 'srgb',
                    'from' => [-0.5, 2],
                    'to' => [0.25, 1],
                    'stops' => $stops,
                ],
                [
                    'kind' => 'levels',
                    'channel' => 'red',
                    'black' => 51,
                    'white' => 204,
                    'gamma' => 2.5,
                    'outBlack' => 25.5,
                    'outWhite' => 0,
                ],
                ['kind' => 'curve', 'channel' => 'green', 'points' => [[0, 0.5], [1, 0.25]]],
                [
                    'kind' => 'shift',
                    'lightness' => 0.1,
                    'chroma' => 0.5,
                    'hue' => -30,
                    'hues' => ['from' => 350, 'to' => 20, 'soft' => 9],
                ],
                ['kind' => 'balance', 'darks' => [0.1, 0, -0.1], 'lights' => [0, 0.5, 0]],
                ['kind' => 'mist', 'colour' => '#eeeeff', 'size' => 90, 'density' => 0.4, 'seed' => 77],
                ['kind' => 'blur', 'sigma' => 3.5],
            ),
        );
        [$name, $again] = MoodFile::read(MoodFile::write('Last light', $layers));
        self::assertSame('Last light', $name);
        self::assertEquals($layers, $again);
        self::assertSame([BlendMode::ColorBurn, 0.3, 'Dusk'], [$again[0]->mode, $again[0]->opacity, $again[0]->name]);
        $levels = $again[2]->content;
        self::assertInstanceOf(LevelsContent::class, $levels);
        self::assertEqualsWithDelta(
            [0.2, 0.8, 2.5, 0.1, 0.0],
            [$levels->black, $levels->white, $levels->middle, $levels->low, $levels->high],
            1e-12,
        );
        self::assertSame('Levels', $again[2]->name, 'a layer without a name is called by its kind');
    }

    public function test_what_is_hidden_leaves_with_no_opacity_and_what_a_file_has_no_word_for_is_left_out(): void
    {
        [, [$wash]] = MoodFile::read(self::file(['kind' => 'wash', 'colour' => '#123456', 'opacity' => 0.7]));
        $hidden = PassSpec::fromData(new Data(['visible' => false] + $wash->toData()));
        $paint = PassSpec::fromData(new Data(['content' => ['kind' => 'paint']] + $wash->toData()));
        [, $read] = MoodFile::read(MoodFile::write('Tried', [$hidden, $paint, $wash]));
        self::assertSame([0.0, 0.7], array_map(fn (PassSpec $layer): float => $layer->opacity, $read));
    }

    /** @return iterable<string, array{string, string}> */
    public static function broken(): iterable
    {
        $stop = ['at' => 0.5, 'colour' => '#102030'];
        $gradient = ['kind' => 'gradient', 'from' => [0, 0], 'to' => [1, 1]];
        yield 'no JSON' => ['{"awning":"mood",', 'This is no mood'];
        yield 'NaN' => [
            '{"awning":"mood","version":1,"name":"x","layers":[{"kind":"blur","sigma":NaN}]}',
            'This is no mood',
        ];
        yield 'something else' => ['{"awning":"setup","version":1}', 'This is no mood'];
        yield 'a later version' => ['{"awning":"mood","version":2,"name":"x","layers":[]}', 'newer version'];
        yield 'no layers' => ['{"awning":"mood","version":1,"name":"x","layers":[]}', 'one at the least'];
        yield 'layers by name' => ['{"awning":"mood","version":1,"name":"x","layers":{"a":{}}}', 'a list of layers'];
        yield 'no name' => [
            '{"awning":"mood","version":1,"name":" ","layers":[{"kind":"blur","sigma":2}]}',
            'needs a name',
        ];
        yield 'ten thousand layers' => [
            self::file(...array_fill(0, 10_000, ['kind' => 'wash', 'colour' => '#000000'])),
            'has 10000 layers; Awning reads up to 64',
        ];
        yield 'a hundred megabytes' => [str_repeat(' ', 1_000_001), 'larger than any mood'];
        yield 'a kind nobody knows' => [self::file(['kind' => 'sepia']), 'Layer 1: Its kind is "sepia"'];
        yield 'the second is wrong' => [
            self::file(['kind' => 'blur', 'sigma' => 2], ['kind' => 'wash', 'colour' => 'red']),
            'Layer 2: ',
        ];
        yield 'white below black' => [
            self::file(['kind' => 'levels', 'black' => 200, 'white' => 100]),
            'above the black point',
        ];
        yield 'a gamma of nothing' => [self::file(['kind' => 'levels', 'gamma' => 0]), 'Layer 1: '];
        yield 'a curve of one point' => [
            self::file(['kind' => 'curve', 'points' => [[0, 0]]]),
            'two to twelve points',
        ];
        yield 'a curve that turns back' => [
            self::file(['kind' => 'curve', 'points' => [[0, 0], [0.5, 1], [0.5, 0]]]),
            'left to right',
        ];
        yield 'a point beyond' => [
            self::file(['kind' => 'curve', 'points' => [[0, 0], [1, 1.2]]]),
            'from 0 to 1',
        ];
        yield 'a gradient of one colour' => [self::file($gradient + ['stops' => [$stop]]), 'two to eight colours'];
        yield 'a gradient of no length' => [
            self::file(['to' => [0, 0]] + $gradient + ['stops' => [$stop, $stop]]),
            'from one place to another',
        ];
        yield 'stops out of order' => [
            self::file($gradient + ['stops' => [['at' => 0.6] + $stop, $stop]]),
            'Layer 1: ',
        ];
        yield 'a balance of two parts' => [
            self::file(['kind' => 'balance', 'darks' => [0, 0]]),
            'red, green and blue',
        ];
        yield 'a blur without end' => [self::file(['kind' => 'blur', 'sigma' => 5000]), 'Layer 1: '];
        yield 'a mode nobody knows' => [
            self::file(['kind' => 'blur', 'sigma' => 2, 'mode' => 'burn']),
            'one of the W3C',
        ];
    }

    #[DataProvider('broken')]
    public function test_a_broken_mood_is_refused_with_the_place_that_is_wrong(string $json, string $says): void
    {
        $this->expectException(\InvalidArgumentException::class);
        $this->expectExceptionMessage($says);
        MoodFile::read($json);
    }

    public function test_contents_keep_their_bounds_and_are_what_they_were_when_read_again(): void
    {
        $contents = [
            new LevelsContent(0.1, 0.9, 0.5, 0.2, 0.7, Channel::Blue),
            new CurveContent([[0.0, 0.1], [0.01, 0.9], [1.0, 1.0]], Channel::Red),
            new ShiftContent(-0.3, 2.5, 120, new SoftRange(300, 30, 15), new SoftRange(0.2, 0.4, 0.1)),
            new BalanceContent([0.1, 0.2, 0.3], [-1, 0, 1], [0, 0, 0.5]),
            new GradientContent(
                true,
                false,
                [0.0, 0.5],
                [1.0, -1.0],
                [new GradientStop(0.0, new Rgb(1, 2, 3), 0.5), new GradientStop(0.0, new Rgb(4, 5, 6))],
            ),
        ];
        foreach ($contents as $content) {
            self::assertEquals($content, $content::fromData(new Data($content->toData())));
        }
        $refused = [
            fn () => new LevelsContent(low: 1.1),
            fn () => new CurveContent([[0.0, 0.0], [0.009, 1.0]]),
            fn () => new ShiftContent(chroma: 4.1),
            fn () => new ShiftContent(tones: new SoftRange(0.6, 0.5, 0)),
            fn () => new BalanceContent(lights: [0, 1.01, 0]),
        ];
        foreach ($refused as $make) {
            try {
                $make();
                self::fail('It was taken.');
            } catch (\InvalidArgumentException|\RangeException) {
            }
        }
        self::assertSame(
            [0.6, 0.5],
            [
                (new ShiftContent(hues: new SoftRange(0.6, 0.5, 0)))->hues?->from,
                (new ShiftContent(hues: new SoftRange(0.6, 0.5, 0)))->hues?->to,
            ],
            'hues go round',
        );
    }

    /** @param  array<string, mixed>  ...$layers */
    private static function file(array ...$layers): string
    {
        return (string) json_encode(['awning' => 'mood', 'version' => 1, 'name' => 'Tried', 'layers' => $layers]);
    }
}

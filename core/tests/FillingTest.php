<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Codec\OpenRasterFile;
use Awning\Core\Colour\LevelsCurve;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Compose\Canvas\ExactCanvas;
use Awning\Core\Compose\Canvas\FastCanvas;
use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Compose\Canvas\SurveyCanvas;
use Awning\Core\Compose\Compositor;
use Awning\Core\Compose\OpenRasterRenderer;
use Awning\Core\Compose\PageStack;
use Awning\Core\Page\Data;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Page\Pass\GlowContent;
use Awning\Core\Page\Pass\LevelsContent;
use Awning\Core\Page\Pass\MistContent;
use Awning\Core\Page\Pass\PassContent;
use Awning\Core\Page\Pass\PassGroup;
use Awning\Core\Page\Pass\PassMask;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Pass\ShimmerContent;
use Awning\Core\Page\Pass\SoftnessContent;
use Awning\Core\Page\Pass\TintContent;
use Awning\Core\Page\Pass\Weather;
use Awning\Core\Page\Record;
use Awning\Core\Page\RecordKind;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\BoxBlur;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Raster\ValueNoise;
use Awning\Core\Sheet\Export\LayeredExport;
use Awning\Core\Sheet\Export\SheetBlock;
use Awning\Core\Sheet\Export\SheetPart;
use Awning\Core\Sheet\Export\SheetPicture;
use Awning\Core\Sheet\Export\StackBuilder;
use Awning\Core\Sheet\OpKinds;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Change;
use Awning\Core\Sheet\State\MemorySource;
use Awning\Core\Sheet\State\Palette;
use Awning\Core\Sheet\State\RecordChange;
use Awning\Core\Sheet\State\TileChange;
use PHPUnit\Framework\TestCase;

/**
 * Passes that fill all they reach: what alters the picture beneath, what follows from the place, what looks at its
 * neighbours.
 */
final class FillingTest extends TestCase
{
    private const WIDTH = 540;

    private const HEIGHT = 300;

    /** figure => depth order: 2 is farthest, 3 nearest */
    private const DEPTHS = [2, 1, 3];

    private MemorySource $source;

    private Palette $palette;

    protected function setUp(): void
    {
        $tones = [];
        foreach ([1 => 0x204060, 2 => 0xC08040, 3 => 0x40A060] as $material => $base) {
            foreach (Tone::cases() as $tone) {
                $tones[$material][$tone->value] = $base;
            }
        }
        $this->palette = new Palette($tones, [2 => 1, 1 => 2, 3 => 3], self::DEPTHS);
        $this->source = new MemorySource;
        $this->put(RecordKind::Page, 'page', new PageSize(self::WIDTH, self::HEIGHT));
        foreach ([1 => [2, 1], 2 => [1, 2], 3 => [3, 3]] as $label => [$figure, $material]) {
            $this->put(RecordKind::Region, (string) $label, new Region($figure, $material, 9, 1, 1));
        }
        // Three stripes: the farthest figure to 200, the middle one to 380, the nearest to the edge; below 280 nothing.
        $labels = '';
        for ($y = 0; $y < self::HEIGHT; $y++) {
            for ($x = 0; $x < self::WIDTH; $x++) {
                $labels .= $y < 280 ? "\0".chr($x < 200 ? 1 : ($x < 380 ? 2 : 3)) : "\0\0";
            }
        }
        $tiles = [];
        foreach ((new TileGrid(self::WIDTH, self::HEIGHT))->cut($labels, 2) as $key => $bytes) {
            [$column, $row] = array_map(intval(...), explode(',', $key));
            $tiles[] = new TileChange(LayerName::flats(), $column, $row, null, $bytes);
        }
        $this->source->store(new Change($tiles, []));
    }

    private function put(RecordKind $kind, string $key, Record $record): void
    {
        $this->source->store(new Change([], [new RecordChange($kind, $key, null, $record)]));
    }

    private function hang(
        string $id,
        PassContent $content,
        Scope $scope,
        int $figure = 0,
        BlendMode $mode = BlendMode::Normal,
        float $opacity = 1.0,
        ?PassMask $mask = null,
        float $order = 1.0,
    ): void {
        $this->put(
            RecordKind::Pass,
            $id,
            new PassSpec(
                name: "Pass $id",
                figure: $figure,
                content: $content,
                scope: $scope,
                mode: $mode,
                opacity: $opacity,
                order: $order,
                mask: $mask,
            ),
        );
    }

    private function stack(): PageStack
    {
        return (new StackBuilder)->build(new Sheet($this->source), $this->palette);
    }

    /** @return array{int, int, int} */
    private function at(int $x, int $y): array
    {
        $pixels = (new Compositor)->compose(
            $this->stack(),
            new SheetBlock(new Sheet($this->source), intdiv($x, 256), intdiv($y, 256)),
        );
        $i = ($y % 256) * 256 + ($x % 256);

        return [ord($pixels->red[$i]), ord($pixels->green[$i]), ord($pixels->blue[$i])];
    }

    /** @param  array{int, int, int}  $colour */
    private static function assertNear(array $colour, array $found, string $what = '', int $by = 1): void
    {
        self::assertEqualsWithDelta($colour, $found, $by, $what.' '.json_encode($found));
    }

    public function test_levels_stretch_what_lies_between_black_and_white_and_bend_the_middle(): void
    {
        $curve = new LevelsCurve(0.2, 0.7, 2.0);
        foreach (
            [0.0 => 0.0, '0.2' => 0.0, '0.325' => 0.5, '0.45' => sqrt(0.5), '0.7' => 1.0, '0.9' => 1.0] as $was => $is
        ) {
            self::assertEqualsWithDelta([$is, 0.0, 1.0], $curve->of([(float) $was, 0.1, 0.8]), 1e-9);
        }
        self::assertSame(
            [0, 128, 181, 255],
            array_map(fn (int $byte): int => ord($curve->tables()[1][$byte]), [51, 83, 115, 179]),
        );
        self::assertEqualsWithDelta([0.25, 0.81, 1.0], (new LevelsCurve(0.0, 1.0, 0.5))->of([0.5, 0.9, 1.0]), 1e-9);
    }

    public function test_levels_alter_what_lies_beneath_them_inside_their_clip_and_nothing_else(): void
    {
        $this->hang('levels001', new LevelsContent(0.25, 0.75, 1.0), Scope::figure(1), 1);
        // 0xC08040: (v − 0.25) / 0.5 of each channel.
        self::assertNear([255, 129, 0], $this->at(300, 100));
        self::assertSame(
            [[0x20, 0x40, 0x60], [0x40, 0xA0, 0x60], [255, 255, 255]],
            [$this->at(199, 100), $this->at(380, 100), $this->at(300, 290)],
        );
        $this->hang('levels001', new LevelsContent(0.25, 0.75, 1.0), Scope::figure(1), 1, BlendMode::Normal, 0.5);
        self::assertNear([(192 + 255) / 2, (128 + 129) / 2, 32], $this->at(300, 100), 'half as much');
        $this->hang('levels001', new LevelsContent(0.25, 0.75, 1.0), Scope::page(), 0, BlendMode::Multiply);
        self::assertNear([192, (128 * 129) / 255, 0], $this->at(300, 100), 'multiplied with what it comes from');
    }

    public function test_levels_in_an_isolated_group_alter_what_the_group_holds_alone(): void
    {
        $this->put(RecordKind::Group, 'group0001', new PassGroup(true, BlendMode::Normal, 1.0));
        $this->put(
            RecordKind::Pass,
            'levels001',
            new PassSpec('Levels', 1, new LevelsContent(0.0, 0.5, 1.0), Scope::figure(1), group: 'group0001'),
        );
        self::assertSame([0xC0, 0x80, 0x40], $this->at(300, 100), 'nothing of the group lies beneath it');
        $canvas = new ExactCanvas(new Pixels(3, "\x40\x40\x40", "\x40\x40\x40", "\x40\x40\x40", "\x00\x80\xff"));
        $canvas->alter("\xff\xff\xff", new LevelsCurve(0.0, 0.5, 1.0), BlendMode::Normal, 1.0);
        self::assertSame(
            [[0x40, 0x80, 0x80], [0, 0x80, 0xFF]],
            [
                array_map(ord(...), str_split($canvas->pixels()->red)),
                array_map(ord(...), str_split($canvas->pixels()->alphas())),
            ],
        );
    }

    public function test_where_whole_numbers_may_miss_levels_the_survey_says_so(): void
    {
        mt_srand(5);
        $noise = fn (int $count): string => implode(
            '',
            array_map(fn (): string => chr(mt_rand(0, 255)), range(1, $count)),
        );
        $worst = $checked = 0;
        for ($try = 0; $try < 60; $try++) {
            $count = 400;
            $start = new Pixels($count, $noise($count), $noise($count), $noise($count), null);
            $cover = [$noise($count), $noise($count)];
            $spans = [[0, $count, mt_rand(0, 0xFFFFFF)]];
            $curve = new LevelsCurve(mt_rand(0, 30) / 100, mt_rand(60, 100) / 100, mt_rand(40, 200) / 100);
            $mode = [BlendMode::Normal, BlendMode::Multiply, BlendMode::Overlay][$try % 3];
            $opacity = mt_rand(3, 10) / 10;
            $lay = function ($canvas) use ($cover, $spans, $curve, $mode, $opacity, $try): void {
                if ($try % 4 !== 0) {
                    $canvas->tint($spans, $cover[0], BlendMode::Multiply, 0.7);
                }
                $canvas->alter($cover[1], $curve, $mode, $opacity);
            };
            $lay($survey = new SurveyCanvas($count));
            $lay($fast = new FastCanvas($start));
            $lay($exact = new ExactCanvas($start));
            $missed = $survey->exact();
            $inexact = array_fill_keys($missed?->places() ?? [], true);
            [$a, $b] = [$fast->pixels()->green, $exact->pixels()->green];
            for ($i = 0; $i < $count; $i++) {
                if (! isset($inexact[$i])) {
                    $worst = max($worst, abs(ord($a[$i]) - ord($b[$i])));
                    $checked++;
                }
            }
        }
        self::assertLessThanOrEqual(1, $worst);
        self::assertGreaterThan(1000, $checked, 'not all is given up');
    }

    public function test_what_lies_behind_a_figure_covers_what_is_farther_and_is_hidden_by_what_is_nearer(): void
    {
        $this->hang('mist00001', new MistContent(new Rgb(255, 0, 0), 4000.0, 1.0, 9), Scope::behind(1));
        [$far, $paper] = [$this->at(100, 100), $this->at(300, 290)];
        self::assertGreaterThan(0x20 + 20, $far[0], 'over the farther figure');
        self::assertLessThan(235, $paper[1], 'and over the paper');
        self::assertSame([[0xC0, 0x80, 0x40], [0x40, 0xA0, 0x60]], [$this->at(300, 100), $this->at(450, 100)]);
        $this->hang('mist00001', new MistContent(new Rgb(255, 0, 0), 4000.0, 1.0, 9), Scope::behind(2));
        self::assertSame([0x20, 0x40, 0x60], $this->at(100, 100), 'nothing is farther than the farthest');
        self::assertNotSame([255, 255, 255], $this->at(300, 290));
    }

    public function test_patches_follow_from_the_place_and_the_seed_alone(): void
    {
        $noise = fn (int $seed, float $size, Rect $rect): array => (new ValueNoise($seed, $size))->in($rect);
        $whole = $noise(7, 33.5, new Rect(250, 13, 90, 40));
        $part = $noise(7, 33.5, new Rect(290, 30, 20, 5));
        foreach ([[0, 0], [19, 4], [7, 2]] as [$x, $y]) {
            self::assertSame($whole[(17 + $y) * 90 + 40 + $x], $part[$y * 20 + $x]);
        }
        self::assertNotEquals($whole, $noise(8, 33.5, new Rect(250, 13, 90, 40)));
        self::assertNotEquals($whole, $noise(7, 33.0, new Rect(250, 13, 90, 40)));
        $many = $noise(3, 8.0, new Rect(0, 0, 400, 400));
        self::assertEqualsWithDelta(0.5, array_sum($many) / count($many), 0.02, 'as much dark as light');
        self::assertGreaterThan(0.9, max($many) - min($many));
        $steps = array_map(fn (int $x): float => abs($many[$x + 1] - $many[$x]), range(0, 398));
        self::assertLessThan(
            1.5 / 8 + 0.01,
            max($steps),
            'no edge between patches: the smooth step rises by 3/2 of its width at the most',
        );
    }

    public function test_mist_hides_as_much_as_its_density_says_and_none_at_none(): void
    {
        $mean = function (float $density): float {
            $this->hang('mist00001', new MistContent(new Rgb(255, 255, 255), 16.0, $density, 4), Scope::figure(2), 2);
            $pixels = (new Compositor)->compose($this->stack(), new SheetBlock(new Sheet($this->source), 0, 0));
            $sum = 0;
            for ($y = 0; $y < 256; $y++) {
                for ($x = 0; $x < 190; $x++) {
                    $sum += (ord($pixels->red[256 * $y + $x]) - 0x20) / (255 - 0x20);
                }
            }

            return $sum / (190 * 256);
        };
        self::assertEqualsWithDelta([0.0, 0.25, 0.5], [$mean(0.0), $mean(0.5), $mean(1.0)], 0.03);
    }

    public function test_the_blur_has_the_bells_variance_and_adds_nothing(): void
    {
        foreach ([0.5, 0.9, 1.3, 4.0, 12.5, 31.0] as $sigma) {
            $blur = new BoxBlur($sigma);
            $side = 2 * $blur->reach() + 1;
            $dot = array_fill(0, $side * $side, 0.0);
            $dot[intdiv(count($dot), 2)] = 1.0;
            $soft = $blur->of($dot, $side, $side);
            $across = $down = 0.0;
            foreach ($soft as $i => $value) {
                $across += $value * (($i % $side) - $blur->reach()) ** 2;
                $down += $value * (intdiv($i, $side) - $blur->reach()) ** 2;
            }
            self::assertEqualsWithDelta(
                [1.0, $sigma ** 2, $sigma ** 2],
                [array_sum($soft), $across, $down],
                1e-6 * $sigma ** 2 + 1e-9,
                "$sigma px",
            );
            self::assertGreaterThanOrEqual(-1e-12, min($soft));
        }
        $flat = (new BoxBlur(7.3))->of(array_fill(0, 60, 0.25), 12, 5);
        self::assertEqualsWithDelta(
            array_fill(0, 60, 0.25),
            $flat,
            1e-12,
            'what lies at the edge counts for what is beyond',
        );
    }

    /** Over tile borders at 256, at an odd page edge, with everything that can lie beneath and above. */
    public function test_what_looks_around_has_no_seam_between_tiles(): void
    {
        $this->hang('tint00001', new TintContent(new Rgb(200, 30, 30)), Scope::page(), 0, BlendMode::Multiply, 0.5);
        $this->hang('soft00001', new SoftnessContent(9.0), Scope::behind(1));
        $this->hang(
            'mist00001',
            new MistContent(new Rgb(250, 240, 200), 60.0, 0.7, 2),
            Scope::page(),
            0,
            BlendMode::Screen,
            0.8,
            order: 2.0,
        );
        $this->hang('soft00002', new SoftnessContent(3.3), Scope::page(), 0, BlendMode::Normal, 0.6, order: 3.0);
        $this->hang('levels001', new LevelsContent(0.1, 0.9, 0.8), Scope::page(), 0, order: 4.0);
        $this->hang('glow00001', new GlowContent(0.3, 12.0), Scope::page(), 0, BlendMode::Screen, order: 5.0);
        $this->hang('shimmer01', new ShimmerContent(8.0, 60.0, 30.0, 2), Scope::behind(1), order: 6.0);
        $this->hang('rain00001', Weather::all()['Rain'], Scope::page(), order: 7.0);
        foreach ([[], [1 => true]] as $soft) {
            $this->palette = new Palette(
                $this->palette->materials,
                $this->palette->figureOf,
                self::DEPTHS,
                soft: $soft,
            );
            $sheet = new Sheet($this->source);
            $whole = (new Compositor)->compose($this->stack(), new SheetPart($sheet, $sheet->rect()));
            $paint = (new SheetPicture)->compose($sheet, $this->stack());
            $worst = 0;
            foreach (['red', 'green', 'blue'] as $channel) {
                for ($i = 0, $count = self::WIDTH * self::HEIGHT; $i < $count; $i++) {
                    $worst = max($worst, abs(ord($whole->$channel[$i]) - ord($paint->$channel[$i])));
                }
            }
            self::assertLessThanOrEqual(1, $worst);
        }
    }

    public function test_softness_behind_a_figure_mixes_what_is_farther_and_leaves_the_figure_sharp(): void
    {
        $sharp = [$this->at(199, 100), $this->at(200, 100), $this->at(379, 100), $this->at(380, 100)];
        $this->hang('soft00001', new SoftnessContent(10.0), Scope::behind(3));
        $across = array_map(fn (int $x): int => $this->at($x, 100)[0], [150, 190, 199, 200, 209, 250]);
        self::assertSame([0x20, 0xC0], [$across[0], $across[5]], 'far from the edge nothing changes');
        self::assertEqualsWithDelta((0x20 + 0xC0) / 2, ($across[2] + $across[3]) / 2, 1.0, 'half and half at the edge');
        self::assertTrue(
            $across[1] > 0x20 &&
                $across[1] < $across[2] &&
                $across[2] < $across[3] &&
                $across[3] < $across[4] &&
                $across[4] < 0xC0,
        );
        self::assertSame($sharp[3], $this->at(380, 100), 'what is nearer stays sharp');
        $this->hang('soft00001', new SoftnessContent(10.0), Scope::behind(3), opacity: 0.0);
        self::assertSame(
            [$sharp, 0],
            [
                [$this->at(199, 100), $this->at(200, 100), $this->at(379, 100), $this->at(380, 100)],
                $this->stack()->margin(),
            ],
        );
    }

    public function test_softness_follows_when_a_tone_beneath_it_changes_beyond_a_tile_border(): void
    {
        $this->hang('soft00001', new SoftnessContent(20.0), Scope::page());
        $before = $this->at(370, 100);
        $tones = $this->palette->materials;
        $tones[3] = array_map(fn (): int => 0xFF0000, $tones[3]);
        $this->palette = new Palette($tones, $this->palette->figureOf, self::DEPTHS);
        self::assertGreaterThan($before[0] + 20, $this->at(370, 100)[0]);
    }

    public function test_the_layered_file_shows_what_alters_the_picture_as_it_looks(): void
    {
        $this->hang(
            'tint00001',
            new TintContent(new Rgb(200, 30, 30)),
            Scope::page(),
            0,
            BlendMode::Multiply,
            0.5,
            order: 0.5,
        );
        $this->hang('soft00001', new SoftnessContent(6.0), Scope::behind(1));
        $this->hang('levels001', new LevelsContent(0.1, 0.8, 1.4), Scope::figure(2), 2, BlendMode::Normal, 0.7);
        $this->hang('levels002', new LevelsContent(0.0, 0.9, 0.7), Scope::page(), 0, order: 2.0);
        $this->hang(
            'mist00001',
            new MistContent(new Rgb(250, 240, 200), 60.0, 0.7, 2),
            Scope::figure(3),
            3,
            BlendMode::Screen,
            0.8,
        );
        $this->put(
            RecordKind::Pass,
            'rolled001',
            new PassSpec('Rolled', 0, new LevelsContent(0.5, 1.0, 1.0), Scope::page(), visible: false),
        );
        $sheet = new Sheet($this->source);
        $picture = (new SheetPicture)->compose($sheet, $this->stack());
        $path = sys_get_temp_dir().'/awning-filling-'.bin2hex(random_bytes(6)).'.ora';
        (new LayeredExport($sheet, $this->stack(), [1 => 'Oda', 2 => 'Harbour', 3 => 'Lamp']))->write(
            $path,
            $picture,
            300,
        );
        $file = new OpenRasterFile($path);
        $layers = (new OpenRasterRenderer($file))->render();
        unlink($path);
        self::assertSame(
            [
                'Paper',
                'Harbour flats',
                'Pass levels001',
                'Pass soft00001',
                'Oda flats',
                'Lamp flats',
                'Pass mist00001',
                'Ink',
                'Pass tint00001',
                'Pass levels002',
            ],
            array_map(fn ($node): string => $node->name, $file->root->children),
        );
        $worst = 0;
        foreach (['red', 'green', 'blue'] as $channel) {
            for ($i = 0, $count = self::WIDTH * self::HEIGHT; $i < $count; $i++) {
                $worst = max($worst, abs(ord($layers->$channel[$i]) - ord($picture->$channel[$i])));
            }
        }
        self::assertLessThanOrEqual(2, $worst);
    }

    private function assertRefused(string $kind, array $input, string $why): void
    {
        $sheet = new Sheet($this->source);
        try {
            OpRefused::onInvalidValues(function () use ($kind, $input, $sheet): void {
                OpKinds::read($kind, $input)->apply($sheet);
                $sheet->takeChange();
            });
            self::fail("$kind was not refused");
        } catch (OpRefused $refused) {
            self::assertStringContainsString($why, $refused->getMessage());
        }
    }

    public function test_what_fills_all_it_reaches_is_not_painted_in_merged_or_grouped_where_it_cannot_be(): void
    {
        $this->hang('levels001', new LevelsContent, Scope::figure(1), 1);
        $this->hang('levels002', new LevelsContent, Scope::figure(1), 1, order: 2.0);
        $this->hang('soft00001', new SoftnessContent(4.0), Scope::behind(1), 1, order: 3.0);
        $this->assertRefused(
            'paint.shape',
            [
                'laying' => [
                    'pass' => 'levels001',
                    'make' => null,
                    'erase' => false,
                    'colour' => null,
                    'opacity' => 1.0,
                    'inside' => [],
                ],
                'outline' => [[10, 10], [400, 10], [400, 90]],
                'mirror' => null,
            ],
            'Paint its mask',
        );
        $this->assertRefused(
            'pass.merge',
            ['id' => 'levels002', 'into' => 'levels001', 'copy' => null],
            'nothing painted',
        );
        $this->assertRefused(
            'group',
            [
                'id' => 'group0001',
                'passes' => ['soft00001'],
                'how' => ['isolated' => false, 'mode' => 'normal', 'opacity' => 1.0],
            ],
            'cannot be in a group',
        );
        $this->assertRefused(
            'pass.change',
            ['id' => 'soft00001', 'values' => ['scope' => ['kind' => 'figure', 'id' => 1]]],
            'behind a figure',
        );
        $this->assertRefused(
            'pass.add',
            [
                'id' => 'soft00002',
                'pass' => [
                    'name' => 'Soft',
                    'figure' => 1,
                    'content' => ['kind' => 'softness', 'reach' => 61],
                    'scope' => ['kind' => 'page', 'id' => 0],
                ],
            ],
            'Reach runs',
        );
        $this->assertRefused(
            'pass.add',
            [
                'id' => 'levels003',
                'pass' => [
                    'name' => 'Levels',
                    'figure' => 1,
                    'content' => ['kind' => 'levels', 'black' => 0.6, 'white' => 0.6, 'middle' => 1],
                    'scope' => ['kind' => 'page', 'id' => 0],
                ],
            ],
            'above the black',
        );
        $this->assertRefused(
            'pass.add',
            [
                'id' => 'behind003',
                'pass' => [
                    'name' => 'Nobody',
                    'figure' => 0,
                    'content' => ['kind' => 'tint', 'colour' => '#102030', 'follows' => null],
                    'scope' => ['kind' => 'behind', 'id' => 0],
                ],
            ],
            'must say which',
        );
    }

    public function test_contents_are_written_as_they_are_read(): void
    {
        foreach (
            [
                new LevelsContent(0.125, 0.75, 1.5),
                new MistContent(new Rgb(1, 2, 3), 77.5, 0.25, 65535),
                new SoftnessContent(0.5),
            ] as $content
        ) {
            $data = $content->toData();
            self::assertSame($data, $content::fromData(new Data($data))->toData());
            self::assertSame($content->kind()->value, $data['kind']);
        }
    }
}

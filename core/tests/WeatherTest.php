<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Colour\Rgb;
use Awning\Core\Compose\Weather\Clouds;
use Awning\Core\Compose\Weather\LastPlane;
use Awning\Core\Compose\Weather\Lightning;
use Awning\Core\Compose\Weather\Mist;
use Awning\Core\Compose\Weather\Particles;
use Awning\Core\Compose\Weather\Plane;
use Awning\Core\Compose\Weather\Shafts;
use Awning\Core\Compose\Weather\WeatherKinds;
use Awning\Core\Exchange\MoodFile;
use Awning\Core\Page\Data;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Page\Pass\CloudsContent;
use Awning\Core\Page\Pass\GlowContent;
use Awning\Core\Page\Pass\LightningContent;
use Awning\Core\Page\Pass\MistContent;
use Awning\Core\Page\Pass\ParticleForm;
use Awning\Core\Page\Pass\ParticlesContent;
use Awning\Core\Page\Pass\PassContent;
use Awning\Core\Page\Pass\PassRules;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Pass\ShaftsContent;
use Awning\Core\Page\Pass\ShimmerContent;
use Awning\Core\Page\Pass\Weather;
use Awning\Core\Page\Pass\WeatherContent;
use Awning\Core\Raster\Chance;
use Awning\Core\Raster\Paint;
use Awning\Core\Raster\Rect;
use Awning\Core\Sheet\Export\GradedPicture;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Weather that is computed from dials, the place on the page and a seed; glow and shimmer. */
final class WeatherTest extends TestCase
{
    private const WHITE = '#ffffff';

    /** @param  array<string, mixed>  $dials */
    private static function particles(array $dials, ?Rect $rect = null, ?PageSize $page = null): string
    {
        $content = ParticlesContent::fromData(new Data($dials + ['colour' => self::WHITE]));

        return (new Particles($content, $page ?? new PageSize(1000, 700)))->in($rect ?? new Rect(0, 0, 500, 400));
    }

    private static function mean(string $plane): float
    {
        return array_sum(count_chars($plane, 1)) === 0
            ? 0.0
            : array_sum(array_map(
                fn (int $value, int $count): int => $value * $count,
                array_keys(count_chars($plane, 1)),
                count_chars($plane, 1),
            )) / strlen($plane);
    }

    /** @return array<string, array{array<string, mixed>}> */
    public static function falls(): array
    {
        return [
            'streaks' => [['form' => 'streak', 'length' => 40, 'angle' => 30, 'spacing' => 20, 'seed' => 4]],
            'flakes' => [['form' => 'flake', 'size' => 9, 'spacing' => 25, 'seed' => 4]],
            'crystals' => [['form' => 'crystal', 'size' => 30, 'spacing' => 40, 'seed' => 4]],
            'petals' => [['form' => 'petal', 'size' => 20, 'spread' => 1, 'spacing' => 40, 'seed' => 4]],
        ];
    }

    /** @param  array<string, mixed>  $dials */
    #[DataProvider('falls')]
    public function test_a_part_of_the_page_has_the_particles_of_the_whole(array $dials): void
    {
        $whole = self::particles($dials);
        self::assertGreaterThan(1, self::mean($whole));
        foreach ([new Rect(0, 0, 256, 193), new Rect(256, 193, 244, 207), new Rect(101, 7, 3, 390)] as $rect) {
            $rows = '';
            for ($y = $rect->y; $y < $rect->y + $rect->height; $y++) {
                $rows .= substr($whole, 500 * $y + $rect->x, $rect->width);
            }
            self::assertTrue($rows === self::particles($dials, $rect), "at $rect->x, $rect->y");
        }
    }

    /** @param  array<string, mixed>  $dials */
    #[DataProvider('falls')]
    public function test_the_same_seed_gives_the_same_bytes_and_another_one_others(array $dials): void
    {
        self::assertTrue(self::particles($dials) === self::particles($dials));
        self::assertFalse(self::particles($dials) === self::particles(['seed' => 5] + $dials));
    }

    /** Twice as many on the same page cover twice as much, where they hardly meet. */
    public function test_cover_grows_with_the_number_of_particles(): void
    {
        $cover = fn (float $spacing): float => self::mean(
            self::particles([
                'spacing' => $spacing, 'size' => 8, 'softness' => 0, 'near' => 0, 'far' => 0, 'variety' => 0,
            ], new Rect(0, 0, 1000, 700)),
        );
        $few = $cover(40.0);
        self::assertEqualsWithDelta(2.0, $cover(40.0 / sqrt(2)) / $few, 0.1);
        self::assertEqualsWithDelta(4.0, $cover(20.0) / $few, 0.2);
        self::assertEqualsWithDelta(255 * M_PI * 4 ** 2 / 40 ** 2, $few, 0.2, 'a disc of eight px a cell of forty');
    }

    public function test_near_ones_are_larger_and_fewer_and_far_ones_smaller_and_more(): void
    {
        $count = function (string $plane): array {
            $dials = ['near' => 0, 'middle' => 0, 'far' => 0, $plane => 1, 'size' => 6, 'spacing' => 40];
            $dials += ['softness' => 0, 'variety' => 0, 'seed' => 2];
            $bytes = self::particles($dials, new Rect(0, 0, 1000, 700));
            $runs = preg_match_all('/\xff+/', $bytes, $found);

            return [$runs, $runs === 0 ? 0 : max(array_map(strlen(...), $found[0]))];
        };
        [$near, $middle] = [$count('near'), $count('middle')];
        self::assertGreaterThan(1.5 * $middle[1], $near[1], 'the widest row of one');
        self::assertLessThan($middle[0], $near[0], 'rows of all of them');
        $softer = function (string $plane): bool {
            $dials = ['near' => 0, 'middle' => 0, 'far' => 0, $plane => 1, 'softness' => 0, 'size' => 20];
            $bytes = self::particles($dials + ['spacing' => 60, 'variety' => 0]);

            return strlen((string) preg_replace('/[\x00\xff]/', '', $bytes)) > substr_count($bytes, "\xff");
        };
        self::assertSame([false, true], [$softer('middle'), $softer('far')], 'those far away are soft in any case');
    }

    public function test_no_strength_shows_nothing_and_half_of_it_shows_half(): void
    {
        $dials = ['spacing' => 60, 'size' => 10, 'middle' => 1.0, 'near' => 0, 'far' => 0, 'variety' => 0];
        self::assertSame(0.0, self::mean(self::particles(['middle' => 0.0] + $dials)));
        self::assertEqualsWithDelta(
            0.5,
            self::mean(self::particles(['middle' => 0.5] + $dials)) / self::mean(self::particles($dials)),
            0.01,
        );
    }

    /** Lengths are parts of the page: a page of half the size shows the same picture, half as large. */
    public function test_weather_fits_every_page_size(): void
    {
        $dials = ['form' => 'streak', 'length' => 60, 'angle' => 25, 'spacing' => 60, 'size' => 8, 'variety' => 0.3];
        $large = self::particles($dials, new Rect(0, 0, 1000, 700), new PageSize(1000, 700));
        $small = self::particles($dials, new Rect(0, 0, 500, 350), new PageSize(500, 350));
        $off = 0;
        for ($y = 0; $y < 350; $y++) {
            for ($x = 0; $x < 500; $x++) {
                $four = 0;
                foreach ([0, 1, 1000, 1001] as $step) {
                    $four += ord($large[2000 * $y + 2 * $x + $step]);
                }
                $off += abs($four / 4 - ord($small[500 * $y + $x]));
            }
        }
        self::assertLessThan(0.2 * self::mean($small), $off / (500 * 350));
    }

    public function test_particles_finer_than_pixels_are_laid_evenly(): void
    {
        $dials = ['spacing' => 5, 'size' => 2, 'variety' => 0, 'near' => 0, 'far' => 0];
        $fine = self::particles($dials, new Rect(0, 0, 100, 80), new PageSize(200, 100));
        self::assertCount(1, count_chars($fine, 1));
        $large = self::particles($dials, new Rect(0, 0, 1000, 700), new PageSize(4000, 2000));
        self::assertEqualsWithDelta(self::mean($large), ord($fine[0]), 1.5);
    }

    public function test_ripples_and_splashes_laid_evenly_cover_as_much_as_those_that_can_be_told_apart(): void
    {
        foreach (['ripple', 'splash'] as $form) {
            $dials = ['form' => $form, 'spacing' => 5, 'size' => 8, 'variety' => 0, 'near' => 0, 'far' => 0];
            $dials += ['softness' => 0];
            $fine = ord(self::particles($dials, new Rect(0, 0, 1, 1), new PageSize(200, 100)));
            $large = self::mean(self::particles($dials, new Rect(0, 0, 600, 500), new PageSize(6000, 3000)));
            // Where lines lie over each other they cover less than the sum.
            self::assertEqualsWithDelta(1.0, $large / $fine, 0.2, $form);
        }
    }

    /** @return array<string, int> of one form, sharp and by itself: px it covers in each direction from its middle */
    private static function reaches(string $form): array
    {
        $size = ['form' => $form, 'size' => 60, 'spacing' => 500, 'variety' => 0, 'softness' => 0, 'near' => 0, 'far' => 0];
        $plane = self::particles($size + ['seed' => 1], new Rect(0, 0, 1000, 1000), new PageSize(1000, 1000));
        // The cell of 500 px that begins at the page's corner has one, at a place by its seed.
        [$x, $y] = [500 * Chance::at(5, 0), 500 * Chance::at(5, 1)];
        $reach = ['up' => 0, 'down' => 0, 'left' => 0, 'right' => 0];
        for ($i = 0; $i < strlen($plane); $i++) {
            [$across, $below] = [$i % 1000 + 0.5 - $x, intdiv($i, 1000) + 0.5 - $y];
            if (ord($plane[$i]) > 127 && hypot($across, $below) < 40) {
                $reach['up'] = max($reach['up'], (int) round(-$below));
                $reach['down'] = max($reach['down'], (int) round($below));
                $reach['left'] = max($reach['left'], (int) round(-$across));
                $reach['right'] = max($reach['right'], (int) round($across));
            }
        }

        return $reach;
    }

    public function test_ripples_lie_flat_and_splashes_stand_up(): void
    {
        // A radius of 30 px: the outer ring has 27, and 3.6 px of thickness.
        $ripple = self::reaches('ripple');
        self::assertEqualsWithDelta([29, 29], [$ripple['left'], $ripple['right']], 1);
        self::assertEqualsWithDelta([11, 11], [$ripple['up'], $ripple['down']], 1.5, 'a third as high as wide');
        $splash = self::reaches('splash');
        self::assertEqualsWithDelta([32, 0], [$splash['up'], $splash['down']], 1.5);
        self::assertEqualsWithDelta([22, 22], [$splash['left'], $splash['right']], 2, 'its lines fan out alike');
    }

    public function test_crystals_have_six_arms(): void
    {
        $plane = self::particles(
            [
                'form' => 'crystal', 'size' => 60, 'spacing' => 500, 'near' => 0, 'far' => 0,
                'variety' => 0, 'softness' => 0, 'seed' => 1,
            ],
            new Rect(0, 0, 1000, 1000),
            new PageSize(1000, 1000),
        );
        // The middle of one of them: where it covers most, all about.
        [$sum, $sumX, $sumY] = [0, 0, 0];
        for ($i = 0, $first = null; $i < strlen($plane); $i++) {
            $value = ord($plane[$i]);
            if ($value === 0) {
                continue;
            }
            [$x, $y] = [$i % 1000, intdiv($i, 1000)];
            $first ??= [$x, $y];
            if (abs($x - $first[0]) < 70 && $y - $first[1] < 70) {
                [$sum, $sumX, $sumY] = [$sum + $value, $sumX + $value * $x, $sumY + $value * $y];
            }
        }
        [$x, $y] = [$sumX / $sum, $sumY / $sum];
        // Between the branches, near the tips, a circle meets six arms.
        $ring = '';
        for ($degree = 0; $degree < 360; $degree++) {
            $at = (int) round($x + 28 * cos(deg2rad($degree))) + 1000 * (int) round($y + 28 * sin(deg2rad($degree)));
            $ring .= ord($plane[$at]) > 127 ? '#' : '.';
        }
        self::assertSame(6, preg_match_all('/\.#/', $ring.$ring[0]), $ring);
    }

    public function test_an_outline_shows_around_particles_and_not_through_them(): void
    {
        // Discs of 20 px on grey: red where they are, blue for 5 px around them.
        $dials = ['form' => 'flake', 'size' => 20, 'spacing' => 90, 'softness' => 0, 'variety' => 0, 'near' => 0];
        $dials += ['far' => 0, 'seed' => 6, 'colour' => '#ff0000', 'outlineColour' => '#0000ff'];
        $page = new PageSize(1000, 700);
        $cover = fn (array $more): string => self::particles($more + $dials, new Rect(0, 0, 1000, 700), $page);
        [$inner, $outer] = [$cover([]), $cover(['size' => 30])];
        $grey = Paint::solid(1000, 700, [128, 128, 128]);
        foreach ([1.0, 0.5] as $opacity) {
            $layer = PassSpec::fromData(new Data([
                'name' => 'Hail',
                'figure' => 0,
                'scope' => Scope::page()->toData(),
                'content' => ['kind' => 'particles', 'outline' => 5] + $dials,
                'mode' => 'normal',
                'opacity' => $opacity,
            ]));
            $laid = (new GradedPicture)->of($grey, [$layer]);
            $mixed = fn (int $part): int => (int) round(128 + ($part - 128) * $opacity);
            $kinds = ['inside' => 0, 'ring' => 0, 'outside' => 0];
            for ($at = 0; $at < 1000 * 700; $at += 7) {
                $is = match (true) {
                    $inner[$at] === "\xff" => 'inside',
                    $outer[$at] === "\xff" && $inner[$at] === "\0" => 'ring',
                    $outer[$at] === "\0" => 'outside',
                    default => null,
                };
                if ($is === null) {
                    continue;
                }
                $kinds[$is]++;
                $wanted = match ($is) {
                    'inside' => [$mixed(255), $mixed(0), $mixed(0)],
                    'ring' => [$mixed(0), $mixed(0), $mixed(255)],
                    'outside' => [128, 128, 128],
                };
                $found = [ord($laid->red[$at]), ord($laid->green[$at]), ord($laid->blue[$at])];
                self::assertEqualsWithDelta($wanted, $found, 1, "$is at $at");
            }
            self::assertGreaterThan(100, min($kinds));
        }
        self::assertNull(ParticlesContent::fromData(new Data($dials + ['outline' => 0]))->outline());
        // What is soft for 4 px stays so beside its outline, and none is larger than may be set.
        $soft = ParticlesContent::fromData(new Data(['softness' => 0.2, 'outline' => 5] + $dials))->outline();
        $found = [$soft?->size, $soft?->softness, $soft?->outline];
        self::assertEqualsWithDelta([30.0, (20 * 0.2) / 30, 0.0], $found, 1e-12);
        $large = ParticlesContent::fromData(new Data(['size' => 58, 'outline' => 5] + $dials));
        self::assertSame(60.0, $large->outline()?->size);
    }

    public function test_mist_without_texture_is_even_and_ends_at_its_heights(): void
    {
        $page = new PageSize(400, 200);
        $row = fn (MistContent $mist, int $y): string => (new Mist($mist, $page))->in(new Rect(0, $y, 400, 1));
        $fog = new MistContent(new Rgb(9, 9, 9), density: 0.8, texture: 0.0, top: 0.25, bottom: 0.75, fade: 0.1);
        self::assertSame(str_repeat(chr(102), 400), $row($fog, 100), 'half of 0.8');
        self::assertSame(str_repeat(chr(102), 400), $row($fog, 50));
        self::assertSame(str_repeat(chr(102), 400), $row($fog, 149));
        self::assertSame(0, ord($row($fog, 29)[0]), 'more than a tenth of the height above it');
        self::assertSame(0, ord($row($fog, 170)[0]));
        self::assertEqualsWithDelta(51, ord($row($fog, 40)[0]), 4, 'half-way through the tenth');
        self::assertGreaterThan(ord($row($fog, 160)[0]), ord($row($fog, 155)[0]));
        $sharp = new MistContent(new Rgb(9, 9, 9), density: 1.0, texture: 0.0, top: 0.5, bottom: 1.0, fade: 0.0);
        self::assertSame([0, 128], [ord($row($sharp, 99)[0]), ord($row($sharp, 100)[0])]);
        $patches = $row(new MistContent(new Rgb(9, 9, 9), 40.0), 100);
        self::assertGreaterThan(20, count(count_chars($patches, 1)), 'with texture it differs from place to place');
    }

    public function test_lightning_runs_from_its_origin_to_where_it_strikes(): void
    {
        $page = new PageSize(400, 300);
        $content = fn (float $jag, int $branches = 0, float $glow = 0.0): LightningContent => new LightningContent(
            new Rgb(255, 255, 255), [0.25, 0.1], [0.75, 0.9], 20.0, $jag, $branches, $glow, 5,
        );
        $at = function (LightningContent $strike, int $x, int $y) use ($page): int {
            return ord((new Lightning($strike, $page))->in(new Rect($x, $y, 1, 1)));
        };
        foreach ([0.0, 0.5, 1.0] as $jag) {
            self::assertSame([255, 255], [$at($content($jag), 101, 31), $at($content($jag), 299, 269)], "jag $jag");
        }
        self::assertSame(255, $at($content(0.0), 200, 150), 'straight without a jag');
        self::assertSame(0, $at($content(0.0), 200, 120));
        $whole = fn (LightningContent $strike): string => (new Lightning($strike, $page))->in(new Rect(0, 0, 400, 300));
        self::assertNotSame($whole($content(0.0)), $whole($content(0.4)));
        self::assertGreaterThan(
            1.3 * self::mean($whole($content(0.4))),
            self::mean($whole($content(0.4, 8))),
            'branches cover more',
        );
        self::assertGreaterThan(0, $at($content(0.0, 0, 30.0), 200, 138), 'a glow beside it');
        self::assertGreaterThan(
            $at($content(0.0, 0, 30.0), 299, 240),
            $at($content(0.0, 0, 30.0), 101, 60),
            'and more of it about its origin than about its end',
        );
    }

    public function test_lightning_has_an_outline_on_either_side_and_not_in_its_glow(): void
    {
        $page = new PageSize(400, 400);
        // Straight down, 8 px wide at the top: 20 thousandths; 2 px of outline on either side.
        $strike = new LightningContent(
            new Rgb(255, 0, 0), [0.5, 0.0], [0.5, 2.0], 20.0, 0.0, 0, 0.0,
            outline: 5.0, outlineColour: new Rgb(0, 0, 255),
        );
        $layer = [new PassSpec('Strike', 0, $strike, Scope::page())];
        $picture = (new GradedPicture)->of(Paint::solid(400, 400, [0, 255, 0]), $layer);
        $row = array_map(fn (int $x): array => array_slice($picture->at($x, 2), 0, 3), range(192, 207));
        self::assertSame([0, 255, 0], $row[0]);
        self::assertSame([[0, 0, 255], [255, 0, 0]], [$row[3], $row[5]]);
        self::assertSame([[255, 0, 0], [0, 0, 255]], [$row[10], $row[12]]);
        self::assertSame([0, 255, 0], $row[15]);
        self::assertNull((new LightningContent(new Rgb(1, 2, 3)))->outline());
        self::assertSame([30.0, 0.0], [
            (new LightningContent(new Rgb(1, 2, 3), width: 29.0, outline: 5.0))->outline()?->width,
            (new LightningContent(new Rgb(1, 2, 3), glow: 20.0, outline: 1.0))->outline()?->glow,
        ]);
        self::assertSame('#0000ff', $strike->outline()?->colour->hex());
    }

    public function test_lightning_becomes_thinner_towards_its_end(): void
    {
        $strike = new LightningContent(new Rgb(1, 2, 3), [0.5, 0.0], [0.5, 1.0], 30.0, 0.0, 0, 0.0);
        $width = fn (int $y): float => array_sum(array_map(
            ord(...),
            str_split((new Lightning($strike, new PageSize(1000, 1000)))->in(new Rect(400, $y, 200, 1))),
        )) / 255;
        self::assertEqualsWithDelta([30.0, 20.25, 10.5], [$width(4), $width(500), $width(995)], 0.6);
    }

    public function test_weather_is_brighter_near_lamps_and_dimmer_where_none_reaches(): void
    {
        // So many flakes that they lie everywhere alike.
        $even = ['spacing' => 4, 'size' => 9, 'softness' => 0, 'variety' => 0];
        $page = new PageSize(400, 200);
        $at = function (array $dials, int $x, int $y) use ($even, $page): int {
            return ord(self::particles($dials + $even, new Rect($x, $y, 1, 1), $page));
        };
        // Reaches are parts of the page's width: 100 px and 40 px.
        $lamps = ['lamps' => [[0.25, 0.5, 0.25], [0.9, 0.1, 0.1]], 'dim' => 0.8];
        self::assertSame(255, $at([], 100, 100));
        self::assertEqualsWithDelta(255, $at($lamps, 100, 100), 1, 'all of it at a lamp');
        self::assertEqualsWithDelta(255, $at($lamps, 359, 19), 1, 'and at another');
        self::assertEqualsWithDelta(255 * 0.6, $at($lamps, 150, 100), 2, 'half of what it loses halfway');
        self::assertEqualsWithDelta(255 * 0.6, $at($lamps, 100, 49), 2);
        self::assertSame(51, $at($lamps, 205, 100), 'a fifth beyond its reach');
        self::assertSame(51, $at($lamps, 320, 60));
        self::assertSame(255, $at(['dim' => 0.0] + $lamps, 205, 100));
        self::assertSame(0, $at(['dim' => 1.0] + $lamps, 205, 100));
        self::assertSame(255, $at(['lamps' => []] + $lamps, 205, 100), 'without lamps it is as bright everywhere');
        $outlined = ParticlesContent::fromData(new Data(['colour' => self::WHITE, 'outline' => 1.0] + $lamps + $even));
        self::assertSame([$outlined->lamps, 0.8], [$outlined->outline()?->lamps, $outlined->outline()?->dim]);
        $data = $outlined->toData();
        self::assertEquals($outlined, ParticlesContent::fromData(new Data($data)));
        foreach (
            [
                ['lamps' => [[0.5, 0.5]]],
                ['lamps' => [[0.5, 0.5, 0.01]]],
                ['lamps' => [[0.5, 0.5, 2.1]]],
                ['lamps' => [[4.1, 0.5, 0.5]]],
                ['lamps' => [[0.5, -4.1, 0.5]]],
                ['lamps' => array_fill(0, 9, [0.5, 0.5, 0.5])],
                ['lamps' => [0.5]],
                ['dim' => 1.1],
            ] as $wrong
        ) {
            try {
                ParticlesContent::fromData(new Data($wrong + $data));
                self::fail('It was taken: '.json_encode($wrong));
            } catch (\InvalidArgumentException|\RangeException) {
                $this->addToAssertionCount(1);
            }
        }
    }

    /** @return iterable<string, array{int, int}> */
    public static function oddPages(): iterable
    {
        yield 'a column' => [1, 20_000];
        yield 'a row' => [20_000, 1];
        yield 'a pixel' => [1, 1];
    }

    #[DataProvider('oddPages')]
    public function test_weather_of_every_kind_is_made_for_pages_of_odd_sizes(int $width, int $height): void
    {
        $page = new PageSize($width, $height);
        $whole = new Rect(0, 0, $width, $height);
        $part = new Rect(intdiv($width, 3), intdiv($height, 3), min(97, $width), min(97, $height));
        $kinds = [];
        foreach (array_column(PassRules::hangable(), 'pass') as $offered) {
            $content = PassSpec::ofNobody(new Data($offered))->content;
            $made = match (true) {
                $content instanceof CloudsContent => fn (Rect $at): string => (new Clouds($content, $page))->in($at)[0],
                $content instanceof WeatherContent => WeatherKinds::plane($content, $page)->in(...),
                default => null,
            };
            if ($made === null) {
                continue;
            }
            $kinds[$content->kind()->value] = true;
            $from = $width === 1 ? $part->y : $part->x;
            self::assertSame(
                bin2hex(substr($made($whole), $from, $part->width * $part->height)),
                bin2hex($made($part)),
                $offered['name'],
            );
        }
        self::assertCount(5, $kinds, 'every kind of weather');
    }

    /** @param  list<PassContent>  $contents */
    private static function graded(array $contents, Paint $picture): Paint
    {
        return (new GradedPicture)->of($picture, array_map(
            fn (PassContent $content): PassSpec => new PassSpec(
                'A layer',
                0,
                $content,
                Scope::page(),
                $content instanceof GlowContent ? BlendMode::Screen : BlendMode::Normal,
            ),
            $contents,
        ));
    }

    /** Black, but for a white square in the middle, and a grey one in a corner. */
    private static function lamp(int $side): Paint
    {
        $plane = str_repeat("\0", $side * $side);
        for ($y = 0; $y < 9; $y++) {
            for ($x = 0; $x < 9; $x++) {
                $plane[$side * (intdiv($side, 2) - 4 + $y) + intdiv($side, 2) - 4 + $x] = "\xff";
                $plane[$side * (4 + $y) + 4 + $x] = chr(120);
            }
        }

        return new Paint($side, $side, $plane, $plane, $plane, str_repeat("\xff", $side * $side));
    }

    public function test_only_what_is_bright_glows_as_far_as_it_reaches(): void
    {
        $side = 200;
        $seen = self::graded([new GlowContent(0.6, 15.0)], self::lamp($side))->red;
        $at = fn (int $x, int $y): int => ord($seen[$side * $y + $x]);
        self::assertGreaterThan(20, $at(100, 107), 'beside the lamp');
        self::assertSame($at(100, 107), $at(107, 100), 'to all sides');
        self::assertSame($at(100, 107), $at(100, 93));
        self::assertGreaterThan($at(100, 112), $at(100, 107));
        self::assertSame(0, $at(100, 150), 'not beyond its reach');
        self::assertSame([120, 0], [$at(8, 8), $at(8, 15)], 'what is grey does not glow');
    }

    public function test_a_shimmer_moves_no_pixel_farther_than_its_height_and_adds_nothing(): void
    {
        $side = 200;
        $stripes = str_repeat(str_repeat("\0", 100).str_repeat("\xff", 100), $side);
        $picture = new Paint($side, $side, $stripes, $stripes, $stripes, str_repeat("\xff", $side * $side));
        $edges = [];
        foreach (str_split(self::graded([new ShimmerContent(10.0, 40.0, 0.0, 3)], $picture)->red, $side) as $row) {
            $edges[] = array_sum(array_map(ord(...), str_split($row))) / 255;
        }
        self::assertLessThanOrEqual(102.05, max($edges), '10 thousandths of 200 px are 2 px');
        self::assertGreaterThanOrEqual(97.95, min($edges));
        self::assertGreaterThan(2.5, max($edges) - min($edges), 'and it does move them');
        self::assertTrue(
            self::graded([new ShimmerContent(10.0, 40.0, 90.0, 3)], $picture)->red === $stripes,
            'waves that follow each other to the right move pixels up and down alone',
        );
    }

    public function test_a_plane_is_made_once_as_long_as_the_same_is_asked_for(): void
    {
        $plane = new class implements Plane
        {
            /** @var list<int> */
            public array $made = [];

            public function in(Rect $rect): string
            {
                $this->made[] = $rect->x;

                return str_repeat(chr($rect->x), $rect->width);
            }
        };
        $ask = (new LastPlane($plane))->in(...);
        self::assertSame(["\1\1\1", "\1\1\1", "\2\2\2", "\1\1\1", "\1\1"], array_map($ask, [
            new Rect(1, 0, 3, 1),
            new Rect(1, 0, 3, 1),
            new Rect(2, 0, 3, 1),
            new Rect(1, 0, 3, 1),
            new Rect(1, 0, 2, 1),
        ]));
        self::assertSame([1, 2, 1, 1], $plane->made);
    }

    public function test_what_is_offered_shows_in_each_plane_it_names(): void
    {
        foreach (Weather::all() as $name => $content) {
            $plane = (new Particles($content, new PageSize(1600, 1200)))->in(new Rect(0, 0, 800, 600));
            self::assertGreaterThan(0.1, self::mean($plane), $name);
            self::assertLessThan(90, self::mean($plane), "$name hides the picture");
        }
        self::assertSame(ParticleForm::Streak, Weather::all()['Rain']->form);
    }

    public function test_contents_keep_their_bounds_and_are_what_they_were_when_read_again(): void
    {
        $contents = [
            new ParticlesContent(
                new Rgb(1, 2, 3), ParticleForm::Petal, 9.5, 0.5, 7.25, -33.0, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 2.5,
                new Rgb(9, 8, 7), 700,
            ),
            new LightningContent(
                new Rgb(4, 5, 6), [-1.0, 0.5], [2.0, 0.25], 3.5, 0.75, 7, 21.0, 65535, 4.5, new Rgb(7, 8, 9),
            ),
            new ShaftsContent(new Rgb(4, 5, 6), [-1.0, 0.5], [2.0, 0.25], 120.5, 17, 0.25, 0.75, 65535),
            new GlowContent(0.33, 12.5),
            new ShimmerContent(2.5, 33.0, -45.0, 12),
            new MistContent(new Rgb(7, 8, 9), 90.0, 0.4, 77, 0.5, -0.25, 1.25, 0.75),
        ];
        foreach ($contents as $content) {
            $data = $content->toData();
            self::assertEquals($content, $content::fromData(new Data($data)));
            self::assertSame($content->kind()->value, $data['kind']);
            $layers = [new PassSpec('A layer', 0, $content, Scope::page())];
            self::assertEquals($layers, MoodFile::read(MoodFile::write('Weather', $layers))[1]);
        }
        foreach (
            [
                fn () => new ParticlesContent(new Rgb(0, 0, 0), spacing: 3.9),
                fn () => new ParticlesContent(new Rgb(0, 0, 0), size: 60.1),
                fn () => new ParticlesContent(new Rgb(0, 0, 0), far: 1.01),
                fn () => new ParticlesContent(new Rgb(0, 0, 0), angle: NAN),
                fn () => new ParticlesContent(new Rgb(0, 0, 0), outline: 5.1),
                fn () => new ParticlesContent(new Rgb(0, 0, 0), outline: -0.1),
                fn () => new LightningContent(new Rgb(0, 0, 0), [0.5, 0.5], [0.5, 0.5]),
                fn () => new LightningContent(new Rgb(0, 0, 0), branches: 13),
                fn () => new LightningContent(new Rgb(0, 0, 0), outline: 5.1),
                fn () => new ShaftsContent(new Rgb(0, 0, 0), [0.5, 0.5], [0.5, 0.5]),
                fn () => new ShaftsContent(new Rgb(0, 0, 0), spread: 181.0),
                fn () => new ShaftsContent(new Rgb(0, 0, 0), spread: 1.5),
                fn () => new ShaftsContent(new Rgb(0, 0, 0), count: 61),
                fn () => new ShaftsContent(new Rgb(0, 0, 0), count: 0),
                fn () => new LightningContent(new Rgb(0, 0, 0), to: [4.5, 0.0]),
                fn () => new GlowContent(1.0),
                fn () => new GlowContent(0.5, 31.0),
                fn () => new ShimmerContent(length: 1.9),
                fn () => new MistContent(new Rgb(0, 0, 0), fade: -0.1),
            ] as $i => $make
        ) {
            try {
                $make();
                self::fail("Number $i was taken.");
            } catch (\InvalidArgumentException|\RangeException) {
                $this->addToAssertionCount(1);
            }
        }
    }

    public function test_light_shafts_spread_from_their_source_and_fade_on_their_way(): void
    {
        $page = new PageSize(400, 300);
        $made = fn (ShaftsContent $content, ?Rect $rect = null): string => (new Shafts($content, $page))->in(
            $rect ?? new Rect(0, 0, 400, 300),
        );
        $shafts = fn (int $count, float $soft = 0.3, float $variety = 0.0, int $seed = 1) => new ShaftsContent(
            new Rgb(255, 240, 200),
            from: [0.5, 0.0],
            to: [0.5, 1.0],
            spread: 60.0,
            count: $count,
            softness: $soft,
            variety: $variety,
            seed: $seed,
        );
        $row = fn (ShaftsContent $content, int $y): array => array_map(
            ord(...),
            str_split($made($content, new Rect(0, $y, 400, 1))),
        );
        // One shaft lies along its way, mirrored about it, and is nothing outside of its spread.
        $one = $row($shafts(1), 150);
        self::assertSame($one, array_reverse($one));
        self::assertGreaterThan(110, $one[200]);
        $half = 150.5 * tan(deg2rad(30));
        self::assertSame([0, 0], [$one[(int) (199 - $half)], $one[(int) (201 + $half)]]);
        self::assertGreaterThan(0, $one[(int) (201 - $half) + 8]);
        // It fades all the way, to nothing at its end.
        $middle = array_map(fn (int $y): int => $row($shafts(1), $y)[200], [10, 100, 200, 280, 299]);
        $falling = $middle;
        rsort($falling);
        self::assertSame([$falling, 0], [$middle, $middle[4]]);
        self::assertGreaterThan(240, $middle[0]);
        // As many shafts as are asked for, with dark between them.
        $lit = implode('', array_map(fn (int $value): string => $value > 8 ? '#' : ' ', $row($shafts(5), 150)));
        self::assertSame(5, preg_match_all('/#+/', $lit));
        // Sharp ones have more light than soft ones, and variety takes light away.
        $sum = fn (ShaftsContent $content): int => array_sum(array_map(ord(...), str_split($made($content))));
        self::assertGreaterThan($sum($shafts(5, 1.0)), $sum($shafts(5, 0.0)));
        self::assertGreaterThan($sum($shafts(5, 0.3, 1.0)), $sum($shafts(5, 0.3, 0.0)));
        self::assertSame($made($shafts(5, 0.3, 0.0, 1)), $made($shafts(5, 0.3, 0.0, 2)), 'without variety no chance');
        self::assertNotSame($made($shafts(5, 0.3, 0.5, 1)), $made($shafts(5, 0.3, 0.5, 2)));
        // Tiles and the whole page are the same bytes.
        $whole = $made($shafts(7, 0.4, 0.8));
        $tile = $made($shafts(7, 0.4, 0.8), new Rect(193, 57, 101, 83));
        for ($y = 0; $y < 83; $y++) {
            self::assertSame(substr($whole, (57 + $y) * 400 + 193, 101), substr($tile, $y * 101, 101), "row $y");
        }
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Pass\TintContent;
use Awning\Core\Page\RecordKind;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Paint;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Sheet\Export\SheetPicture;
use Awning\Core\Sheet\Export\StackBuilder;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Change;
use Awning\Core\Sheet\State\MemorySource;
use Awning\Core\Sheet\State\Palette;
use Awning\Core\Sheet\State\RecordChange;
use Awning\Core\Sheet\State\TileChange;
use PHPUnit\Framework\TestCase;

/** A page of odd size on four tiles, whose figures meet along slants, at a tile's edge and at the page's. */
final class SoftEdgesTest extends TestCase
{
    private const WIDTH = 301;

    private const HEIGHT = 262;

    /** Region => figure, material; the last one is unfilled. Figure 70 000 needs more than two bytes. */
    private const REGIONS = [1 => [4, 40], 2 => [4, 41], 3 => [70_000, 42], 4 => [9, 43], 5 => [0, 0]];

    private const BASES = [40 => 0xD04020, 41 => 0x20A040, 42 => 0x2030C0, 43 => 0xE0D010];

    public function testEveryEdgeOfASoftFigureIsMixedByWhatLiesAboutIt(): void
    {
        $picture = $this->picture([4 => true]);
        $hard = $this->picture([]);
        $changed = 0;
        for ($y = 0; $y < self::HEIGHT; $y++) {
            for ($x = 0; $x < self::WIDTH; $x++) {
                $expected = self::mixed($x, $y, [4]);
                self::assertSame($expected, self::at($picture, $x, $y), "at $x,$y");
                self::assertSame(self::colour(self::label($x, $y)), self::at($hard, $x, $y));
                $changed += self::at($hard, $x, $y) === $expected ? 0 : 1;
            }
        }
        self::assertGreaterThan(900, $changed);
    }

    public function testAFigureOfAnyNumberMayBeSoftAndOthersStayHard(): void
    {
        $picture = $this->picture([70_000 => true]);
        for ($y = 0; $y < self::HEIGHT; $y += 3) {
            for ($x = 0; $x < self::WIDTH; $x++) {
                self::assertSame(self::mixed($x, $y, [70_000]), self::at($picture, $x, $y), "at $x,$y");
            }
        }
    }

    public function testAStraightEdgeGoesUpInQuarters(): void
    {
        // Between the unfilled stripe at the top, which is paper, and figure 4 below it, far from any corner.
        $row = fn (int $y): int => self::at($this->picture([4 => true]), 50, $y) & 255;

        self::assertSame(
            [0xFF, (int) round(0xFF * 0.75 + 0x20 * 0.25), (int) round(0xFF * 0.25 + 0x20 * 0.75), 0x20],
            [$row(8), $row(9), $row(10), $row(11)],
        );
    }

    public function testAPassInsideOneFigureFadesOutWithItsEdge(): void
    {
        $pass = new PassSpec('Red', 4, new TintContent(new Rgb(255, 0, 0)), Scope::figure(4), BlendMode::Normal, 0.5);
        $lit = $this->picture([4 => true], ['pass01' => $pass]);

        // Half red over each of the two, then a quarter of what there is without the pass.
        $inside = array_map(fn (int $c, int $red): int => intdiv($c + $red + 1, 2), [0xD0, 0x40, 0x20], [255, 0, 0]);
        self::assertSame(($inside[0] << 16) | ($inside[1] << 8) | $inside[2], self::at($lit, 50, 20));
        $expected = 0;
        foreach ($inside as $i => $own) {
            $expected = ($expected << 8) | intdiv($own * 12 + 255 * 4 + 8, 16);
        }
        self::assertSame($expected, self::at($lit, 50, 10));
    }

    public function testInnerBordersOfAFigureStayHard(): void
    {
        $picture = $this->picture([4 => true]);
        $found = [];
        for ($x = 95; $x < 106; $x++) {
            $found[] = self::at($picture, $x, 40);
        }
        self::assertSame([0xD04020, 0x20A040], array_values(array_unique($found)));
    }

    /**
     * @param  array<int, true>  $soft
     * @param  array<string, PassSpec>  $passes  each covers the whole page
     */
    private function picture(array $soft, array $passes = []): Paint
    {
        $source = new MemorySource;
        $grid = new TileGrid(self::WIDTH, self::HEIGHT);
        $labels = '';
        for ($i = 0; $i < self::WIDTH * self::HEIGHT; $i++) {
            $labels .= "\0".chr(self::label($i % self::WIDTH, intdiv($i, self::WIDTH)));
        }
        $tiles = $records = [];
        foreach ($grid->cut($labels, 2) as $place => $bytes) {
            $tiles[] = new TileChange(
                LayerName::flats(),
                ...[...array_map(intval(...), explode(',', $place)), null, $bytes],
            );
        }
        foreach ($passes as $id => $pass) {
            $records[] = new RecordChange(RecordKind::Pass, $id, null, $pass);
            foreach ($grid->cut(str_repeat("\xff", self::WIDTH * self::HEIGHT)) as $place => $bytes) {
                $tiles[] = new TileChange(
                    $pass->layer($id),
                    ...[...array_map(intval(...), explode(',', $place)), null, $bytes],
                );
            }
        }
        foreach (self::REGIONS as $label => [$figure, $material]) {
            $records[] = new RecordChange(
                RecordKind::Region,
                (string) $label,
                null,
                new Region($figure, $material, 9, 1, 1),
            );
        }
        $records[] = new RecordChange(RecordKind::Page, 'page', null, new PageSize(self::WIDTH, self::HEIGHT));
        $source->store(new Change($tiles, $records));
        $tones = array_map(
            fn (int $base): array => array_fill_keys(array_column(Tone::cases(), 'value'), $base),
            self::BASES,
        );
        $palette = new Palette($tones, [40 => 4, 41 => 4, 42 => 70_000, 43 => 9], [9, 70_000, 4], soft: $soft);
        $sheet = new Sheet($source);

        return (new SheetPicture)->compose($sheet, (new StackBuilder)->build($sheet, $palette));
    }

    private static function label(int $x, int $y): int
    {
        return match (true) {
            $y < 10 => 5,
            3 * $x + 2 * $y > 900 => 4,
            $y >= 200 + ($x % 3) => 3,
            $x >= 100 => 2,
            default => 1,
        };
    }

    private static function colour(int $label): int
    {
        return self::BASES[self::REGIONS[$label][1]] ?? 0xFFFFFF;
    }

    /**
     * What the description says, pixel by pixel: the other figure with most weight about it, by that weight.
     *
     * @param  list<int>  $soft
     */
    private static function mixed(int $x, int $y, array $soft): int
    {
        $own = self::label($x, $y);
        $figure = self::REGIONS[$own][0];
        $weights = $labels = [];
        foreach ([-1, 0, 1] as $dy) {
            foreach ([-1, 0, 1] as $dx) {
                $label = self::label(max(0, min(self::WIDTH - 1, $x + $dx)), max(0, min(self::HEIGHT - 1, $y + $dy)));
                $other = self::REGIONS[$label][0];
                if ($other !== $figure && array_intersect($soft, [$other, $figure]) !== []) {
                    $weight = (2 - abs($dx)) * (2 - abs($dy));
                    $weights[$other] = ($weights[$other] ?? 0) + $weight;
                    $labels[$other][$label] = ($labels[$other][$label] ?? 0) + $weight;
                }
            }
        }
        if ($weights === []) {
            return self::colour($own);
        }
        ksort($weights);
        $other = array_search(max($weights), $weights, true);
        ksort($labels[$other]);
        $label = array_search(max($labels[$other]), $labels[$other], true);
        $mixed = 0;
        foreach ([16, 8, 0] as $shift) {
            $mixed =
                ($mixed << 8) |
                (int) floor(
                    (((self::colour($own) >> $shift) & 255) * (16 - $weights[$other]) +
                        ((self::colour((int) $label) >> $shift) & 255) * $weights[$other]) /
                        16 +
                        0.5,
                );
        }

        return $mixed;
    }

    private static function at(Paint $picture, int $x, int $y): int
    {
        $i = $y * $picture->width + $x;

        return (ord($picture->red[$i]) << 16) | (ord($picture->green[$i]) << 8) | ord($picture->blue[$i]);
    }
}

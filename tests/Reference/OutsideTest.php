<?php

declare(strict_types=1);

namespace Tests\Reference;

use Awning\Core\Brush\Brush;
use Awning\Core\Brush\DabRaster;
use Awning\Core\Brush\LinesSvg;
use Awning\Core\Brush\Path;
use Awning\Core\Brush\PressureCurve;
use Awning\Core\Brush\Softener;
use Awning\Core\Brush\Tip;
use Awning\Core\Brush\TipKind;
use Awning\Core\Codec\ImageReader;
use Awning\Core\Codec\OpenRasterFile;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Colour\Clusters;
use Awning\Core\Colour\ColourSight;
use Awning\Core\Colour\Difference;
use Awning\Core\Colour\Lab;
use Awning\Core\Colour\Lch;
use Awning\Core\Colour\LinearRgb;
use Awning\Core\Colour\Oklab;
use Awning\Core\Colour\Oklch;
use Awning\Core\Colour\Rgb;
use Awning\Core\Compose\Canvas\ExactCanvas;
use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Compose\OpenRasterRenderer;
use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Ink\CleanScan;
use Awning\Core\Ink\Levels;
use Awning\Core\Ink\PlacedDrawing;
use Awning\Core\Ink\ScanCleaner;
use Awning\Core\Light\Surface\BorderDistance;
use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\CleanSettings;
use Awning\Core\Page\Drawing\DrawingSource;
use Awning\Core\Page\Drawing\InkStroke;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Page\Region\Bridge;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\BoxBlur;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Lanczos;
use Awning\Core\Raster\Paint;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Projection;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\Warp;
use Awning\Core\Select\Ramp;
use Awning\Core\Select\RampForm;
use Awning\Core\Sheet\InkLayers;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\Ops\Flats\ChangeBridges;
use Awning\Core\Sheet\Ops\Flats\FillRegions;
use Awning\Core\Sheet\Ops\Ink\LayInk;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\MemorySource;
use Imagick;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;
use Tests\Browser\Browser;

/** The main computations against what nobody here wrote. */
final class OutsideTest extends TestCase
{
    private const PYTHON = '/usr/bin/python3';

    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/awning-reference-'.bin2hex(random_bytes(5));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    /** @param  list<string>  $command */
    private function tool(array $command, string $input = ''): string
    {
        return (new Process($command, dirname(__DIR__, 2)))->setTimeout(120)->setInput($input)->mustRun()->getOutput();
    }

    /** culori and colorjs.io, from npm. */
    public function test_colour_spaces_agree_with_two_libraries(): void
    {
        mt_srand(3);
        $pairs = [];
        for ($i = 0; $i < 343; $i++) {
            $pairs[] = [
                sprintf('#%02x%02x%02x', ($i % 7) * 42, (intdiv($i, 7) % 7) * 42, intdiv($i, 49) * 42),
                sprintf('#%06x', mt_rand(0, 0xFFFFFF)),
            ];
        }
        $said = $this->tool(['node', __DIR__.'/colour.mjs'], (string) json_encode($pairs));
        foreach (json_decode($said, true) as $i => $theirs) {
            $colour = Rgb::fromHex($pairs[$i][0]);
            $lab = Lab::of($colour);
            foreach (['lab', 'labJs'] as $library) {
                foreach ([$lab->l, $lab->a, $lab->b] as $c => $value) {
                    self::assertEqualsWithDelta($theirs[$library][$c], $value, 0.02, "$library of $colour");
                }
            }
            self::assertEqualsWithDelta($theirs['lch'][1], Lch::of($colour)->c, 0.02);
            $oklab = Oklab::of($colour);
            foreach (['oklab', 'oklabJs'] as $library) {
                foreach ([$oklab->l, $oklab->a, $oklab->b] as $c => $value) {
                    self::assertEqualsWithDelta($theirs[$library][$c], $value, 0.0005, "$library of $colour");
                }
            }
            self::assertEqualsWithDelta(
                $theirs['delta'],
                Difference::ciede2000($lab, Lab::of(Rgb::fromHex($pairs[$i][1]))),
                0.02,
                implode(' ', $pairs[$i]),
            );
        }
    }

    /** culori and colorjs.io: OKLCh and CIEDE2000 of 10 000 random pairs, and the matrices of Machado and others. */
    public function test_ten_thousand_pairs_agree_with_two_libraries(): void
    {
        mt_srand(17);
        $pairs = [];
        for ($i = 0; $i < 10_000; $i++) {
            $pairs[] = [sprintf('#%06x', mt_rand(0, 0xFFFFFF)), sprintf('#%06x', mt_rand(0, 0xFFFFFF))];
        }
        $worst = ['oklch' => 0.0, 'delta' => 0.0, 'seen' => 0.0];
        $said = $this->tool(['node', __DIR__.'/colour.mjs'], (string) json_encode($pairs));
        foreach (json_decode($said, true) as $i => $theirs) {
            $colour = Rgb::fromHex($pairs[$i][0]);
            $ours = Oklch::of($colour);
            foreach (['oklch', 'oklchJs'] as $library) {
                [$l, $c, $h] = $theirs[$library];
                $turn = abs(fmod($ours->h - $h + 540, 360) - 180);
                $worst['oklch'] = max(
                    $worst['oklch'],
                    abs($ours->l - $l),
                    abs($ours->c - $c),
                    $ours->c * deg2rad($turn),
                );
            }
            $worst['delta'] = max(
                $worst['delta'],
                abs($theirs['delta'] - Difference::ciede2000(Lab::of($colour), Lab::of(Rgb::fromHex($pairs[$i][1])))),
            );
            foreach (ColourSight::cases() as $sight) {
                $unit = array_map(
                    fn (float $part): float => LinearRgb::encode(max(0.0, min(1.0, $part))),
                    $theirs['seen'][$sight->value],
                );
                foreach ($sight->of($colour)->unit() as $c => $part) {
                    $worst['seen'] = max($worst['seen'], abs($part - $unit[$c]));
                }
            }
        }
        self::assertLessThan(0.0005, $worst['oklch']);
        self::assertLessThan(0.02, $worst['delta']);
        self::assertLessThan(0.6 / 255, $worst['seen'], 'rounding to eight bits');
    }

    /** SciPy's k-means from the same centres, on colours of equal weight. */
    public function test_clusters_settle_where_those_of_scipy_do(): void
    {
        mt_srand(29);
        $points = $rows = [];
        for ($i = 0; $i < 900; $i++) {
            $points[] = $point = Oklab::of(
                new Rgb(mt_rand(0, 90) + 80 * ($i % 3), mt_rand(0, 120) + 40 * ($i % 2), mt_rand(0, 255)),
            );
            $rows[] = [$point->l, $point->a, $point->b];
        }
        $weights = array_fill(0, 900, 1.0);
        foreach ([3, 7, 12] as $count) {
            $seeds = Clusters::seeds($points, $weights, $count);
            [$centres] = Clusters::settled($points, $weights, $seeds);
            $theirs = json_decode(
                $this->tool(
                    [
                        self::PYTHON,
                        '-c',
                        "import json, sys, numpy as np
from scipy.cluster.vq import kmeans2
points, seeds = json.load(sys.stdin)
print(json.dumps(kmeans2(np.array(points), np.array(seeds), iter=100, minit='matrix')[0].tolist()))",
                    ],
                    (string) json_encode([
                        $rows,
                        array_map(fn (Oklab $seed): array => [$seed->l, $seed->a, $seed->b], $seeds),
                    ]),
                ),
                true,
            );
            foreach ($centres as $i => $centre) {
                self::assertEqualsWithDelta(
                    $theirs[$i],
                    [$centre->l, $centre->a, $centre->b],
                    1e-9,
                    "centre $i of $count",
                );
            }
        }
    }

    /** The 34 pairs of Sharma, Wu & Dalal 2005, table 1, typed from memory. */
    public function test_colour_difference_gives_the_published_values(): void
    {
        foreach (
            [
                [[50, 2.6772, -79.7751], [50, 0, -82.7485], 2.0425],
                [[50, 3.1571, -77.2803], [50, 0, -82.7485], 2.8615],
                [[50, 2.8361, -74.02], [50, 0, -82.7485], 3.4412],
                [[50, -1.3802, -84.2814], [50, 0, -82.7485], 1.0],
                [[50, -1.1848, -84.8006], [50, 0, -82.7485], 1.0],
                [[50, -0.9009, -85.5211], [50, 0, -82.7485], 1.0],
                [[50, 0, 0], [50, -1, 2], 2.3669],
                [[50, -1, 2], [50, 0, 0], 2.3669],
                [[50, 2.49, -0.001], [50, -2.49, 0.0009], 7.1792],
                [[50, 2.49, -0.001], [50, -2.49, 0.0011], 7.2195],
                [[50, -0.001, 2.49], [50, 0.0009, -2.49], 4.8045],
                [[50, -0.001, 2.49], [50, 0.0011, -2.49], 4.7461],
                [[50, 2.5, 0], [50, 0, -2.5], 4.3065],
                [[50, 2.5, 0], [73, 25, -18], 27.1492],
                [[50, 2.5, 0], [61, -5, 29], 22.8977],
                [[50, 2.5, 0], [56, -27, -3], 31.903],
                [[50, 2.5, 0], [58, 24, 15], 19.4535],
                [[50, 2.49, -0.001], [50, -2.49, 0.001], 7.1792],
                [[50, 2.49, -0.001], [50, -2.49, 0.0012], 7.2195],
                [[50, -0.001, 2.49], [50, 0.001, -2.49], 4.8045],
                [[50, 2.5, 0], [50, 3.1736, 0.5854], 1.0],
                [[50, 2.5, 0], [50, 3.2972, 0], 1.0],
                [[50, 2.5, 0], [50, 1.8634, 0.5757], 1.0],
                [[50, 2.5, 0], [50, 3.2592, 0.335], 1.0],
                [[61.2901, 3.7196, -5.3901], [61.4292, 2.248, -4.962], 1.8731],
                [[35.0831, -44.1164, 3.7933], [35.0232, -40.0716, 1.5901], 1.8645],
                [[36.4612, 47.858, 18.3852], [36.2715, 50.5065, 21.2231], 1.4146],
                [[90.9257, -0.5406, -0.9208], [88.6381, -0.8985, -0.7239], 1.5381],
                [[6.7747, -0.2908, -2.4247], [5.8714, -0.0985, -2.2286], 0.6377],
                [[60.2574, -34.0099, 36.2677], [60.4626, -34.1751, 39.4387], 1.2644],
                [[63.0109, -31.0961, -5.8663], [62.8187, -29.7946, -4.0864], 1.263],
                [[22.7233, 20.0904, -46.694], [23.0331, 14.973, -42.5619], 2.0373],
                [[90.8027, -2.0831, 1.441], [91.1528, -1.6435, 0.0447], 1.4441],
                [[2.0776, 0.0795, -1.135], [0.9033, -0.0636, -0.5514], 0.9082],
            ] as [$a, $b, $delta]
        ) {
            self::assertEqualsWithDelta($delta, Difference::ciede2000(new Lab(...$a), new Lab(...$b)), 0.0001);
        }
    }

    /** OpenCV's connectedComponents: the same partition, pixel for pixel, on closed art. */
    public function test_regions_are_those_of_opencv(): void
    {
        $this->tool([
            self::PYTHON,
            '-c',
            "import cv2, numpy as np
rng = np.random.default_rng(5); img = np.zeros((700, 900), np.uint8)
for _ in range(60): cv2.circle(img, (int(rng.integers(900)), int(rng.integers(700))), int(rng.integers(8, 160)), 255, int(rng.integers(1, 6)))
cv2.imwrite('$this->folder/ink.png', img)",
        ]);
        $ink = (new ImageReader)->read("$this->folder/ink.png")->channels()[0];
        $flats = (new FlatsFinder(0, 1, 0))->find($ink);
        file_put_contents("$this->folder/labels.png", (new PngWriter)->labels($flats->labels));
        $answer = $this->tool([
            self::PYTHON,
            '-c',
            "import cv2, numpy as np
ink = cv2.imread('$this->folder/ink.png', 0); ours = cv2.imread('$this->folder/labels.png', -1).astype(np.int64)
free = ink < 100; n, theirs = cv2.connectedComponents(free.astype(np.uint8), connectivity=4)
pairs = np.unique(theirs[free].astype(np.int64) * 65536 + ours[free])
print(n - 1, len(pairs), len(np.unique(pairs // 65536)), len(np.unique(pairs % 65536)))",
        ]);
        [$regions, $pairs, $theirs, $ours] = array_map(intval(...), explode(' ', trim($answer)));
        self::assertGreaterThan(300, $regions);
        self::assertSame([$regions, $regions, $regions], [$pairs, $theirs, $ours], 'a one-to-one match of labels');
        self::assertCount($regions, $flats->regions);
    }

    /**
     * Drawings from openmoji (CC BY-SA 4.0, npm) under ten kinds of damage, against the undamaged ones and against
     * OpenCV's adaptive threshold and scikit-image's Sauvola threshold. Tuned on animals-nature, reported on
     * people-body.
     */
    public function test_cleaning_keeps_the_ink_and_nothing_else(): void
    {
        $damages = [
            'shadow',
            'marker',
            'faint-60',
            'faint-50',
            'faint-photo',
            'pencil-shadow',
            'black',
            'desk',
            'red-ink',
            'blue-below',
            'red-below',
        ];
        $script = [self::PYTHON, __DIR__.'/python/ink_sheets.py'];
        $this->tool([...$script, 'make', 'node_modules/openmoji', 'people-body', '21', $this->folder, ...$damages]);
        foreach ($damages as $damage) {
            $scan = (new ImageReader)->read("$this->folder/$damage/scan.png");
            $ink = (new ScanCleaner)->clean($scan->channels())->ink;
            file_put_contents("$this->folder/$damage/ink.png", (new PngWriter)->grey($ink));
        }
        /** @var array<string, array<string, array{precision: float, recall: float}>> $scores */
        $scores = json_decode($this->tool([...$script, 'score', $this->folder, ...$damages]), true);
        self::assertSame($damages, array_keys($scores));
        foreach ($scores as $damage => $of) {
            $shown = array_map(
                fn (string $who, array $score): string => sprintf(
                    '%s %.1f/%.1f',
                    $who,
                    100 * $score['precision'],
                    100 * $score['recall'],
                ),
                array_keys($of),
                $of,
            );
            fwrite(STDERR, "\nink under $damage, precision/recall in %: ".implode(', ', $shown));
            self::assertGreaterThanOrEqual(0.97, $of['ours']['precision'], $damage);
            self::assertGreaterThanOrEqual(0.97, $of['ours']['recall'], $damage);
            foreach (['adaptive', 'sauvola'] as $rival) {
                self::assertGreaterThanOrEqual(
                    $of[$rival]['precision'] + $of[$rival]['recall'],
                    $of['ours']['precision'] + $of['ours']['recall'],
                    "$rival is better at $damage",
                );
            }
        }
    }

    /** librsvg fills the outlines that we write; the core draws the same lines from their points. */
    public function test_lines_look_the_same_drawn_by_librsvg(): void
    {
        mt_srand(4);
        $strokes = array_map(function (int $i): InkStroke {
            $at = [mt_rand(60, 540), mt_rand(60, 340), 0.5];
            $points = [];
            for ($k = 0; $k < 40; $k++) {
                $at = [
                    $at[0] + mt_rand(-60, 90) / 10,
                    $at[1] + mt_rand(-80, 70) / 10,
                    max(0.1, min(1.0, $at[2] + mt_rand(-10, 10) / 100)),
                ];
                $points[] = $at;
            }

            return new InkStroke($points, 3 + 3 * $i, $i % 2 ? 0.3 : 0.0, 0.4);
        }, range(0, 7));
        $svg = LinesSvg::write($strokes, 600, 400);
        $theirs = new Imagick;
        $theirs->readImageBlob($this->tool(['rsvg-convert', '-b', 'white', '-f', 'png'], $svg));
        $theirs->setImageFormat('gray');
        $theirs->setImageDepth(8);
        $filled = $theirs->getImageBlob();
        $sheet = new Sheet(new MemorySource);
        $sheet->put('page', new PageSize(600, 400));
        $ink = new InkLayers($sheet);
        foreach (LinesSvg::read($svg) as $stroke) {
            $ink->add($stroke);
        }
        $ours = $ink->whole()->data;
        $differ = $far = $inked = 0;
        for ($i = 0; $i < 240_000; $i++) {
            $apart = abs(ord($ours[$i]) - (255 - ord($filled[$i])));
            $differ += $apart > 40 ? 1 : 0;
            $far += $apart > 150 ? 1 : 0;
            $inked += ord($ours[$i]) > 127 ? 1 : 0;
        }
        fwrite(
            STDERR,
            sprintf(
                "\nlines against librsvg: %d px inked, %d differ by more than 40 steps, %d by more than 150",
                $inked,
                $differ,
                $far,
            ),
        );
        self::assertGreaterThan(6000, $inked);
        self::assertLessThan(0.02 * $inked, $differ);
        self::assertSame(0, $far);
    }

    /** ImageMagick's Lanczos filter, on the same plane. */
    public function test_enlarging_agrees_with_imagemagick(): void
    {
        $this->tool([
            self::PYTHON,
            '-c',
            "import cv2, numpy as np
rng = np.random.default_rng(3); img = np.zeros((101, 143), np.uint8)
for _ in range(30): cv2.circle(img, (int(rng.integers(143)), int(rng.integers(101))), int(rng.integers(4, 40)), int(rng.integers(60, 255)), 2, cv2.LINE_AA)
cv2.imwrite('$this->folder/rings.png', img)",
        ]);
        $plane = (new ImageReader)->read("$this->folder/rings.png")->channels()[0];
        foreach ([[286, 202], [429, 303]] as [$width, $height]) {
            $ours = Lanczos::enlarged($plane, $width, $height);
            $this->tool([
                'convert',
                "$this->folder/rings.png",
                '-filter',
                'Lanczos',
                '-resize',
                "{$width}x$height!",
                '-depth',
                '8',
                "$this->folder/large.png",
            ]);
            $theirs = (new ImageReader)->read("$this->folder/large.png")->channels()[0];
            $apart = [];
            for ($i = 0, $count = strlen($ours->data); $i < $count; $i++) {
                $apart[] = abs(ord($ours->data[$i]) - ord($theirs->data[$i]));
            }
            sort($apart);
            self::assertLessThanOrEqual(2, $apart[(int) (0.95 * count($apart))], "$width px");
            self::assertLessThanOrEqual(20, end($apart), 'cut to what there can be between the two directions');
        }
    }

    /**
     * SciPy's Gaussian filter of paint and of the shape it lies in, one divided by the other (normalised convolution).
     */
    public function test_softening_agrees_with_scipy(): void
    {
        foreach ([[8.0, 3], [30.0, 3], [90.0, 5]] as [$by, $most]) {
            $place = new Rect(512, 256, 256, 96);
            $softener = new Softener($by);
            $around = $softener->around($place);
            $this->tool([
                self::PYTHON,
                '-c',
                "import cv2, numpy as np
from scipy.ndimage import gaussian_filter
h, w = $around->height, $around->width; rng = np.random.default_rng(5)
paint, shape = np.zeros((h, w), np.uint8), np.zeros((h, w), np.uint8)
ox, oy = $place->x - $around->x, $place->y - $around->y
for _ in range(9): cv2.circle(paint, (ox + int(rng.integers(256)), oy + int(rng.integers(96))), int(rng.integers(14, 70)), int(rng.integers(60, 255)), -1, cv2.LINE_AA)
cv2.ellipse(shape, (ox + 120, oy + 40), (170, 70), 20, 0, 360, 255, -1)
inside = shape / 255.0
soft = gaussian_filter(paint * inside, $by / 2, mode='constant') / np.maximum(gaussian_filter(inside, $by / 2, mode='constant'), 1e-6)
cut = np.s_[oy:oy + 96, ox:ox + 256]
paint.tofile('$this->folder/paint'); shape.tofile('$this->folder/shape')
np.rint(soft[cut]).clip(0, 255).astype(np.uint8).tofile('$this->folder/soft'); shape[cut].copy().tofile('$this->folder/here')",
            ]);
            [$paint, $shape, $theirs, $here] = array_map(
                fn (string $name): string => (string) file_get_contents("$this->folder/$name"),
                ['paint', 'shape', 'soft', 'here'],
            );
            [$ours] = $softener->soften([$paint], $shape, $place);
            $apart = [];
            for ($at = 0; $at < strlen($theirs); $at++) {
                if ($here[$at] === "\xff") {
                    $apart[] = abs(ord($ours[$at]) - ord($theirs[$at]));
                }
            }
            sort($apart);
            self::assertGreaterThan(9000, count($apart));
            self::assertLessThanOrEqual($most, $apart[(int) (0.95 * count($apart))], "$by px");
            self::assertLessThanOrEqual(4 * $most, end($apart), "$by px");
        }
    }

    /**
     * SciPy's Gaussian filter, away from the edges: four boxes come close to it.
     */
    public function test_the_blur_of_what_lies_beneath_agrees_with_scipy(): void
    {
        foreach ([1.5, 6.0, 21.7] as $sigma) {
            $this->tool([
                self::PYTHON,
                '-c',
                "import numpy as np
from scipy.ndimage import gaussian_filter
rng = np.random.default_rng(9)
plane = np.kron(rng.integers(0, 256, (30, 26)), np.ones((11, 13))).astype(np.uint8)
plane.tofile('$this->folder/plane')
gaussian_filter(plane.astype(float), $sigma, mode='nearest').astype('<f8').tofile('$this->folder/soft')",
            ]);
            $plane = array_map(
                floatval(...),
                array_values((array) unpack('C*', (string) file_get_contents("$this->folder/plane"))),
            );
            $theirs = array_values((array) unpack('e*', (string) file_get_contents("$this->folder/soft")));
            [$width, $height] = [26 * 13, 30 * 11];
            $blur = new BoxBlur($sigma);
            $ours = $blur->of($plane, $width, $height);
            self::assertCount(count($theirs), $ours);
            // At the edge each box holds what the one before it made there; SciPy holds the plane itself.
            $isInside = fn (int $i): bool => min(
                $i % $width,
                $width - 1 - ($i % $width),
                intdiv($i, $width),
                $height - 1 - intdiv($i, $width),
            ) >= $blur->reach();
            $inside = array_filter(array_keys($ours), $isInside);
            $apart = array_map(
                fn (int $i): float => is_float($theirs[$i]) ? abs($ours[$i] - $theirs[$i]) : INF,
                $inside,
            );
            self::assertGreaterThan(20_000, count($apart));
            self::assertLessThan(0.02 * 255, max($apart), "$sigma px");
            self::assertLessThan(1.5, array_sum($apart) / count($apart), "$sigma px");
        }
    }

    /** The sum of the definition in NumPy's 64-bit numbers: each place lays its flow of what is missing. */
    public function test_strokes_that_build_up_agree_with_numpy(): void
    {
        $places = array_map(fn (int $i): array => [40.5 + 9 * $i, 60.5 + 3 * $i, 1.0], range(0, 20));
        $mask = DabRaster::draw(
            new Path([$places[0], $places[20]]),
            new Brush(36, 0.4),
            new Tip(TipKind::Round, flow: 0.3, spacing: (hypot(9, 3) / 36) * 0.999999, sizeBy: PressureCurve::from(1)),
            new Rect(0, 0, 300, 200),
        );
        $theirs = $this->tool([
            self::PYTHON,
            '-c',
            'import sys, numpy as np
y, x = np.mgrid[0:200, 0:300] + 0.5
missing = np.ones((200, 300))
for i in range(21):
    r = np.hypot(x - (40.5 + 9 * i), y - (60.5 + 3 * i)) / 18
    share = np.clip((1 - r) / 0.6, 0, 1)
    missing *= 1 - 0.3 * share * share * (3 - 2 * share)
sys.stdout.buffer.write(np.rint(255 * (1 - missing)).astype(np.uint8).tobytes())',
        ]);
        $ours = $mask->cut(new Rect(0, 0, 300, 200)) ?? '';
        $apart = 0;
        for ($at = 0; $at < 60_000; $at++) {
            $apart = max($apart, abs(ord($ours[$at]) - ord($theirs[$at])));
        }
        self::assertSame(60_000, strlen($theirs));
        self::assertLessThanOrEqual(4, $apart);
    }

    /** SciPy's PchipInterpolator, on curves nobody chose. */
    public function test_pressure_curves_are_those_of_scipy(): void
    {
        mt_srand(5);
        $curves = array_map(
            fn (): array => array_map(
                fn (): float => mt_rand(0, 6) < 2 ? mt_rand(0, 2) / 2 : mt_rand(0, 1000) / 1000,
                range(0, 4),
            ),
            range(1, 120),
        );
        $theirs = json_decode(
            $this->tool([
                self::PYTHON,
                '-c',
                'import sys, json, numpy as np
from scipy.interpolate import PchipInterpolator
x = np.linspace(0, 1, 41)
print(json.dumps([PchipInterpolator(np.linspace(0, 1, 5), curve)(x).tolist() for curve in json.loads(sys.argv[1])]))',
                json_encode($curves, JSON_THROW_ON_ERROR),
            ]),
            true,
        );
        self::assertCount(120, $theirs);
        foreach ($curves as $i => $curve) {
            $ours = PressureCurve::fromData(new Data(['by' => $curve]), 'by', PressureCurve::from(0));
            self::assertEqualsWithDelta(
                $theirs[$i],
                array_map(fn (int $at): float => $ours->at($at / 40), range(0, 40)),
                1e-9,
                implode(' ', $curve),
            );
        }
    }

    /** ImageMagick's bilinear affine distortion, on the same plane. */
    public function test_turning_agrees_with_imagemagick(): void
    {
        $this->tool([
            self::PYTHON,
            '-c',
            "import cv2, numpy as np
rng = np.random.default_rng(9); img = np.zeros((301, 403), np.uint8)
for _ in range(40): cv2.circle(img, (int(rng.integers(403)), int(rng.integers(301))), int(rng.integers(4, 60)), 255, 3, cv2.LINE_AA)
cv2.imwrite('$this->folder/rings.png', img)",
        ]);
        $plane = (new ImageReader)->read("$this->folder/rings.png")->channels()[0];
        foreach ([[7.3, 1.0], [-31.0, 1.4]] as [$degrees, $scale]) {
            $there = Projection::turn($degrees, 201.5, 150.5)->then(Projection::scale($scale, $scale, 201.5, 150.5));
            $ours = Warp::plane($plane, $there, 403, 301);
            $this->tool([
                'convert',
                "$this->folder/rings.png",
                '-virtual-pixel',
                'black',
                '-filter',
                'point',
                '-interpolate',
                'bilinear',
                '-distort',
                'SRT',
                "201.5,150.5 $scale $degrees",
                '-depth',
                '8',
                "$this->folder/turned.png",
            ]);
            $theirs = (new ImageReader)->read("$this->folder/turned.png")->channels()[0];
            $apart = 0;
            for ($i = 0, $count = strlen($ours->data); $i < $count; $i++) {
                $apart = max($apart, abs(ord($ours->data[$i]) - ord($theirs->data[$i])));
            }
            self::assertLessThanOrEqual(2, $apart, "$degrees degrees");
        }
    }

    /** Damaged drawings from openmoji (CC BY-SA 4.0, npm) against OpenCV's partition of the undamaged ones. */
    public function test_flats_hold_on_damaged_scans(): void
    {
        $sum = ['regions' => 0, 'leaked' => 0.0, 'pieces' => 0.0];
        foreach (['animals-nature', 'people-body'] as $group) {
            foreach ([1, 2, 3] as $seed) {
                $this->tool([
                    self::PYTHON,
                    __DIR__.'/python/flats_sheets.py',
                    'make',
                    'node_modules/openmoji',
                    $group,
                    (string) $seed,
                    $this->folder,
                ]);
                $picture = (new ImageReader)->read("$this->folder/scan.png");
                $flats = (new FlatsFinder)->find((new ScanCleaner)->clean($picture->channels())->ink);
                file_put_contents("$this->folder/labels.png", (new PngWriter)->labels($flats->labels));
                $score = json_decode(
                    $this->tool([
                        self::PYTHON,
                        __DIR__.'/python/flats_sheets.py',
                        'score',
                        "$this->folder/truth.png",
                        "$this->folder/labels.png",
                    ]),
                    true,
                );
                fwrite(
                    STDERR,
                    sprintf(
                        "\nflats on %s, sheet %d: %d regions, %.1f %% leaked, %.2f pieces a region, %.2f %% unlabelled",
                        $group,
                        $seed,
                        $score['regions'],
                        100 * $score['leaked'],
                        $score['pieces'],
                        100 * $score['unlabelled'],
                    ),
                );
                self::assertSame(0.0, (float) $score['unlabelled'], 'no pixel is left over');
                self::assertGreaterThan(0.97, $score['purity']);
                $sum['regions'] += $score['regions'];
                $sum['leaked'] += $score['leaked'] * $score['regions'];
                $sum['pieces'] += $score['pieces'] * $score['regions'];
            }
        }
        self::assertLessThanOrEqual(0.02, $sum['leaked'] / $sum['regions']);
        self::assertLessThanOrEqual(1.2, $sum['pieces'] / $sum['regions']);
    }

    /** A damaged sheet of openmoji drawings (CC BY-SA 4.0, npm), cleaned. */
    private function sheetInk(string $group, int $seed): Plane
    {
        $this->tool([
            self::PYTHON,
            __DIR__.'/python/flats_sheets.py',
            'make',
            'node_modules/openmoji',
            $group,
            (string) $seed,
            $this->folder,
        ]);

        return (new ScanCleaner)->clean((new ImageReader)->read("$this->folder/scan.png")->channels())->ink;
    }

    /** @return array<string, float> what is measured of labels against the undamaged drawing */
    private function score(string $labels): array
    {
        return json_decode(
            $this->tool([
                self::PYTHON,
                __DIR__.'/python/flats_sheets.py',
                'score',
                "$this->folder/truth.png",
                $labels,
            ]),
            true,
        );
    }

    /** The method to beat: trapped-ball filling, written with OpenCV, on the same cleaned ink. */
    public function test_fewer_pieces_than_trapped_balls_at_no_more_leaks(): void
    {
        $sums = ['ours' => [0.0, 0.0], 'theirs' => [0.0, 0.0]];
        foreach ([['people-body', 7], ['animals-nature', 8], ['food-drink', 9]] as [$group, $seed]) {
            $ink = $this->sheetInk($group, $seed);
            file_put_contents("$this->folder/ink.png", (new PngWriter)->grey($ink, 300));
            file_put_contents(
                "$this->folder/labels.png",
                (new PngWriter)->labels((new FlatsFinder)->find($ink)->labels),
            );
            $this->tool([
                self::PYTHON,
                __DIR__.'/python/flats_sheets.py',
                'trapped',
                "$this->folder/ink.png",
                "$this->folder/trapped.png",
            ]);
            foreach (['ours' => 'labels', 'theirs' => 'trapped'] as $whose => $file) {
                $score = $this->score("$this->folder/$file.png");
                fwrite(
                    STDERR,
                    sprintf(
                        "\n%s, sheet %d, %s: %.1f %% leaked, %.2f pieces a region",
                        $group,
                        $seed,
                        $whose,
                        100 * $score['leaked'],
                        $score['pieces'],
                    ),
                );
                $sums[$whose] = [$sums[$whose][0] + $score['leaked'] / 3, $sums[$whose][1] + $score['pieces'] / 3];
            }
        }
        self::assertLessThan($sums['theirs'][1], $sums['ours'][1]);
        self::assertLessThanOrEqual($sums['theirs'][0] + 0.01, $sums['ours'][0]);
        self::assertGreaterThan(1.5, $sums['theirs'][1], 'the other method works as it is known to');
    }

    /** Mirrored, turned and moved drawings have mirrored, turned and moved regions. */
    public function test_regions_turn_with_the_drawing(): void
    {
        $ink = $this->sheetInk('people-body', 11);
        $side = $ink->width;
        self::assertSame($side, $ink->height);
        $rows = str_split($ink->data, $side);
        $mirrored = new Plane($side, $side, implode('', array_map(strrev(...), $rows)));
        $turned = '';
        for ($x = 0; $x < $side; $x++) {
            for ($y = $side - 1; $y >= 0; $y--) {
                $turned .= $rows[$y][$x];
            }
        }
        $moved =
            str_repeat("\0", 11 * $side).
            implode(
                '',
                array_map(
                    fn (string $row): string => str_repeat("\0", 7).substr($row, 0, -7),
                    array_slice($rows, 0, -11),
                ),
            );
        $flats = (new FlatsFinder)->find($ink);
        $places = [
            'mirrored' => [$mirrored, fn (int $x, int $y): array => [$side - 1 - $x, $y]],
            'turned' => [new Plane($side, $side, $turned), fn (int $x, int $y): array => [$side - 1 - $y, $x]],
            'moved' => [new Plane($side, $side, $moved), fn (int $x, int $y): array => [$x + 7, $y + 11]],
        ];
        foreach ($places as $how => [$plane, $place]) {
            $other = (new FlatsFinder)->find($plane);
            $pairs = $seen = [];
            for ($y = 2; $y < $side - 12; $y += 3) {
                for ($x = 2; $x < $side - 12; $x += 3) {
                    if ($ink->at($x, $y) < FlatsFinder::BOUND) {
                        $label = $flats->labels->at($x, $y);
                        $seen[$label] = ($seen[$label] ?? 0) + 1;
                        $pair = $other->labels->at(...$place($x, $y));
                        $pairs[$label][$pair] = ($pairs[$label][$pair] ?? 0) + 1;
                    }
                }
            }
            $seen = array_filter($seen, fn (int $count): bool => $count >= 5);
            $apart = array_filter(
                $seen,
                fn (int $count, int $label): bool => max($pairs[$label]) < 0.95 * $count,
                ARRAY_FILTER_USE_BOTH,
            );
            $joined =
                count($seen) -
                count(
                    array_unique(
                        array_map(
                            fn (int $label): int|string => array_search(max($pairs[$label]), $pairs[$label], true),
                            array_keys($seen),
                        ),
                    ),
                );
            self::assertGreaterThan(40, count($seen));
            fwrite(
                STDERR,
                sprintf("\n%s: %d of %d regions in parts, %d joined", $how, count($apart), count($seen), $joined),
            );
            self::assertLessThanOrEqual(0.02 * count($seen), count($apart) + $joined, $how);
        }
    }

    /** Whatever single bridge comes or goes, regions that do not touch it stay what they are. */
    public function test_regions_keep_what_they_are_under_any_single_bridge(): void
    {
        $ink = $this->sheetInk('animals-nature', 12);
        $source = new MemorySource;
        $apply = function (Op $op) use ($source): void {
            $sheet = new Sheet($source);
            $op->apply($sheet);
            $source->store($sheet->takeChange());
        };
        $apply(
            new LayInk(
                'Import',
                PlacedDrawing::of(
                    new CleanScan($ink, new Levels(20, 200), $ink),
                    new CleanSettings,
                    new DrawingSource(0, 'Scan', 300),
                ),
                (new FlatsFinder)->find($ink),
            ),
        );
        $labels = array_keys((new Sheet($source))->all(Region::class));
        foreach ($labels as $i => $label) {
            $apply(new FillRegions([$label], 1 + ($i % 5), 10 + $i));
        }
        $bridges = array_filter(
            (new Sheet($source))->all(Bridge::class),
            fn (Bridge $bridge): bool => $bridge->kind->isMade(),
        );
        self::assertGreaterThan(20, count($bridges));
        foreach (array_slice($bridges, 0, 30, true) as $number => $bridge) {
            $before = new Sheet($source);
            $regions = $before->all(Region::class);
            $beside = [];
            foreach ($bridge->pixels() as [$x, $y]) {
                for ($away = -2; $away <= 2; $away++) {
                    $beside[$before->labelAt($x + $away, $y)] = $beside[$before->labelAt($x, $y + $away)] = true;
                }
            }
            foreach (['refused', 'kept'] as $kind) {
                $apply(ChangeBridges::fromInput(new Data(['draw' => null, 'bridge' => $number, 'as' => $kind])));
                $after = (new Sheet($source))->all(Region::class);
                foreach (array_diff_key($regions, $beside) as $label => $region) {
                    self::assertEquals(
                        $region,
                        $after[$label] ?? null,
                        "bridge $number, $kind: region $label is not beside it",
                    );
                }
                foreach (array_diff_key($after, $regions) as $region) {
                    self::assertTrue($region->isFilled(), 'a part keeps the fill');
                }
            }
        }
    }

    /** @return array{Paint, Paint} a backdrop and a source that hold every combination of a grid of values */
    private function grid(): array
    {
        mt_srand(9);
        $random = fn (): string => implode('', array_map(fn (): string => chr(mt_rand(0, 255)), range(1, 64 * 64)));
        $opaque = str_repeat("\xff", 64 * 64);

        return [
            new Paint(64, 64, $random(), $random(), $random(), $opaque),
            new Paint(64, 64, $random(), $random(), $random(), $opaque),
        ];
    }

    private function blended(Paint $back, Paint $top, BlendMode $mode): Pixels
    {
        $pixels = fn (Paint $p): Pixels => new Pixels(4096, $p->red, $p->green, $p->blue, null);

        $canvas = new ExactCanvas($pixels($back));
        $canvas->paint($pixels($top), $mode, 1.0);

        return $canvas->pixels();
    }

    /**
     * ImageMagick's compose operators (Debian). Its Luminize and friends weigh in HSL, so only separable modes are held
     * to it.
     */
    public function test_blend_modes_agree_with_imagemagick(): void
    {
        [$back, $top] = $this->grid();
        file_put_contents("$this->folder/back.png", (new PngWriter)->paint($back));
        file_put_contents("$this->folder/top.png", (new PngWriter)->paint($top));
        foreach (
            [
                'Multiply' => BlendMode::Multiply,
                'Screen' => BlendMode::Screen,
                'Overlay' => BlendMode::Overlay,
                'Darken' => BlendMode::Darken,
                'Lighten' => BlendMode::Lighten,
                'Color_Dodge' => BlendMode::ColorDodge,
                'Color_Burn' => BlendMode::ColorBurn,
                'Hard_Light' => BlendMode::HardLight,
                'Soft_Light' => BlendMode::SoftLight,
                'Difference' => BlendMode::Difference,
                'Exclusion' => BlendMode::Exclusion,
                'Plus' => BlendMode::PlusLighter,
            ] as $operator => $mode
        ) {
            $this->tool([
                '/usr/bin/convert',
                "$this->folder/back.png",
                "$this->folder/top.png",
                '-compose',
                $operator,
                '-composite',
                '-depth',
                '8',
                "$this->folder/out.png",
            ]);
            $theirs = (new ImageReader)->read("$this->folder/out.png")->paint;
            $ours = $this->blended($back, $top, $mode);
            $off = 0;
            for ($i = 0; $i < 4096; $i++) {
                $off +=
                    max(
                        abs(ord($ours->red[$i]) - ord($theirs->red[$i])),
                        abs(ord($ours->green[$i]) - ord($theirs->green[$i])),
                        abs(ord($ours->blue[$i]) - ord($theirs->blue[$i])),
                    ) > 2
                        ? 1
                        : 0;
            }
            self::assertLessThanOrEqual(4, $off, "$operator: pixels more than 2/255 apart");
        }
    }

    /** Chromium's Canvas 2D globalCompositeOperation. */
    public function test_blend_modes_agree_with_chromium(): void
    {
        [$back, $top] = $this->grid();
        $chunky = fn (Paint $p): string => base64_encode(
            \Awning\Core\Codec\Chunky::join([$p->red, $p->green, $p->blue, $p->alpha]),
        );
        $browser = new Browser('data:text/html,');
        $browser->driver->get('data:text/html,<p>canvas</p>');
        foreach (BlendMode::cases() as $mode) {
            $operation = ['normal' => 'source-over', 'plus-lighter' => 'lighter'][$mode->value] ?? $mode->value;
            $answer = $browser->run(
                'const make = (b64) => { const c = document.createElement("canvas"); c.width = c.height = 64; const x = c.getContext("2d"); const s = atob(b64); x.putImageData(new ImageData(Uint8ClampedArray.from(s, (v) => v.charCodeAt(0)), 64, 64), 0, 0); return c; };
                const back = make(arguments[0]); const x = back.getContext("2d"); x.globalCompositeOperation = arguments[2]; if (x.globalCompositeOperation !== arguments[2]) return null; x.drawImage(make(arguments[1]), 0, 0);
                return btoa(String.fromCharCode(...x.getImageData(0, 0, 64, 64).data))',
                [$chunky($back), $chunky($top), $operation],
            );
            self::assertIsString($answer, "$operation is not known to the canvas");
            $theirs = base64_decode($answer);
            $ours = $this->blended($back, $top, $mode);
            $off = 0;
            for ($i = 0; $i < 4096; $i++) {
                $off +=
                    max(
                        abs(ord($ours->red[$i]) - ord($theirs[4 * $i])),
                        abs(ord($ours->green[$i]) - ord($theirs[4 * $i + 1])),
                        abs(ord($ours->blue[$i]) - ord($theirs[4 * $i + 2])),
                    ) > 2
                        ? 1
                        : 0;
            }
            self::assertLessThanOrEqual(8, $off, "$mode->value: pixels more than 2/255 apart");
        }
        $browser->close();
    }

    /** Chromium's Canvas 2D gradients, from white to black. */
    public function test_ramps_agree_with_chromium(): void
    {
        $page = new Rect(0, 0, 90, 70);
        $browser = new Browser('data:text/html,');
        $browser->driver->get('data:text/html,<p>canvas</p>');
        $ramps = [
            [RampForm::Straight, [10.5, 20.25], [70.75, 52.5]],
            [RampForm::Straight, [80, 60], [75.5, 5.5]],
            [RampForm::Straight, [40, 30], [43, 31]],
            [RampForm::Round, [30.25, 40.5], [60.5, 20]],
            [RampForm::Round, [-4, 12], [50, 80.5]],
            [RampForm::Round, [45.5, 35.5], [48, 35.5]],
        ];
        foreach ($ramps as [$form, $from, $to]) {
            $theirs = base64_decode(
                (string) $browser->run(
                    'const [form, [x0, y0], [x1, y1]] = arguments; const c = document.createElement("canvas"); c.width = 90; c.height = 70; const x = c.getContext("2d");
                const ramp = form === "straight" ? x.createLinearGradient(x0, y0, x1, y1) : x.createRadialGradient(x0, y0, 0, x0, y0, Math.hypot(x1 - x0, y1 - y0));
                ramp.addColorStop(0, "#fff"); ramp.addColorStop(1, "#000"); x.fillStyle = ramp; x.fillRect(0, 0, 90, 70);
                return btoa(String.fromCharCode(...x.getImageData(0, 0, 90, 70).data.filter((_, i) => i % 4 === 0)))',
                    [$form->value, $from, $to],
                ),
            );
            $ours = (new Ramp($from, $to, $form, $page))->cut($page) ?? '';
            self::assertSame([6300, 6300], [strlen($theirs), strlen($ours)]);
            $apart = array_map(fn (int $at): int => abs(ord($ours[$at]) - ord($theirs[$at])), range(0, 6299));
            self::assertLessThanOrEqual(2, max($apart), "$form->value from ".implode(', ', $from));
            self::assertGreaterThan(5, count(array_unique(str_split($theirs))), 'there is a ramp');
        }
        $browser->close();
    }

    /** SciPy's exact Euclidean distance transform, region by region. */
    public function test_distances_from_borders_are_those_of_scipy(): void
    {
        mt_srand(41);
        $blobs = array_map(
            fn (): array => [mt_rand(-5, 130), mt_rand(-5, 90), mt_rand(4, 33), mt_rand(1, 5) * 301],
            range(1, 40),
        );
        $data = '';
        for ($y = 0; $y < 87; $y++) {
            for ($x = 0; $x < 131; $x++) {
                $label = 9;
                foreach ($blobs as [$left, $top, $radius, $of]) {
                    $label = hypot($x - $left, $y - $top) < $radius ? $of : $label;
                }
                $data .= pack('n', $label);
            }
        }
        file_put_contents("$this->folder/labels", $data);
        $theirs = json_decode(
            $this->tool([
                self::PYTHON,
                '-c',
                "import json, numpy as np
from scipy.ndimage import distance_transform_edt
labels = np.fromfile('$this->folder/labels', dtype='>u2').reshape(87, 131)
squared = sum(np.where(labels == one, distance_transform_edt(labels == one) ** 2, 0) for one in np.unique(labels))
print(json.dumps(np.rint(squared).astype(int).ravel().tolist()))",
            ]),
            true,
        );
        self::assertCount(87 * 131, $theirs);
        self::assertGreaterThan(300, max($theirs));
        self::assertSame($theirs, array_values(BorderDistance::squared(new Labels(131, 87, $data))));
    }

    /**
     * Random nested OpenRaster stacks of twelve layers, every mode, partial alpha and opacity, isolated or not: read
     * and composed in floating point by NumPy from the recommendation's formulas, and by us, on every pixel.
     */
    public function test_layered_files_compose_as_numpy_composes_them(): void
    {
        $this->tool([self::PYTHON, __DIR__.'/python/ora_stacks.py', 'make', '12', $this->folder]);
        $files = glob("$this->folder/*.ora") ?: [];
        self::assertCount(12, $files);
        foreach ($files as $file) {
            $paint = (new OpenRasterRenderer(new OpenRasterFile($file)))->render();
            file_put_contents(substr($file, 0, -4).'.png', (new PngWriter)->paint($paint));
        }
        $scores = json_decode(
            $this->tool([self::PYTHON, __DIR__.'/python/ora_stacks.py', 'score', $this->folder]),
            true,
        );
        fwrite(
            STDERR,
            sprintf(
                "\nnested stacks: 99.9 %% within %.2f steps of 255, worst %.2f",
                $scores['quantile'],
                $scores['worst'],
            ),
        );
        self::assertSame(12 * 61 * 47, $scores['pixels']);
        self::assertLessThanOrEqual(2.0, $scores['quantile']);
        self::assertLessThanOrEqual(4.0, $scores['worst']);
    }

    /** Every PNG colour type and depth as ImageMagick writes it, read as ImageMagick reads it. */
    public function test_images_are_read_as_imagemagick_reads_them(): void
    {
        $this->tool([
            '/usr/bin/convert',
            '-size',
            '61x47',
            'plasma:red-blue',
            '-depth',
            '16',
            "$this->folder/source.png",
        ]);
        $kinds = [
            'grey1' => [
                '-colorspace',
                'Gray',
                '-threshold',
                '50%',
                '-define',
                'png:color-type=0',
                '-define',
                'png:bit-depth=1',
            ],
            'grey8' => ['-colorspace', 'Gray', '-define', 'png:color-type=0', '-define', 'png:bit-depth=8'],
            'grey16' => ['-colorspace', 'Gray', '-define', 'png:color-type=0', '-define', 'png:bit-depth=16'],
            'rgb8' => ['-define', 'png:color-type=2', '-define', 'png:bit-depth=8'],
            'rgb16' => ['-define', 'png:color-type=2', '-define', 'png:bit-depth=16'],
            'indexed' => ['-colors', '13', '-define', 'png:color-type=3'],
            'grey-alpha' => ['-colorspace', 'Gray', '-alpha', 'set', '-define', 'png:color-type=4'],
            'rgba' => ['-alpha', 'set', '-define', 'png:color-type=6'],
            'interlaced' => ['-interlace', 'PNG'],
        ];
        $files = [];
        foreach ($kinds as $name => $options) {
            $this->tool(['/usr/bin/convert', "$this->folder/source.png", ...$options, "$this->folder/$name.png"]);
            $files[] = "$this->folder/$name.png";
        }
        foreach (
            [
                'lzw.tiff' => ['-compress', 'LZW', '-depth', '8'],
                'zip.tiff' => ['-compress', 'Zip', '-depth', '16'],
                'fax.tiff' => ['-colorspace', 'Gray', '-threshold', '50%', '-compress', 'Group4'],
                'x.webp' => ['-define', 'webp:lossless=true'],
                'x.jpg' => [],
            ] as $name => $options
        ) {
            $this->tool(['/usr/bin/convert', "$this->folder/source.png", ...$options, "$this->folder/$name"]);
            $files[] = "$this->folder/$name";
        }
        foreach ($files as $file) {
            $theirs = $this->tool(['/usr/bin/convert', $file, '-colorspace', 'sRGB', '-depth', '8', 'rgb:-']);
            $ours = (new ImageReader)->read($file)->paint;
            self::assertSame(3 * 61 * 47, strlen($theirs), $file);
            for ($i = 0; $i < 61 * 47; $i++) {
                self::assertLessThanOrEqual(
                    1,
                    max(
                        abs(ord($ours->red[$i]) - ord($theirs[3 * $i])),
                        abs(ord($ours->green[$i]) - ord($theirs[3 * $i + 1])),
                        abs(ord($ours->blue[$i]) - ord($theirs[3 * $i + 2])),
                    ),
                    basename($file)." pixel $i",
                );
            }
        }
        // ImageMagick writes no EXIF of its own: a camera's block with orientation 6 (turned to the right) is put in by
        // hand.
        $exif = "Exif\0\0MM\0\x2a".pack('Nn', 8, 1).pack('nnNnn', 0x0112, 3, 1, 6, 0).pack('N', 0);
        $jpeg = (string) file_get_contents("$this->folder/x.jpg");
        file_put_contents(
            "$this->folder/turned.jpg",
            substr($jpeg, 0, 2)."\xff\xe1".pack('n', 2 + strlen($exif)).$exif.substr($jpeg, 2),
        );
        self::assertSame(
            [47, 61],
            [
                (new ImageReader)->read("$this->folder/turned.jpg")->width(),
                (new ImageReader)->read("$this->folder/turned.jpg")->height(),
            ],
            'the camera\'s orientation is followed',
        );
        $this->tool(['/usr/bin/convert', "$this->folder/source.png", '-colorspace', 'CMYK', "$this->folder/cmyk.tiff"]);
        self::assertFalse((new ImageReader)->read("$this->folder/cmyk.tiff")->grey);
    }

    /** A PNG whose gAMA says its numbers are linear shows mid grey at 188, not 128 (IEC 61966-2-1). */
    public function test_a_file_gamma_is_brought_to_srgb(): void
    {
        foreach ([[1.0, 188], [0.55556, 146]] as [$gamma, $expected]) {
            $png = (new PngWriter)->grey(Plane::filled(4, 4, 128));
            $chunk = 'gAMA'.pack('N', (int) round($gamma * 100_000));
            $png = preg_replace('/\x00\x00\x00\x01sRGB\x00.{4}/s', '', $png, 1) ?? '';
            $png = substr($png, 0, 33).pack('N', 4).$chunk.pack('N', crc32($chunk)).substr($png, 33);
            file_put_contents("$this->folder/gamma.png", $png);
            self::assertEqualsWithDelta(
                $expected,
                (new ImageReader)
                    ->read("$this->folder/gamma.png")
                    ->channels()[0]
                    ->at(1, 1),
                2,
                "gamma $gamma",
            );
        }
    }

    public function test_files_we_write_pass_outside_checkers(): void
    {
        $writer = new \Awning\Core\Codec\ImageWriter;
        [$paint] = $this->grid();
        file_put_contents("$this->folder/x.png", $writer->write($paint, 'png', 300));
        file_put_contents("$this->folder/x.tiff", $writer->write($paint, 'tiff', 300));
        self::assertStringContainsString('OK:', $this->tool(['pngcheck', "$this->folder/x.png"]));
        self::assertStringContainsString(
            'Resolution: 300, 300 pixels/inch',
            $this->tool(['tiffinfo', "$this->folder/x.tiff"]),
        );
        self::assertStringContainsString('64x64', $this->tool(['/usr/bin/identify', "$this->folder/x.png"]));
    }
}

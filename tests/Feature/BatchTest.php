<?php

declare(strict_types=1);

namespace Tests\Feature;

use Awning\Core\Brush\LinesSvg;
use Awning\Core\Codec\ImageReader;
use Awning\Core\Codec\OpenRasterWriter;
use Awning\Core\Codec\OraStack;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Colour\Difference;
use Awning\Core\Colour\Lab;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\ToneRule;
use Awning\Core\Page\Drawing\InkStroke;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Paint;
use Awning\Core\Raster\Plane;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** The batch commands as processes, with no database to be had. */
final class BatchTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/awning-batch-'.bin2hex(random_bytes(5));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    /** @param  list<string>  $arguments */
    private function awning(array $arguments): Process
    {
        $process = new Process(
            ['./awning', ...$arguments],
            dirname(__DIR__, 2),
            ['DB_SOCKET' => '/nowhere/db.sock', 'APP_CONFIG_CACHE' => 'var/cache/none.php'],
            null,
            120,
        );
        $process->run();

        return $process;
    }

    private function scan(): void
    {
        $scan = new class('scan') extends \Tests\TestCase
        {
            public function bytes(): string
            {
                return $this->scanBytes();
            }
        };
        file_put_contents("$this->folder/scan.png", $scan->bytes());
    }

    public function test_a_picture_is_brought_near_another_and_the_mood_that_does_so_is_kept(): void
    {
        $write = function (string $name, Paint $paint): void {
            file_put_contents("$this->folder/$name", (new PngWriter)->paint($paint));
        };
        $write('from.png', Paint::solid(40, 30, [200, 190, 180]));
        $write('to.png', Paint::solid(60, 20, [40, 60, 140]));
        $run = fn (string ...$more): Process => $this->awning(
            ['mood', "$this->folder/from.png", '--out', "$this->folder/out.png", ...$more],
        );
        $near = $run('--near', "$this->folder/to.png", '--save', "$this->folder/like.json");
        self::assertSame(0, $near->getExitCode(), $near->getErrorOutput());
        $red = fn (): int => (new ImageReader)->read("$this->folder/out.png")->paint->at(5, 5)[0];
        $whole = $red();
        self::assertLessThan(110, $whole);
        $mood = (array) json_decode((string) file_get_contents("$this->folder/like.json"), true);
        self::assertSame(['Like to', ['curve', 'balance']], [$mood['name'], array_column($mood['layers'], 'kind')]);
        // The file does what the command did; half as near is half the way.
        self::assertSame(0, $run('--mood', "$this->folder/like.json")->getExitCode());
        self::assertSame($whole, $red());
        self::assertSame(0, $run('--near', "$this->folder/to.png", '--strength', '0.5')->getExitCode());
        self::assertGreaterThan($whole + 20, $red());
        foreach (['2', 'x'] as $strength) {
            $refused = $run('--near', "$this->folder/to.png", '--strength', $strength);
            self::assertNotSame(0, $refused->getExitCode());
            self::assertStringContainsString('0 to 1', $refused->getOutput().$refused->getErrorOutput());
        }
        self::assertStringContainsString('--near', $run()->getOutput().$run()->getErrorOutput());
    }

    public function test_cues_colour_every_region_and_flats_of_others_are_taken_over(): void
    {
        $this->scan();
        $cues = new \Imagick;
        $cues->newImage(600, 400, new \ImagickPixel('transparent'), 'png');
        $draw = new \ImagickDraw;
        foreach ([['#d02040', 100, 200], ['#2040d0', 480, 200], ['#808080', 300, 20]] as [$colour, $x, $y]) {
            $draw->setFillColor($colour);
            $draw->rectangle($x, $y, $x + 20, $y + 10);
        }
        $cues->drawImage($draw);
        $cues->writeImage("png32:$this->folder/cues.png");
        $run = $this->awning([
            'flats',
            "$this->folder/scan.png",
            '--out',
            "$this->folder/flats.png",
            '--cues',
            "$this->folder/cues.png",
            '--report',
            "$this->folder/report.json",
        ]);
        self::assertSame(0, $run->getExitCode(), $run->getOutput().$run->getErrorOutput());
        $flats = (new ImageReader)->read("$this->folder/flats.png")->paint;
        self::assertSame(
            [[0xD0, 0x20, 0x40, 255], [0x20, 0x40, 0xD0, 255], [0x80, 0x80, 0x80, 255], [0x80, 0x80, 0x80, 255]],
            [$flats->at(50, 70), $flats->at(550, 330), $flats->at(3, 3), $flats->at(210, 200)],
        );
        self::assertContains(
            $flats->at(300, 200),
            [[0xD0, 0x20, 0x40, 255], [0x20, 0x40, 0xD0, 255], [0x80, 0x80, 0x80, 255]],
            'a region without a dab takes one of them',
        );
        self::assertSame(
            4,
            array_sum(json_decode((string) file_get_contents("$this->folder/report.json"), true)['cues']),
        );

        $theirs = new \Imagick("$this->folder/flats.png");
        $theirs->setImageFormat('jpeg');
        $theirs->setImageCompressionQuality(88);
        $theirs->resizeImage(1200, 800, \Imagick::FILTER_TRIANGLE, 1);
        $theirs->writeImage("$this->folder/theirs.jpg");
        file_put_contents("$this->folder/palette.csv", "skin,#d02040\nsea,#2240d2\n");
        $run = $this->awning([
            'flats',
            "$this->folder/scan.png",
            '--out',
            "$this->folder/taken.png",
            '--take',
            "$this->folder/theirs.jpg",
            '--palette',
            "$this->folder/palette.csv",
            '--report',
            "$this->folder/report.json",
        ]);
        self::assertSame(0, $run->getExitCode(), $run->getOutput().$run->getErrorOutput());
        $taken = (new ImageReader)->read("$this->folder/taken.png")->paint;
        self::assertSame([600, 400], [$taken->width, $taken->height], 'as large as the scan');
        self::assertSame(
            [[0xD0, 0x20, 0x40, 255], [0x22, 0x40, 0xD2, 255]],
            [$taken->at(50, 70), $taken->at(550, 330)],
            'exactly the palette\'s colours',
        );
        $colours = json_decode((string) file_get_contents("$this->folder/report.json"), true)['colours'];
        $verdicts = array_column($colours, 'verdict', 'ours');
        self::assertSame(['exact', 'exact'], [$verdicts['#d02040'], $verdicts['#2240d2']]);
        self::assertSame(1, count(array_keys($verdicts, 'new', true)), 'grey is not in the palette');
        self::assertCount(
            3,
            array_unique(array_map(fn (int $i): int => ord($taken->red[$i]), range(0, 239_999, 7))),
            'and nothing else',
        );

        foreach (
            [
                [['--cues', "$this->folder/theirs.jpg"], 'The cues are 1200 x 800 px'],
                [
                    ['--cues', "$this->folder/cues.png", '--take', "$this->folder/theirs.jpg"],
                    'Colours come either from',
                ],
            ] as [$wrong, $said]
        ) {
            $run = $this->awning(['flats', "$this->folder/scan.png", '--out', "$this->folder/never.png", ...$wrong]);
            self::assertSame(1, $run->getExitCode());
            self::assertStringContainsString($said, $run->getOutput());
            self::assertFileDoesNotExist("$this->folder/never.png");
        }
    }

    public function test_flats_writes_flats_labels_and_a_report(): void
    {
        $this->scan();
        file_put_contents(
            "$this->folder/palette.csv",
            "name,colour\r\n\"skin, warm\",#c98d6b\r\noilskin,#e0a93a\r\nsea,#3f7584\r\nplait,#a9a8a2\r\n",
        );
        $run = $this->awning([
            'flats',
            "$this->folder/scan.png",
            '--out',
            "$this->folder/flats.png",
            '--labels',
            "$this->folder/labels.png",
            '--gap',
            '8',
            '--palette',
            "$this->folder/palette.csv",
            '--report',
            "$this->folder/report.json",
        ]);
        self::assertSame(0, $run->getExitCode(), $run->getOutput().$run->getErrorOutput());
        $report = json_decode((string) file_get_contents("$this->folder/report.json"), true);
        self::assertSame([600, 400, 4], [$report['width'], $report['height'], $report['regions']]);
        foreach (['read', 'clean', 'flats', 'write flats', 'write labels'] as $step) {
            self::assertGreaterThan(0, $report['milliseconds'][$step], $step);
        }
        self::assertGreaterThan(1_000_000, $report['peak_memory_bytes']);
        $flats = (new ImageReader)->read("$this->folder/flats.png")->paint;
        $colours = [];
        foreach (['red', 'green', 'blue'] as $i => $plane) {
            foreach (str_split($flats->{$plane}) as $at => $byte) {
                $colours[$at] = (($colours[$at] ?? 0) << 8) | ord($byte);
            }
        }
        $used = array_values(array_unique($colours));
        sort($used);
        self::assertSame(
            [0x3F7584, 0xA9A8A2, 0xC98D6B, 0xE0A93A],
            $used,
            'one palette colour a region, none in between',
        );
        $labels = new \Imagick("$this->folder/labels.png");
        self::assertSame(
            [16, \Imagick::COLORSPACE_GRAY],
            [$labels->getImageDepth() > 8 ? 16 : 8, $labels->getImageColorspace()],
        );
        $header = (string) file_get_contents("$this->folder/labels.png", false, null, 24, 2);
        self::assertSame("\x10\x00", $header, '16-bit greyscale');
    }

    public function test_clean_writes_ink_and_what_it_found(): void
    {
        $page = new \Imagick;
        $page->newImage(500, 380, new \ImagickPixel('#f2ead8'), 'png');
        $draw = new \ImagickDraw;
        $draw->setFillColor('none');
        $draw->setStrokeColor('#181818');
        $draw->setStrokeWidth(4);
        $draw->rectangle(60, 60, 440, 320);
        $page->drawImage($draw);
        $page->distortImage(\Imagick::DISTORTION_SCALEROTATETRANSLATE, [250, 190, 1.0, 2.0], false);
        file_put_contents("$this->folder/scan.png", $page->getImageBlob());
        $run = $this->awning([
            'clean',
            "$this->folder/scan.png",
            '--out',
            "$this->folder/ink.png",
            '--report',
            "$this->folder/report.json",
            '--hard',
            '--weight',
            '1',
            '--drop',
            'keep',
        ]);
        self::assertSame(0, $run->getExitCode(), $run->getOutput().$run->getErrorOutput());
        $report = json_decode((string) file_get_contents("$this->folder/report.json"), true);
        self::assertEqualsWithDelta(2.0, $report['angle'], 0.1);
        self::assertEqualsWithDelta(-2.0, $report['turned'], 0.1);
        self::assertSame([500, 380], [$report['width'], $report['height']]);
        self::assertGreaterThan($report['levels']['paper'], $report['levels']['ink']);
        foreach (['read', 'clean', 'write'] as $step) {
            self::assertGreaterThan(0, $report['milliseconds'][$step], $step);
        }
        $ink = (new ImageReader)->read("$this->folder/ink.png")->channels()[0];
        self::assertSame(
            [255, 255, 0],
            [$ink->at(250, 60), $ink->at(60, 190), $ink->at(250, 190)],
            'straight, and 255 is ink',
        );
        self::assertSame(500 * 380, $ink->histogram()[0] + $ink->histogram()[255], 'pure black and white');
    }

    public function test_a_drawing_may_be_a_page_of_a_pdf_or_an_svg(): void
    {
        $svg =
            '<svg xmlns="http://www.w3.org/2000/svg" width="400" height="300"><rect x="60" y="50" width="200" '
                .'height="150" fill="none" stroke="#000" stroke-width="6"/></svg>';
        file_put_contents("$this->folder/box.svg", $svg);
        (new Process([
            'rsvg-convert',
            '--format',
            'pdf',
            '--output',
            "$this->folder/box.pdf",
            "$this->folder/box.svg",
        ]))->mustRun();
        foreach (['svg', 'pdf'] as $kind) {
            self::assertSame(
                0,
                $this->awning([
                    'clean',
                    "$this->folder/box.$kind",
                    '--out',
                    "$this->folder/ink-$kind.png",
                ])->getExitCode(),
            );
            self::assertSame(
                0,
                $this->awning([
                    'flats',
                    "$this->folder/box.$kind",
                    '--out',
                    "$this->folder/flats-$kind.png",
                    '--report',
                    "$this->folder/$kind.json",
                ])->getExitCode(),
            );
            self::assertSame(
                2,
                json_decode((string) file_get_contents("$this->folder/$kind.json"), true)['regions'],
                "inside and outside, of the $kind",
            );
        }
        $lost = $this->awning(['clean', "$this->folder/none.pdf", '--out', "$this->folder/out.png"]);
        self::assertSame(
            [1, true],
            [$lost->getExitCode(), str_contains($lost->getOutput().$lost->getErrorOutput(), 'is not there')],
        );
    }

    public function test_ink_draws_lines_that_were_saved(): void
    {
        file_put_contents(
            "$this->folder/lines.svg",
            LinesSvg::write(
                [
                    new InkStroke([[40.0, 30.0, 1.0], [160.0, 30.0, 1.0]], 10),
                    new InkStroke([[100.0, 10.0, 1.0], [100.0, 90.0, 1.0]], 6),
                ],
                200,
                100,
            ),
        );
        $run = $this->awning([
            'ink',
            "$this->folder/lines.svg",
            '--width',
            '200',
            '--height',
            '100',
            '--out',
            "$this->folder/ink.png",
            '--report',
            "$this->folder/report.json",
        ]);
        self::assertSame(0, $run->getExitCode(), $run->getOutput().$run->getErrorOutput());
        self::assertSame(2, json_decode((string) file_get_contents("$this->folder/report.json"), true)['lines']);
        $ink = (new ImageReader)->read("$this->folder/ink.png")->channels()[0];
        self::assertSame(
            [200, 100, 255, 255, 255, 0, 0],
            [
                $ink->width,
                $ink->height,
                $ink->at(60, 26),
                $ink->at(100, 80),
                $ink->at(100, 30),
                $ink->at(60, 80),
                $ink->at(60, 20),
            ],
        );
    }

    public function test_paths_are_those_of_the_callers_folder(): void
    {
        $image = new \Imagick;
        $image->newImage(40, 30, 'white', 'png');
        file_put_contents("$this->folder/scan.png", $image->getImageBlob());
        mkdir("$this->folder/out");
        $run = new Process(
            [
                dirname(__DIR__, 2).'/awning',
                'flats',
                'scan.png',
                '--out',
                'out/flats.png',
                '--report',
                'out/report.json',
            ],
            $this->folder,
            ['DB_SOCKET' => '/nowhere/db.sock', 'APP_CONFIG_CACHE' => 'var/cache/none.php'],
            null,
            120,
        );
        self::assertSame(0, $run->run(), $run->getOutput().$run->getErrorOutput());
        self::assertFileExists("$this->folder/out/flats.png");
        self::assertFileExists("$this->folder/out/report.json");
    }

    public function test_render_composites_the_layers_itself(): void
    {
        $writer = new OpenRasterWriter("$this->folder/stack.ora");
        $layers = [
            $writer->layer(Paint::solid(40, 30, [200, 100, 50]), 'back'),
            $writer->layer(Paint::solid(40, 30, [100, 200, 150]), 'top', 0.5, true, 'multiply'),
        ];
        $writer->finish(new OraStack($layers), Paint::solid(40, 30, [1, 2, 3]), 150);
        $run = $this->awning([
            'render',
            "$this->folder/stack.ora",
            '--out',
            "$this->folder/out.png",
            '--report',
            "$this->folder/report.json",
        ]);
        self::assertSame(0, $run->getExitCode(), $run->getOutput().$run->getErrorOutput());
        // Half way from 200 to 200 x 100 / 255, and so on.
        [$r, $g, $b] = (new ImageReader)->read("$this->folder/out.png")->paint->at(20, 15);
        self::assertEqualsWithDelta(
            [(200 + (200 * 100) / 255) / 2, (100 + (100 * 200) / 255) / 2, (50 + (50 * 150) / 255) / 2],
            [$r, $g, $b],
            1.0,
        );
        self::assertSame(2, json_decode((string) file_get_contents("$this->folder/report.json"), true)['layers']);
    }

    public function test_palettes_are_derived_and_go_from_format_to_format(): void
    {
        $at = fn (string $name): string => "$this->folder/$name";
        file_put_contents($at('bases.csv'), "skin,#c98d6b\noilskin,#e0a93a\n");
        self::assertSame(
            0,
            $this->awning([
                'palette',
                'derive',
                $at('bases.csv'),
                '--light',
                '#9cc4ff',
                '--out',
                $at('full.csv'),
            ])->getExitCode(),
        );
        $tones = (new ToneRule(Rgb::fromHex('#9cc4ff')))->complete(['base' => Rgb::fromHex('#e0a93a')]);
        self::assertStringContainsString(
            ",oilskin,shade,{$tones['shade']->hex()},derived\r\n",
            (string) file_get_contents($at('full.csv')),
        );
        foreach (
            [
                ['full.csv', 'full.json'],
                ['full.json', 'full.css'],
                ['full.css', 'back.csv'],
                ['full.json', 'card.svg'],
                ['full.css', 'card.png'],
                ['full.csv', 'card.pdf'],
            ] as [$from, $to]
        ) {
            $run = $this->awning(['palette', 'convert', $at($from), $at($to)]);
            self::assertSame(0, $run->getExitCode(), $run->getOutput().$run->getErrorOutput());
        }
        self::assertFileEquals($at('full.csv'), $at('back.csv'));
        self::assertStringStartsWith('%PDF-', (string) file_get_contents($at('card.pdf')));
        $card = new \Imagick($at('card.png'));
        $pixel = $card->getImagePixelColor(2 * (40 + 124 + 2 * 94 + 44), 2 * (70 + 13))->getColor();
        self::assertSame([0xC9, 0x8D, 0x6B], [$pixel['r'], $pixel['g'], $pixel['b']], 'skin in the middle of the ramp');
    }

    public function test_a_picture_is_held_against_a_palette_and_gives_one(): void
    {
        $picture = new \Imagick;
        $picture->newImage(240, 161, new \ImagickPixel('#41667a'), 'png');
        $draw = new \ImagickDraw;
        foreach (
            [['#c98d6b', 20, 20, 139, 119], ['#d6a040', 160, 90, 219, 149]] as [$colour, $x, $y, $right, $bottom]
        ) {
            $draw->setFillColor($colour);
            $draw->rectangle($x, $y, $right, $bottom);
        }
        $picture->drawImage($draw);
        $picture->writeImage("$this->folder/page.png");
        file_put_contents("$this->folder/p.csv", "skin,#c98d6b\noilskin,#e0a93a\nsea,#41667a\n");
        $run = $this->awning([
            'palette',
            'match',
            "$this->folder/page.png",
            '--palette',
            "$this->folder/p.csv",
            '--out',
            "$this->folder/drift.png",
            '--report',
            "$this->folder/r.json",
        ]);
        self::assertSame(0, $run->getExitCode(), $run->getOutput().$run->getErrorOutput());
        $report = json_decode((string) file_get_contents("$this->folder/r.json"), true);
        self::assertSame(
            [['#41667a', 'sea', 'exact'], ['#c98d6b', 'skin', 'exact'], ['#d6a040', 'oilskin', 'near']],
            array_map(fn (array $row): array => [$row['colour'], $row['tone'], $row['verdict']], $report),
        );
        self::assertEqualsWithDelta(12_000 / (240 * 161), $report[1]['share'], 0.005);
        self::assertEqualsWithDelta(
            Difference::ciede2000(Lab::of(Rgb::fromHex('#d6a040')), Lab::of(Rgb::fromHex('#e0a93a'))),
            $report[2]['deltaE'],
            0.05,
        );
        $drift = new \Imagick("$this->folder/drift.png");
        $hue = function (int $x, int $y) use ($drift): int {
            $pixel = $drift->getImagePixelColor($x, $y)->getColor();

            return $pixel['r'] - $pixel['b'];
        };
        self::assertSame([0, 0], [$hue(60, 60), $hue(230, 10)]);
        self::assertGreaterThan(40, $hue(190, 120));

        self::assertSame(
            0,
            $this->awning([
                'palette',
                'extract',
                "$this->folder/page.png",
                '--colours',
                '3',
                '--out',
                "$this->folder/three.csv",
            ])->getExitCode(),
        );
        self::assertSame(
            "figure,material,tone,hex,kind\r\n,colour 1,base,#41667a,pinned\r\n,colour 2,base,#c98d6b,pinned\r\n,colour 3,base,#d6a040,pinned\r\n",
            file_get_contents("$this->folder/three.csv"),
        );
    }

    public function test_a_first_light_is_worked_out_from_region_numbers(): void
    {
        $data = '';
        for ($y = 0; $y < 181; $y++) {
            for ($x = 0; $x < 240; $x++) {
                $data .= pack('n', hypot($x - 120, $y - 90) <= 70 ? 40_000 : 0);
            }
        }
        file_put_contents("$this->folder/labels.png", (new PngWriter)->labels(new Labels(240, 181, $data)));
        $run = $this->awning([
            'rough',
            "$this->folder/labels.png",
            '--light',
            '135,30',
            '--out',
            "$this->folder/rough",
            '--report',
            "$this->folder/rough.json",
        ]);
        self::assertSame(0, $run->getExitCode(), $run->getOutput());
        $at = fn (string $name, int $x, int $y): array => array_slice(
            (new ImageReader)->read("$this->folder/rough/$name.png")->paint->at($x, $y),
            0,
            3,
        );
        // Azimuth counter-clockwise from the right, so 135 is the upper left.
        self::assertSame(
            [[255, 0], [0, 255]],
            [
                [$at('shade', 165, 135)[0], $at('light', 165, 135)[0]],
                [$at('shade', 82, 55)[0], $at('light', 82, 55)[0]],
            ],
        );
        self::assertSame(
            [0, 0, 0, 0],
            array_map(fn (string $name): int => $at($name, 10, 10)[0], ['shade', 'light', 'occlusion', 'rim']),
        );
        self::assertEqualsWithDelta(
            [127.5 + (127.5 * 49) / 70, 127.5, 127.5 + 127.5 * sqrt(0.51)],
            $at('normals', 169, 90),
            5,
        );
        self::assertEqualsWithDelta(
            [127.5, 127.5 + (127.5 * 49) / 70, 127.5 + 127.5 * sqrt(0.51)],
            $at('normals', 120, 41),
            5,
        );
        $report = json_decode((string) file_get_contents("$this->folder/rough.json"), true);
        self::assertSame(
            [240, 181, 135, 30],
            [$report['width'], $report['height'], (int) $report['azimuth'], (int) $report['elevation']],
        );

        $grey = (new PngWriter)->grey(Plane::filled(9, 9, 3));
        file_put_contents("$this->folder/grey.png", $grey);
        foreach (
            [
                ['labels.png', '--light', '135'],
                ['labels.png', '--light', '0,95'],
                ['grey.png', '--light', '0,45'],
                ['none.png', '--light', '0,45'],
            ] as [$file, $option, $light]
        ) {
            $run = $this->awning(['rough', "$this->folder/$file", $option, $light, '--out', "$this->folder/not"]);
            self::assertSame(1, $run->getExitCode(), "$file $light");
            self::assertMatchesRegularExpression(
                '/AZIMUTH,ELEVATION|elevation from -90 to 90|16 bits|could not be (opened|read)/',
                $run->getOutput().$run->getErrorOutput(),
            );
        }
        self::assertDirectoryDoesNotExist("$this->folder/not");
    }

    public function test_bad_input_gets_a_sentence_and_leaves_no_file(): void
    {
        file_put_contents("$this->folder/bad.png", 'no picture');
        foreach (
            [
                ['flats', "$this->folder/bad.png", '--out', "$this->folder/out.png"],
                ['flats', "$this->folder/none.png", '--out', "$this->folder/out.png"],
                ['render', "$this->folder/bad.png", '--out', "$this->folder/out.png"],
                ['flats', "$this->folder/bad.png"],
                ['flats', "$this->folder/bad.png", '--out', "$this->folder/out.png", '--gap', 'many'],
                ['clean', "$this->folder/bad.png", '--out', "$this->folder/out.png"],
                ['clean', "$this->folder/bad.png", '--out', "$this->folder/out.png", '--weight', 'much'],
                ['palette', 'convert', "$this->folder/bad.png", "$this->folder/out.csv"],
                [
                    'palette',
                    'match',
                    "$this->folder/bad.png",
                    '--palette',
                    "$this->folder/none.csv",
                    '--out',
                    "$this->folder/out.png",
                ],
                ['palette', 'extract', "$this->folder/bad.png", '--colours', '2', '--out', "$this->folder/out.csv"],
                ['palette', 'blend', "$this->folder/bad.png"],
                ['ink', "$this->folder/bad.png", '--width', '20', '--height', '20', '--out', "$this->folder/out.png"],
                [
                    'ink',
                    "$this->folder/none.svg",
                    '--width',
                    'wide',
                    '--height',
                    '20',
                    '--out',
                    "$this->folder/out.png",
                ],
            ] as $arguments
        ) {
            $run = $this->awning($arguments);
            self::assertSame(1, $run->getExitCode(), implode(' ', $arguments));
            self::assertStringNotContainsString(
                '#0',
                $run->getOutput().$run->getErrorOutput(),
                'a stack trace is no help',
            );
            self::assertFileDoesNotExist("$this->folder/out.png");
            self::assertFileDoesNotExist("$this->folder/out.csv");
        }
    }
}

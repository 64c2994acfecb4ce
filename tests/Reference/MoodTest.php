<?php

declare(strict_types=1);

namespace Tests\Reference;

use Awning\Core\Exchange\MoodFile;
use Awning\Core\Raster\Paint;
use Awning\Core\Sheet\Export\GradedPicture;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** Moods against NumPy and SciPy, by the formulas of the file format in floating point. */
final class MoodTest extends TestCase
{
    private const PYTHON = '/usr/bin/python3';

    /** Not whole tiles either way. */
    private const WIDTH = 307;

    private const HEIGHT = 271;

    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/awning-mood-'.bin2hex(random_bytes(5));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    /** @return iterable<string, array{list<array<string, mixed>>, float, float}> layers, most, most of 99 % */
    public static function moods(): iterable
    {
        $stop = fn (float $at, string $colour, float $alpha = 1.0): array => [
            'at' => $at,
            'colour' => $colour,
            'alpha' => $alpha,
        ];
        $dusk = [
            'kind' => 'gradient',
            'form' => 'linear',
            'space' => 'oklab',
            'from' => [0.1, -0.2],
            'to' => [0.8, 1.1],
            'stops' => [$stop(0.0, '#0a1030', 0.9), $stop(0.35, '#703060'), $stop(1.0, '#ffb060', 0.0)],
        ];
        yield 'a wash' => [
            [['kind' => 'wash', 'colour' => '#c86420', 'mode' => 'soft-light', 'opacity' => 0.4]],
            2,
            1.2,
        ];
        yield 'a straight gradient in Oklab' => [[$dusk], 2, 1.2];
        yield 'a straight gradient in sRGB' => [[['space' => 'srgb', 'mode' => 'multiply'] + $dusk], 2, 1.2];
        yield 'a round gradient' => [[['form' => 'round', 'from' => [0.3, 0.4], 'to' => [0.9, 0.5]] + $dusk], 2, 1.2];
        yield 'a gradient that is all dark' => [
            [
                [
                    'kind' => 'gradient',
                    'form' => 'linear',
                    'space' => 'oklab',
                    'from' => [0, 0],
                    'to' => [1, 0.3],
                    'stops' => [$stop(0.0, '#040508'), $stop(1.0, '#10141c')],
                ],
            ],
            1,
            1.0,
        ];
        yield 'levels' => [
            [
                [
                    'kind' => 'levels',
                    'black' => 20,
                    'white' => 210,
                    'gamma' => 1.4,
                    'outBlack' => 12,
                    'outWhite' => 240,
                ],
            ],
            2,
            1.2,
        ];
        yield 'levels of one channel' => [
            [['kind' => 'levels', 'channel' => 'blue', 'black' => 5, 'white' => 180, 'gamma' => 0.7]],
            2,
            1.2,
        ];
        yield 'a curve' => [
            [['kind' => 'curve', 'points' => [[0.05, 0.0], [0.3, 0.2], [0.55, 0.7], [0.9, 0.95]]]],
            2,
            1.2,
        ];
        yield 'a curve of one channel' => [
            [['kind' => 'curve', 'channel' => 'red', 'points' => [[0, 0.2], [0.5, 0.4], [1, 0.9]], 'opacity' => 0.6]],
            2,
            1.2,
        ];
        yield 'a shift' => [[['kind' => 'shift', 'lightness' => -0.1, 'chroma' => 0.6, 'hue' => 25]], 2, 1.5];
        yield 'a shift that leaves the gamut' => [[['kind' => 'shift', 'lightness' => 0.1, 'chroma' => 1.9]], 2, 1.5];
        yield 'a shift of some hues and tones' => [
            [
                [
                    'kind' => 'shift',
                    'hue' => -60,
                    'chroma' => 1.2,
                    'hues' => ['from' => 330, 'to' => 60, 'soft' => 30],
                    'tones' => ['from' => 0.4, 'to' => 0.8, 'soft' => 0.1],
                ],
            ],
            2,
            1.5,
        ];
        yield 'a balance' => [
            [
                [
                    'kind' => 'balance',
                    'darks' => [-0.05, 0, 0.15],
                    'middle' => [0.1, 0, -0.1],
                    'lights' => [0.1, 0.05, -0.2],
                ],
            ],
            2,
            1.2,
        ];
        yield 'a blur' => [[['kind' => 'blur', 'sigma' => 5]], 8, 3];
        yield 'a wide blur' => [[['kind' => 'blur', 'sigma' => 17.5, 'opacity' => 0.7]], 8, 3];
        yield 'all of it' => [
            [
                $dusk,
                ['kind' => 'levels', 'black' => 10, 'white' => 230, 'gamma' => 0.8],
                ['kind' => 'curve', 'points' => [[0, 0.05], [0.5, 0.42], [1, 0.95]]],
                ['kind' => 'shift', 'chroma' => 0.7, 'hue' => -8],
                ['kind' => 'wash', 'colour' => '#203060', 'mode' => 'overlay', 'opacity' => 0.5],
                ['kind' => 'wash', 'colour' => '#ffd080', 'mode' => 'screen', 'opacity' => 0.2],
            ],
            2,
            1.5,
        ];
    }

    /** @param  list<array<string, mixed>>  $layers */
    #[DataProvider('moods')]
    public function test_layers_are_what_their_formulas_say(array $layers, float $most, float $nearly): void
    {
        $json = (string) json_encode(['awning' => 'mood', 'version' => 1, 'name' => 'Tried', 'layers' => $layers]);
        $picture = self::picture();
        $graded = (new GradedPicture)->of($picture, MoodFile::read($json)[1]);
        file_put_contents("$this->folder/mood.json", $json);
        foreach (['picture' => $picture, 'graded' => $graded] as $name => $paint) {
            file_put_contents("$this->folder/$name", self::interleaved($paint));
        }
        $script = __DIR__.'/python/mood.py';
        $said = (new Process([
            self::PYTHON,
            $script,
            "$this->folder/picture",
            "$this->folder/mood.json",
            "$this->folder/graded",
            (string) self::WIDTH,
            (string) self::HEIGHT,
        ]))
            ->setTimeout(120)
            ->mustRun()
            ->getOutput();
        [$worst, $usual] = array_map(floatval(...), explode(' ', trim($said)));
        self::assertLessThanOrEqual($most, $worst, 'the worst pixel');
        self::assertLessThanOrEqual($nearly, $usual, '99 % of them');
    }

    /** Soft fields of colour, hard edges, and noise. */
    private static function picture(): Paint
    {
        mt_srand(11);
        $planes = ['', '', ''];
        for ($y = 0; $y < self::HEIGHT; $y++) {
            for ($x = 0; $x < self::WIDTH; $x++) {
                $field = [127 + 120 * sin($x / 37), 127 + 120 * cos(($x + $y) / 53), (255 * $y) / self::HEIGHT];
                $isBox = intdiv($x, 40) % 3 === 1 && intdiv($y, 30) % 2 === 0;
                foreach ($field as $channel => $value) {
                    $value = $isBox ? [235, 70, 20][$channel] : $value;
                    $planes[$channel] .= chr((int) max(0, min(255, $value + mt_rand(-6, 6))));
                }
            }
        }

        return new Paint(self::WIDTH, self::HEIGHT, ...[...$planes, str_repeat("\xff", self::WIDTH * self::HEIGHT)]);
    }

    private static function interleaved(Paint $paint): string
    {
        $bytes = '';
        for ($i = 0, $count = strlen($paint->red); $i < $count; $i++) {
            $bytes .= $paint->red[$i].$paint->green[$i].$paint->blue[$i];
        }

        return $bytes;
    }
}

<?php

declare(strict_types=1);

namespace Tests\Reference;

use Awning\Core\Codec\Chunky;
use Awning\Core\Codec\ImageReader;
use Awning\Core\Compose\Weather\Particles;
use Awning\Core\Exchange\MoodFile;
use Awning\Core\Page\Data;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\ParticlesContent;
use Awning\Core\Raster\Paint;
use Awning\Core\Raster\Rect;
use Awning\Core\Sheet\Export\GradedPicture;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;
use Tests\Browser\Browser;

/** Weather against NumPy and SciPy, gradients against Chromium's CSS. */
final class WeatherTest extends TestCase
{
    private const PYTHON = '/usr/bin/python3';

    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/awning-weather-'.bin2hex(random_bytes(5));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    private function python(string ...$arguments): string
    {
        $command = [self::PYTHON, __DIR__.'/python/weather.py', ...$arguments];

        return (new Process($command))->setTimeout(120)->mustRun()->getOutput();
    }

    /** @return array<string, array{float}> */
    public static function angles(): array
    {
        return ['leaning left' => [-60.0], 'nearly down' => [-12.0], 'down' => [0.0], 'right' => [35.0], 'flat' => [78.0]];
    }

    /** The structure tensor of the whole plane, which a few streaks at other places do not turn. */
    #[DataProvider('angles')]
    public function test_rain_falls_the_way_it_is_told_to(float $angle): void
    {
        $rain = ParticlesContent::fromData(new Data([
            'colour' => '#ffffff',
            'form' => 'streak',
            'spacing' => 20,
            'size' => 2,
            'length' => 60,
            'angle' => $angle,
        ]));
        file_put_contents(
            "$this->folder/rain",
            (new Particles($rain, new PageSize(1500, 1000)))->in(new Rect(300, 200, 700, 500)),
        );
        $found = (float) $this->python('direction', "$this->folder/rain", '700', '500');
        self::assertEqualsWithDelta($angle, $found, 2.0);
    }

    /** SciPy's gaussian_filter. */
    public function test_a_glow_is_what_is_bright_blurred_and_screened(): void
    {
        [$width, $height] = [211, 157];
        mt_srand(5);
        $planes = ['', '', ''];
        for ($i = 0; $i < $width * $height; $i++) {
            $isLamp = hypot($i % $width - 90, intdiv($i, $width) - 70) < 12;
            foreach ([250, 220, 140] as $channel => $value) {
                $planes[$channel] .= chr($isLamp ? $value : 40 + 30 * $channel + mt_rand(0, 60));
            }
        }
        $picture = new Paint($width, $height, ...[...$planes, str_repeat("\xff", $width * $height)]);
        // 9 thousandths of 211 px.
        $mood = ['kind' => 'glow', 'threshold' => 0.45, 'reach' => 9, 'mode' => 'screen'];
        file_put_contents("$this->folder/picture", self::interleaved($picture));
        file_put_contents("$this->folder/glowing", self::interleaved(self::graded($picture, $mood)));
        $said = $this->python(
            'glow',
            "$this->folder/picture",
            "$this->folder/glowing",
            (string) $width,
            (string) $height,
            '0.45',
            (string) (9 * $width / 1000),
        );
        [$worst, $usual] = array_map(floatval(...), explode(' ', trim($said)));
        self::assertLessThanOrEqual(3.0, $usual, '99 % of the pixels');
        self::assertLessThanOrEqual(5.0, $worst);
    }

    /** @return array<string, array{string, array<string, mixed>}> CSS, and the same as a layer of a mood */
    public static function gradients(): array
    {
        $stops = fn (array ...$stops): array => array_map(
            fn (array $stop): array => ['at' => $stop[0], 'colour' => $stop[1], 'alpha' => $stop[2] ?? 1.0],
            $stops,
        );
        $across = ['form' => 'linear', 'from' => [0, 0.5], 'to' => [1, 0.5]];
        $round = ['form' => 'round', 'from' => [0.3, 0.4], 'to' => [0.8, 0.4]];

        return [
            'straight in sRGB' => [
                'linear-gradient(90deg in srgb, #102040, #ffc070 60%, #2080a0)',
                ['space' => 'srgb', 'stops' => $stops([0, '#102040'], [0.6, '#ffc070'], [1, '#2080a0'])] + $across,
            ],
            'straight in Oklab' => [
                'linear-gradient(90deg in oklab, #1020c0, #ffe040)',
                ['space' => 'oklab', 'stops' => $stops([0, '#1020c0'], [1, '#ffe040'])] + $across,
            ],
            'down, thinning out' => [
                'linear-gradient(180deg in oklab, rgb(200 30 30 / 0.8) 25%, rgb(30 60 200 / 0))',
                [
                    'form' => 'linear', 'from' => [0.5, 0], 'to' => [0.5, 1], 'space' => 'oklab',
                    'stops' => $stops([0.25, '#c81e1e', 0.8], [1, '#1e3cc8', 0.0]),
                ],
            ],
            'round in Oklab' => [
                'radial-gradient(circle 120px at 72px 64px in oklab, #ffe0a0, #402060)',
                ['space' => 'oklab', 'stops' => $stops([0, '#ffe0a0'], [1, '#402060'])] + $round,
            ],
            'round in sRGB, thinning out' => [
                'radial-gradient(circle 120px at 72px 64px in srgb, rgb(255 220 120 / 0.9), rgb(20 20 90 / 0.2))',
                ['space' => 'srgb', 'stops' => $stops([0, '#ffdc78', 0.9], [1, '#14145a', 0.2])] + $round,
            ],
        ];
    }

    /**
     * Chromium's linear-gradient() and radial-gradient() of CSS Images 4, over white.
     *
     * @param  array<string, mixed>  $layer
     */
    #[DataProvider('gradients')]
    public function test_gradients_are_those_of_css(string $css, array $layer): void
    {
        [$width, $height] = [240, 160];
        $plane = str_repeat("\xff", $width * $height);
        $white = new Paint($width, $height, $plane, $plane, $plane, $plane);
        $ours = self::graded($white, ['kind' => 'gradient'] + $layer);
        $browser = new Browser('data:text/html,');
        $browser->driver->get(
            'data:text/html,'.rawurlencode(
                "<body style='margin:0;background:#fff'><div style='width:{$width}px;height:{$height}px;"
                    ."background:$css'></div>",
            ),
        );
        $browser->shot("$this->folder/css.png");
        $browser->close();
        $theirs = (new ImageReader)->read("$this->folder/css.png")->paint;
        $worst = 0;
        for ($y = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                foreach ([0, 1, 2] as $channel) {
                    $worst = max($worst, abs($ours->at($x, $y)[$channel] - $theirs->at($x, $y)[$channel]));
                }
            }
        }
        self::assertLessThanOrEqual(2, $worst);
    }

    /** @param  array<string, mixed>  $layer */
    private static function graded(Paint $picture, array $layer): Paint
    {
        $json = (string) json_encode(['awning' => 'mood', 'version' => 1, 'name' => 'Tried', 'layers' => [$layer]]);

        return (new GradedPicture)->of($picture, MoodFile::read($json)[1]);
    }

    private static function interleaved(Paint $paint): string
    {
        return Chunky::join([$paint->red, $paint->green, $paint->blue]);
    }
}

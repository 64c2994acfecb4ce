<?php

declare(strict_types=1);

namespace Tests\Reference;

use Awning\Core\Codec\Chunky;
use Awning\Core\Grade\Likeness;
use Awning\Core\Grade\PictureTones;
use Awning\Core\Raster\Paint;
use Awning\Core\Sheet\Export\GradedPicture;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** Pictures that are brought near others, against scikit-image's match_histograms and CIE L*a*b*. */
final class LikenessTest extends TestCase
{
    private const WIDTH = 173;

    private const HEIGHT = 131;

    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/awning-likeness-'.bin2hex(random_bytes(5));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    /** @param  callable(float, float): array{float, float, float}  $colour  of a place, parts of width and height */
    private static function picture(int $seed, callable $colour): Paint
    {
        mt_srand($seed);
        $planes = ['', '', ''];
        for ($y = 0; $y < self::HEIGHT; $y++) {
            for ($x = 0; $x < self::WIDTH; $x++) {
                foreach ($colour($x / self::WIDTH, $y / self::HEIGHT) as $channel => $value) {
                    $planes[$channel] .= chr((int) max(0, min(255, round($value + mt_rand(-9, 9)))));
                }
            }
        }

        return new Paint(self::WIDTH, self::HEIGHT, ...[...$planes, str_repeat("\xff", strlen($planes[0]))]);
    }

    /** @return array<string, array{callable(float, float): array{float, float, float}}> */
    public static function pictures(): array
    {
        return [
            'a dusk' => [fn (float $x, float $y): array => [190 - 120 * $y, 110 - 50 * $y, 120 + 10 * $y]],
            'a night with a lamp' => [function (float $x, float $y): array {
                $lamp = 160 * exp(-30 * (($x - 0.6) ** 2 + ($y - 0.4) ** 2));

                return [25 + $lamp, 35 + 0.8 * $lamp, 70 + 0.3 * $lamp];
            }],
            'a pale fog' => [fn (float $x, float $y): array => [190 + 30 * $x, 200 + 25 * $x, 205 + 20 * $x]],
            'greens' => [fn (float $x, float $y): array => [40 + 120 * $x * $y, 80 + 130 * $x, 50 + 60 * $y]],
        ];
    }

    /** @param  callable(float, float): array{float, float, float}  $like */
    #[DataProvider('pictures')]
    public function test_a_picture_is_brought_near_another(callable $like): void
    {
        $from = self::picture(3, fn (float $x, float $y): array => [
            20 + 200 * $x,
            30 + 150 * $x + 40 * sin(9 * $y),
            60 + 120 * $y + 50 * $x,
        ]);
        $to = self::picture(4, $like);
        [$is, $wanted] = [PictureTones::of($from), PictureTones::of($to)];
        self::assertNotNull($is);
        self::assertNotNull($wanted);
        $graded = (new GradedPicture)->of($from, Likeness::layers($is, $wanted));
        foreach (['from' => $from, 'to' => $to, 'graded' => $graded] as $name => $picture) {
            $bytes = Chunky::join([$picture->red, $picture->green, $picture->blue]);
            file_put_contents("$this->folder/$name", $bytes);
        }
        $command = ['/usr/bin/python3', __DIR__.'/python/likeness.py'];
        array_push($command, "$this->folder/from", "$this->folder/to", "$this->folder/graded");
        array_push($command, (string) self::WIDTH, (string) self::HEIGHT);
        $said = (new Process($command))->setTimeout(120)->mustRun()->getOutput();
        [$lightness, $colours] = array_map(floatval(...), explode(' ', trim($said)));
        self::assertLessThan(0.35, $lightness, 'lightness');
        self::assertLessThan(0.6, $colours, 'colours');
    }
}

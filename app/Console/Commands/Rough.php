<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Awning\Core\Codec\LabelsReader;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Light\Emission\KeyLight;
use Awning\Core\Light\RoughIn;
use Awning\Core\Light\Surface\SmallLight;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Stopwatch;

/** A first light from the shapes of regions, without a database. */
final class Rough extends BatchCommand
{
    protected $signature = 'awning:rough {labels : region numbers, as 16-bit grey PNG} {--light= : AZIMUTH,ELEVATION in degrees; 0,0 from the right, 90 up, elevation 90 from the viewer}
        {--out= : the folder the planes go into} {--report= : where a JSON report goes}';

    protected $description = 'Work out normals, shade, light, occlusion and rim of regions';

    public function handle(): int
    {
        return $this->guarded(function (): void {
            $folder =
                $this->path('out') ?? throw new \InvalidArgumentException('Say where the planes go: --out FOLDER');
            $key = $this->key();
            $clock = new Stopwatch;
            $labels = LabelsReader::read(self::place((string) $this->argument('labels')));
            $clock->lap('read');
            $worked = SmallLight::of($labels, $key);
            $rough = RoughIn::from($worked, $labels);
            $normals = $worked->normals();
            $clock->lap('rough in');
            if (! is_dir($folder) && ! @mkdir($folder)) {
                throw new \InvalidArgumentException(
                    "The folder $folder could not be made. Check that the one above it is there.",
                );
            }
            $png = new PngWriter;
            $this->write(
                "$folder/normals.png",
                $png->rgb($labels->width, $labels->height, self::interleaved(...$normals)),
            );
            foreach (
                [
                    'shade' => $rough->shade,
                    'light' => $rough->light,
                    'occlusion' => $rough->occlusion,
                    'rim' => $rough->rim,
                ] as $name => $plane
            ) {
                $this->write("$folder/$name.png", $png->grey($plane));
            }
            $clock->lap('write');
            $this->report([
                'width' => $labels->width,
                'height' => $labels->height,
                'azimuth' => $key->azimuth,
                'elevation' => $key->elevation,
                'milliseconds' => $clock->laps(),
            ]);
            $this->line("normals, shade, light, occlusion, rim: $folder");
        });
    }

    private function key(): KeyLight
    {
        $light = (string) $this->option('light');
        if (preg_match('/^(-?\d+(?:\.\d+)?),(-?\d+(?:\.\d+)?)$/D', $light, $match) !== 1) {
            throw new \InvalidArgumentException(
                'Say where the light is: --light AZIMUTH,ELEVATION in degrees, like --light 135,40',
            );
        }

        return new KeyLight((float) $match[1], (float) $match[2]);
    }

    /** As red, green, blue of each pixel; without an array that has an element a pixel. */
    private static function interleaved(Plane $x, Plane $y, Plane $z): string
    {
        $bytes = '';
        for ($at = 0, $end = strlen($x->data); $at < $end; $at++) {
            $bytes .= $x->data[$at].$y->data[$at].$z->data[$at];
        }

        return $bytes;
    }
}

<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Awning\Core\Codec\ImageWriter;
use Awning\Core\Codec\OpenRasterFile;
use Awning\Core\Compose\OpenRasterRenderer;
use Awning\Core\Raster\Stopwatch;

/** Composites an OpenRaster file, without a database. */
final class Render extends BatchCommand
{
    protected $signature = 'awning:render {stack : an OpenRaster file} {--out= : where the picture goes, as PNG} {--report= : where a JSON report goes}';

    protected $description = 'Composite the layers of an OpenRaster file';

    public function handle(): int
    {
        return $this->guarded(function (): void {
            $out =
                $this->path('out') ?? throw new \InvalidArgumentException('Say where the picture goes: --out OUT.png');
            $clock = new Stopwatch;
            $file = new OpenRasterFile(self::place((string) $this->argument('stack')));
            $clock->lap('open');
            $paint = (new OpenRasterRenderer($file))->render();
            $clock->lap('compose');
            $this->write($out, (new ImageWriter)->write($paint, 'png', $file->dpi));
            $clock->lap('write');
            $this->report([
                'width' => $file->width,
                'height' => $file->height,
                'layers' => $file->layerCount(),
                'milliseconds' => $clock->laps(),
            ]);
            $this->line("Composited: $out");
        });
    }
}

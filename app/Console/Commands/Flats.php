<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Awning\Core\Codec\ImageReader;
use Awning\Core\Codec\PaletteCsv;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Flats\FlatsPicture;
use Awning\Core\Ink\ScanCleaner;
use Awning\Core\Page\CleanSettings;
use Awning\Core\Raster\Stopwatch;

/** Flats from a scan, without a database. */
final class Flats extends BatchCommand
{
    protected $signature = 'awning:flats {scan : the scan} {--out= : where the flats go, as PNG} {--labels= : where the region numbers go, as 16-bit grey PNG}
        {--gap= : longest gap that is bridged, in px} {--palette= : CSV file of colours} {--report= : where a JSON report goes}';

    protected $description = 'Clean a scan, bridge gaps, find regions and grow them under the lines';

    public function handle(): int
    {
        return $this->guarded(function (): void {
            $out = $this->path('out') ?? throw new \InvalidArgumentException('Say where the flats go: --out FLATS.png');
            $gap = $this->option('gap');
            if ($gap !== null && (! ctype_digit((string) $gap) || (int) $gap > 200)) {
                throw new \InvalidArgumentException('The gap is a number of pixels from 0 to 200.');
            }
            $palette = $this->path('palette');
            $colours = $palette === null ? FlatsPicture::COLOURS : array_map(fn ($colour): array => $colour->parts(), (new PaletteCsv)->read($palette));
            $clock = new Stopwatch;
            $picture = (new ImageReader)->read(self::place((string) $this->argument('scan')));
            $clock->lap('read');
            $scan = (new ScanCleaner)->clean($picture->channels(), new CleanSettings(turn: 0.0));
            $dpi = $picture->dpi;
            unset($picture);
            $clock->lap('clean');
            $finder = $gap === null ? FlatsFinder::forDpi($dpi) : new FlatsFinder((int) $gap);
            $flats = $finder->find($scan->ink);
            $clock->lap('flats');
            $this->write($out, (new FlatsPicture($colours))->png($flats->labels, $dpi));
            $clock->lap('write flats');
            if (($labels = $this->path('labels')) !== null) {
                $this->write($labels, (new PngWriter)->labels($flats->labels, $dpi));
                $clock->lap('write labels');
            }
            $this->report([
                'width' => $flats->labels->width, 'height' => $flats->labels->height, 'dpi' => $dpi,
                'regions' => count($flats->regions), 'bridges' => count($flats->bridges),
                'levels' => ['paper' => $scan->levels->paper, 'ink' => $scan->levels->ink],
                'milliseconds' => $clock->laps(), 'flats_milliseconds' => $flats->milliseconds,
            ]);
            $this->line(sprintf('%d regions, %d bridges: %s', count($flats->regions), count($flats->bridges), $out));
        });
    }
}

<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Awning\Core\Codec\PngWriter;
use Awning\Core\Ink\CleanScan;
use Awning\Core\Ink\ScanCleaner;
use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\CleanSettings;
use Awning\Core\Raster\Stopwatch;

/** Ink from a scan, without a database. */
final class Clean extends BatchCommand
{
    protected $signature = 'awning:clean {scan : the scan or photograph} {--out= : where the ink goes, as 8-bit grey PNG, 255 is full ink}
        {--report= : where a JSON report goes} {--flatten= : how much of the light is divided out, 0 to 1}
        {--paper= : darkness up to which it is paper, 0 to 254} {--ink= : darkness from which it is full ink, 1 to 255}
        {--weight= : thicker or thinner by px, -3 to 3} {--specks= : islands of fewer px go} {--pinholes= : holes in black of so many px are filled}
        {--drop= : coloured lines that go: auto, keep, blue, red or all} {--turn= : degrees clockwise, or auto}
        {--hard : pure black and white} {--whole : keep what lies round a photographed sheet}';

    protected $description = 'Clean a scan or a photograph of line art';

    public function handle(): int
    {
        return $this->guarded(function (): void {
            $out = $this->path('out') ?? throw new \InvalidArgumentException('Say where the ink goes: --out INK.png');
            $settings = $this->settings();
            $clock = new Stopwatch;
            $picture = self::opened(self::place((string) $this->argument('scan')));
            $dpi = $picture->dpi;
            $channels = $picture->channels();
            unset($picture);
            $clock->lap('read');
            $scan = (new ScanCleaner)->clean($channels, $settings);
            $clock->lap('clean');
            $this->write($out, (new PngWriter)->grey($scan->ink, $dpi));
            $clock->lap('write');
            $this->report($this->found($scan) + ['dpi' => $dpi, 'milliseconds' => $clock->laps()]);
            $this->line(
                sprintf(
                    '%d x %d px, %.1f %% inked, turned by %.2f°: %s',
                    $scan->ink->width,
                    $scan->ink->height,
                    100 * $scan->share(),
                    $scan->turned,
                    $out,
                ),
            );
            if ($scan->isNearlyEmpty()) {
                $this->warn('Next to no ink was found. If the page is not empty, lower --paper and --ink.');
            }
        });
    }

    private function settings(): CleanSettings
    {
        $values = ['hard' => (bool) $this->option('hard'), 'crop' => ! $this->option('whole')];
        foreach (['flatten', 'paper', 'ink', 'weight', 'specks', 'pinholes', 'turn'] as $name) {
            $typed = $this->option($name);
            if ($typed === null || ($name === 'turn' && $typed === 'auto')) {
                continue;
            }
            $values[$name] =
                is_string($typed) && is_numeric($typed)
                    ? $typed + 0
                    : throw new \InvalidArgumentException("--$name is a number.");
        }
        if (($values['paper'] ?? null) === null xor ($values['ink'] ?? null) === null) {
            throw new \InvalidArgumentException('Give both --paper and --ink, or neither.');
        }

        return CleanSettings::fromData(new Data($values + ['colours' => $this->option('drop') ?? 'auto']));
    }

    /** @return array<string, mixed> */
    private function found(CleanScan $scan): array
    {
        return [
            'width' => $scan->ink->width,
            'height' => $scan->ink->height,
            'angle' => $scan->askew,
            'turned' => $scan->turned,
            'levels' => ['paper' => $scan->levels->paper, 'ink' => $scan->levels->ink],
            'specks' => $scan->specks,
            'inked' => $scan->share(),
            'colours' => ['kept' => $scan->colours->kept, 'dropped' => $scan->colours->dropped],
            'sheet' => $scan->edge === null
                ? null
                : ['corners' => $scan->edge->corners, 'cropped' => $scan->edge->isSure],
        ];
    }
}

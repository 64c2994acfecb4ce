<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Awning\Core\Brush\LinesSvg;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Page\Data;
use Awning\Core\Page\PageSize;
use Awning\Core\Raster\Stopwatch;
use Awning\Core\Sheet\InkLayers;
use Awning\Core\Sheet\Ops\Ink\StartPage;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\MemorySource;

/** Lines kept as SVG, drawn by the core, without a database. */
final class Ink extends BatchCommand
{
    protected $signature = 'awning:ink {strokes : lines as SVG} {--width= : px} {--height= : px}
        {--out= : where the ink goes, as 8-bit grey PNG, 255 is full ink} {--report= : where a JSON report goes}';

    protected $description = 'Draw lines that were saved as SVG';

    public function handle(): int
    {
        return $this->guarded(function (): void {
            $out = $this->path('out') ?? throw new \InvalidArgumentException('Say where the ink goes: --out INK.png');
            $size = StartPage::fromInput(
                new Data([
                    'width' => self::pixels($this->option('width'), 'width'),
                    'height' => self::pixels($this->option('height'), 'height'),
                ]),
            )->toInput();
            $clock = new Stopwatch;
            $svg = @file_get_contents(self::place((string) $this->argument('strokes')));
            $strokes = LinesSvg::read(
                $svg === false
                    ? throw new \InvalidArgumentException('The file of lines could not be opened. Check its name.')
                    : $svg,
            );
            $clock->lap('read');
            $sheet = new Sheet(new MemorySource);
            $sheet->put(PageSize::KEY, new PageSize($size['width'], $size['height']));
            $ink = new InkLayers($sheet);
            foreach ($strokes as $stroke) {
                $ink->add($stroke);
            }
            $clock->lap('draw');
            $this->write($out, (new PngWriter)->grey($ink->whole()));
            $this->report(['lines' => count($strokes), ...$size, 'milliseconds' => $clock->laps()]);
            $this->line(sprintf('%d lines: %s', count($strokes), $out));
        });
    }

    private static function pixels(mixed $typed, string $name): int
    {
        return is_string($typed) && ctype_digit($typed)
            ? (int) $typed
            : throw new \InvalidArgumentException("Say how large the page is: --$name PX");
    }
}

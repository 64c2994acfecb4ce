<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Desk\WorkerProcesses;
use App\Store\PaletteFile;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Colour\Rgb;
use Awning\Core\Flats\ColourTaker;
use Awning\Core\Flats\CueSpread;
use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Flats\FlatsPicture;
use Awning\Core\Flats\FlatsResult;
use Awning\Core\Flats\RegionGraph;
use Awning\Core\Flats\TakenColour;
use Awning\Core\Ink\ScanCleaner;
use Awning\Core\Page\Drawing\CleanSettings;
use Awning\Core\Raster\Paint;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Stopwatch;

/** Flats from a scan, without a database. */
final class Flats extends BatchCommand
{
    protected $signature = 'awning:flats {scan : the scan} {--out= : where the flats go, as PNG} {--labels= : where the region numbers go, as 16-bit grey PNG}
        {--gap= : longest gap that is bridged, in px} {--palette= : CSV file of colours} {--report= : where a JSON report goes}
        {--cues= : a picture as large as the scan, opaque dabs of colour on transparent: every region takes a colour}
        {--take= : somebody\'s flat colours, to be taken over clean}';

    protected $description = 'Clean a scan, bridge gaps, find regions and grow them under the lines';

    /** Alpha from which a dab is one. */
    private const OPAQUE = 128;

    private const MOST_CUES = 254;

    public function handle(): int
    {
        return $this->guarded(function (): void {
            $out = $this->path('out') ?? throw new \InvalidArgumentException('Say where the flats go: --out FLATS.png');
            if ($this->path('cues') !== null && $this->path('take') !== null) {
                throw new \InvalidArgumentException(
                    'Colours come either from --cues or from --take. Give one of them.',
                );
            }
            $gap = $this->gap();
            $clock = new Stopwatch;
            $picture = self::opened(self::place((string) $this->argument('scan')));
            $clock->lap('read');
            $scan = (new ScanCleaner)->clean($picture->channels(), new CleanSettings(turn: 0.0));
            $dpi = $picture->dpi;
            unset($picture);
            $clock->lap('clean');
            $finder = $gap === null ? FlatsFinder::forDpi($dpi) : new FlatsFinder($gap);
            $flats = $finder->find($scan->ink, [], new WorkerProcesses(2));
            $clock->lap('flats');
            [$png, $more] = $this->picture($flats, $scan->ink, $dpi);
            $clock->lap('colour');
            $this->write($out, $png);
            $clock->lap('write flats');
            if (($labels = $this->path('labels')) !== null) {
                $this->write($labels, (new PngWriter)->labels($flats->labels, $dpi));
                $clock->lap('write labels');
            }
            $this->report(
                [
                    'width' => $flats->labels->width,
                    'height' => $flats->labels->height,
                    'dpi' => $dpi,
                    'regions' => count($flats->regions),
                    'bridges' => count($flats->bridges),
                    'doubtful' => count($flats->doubtful),
                    'levels' => ['paper' => $scan->levels->paper, 'ink' => $scan->levels->ink],
                ] +
                    $more + ['milliseconds' => $clock->laps(), 'flats_milliseconds' => $flats->milliseconds],
            );
            $this->line(sprintf('%d regions, %d bridges: %s', count($flats->regions), count($flats->bridges), $out));
            if ($flats->isNoise) {
                $this->warn(
                    'This page has no lines that could bound anything: it is one region. Scan it again, or clean it '
                        .'first (awning clean) with larger specks dropped.',
                );
            }
        });
    }

    private function gap(): ?int
    {
        $gap = $this->option('gap');
        if ($gap !== null && (! ctype_digit((string) $gap) || (int) $gap > 200)) {
            throw new \InvalidArgumentException('The gap is a number of pixels from 0 to 200.');
        }

        return $gap === null ? null : (int) $gap;
    }

    /** @return array{string, array<string, mixed>} the PNG, and what more is reported */
    private function picture(FlatsResult $flats, Plane $ink, float $dpi): array
    {
        $cues = $this->path('cues');
        $take = $this->path('take');

        return match (true) {
            $cues !== null => $this->spread($flats, $ink, $this->cues($cues, $flats), $dpi),
            $take !== null => $this->taken(self::opened($take)->paint, $flats, $dpi),
            default => [
                (new FlatsPicture(
                    $this->palette() === []
                        ? FlatsPicture::COLOURS
                        : array_map(fn (Rgb $colour): array => $colour->parts(), $this->palette()),
                ))->png($flats->labels, $dpi),
                [],
            ],
        };
    }

    /** @return list<Rgb> */
    private function palette(): array
    {
        $path = $this->path('palette');

        return $path === null ? [] : PaletteFile::read($path)->bases();
    }

    private function cues(string $path, FlatsResult $flats): Paint
    {
        $cues = self::opened($path)->paint;
        [$width, $height] = [$flats->labels->width, $flats->labels->height];
        if ($cues->width !== $width || $cues->height !== $height) {
            throw new \InvalidArgumentException(
                sprintf(
                    'The cues are %d x %d px and the scan is %d x %d px. Paint them on a copy of the scan.',
                    $cues->width,
                    $cues->height,
                    $width,
                    $height,
                ),
            );
        }

        return $cues;
    }

    /** @return array{string, array<string, mixed>} */
    private function spread(FlatsResult $flats, Plane $ink, Paint $dabs, float $dpi): array
    {
        [$cues, $colours] = $this->cuesOf($dabs);
        if ($colours === []) {
            throw new \InvalidArgumentException('There is no opaque dab among the cues. Paint some on transparent.');
        }
        $spread = (new CueSpread(RegionGraph::of($flats->labels, $ink)))->spread(
            CueSpread::dabs($flats->labels->data, $cues),
            array_keys($flats->regions),
        );
        $picture = new FlatsPicture(
            array_map(fn (int $colour): array => [$colour >> 16, ($colour >> 8) & 255, $colour & 255], $colours),
        );
        $shares = array_fill_keys(array_map(fn (int $colour): string => sprintf('#%06x', $colour), $colours), 0);
        foreach ($spread as $region => $cue) {
            $shares[sprintf('#%06x', $colours[$cue - 1])]++;
        }

        return [
            $picture->coloured($flats->labels, array_map(fn (int $cue): int => $cue - 1, $spread), $dpi),
            ['cues' => $shares],
        ];
    }

    /** @return array{string, list<int>} a byte a pixel, from 1, and the colours */
    private function cuesOf(Paint $dabs): array
    {
        $cues = str_repeat("\0", strlen($dabs->alpha));
        $numbers = [];
        for ($at = strspn($dabs->alpha, "\0"), $end = strlen($cues); $at < $end; $at++) {
            $at += strspn($dabs->alpha, "\0", $at);
            if ($at >= $end || ord($dabs->alpha[$at]) < self::OPAQUE) {
                continue;
            }
            $colour = (ord($dabs->red[$at]) << 16) | (ord($dabs->green[$at]) << 8) | ord($dabs->blue[$at]);
            $numbers[$colour] ??= count($numbers) + 1;
            if (count($numbers) > self::MOST_CUES) {
                throw new \InvalidArgumentException(
                    sprintf(
                        'The cues have more than %d colours. Paint them with a hard brush, each in one colour.',
                        self::MOST_CUES,
                    ),
                );
            }
            $cues[$at] = chr($numbers[$colour]);
        }

        return [$cues, array_keys($numbers)];
    }

    /** @return array{string, array<string, mixed>} */
    private function taken(Paint $theirs, FlatsResult $flats, float $dpi): array
    {
        $taken = (new ColourTaker($this->palette()))
            ->take($theirs)
            ->scaled($flats->labels->width, $flats->labels->height);
        $palette =
            "\xff\xff\xff".
            implode(
                '',
                array_map(
                    fn (TakenColour $colour): string => implode('', array_map(chr(...), $colour->ours->parts())),
                    $taken->colours,
                ),
            );
        $colours = array_map(
            fn (TakenColour $colour): array => [
                'theirs' => $colour->theirs->hex(),
                'ours' => $colour->ours->hex(),
                'deltaE' => $colour->difference === null ? null : round($colour->difference, 2),
                'verdict' => $colour->verdict(),
                'share' => round($colour->share, 6),
            ],
            $taken->colours,
        );

        return [
            (new PngWriter)->indexed($taken->width, $taken->height, $taken->index, $palette, $dpi),
            ['colours' => $colours],
        ];
    }
}

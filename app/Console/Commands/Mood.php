<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Desk\WorkerProcesses;
use Awning\Core\Codec\ImageWriter;
use Awning\Core\Exchange\MoodFile;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Raster\Stopwatch;
use Awning\Core\Sheet\Export\GradedPicture;

final class Mood extends BatchCommand
{
    protected $signature = 'awning:mood {picture : any picture} {--mood= : the mood, as JSON}
        {--out= : where the graded picture goes, as PNG} {--report= : where a JSON report goes}';

    protected $description = 'Lay a mood over a picture';

    public function handle(): int
    {
        return $this->guarded(function (): void {
            $out = $this->path('out') ?? throw new \InvalidArgumentException(
                'Say where the picture goes: --out OUT.png',
            );
            [$name, $layers] = MoodFile::read($this->mood());
            $clock = new Stopwatch;
            $picture = self::opened(self::place((string) $this->argument('picture')));
            $clock->lap('open');
            $graded = (new GradedPicture(new WorkerProcesses(2)))->of($picture->paint, $layers);
            $clock->lap('compose');
            $this->write($out, (new ImageWriter)->write($graded, 'png', $picture->dpi));
            $clock->lap('write');
            $this->report([
                'mood' => $name,
                'width' => $graded->width,
                'height' => $graded->height,
                'layers' => array_map(fn (PassSpec $layer): string => $layer->content->kind()->value, $layers),
                'milliseconds' => $clock->laps(),
            ]);
            $this->line("Graded by $name: $out");
        });
    }

    /** @return string the mood's text */
    private function mood(): string
    {
        $path = $this->path('mood') ?? throw new \InvalidArgumentException('Say which mood: --mood MOOD.json');
        $size = is_file($path) ? filesize($path) : false;
        if ($size === false) {
            throw new \InvalidArgumentException("The mood $path is not there. Check its name and folder.");
        }
        if ($size > MoodFile::MOST_BYTES) {
            throw new \InvalidArgumentException("$path is larger than any mood. Look whether it is the right file.");
        }

        return (string) file_get_contents($path);
    }
}

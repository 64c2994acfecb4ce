<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Desk\WorkerProcesses;
use Awning\Core\Codec\ImageWriter;
use Awning\Core\Exchange\MoodFile;
use Awning\Core\Grade\Likeness;
use Awning\Core\Grade\PictureTones;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Raster\Paint;
use Awning\Core\Raster\Stopwatch;
use Awning\Core\Sheet\Export\GradedPicture;

final class Mood extends BatchCommand
{
    protected $signature = 'awning:mood {picture : any picture} {--mood= : the mood, as JSON}
        {--near= : in the place of a mood: a picture that this one is brought near} {--strength=1 : how near, 0 to 1}
        {--save= : where the mood that does so goes, as JSON}
        {--out= : where the graded picture goes, as PNG} {--report= : where a JSON report goes}';

    protected $description = 'Lay a mood over a picture';

    public function handle(): int
    {
        return $this->guarded(function (): void {
            $out = $this->path('out') ?? throw new \InvalidArgumentException(
                'Say where the picture goes: --out OUT.png',
            );
            $clock = new Stopwatch;
            $other = $this->path('near');
            $mood = $other === null ? MoodFile::read($this->mood()) : null;
            $picture = self::opened(self::place((string) $this->argument('picture')));
            $clock->lap('open');
            [$name, $layers] = $mood ?? $this->near($picture->paint, (string) $other);
            $clock->lap('measure');
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

    /** @return array{string, list<PassSpec>} a name, and the layers that bring a picture near another one */
    private function near(Paint $picture, string $path): array
    {
        $strength = filter_var($this->option('strength'), FILTER_VALIDATE_FLOAT);
        if ($strength === false || $strength < 0 || $strength > 1) {
            throw new \InvalidArgumentException('Say how near from 0 to 1: --strength 0.7');
        }
        $from = PictureTones::of($picture);
        $to = PictureTones::of(self::opened($path)->paint);
        if ($from === null || $to === null) {
            throw new \InvalidArgumentException('One of the pictures is transparent all over: nothing can be measured.');
        }
        $name = 'Like '.mb_substr(pathinfo($path, PATHINFO_FILENAME), 0, 50);
        $layers = Likeness::layers($from, $to, $strength);
        $save = $this->path('save');
        $save === null || $this->write($save, MoodFile::write($name, $layers));

        return [$name, $layers];
    }

    /** @return string the mood's text */
    private function mood(): string
    {
        $path = $this->path('mood') ?? throw new \InvalidArgumentException(
            'Say which mood: --mood MOOD.json, or which picture it shall come near: --near PICTURE',
        );
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

<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Store\PaletteFile;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Colour\MainColours;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\ToneRule;
use Awning\Core\Exchange\ImageColours;
use Awning\Core\Exchange\PaletteBook;
use Awning\Core\Proof\PaletteMatch;

/** Palettes without a database: converted, derived, taken out of a picture, held against one. */
final class Palette extends BatchCommand
{
    protected $signature = 'awning:palette {verb : convert, match, extract or derive} {in : a palette, or a picture} {to? : convert: where it goes}
        {--out= : where the result goes} {--palette= : match: the palette} {--report= : match: where a JSON list goes}
        {--colours= : extract: how many, 3 to 12} {--light= : derive: the colour of the light, #rrggbb}';

    protected $description = 'Convert a palette, derive its tones, take one out of a picture, or hold a picture against one';

    public function handle(): int
    {
        return $this->guarded(function (): void {
            $verb = $this->argument('verb');
            match ($verb) {
                'convert' => $this->convert(),
                'match' => $this->match(),
                'extract' => $this->extract(),
                'derive' => $this->derive(),
                default => throw new \InvalidArgumentException(
                    "There is no 'palette $verb'. Say convert, match, extract or derive.",
                ),
            };
        });
    }

    private function convert(): void
    {
        $to = $this->argument('to');
        if (! is_string($to)) {
            throw new \InvalidArgumentException('Say where the palette goes: palette convert IN OUT');
        }
        $this->put(self::place($to), PaletteFile::read($this->in()));
    }

    private function derive(): void
    {
        $rule = new ToneRule(...$this->option('light') === null ? [] : [Rgb::fromHex((string) $this->option('light'))]);
        $this->put($this->out('PALETTE.csv'), PaletteFile::read($this->in())->derived($rule));
    }

    private function extract(): void
    {
        $count = (string) $this->option('colours');
        if (! ctype_digit($count) || (int) $count < MainColours::FEWEST || (int) $count > MainColours::MOST) {
            throw new \InvalidArgumentException(
                sprintf('Say how many colours, from %d to %d: --colours 6', MainColours::FEWEST, MainColours::MOST),
            );
        }
        $colours = MainColours::of(self::opened($this->in())->paint, (int) $count);
        $this->put($this->out('PALETTE.csv'), ImageColours::book($colours));
        foreach ($colours as $colour) {
            $this->line(sprintf('%s  %5.1f %%', $colour->colour->hex(), 100 * $colour->share));
        }
    }

    private function match(): void
    {
        $palette =
            $this->path('palette') ?? throw new \InvalidArgumentException('Say which palette: --palette PALETTE.csv');
        $picture = self::opened($this->in());
        $match = (new PaletteMatch(ImageColours::tones(PaletteFile::read($palette))))->match($picture->paint);
        if (($out = $this->path('out')) !== null) {
            $this->write($out, (new PngWriter)->paint($match->drift($picture->paint), $picture->dpi));
        }
        if (($report = $this->path('report')) !== null) {
            $this->write(
                $report,
                json_encode(
                    $match->toData(),
                    JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR,
                )."\n",
            );
        }
        foreach ($match->toData() as $row) {
            $this->line(
                sprintf(
                    '%s  %5.1f %%  %-7s %5.2f  %s',
                    $row['colour'],
                    100 * $row['share'],
                    $row['verdict'],
                    $row['deltaE'],
                    $row['tone'],
                ),
            );
        }
    }

    private function in(): string
    {
        return self::place((string) $this->argument('in'));
    }

    private function out(string $example): string
    {
        return $this->path('out') ?? throw new \InvalidArgumentException("Say where the result goes: --out $example");
    }

    private function put(string $path, PaletteBook $book): void
    {
        $this->write(
            $path,
            PaletteFile::bytes(PaletteFile::extension($path), $book, pathinfo($path, PATHINFO_FILENAME)),
        );
        $this->line(sprintf('%d tones of %d materials: %s', count($book->rows()), count($book->bases()), $path));
    }
}

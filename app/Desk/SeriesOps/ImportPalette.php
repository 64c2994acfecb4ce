<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Palette\SeriesPart;
use App\Models\Figure;
use App\Models\Material;
use App\Models\Series;
use App\Store\PaletteFile;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Exchange\BrokenPalette;
use Awning\Core\Exchange\PaletteBook;
use Awning\Core\Exchange\PaletteFiles;
use Awning\Core\Exchange\PaletteMaterial;

/**
 * What a palette file says, taken in: figures and materials that are not there are added, pinned tones that differ are
 * changed, all else is left. Figures and materials are known by their names.
 *
 * @phpstan-type ImportRow array{figure: string, material: string, does: 'add'|'change'|'leave',
 *     before: ?array<string, string>, after: array<string, string>}
 */
final readonly class ImportPalette implements ClientSeriesOp
{
    use MaterialChange;

    /** Where materials go that no figure is named for. */
    private const UNNAMED = 'Palette';

    public function __construct(private PaletteBook $book)
    {
    }

    /**
     * @param  string  $name  of the file; its end says the format
     *
     * @throws BrokenPalette
     */
    public static function ofFile(string $name, string $text): self
    {
        return new self(PaletteFiles::read(PaletteFile::extension($name), $text));
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked([
            'name' => 'required|string|max:190',
            'text' => 'required|string|max:'.PaletteFiles::MOST_BYTES,
        ]);

        return $asked->built(
            'text',
            fn (): self => self::ofFile($input->string('name')->toString(), $input->string('text')->toString()),
        );
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Palette;
    }

    public static function kind(): string
    {
        return 'palette.import';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return 'Take in a palette file';
    }

    public function toInput(): array
    {
        return ['materials' => count($this->book->bases())];
    }

    /** @return list<ImportRow> what taking it in would do */
    public function preview(Series $series): array
    {
        $rows = [];
        foreach ($this->book->figures as $figure) {
            $there = $this->figure($series, self::named($figure->name));
            foreach ($figure->materials as $material) {
                $row = $there === null ? null : self::material($there, $material->name);
                $after = self::pinned($material, $row);
                $rows[] = [
                    'figure' => self::named($figure->name),
                    'material' => $material->name,
                    'does' => $there?->follows_id !== null
                            ? 'leave'
                            : ($row === null
                                ? 'add'
                                : ($after == $row->pinned
                                    ? 'leave'
                                    : 'change')),
                    'before' => $row?->pinned,
                    'after' => $after,
                ];
            }
        }

        return $rows;
    }

    public function apply(Series $series): array
    {
        $records = [];
        // Files name the nearest figure first, and each that is added comes to stand before all others.
        foreach (array_reverse($this->book->figures) as $figure) {
            $name = self::named($figure->name);
            $there = $this->figure($series, $name);
            if ($there === null) {
                $records = [...$records, ...(new AddFigure($name))->apply($series)];
                $there =
                    $this->figure($series, $name) ?? throw new \LogicException('A figure that was added is there.');
            }
            // One that follows another series is changed there.
            foreach ($there->follows_id === null ? $figure->materials : [] as $material) {
                $record = self::takenIn($there, $material);
                if ($record !== null) {
                    $records[] = $record;
                }
            }
        }

        return $records;
    }

    /** @return ?array{string, int, ?array<string, mixed>, array<string, mixed>} */
    private static function takenIn(Figure $figure, PaletteMaterial $material): ?array
    {
        $row = self::material($figure, $material->name);
        $pinned = self::pinned($material, $row);
        if ($row === null) {
            return self::added($figure->id, $material->name, $pinned, more: $material->more ?: null);
        }
        if ($pinned == $row->pinned) {
            return null;
        }
        $row->pinned = $pinned;
        $row->more = $material->more + ($row->more ?? []) ?: null;

        return self::saved($row);
    }

    private function figure(Series $series, string $name): ?Figure
    {
        return Figure::living()->where('series_id', $series->id)->where('name', $name)->first();
    }

    private static function material(Figure $figure, string $name): ?Material
    {
        return Material::living()->where('figure_id', $figure->id)->where('name', $name)->first();
    }

    /**
     * @return array<value-of<Tone>, string> tones that are pinned after it: those of the file, and those it says
     *     nothing of; a base in any case
     */
    private static function pinned(PaletteMaterial $material, ?Material $there): array
    {
        $pinned = array_map(fn (Rgb $colour): string => $colour->hex(), $material->pinned());

        return $pinned +
            array_diff_key($there->pinned ?? [], array_flip($material->derived)) + [
                'base' => $there->pinned['base'] ?? $material->base()->hex(),
            ];
    }

    private static function named(string $figure): string
    {
        return $figure === '' ? self::UNNAMED : $figure;
    }
}

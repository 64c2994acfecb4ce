<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Export;

use Awning\Core\Codec\OpenRasterWriter;
use Awning\Core\Codec\OraStack;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Colour\Tone;
use Awning\Core\Compose\Layers\Flat;
use Awning\Core\Compose\PageStack;
use Awning\Core\Flats\FlatsPicture;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Paint;
use Awning\Core\Sheet\Sheet;

/**
 * The flats alone: every pixel exactly the base of what it is filled with, nothing smoothed; what is unfilled is
 * see-through.
 */
final readonly class FlatsExport
{
    /** Colours of a PNG with a palette; the first is for what is unfilled. */
    private const MOST = 256;

    private Labels $labels;

    /** @var array<int, Flat> by label */
    private array $flats;

    public function __construct(private Sheet $sheet, private PageStack $stack)
    {
        $this->labels = $sheet->labels();
        $this->flats = $stack->flats;
    }

    /**
     * @return string the bytes of a PNG: with a palette, or of full colour where there are more colours than fit in one
     */
    public function png(): string
    {
        $dpi = $this->sheet->size()->dpi;
        $colours = array_map(fn (Flat $flat): int => $flat->tones[Tone::Base->value], $this->flats);
        $used = array_values(array_unique($colours));
        if (count($used) < self::MOST) {
            $index = array_flip($used);
            $parts = array_map(fn (int $colour): array => [$colour >> 16, ($colour >> 8) & 255, $colour & 255], $used);

            return (new FlatsPicture($parts))->coloured(
                $this->labels,
                array_map(fn (int $colour): int => $index[$colour], $colours),
                $dpi,
                true,
            );
        }

        return (new PngWriter)->paint($this->paint(fn (): bool => true), $dpi);
    }

    /**
     * Writes OpenRaster with a layer for each figure, the farthest at the bottom.
     *
     * @param  array<int, string>  $names  by figure
     */
    public function figures(string $path, array $names): void
    {
        $keys = array_map(fn (object $plane): int => $plane->figure, $this->stack->planes);
        $this->layers($path, array_values($keys), fn (Flat $flat): int => $flat->figure, $names);
    }

    /**
     * Writes OpenRaster with a layer for each material, figure by figure, the farthest at the bottom.
     *
     * @param  array<int, string>  $names  by material
     */
    public function materials(string $path, array $names): void
    {
        $depth = array_flip(array_map(fn (object $plane): int => $plane->figure, array_values($this->stack->planes)));
        $of = [];
        foreach ($this->flats as $flat) {
            $of[$flat->material] = $depth[$flat->figure] ?? -1;
        }
        asort($of);
        $this->layers($path, array_keys($of), fn (Flat $flat): int => $flat->material, $names);
    }

    /**
     * @param  list<int>  $keys  bottom up
     * @param  callable(Flat): int  $keyOf
     * @param  array<int, string>  $names
     */
    private function layers(string $path, array $keys, callable $keyOf, array $names): void
    {
        $writer = new OpenRasterWriter($path);
        $present = array_flip(array_map($keyOf, $this->flats));
        $layers = [];
        foreach ($keys as $key) {
            if (isset($present[$key])) {
                $layers[] = $writer->layer(
                    $this->paint(fn (Flat $flat): bool => $keyOf($flat) === $key),
                    $names[$key] ?? "Flats $key",
                );
            }
        }
        $writer->finish(new OraStack($layers), $this->paint(fn (): bool => true), $this->sheet->size()->dpi);
    }

    /** @param  callable(Flat): bool  $isMeant */
    private function paint(callable $isMeant): Paint
    {
        $planes = ['', '', '', ''];
        foreach (Labels::spans($this->labels->data) as [$from, $to, $label]) {
            $flat = $this->flats[$label] ?? null;
            $isHere = $flat !== null && $isMeant($flat);
            $colour = $isHere ? $flat->tones[Tone::Base->value] : 0;
            foreach ([$colour >> 16, ($colour >> 8) & 255, $colour & 255, $isHere ? 255 : 0] as $i => $value) {
                $planes[$i] .= str_repeat(chr($value), $to - $from);
            }
        }

        return new Paint($this->labels->width, $this->labels->height, ...$planes);
    }
}

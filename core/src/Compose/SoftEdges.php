<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

use Awning\Core\Compose\Canvas\Areas;
use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Compose\Layers\Flat;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Rect;

/**
 * Where a figure whose outer edge is soft meets other figures, or none: each pixel there is composed once more as if it
 * were its neighbour's, and the two are mixed. Labels stay hard; only the picture of them is soft. The neighbour's
 * share is its part of the 3 x 3 px about the pixel, weighed 1 2 1, 2 4 2, 1 2 1, as in the binomial filter: a straight
 * edge goes 0, 1/4, 3/4, 1.
 */
final readonly class SoftEdges
{
    /** What the weights of a pixel and those about it come to. */
    public const WHOLE = 16;

    /**
     * @param  Areas  $areas  pixels of the block, edges and a few between them
     * @param  string  $labels  of these pixels: two bytes each, the neighbour's where there is an edge
     * @param  string  $shares  of these pixels: the neighbour's share in sixteenths; 0 between edges
     */
    private function __construct(public Areas $areas, private string $labels, public string $shares)
    {
    }

    /** @return ?self null where no edge is soft */
    public static function in(Block $block, PageStack $stack): ?self
    {
        $around = $stack->soft === [] ? null : $block->labelsAround();
        if ($around === null) {
            return null;
        }
        $rect = $block->rect();
        $spans = Labels::spans($around);
        $places = self::places($spans, $stack->flats);
        $soft = array_fill_keys(array_values(array_intersect_key($places, $stack->soft)), true);
        if ($soft === []) {
            return null;
        }
        $figures = '';
        foreach ($spans as [$from, $to, $label]) {
            $figures .= str_repeat(pack('n', $places[$stack->flats[$label]->figure ?? 0]), $to - $from);
        }
        [$labels, $shares] = self::neighbours($around, $figures, $rect, $soft);
        $areas = Areas::where($shares);

        return $areas->count === 0 ? null : new self($areas, $areas->cut($labels, 2), $areas->cut($shares));
    }

    /** The block's edges as they would be if they were their neighbours'. */
    public function others(Block $block): Block
    {
        return new RelabelledBlock(new GatheredBlock($block, $this->areas), $this->labels);
    }

    /** A picture with its edges mixed with what their neighbours would show there. */
    public function soften(Pixels $picture, Pixels $others): Pixels
    {
        $own = $picture->gathered($this->areas);

        return $picture->with(
            $this->areas,
            new Pixels(
                $this->areas->count,
                $this->mix($own->red, $others->red),
                $this->mix($own->green, $others->green),
                $this->mix($own->blue, $others->blue),
                null,
            ),
        );
    }

    private function mix(string $own, string $other): string
    {
        for (
            $i = strspn($this->shares, "\0"), $count = strlen($own);
            $i < $count;
            $i += 1 + strspn($this->shares, "\0", $i + 1)
        ) {
            $share = ord($this->shares[$i]);
            $own[$i] = chr((ord($own[$i]) * (self::WHOLE - $share) + ord($other[$i]) * $share + 8) >> 4);
        }

        return $own;
    }

    /**
     * @param  list<array{int, int, int}>  $spans  first pixel, pixel after the last, label
     * @param  array<int, Flat>  $flats
     * @return array<int, int> by figure: its place among those that are here; that of none is 0
     */
    private static function places(array $spans, array $flats): array
    {
        $figures = [0];
        foreach (array_unique(array_column($spans, 2)) as $label) {
            $figures[] = $flats[$label]->figure ?? 0;
        }
        $figures = array_unique($figures);
        sort($figures);

        return array_flip($figures);
    }

    /**
     * @param  string  $around  labels of the rectangle and a pixel on every side
     * @param  string  $figures  whose these are: two bytes a pixel, a figure's place among those that are here
     * @param  array<int, true>  $soft  by that place
     * @return array{string, string} of the rectangle: labels with the neighbour's at edges, and its share in sixteenths
     */
    private static function neighbours(string $around, string $figures, Rect $rect, array $soft): array
    {
        $stride = $rect->width + 2;
        $inner = new Rect(1, 1, $rect->width, $rect->height);
        $edges = Bytes::crop(self::edges($figures, $stride), $stride, $rect->height + 2, $inner, 2);
        $labels = Bytes::crop($around, $stride, $rect->height + 2, $inner, 2);
        $shares = str_repeat("\0", $rect->width * $rect->height);
        for ($at = strspn($edges, "\0"), $end = strlen($edges); $at < $end; $at += strspn($edges, "\0", $at)) {
            $i = $at >> 1;
            $found = self::neighbour(
                $around,
                $figures,
                $stride * (intdiv($i, $rect->width) + 1) + ($i % $rect->width) + 1,
                $stride,
                $soft,
            );
            if ($found !== null) {
                [$labels[2 * $i], $labels[2 * $i + 1]] = [chr($found[0] >> 8), chr($found[0] & 255)];
                $shares[$i] = chr($found[1]);
            }
            $at = 2 * $i + 2;
        }

        return [$labels, $shares];
    }

    /** @return string not zero in either byte of a pixel where one of the eight about it is another figure's */
    private static function edges(string $figures, int $stride): string
    {
        $edges = str_repeat("\0", strlen($figures));
        foreach ([1, $stride - 1, $stride, $stride + 1] as $away) {
            $change = substr($figures, 2 * $away) ^ $figures;
            $none = str_repeat("\0", 2 * $away);
            $edges |= $change.$none;
            $edges |= $none.$change;
        }

        return $edges;
    }

    /**
     * The other figure that has most of what lies about a pixel; of two that have as much, the one of the lower number.
     *
     * @param  array<int, true>  $soft
     * @return ?array{int, int} its label there, and its share in sixteenths
     */
    private static function neighbour(string $around, string $figures, int $at, int $stride, array $soft): ?array
    {
        $own = self::number($figures, $at);
        $weights = $byLabel = [];
        foreach (
            [
                [-$stride, 2],
                [-1, 2],
                [1, 2],
                [$stride, 2],
                [-$stride - 1, 1],
                [-$stride + 1, 1],
                [$stride - 1, 1],
                [$stride + 1, 1],
            ] as [$away, $weight]
        ) {
            $figure = self::number($figures, $at + $away);
            if ($figure !== $own && (isset($soft[$own]) || isset($soft[$figure]))) {
                $label = self::number($around, $at + $away);
                $weights[$figure] = ($weights[$figure] ?? 0) + $weight;
                $byLabel[$figure][$label] = ($byLabel[$figure][$label] ?? 0) + $weight;
            }
        }
        if ($weights === []) {
            return null;
        }
        $figure = self::heaviest($weights);

        return [self::heaviest($byLabel[$figure]), $weights[$figure]];
    }

    /** @param  non-empty-array<int, int>  $weights */
    private static function heaviest(array $weights): int
    {
        ksort($weights);

        return (int) array_search(max($weights), $weights, true);
    }

    private static function number(string $plane, int $at): int
    {
        return (ord($plane[2 * $at]) << 8) | ord($plane[2 * $at + 1]);
    }
}

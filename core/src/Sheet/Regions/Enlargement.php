<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Regions;

use Awning\Core\Page\Drawing\Drawing;
use Awning\Core\Page\Drawing\InkStroke;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Region\Bridge;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Lanczos;
use Awning\Core\Raster\Plane;

/** What a page's layers and records become when the page is made larger: everything stays where it was on it. */
final readonly class Enlargement
{
    public function __construct(private PageSize $from, private PageSize $to)
    {
    }

    public static function by(PageSize $from, float $factor): self
    {
        return new self(
            $from,
            $from->sized(
                (int) round($from->width * $factor),
                (int) round($from->height * $factor),
                round($from->dpi * $factor, 2),
                $from->behind,
            ),
        );
    }

    public function size(): PageSize
    {
        return $this->to;
    }

    private function factor(): float
    {
        return $this->to->width / $this->from->width;
    }

    /** @param  string  $data  a byte a pixel of the page as it was */
    public function coverage(string $data): string
    {
        return Lanczos::enlarged(
            new Plane($this->from->width, $this->from->height, $data),
            $this->to->width,
            $this->to->height,
        )->data;
    }

    /**
     * Colour is resampled as far as it covers, so that nothing shines in from where there is none.
     *
     * @param  list<string>  $planes  red, green, blue, alpha
     * @return non-empty-list<string>
     */
    public function paint(array $planes): array
    {
        [$red, $green, $blue, $alpha] = $planes;
        $after = $this->coverage($alpha);
        $colours = [];
        foreach ([$red, $green, $blue] as $plane) {
            for ($i = 0, $count = strlen($plane); $i < $count; $i++) {
                $plane[$i] = chr((int) ((ord($plane[$i]) * ord($alpha[$i])) / 255 + 0.5));
            }
            $plane = $this->coverage($plane);
            for ($i = 0, $count = strlen($plane); $i < $count; $i++) {
                $cover = ord($after[$i]);
                $plane[$i] = chr($cover === 0 ? 0 : min(255, (int) ((255 * ord($plane[$i])) / $cover + 0.5)));
            }
            $colours[] = $plane;
        }

        return [...$colours, $after];
    }

    /** @param  string  $data  two bytes a pixel: each keeps its own number, none are mixed */
    public function labels(string $data): string
    {
        $columns = [];
        for ($x = 0; $x < $this->to->width; $x++) {
            $columns[] = 2 * (int) ((($x + 0.5) * $this->from->width) / $this->to->width);
        }
        $out = '';
        $last = -1;
        $row = '';
        for ($y = 0; $y < $this->to->height; $y++) {
            $source = (int) ((($y + 0.5) * $this->from->height) / $this->to->height);
            if ($source !== $last) {
                $last = $source;
                $row = $this->labelRow(
                    substr($data, 2 * $source * $this->from->width, 2 * $this->from->width),
                    $columns,
                );
            }
            $out .= $row;
        }

        return $out;
    }

    /** @param  list<int>  $columns  byte of each pixel of the result */
    private function labelRow(string $row, array $columns): string
    {
        if (str_repeat(substr($row, 0, 2), $this->from->width) === $row) {
            return str_repeat(substr($row, 0, 2), $this->to->width);
        }
        $out = '';
        foreach ($columns as $at) {
            $out .= $row[$at].$row[$at + 1];
        }

        return $out;
    }

    public function region(Region $region): Region
    {
        $factor = $this->factor();

        return $region->reaching(
            (int) round($region->area * $factor * $factor),
            $this->column($region->x),
            $this->row($region->y),
        );
    }

    public function bridge(Bridge $bridge): Bridge
    {
        return new Bridge(
            $this->column($bridge->x1),
            $this->row($bridge->y1),
            $this->column($bridge->x2),
            $this->row($bridge->y2),
            $bridge->kind,
            $bridge->score,
        );
    }

    /** Where a pixel's middle comes to lie. */
    private function column(int $x): int
    {
        return min($this->to->width - 1, (int) (($x + 0.5) * $this->factor()));
    }

    private function row(int $y): int
    {
        return min($this->to->height - 1, (int) ((($y + 0.5) * $this->to->height) / $this->from->height));
    }

    public function stroke(InkStroke $stroke): InkStroke
    {
        $factor = $this->factor();

        return new InkStroke(
            array_map(
                fn (array $point): array => [round($point[0] * $factor, 2), round($point[1] * $factor, 2), $point[2]],
                $stroke->points,
            ),
            min(InkStroke::HEAVIEST, $stroke->weight * $factor),
            $stroke->taper,
            $stroke->steady,
            $stroke->grain,
        );
    }

    public function drawing(Drawing $drawing): Drawing
    {
        return $drawing->placed($drawing->place->enlarged($this->factor()));
    }
}

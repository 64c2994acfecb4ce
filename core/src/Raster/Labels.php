<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/**
 * The flats of a picture: two bytes a pixel, high byte first, naming the region a pixel belongs to; 0 is none.
 */
final readonly class Labels
{
    public const MOST = 65535;

    /** Bytes that are gone through at a time: an even number. */
    private const STRETCH = 1 << 14;

    /**
     * @param  string  $data  2 x width x height bytes
     *
     * @throws \LengthException when the string does not fit the size
     */
    public function __construct(public int $width, public int $height, public string $data)
    {
        if (strlen($data) !== 2 * $width * $height) {
            throw new \LengthException(
                sprintf('%d x %d labels need %d bytes, not %d.', $width, $height, 2 * $width * $height, strlen($data)),
            );
        }
    }

    /**
     * One region where a shape is full, nothing elsewhere.
     *
     * @param  Plane  $shape  0 or 255 a pixel
     */
    public static function ofShape(Plane $shape): self
    {
        return new self($shape->width, $shape->height, strtr(chunk_split($shape->data, 1, "\0"), ["\xff\0" => "\0\1"]));
    }

    /** @return list<int> of each pixel, in reading order; for planes that are small */
    public function numbers(): array
    {
        /** @var list<int> $numbers */
        $numbers = array_values((array) unpack('n*', $this->data));

        return $numbers;
    }

    public function at(int $x, int $y): int
    {
        $index = 2 * ($y * $this->width + $x);

        return (ord($this->data[$index]) << 8) | ord($this->data[$index + 1]);
    }

    public function crop(Rect $rect): self
    {
        return new self($rect->width, $rect->height, Bytes::crop($this->data, $this->width, $this->height, $rect, 2));
    }

    /** So many times smaller: the middle of each block of so many by so many pixels. */
    public function thinned(int $by): self
    {
        [$columns, $rows] = [intdiv($this->width + $by - 1, $by), intdiv($this->height + $by - 1, $by)];
        $middles = '';
        for ($row = 0; $row < $rows; $row++) {
            $line = min($this->height - 1, $row * $by + intdiv($by, 2)) * $this->width;
            for ($column = 0; $column < $columns; $column++) {
                $middles .= substr($this->data, 2 * ($line + min($this->width - 1, $column * $by + intdiv($by, 2))), 2);
            }
        }

        return new self($columns, $rows, $middles);
    }

    /**
     * Runs of equal labels over the pixels in reading order; a run may go on across the end of a row.
     *
     * @return list<array{int, int, int}> first pixel, pixel after the last, label
     */
    public static function spans(string $data): array
    {
        $spans = [];
        $begun = 0;
        $last = -1;
        // A stretch at a time: strings that fit the processor's cache cost a fraction of those of a page.
        for ($from = 0, $bytes = strlen($data); $from < $bytes; $from += self::STRETCH) {
            $part = substr($data, $from, self::STRETCH);
            $end = strlen($part);
            // A pixel that equals the one before it turns to two zero bytes, so that a whole run is one strspn.
            $changes = substr($part, 2) ^ $part;
            for ($at = 0; $at < $end; $at += 2 + (strspn($changes, "\0", $at) & ~1)) {
                $label = (ord($part[$at]) << 8) | ord($part[$at + 1]);
                if ($label !== $last) {
                    if ($last >= 0) {
                        $spans[] = [$begun, ($from + $at) >> 1, $last];
                    }
                    $begun = ($from + $at) >> 1;
                    $last = $label;
                }
            }
        }
        if ($last >= 0) {
            $spans[] = [$begun, $bytes >> 1, $last];
        }

        return $spans;
    }

    /** @return array<int, int> labels that reach all four edges, as keys: paper between panels, or a plain ground */
    public function aroundAll(): array
    {
        [$width, $height] = [$this->width, $this->height];
        $edge = fn (int $x, int $y, int $right, int $down, int $count): array => array_flip(
            array_map(fn (int $i): int => $this->at($x + $i * $right, $y + $i * $down), range(0, $count - 1)),
        );

        return array_intersect_key(
            $edge(0, 0, 1, 0, $width),
            $edge(0, $height - 1, 1, 0, $width),
            $edge(0, 0, 0, 1, $height),
            $edge($width - 1, 0, 0, 1, $height),
        );
    }

    /**
     * @param  list<int>  $labels
     * @return ?Rect the smallest that holds all their pixels; null: there are none
     */
    public function boxOf(array $labels): ?Rect
    {
        $wanted = array_flip($labels);
        [$left, $top, $right, $bottom] = [$this->width, $this->height, -1, -1];
        foreach (self::spans($this->data) as [$from, $to, $label]) {
            if (isset($wanted[$label])) {
                $isOneRow = intdiv($from, $this->width) === intdiv($to - 1, $this->width);
                $left = min($left, $isOneRow ? $from % $this->width : 0);
                $right = max($right, $isOneRow ? ($to - 1) % $this->width : $this->width - 1);
                $top = min($top, intdiv($from, $this->width));
                $bottom = max($bottom, intdiv($to - 1, $this->width));
            }
        }

        return $right < 0 ? null : Rect::bounds($left, $top, $right + 1, $bottom + 1);
    }
}

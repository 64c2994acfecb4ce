<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/**
 * The flats of a picture: two bytes a pixel, high byte first, naming the region a pixel belongs to; 0 is none.
 */
final readonly class Labels
{
    public const MOST = 65535;

    /**
     * @param  string  $data  2 x width x height bytes
     *
     * @throws \LengthException when the string does not fit the size
     */
    public function __construct(public int $width, public int $height, public string $data)
    {
        if (strlen($data) !== 2 * $width * $height) {
            throw new \LengthException(sprintf('%d x %d labels need %d bytes, not %d.', $width, $height, 2 * $width * $height, strlen($data)));
        }
    }

    public function at(int $x, int $y): int
    {
        $index = 2 * ($y * $this->width + $x);

        return ord($this->data[$index]) << 8 | ord($this->data[$index + 1]);
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
        $bytes = strlen($data);
        if ($bytes === 0) {
            return [];
        }
        // A pixel that equals the one before it turns to two zero bytes, so that a whole run is one strspn.
        $change = substr($data, 2) ^ $data;
        $last = $bytes - 2;
        $spans = [];
        for ($start = 0; $start < $bytes;) {
            $end = $start + (strspn($change, "\0", $start) & ~1) + 2;
            if ($end > $bytes || $start >= $last) {
                $end = $bytes;
            }
            $spans[] = [$start >> 1, $end >> 1, ord($data[$start]) << 8 | ord($data[$start + 1])];
            $start = $end;
        }

        return $spans;
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

/**
 * One directory of a TIFF, or of the EXIF block that other kinds carry, read within bounds. TIFF 6.0 section 2; BigTIFF
 * as libtiff writes it: version 43, 8-byte offsets.
 */
final readonly class TiffFields
{
    private const MOST_FIELDS = 200;

    private const MOST_VALUES = 200_000;

    /** Directories that are counted at the most. */
    private const MOST_PICTURES = 1000;

    /** Bytes a value, by type. */
    private const SIZES = [1 => 1, 3 => 2, 4 => 4, 16 => 8];

    /**
     * @param  array<int, array{int, int, int}>  $fields  by tag: place, bytes a value, values
     * @param  int  $pictures  directories in the file
     */
    private function __construct(
        private FileBytes $file,
        private bool $lowFirst,
        public array $fields,
        public int $pictures,
    ) {
    }

    /** @param  int  $start  where the block begins in the file: 0 for a TIFF */
    public static function first(FileBytes $file, int $start = 0): self
    {
        return self::of($file, 1, $start);
    }

    /**
     * @param  int  $picture  which of the directories, from 1; the last where there are fewer
     * @param  int  $start  where the block begins in the file: 0 for a TIFF
     */
    public static function of(FileBytes $file, int $picture, int $start = 0): self
    {
        $low = $file->at($start, 2) === 'II';
        $isBig = $file->number($start + 2, 2, $low) === 43;
        $next = $isBig ? $file->number($start + 8, 8, $low) : $file->number($start + 4, 4, $low);
        [$fields, $after] = self::directory($file, $start, $start + $next, $low, $isBig);
        for ($pictures = 1; $after > 0 && $pictures < self::MOST_PICTURES; $pictures++) {
            if ($pictures < $picture) {
                [$fields, $after] = self::directory($file, $start, $start + $after, $low, $isBig);

                continue;
            }
            [$count, $size, $width] = $isBig
                ? [$file->number($start + $after, 8, $low), 20, 8]
                : [$file->number($start + $after, 2, $low), 12, 4];
            $end = $start + $after + ($isBig ? 8 : 2) + $size * min(self::MOST_VALUES, $count);
            $after = $count === 0 ? 0 : $file->number($end, $width, $low);
        }

        return new self($file, $low, $fields, $pictures);
    }

    /** @return array{array<int, array{int, int, int}>, int} fields, and where the next directory is */
    private static function directory(FileBytes $file, int $start, int $at, bool $low, bool $isBig): array
    {
        $count = $file->number($at, $isBig ? 8 : 2, $low);
        $at += $isBig ? 8 : 2;
        [$entry, $width] = $isBig ? [20, 8] : [12, 4];
        $fields = [];
        for ($i = 0; $i < min(self::MOST_FIELDS, $count); $i++, $at += $entry) {
            $size = self::SIZES[$file->number($at + 2, 2, $low)] ?? 0;
            $values = min(self::MOST_VALUES, $file->number($at + 4, $width, $low));
            $place = $at + 4 + $width;
            $fields[$file->number($at, 2, $low)] = [
                $size * $values > $width ? $start + $file->number($place, $width, $low) : $place,
                $size,
                $values,
            ];
        }

        return [$fields, $file->number($at, $width, $low)];
    }

    public function has(int $tag): bool
    {
        return isset($this->fields[$tag]);
    }

    /** How many values a field has. */
    public function count(int $tag): int
    {
        return $this->fields[$tag][2] ?? 0;
    }

    /** @return int 0 where there is none */
    public function value(int $tag, int $i = 0): int
    {
        [$place, $size, $values] = $this->fields[$tag] ?? [0, 0, 0];

        return $i < $values ? $this->file->number($place + $i * $size, $size, $this->lowFirst) : 0;
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

use WeakMap;

/** An alteration that looks at each channel by itself: over many pixels it is looked up in tables. */
trait ChannelByChannel
{
    use PixelByPixel {
        within as private eachWithin;
    }

    /**
     * @param  array{array<int, float>, array<int, float>, array<int, float>}  $planes
     * @param  list<array{int, int}>  $stretches
     * @return array{array<int, float>, array<int, float>, array<int, float>}
     */
    public function within(array $planes, array $stretches): array
    {
        $count = array_sum(array_map(fn (array $stretch): int => $stretch[1] - $stretch[0], $stretches));
        $tables = $count < FineTable::CELLS ? null : $this->fineTables();
        if ($tables === null) {
            return $this->eachWithin($planes, $stretches);
        }

        return [
            $tables[0]->ofPlane($planes[0], $stretches),
            $tables[1]->ofPlane($planes[1], $stretches),
            $tables[2]->ofPlane($planes[2], $stretches),
        ];
    }

    /** @return ?array{FineTable, FineTable, FineTable} null: it is too steep for tables */
    private function fineTables(): ?array
    {
        /** @var ?WeakMap<object, mixed> $known */
        static $known = null;
        $known ??= new WeakMap;
        if ($known->offsetExists($this)) {
            /** @var ?array{FineTable, FineTable, FineTable} */
            return $known[$this];
        }
        $table = fn (int $channel): ?FineTable => FineTable::of(
            fn (float $value): float => $this->of([$value, $value, $value])[$channel],
        );
        [$red, $green, $blue] = [$table(0), $table(1), $table(2)];
        $tables = $red === null || $green === null || $blue === null ? null : [$red, $green, $blue];
        $known[$this] = $tables;

        return $tables;
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Models\Series;

/** One change to a series' palette, kept in its journal as it was asked for. */
interface SeriesOp
{
    public static function kind(): string;

    public static function form(): int;

    public function title(): string;

    /** @return array<string, mixed> */
    public function toInput(): array;

    /**
     * Called inside a transaction that holds the series' row.
     *
     * @return list<array{string, int, ?array<string, mixed>, ?array<string, mixed>}> what it altered: kind, id, before,
     *     after
     */
    public function apply(Series $series): array;
}

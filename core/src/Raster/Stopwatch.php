<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/** Milliseconds of each step of a computation. */
final class Stopwatch
{
    private float $last;

    /** @var array<string, float> */
    private array $laps = [];

    public function __construct()
    {
        $this->last = microtime(true);
    }

    public function lap(string $step): void
    {
        $now = microtime(true);
        $this->laps[$step] = round(1000 * ($now - $this->last), 1);
        $this->last = $now;
    }

    /** @return array<string, float> */
    public function laps(): array
    {
        return $this->laps;
    }
}

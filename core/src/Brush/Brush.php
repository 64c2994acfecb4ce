<?php

declare(strict_types=1);

namespace Awning\Core\Brush;

/** A brush: round, or with a tip of its own. */
final readonly class Brush
{
    public const LARGEST = 1200;

    /**
     * @param  float  $size  diameter at full pressure, in pixels, 1 to 1200
     * @param  float  $hardness  0: soft from the middle outward; 1: sharp edge
     * @param  float  $opacity  the most a single stroke lays, 0..1
     * @param  float  $smoothing  0: as drawn; 0.95: the path lags far behind the hand
     * @param  ?Tip  $tip  null: round, and a stroke is no darker where it crosses itself
     *
     * @throws \RangeException when a value is outside
     */
    public function __construct(
        public float $size,
        public float $hardness = 1.0,
        public float $opacity = 1.0,
        public float $smoothing = 0.0,
        public ?Tip $tip = null,
    ) {
        if (! ($size >= 1 && $size <= self::LARGEST)) {
            throw new \RangeException('A brush is 1 to '.self::LARGEST.' px wide.');
        }
        if (
            ! (
                $hardness >= 0 &&
                $hardness <= 1 &&
                $opacity >= 0 &&
                $opacity <= 1 &&
                $smoothing >= 0 &&
                $smoothing <= 0.95
            )
        ) {
            throw new \RangeException('Hardness and opacity run from 0 to 1, smoothing from 0 to 0.95.');
        }
    }
}

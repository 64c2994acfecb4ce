<?php

declare(strict_types=1);

namespace Awning\Core\Page\Drawing;

use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;
use Awning\Core\Page\Record;
use Awning\Core\Page\RecordKind;

/**
 * A line drawn here: points with pressure, and a weight. It stays a line: what is laid on the page is drawn from it.
 *
 * @phpstan-type InkPointData array{float, float, float}
 * @phpstan-type InkStrokeData array{points: list<InkPointData>, weight: float, taper: float, steady: float,
 *     grain: float}
 */
final readonly class InkStroke implements Record
{
    public const MOST_POINTS = 4000;

    public const HEAVIEST = 200.0;

    /** As far off the page as a point may lie, px. */
    private const FARTHEST = 100_000.0;

    /**
     * @param  non-empty-list<InkPointData>  $points  x, y in px of the page, pressure of 0..1
     * @param  float  $weight  px across at full pressure
     * @param  float  $taper  part of its length, at each end, over which it runs out to a point, 0..0.5
     * @param  float  $steady  how much the line is drawn after the hand, 0..0.95
     * @param  float  $grain  how much the paper's tooth breaks it up, 0: a hard edge, 1: very dry
     */
    public function __construct(
        public array $points,
        public float $weight,
        public float $taper = 0.0,
        public float $steady = 0.0,
        public float $grain = 0.0,
    ) {
        if (count($points) > self::MOST_POINTS) {
            throw new \InvalidArgumentException(
                'A line has at most '.self::MOST_POINTS.' points. Draw it in parts.',
            );
        }
        foreach ($points as [$x, $y, $pressure]) {
            if (! (abs($x) <= self::FARTHEST && abs($y) <= self::FARTHEST && $pressure >= 0 && $pressure <= 1)) {
                throw new \InvalidArgumentException(
                    'A line lies too far off the page, or its pressure is not of 0 to 1. Draw it again.',
                );
            }
        }
        Bounds::number('weight', $weight, 1, self::HEAVIEST);
        Bounds::number('taper', $taper, 0, 0.5);
        Bounds::number('steady', $steady, 0, 0.95);
        Bounds::number('grain', $grain, 0, 1);
    }

    public static function kind(): RecordKind
    {
        return RecordKind::Stroke;
    }

    public static function fromData(Data $data): self
    {
        $points = array_map(self::point(...), $data->list('points', self::MOST_POINTS));
        if ($points === []) {
            throw new \InvalidArgumentException('A line has at least one point. Draw it again.');
        }

        return new self(
            $points,
            $data->number('weight', 1, self::HEAVIEST),
            $data->number('taper', 0, 0.5, 0),
            $data->number('steady', 0, 0.95, 0),
            $data->number('grain', 0, 1, 0),
        );
    }

    /**
     * A pressure that a tablet made up of garbage is held to what there can be.
     *
     * @return InkPointData
     */
    private static function point(mixed $point): array
    {
        if (! is_array($point) || ! array_is_list($point) || count($point) !== 3) {
            throw new \InvalidArgumentException('A point of a line is its place and a pressure.');
        }
        $at = new Data(['x' => $point[0], 'y' => $point[1]]);
        $pressure = is_int($point[2]) || is_float($point[2]) ? (float) $point[2] : 1.0;

        return [
            $at->number('x', -self::FARTHEST, self::FARTHEST),
            $at->number('y', -self::FARTHEST, self::FARTHEST),
            $pressure > 0 ? min(1.0, $pressure) : 0.0,
        ];
    }

    /** @return InkStrokeData */
    public function toData(): array
    {
        return [
            'points' => $this->points,
            'weight' => $this->weight,
            'taper' => $this->taper,
            'steady' => $this->steady,
            'grain' => $this->grain,
        ];
    }

    /**
     * The same line through other points.
     *
     * @param  non-empty-list<InkPointData>  $points
     */
    public function through(array $points): self
    {
        return new self($points, $this->weight, $this->taper, $this->steady, $this->grain);
    }

    /**
     * The points with the taper in their pressure.
     *
     * @return non-empty-list<InkPointData>
     */
    public function tapered(): array
    {
        $along = [0.0];
        foreach (array_slice($this->points, 1) as $i => [$x, $y]) {
            $along[] = $along[$i] + hypot($x - $this->points[$i][0], $y - $this->points[$i][1]);
        }
        $length = $along[count($along) - 1];
        if ($this->taper <= 0.0 || $length <= 0.0) {
            return $this->points;
        }
        $reach = $this->taper * $length;
        $points = [];
        foreach ($this->points as $i => [$x, $y, $pressure]) {
            $share = min(1.0, min($along[$i], $length - $along[$i]) / $reach);
            $points[] = [$x, $y, $pressure * $share];
        }

        return $points;
    }

    /** @return array{float, float, float, float} left, top, right and bottom that it surely stays within */
    public function bounds(): array
    {
        $xs = array_column($this->points, 0);
        $ys = array_column($this->points, 1);
        $half = $this->weight / 2 + 1;

        return [min($xs) - $half, min($ys) - $half, max($xs) + $half, max($ys) + $half];
    }
}

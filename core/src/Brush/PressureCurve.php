<?php

declare(strict_types=1);

namespace Awning\Core\Brush;

use Awning\Core\Page\Data;

/**
 * What pressure makes of a size, a flow or an opacity: a curve through its shares at no pressure, a quarter, a half,
 * three quarters and all of it. Between them it is the cubic of Fritsch and Butland (A method for constructing local
 * monotone piecewise cubic interpolants, 1984; from memory): it goes through its places, and never beyond two of them.
 * The browser's resources/js/picture/pressure.ts draws the same.
 */
final readonly class PressureCurve
{
    /** Places are so far apart. */
    private const APART = 0.25;

    /** @var list<float> how steep it is at each place, per APART */
    private array $slopes;

    /** @param  array{float, float, float, float, float}  $shares  0..1 */
    public function __construct(private array $shares)
    {
        $steps = [];
        for ($i = 0; $i < 4; $i++) {
            $steps[] = $shares[$i + 1] - $shares[$i];
        }
        $slopes = [self::atEnd($steps[0], $steps[1])];
        for ($i = 1; $i < 4; $i++) {
            [$before, $after] = [$steps[$i - 1], $steps[$i]];
            $slopes[] = $before * $after > 0 ? (2 * $before * $after) / ($before + $after) : 0.0;
        }
        $slopes[] = self::atEnd($steps[3], $steps[2]);
        $this->slopes = $slopes;
    }

    /** Straight, from a share at no pressure to all of it. */
    public static function from(float $least): self
    {
        return new self([
            $least,
            $least + (1 - $least) / 4,
            $least + (1 - $least) / 2,
            $least + (3 * (1 - $least)) / 4,
            1.0,
        ]);
    }

    /**
     * As it was told: five shares, or, as long ago, how much of all pressure commands in a straight line.
     *
     * @throws \InvalidArgumentException|\RangeException
     */
    public static function fromData(Data $data, string $name, self $usual): self
    {
        if (! $data->has($name)) {
            return $usual;
        }
        if (! is_array($data->all()[$name])) {
            return self::from(1 - $data->number($name, 0, 1));
        }
        $shares = [];
        foreach ($data->list($name, 5) as $share) {
            if ((! is_int($share) && ! is_float($share)) || ! ($share >= 0 && $share <= 1)) {
                throw new \InvalidArgumentException('A pressure curve goes through shares from 0 to 1.');
            }
            $shares[] = (float) $share;
        }

        return count($shares) === 5
            ? new self($shares)
            : throw new \InvalidArgumentException('A pressure curve goes through five shares.');
    }

    /** @return list<float> */
    public function toData(): array
    {
        return $this->shares;
    }

    /** @param  float  $pressure  0..1 */
    public function at(float $pressure): float
    {
        $place = min(3, (int) ($pressure / self::APART));
        $t = $pressure / self::APART - $place;
        [$from, $to] = [$this->shares[$place], $this->shares[$place + 1]];
        [$leaves, $arrives] = [$this->slopes[$place], $this->slopes[$place + 1]];

        // The cubic of Hermite, as what is added to where it begins.
        return $from +
            $t *
                ($leaves +
                    $t * (3 * ($to - $from) - 2 * $leaves - $arrives + $t * ($leaves + $arrives - 2 * ($to - $from))));
    }

    /** How steep it is at an end: by the parabola through three places, as far as that turns nothing round. */
    private static function atEnd(float $first, float $second): float
    {
        $slope = (3 * $first - $second) / 2;

        return match (true) {
            $slope * $first <= 0 => 0.0,
            $first * $second < 0 && abs($slope) > 3 * abs($first) => 3 * $first,
            default => $slope,
        };
    }
}

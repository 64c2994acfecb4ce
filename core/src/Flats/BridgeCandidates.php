<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

/** All bridges that may be made, each with its score. */
final readonly class BridgeCandidates
{
    /**
     * Bridges are longer than the gap that is asked for by so much: tips are rounded, and cut lines fade at their ends.
     */
    private const PAIR_REACH = 1.8;

    private const SHOT_REACH = 1.4;

    /**
     * Among how many others an end stands is counted so far around it, in longest gaps: hair and hatching end in
     * crowds.
     */
    private const CROWD = 3;

    /** Ends nearer than this nearly touch: their directions come from too few pixels to tell anything. */
    private const TOUCHING = 4;

    /** Cosine of how far aside of its direction a line end still looks. */
    private const ASIDE = -0.3;

    /**
     * The least sum of the cosines of two ends: one may look aside only if the other does not, and two side by side do
     * not meet.
     */
    private const FACING = 0.4;

    /** Rays a line end looks along to either side, and degrees between them. */
    private const RAYS = 7;

    private const BETWEEN = 11;

    /** So many pixels from the tip may still be the end's own ink. */
    private const OWN = 3;

    /**
     * What can be reached along the ink on a way no more than so many times as long is the end's own, too: it would
     * close a dent.
     */
    private const OWN_REACH = 2.5;

    /** How far beside a ray the ink is looked at: part of a line's width, and pixels. */
    private const BESIDE = [0.75, 2];

    /** How much nearer and further than the hit is looked beside the ray, in longest gaps. */
    private const NEARER = 8 / 12;

    private const FURTHER = 10 / 12;

    /** What the kinds of two ends add up to: 0 to 2 corners, 3 or 4 with a dot. */
    private const KINDS = [EndKind::Tip->name => 0, EndKind::Corner->name => 1, EndKind::Dot->name => 3];

    /** @var list<array{float, float}> cosine and sine of each ray's turn from the end's direction */
    private array $rays;

    private Nearby $tips;

    private Nearby $corners;

    /**
     * @param  list<LineEnd>  $ends
     * @param  int  $gap  the longest gap that is asked to be closed, px
     */
    public function __construct(private InkMap $map, private array $ends, private int $gap, private float $lineWidth)
    {
        $rays = [];
        for ($ray = -self::RAYS; $ray <= self::RAYS; $ray++) {
            $turn = deg2rad($ray * self::BETWEEN);
            $rays[] = [cos($turn), sin($turn)];
        }
        $this->rays = $rays;
        $of = fn (EndKind $kind): Nearby => self::nearby(
            array_filter($ends, fn (LineEnd $end): bool => $end->is($kind)),
            $gap,
        );
        [$this->tips, $this->corners] = [$of(EndKind::Tip), $of(EndKind::Corner)];
    }

    /** @param  array<int, LineEnd>  $ends  those that count as neighbours */
    public static function nearby(array $ends, int $gap): Nearby
    {
        return new Nearby($ends, self::CROWD * $gap);
    }

    /**
     * @param  int  $since  number of an end: only pairs with this or a later one
     * @return list<BridgeCandidate> from one line end to another across free paper
     */
    public function pairs(int $since = 0): array
    {
        $reach = self::PAIR_REACH * $this->gap;
        $nearby = new Nearby($this->ends, (int) ceil($reach));
        $pairs = [];
        foreach ($this->ends as $i => $end) {
            foreach ($nearby->around($end->x, $end->y) as $j) {
                $pair = $j > $i && $j >= $since ? $this->pair($i, $j, $reach) : null;
                if ($pair !== null) {
                    $pairs[] = $pair;
                }
            }
        }

        return $pairs;
    }

    private function pair(int $i, int $j, float $reach): ?BridgeCandidate
    {
        [$a, $b] = [$this->ends[$i], $this->ends[$j]];
        [$dx, $dy] = [$b->x - $a->x, $b->y - $a->y];
        $length = hypot($dx, $dy);
        if ($length > $reach || $length < 1) {
            return null;
        }
        $out = ($a->dx * $dx + $a->dy * $dy) / $length;
        $in = -($b->dx * $dx + $b->dy * $dy) / $length;
        if ($length <= self::TOUCHING) {
            $out = $in = 1.0;
        }
        [$fromDot, $toDot] = [$a->is(EndKind::Dot), $b->is(EndKind::Dot)];
        if ($fromDot && $toDot) {
            return null;
        }
        // A dot goes on as the other end does.
        [$out, $in] = [$fromDot ? $in : $out, $toDot ? $out : $in];
        $bridge = $a->bridgeTo($b->x, $b->y);
        if (min($out, $in) < self::ASIDE || $out + $in < self::FACING || ! $this->map->isClear($bridge)) {
            return null;
        }
        $turnOut = atan2($a->dx * $dy - $a->dy * $dx, $a->dx * $dx + $a->dy * $dy);
        $turnIn = atan2($b->dy * $dx - $b->dx * $dy, -$b->dx * $dx - $b->dy * $dy);
        $features = [
            $length / $this->gap,
            1 - min($out, $in),
            1 - max($out, $in),
            self::KINDS[$a->kind->name] + self::KINDS[$b->kind->name],
            // A line that goes on as an arc turns as much into the gap as out of it.
            $length <= self::TOUCHING || $fromDot || $toDot ? 0.0 : abs(self::halfTurn($turnOut + $turnIn)),
            $this->tips->count(($a->x + $b->x) / 2, ($a->y + $b->y) / 2),
            $this->corners->count(($a->x + $b->x) / 2, ($a->y + $b->y) / 2),
            max($a->bend, $b->bend),
            max($a->farBend, $b->farBend),
        ];

        return new BridgeCandidate($bridge, $i, $j, BridgeScore::pair($features), $features);
    }

    private static function halfTurn(float $angle): float
    {
        return $angle - 2 * M_PI * round($angle / (2 * M_PI));
    }

    /**
     * From a line end to whatever ink lies ahead.
     *
     * @param  Nearby  $free  ends that have no bridge yet
     * @return list<BridgeCandidate> as it meets them from one side to the other
     */
    public function shots(int $from, Nearby $free): array
    {
        $end = $this->ends[$from];
        $own = null;
        $crowd = $free->count($end->x, $end->y, $from);
        $shots = [];
        foreach ($this->rays as [$cos, $sin]) {
            $dx = $end->dx * $cos - $end->dy * $sin;
            $dy = $end->dy * $cos + $end->dx * $sin;
            $distance = $this->hit($end, $dx, $dy);
            if ($distance === null) {
                continue;
            }
            [$x, $y] = [$end->x + $dx * $distance, $end->y + $dy * $distance];
            $own ??= $this->map->around(
                (int) $end->x,
                (int) $end->y,
                (int) (self::OWN_REACH * self::SHOT_REACH * $this->gap),
            );
            if (($own[$this->map->at((int) $x, (int) $y)] ?? INF) <= self::OWN_REACH * $distance + self::OWN) {
                continue;
            }
            $beside = [
                $this->beside($end, $dx, $dy, $distance, -1) / $this->gap,
                $this->beside($end, $dx, $dy, $distance, 1) / $this->gap,
            ];
            $features = [
                $distance / $this->gap,
                1 - $cos,
                min(1.0, $free->distance($x, $y, $from) / $this->gap),
                min($beside),
                max($beside),
                $crowd,
            ];
            $shots[] = new BridgeCandidate(
                $end->bridgeTo($x, $y),
                $from,
                null,
                BridgeScore::shot($features),
                $features,
            );
        }

        return $shots;
    }

    /** How many corners are around an end. */
    public function cornersAround(LineEnd $end): int
    {
        return $this->corners->count($end->x, $end->y);
    }

    /** @return ?int how many steps ahead there is ink, with paper in between */
    private function hit(LineEnd $end, float $dx, float $dy): ?int
    {
        $left = false;
        for ($distance = 1, $reach = (int) (self::SHOT_REACH * $this->gap); $distance <= $reach; $distance++) {
            $isInk = $this->map->isInk($end->x + $dx * $distance, $end->y + $dy * $distance);
            if ($isInk && $left) {
                return $distance;
            }
            if ($isInk && $distance > self::OWN) {
                return null;
            }
            $left = $left || ! $isInk;
        }

        return null;
    }

    /** How much further than the hit there is ink on a way beside: what juts out toward the end has none there. */
    private function beside(LineEnd $end, float $dx, float $dy, int $distance, int $side): int
    {
        $away = $side * (self::BESIDE[0] * $this->lineWidth + self::BESIDE[1]);
        $last = $distance + (int) (self::FURTHER * $this->gap);
        for ($at = max(1, $distance - (int) (self::NEARER * $this->gap)); $at < $last; $at++) {
            if ($this->map->isInk($end->x - $dy * $away + $dx * $at, $end->y + $dx * $away + $dy * $at)) {
                return $at - $distance;
            }
        }

        return $last - $distance;
    }
}

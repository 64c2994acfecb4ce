<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Raster\Labels;

/**
 * Spreads rough dabs over the regions they mean. A region that was dabbed takes the cue that owns most of it; any other
 * takes that of the dabbed region it is least divided from: the shortest way over the borders between regions (Dijkstra
 * 1959), where a border is the longer a way, the more ink stands on it and the smaller the part of the regions'
 * outlines it is.
 */
final readonly class CueSpread
{
    /** What a border without any ink costs: a gap that only a bridge closes. */
    private const OPEN = 0.15;

    public function __construct(private RegionGraph $graph)
    {
    }

    /**
     * @param  array<int, array<int, int>>  $dabs  pixels by region and cue
     * @param  list<int>  $regions  all there are
     * @return array<int, int> cue by region; those no way leads to are left out
     */
    public function spread(array $dabs, array $regions): array
    {
        $cues = $costs = [];
        /** @var \SplPriorityQueue<float, array{int, float}> $queue */
        $queue = new \SplPriorityQueue;
        $queue->setExtractFlags(\SplPriorityQueue::EXTR_DATA);
        foreach ($dabs as $region => $pixels) {
            arsort($pixels);
            $cues[$region] = (int) array_key_first($pixels);
            $costs[$region] = 0.0;
            $queue->insert([$region, 0.0], 0.0);
        }
        while (! $queue->isEmpty()) {
            /** @var array{int, float} $next */
            $next = $queue->extract();
            [$region, $cost] = $next;
            if ($cost > $costs[$region]) {
                continue;
            }
            foreach ($this->ways($region) as $other => $way) {
                if ($cost + $way < ($costs[$other] ?? INF)) {
                    $costs[$other] = $cost + $way;
                    $cues[$other] = $cues[$region];
                    $queue->insert([$other, $cost + $way], -$cost - $way);
                }
            }
        }

        return array_intersect_key($cues, array_flip($regions));
    }

    /** @return array<int, float> what it costs to go to each neighbour */
    private function ways(int $region): array
    {
        $perimeter = $this->graph->perimeter($region);
        $ink = $this->graph->inkBetween($region);
        $ways = [];
        foreach ($this->graph->neighbours($region) as $other => $border) {
            $part = $border / max(1, min($perimeter, $this->graph->perimeter($other)));
            $ways[$other] = (self::OPEN + $ink[$other]) / sqrt($part);
        }

        return $ways;
    }

    /**
     * How many pixels of each region each cue covers.
     *
     * @param  string  $labels  two bytes a pixel
     * @param  string  $cues  a byte a pixel, 0 for none
     * @return array<int, array<int, int>>
     */
    public static function dabs(string $labels, string $cues): array
    {
        $dabs = [];
        for ($at = strspn($cues, "\0"), $end = strlen($cues); $at < $end; $at += strspn($cues, "\0", $at)) {
            $length = strspn($cues, $cues[$at], $at);
            $cue = ord($cues[$at]);
            foreach (Labels::spans(substr($labels, 2 * $at, 2 * $length)) as [$from, $to, $label]) {
                $dabs[$label][$cue] = ($dabs[$label][$cue] ?? 0) + $to - $from;
            }
            $at += $length;
        }
        unset($dabs[0]);

        return $dabs;
    }
}

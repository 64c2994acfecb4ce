<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

/**
 * Gives regions colours so that neighbours differ: the region with the fewest neighbours left is put aside again and
 * again, and the last put aside is coloured first (Matula and Beck 1983, smallest last). Six colours do for any flat
 * map.
 */
final readonly class RegionColours
{
    /** @param  int  $colours  how many there are */
    public function __construct(private int $colours)
    {
    }

    /**
     * @param  list<int>  $regions
     * @return array<int, int> colour of each region, from 0; neighbours only share one when there are fewer than are
     *     needed
     */
    public function of(RegionGraph $graph, array $regions): array
    {
        $colours = [];
        foreach (array_reverse($this->fewestFirst($graph, $regions)) as $region) {
            $taken = [];
            foreach (array_keys($graph->neighbours($region)) as $other) {
                if (isset($colours[$other])) {
                    $taken[$colours[$other]] = true;
                }
            }
            // Not always the first that is free: many colours are easier to tell apart on the page than six.
            $colours[$region] = $region % $this->colours;
            for ($try = 0; $try < $this->colours && isset($taken[$colours[$region]]); $try++) {
                $colours[$region] = ($colours[$region] + 1) % $this->colours;
            }
        }

        return $colours;
    }

    /**
     * @param  list<int>  $regions
     * @return list<int>
     */
    private function fewestFirst(RegionGraph $graph, array $regions): array
    {
        $left = [];
        foreach ($regions as $region) {
            $left[$region] = count($graph->neighbours($region));
        }
        /** @var \SplPriorityQueue<int, array{int, int}> $queue */
        $queue = new \SplPriorityQueue;
        $queue->setExtractFlags(\SplPriorityQueue::EXTR_DATA);
        foreach ($left as $region => $count) {
            $queue->insert([$region, $count], -$count);
        }
        $order = [];
        while (! $queue->isEmpty()) {
            /** @var array{int, int} $next */
            $next = $queue->extract();
            [$region, $count] = $next;
            if (! isset($left[$region]) || $count !== $left[$region]) {
                continue;
            }
            $order[] = $region;
            unset($left[$region]);
            foreach (array_keys($graph->neighbours($region)) as $other) {
                if (isset($left[$other])) {
                    $queue->insert([$other, --$left[$other]], -$left[$other]);
                }
            }
        }

        return $order;
    }
}

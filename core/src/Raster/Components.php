<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/** Connected components of runs: union-find (with path halving) over runs instead of pixels. */
final readonly class Components
{
    /**
     * @param  list<int>  $of  component of each run, numbered 0, 1, 2 … by first appearance in reading order
     * @param  list<int>  $area  pixels of each component
     */
    private function __construct(public array $of, public array $area)
    {
    }

    /** @param  bool  $diagonal  whether pixels that touch at a corner belong together (8-connected) */
    public static function of(Runs $runs, bool $diagonal = false): self
    {
        $from = $runs->from;
        $to = $runs->to;
        $row = $runs->row;
        $width = $runs->width;
        $count = count($from);
        $parent = $count > 0 ? range(0, $count - 1) : [];
        $reach = $diagonal ? 1 : 0;
        for ($y = 1; $y < $runs->height; $y++) {
            $above = $row[$y - 1];
            $aboveEnd = $row[$y];
            $end = $row[$y + 1];
            for ($run = $aboveEnd; $run < $end && $above < $aboveEnd;) {
                $a = $from[$above] + $width;
                $b = $to[$above] + $width;
                if ($a < $to[$run] + $reach && $from[$run] < $b + $reach) {
                    $p = $above;
                    while ($parent[$p] !== $p) {
                        $p = $parent[$p] = $parent[$parent[$p]];
                    }
                    $q = $run;
                    while ($parent[$q] !== $q) {
                        $q = $parent[$q] = $parent[$parent[$q]];
                    }
                    if ($p < $q) {
                        $parent[$q] = $p;
                    } elseif ($q < $p) {
                        $parent[$p] = $q;
                    }
                }
                if ($b < $to[$run]) {
                    $above++;
                } else {
                    $run++;
                }
            }
        }
        /** @var list<int> $of */
        $of = [];
        /** @var list<int> $area */
        $area = [];
        for ($run = 0, $next = 0; $run < $count; $run++) {
            // A root is always the earliest run of its component, so it has its number by now.
            $root = $parent[$run];
            if ($root === $run) {
                $of[] = $next++;
                $area[] = $to[$run] - $from[$run];
            } else {
                while ($parent[$root] !== $root) {
                    $root = $parent[$root];
                }
                $of[] = $of[$root];
                $area[$of[$root]] += $to[$run] - $from[$run];
            }
        }

        return new self($of, array_values($area));
    }

    public function count(): int
    {
        return count($this->area);
    }
}

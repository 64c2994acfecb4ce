<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Page\Bridge;
use Awning\Core\Page\BridgeKind;

/**
 * Chooses bridges among all that may be made: from line end to line end first, the surest first, then from line ends to the
 * ink ahead of them. What is not sure enough to be made is told as doubtful. The scores from which on a bridge is made were
 * found by trying on the groups of drawings that BridgeScore learns from.
 */
final readonly class BridgeFinder
{
    private const PAIR = 0.2;

    private const SHOT = 0.14;

    /** The same for an end that has a bridge already: where three lines were cut apart, one of them takes two. */
    private const PAIR_AGAIN = 0.2;

    private const SHOT_AGAIN = 0.22;

    /** From this on it is worth a look. */
    private const DOUBT = 0.07;

    /** A bridge whose ends lie no further from those of a refused one is the same again, px. */
    private const SAME = 5.0;

    /**
     * @param  int  $gap  the longest gap that is asked to be closed, px
     * @param  list<Bridge>  $refused  not to be made again
     */
    public function __construct(private int $gap, private array $refused = [])
    {
    }

    /**
     * @param  InkMap  $map  the bridges that are made are drawn in
     * @param  float  $lineWidth  the usual width of its lines, px
     */
    public function find(InkMap $map, float $lineWidth): FoundBridges
    {
        if ($this->gap < 1) {
            return new FoundBridges([], []);
        }
        $ends = (new LineEnds($map->ink, $map->stride))->find($map->runs(), $lineWidth);
        $candidates = new BridgeCandidates($map, $ends, $this->gap, $lineWidth);
        [$pairs, $unsure, $used] = $this->choosePairs($candidates, $map);
        // Corners are ends only of what points at them.
        $tips = array_filter($ends, fn (LineEnd $end): bool => ! $end->isCorner);
        [$shots, $missed] = $this->chooseShots($candidates, $tips, $used, $map);

        return new FoundBridges([...$pairs, ...$shots], [...$unsure, ...$missed]);
    }

    /** @return array{list<Bridge>, list<Bridge>, array<int, true>} made, doubtful, and the ends that have one */
    private function choosePairs(BridgeCandidates $candidates, InkMap $map): array
    {
        $made = $doubtful = $used = [];
        foreach ($this->surestFirst($candidates->pairs()) as $pair) {
            $taken = (int) isset($used[$pair->from]) + (int) isset($used[$pair->to]);
            if ($taken === 2) {
                continue;
            }
            if ($pair->score < ($taken === 0 ? self::PAIR : self::PAIR_AGAIN)) {
                $doubtful[] = $this->doubtful($pair);
            } elseif ($map->isClear($pair->bridge)) {
                $used[$pair->from] = $used[(int) $pair->to] = true;
                $made[] = $map->draw($pair->bridge)->as(BridgeKind::Found, $pair->score);
            }
        }

        return [$made, $doubtful, $used];
    }

    /**
     * @param  array<int, LineEnd>  $ends
     * @param  array<int, true>  $used  ends that have a bridge
     * @return array{list<Bridge>, list<Bridge>} made and doubtful
     */
    private function chooseShots(BridgeCandidates $candidates, array $ends, array $used, InkMap $map): array
    {
        $free = BridgeCandidates::nearby(array_diff_key($ends, $used), $this->gap);
        $best = fn (int $end): ?BridgeCandidate => $this->surestFirst($candidates->shots($end, $free))[0] ?? null;
        $made = $doubtful = [];
        foreach ($this->surestFirst(array_values(array_filter(array_map($best, array_keys($ends))))) as $shot) {
            // Looked for anew where an earlier bridge came to stand in between.
            $shot = $map->isClear($shot->bridge) ? $shot : $best($shot->from);
            if ($shot === null) {
                continue;
            }
            if ($shot->score < (isset($used[$shot->from]) ? self::SHOT_AGAIN : self::SHOT)) {
                $doubtful[] = $this->doubtful($shot);
            } else {
                $made[] = $map->draw($shot->bridge)->as(BridgeKind::Found, $shot->score);
            }
        }

        return [$made, $doubtful];
    }

    /**
     * @param  list<BridgeCandidate>  $candidates
     * @return list<BridgeCandidate> those that are worth a look
     */
    private function surestFirst(array $candidates): array
    {
        $worth = array_values(array_filter($candidates, fn (BridgeCandidate $candidate): bool => $candidate->score >= self::DOUBT && ! $this->isRefused($candidate)));
        usort($worth, fn (BridgeCandidate $a, BridgeCandidate $b): int => $b->score <=> $a->score);

        return $worth;
    }

    private function doubtful(BridgeCandidate $candidate): Bridge
    {
        return $candidate->bridge->moved(-1, -1)->as(BridgeKind::Doubtful, $candidate->score);
    }

    private function isRefused(BridgeCandidate $candidate): bool
    {
        foreach ($this->refused as $refused) {
            if ($candidate->bridge->moved(-1, -1)->isLike($refused, self::SAME)) {
                return true;
            }
        }

        return false;
    }
}

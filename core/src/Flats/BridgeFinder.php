<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Page\Region\Bridge;
use Awning\Core\Page\Region\BridgeKind;

/**
 * Chooses bridges among all that may be made: from line end to line end first, the surest first, then from line ends to
 * the ink ahead of them; then what is left is judged once more. What is not sure enough to be made is told as doubtful.
 * The scores from which on a bridge is made were found by trying on drawings that BridgeScore has not learnt from.
 */
final readonly class BridgeFinder
{
    private const PAIR = 0.3;

    private const SHOT = 0.2;

    /** The same for an end that has a bridge already: where three lines were cut apart, one of them takes two. */
    private const PAIR_AGAIN = 0.4;

    private const SHOT_AGAIN = 0.4;

    /** The same for what is left when these have been made. */
    private const LEFT_PAIR = 0.05;

    private const LEFT_SHOT = 0.08;

    /** So many dots in a row are gone through. */
    private const DOTS = 3;

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
        [$choice] = $this->choose($map, $lineWidth);

        return new FoundBridges($choice->made, array_map($this->doubtful(...), $choice->doubtful()));
    }

    /**
     * What was judged once more, whether it was made or not: this is what the last two scores are learnt from.
     *
     * @return array{list<BridgeCandidate>, list<BridgeCandidate>} from end to end, and from end to ink ahead
     */
    public function left(InkMap $map, float $lineWidth): array
    {
        [, $pairs, $shots] = $this->choose($map, $lineWidth, true);

        return [$pairs, $shots];
    }

    /** @return array{BridgeChoice, list<BridgeCandidate>, list<BridgeCandidate>} and what was judged once more */
    private function choose(InkMap $map, float $lineWidth, bool $ofPatterns = false): array
    {
        $ends = (new LineEnds($map->ink, $map->stride))->find($map->runs(), $lineWidth, $ofPatterns);
        $choice = new BridgeChoice($ends, $this->candidates($map, $ends, $lineWidth)->pairs());
        $pairs = $choice->pairs;
        for ($round = 0; $pairs !== [] && $round <= self::DOTS; $round++) {
            $known = count($choice->ends);
            $this->choosePairs($pairs, $choice, $map);
            $pairs =
                count($choice->ends) > $known ? $this->candidates($map, $choice->ends, $lineWidth)->pairs($known) : [];
            array_push($choice->pairs, ...$pairs);
        }
        $this->chooseShots($this->candidates($map, $choice->ends, $lineWidth), $choice, $map);
        $pairs = (new LeftOver($choice, $map, $this->gap))->pairs();
        $this->chooseLeft($pairs, self::LEFT_PAIR, $choice, $map);
        $shots = (new LeftOver($choice, $map, $this->gap))->shots($this->candidates($map, $choice->ends, $lineWidth));
        $this->chooseLeft($shots, self::LEFT_SHOT, $choice, $map);

        return [$choice, $pairs, $shots];
    }

    /** @param  list<LineEnd>  $ends */
    private function candidates(InkMap $map, array $ends, float $lineWidth): BridgeCandidates
    {
        return new BridgeCandidates($map, $ends, $this->gap, $lineWidth);
    }

    /** @param  list<BridgeCandidate>  $pairs */
    private function choosePairs(array $pairs, BridgeChoice $choice, InkMap $map): void
    {
        foreach ($this->surestFirst($pairs) as $pair) {
            if ($choice->isTaken($pair)) {
                continue;
            }
            if ($pair->score < ($choice->isFree($pair) ? self::PAIR : self::PAIR_AGAIN)) {
                $choice->unsure[] = $pair;
            } elseif ($map->isClear($pair->bridge)) {
                $choice->make($pair, $map);
            }
        }
    }

    private function chooseShots(BridgeCandidates $candidates, BridgeChoice $choice, InkMap $map): void
    {
        $free = BridgeCandidates::nearby($choice->free(), $this->gap);
        $best = fn (int $end): ?BridgeCandidate => $this->surestFirst($candidates->shots($end, $free))[0] ?? null;
        foreach (
            $this->surestFirst(array_values(array_filter(array_map($best, array_keys($choice->tips()))))) as $shot
        ) {
            // Looked for anew where an earlier bridge came to stand in between.
            $shot = $map->isClear($shot->bridge) ? $shot : $best($shot->from);
            if ($shot === null) {
                continue;
            }
            if ($shot->score < ($choice->isUsed($shot->from) ? self::SHOT_AGAIN : self::SHOT)) {
                $choice->unsure[] = $shot;
            } else {
                $choice->make($shot, $map);
            }
        }
    }

    /** @param  list<BridgeCandidate>  $left */
    private function chooseLeft(array $left, float $sure, BridgeChoice $choice, InkMap $map): void
    {
        foreach ($this->surestFirst($left, $sure) as $candidate) {
            if ($choice->isFree($candidate) && $map->isClear($candidate->bridge)) {
                $choice->make($candidate, $map);
            }
        }
    }

    /**
     * @param  list<BridgeCandidate>  $candidates
     * @param  float  $least  the score from which on one is worth a look
     * @return list<BridgeCandidate>
     */
    private function surestFirst(array $candidates, float $least = self::DOUBT): array
    {
        $worth = array_values(
            array_filter(
                $candidates,
                fn (BridgeCandidate $candidate): bool => $candidate->score >= $least && ! $this->isRefused($candidate),
            ),
        );
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

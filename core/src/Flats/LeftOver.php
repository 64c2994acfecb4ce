<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

/**
 * Line ends that are left when all that was sure has been bridged, judged once more by whom else they have: an end that
 * nobody else is near or points at was cut off more often than distance and turn would tell, as where a knife took a
 * bend away.
 */
final readonly class LeftOver
{
    /** What is less sure than this at first is no rival, and is not judged again. */
    private const LEAST = 0.02;

    private Nearby $nearby;

    /** @var list<BridgeCandidate> whose ends both have no bridge */
    private array $pairs;

    /** @var array<int, list<BridgeCandidate>> the same by either end */
    private array $pairsOf;

    /** @var array<int, LineEnd> ends that have no bridge and are no corners */
    private array $free;

    /** @param  int  $gap  the longest gap that is asked to be closed, px */
    public function __construct(private BridgeChoice $choice, private InkMap $map, int $gap)
    {
        $this->free = $choice->free();
        $this->nearby = BridgeCandidates::nearby($this->free, $gap);
        $this->pairs = array_values(array_filter($choice->pairs, $this->isLeft(...)));
        $of = [];
        foreach ($this->pairs as $pair) {
            $of[$pair->from][] = $pair;
            $of[(int) $pair->to][] = $pair;
        }
        $this->pairsOf = $of;
    }

    private function isLeft(BridgeCandidate $pair): bool
    {
        return $pair->score >= self::LEAST && $this->choice->isFree($pair) && $this->map->isClear($pair->bridge);
    }

    /** @return list<BridgeCandidate> from end to end, with their new scores */
    public function pairs(): array
    {
        $judged = [];
        foreach ($this->pairs as $pair) {
            $to = (int) $pair->to;
            $around = [$this->others($pair->from, $to), $this->others($to, $pair->from)];
            $features = [...$pair->features, array_sum($around), max($around), $this->rival([$pair->from, $to], $pair)];
            $judged[] = new BridgeCandidate(
                $pair->bridge,
                $pair->from,
                $to,
                BridgeScore::leftPair($features),
                $features,
            );
        }

        return $judged;
    }

    /** @return list<BridgeCandidate> from end to ink ahead, with their new scores */
    public function shots(BridgeCandidates $candidates): array
    {
        $judged = [];
        foreach ($this->choice->pointing() as $end => $pointing) {
            $around = $candidates->cornersAround($pointing);
            foreach ($candidates->shots($end, $this->nearby) as $shot) {
                $features = [
                    ...$shot->features,
                    $this->rival([$end]),
                    (int) $pointing->is(EndKind::Corner),
                    $around,
                    $pointing->bend,
                    $pointing->farBend,
                ];
                $judged[] = new BridgeCandidate($shot->bridge, $end, null, BridgeScore::leftShot($features), $features);
            }
        }

        return $judged;
    }

    /** How many free ends there are around one, besides the one it would be joined with. */
    private function others(int $one, int $partner): int
    {
        [$x, $y] = [$this->choice->ends[$one]->x, $this->choice->ends[$one]->y];

        return $this->nearby->count($x, $y, $one) - (isset($this->free[$partner]) ? 1 : 0);
    }

    /**
     * How sure the surest pair was that some ends could have instead; 0 when there is none.
     *
     * @param  non-empty-list<int>  $ends
     */
    private function rival(array $ends, ?BridgeCandidate $besides = null): float
    {
        $surest = 0.0;
        foreach ($ends as $end) {
            foreach ($this->pairsOf[$end] ?? [] as $pair) {
                $surest = $pair === $besides ? $surest : max($surest, $pair->score);
            }
        }

        return $surest;
    }
}

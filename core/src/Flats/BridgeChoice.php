<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Page\Bridge;
use Awning\Core\Page\BridgeKind;

/** What has been chosen so far among the bridges that may be made on a page. */
final class BridgeChoice
{
    /** @var list<Bridge> */
    public array $made = [];

    /** @var list<BridgeCandidate> */
    public array $unsure = [];

    /** @var array<int, true> ends that have a bridge */
    private array $used = [];

    /** @var array<string, true> what was made, by the ends it joins */
    private array $joined = [];

    /**
     * @param  list<LineEnd>  $ends
     * @param  list<BridgeCandidate>  $pairs  all that may be made from end to end
     */
    public function __construct(public readonly array $ends, public readonly array $pairs)
    {
    }

    public function make(BridgeCandidate $candidate, InkMap $map): Bridge
    {
        $this->joined[self::ends($candidate)] = true;
        $this->used[$candidate->from] = true;
        if ($candidate->to !== null) {
            $this->used[$candidate->to] = true;
        }

        return $this->made[] = $map->draw($candidate->bridge)->as(BridgeKind::Found, $candidate->score);
    }

    private static function ends(BridgeCandidate $candidate): string
    {
        return "$candidate->from $candidate->to";
    }

    /** @return list<BridgeCandidate> those that were not sure enough, nor made later */
    public function doubtful(): array
    {
        return array_values(array_filter($this->unsure, fn (BridgeCandidate $candidate): bool => ! isset($this->joined[self::ends($candidate)])));
    }

    public function isUsed(int $end): bool
    {
        return isset($this->used[$end]);
    }

    /** Whether neither of its ends has a bridge. */
    public function isFree(BridgeCandidate $candidate): bool
    {
        return ! $this->isUsed($candidate->from) && ($candidate->to === null || ! $this->isUsed($candidate->to));
    }

    /** @return array<int, LineEnd> without corners, which are ends only of what points at them */
    public function tips(): array
    {
        return array_filter($this->ends, fn (LineEnd $end): bool => ! $end->isCorner);
    }

    /** @return array<int, LineEnd> tips that have no bridge */
    public function free(): array
    {
        return array_diff_key($this->tips(), $this->used);
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Page\Region\Bridge;
use Awning\Core\Page\Region\BridgeKind;

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
     * @param  list<LineEnd>  $ends  dots add to them, as soon as they have a bridge
     * @param  list<BridgeCandidate>  $pairs  all that may be made from end to end
     */
    public function __construct(public array $ends, public array $pairs)
    {
    }

    public function make(BridgeCandidate $candidate, InkMap $map): Bridge
    {
        $this->joined[self::ends($candidate)] = true;
        $this->used[$candidate->from] = true;
        if ($candidate->to !== null) {
            $this->used[$candidate->to] = true;
        }

        $this->goOn($candidate, $map);

        return $this->made[] = $map->draw($candidate->bridge)->as(BridgeKind::Found, $candidate->score);
    }

    /** A dot is a bit of a line that was cut twice: at its far side it goes on as the bridge to it came. */
    private function goOn(BridgeCandidate $candidate, InkMap $map): void
    {
        [$from, $dot] = [$this->ends[$candidate->from], $candidate->to === null ? null : $this->ends[$candidate->to]];
        if ($dot !== null && $from->is(EndKind::Dot)) {
            [$from, $dot] = [$dot, $from];
        }
        if ($dot === null || ! $dot->is(EndKind::Dot)) {
            return;
        }
        $length = hypot($dot->x - $from->x, $dot->y - $from->y);
        [$dx, $dy] = [($dot->x - $from->x) / $length, ($dot->y - $from->y) / $length];
        for ($step = 0; $map->isInk($dot->x + ($step + 1) * $dx, $dot->y + ($step + 1) * $dy);) {
            $step++;
        }
        $this->ends[] = new LineEnd($dot->x + $step * $dx, $dot->y + $step * $dy, $dx, $dy);
    }

    private static function ends(BridgeCandidate $candidate): string
    {
        return "$candidate->from $candidate->to";
    }

    /** @return list<BridgeCandidate> those that were not sure enough, nor made later */
    public function doubtful(): array
    {
        return array_values(
            array_filter(
                $this->unsure,
                fn (BridgeCandidate $candidate): bool => ! isset($this->joined[self::ends($candidate)]),
            ),
        );
    }

    public function isUsed(int $end): bool
    {
        return isset($this->used[$end]);
    }

    /** Whether both its ends have a bridge; a dot that has one goes on elsewhere. */
    public function isTaken(BridgeCandidate $pair): bool
    {
        $used = array_filter([$pair->from, (int) $pair->to], $this->isUsed(...));

        return count($used) === 2 ||
            array_filter($used, fn (int $end): bool => $this->ends[$end]->is(EndKind::Dot)) !== [];
    }

    /** Whether neither of its ends has a bridge. */
    public function isFree(BridgeCandidate $candidate): bool
    {
        return ! $this->isUsed($candidate->from) && ($candidate->to === null || ! $this->isUsed($candidate->to));
    }

    /** @return array<int, LineEnd> without corners and dots, which are ends only of what points at them */
    public function tips(): array
    {
        return array_filter($this->ends, fn (LineEnd $end): bool => $end->is(EndKind::Tip));
    }

    /** @return array<int, LineEnd> tips that have no bridge */
    public function free(): array
    {
        return array_diff_key($this->tips(), $this->used);
    }

    /** @return array<int, LineEnd> tips and corners that have no bridge: what points anywhere */
    public function pointing(): array
    {
        return array_diff_key(
            array_filter($this->ends, fn (LineEnd $end): bool => ! $end->is(EndKind::Dot)),
            $this->used,
        );
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Flats;

use Awning\Core\Flats\TrapGrowth;
use Awning\Core\Page\Data;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Components;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\Runs;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Regions\Relabelling;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Grows regions over their neighbours, shrinks them so that the neighbours grow, or fills the holes in them. Locked
 * ones neither lose nor gain.
 *
 * @phpstan-type ResizeInput array{labels: list<int>, by: int}
 */
final readonly class ResizeRegions implements ClientOp
{
    private const MOST_REGIONS = 100;

    public const FARTHEST = 50;

    /**
     * @param  non-empty-list<int>  $labels
     * @param  int  $by  px all round; below 0 they shrink; 0: their holes are filled
     */
    private function __construct(private array $labels, private int $by)
    {
    }

    public static function kind(): string
    {
        return 'flats.resize';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self(
            JoinRegions::labels($input, self::MOST_REGIONS),
            $input->int('by', -self::FARTHEST, self::FARTHEST),
        );
    }

    /** @return ResizeInput */
    public function toInput(): array
    {
        return ['labels' => $this->labels, 'by' => $this->by];
    }

    public function title(): string
    {
        return match (true) {
            $this->by > 0 => sprintf('Grow by %d px', $this->by),
            $this->by < 0 => sprintf('Shrink by %d px', -$this->by),
            default => 'Fill holes',
        };
    }

    public function right(): Right
    {
        return Right::Flat;
    }

    public function refersTo(): References
    {
        return new References;
    }

    public function apply(Sheet $sheet): void
    {
        $flats = new Relabelling($sheet);
        $regions = $sheet->all(Region::class);
        $moved = 0;
        foreach ($this->labels as $label) {
            $region = $sheet->find(Region::class, $label);
            if ($region === null || $region->locked) {
                continue;
            }
            $window = $flats
                ->window($label)
                ->grown(abs($this->by) + 1)
                ->intersect($sheet->rect());
            $before = $flats->read($window);
            $isLocked = fn (int $other): bool => $regions[$other]->locked ?? false;
            $flats->write(
                $window,
                $before,
                $this->by === 0
                    ? $this->filled($before, $label, $window, $isLocked)
                    : $this->spread($before, $label, $window, $isLocked),
            );
            $moved += $flats->moved();
            $flats->settle();
        }
        if ($moved === 0) {
            throw new OpRefused(
                $this->by === 0
                    ? 'There are no holes to fill.'
                    : 'Nothing can change there: what is beside is locked, or the page ends.',
            );
        }
    }

    /** @param  callable(int): bool  $isLocked */
    private function spread(string $labels, int $label, Rect $window, callable $isLocked): string
    {
        // Growing, the region is what grows and all else is open to it; shrinking, the other way round.
        [$ours, $others] = $this->by > 0 ? ["\0", "\xff"] : ["\xff", "\0"];
        $open = '';
        foreach (Labels::spans($labels) as [$from, $to, $one]) {
            $open .= str_repeat($one === $label ? $ours : ($isLocked($one) ? "\1" : $others), $to - $from);
        }
        (new TrapGrowth)->grow($labels, $open, $window->width, $window->height, abs($this->by));

        return $labels;
    }

    /** @param  callable(int): bool  $isLocked */
    private function filled(string $labels, int $label, Rect $window, callable $isLocked): string
    {
        $others = '';
        foreach (Labels::spans($labels) as [$from, $to, $one]) {
            $others .= str_repeat($one === $label ? "\xff" : "\0", $to - $from);
        }
        $runs = Runs::of($others, $window->width, $window->height, "\0");
        $components = Components::of($runs);
        $isHole = array_fill(0, count($components->area), true);
        foreach ($components->of as $run => $component) {
            [$from, $to] = [$runs->from[$run], $runs->to[$run]];
            $y = intdiv($from, $window->width);
            if ($y === 0 || $y === $window->height - 1 || $from % $window->width === 0 || $to % $window->width === 0) {
                $isHole[$component] = false;
            }
        }
        $word = pack('n', $label);
        foreach ($components->of as $run => $component) {
            if ($isHole[$component]) {
                $labels = $this->covered($labels, $word, $runs->from[$run], $runs->to[$run], $isLocked);
            }
        }

        return $labels;
    }

    /** @param  callable(int): bool  $isLocked */
    private function covered(string $labels, string $word, int $from, int $to, callable $isLocked): string
    {
        foreach (Labels::spans(substr($labels, 2 * $from, 2 * ($to - $from))) as [$start, $end, $one]) {
            if (! $isLocked($one)) {
                for ($at = 2 * ($from + $start), $last = 2 * ($from + $end); $at < $last; $at += 2) {
                    $labels[$at] = $word[0];
                    $labels[$at + 1] = $word[1];
                }
            }
        }

        return $labels;
    }
}

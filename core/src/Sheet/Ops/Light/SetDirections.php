<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Light;

use Awning\Core\Page\Data;
use Awning\Core\Page\Region\FlowLine;
use Awning\Core\Page\Region\FlowLines;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Labels;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Flats\AltersRegions;
use Awning\Core\Sheet\Ops\Flats\JoinRegions;

/**
 * Says which way strands or folds run in regions, for when light is roughed in.
 *
 * @phpstan-import-type FlowPoint from FlowLine
 *
 * @phpstan-type FlowInput array{labels: list<int>, line: ?list<FlowPoint>, more: bool}
 */
final readonly class SetDirections implements ClientOp
{
    use AltersRegions;

    /**
     * @param  non-empty-list<int>  $labels
     * @param  ?FlowLine  $line  null: that is not told any more
     * @param  bool  $more  whether it is told beside what is told already, not in place of it
     */
    private function __construct(private array $labels, private ?FlowLine $line, private bool $more)
    {
    }

    public static function kind(): string
    {
        return 'light.flow';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self(
            JoinRegions::labels($input, Labels::MOST),
            $input->has('line') ? FlowLine::fromList($input->list('line', FlowLine::MOST)) : null,
            $input->flag('more', false),
        );
    }

    /** @return FlowInput */
    public function toInput(): array
    {
        return ['labels' => $this->labels, 'line' => $this->line?->toList(), 'more' => $this->more];
    }

    public function title(): string
    {
        return $this->line === null ? 'Remove a direction' : 'Draw a direction';
    }

    private function changed(Region $region): Region
    {
        if ($this->line === null) {
            return $region->running(null);
        }
        try {
            return $region->running(
                $this->more && $region->flow !== null ? $region->flow->with($this->line) : FlowLines::of($this->line),
            );
        } catch (\InvalidArgumentException $tooMany) {
            throw new OpRefused($tooMany->getMessage());
        }
    }
}

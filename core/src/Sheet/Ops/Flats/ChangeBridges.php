<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Flats;

use Awning\Core\Page\Data;
use Awning\Core\Page\Region\Bridge;
use Awning\Core\Page\Region\BridgeKind;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Regions\Repartition;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Draws a bridge, keeps one that was found, takes one away, or makes one that was doubtful. Only the regions beside it
 * change.
 *
 * @phpstan-type BridgeEnds array{int, int, int, int}
 * @phpstan-type BridgesInput array{draw: ?BridgeEnds, bridge: ?int, as: ?value-of<BridgeKind>}
 */
final readonly class ChangeBridges implements ClientOp
{
    /** The longest that is drawn by hand, px: further apart lines are drawn, not bridged. */
    private const LONGEST = 2000.0;

    /**
     * @param  ?Bridge  $draw  a new one
     * @param  ?int  $number  of the one that is decided on
     * @param  ?BridgeKind  $kind  kept or refused
     */
    private function __construct(private ?Bridge $draw, private ?int $number, private ?BridgeKind $kind)
    {
    }

    public static function kind(): string
    {
        return 'bridges';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        if ($input->has('draw')) {
            $ends = $input->list('draw', 4);
            if (count($ends) !== 4) {
                throw new \InvalidArgumentException('A bridge goes from one place to another.');
            }
            $bridge = Bridge::fromData(
                new Data([
                    'x1' => $ends[0],
                    'y1' => $ends[1],
                    'x2' => $ends[2],
                    'y2' => $ends[3],
                    'kind' => BridgeKind::Kept->value,
                ]),
            );
            if ($bridge->length() < 1 || $bridge->length() > self::LONGEST) {
                throw new \InvalidArgumentException(
                    sprintf('A bridge is up to %d px long. Draw a line in the Ink stage for more.', self::LONGEST),
                );
            }

            return new self($bridge, null, null);
        }
        $kind = $input->choice('as', BridgeKind::class, 'A bridge is kept or refused.');
        assert($kind instanceof BridgeKind);

        return $kind->isDecided()
            ? new self(null, $input->int('bridge', 1, PHP_INT_MAX), $kind)
            : throw new \InvalidArgumentException('A bridge is kept or refused.');
    }

    /** @return BridgesInput */
    public function toInput(): array
    {
        $draw = $this->draw;

        return [
            'draw' => $draw === null ? null : [$draw->x1, $draw->y1, $draw->x2, $draw->y2],
            'bridge' => $this->number,
            'as' => $this->kind?->value,
        ];
    }

    public function title(): string
    {
        return match (true) {
            $this->draw !== null => 'Draw a bridge',
            $this->kind === BridgeKind::Kept => 'Keep a bridge',
            default => 'Remove a bridge',
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
        $regions = new Repartition($sheet);
        if ($this->draw !== null) {
            if (
                max($this->draw->x1, $this->draw->x2) >= $sheet->size()->width ||
                max($this->draw->y1, $this->draw->y2) >= $sheet->size()->height
            ) {
                throw new OpRefused('A bridge lies on the page. Draw it again.');
            }
            $sheet->put(1 + max([0, ...array_keys($sheet->all(Bridge::class))]), $this->draw);
            $regions->close($this->draw);

            return;
        }
        $before =
            $sheet->find(Bridge::class, (int) $this->number) ??
            throw new OpRefused('This bridge is gone already. Reload the page.');
        assert($this->kind !== null);
        $after = $before->as($this->kind);
        $sheet->put((int) $this->number, $after);
        if ($after->kind->isMade() && ! $before->kind->isMade()) {
            $regions->close($after);
        } elseif (! $after->kind->isMade() && $before->kind->isMade()) {
            $regions->open($before);
        }
    }
}

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
 * Says how long a gap may be that is bridged without asking: found bridges that are longer come to be in doubt,
 * doubtful ones that are not are made. Those decided by hand stay as they are.
 *
 * @phpstan-type LimitInput array{longest: float}
 */
final readonly class LimitBridges implements ClientOp
{
    /** Changes that are made in one go; each looks at the regions beside it. */
    private const MOST = 300;

    private function __construct(private float $longest)
    {
    }

    public static function kind(): string
    {
        return 'bridges.limit';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self($input->number('longest', 0, 2000));
    }

    /** @return LimitInput */
    public function toInput(): array
    {
        return ['longest' => $this->longest];
    }

    public function title(): string
    {
        return sprintf('Bridge gaps up to %d px', $this->longest);
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
        $changed = array_filter(
            $sheet->all(Bridge::class),
            fn (Bridge $bridge): bool => $bridge->kind ===
                ($bridge->length() > $this->longest ? BridgeKind::Found : BridgeKind::Doubtful),
        );
        if ($changed === []) {
            throw new OpRefused('No bridge comes or goes at this length.');
        }
        if (count($changed) > self::MOST) {
            throw new OpRefused(
                sprintf('%d bridges would come or go at once. Move the limit in smaller steps.', count($changed)),
            );
        }
        // In their order, in whatever order they came: parts are numbered as they are made.
        ksort($changed);
        $regions = new Repartition($sheet);
        foreach ($changed as $number => $bridge) {
            $isMade = $bridge->kind === BridgeKind::Doubtful;
            $sheet->put($number, $bridge->as($isMade ? BridgeKind::Found : BridgeKind::Doubtful));
            $isMade ? $regions->close($bridge) : $regions->open($bridge);
        }
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;
use Awning\Core\Page\Record;
use Awning\Core\Page\RecordKind;

/**
 * Passes of one figure that are taken as one. Isolated, they blend among themselves first and only the result is
 * blended below. A group that is not isolated has no result of its own to blend, so its mode is normal.
 *
 * @phpstan-type GroupData array{isolated: bool, mode: value-of<BlendMode>, opacity: float}
 */
final readonly class PassGroup implements Record
{
    /**
     * @param  float  $opacity  0..1
     *
     * @throws \InvalidArgumentException when it has a blend mode and is not isolated, or its opacity is out of bounds
     */
    public function __construct(
        public bool $isolated = true,
        public BlendMode $mode = BlendMode::Normal,
        public float $opacity = 1.0,
    ) {
        if (! $isolated && $mode !== BlendMode::Normal) {
            throw new \InvalidArgumentException(
                "A group can be laid by {$mode->value} only as one picture. Isolate the group, or choose normal.",
            );
        }
        Bounds::number('opacity', $opacity, 0, 1);
    }

    public static function kind(): RecordKind
    {
        return RecordKind::Group;
    }

    public static function fromData(Data $data): self
    {
        return new self(
            $data->flag('isolated', true),
            $data->choice('mode', BlendMode::class, 'This blend mode is not known.', BlendMode::Normal),
            $data->number('opacity', 0, 1, 1.0),
        );
    }

    /** @return GroupData */
    public function toData(): array
    {
        return ['isolated' => $this->isolated, 'mode' => $this->mode->value, 'opacity' => $this->opacity];
    }
}

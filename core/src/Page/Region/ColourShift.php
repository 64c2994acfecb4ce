<?php

declare(strict_types=1);

namespace Awning\Core\Page\Region;

use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;
use Awning\Core\Page\Pass\ColourTurn;
use Awning\Core\Page\Record;
use Awning\Core\Page\RecordKind;

/**
 * How one material's tones are shifted on this page, in the regions that name it: the material itself, and all other
 * pages, stay as they are.
 *
 * @phpstan-type ShiftData array{material: int, lightness: float, chroma: float, hue: float}
 */
final readonly class ColourShift implements Record
{
    public function __construct(public int $material, public ColourTurn $turn = new ColourTurn)
    {
        Bounds::whole('material', $material, 1);
    }

    public static function kind(): RecordKind
    {
        return RecordKind::Shift;
    }

    public static function fromData(Data $data): self
    {
        return new self($data->int('material', 1, PHP_INT_MAX), ColourTurn::fromData($data));
    }

    /** @return ShiftData */
    public function toData(): array
    {
        return ['material' => $this->material, ...$this->turn->toData()];
    }

    public function isNone(): bool
    {
        return $this->turn->isNone();
    }

    /**
     * @param  array<string, int>  $tones  0xRRGGBB by name
     * @return array<string, int>
     */
    public function tones(array $tones): array
    {
        return array_map($this->turn->colours(), $tones);
    }
}

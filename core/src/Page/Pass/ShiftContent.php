<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Colour\Alteration;
use Awning\Core\Colour\RangedShift;
use Awning\Core\Colour\Shift;
use Awning\Core\Colour\SoftRange;
use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;

/**
 * Lightness, chroma and hue of what lies beneath, in OKLCh; of all of it, of some hues, or of some lightness.
 *
 * @phpstan-type RangeData array{from: float, to: float, soft: float}
 * @phpstan-type ShiftPassData array{kind: 'shift', lightness: float, chroma: float, hue: float, hues: ?RangeData,
 *     tones: ?RangeData}
 */
final readonly class ShiftContent implements AlteringContent, PassContent
{
    use AltersBeneath;

    public const MOST_CHROMA = 4.0;

    /**
     * @param  float  $lightness  added, -1..1
     * @param  float  $chroma  times what it was, 0..4
     * @param  float  $hue  degrees, -180..180
     * @param  ?SoftRange  $hues  degrees 0..360, from one round to the other; null: all
     * @param  ?SoftRange  $tones  lightness 0..1; null: all
     */
    public function __construct(
        public float $lightness = 0.0,
        public float $chroma = 1.0,
        public float $hue = 0.0,
        public ?SoftRange $hues = null,
        public ?SoftRange $tones = null,
    ) {
        Bounds::number('lightness', $lightness, -1, 1);
        Bounds::number('chroma', $chroma, 0, self::MOST_CHROMA);
        Bounds::number('hue', $hue, -180, 180);
        foreach ([[$hues, 360, 180], [$tones, 1, 1]] as [$range, $most, $softest]) {
            if ($range !== null) {
                Bounds::number('from', $range->from, 0, $most);
                Bounds::number('to', $range->to, $range === $tones ? $range->from : 0, $most);
                Bounds::number('soft', $range->soft, 0, $softest);
            }
        }
    }

    public static function fromData(Data $data): self
    {
        $range = function (string $name, float $most, float $softest) use ($data): ?SoftRange {
            if (! $data->has($name)) {
                return null;
            }
            $of = $data->map($name);

            return new SoftRange(
                $of->number('from', 0, $most),
                $of->number('to', 0, $most),
                $of->number('soft', 0, $softest, 0.0),
            );
        };

        return new self(
            $data->number('lightness', -1, 1, 0.0),
            $data->number('chroma', 0, self::MOST_CHROMA, 1.0),
            $data->number('hue', -180, 180, 0.0),
            $range('hues', 360, 180),
            $range('tones', 1, 1),
        );
    }

    /** @return ShiftPassData */
    public function toData(): array
    {
        $range = fn (?SoftRange $of): ?array => $of === null
            ? null
            : ['from' => $of->from, 'to' => $of->to, 'soft' => $of->soft];

        return [
            'kind' => 'shift',
            'lightness' => $this->lightness,
            'chroma' => $this->chroma,
            'hue' => $this->hue,
            'hues' => $range($this->hues),
            'tones' => $range($this->tones),
        ];
    }

    public function alteration(): Alteration
    {
        return new RangedShift(
            new Shift($this->lightness, $this->chroma, $this->hue),
            $this->hues,
            $this->tones,
        );
    }

    public function kind(): PassKind
    {
        return PassKind::Shift;
    }
}

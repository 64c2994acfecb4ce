<?php

declare(strict_types=1);

namespace Awning\Core\Brush;

use Awning\Core\Page\Data;

/**
 * What a brush leaves at each place, and how these places follow each other.
 *
 * @phpstan-type TipData array{kind: value-of<TipKind>, seed: int, flow: float, spacing: float, scatter: float,
 *     along: bool, angle: float, turn: float, jitter: float, taper: float, sizeBy: list<float>, flowBy: list<float>,
 *     opacityBy: list<float>, wet: float, grain: float, picture: ?string}
 */
final readonly class Tip
{
    public const MOST_SEED = 9999;

    /** Least, most and usual of what is a number. */
    public const RANGES = [
        'flow' => [0.01, 1.0, 1.0],
        'spacing' => [0.02, 3.0, 0.12],
        'scatter' => [0.0, 3.0, 0.0],
        'angle' => [-180.0, 180.0, 0.0],
        'turn' => [0.0, 1.0, 0.0],
        'jitter' => [0.0, 1.0, 0.0],
        'taper' => [0.0, 0.5, 0.0],
        'wet' => [0.0, 1.0, 0.0],
        'grain' => [0.0, 1.0, 0.0],
    ];

    /**
     * @param  int  $seed  of whatever is random about it: the same stroke is the same pixels
     * @param  float  $flow  how much each place lays of what is missing; a stroke builds up where places lie over each
     *     other
     * @param  float  $spacing  between places, in sizes of the brush
     * @param  float  $scatter  how far places are thrown aside, in sizes
     * @param  bool  $along  whether the tip turns with the stroke; else it keeps its angle
     * @param  float  $angle  degrees, clockwise
     * @param  float  $turn  how much each place is turned at random, 1: any way
     * @param  float  $jitter  how much smaller places may be at random
     * @param  float  $taper  part of the stroke over which it thins out at each end
     * @param  PressureCurve  $sizeBy  which share of the size pressure leaves
     * @param  PressureCurve  $flowBy  of the flow
     * @param  PressureCurve  $opacityBy  of the opacity: no place lays more than that, however often the stroke goes
     *     over it
     * @param  float  $wet  how much paler the middle of a stroke dries than its edge
     * @param  float  $grain  how much the paper's tooth shows through
     * @param  ?BroughtTip  $picture  of the kind that was brought
     */
    public function __construct(
        public TipKind $kind,
        public int $seed = 1,
        public float $flow = 1.0,
        public float $spacing = 0.12,
        public float $scatter = 0.0,
        public bool $along = false,
        public float $angle = 0.0,
        public float $turn = 0.0,
        public float $jitter = 0.0,
        public float $taper = 0.0,
        public PressureCurve $sizeBy = new PressureCurve([0.4, 0.55, 0.7, 0.85, 1.0]),
        public PressureCurve $flowBy = new PressureCurve([1.0, 1.0, 1.0, 1.0, 1.0]),
        public PressureCurve $opacityBy = new PressureCurve([1.0, 1.0, 1.0, 1.0, 1.0]),
        public float $wet = 0.0,
        public float $grain = 0.0,
        public ?BroughtTip $picture = null,
    ) {
        if (($kind === TipKind::Picture) !== ($picture !== null)) {
            throw new \InvalidArgumentException('A tip from a picture has one, any other has none.');
        }
    }

    /** @throws \InvalidArgumentException|\RangeException */
    public static function fromData(Data $data): self
    {
        $kind = $data->choice('kind', TipKind::class, 'This kind of brush tip is not known. Reload the page.');
        assert($kind instanceof TipKind);
        $values = [];
        foreach (self::RANGES as $name => [$least, $most, $usual]) {
            $values[$name] = $data->number($name, $least, $most, $usual);
        }
        $plain = new self(TipKind::Round);
        foreach (['sizeBy', 'flowBy', 'opacityBy'] as $name) {
            $values[$name] = PressureCurve::fromData($data, $name, $plain->{$name});
        }

        return new self(
            ...$values,
            kind: $kind,
            seed: $data->int('seed', 0, self::MOST_SEED, 1),
            along: $data->flag('along', false),
            picture: $data->has('picture') ? BroughtTip::fromText($data->text('picture')) : null,
        );
    }

    /** @return TipData */
    public function toData(): array
    {
        return [
            'kind' => $this->kind->value,
            'seed' => $this->seed,
            'flow' => $this->flow,
            'spacing' => $this->spacing,
            'scatter' => $this->scatter,
            'along' => $this->along,
            'angle' => $this->angle,
            'turn' => $this->turn,
            'jitter' => $this->jitter,
            'taper' => $this->taper,
            'sizeBy' => $this->sizeBy->toData(),
            'flowBy' => $this->flowBy->toData(),
            'opacityBy' => $this->opacityBy->toData(),
            'wet' => $this->wet,
            'grain' => $this->grain,
            'picture' => $this->picture?->toText(),
        ];
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Colour\GradientStop;
use Awning\Core\Colour\Rgb;
use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;

/**
 * Colours that run into each other from one place to another. The places are parts of the page's width and height, so
 * that it fits pages of every size.
 *
 * @phpstan-type GradientStopData array{at: float, colour: string, alpha: float}
 * @phpstan-type GradientData array{kind: 'gradient', form: 'linear'|'round', space: 'srgb'|'oklab',
 *     from: array{float, float}, to: array{float, float}, stops: list<GradientStopData>}
 */
final readonly class GradientContent implements PassContent
{
    use LaysOver;

    public const MOST_STOPS = 8;

    private const SAYS = 'A gradient runs from one place to another.';

    /**
     * @param  array{float, float}  $from  of the width and of the height, -4..4
     * @param  array{float, float}  $to
     * @param  non-empty-list<GradientStop>  $stops  two to eight, in order of their places
     */
    public function __construct(
        public bool $isRound,
        public bool $isOklab,
        public array $from,
        public array $to,
        public array $stops,
    ) {
        Way::check($from, $to, self::SAYS);
        if (count($stops) < 2 || count($stops) > self::MOST_STOPS) {
            throw new \InvalidArgumentException('A gradient has two to eight colours.');
        }
        $before = 0.0;
        foreach ($stops as $stop) {
            Bounds::number('at', $stop->at, $before, 1);
            Bounds::number('alpha', $stop->alpha, 0, 1);
            $before = $stop->at;
        }
    }

    public static function fromData(Data $data): self
    {
        $stops = [];
        foreach ($data->list('stops', self::MOST_STOPS) as $stop) {
            $of = new Data(is_array($stop) ? $stop : []);
            $stops[] = new GradientStop(
                $of->number('at', 0, 1),
                Rgb::fromHex($of->text('colour')),
                $of->number('alpha', 0, 1, 1.0),
            );
        }

        return new self(
            $data->text('form', 'linear') === 'round',
            $data->text('space', 'oklab') === 'oklab',
            Way::place($data, 'from', self::SAYS),
            Way::place($data, 'to', self::SAYS),
            $stops === [] ? throw new \InvalidArgumentException('A gradient has two to eight colours.') : $stops,
        );
    }

    /** @return GradientData */
    public function toData(): array
    {
        return [
            'kind' => 'gradient',
            'form' => $this->isRound ? 'round' : 'linear',
            'space' => $this->isOklab ? 'oklab' : 'srgb',
            'from' => $this->from,
            'to' => $this->to,
            'stops' => array_map(
                fn (GradientStop $stop): array => [
                    'at' => $stop->at,
                    'colour' => $stop->colour->hex(),
                    'alpha' => $stop->alpha,
                ],
                $this->stops,
            ),
        ];
    }

    public function kind(): PassKind
    {
        return PassKind::Gradient;
    }

    public static function layer(): null
    {
        return null;
    }
}

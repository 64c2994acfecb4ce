<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Colour\Rgb;
use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;

/**
 * Shafts of light that spread from a lamp or a gap and fade on their way. The places are parts of the page's width and
 * height: so they fit pages of every size.
 *
 * @phpstan-type ShaftsData array{kind: 'shafts', colour: string, from: array{float, float}, to: array{float, float},
 *     spread: float, count: int, softness: float, variety: float, seed: int}
 */
final readonly class ShaftsContent implements WeatherContent
{
    use LaysOver;

    /** Degrees. */
    public const NARROWEST = 2.0;

    public const WIDEST = 180.0;

    public const MOST = 60;

    private const SAYS = 'Light shafts run from one place to another.';

    /**
     * @param  array{float, float}  $from  where they come from: parts of the width and of the height, -4..4
     * @param  array{float, float}  $to  where the middle one has faded out
     * @param  float  $spread  degrees from the first to the last, 2..180
     * @param  int  $count  how many, 1..60
     * @param  float  $softness  0..1: how much of each is soft edge
     * @param  float  $variety  0..1: how far they differ in width and strength
     * @param  int  $seed  0..65535
     */
    public function __construct(
        public Rgb $colour,
        public array $from = [0.3, 0.0],
        public array $to = [0.6, 0.9],
        public float $spread = 36.0,
        public int $count = 9,
        public float $softness = 0.6,
        public float $variety = 0.6,
        public int $seed = 1,
    ) {
        Way::check($from, $to, self::SAYS);
        Bounds::number('spread', $spread, self::NARROWEST, self::WIDEST);
        Bounds::whole('count', $count, 1, self::MOST);
        Bounds::number('softness', $softness, 0, 1);
        Bounds::number('variety', $variety, 0, 1);
        Bounds::whole('seed', $seed, 0, 65535);
    }

    public static function fromData(Data $data): self
    {

        return new self(
            colour: Rgb::fromHex($data->text('colour')),
            from: Way::place($data, 'from', self::SAYS),
            to: Way::place($data, 'to', self::SAYS),
            spread: $data->number('spread', self::NARROWEST, self::WIDEST, 36.0),
            count: $data->int('count', 1, self::MOST, 9),
            softness: $data->number('softness', 0, 1, 0.6),
            variety: $data->number('variety', 0, 1, 0.6),
            seed: $data->int('seed', 0, 65535, 1),
        );
    }

    /** @return ShaftsData */
    public function toData(): array
    {
        return [
            'kind' => 'shafts',
            'colour' => $this->colour->hex(),
            'from' => $this->from,
            'to' => $this->to,
            'spread' => $this->spread,
            'count' => $this->count,
            'softness' => $this->softness,
            'variety' => $this->variety,
            'seed' => $this->seed,
        ];
    }

    public function colour(): Rgb
    {
        return $this->colour;
    }

    public function kind(): PassKind
    {
        return PassKind::Shafts;
    }

    public static function layer(): null
    {
        return null;
    }
}

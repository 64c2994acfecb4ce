<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Colour\Rgb;
use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;

/**
 * Rain, snow, embers, dust, petals, stars, wind lines: many small things of one form, spread over the page by a seed.
 * They lie in up to three planes. Those of the near plane are larger and farther apart, those of the far plane smaller
 * and closer together. Lengths are in thousandths of the page's longer side, so that they fit every page size.
 *
 * @phpstan-type ParticlesData array{kind: 'particles', colour: string, form: value-of<ParticleForm>, spacing: float,
 *     size: float, length: float, angle: float, spread: float, softness: float, variety: float, near: float,
 *     middle: float, far: float, outline: float, outlineColour: string, lamps: list<LampPlaceData>, dim: float,
 *     seed: int}
 * @phpstan-type LampPlaceData array{float, float, float}
 */
final readonly class ParticlesContent implements OutlinedContent
{
    use LaysOver;

    /** Thousandths of the page's longer side. */
    public const LEAST_SPACING = 4.0;

    public const MOST_SPACING = 500.0;

    public const LEAST_SIZE = 0.1;

    public const MOST_SIZE = 60.0;

    public const MOST_LENGTH = 400.0;

    public const MOST_OUTLINE = 5.0;

    public const MOST_LAMPS = 8;

    private const LAMP_REACH = [0.02, 2.0];

    /** A lamp hangs so many pages off at the most. */
    private const FARTHEST = 4.0;

    /** Nearly black: for light things on a light ground. */
    public const USUAL_OUTLINE = '#20242c';

    /**
     * @param  float  $spacing  from one particle of the middle plane to the next, on average: 4..500 thousandths
     * @param  float  $size  thickness of a streak, diameter of any other form: 0.1..60 thousandths
     * @param  float  $length  of the way along which a particle is drawn out: 0..400 thousandths
     * @param  float  $angle  of that way, in degrees from straight down towards the right: -180..180
     * @param  float  $spread  0..1: how far particles differ from that angle, 1 is a quarter turn to either side
     * @param  float  $softness  0..1: how much of a particle is soft edge
     * @param  float  $variety  0..1: how far particles differ in size and strength
     * @param  float  $near  0..1: how strong the near plane is; so with $middle and $far
     * @param  float  $outline  how wide the outline about each particle is, outside of it: 0..5 thousandths; 0: none
     * @param  int  $seed  0..65535
     * @param  list<LampPlaceData>  $lamps  where lamps light them up: parts of the page's width and height, -4..4, and
     *     how far that reaches in parts of its width, 0.02..2; none: they are as strong everywhere
     * @param  float  $dim  0..1: how much weaker they are where no lamp reaches
     */
    public function __construct(
        public Rgb $colour,
        public ParticleForm $form = ParticleForm::Flake,
        public float $spacing = 30.0,
        public float $size = 3.0,
        public float $length = 0.0,
        public float $angle = 0.0,
        public float $spread = 0.0,
        public float $softness = 0.5,
        public float $variety = 0.5,
        public float $near = 1.0,
        public float $middle = 1.0,
        public float $far = 1.0,
        public float $outline = 0.0,
        public Rgb $outlineColour = new Rgb(0x20, 0x24, 0x2C),
        public int $seed = 1,
        public array $lamps = [],
        public float $dim = 0.7,
    ) {
        Bounds::number('spacing', $spacing, self::LEAST_SPACING, self::MOST_SPACING);
        Bounds::number('size', $size, self::LEAST_SIZE, self::MOST_SIZE);
        Bounds::number('length', $length, 0, self::MOST_LENGTH);
        Bounds::number('outline', $outline, 0, self::MOST_OUTLINE);
        Bounds::number('angle', $angle, -180, 180);
        if (count($lamps) > self::MOST_LAMPS) {
            throw new \InvalidArgumentException('Up to '.self::MOST_LAMPS.' lamps light up a weather.');
        }
        foreach ($lamps as [$x, $y, $reach]) {
            Bounds::number('x', $x, -self::FARTHEST, self::FARTHEST);
            Bounds::number('y', $y, -self::FARTHEST, self::FARTHEST);
            Bounds::number('reach', $reach, ...self::LAMP_REACH);
        }
        $shares = compact('spread', 'softness', 'variety', 'near', 'middle', 'far', 'dim');
        foreach ($shares as $name => $share) {
            Bounds::number($name, $share, 0, 1);
        }
        Bounds::whole('seed', $seed, 0, 65535);
    }

    public static function fromData(Data $data): self
    {
        return new self(
            colour: Rgb::fromHex($data->text('colour')),
            form: $data->choice('form', ParticleForm::class, ParticleForm::OPTIONS, ParticleForm::Flake),
            spacing: $data->number('spacing', self::LEAST_SPACING, self::MOST_SPACING, 30.0),
            size: $data->number('size', self::LEAST_SIZE, self::MOST_SIZE, 3.0),
            length: $data->number('length', 0, self::MOST_LENGTH, 0.0),
            angle: $data->number('angle', -180, 180, 0.0),
            spread: $data->number('spread', 0, 1, 0.0),
            softness: $data->number('softness', 0, 1, 0.5),
            variety: $data->number('variety', 0, 1, 0.5),
            near: $data->number('near', 0, 1, 1.0),
            middle: $data->number('middle', 0, 1, 1.0),
            far: $data->number('far', 0, 1, 1.0),
            outline: $data->number('outline', 0, self::MOST_OUTLINE, 0.0),
            outlineColour: Rgb::fromHex($data->text('outlineColour', self::USUAL_OUTLINE)),
            seed: $data->int('seed', 0, 65535, 1),
            lamps: $data->has('lamps') ? self::lampsIn($data) : [],
            dim: $data->number('dim', 0, 1, 0.7),
        );
    }

    /** @return list<LampPlaceData> */
    private static function lampsIn(Data $data): array
    {
        return array_map(function (mixed $lamp): array {
            if (! is_array($lamp) || ! array_is_list($lamp) || count($lamp) !== 3) {
                throw new \InvalidArgumentException(
                    'A lamp is how far it is from the left and from the top, and its reach.',
                );
            }
            $lamp = new Data($lamp);

            return [
                $lamp->number('0', -self::FARTHEST, self::FARTHEST),
                $lamp->number('1', -self::FARTHEST, self::FARTHEST),
                $lamp->number('2', ...self::LAMP_REACH),
            ];
        }, $data->list('lamps', self::MOST_LAMPS));
    }

    /** @return ParticlesData */
    public function toData(): array
    {
        return [
            'kind' => 'particles',
            'colour' => $this->colour->hex(),
            'form' => $this->form->value,
            'spacing' => $this->spacing,
            'size' => $this->size,
            'length' => $this->length,
            'angle' => $this->angle,
            'spread' => $this->spread,
            'softness' => $this->softness,
            'variety' => $this->variety,
            'near' => $this->near,
            'middle' => $this->middle,
            'far' => $this->far,
            'outline' => $this->outline,
            'outlineColour' => $this->outlineColour->hex(),
            'lamps' => $this->lamps,
            'dim' => $this->dim,
            'seed' => $this->seed,
        ];
    }

    public function colour(): Rgb
    {
        return $this->colour;
    }

    /** The same particles, larger by the outline on every side. As much of them is soft edge as before. */
    public function outline(): ?self
    {
        if ($this->outline <= 0) {
            return null;
        }
        $size = min(self::MOST_SIZE, $this->size + 2 * $this->outline);

        return new self(
            colour: $this->outlineColour,
            form: $this->form,
            spacing: $this->spacing,
            size: $size,
            length: $this->length,
            angle: $this->angle,
            spread: $this->spread,
            softness: ($this->softness * $this->size) / $size,
            variety: $this->variety,
            near: $this->near,
            middle: $this->middle,
            far: $this->far,
            seed: $this->seed,
            lamps: $this->lamps,
            dim: $this->dim,
        );
    }

    public function kind(): PassKind
    {
        return PassKind::Particles;
    }

    public static function layer(): null
    {
        return null;
    }
}

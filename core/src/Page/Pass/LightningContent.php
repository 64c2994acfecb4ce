<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Colour\Rgb;
use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;

/**
 * A stroke of lightning from one place to another, forked by a seed, with a glow about it and about its origin. The
 * places are parts of the page's width and height, lengths are in thousandths of the page's longer side: so it fits
 * pages of every size.
 *
 * @phpstan-type LightningData array{kind: 'lightning', colour: string, from: array{float, float},
 *     to: array{float, float}, width: float, jag: float, branches: int, glow: float, outline: float,
 *     outlineColour: string, seed: int}
 */
final readonly class LightningContent implements OutlinedContent
{
    use LaysOver;

    public const MOST_WIDTH = 30.0;

    public const MOST_BRANCHES = 12;

    /** Thousandths of the page's longer side. */
    public const MOST_GLOW = 60.0;

    /** Thousandths of the page's longer side. */
    public const MOST_OUTLINE = 5.0;

    private const SAYS = 'Lightning runs from one place to another.';

    /**
     * @param  array{float, float}  $from  its origin: parts of the width and of the height, -4..4
     * @param  array{float, float}  $to  where it strikes
     * @param  float  $width  where it begins: 0.2..30 thousandths
     * @param  float  $jag  0..1: how far it leaves the straight way
     * @param  int  $branches  0..12
     * @param  float  $glow  how far it glows: 0..60 thousandths
     * @param  int  $seed  0..65535
     * @param  float  $outline  how wide the outline on each side is: 0..5 thousandths; 0: none
     */
    public function __construct(
        public Rgb $colour,
        public array $from = [0.4, 0.0],
        public array $to = [0.6, 0.6],
        public float $width = 2.2,
        public float $jag = 0.5,
        public int $branches = 5,
        public float $glow = 14.0,
        public int $seed = 1,
        public float $outline = 0.0,
        public Rgb $outlineColour = new Rgb(0x20, 0x24, 0x2C),
    ) {
        Way::check($from, $to, self::SAYS);
        Bounds::number('width', $width, 0.2, self::MOST_WIDTH);
        Bounds::number('jag', $jag, 0, 1);
        Bounds::whole('branches', $branches, 0, self::MOST_BRANCHES);
        Bounds::number('glow', $glow, 0, self::MOST_GLOW);
        Bounds::whole('seed', $seed, 0, 65535);
        Bounds::number('outline', $outline, 0, self::MOST_OUTLINE);
    }

    public static function fromData(Data $data): self
    {
        return new self(
            colour: Rgb::fromHex($data->text('colour')),
            from: Way::place($data, 'from', self::SAYS),
            to: Way::place($data, 'to', self::SAYS),
            width: $data->number('width', 0.2, self::MOST_WIDTH, 2.2),
            jag: $data->number('jag', 0, 1, 0.5),
            branches: $data->int('branches', 0, self::MOST_BRANCHES, 5),
            glow: $data->number('glow', 0, self::MOST_GLOW, 14.0),
            seed: $data->int('seed', 0, 65535, 1),
            outline: $data->number('outline', 0, self::MOST_OUTLINE, 0.0),
            outlineColour: Rgb::fromHex($data->text('outlineColour', ParticlesContent::USUAL_OUTLINE)),
        );
    }

    /** @return LightningData */
    public function toData(): array
    {
        return [
            'kind' => 'lightning',
            'colour' => $this->colour->hex(),
            'from' => $this->from,
            'to' => $this->to,
            'width' => $this->width,
            'jag' => $this->jag,
            'branches' => $this->branches,
            'glow' => $this->glow,
            'outline' => $this->outline,
            'outlineColour' => $this->outlineColour->hex(),
            'seed' => $this->seed,
        ];
    }

    public function colour(): Rgb
    {
        return $this->colour;
    }

    /** The same stroke without its glow, wider by the outline on either side. */
    public function outline(): ?self
    {
        return $this->outline <= 0
            ? null
            : new self(
                colour: $this->outlineColour,
                from: $this->from,
                to: $this->to,
                width: min(self::MOST_WIDTH, $this->width + 2 * $this->outline),
                jag: $this->jag,
                branches: $this->branches,
                glow: 0.0,
                seed: $this->seed,
            );
    }

    public function kind(): PassKind
    {
        return PassKind::Lightning;
    }

    public static function layer(): null
    {
        return null;
    }
}

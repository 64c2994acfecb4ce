<?php

declare(strict_types=1);

namespace Awning\Core\Light\Plan;

use Awning\Core\Page\Data;

/**
 * What can be set of a rough light: two or three dials of each pass. Cosines are those between the surface and the
 * light.
 *
 * @phpstan-type RoughDialsData array{folds: float, soft: float, reach: float, cast: float, rim: float, lines: float,
 *     glow: float, deepFrom: float, deepSoft: float, corners: float, cornersDark: float, castSoft: float,
 *     ground: float, bounceFrom: float, bounceOver: float, lit: float, litSoft: float, glint: float, glintSoft: float,
 *     rimInside: float, linesFrom: float, glowFall: float, snow: float, snowLumps: float, snowSize: float}
 */
final readonly class RoughDials
{
    /** Least, most and usual of each. */
    public const RANGES = [
        'folds' => [0.0, 1.0, 1.0],
        'soft' => [0.0, 1.0, 0.12],
        'reach' => [-0.8, 0.8, 0.0],
        'cast' => [0.0, 600.0, 0.0],
        'rim' => [0.0, 60.0, 6.0],
        'lines' => [0.0, 1.0, 0.0],
        'glow' => [0.0, 800.0, 160.0],
        'deepFrom' => [0.0, 1.5, 0.45],
        'deepSoft' => [0.0, 1.0, 0.12],
        'corners' => [0.02, 1.0, 0.22],
        'cornersDark' => [0.0, 1.0, 0.85],
        'castSoft' => [0.0, 60.0, 0.0],
        'ground' => [0.0, 300.0, 0.0],
        'bounceFrom' => [0.0, 1.5, 0.2],
        'bounceOver' => [0.05, 1.5, 0.6],
        'lit' => [0.0, 1.0, 0.14],
        'litSoft' => [0.0, 1.0, 0.36],
        'glint' => [0.0, 0.3, 0.015],
        'glintSoft' => [0.0, 1.0, 0.53],
        'rimInside' => [0.0, 1.0, 0.0],
        'linesFrom' => [-0.5, 0.9, 0.3],
        'glowFall' => [1.0, 6.0, 3.0],
        'snow' => [0.0, 1.0, 0.0],
        'snowLumps' => [0.0, 1.0, 0.5],
        'snowSize' => [0.0, 200.0, 40.0],
    ];

    /** Those that are px of the page. */
    private const PIXELS = ['cast', 'castSoft', 'ground', 'rim', 'glow', 'snowSize'];

    /**
     * @param  float  $folds  how much lines inside a material part it into bodies: 0, it is one; 1, each region is one
     * @param  float  $soft  how soft the edge of a shade is: 0 hard; 1, it takes half of the body
     * @param  float  $reach  the cosine at which shade ends; 0 where the light grazes, more: it reaches into the light
     * @param  float  $cast  how long the shadows are that nearer things throw, px
     * @param  float  $rim  how wide a rim is, px
     * @param  float  $lines  how much lines give way to the light tone where light falls on them
     * @param  float  $glow  how far what shines glows, px
     * @param  float  $deepFrom  how far behind the shade's edge the deep shade's lies, as a cosine
     * @param  float  $deepSoft  as a shade's
     * @param  float  $corners  over which part of a body's radius it is dark where it touches another
     * @param  float  $cornersDark  how dark it is where they touch
     * @param  float  $castSoft  over how many px a thrown shadow fades toward its outline
     * @param  float  $ground  how far what stands on something darkens it, px to either side
     * @param  float  $bounceFrom  how far behind the shade's edge bounced light begins, as a cosine
     * @param  float  $bounceOver  how far behind that it is at its best
     * @param  float  $lit  how large the light is: so far from where it falls squarely, as a cosine; 0: there is none
     * @param  float  $litSoft  how soft its edge is: 0 hard; 1, it fades from its middle
     * @param  float  $glint  how large glints are, as the light; between the surface and half-way from light to reader
     * @param  float  $glintSoft  as the light's
     * @param  float  $rimInside  how much of a rim there is where another body of the figure lies beside the edge
     * @param  float  $linesFrom  the cosine from which lines give way
     * @param  float  $glowFall  how much of a glow is close to what shines: the power by which it falls
     * @param  float  $snow  how much snow has settled: 0 none; 1, on everything that faces up at all
     * @param  float  $snowLumps  how lumpy the rim of the snow is: 0 even
     * @param  float  $snowSize  how far it is from lump to lump, px
     *
     * @throws \RangeException
     */
    public function __construct(
        public float $folds = self::RANGES['folds'][2],
        public float $soft = self::RANGES['soft'][2],
        public float $reach = self::RANGES['reach'][2],
        public float $cast = self::RANGES['cast'][2],
        public float $rim = self::RANGES['rim'][2],
        public float $lines = self::RANGES['lines'][2],
        public float $glow = self::RANGES['glow'][2],
        public float $deepFrom = self::RANGES['deepFrom'][2],
        public float $deepSoft = self::RANGES['deepSoft'][2],
        public float $corners = self::RANGES['corners'][2],
        public float $cornersDark = self::RANGES['cornersDark'][2],
        public float $castSoft = self::RANGES['castSoft'][2],
        public float $ground = self::RANGES['ground'][2],
        public float $bounceFrom = self::RANGES['bounceFrom'][2],
        public float $bounceOver = self::RANGES['bounceOver'][2],
        public float $lit = self::RANGES['lit'][2],
        public float $litSoft = self::RANGES['litSoft'][2],
        public float $glint = self::RANGES['glint'][2],
        public float $glintSoft = self::RANGES['glintSoft'][2],
        public float $rimInside = self::RANGES['rimInside'][2],
        public float $linesFrom = self::RANGES['linesFrom'][2],
        public float $glowFall = self::RANGES['glowFall'][2],
        public float $snow = self::RANGES['snow'][2],
        public float $snowLumps = self::RANGES['snowLumps'][2],
        public float $snowSize = self::RANGES['snowSize'][2],
    ) {
        foreach (self::RANGES as $name => [$least, $most]) {
            if (! ($this->{$name} >= $least && $this->{$name} <= $most)) {
                throw new \RangeException("A rough light's $name runs from $least to $most.");
            }
        }
    }

    /** The same on a page so many times smaller: what is told in pixels shrinks. */
    public function smaller(int $by): self
    {
        $values = $this->toData();
        foreach (self::PIXELS as $name) {
            $values[$name] /= $by;
        }

        return new self(...$values);
    }

    /** A light that was kept before there were so many dials has a deep shade as soft as its shade. */
    public static function fromData(Data $data): self
    {
        $values = [];
        $usual = ['deepSoft' => $data->number('soft', ...self::RANGES['soft'])];
        foreach (self::RANGES as $name => [$least, $most, $otherwise]) {
            $values[$name] = $data->number($name, $least, $most, $usual[$name] ?? $otherwise);
        }

        return new self(...$values);
    }

    /** @return RoughDialsData */
    public function toData(): array
    {
        return [
            'folds' => $this->folds,
            'soft' => $this->soft,
            'reach' => $this->reach,
            'cast' => $this->cast,
            'rim' => $this->rim,
            'lines' => $this->lines,
            'glow' => $this->glow,
            'deepFrom' => $this->deepFrom,
            'deepSoft' => $this->deepSoft,
            'corners' => $this->corners,
            'cornersDark' => $this->cornersDark,
            'castSoft' => $this->castSoft,
            'ground' => $this->ground,
            'bounceFrom' => $this->bounceFrom,
            'bounceOver' => $this->bounceOver,
            'lit' => $this->lit,
            'litSoft' => $this->litSoft,
            'glint' => $this->glint,
            'glintSoft' => $this->glintSoft,
            'rimInside' => $this->rimInside,
            'linesFrom' => $this->linesFrom,
            'glowFall' => $this->glowFall,
            'snow' => $this->snow,
            'snowLumps' => $this->snowLumps,
            'snowSize' => $this->snowSize,
        ];
    }
}

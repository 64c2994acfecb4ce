<?php

declare(strict_types=1);

namespace Awning\Core\Page\Drawing;

use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;

/**
 * How a drawing is cleaned. All of it is kept beside the original and may be changed at any time.
 *
 * @phpstan-type CleanData array{flatten: float, paper: ?int, ink: ?int, weight: int, specks: int, pinholes: int,
 *     colours: value-of<LineColour>, turn: ?float, hard: bool, crop: bool}
 */
final readonly class CleanSettings
{
    public const HEAVIEST = 3;

    public const LARGEST_SPECK = 400;

    /** Degrees. */
    public const STEEPEST = 15.0;

    /** About a third of a millimetre across at 300 dpi; smaller than any dot drawn on purpose. */
    public const SPECKS = 9;

    public const PINHOLES = 4;

    /**
     * @param  float  $flatten  how much of the paper's tint and of the light is divided out, 0..1
     * @param  ?int  $paper  darkness up to which it is paper, 0..254; null: measured
     * @param  ?int  $ink  darkness from which it is full ink, 1..255; null: measured
     * @param  int  $weight  pixels by which lines become thicker or thinner on each side, -3..3
     * @param  int  $specks  islands of fewer pixels go, 0..400
     * @param  int  $pinholes  holes in solid black of at most so many pixels are filled, 0..400
     * @param  LineColour  $colours  what is dropped as an underdrawing
     * @param  ?float  $turn  degrees by which it is turned clockwise; null: straightened along the longest lines
     * @param  bool  $hard  pure black and white instead of grey edges
     * @param  bool  $crop  whether what lies round a photographed sheet goes
     */
    public function __construct(
        public float $flatten = 1.0,
        public ?int $paper = null,
        public ?int $ink = null,
        public int $weight = 0,
        public int $specks = self::SPECKS,
        public int $pinholes = self::PINHOLES,
        public LineColour $colours = LineColour::Auto,
        public ?float $turn = null,
        public bool $hard = false,
        public bool $crop = true,
    ) {
        Bounds::number('flatten', $flatten, 0, 1);
        Bounds::whole('paper', $paper ?? 0, 0, 254);
        Bounds::whole('ink', $ink ?? 255, 1, 255);
        Bounds::whole('weight', $weight, -self::HEAVIEST, self::HEAVIEST);
        Bounds::whole('specks', $specks, 0, self::LARGEST_SPECK);
        Bounds::whole('pinholes', $pinholes, 0, self::LARGEST_SPECK);
        Bounds::number('turn', $turn ?? 0.0, -self::STEEPEST, self::STEEPEST);
        if (($paper === null) !== ($ink === null)) {
            throw new \InvalidArgumentException('Set both where the paper ends and where full ink begins, or neither.');
        }
    }

    /** @throws \InvalidArgumentException */
    public static function fromData(Data $data): self
    {
        $isMeasured = ! $data->has('paper') && ! $data->has('ink');

        return new self(
            flatten: $data->number('flatten', 0, 1, 1),
            paper: $isMeasured ? null : $data->int('paper', 0, 254),
            ink: $isMeasured ? null : $data->int('ink', 1, 255),
            weight: $data->int('weight', -self::HEAVIEST, self::HEAVIEST, 0),
            specks: $data->int('specks', 0, self::LARGEST_SPECK, self::SPECKS),
            pinholes: $data->int('pinholes', 0, self::LARGEST_SPECK, self::PINHOLES),
            colours: $data->choice(
                'colours',
                LineColour::class,
                'Coloured lines are kept, or dropped where they are blue, red, or any colour.',
                LineColour::Auto,
            ),
            turn: $data->has('turn') ? $data->number('turn', -self::STEEPEST, self::STEEPEST) : null,
            hard: $data->flag('hard', false),
            crop: $data->flag('crop', true),
        );
    }

    /** @return CleanData */
    public function toData(): array
    {
        return [
            'flatten' => $this->flatten,
            'paper' => $this->paper,
            'ink' => $this->ink,
            'weight' => $this->weight,
            'specks' => $this->specks,
            'pinholes' => $this->pinholes,
            'colours' => $this->colours->value,
            'turn' => $this->turn,
            'hard' => $this->hard,
            'crop' => $this->crop,
        ];
    }

    /** The same for a picture in which each pixel stands for several, $factor on a side. */
    public function reduced(float $factor): self
    {
        $area = fn (int $pixels): int => (int) round($pixels / $factor / $factor);

        return new self(
            flatten: $this->flatten,
            paper: $this->paper,
            ink: $this->ink,
            weight: (int) round($this->weight / $factor),
            specks: $area($this->specks),
            pinholes: $area($this->pinholes),
            colours: $this->colours,
            turn: $this->turn,
            hard: $this->hard,
            crop: $this->crop,
        );
    }

    /** The same, left as it lies: a sheet that is straightened by its corners is not turned before. */
    public function unturned(): self
    {
        return new self(
            flatten: $this->flatten,
            paper: $this->paper,
            ink: $this->ink,
            weight: $this->weight,
            specks: $this->specks,
            pinholes: $this->pinholes,
            colours: $this->colours,
            turn: 0.0,
            hard: $this->hard,
            crop: $this->crop,
        );
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Page\Drawing;

use Awning\Core\Colour\Rgb;
use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;

/**
 * How the lines of a page look.
 *
 * @phpstan-type LinesData array{rule: value-of<LineRule>, colour: string, shown: bool}
 */
final readonly class LineColouring
{
    public const BLACK = '#111111';

    /** What is beneath is multiplied by this unless another colour is set: a dull violet (common practice). */
    public const OVER = '#64566a';

    /**
     * @param  string  $colour  #rrggbb, for the rule of one colour, and what colours beneath are multiplied by
     * @param  bool  $shown  false: lineless work
     */
    public function __construct(
        public LineRule $rule = LineRule::Black,
        public string $colour = self::BLACK,
        public bool $shown = true,
    ) {
        Bounds::colour($colour);
    }

    /** @throws \InvalidArgumentException */
    public static function fromData(Data $data): self
    {
        $colour = $data->text('colour', self::BLACK);

        return new self(
            $data->choice(
                'rule',
                LineRule::class,
                'Lines are black, of one colour, of their material\'s line tone, or darker than what lies beneath.',
                LineRule::Black,
            ),
            Rgb::fromHex($colour)->hex(),
            $data->flag('shown', true),
        );
    }

    public function with(bool $shown): self
    {
        return new self($this->rule, $this->colour, $shown);
    }

    /** What the ink begins with, before holds colour it. */
    public function ink(): Rgb
    {
        return Rgb::fromHex(
            match ($this->rule) {
                LineRule::Colour => $this->colour,
                LineRule::Beneath => $this->colour === self::BLACK ? self::OVER : $this->colour,
                LineRule::Black, LineRule::Tone => self::BLACK,
            },
        );
    }

    /** @return LinesData */
    public function toData(): array
    {
        return ['rule' => $this->rule->value, 'colour' => $this->colour, 'shown' => $this->shown];
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Page;

use Awning\Core\Colour\Rgb;

/**
 * How the lines of a page look.
 *
 * @phpstan-type LinesData array{rule: value-of<LineRule>, colour: string, shown: bool}
 */
final readonly class LineColouring
{
    public const BLACK = '#111111';

    /**
     * @param  string  $colour  #rrggbb, for the rule of one colour
     * @param  bool  $shown  false: lineless work
     */
    public function __construct(public LineRule $rule = LineRule::Black, public string $colour = self::BLACK, public bool $shown = true)
    {
    }

    /** @throws \InvalidArgumentException */
    public static function fromData(Data $data): self
    {
        $colour = $data->text('colour', self::BLACK);

        return new self(
            $data->choice('rule', LineRule::class, 'Lines are black, of one colour, or of their material\'s line tone.', LineRule::Black),
            Rgb::fromHex($colour)->hex(), $data->flag('shown', true),
        );
    }

    /** @return LinesData */
    public function toData(): array
    {
        return ['rule' => $this->rule->value, 'colour' => $this->colour, 'shown' => $this->shown];
    }
}

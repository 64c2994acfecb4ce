<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Colour\Rgb;
use Awning\Core\Page\Data;

/**
 * One colour over all that the pass reaches: its own, or that of what lies around a figure.
 *
 * @phpstan-import-type SurroundingsData from Surroundings
 *
 * @phpstan-type WashData array{kind: 'wash', colour: string, around?: SurroundingsData}
 */
final readonly class WashContent implements PassContent
{
    use LaysOver;

    /** @param  ?Surroundings  $around  what it has its colour from while some of that is filled; null: its own */
    public function __construct(public Rgb $colour, public ?Surroundings $around = null)
    {
    }

    public static function fromData(Data $data): self
    {
        return new self(
            Rgb::fromHex($data->text('colour')),
            $data->has('around') ? Surroundings::fromData($data) : null,
        );
    }

    /** @return WashData */
    public function toData(): array
    {
        return ['kind' => 'wash', 'colour' => $this->colour->hex()] +
            ($this->around === null ? [] : ['around' => $this->around->toData()]);
    }

    public function kind(): PassKind
    {
        return PassKind::Wash;
    }

    public static function layer(): null
    {
        return null;
    }
}

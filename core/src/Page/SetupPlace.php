<?php

declare(strict_types=1);

namespace Awning\Core\Page;

/**
 * Which pass of which setup a pass was hung as.
 *
 * @phpstan-type SetupPlaceData array{setup: int, place: int}
 */
final readonly class SetupPlace
{
    /**
     * @param  int  $setup  of the series
     * @param  int  $place  in it, 0 the lowest
     */
    public function __construct(public int $setup, public int $place)
    {
    }

    /** @throws \InvalidArgumentException */
    public static function fromData(Data $data): self
    {
        return new self($data->int('setup', 1, PHP_INT_MAX), $data->int('place', 0, Setup::MOST - 1));
    }

    /** @return SetupPlaceData */
    public function toData(): array
    {
        return ['setup' => $this->setup, 'place' => $this->place];
    }
}

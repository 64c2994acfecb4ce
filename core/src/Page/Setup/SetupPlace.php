<?php

declare(strict_types=1);

namespace Awning\Core\Page\Setup;

use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;

/**
 * Which pass of which setup a pass was hung as, and in which regions that was painted.
 *
 * @phpstan-type SetupPlaceData array{setup: int, place: int, marked: list<int>}
 */
final readonly class SetupPlace
{
    /** As many regions as an op may be kept to. */
    private const MOST = 5000;

    /**
     * @param  int  $setup  of the series
     * @param  int  $place  in it, 0 the lowest
     * @param  list<int>  $marked  numbers of the regions that it paints in, as one thing; none: it was hung empty
     */
    public function __construct(public int $setup, public int $place, public array $marked = [])
    {
        Bounds::whole('setup', $setup, 1);
        Bounds::whole('place', $place, 0, Setup::MOST - 1);
        if (count($marked) > self::MOST) {
            throw new \InvalidArgumentException(
                'A setup is painted in at most '.self::MOST.' regions at once. Pick fewer.',
            );
        }
    }

    /** @throws \InvalidArgumentException */
    public static function fromData(Data $data): self
    {
        return new self(
            $data->int('setup', 1, PHP_INT_MAX),
            $data->int('place', 0, Setup::MOST - 1),
            $data->labels('marked', self::MOST),
        );
    }

    /** @param  list<int>  $marked */
    public function in(array $marked): self
    {
        return new self($this->setup, $this->place, $marked);
    }

    /** @return SetupPlaceData */
    public function toData(): array
    {
        return ['setup' => $this->setup, 'place' => $this->place, 'marked' => $this->marked];
    }
}

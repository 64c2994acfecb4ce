<?php

declare(strict_types=1);

namespace Awning\Core\Page\Region;

use Awning\Core\Page\Data;

/**
 * Which way strands of hair or the folds of cloth run in a region: a line that was drawn over it.
 *
 * @phpstan-type FlowPoint array{float, float}
 */
final readonly class FlowLine
{
    public const MOST = 24;

    /**
     * @param  non-empty-list<FlowPoint>  $points  two at least; from the left and the top, in parts of the page's width
     *     and height
     */
    private function __construct(public array $points)
    {
    }

    /**
     * @param  list<mixed>  $points
     *
     * @throws \InvalidArgumentException
     */
    public static function fromList(array $points): self
    {
        $line = [];
        foreach ($points as $point) {
            $place = Data::place($point, -0.5, 1.5, 'A direction is drawn from place to place.');
            // A place twice says no direction.
            if ($line === [] || $place !== $line[count($line) - 1]) {
                $line[] = $place;
            }
        }
        if (count($line) < 2 || count($line) > self::MOST) {
            throw new \InvalidArgumentException('A direction has 2 to '.self::MOST.' places. Draw it again.');
        }

        return new self($line);
    }

    /** @return non-empty-list<FlowPoint> */
    public function toList(): array
    {
        return $this->points;
    }
}

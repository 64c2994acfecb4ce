<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;

/** From one place of a page to another, in parts of its width and height. The places may lie some pages off. */
final class Way
{
    /** So many pages. */
    private const FAR = 4.0;

    /**
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     * @param  string  $otherwise  what to say when both are one place
     *
     * @throws \InvalidArgumentException
     */
    public static function check(array $from, array $to, string $otherwise): void
    {
        foreach ([...$from, ...$to] as $place) {
            Bounds::number('from', $place, -self::FAR, self::FAR);
        }
        if ($from === $to) {
            throw new \InvalidArgumentException($otherwise);
        }
    }

    /**
     * @param  string  $name  of the place: from or to
     * @param  string  $otherwise  what to say when it is no place
     * @return array{float, float}
     *
     * @throws \InvalidArgumentException
     */
    public static function place(Data $data, string $name, string $otherwise): array
    {
        return Data::place($data->list($name, 2), -self::FAR, self::FAR, $otherwise);
    }
}

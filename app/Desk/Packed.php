<?php

declare(strict_types=1);

namespace App\Desk;

/**
 * Results on their way between processes: packed by this process or its copy, so that nothing of them comes from
 * outside.
 */
final class Packed
{
    public static function of(object $result): string
    {
        return serialize($result);
    }

    /**
     * @template T of object
     *
     * @param  class-string<T>  $kind
     * @return T
     */
    public static function read(string $packed, string $kind): object
    {
        $result = unserialize($packed);
        assert($result instanceof $kind);

        return $result;
    }
}

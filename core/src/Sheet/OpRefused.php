<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

/** An op that cannot be done on this page; the message tells the person what to do. Nothing was changed. */
final class OpRefused extends \RuntimeException
{
    /**
     * Runs work in which a value that is out of bounds refuses the op.
     *
     * @template T
     *
     * @param  callable(): T  $work
     * @return T
     *
     * @throws self
     */
    public static function onInvalidValues(callable $work): mixed
    {
        try {
            return $work();
        } catch (\InvalidArgumentException|\RangeException $error) {
            throw new self($error->getMessage(), 0, $error);
        }
    }
}

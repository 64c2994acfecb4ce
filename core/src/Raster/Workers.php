<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/** Who does many pieces of work that know nothing of each other: one after the other, or several at a time. */
interface Workers
{
    /**
     * @template T
     * @template R
     *
     * @param  list<T>  $pieces
     * @param  callable(T): R  $work  what it gives can be serialized
     * @param  ?callable(float): void  $progress  told the share done, 0..1; may throw to end the work
     * @return list<R> one for each piece, in their order
     */
    public function each(array $pieces, callable $work, ?callable $progress = null): array;
}

<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;

/** Something of a palette that is never deleted: pages and journals name it, and undo brings it back. */
trait CanRetire
{
    /** @return Builder<self> those that are in the palette now */
    public static function living(): Builder
    {
        /** @var Builder<self> $living */
        $living = static::query()->where((new static)->qualifyColumn('retired'), false);

        return $living;
    }
}

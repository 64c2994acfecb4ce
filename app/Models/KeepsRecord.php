<?php

declare(strict_types=1);

namespace App\Models;

use Awning\Core\Page\Record;

/** A table that keeps one kind of a page's records, a row each, under the page's id and a key. */
interface KeepsRecord
{
    public static function keyColumn(): string;

    /** @return array<string, scalar|null> the columns but page and key */
    public static function rowOf(Record $record): array;

    /**
     * @param  \stdClass  $row  as the query builder gives it: hydrating thousands of models would cost more than the
     *     query
     */
    public static function recordOf(\stdClass $row): Record;
}

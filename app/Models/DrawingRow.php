<?php

declare(strict_types=1);

namespace App\Models;

use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\Drawing;
use Awning\Core\Page\Record;
use Illuminate\Database\Eloquent\Model;

/**
 * What is asked for in columns; how it is cleaned and lies as JSON, which is only ever read whole.
 *
 * @property int $page_id
 * @property string $id
 */
final class DrawingRow extends Model implements KeepsRecord
{
    public $timestamps = false;

    public $incrementing = false;

    protected $table = 'drawings';

    protected $keyType = 'string';

    public static function keyColumn(): string
    {
        return 'id';
    }

    public static function rowOf(Record $record): array
    {
        assert($record instanceof Drawing);

        return [
            'original_id' => $record->original,
            'settings' => json_encode(
                $record->toData(),
                JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE,
            ),
        ];
    }

    public static function recordOf(\stdClass $row): Drawing
    {
        /** @var \stdClass&object{settings: string} $row */
        return Drawing::fromData(new Data((array) json_decode($row->settings, true, flags: JSON_THROW_ON_ERROR)));
    }
}

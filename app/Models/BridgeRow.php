<?php

declare(strict_types=1);

namespace App\Models;

use Awning\Core\Page\Record;
use Awning\Core\Page\Region\Bridge;
use Awning\Core\Page\Region\BridgeKind;
use Illuminate\Database\Eloquent\Model;

/**
 * @property int $page_id
 * @property int $number
 */
final class BridgeRow extends Model implements KeepsRecord
{
    public $timestamps = false;

    protected $table = 'bridges';

    public static function keyColumn(): string
    {
        return 'number';
    }

    public static function rowOf(Record $record): array
    {
        assert($record instanceof Bridge);

        return $record->toData();
    }

    public static function recordOf(\stdClass $row): Bridge
    {
        /** @var \stdClass&object{x1: int, y1: int, x2: int, y2: int, kind: string, score: float|string} $row */
        return new Bridge($row->x1, $row->y1, $row->x2, $row->y2, BridgeKind::from($row->kind), (float) $row->score);
    }
}

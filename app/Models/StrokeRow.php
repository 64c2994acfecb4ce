<?php

declare(strict_types=1);

namespace App\Models;

use Awning\Core\Page\Drawing\InkStroke;
use Awning\Core\Page\Record;
use Illuminate\Database\Eloquent\Model;

/**
 * A line drawn here. Its points are read whole, never one by one.
 *
 * @property int $page_id
 * @property string $id
 */
final class StrokeRow extends Model implements KeepsRecord
{
    public $timestamps = false;

    public $incrementing = false;

    protected $table = 'ink_strokes';

    protected $keyType = 'string';

    public static function keyColumn(): string
    {
        return 'id';
    }

    public static function rowOf(Record $record): array
    {
        assert($record instanceof InkStroke);

        return [
            'weight' => $record->weight,
            'taper' => $record->taper,
            'steady' => $record->steady,
            'grain' => $record->grain,
            'points' => json_encode($record->points, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION),
        ];
    }

    public static function recordOf(\stdClass $row): InkStroke
    {
        /** @var \stdClass&object{points: string, weight: float, taper: float, steady: float, grain: float} $row */
        /** @var non-empty-list<array{float, float, float}> $points */
        $points = json_decode($row->points, true, flags: JSON_THROW_ON_ERROR);

        return new InkStroke(
            $points,
            (float) $row->weight,
            (float) $row->taper,
            (float) $row->steady,
            (float) $row->grain,
        );
    }
}

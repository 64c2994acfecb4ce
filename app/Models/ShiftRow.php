<?php

declare(strict_types=1);

namespace App\Models;

use Awning\Core\Page\Pass\ColourTurn;
use Awning\Core\Page\Record;
use Awning\Core\Page\Region\ColourShift;
use Illuminate\Database\Eloquent\Model;

/**
 * @property int $page_id
 * @property string $id
 * @property int $material_id
 */
final class ShiftRow extends Model implements KeepsRecord
{
    public $timestamps = false;

    public $incrementing = false;

    protected $table = 'colour_shifts';

    public static function keyColumn(): string
    {
        return 'id';
    }

    public static function rowOf(Record $record): array
    {
        assert($record instanceof ColourShift);

        return ['material_id' => $record->material, ...$record->turn->toData()];
    }

    public static function recordOf(\stdClass $row): ColourShift
    {
        /** @var \stdClass&object{material_id: int, lightness: float, chroma: float, hue: float} $row */
        return new ColourShift(
            $row->material_id,
            new ColourTurn((float) $row->lightness, (float) $row->chroma, (float) $row->hue),
        );
    }
}

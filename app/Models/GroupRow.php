<?php

declare(strict_types=1);

namespace App\Models;

use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Page\Pass\PassGroup;
use Awning\Core\Page\Record;
use Illuminate\Database\Eloquent\Model;

/**
 * @property int $page_id
 * @property string $id
 */
final class GroupRow extends Model implements KeepsRecord
{
    public $timestamps = false;

    public $incrementing = false;

    protected $table = 'pass_groups';

    protected $keyType = 'string';

    public static function keyColumn(): string
    {
        return 'id';
    }

    public static function rowOf(Record $record): array
    {
        assert($record instanceof PassGroup);

        return $record->toData();
    }

    public static function recordOf(\stdClass $row): PassGroup
    {
        /** @var \stdClass&object{isolated: int, mode: string, opacity: float|string} $row */
        return new PassGroup((bool) $row->isolated, BlendMode::from($row->mode), (float) $row->opacity);
    }
}

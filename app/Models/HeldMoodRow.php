<?php

declare(strict_types=1);

namespace App\Models;

use Awning\Core\Page\Data;
use Awning\Core\Page\Mood\HeldMood;
use Awning\Core\Page\Record;
use Illuminate\Database\Eloquent\Model;

/**
 * @property int $page_id
 * @property string $id
 */
final class HeldMoodRow extends Model implements KeepsRecord
{
    public $timestamps = false;

    public $incrementing = false;

    protected $table = 'held_moods';

    protected $keyType = 'string';

    public static function keyColumn(): string
    {
        return 'id';
    }

    public static function rowOf(Record $record): array
    {
        assert($record instanceof HeldMood);
        ['name' => $name, 'brought' => $brought, 'layers' => $layers, 'groups' => $groups] = $record->toData();

        return [
            'name' => $name,
            'plan' => $brought['plan'],
            'variant' => $brought['variant'],
            'layers' => json_encode($layers, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION),
            'groups' => json_encode($groups, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION),
        ];
    }

    public static function recordOf(\stdClass $row): HeldMood
    {
        /**
         * @var \stdClass&object{name: string, plan: ?int, variant: ?int, layers: string, groups: string} $row
         */
        return HeldMood::fromData(
            new Data([
                'name' => $row->name,
                'brought' => ['plan' => $row->plan, 'variant' => $row->variant],
                'layers' => json_decode($row->layers, true),
                'groups' => json_decode($row->groups, true),
            ]),
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Awning\Core\Page\Mood\Brought;
use Awning\Core\Page\Record;
use Awning\Core\Page\Region\FlowLines;
use Awning\Core\Page\Region\Region;
use Awning\Core\Page\Region\Solid;
use Illuminate\Database\Eloquent\Model;

/**
 * @property int $page_id
 * @property int $label
 * @property int $figure_id
 * @property int $material_id
 * @property bool $locked
 * @property ?string $shift
 * @property ?int $variant
 * @property ?string $solid
 * @property bool $in_front
 * @property ?string $flow a list of lines; of places, where it was kept when there was one line alone
 * @property ?int $plan
 * @property bool $in_mood whether it wears a mood of its own, which brings these two
 * @property ?int $mood_plan
 * @property ?int $mood_variant
 */
final class RegionRow extends Model implements KeepsRecord
{
    public $timestamps = false;

    protected $table = 'regions';

    public static function keyColumn(): string
    {
        return 'label';
    }

    public static function rowOf(Record $record): array
    {
        assert($record instanceof Region);

        return [
            'figure_id' => $record->figure,
            'material_id' => $record->material,
            'area' => $record->area,
            'x' => $record->x,
            'y' => $record->y,
            'locked' => $record->locked,
            'shift' => $record->shift,
            'variant' => $record->variant,
            'solid' => $record->solid?->value,
            'in_front' => $record->inFront,
            'flow' => $record->flow === null ? null : json_encode($record->flow->toList(), JSON_THROW_ON_ERROR),
            'plan' => $record->plan,
            'in_mood' => $record->mood !== null,
            'mood_plan' => $record->mood?->plan,
            'mood_variant' => $record->mood?->variant,
        ];
    }

    public static function recordOf(\stdClass $row): Region
    {
        /**
         * @var \stdClass&object{figure_id: int, material_id: int, area: int, x: int, y: int, locked: int,
         *     shift: ?string, variant: ?int, solid: ?string, in_front: int, flow: ?string, plan: ?int, in_mood: int,
         *     mood_plan: ?int, mood_variant: ?int} $row
         */
        return new Region(
            figure: $row->figure_id,
            material: $row->material_id,
            area: $row->area,
            x: $row->x,
            y: $row->y,
            locked: (bool) $row->locked,
            shift: $row->shift,
            variant: $row->variant,
            solid: $row->solid === null ? null : Solid::from($row->solid),
            inFront: (bool) $row->in_front,
            flow: $row->flow === null ? null : FlowLines::fromList(array_values((array) json_decode($row->flow, true))),
            plan: $row->plan,
            mood: $row->in_mood === 0 ? null : new Brought($row->mood_plan, $row->mood_variant),
        );
    }
}

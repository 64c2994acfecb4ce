<?php

declare(strict_types=1);

namespace App\Models;

use App\Values\Scalar;
use Awning\Core\Page\Data;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Record;
use Illuminate\Database\Eloquent\Model;

/**
 * What all passes have in columns; what only one kind has as JSON.
 *
 * @property int $page_id
 * @property string $id
 * @property int $figure_id
 */
final class PassRow extends Model implements KeepsRecord
{
    public $timestamps = false;

    public $incrementing = false;

    protected $table = 'passes';

    protected $keyType = 'string';

    public static function keyColumn(): string
    {
        return 'id';
    }

    public static function rowOf(Record $record): array
    {
        assert($record instanceof PassSpec);

        return [
            'figure_id' => $record->figure,
            'name' => $record->name,
            'kind' => $record->content->kind()->value,
            'settings' => json_encode(
                (object) array_diff_key($record->content->toData(), ['kind' => 0]),
                JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION,
            ),
            'scope_kind' => $record->scope->kind->value,
            'scope_id' => $record->scope->id,
            'mode' => $record->mode->value,
            'opacity' => $record->opacity,
            'visible' => $record->visible,
            'place' => $record->order,
            'group_id' => $record->group,
            'mask_pass' => $record->mask?->pass,
            'mask_outside' => $record->mask !== null && $record->mask->outside,
            'setup_id' => $record->setup?->setup,
            'setup_place' => $record->setup?->place,
            'setup_marked' => $record->setup === null || $record->setup->marked === []
                    ? null
                    : json_encode($record->setup->marked, JSON_THROW_ON_ERROR),
            'turn_lightness' => $record->turn?->lightness,
            'turn_chroma' => $record->turn?->chroma,
            'turn_hue' => $record->turn?->hue,
        ];
    }

    public static function recordOf(\stdClass $row): PassSpec
    {
        return PassSpec::fromData(
            new Data([
                'figure' => $row->figure_id,
                'name' => $row->name,
                'content' => ['kind' => $row->kind]
                    + (array) json_decode(Scalar::string($row->settings), true, flags: JSON_THROW_ON_ERROR),
                'scope' => ['kind' => $row->scope_kind, 'id' => $row->scope_id],
                'mode' => $row->mode,
                'opacity' => $row->opacity,
                'visible' => (bool) $row->visible,
                'order' => $row->place,
                'group' => $row->group_id,
                'mask' => $row->mask_pass === null
                        ? null
                        : ['pass' => $row->mask_pass, 'outside' => (bool) $row->mask_outside],
                'setup' => $row->setup_id === null
                        ? null
                        : [
                            'setup' => $row->setup_id,
                            'place' => $row->setup_place,
                            'marked' => (array) json_decode(Scalar::string($row->setup_marked ?? '[]'), true),
                        ],
                'turn' => $row->turn_chroma === null
                        ? null
                        : ['lightness' => $row->turn_lightness, 'chroma' => $row->turn_chroma, 'hue' => $row->turn_hue],
            ]),
        );
    }
}

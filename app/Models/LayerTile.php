<?php

declare(strict_types=1);

namespace App\Models;

use App\Values\Scalar;
use Illuminate\Database\Eloquent\Model;

/**
 * Which tile stands where in a page's layer now.
 *
 * @property int $page_id
 * @property string $layer
 * @property int $column
 * @property int $row
 * @property string $hash
 */
final class LayerTile extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $table = 'layer_tiles';

    protected $primaryKey = null;

    /** @return list<string> of all pages */
    public static function hashesInUse(): array
    {
        return Scalar::strings(self::query()->toBase()->distinct()->pluck('hash')->all());
    }
}

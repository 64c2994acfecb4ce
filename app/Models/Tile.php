<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * The bytes of a tile under the hash of their content, deflated.
 *
 * @property string $hash
 * @property string $bytes
 * @property Carbon $made_at
 */
final class Tile extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $primaryKey = 'hash';

    protected $keyType = 'string';
}

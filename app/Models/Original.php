<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A file as it was sent, byte for byte; never written again.
 *
 * @property int $id
 * @property ?int $page_id
 * @property ?int $series_id instead, where it is of no page
 * @property string $name
 * @property string $path
 * @property string $sha256
 * @property int $bytes
 */
final class Original extends Model
{
    protected $fillable = ['page_id', 'series_id', 'user_id', 'name', 'path', 'sha256', 'bytes'];
}

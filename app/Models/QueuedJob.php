<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A job of the database queue, as the framework keeps it.
 *
 * @property int $id
 * @property ?int $reserved_at seconds since 1970; null while no worker has it
 */
final class QueuedJob extends Model
{
    protected $table = 'jobs';

    public $timestamps = false;
}

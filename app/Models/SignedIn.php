<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/** A session of the database driver, as the framework keeps it. */
final class SignedIn extends Model
{
    protected $table = 'sessions';

    public $timestamps = false;

    public $incrementing = false;

    protected $keyType = 'string';
}

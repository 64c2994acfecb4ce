<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * That an entry changed a layer.
 *
 * @property int $journal_id
 * @property string $layer
 */
final class JournalLayer extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $table = 'journal_layers';

    protected $primaryKey = null;
}

<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property int $series_id
 * @property string $name
 * @property int $depth the higher, the nearer to the reader
 * @property Series $series
 * @property Collection<int, Material> $materials
 */
final class Figure extends Model
{
    protected $fillable = ['series_id', 'name', 'depth'];

    /** @return BelongsTo<Series, $this> */
    public function series(): BelongsTo
    {
        return $this->belongsTo(Series::class);
    }

    /** @return HasMany<Material, $this> */
    public function materials(): HasMany
    {
        return $this->hasMany(Material::class)->orderBy('place')->orderBy('id');
    }
}

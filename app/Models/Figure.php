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
 * @property bool $retired whether it was taken out of the palette
 * @property ?int $stands_in which figure takes its place then
 * @property ?int $follows_id a figure of another series that it follows
 * @property ?int $linked_by who made it follow
 * @property int $followed_version the other series' palette when it last was up to date
 * @property ?Figure $followed
 * @property bool $soft whether its outer edge is shown softened by a pixel
 * @property Series $series
 * @property Collection<int, Material> $materials
 */
final class Figure extends Model
{
    use CanRetire;
    use CleanName;

    protected $fillable = ['series_id', 'name', 'depth'];

    /** @var array<string, string> */
    protected $casts = ['retired' => 'boolean', 'soft' => 'boolean'];

    /** @return BelongsTo<Series, $this> */
    public function series(): BelongsTo
    {
        return $this->belongsTo(Series::class);
    }

    /** @return BelongsTo<Figure, $this> */
    public function followed(): BelongsTo
    {
        return $this->belongsTo(self::class, 'follows_id');
    }

    /** @return HasMany<Material, $this> */
    public function materials(): HasMany
    {
        return $this->hasMany(Material::class)->where('retired', false)->orderBy('place')->orderBy('id');
    }

    /**
     * @return array{name: string, depth: int, retired: bool, stands_in: ?int, follows_id: ?int, soft: bool} as the
     *     series' journal keeps it
     */
    public function toRecord(): array
    {
        return [
            'name' => $this->name,
            'depth' => $this->depth,
            'retired' => $this->retired,
            'stands_in' => $this->stands_in,
            'follows_id' => $this->follows_id,
            'soft' => $this->soft,
        ];
    }
}

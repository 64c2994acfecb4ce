<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * @property int $id
 * @property int $series_id
 * @property int $number
 * @property string $title
 * @property ?string $pictured the state of page and palette that its last small picture shows
 * @property int $revision
 * @property ?int $width px; null while the page is empty
 * @property ?int $height
 * @property ?float $dpi
 * @property bool $behind lines have changed since the regions were found
 * @property ?int $version_id the palette's version it stays with; null: it follows the palette
 * @property ?list<int> $follows materials that follow all the same
 * @property ?int $variant_id the variant of the palette it has
 * @property ?PaletteVersion $held
 * @property ?PaletteVariant $variant
 * @property ?int $mood_plan the light plan that its mood brings
 * @property ?int $plan_id the light plan it stands under
 * @property ?SeriesLight $light
 * @property ?int $holder_id
 * @property ?string $lease
 * @property ?Carbon $lease_until
 * @property int $regions_count only where a card asked for it, like the next three
 * @property int $unfilled_count
 * @property int $passes_count
 * @property bool $originals_exists
 * @property ?int $originals_max_id
 * @property Series $series
 * @property ?User $holder
 */
final class Page extends Model
{
    protected $fillable = ['series_id', 'number', 'title'];

    /** @var array<string, string> */
    protected $casts = ['lease_until' => 'datetime', 'behind' => 'boolean', 'follows' => 'array'];

    /** @return BelongsTo<Series, $this> */
    public function series(): BelongsTo
    {
        return $this->belongsTo(Series::class);
    }

    /** @return BelongsTo<PaletteVersion, $this> */
    public function held(): BelongsTo
    {
        return $this->belongsTo(PaletteVersion::class, 'version_id');
    }

    /** @return BelongsTo<PaletteVariant, $this> one that is not retired */
    public function variant(): BelongsTo
    {
        $variant = $this->belongsTo(PaletteVariant::class, 'variant_id');
        $variant->where('retired', false);

        return $variant;
    }

    /** @return BelongsTo<SeriesLight, $this> one that is not retired */
    public function light(): BelongsTo
    {
        $light = $this->belongsTo(SeriesLight::class, 'plan_id');
        $light->where('retired', false);

        return $light;
    }

    /** @return BelongsTo<User, $this> */
    public function holder(): BelongsTo
    {
        return $this->belongsTo(User::class, 'holder_id');
    }

    /** Whoever works on it now; a lease that has lapsed is nobody's. */
    public function heldBy(): ?User
    {
        return $this->lease_until?->isFuture() === true ? $this->holder : null;
    }

    /** @return HasMany<Original, $this> */
    public function originals(): HasMany
    {
        return $this->hasMany(Original::class);
    }

    /** @return HasMany<RegionRow, $this> */
    public function regions(): HasMany
    {
        return $this->hasMany(RegionRow::class);
    }

    /** @return HasMany<PassRow, $this> */
    public function passes(): HasMany
    {
        return $this->hasMany(PassRow::class);
    }

    /** @return HasMany<JournalEntry, $this> */
    public function journal(): HasMany
    {
        return $this->hasMany(JournalEntry::class);
    }

    /**
     * @return array{version_id: ?int, follows: ?list<int>, variant_id: ?int, plan_id: ?int} what it takes from its
     *     series
     */
    public function toRecord(): array
    {
        return [
            'version_id' => $this->version_id,
            'follows' => $this->follows,
            'variant_id' => $this->variant_id,
            'plan_id' => $this->plan_id,
        ];
    }
}

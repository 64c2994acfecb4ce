<?php

declare(strict_types=1);

namespace App\Models;

use Awning\Core\Colour\Derivation;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\ToneRule;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @phpstan-import-type DerivationPart from Derivation
 *
 * @property int $id
 * @property string $name
 * @property string $light
 * @property ?DerivationPart $dials of the rule for derived tones
 * @property int $read_width_mm
 * @property int $read_ppi
 * @property int $palette_version
 * @property Collection<int, Figure> $figures
 * @property Collection<int, Page> $pages
 * @property Collection<int, Member> $members
 */
final class Series extends Model
{
    use CleanName;

    protected $table = 'series';

    protected $fillable = ['name', 'light', 'read_width_mm', 'read_ppi'];

    /** @var array<string, string> */
    protected $casts = ['dials' => 'array'];

    /** @return HasMany<Figure, $this> */
    public function figures(): HasMany
    {
        return $this->hasMany(Figure::class)->where('retired', false)->orderByDesc('depth')->orderBy('id');
    }

    /**
     * Finds what an address names inside this series. Figures and materials that were taken out are found, too: whoever
     * still shows one is told so by what would change it.
     *
     * @param  string  $childType
     * @param  mixed  $value
     * @param  ?string  $field
     */
    public function resolveChildRouteBinding($childType, $value, $field): ?Model
    {
        return match ($childType) {
            'figure' => Figure::query()->where('series_id', $this->id)->whereKey($value)->first(),
            'material' => Material::query()->whereRelation('figure', 'series_id', $this->id)->whereKey($value)->first(),
            default => parent::resolveChildRouteBinding($childType, $value, $field),
        };
    }

    /** @return HasMany<PaletteVariant, $this> */
    public function variants(): HasMany
    {
        return $this->hasMany(PaletteVariant::class)->where('retired', false)->orderBy('id');
    }

    /** @return HasMany<SeriesBrush, $this> */
    public function brushes(): HasMany
    {
        return $this->hasMany(SeriesBrush::class)->where('retired', false)->orderBy('id');
    }

    /** @return HasMany<SeriesSetup, $this> */
    public function setups(): HasMany
    {
        return $this->hasMany(SeriesSetup::class)->where('retired', false)->orderBy('id');
    }

    /** @return HasMany<SeriesLight, $this> */
    public function lights(): HasMany
    {
        return $this->hasMany(SeriesLight::class)->where('retired', false)->orderBy('id');
    }

    /** @return HasMany<PaletteVersion, $this> */
    public function versions(): HasMany
    {
        return $this->hasMany(PaletteVersion::class);
    }

    /** @return HasMany<ReferencePicture, $this> */
    public function references(): HasMany
    {
        return $this->hasMany(ReferencePicture::class);
    }

    /** @return BelongsToMany<User, $this> */
    public function users(): BelongsToMany
    {
        return $this->belongsToMany(User::class, 'members');
    }

    /** @return HasMany<Page, $this> */
    public function pages(): HasMany
    {
        return $this->hasMany(Page::class)->orderBy('number');
    }

    /** @return HasMany<Member, $this> */
    public function members(): HasMany
    {
        return $this->hasMany(Member::class);
    }

    /** @return array{light: string, dials: ?DerivationPart} as its journal keeps it */
    public function toRecord(): array
    {
        return ['light' => $this->light, 'dials' => $this->dials];
    }

    /** By which tones nobody has pinned are worked out. */
    public function rule(): ToneRule
    {
        return new ToneRule(Rgb::fromHex($this->light), (new Derivation)->with($this->dials ?? []));
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Awning\Core\Colour\Derivation;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\ToneRule;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
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

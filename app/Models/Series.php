<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property string $name
 * @property string $light
 * @property int $read_width_mm
 * @property int $read_ppi
 * @property int $palette_version
 * @property Collection<int, Figure> $figures
 * @property Collection<int, Page> $pages
 * @property Collection<int, Member> $members
 */
final class Series extends Model
{
    protected $table = 'series';

    protected $fillable = ['name', 'light', 'read_width_mm', 'read_ppi'];

    /** @return HasMany<Figure, $this> */
    public function figures(): HasMany
    {
        return $this->hasMany(Figure::class)->orderByDesc('depth')->orderBy('id');
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
}

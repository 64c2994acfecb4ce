<?php

declare(strict_types=1);

namespace App\Models;

use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\ToneRule;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int $figure_id
 * @property string $name
 * @property int $place
 * @property array<string, string> $pinned tone name => #rrggbb
 * @property int $version
 * @property Figure $figure
 */
final class Material extends Model
{
    protected $fillable = ['figure_id', 'name', 'place', 'pinned'];

    /** @var array<string, string> */
    protected $casts = ['pinned' => 'array'];

    /** @return BelongsTo<Figure, $this> */
    public function figure(): BelongsTo
    {
        return $this->belongsTo(Figure::class);
    }

    /** @return array{figure: int, name: string, place: int, pinned: array<string, string>, version: int} as the series' journal keeps it */
    public function toRecord(): array
    {
        return ['figure' => $this->figure_id, 'name' => $this->name, 'place' => $this->place, 'pinned' => $this->pinned, 'version' => $this->version];
    }

    /** @return array<string, Rgb> all six tones, the derived ones by the rule */
    public function tones(ToneRule $rule): array
    {
        return $rule->complete(array_map(Rgb::fromHex(...), $this->pinned));
    }
}

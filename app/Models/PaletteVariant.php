<?php

declare(strict_types=1);

namespace App\Models;

use Awning\Core\Colour\Tone;
use Illuminate\Database\Eloquent\Model;

/**
 * A named set of differences for the same cast: wet, night clothes, ill. What it does not say comes from the palette.
 *
 * @phpstan-type VariantTones array<int, array<value-of<Tone>, string>>
 *
 * @property int $id
 * @property int $series_id
 * @property string $name
 * @property VariantTones $tones of each material the tones that are others, as #rrggbb
 * @property int $version
 * @property bool $retired whether it was taken out
 */
final class PaletteVariant extends Model
{
    use CanRetire;
    use CleanName;

    public $timestamps = false;

    protected $fillable = ['series_id', 'name', 'tones'];

    /** @var array<string, string> */
    protected $casts = ['tones' => 'array', 'retired' => 'boolean'];

    /** @return array{name: string, tones: VariantTones, retired: bool, version: int} as the series' journal keeps it */
    public function toRecord(): array
    {
        return [
            'name' => $this->name,
            'tones' => $this->tones,
            'retired' => $this->retired,
            'version' => $this->version,
        ];
    }
}

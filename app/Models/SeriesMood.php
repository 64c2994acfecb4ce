<?php

declare(strict_types=1);

namespace App\Models;

use Awning\Core\Page\Mood\Mood;
use Illuminate\Database\Eloquent\Model;

/**
 * A mood that a series keeps.
 *
 * @phpstan-import-type MoodLayerData from Mood
 *
 * @property int $id
 * @property int $series_id
 * @property string $name
 * @property list<MoodLayerData> $layers
 * @property string $light the name of the light plan it brings; empty: none
 * @property string $variant the name of the palette variant it brings; empty: none
 * @property bool $retired whether it was taken out
 * @property int $version grows with every change
 */
final class SeriesMood extends Model
{
    use CanRetire;
    use CleanName;

    public $timestamps = false;

    protected $table = 'moods';

    protected $fillable = ['series_id', 'name', 'layers', 'light', 'variant'];

    /** @var array<string, string> */
    protected $casts = ['layers' => 'array', 'retired' => 'boolean'];

    public function mood(): Mood
    {
        return Mood::fromList($this->layers)->bringing($this->light, $this->variant);
    }

    /**
     * @return array{name: string, layers: list<MoodLayerData>, light: string, variant: string, retired: bool,
     *     version: int} as the series' journal keeps it
     */
    public function toRecord(): array
    {
        return [
            'name' => $this->name,
            'layers' => $this->layers,
            'light' => $this->light,
            'variant' => $this->variant,
            'retired' => $this->retired,
            'version' => $this->version,
        ];
    }
}

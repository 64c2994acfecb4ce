<?php

declare(strict_types=1);

namespace App\Desk\Palette;

use App\Models\PaletteVariant;
use App\Models\Series;
use App\Models\SeriesLight;
use App\Models\SeriesMood;
use Awning\Core\Page\Mood\Mood;
use Awning\Core\Page\Mood\MoodBox;
use Awning\Core\Sheet\Ops\Passes\WearMood;
use Illuminate\Database\Eloquent\ModelNotFoundException;

/**
 * The moods of a series: those that lie ready, and its own.
 *
 * @phpstan-import-type MoodLayerData from Mood
 *
 * @phpstan-type MoodState array{key: string, id: ?int, version: int, name: string, layers: list<MoodLayerData>,
 *     light: string, variant: string}
 * @phpstan-type MeasuredMoodState array{name: string, layers: list<MoodLayerData>}
 */
final readonly class SeriesMoods
{
    public function __construct(private Series $series)
    {
    }

    /** @return list<MoodState> id null: it lies ready */
    public function toClient(): array
    {
        $states = [];
        foreach ($this->all() as $key => [$id, $name, $mood, $version]) {
            $state = ['key' => $key, 'id' => $id, 'version' => $version, 'name' => $name];
            $states[] = $state + ['layers' => $mood->toList()] + $mood->brought();
        }

        return $states;
    }

    /**
     * @param  string  $key  as the window was told it
     * @return array{?int, string, Mood, int} id, name, layers and version
     *
     * @throws ModelNotFoundException
     */
    public function find(string $key): array
    {
        return $this->all()[$key] ?? throw new ModelNotFoundException;
    }

    /**
     * How a page is shown in a mood.
     *
     * @return array{string, WearMood} its name, and the change
     *
     * @throws ModelNotFoundException
     */
    public function worn(string $key): array
    {
        [, $name, $mood] = $this->find($key);

        return [$name, WearMood::of($name, $mood, ...$this->brought($mood))];
    }

    /**
     * What the names that a mood brings mean in this series.
     *
     * @return array{?int, ?int} the light plan and the palette variant; null where it brings none, or the series has
     *     none of that name
     */
    public function brought(Mood $mood): array
    {
        $lights = SeriesLight::living()->where('series_id', $this->series->id)->where('name', $mood->light);
        $variants = PaletteVariant::living()->where('series_id', $this->series->id)->where('name', $mood->variant);

        return [
            $mood->light === '' ? null : $lights->orderBy('id')->first()?->id,
            $mood->variant === '' ? null : $variants->orderBy('id')->first()?->id,
        ];
    }

    /** @return array<string, array{?int, string, Mood, int}> by key */
    private function all(): array
    {
        $all = [];
        foreach (MoodBox::all() as $name => $mood) {
            $all['ready'.count($all)] = [null, $name, $mood, 1];
        }
        foreach (SeriesMood::living()->where('series_id', $this->series->id)->orderBy('id')->get() as $row) {
            assert($row instanceof SeriesMood);
            $all["own$row->id"] = [$row->id, $row->name, $row->mood(), $row->version];
        }

        return $all;
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Awning\Core\Light\Plan\LightPlan;
use Awning\Core\Page\Data;
use Illuminate\Database\Eloquent\Model;

/**
 * A light plan of a series.
 *
 * @phpstan-import-type LightPlanData from LightPlan
 *
 * @property int $id
 * @property int $series_id
 * @property string $name
 * @property LightPlanData $plan
 * @property int $version
 * @property bool $retired whether it was taken out
 */
final class SeriesLight extends Model
{
    use CanRetire;
    use CleanName;

    public $timestamps = false;

    protected $table = 'light_plans';

    protected $fillable = ['series_id', 'name', 'plan'];

    /** @var array<string, string> */
    protected $casts = ['plan' => 'array', 'retired' => 'boolean'];

    /** @return array<int, self> the living ones of a series, by id */
    public static function of(int $series): array
    {
        /** @var array<int, self> $lights */
        $lights = self::living()->where('series_id', $series)->orderBy('id')->get()->keyBy('id')->all();

        return $lights;
    }

    public function plan(): LightPlan
    {
        return LightPlan::fromData(new Data($this->plan));
    }

    /** @return array{name: string, plan: LightPlanData, retired: bool, version: int} as the series' journal keeps it */
    public function toRecord(): array
    {
        return ['name' => $this->name, 'plan' => $this->plan, 'retired' => $this->retired, 'version' => $this->version];
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Awning\Core\Brush\Tip;
use Illuminate\Database\Eloquent\Model;

/**
 * A brush that somebody made and a series keeps.
 *
 * @phpstan-import-type TipData from Tip
 *
 * @property int $id
 * @property int $series_id
 * @property string $name
 * @property array{size: float, hardness: float, tip: ?TipData} $brush
 * @property bool $retired whether it was taken out
 */
final class SeriesBrush extends Model
{
    use CanRetire;
    use CleanName;

    public $timestamps = false;

    protected $table = 'brushes';

    protected $fillable = ['series_id', 'name', 'brush'];

    /** @var array<string, string> */
    protected $casts = ['brush' => 'array', 'retired' => 'boolean'];

    /**
     * @return array{name: string, brush: array{size: float, hardness: float, tip: ?TipData}, retired: bool} as the
     *     series' journal keeps it
     */
    public function toRecord(): array
    {
        return ['name' => $this->name, 'brush' => $this->brush, 'retired' => $this->retired];
    }
}

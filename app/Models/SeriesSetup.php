<?php

declare(strict_types=1);

namespace App\Models;

use Awning\Core\Page\Setup\Setup;
use Illuminate\Database\Eloquent\Model;

/**
 * A stack of passes that a series keeps.
 *
 * @phpstan-import-type SetupPass from Setup
 *
 * @property int $id
 * @property int $series_id
 * @property string $name
 * @property list<SetupPass> $passes
 * @property bool $retired whether it was taken out
 */
final class SeriesSetup extends Model
{
    use CanRetire;
    use CleanName;

    public $timestamps = false;

    protected $table = 'setups';

    protected $fillable = ['series_id', 'name', 'passes'];

    /** @var array<string, string> */
    protected $casts = ['passes' => 'array', 'retired' => 'boolean'];

    /** @return array{name: string, passes: list<SetupPass>, retired: bool} as the series' journal keeps it */
    public function toRecord(): array
    {
        return ['name' => $this->name, 'passes' => $this->passes, 'retired' => $this->retired];
    }
}

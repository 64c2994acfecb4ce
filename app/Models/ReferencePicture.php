<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A picture that stands beside the work: of a series, or of one of its pages. It hangs on a board without borders,
 * whose unit is a pixel of the screen at no zoom.
 *
 * @phpstan-type MainColour array{colour: string, share: float}
 * @phpstan-type ReferenceState array{id: int, page: ?int, name: string, width: ?int, height: ?int,
 *     colours: array<int, list<MainColour>>, x: float, y: float, across: float, mirrored: bool, grey: bool,
 *     trouble: ?string}
 *
 * @property int $id
 * @property int $series_id
 * @property ?int $page_id null: of the whole series
 * @property int $original_id
 * @property string $name
 * @property ?int $width px of the picture that is shown; null until it has been read
 * @property ?int $height
 * @property ?array<int, list<MainColour>> $colours the main colours, by how many there shall be
 * @property float $x of its left upper corner
 * @property float $y
 * @property float $across how wide it hangs
 * @property bool $mirrored
 * @property bool $grey
 * @property Original $original
 * @property ?Task $task what reads it
 */
final class ReferencePicture extends Model
{
    public $timestamps = false;

    protected $fillable = ['series_id', 'page_id', 'original_id', 'task_id', 'name', 'x', 'y'];

    /** @var array<string, string> */
    protected $casts = [
        'colours' => 'array',
        'x' => 'float',
        'y' => 'float',
        'across' => 'float',
        'mirrored' => 'boolean',
        'grey' => 'boolean',
    ];

    /** @return BelongsTo<Original, $this> */
    public function original(): BelongsTo
    {
        return $this->belongsTo(Original::class);
    }

    /** @return BelongsTo<Task, $this> */
    public function task(): BelongsTo
    {
        return $this->belongsTo(Task::class);
    }

    /** @return ReferenceState */
    public function toClient(): array
    {
        return [
            'id' => $this->id,
            'page' => $this->page_id,
            'name' => $this->name,
            'width' => $this->width,
            'height' => $this->height,
            'colours' => $this->colours ?? [],
            'x' => $this->x,
            'y' => $this->y,
            'across' => $this->across,
            'mirrored' => $this->mirrored,
            'grey' => $this->grey,
            'trouble' => $this->trouble(),
        ];
    }

    private function trouble(): ?string
    {
        return $this->width === null && in_array($this->task?->state, [null, 'failed', 'stopped'], true)
            ? $this->task->message ?? 'It was never read. Remove it and add it again.'
            : null;
    }
}

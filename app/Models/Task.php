<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Work that takes longer than a request, with its progress.
 *
 * @phpstan-type TaskState array{id: int, kind: 'import'|'clean'|'deliver', state: 'waiting'|'working'|'done'|'failed'|'stopped', progress: int, message: string, download: ?string, name: ?string}
 *
 * @property int $id
 * @property int $page_id
 * @property int $user_id
 * @property 'import'|'clean'|'deliver' $kind
 * @property 'waiting'|'working'|'done'|'failed'|'stopped' $state
 * @property int $progress 0..100
 * @property string $message
 * @property array<string, mixed> $input
 * @property ?string $result_path
 * @property ?string $result_name
 * @property Page $page
 * @property User $user
 */
final class Task extends Model
{
    protected $fillable = ['page_id', 'user_id', 'kind', 'state', 'progress', 'message', 'input', 'result_path', 'result_name'];

    /** @var array<string, string> */
    protected $casts = ['input' => 'array'];

    /** @return BelongsTo<Page, $this> */
    public function page(): BelongsTo
    {
        return $this->belongsTo(Page::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return TaskState */
    public function toClient(): array
    {
        return [
            'id' => $this->id, 'kind' => $this->kind, 'state' => $this->state, 'progress' => $this->progress, 'message' => $this->message,
            'download' => $this->state === 'done' && $this->result_path !== null ? "/deliveries/$this->id" : null,
            'name' => $this->result_name,
        ];
    }
}

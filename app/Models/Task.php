<?php

declare(strict_types=1);

namespace App\Models;

use Awning\Core\Proof\MatchedColour;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Work that takes longer than a request, with its progress.
 *
 * @phpstan-import-type MatchedData from MatchedColour
 *
 * @phpstan-type TakenRow array{colour: string, share: float, verdict: 'exact'|'near'|'new', difference: ?float,
 *     material: ?int, labels: list<int>}
 * @phpstan-type TakenReport array{name: string, right: int, down: int, rows: list<TakenRow>}
 * @phpstan-type PageOutcome array{page: int, number: int, done: bool, why: string}
 * @phpstan-type PagesReport array{outcomes: list<PageOutcome>}
 * @phpstan-type MatchReport array{name: string, width: int, height: int, rows: list<MatchedData>}
 * @phpstan-type TaskQuestion array{kind: 'cut', share: int, original: int}
 * @phpstan-type TaskState array{id: int, kind: string, state: 'waiting'|'working'|'done'|'failed'|'stopped',
 *     progress: int, message: string, download: ?string, name: ?string, question: ?TaskQuestion, report: ?TakenReport,
 *     match: ?MatchReport, outcomes: ?list<PageOutcome>}
 *
 * @property int $id
 * @property ?int $page_id
 * @property ?int $series_id instead, where it is of no page
 * @property int $user_id
 * @property string $kind as TaskKinds has it
 * @property 'waiting'|'working'|'done'|'failed'|'stopped' $state
 * @property int $progress 0..100
 * @property string $message
 * @property array<string, mixed> $input
 * @property ?string $result_path
 * @property ?string $result_name
 * @property ?string $lease the lease of the page it was begun under
 * @property string $line which it waits in
 * @property ?string $worker the process that works on it
 * @property int $attempts how often it was begun
 * @property ?TaskQuestion $question what the person must decide first
 * @property TakenReport|MatchReport|PagesReport|null $report what came of it that a person settles
 * @property ?\Illuminate\Support\Carbon $created_at
 * @property ?Page $page
 * @property ?Series $series
 * @property User $user
 */
final class Task extends Model
{
    protected $fillable = [
        'page_id',
        'series_id',
        'user_id',
        'kind',
        'state',
        'progress',
        'message',
        'input',
        'result_path',
        'result_name',
        'lease',
        'line',
        'worker',
        'question',
        'report',
    ];

    /** @var array<string, string> */
    protected $casts = ['input' => 'array', 'question' => 'array', 'report' => 'array'];

    /** @return BelongsTo<Page, $this> */
    public function page(): BelongsTo
    {
        return $this->belongsTo(Page::class);
    }

    /** @return BelongsTo<Series, $this> */
    public function series(): BelongsTo
    {
        return $this->belongsTo(Series::class);
    }

    public function onPage(): Page
    {
        return $this->page ?? throw new \LogicException("Task $this->id is not of a page.");
    }

    public function inSeries(): Series
    {
        return $this->page->series ?? ($this->series ?? throw new \LogicException("Task $this->id is of nothing."));
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** Unless it was stopped, or is finished already. */
    public function finish(): void
    {
        self::query()
            ->whereKey($this->id)
            ->where('state', 'working')
            ->update(['state' => 'done', 'progress' => 100, 'message' => 'Done']);
    }

    /** What the person should know of what was done; nothing where the text is empty. */
    public function say(string $text): void
    {
        if ($text !== '') {
            self::query()
                ->whereKey($this->id)
                ->update(['message' => mb_substr($text, 0, 400)]);
        }
    }

    /** @return TaskState */
    public function toClient(): array
    {
        /** @var ?TakenReport $taken */
        $taken = $this->reportOf('take');
        /** @var ?MatchReport $match */
        $match = $this->reportOf('match');

        return [
            'id' => $this->id,
            'kind' => $this->kind,
            'state' => $this->state,
            'progress' => $this->progress,
            'message' => $this->message,
            'download' => $this->state === 'done' && $this->result_path !== null ? "/deliveries/$this->id" : null,
            'name' => $this->result_name,
            'question' => $this->state === 'failed' ? $this->question : null,
            'report' => $taken,
            'match' => $match,
            'outcomes' => $this->report['outcomes'] ?? null,
        ];
    }

    /** @return TakenReport|MatchReport|PagesReport|null what came of it, where it is of that kind and done */
    private function reportOf(string $kind): ?array
    {
        return $this->state === 'done' && $this->kind === $kind ? $this->report : null;
    }
}

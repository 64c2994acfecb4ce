<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\Conflict;
use App\Desk\TaskEnded;
use App\Models\Original;
use App\Models\Page;
use App\Models\ReferencePicture;
use App\Models\Series;
use App\Models\Task;
use App\Store\ChildDecoder;
use App\Store\NotKept;
use App\Store\Originals;
use App\Store\PageLock;
use App\Values\Scalar;
use Awning\Core\Codec\Picture;
use Awning\Core\Codec\UnreadableImage;
use Awning\Core\Sheet\OpRefused;

/**
 * Work that reports how far it is, can be stopped, and says in plain words when it fails. It may be killed and run
 * again at any moment: what it makes of a page is laid there in the transaction that ends it.
 */
abstract class LongTask
{
    /** Its name in the table of tasks and in addresses. */
    abstract public static function kind(): string;

    /** Whether it is work on a series, not on one page. */
    public static function isOfSeries(): bool
    {
        return false;
    }

    /** Whether a file that was sent for it is of no more use when it fails or is stopped. */
    public static function forgetsFile(): bool
    {
        return false;
    }

    /** Whether that is so when it is stopped; when it fails, the file may be asked for again. */
    public static function forgetsFileWhenStopped(): bool
    {
        return static::forgetsFile();
    }

    /** Which queue it waits in: short work is never behind long work. */
    abstract public static function line(): string;

    abstract protected function work(Task $task): void;

    /**
     * Whether what is asked for takes the place of the same person's task of this kind that waits for the same page.
     *
     * @param  array<string, mixed>  $waiting  its input
     * @param  array<string, mixed>  $asked
     */
    public static function replaces(array $waiting, array $asked): bool
    {
        return false;
    }

    /** What a person is told who stopped it. */
    public static function stopped(Task $task): string
    {
        return 'Stopped. Nothing was changed.';
    }

    /** @param  Task  $task  taken out of its line by this process */
    final public function run(Task $task): void
    {
        $lock = $task->page_id === null ? null : new PageLock($task->page_id);
        try {
            $this->step($task, 2, 'Starting');
            if (static::line() === TaskLine::LONG) {
                $lock?->take(fn () => $this->step($task, 2, 'Waiting for other work on this page'));
            }
            $this->work($task);
            $task->finish();
        } catch (TaskEnded) {
            return;
        } catch (GoesOn) {
            (new Tasks)->goOn($task);
        } catch (OpRefused|UnreadableImage|Conflict|NotKept $error) {
            $task->forceFill(['state' => 'failed', 'message' => mb_substr($error->getMessage(), 0, 400)])->save();
            if (static::forgetsFile()) {
                (new Originals)->forget($task);
            }
        } finally {
            $lock?->give();
        }
    }

    /** The file that was sent for it, or that of a picture on the series' board. */
    protected static function fileOf(Task $task): Original
    {
        if (isset($task->input['reference'])) {
            return ReferencePicture::query()
                ->where('series_id', $task->inSeries()->id)
                ->whereKey(Scalar::int($task->input['reference']))->firstOrFail()->original;
        }

        return Original::query()
            ->where($task->page_id === null ? ['series_id' => $task->series_id] : ['page_id' => $task->page_id])
            ->whereKey(Scalar::int($task->input['original'] ?? 0))->firstOrFail();
    }

    /**
     * @throws UnreadableImage
     * @throws TaskEnded
     */
    protected function decoded(Task $task, Original $original, int $progress, string $message): Picture
    {
        return (new Originals)->withFile(
            $original,
            fn (string $file): Picture => (new ChildDecoder)->read(
                $file,
                fn () => $this->step($task, $progress, $message),
            ),
        );
    }

    /** @throws TaskEnded when somebody pressed stop meanwhile */
    protected function step(Task $task, int $progress, string $message): void
    {
        $alive = Task::query()
            ->whereKey($task->id)
            ->whereIn('state', ['waiting', 'working'])
            ->update(['state' => 'working', 'progress' => $progress, 'message' => $message, 'updated_at' => now()]);
        if (
            $alive === 0 &&
            ! in_array(Task::query()->whereKey($task->id)->value('state'), ['waiting', 'working'], true)
        ) {
            throw new TaskEnded;
        }
    }
}

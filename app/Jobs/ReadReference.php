<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\Page\PictureOnBoard;
use App\Models\ReferencePicture;
use App\Models\Task;
use App\Values\Scalar;

/** Reads a picture that shall stand beside the work. */
final class ReadReference extends LongTask
{
    public static function kind(): string
    {
        return 'reference';
    }

    public static function isOfSeries(): bool
    {
        return true;
    }

    public static function line(): string
    {
        return TaskLine::QUICK;
    }

    protected function work(Task $task): void
    {
        $reference = ReferencePicture::query()
            ->with('original')
            ->whereKey(Scalar::int($task->input['reference'] ?? 0))->first();
        // Taken away before it was read.
        if ($reference === null) {
            return;
        }
        $picture = $this->decoded($task, $reference->original, 10, 'Reading the picture');
        (new PictureOnBoard($reference))->show(
            $picture,
            fn (float $share) => $this->step($task, 50 + (int) (45 * $share), 'Finding its colours'),
        );
    }
}

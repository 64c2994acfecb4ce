<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\ReferencePicture;
use App\Models\Task;
use App\Store\OriginalViews;
use Awning\Core\Codec\Thumbnail;
use Awning\Core\Colour\ColourShare;
use Awning\Core\Colour\MainColours;

/** Reads a picture that shall stand beside the work: as it will be shown, and its main colours. */
final class ReadReference extends LongTask
{
    public static function line(): string
    {
        return 'quick';
    }

    protected function work(Task $task): void
    {
        $reference = ReferencePicture::query()->with('original')->find($task->input['reference'] ?? 0);
        if ($reference === null) {
            return;
        }
        $picture = $this->decoded($task, $reference->original, 10, 'Reading the picture');
        (new OriginalViews)->keep($reference->original, $picture);
        $colours = [];
        for ($count = MainColours::FEWEST; $count <= MainColours::MOST; $count++) {
            $this->step($task, 50 + 4 * $count, 'Finding its colours');
            $colours[$count] = array_map(fn (ColourShare $one): array => ['colour' => $one->colour->hex(), 'share' => round($one->share, 4)], MainColours::of($picture->paint, $count));
        }
        [$width, $height] = (new Thumbnail(OriginalViews::SIDE))->size($picture->paint->width, $picture->paint->height);
        $reference->forceFill(['width' => $width, 'height' => $height, 'colours' => $colours])->save();
    }
}

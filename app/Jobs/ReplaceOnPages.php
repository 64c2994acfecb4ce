<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Task;
use Awning\Core\Colour\Tone;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\Ops\Passes\ReplaceMaterial;
use Awning\Core\Sheet\Ops\Passes\ReplaceTone;

/** One material, or one tone of a figure, in place of another. */
final class ReplaceOnPages extends OnPages
{
    protected function op(Task $task): Op
    {
        /** @var array{title: string, material: int, into: int, figure: int}|array{title: string, figure: int, tone: value-of<Tone>, by: value-of<Tone>} $input */
        $input = $task->input;

        return isset($input['material'])
            ? new ReplaceMaterial($input['material'], $input['into'], $input['figure'], $input['title'])
            : new ReplaceTone($input['figure'], Tone::from($input['tone']), Tone::from($input['by']), $input['title']);
    }
}

<?php

declare(strict_types=1);

namespace App\Jobs;

use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\CleanSettings;
use Awning\Core\Page\Drawing\Placement;

/** Cleans or places a drawing anew, from its original. */
final class CleanDrawing extends LayDrawing implements ClientTask
{
    public static function kind(): string
    {
        return 'clean';
    }

    public static function right(): string
    {
        return 'flat';
    }

    public static function holding(): Holding
    {
        return Holding::Held;
    }

    public static function asked(TaskInput $asked): array
    {
        $input = $asked->checked([
            'drawing' => ['required', 'string', LayDrawing::ID],
            'clean' => 'present|array',
            'place' => 'required|array',
        ]);
        $settings = fn (): CleanSettings => CleanSettings::fromData(new Data($input->array('clean')));
        $place = fn (): Placement => Placement::fromData(new Data($input->array('place')));

        return [
            'drawing' => $input->string('drawing')->toString(),
            'clean' => $asked->series->built('clean', $settings)->toData(),
            'place' => $asked->series->built('clean', $place)->toData(),
        ];
    }
}

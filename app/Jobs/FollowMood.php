<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\Palette\SeriesMoods;
use App\Models\Task;
use Awning\Core\Page\Mood\Mood;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\Ops\Passes\WearMood;

/** Shows pages in a mood as the series had it when this was asked for. */
final class FollowMood extends OnPages
{
    public static function kind(): string
    {
        return 'mood';
    }

    public static function asked(TaskInput $asked): array
    {
        $input = $asked->checked(self::PAGES + ['mood' => 'required|integer']);
        $mood = $asked->series->mood($input->integer('mood'));

        [$plan, $variant] = (new SeriesMoods($asked->series->series))->brought($mood->mood());

        return [
            'pages' => self::pages($input),
            'name' => $mood->name,
            'layers' => $mood->layers,
            'plan' => $plan,
            'variant' => $variant,
        ];
    }

    protected function op(Task $task): Op
    {
        /** @var array{name: string, layers: list<mixed>, plan: ?int, variant: ?int} $input */
        $input = $task->input;

        return WearMood::of($input['name'], Mood::fromList($input['layers']), $input['plan'], $input['variant']);
    }
}

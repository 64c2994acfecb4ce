<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Task;
use Awning\Core\Page\Setup\Setup;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\Ops\Passes\FollowSetup;

/** What hangs from a setup becomes what the setup was when this was asked for. */
final class FollowOnPages extends OnPages
{
    public static function kind(): string
    {
        return 'follow';
    }

    public static function asked(TaskInput $asked): array
    {
        $input = $asked->checked(self::PAGES + [
            'setup' => 'required|integer',
            'known' => 'required|integer|min:0|max:'.Setup::MOST,
            'before' => 'sometimes|array|max:'.Setup::MOST,
        ]);
        $setup = $asked->series->setup($input->integer('setup'));

        return [
            'pages' => self::pages($input),
            'setup' => $setup->id,
            'name' => $setup->name,
            'passes' => $setup->passes,
            'known' => $input->integer('known'),
            'before' => $input->has('before') ? $asked->series->passes('before')->toList() : null,
        ];
    }

    protected function op(Task $task): Op
    {
        /** @var array{setup: int, name: string, passes: list<mixed>, known: int, before: ?list<mixed>} $input */
        $input = $task->input;

        return new FollowSetup(
            $input['setup'],
            $input['name'],
            Setup::fromList($input['passes']),
            $input['known'],
            $input['before'] === null ? null : Setup::fromList($input['before']),
        );
    }
}

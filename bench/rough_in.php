<?php

declare(strict_types=1);

/*
 * One first light on a page, as a queue worker works it out and lays it; prints milliseconds as JSON.
 *
 *   php bench/rough_in.php PAGE INPUT     the task's input as JSON
 */

use App\Desk\Page\Lease;
use App\Jobs\RoughInFigures;
use App\Models\Task;
use App\Models\User;
use Illuminate\Contracts\Console\Kernel;

require __DIR__.'/../vendor/autoload.php';
(require __DIR__.'/../bootstrap/app.php')->make(Kernel::class)->bootstrap();

[, $page, $input] = $argv;
$task = Task::query()->create([
    'page_id' => (int) $page,
    'user_id' => User::query()->firstOrFail()->id,
    'kind' => 'rough',
    'state' => 'waiting',
    'progress' => 0,
    'message' => 'Waiting',
    'input' => json_decode($input, true), 'lease' => 'benchlease0000',
]);
config(['awning.lease_seconds' => 9999]);
(new Lease)->take($task->onPage(), User::query()->findOrFail($task->user_id), 'benchlease0000');
$began = hrtime(true);
(new RoughInFigures($task->id))->handle();
$took = (hrtime(true) - $began) / 1e6;
$task->refresh()->state === 'done' || throw new RuntimeException($task->message);
echo json_encode(['ms' => $took]);

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Page\Lease;
use App\Http\Requests\HolderRequest;
use App\Jobs\HoldAgainst;
use App\Jobs\Holding;
use App\Jobs\TaskInput;
use App\Jobs\TaskKinds;
use App\Jobs\Tasks;
use App\Models\Page;
use App\Models\Series;
use App\Models\Task;
use App\Models\User;
use App\Store\Originals;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Storage;
use Illuminate\Validation\Rule;
use Symfony\Component\HttpFoundation\StreamedResponse;

final class TaskController
{
    public function __construct(private readonly Tasks $tasks)
    {
    }

    /** Begins work on a page. */
    public function begin(Request $request, Page $page, string $kind, Originals $originals): JsonResponse
    {
        $work = TaskKinds::forPage($kind) ?? abort(404);
        Gate::authorize($work::right(), $page);
        $lease = self::lease($request, $page, $work::holding());
        $input = $work::asked(new TaskInput($page, self::person($request), $request->all(), $originals));

        return self::begun($this->tasks->begin($page, self::person($request), $kind, $input, $lease));
    }

    /** Begins work on a series. */
    public function beginForSeries(Request $request, Series $series, string $kind, Originals $originals): JsonResponse
    {
        $work = TaskKinds::forSeries($kind) ?? abort(404);
        Gate::authorize($work::right(), $series);
        $input = $work::asked(new TaskInput($series, self::person($request), $request->all(), $originals));

        return self::begun($this->tasks->begin($series, self::person($request), $kind, $input));
    }

    /** The page's work that is going on, for a window that was reloaded meanwhile. */
    public function index(Page $page): JsonResponse
    {
        return new JsonResponse(
            Task::query()
                ->where('page_id', $page->id)
                ->whereIn('state', ['waiting', 'working'])
                ->where('created_at', '>', now()->subHour())
                ->get()
                ->map(fn (Task $task): array => $task->toClient()),
        );
    }

    public function show(Request $request, Task $task): JsonResponse
    {
        $this->mine($request, $task);

        return new JsonResponse($task->toClient());
    }

    public function stop(Request $request, Task $task): JsonResponse
    {
        $this->mine($request, $task);
        $stopped = $this->tasks->stop($task);
        $state = $task->refresh()->toClient();
        if (! $stopped && $task->state === 'done') {
            $state['message'] = 'It was done before it could be stopped. Undo takes it back.';
        }

        return new JsonResponse($state);
    }

    public function download(Request $request, Task $task): StreamedResponse
    {
        $this->mine($request, $task);
        abort_unless($task->state === 'done' && $task->result_path !== null, 404);
        $request->validate(['part' => ['sometimes', Rule::in(HoldAgainst::PARTS)]]);
        if ($request->has('part')) {
            abort_unless($task->kind === 'match', 404);

            return Storage::disk('works')->response(
                dirname($task->result_path).'/'.$request->string('part')->toString().'.png',
            );
        }

        return Storage::disk('works')->download($task->result_path, $task->result_name);
    }

    /** @return ?string the lease under which it is begun; null when it needs none */
    private static function lease(Request $request, Page $page, Holding $holding): ?string
    {
        if ($holding !== Holding::Held) {
            $holding === Holding::Any || Lease::checkFree($page, self::person($request));

            return null;
        }
        $request->validate(HolderRequest::LEASE);
        $lease = $request->string('lease')->toString();
        Lease::check($page, self::person($request), $lease);

        return $lease;
    }

    private static function begun(Task $task): JsonResponse
    {
        return new JsonResponse($task->toClient(), 202);
    }

    private static function person(Request $request): User
    {
        $user = $request->user();

        return $user instanceof User ? $user : abort(401);
    }

    private function mine(Request $request, Task $task): void
    {
        $user = $request->user();
        abort_unless(
            $user instanceof User && $task->user_id === $user->id && $user->roleIn($task->inSeries()) !== null,
            403,
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Lease;
use App\Http\Requests\HolderRequest;
use App\Jobs\Deliver;
use App\Jobs\Tasks;
use App\Models\Page;
use App\Models\Task;
use App\Models\User;
use App\Store\Originals;
use Awning\Core\Codec\ImageHeader;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Validation\Rule;
use Symfony\Component\HttpFoundation\StreamedResponse;

final class TaskController
{
    public function __construct(private readonly Tasks $tasks)
    {
    }

    /** Checks the file's head at once, keeps the file, and leaves the rest to a job. */
    public function import(HolderRequest $request, Page $page, Originals $originals): JsonResponse
    {
        Lease::check($page, $request->person(), $request->lease());
        $request->validate([
            'scan' => 'required_without:original|file|max:'. 1024 * (int) config('awning.upload_megabytes'),
            'original' => 'sometimes|integer',
            'cut' => 'sometimes|boolean',
        ]);
        $file = $request->file('scan');
        if ($file instanceof UploadedFile) {
            ImageHeader::of($file->path());
            $original = $originals->keep($page, $request->person(), $file->path(), $file->getClientOriginalName());
        } else {
            $original = $page->originals()->findOrFail($request->integer('original'));
        }
        $input = ['original' => $original->id, 'cut' => $request->boolean('cut')];
        $task = $this->tasks->begin($page, $request->person(), 'import', $input, $request->lease());

        return new JsonResponse($task->toClient(), 202);
    }

    public function clean(HolderRequest $request, Page $page): JsonResponse
    {
        Lease::check($page, $request->person(), $request->lease());
        $request->validate(['paper' => 'required|integer|between:0,254', 'ink' => 'required|integer|between:1,255|gt:paper']);
        $levels = ['paper' => $request->integer('paper'), 'ink' => $request->integer('ink')];
        $task = $this->tasks->begin($page, $request->person(), 'clean', $levels, $request->lease());

        return new JsonResponse($task->toClient(), 202);
    }

    public function deliver(Request $request, Page $page): JsonResponse
    {
        $request->validate(['format' => ['required', Rule::in(Deliver::FORMATS)]]);
        /** @var User $user */
        $user = $request->user();
        $task = $this->tasks->begin($page, $user, 'deliver', ['format' => $request->string('format')->toString()]);

        return new JsonResponse($task->toClient(), 202);
    }

    /** The page's work that is going on, for a window that was reloaded meanwhile. */
    public function index(Page $page): JsonResponse
    {
        return new JsonResponse(Task::query()->where('page_id', $page->id)->whereIn('state', ['waiting', 'working'])
            ->where('created_at', '>', now()->subHour())->get()->map(fn (Task $task): array => $task->toClient()));
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

        return Storage::disk('works')->download($task->result_path, $task->result_name);
    }

    private function mine(Request $request, Task $task): void
    {
        $user = $request->user();
        abort_unless($user instanceof User && $task->user_id === $user->id && $user->roleIn($task->page->series) !== null, 403);
    }
}

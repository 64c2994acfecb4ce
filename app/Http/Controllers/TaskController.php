<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Deliveries\DeliveryKinds;
use App\Desk\Light\LightPreview;
use App\Desk\Light\Sharpness;
use App\Desk\Page\Lease;
use App\Http\Requests\HolderRequest;
use App\Jobs\HoldAgainst;
use App\Jobs\Tasks;
use App\Models\Figure;
use App\Models\Page;
use App\Models\Series;
use App\Models\Task;
use App\Models\User;
use App\Store\Originals;
use Awning\Core\Codec\ImageHeader;
use Awning\Core\Light\Plan\LightPlan;
use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\CleanSettings;
use Awning\Core\Page\Drawing\Drawing;
use Awning\Core\Page\Drawing\Placement;
use Awning\Core\Sheet\Ops\Ink\EnlargePage;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpFoundation\StreamedResponse;

final class TaskController
{
    use TakesPictures;

    public function __construct(private readonly Tasks $tasks)
    {
    }

    /**
     * Checks the file's head at once, keeps the file, and leaves the rest to a job. A drawing that is named is
     * replaced; else it is one more.
     */
    public function import(HolderRequest $request, Page $page, Originals $originals): JsonResponse
    {
        Lease::check($page, $request->person(), $request->lease());
        $request->validate([
            'scan' => 'required_without:original|'.self::file(),
            'original' => 'sometimes|integer',
            'cut' => 'sometimes|boolean',
            'drawing' => 'sometimes|string|regex:/^[a-z0-9]{6,24}$/D',
            'picture' => 'sometimes|integer|min:1|max:'.Drawing::MOST_PICTURES,
        ]);
        $file = $request->file('scan');
        if ($file instanceof UploadedFile) {
            self::isPicture($file->path());
            $original = $originals->keep($page, $request->person(), $file->path(), $file->getClientOriginalName());
        } else {
            $original = $page->originals()->findOrFail($request->integer('original'));
        }
        $input = ['original' => $original->id, 'cut' => $request->boolean('cut'), 'picture' => $request->integer('picture', 1)];
        if ($request->has('drawing')) {
            $input['drawing'] = $request->string('drawing')->toString();
        }

        return $this->begun($this->tasks->begin($page, $request->person(), 'import', $input, $request->lease()));
    }

    /** Cleans or places a drawing anew, from its original. */
    public function clean(HolderRequest $request, Page $page): JsonResponse
    {
        Lease::check($page, $request->person(), $request->lease());
        $request->validate(['drawing' => 'required|string|regex:/^[a-z0-9]{6,24}$/D', 'clean' => 'present|array', 'place' => 'required|array']);
        try {
            $settings = CleanSettings::fromData(new Data($request->array('clean')));
            $place = Placement::fromData(new Data($request->array('place')));
        } catch (\InvalidArgumentException $error) {
            throw ValidationException::withMessages(['clean' => $error->getMessage()]);
        }
        $input = ['drawing' => $request->string('drawing')->toString(), 'clean' => $settings->toData(), 'place' => $place->toData()];

        return $this->begun($this->tasks->begin($page, $request->person(), 'clean', $input, $request->lease()));
    }

    /** Takes over somebody's flats from a picture. */
    public function take(HolderRequest $request, Page $page, Originals $originals): JsonResponse
    {
        Lease::check($page, $request->person(), $request->lease());
        $request->validate(['flats' => 'required|'.self::file()]);
        $file = $request->file('flats');
        abort_unless($file instanceof UploadedFile, 422);
        ImageHeader::of($file->path());
        $original = $originals->keep($page, $request->person(), $file->path(), $file->getClientOriginalName());

        return $this->begun($this->tasks->begin($page, $request->person(), 'take', ['original' => $original->id], $request->lease()));
    }

    /**
     * Lays a page that somebody else coloured over this one, its colours moved onto the palette: a file, or a picture
     * from the board.
     */
    public function snap(Request $request, Page $page, Originals $originals): JsonResponse
    {
        Lease::checkFree($page, self::person($request));

        return $this->begun($this->tasks->begin($page, self::person($request), 'snap', self::meant($request, $page->series, $page, $originals)));
    }

    public function regions(HolderRequest $request, Page $page): JsonResponse
    {
        Lease::check($page, $request->person(), $request->lease());

        return $this->begun($this->tasks->begin($page, $request->person(), 'regions', [], $request->lease()));
    }

    /**
     * A first light by a light plan: on a figure, on some of its regions, or with no figure named on all that are on
     * the page; or occlusion alone, in the place of the lines.
     */
    public function rough(HolderRequest $request, Page $page): JsonResponse
    {
        Lease::check($page, $request->person(), $request->lease());
        if ($request->has('figure')) {
            [$figure, $plan, $only] = self::meantLight($request, $page);
            $input = ['figure' => $figure->id, 'plan' => $plan->toData(), 'only' => $only];
        } else {
            $request->validate(['lineless' => 'sometimes|boolean']);
            $input = ['plan' => LightController::plan($request)->toData(), 'lineless' => $request->boolean('lineless')];
        }

        return $this->begun($this->tasks->begin($page, $request->person(), 'rough', $input, $request->lease()));
    }

    /** What that light would do, small; nothing is changed by asking. */
    public function tryRough(Request $request, Page $page): JsonResponse
    {
        [$figure, $plan, $only] = self::meantLight($request, $page);
        $request->validate(['fine' => 'sometimes|boolean']);
        $sharpness = $request->boolean('fine') ? Sharpness::Fine : Sharpness::Quick;

        return new JsonResponse((new LightPreview($page, $figure))->under($plan, $only, $sharpness));
    }

    /** @return array{Figure, LightPlan, list<int>} */
    private static function meantLight(Request $request, Page $page): array
    {
        $request->validate(['figure' => 'required|integer', 'plan' => 'required|array', 'only' => 'sometimes|array|max:5000', 'only.*' => 'integer|min:1']);
        $figure = Figure::living()->where('series_id', $page->series_id)->findOrFail($request->integer('figure'));
        /** @var list<int> $only */
        $only = array_values(array_map(intval(...), $request->array('only')));

        return [$figure, LightController::plan($request), $only];
    }

    /** Makes the page's lines meet. */
    public function tidy(HolderRequest $request, Page $page): JsonResponse
    {
        Lease::check($page, $request->person(), $request->lease());
        $request->validate(BenchController::TIDYING);
        $input = ['overshoot' => $request->float('overshoot'), 'gap' => $request->float('gap')];

        return $this->begun($this->tasks->begin($page, $request->person(), 'tidy', $input, $request->lease()));
    }

    /** Measures what the materials look like on all pages. */
    public function colours(Request $request, Series $series): JsonResponse
    {
        return $this->begun($this->tasks->begin($series, self::person($request), 'colours', []));
    }

    public function enlarge(HolderRequest $request, Page $page): JsonResponse
    {
        Lease::check($page, $request->person(), $request->lease());
        $request->validate(['factor' => ['required', 'numeric', Rule::in(EnlargePage::FACTORS)]]);

        return $this->begun($this->tasks->begin($page, $request->person(), 'enlarge', ['factor' => $request->float('factor')], $request->lease()));
    }

    private function begun(Task $task): JsonResponse
    {
        return new JsonResponse($task->toClient(), 202);
    }

    public function deliver(Request $request, Page $page): JsonResponse
    {
        $request->validate(['format' => ['required', Rule::in(DeliveryKinds::formats())]]);
        /** @var User $user */
        $user = $request->user();

        return $this->begun($this->tasks->begin($page, $user, 'deliver', ['format' => $request->string('format')->toString()]));
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
        $request->validate(['part' => ['sometimes', Rule::in(HoldAgainst::PARTS)]]);
        if ($request->has('part')) {
            abort_unless($task->kind === 'match', 404);

            return Storage::disk('works')->response(dirname($task->result_path).'/'.$request->string('part')->toString().'.png');
        }

        return Storage::disk('works')->download($task->result_path, $task->result_name);
    }

    private function mine(Request $request, Task $task): void
    {
        $user = $request->user();
        abort_unless($user instanceof User && $task->user_id === $user->id && $user->roleIn($task->inSeries()) !== null, 403);
    }
}

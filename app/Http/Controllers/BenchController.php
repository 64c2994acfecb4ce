<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Page\Applied;
use App\Desk\Page\ClientOps;
use App\Desk\Page\Journal;
use App\Desk\Page\PageDesk;
use App\Http\Requests\OpRequest;
use App\Jobs\TidyInk;
use App\Models\Page;
use App\Models\Role;
use App\Store\PageStore;
use App\Store\StandIns;
use Awning\Core\Brush\LinesSvg;
use Awning\Core\Brush\TidyLines;
use Awning\Core\Page\Drawing\InkStroke;
use Awning\Core\Sheet\Sheet;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;

final class BenchController
{
    public function __construct(private readonly PageDesk $desk)
    {
    }

    public function apply(OpRequest $request, Page $page): JsonResponse
    {
        $op = (new ClientOps($page->series, $this->role($request, $page)))->read($request->op());

        return $this->answer($page, $this->desk->apply($page, $request->person(), $op, $request->asked()));
    }

    public function undo(OpRequest $request, Page $page): JsonResponse
    {
        return $this->answer(
            $page,
            $this->desk->undo($page, $request->person(), $this->role($request, $page), $request->asked()),
        );
    }

    public function redo(OpRequest $request, Page $page): JsonResponse
    {
        return $this->answer(
            $page,
            $this->desk->redo($page, $request->person(), $this->role($request, $page), $request->asked()),
        );
    }

    /** The lines that were drawn here, for other programs. */
    public function lines(Page $page): Response
    {
        $sheet = new Sheet(new PageStore($page));
        $size = $sheet->size();
        $svg = LinesSvg::write(array_values($sheet->all(InkStroke::class)), $size->width, $size->height);

        return new Response($svg, 200, [
            'Content-Type' => 'image/svg+xml',
            'Content-Disposition' => sprintf('attachment; filename="page-%d-lines.svg"', $page->number),
        ]);
    }

    /**
     * Reads lines out of an SVG file; they are drawn by an op like any others.
     *
     * @param  Page  $page  bound here so that the rights on it are asked
     */
    public function readLines(Request $request, Page $page): JsonResponse
    {
        $request->validate(['svg' => 'required|string']);
        try {
            $strokes = LinesSvg::read($request->string('svg')->toString());
        } catch (\InvalidArgumentException $error) {
            throw ValidationException::withMessages(['svg' => $error->getMessage()]);
        }

        return new JsonResponse(array_map(fn (InkStroke $stroke): array => $stroke->toData(), $strokes));
    }

    /** What the lines would become if they were made to meet; nothing is changed by asking. */
    public function tidyLines(Request $request, Page $page): JsonResponse
    {
        $request->validate(TidyInk::RULES);
        $lines = (new Sheet(new PageStore($page)))->all(InkStroke::class);
        $changed = TidyLines::proposed($lines, $request->float('overshoot'), $request->float('gap'));

        return new JsonResponse(
            array_map(
                fn (string $id): array => ['id' => $id, 'stroke' => $changed[$id]->toData()],
                array_map(strval(...), array_keys($changed)),
            ),
        );
    }

    private function role(OpRequest $request, Page $page): Role
    {
        return $request->person()->roleIn($page->series) ?? abort(403);
    }

    private function answer(Page $page, Applied $applied): JsonResponse
    {
        return new JsonResponse(
            $applied->toClient(new StandIns($page->series_id)) + ['journal' => (new Journal($page))->toClient()],
        );
    }
}

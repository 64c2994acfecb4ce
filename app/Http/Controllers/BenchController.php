<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Applied;
use App\Desk\ClientOps;
use App\Desk\Journal;
use App\Desk\PageDesk;
use App\Http\Requests\OpRequest;
use App\Models\Page;
use App\Models\Role;
use Illuminate\Http\JsonResponse;

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
        return $this->answer($page, $this->desk->undo($page, $request->person(), $this->role($request, $page), $request->asked()));
    }

    public function redo(OpRequest $request, Page $page): JsonResponse
    {
        return $this->answer($page, $this->desk->redo($page, $request->person(), $this->role($request, $page), $request->asked()));
    }

    private function role(OpRequest $request, Page $page): Role
    {
        return $request->person()->roleIn($page->series) ?? abort(403);
    }

    private function answer(Page $page, Applied $applied): JsonResponse
    {
        return new JsonResponse($applied->toClient() + ['journal' => (new Journal($page))->toClient()]);
    }
}

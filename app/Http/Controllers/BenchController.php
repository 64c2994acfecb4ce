<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Applied;
use App\Desk\Journal;
use App\Desk\OpReader;
use App\Desk\PageDesk;
use App\Http\Requests\HolderRequest;
use App\Http\Requests\OpRequest;
use App\Models\Page;
use Illuminate\Http\JsonResponse;

final class BenchController
{
    public function __construct(private readonly PageDesk $desk)
    {
    }

    public function apply(OpRequest $request, Page $page): JsonResponse
    {
        $role = $request->person()->roleIn($page->series) ?? abort(403);
        $op = (new OpReader($page, $role))->read($request->op());

        return $this->answer($page, $this->desk->apply($page, $request->person(), $op, $request->integer('base'), $request->lease()));
    }

    public function undo(HolderRequest $request, Page $page): JsonResponse
    {
        return $this->answer($page, $this->desk->undo($page, $request->person(), $request->integer('base'), $request->lease()));
    }

    public function redo(HolderRequest $request, Page $page): JsonResponse
    {
        return $this->answer($page, $this->desk->redo($page, $request->person(), $request->integer('base'), $request->lease()));
    }

    private function answer(Page $page, Applied $applied): JsonResponse
    {
        return new JsonResponse($applied->toClient() + ['journal' => (new Journal($page))->toClient()]);
    }
}

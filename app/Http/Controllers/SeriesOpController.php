<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Palette\SeriesDesk;
use App\Desk\Palette\SeriesPart;
use App\Desk\SeriesOps\OpInput;
use App\Desk\SeriesOps\SeriesOpKinds;
use App\Models\Page;
use App\Models\Series;
use App\Models\SeriesEntry;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * Changes to what the pages of a series share. Asked for twice under one id, a change is made once. With a page, the
 * palette is answered as that page shows it.
 */
final class SeriesOpController
{
    public function __construct(private readonly SeriesDesk $desk)
    {
    }

    public function apply(Request $request, Series $series): JsonResponse
    {
        $request->validate(['op' => 'required|array', 'op.kind' => 'required|string']);
        $page = self::page($request, $series);
        $id = self::id($request);
        $op = SeriesOpKinds::read(
            $request->string('op.kind')->toString(),
            new OpInput($series, self::user($request), array_diff_key($request->array('op'), ['kind' => 0])),
        );

        return self::answer(
            $this->desk->apply($series, self::user($request), $op, $id),
            $op::answers(),
            $series,
            $page,
        );
    }

    public function undo(Request $request, Series $series): JsonResponse
    {
        $page = self::page($request, $series);
        $entry = $this->desk->undo($series, self::user($request), self::id($request));

        return self::answer($entry, SeriesPart::Palette, $series, $page);
    }

    public function redo(Request $request, Series $series): JsonResponse
    {
        $page = self::page($request, $series);
        $entry = $this->desk->redo($series, self::user($request), self::id($request));

        return self::answer($entry, SeriesPart::Palette, $series, $page);
    }

    private static function answer(SeriesEntry $entry, SeriesPart $part, Series $series, ?Page $page): JsonResponse
    {
        [, $id, $before] = $entry->records[0] ?? [null, null, []];

        return new JsonResponse([
            'title' => $entry->title,
            'added' => $before === null ? $id : null,
            'version' => $entry->version,
            'shown' => $part->toClient($series->refresh(), $page?->refresh()),
        ]);
    }

    private static function user(Request $request): User
    {
        /** @var User $user */
        $user = $request->user();

        return $user;
    }

    private static function id(Request $request): ?string
    {
        $request->validate(['op_id' => ['sometimes', 'string', 'regex:/^[a-z0-9]{12,40}$/D']]);

        return $request->has('op_id') ? $request->string('op_id')->toString() : null;
    }

    private static function page(Request $request, Series $series): ?Page
    {
        $request->validate(['page' => 'sometimes|nullable|integer']);

        return $request->filled('page')
            ? Page::query()->where('series_id', $series->id)->findOrFail($request->integer('page'))
            : null;
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Name;
use App\Desk\Page\PageCard;
use App\Desk\Palette\SeriesPalette;
use App\Models\Member;
use App\Models\Page;
use App\Models\Role;
use App\Models\Series;
use App\Models\User;
use App\Values\Scalar;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/**
 * @phpstan-import-type PageCardState from PageCard
 * @phpstan-import-type PaletteState from SeriesPalette
 *
 * @phpstan-type MemberState array{id: int, name: string, role: value-of<Role>}
 * @phpstan-type SeriesState array{id: int, name: string, role: value-of<Role>, pages: list<PageCardState>,
 *     palette: PaletteState, people: list<MemberState>}
 */
final class SeriesController
{
    public function index(Request $request): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();

        $series = $user
            ->series()
            ->with(['pages' => fn ($pages) => PageCard::counted($pages)])
            ->orderBy('name')
            ->get();

        $roles = Member::query()->where('user_id', $user->id)->pluck('role', 'series_id');

        return new JsonResponse(
            $series->map(
                fn (Series $series): array => [
                    'id' => $series->id,
                    'name' => $series->name,
                    'role' => $roles[$series->id] ?? null,
                    'pages' => PageCard::all($series->pages),
                ],
            ),
        );
    }

    public function store(Request $request): JsonResponse
    {
        $request->validate(['name' => ['required', new Name(120)]]);
        $series = DB::transaction(function () use ($request): Series {
            $series = Series::query()->create(['name' => $request->string('name')->toString()]);
            Member::query()->create([
                'series_id' => $series->id,
                'user_id' => $request->user()?->id,
                'role' => Role::Owner,
            ]);

            return $series;
        });

        return new JsonResponse(['id' => $series->id], 201);
    }

    public function show(Request $request, Series $series): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();

        return new JsonResponse([
            'id' => $series->id,
            'name' => $series->name,
            'role' => $user->roleIn($series),
            'pages' => PageCard::all(PageCard::counted($series->pages())->get()),
            'palette' => (new SeriesPalette($series))->toClient(),
            'people' => $series->members()->with('user')->get()->map(
                fn (Member $member): array => [
                    'id' => $member->user_id,
                    'name' => $member->user->name,
                    'role' => $member->role,
                ],
            ),
        ]);
    }

    public function addPage(Request $request, Series $series): JsonResponse
    {
        $request->validate(['title' => ['required', new Name(120)]]);
        $page = DB::transaction(function () use ($request, $series): Page {
            Series::query()->lockForUpdate()->find($series->id);

            return Page::query()->create([
                'series_id' => $series->id,
                'title' => $request->string('title')->toString(),
                'number' => 1 + Scalar::int(Page::query()->where('series_id', $series->id)->max('number')),
            ]);
        });

        return new JsonResponse((new PageCard($page->refresh()))->toClient(), 201);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Palette\SeriesDesk;
use App\Desk\Palette\SeriesPalette;
use App\Desk\SeriesOps\AddLight;
use App\Desk\SeriesOps\ChangeLight;
use App\Http\Requests\Name;
use App\Models\Page;
use App\Models\Series;
use App\Models\SeriesLight;
use Awning\Core\Light\Plan\LightPlan;
use Awning\Core\Page\Data;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** Light plans of a series: kept, changed, picked by pages. */
final class LightController
{
    use ChangesPalette;

    public function store(Request $request, Series $series): JsonResponse
    {
        $request->validate(['name' => ['required', new Name(80)], 'plan' => 'required|array']);
        self::apply($request, $series, new AddLight($request->string('name')->toString(), self::plan($request)));

        return new JsonResponse(self::shown($request, $series)->toClient(), 201);
    }

    public function update(Request $request, Series $series, SeriesLight $light): JsonResponse
    {
        $request->validate(['version' => 'required|integer', 'name' => ['sometimes', new Name(80)], 'plan' => 'sometimes|array', 'retire' => 'sometimes|boolean']);
        self::apply($request, $series, new ChangeLight(
            $light, $request->integer('version'), $request->has('name') ? $request->string('name')->toString() : null,
            $request->has('plan') ? self::plan($request) : null, $request->boolean('retire'),
        ));

        return new JsonResponse(self::shown($request, $series)->toClient());
    }

    /** Under which light a page stands; null: the series' own. */
    public function pick(Request $request, Series $series, Page $page): JsonResponse
    {
        $request->validate(['light' => 'present|nullable|integer']);
        $light = $request->filled('light') ? SeriesLight::living()->where('series_id', $series->id)->findOrFail($request->integer('light')) : null;
        (new SeriesDesk)->dress($page, ['plan_id' => $light?->id]);

        return new JsonResponse(SeriesPalette::of($page->refresh())->toClient());
    }

    /** @throws ValidationException */
    public static function plan(Request $request): LightPlan
    {
        try {
            return LightPlan::fromData(new Data($request->array('plan')));
        } catch (\InvalidArgumentException|\RangeException $error) {
            throw ValidationException::withMessages(['plan' => $error->getMessage()]);
        }
    }
}

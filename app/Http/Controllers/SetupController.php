<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\SeriesDesk;
use App\Desk\SeriesOps\KeepSetup;
use App\Desk\SeriesOps\RetireSetup;
use App\Desk\SeriesSetups;
use App\Models\Series;
use App\Models\SeriesSetup;
use Awning\Core\Page\Setup;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** Setups of a series: stacks of passes to hang on anything. */
final class SetupController
{
    use ChangesPalette;

    public function index(Series $series): JsonResponse
    {
        return new JsonResponse((new SeriesSetups($series))->toClient());
    }

    public function store(Request $request, Series $series): JsonResponse
    {
        $request->validate(['name' => 'required|string|max:80', 'passes' => 'required|array|max:'.Setup::MOST]);
        try {
            $setup = Setup::fromList(array_values($request->array('passes')));
        } catch (\InvalidArgumentException|\RangeException $error) {
            throw ValidationException::withMessages(['passes' => $error->getMessage()]);
        }
        self::apply($request, $series, new KeepSetup($request->string('name')->toString(), $setup));

        return new JsonResponse((new SeriesSetups($series))->toClient(), 201);
    }

    public function destroy(Request $request, Series $series, SeriesSetup $setup): JsonResponse
    {
        abort_unless($setup->series_id === $series->id && ! $setup->retired, 404);
        (new SeriesDesk)->apply($series, self::user($request), new RetireSetup($setup), self::opId($request));

        return new JsonResponse((new SeriesSetups($series))->toClient());
    }
}

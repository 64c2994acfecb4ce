<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Palette\SeriesPalette;
use App\Desk\SeriesOps\ImportPalette;
use App\Models\Series;
use App\Store\PaletteFile;
use Awning\Core\Exchange\BrokenPalette;
use Awning\Core\Exchange\PaletteFiles;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** A palette as a file: taken away in an open format, or taken in. */
final class PaletteFileController
{
    use ChangesPalette;

    private const TYPES = ['csv' => 'text/csv; charset=utf-8', 'json' => 'application/json', 'css' => 'text/css; charset=utf-8', 'svg' => 'image/svg+xml', 'png' => 'image/png', 'pdf' => 'application/pdf'];

    public function show(Series $series, string $format): Response
    {
        $name = Str::slug($series->name) ?: 'palette';

        return new Response(PaletteFile::bytes($format, (new SeriesPalette($series))->book(), $series->name), 200, [
            'Content-Type' => self::TYPES[$format], 'Content-Disposition' => "attachment; filename=\"$name.$format\"",
        ]);
    }

    /** What taking a file in would do; with `take` it is done. */
    public function store(Request $request, Series $series): JsonResponse
    {
        $request->validate(['name' => 'required|string|max:190', 'text' => 'required|string|max:'.PaletteFiles::MOST_BYTES, 'take' => 'sometimes|boolean']);
        try {
            $import = new ImportPalette(PaletteFiles::read(PaletteFile::extension($request->string('name')->toString()), (string) $request->input('text')));
        } catch (BrokenPalette $error) {
            return new JsonResponse(['message' => $error->getMessage()], 422);
        }
        if (! $request->boolean('take')) {
            return new JsonResponse($import->preview($series));
        }
        self::apply($request, $series, $import);

        return new JsonResponse((new SeriesPalette($series->refresh()))->toClient());
    }
}

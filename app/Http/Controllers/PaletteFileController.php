<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Palette\SeriesPalette;
use App\Desk\SeriesOps\ImportPalette;
use App\Desk\SeriesOps\OpInput;
use App\Models\Series;
use App\Models\User;
use App\Store\PaletteFile;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** A palette as a file: taken away in an open format, or looked at before it is taken in. */
final class PaletteFileController
{
    private const TYPES = [
        'csv' => 'text/csv; charset=utf-8',
        'json' => 'application/json',
        'css' => 'text/css; charset=utf-8',
        'svg' => 'image/svg+xml',
        'png' => 'image/png',
        'pdf' => 'application/pdf',
    ];

    public function show(Series $series, string $format): Response
    {
        $name = Str::slug($series->name) ?: 'palette';

        return new Response(PaletteFile::bytes($format, (new SeriesPalette($series))->book(), $series->name), 200, [
            'Content-Type' => self::TYPES[$format],
            'Content-Disposition' => "attachment; filename=\"$name.$format\"",
        ]);
    }

    /** What taking a file in would do; nothing is changed by asking. */
    public function preview(Request $request, Series $series): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();

        return new JsonResponse(
            ImportPalette::fromInput(new OpInput($series, $user, $request->all()))->preview($series),
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Conflict;
use App\Desk\SeriesPalette;
use App\Models\Figure;
use App\Models\Material;
use App\Models\Series;
use Awning\Core\Colour\Tone;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;

final class PaletteController
{
    public function addFigure(Request $request, Series $series): JsonResponse
    {
        $request->validate(['name' => 'required|string|max:80']);
        $figure = Figure::query()->create([
            'series_id' => $series->id, 'name' => $request->string('name')->toString(),
            'depth' => 1 + (int) Figure::query()->where('series_id', $series->id)->max('depth'),
        ]);
        $this->touch($series);

        return new JsonResponse(['id' => $figure->id, 'palette' => (new SeriesPalette($series->refresh()))->toClient()], 201);
    }

    public function addMaterial(Request $request, Series $series, Figure $figure): JsonResponse
    {
        abort_unless($figure->series_id === $series->id, 404);
        $request->validate(['name' => 'required|string|max:80', 'base' => ['required', 'regex:/^#[0-9a-f]{6}$/D']]);
        $material = Material::query()->create([
            'figure_id' => $figure->id, 'name' => $request->string('name')->toString(),
            'place' => 1 + (int) $figure->materials()->max('place'), 'pinned' => ['base' => $request->string('base')->toString()],
        ]);
        $this->touch($series);

        return new JsonResponse(['id' => $material->id, 'palette' => (new SeriesPalette($series->refresh()))->toClient()], 201);
    }

    /** Pins a tone to a colour, or with null lets it be derived again. */
    public function update(Request $request, Series $series, Material $material): JsonResponse
    {
        abort_unless($material->figure->series_id === $series->id, 404);
        $request->validate([
            'version' => 'required|integer',
            'tone' => ['required', Rule::enum(Tone::class)],
            'colour' => ['nullable', 'regex:/^#[0-9a-f]{6}$/D', Rule::requiredIf($request->input('tone') === 'base')],
        ]);

        return DB::transaction(function () use ($request, $series, $material): JsonResponse {
            $row = Material::query()->lockForUpdate()->findOrFail($material->id);
            $palette = new SeriesPalette($series);
            $tone = $request->string('tone')->toString();
            $colour = $request->input('colour');
            if ($row->version !== $request->integer('version')) {
                throw new Conflict("Somebody changed {$row->name} meanwhile. Theirs is shown; choose again if yours should stand.", [
                    'reason' => 'palette', 'theirs' => $palette->material($row), 'yours' => ['tone' => $tone, 'colour' => $colour],
                ]);
            }
            $pinned = $row->pinned;
            if (is_string($colour)) {
                $pinned[$tone] = $colour;
            } else {
                unset($pinned[$tone]);
            }
            $row->pinned = $pinned;
            $row->version++;
            $row->save();
            $this->touch($series);

            return new JsonResponse(['material' => $palette->material($row), 'version' => $series->palette_version]);
        });
    }

    private function touch(Series $series): void
    {
        $series->increment('palette_version');
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\SeriesDesk;
use App\Desk\SeriesOps\AddFigure;
use App\Desk\SeriesOps\AddMaterial;
use App\Desk\SeriesOps\ChangeFigure;
use App\Desk\SeriesOps\CopyMaterials;
use App\Desk\SeriesOps\PinTone;
use App\Desk\SeriesOps\SeriesOp;
use App\Desk\SeriesPalette;
use App\Models\Figure;
use App\Models\Material;
use App\Models\Series;
use App\Models\SeriesEntry;
use App\Models\User;
use Awning\Core\Colour\Tone;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

final class PaletteController
{
    private const COLOUR = 'regex:/^#[0-9a-f]{6}$/D';

    public function __construct(private readonly SeriesDesk $desk)
    {
    }

    public function addFigure(Request $request, Series $series): JsonResponse
    {
        $request->validate(['name' => 'required|string|max:80']);
        $entry = $this->apply($request, $series, new AddFigure($request->string('name')->toString()));

        return $this->added($series, $entry);
    }

    public function addMaterial(Request $request, Series $series, Figure $figure): JsonResponse
    {
        abort_unless($figure->series_id === $series->id, 404);
        $request->validate(['name' => 'required|string|max:80', 'base' => ['required', self::COLOUR]]);
        $entry = $this->apply($request, $series, new AddMaterial($figure, $request->string('name')->toString(), $request->string('base')->toString()));

        return $this->added($series, $entry);
    }

    /** Another name for a figure, or another place in the depth. */
    public function changeFigure(Request $request, Series $series, Figure $figure): JsonResponse
    {
        abort_unless($figure->series_id === $series->id, 404);
        $request->validate(['name' => 'sometimes|string|max:80', 'nearer' => 'sometimes|integer|between:-1000,1000']);
        $this->apply($request, $series, new ChangeFigure($figure, $request->has('name') ? $request->string('name')->toString() : null, $request->integer('nearer')));

        return new JsonResponse((new SeriesPalette($series->refresh()))->toClient());
    }

    /** The materials of others, so that regions can be given to a figure. */
    public function copyMaterials(Request $request, Series $series, Figure $figure): JsonResponse
    {
        abort_unless($figure->series_id === $series->id, 404);
        $request->validate(['materials' => 'required|array|max:1000', 'materials.*' => 'integer|min:1']);
        /** @var list<int> $materials */
        $materials = array_values(array_map(intval(...), $request->array('materials')));
        $this->apply($request, $series, new CopyMaterials($figure, $materials));

        return new JsonResponse((new SeriesPalette($series->refresh()))->toClient(), 201);
    }

    /** Pins a tone to a colour, or with null lets it be derived again. */
    public function update(Request $request, Series $series, Material $material): JsonResponse
    {
        abort_unless($material->figure->series_id === $series->id, 404);
        $request->validate([
            'version' => 'required|integer',
            'tone' => ['required', Rule::enum(Tone::class)],
            'colour' => ['nullable', self::COLOUR, Rule::requiredIf($request->input('tone') === 'base')],
        ]);
        $colour = $request->input('colour');
        $tone = $request->enum('tone', Tone::class) ?? abort(422);
        $entry = $this->apply($request, $series, new PinTone($material, $request->integer('version'), $tone, is_string($colour) ? $colour : null));

        return new JsonResponse(['material' => (new SeriesPalette($series))->material($material->refresh()), 'version' => $entry->version]);
    }

    private function apply(Request $request, Series $series, SeriesOp $op): SeriesEntry
    {
        $request->validate(['op_id' => ['sometimes', 'string', 'regex:/^[a-z0-9]{12,40}$/D']]);
        /** @var User $user */
        $user = $request->user();

        return $this->desk->apply($series, $user, $op, $request->has('op_id') ? $request->string('op_id')->toString() : null);
    }

    private function added(Series $series, SeriesEntry $entry): JsonResponse
    {
        return new JsonResponse(['id' => $entry->records[0][1], 'palette' => (new SeriesPalette($series->refresh()))->toClient()], 201);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Palette\PaletteVariants;
use App\Desk\Palette\SeriesDesk;
use App\Desk\SeriesOps\AddVariant;
use App\Desk\SeriesOps\ChangeVariant;
use App\Desk\SeriesOps\SeriesOp;
use App\Http\Requests\Name;
use App\Models\Material;
use App\Models\Page;
use App\Models\PaletteVariant;
use App\Models\Series;
use Awning\Core\Colour\Tone;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Variants of a palette: made, changed, worn by pages. */
final class VariantController
{
    use ChangesPalette;

    public function index(Series $series): JsonResponse
    {
        return new JsonResponse((new PaletteVariants($series))->toClient());
    }

    public function store(Request $request, Series $series): JsonResponse
    {
        $request->validate(['name' => ['required', new Name(80)]]);

        return $this->changed($request, $series, new AddVariant($request->string('name')->toString()), 201);
    }

    public function update(Request $request, Series $series, PaletteVariant $variant): JsonResponse
    {
        $request->validate([
            'version' => 'required|integer', 'name' => ['sometimes', new Name(80)], 'material' => 'sometimes|integer', 'retire' => 'sometimes|boolean',
            'tones' => ['required_with:material', 'array:'.implode(',', array_column(Tone::cases(), 'value'))], 'tones.*' => ['nullable', 'regex:/^#[0-9a-f]{6}$/D'],
        ]);
        $material = $request->has('material') ? Material::query()->whereRelation('figure', 'series_id', $series->id)->findOrFail($request->integer('material'))->id : null;
        /** @var array<value-of<Tone>, ?string> $tones */
        $tones = $request->array('tones');

        return $this->changed($request, $series, new ChangeVariant(
            $variant, $request->integer('version'), $request->has('name') ? $request->string('name')->toString() : null, $material, $tones, $request->boolean('retire'),
        ));
    }

    /** Which variant a page wears; null: the palette as it is. */
    public function wear(Request $request, Series $series, Page $page): JsonResponse
    {
        $request->validate(['variant' => 'present|nullable|integer']);
        $variant = $request->filled('variant') ? PaletteVariant::living()->where('series_id', $series->id)->findOrFail($request->integer('variant')) : null;
        (new SeriesDesk)->dress($page, ['wears_id' => $variant?->id]);

        return new JsonResponse((new PaletteVariants($series->refresh()))->toClient());
    }

    private function changed(Request $request, Series $series, SeriesOp $op, int $status = 200): JsonResponse
    {
        self::apply($request, $series, $op);

        return new JsonResponse((new PaletteVariants($series->refresh()))->toClient(), $status);
    }
}

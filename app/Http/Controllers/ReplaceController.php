<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Jobs\Tasks;
use App\Models\Figure;
use App\Models\Material;
use App\Models\Series;
use App\Models\User;
use Awning\Core\Colour\Tone;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** One material or tone in place of another on chosen pages. */
final class ReplaceController
{
    private const MOST_PAGES = 500;

    public function __invoke(Request $request, Series $series, Tasks $tasks): JsonResponse
    {
        $request->validate(['pages' => 'required|list|min:1|max:'.self::MOST_PAGES, 'pages.*' => 'integer|min:1', 'figure' => 'required_without:material|integer', 'material' => 'required_without:figure|integer']);
        $input = $request->has('material') ? self::material($request, $series) : self::tone($request, $series);
        /** @var User $user */
        $user = $request->user();
        $pages = array_map(intval(...), $request->array('pages'));

        return new JsonResponse($tasks->begin($series, $user, 'replace', ['pages' => $pages] + $input)->toClient(), 202);
    }

    /** @return array{title: string, material: int, into: int, figure: int} */
    private static function material(Request $request, Series $series): array
    {
        $request->validate(['into' => 'required|integer|different:material']);
        [$from, $to] = array_map(fn (string $field): Material => Material::living()->whereRelation('figure', 'series_id', $series->id)->findOrFail($request->integer($field)), ['material', 'into']);

        return ['title' => mb_substr("Replace $from->name by $to->name", 0, 120), 'material' => $from->id, 'into' => $to->id, 'figure' => $to->figure_id];
    }

    /** @return array{title: string, figure: int, tone: value-of<Tone>, by: value-of<Tone>} */
    private static function tone(Request $request, Series $series): array
    {
        $request->validate(['tone' => ['required', Rule::enum(Tone::class)], 'into' => ['required', Rule::enum(Tone::class), 'different:tone']]);
        $figure = Figure::living()->where('series_id', $series->id)->findOrFail($request->integer('figure'));
        [$from, $to] = array_map(fn (string $field): Tone => Tone::from($request->string($field)->toString()), ['tone', 'into']);

        return ['title' => mb_substr("Replace {$from->value} by {$to->value} on $figure->name", 0, 120), 'figure' => $figure->id, 'tone' => $from->value, 'by' => $to->value];
    }
}

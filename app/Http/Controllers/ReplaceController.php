<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\SeriesWide;
use App\Models\Figure;
use App\Models\Material;
use App\Models\Series;
use App\Models\User;
use Awning\Core\Colour\Tone;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\Ops\ReplaceMaterial;
use Awning\Core\Sheet\Ops\ReplaceTone;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** One material or tone in place of another on chosen pages. */
final class ReplaceController
{
    private const MOST_PAGES = 500;

    public function __invoke(Request $request, Series $series): JsonResponse
    {
        $request->validate(['pages' => 'required|list|min:1|max:'.self::MOST_PAGES, 'pages.*' => 'integer|min:1', 'figure' => 'required_without:material|integer', 'material' => 'required_without:figure|integer']);
        $op = $request->has('material') ? self::material($request, $series) : self::tone($request, $series);
        /** @var User $user */
        $user = $request->user();
        /** @var list<int> $pages */
        $pages = array_map(intval(...), $request->array('pages'));

        return new JsonResponse((new SeriesWide($series))->apply($user, $pages, $op));
    }

    private static function material(Request $request, Series $series): Op
    {
        $request->validate(['into' => 'required|integer|different:material']);
        [$from, $to] = array_map(fn (string $field): Material => Material::living()->whereRelation('figure', 'series_id', $series->id)->findOrFail($request->integer($field)), ['material', 'into']);

        return new ReplaceMaterial($from->id, $to->id, $to->figure_id, mb_substr("Replace $from->name by $to->name", 0, 120));
    }

    private static function tone(Request $request, Series $series): Op
    {
        $request->validate(['tone' => ['required', Rule::enum(Tone::class)], 'into' => ['required', Rule::enum(Tone::class), 'different:tone']]);
        $figure = Figure::living()->where('series_id', $series->id)->findOrFail($request->integer('figure'));
        [$from, $to] = array_map(fn (string $field): Tone => Tone::from($request->string($field)->toString()), ['tone', 'into']);

        return new ReplaceTone($figure->id, $from, $to, mb_substr("Replace {$from->value} by {$to->value} on $figure->name", 0, 120));
    }
}

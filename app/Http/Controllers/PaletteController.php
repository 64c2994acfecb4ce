<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Palette\PaletteHistory;
use App\Desk\Palette\PaletteOverview;
use App\Desk\Palette\SeriesDesk;
use App\Desk\Palette\SeriesPalette;
use App\Desk\SeriesOps\AddFigure;
use App\Desk\SeriesOps\AddMaterial;
use App\Desk\SeriesOps\ChangeFigure;
use App\Desk\SeriesOps\ChangeMaterial;
use App\Desk\SeriesOps\ChangeRule;
use App\Desk\SeriesOps\CopyFigure;
use App\Desk\SeriesOps\CopyMaterials;
use App\Desk\SeriesOps\DuplicateMaterial;
use App\Desk\SeriesOps\LinkFigure;
use App\Desk\SeriesOps\NameTones;
use App\Desk\SeriesOps\PinTones;
use App\Desk\SeriesOps\RetireFigure;
use App\Desk\SeriesOps\RetireMaterial;
use App\Desk\SeriesOps\SeriesOp;
use App\Desk\SeriesOps\TakeColours;
use App\Desk\SeriesOps\UnlinkFigure;
use App\Http\Requests\Name;
use App\Models\Figure;
use App\Models\Material;
use App\Models\Series;
use App\Models\SeriesEntry;
use App\Models\User;
use Awning\Core\Colour\Derivation;
use Awning\Core\Colour\MainColours;
use Awning\Core\Colour\PickedRamp;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\ShadeHue;
use Awning\Core\Colour\Tone;
use Awning\Core\Colour\ToneRule;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;

/**
 * @phpstan-import-type DerivationPart from Derivation
 * @phpstan-import-type NamedTone from NameTones
 */
final class PaletteController
{
    use ChangesPalette;

    private const COLOUR = 'regex:/^#[0-9a-f]{6}$/D';

    public function __construct(private readonly SeriesDesk $desk)
    {
    }

    public function addFigure(Request $request, Series $series): JsonResponse
    {
        $request->validate(['name' => ['required', new Name(80)]]);
        $entry = self::apply($request, $series, new AddFigure($request->string('name')->toString()));

        return $this->added($request, $series, $entry);
    }

    public function addMaterial(Request $request, Series $series, Figure $figure): JsonResponse
    {
        $request->validate(['name' => ['required', new Name(80)], 'base' => ['required', self::COLOUR]]);
        $entry = self::apply($request, $series, new AddMaterial($figure, $request->string('name')->toString(), $request->string('base')->toString()));

        return $this->added($request, $series, $entry);
    }

    /** Another name for a figure, another place in the depth, or a soft outer edge. */
    public function changeFigure(Request $request, Series $series, Figure $figure): JsonResponse
    {
        $request->validate(['name' => ['sometimes', new Name(80)], 'nearer' => 'sometimes|integer|between:-1000,1000', 'soft' => 'sometimes|boolean']);
        self::apply($request, $series, new ChangeFigure(
            $figure,
            $request->has('name') ? $request->string('name')->toString() : null,
            $request->integer('nearer'),
            $request->has('soft') ? $request->boolean('soft') : null,
        ));

        return new JsonResponse(self::shown($request, $series)->toClient());
    }

    /** The materials of others, so that regions can be given to a figure. */
    public function copyMaterials(Request $request, Series $series, Figure $figure): JsonResponse
    {
        $request->validate(['materials' => 'required|array|max:1000', 'materials.*' => 'integer|min:1']);
        /** @var list<int> $materials */
        $materials = array_values(array_map(intval(...), $request->array('materials')));
        self::apply($request, $series, new CopyMaterials($figure, $materials));

        return new JsonResponse(self::shown($request, $series)->toClient(), 201);
    }

    /** Colours out of a picture, as one material's ramp or as many materials. */
    public function takeColours(Request $request, Series $series, Figure $figure): JsonResponse
    {
        $most = $request->boolean('ramp') ? PickedRamp::MOST : MainColours::MOST;
        $request->validate(['name' => ['required', new Name(80)], 'ramp' => 'required|boolean', 'colours' => "required|list|min:1|max:$most", 'colours.*' => ['required', self::COLOUR]]);
        /** @var non-empty-list<string> $colours */
        $colours = $request->array('colours');
        $op = new TakeColours($figure, $request->string('name')->toString(), array_map(Rgb::fromHex(...), $colours), $request->boolean('ramp'));

        return $this->added($request, $series, self::apply($request, $series, $op));
    }

    /** Pins tones to colours, or with null lets them be derived again. */
    public function pin(Request $request, Series $series, Material $material): JsonResponse
    {
        $request->validate([
            'version' => 'required|integer',
            'tones' => ['required', 'array:'.implode(',', array_column(Tone::cases(), 'value'))],
            'tones.*' => ['nullable', self::COLOUR],
            'tones.base' => ['sometimes', 'required', self::COLOUR],
        ]);
        /** @var non-empty-array<value-of<Tone>, ?string> $tones */
        $tones = $request->array('tones');
        $entry = self::apply($request, $series, new PinTones($material, $request->integer('version'), $tones));

        return new JsonResponse(['material' => self::shown($request, $series)->material($material->refresh()), 'version' => $entry->version]);
    }

    /** The tones that a material has beside its six: all there shall be, in their order. */
    public function nameTones(Request $request, Series $series, Material $material): JsonResponse
    {
        $slots = array_column(Tone::more(), 'value');
        $request->validate([
            'version' => 'required|integer', 'more' => 'present|list|max:'.count($slots),
            'more.*.tone' => ['required', 'distinct', Rule::in($slots)], 'more.*.name' => ['required', new Name(40)], 'more.*.colour' => ['required', self::COLOUR],
        ]);
        /** @var list<NamedTone> $more */
        $more = array_map(fn (array $one): array => array_intersect_key($one, ['tone' => 0, 'name' => 0, 'colour' => 0]), $request->array('more'));

        return $this->changed($request, $series, new NameTones($material, $request->integer('version'), $more));
    }

    /** Another name, place, figure or rule for a material. */
    public function changeMaterial(Request $request, Series $series, Material $material): JsonResponse
    {
        $request->validate(['version' => 'required|integer', 'name' => ['sometimes', new Name(80)], 'figure' => 'sometimes|integer', 'place' => 'sometimes|integer|between:0,65535', 'dials' => 'sometimes|array'] + self::dials());
        /** @var DerivationPart $dials */
        $dials = $request->array('dials');
        $op = new ChangeMaterial(
            $material, $request->integer('version'),
            $request->has('name') ? $request->string('name')->toString() : null,
            $request->has('figure') ? self::figure($series, $request->integer('figure')) : null,
            $request->has('place') ? $request->integer('place') : null,
            $request->has('dials') ? $dials : null,
        );

        return $this->changed($request, $series, $op);
    }

    public function duplicateMaterial(Request $request, Series $series, Material $material): JsonResponse
    {

        return $this->added($request, $series, self::apply($request, $series, new DuplicateMaterial($material)));
    }

    /** A figure of another series of the person's, as a copy or as a link. */
    public function copyFigure(Request $request, Series $series): JsonResponse
    {
        $request->validate(['figure' => 'required|integer', 'follow' => 'sometimes|boolean']);
        $figure = Figure::living()->findOrFail($request->integer('figure'));
        Gate::authorize('view', $figure->series);
        abort_if($figure->series_id === $series->id, 422, 'This figure is in the series already.');

        return $this->changed($request, $series, $request->boolean('follow') ? new LinkFigure($figure, self::user($request)) : new CopyFigure($figure));
    }

    /** A figure that follows another goes its own way. */
    public function unlinkFigure(Request $request, Series $series, Figure $figure): JsonResponse
    {
        abort_unless($figure->follows_id !== null && ! $figure->retired, 404);

        return $this->changed($request, $series, new UnlinkFigure($figure));
    }

    /** Takes a material out; `into` takes its place. */
    public function retireMaterial(Request $request, Series $series, Material $material): JsonResponse
    {
        $request->validate(['version' => 'required|integer', 'into' => 'nullable|integer']);
        $into = $request->filled('into') ? Material::query()->whereRelation('figure', 'series_id', $series->id)->whereKeyNot($material->id)->findOrFail($request->integer('into')) : null;

        return $this->changed($request, $series, new RetireMaterial($material, $request->integer('version'), $into));
    }

    /** Takes a figure out; `into` takes over its materials. */
    public function retireFigure(Request $request, Series $series, Figure $figure): JsonResponse
    {
        abort_if($figure->retired, 404);
        $request->validate(['into' => ['nullable', 'integer', "not_in:$figure->id"]]);

        return $this->changed($request, $series, new RetireFigure($figure, $request->filled('into') ? self::figure($series, $request->integer('into')) : null));
    }

    public function rule(Request $request, Series $series): JsonResponse
    {
        $request->validate(['light' => ['required', self::COLOUR], 'dials' => 'required|array'] + self::dials());

        return $this->changed($request, $series, new ChangeRule($request->string('light')->toString(), self::derivation($request)));
    }

    /** What the tones nobody has pinned would be by another rule; nothing is changed by asking. */
    public function preview(Request $request, Series $series): JsonResponse
    {
        $request->validate(['light' => ['required', self::COLOUR], 'dials' => 'required|array'] + self::dials());

        return new JsonResponse((new SeriesPalette($series))->tonesBy(new ToneRule(Rgb::fromHex($request->string('light')->toString()), self::derivation($request))));
    }

    public function undo(Request $request, Series $series): JsonResponse
    {
        return $this->swapped($request, $series, $this->desk->undo(...));
    }

    public function redo(Request $request, Series $series): JsonResponse
    {
        return $this->swapped($request, $series, $this->desk->redo(...));
    }

    public function overview(Request $request, Series $series): JsonResponse
    {
        return new JsonResponse((new PaletteOverview($series))->toClient(self::user($request)));
    }

    public function history(Series $series): JsonResponse
    {
        return new JsonResponse((new PaletteHistory($series))->toClient());
    }

    private static function figure(Series $series, int $id): Figure
    {
        return Figure::living()->where('series_id', $series->id)->findOrFail($id);
    }

    /** @return array<string, mixed> what each dial may be, for validation */
    private static function dials(): array
    {
        $rules = ['dials.toward' => ['sometimes', Rule::enum(ShadeHue::class)]];
        foreach (Derivation::RANGES as $name => [$least, $most]) {
            $rules["dials.$name"] = "sometimes|numeric|between:$least,$most";
        }

        return $rules;
    }

    private static function derivation(Request $request): Derivation
    {
        /** @var DerivationPart $dials */
        $dials = $request->array('dials');

        return (new Derivation)->with($dials);
    }

    private function changed(Request $request, Series $series, SeriesOp $op): JsonResponse
    {
        self::apply($request, $series, $op);

        return new JsonResponse(self::shown($request, $series)->toClient());
    }

    /** @param  callable(Series, User, ?string): SeriesEntry  $swap */
    private function swapped(Request $request, Series $series, callable $swap): JsonResponse
    {
        $entry = self::changing($request, $series, fn (User $user, ?string $id): SeriesEntry => $swap($series, $user, $id));

        return new JsonResponse(['title' => $entry->title, 'palette' => self::shown($request, $series)->toClient()]);
    }

    private function added(Request $request, Series $series, SeriesEntry $entry): JsonResponse
    {
        return new JsonResponse(['id' => $entry->records[0][1], 'palette' => self::shown($request, $series)->toClient()], 201);
    }
}

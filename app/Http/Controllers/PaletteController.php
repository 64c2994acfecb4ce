<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Palette\PaletteHistory;
use App\Desk\Palette\PaletteOverview;
use App\Desk\Palette\PaletteVariants;
use App\Desk\Palette\SeriesPalette;
use App\Desk\SeriesOps\OpInput;
use App\Models\Series;
use App\Models\User;
use Awning\Core\Colour\Derivation;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\ToneRule;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * What there is to see of a palette; it is changed by series ops.
 *
 * @phpstan-import-type DerivationPart from Derivation
 */
final class PaletteController
{
    public function overview(Request $request, Series $series): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();

        return new JsonResponse((new PaletteOverview($series))->toClient($user));
    }

    public function history(Series $series): JsonResponse
    {
        return new JsonResponse((new PaletteHistory($series))->toClient());
    }

    public function variants(Series $series): JsonResponse
    {
        return new JsonResponse((new PaletteVariants($series))->toClient());
    }

    /** What the tones nobody has pinned would be by another rule; nothing is changed by asking. */
    public function preview(Request $request, Series $series): JsonResponse
    {
        $request->validate(['light' => ['required', OpInput::COLOUR], 'dials' => 'required|array'] + OpInput::dials());
        /** @var DerivationPart $dials */
        $dials = $request->array('dials');
        $rule = new ToneRule(Rgb::fromHex($request->string('light')->toString()), (new Derivation)->with($dials));

        return new JsonResponse((new SeriesPalette($series))->tonesBy($rule));
    }
}

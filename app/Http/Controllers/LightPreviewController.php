<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Light\LightPreview;
use App\Desk\Light\Sharpness;
use App\Jobs\RoughInFigures;
use App\Jobs\TaskInput;
use App\Models\Page;
use App\Models\User;
use App\Store\Originals;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What a light would do to a figure, small; nothing is changed by asking. */
final class LightPreviewController
{
    public function __invoke(Request $request, Page $page, Originals $originals): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();
        [$figure, $plan, $only] = RoughInFigures::askedFigure(new TaskInput($page, $user, $request->all(), $originals));
        $request->validate(['fine' => 'sometimes|boolean']);
        $sharpness = $request->boolean('fine') ? Sharpness::Fine : Sharpness::Quick;

        return new JsonResponse((new LightPreview($page, $figure))->under($plan, $only, $sharpness));
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Palette\SeriesSetups;
use App\Desk\Palette\SetupFollowers;
use App\Models\Page;
use App\Models\Series;
use App\Models\SeriesSetup;
use App\Store\PageStore;
use App\Values\Scalar;
use Awning\Core\Exchange\SetupFile;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Setup\Setup;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Painting\MarkedRegions;
use Awning\Core\Sheet\Sheet;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;

/** Setups of a series: stacks of passes to hang on anything. */
final class SetupController
{
    public function index(Series $series): JsonResponse
    {
        return new JsonResponse((new SeriesSetups($series))->toClient());
    }

    public function file(Series $series, SeriesSetup $setup): Response
    {
        return new Response(SetupFile::write($setup->name, Setup::fromList($setup->passes)), 200, [
            'Content-Type' => 'application/json',
            'Content-Disposition' => 'attachment; filename="setup.json"',
        ]);
    }

    /** What is painted in passes of a page inside some regions, for a setup that is kept with it. */
    public function marks(Request $request, Page $page): JsonResponse
    {
        $request->validate([
            'passes' => 'required|array|max:'.Setup::MOST,
            'passes.*' => ['string', 'regex:/^[a-z0-9]{6,24}$/D'],
            'labels' => 'required|array|min:1|max:500',
            'labels.*' => 'integer|min:1|max:65535',
        ]);
        $sheet = new Sheet(new PageStore($page));
        /** @var non-empty-list<int> $labels */
        $labels = Scalar::ints($request->array('labels'));
        try {
            $regions = new MarkedRegions($sheet, $labels);
        } catch (OpRefused $refused) {
            throw ValidationException::withMessages(['labels' => $refused->getMessage()]);
        }
        $marks = [];
        foreach ($request->array('passes') as $id) {
            $pass = is_string($id) ? $sheet->find(PassSpec::class, $id) : null;
            $marks[] = $pass === null ? null : $regions->read((string) $id, $pass)?->toText();
        }

        return new JsonResponse(['marks' => $marks]);
    }

    /** The pages it hangs on. */
    public function followers(Series $series, SeriesSetup $setup): JsonResponse
    {
        return new JsonResponse((new SetupFollowers($setup))->toClient());
    }
}

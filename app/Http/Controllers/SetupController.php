<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Palette\SeriesSetups;
use App\Desk\Palette\SetupFollowers;
use App\Desk\SeriesOps\ChangeSetup;
use App\Desk\SeriesOps\KeepSetup;
use App\Desk\SeriesOps\RetireSetup;
use App\Http\Requests\Name;
use App\Jobs\Tasks;
use App\Models\Page;
use App\Models\Series;
use App\Models\SeriesSetup;
use App\Store\PageStore;
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
    use ChangesPalette;

    /** A setup of all its passes with all their marks is well below it. */
    private const LONGEST_FILE = 800_000;

    public function index(Series $series): JsonResponse
    {
        return new JsonResponse((new SeriesSetups($series))->toClient());
    }

    public function store(Request $request, Series $series): JsonResponse
    {
        $request->validate(['name' => ['required', new Name(60)]]);
        self::apply($request, $series, new KeepSetup($request->string('name')->toString(), self::passes($request)));

        return new JsonResponse((new SeriesSetups($series))->toClient(), 201);
    }

    /** A setup somebody was given as a file. */
    public function import(Request $request, Series $series): JsonResponse
    {
        $request->validate(['text' => 'required|string|max:'.self::LONGEST_FILE]);
        try {
            [$name, $setup] = SetupFile::read($request->string('text')->toString());
        } catch (\InvalidArgumentException|\RangeException $error) {
            throw ValidationException::withMessages(['text' => $error->getMessage()]);
        }
        self::apply($request, $series, new KeepSetup($name, $setup));

        return new JsonResponse((new SeriesSetups($series))->toClient(), 201);
    }

    public function file(Series $series, SeriesSetup $setup): Response
    {
        return new Response(SetupFile::write($setup->name, Setup::fromList($setup->passes)), 200, ['Content-Type' => 'application/json', 'Content-Disposition' => 'attachment; filename="setup.json"']);
    }

    /** What is painted in passes of a page inside some regions, for a setup that is kept with it. */
    public function marks(Request $request, Page $page): JsonResponse
    {
        $request->validate(['passes' => 'required|array|max:'.Setup::MOST, 'passes.*' => ['string', 'regex:/^[a-z0-9]{6,24}$/D'], 'labels' => 'required|array|min:1|max:500', 'labels.*' => 'integer|min:1|max:65535']);
        $sheet = new Sheet(new PageStore($page));
        /** @var non-empty-list<int> $labels */
        $labels = array_values(array_map(intval(...), $request->array('labels')));
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

    /** A setup becomes what the passes that are sent are. */
    public function update(Request $request, Series $series, SeriesSetup $setup): JsonResponse
    {
        self::apply($request, $series, new ChangeSetup($setup, self::passes($request)));

        return new JsonResponse((new SeriesSetups($series))->toClient());
    }

    /** The pages it hangs on. */
    public function followers(Series $series, SeriesSetup $setup): JsonResponse
    {
        return new JsonResponse((new SetupFollowers($setup))->toClient());
    }

    /** What hangs from it on some pages becomes what it is now. */
    public function follow(Request $request, Series $series, SeriesSetup $setup, Tasks $tasks): JsonResponse
    {
        $request->validate(['pages' => 'required|array|min:1|max:500', 'pages.*' => 'integer', 'known' => 'required|integer|min:0|max:'.Setup::MOST]);
        $before = $request->has('before') ? self::passes($request, 'before') : null;
        $pages = array_values(array_map(intval(...), $request->array('pages')));
        $input = ['pages' => $pages, 'setup' => $setup->id, 'name' => $setup->name, 'passes' => $setup->passes, 'known' => $request->integer('known'), 'before' => $before?->toList()];

        return new JsonResponse($tasks->begin($series, self::user($request), 'follow', $input)->toClient(), 202);
    }

    /** @throws ValidationException */
    private static function passes(Request $request, string $name = 'passes'): Setup
    {
        $request->validate([$name => 'required|array|max:'.Setup::MOST]);
        try {
            return Setup::fromList(array_values($request->array($name)));
        } catch (\InvalidArgumentException|\RangeException $error) {
            throw ValidationException::withMessages([$name => $error->getMessage()]);
        }
    }

    public function destroy(Request $request, Series $series, SeriesSetup $setup): JsonResponse
    {
        self::apply($request, $series, new RetireSetup($setup));

        return new JsonResponse((new SeriesSetups($series))->toClient());
    }
}

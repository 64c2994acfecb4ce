<?php

declare(strict_types=1);

namespace App\Desk\Page;

use App\Desk\Palette\SeriesPalette;
use App\Models\Page;
use App\Models\Series;
use App\Store\FrozenPage;
use App\Store\PageStore;
use Awning\Core\Sheet\State\Palette;
use Illuminate\Support\Facades\DB;

/** A page and the palette it is coloured with, as they stood together at one moment. */
final readonly class PageMoment
{
    /**
     * @param  array<int, string>  $figures  name by id
     * @param  array<int, string>  $materials  name by id, with the figure's before it
     */
    private function __construct(
        public FrozenPage $page,
        public Palette $palette,
        public array $figures,
        public array $materials,
        public int $revision,
    ) {
    }

    public static function of(Page $page): self
    {
        // The first question in it fixes the moment for all others (repeatable read).
        $moment = DB::transaction(function () use ($page): self {
            $row = Page::query()->findOrFail($page->id);
            $series = Series::query()->findOrFail($row->series_id);
            $palette = (new SeriesPalette($series, $row))->core();
            // The palette has just loaded them.
            /** @var array<int, string> $names */
            $names = $series->figures->pluck('name', 'id')->all();
            $materials = [];
            foreach ($series->figures as $figure) {
                foreach ($figure->materials as $material) {
                    $materials[$material->id] = "$figure->name, $material->name";
                }
            }

            return new self(new FrozenPage(new PageStore($row)), $palette, $names, $materials, $row->revision);
        });
        $moment->page->fetch();

        return $moment;
    }
}

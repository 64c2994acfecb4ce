<?php

declare(strict_types=1);

namespace App\Desk\Page;

use App\Models\Figure;
use App\Models\Page;
use App\Store\PageStore;
use Awning\Core\Grade\AroundFigures;
use Awning\Core\Page\Pass\Surroundings;
use Awning\Core\Page\Region\Region;
use Awning\Core\Sheet\Sheet;

/**
 * What lies behind and around each figure of a page.
 *
 * @phpstan-import-type SurroundingsData from Surroundings
 *
 * @phpstan-type FigureSurroundings array{figure: int, name: string, around: SurroundingsData}
 */
final readonly class PageSurroundings
{
    public function __construct(private Page $page)
    {
    }

    /** @return list<FigureSurroundings> nearest first; of figures with something filled behind or around them */
    public function toClient(): array
    {
        $sheet = new Sheet(new PageStore($this->page));
        /** @var list<Figure> $figures */
        $figures = Figure::query()->where('series_id', $this->page->series_id)->get()->sortByDesc('depth')->all();
        $depths = [];
        foreach ($figures as $figure) {
            $depths[$figure->id] = $figure->depth;
        }
        $around = new AroundFigures($sheet->labels(), $sheet->all(Region::class), $depths);
        $found = [];
        foreach ($figures as $figure) {
            $surroundings = $around->of($figure->id);
            if ($surroundings !== null) {
                $found[] = [
                    'figure' => $figure->id,
                    'name' => $figure->name,
                    'around' => $surroundings->toData(),
                ];
            }
        }

        return $found;
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\Page;

use App\Models\Page;
use App\Models\SeriesLight;
use App\Store\PageStore;
use Awning\Core\Light\Rainbow;
use Awning\Core\Page\Pass\GradientContent;
use Awning\Core\Sheet\Sheet;
use Illuminate\Validation\ValidationException;

/**
 * The rainbow of a page: opposite to the light of the plan it stands under, the one its mood brings first.
 *
 * @phpstan-import-type GradientData from GradientContent
 */
final readonly class PageRainbow
{
    /** @param  list<int>  $labels  of the panel it stands in; none: the whole page */
    public function __construct(private Page $page, private array $labels = [])
    {
    }

    /**
     * @return GradientData
     *
     * @throws ValidationException when there is none, in a sentence that says why
     */
    public function toClient(): array
    {
        $sheet = new Sheet(new PageStore($this->page));
        $size = $sheet->size();
        $picture =
            ($this->labels === [] ? $sheet->rect() : $sheet->labels()->boxOf($this->labels)) ??
            throw ValidationException::withMessages([
                'labels' => 'The picked regions are not there any more. Pick others.',
            ]);
        $light = SeriesLight::query()
            ->where('series_id', $this->page->series_id)
            ->where('retired', false)
            ->find($size->moodPlan ?? $this->page->plan_id);
        $bow = $light === null
            ? 'The page stands under no light plan yet. Pick one in the Light stage: a rainbow stands opposite to it.'
            : Rainbow::of($light->plan()->key, $picture, $size);

        return is_string($bow) ? throw ValidationException::withMessages(['light' => $bow]) : $bow->toData();
    }
}

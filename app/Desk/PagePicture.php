<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Store\PageStore;
use App\Store\Pyramid;
use Awning\Core\Raster\Paint;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\SheetPicture;
use Awning\Core\Sheet\StackBuilder;

/** The composed page: at full size, or small for the shelf. */
final readonly class PagePicture
{
    public function __construct(private Page $page)
    {
    }

    /** @param  ?callable(float): void  $progress */
    public function full(?callable $progress = null): Paint
    {
        return $this->compose(new Sheet(new PageStore($this->page)), $progress);
    }

    /** @return ?Paint null while the page is empty */
    public function reduced(int $level): ?Paint
    {
        $sheet = new Sheet(new Pyramid(new PageStore($this->page), $level));

        return $sheet->isEmpty() ? null : $this->compose($sheet, null);
    }

    private function compose(Sheet $sheet, ?callable $progress): Paint
    {
        $stack = (new StackBuilder)->build($sheet, (new SeriesPalette($this->page->series))->core());

        return (new SheetPicture)->compose($sheet, $stack, $progress);
    }
}

<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Store\PageStore;
use Awning\Core\Raster\Paint;
use Awning\Core\Sheet\LayeredExport;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\StackBuilder;

/** The page as an OpenRaster file with its layers. */
final readonly class LayeredFile
{
    public function __construct(private Page $page)
    {
    }

    public function write(string $file, Paint $merged, float $dpi): void
    {
        $sheet = new Sheet(new PageStore($this->page));
        $palette = new SeriesPalette($this->page->series);
        $names = [];
        foreach ($palette->toClient()['figures'] as $figure) {
            $names[$figure['id']] = $figure['name'];
        }
        (new LayeredExport($sheet, (new StackBuilder)->build($sheet, $palette->core()), $names))->write($file, $merged, $dpi);
    }
}

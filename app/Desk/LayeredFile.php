<?php

declare(strict_types=1);

namespace App\Desk;

use Awning\Core\Raster\Paint;
use Awning\Core\Sheet\LayeredExport;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\StackBuilder;

/** The page as an OpenRaster file with its layers. */
final readonly class LayeredFile
{
    public function __construct(private PageMoment $moment)
    {
    }

    public function write(string $file, Paint $merged, float $dpi): void
    {
        $sheet = new Sheet($this->moment->page);
        (new LayeredExport($sheet, (new StackBuilder)->build($sheet, $this->moment->palette), $this->moment->figures))->write($file, $merged, $dpi);
    }
}

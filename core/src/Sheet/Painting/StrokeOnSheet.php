<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Painting;

use Awning\Core\Brush\StrokeDrawing;
use Awning\Core\Brush\StrokeMask;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;

/** The stroke of an op on its page: drawn once, and what is too much is refused. */
final readonly class StrokeOnSheet
{
    /** @throws OpRefused when the page is empty, or the stroke is more than is drawn in one go */
    public static function mask(StrokeDrawing $drawing, Sheet $sheet): StrokeMask
    {
        try {
            return $drawing->on($sheet->rect());
        } catch (\RangeException $error) {
            throw new OpRefused($error->getMessage(), 0, $error);
        }
    }
}

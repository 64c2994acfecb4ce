<?php

declare(strict_types=1);

namespace App\Desk\Deliveries;

use App\Desk\Page\PageMoment;
use Awning\Core\Raster\Paint;
use Awning\Core\Sheet\Export\FlatsExport;
use Awning\Core\Sheet\Export\StackBuilder;
use Awning\Core\Sheet\Sheet;

/** The base colours alone, nothing smoothed. */
abstract class FromFlats implements Delivery
{
    final public static function needsPicture(): bool
    {
        return false;
    }

    final public function write(string $file, PageMoment $moment, ?Paint $picture, float $dpi): void
    {
        $sheet = new Sheet($moment->page);
        $this->put($file, new FlatsExport($sheet, (new StackBuilder)->build($sheet, $moment->palette)), $moment);
    }

    abstract protected function put(string $file, FlatsExport $flats, PageMoment $moment): void;
}

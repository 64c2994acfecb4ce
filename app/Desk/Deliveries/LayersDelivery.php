<?php

declare(strict_types=1);

namespace App\Desk\Deliveries;

use App\Desk\Page\PageMoment;
use Awning\Core\Raster\Paint;
use Awning\Core\Sheet\Export\LayeredExport;
use Awning\Core\Sheet\Export\StackBuilder;
use Awning\Core\Sheet\Sheet;

/** The page as an OpenRaster file with its layers. */
final class LayersDelivery implements Delivery
{
    public static function format(): string
    {
        return 'ora';
    }

    public static function title(): string
    {
        return 'OpenRaster';
    }

    public static function purpose(): string
    {
        return 'with its layers, for other programs';
    }

    public static function ending(): string
    {
        return 'ora';
    }

    public static function needsPicture(): bool
    {
        return true;
    }

    public function write(string $file, PageMoment $moment, ?Paint $picture, float $dpi): void
    {
        $sheet = new Sheet($moment->page);
        $export = new LayeredExport($sheet, (new StackBuilder)->build($sheet, $moment->palette), $moment->figures);
        $export->write($file, $picture ?? throw new \LogicException('The picture is missing.'), $dpi);
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\Deliveries;

use App\Desk\Page\PageMoment;
use Awning\Core\Sheet\Export\FlatsExport;

final class FiguresDelivery extends FromFlats
{
    public static function format(): string
    {
        return 'flats-figures';
    }

    public static function title(): string
    {
        return 'Flats by figure';
    }

    public static function purpose(): string
    {
        return 'OpenRaster, a layer for each figure';
    }

    public static function ending(): string
    {
        return 'flats-figures.ora';
    }

    protected function put(string $file, FlatsExport $flats, PageMoment $moment): void
    {
        $flats->figures($file, $moment->figures);
    }
}

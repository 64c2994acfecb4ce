<?php

declare(strict_types=1);

namespace App\Desk\Deliveries;

use App\Desk\Page\PageMoment;
use Awning\Core\Sheet\Export\FlatsExport;

final class MaterialsDelivery extends FromFlats
{
    public static function format(): string
    {
        return 'flats-materials';
    }

    public static function title(): string
    {
        return 'Flats by material';
    }

    public static function purpose(): string
    {
        return 'OpenRaster, a layer for each material';
    }

    public static function ending(): string
    {
        return 'flats-materials.ora';
    }

    protected function put(string $file, FlatsExport $flats, PageMoment $moment): void
    {
        $flats->materials($file, $moment->materials);
    }
}

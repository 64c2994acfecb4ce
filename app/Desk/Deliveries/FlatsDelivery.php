<?php

declare(strict_types=1);

namespace App\Desk\Deliveries;

use App\Desk\Page\PageMoment;
use Awning\Core\Sheet\Export\FlatsExport;

final class FlatsDelivery extends FromFlats
{
    public static function format(): string
    {
        return 'flats';
    }

    public static function title(): string
    {
        return 'Flats alone';
    }

    public static function purpose(): string
    {
        return 'a PNG of the base colours, nothing smoothed';
    }

    public static function ending(): string
    {
        return 'flats.png';
    }

    protected function put(string $file, FlatsExport $flats, PageMoment $moment): void
    {
        file_put_contents($file, $flats->png());
    }
}

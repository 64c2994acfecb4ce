<?php

declare(strict_types=1);

namespace App\Desk\Deliveries;

final class TiffDelivery extends PictureDelivery
{
    public static function format(): string
    {
        return 'tiff';
    }

    public static function title(): string
    {
        return 'TIFF';
    }

    public static function purpose(): string
    {
        return 'for print';
    }
}

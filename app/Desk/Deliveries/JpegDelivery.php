<?php

declare(strict_types=1);

namespace App\Desk\Deliveries;

final class JpegDelivery extends PictureDelivery
{
    public static function format(): string
    {
        return 'jpeg';
    }

    public static function title(): string
    {
        return 'JPEG';
    }

    public static function purpose(): string
    {
        return 'for the web, small';
    }
}

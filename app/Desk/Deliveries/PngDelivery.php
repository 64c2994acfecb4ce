<?php

declare(strict_types=1);

namespace App\Desk\Deliveries;

final class PngDelivery extends PictureDelivery
{
    public static function format(): string
    {
        return 'png';
    }

    public static function title(): string
    {
        return 'PNG';
    }

    public static function purpose(): string
    {
        return 'for the screen, lossless';
    }
}

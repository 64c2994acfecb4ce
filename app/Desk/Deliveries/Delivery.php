<?php

declare(strict_types=1);

namespace App\Desk\Deliveries;

use App\Desk\Page\PageMoment;
use Awning\Core\Raster\Paint;

/**
 * A form in which a page leaves. A new one is a class here and a line in DeliveryKinds; the dialog shows what it is
 * told here.
 */
interface Delivery
{
    /** How it is asked for. */
    public static function format(): string;

    /** On its button: "OpenRaster". */
    public static function title(): string;

    /** What it is for and what it can say, in a few words. */
    public static function purpose(): string;

    /** Of the file's name, after the dot. */
    public static function ending(): string;

    /** Whether it is made from the finished picture of the page. */
    public static function needsPicture(): bool;

    /**
     * Writes the page into a file that is not there yet.
     *
     * @param  ?Paint  $picture  the finished picture, where it needs that
     * @param  float  $dpi  0: not known
     */
    public function write(string $file, PageMoment $moment, ?Paint $picture, float $dpi): void;
}

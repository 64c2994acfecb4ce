<?php

declare(strict_types=1);

namespace App\Desk\Page;

use App\Models\ReferencePicture;
use App\Store\OriginalViews;
use Awning\Core\Codec\Picture;
use Awning\Core\Codec\Thumbnail;
use Awning\Core\Colour\ColourShare;
use Awning\Core\Colour\MainColours;

/** What a picture beside the work is shown by: a copy of a size to look at, and its main colours. */
final readonly class PictureOnBoard
{
    public function __construct(private ReferencePicture $reference)
    {
    }

    /** @param  callable(float): void  $goOn  told how far it is; may throw to end the work */
    public function show(Picture $picture, callable $goOn): void
    {
        (new OriginalViews)->keep($this->reference->original, $picture);
        $colours = [];
        for ($count = MainColours::FEWEST; $count <= MainColours::MOST; $count++) {
            $goOn($count / MainColours::MOST);
            $colours[$count] = array_map(
                fn (ColourShare $one): array => ['colour' => $one->colour->hex(), 'share' => round($one->share, 4)],
                MainColours::of($picture->paint, $count),
            );
        }
        [$width, $height] = (new Thumbnail(OriginalViews::SIDE))->size($picture->paint->width, $picture->paint->height);
        $this->reference->forceFill(['width' => $width, 'height' => $height, 'colours' => $colours])->save();
    }
}

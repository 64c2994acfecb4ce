<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Export;

use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Raster\OneWorker;
use Awning\Core\Raster\Paint;
use Awning\Core\Raster\Workers;
use Awning\Core\Sheet\Ops\Ink\StartPage;
use Awning\Core\Sheet\Ops\Paint\LayPicture;
use Awning\Core\Sheet\Ops\Passes\AddPass;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\MemorySource;
use Awning\Core\Sheet\State\Palette;

/** Any picture as a page shows it under a mood: laid on a page of its size, and the mood's layers over it. */
final readonly class GradedPicture
{
    /** A page has a resolution; nothing here depends on it. */
    private const DPI = 300.0;

    public function __construct(private Workers $workers = new OneWorker)
    {
    }

    /**
     * @param  list<PassSpec>  $layers  over the whole page, bottom up
     * @return Paint of the same size and alpha; what shines through it was white beneath
     *
     * @throws \RangeException when it has more pixels than a page may have
     */
    public function of(Paint $picture, array $layers): Paint
    {
        $source = new MemorySource;
        $sheet = new Sheet($source);
        (new StartPage($picture->width, $picture->height, self::DPI))->apply($sheet);
        (new LayPicture('picture0', 'The picture', $picture))->apply($sheet);
        foreach ($layers as $i => $layer) {
            (new AddPass("layer00$i", $layer))->apply($sheet);
        }
        $stack = (new StackBuilder)->build($sheet, new Palette([], []));
        $graded = (new SheetPicture(workers: $this->workers))->compose($sheet, $stack);

        return new Paint(
            $picture->width,
            $picture->height,
            $graded->red,
            $graded->green,
            $graded->blue,
            $picture->alpha,
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\Page;

use App\Desk\Palette\SeriesPalette;
use App\Desk\WorkerProcesses;
use App\Models\Page;
use App\Models\PaletteVersion;
use App\Store\PageStore;
use App\Store\Pyramid;
use Awning\Core\Compose\Compositor;
use Awning\Core\Raster\Paint;
use Awning\Core\Sheet\Export\SheetPicture;
use Awning\Core\Sheet\Export\StackBuilder;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\Sheet;

/** The composed page: at full size, or small for the shelf. */
final readonly class PagePicture
{
    /** @param  ?callable(float): void  $progress */
    public static function full(PageMoment $moment, ?callable $progress = null): Paint
    {
        $sheet = new Sheet($moment->page);

        return (new SheetPicture(new Compositor, new WorkerProcesses))->compose(
            $sheet,
            (new StackBuilder)->build($sheet, $moment->palette),
            $progress,
        );
    }

    /**
     * As large as it may be with no side longer than that: halved as often as it takes, four times at the most.
     *
     * @return ?Paint null while the page is empty
     */
    public static function upTo(Page $page, int $side): ?Paint
    {
        $level = 0;
        while ($level < Pyramid::HIGHEST && max((int) $page->width, (int) $page->height) >> $level > $side) {
            $level++;
        }

        return self::reduced($page, $level);
    }

    /**
     * As small as on the shelf, as if the page held a version of the palette, or with null none.
     *
     * @return ?Paint null while the page is empty
     */
    public static function asIf(Page $page, ?PaletteVersion $version): ?Paint
    {
        return self::composed(
            new Sheet(new Pyramid(new PageStore($page), ShelfPicture::LEVEL)),
            SeriesPalette::asIf($page, $version),
        );
    }

    /**
     * As it would be after a change to its mood, halved so often; as small as on the shelf if nothing else is said.
     *
     * @return ?Paint null while the page is empty
     */
    public static function inMood(Page $page, Op $change, int $level = ShelfPicture::LEVEL): ?Paint
    {
        $sheet = new Sheet(new Pyramid(new PageStore($page), $level));
        if ($sheet->isEmpty()) {
            return null;
        }
        $change->apply($sheet);

        return self::composed($sheet, SeriesPalette::of($page), $sheet->size()->moodPlan);
    }

    /** @return ?Paint null while the page is empty */
    public static function reduced(Page $page, int $level): ?Paint
    {
        return self::composed(new Sheet(new Pyramid(new PageStore($page), $level)), SeriesPalette::of($page));
    }

    /**
     * Halved so often, without what lies over the whole page.
     *
     * @return ?Paint null while the page is empty
     */
    public static function lit(Page $page, int $level): ?Paint
    {
        $sheet = new Sheet(new Pyramid(new PageStore($page), $level));
        if ($sheet->isEmpty()) {
            return null;
        }
        $stack = (new StackBuilder)->build($sheet, SeriesPalette::of($page)->core());

        return (new SheetPicture)->compose($sheet, $stack->withoutMood());
    }

    /**
     * As its flats are with the light on them, and as the reader sees it, with all that lies over the whole page.
     *
     * @return array{Paint, Paint} the same picture where nothing does
     */
    public static function litAndSeen(Sheet $sheet, SeriesPalette $palette): array
    {
        $stack = (new StackBuilder)->build($sheet, $palette->core());
        $seen = (new SheetPicture)->compose($sheet, $stack);

        return [$stack->above === [] ? $seen : (new SheetPicture)->compose($sheet, $stack->withoutMood()), $seen];
    }

    /** @param  ?int  $plan  a light plan that a mood brings */
    private static function composed(Sheet $sheet, SeriesPalette $palette, ?int $plan = null): ?Paint
    {
        return $sheet->isEmpty()
            ? null
            : (new SheetPicture)->compose($sheet, (new StackBuilder)->build($sheet, $palette->core($plan)));
    }
}

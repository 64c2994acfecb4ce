<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Page\LayerName;
use Awning\Core\Raster\Rect;

/** The layers of one rectangle of a page, as the compositor asks for them. */
interface Block
{
    /** Where on the page it lies, in pixels of the page. */
    public function rect(): Rect;

    /** How many pixels there are. */
    public function size(): int;

    /** @return ?string two bytes a pixel; null when there are no flats here */
    public function labels(): ?string;

    /**
     * Labels of the rectangle and of one pixel more on every side; beside the page, those at its edge once more.
     *
     * @return ?string two bytes a pixel; null where they are not known, or there are no flats
     */
    public function labelsAround(): ?string;

    /** @return ?string one byte a pixel; null when it is empty here */
    public function coverage(LayerName $layer): ?string;

    /** Null when it is empty here. */
    public function paint(LayerName $layer): ?Pixels;

    /**
     * A plane that follows from the place on the page.
     *
     * @param  callable(Rect): string  $plane  of a whole rectangle, one byte a pixel, row after row
     * @return string of the pixels of this block
     */
    public function generated(callable $plane): string;

    /** This rectangle with so many pixels more on every side, as far as the page reaches. */
    public function widened(int $margin): self;
}

<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Light;

use Awning\Core\Page\PageSize;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Right;

/** Hides the page's lines, and lets occlusion of its figures take their place: lineless work, in one step. */
final readonly class OccludeLines implements Op
{
    public function __construct(private LayRoughIns $occlusion)
    {
    }

    public static function kind(): string
    {
        return 'lines.occlude';
    }

    public static function form(): int
    {
        return 1;
    }

    /** The coverage itself is in the tiles the journal names. */
    public function toInput(): array
    {
        return $this->occlusion->toInput();
    }

    public function title(): string
    {
        return 'Let occlusion take the place of the lines';
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function apply(Sheet $sheet): void
    {
        $size = $sheet->size();
        $sheet->put(PageSize::KEY, $size->coloured($size->lines->with(shown: false)));
        $this->occlusion->apply($sheet);
    }
}

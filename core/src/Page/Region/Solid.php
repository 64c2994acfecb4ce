<?php

declare(strict_types=1);

namespace Awning\Core\Page\Region;

enum Solid: string
{
    public const SAYS = 'A region is round, flat, a ball, a tube, cloth, a gem or shining.';

    /** Round, as its outline says. */
    case Round = 'round';

    /** A sheet that faces the reader: a page, a board, a painted patch. */
    case Flat = 'flat';

    /** One ball, whatever its outline: a head, an eye. */
    case Ball = 'ball';

    /** A tube along its longer side: an arm, a mast. */
    case Tube = 'tube';

    /** Cloth in folds that run along its longer side, or as a direction says. */
    case Cloth = 'cloth';

    /** A cut stone: planes that meet in edges. */
    case Gem = 'gem';

    /** No body but a light itself: a flame, a lit window, the moon. It has no shade, and glows. */
    case Shining = 'shining';
}

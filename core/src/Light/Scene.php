<?php

declare(strict_types=1);

namespace Awning\Core\Light;

use Awning\Core\Light\Emission\KeyLight;
use Awning\Core\Light\Emission\NearLight;
use Awning\Core\Light\Surface\DirectionField;
use Awning\Core\Page\Region\Solid;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;

/**
 * What is known of bodies beside their outlines, and what else shines on them; all of it about the plane they are drawn
 * in.
 */
final readonly class Scene
{
    /**
     * @param  array<int, int>  $bodies  the body each label belongs to, where lines part it only by the dial for folds
     * @param  array<int, Solid>  $solids  labels of which a simple solid is told
     * @param  ?\Closure(Rect): ?Plane  $cast  the shadows that fall on a part of it; null: there are none
     * @param  list<NearLight>  $lamps
     * @param  ?KeyLight  $back  what a rim comes from; null: from opposite the key
     * @param  array<int, DirectionField>  $flows  which way labels run
     * @param  ?\Closure(Rect): ?Plane  $unseen  the dark in a part of it where lines were that are not shown; null:
     *     they are shown
     * @param  int  $x  where on the page the plane begins
     */
    public function __construct(
        public array $bodies = [],
        public array $solids = [],
        public ?\Closure $cast = null,
        public array $lamps = [],
        public ?KeyLight $back = null,
        public array $flows = [],
        public ?\Closure $unseen = null,
        public int $x = 0,
        public int $y = 0,
    ) {
    }
}

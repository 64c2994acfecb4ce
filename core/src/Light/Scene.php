<?php

declare(strict_types=1);

namespace Awning\Core\Light;

use Awning\Core\Page\Solid;
use Awning\Core\Raster\Plane;

/** What is known of bodies beside their outlines, and what else shines on them; all of it about the plane they are drawn in. */
final readonly class Scene
{
    /**
     * @param  array<int, int>  $bodies  the body each label belongs to, where lines part it only by the dial for folds
     * @param  array<int, Solid>  $solids  labels of which a simple solid is told
     * @param  ?Plane  $cast  the shadows that fall on it
     * @param  list<NearLight>  $lamps
     * @param  ?KeyLight  $back  what a rim comes from; null: from opposite the key
     * @param  array<int, Along>  $flows  which way labels run
     */
    public function __construct(
        public array $bodies = [], public array $solids = [], public ?Plane $cast = null, public array $lamps = [], public ?KeyLight $back = null, public array $flows = [],
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

/** Everything a page shows, bottom up: flats, the passes of its figures, ink, passes above the ink. */
final readonly class PageStack
{
    /**
     * @param  array<int, Flat>  $flats  by label; a region without one shows paper
     * @param  list<Node>  $figures  passes inside figures and materials
     * @param  list<Node>  $ink  passes that colour the ink
     * @param  list<Node>  $above  passes over the whole page
     * @param  int  $inkColour  0xRRGGBB
     */
    public function __construct(
        public array $flats,
        public array $figures = [],
        public array $ink = [],
        public array $above = [],
        public int $inkColour = 0x111111,
        public bool $showInk = true,
    ) {
    }
}

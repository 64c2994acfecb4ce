<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

use Awning\Core\Page\BlendMode;

/** Everything a page shows, bottom up: its figures from far to near, ink, passes above the ink. */
final readonly class PageStack
{
    /**
     * @param  array<int, Flat>  $flats  by label; a region without one shows paper
     * @param  list<DepthPlane>  $planes  farthest first
     * @param  list<Layer>  $ink  what colours the ink
     * @param  list<Layer>  $above  over the whole page
     * @param  int  $inkColour  0xRRGGBB
     * @param  BlendMode  $inkMode  how ink, with what colours it, blends with what lies beneath
     * @param  bool  $inkByTone  whether ink takes the line tone of the material beneath it, where there is one
     * @param  array<int, true>  $soft  figures whose outer edge is softened by a pixel
     */
    public function __construct(
        public array $flats,
        public array $planes = [],
        public array $ink = [],
        public array $above = [],
        public int $inkColour = 0x111111,
        public bool $showInk = true,
        public bool $inkByTone = false,
        public BlendMode $inkMode = BlendMode::Normal,
        public array $soft = [],
    ) {
    }

    /** The same without what lies over the whole page: moods and glows. */
    public function withoutMood(): self
    {
        return new self($this->flats, $this->planes, $this->ink, [], $this->inkColour, $this->showInk, $this->inkByTone, $this->inkMode, $this->soft);
    }

    /** Whether all flats can be laid before the first pass, because no pass would be hidden by a nearer figure's. */
    public function flatsComeFirst(): bool
    {
        foreach ($this->planes as $plane) {
            if (! $plane->keepsToItself()) {
                return false;
            }
        }

        return true;
    }
}

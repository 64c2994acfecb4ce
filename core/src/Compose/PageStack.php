<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

use Awning\Core\Compose\Layers\Flat;
use Awning\Core\Compose\Layers\Layer;
use Awning\Core\Compose\Layers\NeighbourLayer;
use Awning\Core\Page\Pass\BlendMode;

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
        return new self(
            flats: $this->flats,
            planes: $this->planes,
            ink: $this->ink,
            above: [],
            inkColour: $this->inkColour,
            showInk: $this->showInk,
            inkByTone: $this->inkByTone,
            inkMode: $this->inkMode,
            soft: $this->soft,
        );
    }

    /**
     * @return int px that must be composed beside what is asked for, for layers that look at the pixels about each one
     */
    public function margin(): int
    {
        $margin = 0;
        foreach (
            [...array_map(fn (DepthPlane $plane): array => $plane->behind, $this->planes), $this->above] as $layers
        ) {
            foreach ($layers as $layer) {
                $margin += $layer instanceof NeighbourLayer && $layer->isShown() ? $layer->margin() : 0;
            }
        }

        return $margin;
    }

    /** The same as far as one layer, with it; its ink only where the layer lies above that. */
    public function through(Layer $last): self
    {
        $planes = [];
        foreach ($this->planes as $plane) {
            $behind = self::upTo($plane->behind, $last);
            $layers = self::upTo($plane->layers, $last);
            if ($behind !== null || $layers !== null) {
                $planes[] =
                    $behind === null
                        ? new DepthPlane($plane->figure, $layers, $plane->behind, $plane->spills)
                        : new DepthPlane($plane->figure, behind: $behind);

                return new self($this->flats, $planes, showInk: false, soft: $this->soft);
            }
            $planes[] = $plane;
        }
        $above = self::upTo($this->above, $last) ?? throw new \LogicException('The layer is not in the stack.');

        return new self(
            flats: $this->flats,
            planes: $this->planes,
            ink: $this->ink,
            above: $above,
            inkColour: $this->inkColour,
            showInk: $this->showInk,
            inkByTone: $this->inkByTone,
            inkMode: $this->inkMode,
            soft: $this->soft,
        );
    }

    /**
     * @param  list<Layer>  $layers
     * @return ?list<Layer> null when it is not among them
     */
    private static function upTo(array $layers, Layer $last): ?array
    {
        $at = array_search($last, $layers, true);

        return $at === false ? null : array_slice($layers, 0, $at + 1);
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

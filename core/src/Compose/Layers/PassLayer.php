<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Compose\Canvas\Canvas;
use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\PassSpec;

/** What every pass has: the layer that holds its pixels, its clip, how it is laid. */
abstract readonly class PassLayer implements Layer
{
    public LayerName $layer;

    public function __construct(
        string $id,
        public PassSpec $spec,
        private ?Mask $mask = null,
        protected ?PageSize $page = null,
    ) {
        $this->layer = $spec->layer($id);
    }

    final public function lay(Canvas $canvas, Ground $ground): void
    {
        if ($this->spec->visible && $this->spec->opacity > 0) {
            $this->put($canvas, $ground);
        }
    }

    /** What it lays when it is shown, whether it is or not. */
    final public function source(Canvas $canvas, Ground $ground): void
    {
        $this->put($canvas, $ground);
    }

    abstract protected function put(Canvas $canvas, Ground $ground): void;

    /** The coverage of a pass that fills all that its clip and its mask leave; null: nothing of that is here. */
    final protected function filled(Ground $ground): ?string
    {
        $inside = $ground->flats->inside($this->spec->scope, 0);

        return $inside === [] ? null : $this->masked(Pixels::within($ground->count, $inside, null), $ground);
    }

    /** What its mask leaves of a coverage. */
    final protected function masked(string $coverage, Ground $ground): string
    {
        return $this->mask === null ? $coverage : $this->mask->through($coverage, $ground);
    }

    /**
     * Spans with their colours turned as the pass has it.
     *
     * @param  list<array{int, int, int}>  $spans  first pixel, pixel after the last, 0xRRGGBB
     * @return list<array{int, int, int}>
     */
    final protected function turned(array $spans): array
    {
        if ($this->spec->turn === null) {
            return $spans;
        }
        $turn = $this->spec->turn->colours();
        $known = [];

        return array_map(function (array $span) use ($turn, &$known): array {
            return [$span[0], $span[1], $known[$span[2]] ??= $turn($span[2])];
        }, $spans);
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Colour\Alteration;
use Awning\Core\Compose\Canvas\Canvas;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\AlteringContent;
use Awning\Core\Page\Pass\PassSpec;

/** Alters what lies beneath, inside its clip: levels, a curve, a shift of colours, a balance. */
final readonly class AlteringLayer extends PassLayer
{
    /** The same for all tiles: it may keep the colours it has looked up. */
    private Alteration $alteration;

    public function __construct(string $id, PassSpec $spec, ?Mask $mask = null, ?PageSize $page = null)
    {
        parent::__construct($id, $spec, $mask, $page);
        $this->alteration = $spec->content instanceof AlteringContent
            ? $spec->content->alteration()
            : throw new \LogicException('Another kind of pass.');
    }

    protected function put(Canvas $canvas, Ground $ground): void
    {
        $coverage = $this->filled($ground);
        if ($coverage !== null) {
            $canvas->alter($coverage, $this->alteration, $this->spec->mode, $this->spec->opacity);
        }
    }
}

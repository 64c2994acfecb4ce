<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

use Awning\Core\Page\LayerName;
use Awning\Core\Page\PassSpec;

/** What every pass has: the layer that holds its pixels, its clip, how it is laid. */
abstract readonly class PassLayer implements Layer
{
    public LayerName $layer;

    final public function __construct(string $id, public PassSpec $spec)
    {
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
}

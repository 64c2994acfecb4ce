<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Compose\Canvas\Canvas;

/** Something that is laid on a page: a pass of some kind, or a group of them. */
interface Layer
{
    public function lay(Canvas $canvas, Ground $ground): void;
}

<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Colour\Alteration;

/** An adjustment of each pixel beneath it by itself. */
interface AlteringContent
{
    public function alteration(): Alteration;
}

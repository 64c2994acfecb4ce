<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

/**
 * An op with work to do that needs nothing but the page's size: done before the page is locked, so that nobody waits
 * for it.
 */
interface Prepares
{
    /** @throws OpRefused when the page is empty, or the work is more than is done for one op */
    public function prepare(Sheet $sheet): void;
}

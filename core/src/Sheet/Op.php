<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

/** One change to a page. It either alters the sheet as a whole or throws before altering anything. */
interface Op
{
    /** A short name for the journal, in words a person reads. */
    public function title(): string;

    /** @throws OpRefused */
    public function apply(Sheet $sheet): void;
}

<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

use Awning\Core\Sheet\State\Right;

/**
 * One change to a page. It either alters the sheet as a whole or throws before altering anything. The journal keeps it
 * as it was asked for: its kind, the version of its form, its input.
 */
interface Op
{
    public static function kind(): string;

    /** Raised when the meaning of the input changes, so that old journals can still be read. */
    public static function form(): int;

    /** A short name for the journal, in words a person reads. */
    public function title(): string;

    public function right(): Right;

    /** @return array<string, mixed> plain data from which it could be done again */
    public function toInput(): array;

    /** @throws OpRefused */
    public function apply(Sheet $sheet): void;
}

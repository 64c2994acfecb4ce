<?php

declare(strict_types=1);

namespace Awning\Core\Page;

/** Something kept of a page beside its tiles: it never changes, and has one way to and from plain data. */
interface Record
{
    public static function kind(): RecordKind;

    /** @throws \InvalidArgumentException when a value is missing or out of bounds; the message says which */
    public static function fromData(Data $data): self;

    /** @return array<string, mixed> what fromData takes, and what the journal and the browser are given */
    public function toData(): array;
}

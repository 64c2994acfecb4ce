<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\State;

use Awning\Core\Page\Record;
use Awning\Core\Page\RecordKind;

/** One record before and after; null is no such record. */
final readonly class RecordChange
{
    public function __construct(
        public RecordKind $kind,
        public string $key,
        public ?Record $before,
        public ?Record $after,
    ) {
    }

    public function isNone(): bool
    {
        return $this->before?->toData() === $this->after?->toData();
    }
}

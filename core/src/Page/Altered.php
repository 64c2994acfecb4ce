<?php

declare(strict_types=1);

namespace Awning\Core\Page;

/** A record that gives another one which differs in a few values. */
trait Altered
{
    /** @param  array<string, mixed>  $values  by property */
    private function but(array $values): self
    {
        /** @phpstan-ignore argument.type (the values are this class's own) */
        return new self(...array_merge(get_object_vars($this), $values));
    }
}

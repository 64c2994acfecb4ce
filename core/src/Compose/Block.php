<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

/** The layers of one stretch of a page, as the compositor asks for them. */
interface Block
{
    /** How many pixels there are. */
    public function size(): int;

    /** @return ?string two bytes a pixel; null when there are no flats here */
    public function labels(): ?string;

    /** @return ?string one byte a pixel; null when it is empty here */
    public function coverage(string $layer): ?string;

    /** Null when it is empty here. */
    public function paint(string $layer): ?Pixels;
}

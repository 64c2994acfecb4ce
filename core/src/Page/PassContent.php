<?php

declare(strict_types=1);

namespace Awning\Core\Page;

use Awning\Core\Colour\Tone;

/** What makes one kind of pass: where its colour comes from, and its own settings. */
interface PassContent
{
    /** @throws \InvalidArgumentException */
    public static function fromData(Data $data): self;

    /** @return array{tone?: value-of<Tone>, colour?: string, follows?: ?value-of<LightPart>} its own settings only */
    public function toData(): array;

    public function kind(): PassKind;
}

<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

enum FinderStage: string
{
    case Flats = 'flats';
    case Proof = 'proof';
}

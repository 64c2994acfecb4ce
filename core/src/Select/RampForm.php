<?php

declare(strict_types=1);

namespace Awning\Core\Select;

enum RampForm: string
{
    case Straight = 'straight';
    case Round = 'round';
}

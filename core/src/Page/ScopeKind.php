<?php

declare(strict_types=1);

namespace Awning\Core\Page;

enum ScopeKind: string
{
    case Page = 'page';
    case Ink = 'ink';
    case Figure = 'figure';
    case Material = 'material';
}

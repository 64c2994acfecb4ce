<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

enum ScopeKind: string
{
    case Page = 'page';
    case Ink = 'ink';
    case Figure = 'figure';
    case Material = 'material';

    /** Everything farther away than a figure. */
    case Behind = 'behind';

    /** Whether it names a figure or a material. */
    public function names(): bool
    {
        return $this !== self::Page && $this !== self::Ink;
    }

    /** Whether it cuts nothing away where it is laid. */
    public function isWhole(): bool
    {
        return $this !== self::Figure && $this !== self::Material;
    }
}

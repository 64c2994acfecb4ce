<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

/** What is kept of a page beside its tiles. */
enum FactKind: string
{
    /** key "page": width, height, dpi, levels. */
    case Page = 'page';

    /** key: label. */
    case Region = 'region';

    /** key: running number. */
    case Bridge = 'bridge';

    /** key: id of the pass. */
    case Pass = 'pass';

    /** key: id of the group. */
    case Group = 'group';
}

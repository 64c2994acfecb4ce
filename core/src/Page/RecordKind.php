<?php

declare(strict_types=1);

namespace Awning\Core\Page;

use Awning\Core\Page\Drawing\Drawing;
use Awning\Core\Page\Drawing\InkStroke;
use Awning\Core\Page\Mood\HeldMood;
use Awning\Core\Page\Pass\PassGroup;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Region\Bridge;
use Awning\Core\Page\Region\ColourShift;
use Awning\Core\Page\Region\Region;

/** The kinds of record. A new kind is a class and a line here. */
enum RecordKind: string
{
    /** One, with the key "page". */
    case Page = 'page';

    /** By label. */
    case Region = 'region';

    /** By running number. */
    case Bridge = 'bridge';

    /** By id. */
    case Pass = 'pass';

    /** By id. */
    case Group = 'group';

    /** By id. */
    case Drawing = 'drawing';

    /** By id. */
    case Stroke = 'stroke';

    /** By id. */
    case Shift = 'shift';

    /** By id. */
    case Held = 'held';

    /** @return class-string<Record> */
    public function class(): string
    {
        return match ($this) {
            self::Page => PageSize::class,
            self::Region => Region::class,
            self::Bridge => Bridge::class,
            self::Pass => PassSpec::class,
            self::Group => PassGroup::class,
            self::Drawing => Drawing::class,
            self::Stroke => InkStroke::class,
            self::Shift => ColourShift::class,
            self::Held => HeldMood::class,
        };
    }

    /** @param  array<array-key, mixed>  $data */
    public function read(array $data): Record
    {
        return $this->class()::fromData(new Data($data));
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/**
 * The colours of a material: five from dark to light, that of its line, and up to four more that somebody has named.
 */
enum Tone: string
{
    case Deep = 'deep';
    case Shade = 'shade';
    case Base = 'base';
    case Light = 'light';
    case Glint = 'glint';
    case Line = 'line';
    case MoreOne = 'more-1';
    case MoreTwo = 'more-2';
    case MoreThree = 'more-3';
    case MoreFour = 'more-4';

    /** @return non-empty-list<self> those that every material has */
    public static function six(): array
    {
        return [self::Deep, self::Shade, self::Base, self::Light, self::Glint, self::Line];
    }

    /** @return non-empty-list<self> those that a material may have beside them; never derived */
    public static function more(): array
    {
        return [self::MoreOne, self::MoreTwo, self::MoreThree, self::MoreFour];
    }

    public function isMore(): bool
    {
        return in_array($this, self::more(), true);
    }
}

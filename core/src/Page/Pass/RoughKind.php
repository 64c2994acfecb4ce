<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

/** What a first light lays on a figure, each as a pass whose id tells it: a figure has one of each. */
enum RoughKind: string
{
    /** What the ids begin with: paint that is meant for a tone goes into a pass of its own. */
    public const PREFIX = 'rough';

    case Shade = 'shade';
    case Cast = 'cast';
    case Deep = 'deep';
    case Occlusion = 'occlusion';
    case Bounce = 'bounce';
    case Light = 'light';
    case Glint = 'glint';
    case Rim = 'rim';
    case Lines = 'lines';
    case Lamp1 = 'lamp1';
    case Lamp2 = 'lamp2';
    case Snow = 'snow';
    case SnowShade = 'snowshade';
    case Unseen = 'unseen';
    case Glow = 'glow';

    public function id(int $figure): string
    {
        return self::PREFIX.$figure.$this->value;
    }

    /** What it stays inside of. */
    public function scope(int $figure): Scope
    {
        return match ($this) {
            self::Lines => Scope::ink(),
            // What glows reaches beyond what shines.
            self::Glow => Scope::page(),
            default => Scope::figure($figure),
        };
    }
}

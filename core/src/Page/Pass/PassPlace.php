<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

/** Where in the page's order a pass is laid. It follows from its clip. */
enum PassPlace: string
{
    /** Over the flats of its figure, below the ink. */
    case Figure = 'figure';

    /** Over everything farther away than a figure, and hidden by the figure's flats. */
    case Behind = 'behind';

    /** Into the colour of the ink. */
    case Ink = 'ink';

    /** Over everything. */
    case Above = 'above';

    public static function of(Scope $scope): self
    {
        return match ($scope->kind) {
            ScopeKind::Figure, ScopeKind::Material => self::Figure,
            ScopeKind::Behind => self::Behind,
            ScopeKind::Ink => self::Ink,
            ScopeKind::Page => self::Above,
        };
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Page\Setup;

use Awning\Core\Colour\Tone;
use Awning\Core\Page\Pass\PassKind;

/**
 * The setups that lie ready: stacks as colourists build them again and again (common practice); names and numbers are
 * ours.
 */
final class SetupBox
{
    /** @return array<string, Setup> by name */
    public static function all(): array
    {
        $deep = self::tone('Deep', Tone::Deep);
        $shade = self::tone('Shade', Tone::Shade);
        $light = self::tone('Light', Tone::Light);
        $glint = self::tone('Glint', Tone::Glint);

        return array_map(fn (array $passes): Setup => Setup::fromList($passes), [
            'Eye' => [
                $shade,
                self::tint('Upper dark', '#2c2740', 'multiply', 0.55),
                self::tint('Second dark', '#1a1830', 'multiply', 0.7),
                self::tint('Lower glow', '#bfe6ff', 'soft-light', 0.7),
                $light,
                $glint,
            ],
            'Gem' => [
                self::tint('First facets', '#5a5480', 'multiply', 0.35),
                self::tint('Second facets', '#3d3868', 'multiply', 0.45),
                $deep,
                self::tint('Inner glow', '#ffffff', 'overlay', 0.5),
                self::tint('Crossing stripes', '#ffffff', 'soft-light', 0.6),
                $glint,
            ],
            'Hair' => [
                $shade,
                self::tint('Clumps', '#57507a', 'multiply', 0.4),
                self::tint('Cool roots', '#46608c', 'multiply', 0.25),
                self::tint('Warm tips', '#ffb46a', 'soft-light', 0.35),
                $light,
                $glint,
                self::paint('Loose strands'),
            ],
            'Wet skin' => [
                $shade,
                $deep,
                self::tint('Blush', '#d2604e', 'soft-light', 0.4),
                self::tint('Sky in it', '#8fb2d8', 'screen', 0.25),
                $light,
                $glint,
            ],
            'Cloth' => [
                $shade,
                $deep,
                self::tint('Occlusion', '#4b4668', 'multiply', 0.5),
                $light,
                self::tint('Weave', '#6a6478', 'multiply', 0.2),
            ],
            'Brass' => [
                $shade,
                $deep,
                self::tint('What it mirrors', '#6d88b4', 'overlay', 0.35),
                $light,
                $glint,
                self::tint('Rim', '#ffe2b0', 'color-dodge', 0.45),
            ],
            'Glass' => [
                self::tint('Edge', '#2f4a5c', 'multiply', 0.4),
                self::tint('Through it', '#dff3ff', 'soft-light', 0.5),
                $light,
                $glint,
                self::tint('Glow', '#bfe6ff', 'plus-lighter', 0.25),
            ],
            'Water' => [
                $deep,
                $shade,
                self::tint('Sky on it', '#9fc4e0', 'screen', 0.35),
                self::tint('Foam', '#ffffff', 'normal', 0.8),
                $glint,
            ],
        ]);
    }

    /** @return array<string, mixed> */
    private static function tone(string $name, Tone $tone): array
    {
        return ['name' => $name, 'kind' => PassKind::Tone->value, 'tone' => $tone->value];
    }

    /** @return array<string, mixed> */
    private static function tint(string $name, string $colour, string $mode, float $opacity): array
    {
        return [
            'name' => $name,
            'kind' => PassKind::Tint->value,
            'colour' => $colour,
            'mode' => $mode,
            'opacity' => $opacity,
        ];
    }

    /** @return array<string, mixed> */
    private static function paint(string $name): array
    {
        return ['name' => $name, 'kind' => PassKind::Paint->value];
    }
}

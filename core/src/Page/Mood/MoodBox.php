<?php

declare(strict_types=1);

namespace Awning\Core\Page\Mood;

use Awning\Core\Page\Pass\Weather;

/** The moods that every series begins with. */
final class MoodBox
{
    /** From the top of the page to its foot. */
    private const DOWN = ['form' => 'linear', 'from' => [0.5, 0.0], 'to' => [0.5, 1.0]];

    /** From the middle of the page outward. */
    private const OUTWARD = ['form' => 'round', 'from' => [0.5, 0.45], 'to' => [0.95, 0.8]];

    /** @return array<string, Mood> by name */
    public static function all(): array
    {
        return array_map(fn (array $layers): Mood => Mood::fromList($layers), [
            'First light of day' => [
                self::shift('Pale colours', 0.02, 0.8, 0),
                self::gradient('Rising haze', self::DOWN, '#8aa0d8', 0.55, '#ffd9b8', 0.45, 'soft-light', 0.9),
                self::balance('Cool darks, rosy lights', [-0.02, 0.01, 0.07], [0.03, 0.0, 0.01], [0.04, 0.01, -0.02]),
            ],
            'Noon' => [
                self::curve('Clear light', [[0.0, 0.0], [0.3, 0.26], [0.7, 0.76], [1.0, 1.0]]),
                self::shift('Fresh colours', 0.0, 1.12, 0),
            ],
            'Last light' => [
                self::gradient('Evening sky', self::DOWN, '#6a3f7a', 0.5, '#ff9a4a', 0.75, 'soft-light', 1.0),
                self::wash('Warm air', '#ffb066', 'multiply', 0.28),
                self::balance('Violet darks', [0.04, -0.02, 0.08], [0.02, 0.0, -0.02], [0.05, 0.02, -0.06]),
            ],
            'Lamp hour' => [
                self::wash('Dusk', '#39406e', 'multiply', 0.6),
                self::gradient('Lamplight', self::OUTWARD, '#ffc070', 0.85, '#ffc070', 0.0, 'soft-light', 0.9),
                self::curve('Kept lights', [[0.0, 0.0], [0.4, 0.36], [0.8, 0.88], [1.0, 1.0]]),
            ],
            'Deep night' => [
                self::shift('Little colour', -0.03, 0.5, 0),
                self::wash('Night', '#1e2c5c', 'multiply', 0.82),
                self::gradient('Moon from above', self::DOWN, '#9fb6ff', 0.3, '#9fb6ff', 0.0, 'screen', 0.8),
                self::levels('Dim lights', 0.0, 0.92, 1.1, 0.02, 0.94),
            ],
            'Fog' => [
                self::shift('Pale colours', 0.0, 0.55, 0),
                self::levels('Raised darks', 0.0, 1.0, 1.0, 0.2, 0.95),
                self::mist('Fog', '#dfe5ea', 900, 0.5, 7),
                self::lowFog('Fog over the ground', '#e8edf0', 0.62),
            ],
            'Storm' => [
                self::shift('Leaden colours', -0.04, 0.6, 0),
                self::wash('Wet air', '#5a6a80', 'multiply', 0.5),
                self::gradient('Dark above', self::DOWN, '#1c2434', 0.85, '#8a96a4', 0.1, 'multiply', 0.85),
                self::curve('Hard light', [[0.0, 0.0], [0.35, 0.26], [0.75, 0.8], [1.0, 1.0]]),
                self::falling('Rain', 0.8),
            ],
            'Winter' => [
                self::shift('Cold and clear', 0.03, 0.75, 0),
                self::balance('Blue shade', [-0.04, 0.0, 0.1], [-0.01, 0.01, 0.04], [0.0, 0.01, 0.02]),
                self::wash('Snow light', '#dfeaff', 'soft-light', 0.35),
                self::falling('Snow', 0.95),
            ],
        ]);
    }

    /**
     * @param  array<string, mixed>  $content
     * @return array<string, mixed>
     */
    private static function layer(string $name, array $content, string $mode = 'normal', float $opacity = 1.0): array
    {
        return ['name' => $name, 'content' => $content, 'mode' => $mode, 'opacity' => $opacity];
    }

    /** @return array<string, mixed> */
    private static function wash(string $name, string $colour, string $mode, float $opacity): array
    {
        return self::layer($name, ['kind' => 'wash', 'colour' => $colour], $mode, $opacity);
    }

    /**
     * From one colour to another; `covers` is how much of what lies beneath each hides, 0..1.
     *
     * @param  array{form: string, from: array{float, float}, to: array{float, float}}  $way
     * @return array<string, mixed>
     */
    private static function gradient(
        string $name,
        array $way,
        string $first,
        float $covers,
        string $last,
        float $lastCovers,
        string $mode,
        float $opacity,
    ): array {
        $stops = [
            ['at' => 0.0, 'colour' => $first, 'alpha' => $covers],
            ['at' => 1.0, 'colour' => $last, 'alpha' => $lastCovers],
        ];

        $content = ['kind' => 'gradient', 'space' => 'oklab', 'stops' => $stops] + $way;

        return self::layer($name, $content, $mode, $opacity);
    }

    /** @return array<string, mixed> */
    private static function shift(string $name, float $lightness, float $chroma, float $hue): array
    {
        return self::layer($name, ['kind' => 'shift', 'lightness' => $lightness, 'chroma' => $chroma, 'hue' => $hue]);
    }

    /**
     * @param  list<array{float, float}>  $points
     * @return array<string, mixed>
     */
    private static function curve(string $name, array $points): array
    {
        return self::layer($name, ['kind' => 'curve', 'channel' => 'all', 'points' => $points]);
    }

    /** @return array<string, mixed> */
    private static function levels(
        string $name,
        float $black,
        float $white,
        float $middle,
        float $low,
        float $high,
    ): array {
        return self::layer($name, [
            'kind' => 'levels',
            'channel' => 'all',
            'black' => $black,
            'white' => $white,
            'middle' => $middle,
            'low' => $low,
            'high' => $high,
        ]);
    }

    /**
     * @param  array{float, float, float}  $darks
     * @param  array{float, float, float}  $middle
     * @param  array{float, float, float}  $lights
     * @return array<string, mixed>
     */
    private static function balance(string $name, array $darks, array $middle, array $lights): array
    {
        return self::layer($name, ['kind' => 'balance', 'darks' => $darks, 'middle' => $middle, 'lights' => $lights]);
    }

    /** @return array<string, mixed> */
    private static function falling(string $name, float $opacity): array
    {
        return self::layer($name, Weather::all()[$name]->toData(), 'normal', $opacity);
    }

    /**
     * @param  float  $top  part of the page's height, from above, at which it is as dense as it gets
     * @return array<string, mixed>
     */
    private static function lowFog(string $name, string $colour, float $top): array
    {
        $content = ['kind' => 'mist', 'colour' => $colour, 'density' => 1.0, 'texture' => 0.4, 'top' => $top];

        return self::layer($name, $content + ['fade' => 0.5], 'normal', 0.9);
    }

    /** @return array<string, mixed> */
    private static function mist(string $name, string $colour, float $size, float $density, int $seed): array
    {
        return self::layer($name, [
            'kind' => 'mist',
            'colour' => $colour,
            'size' => $size,
            'density' => $density,
            'seed' => $seed,
        ]);
    }
}

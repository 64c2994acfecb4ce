<?php

declare(strict_types=1);

namespace Awning\Core\Light;

use Awning\Core\Colour\GradientStop;
use Awning\Core\Colour\Rgb;
use Awning\Core\Light\Emission\KeyLight;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\GradientContent;
use Awning\Core\Raster\Rect;

/**
 * Where a rainbow stands on a page: around the point opposite to the light, red outside. The bow lies 42.4 (red) to
 * 40.6 degrees (violet) from that point (Descartes and Newton; from memory). The page, or a panel of it, is taken for a
 * picture that is 60 degrees wide (common practice). On such a picture the bow is a conic; it is drawn as the circle
 * that meets it where it comes nearest to the middle of the picture.
 */
final class Rainbow
{
    /** Degrees of the bow from the point opposite to the light; beyond both ends it fades. */
    private const BOW = [
        [39.6, '#7b5cc4', 0.0],
        [40.6, '#7b5cc4', 0.7],
        [41.0, '#4f86d9', 0.85],
        [41.4, '#52b86b', 0.9],
        [41.8, '#f0d34f', 1.0],
        [42.4, '#e4603f', 0.9],
        [43.4, '#e4603f', 0.0],
    ];

    private const WIDE = 60.0;

    /** Parts of the page's width or height: farther away no gradient begins. */
    private const FARTHEST = 4.0;

    /** Degrees from the side: from lower lights the point opposite to them is too far away to be told. */
    private const LOWEST = 8.0;

    /**
     * @param  Rect  $picture  px of the page: all of it, or a panel
     * @return GradientContent|string the bow, in parts of the page's width and height; or why there is none, in a
     *     sentence
     */
    public static function of(KeyLight $light, Rect $picture, PageSize $page): GradientContent|string
    {
        if ($light->elevation < self::LOWEST) {
            return 'The light comes from the side or from behind. A rainbow stands opposite to one behind the reader. '
                .'Raise the light first.';
        }
        [$x, $y] = $light->direction;
        $focal = $picture->width / 2 / tan(deg2rad(self::WIDE / 2));
        $aside = 90 - $light->elevation;
        $length = hypot($x, $y);
        // From the point opposite to the light to the middle of the picture; straight up where both are one.
        $toMiddle = $length < 1e-9 ? [0.0, -1.0] : [$x / $length, -$y / $length];
        $far = $focal * tan(deg2rad($aside));
        $from = [
            $picture->x + $picture->width / 2 - $toMiddle[0] * $far,
            $picture->y + $picture->height / 2 - $toMiddle[1] * $far,
        ];
        $radius = fn (float $degrees): float => $far - $focal * tan(deg2rad($aside - $degrees));
        [$inside, $outside] = [$radius(self::BOW[0][0]), $radius(self::BOW[count(self::BOW) - 1][0])];
        if (! self::meets($from, $inside, $outside, $picture)) {
            return 'The rainbow of this light lies outside of the picture. Turn or raise the light.';
        }
        $part = fn (float $px, float $py): array => [$px / $page->width, $py / $page->height];
        $begins = $part(...$from);
        if (max(abs($begins[0]), abs($begins[1])) > self::FARTHEST) {
            return 'On a page of this form the middle of the rainbow lies too far away. Raise the light.';
        }

        return new GradientContent(
            isRound: true,
            isOklab: true,
            from: $begins,
            to: $part($from[0] + $toMiddle[0] * $outside, $from[1] + $toMiddle[1] * $outside),
            stops: array_map(
                fn (array $stop): GradientStop => new GradientStop(
                    min(1.0, $radius($stop[0]) / $outside),
                    Rgb::fromHex($stop[1]),
                    $stop[2],
                ),
                self::BOW,
            ),
        );
    }

    /**
     * Whether a ring lies on the picture anywhere.
     *
     * @param  array{float, float}  $middle  px
     */
    private static function meets(array $middle, float $inside, float $outside, Rect $picture): bool
    {
        [$x, $y] = [$middle[0] - $picture->x, $middle[1] - $picture->y];
        $nearest = hypot($x - max(0, min($picture->width, $x)), $y - max(0, min($picture->height, $y)));
        $farthest = hypot(max($x, $picture->width - $x), max($y, $picture->height - $y));

        return $nearest < $outside && $farthest > $inside;
    }
}

<?php

declare(strict_types=1);

/*
 * Planes of weather that the browser must meet: each kind with many settings, on a part of a page that begins anywhere.
 * Required by write_fixtures.php, which has $folder and the functions that make contents.
 */

use Awning\Core\Compose\Weather\Clouds;
use Awning\Core\Compose\Weather\WeatherKinds;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\CloudsContent;
use Awning\Core\Page\Pass\PassContent;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Pass\WeatherContent;
use Awning\Core\Raster\Rect;

/** Of clouds what they cover, and then how much of it is in the light. */
function planeOf(PassContent $content, PageSize $page, Rect $rect): string
{
    return match (true) {
        $content instanceof CloudsContent => implode('', (new Clouds($content, $page))->in($rect)),
        $content instanceof WeatherContent => WeatherKinds::plane($content, $page)->in($rect),
        default => throw new LogicException('No weather.'),
    };
}

$planes = [];
mt_srand(20261201);
foreach ([...WEATHER, 'clouds', 'lamplit'] as $kind) {
    for ($number = 0; $number < 24; $number++) {
        $content = $kind === 'lamplit' ? $lamplit($number) : spec($kind, Scope::page())->content;
        $size = [new PageSize(900, 640), new PageSize(333, 1201)][$number % 2];
        $rect = new Rect(mt_rand(0, 250), mt_rand(0, 500), mt_rand(50, 80), mt_rand(40, 70));
        $planes[] = [
            'name' => "$kind $number",
            'content' => $content->toData(),
            'page' => ['width' => $size->width, 'height' => $size->height],
            'stretch' => ['x' => $rect->x, 'y' => $rect->y, 'width' => $rect->width, 'height' => $rect->height],
            'expected' => base64_encode(planeOf($content, $size, $rect)),
        ];
    }
}
file_put_contents("$folder/weather.json", json_encode($planes, JSON_THROW_ON_ERROR));

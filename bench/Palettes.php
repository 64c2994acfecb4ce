<?php

declare(strict_types=1);

use Awning\Core\Codec\ImageReader;
use Awning\Core\Colour\MainColours;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\ToneRule;
use Awning\Core\Proof\NamedColour;
use Awning\Core\Proof\PaletteMatch;
use Awning\Core\Proof\PaletteSnap;
use Awning\Core\Raster\Paint;

/**
 * A coloured 16 MP page held against a palette of 40 tones, beside one ImageMagick run that brings it to the same.
 *
 * @return list<array{string, float, ?float, string, string, string}> what, median ms, reference ms, by what, target,
 *     note
 */
function bench_palettes(string $work): array
{
    tool([
        '/usr/bin/convert',
        '-size',
        '4000x4000',
        'xc:#a9a8a2',
        '-fill',
        '#c98d6b',
        '-draw',
        'circle 1300,1300 1300,600',
        '-fill',
        '#e0a93a',
        '-draw',
        'rectangle 2000,2000 3500,3600',
        '-fill',
        '#41667a',
        '-draw',
        'ellipse 900,3000 700,500 0,360',
        '-stroke',
        '#141418',
        '-strokewidth',
        '12',
        '-draw',
        'line 0,400 4000,1500',
        '-draw',
        'line 0,2600 4000,1900',
        '-attenuate',
        '0.15',
        '+noise',
        'Gaussian',
        '-define',
        'png:compression-level=1',
        "$work/coloured.png",
    ]);
    $tones = $swatches = [];
    for ($i = 0; $i < 40; $i++) {
        $colour = new Rgb((31 * $i) % 256, (71 * $i) % 256, (113 * $i) % 256);
        $tones[] = new NamedColour("tone $i", $colour);
        array_push($swatches, 'xc:'.$colour->hex());
    }
    tool(['/usr/bin/convert', '-size', '1x1', ...$swatches, '+append', "$work/palette.png"]);
    $remap = median(
        3,
        fn () => tool([
            '/usr/bin/convert',
            "$work/coloured.png",
            '-dither',
            'None',
            '-remap',
            "$work/palette.png",
            "$work/remapped.png",
        ]),
    );
    $picture = fn (): Paint => (new ImageReader)->read("$work/coloured.png")->paint;
    $match = new PaletteMatch($tones);
    $found = 0;
    $matching = median(3, function () use ($match, $picture, &$found): void {
        $found = count($match->match($picture())->colours);
    });
    $page = $picture();
    $clusters = median(3, fn () => MainColours::of($page, 8));
    $few = new PaletteMatch(array_slice($tones, 0, 12));
    $drift = $few->match($page);
    $snap = median(3, fn () => PaletteSnap::of($page, $drift));
    $rule = new ToneRule;
    $derive = median(9, function () use ($rule): void {
        for ($i = 0; $i < 1000; $i++) {
            $rule->complete(['base' => Rgb::fromNumber(16_763 * $i)]);
        }
    });

    return [
        [
            'a 16 MP picture held against 40 tones, read and matched',
            $matching,
            $remap,
            'ImageMagick -remap',
            '≤ 1.5 ×',
            "$found flat colours",
        ],
        ['its colours moved onto a palette, edges unmixed', $snap, null, '', '', ''],
        ['eight main colours of it', $clusters, null, '', '', ''],
        ['derived tones of 1 000 materials', $derive, null, '', '', ''],
    ];
}

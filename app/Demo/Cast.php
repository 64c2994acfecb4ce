<?php

declare(strict_types=1);

namespace App\Demo;

/** The invented cast of The Salt Ferry and what it is made of: figures near to far, materials, pinned tones. */
final class Cast
{
    public const FIGURES = [
        'Oda Brack' => [
            'oda-skin' => ['skin', ['base' => '#c98d6b']],
            'oda-oilskin' => ['oilskin', ['base' => '#e0a93a', 'glint' => '#fbe9ae']],
            'oda-plait' => ['plait', ['base' => '#a9a8a2']],
            'oda-rope' => ['rope', ['base' => '#bd9d68']],
            'oda-trousers' => ['trousers', ['base' => '#5f5b6e']],
            'oda-boots' => ['boots', ['base' => '#4c5f5b']],
        ],
        'Tamsin' => [
            'tamsin-skin' => ['skin', ['base' => '#94633f']],
            'tamsin-curls' => ['curls', ['base' => '#b8602c', 'glint' => '#f3c07a']],
            'tamsin-cardigan' => ['cardigan', ['base' => '#6d938c']],
            'tamsin-patch' => ['patches', ['base' => '#c4705a']],
            'tamsin-trousers' => ['trousers', ['base' => '#75688f']],
            'tamsin-clogs' => ['clogs', ['base' => '#b08750']],
        ],
        'Tin Purser' => [
            'purser-tin' => ['tin', ['base' => '#a9b1b5', 'glint' => '#f4f8f8']],
            'purser-enamel' => ['enamel', ['base' => '#b9463c']],
            'purser-brass' => ['brass', ['base' => '#cb9a45', 'glint' => '#fff1bf']],
            'purser-glass' => ['glass eye', ['base' => '#a2d3ca']],
            'purser-ticket' => ['tickets', ['base' => '#f0e4c6']],
        ],
        'The ferry' => [
            'ferry-hull' => ['hull', ['base' => '#41667a']],
            'ferry-deck' => ['deck', ['base' => '#a97f57']],
            'ferry-cabin' => ['cabin', ['base' => '#e2d9c2']],
            'ferry-funnel' => ['funnel', ['base' => '#b5573d']],
            'lamp-brass' => ['lamp brass', ['base' => '#c69544']],
            'lamp-glow' => ['lamp light', ['base' => '#fbe39a']],
        ],
        'Harbour and sea' => [
            'harbour-plaster' => ['plaster', ['base' => '#cdb59c']],
            'harbour-roof' => ['roofs', ['base' => '#9d5b4a']],
            'harbour-stone' => ['stone', ['base' => '#8f8d8c']],
            'harbour-window' => ['windows', ['base' => '#f3d27d']],
            'harbour-hill' => ['hills', ['base' => '#6f8592']],
            'harbour-sea' => ['sea', ['base' => '#3f7584']],
            'harbour-sky' => ['sky', ['base' => '#8fa9c0']],
            'harbour-moon' => ['moon', ['base' => '#fdf1cf']],
            'harbour-cloud' => ['clouds', ['base' => '#c4ccd6']],
        ],
        'The sheet' => [
            'paper' => ['gutter', ['base' => '#fbf8f1']],
        ],
    ];

    /** @return list<string> every class a shape may carry; its place is its number in the key picture, from 1 */
    public static function classes(): array
    {
        return array_merge(...array_values(array_map(array_keys(...), self::FIGURES)));
    }
}

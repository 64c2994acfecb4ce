<?php

declare(strict_types=1);

namespace Awning\Core\Ink;

use Awning\Core\Page\Drawing\CleanSettings;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Projection;
use Awning\Core\Raster\Warp;

/** From a scan or a photograph to ink. */
final readonly class ScanCleaner
{
    /** Less than so many degrees askew is straight. */
    private const STRAIGHT = 0.04;

    public function __construct(private PaperFlattener $flattener = new PaperFlattener)
    {
    }

    /**
     * @param  non-empty-list<Plane>  $channels  a grey scan, or red, green and blue
     */
    public function clean(array $channels, CleanSettings $settings = new CleanSettings): CleanScan
    {
        $flat = $this->flattener->flatten($channels, $settings->colours, $settings->flatten);
        $edge = $flat->edge;
        $darkness = $settings->crop && $edge?->isSure === true ? $edge->keep($flat->darkness) : $flat->darkness;
        $levels =
            $settings->paper === null || $settings->ink === null
                ? Levels::measure($darkness)
                : new Levels($settings->paper, $settings->ink);
        $ink = self::inked($darkness, $levels, $settings, $dropped);
        $askew = Skew::of($ink);
        $turn = $settings->turn ?? ($askew === null || abs($askew) < self::STRAIGHT ? 0.0 : -$askew);
        if ($turn !== 0.0) {
            $about = Projection::turn($turn, $ink->width / 2, $ink->height / 2);
            $ink = Warp::plane($ink, $about, $ink->width, $ink->height);
        }

        return new CleanScan(
            darkness: $darkness,
            levels: $levels,
            ink: self::finished($ink, $settings),
            askew: $askew,
            turned: $turn,
            specks: $dropped,
            edge: $edge,
            colours: $flat->colours,
        );
    }

    /**
     * From how dark it is to lines, without specks and pinholes.
     *
     * @param-out  int  $dropped  how many specks went
     */
    public static function inked(Plane $darkness, Levels $levels, CleanSettings $settings, ?int &$dropped = null): Plane
    {
        $ink = (new SpeckFilter($settings->specks))->drop($darkness->mapped($levels->table()), $dropped);

        return (new PinholeFilter($settings->pinholes))->fill($ink);
    }

    /** Lines as heavy and as hard as they are wanted. */
    public static function finished(Plane $ink, CleanSettings $settings): Plane
    {
        $ink = (new LineWeight)->change($ink, $settings->weight);

        return $settings->hard ? $ink->mapped(Bytes::threshold(128)) : $ink;
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Ink;

use Awning\Core\Page\Drawing\LineColour;
use Awning\Core\Raster\Plane;

/** Divides the paper and its light out of a scan, and says which of its colours are ink. */
final readonly class PaperFlattener
{
    /**
     * @param  non-empty-list<Plane>  $channels  a grey scan, or red, green and blue
     * @param  float  $strength  how much is divided out, 0..1
     */
    public function flatten(array $channels, LineColour $drop = LineColour::Auto, float $strength = 1.0): FlatScan
    {
        if (count($channels) !== 3) {
            $light = PaperLight::of($channels[0]);

            return new FlatScan($light->even(1 - $strength)->darkness($channels[0]), PaperEdge::of($light));
        }
        [$red, $green, $blue] = $channels;
        $onGreen = PaperLight::of($green);
        $light = [$onGreen->ofChannel($red), $onGreen, $onGreen->ofChannel($blue)];
        $edge = PaperEdge::of($onGreen);
        $colours = InkColours::of($channels, $light)->asWanted($drop);
        $steady = fn (int $channel): PaperLight => $channel === 1 ? $onGreen : $light[$channel]->steady();
        $darkness = fn (int $channel): Plane => $steady($channel)
            ->even(1 - $strength)
            ->darkness($channels[$channel]);
        $one = $colours->channel();

        return new FlatScan(
            $one !== null ? $darkness($one) : $colours->merged([$darkness(0), $darkness(1), $darkness(2)]),
            $edge,
            $colours,
        );
    }
}

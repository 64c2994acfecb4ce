<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Raster\Components;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Runs;

/**
 * What a drawing would hide of things behind it: its lines and all they enclose, gaps closed as for flats. The corners
 * of the page are outside, and with them whatever free area they belong to; where a figure is cut by the page's edge
 * its inside reaches that edge, too, and still is inside.
 */
final readonly class Silhouette
{
    /** @return Plane 255 inside, 0 outside */
    public function of(Plane $ink, float $dpi): Plane
    {
        [$width, $height] = [$ink->width, $ink->height];
        $runs = Runs::ofMarks(FlatsFinder::forDpi($dpi)->closed($ink), $width, $height, "\0");
        $components = Components::of($runs);
        $outside = $this->atCorners($runs, $components);
        $data = '';
        $at = 0;
        foreach ($components->of as $run => $component) {
            [$from, $to] = [$runs->from[$run], $runs->to[$run]];
            $data .=
                str_repeat("\xff", $from - $at).str_repeat(isset($outside[$component]) ? "\0" : "\xff", $to - $from);
            $at = $to;
        }

        return new Plane($width, $height, $data.str_repeat("\xff", $width * $height - $at));
    }

    /** @return array<int, true> components a corner of the page lies in */
    private function atCorners(Runs $runs, Components $components): array
    {
        $last = $runs->width * $runs->height - 1;
        $corners = [0, $runs->width - 1, $last - $runs->width + 1, $last];
        $found = [];
        foreach ($components->of as $run => $component) {
            foreach ($corners as $corner) {
                if ($corner >= $runs->from[$run] && $corner < $runs->to[$run]) {
                    $found[$component] = true;
                }
            }
        }

        return $found;
    }
}

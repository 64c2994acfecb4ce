<?php

declare(strict_types=1);

/*
 * Writes what bridges.py learns from: of every bridge that may be made in damaged drawings, what is measured of it, and
 * how much of it lies where the undamaged drawing has a line.
 *
 *   php tests/Reference/bridge_candidates.php pairs|shots|left-pairs|left-shots FOLDER…     each with truth.png and
 * scan.png; prints CSV
 */

use Awning\Core\Codec\ImageReader;
use Awning\Core\Flats\BridgeCandidate;
use Awning\Core\Flats\BridgeCandidates;
use Awning\Core\Flats\BridgeFinder;
use Awning\Core\Flats\EndKind;
use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Flats\InkMap;
use Awning\Core\Flats\LineEnd;
use Awning\Core\Flats\LineEnds;
use Awning\Core\Ink\ScanCleaner;
use Awning\Core\Page\Drawing\CleanSettings;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Plane;

require __DIR__.'/../../vendor/autoload.php';

const GAP = 12;
/** Darkness that is a line of the truth. */
const LINE = 128;
/** From this share on a bridge is where a line was; ends that have one no longer than so many gaps are not free. */
const SURE = 0.6;
const PAIRED = 1.7;

/** The part of a bridge's free pixels that lie on a line of the truth, or beside one; null when none is free. */
function share(BridgeCandidate $candidate, InkMap $map, Plane $truth): ?float
{
    $free = $on = 0;
    foreach ($candidate->bridge->pixels() as [$x, $y]) {
        if (! $map->isInk($x, $y)) {
            $free++;
            $on += isLine($truth, $x - 1, $y - 1) ? 1 : 0;
        }
    }

    return $free === 0 ? null : $on / $free;
}

function isLine(Plane $truth, int $x, int $y): bool
{
    for ($down = max(0, $y - 1); $down <= min($truth->height - 1, $y + 1); $down++) {
        for ($right = max(0, $x - 1); $right <= min($truth->width - 1, $x + 1); $right++) {
            if ($truth->at($right, $down) < LINE) {
                return true;
            }
        }
    }

    return false;
}

[, $kind] = $argv;
foreach (array_slice($argv, 2) as $sheet => $folder) {
    $ink = (new ScanCleaner)->clean(
        (new ImageReader)->read("$folder/scan.png")->channels(),
        new CleanSettings(turn: 0.0),
    )->ink;
    $picture = (new ImageReader)->read("$folder/truth.png")->paint;
    $truth = new Plane($picture->width, $picture->height, $picture->red);
    $map = InkMap::of($ink->mapped(Bytes::threshold(FlatsFinder::BOUND))->data, $ink->width, $ink->height);
    $width = $map->lineWidth();
    if (str_starts_with($kind, 'left')) {
        // On a map of its own: what it makes is drawn in.
        [$pairs, $shots] = (new BridgeFinder(GAP))->left(clone $map, $width);
        foreach ($kind === 'left-pairs' ? $pairs : $shots as $candidate) {
            $share = share($candidate, $map, $truth);
            if ($share !== null) {
                fputcsv(STDOUT, [$sheet, $candidate->from, $share, ...$candidate->features]);
            }
        }

        continue;
    }
    $ends = (new LineEnds($map->ink, $map->stride))->find($map->runs(), $width, true);
    $candidates = new BridgeCandidates($map, $ends, GAP, $width);
    $used = [];
    foreach ($candidates->pairs() as $pair) {
        $share = share($pair, $map, $truth);
        if ($share !== null && $kind === 'pairs') {
            fputcsv(STDOUT, [$sheet, $pair->from, $share, ...$pair->features]);
        }
        if ($share !== null && $share >= SURE && $pair->features[0] < PAIRED) {
            $used[$pair->from] = $used[(int) $pair->to] = true;
        }
    }
    $free = array_filter(array_diff_key($ends, $used), fn (LineEnd $end): bool => $end->is(EndKind::Tip));
    $nearby = BridgeCandidates::nearby($free, GAP);
    foreach ($kind === 'shots' ? array_keys($free) : [] as $end) {
        foreach ($candidates->shots($end, $nearby) as $shot) {
            $share = share($shot, $map, $truth);
            if ($share !== null) {
                fputcsv(STDOUT, [$sheet, $end, $share, ...$shot->features]);
            }
        }
    }
}

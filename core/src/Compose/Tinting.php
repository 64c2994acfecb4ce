<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

use Awning\Core\Raster\Bytes;

/**
 * Lays plain colours through a coverage over an opaque backdrop.
 *
 * Flats are constant along runs and coverage is mostly nothing or full, so the work is cut into spans in which at most
 * one input varies: those are one strtr. Only where soft coverage lies over a varied backdrop is there a loop.
 */
final class Tinting
{
    /** Shorter constant stretches inside soft ones cost more to find than they save. */
    private const WORTHWHILE = 12;

    /** @var array<string, TintTables> */
    private array $tables = [];

    /**
     * @param  list<array{int, int, int}>  $spans  first pixel, pixel after the last, colour as 0xRRGGBB; in order, apart
     * @param  ?string  $coverage  null for full everywhere
     */
    public function lay(Pixels $backdrop, array $spans, ?string $coverage, BlendMode $mode, float $opacity): Pixels
    {
        if (! $mode->isSeparable()) {
            return $this->layWhole($backdrop, $spans, $coverage, $mode, $opacity);
        }
        $planes = [$backdrop->red, $backdrop->green, $backdrop->blue];
        $out = ['', '', ''];
        $done = 0;
        foreach ($spans as [$from, $to, $colour]) {
            $tables = [
                $this->table($mode, $colour >> 16 & 255, $opacity),
                $this->table($mode, $colour >> 8 & 255, $opacity),
                $this->table($mode, $colour & 255, $opacity),
            ];
            for ($at = $from; $at < $to; $at = $end) {
                if ($coverage === null) {
                    $value = "\xff";
                    $end = $to;
                } else {
                    $at += strspn($coverage, "\0", $at, $to - $at);
                    if ($at >= $to) {
                        break;
                    }
                    $value = $coverage[$at];
                    $end = $at + strspn($coverage, $value, $at, $to - $at);
                }
                if ($at > $done) {
                    foreach ($planes as $i => $plane) {
                        $out[$i] .= substr($plane, $done, $at - $done);
                    }
                }
                if ($value === "\xff" || $end - $at >= self::WORTHWHILE) {
                    foreach ($planes as $i => $plane) {
                        $out[$i] .= strtr(substr($plane, $at, $end - $at), Bytes::identity(), $tables[$i]->at(ord($value)));
                    }
                } else {
                    /** @var string $coverage */
                    $end = $at + strcspn($coverage, "\0\xff", $at, $to - $at);
                    foreach ($planes as $i => $plane) {
                        $out[$i] .= $this->soft($plane, $coverage, $at, $end, $tables[$i]);
                    }
                }
                $done = $end;
            }
        }
        foreach ($planes as $i => $plane) {
            $out[$i] = $done === 0 ? $plane : $out[$i].substr($plane, $done);
        }

        return new Pixels($backdrop->count, $out[0], $out[1], $out[2], null);
    }

    /** One plane mixed toward a value through a coverage: $opacity of the way where the coverage is full. */
    public function plane(string $plane, string $coverage, int $toward, float $opacity): string
    {
        $tables = $this->table(BlendMode::Normal, $toward, $opacity);
        $out = '';
        for ($at = 0, $to = strlen($plane); $at < $to; $at = $end) {
            $end = $at + strspn($coverage, "\0", $at);
            if ($end > $at) {
                $out .= substr($plane, $at, $end - $at);
            } elseif (($end = $at + strspn($coverage, "\xff", $at)) > $at) {
                $out .= strtr(substr($plane, $at, $end - $at), Bytes::identity(), $tables->at(255));
            } else {
                $end = $at + strcspn($coverage, "\0\xff", $at);
                $out .= $this->soft($plane, $coverage, $at, $end, $tables);
            }
        }

        return $out;
    }

    /** One channel over a stretch of soft coverage. */
    private function soft(string $plane, string $coverage, int $from, int $to, TintTables $tables): string
    {
        $out = '';
        while ($from < $to) {
            $same = strspn($plane, $plane[$from], $from, $to - $from);
            if ($same >= self::WORTHWHILE || $same === $to - $from) {
                $out .= strtr(substr($coverage, $from, $same), Bytes::identity(), $tables->over(ord($plane[$from])));
                $from += $same;
            } else {
                $stop = min($to, $from + 96);
                $whole = $tables->whole();
                $part = substr($plane, $from, $stop - $from);
                for ($i = 0; $from < $stop; $from++, $i++) {
                    $part[$i] = $whole[ord($coverage[$from]) << 8 | ord($part[$i])];
                }
                $out .= $part;
            }
        }

        return $out;
    }

    /**
     * Modes that need all three channels at once: the blended colour is looked up per pair of colours.
     *
     * @param  list<array{int, int, int}>  $spans
     */
    private function layWhole(Pixels $backdrop, array $spans, ?string $coverage, BlendMode $mode, float $opacity): Pixels
    {
        [$red, $green, $blue] = [$backdrop->red, $backdrop->green, $backdrop->blue];
        foreach ($spans as [$from, $to, $colour]) {
            $source = [($colour >> 16 & 255) / 255, ($colour >> 8 & 255) / 255, ($colour & 255) / 255];
            $known = [];
            for ($at = $from; $at < $to; $at++) {
                if ($coverage !== null) {
                    $at += strspn($coverage, "\0", $at, $to - $at);
                    if ($at >= $to) {
                        break;
                    }
                }
                [$r, $g, $b] = [ord($red[$at]), ord($green[$at]), ord($blue[$at])];
                $blended = $known[$r << 16 | $g << 8 | $b] ??= $mode->blend([$r / 255, $g / 255, $b / 255], $source);
                $alpha = ($coverage === null ? 1.0 : ord($coverage[$at]) / 255) * $opacity;
                $red[$at] = chr((int) ($r + (255 * $blended[0] - $r) * $alpha + 0.5));
                $green[$at] = chr((int) ($g + (255 * $blended[1] - $g) * $alpha + 0.5));
                $blue[$at] = chr((int) ($b + (255 * $blended[2] - $b) * $alpha + 0.5));
            }
        }

        return new Pixels($backdrop->count, $red, $green, $blue, null);
    }

    private function table(BlendMode $mode, int $source, float $opacity): TintTables
    {
        $key = "$mode->value $source $opacity";
        if (! isset($this->tables[$key]) && count($this->tables) > 2000) {
            $this->tables = [];
        }

        return $this->tables[$key] ??= new TintTables($mode, $source, $opacity);
    }
}

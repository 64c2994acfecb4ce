<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Blend;

use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Page\Pass\BlendMode;
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

    /** How far a loop goes on before it looks for a constant stretch again. */
    private const STRETCH = 96;

    /** Each may take a megabyte. */
    private const MOST_TABLES = 400;

    /** @var array<string, TintTables> */
    private array $tables = [];

    /**
     * @param  list<array{int, int, int}>  $spans  first pixel, pixel after the last, colour as 0xRRGGBB; in order,
     *     apart
     *
     * @throws \LogicException for a mode that is not separable
     */
    public function lay(Pixels $backdrop, array $spans, string $coverage, BlendMode $mode, float $opacity): Pixels
    {
        $planes = [$backdrop->red, $backdrop->green, $backdrop->blue];
        $out = ['', '', ''];
        $done = 0;
        foreach ($spans as [$from, $to, $colour]) {
            $tables = [
                $this->table($mode, ($colour >> 16) & 255, $opacity),
                $this->table($mode, ($colour >> 8) & 255, $opacity),
                $this->table($mode, $colour & 255, $opacity),
            ];
            for ($at = $from; $at < $to; $at = $end) {
                $at += strspn($coverage, "\0", $at, $to - $at);
                if ($at >= $to) {
                    break;
                }
                $value = $coverage[$at];
                $end = $at + strspn($coverage, $value, $at, $to - $at);
                if ($at > $done) {
                    foreach ($planes as $i => $plane) {
                        $out[$i] .= substr($plane, $done, $at - $done);
                    }
                }
                if ($value === "\xff" || $end - $at >= self::WORTHWHILE) {
                    foreach ($planes as $i => $plane) {
                        $out[$i] .= strtr(
                            substr($plane, $at, $end - $at),
                            Bytes::identity(),
                            $tables[$i]->at(ord($value)),
                        );
                    }
                } else {
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

    /**
     * Plain colours in place of what is there.
     *
     * @param  list<array{int, int, int}>  $spans
     */
    public function cover(Pixels $backdrop, array $spans): Pixels
    {
        $planes = [$backdrop->red, $backdrop->green, $backdrop->blue];
        foreach ($planes as $i => $plane) {
            $shift = 16 - 8 * $i;
            $out = '';
            $done = 0;
            foreach ($spans as [$from, $to, $colour]) {
                $out .=
                    ($from > $done ? substr($plane, $done, $from - $done) : '').
                    str_repeat(chr(($colour >> $shift) & 255), $to - $from);
                $done = $to;
            }
            $planes[$i] = $out.substr($plane, $done);
        }

        return new Pixels($backdrop->count, $planes[0], $planes[1], $planes[2], null);
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
                $stop = min($to, $from + self::STRETCH);
                $part = $tables->along(substr($plane, $from, $stop - $from), substr($coverage, $from, $stop - $from));
                $from = $stop;
                $out .= $part;
            }
        }

        return $out;
    }

    private function table(BlendMode $mode, int $source, float $opacity): TintTables
    {
        $key = "$mode->value $source $opacity";
        if (! isset($this->tables[$key]) && count($this->tables) >= self::MOST_TABLES) {
            $this->tables = [];
        }

        return $this->tables[$key] ??= new TintTables($mode, $source, $opacity);
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Brush;

use Awning\Core\Page\Drawing\InkStroke;
use Awning\Core\Raster\Projection;

/**
 * Lines as SVG and back. Each is written as the outline it has, which any program can fill, and beside it, in
 * attributes of our own namespace, the points it is drawn from. Read are those points; of other files, strokes with a
 * width: path, polyline, polygon and line. SVG 1.1, sections 8.3 and 9; curves are cut in straight pieces.
 *
 * Nothing in a file is run, fetched or expanded: documents with a DOCTYPE are refused.
 */
final class LinesSvg
{
    private const SPACE = 'urn:awning:lines';

    private const SVG = 'http://www.w3.org/2000/svg';

    public const MOST_BYTES = 30_000_000;

    private const MOST_LINES = 5000;

    private const MOST_POINTS = 400_000;

    private const DEEPEST = 40;

    /** Pieces that a curve is cut in. */
    private const PIECES = 16;

    private int $points = 0;

    /** @param  list<InkStroke>  $strokes */
    public static function write(array $strokes, int $width, int $height): string
    {
        $paths = '';
        foreach ($strokes as $stroke) {
            $points = implode(
                ' ',
                array_map(
                    fn (array $point): string => self::number($point[0]).
                        ','.
                        self::number($point[1]).
                        ','.
                        self::number($point[2]),
                    $stroke->points,
                ),
            );
            $paths .= sprintf(
                "  <path d=\"%s\" awning:points=\"%s\" awning:weight=\"%s\" awning:taper=\"%s\" awning:steady=\"%s\" awning:grain=\"%s\"/>\n",
                self::outline($stroke),
                $points,
                self::number($stroke->weight),
                self::number($stroke->taper),
                self::number($stroke->steady),
                self::number($stroke->grain),
            );
        }

        return sprintf(
            "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<svg xmlns=\"%s\" xmlns:awning=\"%s\" width=\"%d\" height=\"%d\" viewBox=\"0 0 %d %d\" fill=\"#000000\" fill-rule=\"nonzero\">\n%s</svg>\n",
            self::SVG,
            self::SPACE,
            $width,
            $height,
            $width,
            $height,
            $paths,
        );
    }

    /**
     * @return list<InkStroke>
     *
     * @throws \InvalidArgumentException when it is no SVG, or more than is read; the message says what to do
     */
    public static function read(string $svg): array
    {
        if (strlen($svg) > self::MOST_BYTES) {
            throw new \InvalidArgumentException(
                sprintf('The file has more than %d MB. Cut the drawing in parts.', self::MOST_BYTES / 1_000_000),
            );
        }
        if (
            ! mb_check_encoding($svg, 'UTF-8') ||
            stripos($svg, '<!DOCTYPE') !== false ||
            stripos($svg, '<!ENTITY') !== false
        ) {
            throw new \InvalidArgumentException(
                'The file has a document type or is not written in UTF-8; such SVG files are not opened. Save it as '
                    .'plain SVG.',
            );
        }
        $before = libxml_use_internal_errors(true);
        $root = simplexml_load_string($svg, options: LIBXML_NONET | LIBXML_COMPACT);
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        if ($root === false || $root->getName() !== 'svg') {
            throw new \InvalidArgumentException('This is not an SVG drawing, or it is damaged. Save it again.');
        }

        return (new self)->lines($root, Projection::move(0, 0), null, 0);
    }

    /** Quads between places and circles at them, all turning the same way, so that they add up. */
    private static function outline(InkStroke $stroke): string
    {
        $course = Nib::course($stroke);
        $path = '';
        foreach ($course as $i => [$x, $y, $radius]) {
            $path .= sprintf(
                'M%s %sa%3$s %3$s 0 1 1 %4$s 0a%3$s %3$s 0 1 1 -%4$s 0z',
                self::number($x - $radius),
                self::number($y),
                self::number($radius),
                self::number(2 * $radius),
            );
            [$toX, $toY, $toRadius] = $course[$i + 1] ?? [$x, $y, $radius];
            $length = hypot($toX - $x, $toY - $y);
            if ($length > 0.0) {
                [$nx, $ny] = [-($toY - $y) / $length, ($toX - $x) / $length];
                $corners = [
                    [$x - $nx * $radius, $y - $ny * $radius],
                    [$toX - $nx * $toRadius, $toY - $ny * $toRadius],
                    [$toX + $nx * $toRadius, $toY + $ny * $toRadius],
                    [$x + $nx * $radius, $y + $ny * $radius],
                ];
                $path .=
                    'M'.
                    implode(
                        'L',
                        array_map(fn (array $at): string => self::number($at[0]).' '.self::number($at[1]), $corners),
                    ).
                    'z';
            }
        }

        return $path;
    }

    private static function number(float $value): string
    {
        return rtrim(rtrim(number_format($value, 3, '.', ''), '0'), '.');
    }

    /**
     * @param  Projection  $around  from the places of the elements around to those of the page
     * @param  ?float  $width  of strokes, from the elements around
     * @return list<InkStroke>
     */
    private function lines(\SimpleXMLElement $element, Projection $around, ?float $width, int $depth): array
    {
        if ($depth > self::DEEPEST) {
            throw new \InvalidArgumentException(
                'The drawing is nested deeper than drawings are. Save it as plain SVG.',
            );
        }
        $there = self::transform(self::said($element, 'transform'))->then($around);
        $width = self::width($element) ?? $width;
        $found = [];
        foreach ($element->children(self::SVG) as $child) {
            $found[] = in_array($child->getName(), ['g', 'svg', 'a'], true)
                ? $this->lines($child, $there, $width, $depth + 1)
                : $this->strokes(
                    $child,
                    self::transform(self::said($child, 'transform'))->then($there),
                    self::width($child) ?? $width,
                );
        }
        $lines = array_merge(...$found);
        if (count($lines) > self::MOST_LINES) {
            throw new \InvalidArgumentException(
                sprintf('The drawing has more than %d lines. Cut it in parts.', self::MOST_LINES),
            );
        }

        return $lines;
    }

    /** @return list<InkStroke> */
    private function strokes(\SimpleXMLElement $element, Projection $there, ?float $width): array
    {
        $own = $element->attributes(self::SPACE);
        if ($own !== null && isset($own['points'])) {
            return [$this->ours($own, $there)];
        }
        $courses = match ($element->getName()) {
            'path' => $width === null ? [] : self::pathCourses(self::said($element, 'd')),
            'polyline' => [self::pairs(self::said($element, 'points'))],
            'polygon' => [self::closed(self::pairs(self::said($element, 'points')))],
            'line' => [
                [
                    [(float) self::said($element, 'x1'), (float) self::said($element, 'y1')],
                    [(float) self::said($element, 'x2'), (float) self::said($element, 'y2')],
                ],
            ],
            default => [],
        };
        $weight = ($width ?? 1.0) * $there->growth(0, 0);
        $strokes = [];
        foreach ($courses as $course) {
            foreach (array_chunk($course, InkStroke::MOST_POINTS) as $part) {
                $strokes[] = $this->stroke(
                    array_map(fn (array $at): array => [...$there->at($at[0], $at[1]), 1.0], $part),
                    $weight,
                );
            }
        }

        return array_values(array_filter($strokes));
    }

    private function ours(\SimpleXMLElement $own, Projection $there): InkStroke
    {
        $course = [];
        foreach (preg_split('/\s+/', trim((string) $own['points']), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $point) {
            $parts = array_map(floatval(...), explode(',', $point));
            $course[] = [...$there->at($parts[0], $parts[1] ?? 0.0), max(0.0, min(1.0, $parts[2] ?? 1.0))];
        }

        $said = fn (string $name): float => (float) ($own[$name] ?? 0);

        return $this->stroke($course, $said('weight'), $said('taper'), $said('steady'), $said('grain')) ??
            throw new \InvalidArgumentException('A line in the file has no points. Save it again.');
    }

    /** @param  list<array{float, float, float}>  $course */
    private function stroke(
        array $course,
        float $weight,
        float $taper = 0.0,
        float $steady = 0.0,
        float $grain = 0.0,
    ): ?InkStroke {
        $this->points += count($course);
        if ($this->points > self::MOST_POINTS) {
            throw new \InvalidArgumentException(
                sprintf('The drawing has more than %d points. Cut it in parts.', self::MOST_POINTS),
            );
        }
        foreach ($course as [$x, $y]) {
            if (! (abs($x) < 100_000 && abs($y) < 100_000)) {
                throw new \InvalidArgumentException(
                    'A line in the file lies far off any page. Move the drawing near its origin.',
                );
            }
        }

        return $course === []
            ? null
            : new InkStroke(
                $course,
                max(1.0, min(InkStroke::HEAVIEST, $weight)),
                max(0.0, min(0.5, $taper)),
                max(0.0, min(0.95, $steady)),
                max(0.0, min(1.0, $grain)),
            );
    }

    /** An attribute without a prefix, '' when there is none. */
    private static function said(\SimpleXMLElement $element, string $name): string
    {
        return (string) ($element->attributes()[$name] ?? '');
    }

    private static function width(\SimpleXMLElement $element): ?float
    {
        if (preg_match('/(?:^|;)\s*stroke-width\s*:\s*([\d.]+)/', self::said($element, 'style'), $match) === 1) {
            return (float) $match[1];
        }

        return is_numeric(self::said($element, 'stroke-width')) ? (float) self::said($element, 'stroke-width') : null;
    }

    /** @return list<array{float, float}> */
    private static function pairs(string $text): array
    {
        $pairs = array_values(
            array_filter(array_chunk(self::numbers($text), 2), fn (array $pair): bool => count($pair) === 2),
        );

        return array_map(fn (array $pair): array => [(float) $pair[0], (float) $pair[1]], $pairs);
    }

    /**
     * @param  list<array{float, float}>  $course
     * @return list<array{float, float}>
     */
    private static function closed(array $course): array
    {
        return $course === [] ? [] : [...$course, $course[0]];
    }

    /** @return list<list<array{float, float}>> */
    private static function pathCourses(string $d): array
    {
        preg_match_all('/([a-z])([^a-z]*(?:e[-+]?\d[^a-z]*)*)/i', $d, $steps, PREG_SET_ORDER);
        $courses = [];
        $course = [];
        $at = $start = $handle = [0.0, 0.0];
        foreach ($steps as [, $letter, $text]) {
            $numbers = array_map(floatval(...), self::numbers($text));
            $isRelative = ctype_lower($letter);
            $letter = strtoupper($letter);
            if ($letter === 'Z') {
                $course[] = $at = $handle = $start;

                continue;
            }
            $takes =
                ['M' => 2, 'L' => 2, 'T' => 2, 'H' => 1, 'V' => 1, 'C' => 6, 'S' => 4, 'Q' => 4, 'A' => 7][$letter] ??
                0;
            foreach ($takes === 0 ? [] : array_chunk($numbers, $takes) as $i => $part) {
                if (count($part) < $takes) {
                    break;
                }
                [$fromX, $fromY] = $isRelative ? $at : [0.0, 0.0];
                if ($letter === 'M' && $i === 0) {
                    if ($course !== []) {
                        $courses[] = $course;
                    }
                    $course = [($at = $start = $handle = [$fromX + $part[0], $fromY + $part[1]])];

                    continue;
                }
                [$bends, $to] = match ($letter) {
                    'H' => [[], [$fromX + $part[0], $at[1]]],
                    'V' => [[], [$at[0], $fromY + $part[0]]],
                    'C' => [
                        [[$fromX + $part[0], $fromY + $part[1]], [$fromX + $part[2], $fromY + $part[3]]],
                        [$fromX + $part[4], $fromY + $part[5]],
                    ],
                    'S' => [
                        [[2 * $at[0] - $handle[0], 2 * $at[1] - $handle[1]], [$fromX + $part[0], $fromY + $part[1]]],
                        [$fromX + $part[2], $fromY + $part[3]],
                    ],
                    'Q' => [[[$fromX + $part[0], $fromY + $part[1]]], [$fromX + $part[2], $fromY + $part[3]]],
                    'T' => [
                        [[2 * $at[0] - $handle[0], 2 * $at[1] - $handle[1]]],
                        [$fromX + $part[0], $fromY + $part[1]],
                    ],
                    'A' => [[], [$fromX + $part[5], $fromY + $part[6]]],
                    default => [[], [$fromX + $part[0], $fromY + $part[1]]],
                };
                array_push($course, ...self::bent([$at, ...$bends, $to]));
                $handle = $bends === [] ? $to : $bends[count($bends) - 1];
                $at = $to;
            }
        }

        return $course === [] ? $courses : [...$courses, $course];
    }

    /** @return list<string> */
    private static function numbers(string $text): array
    {
        preg_match_all('/[-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?/i', $text, $numbers);

        return $numbers[0];
    }

    /**
     * The places of a Bézier curve after its first one, by de Casteljau's construction.
     *
     * @param  non-empty-list<array{float, float}>  $handles
     * @return list<array{float, float}>
     */
    private static function bent(array $handles): array
    {
        if (count($handles) === 2) {
            return [$handles[1]];
        }
        $places = [];
        for ($piece = 1; $piece <= self::PIECES; $piece++) {
            $t = $piece / self::PIECES;
            for ($row = $handles; count($row) > 1;) {
                $next = [];
                for ($i = 1; $i < count($row); $i++) {
                    $next[] = [
                        $row[$i - 1][0] + ($row[$i][0] - $row[$i - 1][0]) * $t,
                        $row[$i - 1][1] + ($row[$i][1] - $row[$i - 1][1]) * $t,
                    ];
                }
                $row = $next;
            }
            $places[] = $row[0];
        }

        return $places;
    }

    private static function transform(string $text): Projection
    {
        $all = Projection::move(0, 0);
        preg_match_all('/(matrix|translate|scale|rotate)\s*\(([^)]*)\)/', $text, $steps, PREG_SET_ORDER);
        foreach ($steps as [, $name, $numbers]) {
            $n = array_map(floatval(...), self::numbers($numbers));
            $step = match (true) {
                $name === 'matrix' && count($n) === 6 => Projection::matrix(...$n),
                $name === 'translate' && $n !== [] => Projection::move($n[0], $n[1] ?? 0.0),
                $name === 'scale' && $n !== [] => Projection::scale($n[0], $n[1] ?? $n[0]),
                $name === 'rotate' && $n !== [] => Projection::turn($n[0], $n[1] ?? 0.0, $n[2] ?? 0.0),
                default => Projection::move(0, 0),
            };
            $all = $step->then($all);
        }

        return $all;
    }
}

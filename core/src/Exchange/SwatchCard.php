<?php

declare(strict_types=1);

namespace Awning\Core\Exchange;

use Awning\Core\Colour\Lab;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;

/**
 * A palette to print or to post, as SVG: each material's ramp with names, hex, L*a*b* (D50) and the grey of the same
 * lightness. A4, upright; on one sheet as long as it takes, or on several.
 */
final class SwatchCard
{
    /** Pixels of 1/96 inch. */
    private const WIDTH = 794;

    private const HEIGHT = 1123;

    private const MARGIN = 40;

    private const NAME_WIDTH = 124;

    private const SWATCH_WIDTH = 94;

    private const SWATCH_HEIGHT = 26;

    private const GREY_HEIGHT = 6;

    private const ROW = 68;

    private const HEADING = 34;

    private const TITLE = 30;

    private const GLYPHS_IN_NAME = 20;

    private const GLYPHS_IN_TONE = 9;

    public function __construct(private readonly PaletteBook $book, private readonly string $title = 'Palette')
    {
    }

    public function whole(): string
    {
        $parts = $this->parts();
        $height = array_sum(array_column($parts, 0));

        return $this->sheet(
            array_column($parts, 1),
            array_column($parts, 0),
            (int) max(200, $height + self::TITLE + 2 * self::MARGIN),
        );
    }

    /** @return non-empty-list<string> */
    public function sheets(): array
    {
        $room = self::HEIGHT - 2 * self::MARGIN - self::TITLE;
        $sheets = [];
        $heights = $drawn = [];
        foreach ($this->parts() as $at => [$height, $part, $heading]) {
            if (array_sum($heights) + $height + ($heading ? self::ROW : 0) > $room && $drawn !== []) {
                $sheets[] = $this->sheet($drawn, $heights, self::HEIGHT);
                $heights = $drawn = [];
            }
            $heights[] = $height;
            $drawn[] = $part;
        }
        $sheets[] = $this->sheet($drawn, $heights, self::HEIGHT);

        return $sheets;
    }

    /** @return list<array{int, string, bool}> height, what is drawn there, whether it is a heading */
    private function parts(): array
    {
        $parts = [];
        foreach ($this->book->figures as $figure) {
            if ($figure->name !== '') {
                $parts[] = [self::HEADING, self::text(0, 22, 15, $figure->name, 'font-weight="600"'), true];
            }
            foreach ($figure->materials as $material) {
                $parts[] = [self::ROW * ($material->more === [] ? 1 : 2), $this->row($material), false];
            }
        }

        return $parts;
    }

    private function row(PaletteMaterial $material): string
    {
        $name =
            mb_strlen($material->name) > self::GLYPHS_IN_NAME
                ? mb_substr($material->name, 0, self::GLYPHS_IN_NAME - 1).'…'
                : $material->name;
        $row = self::text(0, 17, 11, $name);
        $more = '';
        foreach ($material->tones as $tone => $colour) {
            $place = array_search($tone, array_column(Tone::six(), 'value'), true);
            if ($place === false) {
                $at = (int) array_search($tone, array_keys($material->more), true);
                $more .= $this->swatch(
                    self::NAME_WIDTH + self::SWATCH_WIDTH * $at,
                    mb_substr($material->more[$tone] ?? $tone, 0, self::GLYPHS_IN_TONE),
                    $colour,
                    false,
                );
            } else {
                $row .= $this->swatch(
                    self::NAME_WIDTH + self::SWATCH_WIDTH * $place,
                    $tone,
                    $colour,
                    $material->isDerived($tone),
                );
            }
        }

        return $row.($more === '' ? '' : sprintf('<g transform="translate(0 %d)">%s</g>', self::ROW, $more));
    }

    private function swatch(int $x, string $tone, Rgb $colour, bool $isDerived): string
    {
        $lab = Lab::of($colour);
        $width = self::SWATCH_WIDTH - 6;
        $grey = (new Lab($lab->l, 0, 0))->toRgb();
        $under = self::SWATCH_HEIGHT + self::GREY_HEIGHT;

        return sprintf(
            '<rect x="%d" width="%d" height="%d" fill="%s"/>',
            $x,
            $width,
            self::SWATCH_HEIGHT,
            $colour->hex(),
        ).
            sprintf(
                '<rect x="%d" y="%d" width="%d" height="%d" fill="%s"/>',
                $x,
                self::SWATCH_HEIGHT,
                $width,
                self::GREY_HEIGHT,
                $grey->hex(),
            ).
            sprintf(
                '<circle cx="%d" cy="%d" r="2.5" fill="%s" stroke="#000"/>',
                $x + 3,
                $under + 8,
                $isDerived ? 'none' : '#000',
            ).
            self::text($x + 11, $under + 11, 8, "$tone  {$colour->hex()}").
            self::text(
                $x,
                $under + 21,
                8,
                sprintf('%.1f  %.1f  %.1f', $lab->l, self::signed($lab->a), self::signed($lab->b)),
                'fill="#555"',
            );
    }

    /** Never "-0.0". */
    private static function signed(float $value): float
    {
        return abs($value) < 0.05 ? 0.0 : $value;
    }

    /**
     * @param  list<string>  $parts
     * @param  list<int>  $heights
     */
    private function sheet(array $parts, array $heights, int $height): string
    {
        $y = self::MARGIN + self::TITLE;
        $body = '';
        foreach ($parts as $i => $part) {
            $body .= sprintf('<g transform="translate(%d %d)">%s</g>', self::MARGIN, $y, $part)."\n";
            $y += $heights[$i];
        }

        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="%1$d" height="%2$d" viewBox="0 0 %1$d %2$d" '
                .'font-family="sans-serif">',
            self::WIDTH,
            $height,
        ).
            "\n".
            '<rect width="100%" height="100%" fill="#fff"/>'.
            "\n".
            sprintf(
                '<g transform="translate(%d %d)">%s</g>',
                self::MARGIN,
                self::MARGIN - 6,
                self::text(0, 14, 18, $this->title, 'font-weight="600"').
                    self::text(
                        self::NAME_WIDTH,
                        14,
                        8,
                        'Under each colour the grey of its lightness, its name and hex, and L* a* b* (D50). Full '
                            .'dots are pinned, rings derived.',
                        'fill="#555"',
                    ),
            ).
            "\n".
            $body.
            "</svg>\n";
    }

    private static function text(int $x, int $y, int $size, string $text, string $more = ''): string
    {
        return sprintf(
            '<text x="%d" y="%d" font-size="%d" xml:space="preserve"%s>%s</text>',
            $x,
            $y,
            $size,
            $more === '' ? '' : " $more",
            htmlspecialchars($text, ENT_XML1 | ENT_QUOTES | ENT_SUBSTITUTE, 'UTF-8'),
        );
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Exchange;

use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;

/**
 * CSS custom properties. Beside its tones a material has a property with its names as strings, and one that lists the
 * tones nobody has pinned, so that nothing is lost; a tone beside the six has one with what it is called. Any other
 * file's properties that are colours are read as materials.
 */
final class CssProperties implements PaletteFormat
{
    /** A declaration of a custom property; strings and comments are stepped over as a whole. */
    private const DECLARATION = '~/\*.*?\*/|(?<![\w-])(--[^\s:;{}"\'/]++)\s*+:\s*+((?:"(?:[^"\\\\]|\\\\.)*+"|/\*.*?\*/|[^;{}"])*+)|"(?:[^"\\\\]|\\\\.)*+"~su';

    private const COMMENT = '~/\*.*?\*/~s';

    public function write(PaletteBook $book): string
    {
        $lines = [':root {'];
        $taken = [];
        foreach ($book->figures as $figure) {
            foreach ($figure->materials as $material) {
                $name = self::name($figure->name, $material->name, $taken);
                $lines[] = sprintf(
                    '  %s: %s / %s;',
                    $name,
                    self::quoted($figure->name),
                    self::quoted($material->name),
                );
                foreach ($material->tones as $tone => $colour) {
                    $lines[] = sprintf('  %s--%s: %s;', $name, $tone, $colour->hex());
                    if (isset($material->more[$tone])) {
                        $lines[] = sprintf(
                            '  %s--%s--called: %s;',
                            $name,
                            $tone,
                            self::quoted($material->more[$tone]),
                        );
                    }
                }
                if ($material->derived !== []) {
                    $lines[] = sprintf('  %s--derived: %s;', $name, implode(' ', $material->derived));
                }
            }
        }

        return implode("\n", [...$lines, '}'])."\n";
    }

    public function read(string $text): PaletteBook
    {
        if (! mb_check_encoding($text, 'UTF-8')) {
            throw new BrokenPalette('This file is not in UTF-8. Save it as UTF-8 and read it again.');
        }
        $properties = self::properties($text);
        $names = $derived = [];
        foreach ($properties as $property => [$value]) {
            if (preg_match('~^("(?:[^"\\\\]|\\\\.)*")\s*/\s*("(?:[^"\\\\]|\\\\.)*")$~su', $value, $match) === 1) {
                $names[$property] = [self::unquoted($match[1]), self::unquoted($match[2])];
            } elseif (str_ends_with($property, '--derived')) {
                $derived[substr($property, 0, -strlen('--derived'))] = preg_split('/\s+/', $value);
            }
        }
        $rows = [];
        foreach ($properties as $property => [$value, $line]) {
            $colour = self::colour($property, $value, $line);
            if ($colour !== null) {
                $called = $properties["$property--called"][0] ?? '';
                $rows[] = self::row(
                    $property,
                    $colour,
                    $names,
                    $derived,
                    $line,
                    str_starts_with($called, '"') ? self::unquoted($called) : '',
                );
            }
        }

        return PaletteBook::ofRows($rows);
    }

    /** @return array<string, array{string, int}> value and line of each */
    private static function properties(string $text): array
    {
        if (preg_match_all(self::DECLARATION, $text, $matches, PREG_SET_ORDER | PREG_OFFSET_CAPTURE) === false) {
            throw new BrokenPalette('This file cannot be read as CSS. Export it again.');
        }
        $properties = [];
        $line = 1;
        $from = 0;
        foreach ($matches as $match) {
            if (isset($match[1], $match[2])) {
                $line += substr_count($text, "\n", $from, $match[1][1] - $from);
                $from = $match[1][1];
                $properties[$match[1][0]] = [trim((string) preg_replace(self::COMMENT, '', $match[2][0])), $line];
            }
        }

        return $properties;
    }

    private static function colour(string $property, string $value, int $line): ?Rgb
    {
        if (preg_match('/^#([0-9a-f]{6})(?:ff)?$/iD', $value, $match) === 1) {
            return Rgb::fromHex($match[1]);
        }
        if (preg_match('/^#([0-9a-f])([0-9a-f])([0-9a-f])$/iD', $value, $match) === 1) {
            return Rgb::fromHex($match[1].$match[1].$match[2].$match[2].$match[3].$match[3]);
        }
        if (
            preg_match(
                '/^rgb\(\s*(\d{1,3})(?:\s*,\s*|\s+)(\d{1,3})(?:\s*,\s*|\s+)(\d{1,3})\s*\)$/iD',
                $value,
                $match,
            ) === 1 &&
            max((int) $match[1], (int) $match[2], (int) $match[3]) <= 255
        ) {
            return new Rgb((int) $match[1], (int) $match[2], (int) $match[3]);
        }
        if (preg_match('/^(#|(rgb|hsl|hwb|lab|lch|oklab|oklch|color)a?\()/i', $value) === 1) {
            throw BrokenPalette::at(
                $line,
                "the colour of $property, '$value', cannot be read. Write it as six hexadecimal digits, like #c98d6b.",
            );
        }

        return null;
    }

    /**
     * @param  array<string, array{string, string}>  $names
     * @param  array<string, list<string>|false>  $derived
     */
    private static function row(
        string $property,
        Rgb $colour,
        array $names,
        array $derived,
        int $line,
        string $called,
    ): PaletteRow {
        $at = (int) strrpos($property, '--');
        [$owner, $tone] = [substr($property, 0, $at), Tone::tryFrom(substr($property, $at + 2))];
        if ($tone === null || $at < 3) {
            return new PaletteRow(
                '',
                PaletteRow::name(substr($property, 2), $line),
                Tone::Base,
                $colour,
                false,
                $line,
            );
        }
        [$figure, $material] = $names[$owner] ?? ['', substr($owner, 2)];

        return new PaletteRow(
            figure: PaletteRow::name($figure, $line),
            material: PaletteRow::name($material, $line),
            tone: $tone,
            colour: $colour,
            isDerived: in_array($tone->value, $derived[$owner] ?? false ?: [], true),
            line: $line,
            called: PaletteRow::name($called, $line),
        );
    }

    /** @param  array<string, bool>  $taken */
    private static function name(string $figure, string $material, array &$taken): string
    {
        $word = fn (string $text): string => trim(
            (string) preg_replace('/[^\p{L}\p{N}]+/u', '-', mb_strtolower($text)),
            '-',
        );
        $name = implode(
            '--',
            array_filter([$word($figure), $word($material)], fn (string $part): bool => $part !== ''),
        );
        $name = '--'.($name === '' ? 'colour' : $name);
        for ($free = $name, $n = 2; isset($taken[$free]); $n++) {
            $free = "$name-$n";
        }
        $taken[$free] = true;

        return $free;
    }

    private static function quoted(string $text): string
    {
        return '"'.
            preg_replace_callback(
                '/["\\\\<\n\r\f]/',
                fn (array $match): string => sprintf('\\%x ', ord($match[0])),
                $text,
            ).
            '"';
    }

    private static function unquoted(string $text): string
    {
        return (string) preg_replace_callback(
            '/\\\\(?:([0-9a-f]{1,6})\s?|(.))/isu',
            fn (array $match): string => $match[1] !== '' ? (string) mb_chr((int) hexdec($match[1])) : $match[2],
            substr($text, 1, -1),
        );
    }
}

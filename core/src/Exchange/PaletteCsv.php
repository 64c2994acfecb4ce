<?php

declare(strict_types=1);

namespace Awning\Core\Exchange;

use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;

/**
 * Comma-separated values, RFC 4180, a tone a line: figure, material, tone, hex, whether it is pinned or derived, and
 * what a tone beside the six is called.
 *
 * Read are such files with their columns in any order, and lists without a header line: in each line the last field
 * that is a colour, and before it the material; or the figure and the material; or these and the tone. A first line
 * without a colour is taken for titles.
 *
 * A name that a spreadsheet would take for a formula gets an apostrophe in front, and loses it when read.
 */
final class PaletteCsv implements PaletteFormat
{
    private const COLUMNS = ['figure', 'material', 'tone', 'hex', 'kind'];

    /** What tones beside the six are called; only where there are some. */
    private const CALLED = 'called';

    /** Other names that columns go by. */
    private const ALSO = ['colour' => 'hex', 'color' => 'hex', 'value' => 'hex', 'name' => 'material'];

    private const DERIVED = 'derived';

    private const FORMULA = "/^'*[=+\\-@\t\r]/";

    public function write(PaletteBook $book): string
    {
        $rows = $book->rows();
        $isCalled = array_filter($rows, fn (PaletteRow $row): bool => $row->called !== '') !== [];
        $lines = [self::line([...self::COLUMNS, ...$isCalled ? [self::CALLED] : []])];
        foreach ($rows as $row) {
            $called = $isCalled ? [self::harmless($row->called)] : [];
            $lines[] = self::line([
                self::harmless($row->figure),
                self::harmless($row->material),
                $row->tone->value,
                $row->colour->hex(),
                $row->isDerived ? self::DERIVED : 'pinned',
                ...$called,
            ]);
        }

        return implode('', $lines);
    }

    public function read(string $text): PaletteBook
    {
        return PaletteBook::ofRows($this->rows($text));
    }

    /** @return \Generator<PaletteRow> */
    private function rows(string $text): \Generator
    {
        $columns = null;
        foreach (self::records($text) as $line => $fields) {
            if (
                $line === 1 &&
                (($columns = self::header($fields)) !== null || array_filter($fields, self::isColour(...)) === [])
            ) {
                continue;
            }
            yield $columns === null ? self::plain($fields, $line) : self::columned($fields, $columns, $line);
        }
    }

    /** @return \Generator<int, list<string>> by the line they begin in; empty ones are left out */
    private static function records(string $text): \Generator
    {
        $file =
            fopen('php://memory', 'w+') ?:
            throw new \RuntimeException('There is no memory left to read the palette in.');
        fwrite($file, $text);
        rewind($file);
        for ($line = 1, $from = 0; ($fields = fgetcsv($file, escape: '')) !== false; $from = $to) {
            $fields = array_map(fn (?string $field): string => trim((string) $field), $fields);
            if (implode('', $fields) !== '') {
                yield $line => $fields;
            }
            $to = (int) ftell($file);
            $line += substr_count($text, "\n", $from, $to - $from);
        }
        fclose($file);
    }

    /**
     * @param  list<string>  $fields
     * @return ?array<string, int> where each column is
     */
    private static function header(array $fields): ?array
    {
        $columns = [];
        foreach ($fields as $at => $field) {
            $name = strtolower($field);
            $columns[self::ALSO[$name] ?? $name] ??= $at;
        }

        return isset($columns['hex'], $columns['material']) ? $columns : null;
    }

    /**
     * @param  list<string>  $fields
     * @param  array<string, int>  $columns
     */
    private static function columned(array $fields, array $columns, int $line): PaletteRow
    {
        $field = fn (string $name): string => $fields[$columns[$name] ?? -1] ?? '';
        $hex = $field('hex');
        if (! self::isColour($hex)) {
            throw BrokenPalette::at($line, "'$hex' is not a colour. Write it as six hexadecimal digits, like #c98d6b.");
        }
        $tone =
            $field('tone') === ''
                ? Tone::Base
                : Tone::tryFrom(strtolower($field('tone'))) ??
                    throw BrokenPalette::at(
                        $line,
                        sprintf(
                            "there is no tone '%s'. Tones are %s.",
                            $field('tone'),
                            implode(', ', array_column(Tone::cases(), 'value')),
                        ),
                    );

        return new PaletteRow(
            figure: self::named($field('figure'), $line),
            material: self::materialNamed($field('material'), $line),
            tone: $tone,
            colour: Rgb::fromHex($hex),
            isDerived: strtolower($field('kind')) === self::DERIVED,
            line: $line,
            called: $tone->isMore() ? self::named($field(self::CALLED), $line) : '',
        );
    }

    /** @param  list<string>  $fields */
    private static function plain(array $fields, int $line): PaletteRow
    {
        $colours = array_keys(array_filter($fields, self::isColour(...)));
        if ($colours === []) {
            throw BrokenPalette::at(
                $line,
                sprintf(
                    "there is no colour in '%s'. Write a name and six hexadecimal digits, like: skin,#c98d6b",
                    mb_substr(implode(',', $fields), 0, 60),
                ),
            );
        }
        $at = $colours[count($colours) - 1];
        $names = array_slice(
            array_values(array_filter(array_slice($fields, 0, $at), fn (string $field): bool => $field !== '')),
            0,
            3,
        );
        $names = array_map(fn (string $name): string => self::named($name, $line), $names);

        return PaletteRow::at($names === [] ? [$fields[$at]] : $names, Rgb::fromHex($fields[$at]), false, $line);
    }

    private static function isColour(string $field): bool
    {
        return preg_match('/^#?[0-9a-f]{6}$/iD', $field) === 1;
    }

    private static function materialNamed(string $field, int $line): string
    {
        $name = self::named($field, $line);

        return $name !== '' ? $name : throw BrokenPalette::at($line, 'the material has no name. Give it one.');
    }

    private static function named(string $field, int $line): string
    {
        return PaletteRow::name(
            preg_match("/^'".substr(self::FORMULA, 2), $field) === 1 ? substr($field, 1) : $field,
            $line,
        );
    }

    private static function harmless(string $name): string
    {
        return preg_match(self::FORMULA, $name) === 1 ? "'$name" : $name;
    }

    /** @param  list<string>  $fields */
    private static function line(array $fields): string
    {
        return implode(
            ',',
            array_map(
                fn (string $field): string => strpbrk($field, ",\"\r\n") === false
                    ? $field
                    : '"'.str_replace('"', '""', $field).'"',
                $fields,
            ),
        )."\r\n";
    }
}

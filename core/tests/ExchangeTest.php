<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Colour\ColourShare;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\ToneRule;
use Awning\Core\Exchange\BrokenPalette;
use Awning\Core\Exchange\ImageColours;
use Awning\Core\Exchange\PaletteBook;
use Awning\Core\Exchange\PaletteFigure;
use Awning\Core\Exchange\PaletteFiles;
use Awning\Core\Exchange\PaletteMaterial;
use Awning\Core\Exchange\SwatchCard;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ExchangeTest extends TestCase
{
    private static function book(): PaletteBook
    {
        $rule = new ToneRule;
        $ramp = $rule->complete(['base' => Rgb::fromHex('#e0a93a'), 'light' => Rgb::fromHex('#fff0b0')]);

        return new PaletteBook([
            new PaletteFigure('Oda Brack', [
                new PaletteMaterial('oilskin', $ramp, ['deep', 'shade', 'glint', 'line']),
                new PaletteMaterial('skin, weathered "red"', ['base' => new Rgb(201, 141, 107)]),
            ]),
            new PaletteFigure('=SUM(A1) {a.b} $c', [
                new PaletteMaterial("'=x", ['line' => new Rgb(1, 2, 3), 'deep' => new Rgb(0, 1, 2)], ['line']),
                new PaletteMaterial('日本 🦀 </style> */ \\', ['base' => new Rgb(9, 8, 7)]),
                new PaletteMaterial('derived', ['glint' => new Rgb(4, 5, 6)]),
            ]),
            new PaletteFigure('A', [
                new PaletteMaterial('b c', ['base' => new Rgb(11, 12, 13)]),
                new PaletteMaterial('b-c', ['base' => new Rgb(14, 15, 16)], []),
                new PaletteMaterial('b.c', ['base' => new Rgb(17, 18, 19)]),
                new PaletteMaterial('b·c', ['base' => new Rgb(20, 21, 22)]),
            ]),
            new PaletteFigure('derived', [new PaletteMaterial('12', ['shade' => new Rgb(255, 0, 128)])]),
            new PaletteFigure('Gems', [
                new PaletteMaterial(
                    'amber',
                    ['base' => new Rgb(200, 140, 20), 'more-3' => new Rgb(31, 32, 33), 'more-1' => new Rgb(41, 42, 43)],
                    [],
                    ['more-3' => '=far, "facet" 💎', 'more-1' => 'near \\ */ facet'],
                ),
                new PaletteMaterial(
                    'more-1',
                    ['base' => new Rgb(51, 52, 53), 'more-2' => new Rgb(61, 62, 63)],
                    [],
                    ['more-2' => 'deep'],
                ),
            ]),
            new PaletteFigure('$derived', [new PaletteMaterial('base', ['base' => new Rgb(0, 0, 0)])]),
        ]);
    }

    /** @return iterable<string, array{string}> */
    public static function formats(): iterable
    {
        foreach (PaletteFiles::readable() as $format) {
            yield $format => [$format];
        }
    }

    #[DataProvider('formats')]
    public function test_nothing_is_lost_on_the_way_out_and_back(string $format): void
    {
        $text = PaletteFiles::write($format, self::book());
        self::assertEquals(self::book(), PaletteFiles::read($format, $text));
        self::assertEquals(self::book(), PaletteFiles::read($format, "\xef\xbb\xbf".$text), 'with a byte order mark');
        self::assertSame($text, PaletteFiles::write($format, PaletteFiles::read($format, $text)));
    }

    #[DataProvider('formats')]
    public function test_a_thousand_materials_go_out_and_back(string $format): void
    {
        $materials = array_map(
            fn (int $i): PaletteMaterial => new PaletteMaterial(
                "m $i",
                ['base' => Rgb::fromNumber(16 * $i), 'deep' => Rgb::fromNumber($i)],
                $i % 2 === 0 ? ['deep'] : [],
            ),
            range(1, 1000),
        );
        $book = new PaletteBook([new PaletteFigure('Crowd', $materials)]);
        self::assertEquals($book, PaletteFiles::read($format, PaletteFiles::write($format, $book)));
    }

    public function test_a_spreadsheet_finds_no_formula(): void
    {
        $csv = PaletteFiles::write(
            'csv',
            new PaletteBook([
                new PaletteFigure('-1', [
                    new PaletteMaterial('@x', ['base' => new Rgb(1, 2, 3)]),
                    new PaletteMaterial('+y', ['base' => new Rgb(1, 2, 4)]),
                ]),
            ]),
        );
        self::assertSame(
            "figure,material,tone,hex,kind\r\n'-1,'@x,base,#010203,pinned\r\n'-1,'+y,base,#010204,pinned\r\n",
            $csv,
        );
    }

    public function test_plain_lists_are_read(): void
    {
        $titles = fn (string $text): array => array_map(
            fn ($row): string => $row->title().' '.$row->colour->hex(),
            PaletteFiles::read('csv', $text)->rows(),
        );
        self::assertSame(['skin #c98d6b', 'sea #41667a'], $titles("skin,#c98d6b\nsea, 41667A \n"));
        self::assertSame(
            ['Oda / skin / shade #a05040', 'Oda / skin / base #c98d6b'],
            $titles("Swatch;x\nOda,skin,#c98d6b\n\nOda,skin,shade,#a05040"),
            'titles are stepped over',
        );
        self::assertSame(
            ['Oda / skin / deep #010203'],
            $titles("Color,Tone,Material,Figure,Note\n#010203,Deep,skin,Oda,!\n"),
            'columns in any order',
        );
        self::assertSame(['#102030 #102030'], $titles('#102030'));
    }

    public function test_other_peoples_tokens_and_properties_are_read(): void
    {
        $json = '{"$schema": "x", "brand": {"$type": "color", "blue": {"500": {"$value": "#102030"}, "shade": {"$value": "{brand.blue.500}"}}, "size": {"$type": "dimension", "$value": "1px"}},
            "plain": {"$type": "color", "$value": {"colorSpace": "srgb", "components": [1, 0.5, 0], "alpha": 1}}}';
        self::assertSame(
            ['brand / blue / 500 / base #102030', 'brand / blue / shade #102030', 'plain #ff8000'],
            array_map(
                fn ($row): string => $row->title().' '.$row->colour->hex(),
                PaletteFiles::read('json', $json)->rows(),
            ),
        );
        $css =
            "/* --no: #111111; */ a { color: red; --gap: 4px; --ink: #ABC; --sea: rgb(10, 20, 30) }\n:root{--x: \"--in: #222222;\";--y:#0a0b0cff/* here */;}";
        self::assertSame(
            ['ink #aabbcc', 'sea #0a141e', 'y #0a0b0c'],
            array_map(
                fn ($row): string => $row->title().' '.$row->colour->hex(),
                PaletteFiles::read('css', $css)->rows(),
            ),
        );
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function broken(): iterable
    {
        yield 'no colour in a line' => ['csv', "a,#123456\nb,#12345\n", 'Line 2: there is no colour'];
        yield 'a colour that is none, after a line break in a name' => [
            'csv',
            "material,hex\n\"x\ny\",#123456\nz,#zzzzzz\n",
            "Line 4: '#zzzzzz' is not a colour",
        ];
        yield 'a tone that is none' => [
            'csv',
            "material,tone,hex\nx,middle,#123456\n",
            "Line 2: there is no tone 'middle'",
        ];
        yield 'a tone twice' => ['csv', "x,#123456\ny,#123456\nx,#123457\n", 'Line 3: x comes a second time'];
        yield 'no name' => ['csv', "material,hex\n,#123456\n", 'Line 2: the material has no name'];
        yield 'a long name' => [
            'csv',
            'a,#123456'."\n".str_repeat('x', 81).',#123456',
            'Line 2: a name has more than 80',
        ];
        yield 'not UTF-8' => ['csv', "a\xff,#123456", 'UTF-8'];
        yield 'nothing' => ['csv', "\n", 'There is no colour'];
        yield 'not a number' => ['json', "{\n\n \"a\": {\"\$value\": NaN}\n}", 'Line 3: this is not JSON'];
        yield 'a component that is not a number' => [
            'json',
            "{\"a\":\n{\"\$value\": {\"colorSpace\": \"srgb\", \"components\": [0, 1, \"NaN\"]}}}",
            "Line 1: the colour of 'a'",
        ];
        yield 'a component too large to be one' => [
            'json',
            '{"a": {"$value": {"colorSpace": "srgb", "components": [0, 1, 1e999]}}}',
            "Line 1: the colour of 'a'",
        ];
        yield 'another colour space' => [
            'json',
            '{"a": {"$value": {"colorSpace": "lab", "components": [0, 1, 1]}}}',
            'Write it in sRGB',
        ];
        yield 'half a file' => ['json', "{\"a\":\n", 'Line 2: this is not JSON; the file ends too early'];
        yield 'a comma too many' => ['json', "{\"a\": {\"\$value\": \"#123456\"},\n}", 'Line 2: this is not JSON'];
        yield 'a circle' => [
            'json',
            "{\"a\": {\"\$value\": \"{b}\"},\n\"b\": {\"\$value\": \"{a}\"}}",
            "Line 1: 'a' refers to itself in a circle",
        ];
        yield 'a circle of three, entered from outside' => [
            'json',
            '{"x": {"$value": "{a}"}, "a": {"$value": "{b}"}, "b": {"$value": "{c}"}, "c": {"$value": "{a}"}}',
            "'x' refers to itself in a circle",
        ];
        yield 'a chain that is too long' => ['json', self::chain(1001), 'by way of more than 1000 other tokens'];
        yield 'an alias to nowhere' => [
            'json',
            "{\"b\": {\"\$value\": \"#000000\"},\n\"a\": {\"c\": {\"\$value\": \"{x.y}\"}}}",
            "Line 2: 'a.c' refers to 'x.y'",
        ];
        yield 'groups without end' => [
            'json',
            str_repeat('{"a":', 60).'1'.str_repeat('}', 60),
            'groups lie too deep',
        ];
        yield 'a list' => ['json', '[]', 'There is no colour'];
        yield 'a broken property' => [
            'css',
            ":root {\n  --a: #123456;\n  --b: #12;\n}",
            "Line 3: the colour of --b, '#12'",
        ];
        yield 'another notation' => ['css', ':root { --b: oklch(0.5 0.1 20); }', 'Line 1: the colour of --b'];
        yield 'another kind of file' => ['txt', 'a,#123456', "'.txt'"];
        yield 'far too much' => ['csv', str_repeat('a', PaletteFiles::MOST_BYTES + 1), 'megabytes'];
    }

    /** Tokens of which each refers to the next, and the last has a colour. */
    private static function chain(int $length): string
    {
        $tokens = ["t$length" => ['$value' => '#123456']];
        for ($i = $length - 1; $i >= 0; $i--) {
            $tokens = ["t$i" => ['$value' => '{t'.($i + 1).'}']] + $tokens;
        }

        return json_encode($tokens, JSON_THROW_ON_ERROR);
    }

    public function test_a_long_chain_of_aliases_is_no_circle(): void
    {
        $book = PaletteFiles::read('json', self::chain(200));
        self::assertSame(
            ['t0', '#123456'],
            [$book->figures[0]->materials[0]->name, $book->figures[0]->materials[0]->base()->hex()],
        );
    }

    #[DataProvider('broken')]
    public function test_broken_files_are_refused_with_what_is_wrong(
        string $format,
        string $text,
        string $message,
    ): void {
        $this->expectException(BrokenPalette::class);
        $this->expectExceptionMessage($message);
        PaletteFiles::read($format, $text);
    }

    public function test_tones_are_derived_where_none_is_pinned(): void
    {
        $rule = new ToneRule(Rgb::fromHex('#9cc4ff'));
        $book = (new PaletteBook([
            new PaletteFigure('A', [
                new PaletteMaterial(
                    'm',
                    ['base' => new Rgb(200, 120, 80), 'shade' => new Rgb(9, 9, 9), 'deep' => new Rgb(7, 7, 7)],
                    ['deep'],
                ),
                new PaletteMaterial('l', ['line' => new Rgb(90, 80, 70)]),
            ]),
        ]))->derived($rule);
        [$m, $l] = $book->figures[0]->materials;
        self::assertEquals($rule->complete(['base' => new Rgb(200, 120, 80), 'shade' => new Rgb(9, 9, 9)]), $m->tones);
        self::assertSame(['deep', 'light', 'glint', 'line'], $m->derived);
        self::assertEquals([new Rgb(90, 80, 70), new Rgb(90, 80, 70)], [$l->tones['base'], $l->tones['line']]);
        self::assertEquals([new Rgb(200, 120, 80), new Rgb(90, 80, 70)], $book->bases());
    }

    public function test_a_card_shows_every_tone_and_no_markup_of_others(): void
    {
        $card = new SwatchCard(self::book(), 'A & B <i>');
        $svg = simplexml_load_string($card->whole());
        self::assertNotFalse($svg);
        self::assertStringContainsString('A &amp; B &lt;i&gt;', $card->whole());
        foreach (self::book()->rows() as $row) {
            self::assertStringContainsString('fill="'.$row->colour->hex().'"', $card->whole());
            self::assertStringContainsString(
                htmlspecialchars(mb_substr($row->called ?: $row->tone->value, 0, 9), ENT_XML1 | ENT_QUOTES).
                    '  '.
                    $row->colour->hex(),
                $card->whole(),
            );
        }
        $derived = count(array_filter(self::book()->rows(), fn ($row): bool => $row->isDerived));
        self::assertSame(
            [$derived, count(self::book()->rows()) - $derived],
            [substr_count($card->whole(), 'r="2.5" fill="none"'), substr_count($card->whole(), 'r="2.5" fill="#000"')],
        );
        self::assertStringContainsString('>64.1  20.6  27.7<', $card->whole(), 'L*a*b* of #c98d6b');
        self::assertStringContainsString('fill="#9b9b9b"', $card->whole(), 'the grey of that lightness');
        $many = new SwatchCard(
            new PaletteBook([
                new PaletteFigure(
                    'F',
                    array_map(
                        fn (int $i): PaletteMaterial => new PaletteMaterial("m $i", ['base' => Rgb::fromNumber($i)]),
                        range(1, 40),
                    ),
                ),
            ]),
        );
        self::assertCount(3, $many->sheets());
        self::assertSame(40, substr_count(implode('', $many->sheets()), '>base  '));
    }

    public function test_named_tones_keep_their_names_and_their_order_and_are_never_derived(): void
    {
        $gem = new PaletteMaterial(
            'amber',
            ['more-3' => new Rgb(1, 1, 1), 'base' => new Rgb(200, 140, 20), 'more-1' => new Rgb(2, 2, 2)],
            [],
            ['more-3' => 'far facet', 'more-1' => 'near facet', 'more-2' => 'without a colour'],
        );
        self::assertSame(['base', 'more-3', 'more-1'], array_keys($gem->tones));
        $book = (new PaletteBook([new PaletteFigure('Gems', [$gem])]))->derived(new ToneRule);
        self::assertSame(
            ['Gems / amber / far facet', 'Gems / amber / near facet'],
            array_slice(array_map(fn ($row): string => $row->title(), $book->rows()), 6),
        );
        self::assertSame(['deep', 'shade', 'light', 'glint', 'line'], $book->figures[0]->materials[0]->derived);
        $svg = (new SwatchCard($book))->whole();
        self::assertStringContainsString('>far facet  #010101<', $svg);
        self::assertLessThan(strpos($svg, 'near face'), strpos($svg, 'far facet'));
        // The second row of one material does not lie on the first of the next.
        $two = (new SwatchCard(
            new PaletteBook([new PaletteFigure('', [$gem, new PaletteMaterial('jet', ['base' => new Rgb(0, 0, 9)])])]),
        ))->whole();
        preg_match_all('/<g transform="translate\(40 (\d+)\)">/', $two, $places);
        self::assertSame(136, (int) $places[1][2] - (int) $places[1][1]);
        self::assertSame(
            ['base' => 9, 'more-4' => 7],
            array_map(
                fn (Rgb $tone): int => $tone->number(),
                array_diff_key(
                    (new ToneRule)->complete(['base' => Rgb::fromNumber(9), 'more-4' => Rgb::fromNumber(7)]),
                    array_flip(['deep', 'shade', 'light', 'glint', 'line']),
                ),
            ),
        );
    }

    public function test_colours_of_pictures_and_palettes_to_hold_them_against(): void
    {
        $book = ImageColours::book([new ColourShare(new Rgb(1, 2, 3), 0.7), new ColourShare(new Rgb(4, 5, 6), 0.3)]);
        self::assertSame(['colour 1', 'colour 2'], array_map(fn ($row): string => $row->title(), $book->rows()));
        self::assertSame(
            ['Oda Brack / oilskin / deep', 'Oda Brack / oilskin / shade'],
            array_slice(array_map(fn ($tone): string => $tone->name, ImageColours::tones(self::book())), 0, 2),
        );
        self::assertNotContains(
            'Oda Brack / oilskin / line',
            array_map(fn ($tone): string => $tone->name, ImageColours::tones(self::book())),
        );
        $this->expectException(BrokenPalette::class);
        ImageColours::book([]);
    }
}

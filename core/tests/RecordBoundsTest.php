<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Codec\ImageHeader;
use Awning\Core\Codec\Picture;
use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\CleanSettings;
use Awning\Core\Page\Drawing\Drawing;
use Awning\Core\Page\Drawing\DrawingRole;
use Awning\Core\Page\Drawing\InkStroke;
use Awning\Core\Page\Drawing\LineColouring;
use Awning\Core\Page\Drawing\LineRule;
use Awning\Core\Page\Drawing\Placement;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Page\Pass\ColourTurn;
use Awning\Core\Page\Pass\PaintContent;
use Awning\Core\Page\Pass\PassGroup;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Record;
use Awning\Core\Page\Region\Bridge;
use Awning\Core\Page\Region\ColourShift;
use Awning\Core\Page\Region\Region;
use Awning\Core\Page\Setup\SetupPlace;
use Awning\Core\Sheet\OpKinds;
use Awning\Core\Sheet\OpRefused;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** No record can be made that could not be read again. */
final class RecordBoundsTest extends TestCase
{
    private const FOUND = [
        'paper' => 1,
        'ink' => 2,
        'askew' => null,
        'turned' => 0.0,
        'specks' => 0,
        'share' => 0.1,
        'dropped' => [],
        'sheet' => null,
    ];

    private static function drawing(
        int $pictures = 1,
        int $picture = 1,
        string $name = 'a',
        string $tint = '#4a8fe0',
        float $strength = 0.5,
        int $width = 10,
        int $order = 0,
    ): Drawing {
        return new Drawing(
            original: 1,
            name: $name,
            width: $width,
            height: 20,
            clean: new CleanSettings,
            place: new Placement(5, 5),
            role: DrawingRole::Ink,
            tint: $tint,
            strength: $strength,
            visible: true,
            found: self::FOUND,
            above: false,
            order: $order,
            picture: $picture,
            pictures: $pictures,
        );
    }

    /** @return iterable<string, array{\Closure(): object}> */
    public static function outOfBounds(): iterable
    {
        $pass = fn (
            string $name = 'Shade',
            float $opacity = 1.0,
            float $order = 0.0,
            ?string $group = null,
            int $figure = 1,
        ): \Closure => fn (): PassSpec => new PassSpec(
            name: $name,
            figure: $figure,
            content: new PaintContent,
            scope: Scope::page(),
            mode: BlendMode::Normal,
            opacity: $opacity,
            visible: true,
            order: $order,
            group: $group,
        );
        yield 'a drawing of more pictures than can be named' => [fn (): Drawing => self::drawing(Picture::MOST + 1)];
        yield 'a drawing of picture 0' => [fn (): Drawing => self::drawing(picture: 0)];
        yield 'a drawing with a long name' => [
            fn (): Drawing => self::drawing(name: str_repeat('é', Drawing::NAME + 1)),
        ];
        yield 'a drawing with a tint that is none' => [fn (): Drawing => self::drawing(tint: '#4A8FE0')];
        yield 'a drawing that is too strong' => [fn (): Drawing => self::drawing(strength: 1.01)];
        yield 'a drawing without width' => [fn (): Drawing => self::drawing(width: 0)];
        yield 'a drawing too far in front' => [fn (): Drawing => self::drawing(order: Drawing::FRONT + 1)];
        yield 'a pass with too long a name' => [$pass(str_repeat('a', Data::NAME + 1))];
        yield 'a pass with blanks around its name' => [$pass(' Shade')];
        yield 'a pass whose name turns the writing' => [$pass("Shade\u{202E}")];
        yield 'a pass that is more than opaque' => [$pass(opacity: 1.0001)];
        yield 'a pass of no number' => [$pass(opacity: NAN)];
        yield 'a pass too far up' => [$pass(order: 1e6 + 1)];
        yield 'a pass in a group without a name' => [$pass(group: 'x')];
        yield 'a pass of figure -1' => [$pass(figure: -1)];
        yield 'a group that is less than nothing' => [fn (): PassGroup => new PassGroup(true, BlendMode::Normal, -0.1)];
        yield 'a region beyond the page' => [fn (): Region => new Region(1, 1, 5, PageSize::MOST + 1, 0)];
        yield 'a region of less than nothing' => [fn (): Region => new Region(1, 1, -1, 0, 0)];
        yield 'a region under plan 0' => [fn (): Region => new Region(1, 1, 1, 0, 0, plan: 0)];
        yield 'a bridge that begins off the page' => [fn (): Bridge => new Bridge(-1, 0, 5, 5)];
        yield 'a bridge that is more than sure' => [fn (): Bridge => new Bridge(0, 0, 5, 5, score: 1.5)];
        yield 'a heavy line' => [fn (): InkStroke => new InkStroke([[0.0, 0.0, 1.0]], InkStroke::HEAVIEST + 1)];
        yield 'a line that goes to infinity' => [
            fn (): InkStroke => new InkStroke([[0.0, 0.0, 1.0], [INF, 0.0, 1.0]], 3),
        ];
        yield 'a line pressed too hard' => [fn (): InkStroke => new InkStroke([[0.0, 0.0, 1.1]], 3)];
        yield 'a line of too many points' => [
            fn (): InkStroke => new InkStroke(array_fill(0, InkStroke::MOST_POINTS + 1, [1.0, 1.0, 1.0]), 3),
        ];
        yield 'a placement too large' => [fn (): Placement => new Placement(0, 0, Placement::LARGEST * 1.5)];
        yield 'a placement nowhere' => [fn (): Placement => new Placement(NAN, 0)];
        yield 'settings with half of the levels' => [fn (): CleanSettings => new CleanSettings(paper: 40)];
        yield 'settings that turn too far' => [fn (): CleanSettings => new CleanSettings(turn: 16.0)];
        yield 'a turn of more than all hues' => [fn (): ColourTurn => new ColourTurn(hue: 181)];
        yield 'a shift of nothing' => [fn (): ColourShift => new ColourShift(0)];
        yield 'lines in a colour that is none' => [fn (): LineColouring => new LineColouring(LineRule::Colour, 'red')];
        yield 'a page finer than can be' => [fn (): PageSize => new PageSize(10, 10, 1e6)];
        yield 'a place beyond the setup' => [fn (): SetupPlace => new SetupPlace(1, 24)];
    }

    /** @param  \Closure(): object  $made */
    #[DataProvider('outOfBounds')]
    public function test_what_could_not_be_read_is_not_made(\Closure $made): void
    {
        $this->expectException(\InvalidArgumentException::class);
        $made();
    }

    public function test_at_its_bounds_a_record_reads_back_as_it_is(): void
    {
        $edge = fn (Record $record): array => [
            $record->toData(),
            $record::fromData(new Data($record->toData()))->toData(),
        ];
        foreach (
            [
                self::drawing(
                    Picture::MOST,
                    Picture::MOST,
                    str_repeat('é', Drawing::NAME),
                    strength: 1.0,
                    width: PageSize::MOST,
                    order: -Drawing::FRONT,
                ),
                new PassSpec(
                    name: str_repeat('é', Data::NAME),
                    figure: 0,
                    content: new PaintContent,
                    scope: Scope::page(),
                    mode: BlendMode::Normal,
                    opacity: 0.0,
                    visible: false,
                    order: -1e6,
                    group: 'abc123',
                ),
                new Region(
                    figure: 0,
                    material: 0,
                    area: PageSize::MOST ** 2,
                    x: PageSize::MOST,
                    y: PageSize::MOST,
                    variant: 0,
                    plan: 1,
                ),
                new InkStroke([[-100_000.0, 100_000.0, 0.0]], InkStroke::HEAVIEST, 0.5, 0.95, 1.0),
                new PageSize(PageSize::MOST, 1, 100_000.0),
            ] as $record
        ) {
            [$before, $after] = $edge($record);
            self::assertSame($before, $after);
        }
    }

    public function test_a_page_that_was_kept_with_too_many_pictures_opens(): void
    {
        $kept = ['pictures' => 20_000, 'picture' => 7] + self::drawing()->toData();
        $drawing = Drawing::fromData(new Data($kept));
        self::assertSame([7, Picture::MOST], [$drawing->picture, $drawing->pictures]);
    }

    public function test_frames_of_a_file_are_counted_only_so_far(): void
    {
        $frames = str_repeat('ANMF'.pack('V', 0), Picture::MOST + 50);
        $body = 'WEBPVP8X'.pack('V', 10).str_repeat("\0", 4)."\x09\0\0\x09\0\0".$frames;
        $file = (string) tempnam(sys_get_temp_dir(), 'awning');
        file_put_contents($file, 'RIFF'.pack('V', strlen($body)).$body);
        try {
            self::assertSame(Picture::MOST, ImageHeader::of($file)->pictures);
        } finally {
            unlink($file);
        }
    }

    /** @return iterable<string, array{array<string, mixed>}> ops whose values nobody reads before they are applied */
    public static function wrongValues(): iterable
    {
        foreach (
            [
                'visible' => 1,
                'tint' => [[]],
                'role' => 'sky',
                'strength' => '1',
                'above' => 'no',
                'order' => 1.5,
                'name' => 'x',
            ] as $name => $value
        ) {
            yield "drawing $name" => [['kind' => 'drawing.change', 'id' => 'drawing1', 'values' => [$name => $value]]];
        }
        foreach (
            [
                'scope' => ['kind' => null],
                'visible' => 'yes',
                'opacity' => INF,
                'mode' => [],
                'tone' => 7,
                'colour' => '#12',
                'follows' => 'me',
                'group' => 5,
                'mask' => ['pass' => ''],
                'turn' => ['hue' => 999],
                'name' => "a\nb",
                'order' => NAN,
                'figure' => 3,
            ] as $name => $value
        ) {
            yield "pass $name" => [['kind' => 'pass.change', 'id' => 'shade01', 'values' => [$name => $value]]];
        }
    }

    /** @param  array<string, mixed>  $op */
    #[DataProvider('wrongValues')]
    public function test_a_wrong_value_of_a_change_is_refused_when_it_is_read(array $op): void
    {
        $this->expectException(OpRefused::class);
        OpKinds::read($op['kind'], array_diff_key($op, ['kind' => 0]));
    }

    public function test_names_keep_what_can_be_seen(): void
    {
        self::assertSame('👩‍👩‍👧 می‌خواهم', Bounds::name('👩‍👩‍👧 می‌خواهم', 'A pass'));
        self::assertSame('report fdp.exe', Bounds::nameOf(" report\u{202E}fdp.exe \n", 'Picture'));
        self::assertSame('Picture', Bounds::nameOf("\u{200F}\n", 'Picture'));
        self::assertSame(Data::NAME, mb_strlen(Bounds::nameOf(str_repeat('é', 200), 'Picture')));
    }
}

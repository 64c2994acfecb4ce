<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Desk\Page\PageDesk;
use App\Models\JournalEntry;
use App\Models\LayerTile;
use App\Models\Page;
use App\Models\Tile;
use App\Models\User;
use App\Store\PageStore;
use App\Store\Pyramid;
use App\Store\RecordKeepers;
use App\Store\TileMissing;
use App\Store\Tiles;
use App\Wire\ShapeReader;
use App\Wire\TypeScript;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Page\Drawing\CleanSettings;
use Awning\Core\Page\Drawing\Drawing;
use Awning\Core\Page\Drawing\DrawingRole;
use Awning\Core\Page\Drawing\InkStroke;
use Awning\Core\Page\Drawing\LineColouring;
use Awning\Core\Page\Drawing\LineRule;
use Awning\Core\Page\Drawing\Placement;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Mood\Brought;
use Awning\Core\Page\Mood\HeldMood;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Page\Pass\ColourTurn;
use Awning\Core\Page\Pass\PaintContent;
use Awning\Core\Page\Pass\PassGroup;
use Awning\Core\Page\Pass\PassMask;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Pass\TintContent;
use Awning\Core\Page\Pass\ToneContent;
use Awning\Core\Page\Pass\WashContent;
use Awning\Core\Page\Record;
use Awning\Core\Page\RecordKind;
use Awning\Core\Page\Region\Bridge;
use Awning\Core\Page\Region\ColourShift;
use Awning\Core\Page\Region\Region;
use Awning\Core\Page\Region\Solid;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Right;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

/** What is kept is what was put: records of every kind, tiles, and what the browser is told of them. */
final class StoreTest extends TestCase
{
    use RefreshDatabase;

    private Page $page;

    private User $user;

    protected function setUp(): void
    {
        parent::setUp();
        [$series, $this->page] = $this->series();
        $this->user = $this->person('Mira', $series);
    }

    /** @return iterable<string, array{RecordKind, array<array-key, Record>}> */
    public static function records(): iterable
    {
        yield 'size' => [
            RecordKind::Page,
            ['page' => new PageSize(4001, 2999, 299.72, true, new LineColouring(LineRule::Tone, '#102030', false))],
        ];
        yield 'regions' => [
            RecordKind::Region,
            [
                1 => new Region(3, 9, 1234, 5, 6),
                65535 => new Region(0, 0, 1, 0, 2998, true),
                7 => new Region(figure: 3, material: 9, area: 12, x: 7, y: 8, locked: false, shift: 'shift00001'),
                8 => new Region(
                    figure: 3,
                    material: 9,
                    area: 12,
                    x: 7,
                    y: 8,
                    variant: 4,
                    solid: Solid::Ball,
                    inFront: true,
                    plan: 19,
                ),
            ],
        ];
        yield 'shifts' => [
            RecordKind::Shift,
            [
                'shift00001' => new ColourShift(9, new ColourTurn(-1 / 3, 0.1 + 0.2, 12.5)),
                'shift00002' => new ColourShift(8),
            ],
        ];
        yield 'bridges' => [
            RecordKind::Bridge,
            [
                1 => new Bridge(1, 2, 3, 4),
                20 => new Bridge(4000, 0, 0, 2998, \Awning\Core\Page\Region\BridgeKind::Doubtful, 0.125),
            ],
        ];
        yield 'passes' => [
            RecordKind::Pass,
            [
                'tonepass1' => new PassSpec(
                    name: 'Schatten übers Öl 雨',
                    figure: 3,
                    content: new ToneContent(Tone::Deep),
                    scope: Scope::material(9),
                    mode: BlendMode::ColorBurn,
                    opacity: 0.1 + 0.2,
                    visible: false,
                    order: 1 / 3,
                    group: 'group1',
                ),
                'tintpass1' => new PassSpec(
                    name: 'Rim',
                    figure: 0,
                    content: new TintContent(new Rgb(1, 2, 255)),
                    scope: Scope::page(),
                    mode: BlendMode::PlusLighter,
                    opacity: 1.0,
                    visible: true,
                    order: -2.5,
                ),
                'paintpass' => new PassSpec(
                    'Paint',
                    3,
                    new PaintContent,
                    Scope::ink(),
                    mask: new PassMask('tonepass1', true),
                    turn: new ColourTurn(-1 / 3, 1.7, 12.25),
                ),
                'paintpas2' => new PassSpec(
                    'Paint',
                    3,
                    new PaintContent,
                    Scope::ink(),
                    mask: new PassMask('tintpass1'),
                    turn: new ColourTurn(0.25, 0.0, -90),
                ),
            ],
        ];
        yield 'lines' => [
            RecordKind::Stroke,
            [
                'line0001' => new InkStroke([[0.1 + 0.2, -3.0, 1 / 3], [40.0, 2998.25, 1.0]], 7.125, 0.2, 1 / 7),
                'line0002' => new InkStroke([[5.0, 6.0, 0.0]], 1.0),
            ],
        ];
        $found = [
            'paper' => 17,
            'ink' => 203,
            'askew' => -0.35,
            'turned' => 0.35,
            'specks' => 3,
            'share' => 0.125,
            'dropped' => ['blue'],
            'sheet' => null,
        ];
        yield 'drawings' => [
            RecordKind::Drawing,
            [
                'drawing1' => new Drawing(
                    original: 5,
                    name: 'Hafen 雨.png',
                    width: 4001,
                    height: 2999,
                    clean: new CleanSettings(0.75, 17, 203, -2, turn: 0.0),
                    place: new Placement(2000.5, 1499.5),
                    role: DrawingRole::Ink,
                    tint: '#4a8fe0',
                    strength: 0.5,
                    visible: true,
                    found: $found,
                ),
                'drawing2' => new Drawing(
                    original: 6,
                    name: 'b',
                    width: 10,
                    height: 20,
                    clean: new CleanSettings(hard: true),
                    place: new Placement(1, 2, 1 / 3, 12.5, true, [
                        [0.0, 1.5],
                        [9.0, 1.0],
                        [9.0, 18.0],
                        [0.25, 19.0],
                    ]),
                    role: DrawingRole::Underdrawing,
                    tint: '#c04a2e',
                    strength: 0.1 + 0.2,
                    visible: false,
                    found: $found,
                ),
            ],
        ];
        $layer = fn (string $name, float $opacity): PassSpec => new PassSpec(
            $name,
            0,
            new WashContent(new Rgb(1, 2, 3)),
            Scope::page(),
            BlendMode::Screen,
            $opacity,
            false,
            2.0,
            mask: new PassMask('byhand01', true),
        );
        yield 'moods at hand' => [
            RecordKind::Held,
            [
                'held0001' => new HeldMood(
                    'Lamp hour',
                    new Brought(31, null),
                    ['mooddusk01' => $layer('Dusk', 0.1 + 0.2), 'mooddusk02' => $layer('Air', 1.0)],
                    ['dusk01' => new PassGroup(true, BlendMode::Multiply, 0.35)],
                ),
                'held0002' => new HeldMood('Été', new Brought(null, 8), ['moodnoon01' => $layer('Noon', 0.0)]),
            ],
        ];
        yield 'groups' => [
            RecordKind::Group,
            [
                'group1' => new PassGroup(true, BlendMode::SoftLight, 0.35),
                'group2' => new PassGroup(false, opacity: 0.0),
            ],
        ];
    }

    /**
     * @param  array<array-key, Record>  $records
     */
    #[\PHPUnit\Framework\Attributes\DataProvider('records')]
    public function test_records_are_kept_to_the_last_bit(RecordKind $kind, array $records): void
    {
        $keeper = RecordKeepers::of($kind);
        $other = Page::query()->create(['series_id' => $this->page->series_id, 'number' => 2, 'title' => 'Another']);
        $data = fn (array $kept): array => array_map(fn (Record $record): array => $record->toData(), $kept);
        $keeper->put($this->page->id, $records);
        self::assertEqualsCanonicalizing($data($records), $data($keeper->all($this->page->id)));
        self::assertSame([], $keeper->all($other->id), 'each page has its own');
        foreach ($records as $key => $record) {
            self::assertSame($record->toData(), $keeper->find($this->page->id, $key)?->toData());
            self::assertNull($keeper->find($other->id, $key));
        }
        $key = array_key_first($records);
        $keeper->put($this->page->id, [$key => end($records)]);
        self::assertSame(
            end($records)->toData(),
            $keeper->find($this->page->id, $key)?->toData(),
            'put again, it is replaced',
        );
        $keeper->remove($this->page->id, []);
        self::assertCount(count($records), $keeper->all($this->page->id));
        $keeper->remove($this->page->id, [$key]);
        self::assertNull($keeper->find($this->page->id, $key));
        self::assertCount(count($records) - 1, $keeper->all($this->page->id));
    }

    public function test_a_batch_of_many_records_is_kept_whole(): void
    {
        $regions = [];
        for ($label = 1; $label <= 2500; $label++) {
            $regions[$label] = new Region($label % 7, $label % 7, $label, $label % 300, 1);
        }
        $keeper = RecordKeepers::of(RecordKind::Region);
        DB::enableQueryLog();
        $keeper->put($this->page->id, $regions);
        self::assertLessThanOrEqual(3, count(DB::getQueryLog()), 'a question for each thousand, not for each');
        DB::disableQueryLog();
        $kept = $keeper->all($this->page->id);
        self::assertSame(range(1, 2500), array_keys($kept));
        self::assertEquals($regions[2500], $kept[2500]);
        $keeper->remove($this->page->id, range(1, 2400));
        self::assertCount(100, $keeper->all($this->page->id));
    }

    /** @param  array<string, ?string>  $tiles  "column,row" => bytes */
    private function lay(array $tiles): void
    {
        (new PageDesk)->apply(
            $this->page,
            $this->user,
            new class($tiles) implements Op
            {
                /** @param  array<string, ?string>  $tiles */
                public function __construct(private array $tiles)
                {
                }

                public static function kind(): string
                {
                    return 'test';
                }

                public static function form(): int
                {
                    return 1;
                }

                public function title(): string
                {
                    return 'Test';
                }

                public function right(): Right
                {
                    return Right::Flat;
                }

                public function toInput(): array
                {
                    return [];
                }

                public function apply(Sheet $sheet): void
                {
                    foreach ($this->tiles as $place => $bytes) {
                        [$column, $row] = array_map(intval(...), explode(',', $place));
                        $sheet->setTile(LayerName::ink(), $column, $row, $bytes);
                    }
                }
            },
        );
    }

    public function test_equal_tiles_are_kept_once_and_empty_ones_not_at_all(): void
    {
        $grey = str_repeat("\x50", 65536);
        $this->lay([
            '0,0' => $grey,
            '3,2' => $grey,
            '1,1' => str_repeat("\0", 65536),
            '2,2' => str_repeat("\x51", 65536),
        ]);
        self::assertSame(3, LayerTile::query()->where('page_id', $this->page->id)->count());
        self::assertSame(2, Tile::query()->count());
        $store = new PageStore($this->page);
        self::assertSame([$grey, null], [$store->tile(LayerName::ink(), 3, 2), $store->tile(LayerName::ink(), 1, 1)]);
        self::assertEqualsCanonicalizing([[0, 0], [3, 2], [2, 2]], $store->tilesOf(LayerName::ink()));
        $this->lay(['0,0' => null]);
        self::assertNull((new PageStore($this->page))->tile(LayerName::ink(), 0, 0));
        self::assertSame(2, Tile::query()->count(), 'undo will want it');
    }

    public function test_tiles_that_are_read_one_after_the_other_are_fetched_together_and_few_are_not(): void
    {
        $tiles = [];
        for ($row = 0; $row < 9; $row++) {
            for ($column = 11; $column >= 0; $column--) {
                // Every fifth is empty; some are equal.
                $tiles["$column,$row"] =
                    (12 * $row + $column) % 5 === 0
                        ? null
                        : str_repeat(chr(1 + ((12 * $row + $column) % 97)), 65_536);
            }
        }
        $this->lay($tiles);
        $asked = function (array $places): array {
            $store = new PageStore($this->page->refresh());
            $store->hashesOf(LayerName::ink());
            DB::flushQueryLog();
            DB::enableQueryLog();
            $bytes = array_map(fn (array $place): ?string => $store->tile(LayerName::ink(), ...$place), $places);

            return [
                $bytes,
                count(DB::getQueryLog()),
                max(array_map(fn (array $query): int => count($query['bindings']), DB::getQueryLog())),
            ];
        };
        $all = [];
        for ($row = 0; $row < 9; $row++) {
            for ($column = 0; $column < 12; $column++) {
                $all[] = [$column, $row];
            }
        }
        [$bytes, $queries, $most] = $asked($all);
        self::assertSame(array_map(fn (array $place): ?string => $tiles["$place[0],$place[1]"], $all), $bytes);
        self::assertLessThanOrEqual(8, $queries, '86 tiles');
        self::assertLessThanOrEqual(32, $most);
        // What a stroke touches, and what is asked for again or backwards, is no more than that.
        [$bytes, $queries, $most] = $asked([[8, 4], [6, 4], [1, 0], [1, 0], [11, 8]]);
        self::assertSame([$tiles['8,4'], $tiles['6,4'], $tiles['1,0'], $tiles['1,0'], $tiles['11,8']], $bytes);
        self::assertSame([4, 1], [$queries, $most]);
    }

    public function test_a_lost_or_damaged_tile_is_told_by_its_name(): void
    {
        $this->lay(['0,0' => str_repeat("\x50", 65536)]);
        $hash = Tile::query()->sole()->hash;
        foreach (
            [
                fn () => Tile::query()
                    ->whereKey($hash)
                    ->update(['bytes' => 'damaged']),
                fn () => Tile::query()->whereKey($hash)->delete(),
            ] as $harm
        ) {
            $harm();
            try {
                (new Tiles)->bytes($hash);
                self::fail('the tile was given out');
            } catch (TileMissing $error) {
                self::assertStringContainsString($hash, $error->getMessage());
                self::assertStringContainsString('backup', $error->getMessage());
            }
        }
    }

    public function test_reduced_levels_end_where_they_should(): void
    {
        $this->lay(['0,0' => str_repeat("\x40", 65536), '5,3' => str_repeat("\x80", 65536)]);
        $store = new PageStore($this->page);
        self::assertSame(
            [['0,0', '5,3'], ['0,0', '2,1'], ['0,0', '1,0'], ['0,0'], ['0,0']],
            array_map(function (int $level) use ($store): array {
                $places = array_keys((new Pyramid($store, $level))->names()['ink']);
                sort($places);

                return $places;
            }, range(0, 4)),
        );
        $half = (new Pyramid($store, 1))->tile(LayerName::ink(), 2, 1) ?? '';
        self::assertSame(
            [0, 0x80, 0],
            [ord($half[0]), ord($half[128 * 256 + 128]), ord($half[127 * 256 + 128])],
            'the lower right quarter',
        );
        self::assertNull((new Pyramid($store, 1))->tile(LayerName::ink(), 1, 1));
        $this->expectException(\RangeException::class);
        new Pyramid($store, 5);
    }

    public function test_tiles_are_set_equalled_and_emptied_in_one_op(): void
    {
        [$red, $blue, $green] = array_map(fn (int $value): string => str_repeat(chr($value), 65536), [
            0x40,
            0x80,
            0xC0,
        ]);
        $this->lay(['0,0' => $red, '3,0' => $red, '3,1' => $blue, '3,2' => $red, '4,0' => $blue, '4,1' => $blue]);
        // One after the other, beside one that stays: a new one, its equal, one that is emptied, another, and two more
        // that are emptied.
        $this->lay(['0,0' => $green, '1,0' => $green, '3,0' => null, '3,1' => $red, '3,2' => null, '4,1' => null]);
        $there = function (): array {
            $store = new PageStore($this->page->refresh());
            $tiles = array_map(
                fn (array $place): string => dechex(ord($store->tile(LayerName::ink(), ...$place)[0] ?? "\0")),
                [[0, 0], [1, 0], [3, 0], [3, 1], [3, 2], [4, 0], [4, 1]],
            );

            return [$tiles, count($store->hashesOf(LayerName::ink()))];
        };
        self::assertSame([['c0', 'c0', '0', '40', '0', '80', '0'], 4], $there());
        (new PageStore($this->page->refresh()))->swap(JournalEntry::query()->orderByDesc('id')->firstOrFail(), true);
        self::assertSame([['40', '0', '40', '80', '40', '80', '80'], 6], $there());
    }

    public function test_layers_that_will_be_asked_for_are_fetched_together(): void
    {
        $this->lay(['0,0' => str_repeat("\x40", 65536), '5,3' => str_repeat("\x80", 65536)]);
        $layers = [LayerName::ink(), LayerName::flats(), LayerName::computed('nothinghere')];
        $read = fn (Pyramid $pyramid): array => array_map(
            fn (LayerName $layer): array => [
                $pyramid->tile($layer, 0, 0),
                $pyramid->tile($layer, 2, 1),
                $pyramid->tile($layer, 1, 1),
            ],
            $layers,
        );
        $expected = $read(new Pyramid(new PageStore($this->page), 1));
        self::assertNotSame([null, null, null], $expected[0]);
        $queries = function (Pyramid $pyramid, array $fetched) use ($read, $expected): int {
            DB::flushQueryLog();
            DB::enableQueryLog();
            $pyramid->fetch($fetched);
            self::assertSame($expected, $read($pyramid));
            DB::disableQueryLog();

            return count(DB::getQueryLog());
        };
        self::assertSame(
            2,
            $queries(new Pyramid(new PageStore($this->page), 1), $layers),
            'where they are, and what they are',
        );
        self::assertSame(
            5,
            $queries(new Pyramid(new PageStore($this->page), 1), [LayerName::computed('nothinghere')]),
            'what was not fetched comes one by one',
        );
    }

    public function test_shapes_are_told_in_typescript(): void
    {
        $reader = new ShapeReader;
        foreach (
            [
                'int' => 'number',
                '?string' => 'string | null',
                'list<int>' => 'number[]',
                'list<?int>' => '(number | null)[]',
                'array<int, float>' => 'Record<string, number>',
                'array<value-of<Tone>, string>' => 'Record<Tone, string>',
                'array{string, int, ?string}' => '[string, number, string | null]',
                "array{id: int, kind: 'a'|'b', more?: list<array{x: float}>}" => "{ id: number; kind: 'a' | 'b'; more?: { x: number }[] }",
                'Holder|null' => 'Holder | null',
                'array<string, mixed>' => 'Record<string, unknown>',
            ] as $php => $ts
        ) {
            self::assertSame($ts, $reader->typeScript($php), $php);
        }
        self::assertSame(['Tone'], $reader->enums());
        foreach (['array{', 'list<int', 'int>', 'callable(int): void', ''] as $bad) {
            try {
                $reader->typeScript($bad);
                self::fail("'$bad' was told");
            } catch (\UnexpectedValueException) {
                $this->addToAssertionCount(1);
            }
        }
    }

    public function test_the_browser_knows_the_types_php_makes(): void
    {
        $source = (new TypeScript(base_path()))->source();
        self::assertSame($source, file_get_contents(resource_path('js/api/generated.ts')));
        self::assertStringContainsString(
            "export const ROLES = ['owner', 'colourist', 'flatter', 'viewer'] as const;",
            $source,
        );
        foreach (
            ['PageStateData', 'AppliedState', 'FeedState', 'TaskState', 'PassData', 'StrokeInput', 'SeriesState'] as $type
        ) {
            self::assertStringContainsString("export type $type = ", $source);
        }
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Codec\OpenRasterFile;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Compose\Compositor;
use Awning\Core\Compose\DepthPlane;
use Awning\Core\Compose\Layers\Flat;
use Awning\Core\Compose\Layers\FlatSpans;
use Awning\Core\Compose\Layers\GroupLayer;
use Awning\Core\Compose\Layers\Layer;
use Awning\Core\Compose\Layers\LayerKinds;
use Awning\Core\Compose\Layers\PassLayer;
use Awning\Core\Compose\OpenRasterRenderer;
use Awning\Core\Compose\PageStack;
use Awning\Core\Light\Plan\LightColours;
use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\LineColouring;
use Awning\Core\Page\Drawing\LineRule;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Mood\Brought;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Page\Pass\ColourTurn;
use Awning\Core\Page\Pass\LightPart;
use Awning\Core\Page\Pass\PaintContent;
use Awning\Core\Page\Pass\PassGroup;
use Awning\Core\Page\Pass\PassMask;
use Awning\Core\Page\Pass\PassRules;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Pass\TintContent;
use Awning\Core\Page\Pass\ToneContent;
use Awning\Core\Page\RecordKind;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Sheet\Export\LayeredExport;
use Awning\Core\Sheet\Export\SheetBlock;
use Awning\Core\Sheet\Export\SheetPicture;
use Awning\Core\Sheet\Export\StackBuilder;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Change;
use Awning\Core\Sheet\State\MemorySource;
use Awning\Core\Sheet\State\Palette;
use Awning\Core\Sheet\State\RecordChange;
use Awning\Core\Sheet\State\TileChange;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A whole page of odd size, from its records to its picture and its layered file. */
final class PictureTest extends TestCase
{
    private const WIDTH = 300;

    private const HEIGHT = 270;

    private MemorySource $source;

    private Palette $palette;

    protected function setUp(): void
    {
        mt_srand(31);
        $tones = [];
        foreach ([1, 2, 3, 4] as $material) {
            foreach (Tone::cases() as $tone) {
                $tones[$material][$tone->value] = mt_rand(0, 0xFFFFFF);
            }
        }
        // Figure 1 owns materials 2 and 3, figure 2 owns 1, figure 3 owns 4; 2 is farthest, 3 nearest.
        $this->palette = new Palette($tones, [2 => 1, 3 => 1, 1 => 2, 4 => 3], [2, 1, 3]);
        $this->source = new MemorySource;
        $this->put(RecordKind::Page, 'page', new PageSize(self::WIDTH, self::HEIGHT, 300.0));
        foreach ([1 => [2, 1], 2 => [1, 2], 3 => [1, 3], 4 => [3, 4], 5 => [0, 0]] as $label => [$figure, $material]) {
            $this->put(RecordKind::Region, (string) $label, new Region($figure, $material, 9, 1, 1));
        }
        $labels = $ink = '';
        for ($y = 0; $y < self::HEIGHT; $y++) {
            for ($x = 0; $x < self::WIDTH; $x++) {
                $labels .= "\0".chr(1 + (intdiv($x, 61) % 5));
                $ink .= chr($x % 61 < 3 ? 255 : ($y % 90 === 5 ? 120 : 0));
            }
        }
        $this->lay(LayerName::flats(), $labels);
        $this->lay(LayerName::ink(), $ink);
    }

    private function put(RecordKind $kind, string $key, \Awning\Core\Page\Record $record): void
    {
        $this->source->store(new Change([], [new RecordChange($kind, $key, null, $record)]));
    }

    private function lay(LayerName $layer, string $data): void
    {
        $tiles = [];
        foreach (
            (new TileGrid(self::WIDTH, self::HEIGHT))->cut($data, $layer->kind->bytesPerPixel()) as $key => $bytes
        ) {
            [$column, $row] = array_map(intval(...), explode(',', $key));
            $tiles[] = new TileChange($layer, $column, $row, null, $bytes);
        }
        $this->source->store(new Change($tiles, []));
    }

    /** Hangs a pass with soft coverage, or noisy paint. */
    private function hang(string $id, PassSpec $pass): void
    {
        $this->put(RecordKind::Pass, $id, $pass);
        $plane = fn (int $seed): string => implode(
            '',
            array_map(
                fn (int $i): string => chr(($i * 13 + intdiv($i, 300) * $seed) % 256),
                range(0, self::WIDTH * self::HEIGHT - 1),
            ),
        );
        if (! $pass->isPaint()) {
            $this->lay($pass->layer($id), $plane(7));

            return;
        }
        $planes = array_map($plane, [3, 5, 7, 11]);
        $tiles = [];
        foreach ((new TileGrid(self::WIDTH, self::HEIGHT))->all() as [$column, $row]) {
            $bytes = implode(
                '',
                array_map(
                    fn (string $p): string => (new TileGrid(self::WIDTH, self::HEIGHT))->cut($p)["$column,$row"] ??
                        str_repeat("\0", 65536),
                    $planes,
                ),
            );
            $tiles[] = new TileChange($pass->layer($id), $column, $row, null, $bytes);
        }
        $this->source->store(new Change($tiles, []));
    }

    private function stack(): PageStack
    {
        return (new StackBuilder)->build(new Sheet($this->source), $this->palette);
    }

    private function tint(
        int $colour,
        int $figure,
        Scope $scope,
        float $order = 1.0,
        ?string $group = null,
        BlendMode $mode = BlendMode::Multiply,
    ): PassSpec {
        return new PassSpec(
            name: "Tint $colour",
            figure: $figure,
            content: new TintContent(Rgb::fromHex(sprintf('%06x', $colour))),
            scope: $scope,
            mode: $mode,
            opacity: 0.7,
            visible: true,
            order: $order,
            group: $group,
        );
    }

    /** @param  list<Layer>  $layers
     * @return list<string|list<string>>
     */
    private function names(array $layers): array
    {
        return array_map(
            fn (Layer $layer): string|array => match (true) {
                $layer instanceof GroupLayer => $this->names($layer->members),
                $layer instanceof PassLayer => $layer->layer->value,
                default => '?',
            },
            $layers,
        );
    }

    public function test_passes_lie_in_their_order_in_the_plane_of_their_figure(): void
    {
        $this->hang('late01', $this->tint(1, 1, Scope::figure(1), 3.0));
        $this->hang('early1', $this->tint(2, 1, Scope::material(2), 1.0));
        $this->hang('mid001', $this->tint(3, 1, Scope::figure(1), 2.0, 'group1'));
        $this->hang('last01', $this->tint(4, 1, Scope::figure(1), 9.0, 'group1'));
        $this->hang('other1', $this->tint(5, 2, Scope::figure(2), 1.0));
        $this->hang('pages1', $this->tint(6, 0, Scope::material(4), 1.0));
        $this->hang('hold01', $this->tint(7, 1, Scope::ink(), 1.0));
        $this->hang('glow01', $this->tint(8, 1, Scope::page(), 1.0));
        $this->put(RecordKind::Group, 'group1', new PassGroup(true, BlendMode::Screen, 0.5));
        $stack = $this->stack();
        self::assertSame([0, 2, 1, 3], [0, ...array_map(fn ($plane): int => $plane->figure, $stack->planes)]);
        self::assertSame(
            [['pass:other1'], ['pass:early1', ['pass:mid001', 'pass:last01'], 'pass:late01'], ['pass:pages1']],
            array_map(fn ($plane): array => $this->names($plane->layers), $stack->planes),
        );
        self::assertSame([['pass:hold01'], ['pass:glow01']], [$this->names($stack->ink), $this->names($stack->above)]);
        self::assertTrue($stack->flatsComeFirst());
        $this->hang('spill1', $this->tint(9, 1, Scope::material(4), 1.5));
        self::assertSame([false, true, false], array_map(fn ($plane): bool => $plane->spills, $this->stack()->planes));
        self::assertSame([0x2, 0x1], [$stack->flats[2]->material, $stack->flats[2]->figure]);
        self::assertArrayNotHasKey(5, $stack->flats);
    }

    public function test_a_figure_the_palette_does_not_know_lies_behind_all(): void
    {
        $this->hang('lost01', $this->tint(1, 77, Scope::figure(77)));
        self::assertSame([77, 2, 1, 3], array_map(fn ($plane): int => $plane->figure, $this->stack()->planes));
    }

    public function test_the_whole_page_is_its_tiles_side_by_side(): void
    {
        $this->hang('shade1', $this->tint(0x5A6A9C, 1, Scope::figure(1)));
        $sheet = new Sheet($this->source);
        $stack = $this->stack();
        $told = [];
        $paint = (new SheetPicture)->compose($sheet, $stack, function (float $share) use (&$told): void {
            $told[] = $share;
        });
        self::assertSame([self::WIDTH, self::HEIGHT, [0.25, 0.5, 0.75, 1.0]], [$paint->width, $paint->height, $told]);
        foreach ([[0, 0], [1, 0], [0, 1], [1, 1]] as [$column, $row]) {
            $pixels = (new Compositor)->compose($stack, new SheetBlock($sheet, $column, $row));
            foreach ([[0, 0], [13, 9], [43, 13]] as [$x, $y]) {
                $at = $y * 256 + $x;
                self::assertSame(
                    [ord($pixels->red[$at]), ord($pixels->green[$at]), ord($pixels->blue[$at]), 255],
                    $paint->at($column * 256 + $x, $row * 256 + $y),
                    "$column,$row $x,$y",
                );
            }
        }
    }

    /** @return iterable<string, array{LineColouring}> */
    public static function lines(): iterable
    {
        yield 'black lines' => [new LineColouring];
        yield 'lines darker than what is beneath' => [new LineColouring(LineRule::Beneath, '#a06030')];
    }

    /** What is taken away as layers is the picture, on every pixel. */
    #[DataProvider('lines')]
    public function test_the_layered_file_composes_to_the_picture(LineColouring $lines): void
    {
        $this->put(RecordKind::Page, PageSize::KEY, new PageSize(self::WIDTH, self::HEIGHT, 300, lines: $lines));
        $this->hang('shade1', new PassSpec('Shade', 1, new ToneContent(Tone::Shade), Scope::figure(1), opacity: 0.8));
        $this->hang(
            'paint1',
            new PassSpec(
                name: 'Free',
                figure: 1,
                content: new PaintContent,
                scope: Scope::material(3),
                mode: BlendMode::Normal,
                opacity: 0.6,
                order: 2.0,
                group: 'group1',
            ),
        );
        $this->hang('paint2', $this->tint(0x80A0FF, 1, Scope::figure(1), 3.0, 'group1', BlendMode::Screen));
        $this->put(RecordKind::Group, 'group1', new PassGroup(true, BlendMode::HardLight, 0.75));
        $this->hang(
            'masked',
            new PassSpec(
                'Masked',
                2,
                new TintContent(new Rgb(200, 40, 90)),
                Scope::figure(2),
                mask: new PassMask('hidden', true),
                turn: new ColourTurn(0.1, 0.5, 120),
            ),
        );
        $this->hang('hidden', new PassSpec('Hidden', 2, new PaintContent, Scope::figure(2), visible: false));
        $this->hang('hold01', new PassSpec('Hold', 1, new ToneContent(Tone::Line), Scope::ink(), opacity: 0.5));
        $this->hang('glow01', $this->tint(0x604010, 0, Scope::page(), mode: BlendMode::PlusLighter));
        $sheet = new Sheet($this->source);
        $picture = (new SheetPicture)->compose($sheet, $this->stack());
        $path = sys_get_temp_dir().'/awning-picture-'.bin2hex(random_bytes(6)).'.ora';
        (new LayeredExport($sheet, $this->stack(), [1 => 'Oda', 2 => 'Harbour']))->write($path, $picture, 300);
        $file = new OpenRasterFile($path);
        $names = array_map(fn ($node): string => $node->name, $file->root->children);
        self::assertSame(
            [
                'Paper',
                'Harbour flats',
                'Hidden',
                'Masked',
                'Oda flats',
                'Shade',
                'Group',
                'Figure 3 flats',
                'Ink',
                'Tint 6307856',
            ],
            $names,
        );
        self::assertFalse($file->root->children[2]->visible);
        $layers = (new OpenRasterRenderer($file))->render();
        unlink($path);
        $worst = 0;
        foreach (['red', 'green', 'blue'] as $channel) {
            for ($i = 0, $count = self::WIDTH * self::HEIGHT; $i < $count; $i++) {
                $worst = max($worst, abs(ord($layers->$channel[$i]) - ord($picture->$channel[$i])));
            }
        }
        self::assertLessThanOrEqual(2, $worst);
    }

    public function test_a_tint_that_follows_the_light_has_its_colour_and_others_their_own(): void
    {
        $tint = fn (?LightPart $follows): PassSpec => new PassSpec(
            'A tint',
            1,
            new TintContent(new Rgb(1, 2, 3), $follows),
            Scope::figure(1),
        );
        $lights = new LightColours(new Rgb(200, 150, 90), new Rgb(40, 60, 120));
        foreach ([...LightPart::cases(), null] as $i => $part) {
            $this->hang("tint00$i", $tint($part));
            self::assertEquals($tint($part), PassSpec::fromData(new \Awning\Core\Page\Data($tint($part)->toData())));
        }
        $colours = function (?LightColours $light): array {
            $stack = (new StackBuilder)->build(
                new Sheet($this->source),
                new Palette($this->palette->materials, $this->palette->figureOf, $this->palette->depths, light: $light),
            );
            $plane = array_values(array_filter($stack->planes, fn ($plane): bool => $plane->figure === 1))[0];

            return array_map(
                fn (Layer $layer): string => $layer instanceof PassLayer && $layer->spec->content instanceof TintContent
                    ? $layer->spec->content->colour->hex()
                    : '',
                $plane->layers,
            );
        };
        self::assertSame(
            ['#c8965a', '#283c78', $lights->of(LightPart::Opposite)?->hex(), '#010203', '#010203'],
            $colours($lights),
        );
        self::assertSame(array_fill(0, 5, '#010203'), $colours(null), 'without a light each has its own');
    }

    public function test_a_mood_brings_a_light_plan_and_a_variant_where_a_region_is_told_nothing_else(): void
    {
        $ramp = fn (int $colour): array => ['base' => $colour];
        $palette = new Palette(
            [4 => $ramp(0x111111), 5 => $ramp(0x222222)],
            [4 => 1, 5 => 1],
            [1],
            variants: [0 => [4 => $ramp(0x333333)], 7 => [4 => $ramp(0x444444)]],
            lights: [31 => new LightColours(new Rgb(9, 8, 7), new Rgb(6, 5, 4))],
            under: [
                31 => new Palette(
                    [4 => $ramp(0x555555), 5 => $ramp(0x666666)],
                    variants: [7 => [4 => $ramp(0x777777)]],
                ),
            ],
        );
        $region = function (
            int $label,
            int $material,
            ?int $variant = null,
            ?int $plan = null,
            ?Brought $mood = null,
        ): RecordChange {
            $made = new Region(1, $material, 9, 1, 1, variant: $variant, plan: $plan, mood: $mood);

            return new RecordChange(RecordKind::Region, (string) $label, null, $made);
        };
        $shownOf = function (array $brought, array $regions) use ($palette): array {
            $size = (new PageSize(40, 40))->showing('Dusk', ...$brought);
            $source = new MemorySource;
            $source->store(
                new Change([], [new RecordChange(RecordKind::Page, PageSize::KEY, null, $size), ...$regions]),
            );
            $flats = (new StackBuilder)->build(new Sheet($source), $palette)->flats;

            return array_values(
                array_map(fn (Flat $flat): array => [$flat->tones['base'], $flat->light !== []], $flats),
            );
        };
        $shown = fn (?int $plan, ?int $variant): array => $shownOf(
            [$plan, $variant],
            [$region(1, 4), $region(2, 5), $region(3, 4, variant: 0), $region(4, 4, plan: 32)],
        );
        [$here, $there] = [false, true];
        $inOwnMood = function (?int $plan, ?int $variant) use ($shownOf, $region): array {
            $mood = new Brought($plan, $variant);

            return $shownOf(
                [31, 7],
                [$region(1, 4, mood: $mood), $region(2, 4, 0, mood: $mood), $region(3, 4, plan: 31, mood: $mood)],
            );
        };
        self::assertSame(
            [[0x111111, $here], [0x333333, $here], [0x555555, $there]],
            $inOwnMood(null, null),
            'what the mood of the page brings is not for regions in one of their own',
        );
        self::assertSame(
            [[0x555555, $there], [0x555555, $there], [0x555555, $there]],
            $inOwnMood(31, null),
            'it counts before the plan that a region was told, as on the page',
        );
        self::assertSame(
            [[0x444444, $here], [0x444444, $here], [0x777777, $there]],
            $inOwnMood(null, 7),
        );
        self::assertSame(
            [[0x111111, $here], [0x222222, $here], [0x333333, $here], [0x111111, $here]],
            $shown(null, null),
        );
        self::assertSame(
            [[0x555555, $there], [0x666666, $there], [0x555555, $there], [0x111111, $here]],
            $shown(31, null),
        );
        self::assertSame(
            [[0x444444, $here], [0x222222, $here], [0x333333, $here], [0x444444, $here]],
            $shown(null, 7),
        );
        self::assertSame(
            [[0x777777, $there], [0x666666, $there], [0x555555, $there], [0x444444, $here]],
            $shown(31, 7),
        );
    }

    public function test_a_page_keeps_what_its_mood_brings_and_only_a_mood_brings_anything(): void
    {
        $page = (new PageSize(400, 300, 300.0))->showing('Dusk', 31, 7);
        $others = [$page->with(true), $page->sized(800, 600, 600.0, false), $page->reduced(1)];
        foreach ([...$others, $page->coloured(new LineColouring)] as $other) {
            self::assertSame(['Dusk', 31, 7], [$other->mood, $other->moodPlan, $other->moodVariant]);
            self::assertEquals($other, PageSize::fromData(new Data($other->toData())));
        }
        self::assertSame([200, 150], [$page->reduced(1)->width, $page->reduced(1)->height]);
        self::assertEquals(new PageSize(400, 300, 300.0), $page->showing(''), 'with the mood goes what it brought');
        $this->expectException(\InvalidArgumentException::class);
        new PageSize(400, 300, moodVariant: 7);
    }

    public function test_a_tint_that_follows_the_light_follows_that_of_a_panel_there(): void
    {
        $plain = new Palette([4 => ['base' => 1], 5 => ['base' => 2]], [4 => 1, 5 => 1], [1]);
        $panel = new LightColours(new Rgb(90, 120, 230), new Rgb(20, 30, 80));
        $palette = new Palette(
            $plain->materials,
            $plain->figureOf,
            [1],
            light: new LightColours(new Rgb(200, 150, 90), new Rgb(40, 60, 120)),
            lights: [31 => $panel],
        );
        $region = fn (int $label, int $material, ?int $stands): RecordChange => new RecordChange(
            RecordKind::Region,
            (string) $label,
            null,
            new Region(1, $material, 9, 1, 1, plan: $stands),
        );
        $source = new MemorySource;
        $source->store(new Change([], [$region(1, 4, null), $region(2, 4, 31), $region(3, 5, 31), $region(4, 4, 32)]));
        $flats = new FlatSpans(
            [[0, 2, 1], [2, 5, 2], [5, 6, 3], [6, 8, 7], [8, 9, 4]],
            (new StackBuilder)->build(new Sheet($source), $palette)->flats,
            9,
        );
        $follows = fn (LightPart $part, Rgb $colour): TintContent => new TintContent($colour, $part);
        $page = new Rgb(1, 2, 3);
        // Of what is no colour of the panel's light, and where there is no such plan, the tint's own.
        self::assertSame(
            [[0, 2, 0x010203], [2, 6, 0x5A78E6], [6, 9, 0x010203]],
            $flats->inside(Scope::page(), $follows(LightPart::Light, $page)),
        );
        self::assertSame(
            [[0, 2, 0x010203], [2, 6, 0x141E50], [6, 9, 0x010203]],
            $flats->inside(Scope::ink(), $follows(LightPart::Around, $page)),
        );
        self::assertSame(
            [[0, 2, 0x010203], [2, 5, $panel->of(LightPart::Opposite)?->number()], [8, 9, 0x010203]],
            $flats->inside(Scope::material(4), $follows(LightPart::Opposite, $page)),
        );
        self::assertSame([[0, 9, 0x010203]], $flats->inside(Scope::page(), $follows(LightPart::Given, $page)));
        self::assertSame([[0, 9, 0x010203]], $flats->inside(Scope::page(), new TintContent($page)));
    }

    public function test_every_tone_has_a_pass_and_what_can_be_hung_is_a_pass(): void
    {
        $rules = PassRules::toData();
        self::assertSame(
            ['deep', 'shade', 'base', 'light', 'glint', 'line', 'more-1', 'more-2', 'more-3', 'more-4'],
            array_column($rules['tones'], 'tone'),
        );
        self::assertSame(
            ['figure', 'figure', 'figure', 'figure', 'figure', 'ink', 'material', 'material', 'material', 'material'],
            array_column($rules['tones'], 'scope'),
        );
        self::assertSame(
            ['Deep shade', 'Shade', 'Base', 'Light', 'Glint', 'Line colour', ...array_fill(0, 4, 'Named tone')],
            array_column($rules['tones'], 'name'),
        );
        foreach ($rules['hangable'] as $entry) {
            $pass = PassSpec::fromData(
                new \Awning\Core\Page\Data(
                    $entry['pass'] + ['figure' => 3, 'scope' => ['kind' => $entry['scopes'][0], 'id' => 3]],
                ),
            );
            self::assertSame($entry['pass']['name'], $pass->name);
        }
        self::assertSame(
            [null, null, 'opposite', ...array_fill(0, 31, null)],
            array_map(fn (array $entry): ?string => $entry['pass']['content']['follows'] ?? null, $rules['hangable']),
        );
        $modes = array_column(array_column($rules['hangable'], 'pass'), 'mode', 'name');
        self::assertSame(
            ['multiply', 'multiply', 'multiply', 'screen', 'screen', 'plus-lighter', 'normal', 'soft-light', 'multiply'],
            array_slice(array_values($modes), 0, 9),
        );
        self::assertSame(
            ['Light shafts', 'Lightning', 'Bright glow'],
            array_keys(array_slice($modes, 9), 'screen', true),
            'all others replace or cover what lies beneath',
        );
        self::assertCount(count($rules['hangable']), $modes, 'no two have one name');
        self::assertSame(
            ['Light and shade' => 7, 'Colour' => 3, 'Adjust what lies beneath' => 4, 'Weather' => 17, 'Blur, glow and heat' => 3],
            array_count_values(array_column($rules['hangable'], 'group')),
        );
        self::assertEquals(Scope::figure(8), PassRules::forTone(Tone::Glint, 8, 1)->scope);
    }

    public function test_a_stack_through_a_layer_ends_with_it(): void
    {
        $layer = fn (string $id, Scope $scope): PassLayer => LayerKinds::layer(
            $id,
            new PassSpec($id, 1, new TintContent(new Rgb(9, 9, 9)), $scope),
        );
        [$behind, $first, $second, $third] = [
            $layer('behind', Scope::figure(1)),
            $layer('first', Scope::figure(1)),
            $layer('second', Scope::figure(1)),
            $layer('third', Scope::figure(1)),
        ];
        $above = array_map(fn (int $i): PassLayer => $layer("above$i", Scope::page()), [1, 2, 3]);
        $stack = new PageStack(
            flats: [],
            planes: [new DepthPlane(1, [$first, $second, $third], [$behind]), new DepthPlane(2, [])],
            above: $above,
        );
        $lies = fn (PageStack $one): array => [
            array_map(fn (DepthPlane $plane): array => [count($plane->behind), count($plane->layers)], $one->planes),
            count($one->above),
            $one->showInk,
        ];
        self::assertSame([[[1, 2]], 0, false], $lies($stack->through($second)));
        self::assertSame([[[1, 1]], 0, false], $lies($stack->through($first)));
        self::assertSame([[[1, 0]], 0, false], $lies($stack->through($behind)));
        self::assertSame([[[1, 3], [0, 0]], 2, true], $lies($stack->through($above[1])));
        $this->expectException(\LogicException::class);
        $stack->through($layer('stranger', Scope::page()));
    }
}

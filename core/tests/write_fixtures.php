<?php

declare(strict_types=1);

/*
 * Writes what the browser's compositor and stroke preview must meet: small pages with their layers and the core's exact
 * picture, and strokes with the core's coverage. Run before the front-end tests; the argument is the folder.
 */

use Awning\Core\Brush\BroughtTip;
use Awning\Core\Brush\Brush;
use Awning\Core\Brush\BrushBox;
use Awning\Core\Brush\Grain;
use Awning\Core\Brush\Path;
use Awning\Core\Brush\PressureCurve;
use Awning\Core\Brush\Puller;
use Awning\Core\Brush\StrokeDrawing;
use Awning\Core\Brush\StrokeMask;
use Awning\Core\Brush\Tip;
use Awning\Core\Brush\TipKind;
use Awning\Core\Colour\Channel;
use Awning\Core\Colour\Difference;
use Awning\Core\Colour\GradientStop;
use Awning\Core\Colour\Lab;
use Awning\Core\Colour\Oklch;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\SoftRange;
use Awning\Core\Colour\Tone;
use Awning\Core\Compose\Blend\StrokeLaying;
use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Compose\Compositor;
use Awning\Core\Light\Emission\KeyLight;
use Awning\Core\Light\Plan\LightColours;
use Awning\Core\Light\Plan\RoughDials;
use Awning\Core\Light\RoughIn;
use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\LineColouring;
use Awning\Core\Page\Drawing\LineRule;
use Awning\Core\Page\Mood\Brought;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\BalanceContent;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Page\Pass\CloudsContent;
use Awning\Core\Page\Pass\ColourTurn;
use Awning\Core\Page\Pass\CurveContent;
use Awning\Core\Page\Pass\GlowContent;
use Awning\Core\Page\Pass\GradientContent;
use Awning\Core\Page\Pass\LevelsContent;
use Awning\Core\Page\Pass\LightningContent;
use Awning\Core\Page\Pass\LightPart;
use Awning\Core\Page\Pass\MistContent;
use Awning\Core\Page\Pass\PaintContent;
use Awning\Core\Page\Pass\ParticleForm;
use Awning\Core\Page\Pass\ParticlesContent;
use Awning\Core\Page\Pass\PassGroup;
use Awning\Core\Page\Pass\PassMask;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Pass\ShaftsContent;
use Awning\Core\Page\Pass\ShiftContent;
use Awning\Core\Page\Pass\ShimmerContent;
use Awning\Core\Page\Pass\SoftnessContent;
use Awning\Core\Page\Pass\Surroundings;
use Awning\Core\Page\Pass\TintContent;
use Awning\Core\Page\Pass\ToneContent;
use Awning\Core\Page\Pass\WashContent;
use Awning\Core\Page\RecordKind;
use Awning\Core\Page\Region\ColourShift;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Rect;
use Awning\Core\Select\Ramp;
use Awning\Core\Select\RampForm;
use Awning\Core\Sheet\Export\StackBuilder;
use Awning\Core\Sheet\Ops\Paint\Stroke;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Change;
use Awning\Core\Sheet\State\MemorySource;
use Awning\Core\Sheet\State\Palette;
use Awning\Core\Sheet\State\RecordChange;
use Awning\Core\Tests\PageBlock;

require __DIR__.'/../../vendor/autoload.php';

const COUNT = 96;
/** How wide a block is whose edges are soft. */
const WIDE = 16;
/** figure => materials. Ids of figures and materials overlap and belong crosswise: mixing them up shows. */
const CAST = [1 => [2, 3], 2 => [1], 3 => [4]];
/** figure => depth; 2 is farthest. */
const DEPTHS = [1 => 5, 2 => 1, 3 => 9];

mt_srand(4711);

function noise(int $count): string
{
    return implode('', array_map(fn (): string => chr(mt_rand(0, 255)), range(1, $count)));
}

function coverage(): string
{
    $out = '';
    while (strlen($out) < COUNT) {
        $out .= match (mt_rand(0, 2)) {
            0 => str_repeat("\0", mt_rand(1, 9)),
            1 => str_repeat("\xff", mt_rand(1, 9)),
            default => noise(mt_rand(1, 20)),
        };
    }

    return substr($out, 0, COUNT);
}

/** @return array<int, array<string, int>> */
function tones(): array
{
    $tones = [];
    foreach (array_merge(...array_values(CAST)) as $material) {
        foreach (Tone::cases() as $tone) {
            $tones[$material][$tone->value] = mt_rand(0, 0xFFFFFF);
        }
    }

    return $tones;
}

$tones = tones();
$figureOf = [];
foreach (CAST as $figure => $materials) {
    foreach ($materials as $material) {
        $figureOf[$material] = $figure;
    }
}
// Variants by number: one says something of two materials, one of another; 0 is the palette itself where a page wears
// one.
$dressed = tones();
$variants = [0 => [4 => $dressed[1]], 7 => [2 => $dressed[2], 3 => $dressed[4]], 12 => [3 => $dressed[3]]];
$panelLights = new LightColours(new Rgb(0x40, 0x70, 0xE0), new Rgb(0x18, 0x24, 0x50));
$lights = new LightColours(new Rgb(0xFF, 0xB0, 0x50), new Rgb(0x30, 0x60, 0x90));
// Under a light plan of their own two materials look otherwise, one of them in a variant, too.
$lit = array_map(fn (array $ramp): array => array_map(fn (int $colour): int => $colour ^ 0x2B4D1F, $ramp), $tones);
$litVariants = [7 => [2 => $lit[3]]];
$palette = new Palette(
    materials: $tones,
    figureOf: $figureOf,
    depths: [2, 1, 3],
    variants: $variants,
    light: $lights,
    lights: [31 => $panelLights, 44 => new LightColours(new Rgb(9, 8, 7), new Rgb(6, 5, 4))],
    under: [31 => new Palette([1 => $lit[1], 2 => $lit[2]] + $tones, variants: $litVariants)],
);

/**
 * @param  array<string, PassSpec>  $passes
 * @param  array<string, PassGroup>  $groups
 * @param  array<int, ColourShift>  $shifts  by label
 * @param  array<int, int>  $wearing  variant by label
 * @param  list<int>  $soft  figures with a soft outer edge: the page is a block of WIDE pixels' width then, with what
 *     lies about it
 * @param  array<int, int>  $standing  light plan by label
 * @param  array{?int, ?int}  $brought  light plan and variant that the page's mood brings
 * @param  array<int, Brought>  $inMood  what moods of their own bring, by label
 * @return array<string, mixed>
 */
function page(
    string $name,
    array $passes,
    array $groups = [],
    ?LineColouring $lines = null,
    array $shifts = [],
    array $wearing = [],
    array $soft = [],
    array $standing = [],
    array $brought = [null, null],
    array $inMood = [],
): array {
    global $palette, $figureOf;
    $labels = '';
    while (strlen($labels) < 2 * COUNT) {
        $labels .= str_repeat("\0".chr(mt_rand(0, 5)), mt_rand(2, 14));
    }
    $labels = substr($labels, 0, 2 * COUNT);
    $around = null;
    $looksAround = array_filter($passes, fn (PassSpec $pass): bool => $pass->content->kind()->looksAround()) !== [];
    $isWide = $soft !== [] || $looksAround;
    // Lengths in parts of the page need one.
    $isMeasured = array_filter($passes, fn (PassSpec $pass): bool => isMeasured($pass)) !== [];
    if ($isWide) {
        $around = aroundLabels();
        $labels = Bytes::crop($around, WIDE + 2, intdiv(COUNT, WIDE) + 2, new Rect(1, 1, WIDE, intdiv(COUNT, WIDE)), 2);
        $around = $looksAround ? heldAround($labels) : $around;
    }
    $records = [];
    foreach ([1 => 2, 2 => 1, 3 => 3, 4 => 4] as $label => $material) {
        $records[] = new RecordChange(
            RecordKind::Region,
            (string) $label,
            null,
            new Region(
                figure: $figureOf[$material],
                material: $material,
                area: 9,
                x: 1,
                y: 1,
                shift: isset($shifts[$label]) ? "shift0$label" : null,
                variant: $wearing[$label] ?? null,
                plan: $standing[$label] ?? null,
                mood: $inMood[$label] ?? null,
            ),
        );
    }
    $records[] = new RecordChange(RecordKind::Region, '5', null, new Region(0, 0, 9, 1, 1));
    $layers = ['flats' => $labels, 'ink' => coverage()];
    $cover = ['ink' => $layers['ink']];
    $paint = [];
    foreach ($passes as $id => $pass) {
        $records[] = new RecordChange(RecordKind::Pass, $id, null, $pass);
        $layer = $pass->layer($id)->value;
        if (! $pass->content->kind()->isPainted()) {
            continue;
        }
        if ($pass->isPaint()) {
            $planes = [noise(COUNT), noise(COUNT), noise(COUNT), coverage()];
            $paint[$layer] = new Pixels(COUNT, ...$planes);
            $layers[$layer] = implode('', $planes);
        } else {
            $cover[$layer] = $layers[$layer] = coverage();
        }
    }
    foreach ($groups as $id => $group) {
        $records[] = new RecordChange(RecordKind::Group, $id, null, $group);
    }
    foreach ($shifts as $label => $shift) {
        $records[] = new RecordChange(RecordKind::Shift, "shift0$label", null, $shift);
    }
    $size = match (true) {
        $lines !== null => new PageSize(COUNT, 1, lines: $lines),
        $brought !== [null, null] => (new PageSize(COUNT, 1))->showing('Dusk', ...$brought),
        $isMeasured => new PageSize(300, 200),
        default => null,
    };
    if ($size !== null) {
        $records[] = new RecordChange(RecordKind::Page, 'page', null, $size);
    }
    $source = new MemorySource;
    $source->store(new Change([], $records));
    $stack = (new StackBuilder)->build(
        new Sheet($source),
        new Palette(
            materials: $palette->materials,
            figureOf: $palette->figureOf,
            depths: $palette->depths,
            variants: $palette->variants,
            soft: array_fill_keys($soft, true),
            light: $palette->light,
            lights: $palette->lights,
            under: $palette->under,
        ),
    );
    static $compositor;
    $compositor ??= new Compositor;
    $result = $compositor->compose(
        $stack,
        new PageBlock(
            $isWide ? new Rect(0, 0, WIDE, intdiv(COUNT, WIDE)) : new Rect(0, 0, COUNT, 1),
            $labels,
            $cover,
            $paint,
            $around,
        ),
    );
    $data = [
        'page' => new stdClass,
        'region' => [],
        'bridge' => new stdClass,
        'pass' => new stdClass,
        'group' => new stdClass,
        'drawing' => new stdClass,
        'stroke' => new stdClass,
        'shift' => new stdClass,
    ];
    foreach ($records as $record) {
        $kind = (array) $data[$record->kind->value];
        $kind[$record->key] = $record->after?->toData();
        $data[$record->kind->value] = (object) $kind;
    }

    return [
        'name' => $name,
        'records' => $data,
        'width' => $isWide ? WIDE : COUNT,
        'soft' => $soft,
        'layers' => array_map(base64_encode(...), $layers + ($around === null ? [] : ['flats around' => $around])),
        'expected' => base64_encode($result->red.$result->green.$result->blue),
    ];
}

/**
 * The labels of a block and of a pixel on every side, each like the pixel next to it: beside a page there is nothing
 * else.
 */
function heldAround(string $labels): string
{
    $rows = array_map(
        fn (string $row): string => substr($row, 0, 2).$row.substr($row, -2),
        str_split($labels, 2 * WIDE),
    );

    return $rows[0].implode('', $rows).$rows[count($rows) - 1];
}

/** Patches of labels, a few pixels wide and high, of a block and a pixel on every side. */
function aroundLabels(): string
{
    $labels = '';
    for ($y = 0; $y < intdiv(COUNT, WIDE) + 2; $y++) {
        $last = substr($labels, -2 * (WIDE + 2));
        for ($x = 0; $x < WIDE + 2; $x++) {
            $labels .= match (mt_rand(0, 5)) {
                0 => "\0".chr(mt_rand(0, 5)),
                1, 2, 3 => $y > 0 ? substr($last, 2 * $x, 2) : "\0\1",
                default => $x > 0 ? substr($labels, -2) : "\0\2",
            };
        }
    }

    return $labels;
}

/** Kinds that fill all they reach, beside levels and mist. */
const FILLING = ['wash', 'gradient', 'curve', 'shift', 'balance'];

/** Those that are computed from the place and a seed. */
const WEATHER = ['mist', 'particles', 'lightning', 'shafts'];

/** Those that look at the pixels about each one. */
const OPTICS = ['softness', 'glow', 'shimmer'];

function isMeasured(PassSpec $pass): bool
{
    return in_array($pass->content->kind()->value, [...WEATHER, ...OPTICS, 'clouds'], true);
}

function chance(): Rgb
{
    return new Rgb(mt_rand(0, 255), mt_rand(0, 255), mt_rand(0, 255));
}

function channel(): Channel
{
    return Channel::cases()[mt_rand(0, 3)];
}

function spec(
    string $kind,
    Scope $scope,
    BlendMode $mode = BlendMode::Normal,
    float $opacity = 1.0,
    int $figure = 1,
    float $order = 1.0,
    ?string $group = null,
    bool $visible = true,
    ?PassMask $mask = null,
    ?ColourTurn $turn = null,
): PassSpec {
    $content = match ($kind) {
        'tone' => new ToneContent(Tone::cases()[mt_rand(0, 9)]),
        'tint' => new TintContent(new Rgb(mt_rand(0, 255), mt_rand(0, 255), mt_rand(0, 255))),
        'levels' => new LevelsContent(
            black: mt_rand(0, 40) / 100,
            white: mt_rand(55, 100) / 100,
            middle: mt_rand(30, 250) / 100,
            low: mt_rand(0, 2) === 0 ? mt_rand(0, 100) / 100 : 0.0,
            high: mt_rand(0, 2) === 0 ? mt_rand(0, 100) / 100 : 1.0,
            channel: channel(),
        ),
        // Labels are 1..5; the last is unfilled.
        'wash' => new WashContent(
            chance(),
            mt_rand(0, 2) === 0
                ? new Surroundings([mt_rand(1, 3) => mt_rand(1, 900), 4 => mt_rand(1, 900), 5 => 500, 77 => 9])
                : null,
        ),
        'gradient' => new GradientContent(
            isRound: mt_rand(0, 1) === 1,
            isOklab: mt_rand(0, 1) === 1,
            from: [mt_rand(-20, 120) / 100, mt_rand(-20, 50) / 100],
            to: [mt_rand(-20, 120) / 100, mt_rand(51, 130) / 100],
            stops: array_map(
                fn (int $i): GradientStop => new GradientStop($i / 4, chance(), mt_rand(0, 4) / 4),
                mt_rand(0, 1) === 1 ? [0, 4] : [1, 1, 2, 3],
            ),
        ),
        'curve' => new CurveContent(
            array_map(
                fn (float $at): array => [$at, mt_rand(0, 100) / 100],
                [[0.0, 1.0], [0.1, 0.4, 0.9], [0.0, 0.2, 0.25, 0.7, 1.0]][mt_rand(0, 2)],
            ),
            channel(),
        ),
        'shift' => new ShiftContent(
            lightness: mt_rand(-40, 40) / 100,
            chroma: mt_rand(0, 200) / 100,
            hue: mt_rand(-180, 180),
            hues: mt_rand(0, 1) === 0 ? null : new SoftRange(mt_rand(0, 360), mt_rand(0, 360), mt_rand(0, 60)),
            tones: mt_rand(0, 1) === 0 ? null : new SoftRange(mt_rand(0, 40) / 100, mt_rand(41, 100) / 100, 0.2),
        ),
        'balance' => new BalanceContent(
            ...array_map(
                fn (): array => array_map(fn (): float => mt_rand(-60, 60) / 100, [0, 1, 2]),
                ['darks' => 0, 'middle' => 0, 'lights' => 0],
            ),
        ),
        'mist' => new MistContent(
            new Rgb(mt_rand(0, 255), mt_rand(0, 255), mt_rand(0, 255)),
            mt_rand(8, 60),
            mt_rand(20, 100) / 100,
            mt_rand(0, 65535),
            mt_rand(0, 2) / 2,
            mt_rand(-50, 60) / 100,
            mt_rand(50, 150) / 100,
            mt_rand(0, 2) / 4,
        ),
        'particles' => new ParticlesContent(
            colour: chance(),
            form: ParticleForm::cases()[mt_rand(0, 3)],
            spacing: mt_rand(10, 200),
            size: mt_rand(10, 600) / 10,
            length: mt_rand(0, 1) * mt_rand(0, 300),
            angle: mt_rand(-180, 180),
            spread: mt_rand(0, 100) / 100,
            softness: mt_rand(0, 100) / 100,
            variety: mt_rand(0, 100) / 100,
            near: mt_rand(0, 100) / 100,
            middle: mt_rand(0, 100) / 100,
            far: mt_rand(0, 2) / 2,
            outline: mt_rand(0, 1) * mt_rand(1, 50) / 10,
            outlineColour: chance(),
            seed: mt_rand(0, 65535),
        ),
        'clouds' => new CloudsContent(
            colour: chance(),
            shade: chance(),
            heaps: array_map(
                fn (int $i): array => [
                    mt_rand(-20, 10) / 100,
                    mt_rand(-20, 20) / 100,
                    mt_rand(40, 120) / 100 / $i,
                    mt_rand(50, 110) / 100 / $i,
                ],
                range(1, mt_rand(1, 3)),
            ),
            lumps: mt_rand(40, 1200) / 10,
            fullness: mt_rand(0, 100) / 100,
            softness: mt_rand(0, 100) / 100,
            contrast: mt_rand(0, 100) / 100,
            light: mt_rand(-180, 180),
            height: mt_rand(-90, 90),
            seed: mt_rand(0, 65535),
        ),
        'lightning' => new LightningContent(
            colour: chance(),
            from: [mt_rand(-20, 120) / 100, mt_rand(-20, 30) / 100],
            to: [mt_rand(-20, 120) / 100, mt_rand(31, 130) / 100],
            width: mt_rand(2, 300) / 10,
            jag: mt_rand(0, 100) / 100,
            branches: mt_rand(0, 12),
            glow: mt_rand(0, 1) * mt_rand(1, 60),
            seed: mt_rand(0, 65535),
        ),
        'shafts' => new ShaftsContent(
            colour: chance(),
            from: [mt_rand(-20, 120) / 100, mt_rand(-20, 60) / 100],
            to: [mt_rand(-20, 120) / 100, mt_rand(61, 150) / 100],
            spread: mt_rand(20, 1800) / 10,
            count: mt_rand(1, 60),
            softness: mt_rand(0, 100) / 100,
            variety: mt_rand(0, 100) / 100,
            seed: mt_rand(0, 65535),
        ),
        'glow' => new GlowContent(mt_rand(0, 80) / 100, mt_rand(5, 300) / 10),
        'shimmer' => new ShimmerContent(
            mt_rand(0, 100) / 10,
            mt_rand(20, 2000) / 10,
            mt_rand(-180, 180),
            mt_rand(0, 65535),
        ),
        'softness' => new SoftnessContent(mt_rand(5, 60) / 10),
        default => new PaintContent,
    };

    return new PassSpec(
        name: 'A pass',
        figure: $figure,
        content: $content,
        scope: $scope,
        mode: $mode,
        opacity: $opacity,
        visible: $visible,
        order: $order,
        group: $group,
        mask: $mask,
        turn: $turn,
    );
}

$pages = [];
$kinds = ['tone', 'tint', 'paint'];
foreach (BlendMode::cases() as $number => $mode) {
    foreach (
        [
            'page' => Scope::page(),
            'ink' => Scope::ink(),
            'figure 1' => Scope::figure(1),
            'figure 2' => Scope::figure(2),
            'material 1' => Scope::material(1),
            'material 2' => Scope::material(2),
        ] as $where => $scope
    ) {
        foreach ($kinds as $kind) {
            $opacity = [1.0, 0.62, 0.35][($number + strlen($where)) % 3];
            $pages[] = page("$kind, $mode->value, $where, $opacity", [
                'pass01' => spec($kind, $scope, $mode, $opacity, str_contains($where, '2') ? 2 : 1),
            ]);
        }
    }
}
foreach (BlendMode::cases() as $number => $mode) {
    foreach ([
        [true, $mode, 1.0],
        [true, $mode, 0.45],
        [false, BlendMode::Normal, 1.0 - 0.05 * $number],
    ] as [$isolated, $groupMode, $opacity]) {
        $members = [
            'pass01' => spec('tone', Scope::figure(1), order: 2.0, group: 'group01'),
            'pass02' => spec('tint', Scope::figure(1), $mode, 0.7, order: 3.0, group: 'group01'),
            'pass03' => spec('paint', Scope::material(2), BlendMode::Screen, 0.5, order: 5.0, group: 'group01'),
        ];
        $pages[] = page(
            ($isolated ? 'isolated ' : 'open ')."group, $groupMode->value at $opacity around $mode->value",
            [
                'pass04' => spec('tint', Scope::figure(1), order: 4.0),
                'pass00' => spec('paint', Scope::figure(1), order: 1.0),
            ] + $members,
            ['group01' => new PassGroup($isolated, $groupMode, $opacity)],
        );
    }
}
$pages[] = page('rolled up', [
    'pass01' => spec('tint', Scope::page(), visible: false),
    'pass02' => spec('tint', Scope::figure(3), figure: 3),
]);
$pages[] = page('equal orders go by id', [
    'passb1' => spec('tint', Scope::figure(1)),
    'passa1' => spec('paint', Scope::figure(1)),
]);
$pages[] = page('a clip of a nearer figure', [
    'pass01' => spec('tint', Scope::figure(3), figure: 2),
    'pass02' => spec('tone', Scope::figure(3), opacity: 0.5, figure: 3),
]);
$pages[] = page('a clip of a farther figure', ['pass01' => spec('tint', Scope::material(1), figure: 1)]);
$pages[] = page('the page\'s own pass in a figure', [
    'pass01' => spec('tint', Scope::material(4), BlendMode::Multiply, figure: 0),
    'pass02' => spec('tint', Scope::page(), BlendMode::Overlay, figure: 0),
]);
$pages[] = page('holds over holds', [
    'pass01' => spec('tone', Scope::ink(), order: 1.0),
    'pass02' => spec('tint', Scope::ink(), BlendMode::Multiply, 0.5, order: 2.0),
]);
foreach (
    [
        [LineRule::Tone, true],
        [LineRule::Colour, true],
        [LineRule::Black, true],
        [LineRule::Tone, false],
        [LineRule::Beneath, true],
    ] as [$rule, $isShown]
) {
    $lines = new LineColouring($rule, '#c04a7e', $isShown);
    $pages[] = page(
        "lines by $rule->value".($isShown ? '' : ', hidden'),
        ['pass01' => spec('tint', Scope::figure(1), BlendMode::Multiply, 0.6)],
        lines: $lines,
    );
    $pages[] = page(
        "lines by $rule->value".($isShown ? '' : ', hidden').' under a hold',
        ['pass01' => spec('tone', Scope::ink(), opacity: 0.7)],
        lines: $lines,
    );
}
for ($seed = 1; $seed <= 24; $seed++) {
    $shift = fn (int $material): ColourShift => new ColourShift(
        $material,
        new ColourTurn(mt_rand(-50, 50) / 100, mt_rand(0, 200) / 100, mt_rand(-180, 180)),
    );
    $pages[] = page(
        "shifted $seed",
        ['pass01' => spec('tone', Scope::figure(1), opacity: 0.8)],
        shifts: [1 => $shift(2), 3 => $shift(3)],
    );
}
foreach ([[1 => 7, 3 => 12], [1 => 12, 3 => 7, 4 => 0], [1 => 99, 2 => 7, 3 => 7]] as $number => $wearing) {
    $pages[] = page("dressed $number", ['pass01' => spec('tone', Scope::figure(1), opacity: 0.6)], wearing: $wearing);
    $pages[] = page(
        "dressed and shifted $number",
        ['pass01' => spec('tone', Scope::figure(1), opacity: 0.6)],
        shifts: [
            1 => new ColourShift(2, new ColourTurn(0.1, 1.2, 40)),
            3 => new ColourShift(3, new ColourTurn(-0.2, 0.7, -90)),
        ],
        wearing: $wearing,
    );
}
for ($seed = 1; $seed <= 40; $seed++) {
    $passes = [];
    $scopes = [
        [1, Scope::figure(1)],
        [1, Scope::material(2)],
        [1, Scope::material(3)],
        [2, Scope::figure(2)],
        [2, Scope::material(1)],
        [3, Scope::figure(3)],
        [0, Scope::page()],
        [1, Scope::ink()],
    ];
    for ($i = 0, $most = mt_rand(3, 10); $i < $most; $i++) {
        [$figure, $scope] = $scopes[mt_rand(0, count($scopes) - 1)];
        $grouped = $scope->kind->value === 'figure' && $figure === 1 && mt_rand(0, 1) === 1;
        $passes["pass0$i"] = spec(
            $kinds[mt_rand(0, 2)],
            $scope,
            BlendMode::cases()[mt_rand(0, 16)],
            mt_rand(20, 100) / 100,
            $figure,
            (float) mt_rand(0, 6),
            $grouped ? 'group01' : null,
            mt_rand(0, 9) > 0,
        );
    }
    $isGrouped = array_filter($passes, fn (PassSpec $pass): bool => $pass->group !== null) !== [];
    $isolated = mt_rand(0, 2) > 0;
    $pages[] = page(
        "random stack $seed",
        $passes,
        $isGrouped
            ? [
                'group01' => new PassGroup(
                    $isolated,
                    $isolated ? BlendMode::cases()[mt_rand(0, 16)] : BlendMode::Normal,
                    mt_rand(30, 100) / 100,
                ),
            ]
            : [],
    );
}
foreach ($kinds as $kind) {
    foreach ($kinds as $by) {
        foreach ([false, true] as $isOutside) {
            $mask = new PassMask('pass02', $isOutside);
            $turn = $by === 'tint' ? new ColourTurn(-0.1, 1.4, 75) : null;
            $pages[] = page("$kind masked by $by".($isOutside ? ', outside it' : ''), [
                'pass01' => spec($kind, Scope::figure(1), BlendMode::Multiply, 0.8, mask: $mask, turn: $turn),
                'pass02' => spec($by, Scope::material(2), order: 2.0, visible: $isOutside),
            ]);
            $pages[] = page("$kind in another figure masked by $by of the page".($isOutside ? ', outside it' : ''), [
                'pass01' => spec($kind, Scope::figure(2), figure: 2, mask: $mask),
                'pass02' => spec($by, Scope::page(), BlendMode::Screen, 0.4, figure: 0),
            ]);
        }
    }
    $pages[] = page("$kind turned", [
        'pass01' => spec($kind, Scope::figure(1), opacity: 0.9, turn: new ColourTurn(0.12, 0.5, -120)),
    ]);
    $pages[] = page("$kind masked by what is gone, or by itself", [
        'pass01' => spec($kind, Scope::figure(1), mask: new PassMask('gone00')),
        'pass02' => spec($kind, Scope::figure(2), figure: 2, mask: new PassMask('pass02', true)),
    ]);
}
foreach ([[1], [2], [1, 3], [2, 3]] as $soft) {
    $named = implode(' and ', $soft);
    $pages[] = page("soft edges of $named", [], soft: $soft);
    $pages[] = page(
        "soft edges of $named under passes",
        [
            'pass01' => spec('tone', Scope::figure(1), BlendMode::Multiply, 0.8),
            'pass02' => spec('paint', Scope::figure(2), figure: 2),
            'pass03' => spec('tint', Scope::page(), BlendMode::Screen, 0.4, figure: 0),
            'pass04' => spec('tone', Scope::ink(), opacity: 0.7),
        ],
        soft: $soft,
        lines: new LineColouring(LineRule::Tone, '#c04a7e', true),
    );
}
foreach (LightPart::cases() as $part) {
    $tint = new TintContent(new Rgb(9, 8, 7), $part);
    $pages[] = page("a tint that follows: $part->value", [
        'pass01' => new PassSpec(
            name: 'A pass',
            figure: 1,
            content: $tint,
            scope: Scope::figure(1),
            mode: BlendMode::Multiply,
            opacity: 0.7,
            turn: $part === LightPart::Light ? new ColourTurn(-0.1, 1.2, 30) : null,
        ),
        'pass02' => new PassSpec('Above', 0, $tint, Scope::page(), BlendMode::Screen, 0.3),
    ]);
}
$pages[] = page(
    'regions that stand under another light',
    ['pass01' => spec('tone', Scope::page(), BlendMode::Normal, 0.5)],
    shifts: [2 => new ColourShift(1, new ColourTurn(0.1, 1.2, 20))],
    wearing: [1 => 7, 4 => 7],
    standing: [1 => 31, 2 => 31, 3 => 31, 4 => 99],
);
foreach ([LightPart::Light, LightPart::Around, LightPart::Opposite] as $part) {
    $tint = new TintContent(new Rgb(0x77, 0x22, 0x11), $part);
    $pages[] = page(
        "a tint that follows, in a panel: $part->value",
        [
            'pass01' => new PassSpec('A pass', 1, $tint, Scope::figure(1), BlendMode::Multiply, 0.7),
            'pass02' => new PassSpec('A hold', 0, $tint, Scope::ink(), BlendMode::Normal, 0.8),
            'pass03' => new PassSpec(
                name: 'Above',
                figure: 0,
                content: $tint,
                scope: Scope::page(),
                mode: BlendMode::Screen,
                opacity: 0.3,
                turn: new ColourTurn(-0.1, 1.2, 30),
            ),
        ],
        standing: [1 => 31, 3 => 31, 4 => 99],
    );
}

// Kinds that fill all they reach: what alters the picture beneath, what follows from the place, what lies between the
// figures.
foreach (BlendMode::cases() as $number => $mode) {
    foreach (
        [
            'page' => Scope::page(),
            'ink' => Scope::ink(),
            'figure 1' => Scope::figure(1),
            'material 2' => Scope::material(2),
            'behind 1' => Scope::behind(1),
            'behind 3' => Scope::behind(3),
        ] as $where => $scope
    ) {
        foreach (['levels', 'mist', ...FILLING] as $kind) {
            $opacity = [1.0, 0.62, 0.35][($number + strlen($where)) % 3];
            $pages[] = page("$kind, $mode->value, $where, $opacity", [
                'pass01' => spec('tint', Scope::page(), BlendMode::Multiply, 0.7, 0, 0.5),
                'pass02' => spec($kind, $scope, $mode, $opacity, str_contains($where, 'figure') ? 1 : 0, 1.0),
            ]);
        }
    }
}
foreach (['tint', 'paint', 'levels', ...WEATHER, ...FILLING] as $kind) {
    $pages[] = page("$kind behind a figure", [
        'pass01' => spec($kind, Scope::behind(1), opacity: 0.8),
        'pass02' => spec('tone', Scope::figure(2), figure: 2),
    ]);
    $pages[] = page("$kind behind a figure, masked", [
        'pass01' => spec($kind, Scope::behind(3), figure: 0, mask: new PassMask('pass02', $kind === 'mist')),
        'pass02' => spec('tint', Scope::page(), figure: 0, visible: false),
    ]);
    foreach ([
        [true, BlendMode::Multiply, 0.8],
        [true, BlendMode::Normal, 1.0],
        [false, BlendMode::Normal, 0.6],
    ] as [$isolated, $mode, $opacity]) {
        $pages[] = page(
            ($isolated ? 'isolated' : 'open')." group of $kind over a tint at $opacity",
            [
                'pass01' => spec('tint', Scope::figure(1), group: 'group01'),
                'pass02' => spec($kind, Scope::figure(1), order: 2.0, group: 'group01'),
            ],
            ['group01' => new PassGroup($isolated, $mode, $opacity)],
        );
    }
    $pages[] = page(
        "soft edges under $kind",
        [
            'pass01' => spec($kind, Scope::figure(1), opacity: 0.8),
            'pass02' => spec($kind, Scope::page(), figure: 0, opacity: 0.7),
        ],
        soft: [1, 3],
    );
}
foreach (WEATHER as $kind) {
    for ($number = 1; $number <= 12; $number++) {
        $pages[] = page("$kind $number", ['pass01' => spec($kind, Scope::page(), figure: 0)]);
    }
}
foreach ([[[], 'hard'], [[1], 'soft']] as [$soft, $edge]) {
    foreach (
        ['page' => Scope::page(), 'behind 1' => Scope::behind(1), 'behind 3' => Scope::behind(3)] as $where => $scope
    ) {
        foreach ([BlendMode::Normal, BlendMode::Screen, BlendMode::Luminosity] as $mode) {
            foreach (OPTICS as $kind) {
                $pages[] = page(
                    "$kind, $mode->value, $where, $edge edges",
                    [
                        'pass01' => spec('tint', Scope::figure(1), BlendMode::Multiply, 0.6),
                        'pass02' => spec($kind, $scope, $mode, $mode === BlendMode::Screen ? 0.4 : 1.0, 0),
                        'pass03' => spec('levels', Scope::page(), figure: 0, order: 3.0),
                    ],
                    soft: $soft,
                );
            }
        }
    }
    $pages[] = page(
        "softness twice, masked, $edge edges",
        [
            'pass01' => spec('softness', Scope::behind(1), figure: 0, mask: new PassMask('pass04')),
            'pass02' => spec('paint', Scope::figure(3), figure: 3),
            'pass03' => spec('softness', Scope::page(), figure: 0, opacity: 0.6),
            'pass04' => spec('tint', Scope::page(), figure: 0, order: 4.0, visible: false),
            'pass05' => spec('mist', Scope::page(), BlendMode::Screen, 0.7, 0, 5.0),
        ],
        soft: $soft,
    );
}
// What whole numbers cannot lay, under adjustments that cover it in full.
foreach ([['shift', 'curve'], ['shift', 'levels'], ['balance', 'curve']] as [$under, $over]) {
    $pages[] = page("$over over $under over a hue", [
        'pass01' => spec('tint', Scope::page(), BlendMode::Hue, figure: 0),
        'pass02' => spec($under, Scope::page(), figure: 0, order: 2.0),
        'pass03' => spec('wash', Scope::page(), BlendMode::Multiply, 0.5, 0, 3.0),
        'pass04' => spec($over, Scope::page(), figure: 0, order: 4.0),
    ]);
}
// Stacks of everything.
for ($seed = 1; $seed <= 40; $seed++) {
    $passes = [];
    $scopes = [
        [1, Scope::figure(1)],
        [2, Scope::material(1)],
        [3, Scope::figure(3)],
        [0, Scope::page()],
        [0, Scope::behind(1)],
        [0, Scope::behind(3)],
        [1, Scope::ink()],
    ];
    for ($i = 0, $most = mt_rand(3, 8); $i < $most; $i++) {
        [$figure, $scope] = $scopes[mt_rand(0, count($scopes) - 1)];
        $kinds = ['tone', 'tint', 'paint', 'levels', ...WEATHER, ...FILLING, ...OPTICS];
        $last = count($kinds) - 1;
        $looksAnywhere = $scope->kind->isWhole() && $scope->kind->value !== 'ink';
        $kind = $kinds[mt_rand(0, $looksAnywhere ? $last : $last - count(OPTICS))];
        $passes["pass0$i"] = spec(
            $kind,
            $scope,
            BlendMode::cases()[mt_rand(0, 11)],
            mt_rand(20, 100) / 100,
            $figure,
            (float) mt_rand(0, 6),
            visible: mt_rand(0, 9) > 0,
        );
    }
    $pages[] = page("stack of everything $seed", $passes, soft: $seed % 4 === 0 ? [1] : []);
}

$hexes = fn (array $tones): array => array_map(fn (int $colour): string => sprintf('#%06x', $colour), $tones);
$paletteData = [
    'version' => 1,
    'light' => '#ffffff',
    'lightColours' => $lights->toData(),
    'lights' => [['id' => 31, 'name' => 'The kitchen', 'colours' => $panelLights->toData()]],
    'figures' => [],
    'variants' => array_map(
        fn (int $id, array $materials): array => [
            'id' => $id,
            'name' => "Variant $id",
            'materials' => (object) array_map($hexes, $materials),
        ],
        array_keys($variants),
        $variants,
    ),
    'under' => [
        [
            'plan' => 31,
            'materials' => [1 => $hexes($lit[1]), 2 => $hexes($lit[2])],
            'variants' => [['id' => 7, 'name' => 'Variant 7', 'materials' => [2 => $hexes($lit[3])]]],
        ],
    ],
];
foreach (CAST as $figure => $materials) {
    $paletteData['figures'][] = [
        'id' => $figure,
        'name' => "Figure $figure",
        'soft' => false,
        'depth' => DEPTHS[$figure],
        'materials' => array_map(
            fn (int $material): array => [
                'id' => $material,
                'figure' => $figure,
                'name' => "Material $material",
                'version' => 1,
                'pinned' => [],
                'steps' => [],
                'tones' => $hexes($tones[$material]),
            ],
            $materials,
        ),
    ];
}

$strokes = [];
$hand = fn (float $x, float $y, int $points, float $step, callable $pressure): array => array_map(
    fn (int $i): array => [
        round($x + $step * $i, 2),
        round($y + 30 * sin($i / 3) + ($i % 2 === 0 ? 1.5 : -1.5), 2),
        round($pressure($i / max(1, $points - 1)), 3),
    ],
    range(0, $points - 1),
);
foreach ([1.0, 2.5, 11.0, 40.0, 90.0] as $size) {
    foreach ([0.0, 0.4, 1.0] as $hardness) {
        foreach ([0.0, 0.55, 0.9] as $smoothing) {
            $strokes[] = [
                new Brush($size, $hardness, 0.8, $smoothing),
                $hand(180.3, 90.6, 24, 6.5, fn (float $t): float => 0.2 + 0.8 * sin(M_PI * $t)),
            ];
        }
    }
}
// Taps: the pressure comes while the pen stands still; once by itself, once after a way.
foreach ([0.0, 0.7] as $smoothing) {
    $strokes[] = [
        new Brush(40, 1, 1, $smoothing),
        [[100.0, 80.0, 0.05], [100.2, 80.1, 0.6], [100.1, 80.0, 1.0], [100.0, 80.0, 0.1]],
    ];
    $strokes[] = [
        new Brush(40, 0.5, 1, $smoothing),
        [[60.0, 60.0, 0.2], [140.0, 90.0, 0.3], [140.4, 90.2, 0.9], [140.5, 90.2, 0.95]],
    ];
    $strokes[] = [new Brush(30, 1, 1, $smoothing), [[-20.0, 30.0, 1.0], [320.0, 210.0, 1.0]]];
}
// Brushes with tips: some as they lie ready, and one of everything else.
foreach (array_column(BrushBox::all(), null, 'name') as $name => $boxed) {
    if ($boxed['tip'] !== null) {
        $strokes[] = [
            new Brush(min(46, $boxed['size']), $boxed['hardness'], 0.7, 0.3, Tip::fromData(new Data($boxed['tip']))),
            $hand(60.3, 90.6, 22, 8.5, fn (float $t): float => 0.3 + 0.7 * $t),
        ];
    }
}
$leaf = new BroughtTip(
    implode(
        '',
        array_map(
            fn (int $i): string => chr(abs(24 - ($i % 48)) + abs(20 - intdiv($i, 48)) < 14 ? 40 + ($i % 200) : 0),
            range(0, BroughtTip::SIDE ** 2 - 1),
        ),
    ),
);
$strokes[] = [
    new Brush(
        44,
        1,
        0.9,
        0.2,
        new Tip(
            kind: TipKind::Picture,
            seed: 6,
            flow: 0.8,
            spacing: 0.6,
            scatter: 0.3,
            turn: 0.5,
            jitter: 0.4,
            picture: $leaf,
        ),
    ),
    $hand(60.3, 90.6, 22, 8.5, fn (float $t): float => 0.3 + 0.7 * $t),
];
$strokes[] = [
    new Brush(40, 0.5, 1, 0, new Tip(TipKind::Splatter, 77, angle: 20)),
    [[100.0, 80.0, 0.4], [100.1, 80.0, 1.0]],
];
// Curves that bend: of the size, the flow and the opacity, under a hand that presses, lets go and comes back over
// itself.
$bent = new Tip(
    kind: TipKind::Round,
    seed: 3,
    flow: 0.5,
    spacing: 0.08,
    sizeBy: new PressureCurve([0.3, 0.9, 0.8, 0.8, 0.5]),
    flowBy: new PressureCurve([0.1, 0.15, 0.6, 0.9, 1]),
    opacityBy: new PressureCurve([0.9, 0.4, 0.35, 0.7, 1]),
);
$strokes[] = [
    new Brush(38, 0.7, 0.8, 0, $bent),
    [
        ...$hand(60.3, 90.6, 22, 8.5, fn (float $t): float => sin(9 * $t) ** 2),
        ...array_reverse($hand(70.3, 88.6, 22, 8.1, fn (float $t): float => $t)),
    ],
];

$strokeCases = array_map(function (array $case): array {
    [$brush, $points] = $case;
    $mask = (new StrokeDrawing(new Path($points), $brush))->on(new Rect(0, 0, 300, 200));

    return [
        'brush' => Stroke::brushData($brush),
        'points' => $points,
        'bounds' => [$mask->bounds->x, $mask->bounds->y, $mask->bounds->width, $mask->bounds->height],
        'coverage' => base64_encode($mask->data),
    ];
}, $strokes);

$layings = [];
$laying = new StrokeLaying;
$count = 400;
foreach ([1.0, 0.8, 0.31] as $opacity) {
    $stroke = noise($count);
    $before = noise($count);
    $layings[] = [
        'opacity' => $opacity,
        'erase' => false,
        'paint' => null,
        'stroke' => base64_encode($stroke),
        'before' => base64_encode($before),
        'after' => base64_encode($laying->add($before, $stroke, $opacity)),
    ];
    $layings[] = [
        'opacity' => $opacity,
        'erase' => true,
        'paint' => null,
        'stroke' => base64_encode($stroke),
        'before' => base64_encode($before),
        'after' => base64_encode($laying->remove($before, $stroke, $opacity)),
    ];
    $paint = new Pixels($count, noise($count), noise($count), noise($count), noise($count));
    $bytes = fn (Pixels $p): string => $p->red.$p->green.$p->blue.$p->alphas();
    $after = $laying->paint($paint, $stroke, new Rgb(200, 40, 90), $opacity);
    $layings[] = [
        'opacity' => $opacity,
        'erase' => false,
        'paint' => [200, 40, 90],
        'stroke' => base64_encode($stroke),
        'before' => base64_encode($bytes($paint)),
        'after' => base64_encode($bytes($after)),
    ];
    $erased = $paint->red.$paint->green.$paint->blue.$laying->remove($paint->alphas(), $stroke, $opacity);
    $layings[] = [
        'opacity' => $opacity,
        'erase' => true,
        'paint' => [1, 2, 3],
        'stroke' => base64_encode($stroke),
        'before' => base64_encode($bytes($paint)),
        'after' => base64_encode($erased),
    ];
}

// A tile of a line that the paper's tooth breaks up: the third to the right, the second down.
$line = str_repeat("\0\x20\x80\xff", 256 * 64);
$grains = array_map(
    fn (float $amount): array => [
        'amount' => $amount,
        'line' => base64_encode($line),
        'grained' => base64_encode(Grain::on(new StrokeMask(new Rect(512, 256, 256, 256), $line), $amount)->data),
    ],
    [0.3, 1.0],
);

// A tile in which paint is pulled along; part of it is out of reach.
$reach = str_repeat(str_repeat("\xff", 180).str_repeat("\0", 30).str_repeat("\xff", 46), 256);
$pulls = [];
foreach ([1, 4] as $planes) {
    foreach ([[7.0, 0.9], [30.0, 0.4]] as [$size, $strength]) {
        $before = array_map(fn (): string => noise(256 * 256), range(1, $planes));
        $brush = new Brush($size, 0.5, $strength);
        $points = $hand(40.3, 90.6, 24, 8.5, fn (float $t): float => 1.0);
        $after = (new Puller($size, 0.5, $strength))->pull(
            $before,
            $reach,
            256,
            256,
            (new Path($points))->followed($brush),
        );
        $pulls[] = [
            'size' => $size,
            'strength' => $strength,
            'planes' => $planes,
            'points' => $points,
            'inside' => base64_encode($reach),
            'before' => base64_encode(implode('', $before)),
            'after' => base64_encode(implode('', $after)),
        ];
    }
}

// The second tile down of ramps.
$ramps = array_map(
    fn (array $ramp): array => [
        'from' => $ramp[0],
        'to' => $ramp[1],
        'form' => $ramp[2]->value,
        'cover' => base64_encode(
            (new Ramp($ramp[0], $ramp[1], $ramp[2], new Rect(0, 0, 256, 512)))->cut(new Rect(0, 256, 256, 256)) ?? '',
        ),
    ],
    [
        [[20.5, 300.25], [180.75, 420.5], RampForm::Straight],
        [[90.0, 400.0], [90.0, 280.5], RampForm::Straight],
        [[100.3, 380.6], [160.1, 300.2], RampForm::Round],
    ],
);

$samples = ['#000000', '#ffffff', '#808080', '#ff0000', '#00ff00', '#0000ff', '#010203', '#fefdfc'];
for ($i = 0; $i < 120; $i++) {
    $samples[] = sprintf('#%06x', mt_rand(0, 0xFFFFFF));
}
$colours = array_map(function (int $i) use ($samples): array {
    [$colour, $next] = [Rgb::fromHex($samples[$i]), Rgb::fromHex($samples[($i + 1) % count($samples)])];
    [$lab, $lch] = [Lab::of($colour), Oklch::of($colour)];

    return [
        'hex' => $samples[$i],
        'lab' => [$lab->l, $lab->a, $lab->b],
        'oklch' => [$lch->l, $lch->c, $lch->h],
        'delta' => Difference::ciede2000($lab, Lab::of($next)),
    ];
}, array_keys($samples));

// A ball under a light, as a maquette shows it: how much of each tone lies so far to the right of its middle, in parts
// of its radius.
$disc = implode(
    '',
    array_map(
        fn (int $i): string => hypot(($i % 201) - 100, intdiv($i, 201) - 100) <= 90.3 ? "\0\1" : "\0\0",
        range(0, 201 * 201 - 1),
    ),
);
$balls = array_map(
    function (array $ball) use ($disc): array {
        [$azimuth, $elevation, $dials] = $ball;
        $key = new KeyLight($azimuth, $elevation);
        $rough = RoughIn::of(new Labels(201, 201, $disc), $key, $dials);
        $places = array_map(
            fn (int $x): array => [
                ($x - 100) / 90.8,
                $rough->shade->at($x, 100),
                $rough->deep->at($x, 100),
                $rough->light->at($x, 100),
                $rough->glint->at($x, 100),
            ],
            range(20, 180, 5),
        );

        return ['light' => $key->direction, 'dials' => $dials->toData(), 'places' => $places];
    },
    [
        [
            0,
            30,
            new RoughDials(
                soft: 0.5,
                reach: 0.2,
                deepFrom: 0.5,
                deepSoft: 0.8,
                lit: 0.3,
                litSoft: 0.6,
                glint: 0.2,
                glintSoft: 0.7,
            ),
        ],
        [
            180,
            65,
            new RoughDials(
                soft: 0.9,
                reach: 0.6,
                deepFrom: 0.3,
                deepSoft: 0.3,
                lit: 0.25,
                litSoft: 0.9,
                glint: 0.1,
                glintSoft: 1,
            ),
        ],
        [180, 20, new RoughDials(lit: 0, glint: 0)],
    ],
);

// A mood that brings a light plan, a variant, or both; what a region is told counts before it.
foreach ([[31, null], [null, 7], [31, 7], [99, 12]] as $brought) {
    $tint = new TintContent(new Rgb(0x77, 0x22, 0x11), LightPart::Light);
    $pages[] = page(
        'a mood that brings '.json_encode($brought),
        [
            'pass01' => spec('tone', Scope::page(), BlendMode::Normal, 0.5),
            'pass02' => new PassSpec('A pass', 1, $tint, Scope::figure(1), BlendMode::Multiply, 0.7),
        ],
        shifts: [2 => new ColourShift(1, new ColourTurn(0.1, 1.2, 20))],
        wearing: [3 => 0, 4 => 12],
        standing: [4 => 44],
        brought: $brought,
    );
}
// Regions in moods of their own, on a page in a mood: what that brings is not theirs.
$pages[] = page(
    'regions in moods of their own',
    [
        'pass01' => spec('tone', Scope::page(), BlendMode::Normal, 0.5),
        'pass02' => new PassSpec(
            'A pass',
            1,
            new TintContent(new Rgb(0x77, 0x22, 0x11), LightPart::Light),
            Scope::figure(1),
            BlendMode::Multiply,
            0.7,
        ),
    ],
    shifts: [2 => new ColourShift(1, new ColourTurn(0.1, 1.2, 20))],
    wearing: [3 => 0, 4 => 12],
    standing: [1 => 44, 4 => 31],
    brought: [31, 7],
    inMood: [1 => new Brought(31, null), 2 => new Brought, 3 => new Brought(null, 7), 4 => new Brought],
);

// Clouds by themselves, behind figures, in a group, and above and below all other kinds.
mt_srand(20261202);
foreach ([Scope::page(), Scope::behind(1), Scope::behind(3), Scope::figure(1), Scope::ink()] as $number => $scope) {
    foreach ([BlendMode::Normal, BlendMode::Screen, BlendMode::Luminosity] as $mode) {
        $pages[] = page("clouds $number, $mode->value", [
            'pass01' => spec('clouds', $scope, $mode, 0.8, mask: $number === 1 ? new PassMask('pass02', true) : null),
            'pass02' => spec('tone', Scope::figure(2), figure: 2),
        ]);
    }
}
// Weather that shows more near lamps, in forms that the other samples have not.
$lamplit = fn (int $seed): ParticlesContent => ParticlesContent::fromData(
    new Data([
        'form' => ['ripple', 'splash', 'flake'][$seed % 3],
        'lamps' => [[0.2, 0.4, 0.5], [mt_rand(-50, 150) / 100, 0.7, mt_rand(2, 200) / 100]],
        'dim' => mt_rand(30, 100) / 100,
        'spacing' => mt_rand(4, 60),
        'size' => mt_rand(10, 600) / 10,
        'seed' => $seed,
    ] + spec('particles', Scope::page())->content->toData()),
);
for ($seed = 1; $seed <= 8; $seed++) {
    $pages[] = page("lamps in weather $seed", [
        'pass01' => new PassSpec('A pass', 0, $lamplit($seed), Scope::page()),
    ]);
}
for ($i = 1; $i <= 6; $i++) {
    $outlined = ['outline' => mt_rand(1, 50) / 10, 'outlineColour' => chance()->hex()];
    $pages[] = page("lightning with an outline $i", [
        'pass01' => new PassSpec(
            'A pass',
            0,
            LightningContent::fromData(new Data($outlined + spec('lightning', Scope::page())->content->toData())),
            Scope::page(),
            opacity: 0.7,
        ),
    ]);
}
foreach (['levels', 'mist', 'particles', 'softness', 'glow', ...FILLING] as $kind) {
    $pages[] = page("clouds below $kind", [
        'pass01' => spec('clouds', Scope::page(), turn: new ColourTurn(0.1, 0.7, 30)),
        'pass02' => spec($kind, Scope::page(), order: 2.0),
        'pass03' => spec('clouds', Scope::page(), BlendMode::Multiply, 0.5, order: 3.0),
    ]);
}

$folder = $argv[1];
@mkdir($folder, 0777, true);
file_put_contents(
    "$folder/pages.json",
    json_encode(['count' => COUNT, 'palette' => $paletteData, 'pages' => $pages], JSON_THROW_ON_ERROR),
);
file_put_contents(
    "$folder/strokes.json",
    json_encode(
        ['strokes' => $strokeCases, 'layings' => $layings, 'grains' => $grains, 'pulls' => $pulls, 'ramps' => $ramps],
        JSON_THROW_ON_ERROR,
    ),
);
file_put_contents("$folder/balls.json", json_encode($balls, JSON_THROW_ON_ERROR));
file_put_contents("$folder/colours.json", json_encode($colours, JSON_THROW_ON_ERROR));
require __DIR__.'/weather_fixtures.php';
printf("%d pages, %d strokes\n", count($pages), count($strokes) + count($layings));

<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Shift;
use Awning\Core\Colour\Tone;
use Awning\Core\Compose\Blend\BlendGain;
use Awning\Core\Compose\Canvas\Areas;
use Awning\Core\Compose\Canvas\ExactCanvas;
use Awning\Core\Compose\Canvas\FloatPlanes;
use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Compose\Canvas\SurveyCanvas;
use Awning\Core\Compose\Compositor;
use Awning\Core\Compose\DepthPlane;
use Awning\Core\Compose\Layers\Flat;
use Awning\Core\Compose\Layers\Ground;
use Awning\Core\Compose\Layers\GroupLayer;
use Awning\Core\Compose\Layers\Layer;
use Awning\Core\Compose\Layers\LayerKinds;
use Awning\Core\Compose\Layers\Mask;
use Awning\Core\Compose\Layers\PaintLayer;
use Awning\Core\Compose\Layers\PassLayer;
use Awning\Core\Compose\Layers\TintLayer;
use Awning\Core\Compose\PageStack;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Page\Pass\ColourTurn;
use Awning\Core\Page\Pass\PaintContent;
use Awning\Core\Page\Pass\PassGroup;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Pass\TintContent;
use Awning\Core\Page\Pass\ToneContent;
use Awning\Core\Raster\Rect;
use PHPUnit\Framework\TestCase;

/** Against the recommendation's formulas in floating point, pixel by pixel. */
final class ComposeTest extends TestCase
{
    private const COUNT = 600;

    /** How far a composed value may be from the formula's, in steps of 255. */
    private const ONE_STEP = 1.0 + 1e-9;

    /** label => figure, material, base. Figure 1 owns material 2 and figure 2 owns material 1: mixing them up shows. */
    private const FLATS = [1 => [1, 2, 0xC8783C], 2 => [2, 1, 0x285AA0], 3 => [1, 3, 0xE6E1D2]];

    private const PAPER = [1.0, 1.0, 1.0, 1.0];

    private string $labels;

    /** @var ?array<int, Flat> */
    private ?array $known = null;

    /** @var array<string, string> */
    private array $masks = [];

    /** @var array<string, Pixels> */
    private array $paints = [];

    protected function setUp(): void
    {
        mt_srand(11);
        $this->labels = '';
        while (strlen($this->labels) < 2 * self::COUNT) {
            $this->labels .= str_repeat("\0".chr(mt_rand(0, 3)), mt_rand(1, 60));
        }
        $this->labels = substr($this->labels, 0, 2 * self::COUNT);
        foreach (['a', 'b', 'c', 'd'] as $id) {
            $this->masks["pass:$id"] = $this->mask();
            $this->paints["paint:$id"] = new Pixels(
                self::COUNT,
                $this->noise(),
                $this->noise(),
                $this->noise(),
                $this->mask(),
            );
        }
        $this->masks['ink'] = $this->mask();
    }

    private function noise(): string
    {
        return implode('', array_map(fn (): string => chr(mt_rand(0, 255)), range(1, self::COUNT)));
    }

    private function mask(): string
    {
        $mask = '';
        while (strlen($mask) < self::COUNT) {
            $mask .= match (mt_rand(0, 3)) {
                0 => str_repeat("\0", mt_rand(1, 80)),
                1 => str_repeat("\xff", mt_rand(1, 80)),
                2 => str_repeat(chr(mt_rand(1, 254)), mt_rand(1, 60)),
                default => implode('', array_map(fn (): string => chr(mt_rand(0, 255)), range(1, mt_rand(2, 70)))),
            };
        }

        return substr($mask, 0, self::COUNT);
    }

    /** @return array<int, Flat> */
    private function flats(): array
    {
        $flats = [];
        foreach (self::FLATS as $label => [$figure, $material, $base]) {
            $tones = ['base' => $base];
            foreach ([Tone::Deep, Tone::Shade, Tone::Light, Tone::Glint, Tone::Line] as $i => $tone) {
                $tones[$tone->value] = ($base ^ (0x112233 * ($i + 1))) & 0xFFFFFF;
            }
            $flats[$label] = new Flat($figure, $material, $tones);
        }

        return $flats;
    }

    public function test_a_mask_leaves_what_the_other_pass_covers_inside_its_own_clip(): void
    {
        [$over, $by] = [$this->masks['pass:a'], $this->masks['pass:b']];
        $masking = new PassSpec(
            'Shade',
            1,
            new ToneContent(Tone::Shade),
            Scope::material(3),
            opacity: 0.1,
            visible: false,
        );
        foreach ([false, true] as $isOutside) {
            $layer = new TintLayer(
                'a',
                new PassSpec('Light', 1, new TintContent(new Rgb(255, 0, 0)), Scope::page()),
                new Mask('b', $masking, $isOutside),
            );
            $canvas = new ExactCanvas(Pixels::clear(self::COUNT));
            $layer->lay($canvas, $this->ground());
            $alpha = $canvas->pixels()->alphas();
            for ($i = 0; $i < self::COUNT; $i++) {
                $label = ord($this->labels[2 * $i + 1]);
                $covered = (self::FLATS[$label][1] ?? 0) === 3 ? ord($by[$i]) : 0;
                $left = (ord($over[$i]) * ($isOutside ? 255 - $covered : $covered)) / 255;
                self::assertEqualsWithDelta($left, ord($alpha[$i]), 1.0, "pixel $i, label $label");
            }
        }
    }

    public function test_lines_that_are_darker_than_what_lies_beneath_are_multiplied(): void
    {
        $picture = $this->compose(new PageStack($this->flats(), inkColour: 0xA06030, inkMode: BlendMode::Multiply));
        for ($i = 0; $i < self::COUNT; $i++) {
            $ink = ord($this->masks['ink'][$i]) / 255;
            $red = 255 * $this->flat($i)[0];
            self::assertEqualsWithDelta(
                $red * (1 - $ink + ($ink * 0xA0) / 255),
                ord($picture->red[$i]),
                self::ONE_STEP,
                "pixel $i",
            );
        }
    }

    public function test_a_pass_turns_all_colours_it_lays_and_keeps_their_coverage(): void
    {
        $turn = new ColourTurn(0.1, 0.5, 90);
        $canvas = new ExactCanvas(Pixels::clear(self::COUNT));
        (new PaintLayer('a', new PassSpec('Paint', 1, new PaintContent, Scope::page(), turn: $turn)))->lay(
            $canvas,
            $this->ground(),
        );
        [$paint, $laid] = [$this->paints['paint:a'], $canvas->pixels()];
        self::assertSame($paint->alphas(), $laid->alphas());
        for ($i = 0; $i < self::COUNT; $i += 7) {
            if (ord($paint->alphas()[$i]) > 60) {
                $wanted = (new Shift(0.1, 0.5, 90))->of(
                    new Rgb(ord($paint->red[$i]), ord($paint->green[$i]), ord($paint->blue[$i])),
                );
                self::assertEqualsWithDelta(
                    [$wanted->red, $wanted->green, $wanted->blue],
                    [ord($laid->red[$i]), ord($laid->green[$i]), ord($laid->blue[$i])],
                    1,
                );
            }
        }
    }

    private function tint(
        string $id,
        int $colour,
        Scope $scope,
        BlendMode $mode = BlendMode::Normal,
        float $opacity = 1.0,
        bool $visible = true,
    ): PassLayer {
        return LayerKinds::layer(
            $id,
            new PassSpec(
                name: 'Tint',
                figure: 1,
                content: new TintContent(Rgb::fromHex(sprintf('%06x', $colour))),
                scope: $scope,
                mode: $mode,
                opacity: $opacity,
                visible: $visible,
            ),
        );
    }

    private function tone(
        string $id,
        Tone $tone,
        Scope $scope,
        BlendMode $mode = BlendMode::Normal,
        float $opacity = 1.0,
    ): PassLayer {
        return LayerKinds::layer($id, new PassSpec('Tone', 1, new ToneContent($tone), $scope, $mode, $opacity));
    }

    private function paint(
        string $id,
        Scope $scope,
        BlendMode $mode = BlendMode::Normal,
        float $opacity = 1.0,
    ): PassLayer {
        return LayerKinds::layer($id, new PassSpec('Paint', 1, new PaintContent, $scope, $mode, $opacity));
    }

    private function compose(PageStack $stack): Pixels
    {
        return $this->compositor()->compose($stack, $this->block());
    }

    private function block(): PageBlock
    {
        return new PageBlock(new Rect(0, 0, self::COUNT, 1), $this->labels, $this->masks, $this->paints);
    }

    private function ground(): Ground
    {
        return new Ground($this->block(), $this->flats());
    }

    /** One for all: its tables are worth keeping. */
    private function compositor(): Compositor
    {
        static $compositor;

        return $compositor ??= new Compositor;
    }

    private function label(int $i): int
    {
        return ord($this->labels[2 * $i + 1]);
    }

    /** @return array{float, float, float} */
    private static function unit(int $colour): array
    {
        return [(($colour >> 16) & 255) / 255, (($colour >> 8) & 255) / 255, ($colour & 255) / 255];
    }

    /** @return array{float, float, float, float} */
    private function flat(int $i): array
    {
        $flat = self::FLATS[$this->label($i)] ?? null;

        return $flat === null ? self::PAPER : [...self::unit($flat[2]), 1.0];
    }

    /**
     * What a layer does to a pixel, worked out from the pass and nothing of the compositor's.
     *
     * @param  array{float, float, float, float}  $under
     * @return array{float, float, float, float}
     */
    private function laid(array $under, Layer $layer, int $i): array
    {
        if ($layer instanceof GroupLayer) {
            $group = $layer->group;
            $inner = $group->isolated ? [0.0, 0.0, 0.0, 0.0] : $under;
            foreach ($layer->members as $member) {
                $inner = $this->laid($inner, $member, $i);
            }

            return $group->isolated
                ? Formula::over(
                    $under,
                    [$inner[0], $inner[1], $inner[2]],
                    $inner[3] * $group->opacity,
                    $group->mode->value,
                )
                : Formula::faded($under, $inner, $group->opacity);
        }
        /** @var PassLayer $layer */
        $spec = $layer->spec;
        $flat = ($this->known ??= $this->flats())[$this->label($i)] ?? null;
        $inside = match ($spec->scope->kind->value) {
            'figure' => $flat?->figure === $spec->scope->id,
            'material' => $flat?->material === $spec->scope->id,
            default => true,
        };
        if (! $spec->visible || ! $inside || ($flat === null && $spec->content instanceof ToneContent)) {
            return $under;
        }
        $id = substr($layer->layer->value, -1);
        if ($spec->content instanceof PaintContent) {
            $paint = $this->paints["paint:$id"];

            return Formula::over(
                $under,
                [ord($paint->red[$i]) / 255, ord($paint->green[$i]) / 255, ord($paint->blue[$i]) / 255],
                (ord($paint->alphas()[$i]) / 255) * $spec->opacity,
                $spec->mode->value,
            );
        }
        $colour =
            $spec->content instanceof ToneContent
                ? $flat->tones[$spec->content->tone->value]
                : $spec->content->colour->number();

        return Formula::over(
            $under,
            self::unit($colour),
            (ord($this->masks["pass:$id"][$i]) / 255) * $spec->opacity,
            $spec->mode->value,
        );
    }

    /** @param  list<Layer>  $layers  over the flats */
    private function assertAsTheFormulaSays(array $layers, string $what): void
    {
        $this->masks['ink'] = str_repeat("\0", self::COUNT);
        $result = $this->compose(new PageStack($this->flats(), [new DepthPlane(2), new DepthPlane(1, $layers)]));
        $worst = 0.0;
        for ($i = 0; $i < self::COUNT; $i++) {
            $exact = $this->flat($i);
            foreach ($layers as $layer) {
                $exact = $this->laid($exact, $layer, $i);
            }
            foreach ([$result->red, $result->green, $result->blue] as $c => $plane) {
                $worst = max($worst, abs(255 * $exact[$c] - ord($plane[$i])));
            }
        }
        self::assertLessThanOrEqual(self::ONE_STEP, $worst, "$what: worst pixel, in steps of 255");
    }

    public function test_every_mode_with_every_clip_and_kind(): void
    {
        foreach (BlendMode::cases() as $number => $mode) {
            foreach (
                [
                    Scope::page(),
                    Scope::figure(1),
                    Scope::figure(2),
                    Scope::material(1),
                    Scope::material(2),
                    Scope::material(3),
                ] as $at => $scope
            ) {
                $opacity = [1.0, 0.35, 0.8][($number + $at) % 3];
                $name = "$mode->value in {$scope->kind->value} {$scope->id} at $opacity";
                $this->assertAsTheFormulaSays(
                    [$this->tint('a', mt_rand(0, 0xFFFFFF), $scope, $mode, $opacity)],
                    "tint, $name",
                );
                $this->assertAsTheFormulaSays(
                    [$this->tone('b', Tone::cases()[$number % 6], $scope, $mode, $opacity)],
                    "tone, $name",
                );
                $this->assertAsTheFormulaSays([$this->paint('c', $scope, $mode, $opacity)], "paint, $name");
            }
        }
    }

    public function test_groups_isolated_or_not_with_opacity_and_mode(): void
    {
        foreach (
            [
                [true, BlendMode::Normal, 1.0],
                [true, BlendMode::Normal, 0.5],
                [true, BlendMode::Overlay, 0.85],
                [true, BlendMode::Luminosity, 1.0],
                [true, BlendMode::PlusLighter, 0.6],
                [false, BlendMode::Normal, 1.0],
                [false, BlendMode::Normal, 0.4],
            ] as [$isolated, $mode, $opacity]
        ) {
            $group = new GroupLayer(
                [
                    $this->tone('a', Tone::Shade, Scope::figure(1)),
                    $this->tint('b', 0x8899AA, Scope::page(), BlendMode::Multiply, 0.7),
                    $this->paint('c', Scope::figure(2), BlendMode::Screen, 0.5),
                ],
                new PassGroup($isolated, $mode, $opacity),
            );
            $this->assertAsTheFormulaSays(
                [$this->tint('d', 0x3366CC, Scope::page(), opacity: 0.4), $group],
                ($isolated ? 'isolated ' : 'open ')."$mode->value $opacity",
            );
            $this->assertAsTheFormulaSays(
                [
                    new GroupLayer(
                        [$this->tint('d', 0xDD8811, Scope::page()), $group],
                        new PassGroup(true, BlendMode::HardLight, 0.9),
                    ),
                ],
                'nested',
            );
        }
    }

    /** Modes of full range over one another: where rounding to 255 steps would add up. */
    public function test_long_stacks_stay_exact(): void
    {
        $modes = BlendMode::cases();
        for ($seed = 1; $seed <= 12; $seed++) {
            mt_srand($seed);
            $layers = [];
            for ($i = 0; $i < 12; $i++) {
                $id = 'abcd'[mt_rand(0, 3)];
                $scope = [Scope::page(), Scope::figure(1), Scope::material(1)][mt_rand(0, 2)];
                $mode = $modes[mt_rand(0, count($modes) - 1)];
                $layers[] =
                    mt_rand(0, 2) === 0
                        ? $this->paint($id, $scope, $mode, mt_rand(30, 100) / 100)
                        : $this->tint($id, mt_rand(0, 0xFFFFFF), $scope, $mode, mt_rand(30, 100) / 100);
            }
            $this->assertAsTheFormulaSays($layers, "stack $seed");
        }
    }

    public function test_the_result_does_not_depend_on_where_the_page_is_cut(): void
    {
        $stack = new PageStack(
            $this->flats(),
            [
                new DepthPlane(2),
                new DepthPlane(1, [
                    $this->tone('a', Tone::Shade, Scope::figure(1)),
                    new GroupLayer(
                        [$this->tint('b', 0xFFEE88, Scope::material(3), BlendMode::ColorDodge, 0.5)],
                        new PassGroup(false, BlendMode::Normal, 0.5),
                    ),
                    new GroupLayer([$this->paint('d', Scope::page(), BlendMode::Hue)]),
                ]),
            ],
            [$this->tint('c', 0x552200, Scope::ink(), opacity: 0.6)],
            [$this->tint('c', 0x203060, Scope::page(), BlendMode::Overlay)],
        );
        $whole = $this->compose($stack);
        foreach ([1, 7, 64, 1000] as $size) {
            $planes = ['', '', ''];
            for ($at = 0; $at < self::COUNT; $at += $size) {
                $length = min($size, self::COUNT - $at);
                $cut = fn (string $plane): string => substr($plane, $at, $length);
                $part = $this->compositor()->compose(
                    $stack,
                    new PageBlock(
                        new Rect($at, 0, $length, 1),
                        substr($this->labels, 2 * $at, 2 * $length),
                        array_map($cut, $this->masks),
                        array_map(
                            fn (Pixels $p): Pixels => new Pixels(
                                $length,
                                $cut($p->red),
                                $cut($p->green),
                                $cut($p->blue),
                                $cut($p->alphas()),
                            ),
                            $this->paints,
                        ),
                    ),
                );
                foreach ([$part->red, $part->green, $part->blue] as $c => $plane) {
                    $planes[$c] .= $plane;
                }
            }
            // Which pixels are composed exactly depends on what a block holds: up to two steps either way.
            for ($i = 0; $i < self::COUNT; $i++) {
                self::assertEqualsWithDelta(
                    ord($whole->red[$i]),
                    ord($planes[0][$i]),
                    2,
                    "red of pixel $i in pieces of $size",
                );
                self::assertEqualsWithDelta(
                    ord($whole->blue[$i]),
                    ord($planes[2][$i]),
                    2,
                    "blue of pixel $i in pieces of $size",
                );
            }
        }
    }

    public function test_a_tone_at_full_opacity_is_the_palettes_colour(): void
    {
        $flats = $this->flats();
        $this->labels = str_repeat("\0\1", 50).str_repeat("\0\2", self::COUNT - 50);
        $this->masks = ['pass:a' => str_repeat("\xff", self::COUNT)];
        $result = $this->compose(
            new PageStack($flats, [new DepthPlane(1, [$this->tone('a', Tone::Shade, Scope::figure(1))])]),
        );
        self::assertSame($flats[1]->tones['shade'], $this->at($result, 0));
        self::assertSame(self::FLATS[2][2], $this->at($result, 60), 'another figure is not touched');
    }

    private function at(Pixels $pixels, int $i): int
    {
        return (ord($pixels->red[$i]) << 16) | (ord($pixels->green[$i]) << 8) | ord($pixels->blue[$i]);
    }

    /** @param  array<string, string>  $masks  by layer, one byte stands for every pixel */
    private function pixel(PageStack $stack, int $label, array $masks): int
    {
        $block = new PageBlock(
            new Rect(7, 5, 3, 2),
            str_repeat("\0".chr($label), 6),
            array_map(fn (string $byte): string => str_repeat($byte, 6), $masks),
        );
        $pixels = $this->compositor()->compose($stack, $block);
        $colours = array_map(fn (int $i): int => $this->at($pixels, $i), range(0, $pixels->count - 1));
        self::assertSame(array_fill(0, 6, $colours[0]), $colours, 'every pixel alike, from the first to the last');

        return $colours[0];
    }

    public function test_ink_lies_over_figures_and_under_what_is_above(): void
    {
        $full = ['pass:a' => "\xff", 'ink' => "\xff"];
        $red = $this->tint('a', 0xFF0000, Scope::page());
        self::assertSame(
            0x102030,
            $this->pixel(new PageStack($this->flats(), [new DepthPlane(1, [$red])], inkColour: 0x102030), 1, $full),
        );
        self::assertSame(
            0xFF0000,
            $this->pixel(new PageStack($this->flats(), above: [$red], inkColour: 0x102030), 1, $full),
        );
        self::assertSame(
            0xC8783C,
            $this->pixel(new PageStack($this->flats(), inkColour: 0x102030, showInk: false), 1, $full),
        );
        self::assertSame(
            0xC8783C,
            $this->pixel(
                new PageStack($this->flats(), above: [$this->tint('a', 0xFF0000, Scope::page(), visible: false)]),
                1,
                ['pass:a' => "\xff"],
            ),
            'a rolled-up pass leaves no trace',
        );
    }

    public function test_a_colour_hold_colours_the_ink_and_nothing_else(): void
    {
        $hold = new PageStack(
            $this->flats(),
            ink: [$this->tint('a', 0x904010, Scope::ink(), opacity: 0.5)],
            inkColour: 0x102030,
        );
        self::assertSame(0x503020, $this->pixel($hold, 1, ['pass:a' => "\xff", 'ink' => "\xff"]));
        self::assertSame(0xC8783C, $this->pixel($hold, 1, ['pass:a' => "\xff"]), 'where there is no ink');
        self::assertSame(0x102030, $this->pixel($hold, 1, ['ink' => "\xff"]), 'where there is no hold');
        $line = new PageStack($this->flats(), ink: [$this->tone('a', Tone::Line, Scope::ink())]);
        self::assertSame(
            $this->flats()[2]->tones['line'],
            $this->pixel($line, 2, ['pass:a' => "\xff", 'ink' => "\xff"]),
            'the line tone of the material beneath',
        );
        self::assertSame(
            0x111111,
            $this->pixel($line, 0, ['pass:a' => "\xff", 'ink' => "\xff"]),
            'beneath is no material',
        );
    }

    public function test_mist_between_figures_hides_the_far_one_only(): void
    {
        $mist = $this->tint('a', 0xDDEEFF, Scope::page());
        $stack = new PageStack($this->flats(), [new DepthPlane(2), new DepthPlane(1, behind: [$mist])]);
        self::assertFalse($stack->flatsComeFirst());
        self::assertSame(0xDDEEFF, $this->pixel($stack, 2, ['pass:a' => "\xff"]), 'the far figure');
        self::assertSame(0xC8783C, $this->pixel($stack, 1, ['pass:a' => "\xff"]), 'the near figure');
        self::assertSame(0xDDEEFF, $this->pixel($stack, 0, ['pass:a' => "\xff"]), 'the paper');
    }

    public function test_a_pass_that_spills_is_hidden_by_nearer_flats_only(): void
    {
        $over = $this->tint('a', 0x00FF00, Scope::figure(2));
        $far = new PageStack($this->flats(), [new DepthPlane(1, [$over], spills: true), new DepthPlane(2)]);
        $near = new PageStack($this->flats(), [new DepthPlane(2), new DepthPlane(1, [$over], spills: true)]);
        self::assertSame(0x285AA0, $this->pixel($far, 2, ['pass:a' => "\xff"]));
        self::assertSame(0x00FF00, $this->pixel($near, 2, ['pass:a' => "\xff"]));
    }

    public function test_a_group_with_a_mode_must_be_isolated(): void
    {
        $this->expectExceptionMessage('Isolate the group');
        new PassGroup(false, BlendMode::Multiply);
    }

    public function test_gains_are_the_steepest_slopes_of_the_modes(): void
    {
        mt_srand(5);
        foreach (BlendMode::cases() as $mode) {
            if (! $mode->isSeparable() || $mode === BlendMode::PlusLighter) {
                continue;
            }
            for ($i = 0; $i < 12; $i++) {
                $s = mt_rand(0, 255);
                $steepest = 0.0;
                for ($b = 0.0; $b < 1; $b += 0.004) {
                    $slope =
                        abs(
                            Formula::blend($mode->value, [$b + 0.0005, 0.0, 0.0], [$s / 255, 0.0, 0.0])[0] -
                                Formula::blend($mode->value, [$b, 0.0, 0.0], [$s / 255, 0.0, 0.0])[0],
                        ) / 0.0005;
                    $steepest = max($steepest, $slope > 1500 ? 0 : $slope);
                }
                $grey = ($s << 16) | ($s << 8) | $s;
                self::assertGreaterThanOrEqual(
                    $steepest - 0.02,
                    BlendGain::ofColour($mode, $grey, 1.0),
                    "$mode->value of $s",
                );
                self::assertLessThanOrEqual(BlendGain::ofAny($mode, 1.0), BlendGain::ofColour($mode, $grey, 1.0));
                if ($mode === BlendMode::SoftLight || $mode === BlendMode::Overlay) {
                    self::assertLessThanOrEqual(
                        max(1.0, $steepest) + 0.1,
                        BlendGain::ofColour($mode, $grey, 1.0),
                        "$mode->value of $s is not that steep",
                    );
                }
            }
        }
        self::assertEqualsWithDelta(1.25, BlendGain::ofColour(BlendMode::ColorDodge, 0x800000, 0.25), 0.01);
    }

    public function test_areas_cut_out_and_put_back(): void
    {
        mt_srand(8);
        for ($round = 0; $round < 50; $round++) {
            $mask = '';
            while (strlen($mask) < 300) {
                $mask .= str_repeat(chr(mt_rand(0, 1) * mt_rand(1, 255)), mt_rand(1, 25));
            }
            $areas = Areas::where($mask);
            $kept = $areas->put(str_repeat('.', strlen($mask)), $areas->cut(str_repeat('#', strlen($mask))));
            self::assertSame(strlen($mask), strlen($kept));
            self::assertSame($areas->count, substr_count($kept, '#'));
            for ($i = 0; $i < strlen($mask); $i++) {
                self::assertTrue($mask[$i] === "\0" || $kept[$i] === '#', "pixel $i is left out");
            }
            $plane = random_bytes(strlen($mask));
            self::assertSame($plane, $areas->put($plane, $areas->cut($plane)));
            self::assertSame(2 * $areas->count, strlen($areas->cut($plane.$plane, 2)));
        }
        self::assertSame(0, Areas::where("\0\0\0")->count);
        self::assertSame(3, Areas::where("\0\1\0\0\0\0\0\0\0\0\0\2\3")->count, 'far apart ones stay apart');
        self::assertSame(4, Areas::where("\0\1\0\0\2\0")->count, 'near ones are joined');
    }

    public function test_an_exact_canvas_covers_what_is_clear(): void
    {
        $canvas = new ExactCanvas(Pixels::clear(4));
        $canvas->cover([[1, 3, 0x123456]]);
        $pixels = $canvas->pixels();
        self::assertSame("\0\xff\xff\0", $pixels->alphas());
        self::assertSame(0x123456, $this->at($pixels, 2));
        $canvas->cover([[0, 4, 0]]);
        self::assertNull($canvas->pixels()->alpha, 'opaque everywhere');
    }

    /** Gentle modes only: nothing enlarges errors, they only add up. */
    public function test_many_gentle_layers_stay_within_one_step(): void
    {
        $modes = [
            BlendMode::Normal,
            BlendMode::Multiply,
            BlendMode::Screen,
            BlendMode::Darken,
            BlendMode::HardLight,
            BlendMode::PlusLighter,
        ];
        for ($seed = 1; $seed <= 8; $seed++) {
            mt_srand($seed);
            $layers = [];
            for ($i = 0; $i < 10; $i++) {
                $mode = $modes[mt_rand(0, 5)];
                $layers[] =
                    $i % 4 === 3
                        ? new GroupLayer(
                            [$this->tint('abcd'[mt_rand(0, 3)], mt_rand(0, 0xFFFFFF), Scope::figure(2), $mode)],
                            new PassGroup(false, opacity: 0.45),
                        )
                        : $this->tint(
                            'abcd'[mt_rand(0, 3)],
                            mt_rand(0, 0xFFFFFF),
                            [Scope::page(), Scope::figure(1)][mt_rand(0, 1)],
                            $mode,
                            mt_rand(5, 60) / 100,
                        );
            }
            $this->assertAsTheFormulaSays($layers, "gentle stack $seed");
        }
    }

    /** Loops of their own for whole stretches: each against the formula, over what two soft layers left. */
    public function test_every_mode_over_a_varied_backdrop_that_is_composed_exactly(): void
    {
        foreach (BlendMode::cases() as $mode) {
            foreach ([0x0A80F5, 0xF57F10] as $colour) {
                $this->assertAsTheFormulaSays(
                    [
                        $this->tint('a', 0x204060, Scope::page(), BlendMode::Normal, 0.6),
                        $this->paint('b', Scope::page(), BlendMode::Normal, 0.7),
                        $this->tint('c', $colour, Scope::page(), $mode, 0.9),
                        $this->tint('d', 0x90A0B0, Scope::figure(1), BlendMode::Luminosity, 0.01),
                    ],
                    "$mode->value of ".dechex($colour),
                );
            }
        }
    }

    /** @param  list<string>  $events  what each of the layers does to the one pixel */
    private function assertExact(bool $expected, array $events): void
    {
        $survey = new SurveyCanvas(40);
        $at = fn (int $coverage): string => str_repeat("\0", 20).chr($coverage).str_repeat("\0", 19);
        $black = [[0, 40, 0x000000]];
        foreach ($events as $event) {
            match ($event) {
                'flat' => $survey->cover([[5, 30, 0x445566]]),
                'soft' => $survey->tint($black, $at(0x80), BlendMode::Multiply, 0.5),
                'hard' => $survey->tint($black, $at(0xFF), BlendMode::Normal, 1.0),
                'faint' => $survey->tint($black, $at(0xFF), BlendMode::Normal, 0.9),
                'elsewhere' => $survey->tint($black, $at(0x80) & $at(0), BlendMode::Luminosity, 1.0),
                'steep' => $survey->tint($black, $at(0x10), BlendMode::Overlay, 1.0),
                'lum' => $survey->tint($black, $at(0x01), BlendMode::Luminosity, 1.0),
                'paint' => $survey->paint(Pixels::coloured(40, [[20, 21, 0x112233]], null), BlendMode::SoftLight, 1.0),
                'isolated' => $survey->group(
                    fn ($inside) => $inside->tint($black, $at(0x80), BlendMode::Normal, 1.0),
                    true,
                    BlendMode::Normal,
                    1.0,
                ),
                'open' => $survey->group(
                    fn ($inside) => $inside->tint($black, $at(0x80), BlendMode::Normal, 1.0),
                    false,
                    BlendMode::Normal,
                    1.0,
                ),
                'faded' => $survey->group(
                    fn ($inside) => $inside->tint($black, $at(0x80), BlendMode::Normal, 1.0),
                    false,
                    BlendMode::Normal,
                    0.5,
                ),
                'covered' => $survey->group(
                    fn ($inside) => $inside->tint($black, $at(0xFF), BlendMode::Normal, 1.0),
                    false,
                    BlendMode::Normal,
                    0.5,
                ),
                'held' => $survey->through(
                    $at(0xFF),
                    0x111111,
                    fn ($inside) => $inside->tint($black, $at(0x80), BlendMode::Normal, 1.0),
                    BlendMode::Normal,
                ),
                'multiplied' => $survey->through($at(0xFF), 0x111111, fn ($inside) => null, BlendMode::Multiply),
                'softly held' => $survey->through(
                    $at(0x40),
                    0x111111,
                    fn ($inside) => $inside->tint($black, $at(0x80), BlendMode::Normal, 1.0),
                    BlendMode::Normal,
                ),
                'steeply held' => $survey->through(
                    $at(0xFF),
                    0x111111,
                    fn ($inside) => $inside->tint($black, $at(0x80), BlendMode::Hue, 1.0),
                    BlendMode::Normal,
                ),
            };
        }
        self::assertSame($expected ? 1 : null, $survey->exact()?->count, implode(', ', $events));
    }

    public function test_the_survey_finds_where_whole_numbers_would_not_do(): void
    {
        $this->assertExact(false, ['flat', 'soft', 'soft', 'elsewhere']);
        $this->assertExact(true, ['flat', 'soft', 'soft', 'soft']);
        $this->assertExact(true, ['soft', 'faint', 'soft']);
        $this->assertExact(false, ['soft', 'soft', 'hard', 'soft', 'soft']);
        $this->assertExact(false, ['soft', 'soft', 'soft', 'flat', 'soft']);
        $this->assertExact(false, ['steep', 'soft']);
        $this->assertExact(true, ['soft', 'steep']);
        $this->assertExact(true, ['soft', 'paint']);
        $this->assertExact(true, ['lum']);
        $this->assertExact(false, ['lum', 'hard']);
        $this->assertExact(true, ['isolated']);
        $this->assertExact(false, ['soft', 'open']);
        $this->assertExact(false, ['faded']);
        $this->assertExact(true, ['soft', 'faded']);
        $this->assertExact(false, ['soft', 'covered']);
        $this->assertExact(true, ['soft', 'soft', 'covered']);
        $this->assertExact(false, ['soft', 'soft', 'soft', 'held', 'soft']);
        $this->assertExact(true, ['held', 'soft', 'soft']);
        $this->assertExact(true, ['soft', 'soft', 'multiplied']);
        $this->assertExact(false, ['soft', 'multiplied']);
        $this->assertExact(false, ['soft', 'softly held']);
        $this->assertExact(true, ['softly held', 'soft']);
        $this->assertExact(true, ['steeply held']);
    }

    public function test_what_lies_between_areas_is_the_rest_of_them(): void
    {
        $areas = Areas::where(str_repeat("\0", 20)."\1\2\3".str_repeat("\0", 20)."\4");
        self::assertSame(
            'abcd',
            strtr($areas->cut(str_repeat('.', 20).'abc'.str_repeat('.', 20).'d'), ['.' => '!']),
        );
        self::assertSame(40, $areas->others(44)->count);
        self::assertSame(
            str_repeat('.', 40),
            $areas->others(44)->cut(str_repeat('.', 20).'abc'.str_repeat('.', 20).'d'),
        );
        self::assertSame(0, Areas::where('abc')->others(3)->count);
    }

    public function test_floats_come_back_as_the_bytes_they_were(): void
    {
        foreach ([0, 1, 7, 8, 9, 255, 1021] as $count) {
            $bytes = $count === 0 ? '' : random_bytes($count);
            self::assertSame($bytes, FloatPlanes::bytes(FloatPlanes::unit($bytes)), "$count bytes");
        }
        self::assertSame("\0\x80\xff", FloatPlanes::bytes([0.0019, 0.5, 0.999]), 'rounded, halves upward');
    }

    public function test_passes_with_nothing_here_lay_nothing(): void
    {
        $this->masks = ['ink' => str_repeat("\0", self::COUNT)];
        $this->paints = [];
        $layers = [
            $this->tone('a', Tone::Shade, Scope::page()),
            $this->tint('b', 0x123456, Scope::page()),
            $this->paint('c', Scope::page()),
            new GroupLayer(
                [$this->tint('d', 0x654321, Scope::figure(1))],
                new PassGroup(true, BlendMode::Multiply, 0.5),
            ),
        ];
        self::assertEquals(
            $this->compose(new PageStack($this->flats(), [new DepthPlane(2), new DepthPlane(1)])),
            $this->compose(new PageStack($this->flats(), [new DepthPlane(2), new DepthPlane(1, $layers)])),
        );
    }

    /** Without labels there is paper, not the first region. */
    public function test_a_block_without_labels_has_no_region(): void
    {
        $flats = $this->flats();
        $stack = new PageStack($flats, [
            new DepthPlane(1, [
                $this->tone('a', Tone::Shade, Scope::figure(1)),
                $this->tint('b', 0x204060, Scope::page(), opacity: 0.5),
            ]),
        ]);
        $result = $this->compositor()->compose(
            $stack,
            new PageBlock(new Rect(0, 0, 3, 1), null, ['pass:a' => "\xff\xff\xff", 'pass:b' => "\xff\0\xff"]),
        );
        self::assertSame(
            [0x90A0B0, 0xFFFFFF, 0x90A0B0],
            array_map(fn (int $i): int => $this->at($result, $i), [0, 1, 2]),
        );
    }

    public function test_a_block_without_flats_is_paper_under_its_layers(): void
    {
        $block = new PageBlock(new Rect(0, 0, 4, 1), null, ['pass:a' => "\0\xff\xff\0"]);
        $result = $this->compositor()->compose(
            new PageStack([], above: [$this->tint('a', 0x204060, Scope::page())]),
            $block,
        );
        self::assertSame(
            [0xFFFFFF, 0x204060, 0x204060, 0xFFFFFF],
            array_map(fn (int $i): int => $this->at($result, $i), [0, 1, 2, 3]),
        );
        self::assertEquals(new Rect(0, 0, 4, 1), (new Ground($block, []))->rect());
    }
}

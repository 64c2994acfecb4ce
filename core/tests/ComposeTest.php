<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Colour\Tone;
use Awning\Core\Compose\BlendMode;
use Awning\Core\Compose\Compositor;
use Awning\Core\Compose\Flat;
use Awning\Core\Compose\PageBlock;
use Awning\Core\Compose\PageStack;
use Awning\Core\Compose\Painting;
use Awning\Core\Compose\Pass;
use Awning\Core\Compose\PassGroup;
use Awning\Core\Compose\Pixels;
use Awning\Core\Compose\Scope;
use PHPUnit\Framework\TestCase;

/** Against the recommendation's formulas in floating point, worked out here pixel by pixel. */
final class ComposeTest extends TestCase
{
    private const COUNT = 4096;

    private const FLATS = [1 => [200, 120, 60], 2 => [40, 90, 160], 3 => [230, 225, 210]];

    protected function setUp(): void
    {
        mt_srand(11);
    }

    /** @return array<int, Flat> */
    private function flats(): array
    {
        $flats = [];
        foreach (self::FLATS as $label => [$r, $g, $b]) {
            $colour = $r << 16 | $g << 8 | $b;
            $tones = array_fill_keys(array_map(fn (Tone $tone): string => $tone->value, Tone::cases()), $colour >> 1 & 0x7F7F7F);
            $flats[$label] = new Flat($label === 3 ? 2 : 1, $label, ['base' => $colour] + $tones);
        }

        return $flats;
    }

    private function labels(): string
    {
        $labels = '';
        while (strlen($labels) < 2 * self::COUNT) {
            $labels .= str_repeat("\0".chr(mt_rand(0, 3)), mt_rand(1, 90));
        }

        return substr($labels, 0, 2 * self::COUNT);
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

    /**
     * Source over backdrop, section 5 of the recommendation; premultiplied nothing, all 0..1.
     *
     * @param  array{float, float, float, float}  $b
     * @param  array{float, float, float}  $cs
     * @return array{float, float, float, float}
     */
    private function over(array $b, array $cs, float $as, BlendMode $mode): array
    {
        $ab = $b[3];
        if ($mode === BlendMode::PlusLighter) {
            $ao = min(1.0, $as + $ab);
            $mix = fn (int $i): float => $ao > 0 ? min(1.0, $as * $cs[$i] + $ab * $b[$i]) / $ao : 0.0;

            return [$mix(0), $mix(1), $mix(2), $ao];
        }
        $blended = $mode->blend([$b[0], $b[1], $b[2]], $cs);
        $ao = $as + $ab * (1 - $as);
        $mix = fn (int $i): float => $ao > 0 ? ($as * (1 - $ab) * $cs[$i] + $as * $ab * $blended[$i] + (1 - $as) * $ab * $b[$i]) / $ao : 0.0;

        return [$mix(0), $mix(1), $mix(2), $ao];
    }

    /** @param  list<array{float, float, float, float}>  $exact */
    private function assertNear(array $exact, Pixels $pixels, string $what): void
    {
        $off = 0;
        foreach ($exact as $i => [$r, $g, $b]) {
            $worst = max(abs(255 * $r - ord($pixels->red[$i])), abs(255 * $g - ord($pixels->green[$i])), abs(255 * $b - ord($pixels->blue[$i])));
            $off += $worst > 2.0 ? 1 : 0;
        }
        self::assertLessThanOrEqual(0.001 * count($exact), $off, "$what: pixels more than 2/255 from the formula");
    }

    public function test_every_mode_in_every_scope_is_within_two_steps_of_the_formula(): void
    {
        $compositor = new Compositor;
        foreach (BlendMode::cases() as $number => $mode) {
            $labels = $this->labels();
            $mask = $this->mask();
            $scope = [Scope::page(), Scope::figure(1), Scope::material(3)][$number % 3];
            $colour = mt_rand(0, 0xFFFFFF);
            $opacity = [1.0, 0.35, 0.8][$number % 3];
            $stack = new PageStack($this->flats(), [new Pass('p', $colour, $scope, $mode, $opacity)]);
            $result = $compositor->compose($stack, new PageBlock(self::COUNT, $labels, ['p' => $mask]));
            $exact = [];
            for ($i = 0; $i < self::COUNT; $i++) {
                $label = ord($labels[2 * $i + 1]);
                $pixel = [...array_map(fn (int $v): float => $v / 255, self::FLATS[$label] ?? [255, 255, 255]), 1.0];
                if ($scope->holds($this->flats()[$label] ?? null)) {
                    $pixel = $this->over($pixel, [($colour >> 16) / 255, ($colour >> 8 & 255) / 255, ($colour & 255) / 255], ord($mask[$i]) / 255 * $opacity, $mode);
                }
                $exact[] = $pixel;
            }
            $this->assertNear($exact, $result, $mode->value);
        }
    }

    public function test_nested_isolated_groups_are_within_two_steps_of_the_formula(): void
    {
        $masks = ['a' => $this->mask(), 'b' => $this->mask(), 'c' => $this->mask()];
        $labels = $this->labels();
        $stack = new PageStack($this->flats(), [new PassGroup([
            new Pass('a', 0x3366CC, Scope::page()),
            new PassGroup([new Pass('b', 0xFFAA33, Scope::page()), new Pass('c', 0x8899AA, Scope::page(), BlendMode::Multiply, 0.7)], true, BlendMode::Screen, 0.6),
        ], true, BlendMode::Overlay, 0.85)]);
        $result = (new Compositor)->compose($stack, new PageBlock(self::COUNT, $labels, $masks));
        $exact = [];
        $unit = fn (int $c): array => [($c >> 16) / 255, ($c >> 8 & 255) / 255, ($c & 255) / 255];
        for ($i = 0; $i < self::COUNT; $i++) {
            $under = [...array_map(fn (int $v): float => $v / 255, self::FLATS[ord($labels[2 * $i + 1])] ?? [255, 255, 255]), 1.0];
            $clear = [0.0, 0.0, 0.0, 0.0];
            $inner = $this->over($clear, $unit(0xFFAA33), ord($masks['b'][$i]) / 255, BlendMode::Normal);
            $inner = $this->over($inner, $unit(0x8899AA), ord($masks['c'][$i]) / 255 * 0.7, BlendMode::Multiply);
            $outer = $this->over($clear, $unit(0x3366CC), ord($masks['a'][$i]) / 255, BlendMode::Normal);
            $outer = $this->over($outer, [$inner[0], $inner[1], $inner[2]], $inner[3] * 0.6, BlendMode::Screen);
            $exact[] = $this->over($under, [$outer[0], $outer[1], $outer[2]], $outer[3] * 0.85, BlendMode::Overlay);
        }
        $this->assertNear($exact, $result, 'nested groups');
    }

    public function test_the_result_does_not_depend_on_where_the_page_is_cut(): void
    {
        $labels = $this->labels();
        $masks = ['a' => $this->mask(), 'b' => $this->mask(), 'ink' => $this->mask()];
        $stack = new PageStack($this->flats(), [
            new Pass('a', Tone::Shade, Scope::figure(1)),
            new PassGroup([new Pass('b', 0xFFEE88, Scope::material(3), BlendMode::ColorDodge, 0.5)], false, BlendMode::Normal, 0.5),
        ], [new Pass('a', 0x552200, Scope::ink(), opacity: 0.6)]);
        $compositor = new Compositor;
        $whole = $compositor->compose($stack, new PageBlock(self::COUNT, $labels, $masks));
        foreach ([1, 7, 64, 1000] as $size) {
            $red = $blue = '';
            for ($at = 0; $at < self::COUNT; $at += $size) {
                $length = min($size, self::COUNT - $at);
                $part = $compositor->compose($stack, new PageBlock($length, substr($labels, 2 * $at, 2 * $length), array_map(fn (string $m): string => substr($m, $at, $length), $masks)));
                $red .= $part->red;
                $blue .= $part->blue;
            }
            self::assertSame($whole->red, $red, "cut in pieces of $size");
            self::assertSame($whole->blue, $blue, "cut in pieces of $size");
        }
    }

    public function test_a_tone_at_full_opacity_is_the_palettes_colour(): void
    {
        $flats = $this->flats();
        $stack = new PageStack($flats, [new Pass('p', Tone::Shade, Scope::figure(1))]);
        $labels = str_repeat("\0\1", 50).str_repeat("\0\3", 50);
        $result = (new Compositor)->compose($stack, new PageBlock(100, $labels, ['p' => str_repeat("\xff", 100)]));
        self::assertSame($flats[1]->tones['shade'], ord($result->red[0]) << 16 | ord($result->green[0]) << 8 | ord($result->blue[0]));
        self::assertSame(self::FLATS[3], [ord($result->red[60]), ord($result->green[60]), ord($result->blue[60])], 'another figure is not touched');
    }

    public function test_a_hidden_pass_leaves_no_trace_and_ink_lies_on_top(): void
    {
        $labels = str_repeat("\0\1", 10);
        $stack = new PageStack($this->flats(), [new Pass('p', 0xFF0000, Scope::page(), visible: false)], inkColour: 0x102030);
        $result = (new Compositor)->compose($stack, new PageBlock(10, $labels, ['p' => str_repeat("\xff", 10), 'ink' => str_repeat("\xff", 5).str_repeat("\0", 5)]));
        self::assertSame(0x10, ord($result->red[0]));
        self::assertSame(200, ord($result->red[9]));
    }

    public function test_a_group_that_is_not_isolated_fades_toward_what_was_there(): void
    {
        $clear = new Pixels(1, "\x80", "\x80", "\x80", "\x40");
        $half = (new Painting)->between($clear, new Pixels(1, "\xff", "\0", "\0", "\xc0"), 0.5);
        self::assertSame(0x80, ord($half->alphas()));
        self::assertEqualsWithDelta((0x80 * 0x40 + 0xFF * 0xC0) / 0x100, ord($half->red), 1);
    }
}

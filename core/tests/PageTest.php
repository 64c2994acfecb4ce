<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Codec\ImageReader;
use Awning\Core\Colour\Tone;
use Awning\Core\Page\Data;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Page\Pass\PassGroup;
use Awning\Core\Page\Pass\PassRules;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Page\Pass\ScopeKind;
use Awning\Core\Page\RecordKind;
use Awning\Core\Page\Region\Region;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpKinds;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The record types: what is left out, where the bounds lie, and what the board is told. */
final class PageTest extends TestCase
{
    public function test_what_earlier_journals_call_by_other_names_is_read(): void
    {
        $data = ['figure' => 1, 'material' => 2, 'area' => 9, 'x' => 3, 'y' => 4];
        $old = Region::fromData(new Data($data + ['wears' => 7, 'before' => true, 'stands' => 5]));
        self::assertSame([7, true, 5], [$old->variant, $old->inFront, $old->plan]);
        // The palette itself, which is variant 0; and what is under both names is what the present one says.
        $both = Region::fromData(new Data($data + ['wears' => 0, 'before' => true, 'inFront' => false]));
        self::assertSame([0, false, null], [$both->variant, $both->inFront, $both->plan]);
        self::assertEquals($old, Region::fromData(new Data($old->toData())));
        $op = OpKinds::read('light.before', ['labels' => [3], 'before' => false]);
        self::assertSame(['labels' => [3], 'inFront' => false], $op->toInput());
    }

    public function test_what_is_left_out_has_one_meaning(): void
    {
        self::assertSame(
            ['isolated' => true, 'mode' => 'normal', 'opacity' => 1.0],
            RecordKind::Group->read([])->toData(),
        );
        self::assertEquals(new PassGroup, RecordKind::Group->read([]));
        self::assertSame(
            [
                'width' => 7,
                'height' => 9,
                'dpi' => 0.0,
                'behind' => false,
                'lines' => ['rule' => 'black', 'colour' => '#111111', 'shown' => true],
                'mood' => '',
                'moodPlan' => null,
                'moodVariant' => null,
            ],
            RecordKind::Page->read(['width' => 7, 'height' => 9])->toData(),
        );
        self::assertEquals(new PageSize(7, 9), RecordKind::Page->read(['width' => 7, 'height' => 9]));
        $pass = PassSpec::fromData(
            new Data(['name' => 'Paint', 'kind' => 'paint', 'scope' => ['kind' => 'page', 'id' => 0]]),
        );
        self::assertSame(
            [0, ScopeKind::Page, BlendMode::Normal, 1.0, true, 0.0, null],
            [
                $pass->figure,
                $pass->scope->kind,
                $pass->mode,
                $pass->opacity,
                $pass->visible,
                $pass->order,
                $pass->group,
            ],
        );
        self::assertEquals($pass, new PassSpec('Paint', 0, $pass->content, Scope::page()));
    }

    /** @return iterable<string, array{string, array<string, int|float>, bool}> */
    public static function bounds(): iterable
    {
        $most = PageSize::MOST;
        yield 'smallest page' => ['page', ['width' => 1, 'height' => 1], true];
        yield 'largest page' => ['page', ['width' => $most, 'height' => $most], true];
        yield 'too wide' => ['page', ['width' => $most + 1, 'height' => 1], false];
        yield 'too high' => ['page', ['width' => 1, 'height' => $most + 1], false];
        yield 'no width' => ['page', ['width' => 0, 'height' => 1], false];
        yield 'a resolution below none' => ['page', ['width' => 1, 'height' => 1, 'dpi' => -0.5], false];
        yield 'regions that are perhaps behind' => ['page', ['width' => 1, 'height' => 1, 'behind' => 1], false];
        yield 'a region nobody has filled' => [
            'region',
            ['figure' => 0, 'material' => 0, 'area' => 0, 'x' => 0, 'y' => 0],
            true,
        ];
        yield 'an area below none' => [
            'region',
            ['figure' => 0, 'material' => 0, 'area' => -1, 'x' => 0, 'y' => 0],
            false,
        ];
        yield 'a spot left of the page' => [
            'region',
            ['figure' => 0, 'material' => 0, 'area' => 1, 'x' => -1, 'y' => 0],
            false,
        ];
        yield 'faintest group' => ['group', ['opacity' => 0], true];
        yield 'more than opaque' => ['group', ['opacity' => 1.0001], false];
        yield 'less than faint' => ['group', ['opacity' => -0.0001], false];
    }

    /** @param  array<string, int|float>  $data */
    #[DataProvider('bounds')]
    public function test_bounds_belong_to_what_they_bound(string $kind, array $data, bool $isTaken): void
    {
        try {
            $read = RecordKind::from($kind)->read($data)->toData();
            self::assertTrue($isTaken, 'was taken');
            self::assertEquals($data, array_intersect_key($read, $data));
        } catch (\InvalidArgumentException $error) {
            self::assertFalse($isTaken, $error->getMessage());
        }
    }

    public function test_a_group_that_is_not_isolated_has_no_blend_mode_of_its_own(): void
    {
        self::assertFalse((new PassGroup(false, opacity: 0.5))->isolated);
        $this->expectExceptionMessage('multiply only as one picture');
        RecordKind::Group->read(['isolated' => false, 'mode' => 'multiply']);
    }

    public function test_a_reduced_page_keeps_its_resolution_and_its_scan(): void
    {
        $page = new PageSize(521, 3, 299.5, true);
        self::assertEquals(new PageSize(260, 1, 299.5, true), $page->reduced(1));
        self::assertEquals(new PageSize(65, 1, 299.5, true), $page->reduced(3), 'never nothing');
        self::assertTrue($page->fits(new PageSize(521, 3)));
        self::assertFalse($page->fits(new PageSize(521, 4)));
        self::assertFalse($page->fits(new PageSize(520, 3)));
    }

    public function test_each_tone_paints_in_a_pass_of_its_figure_and_line_colour_in_the_ink(): void
    {
        $scopes = array_column(PassRules::toData()['tones'], 'scope', 'tone');
        self::assertSame('ink', $scopes['line']);
        unset($scopes['line']);
        self::assertSame(['figure' => 5, 'material' => 4], array_count_values($scopes));
        self::assertSame(
            array_column(Tone::cases(), 'value'),
            array_map(fn (Tone $tone): string => $tone->value, [...Tone::six(), ...Tone::more()]),
        );
        foreach (Tone::cases() as $tone) {
            $pass = PassRules::forTone($tone, 4, 9);
            self::assertSame(
                [4, PassRules::toneName($tone), $tone->value],
                [$pass->figure, $pass->name, $pass->toData()['content']['tone'] ?? null],
            );
            self::assertEquals(
                $tone === Tone::Line ? Scope::ink() : ($tone->isMore() ? Scope::material(9) : Scope::figure(4)),
                $pass->scope,
            );
        }
    }

    /**
     * What the passes panel hangs is read as it is offered. Modes by common practice: what darkens multiplies, what
     * shines adds.
     */
    public function test_every_pass_on_offer_can_be_hung(): void
    {
        $hung = [];
        foreach (PassRules::hangable() as ['title' => $title, 'pass' => $offered]) {
            $pass = PassSpec::fromData(
                new Data(
                    ['scope' => Scope::page()->toData()] +
                        array_filter($offered, fn (mixed $value): bool => $value !== null),
                ),
            );
            self::assertEquals(
                array_intersect_key($pass->toData(), $offered),
                array_intersect_key($offered, $pass->toData()),
                $title,
            );
            $hung[$pass->name] = [$pass->mode->value, $pass->opacity];
        }
        self::assertSame(['multiply', 0.5], $hung['Occlusion']);
        self::assertSame(['multiply', 0.35], $hung['Shade tint'], 'as its title says');
        self::assertSame(['screen', 0.8], $hung['Rim']);
        self::assertSame(['plus-lighter', 0.5], $hung['Glow']);
        self::assertSame(['normal', 1.0], $hung['Paint'], 'free paint is laid as it is painted');
    }

    public function test_a_region_says_where_it_is(): void
    {
        $region = new Region(figure: 3, material: 5, area: 77, x: 11, y: 13, locked: true, shift: 'shift00009');
        self::assertSame(
            [
                'figure' => 3,
                'material' => 5,
                'area' => 77,
                'x' => 11,
                'y' => 13,
                'locked' => true,
                'shift' => 'shift00009',
                'variant' => null,
                'solid' => null,
                'inFront' => false,
                'flow' => null,
                'plan' => null,
                'mood' => null,
            ],
            $region->toData(),
        );
        self::assertEquals($region, RecordKind::Region->read($region->toData()));
    }

    public function test_scopes_of_everything_name_nobody(): void
    {
        self::assertSame([0, 0], [\Awning\Core\Page\Pass\Scope::page()->id, \Awning\Core\Page\Pass\Scope::ink()->id]);
    }

    public function test_a_region_filled_with_nothing_belongs_to_nobody(): void
    {
        $region = new \Awning\Core\Page\Region\Region(3, 9, 40, 5, 6);
        self::assertEquals(new \Awning\Core\Page\Region\Region(0, 0, 40, 5, 6), $region->filled(7, 0));
        self::assertEquals(new \Awning\Core\Page\Region\Region(7, 8, 40, 5, 6), $region->filled(7, 8));
    }

    /** Journals, setups and browsers hold passes whose content had no place of its own yet. */
    public function test_passes_and_changes_of_the_first_form_are_read(): void
    {
        $old = [
            'name' => 'Rim',
            'figure' => 4,
            'kind' => 'tint',
            'tone' => null,
            'colour' => '#102030',
            'follows' => 'around',
            'scope' => ['kind' => 'figure', 'id' => 4],
            'mode' => 'screen',
            'opacity' => 0.5,
        ];
        $pass = PassSpec::fromData(new Data($old));
        self::assertSame(['kind' => 'tint', 'colour' => '#102030', 'follows' => 'around'], $pass->toData()['content']);
        self::assertSame(
            ['kind' => 'tint', 'colour' => '#a0b0c0', 'follows' => null],
            $pass->changed(new Data(['colour' => '#a0b0c0', 'follows' => null]))->toData()['content'],
        );
        self::assertSame(
            ['#102030', 0.25],
            [
                $pass->changed(new Data(['opacity' => 0.25]))->toData()['content']['colour'] ?? null,
                $pass->changed(new Data(['opacity' => 0.25]))->opacity,
            ],
        );
        $tone = PassSpec::fromData(new Data(['kind' => 'tone', 'tone' => 'glint'] + $old));
        self::assertSame(
            ['kind' => 'tone', 'tone' => 'deep'],
            $tone->changed(new Data(['tone' => 'deep']))->toData()['content'],
        );
        foreach (
            [
                [$pass, ['colour' => 'red']],
                [$tone, ['tone' => 'mud']],
                [$tone, ['follows' => 'moon']],
                [$tone, ['content' => ['kind' => 'paint']]],
                [$tone, ['kind' => 'tint']],
                [$tone, ['figure' => 5]],
            ] as [$of, $change]
        ) {
            try {
                $of->changed(new Data($change));
                self::fail(json_encode($change).' was taken');
            } catch (\InvalidArgumentException $error) {
                self::assertNotSame('', $error->getMessage());
            }
        }
    }

    public function test_a_page_is_begun_with_no_more_pixels_than_a_picture_may_have(): void
    {
        $most = ImageReader::MOST_PIXELS;
        $begin = fn (int $width, int $height): ClientOp => OpKinds::read(
            'page.start',
            ['width' => $width, 'height' => $height, 'dpi' => 300.0],
        );
        $width = 10_000;
        self::assertSame('page.start', $begin($width, intdiv($most, $width))::kind());
        self::assertSame('page.start', $begin(16, 20_000)::kind());
        $this->expectExceptionMessage('million pixels');
        $begin($width, intdiv($most, $width) + 1);
    }
}

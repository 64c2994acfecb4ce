<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Colour\Tone;
use Awning\Core\Compose\Compositor;
use Awning\Core\Page\Data;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Mood\Brought;
use Awning\Core\Page\Mood\Mood;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\PassMask;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\RecordKind;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\Export\SheetPart;
use Awning\Core\Sheet\Export\StackBuilder;
use Awning\Core\Sheet\OpKinds;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Passes\WearMood;
use Awning\Core\Sheet\Ops\Passes\WearPanelMood;
use Awning\Core\Sheet\Painting\PanelMoods;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Change;
use Awning\Core\Sheet\State\MemorySource;
use Awning\Core\Sheet\State\Palette;
use Awning\Core\Sheet\State\RecordChange;
use Awning\Core\Sheet\State\TileChange;
use PHPUnit\Framework\TestCase;

/** Regions that wear another mood than their page: three of them side by side, over a tile's border. */
final class PanelMoodTest extends TestCase
{
    private const WIDTH = 390;

    private const HEIGHT = 40;

    private const GREY = 0x808080;

    private MemorySource $source;

    protected function setUp(): void
    {
        $this->source = new MemorySource;
        $records = [new RecordChange(RecordKind::Page, 'page', null, new PageSize(self::WIDTH, self::HEIGHT))];
        foreach ([1, 2, 3] as $label) {
            $records[] = new RecordChange(RecordKind::Region, (string) $label, null, new Region(1, 1, 9, 1, 1));
        }
        $row = '';
        for ($x = 0; $x < self::WIDTH; $x++) {
            $row .= "\0".chr(1 + intdiv($x, 130));
        }
        $tiles = [];
        $grid = new TileGrid(self::WIDTH, self::HEIGHT);
        foreach ($grid->cut(str_repeat($row, self::HEIGHT), 2) as $key => $bytes) {
            [$column, $down] = array_map(intval(...), explode(',', $key));
            $tiles[] = new TileChange(LayerName::flats(), $column, $down, null, $bytes);
        }
        $this->source->store(new Change($tiles, $records));
    }

    private function apply(ClientOp $op): Change
    {
        $sheet = new Sheet($this->source);
        $op->apply($sheet);
        $change = $sheet->takeChange();
        $this->source->store($change);

        return $change;
    }

    /** One wash of a colour, over everything. */
    private static function mood(string $colour): Mood
    {
        return Mood::fromList([
            [
                'name' => "Wash $colour",
                'content' => ['kind' => 'wash', 'colour' => $colour],
                'mode' => 'normal',
                'opacity' => 1.0,
            ],
        ]);
    }

    /** @return list<string> what the three regions look like, as rrggbb */
    private function seen(): array
    {
        $tones = array_fill_keys(array_column(Tone::cases(), 'value'), self::GREY);
        $sheet = new Sheet($this->source);
        $stack = (new StackBuilder)->build($sheet, new Palette([1 => $tones], [1 => 1], [1]));
        $picture = (new Compositor)->compose($stack, new SheetPart($sheet, $sheet->rect()));

        return array_map(
            fn (int $at): string => bin2hex($picture->red[$at].$picture->green[$at].$picture->blue[$at]),
            [self::WIDTH * 20 + 65, self::WIDTH * 20 + 195, self::WIDTH * 20 + 325],
        );
    }

    /** @return list<string> */
    private function passes(): array
    {
        return array_map(strval(...), array_keys((new Sheet($this->source))->all(PassSpec::class)));
    }

    public function test_picked_regions_wear_another_mood_than_the_page(): void
    {
        $this->apply(WearMood::of('Day', self::mood('#ffee00')));
        $this->apply(WearPanelMood::of('Night', self::mood('#000040'), 'n1', [3]));
        self::assertSame(['ffee00', 'ffee00', '000040'], $this->seen());
        $this->apply(WearPanelMood::of('Storm', self::mood('#404040'), 's1', [1]));
        self::assertSame(['404040', 'ffee00', '000040'], $this->seen());
    }

    public function test_the_page_changes_its_mood_and_they_keep_theirs(): void
    {
        $this->apply(WearPanelMood::of('Night', self::mood('#000040'), 'n1', [2, 3]));
        self::assertSame(['808080', '000040', '000040'], $this->seen());
        $this->apply(WearMood::of('Day', self::mood('#ffee00')));
        self::assertSame(['ffee00', '000040', '000040'], $this->seen());
        $this->apply(WearMood::fromInput(new Data(['name' => '', 'layers' => [], 'ids' => []])));
        self::assertSame(['808080', '000040', '000040'], $this->seen());
    }

    public function test_a_region_wears_one_mood_and_the_last_one_it_was_given(): void
    {
        $this->apply(WearMood::of('Day', self::mood('#ffee00')));
        $this->apply(WearPanelMood::of('Night', self::mood('#000040'), 'n1', [2, 3]));
        $this->apply(WearPanelMood::of('Storm', self::mood('#404040'), 's1', [1, 2]));
        self::assertSame(['404040', '404040', '000040'], $this->seen());
        self::assertContains(PanelMoods::COVER.'n1', $this->passes());
        $this->apply(WearPanelMood::of('Fog', self::mood('#eeeeee'), 'f1', [3]));
        self::assertSame(['404040', '404040', 'eeeeee'], $this->seen());
        self::assertNotContains(PanelMoods::COVER.'n1', $this->passes(), 'a mood worn nowhere leaves the page');
        self::assertNotContains('paneln100', $this->passes(), 'with its layers');
    }

    public function test_regions_that_are_as_the_page_again_leave_nothing_behind(): void
    {
        $this->apply(WearMood::of('Day', self::mood('#ffee00')));
        $before = $this->passes();
        $this->apply(WearPanelMood::of('Night', self::mood('#000040'), 'n1', [2, 3]));
        $none = fn (int ...$labels): ClientOp => OpKinds::read('mood.panel', [
            'name' => '', 'layers' => [], 'ids' => [], 'cover' => PanelMoods::COVER.'none', 'labels' => $labels,
        ]);
        $this->apply($none(2));
        self::assertSame(['ffee00', 'ffee00', '000040'], $this->seen());
        $this->apply($none(3));
        self::assertSame(['ffee00', 'ffee00', 'ffee00'], $this->seen());
        self::assertSame($before, $this->passes());
        self::assertNull((new Sheet($this->source))->all(PassSpec::class)['moodlayer00']->mask);
    }

    public function test_their_tones_are_shown_under_what_their_own_mood_brings(): void
    {
        $brought = fn (): array => array_map(
            fn (Region $region): ?array => $region->mood?->toData(),
            (new Sheet($this->source))->all(Region::class),
        );
        $this->apply(WearPanelMood::of('Night', self::mood('#000040'), 'n1', [1, 2], new Brought(31, null)));
        self::assertSame([1 => ['plan' => 31, 'variant' => null], ['plan' => 31, 'variant' => null], null], $brought());
        $this->apply(WearPanelMood::of('Storm', self::mood('#404040'), 's1', [2, 3]));
        $none = ['plan' => null, 'variant' => null];
        self::assertSame([1 => ['plan' => 31, 'variant' => null], $none, $none], $brought());
        $none = ['name' => '', 'layers' => [], 'ids' => [], 'cover' => PanelMoods::COVER.'none', 'labels' => [1, 2]];
        $this->apply(OpKinds::read('mood.panel', $none + ['plan' => 4]));
        self::assertSame([1 => null, null, ['plan' => null, 'variant' => null]], $brought());
        $asked = WearPanelMood::of('Night', self::mood('#000040'), 'n1', [1], new Brought(31, 8))->refersTo();
        self::assertSame([[31], [8]], [$asked->lights, $asked->variants]);
    }

    public function test_a_mask_that_somebody_gave_a_layer_stays(): void
    {
        $this->apply(WearMood::of('Day', self::mood('#ffee00')));
        $byHand = new PassMask('byhand01');
        $sheet = new Sheet($this->source);
        $sheet->put('moodlayer00', $sheet->all(PassSpec::class)['moodlayer00']->maskedBy($byHand));
        $this->source->store($sheet->takeChange());
        $this->apply(WearPanelMood::of('Night', self::mood('#000040'), 'n1', [1]));
        self::assertEquals($byHand, (new Sheet($this->source))->all(PassSpec::class)['moodlayer00']->mask);
    }

    public function test_it_is_one_change_that_can_be_taken_back(): void
    {
        $this->apply(WearMood::of('Day', self::mood('#ffee00')));
        $change = $this->apply(WearPanelMood::of('Night', self::mood('#000040'), 'n1', [1]));
        self::assertSame(['000040', 'ffee00', 'ffee00'], $this->seen());
        $this->source->store($change->inverted());
        self::assertSame(['ffee00', 'ffee00', 'ffee00'], $this->seen());
    }

    public function test_what_is_wrong_is_refused_before_anything_is_done(): void
    {
        $right = WearPanelMood::of('Night', self::mood('#000040'), 'n1', [1])->toInput();
        self::assertSame($right, OpKinds::read('mood.panel', $right)->toInput());
        foreach (
            [
                ['labels' => []],
                ['labels' => [0]],
                ['cover' => 'elsewhere1'],
                ['ids' => ['moodn100']],
                ['ids' => []],
                ['name' => ''],
                ['plan' => 0],
                ['variant' => -1],
            ] as $wrong
        ) {
            try {
                OpKinds::read('mood.panel', $wrong + $right);
                self::fail('It was taken: '.json_encode($wrong));
            } catch (OpRefused) {
                $this->addToAssertionCount(1);
            }
        }
    }
}

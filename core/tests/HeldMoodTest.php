<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Page\Data;
use Awning\Core\Page\Mood\Brought;
use Awning\Core\Page\Mood\HeldMood;
use Awning\Core\Page\Mood\Mood;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\PassGroup;
use Awning\Core\Page\Pass\PassMask;
use Awning\Core\Page\Pass\PassOrder;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\RecordKind;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpKinds;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Passes\ShowHeldMood;
use Awning\Core\Sheet\Painting\PanelMoods;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Change;
use Awning\Core\Sheet\State\MemorySource;
use Awning\Core\Sheet\State\RecordChange;
use PHPUnit\Framework\TestCase;

/** Moods that a page keeps at hand while it is shown in another. */
final class HeldMoodTest extends TestCase
{
    private MemorySource $source;

    protected function setUp(): void
    {
        $this->source = new MemorySource;
        $byHand = self::wash('By hand', '#102030')->at(3.0);
        $this->source->store(
            new Change([], [
                new RecordChange(RecordKind::Page, PageSize::KEY, null, new PageSize(90, 60)),
                new RecordChange(RecordKind::Pass, 'byhand01', null, $byHand),
            ]),
        );
    }

    private static function wash(string $name, string $colour): PassSpec
    {
        return PassSpec::ofNobody(new Data(['name' => $name, 'content' => ['kind' => 'wash', 'colour' => $colour]]));
    }

    private function apply(ClientOp $op): Change
    {
        $sheet = new Sheet($this->source);
        $op->apply($sheet);
        $change = $sheet->takeChange();
        $this->source->store($change);

        return $change;
    }

    private function sheet(): Sheet
    {
        return new Sheet($this->source);
    }

    /** A mood of two washes. */
    private static function mood(string $name): Mood
    {
        return Mood::of([self::wash("$name below", '#ffee00'), self::wash("$name above", '#00eeff')]);
    }

    /** Shows the page in a mood of that name; its layers have the ids mood{key}00 and mood{key}01. */
    private function wear(string $name, string $key, ?string $hold = null, ?int $plan = null): Change
    {
        return $this->apply(
            OpKinds::read('mood.wear', [
                'name' => $name,
                'layers' => self::mood($name)->toList(),
                'ids' => ["mood{$key}00", "mood{$key}01"],
                'plan' => $plan,
                'hold' => $hold,
            ]),
        );
    }

    /** @return list<string> names, bottom up */
    private function passes(): array
    {
        $passes = PassOrder::sorted($this->sheet()->all(PassSpec::class));

        return array_values(array_map(fn (PassSpec $pass): string => $pass->name, $passes));
    }

    /** @return array<string, string> names of the moods at hand, by id */
    private function held(): array
    {
        return array_map(fn (HeldMood $held): string => $held->name, $this->sheet()->all(HeldMood::class));
    }

    public function test_a_mood_that_is_left_is_kept_at_hand_where_that_is_asked_for(): void
    {
        $this->wear('Dusk', 'dusk', hold: 'nothing01');
        self::assertSame([], $this->held(), 'a page in no mood has nothing to keep');
        $this->wear('Storm', 'storm');
        self::assertSame([], $this->held());
        $this->wear('Night', 'night', hold: 'held0001');
        self::assertSame(['held0001' => 'Storm'], $this->held());
        self::assertSame(['By hand', 'Night below', 'Night above'], $this->passes());
        $this->apply(OpKinds::read('mood.wear', ['name' => '', 'layers' => [], 'ids' => [], 'hold' => 'held0002']));
        self::assertSame(['held0001' => 'Storm', 'held0002' => 'Night'], $this->held());
        self::assertSame(['By hand'], $this->passes());
    }

    public function test_layers_of_no_named_mood_are_kept_as_the_page_s_own(): void
    {
        $sheet = $this->sheet();
        $sheet->put('moodloose00', self::wash('Loose', '#203040'));
        $this->source->store($sheet->takeChange());
        $this->wear('Night', 'night', hold: 'held0001');
        self::assertSame(['held0001' => 'This page’s own'], $this->held());
    }

    public function test_it_comes_back_as_it_was_left(): void
    {
        $this->wear('Dusk', 'dusk', plan: 31);
        $group = new PassGroup(true, opacity: 0.5);
        $sheet = $this->sheet();
        $sheet->put('veils01', $group);
        foreach (['mooddusk00', 'mooddusk01'] as $i => $id) {
            $layer = $sheet->find(PassSpec::class, $id) ?? self::fail("$id is gone");
            $changed = $layer->inGroup('veils01')->maskedBy($i === 0 ? new PassMask('byhand01', true) : null);
            $sheet->put($id, $changed->changed(new Data(['visible' => $i === 0, 'opacity' => 0.25])));
        }
        $this->source->store($sheet->takeChange());
        $was = $this->sheet()->all(PassSpec::class);
        $this->wear('Night', 'night', hold: 'held0001', plan: 8);
        self::assertNull($this->sheet()->find(PassGroup::class, 'veils01'), 'a group without members is none');
        $this->apply(new ShowHeldMood('held0001', 'held0002'));
        self::assertSame(['By hand', 'Dusk below', 'Dusk above'], $this->passes());
        self::assertEquals($was, $this->sheet()->all(PassSpec::class));
        self::assertEquals($group, $this->sheet()->find(PassGroup::class, 'veils01'));
        self::assertSame(['Dusk', 31], [$this->sheet()->size()->mood, $this->sheet()->size()->moodPlan]);
        self::assertSame(['held0002' => 'Night'], $this->held(), 'and the other is at hand instead');
        $this->apply(new ShowHeldMood('held0002'));
        self::assertSame(['Night', 8], [$this->sheet()->size()->mood, $this->sheet()->size()->moodPlan]);
        self::assertSame([], $this->held(), 'what is shown is not at hand as well');
    }

    public function test_it_lies_above_what_was_hung_meanwhile_and_clear_of_regions_in_another_mood(): void
    {
        $this->wear('Dusk', 'dusk');
        $this->wear('Night', 'night', hold: 'held0001');
        $sheet = $this->sheet();
        $sheet->put('later001', self::wash('Later', '#ffffff')->at(900.0));
        $sheet->put(PanelMoods::ALL, self::wash('Where the mood is not', '#808080')->at(901.0));
        $this->source->store($sheet->takeChange());
        $this->apply(new ShowHeldMood('held0001'));
        self::assertSame(
            ['By hand', 'Later', 'Where the mood is not', 'Dusk below', 'Dusk above'],
            $this->passes(),
        );
        $mask = $this->sheet()->find(PassSpec::class, 'mooddusk01')?->mask;
        self::assertEquals(new PassMask(PanelMoods::ALL, true), $mask);
        $this->wear('Night', 'night', hold: 'held0001');
        $sheet = $this->sheet();
        $sheet->remove(PassSpec::class, PanelMoods::ALL);
        $this->source->store($sheet->takeChange());
        $this->apply(new ShowHeldMood('held0001'));
        self::assertNull($this->sheet()->find(PassSpec::class, 'mooddusk01')?->mask, 'they wear the page’s again');
    }

    public function test_keeping_and_showing_are_one_change_that_can_be_taken_back(): void
    {
        $this->wear('Dusk', 'dusk');
        $change = $this->wear('Night', 'night', hold: 'held0001');
        $shown = $this->apply(new ShowHeldMood('held0001', 'held0002'));
        $this->source->store($shown->inverted());
        self::assertSame(['By hand', 'Night below', 'Night above'], $this->passes());
        self::assertSame(['held0001' => 'Dusk'], $this->held());
        $this->source->store($change->inverted());
        self::assertSame(['By hand', 'Dusk below', 'Dusk above'], $this->passes());
        self::assertSame([], $this->held());
    }

    public function test_it_is_let_go(): void
    {
        $this->wear('Dusk', 'dusk');
        $this->wear('Night', 'night', hold: 'held0001');
        $this->wear('Storm', 'storm', hold: 'held0002');
        $this->apply(OpKinds::read('mood.letgo', ['id' => 'held0001']));
        self::assertSame(['held0002' => 'Night'], $this->held());
        foreach ([['mood.letgo', ['id' => 'held0001']], ['mood.show', ['id' => 'held0001']]] as [$kind, $input]) {
            try {
                $this->apply(OpKinds::read($kind, $input));
                self::fail("$kind was done");
            } catch (OpRefused $refused) {
                self::assertStringContainsString('no longer at hand', $refused->getMessage());
            }
        }
        self::assertSame(['By hand', 'Storm below', 'Storm above'], $this->passes());
    }

    public function test_a_page_keeps_no_more_than_twelve_and_none_twice_under_one_id(): void
    {
        $this->wear('Mood 0', 'layer');
        for ($i = 1; $i <= HeldMood::MOST; $i++) {
            $this->wear("Mood $i", 'layer', hold: sprintf('held%04d', $i));
        }
        foreach (['held9999' => 'Let one of them go', 'held0003' => 'Reload'] as $hold => $words) {
            try {
                $this->wear('One more', 'layer', hold: $hold);
                self::fail("$hold was kept");
            } catch (OpRefused $refused) {
                self::assertStringContainsString($words, $refused->getMessage());
            }
        }
        self::assertCount(HeldMood::MOST, $this->held());
        $this->apply(new ShowHeldMood('held0005', 'held9999'));
        self::assertCount(HeldMood::MOST, $this->held(), 'one for another is no more than before');
        self::assertSame('Mood 4', $this->sheet()->size()->mood);
    }

    public function test_what_a_mood_brings_has_ids_from_one_on(): void
    {
        $first = ['plan' => 1, 'variant' => 1];
        self::assertSame($first, Brought::fromData(new Data($first))->toData());
        self::assertSame($first, (new Brought(1, 1))->toData());
        foreach ([['plan' => 0], ['variant' => 0], ['plan' => 'one'], ['variant' => -3]] as $wrong) {
            try {
                Brought::fromData(new Data($wrong));
                self::fail('It was taken: '.json_encode($wrong));
            } catch (\InvalidArgumentException) {
                $this->addToAssertionCount(1);
            }
        }
        $this->expectException(\InvalidArgumentException::class);
        new Brought(null, 0);
    }

    public function test_what_the_journal_may_hold_is_read_and_nothing_else(): void
    {
        $this->wear('Dusk', 'dusk');
        $this->wear('Night', 'night', hold: 'held0001');
        $data = $this->sheet()->find(HeldMood::class, 'held0001')?->toData() ?? self::fail('it is gone');
        self::assertEquals($data, RecordKind::Held->read($data)->toData());
        foreach (
            [
                ['layers' => []],
                ['name' => ''],
                ['brought' => ['plan' => 0]],
                ['layers' => ['short' => reset($data['layers'])]],
                ['groups' => ['veils01' => ['isolated' => false, 'mode' => 'multiply']]],
            ] as $wrong
        ) {
            try {
                RecordKind::Held->read($wrong + $data);
                self::fail('It was read: '.json_encode($wrong));
            } catch (\InvalidArgumentException) {
                $this->addToAssertionCount(1);
            }
        }
    }
}

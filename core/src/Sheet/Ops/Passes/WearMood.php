<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Passes;

use Awning\Core\Page\Data;
use Awning\Core\Page\Mood\Brought;
use Awning\Core\Page\Mood\Mood;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\Painting\PageMoods;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Shows the page in another mood: the layers of the last one go, or are kept at hand; those of the new one come, above
 * all other passes of the whole page. What was painted or hung there by hand stays, and regions that wear a mood of
 * their own keep it. A mood may bring a light plan and a variant of the palette: tones are shown under these, as long
 * as the page is shown in it.
 *
 * @phpstan-import-type MoodLayerData from Mood
 *
 * @phpstan-type WearMoodInput array{name: string, layers: list<MoodLayerData>, ids: list<string>, plan?: ?int,
 *     variant?: ?int, hold?: ?string}
 */
final readonly class WearMood implements ClientOp
{
    /**
     * @param  string  $name  of the mood; empty: none
     * @param  list<string>  $ids  of its layers
     * @param  ?int  $plan  the light plan it brings
     * @param  ?int  $variant  the palette variant it brings
     * @param  ?string  $hold  under which id the last mood is kept at hand; null: it goes
     */
    private function __construct(
        private string $name,
        private ?Mood $mood,
        private array $ids,
        public ?int $plan = null,
        public ?int $variant = null,
        private ?string $hold = null,
    ) {
    }

    public static function kind(): string
    {
        return 'mood.wear';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        [$name, $mood, $ids] = self::moodIn($input, PageMoods::PREFIX);
        $brought = fn (string $what): ?int => $mood === null ? null : $input->intOrNull($what, 1, PHP_INT_MAX);

        return new self(
            $name,
            $mood,
            $ids,
            $brought('plan'),
            $brought('variant'),
            $input->has('hold') ? $input->id('hold') : null,
        );
    }

    /**
     * @param  string  $prefix  ids of its layers begin with it
     * @return array{string, ?Mood, list<string>} its name, the mood (null: none), the ids of its layers
     *
     * @throws \InvalidArgumentException
     */
    public static function moodIn(Data $input, string $prefix): array
    {
        $layers = $input->list('layers', Mood::MOST);
        $ids = $input->ids('ids', Mood::MOST);
        foreach ($ids as $id) {
            if (! str_starts_with($id, $prefix)) {
                throw new \InvalidArgumentException("The id of a mood's layer begins with $prefix.");
            }
        }
        if (count($ids) !== count($layers) || count($ids) !== count(array_unique($ids))) {
            throw new \InvalidArgumentException('Each layer of a mood needs an id.');
        }

        return $layers === []
            ? ['', null, []]
            : [$input->name('name', 'A mood'), Mood::fromList($layers), $ids];
    }

    public static function of(string $name, Mood $mood, ?int $plan = null, ?int $variant = null): self
    {
        $ids = array_map(
            fn (int $i): string => sprintf('%slayer%02d', PageMoods::PREFIX, $i),
            array_keys($mood->layers),
        );

        return new self($name, $mood, $ids, $plan, $variant);
    }

    /** @return WearMoodInput */
    public function toInput(): array
    {
        return [
            'name' => $this->name,
            'layers' => $this->mood?->toList() ?? [],
            'ids' => $this->ids,
            'plan' => $this->plan,
            'variant' => $this->variant,
            'hold' => $this->hold,
        ];
    }

    public function title(): string
    {
        return $this->mood === null ? 'Show the page in no mood' : "Show the page in the mood $this->name";
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return References::brought($this->plan, $this->variant);
    }

    /** Whether the page is still shown so: no layer of the mood was set, hidden, added or removed. */
    public function isWorn(Sheet $sheet): bool
    {
        $size = $sheet->size();
        if ($this->mood === null || [$size->moodPlan, $size->moodVariant] !== [$this->plan, $this->variant]) {
            return false;
        }
        $layers = (new PageMoods($sheet))->layers();
        foreach ($layers as $layer) {
            if (! $layer->visible || $layer->turn !== null) {
                return false;
            }
        }

        return $layers !== [] && Mood::of(array_values($layers))->toList() == $this->mood->toList();
    }

    public function apply(Sheet $sheet): void
    {
        $moods = new PageMoods($sheet);
        $moods->takeOff($this->hold);
        $layers = $this->mood === null ? [] : array_combine($this->ids, $this->mood->layers);
        $moods->putOn($this->name, $layers, new Brought($this->plan, $this->variant));
    }
}

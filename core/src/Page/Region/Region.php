<?php

declare(strict_types=1);

namespace Awning\Core\Page\Region;

use Awning\Core\Page\Altered;
use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;
use Awning\Core\Page\Mood\Brought;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Record;
use Awning\Core\Page\RecordKind;

/**
 * A connected area of the flats, named by its label, and what it is filled with.
 *
 * @phpstan-import-type FlowData from FlowLines
 * @phpstan-import-type BroughtData from Brought
 *
 * @phpstan-type RegionData array{figure: int, material: int, area: int, x: int, y: int, locked: bool, shift: ?string,
 *     variant: ?int, solid: ?value-of<Solid>, inFront: bool, flow: ?FlowData, plan: ?int, mood: ?BroughtData}
 */
final readonly class Region implements Record
{
    use Altered;

    /** What journals that were written before 1 December 2026 call some of it. */
    private const EARLIER = ['wears' => 'variant', 'before' => 'inFront', 'stands' => 'plan'];

    /**
     * @param  int  $figure  0 while it is unfilled
     * @param  int  $material  0 while it is unfilled
     * @param  int  $area  free pixels, those under the ink not counted; of solid black its own
     * @param  int  $x  a pixel inside it, in the middle of its longest run
     * @param  bool  $locked  whether it stays as it is, whatever is filled or drawn over it
     * @param  ?string  $shift  how its material's colours are shifted here, by id; null: not at all
     * @param  ?int  $variant  a variant of the palette; 0: the palette as it is; null: what the whole page has
     * @param  ?Solid  $solid  what it is taken for when light is roughed in; null: as round as its outline
     * @param  bool  $inFront  whether it lies in front of the rest of its figure and casts a shadow on it when
     *     light is roughed in
     * @param  ?FlowLines  $flow  which way its strands or folds run, for the same; null: that is not told
     * @param  ?int  $plan  under which light plan, as a panel of its own; null: as the whole page does
     * @param  ?Brought  $mood  what a mood of its own brings; null: it is shown in the mood of the page
     */
    public function __construct(
        public int $figure,
        public int $material,
        public int $area,
        public int $x,
        public int $y,
        public bool $locked = false,
        public ?string $shift = null,
        public ?int $variant = null,
        public ?Solid $solid = null,
        public bool $inFront = false,
        public ?FlowLines $flow = null,
        public ?int $plan = null,
        public ?Brought $mood = null,
    ) {
        Bounds::whole('figure', $figure, 0);
        Bounds::whole('material', $material, 0);
        Bounds::whole('area', $area, 0, PageSize::MOST ** 2);
        Bounds::whole('x', $x, 0, PageSize::MOST);
        Bounds::whole('y', $y, 0, PageSize::MOST);
        $shift === null || Bounds::id($shift);
        Bounds::whole('variant', $variant ?? 0, 0);
        Bounds::whole('plan', $plan ?? 1, 1);
    }

    public static function kind(): RecordKind
    {
        return RecordKind::Region;
    }

    public static function fromData(Data $data): self
    {
        $data = $data->renamed(self::EARLIER);

        return new self(
            figure: $data->int('figure', 0, PHP_INT_MAX),
            material: $data->int('material', 0, PHP_INT_MAX),
            area: $data->int('area', 0, PageSize::MOST ** 2),
            x: $data->int('x', 0, PageSize::MOST),
            y: $data->int('y', 0, PageSize::MOST),
            locked: $data->flag('locked', false),
            shift: $data->has('shift') ? $data->id('shift') : null,
            variant: $data->intOrNull('variant', 0, PHP_INT_MAX),
            solid: $data->has('solid') ? $data->choice('solid', Solid::class, Solid::SAYS) : null,
            inFront: $data->flag('inFront', false),
            flow: $data->has('flow') ? FlowLines::fromList($data->list('flow', FlowLine::MOST)) : null,
            plan: $data->intOrNull('plan', 1, PHP_INT_MAX),
            mood: $data->has('mood') ? Brought::fromData($data->map('mood')) : null,
        );
    }

    /** @return RegionData */
    public function toData(): array
    {
        return [
            'figure' => $this->figure,
            'material' => $this->material,
            'area' => $this->area,
            'x' => $this->x,
            'y' => $this->y,
            'locked' => $this->locked,
            'shift' => $this->shift,
            'variant' => $this->variant,
            'solid' => $this->solid?->value,
            'inFront' => $this->inFront,
            'flow' => $this->flow?->toList(),
            'plan' => $this->plan,
            'mood' => $this->mood?->toData(),
        ];
    }

    /** The same area of another material, or with 0 of none. A shift is of one material's colours and goes with it. */
    public function filled(int $figure, int $material): self
    {
        return $this->but([
            'figure' => $material === 0 ? 0 : $figure,
            'material' => $material,
            'shift' => $material === $this->material ? $this->shift : null,
        ]);
    }

    /** The same thing where the flats have changed: so many free pixels, and a pixel that is inside it now. */
    public function reaching(int $area, int $x, int $y): self
    {
        return $this->but(['area' => $area, 'x' => $x, 'y' => $y]);
    }

    /** The same area as another region is filled. */
    public function like(self $other): self
    {
        return $other->reaching($this->area, $this->x, $this->y);
    }

    public function lockedAs(bool $locked): self
    {
        return $this->but(['locked' => $locked]);
    }

    public function shiftedBy(?string $shift): self
    {
        return $this->but(['shift' => $shift]);
    }

    public function wearing(?int $variant): self
    {
        return $this->but(['variant' => $variant]);
    }

    public function as(?Solid $solid): self
    {
        return $this->but(['solid' => $solid]);
    }

    public function standing(bool $inFront): self
    {
        return $this->but(['inFront' => $inFront]);
    }

    public function running(?FlowLines $flow): self
    {
        return $this->but(['flow' => $flow]);
    }

    public function standingUnder(?int $plan): self
    {
        return $this->but(['plan' => $plan]);
    }

    /** @param  ?Brought  $mood  null: in the mood of the page again */
    public function inMood(?Brought $mood): self
    {
        return $this->but(['mood' => $mood]);
    }

    /**
     * Under which light plan and in which variant its tones are shown. A mood of its own comes first, then what the
     * region was told; what the mood of the page brings is for regions that were told nothing and have no mood of
     * their own.
     *
     * @param  Brought  $ofPage  what the mood of the page brings
     * @return array{?int, ?int} light plan and variant; null: the page's own
     */
    public function shownUnder(Brought $ofPage): array
    {
        return $this->mood === null
            ? [$this->plan ?? $ofPage->plan, $this->variant ?? $ofPage->variant]
            : [$this->mood->plan ?? $this->plan, $this->mood->variant ?? $this->variant];
    }

    public function isFilled(): bool
    {
        return $this->material > 0;
    }
}

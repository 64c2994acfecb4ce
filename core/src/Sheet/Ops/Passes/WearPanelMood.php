<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Passes;

use Awning\Core\Page\Data;
use Awning\Core\Page\Mood\Brought;
use Awning\Core\Page\Mood\Mood;
use Awning\Core\Page\Pass\PassMask;
use Awning\Core\Page\Pass\PassOrder;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\Painting\Laying;
use Awning\Core\Sheet\Painting\PageMoods;
use Awning\Core\Sheet\Painting\PanelMoods;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Shows picked regions in another mood than the rest of the page, or with no layers in that of the page again. Their
 * tones are shown under the light plan and in the variant that this mood brings; what it does not bring they have as
 * the page does without a mood.
 *
 * @phpstan-import-type MoodLayerData from Mood
 *
 * @phpstan-type WearPanelMoodInput array{name: string, layers: list<MoodLayerData>, ids: list<string>, cover: string,
 *     labels: list<int>, plan?: ?int, variant?: ?int}
 */
final readonly class WearPanelMood implements ClientOp
{
    /**
     * @param  string  $name  of the mood; empty: that of the page
     * @param  list<string>  $ids  of its layers
     * @param  string  $cover  the id of the pass that covers the regions
     * @param  non-empty-list<int>  $labels
     * @param  Brought  $brought  under which their tones are shown
     */
    private function __construct(
        private string $name,
        private ?Mood $mood,
        private array $ids,
        private string $cover,
        private array $labels,
        private Brought $brought,
    ) {
    }

    public static function kind(): string
    {
        return 'mood.panel';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        [$name, $mood, $ids] = WearMood::moodIn($input, PanelMoods::PREFIX);
        $cover = $input->id('cover');
        if (! str_starts_with($cover, PanelMoods::COVER) || in_array(PanelMoods::ALL, $ids, true)) {
            throw new \InvalidArgumentException('The id of what covers the regions begins with '.PanelMoods::COVER.'.');
        }
        $labels = Laying::labels($input, 'labels');
        if ($labels === []) {
            throw new \InvalidArgumentException('Pick the regions that shall wear the mood.');
        }

        return new self($name, $mood, $ids, $cover, $labels, $mood === null ? new Brought : Brought::fromData($input));
    }

    /**
     * @param  string  $key  tells it from other moods of the page, as part of its ids: 4 letters or digits
     * @param  non-empty-list<int>  $labels
     */
    public static function of(
        string $name,
        Mood $mood,
        string $key,
        array $labels,
        Brought $brought = new Brought,
    ): self {
        $ids = array_map(
            fn (int $i): string => sprintf('%s%s%02d', PanelMoods::PREFIX, $key, $i),
            array_keys($mood->layers),
        );

        return new self($name, $mood, $ids, PanelMoods::COVER.$key, $labels, $brought);
    }

    /** @return WearPanelMoodInput */
    public function toInput(): array
    {
        return [
            'name' => $this->name,
            'layers' => $this->mood?->toList() ?? [],
            'ids' => $this->ids,
            'cover' => $this->cover,
            'labels' => $this->labels,
        ] + $this->brought->toData();
    }

    public function title(): string
    {
        return $this->mood === null ? 'Show regions in the mood of the page' : "Show regions in the mood $this->name";
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return References::brought($this->brought->plan, $this->brought->variant);
    }

    public function apply(Sheet $sheet): void
    {
        $sheet->size();
        $moods = new PanelMoods($sheet);
        $moods->takeOff($this->labels);
        if ($this->mood !== null) {
            $moods->putOn($this->cover, $this->name, $this->labels, $this->brought);
            foreach ($this->mood->layers as $i => $layer) {
                $order = PassOrder::onTop($sheet->all(PassSpec::class), 0);
                $kept = $layer->at($order)->maskedBy(new PassMask($this->cover));
                (new AddPass($this->ids[$i], $kept))->apply($sheet);
            }
        }
        foreach ((new PageMoods($sheet))->layers() as $id => $layer) {
            $sheet->put($id, $moods->clearOfThem($layer));
        }
    }
}

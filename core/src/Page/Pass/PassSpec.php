<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Colour\Tone;
use Awning\Core\Page\Altered;
use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Record;
use Awning\Core\Page\RecordKind;
use Awning\Core\Page\Setup\SetupPlace;

/**
 * A pass as it is kept with the page.
 *
 * @phpstan-import-type ContentData from PassContent
 * @phpstan-import-type ScopeData from Scope
 * @phpstan-import-type MaskData from PassMask
 * @phpstan-import-type TurnData from ColourTurn
 * @phpstan-import-type SetupPlaceData from SetupPlace
 *
 * @phpstan-type PassData array{name: string, figure: int, content: ContentData, scope: ScopeData,
 *     mode: value-of<BlendMode>, opacity: float, visible: bool, order: float, group: ?string, mask: ?MaskData,
 *     turn: ?TurnData, setup: ?SetupPlaceData}
 */
final readonly class PassSpec implements Record
{
    use Altered;

    /** How far up or down the order of passes goes. */
    public const FARTHEST = 1e6;

    /** What a person may alter of a pass that is there. */
    public const CHANGEABLE = [
        'name',
        'content',
        'mode',
        'opacity',
        'visible',
        'scope',
        'order',
        'group',
        'mask',
        'turn',
    ];

    /** What changes of content were called before it had a place of its own: journals and browsers may hold some. */
    private const CONTENT_BESIDE = ['tone', 'colour', 'follows'];

    /**
     * @param  int  $figure  whose pass it is; 0 for the page's own
     * @param  float  $opacity  0..1
     * @param  float  $order  bottom up among the passes of one figure
     * @param  ?string  $group  id of the group it is in
     * @param  ?PassMask  $mask  another pass it keeps to, or keeps clear of
     * @param  ?ColourTurn  $turn  how its colours are turned before they are laid
     * @param  ?SetupPlace  $setup  what it was hung as; null: by itself
     */
    public function __construct(
        public string $name,
        public int $figure,
        public PassContent $content,
        public Scope $scope,
        public BlendMode $mode = BlendMode::Normal,
        public float $opacity = 1.0,
        public bool $visible = true,
        public float $order = 0.0,
        public ?string $group = null,
        public ?PassMask $mask = null,
        public ?ColourTurn $turn = null,
        public ?SetupPlace $setup = null,
    ) {
        Bounds::name($name, 'A pass');
        Bounds::whole('figure', $figure, 0);
        Bounds::number('opacity', $opacity, 0, 1);
        Bounds::number('order', $order, -self::FARTHEST, self::FARTHEST);
        $group === null || Bounds::id($group);
        if (
            $content->kind()->looksAround() &&
            ! in_array(PassPlace::of($scope), [PassPlace::Above, PassPlace::Behind], true)
        ) {
            throw new \InvalidArgumentException(
                'What makes the picture soft lies over the whole page or behind a figure.',
            );
        }
    }

    public static function kind(): RecordKind
    {
        return RecordKind::Pass;
    }

    public static function fromData(Data $data): self
    {
        return new self(
            name: $data->name('name', 'A pass'),
            figure: $data->int('figure', 0, PHP_INT_MAX, 0),
            content: self::contentOf($data),
            scope: Scope::fromData($data->has('scope') ? $data->map('scope') : new Data([])),
            mode: $data->choice('mode', BlendMode::class, 'This blend mode is not known.', BlendMode::Normal),
            opacity: $data->number('opacity', 0, 1, 1.0),
            visible: $data->flag('visible', true),
            order: $data->number('order', -self::FARTHEST, self::FARTHEST, 0.0),
            group: $data->has('group') ? $data->id('group') : null,
            mask: $data->has('mask') ? PassMask::fromData($data->map('mask')) : null,
            turn: $data->has('turn') ? ColourTurn::fromData($data->map('turn')) : null,
            setup: $data->has('setup') ? SetupPlace::fromData($data->map('setup')) : null,
        );
    }

    /** As moods and setups keep them: nobody's, over the whole page, ungrouped, shown, without a mask. */
    public static function ofNobody(Data $data): self
    {
        $always = [
            'figure' => 0,
            'scope' => Scope::page()->toData(),
            'order' => 0.0,
            'group' => null,
            'visible' => true,
            'mask' => null,
            'setup' => null,
        ];

        $pass = self::fromData((new Data($always))->over($data));

        // Labels are of one page alone.
        return $pass->content instanceof WashContent && $pass->content->around !== null
            ? $pass->showing(new WashContent($pass->content->colour))
            : $pass;
    }

    /**
     * @return array<array-key, mixed> what a change that was written before content had a place of its own says of it
     */
    private static function contentBeside(Data $values): array
    {
        return array_intersect_key($values->all(), array_flip(self::CONTENT_BESIDE));
    }

    /** Passes that were written before their content had a place of its own hold it among all else. */
    private static function contentOf(Data $data): PassContent
    {
        $own = $data->has('content') ? $data->map('content') : $data;

        return $own->choice('kind', PassKind::class, 'This kind of pass is not known.')->content()::fromData($own);
    }

    /** @return PassData */
    public function toData(): array
    {
        return [
            'name' => $this->name,
            'figure' => $this->figure,
            'content' => $this->content->toData(),
            'scope' => $this->scope->toData(),
            'mode' => $this->mode->value,
            'opacity' => $this->opacity,
            'visible' => $this->visible,
            'order' => $this->order,
            'group' => $this->group,
            'mask' => $this->mask?->toData(),
            'turn' => $this->turn?->toData(),
            'setup' => $this->setup?->toData(),
        ];
    }

    /**
     * Checks the values of a change before the pass that it is of is known.
     *
     * @throws \InvalidArgumentException when a value may not be altered, or not to this
     */
    public static function checkChanges(Data $values): void
    {
        self::fromData(
            $values->over(
                new Data([
                    'name' => 'Pass',
                    'content' => ['kind' => PassKind::Paint->value],
                    'scope' => Scope::page()->toData(),
                ]),
            ),
        );
        foreach ([ToneContent::class, TintContent::class] as $content) {
            $content::fromData(
                (new Data(self::contentBeside($values)))->over(
                    new Data(['tone' => Tone::Base->value, 'colour' => '#000000']),
                ),
            );
        }
        if (array_diff($values->names(), self::CHANGEABLE, self::CONTENT_BESIDE) !== []) {
            throw new \InvalidArgumentException('This of a pass cannot be changed.');
        }
    }

    /** @throws \InvalidArgumentException when a value may not be altered, or not to this */
    public function changed(Data $values): self
    {
        self::checkChanges($values);
        $beside = self::contentBeside($values);
        $own = $beside === [] ? [] : ['content' => $beside + $this->content->toData()];
        $changed = self::fromData((new Data($own))->over($values)->over(new Data($this->toData())));
        if ($changed->content->kind() !== $this->content->kind()) {
            throw new \InvalidArgumentException('A pass stays of its kind. Hang another one beside it.');
        }

        return $changed;
    }

    public function inGroup(?string $group): self
    {
        return $this->but(['group' => $group]);
    }

    public function at(float $order): self
    {
        return $this->but(['order' => $order]);
    }

    public function maskedBy(?PassMask $mask): self
    {
        return $this->but(['mask' => $mask]);
    }

    public function clippedTo(Scope $scope): self
    {
        return $this->but(['scope' => $scope]);
    }

    /**
     * What it lays and how becomes that of another one; where it hangs, and on what, stays. Of one of another kind it
     * takes nothing: what is painted in it would mean something else.
     */
    public function like(self $other): self
    {
        return $other->content->kind() !== $this->content->kind()
            ? $this
            : $this->but([
                'name' => $other->name,
                'content' => $other->content,
                'mode' => $other->mode,
                'opacity' => $other->opacity,
                'turn' => $other->turn,
            ]);
    }

    public function partOf(SetupPlace $setup): self
    {
        return $this->but(['setup' => $setup]);
    }

    /** Of the same kind: what was laid in it stays. */
    public function showing(PassContent $content): self
    {
        return $this->but(['content' => $content]);
    }

    public function layer(string $id): LayerName
    {
        return LayerName::ofPass($id, $this->content->kind()->layer());
    }

    public function isPaint(): bool
    {
        return $this->content instanceof PaintContent;
    }
}

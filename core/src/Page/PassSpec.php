<?php

declare(strict_types=1);

namespace Awning\Core\Page;

use Awning\Core\Colour\Tone;

/**
 * A pass as it is kept with the page.
 *
 * @phpstan-import-type ScopeData from Scope
 *
 * @phpstan-type PassData array{name: string, figure: int, kind: value-of<PassKind>, tone: ?value-of<Tone>, colour: ?string, scope: ScopeData, mode: value-of<BlendMode>, opacity: float, visible: bool, order: float, group: ?string}
 */
final readonly class PassSpec implements Record
{
    /** What a person may alter of a pass that is there. */
    public const CHANGEABLE = ['name', 'tone', 'colour', 'mode', 'opacity', 'visible', 'scope', 'order', 'group'];

    /**
     * @param  int  $figure  whose pass it is; 0 for the page's own
     * @param  float  $opacity  0..1
     * @param  float  $order  bottom up among the passes of one figure
     * @param  ?string  $group  id of the group it is in
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
    ) {
    }

    public static function kind(): RecordKind
    {
        return RecordKind::Pass;
    }

    public static function fromData(Data $data): self
    {
        return new self(
            $data->name('name', 'A pass'),
            $data->int('figure', 0, PHP_INT_MAX, 0),
            $data->choice('kind', PassKind::class, 'A pass is of kind tone, tint or paint.')->content()::fromData($data),
            Scope::fromData($data->has('scope') ? $data->map('scope') : new Data([])),
            $data->choice('mode', BlendMode::class, 'This blend mode is not known.', BlendMode::Normal),
            $data->number('opacity', 0, 1, 1.0),
            $data->flag('visible', true),
            $data->number('order', -1e6, 1e6, 0.0),
            $data->has('group') ? $data->id('group') : null,
        );
    }

    /** @return PassData */
    public function toData(): array
    {
        $own = $this->content->toData();

        return [
            'name' => $this->name,
            'figure' => $this->figure,
            'kind' => $this->content->kind()->value,
            'tone' => $own['tone'] ?? null,
            'colour' => $own['colour'] ?? null,
            'scope' => $this->scope->toData(),
            'mode' => $this->mode->value,
            'opacity' => $this->opacity,
            'visible' => $this->visible,
            'order' => $this->order,
            'group' => $this->group,
        ];
    }

    /** @throws \InvalidArgumentException when a value may not be altered, or not to this */
    public function changed(Data $values): self
    {
        if (array_diff($values->names(), self::CHANGEABLE) !== []) {
            throw new \InvalidArgumentException('This of a pass cannot be changed.');
        }

        return self::fromData($values->over(new Data($this->toData())));
    }

    public function inGroup(?string $group): self
    {
        return new self($this->name, $this->figure, $this->content, $this->scope, $this->mode, $this->opacity, $this->visible, $this->order, $group);
    }

    public function at(float $order): self
    {
        return new self($this->name, $this->figure, $this->content, $this->scope, $this->mode, $this->opacity, $this->visible, $order, $this->group);
    }

    public function clippedTo(Scope $scope): self
    {
        return new self($this->name, $this->figure, $this->content, $scope, $this->mode, $this->opacity, $this->visible, $this->order, $this->group);
    }

    /** Of the same kind: what was laid in it stays. */
    public function showing(PassContent $content): self
    {
        return new self($this->name, $this->figure, $content, $this->scope, $this->mode, $this->opacity, $this->visible, $this->order, $this->group);
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

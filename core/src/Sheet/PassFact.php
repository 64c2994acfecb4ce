<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Compose\BlendMode;
use Awning\Core\Compose\Pass;
use Awning\Core\Compose\Scope;
use Awning\Core\Compose\ScopeKind;

/** A pass as it is kept with the page. */
final readonly class PassFact
{
    /**
     * @param  int  $figure  whose pass it is in the panel; 0 for the page's own
     * @param  Tone|Rgb|null  $colour  a tone pass, a tint pass, a paint pass
     * @param  float  $order  bottom up among the passes of one figure
     * @param  ?string  $group  id of the group it is in
     */
    public function __construct(
        public string $name,
        public int $figure,
        public Tone|Rgb|null $colour,
        public Scope $scope,
        public BlendMode $mode = BlendMode::Normal,
        public float $opacity = 1.0,
        public bool $visible = true,
        public float $order = 0.0,
        public ?string $group = null,
    ) {
    }

    /**
     * @param  array<string, mixed>  $fact
     *
     * @throws \InvalidArgumentException when a value is missing or outside what is allowed; the message says which
     */
    public static function fromArray(array $fact): self
    {
        $name = is_string($fact['name'] ?? null) ? trim($fact['name']) : '';
        if ($name === '' || mb_strlen($name) > 60 || preg_match('/\p{C}/u', $name) !== 0) {
            throw new \InvalidArgumentException('A pass needs a name of 1 to 60 characters.');
        }
        $scope = is_array($fact['scope'] ?? null) ? $fact['scope'] : [];
        $kind = ScopeKind::tryFrom(is_string($scope['kind'] ?? null) ? $scope['kind'] : '') ?? throw new \InvalidArgumentException('A pass stays inside the page, the ink, a figure or a material; say which.');
        $opacity = $fact['opacity'] ?? 1.0;
        if ((! is_int($opacity) && ! is_float($opacity)) || $opacity < 0 || $opacity > 1) {
            throw new \InvalidArgumentException('Opacity runs from 0 to 1.');
        }
        $order = $fact['order'] ?? 0.0;
        $colour = match ($fact['kind'] ?? '') {
            'tone' => Tone::tryFrom(is_string($fact['tone'] ?? null) ? $fact['tone'] : '') ?? throw new \InvalidArgumentException('A tone pass needs one of the six tones.'),
            'tint' => Rgb::fromHex(is_string($fact['colour'] ?? null) ? $fact['colour'] : ''),
            'paint' => null,
            default => throw new \InvalidArgumentException('A pass is of kind tone, tint or paint.'),
        };

        return new self(
            $name,
            is_int($fact['figure'] ?? null) ? $fact['figure'] : 0,
            $colour,
            Scope::of($kind, is_int($scope['id'] ?? null) ? $scope['id'] : 0),
            BlendMode::tryFrom(is_string($fact['mode'] ?? null) ? $fact['mode'] : 'normal') ?? throw new \InvalidArgumentException('This blend mode is not known.'),
            (float) $opacity,
            (bool) ($fact['visible'] ?? true),
            is_int($order) || is_float($order) ? (float) $order : 0.0,
            is_string($fact['group'] ?? null) ? $fact['group'] : null,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'name' => $this->name,
            'figure' => $this->figure,
            'kind' => $this->colour === null ? 'paint' : ($this->colour instanceof Tone ? 'tone' : 'tint'),
            'tone' => $this->colour instanceof Tone ? $this->colour->value : null,
            'colour' => $this->colour instanceof Rgb ? $this->colour->hex() : null,
            'scope' => ['kind' => $this->scope->kind->value, 'id' => $this->scope->id],
            'mode' => $this->mode->value,
            'opacity' => $this->opacity,
            'visible' => $this->visible,
            'order' => $this->order,
            'group' => $this->group,
        ];
    }

    public function isPaint(): bool
    {
        return $this->colour === null;
    }

    public function layer(string $id): string
    {
        return ($this->isPaint() ? 'paint:' : 'pass:').$id;
    }

    public function toPass(string $id): Pass
    {
        $colour = $this->colour instanceof Rgb ? $this->colour->red << 16 | $this->colour->green << 8 | $this->colour->blue : $this->colour;

        return new Pass($this->layer($id), $colour, $this->scope, $this->mode, $this->opacity, $this->visible);
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Colour\Tone;
use Awning\Core\Page\Data;
use Awning\Core\Page\LayerKind;

/**
 * At each pixel the named tone of the material below.
 *
 * @phpstan-type ToneData array{kind: 'tone', tone: value-of<Tone>}
 */
final readonly class ToneContent implements PassContent
{
    use LaysOver;

    public function __construct(public Tone $tone)
    {
    }

    public static function fromData(Data $data): self
    {
        return new self($data->choice('tone', Tone::class, 'A tone pass needs one of the palette’s tones.'));
    }

    /** @return ToneData */
    public function toData(): array
    {
        return ['kind' => 'tone', 'tone' => $this->tone->value];
    }

    public function kind(): PassKind
    {
        return PassKind::Tone;
    }

    public static function layer(): LayerKind
    {
        return LayerKind::Coverage;
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Page;

/** The kinds of pass. A new kind is its content, the layer that lays it, and a line here and in Compose's LayerKinds. */
enum PassKind: string
{
    case Tone = 'tone';
    case Tint = 'tint';
    case Paint = 'paint';
    case Levels = 'levels';
    case Mist = 'mist';
    case Softness = 'softness';

    /** @return class-string<PassContent> */
    public function content(): string
    {
        return match ($this) {
            self::Tone => ToneContent::class,
            self::Tint => TintContent::class,
            self::Paint => PaintContent::class,
            self::Levels => LevelsContent::class,
            self::Mist => MistContent::class,
            self::Softness => SoftnessContent::class,
        };
    }

    public function layer(): LayerKind
    {
        return $this === self::Paint ? LayerKind::Paint : LayerKind::Coverage;
    }

    /** Whether a hand paints in it. What is not painted fills all that its clip and its mask leave. */
    public function isPainted(): bool
    {
        return in_array($this, [self::Tone, self::Tint, self::Paint], true);
    }

    /** Whether what it does follows from the picture beneath it. */
    public function alters(): bool
    {
        return in_array($this, [self::Levels, self::Softness], true);
    }

    /** Whether it looks at the pixels about each one, so that it can only be laid over everything that lies beneath. */
    public function looksAround(): bool
    {
        return $this === self::Softness;
    }
}

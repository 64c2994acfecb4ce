<?php

declare(strict_types=1);

namespace Awning\Core\Page;

/** The kinds of pass. A new kind is its content, the layer that lays it, and a line here and in Compose's LayerKinds. */
enum PassKind: string
{
    case Tone = 'tone';
    case Tint = 'tint';
    case Paint = 'paint';

    /** @return class-string<PassContent> */
    public function content(): string
    {
        return match ($this) {
            self::Tone => ToneContent::class,
            self::Tint => TintContent::class,
            self::Paint => PaintContent::class,
        };
    }

    public function layer(): LayerKind
    {
        return match ($this) {
            self::Tone, self::Tint => LayerKind::Coverage,
            self::Paint => LayerKind::Paint,
        };
    }
}

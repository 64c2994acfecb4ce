<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Page\LayerKind;

/**
 * The kinds of pass. A new kind is its content, the layer that lays it, and a line here and in Compose's LayerKinds.
 */
enum PassKind: string
{
    case Tone = 'tone';
    case Tint = 'tint';
    case Paint = 'paint';
    case Wash = 'wash';
    case Gradient = 'gradient';
    case Levels = 'levels';
    case Curve = 'curve';
    case Shift = 'shift';
    case Balance = 'balance';
    case Mist = 'mist';
    case Particles = 'particles';
    case Clouds = 'clouds';
    case Lightning = 'lightning';
    case Shafts = 'shafts';
    case Softness = 'softness';
    case Glow = 'glow';
    case Shimmer = 'shimmer';

    /** @return class-string<PassContent> */
    public function content(): string
    {
        return match ($this) {
            self::Tone => ToneContent::class,
            self::Tint => TintContent::class,
            self::Paint => PaintContent::class,
            self::Wash => WashContent::class,
            self::Gradient => GradientContent::class,
            self::Levels => LevelsContent::class,
            self::Curve => CurveContent::class,
            self::Shift => ShiftContent::class,
            self::Balance => BalanceContent::class,
            self::Mist => MistContent::class,
            self::Particles => ParticlesContent::class,
            self::Clouds => CloudsContent::class,
            self::Lightning => LightningContent::class,
            self::Shafts => ShaftsContent::class,
            self::Softness => SoftnessContent::class,
            self::Glow => GlowContent::class,
            self::Shimmer => ShimmerContent::class,
        };
    }

    /** What its layer holds; of one that is not painted, nothing. */
    public function layer(): LayerKind
    {
        return $this->content()::layer() ?? LayerKind::Coverage;
    }

    public function isPainted(): bool
    {
        return $this->content()::layer() !== null;
    }

    public function alters(): bool
    {
        return $this->content()::alters();
    }

    public function looksAround(): bool
    {
        return $this->content()::looksAround();
    }
}

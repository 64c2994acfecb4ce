<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\PassKind;
use Awning\Core\Page\Pass\PassSpec;

/** Which layer lays which kind of pass. A new kind of pass is a line here. */
final class LayerKinds
{
    public static function layer(string $id, PassSpec $pass, ?Mask $mask = null, ?PageSize $page = null): PassLayer
    {
        return match ($pass->content->kind()) {
            PassKind::Tone => new ToneLayer($id, $pass, $mask),
            PassKind::Tint => new TintLayer($id, $pass, $mask),
            PassKind::Paint => new PaintLayer($id, $pass, $mask),
            PassKind::Wash => new WashLayer($id, $pass, $mask),
            PassKind::Gradient => new GradientLayer($id, $pass, $mask, $page),
            PassKind::Levels,
            PassKind::Curve,
            PassKind::Shift,
            PassKind::Balance => new AlteringLayer($id, $pass, $mask),
            PassKind::Clouds => new CloudsLayer($id, $pass, $mask, $page),
            PassKind::Mist,
            PassKind::Particles,
            PassKind::Lightning,
            PassKind::Shafts => new WeatherLayer($id, $pass, $mask, $page),
            PassKind::Softness => new SoftnessLayer($id, $pass, $mask),
            PassKind::Glow => new GlowLayer($id, $pass, $mask, $page),
            PassKind::Shimmer => new ShimmerLayer($id, $pass, $mask, $page),
        };
    }
}

<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Colour\GradientStop;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;
use Awning\Core\Page\Data;

/**
 * What the board and the passes panel offer: the pass each tone paints in, and the passes one can hang. The browser is
 * told this as data. Colours, modes and opacities of the hangable passes are common practice.
 *
 * @phpstan-import-type ContentData from PassContent
 *
 * @phpstan-type TonePassRule array{tone: value-of<Tone>, name: string, scope: value-of<ScopeKind>}
 * @phpstan-type OfferedPass array{title: string, scopes: list<value-of<ScopeKind>>, pass: array{name: string,
 *     content: ContentData, mode: value-of<BlendMode>, opacity: float}}
 * @phpstan-type HangablePass array{group: string, title: string, scopes: list<value-of<ScopeKind>>,
 *     pass: array{name: string, content: ContentData, mode: value-of<BlendMode>, opacity: float}}
 * @phpstan-type PassRulesData array{tones: list<TonePassRule>, hangable: list<HangablePass>, orderStep: float}
 */
final class PassRules
{
    /** Where a pass can be hung that does not look at the pixels about each one. */
    private const SCOPES = ['figure', 'behind', 'ink', 'page'];

    /**
     * The pass a tone paints in when no other is picked. What a material has beside its six tones is its own: it is
     * clipped to the material, and called as the tone is.
     */
    public static function forTone(Tone $tone, int $figure, int $material): PassSpec
    {
        return new PassSpec(
            self::toneName($tone),
            $figure,
            new ToneContent($tone),
            match (true) {
                $tone === Tone::Line => Scope::ink(),
                $tone->isMore() => Scope::material($material),
                default => Scope::figure($figure),
            },
        );
    }

    public static function toneName(Tone $tone): string
    {
        return match ($tone) {
            Tone::Deep => 'Deep shade',
            Tone::Shade => 'Shade',
            Tone::Base => 'Base',
            Tone::Light => 'Light',
            Tone::Glint => 'Glint',
            Tone::Line => 'Line colour',
            default => 'Named tone',
        };
    }

    /** @return list<HangablePass> without figure, clip and order: these depend on where it is hung */
    public static function hangable(): array
    {
        $offered = [];
        foreach (
            [
                'Light and shade' => self::lightAndShade(),
                'Colour' => self::colour(),
                'Adjust what lies beneath' => self::adjustments(),
                'Weather' => self::weather(),
                'Blur, glow and heat' => self::optics(),
            ] as $group => $passes
        ) {
            foreach ($passes as $pass) {
                $offered[] = ['group' => $group] + $pass;
            }
        }

        return $offered;
    }

    /** @return list<OfferedPass> */
    private static function lightAndShade(): array
    {
        return [
            self::tint('Occlusion (multiply tint)', 'Occlusion', '#4b4668', BlendMode::Multiply, 0.5),
            self::tint('Shade tint (multiply, 35 %)', 'Shade tint', '#5a6a9c', BlendMode::Multiply, 0.35),
            self::tint(
                'Shade in the opposite of the light (multiply)',
                'Opposite shade',
                '#5a6a9c',
                BlendMode::Multiply,
                0.35,
                LightPart::Opposite,
            ),
            self::tint('Bounced light (screen, 35 %)', 'Bounce', '#8fa8c8', BlendMode::Screen, 0.35),
            self::tint('Rim light (screen)', 'Rim', '#ffe2b0', BlendMode::Screen, 0.8),
            self::tint('Glow (plus-lighter)', 'Glow', '#ffb765', BlendMode::PlusLighter, 0.5),
            self::tint('Fade (white, for lines in the light)', 'Fade', '#ffffff', BlendMode::Normal, 0.6),
        ];
    }

    /** @return list<OfferedPass> */
    private static function colour(): array
    {
        return [
            self::filling('Wash of one colour', 'Wash', new WashContent(Rgb::fromHex('#e8a860')), BlendMode::SoftLight),
            self::filling('Gradient', 'Gradient', self::sky(), BlendMode::Multiply),
            [
                'title' => 'Free paint',
                'scopes' => self::SCOPES,
                'pass' => [
                    'name' => 'Paint',
                    'content' => (new PaintContent)->toData(),
                    'mode' => BlendMode::Normal->value,
                    'opacity' => 1.0,
                ],
            ],
        ];
    }

    /** @return list<OfferedPass> */
    private static function adjustments(): array
    {
        return [
            self::filling('Levels', 'Levels', new LevelsContent),
            self::filling('Curve', 'Curve', new CurveContent([[0.0, 0.0], [1.0, 1.0]])),
            self::filling('Lightness, chroma and hue', 'Shift', new ShiftContent),
            self::filling('Colour balance', 'Balance', new BalanceContent),
        ];
    }

    /** @return list<OfferedPass> */
    private static function weather(): array
    {
        $colour = Rgb::fromHex('#dfe6ee');
        $fog = new MistContent($colour, texture: 0.25, top: 0.55, fade: 0.4);
        $particles = Weather::all();

        return [
            self::filling('Mist in patches', 'Mist', new MistContent($colour)),
            self::filling('Fog that thins out', 'Fog', $fog),
            ...array_map(
                fn (string $name, ParticlesContent $content): array => self::filling($name, $name, $content),
                array_keys($particles),
                array_values($particles),
            ),
            self::filling(
                'Clouds',
                'Clouds',
                new CloudsContent(Rgb::fromHex('#fbfaf6'), Rgb::fromHex('#a3b0c8')),
            ),
            self::filling(
                'Light shafts (screen)',
                'Light shafts',
                new ShaftsContent(Rgb::fromHex('#ffe9c0')),
                BlendMode::Screen,
            ),
            self::filling(
                'Lightning (screen)',
                'Lightning',
                new LightningContent(Rgb::fromHex('#dfe4ff')),
                BlendMode::Screen,
            ),
        ];
    }

    /** @return list<OfferedPass> */
    private static function optics(): array
    {
        return [
            self::filling('Softness of what lies beneath', 'Softness', new SoftnessContent),
            self::filling('Glow of what is bright (screen)', 'Bright glow', new GlowContent, BlendMode::Screen),
            self::filling('Heat shimmer', 'Shimmer', new ShimmerContent),
        ];
    }

    /** One of those, hung on a figure and clipped to it, under another name. */
    public static function onFigure(string $offered, string $name, int $figure): PassSpec
    {
        $pass = array_column(array_column(self::hangable(), 'pass'), null, 'name')[$offered];

        return PassSpec::fromData(
            new Data(['name' => $name, 'figure' => $figure, 'scope' => Scope::figure($figure)->toData()] + $pass),
        );
    }

    /**
     * One that fills all it reaches.
     *
     * @return OfferedPass
     */
    private static function filling(
        string $title,
        string $name,
        PassContent $content,
        BlendMode $mode = BlendMode::Normal,
    ): array {
        $scopes = $content->kind()->looksAround() ? [ScopeKind::Behind->value, ScopeKind::Page->value] : self::SCOPES;

        return [
            'title' => $title,
            'scopes' => $scopes,
            'pass' => [
                'name' => $name,
                'content' => $content->toData(),
                'mode' => $mode->value,
                'opacity' => 1.0,
            ],
        ];
    }

    /** From a dark sky above to nothing below. */
    private static function sky(): GradientContent
    {
        return new GradientContent(
            isRound: false,
            isOklab: true,
            from: [0.5, 0.0],
            to: [0.5, 1.0],
            stops: [
                new GradientStop(0.0, Rgb::fromHex('#3b4a7a')),
                new GradientStop(1.0, Rgb::fromHex('#f2c9a0'), 0.0),
            ],
        );
    }

    /** @return OfferedPass */
    private static function tint(
        string $title,
        string $name,
        string $colour,
        BlendMode $mode,
        float $opacity,
        ?LightPart $follows = null,
    ): array {
        return [
            'title' => $title,
            'scopes' => self::SCOPES,
            'pass' => [
                'name' => $name,
                'content' => (new TintContent(Rgb::fromHex($colour), $follows))->toData(),
                'mode' => $mode->value,
                'opacity' => $opacity,
            ],
        ];
    }

    /** @return PassRulesData */
    public static function toData(): array
    {
        return [
            'tones' => array_map(
                fn (Tone $tone): array => [
                    'tone' => $tone->value,
                    'name' => self::toneName($tone),
                    'scope' => self::forTone($tone, 1, 1)->scope->kind->value,
                ],
                Tone::cases(),
            ),
            'hangable' => self::hangable(),
            'orderStep' => PassOrder::STEP,
        ];
    }
}

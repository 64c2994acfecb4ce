<?php

declare(strict_types=1);

namespace Awning\Core\Brush;

use Awning\Core\Page\Data;

/**
 * The brushes that lie ready, and what a brush of an artist's own is read from. The settings of those that lie ready
 * are ours.
 *
 * @phpstan-import-type TipData from Tip
 *
 * @phpstan-type BoxedBrush array{id: int, name: string, what: string, size: float, hardness: float, tip: ?TipData}
 */
final class BrushBox
{
    /** @return list<BoxedBrush> */
    public static function all(): array
    {
        return [
            self::brush('Deck pen', 'a hard edge; what shades are cut with', 60, 1),
            self::brush('Sea fog', 'soft from the middle outward', 160, 0),
            self::brush(
                'Plank',
                'a flat edge that keeps its angle',
                70,
                0.9,
                new Tip(TipKind::Flat, spacing: 0.09, angle: -35, sizeBy: PressureCurve::from(0.7)),
            ),
            self::brush(
                'Broom',
                'bristles that comb along the stroke',
                90,
                1,
                new Tip(
                    kind: TipKind::Bristle,
                    seed: 5,
                    flow: 0.6,
                    spacing: 0.06,
                    along: true,
                    sizeBy: PressureCurve::from(0.6),
                    flowBy: PressureCurve::from(0.5),
                    taper: 0.08,
                ),
            ),
            self::brush(
                'Harbour chalk',
                'crumbs on the tooth of the paper',
                70,
                0.6,
                new Tip(
                    kind: TipKind::Grain,
                    seed: 11,
                    flow: 0.5,
                    spacing: 0.15,
                    turn: 1,
                    sizeBy: PressureCurve::from(0.7),
                    flowBy: PressureCurve::from(0.4),
                    grain: 0.7,
                ),
            ),
            self::brush(
                'Bow spray',
                'drops thrown aside',
                120,
                1,
                new Tip(
                    kind: TipKind::Splatter,
                    seed: 3,
                    spacing: 0.45,
                    scatter: 0.6,
                    turn: 1,
                    jitter: 0.7,
                    sizeBy: PressureCurve::from(0.8),
                ),
            ),
            self::brush(
                'Loose hair',
                'a few strands that run out at both ends',
                46,
                1,
                new Tip(
                    kind: TipKind::Strands,
                    seed: 8,
                    flow: 0.85,
                    spacing: 0.045,
                    along: true,
                    sizeBy: PressureCurve::from(0.5),
                    taper: 0.35,
                ),
            ),
            self::brush(
                'Rope fibre',
                'many frayed strands',
                60,
                1,
                new Tip(
                    kind: TipKind::Strands,
                    seed: 21,
                    flow: 0.6,
                    spacing: 0.12,
                    scatter: 0.18,
                    along: true,
                    turn: 0.04,
                    jitter: 0.4,
                    sizeBy: PressureCurve::from(0.7),
                ),
            ),
            self::brush(
                'Glimmer',
                'single sparkles',
                60,
                1,
                new Tip(
                    TipKind::Sparkle,
                    2,
                    spacing: 1.3,
                    scatter: 0.5,
                    jitter: 0.75,
                    sizeBy: PressureCurve::from(0.6),
                ),
            ),
            self::brush(
                'Wet sleeve',
                'thin paint that dries darker at its edge',
                110,
                0.75,
                new Tip(
                    TipKind::Round,
                    flow: 0.35,
                    spacing: 0.08,
                    sizeBy: PressureCurve::from(0.7),
                    flowBy: PressureCurve::from(0.5),
                    wet: 0.8,
                ),
            ),
            self::brush(
                'Lantern glow',
                'builds up slowly where it goes again',
                200,
                0,
                new Tip(
                    TipKind::Round,
                    flow: 0.08,
                    spacing: 0.08,
                    sizeBy: PressureCurve::from(0.8),
                    flowBy: PressureCurve::from(0.2),
                ),
            ),
            self::brush(
                'Salt crust',
                'broken grains for stone and rust',
                130,
                0.4,
                new Tip(
                    kind: TipKind::Grain,
                    seed: 40,
                    flow: 0.9,
                    spacing: 0.5,
                    scatter: 0.35,
                    turn: 1,
                    jitter: 0.6,
                    sizeBy: PressureCurve::from(0.8),
                    grain: 0.4,
                ),
            ),
        ];
    }

    /** @return BoxedBrush */
    private static function brush(string $name, string $what, float $size, float $hardness, ?Tip $tip = null): array
    {
        return [
            'id' => 0,
            'name' => $name,
            'what' => $what,
            'size' => $size,
            'hardness' => $hardness,
            'tip' => $tip?->toData(),
        ];
    }

    /**
     * A brush somebody made.
     *
     * @return array{size: float, hardness: float, tip: ?TipData}
     *
     * @throws \InvalidArgumentException|\RangeException
     */
    public static function own(Data $data): array
    {
        return [
            'size' => $data->number('size', 1, Brush::LARGEST),
            'hardness' => $data->number('hardness', 0, 1),
            'tip' => $data->has('tip') ? Tip::fromData($data->map('tip'))->toData() : null,
        ];
    }
}

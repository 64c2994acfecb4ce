<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

use Awning\Core\Page\Data;
use Awning\Core\Sheet\Ops\AbsorbRegions;
use Awning\Core\Sheet\Ops\AbsorbStrays;
use Awning\Core\Sheet\Ops\AddPass;
use Awning\Core\Sheet\Ops\ChangeBridges;
use Awning\Core\Sheet\Ops\ChangeDrawing;
use Awning\Core\Sheet\Ops\ChangePass;
use Awning\Core\Sheet\Ops\ColourLines;
use Awning\Core\Sheet\Ops\CopyPass;
use Awning\Core\Sheet\Ops\DragPaint;
use Awning\Core\Sheet\Ops\DrawInk;
use Awning\Core\Sheet\Ops\FillInside;
use Awning\Core\Sheet\Ops\FillRegions;
use Awning\Core\Sheet\Ops\GroupPasses;
use Awning\Core\Sheet\Ops\HangSetup;
use Awning\Core\Sheet\Ops\JoinRegions;
use Awning\Core\Sheet\Ops\JoinSetup;
use Awning\Core\Sheet\Ops\LimitBridges;
use Awning\Core\Sheet\Ops\LockRegions;
use Awning\Core\Sheet\Ops\MergePass;
use Awning\Core\Sheet\Ops\MovePaint;
use Awning\Core\Sheet\Ops\OrderPasses;
use Awning\Core\Sheet\Ops\PaintRamp;
use Awning\Core\Sheet\Ops\PaintShape;
use Awning\Core\Sheet\Ops\PlacePaint;
use Awning\Core\Sheet\Ops\PourPaint;
use Awning\Core\Sheet\Ops\RemoveDrawing;
use Awning\Core\Sheet\Ops\RemovePass;
use Awning\Core\Sheet\Ops\ResizeRegions;
use Awning\Core\Sheet\Ops\ShapeRegions;
use Awning\Core\Sheet\Ops\ShiftColours;
use Awning\Core\Sheet\Ops\SoftenMask;
use Awning\Core\Sheet\Ops\SoftenPass;
use Awning\Core\Sheet\Ops\StandBefore;
use Awning\Core\Sheet\Ops\StandUnder;
use Awning\Core\Sheet\Ops\StartPage;
use Awning\Core\Sheet\Ops\Stroke;
use Awning\Core\Sheet\Ops\TellFlow;
use Awning\Core\Sheet\Ops\TellSolids;
use Awning\Core\Sheet\Ops\WearVariant;

/** The ops a client may ask for. A new op is a class and a line here. */
final class OpKinds
{
    /** @var list<class-string<ClientOp>> */
    public const ALL = [
        FillRegions::class,
        FillInside::class,
        ChangeBridges::class,
        LimitBridges::class,
        ShapeRegions::class,
        ResizeRegions::class,
        JoinRegions::class,
        LockRegions::class,
        AbsorbRegions::class,
        AbsorbStrays::class,
        ShiftColours::class,
        WearVariant::class,
        Stroke::class,
        PaintShape::class,
        PourPaint::class,
        PaintRamp::class,
        SoftenPass::class,
        SoftenMask::class,
        TellSolids::class,
        StandBefore::class,
        TellFlow::class,
        StandUnder::class,
        DragPaint::class,
        MovePaint::class,
        PlacePaint::class,
        AddPass::class,
        ChangePass::class,
        CopyPass::class,
        MergePass::class,
        RemovePass::class,
        GroupPasses::class,
        OrderPasses::class,
        HangSetup::class,
        JoinSetup::class,
        StartPage::class,
        ChangeDrawing::class,
        RemoveDrawing::class,
        DrawInk::class,
        ColourLines::class,
    ];

    /**
     * @param  array<array-key, mixed>  $input
     *
     * @throws OpRefused
     */
    public static function read(string $kind, array $input): ClientOp
    {
        foreach (self::ALL as $op) {
            if ($op::kind() === $kind) {
                return OpRefused::onInvalidValues(fn (): ClientOp => $op::fromInput(new Data($input)));
            }
        }
        throw new OpRefused('This kind of change is not known. Reload the page.');
    }
}

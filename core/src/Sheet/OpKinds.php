<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

use Awning\Core\Page\Data;
use Awning\Core\Sheet\Ops\Flats\AbsorbRegions;
use Awning\Core\Sheet\Ops\Flats\AbsorbStrays;
use Awning\Core\Sheet\Ops\Flats\ChangeBridges;
use Awning\Core\Sheet\Ops\Flats\ChooseVariant;
use Awning\Core\Sheet\Ops\Flats\FillInside;
use Awning\Core\Sheet\Ops\Flats\FillRegions;
use Awning\Core\Sheet\Ops\Flats\JoinRegions;
use Awning\Core\Sheet\Ops\Flats\LimitBridges;
use Awning\Core\Sheet\Ops\Flats\LockRegions;
use Awning\Core\Sheet\Ops\Flats\ResizeRegions;
use Awning\Core\Sheet\Ops\Flats\ShapeRegions;
use Awning\Core\Sheet\Ops\Flats\ShiftColours;
use Awning\Core\Sheet\Ops\Ink\ChangeDrawing;
use Awning\Core\Sheet\Ops\Ink\ColourLines;
use Awning\Core\Sheet\Ops\Ink\DrawInk;
use Awning\Core\Sheet\Ops\Ink\RemoveDrawing;
use Awning\Core\Sheet\Ops\Ink\StartPage;
use Awning\Core\Sheet\Ops\Light\SetDirections;
use Awning\Core\Sheet\Ops\Light\SetInFront;
use Awning\Core\Sheet\Ops\Light\SetLightPlan;
use Awning\Core\Sheet\Ops\Light\SetSolids;
use Awning\Core\Sheet\Ops\Paint\DragPaint;
use Awning\Core\Sheet\Ops\Paint\MovePaint;
use Awning\Core\Sheet\Ops\Paint\PaintRamp;
use Awning\Core\Sheet\Ops\Paint\PaintShape;
use Awning\Core\Sheet\Ops\Paint\PlacePaint;
use Awning\Core\Sheet\Ops\Paint\PourPaint;
use Awning\Core\Sheet\Ops\Paint\SoftenPass;
use Awning\Core\Sheet\Ops\Paint\Stroke;
use Awning\Core\Sheet\Ops\Passes\AddPass;
use Awning\Core\Sheet\Ops\Passes\BringWithMood;
use Awning\Core\Sheet\Ops\Passes\ChangePass;
use Awning\Core\Sheet\Ops\Passes\CopyPass;
use Awning\Core\Sheet\Ops\Passes\GroupPasses;
use Awning\Core\Sheet\Ops\Passes\HangSetup;
use Awning\Core\Sheet\Ops\Passes\JoinSetup;
use Awning\Core\Sheet\Ops\Passes\LetGoMood;
use Awning\Core\Sheet\Ops\Passes\MergePass;
use Awning\Core\Sheet\Ops\Passes\OrderPasses;
use Awning\Core\Sheet\Ops\Passes\RemovePass;
use Awning\Core\Sheet\Ops\Passes\ShowHeldMood;
use Awning\Core\Sheet\Ops\Passes\SoftenMask;
use Awning\Core\Sheet\Ops\Passes\WashSurroundings;
use Awning\Core\Sheet\Ops\Passes\WearMood;
use Awning\Core\Sheet\Ops\Passes\WearPanelMood;

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
        ChooseVariant::class,
        Stroke::class,
        PaintShape::class,
        PourPaint::class,
        PaintRamp::class,
        SoftenPass::class,
        SoftenMask::class,
        SetSolids::class,
        SetInFront::class,
        SetDirections::class,
        SetLightPlan::class,
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
        BringWithMood::class,
        WashSurroundings::class,
        WearMood::class,
        WearPanelMood::class,
        ShowHeldMood::class,
        LetGoMood::class,
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

/** The kinds of change to a page. A new one is a file beside these and a line here, as in the core's OpKinds. */
import { absorbRegions } from './flats/absorbRegions';
import { absorbStrays } from './flats/absorbStrays';
import { changeBridges } from './flats/changeBridges';
import { fillInside } from './flats/fillInside';
import { fillRegions } from './flats/fillRegions';
import { joinRegions } from './flats/joinRegions';
import { limitBridges } from './flats/limitBridges';
import { lockRegions } from './flats/lockRegions';
import { resizeRegions } from './flats/resizeRegions';
import { shapeRegions } from './flats/shapeRegions';
import { shiftColours } from './flats/shiftColours';
import { chooseVariant } from './flats/chooseVariant';
import { setInFront } from './light/setInFront';
import { setLightPlan } from './light/setLightPlan';
import { setDirections } from './light/setDirections';
import { setSolids } from './light/setSolids';
import { addPass } from './passes/addPass';
import { changePass } from './passes/changePass';
import { copyPass } from './passes/copyPass';
import { groupPasses } from './passes/groupPasses';
import { hangSetup } from './passes/hangSetup';
import { bringWithMood } from './passes/bringWithMood';
import { washSurroundings } from './passes/washSurroundings';
import { wearMood } from './passes/wearMood';
import { wearPanelMood } from './passes/wearPanelMood';
import { joinSetup } from './passes/joinSetup';
import { letGoMood } from './passes/letGoMood';
import { showHeldMood } from './passes/showHeldMood';
import { mergePass } from './passes/mergePass';
import { orderPasses } from './passes/orderPasses';
import { removePass } from './passes/removePass';
import { softenMask } from './passes/softenMask';
import { dragPaint } from './paint/dragPaint';
import { movePaint } from './paint/movePaint';
import { paintRamp } from './paint/paintRamp';
import { paintShape } from './paint/paintShape';
import { placePaint } from './paint/placePaint';
import { pourPaint } from './paint/pourPaint';
import { softenPass } from './paint/softenPass';
import { stroke } from './paint/stroke';
import { changeDrawing } from './ink/changeDrawing';
import { colourLines } from './ink/colourLines';
import { drawInk } from './ink/drawInk';
import { removeDrawing } from './ink/removeDrawing';
import { startPage } from './ink/startPage';
import type { OpKind } from './op';

const KINDS = [
    absorbRegions,
    absorbStrays,
    changeBridges,
    fillInside,
    fillRegions,
    joinRegions,
    limitBridges,
    lockRegions,
    resizeRegions,
    shapeRegions,
    shiftColours,
    chooseVariant,
    setInFront,
    setLightPlan,
    setDirections,
    setSolids,
    addPass,
    changePass,
    copyPass,
    groupPasses,
    hangSetup,
    bringWithMood,
    washSurroundings,
    wearMood,
    wearPanelMood,
    showHeldMood,
    letGoMood,
    joinSetup,
    mergePass,
    orderPasses,
    removePass,
    softenMask,
    dragPaint,
    movePaint,
    paintRamp,
    paintShape,
    placePaint,
    pourPaint,
    softenPass,
    stroke,
    changeDrawing,
    colourLines,
    drawInk,
    removeDrawing,
    startPage,
] as const;

/** A change to a page as it is asked for: its kind and its input. */
export type Op = ReturnType<(typeof KINDS)[number]>;

/** A kind of change of which it does not matter which it is: given an op of its kind as input. */
export type AnyKind = OpKind<Op['kind'], Op>;

const BY_KIND = new Map<string, AnyKind>(KINDS.map((kind) => [kind.kind, kind as unknown as AnyKind]));

export function kindOf(op: Op): AnyKind {
    const kind = BY_KIND.get(op.kind);
    if (kind === undefined) throw new Error(`No kind of change is called ${op.kind}.`);
    return kind;
}

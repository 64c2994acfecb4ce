import { area, areaAtFirst, type AreaView } from './area';
import { allBut } from './allBut';
import { block, blockAtFirst, type BlockView } from './block';
import { bridge } from './bridge';
import { choose } from './choose';
import { cue } from './cue';
import { drag, dragAtFirst, type DragView } from './drag';
import { erase } from './erase';
import { fill } from './fill';
import { gradient } from './gradient';
import { lightning } from './lightning';
import { clouds } from './clouds';
import { shafts } from './shafts';
import { ink } from './ink';
import { look } from './look';
import { loop } from './loop';
import { move } from './move';
import { pen } from './pen';
import { pick } from './pick';
import { place } from './place';
import { shape, shapeAtFirst, type ShapeView } from './shape';
import { pour } from './pour';
import { ramp, rampAtFirst, type RampView } from './ramp';
import { soften, softenAtFirst, type SoftenView } from './soften';
import { strike, strikeAtFirst, type StrikeView } from './strike';
import { sweep } from './sweep';
import type { Tool, ToolId } from './tool';
import { unfill } from './unfill';

export const TOOLS: Record<ToolId, Tool> = {
    look,
    fill,
    sweep,
    loop,
    allBut,
    cue,
    unfill,
    bridge,
    block,
    choose,
    pen,
    area,
    pour,
    ramp,
    gradient,
    lightning,
    clouds,
    shafts,
    soften,
    drag,
    move,
    erase,
    ink,
    pick,
    strike,
    place,
    shape,
};

/** What tools that can be set to something are set to. */
export type ToolsView = StrikeView & ShapeView & BlockView & AreaView & RampView & SoftenView & DragView;

export const toolsAtFirst: ToolsView = {
    ...strikeAtFirst,
    ...shapeAtFirst,
    ...blockAtFirst,
    ...areaAtFirst,
    ...rampAtFirst,
    ...softenAtFirst,
    ...dragAtFirst,
};

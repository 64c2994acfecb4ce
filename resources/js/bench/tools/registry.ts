import { area } from './area';
import { allBut } from './allBut';
import { block } from './block';
import { bridge } from './bridge';
import { choose } from './choose';
import { cue } from './cue';
import { drag } from './drag';
import { erase } from './erase';
import { fill } from './fill';
import { ink } from './ink';
import { look } from './look';
import { loop } from './loop';
import { move } from './move';
import { pen } from './pen';
import { pick } from './pick';
import { place } from './place';
import { shape } from './shape';
import { pour } from './pour';
import { ramp } from './ramp';
import { soften } from './soften';
import { strike } from './strike';
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

import { erase } from './erase';
import { fill } from './fill';
import { look } from './look';
import { pen } from './pen';
import { soft } from './soft';
import { sweep } from './sweep';
import type { Tool, ToolId } from './tool';
import { unfill } from './unfill';

export const TOOLS: Record<ToolId, Tool> = { look, fill, sweep, unfill, pen, soft, erase };

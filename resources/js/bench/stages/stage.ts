/** What a stage is: its tools, how the page looks in it, and what is left to do. Its panel is in the registry. */
import { unfilled } from '../../page/records';
import { sizeOf, type PageView } from '../../page/store';
import type { Look } from '../../picture/compose';
import type { ToolId } from '../tools/tool';

export type StageId = 'ink' | 'flats' | 'light' | 'mood' | 'proof';

export interface Stage {
    id: StageId;
    name: string;
    /** The first is the one used nine times in ten. */
    tools: ToolId[];
    look: Look;
    /** What is left to do, for the rail: a few characters. `odd` is how much was found that is worth a look. */
    left(view: PageView, odd: number): string;
}

/** More tools and settings than fit beside each other: the settings have a row of their own. */
export const hasTwoRows = (stage: Stage): boolean => stage.tools.length > 4;

const LINES_BACK = 0.6;

export const STAGES: Stage[] = [
    {
        id: 'ink',
        name: 'Ink',
        tools: ['ink', 'shape', 'pick', 'strike', 'place', 'look'],
        look: { ink: 1, hatch: false, veil: false, passes: false },
        left: (view) => (sizeOf(view) === null ? 'import' : sizeOf(view)?.behind === true ? 'regions' : '✓'),
    },
    {
        id: 'flats',
        name: 'Flats',
        tools: ['fill', 'sweep', 'loop', 'allBut', 'cue', 'unfill', 'bridge', 'block', 'choose'],
        look: { ink: LINES_BACK, hatch: true, veil: true, passes: false },
        left: leftToFlat,
    },
    {
        id: 'light',
        name: 'Light',
        tools: ['pen', 'area', 'pour', 'ramp', 'soften', 'drag', 'move', 'erase', 'choose'],
        look: { ink: 1, hatch: false, veil: true, passes: true },
        left: (view) => count(Object.values(view.records.pass).filter((pass) => pass.figure > 0).length),
    },
    {
        id: 'mood',
        name: 'Mood',
        tools: ['look', 'gradient', 'clouds', 'lightning', 'shafts', 'pen', 'erase', 'choose'],
        look: { ink: 1, hatch: false, veil: false, passes: true },
        left: (view) => count(Object.values(view.records.pass).filter((pass) => pass.figure === 0).length),
    },
    {
        id: 'proof',
        name: 'Proof',
        tools: ['look'],
        look: { ink: 1, hatch: false, veil: false, passes: true },
        left: () => '',
    },
];

/**
 * What is unfilled; when nothing is, what is to be looked at: odd flats, and gaps of which nobody has said whether they
 * are any.
 */
function leftToFlat(view: PageView, odd: number): string {
    if (sizeOf(view) === null) return '';
    const open = unfilled(view.records).length;
    if (open > 0) return `${open} left`;
    const doubtful = Object.values(view.records.bridge).filter(({ kind }) => kind === 'doubtful').length;
    return doubtful + odd > 0 ? `${doubtful + odd} to look at` : '✓';
}

const count = (of: number): string => (of > 0 ? String(of) : '');

export const stageOf = (id: StageId): Stage => STAGES.find((stage) => stage.id === id) ?? STAGES[0];

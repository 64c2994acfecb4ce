/** Every key of the bench, once: the handler, the tools' faces and the key sheet all read this table. */
import { TONES } from '../api/generated';
import type { BenchModel } from './model/model';
import { stageOf } from './stages/stage';
import { TOOLS } from './tools/registry';
import { isTyping } from '../ui/typing';

export interface KeyBinding {
    /** As the sheet shows it. */
    shown: string;
    what: string;
    /** Whether an event is this key. Letters are compared in lower case. */
    is(event: KeyboardEvent): boolean;
    run?(bench: BenchModel, event: KeyboardEvent): void;
    /** When the key goes up. */
    up?(bench: BenchModel): void;
    /** Works with Ctrl or Cmd held. */
    withCommand?: boolean;
}

const key = (name: string) => (event: KeyboardEvent) => event.key.toLowerCase() === name;
/** Whether the tool in hand can be mirrored. */
const hasAxis = (bench: BenchModel): boolean => TOOLS[bench.view.tool].isMirrored === true;
const PAN = 60;
const ARROWS: Record<string, [number, number]> = {
    ArrowLeft: [PAN, 0],
    ArrowRight: [-PAN, 0],
    ArrowUp: [0, PAN],
    ArrowDown: [0, -PAN],
};

/** A tool by its letter; tools of one name in several stages share theirs. */
const tools: KeyBinding[] = Object.values(TOOLS)
    .filter((tool, at, all) => tool.id !== 'look' && all.findIndex(({ key: letter }) => letter === tool.key) === at)
    .map((tool) => ({
        shown: tool.key,
        what: tool.name.toLowerCase(),
        is: key(tool.key.toLowerCase()),
        run: (bench) => {
            const here = stageOf(bench.view.stage).tools.find((id) => TOOLS[id].key === tool.key);
            if (here !== undefined) bench.set({ tool: here });
        },
    }));

export const KEYS: KeyBinding[] = [
    {
        shown: '1 – 5',
        what: 'tones of the material, dark to light',
        is: (event) => /^[1-5]$/.test(event.key),
        run: (bench, event) => bench.pickTone(TONES[Number(event.key) - 1]),
    },
    {
        shown: '6 – 9',
        what: 'its named tones',
        is: (event) => /^[6-9]$/.test(event.key),
        run: (bench, event) => bench.pickNamed(Number(event.key) - 6),
    },
    { shown: '0', what: 'line colour', is: key('0'), run: (bench) => bench.pickTone('line') },
    {
        shown: 'C',
        what: 'next figure of the cast',
        is: (event) => key('c')(event) && !event.shiftKey,
        run: (bench) => bench.stepFigure(1),
    },
    {
        shown: 'Shift C',
        what: 'figure before',
        is: (event) => key('c')(event) && event.shiftKey,
        run: (bench) => bench.stepFigure(-1),
    },
    ...tools,
    {
        shown: 'E',
        what: 'erase while held',
        is: key('e'),
        run: (bench, event) => !event.repeat && bench.hold('erase'),
        up: (bench) => bench.release(),
    },
    {
        shown: '.',
        what: 'the flats without light, while held',
        is: key('.'),
        run: (bench) => bench.set({ isUnlit: true }),
        up: (bench) => bench.set({ isUnlit: false }),
    },
    {
        shown: ',',
        what: 'the compared mood, while held',
        is: key(','),
        run: (bench) => bench.view.compared !== null && bench.set({ isComparing: true }),
        up: (bench) => bench.set({ isComparing: false }),
    },
    {
        shown: '[ ]',
        what: 'smaller, larger brush',
        is: (event) => event.key === '[' || event.key === ']',
        run: (bench, event) => bench.resize(event.key === '[' ? 1 / 1.25 : 1.25),
    },
    { shown: 'Shift', what: 'straight stroke', is: () => false },
    {
        shown: 'N',
        what: 'next unfilled region',
        is: key('n'),
        run: (bench) => bench.view.stage === 'flats' && bench.flats.nextUnfilled(),
    },
    { shown: 'Space', what: 'drag the page', is: () => false },
    {
        shown: 'Arrows',
        what: 'move the page',
        is: (event) => event.key in ARROWS,
        run: (bench, event) => bench.surface?.pan(...ARROWS[event.key]),
    },
    {
        shown: 'Wheel, + −',
        what: 'zoom',
        is: (event) => event.key === '+' || event.key === '=' || event.key === '-',
        run: (bench, event) => bench.surface?.zoom(event.key === '-' ? 1 / 1.25 : 1.25),
    },
    { shown: 'O', what: 'whole page', is: key('o'), run: (bench) => bench.surface?.fit() },
    { shown: 'V', what: 'mirror the view', is: key('v'), run: (bench) => bench.surface?.mirror() },
    {
        shown: 'R',
        what: 'turn the view',
        is: key('r'),
        run: (bench, event) => bench.surface?.turn(((event.shiftKey ? -1 : 1) * Math.PI) / 12),
    },
    {
        shown: 'Y',
        what: 'mirror what is inked or painted',
        is: key('y'),
        run: (bench) => hasAxis(bench) && bench.toggleAxis(),
    },
    {
        shown: 'Delete',
        what: 'delete picked lines',
        is: (event) => event.key === 'Delete' || event.key === 'Backspace',
        run: (bench) => bench.ink.removePicked(),
    },
    { shown: 'G', what: 'grey', is: key('g'), run: (bench) => bench.set({ grey: !bench.view.grey }) },
    { shown: 'H', what: 'hide overlays', is: key('h'), run: (bench) => bench.set({ overlays: !bench.view.overlays }) },
    {
        shown: 'Ctrl Z',
        what: 'undo',
        withCommand: true,
        is: (event) => key('z')(event) && !event.shiftKey,
        run: (bench) => bench.session.undo(),
    },
    {
        shown: 'Ctrl Shift Z',
        what: 'redo',
        withCommand: true,
        is: (event) => key('z')(event) && event.shiftKey,
        run: (bench) => bench.session.redo(),
    },
    {
        shown: 'Enter',
        what: 'end the shape under way',
        is: key('enter'),
        run: endShape,
    },
    {
        shown: 'Esc',
        what: 'call off what is under way',
        is: key('escape'),
        run: (bench) => {
            bench.surface?.cancel();
            bench.set(
                bench.view.isDrawingFlow ? { isDrawingFlow: false } : { draft: [], pickedLines: [], pickedRegions: [] },
            );
        },
    },
    { shown: '?', what: 'this sheet', is: key('?'), run: (bench) => bench.set({ isKeySheetOpen: true }) },
];

function endShape(bench: BenchModel): void {
    const { stage, draft } = bench.view;
    if (draft.length < 2) return;
    if (stage === 'ink') bench.ink.endDraft(false);
    else if (stage === 'flats') bench.flats.endCorners();
    else bench.surface?.end();
}

/** Whether the key is for the control that has the focus: arrows move a slider, Space presses a button. */
function belongsToControl(event: KeyboardEvent): boolean {
    const target = event.target;
    if (isTyping(target) || document.querySelector('dialog[open]') !== null) return true;
    const isControl = target instanceof HTMLElement && target.matches('input, button, a, [role=slider], [data-keys]');
    return isControl && (event.key in ARROWS || event.key === ' ' || event.key === 'Enter');
}

export function bindingFor(event: KeyboardEvent): KeyBinding | undefined {
    if (belongsToControl(event)) return undefined;
    const command = event.ctrlKey || event.metaKey;
    if (event.altKey) return undefined;
    return KEYS.find(
        (binding) => (binding.withCommand ?? false) === command && binding.run !== undefined && binding.is(event),
    );
}

/** Listens for the bench's keys until the answer is called. */
export function listen(bench: BenchModel): () => void {
    const down = (event: KeyboardEvent): void => {
        const binding = bindingFor(event);
        if (binding === undefined) return;
        if (binding.withCommand || event.key in ARROWS) event.preventDefault();
        binding.run?.(bench, event);
    };
    const up = (event: KeyboardEvent): void =>
        KEYS.filter((binding) => binding.up !== undefined && binding.is(event)).forEach((binding) =>
            binding.up?.(bench),
        );
    window.addEventListener('keydown', down);
    window.addEventListener('keyup', up);
    return () => {
        window.removeEventListener('keydown', down);
        window.removeEventListener('keyup', up);
    };
}

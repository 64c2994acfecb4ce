/** A small page for tests, and what of a browser the code under test asks for. */
import { vi } from 'vitest';
import { TONES } from '../api/generated';
import type {
    BridgeData,
    BridgeKind,
    DrawingData,
    FeedState,
    MaterialState,
    PageStateData,
    PassData,
    RegionData,
    TaskState,
    Tone,
} from '../api/generated';
import type { Flat } from '../picture/stack';

/** A flat that has one colour in every tone. */
export const flatOf = (colour: number, figure = 3): Flat => ({
    figure,
    material: figure,
    light: null,
    tones: Object.fromEntries(TONES.map((tone) => [tone, colour])) as Flat['tones'],
});

const tones = (seed: number): Record<Tone, string> => ({
    deep: `#0${seed}0000`,
    shade: `#0${seed}1000`,
    base: `#0${seed}2000`,
    light: `#0${seed}3000`,
    glint: `#0${seed}4000`,
    line: `#0${seed}5000`,
    'more-1': `#0${seed}6000`,
    'more-2': `#0${seed}2000`,
    'more-3': `#0${seed}2000`,
    'more-4': `#0${seed}2000`,
});

export const oilskin: MaterialState = {
    id: 9,
    figure: 3,
    name: 'oilskin',
    version: 1,
    pinned: ['base'],
    steps: [1, 2, 3, 4],
    dials: null,
    more: [],
    tones: tones(1),
};
export const clogs: MaterialState = {
    id: 8,
    figure: 4,
    name: 'clogs',
    version: 1,
    pinned: ['base'],
    steps: [1, 2, 3, 4],
    dials: null,
    more: [],
    tones: tones(2),
};

export const region = (material: number, area: number, x = 0, y = 0): RegionData => ({
    figure: material === 0 ? 0 : 3,
    material,
    area,
    x,
    y,
    locked: false,
    shift: null,
    variant: null,
    solid: null,
    inFront: false,
    flow: null,
    plan: null,
    mood: null,
});

export const shade: PassData = {
    name: 'Shade',
    figure: 3,
    content: { kind: 'tone', tone: 'shade' },
    scope: { kind: 'figure', id: 3 },
    mode: 'normal',
    opacity: 1,
    visible: true,
    order: 1,
    group: null,
    mask: null,
    turn: null,
    setup: null,
};

/** A scan that lies on the page as ink. */
export const drawing: DrawingData = {
    original: 5,
    name: 'scan.png',
    width: 400,
    height: 200,
    clean: {
        flatten: 1,
        paper: null,
        ink: null,
        weight: 0,
        specks: 9,
        pinholes: 4,
        colours: 'auto',
        turn: null,
        hard: false,
        crop: true,
    },
    place: { x: 300, y: 200, scale: 1, turn: 0, mirror: false, corners: null, crop: null, covers: false },
    role: 'ink',
    tint: '#4a8fe0',
    strength: 0.5,
    above: false,
    visible: true,
    order: 0,
    picture: 1,
    pictures: 1,
    found: { paper: 20, ink: 200, askew: null, turned: 0, specks: 0, share: 0.1, dropped: [], sheet: null },
};

/** A gap that was closed, or may be, from one pixel to another. */
export const bridgeOf = (kind: BridgeKind, x1: number, y1: number, x2: number, y2: number): BridgeData => ({
    kind,
    x1,
    y1,
    x2,
    y2,
    score: 0.5,
});

/** Long work that is done, unless it is told otherwise. */
export const taskState = (more: Partial<TaskState> = {}): TaskState => ({
    id: 6,
    kind: 'match',
    state: 'done',
    progress: 100,
    message: '',
    download: null,
    name: null,
    question: null,
    report: null,
    match: null,
    outcomes: null,
    ...more,
});

/** A feed that has nothing to tell, and need not be asked again soon. */
export const quiet: FeedState = {
    revision: 5,
    palette: 4,
    holder: null,
    reset: false,
    tiles: [],
    records: [],
    journal: null,
    paletteState: null,
    again: 9e6,
};

export function pageState(more: Partial<PageStateData> = {}): PageStateData {
    return {
        id: 7,
        number: 1,
        title: 'Noon',
        revision: 5,
        series: { id: 2, name: 'The Salt Ferry', readWidth: 160, readPpi: 110 },
        role: 'colourist',
        brushes: [{ id: 0, name: 'Deck pen', what: 'a hard edge', size: 60, hardness: 1, tip: null }],
        records: {
            page: {
                page: {
                    width: 600,
                    height: 400,
                    dpi: 300,
                    behind: false,
                    lines: { rule: 'black', colour: '#111111', shown: true },
                    mood: '',
                    moodPlan: null,
                    moodVariant: null,
                },
            },
            region: { 1: region(0, 90, 11, 12), 2: region(9, 50), 3: region(0, 400, 31, 32) },
            bridge: {},
            pass: {},
            group: {},
            drawing: {},
            stroke: {},
            shift: {},
            held: {},
        },
        tiles: [{ ink: { '0,0': 'a' } }, {}, {}, {}, {}],
        palette: {
            version: 4,
            light: '#ffffff',
            lightColours: { light: '#fff1d6', around: '#8fa8c8', opposite: '#4a5f9e' },
            dials: {
                toward: 'opposite',
                turn: 0.2,
                shade: 0.8,
                deep: 0.7,
                chroma: 1,
                light: 0.3,
                glint: 0.5,
                pull: 0.1,
            },
            standIns: { materials: {}, figures: {} },
            variants: [],
            under: [],
            held: null,
            variant: null,
            lights: [],
            plan: null,
            figures: [
                { id: 3, name: 'Oda', depth: 2, soft: false, follows: null, materials: [oilskin] },
                { id: 5, name: 'Nobody', depth: 3, soft: false, follows: null, materials: [] },
                { id: 4, name: 'Tamsin', depth: 1, soft: false, follows: null, materials: [clogs] },
            ],
        },
        journal: { undo: 'Import', redo: null, count: 1 },
        rules: {
            tones: [
                { tone: 'shade', name: 'Shade', scope: 'figure' },
                { tone: 'light', name: 'Light', scope: 'figure' },
                { tone: 'line', name: 'Line colour', scope: 'ink' },
            ],
            hangable: [],
            orderStep: 1,
        },
        waiting: null,
        ...more,
    };
}

/** Timers and listeners of a window that shows nothing. */
export function stubWindow(): void {
    vi.stubGlobal('window', {
        addEventListener: () => undefined,
        removeEventListener: () => undefined,
        setInterval: (work: () => void, every: number) => setInterval(work, every),
        clearInterval: (timer: ReturnType<typeof setInterval>) => clearInterval(timer),
        setTimeout: (work: () => void, after: number) => setTimeout(work, after),
        clearTimeout: (timer: ReturnType<typeof setTimeout>) => clearTimeout(timer),
    });
}

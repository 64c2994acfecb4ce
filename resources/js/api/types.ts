export type ToneName = 'deep' | 'shade' | 'base' | 'light' | 'glint' | 'line';
export const TONES: ToneName[] = ['deep', 'shade', 'base', 'light', 'glint', 'line'];

export type Role = 'owner' | 'colourist' | 'flatter' | 'viewer';

export interface Material {
    id: number;
    figure: number;
    name: string;
    version: number;
    tones: Record<ToneName, string>;
    pinned: ToneName[];
    /** CIEDE2000 from each tone to the next lighter one, deep to glint. */
    steps: number[];
}

export interface Figure {
    id: number;
    name: string;
    depth: number;
    materials: Material[];
}

export interface Palette {
    version: number;
    light: string;
    figures: Figure[];
}

export type BlendMode =
    | 'normal' | 'multiply' | 'screen' | 'overlay' | 'darken' | 'lighten' | 'color-dodge' | 'color-burn' | 'hard-light'
    | 'soft-light' | 'difference' | 'exclusion' | 'hue' | 'saturation' | 'color' | 'luminosity' | 'plus-lighter';
export const BLEND_MODES: BlendMode[] = [
    'normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light',
    'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter',
];

export interface Scope {
    kind: 'page' | 'ink' | 'figure' | 'material';
    id: number;
}

export interface PassFact {
    name: string;
    figure: number;
    kind: 'tone' | 'tint' | 'paint';
    tone: ToneName | null;
    colour: string | null;
    scope: Scope;
    mode: BlendMode;
    opacity: number;
    visible: boolean;
    order: number;
    group: string | null;
}

export interface GroupFact {
    isolated: boolean;
    mode: BlendMode;
    opacity: number;
}

export interface RegionFact {
    figure: number;
    material: number;
    area: number;
    x: number;
    y: number;
}

export interface BridgeFact {
    x1: number;
    y1: number;
    x2: number;
    y2: number;
}

export interface SizeFact {
    width: number;
    height: number;
    dpi: number;
    paper: number;
    ink: number;
}

export interface Facts {
    page: Record<string, SizeFact>;
    region: Record<string, RegionFact>;
    bridge: Record<string, BridgeFact>;
    pass: Record<string, PassFact>;
    group: Record<string, GroupFact>;
}

export interface PageState {
    id: number;
    number: number;
    title: string;
    revision: number;
    series: { id: number; name: string; readWidth: number; readPpi: number };
    role: Role;
    facts: Facts;
    tiles: Record<string, Record<string, string>>;
    palette: Palette;
    journal: { undo: string | null; redo: string | null; count: number };
    waiting: { id: number; name: string } | null;
}

export interface Applied {
    revision: number;
    title: string | null;
    tiles: [string, number, number, string | null][];
    facts: [keyof Facts, string, unknown][];
    journal: PageState['journal'];
}

export interface TaskState {
    id: number;
    kind: 'import' | 'clean' | 'deliver';
    state: 'waiting' | 'working' | 'done' | 'failed' | 'stopped';
    progress: number;
    message: string;
    download: string | null;
    name: string | null;
}

export interface PageCard {
    id: number;
    number: number;
    title: string;
    revision: number;
    regions: number;
    unfilled: number;
    passes: number;
    /** A scan was left with the page and is not imported yet. */
    waiting: boolean;
    holder: string | null;
}

export interface SeriesCard {
    id: number;
    name: string;
    role: Role;
    pages: PageCard[];
}

export interface SeriesState extends SeriesCard {
    palette: Palette;
    people: { id: number; name: string; role: Role }[];
}

export interface SessionState {
    user: { id: number; name: string } | null;
    demo: { id: number; name: string; email: string }[];
}

export interface BrushSpec {
    size: number;
    hardness: number;
    opacity: number;
    smoothing: number;
}

export type Op =
    | { kind: 'fill'; labels: number[]; material: number }
    | { kind: 'stroke'; pass: string; points: [number, number, number][]; brush: BrushSpec; erase: boolean; colour?: string; make?: Omit<PassFact, 'order' | 'group' | 'visible'> }
    | { kind: 'pass.add'; id: string; pass: Partial<PassFact> }
    | { kind: 'pass.change'; id: string; values: Partial<PassFact> }
    | { kind: 'pass.remove'; id: string }
    | { kind: 'group'; id: string; passes: string[]; how: GroupFact | null };

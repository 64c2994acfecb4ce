/** What a page shows, bottom up, from its records and palette; the same order as the core's. */
import {
    TONES,
    type BlendMode,
    type BroughtData,
    type ContentData,
    type LightColoursData,
    type LinesData,
    type PaletteState,
    type PassData,
    type RecordsState,
    type RegionData,
    type ScopeData,
    type ShiftData,
    type SizeData,
    type Tone,
    type TurnData,
} from '../api/generated';

import { toColour, type Colour } from './colour';
import { passKindOf } from './passKinds/registry';
import { shifted } from './shift';

/** A colour of the light. */
type LightColour = keyof LightColoursData;

export interface Flat {
    figure: number;
    material: number;
    tones: Record<Tone, Colour>;
    /**
     * What tints follow that follow the light, where it stands under another plan than the page; null: they follow
     * the page's.
     */
    light: Record<LightColour, Colour> | null;
}

export interface PassNode {
    kind: 'pass';
    id: string;
    /** Names the layer that holds its coverage or paint. */
    layer: string;
    /** What it lays, under the light of the page and among its flats. */
    content: ContentData;
    scope: ScopeData;
    mode: BlendMode;
    opacity: number;
    mask: MaskNode | null;
    /** How its colours are turned before they are laid. */
    turn: TurnData | null;
}

/** The pass another keeps to, or keeps clear of. */
export interface MaskNode {
    layer: string;
    scope: ScopeData;
    outside: boolean;
}

interface GroupNode {
    kind: 'group';
    children: PassNode[];
    isolated: boolean;
    mode: BlendMode;
    opacity: number;
}

export type StackNode = PassNode | GroupNode;

/** One figure in the depth of the page. */
interface DepthPlane {
    figure: number;
    layers: StackNode[];
    /** Over everything farther away, and hidden by this figure's flats. */
    behind: StackNode[];
    /** Whether a layer reaches beyond the figure's own flats, so that nearer flats must hide it. */
    spills: boolean;
}

/** How the ink looks under its holds. */
export interface Lines {
    shown: boolean;
    colour: Colour;
    /** Whether it takes the line tone of the material beneath it, where there is one. */
    byTone: boolean;
    /** How it blends with what lies beneath. */
    mode: BlendMode;
}

export const BLACK_LINES: Lines = { shown: true, colour: 0x111111, byTone: false, mode: 'normal' };

export interface Stack {
    /** Px; of the whole page. */
    page: { width: number; height: number };
    flats: Map<number, Flat>;
    /** Farthest first. */
    planes: DepthPlane[];
    ink: StackNode[];
    lines: Lines;
    above: StackNode[];
    /** The labels that show clearly under a veil over all others, where flats are worked on; null: there is no veil. */
    clear: Set<number> | null;
    /** Figures whose outer edge is softened by a pixel. */
    soft: ReadonlySet<number>;
    /** Labels whose fill is only proposed: hatched like what is unfilled, over their colour. */
    proposed: Set<number> | null;
}

/** A page that shows nothing yet. */
export const EMPTY: Stack = {
    page: { width: 1, height: 1 },
    flats: new Map(),
    planes: [],
    ink: [],
    lines: BLACK_LINES,
    above: [],
    clear: null,
    soft: new Set(),
    proposed: null,
};

/** The name of the layer that holds what is painted in a pass. */
export const layerOf = (id: string, { content }: Pick<PassData, 'content'>): string =>
    `${passKindOf(content).holds === 'paint' ? 'paint' : 'pass'}:${id}`;

export function sortedPasses(passes: RecordsState['pass']): [string, PassData][] {
    return Object.entries(passes).sort(([a, p], [b, q]) => p.order - q.order || (a < b ? -1 : 1));
}

export function buildStack(records: RecordsState, palette: PaletteState): Stack {
    const flats = flatsOf(records, palette);
    const figureOf = new Map(
        palette.figures.flatMap((figure) => figure.materials.map((material) => [material.id, figure.id] as const)),
    );
    const clippedTo = (scope: ScopeData): number =>
        scope.kind === 'material' ? (figureOf.get(scope.id) ?? 0) : scope.id;
    const soft = new Set(palette.figures.filter((figure) => figure.soft).map(({ id }) => id));
    const stack: Stack = {
        page: records.page.page ?? EMPTY.page,
        flats,
        planes: [],
        ink: [],
        lines: linesOf(records),
        above: [],
        clear: null,
        soft,
        proposed: null,
    };
    const planes = new Map<number, DepthPlane>();
    const planeOf = (figure: number): DepthPlane => {
        const plane = planes.get(figure) ?? { figure, layers: [], behind: [], spills: false };
        planes.set(figure, plane);
        return plane;
    };
    for (const [pass, node] of nodesOf(records, { palette, flats })) {
        if (pass.scope.kind === 'ink') stack.ink.push(node);
        else if (pass.scope.kind === 'page') stack.above.push(node);
        else if (pass.scope.kind === 'behind') planeOf(pass.scope.id).behind.push(node);
        else {
            const figure = pass.figure > 0 ? pass.figure : clippedTo(pass.scope);
            const plane = planeOf(figure);
            plane.layers.push(node);
            plane.spills ||= (node.kind === 'group' ? node.children : [node]).some(
                (member) => clippedTo(member.scope) !== figure,
            );
        }
    }
    const present = [...planes.keys(), ...[...flats.values()].map((flat) => flat.figure)];
    stack.planes = farToNear(palette, present).map(planeOf);
    return stack;
}

function linesOf(records: RecordsState): Lines {
    const lines = records.page.page?.lines;
    if (lines === undefined) return BLACK_LINES;
    return {
        shown: lines.shown,
        colour: inkOf(lines),
        byTone: lines.rule === 'tone',
        mode: lines.rule === 'beneath' ? 'multiply' : 'normal',
    };
}

/** What colours beneath are multiplied by unless another colour is set; as in the core. */
const OVER: Colour = 0x64566a;

/** What the ink begins with, before holds colour it. */
function inkOf({ rule, colour }: LinesData): Colour {
    const own = toColour(colour);
    if (rule === 'beneath') return own === BLACK_LINES.colour ? OVER : own;
    return rule === 'colour' ? own : BLACK_LINES.colour;
}

/**
 * Under which light plan and in which variant the tones of a region are shown, as in the core: a mood of its own comes
 * first, then what the region was told; what the mood of the page brings is for regions without either.
 */
function shownUnder({ plan, variant, mood }: RegionData, ofPage: BroughtData): BroughtData {
    return mood === null
        ? { plan: plan ?? ofPage.plan, variant: variant ?? ofPage.variant }
        : { plan: mood.plan ?? plan, variant: mood.variant ?? variant };
}

function flatsOf(records: RecordsState, palette: PaletteState): Map<number, Flat> {
    const tonesOf = tonesFrom(palette);
    const flats = new Map<number, Flat>();
    const shifts = new Map<string, Record<Tone, Colour>>();
    const lights = new Map(palette.lights.map(({ id, colours }) => [id, numbersOf(colours)]));
    const { moodPlan = null, moodVariant = null } = (records.page.page as SizeData | undefined) ?? {};
    const ofPage = { plan: moodPlan, variant: moodVariant };
    for (const [label, region] of Object.entries(records.region)) {
        const { plan, variant } = shownUnder(region, ofPage);
        let known = tonesOf({ material: region.material, variant, plan });
        if (known === undefined) continue;
        const shift = records.shift[region.shift ?? ''] as ShiftData | undefined;
        if (shift !== undefined && shift.material === region.material) {
            const key = `${region.shift} ${variant} ${plan}`;
            const all = shifts.get(key) ?? shiftedTones(known, shift);
            shifts.set(key, (known = all));
        }
        const light = plan === null || plan === palette.plan ? undefined : lights.get(plan);
        flats.set(Number(label), {
            figure: region.figure,
            material: region.material,
            tones: known,
            light: light ?? null,
        });
    }
    return flats;
}

/** What a region's material looks like: in the variant it has, under the light plan it is told to be under. */
function tonesFrom(
    palette: PaletteState,
): (region: Pick<RegionData, 'material' | 'variant' | 'plan'>) => Record<Tone, Colour> | undefined {
    const ofPage = new Map(
        palette.figures.flatMap(({ materials }) => materials.map(({ id, tones }) => [id, tones] as const)),
    );
    const under = new Map(palette.under.map((light) => [light.plan, light]));
    const numbers = new Map<string, Record<Tone, Colour>>();
    return ({ material, variant, plan }) => {
        const key = `${material} ${variant} ${plan}`;
        const known = numbers.get(key);
        if (known !== undefined) return known;
        const light = plan === null ? undefined : under.get(plan);
        const ofVariant = (light ?? palette).variants.find(({ id }) => id === variant)?.materials[material];
        const tones = ofVariant ?? light?.materials[material] ?? ofPage.get(material);
        if (tones === undefined) return undefined;
        const made = numbersOf(tones);
        numbers.set(key, made);
        return made;
    };
}

const numbersOf = <Name extends string>(colours: Record<Name, string>): Record<Name, Colour> =>
    Object.fromEntries(Object.entries<string>(colours).map(([name, hex]) => [name, toColour(hex)])) as Record<
        Name,
        Colour
    >;

const shiftedTones = (tones: Record<Tone, Colour>, shift: ShiftData): Record<Tone, Colour> =>
    Object.fromEntries(TONES.map((tone) => [tone, shifted(tones[tone], shift)])) as Record<Tone, Colour>;

/** Passes and groups in their order; a group stands where its lowest member does. With each, that pass. */
function nodesOf(records: RecordsState, page: OnPage): [PassData, StackNode][] {
    const nodes: [PassData, StackNode][] = [];
    const groups = new Map<string, GroupNode>();
    for (const [id, pass] of sortedPasses(records.pass)) {
        const node = passNode(id, pass, maskOf(records, id, pass), page);
        const group = pass.group === null ? undefined : records.group[pass.group];
        if (pass.group === null || group === undefined) {
            nodes.push([pass, node]);
            continue;
        }
        const there = groups.get(pass.group);
        if (there !== undefined) {
            there.children.push(node);
            continue;
        }
        const made: GroupNode = { kind: 'group', children: [node], ...group };
        groups.set(pass.group, made);
        nodes.push([pass, made]);
    }
    return nodes;
}

/** Whether another pass keeps to this one, or clear of it: rolled up, too, it is seen by what it hides. */
export const isMask = (passes: RecordsState['pass'], id: string): boolean =>
    Object.values(passes).some(({ mask }) => mask?.pass === id);

/** A mask whose pass is gone, or is the pass itself, hides nothing. */
function maskOf(records: RecordsState, id: string, { mask }: PassData): MaskNode | null {
    const by = mask === null || mask.pass === id ? undefined : records.pass[mask.pass];
    return mask === null || by === undefined
        ? null
        : { layer: layerOf(mask.pass, by), scope: by.scope, outside: mask.outside };
}

/** What passes have their colours from that do not have their own. */
interface OnPage {
    palette: PaletteState;
    flats: ReadonlyMap<number, Flat>;
}

function passNode(id: string, pass: PassData, mask: MaskNode | null, page: OnPage): PassNode {
    return {
        kind: 'pass',
        id,
        layer: layerOf(id, pass),
        content: passKindOf(pass.content).onPage?.(pass.content, page.palette, page.flats) ?? pass.content,
        scope: pass.scope,
        mode: pass.mode,
        opacity: pass.visible ? pass.opacity : 0,
        mask,
        turn: pass.turn,
    };
}

/** Figures the palette does not know lie behind all others. */
function farToNear(palette: PaletteState, present: number[]): number[] {
    const known = [...palette.figures].sort((a, b) => a.depth - b.depth).map((figure) => figure.id);
    const unknown = [...new Set(present)].filter((figure) => !known.includes(figure)).sort((a, b) => a - b);
    return [...unknown, ...known];
}

/** The layers a node is made from: those of passes, and of what masks them. */
export const layersIn = (node: StackNode): string[] =>
    node.kind === 'group'
        ? node.children.flatMap(layersIn)
        : [
              ...(passKindOf(node.content).holds === null ? [] : [node.layer]),
              ...(node.mask === null ? [] : [node.mask.layer]),
          ];

/** Px for a thousandth of the page's longer side, on a page halved so often. */
export const thousandthOf = ({ width, height }: Stack['page'], level: number): number =>
    Math.max(width, height) / 1000 / 2 ** level;

/**
 * Px that must be composed beside what is asked for, on a page halved so often, for what looks at the pixels about each
 * one.
 */
export function marginOf({ planes, above, page }: Stack, level: number): number {
    const margins = [...planes.flatMap(({ behind }) => behind), ...above].map((node) =>
        node.kind === 'pass' && node.opacity > 0
            ? (passKindOf(node.content).margin?.(node.content, thousandthOf(page, level), level) ?? 0)
            : 0,
    );
    return margins.reduce((sum, margin) => sum + margin, 0);
}

/** Every layer a stack needs, each once, ink and flats included. */
export function layersOf(stack: Stack): string[] {
    const of = (nodes: StackNode[]): string[] =>
        nodes.flatMap((node) => (node.opacity <= 0 ? [] : node.kind === 'group' ? of(node.children) : layersIn(node)));
    return [
        ...new Set([
            'ink',
            'flats',
            ...stack.planes.flatMap((plane) => [...of(plane.behind), ...of(plane.layers)]),
            ...of(stack.ink),
            ...of(stack.above),
        ]),
    ];
}

/** The same page with one pass only over its flats, as strongly as it is set; one that is rolled up is let down. */
export function alone(stack: Stack, id: string, opacity: number): Stack {
    const only = (nodes: StackNode[]): StackNode[] =>
        nodes
            .flatMap((node) => (node.kind === 'group' ? node.children : [node]))
            .filter((node) => node.id === id)
            .map((node) => ({ ...node, opacity }));
    return {
        ...stack,
        planes: stack.planes.map((plane) => ({ ...plane, behind: only(plane.behind), layers: only(plane.layers) })),
        ink: only(stack.ink),
        above: only(stack.above),
    };
}

/** What a page shows, bottom up, from its facts and palette; the same order as the core's. */
import { TONES, type BlendMode, type Facts, type Palette, type PassFact, type Scope, type ToneName } from '../../api/types';

/** A colour as 0xRRGGBB. */
export type Colour = number;

export interface Flat {
    figure: number;
    material: number;
    tones: Record<ToneName, Colour>;
}

export interface PassNode {
    kind: 'pass';
    id: string;
    layer: string;
    colour: ToneName | Colour | null;
    scope: Scope;
    mode: BlendMode;
    opacity: number;
}

export interface GroupNode {
    kind: 'group';
    children: PassNode[];
    isolated: boolean;
    mode: BlendMode;
    opacity: number;
}

export type StackNode = PassNode | GroupNode;

export interface Stack {
    flats: Map<number, Flat>;
    figures: StackNode[];
    ink: StackNode[];
    above: StackNode[];
}

export const toColour = (hex: string): Colour => parseInt(hex.slice(1), 16);
export const layerOf = (id: string, pass: Pick<PassFact, 'kind'>): string => (pass.kind === 'paint' ? `paint:${id}` : `pass:${id}`);

export function sortedPasses(facts: Facts): [string, PassFact][] {
    return Object.entries(facts.pass).sort(([a, p], [b, q]) => p.order - q.order || (a < b ? -1 : 1));
}

export function buildStack(facts: Facts, palette: Palette): Stack {
    const tones = new Map<number, Record<ToneName, Colour>>();
    for (const figure of palette.figures) {
        for (const material of figure.materials) {
            tones.set(material.id, Object.fromEntries(TONES.map((tone) => [tone, toColour(material.tones[tone])])) as Record<ToneName, Colour>);
        }
    }
    const flats = new Map<number, Flat>();
    for (const [label, region] of Object.entries(facts.region)) {
        const known = tones.get(region.material);
        if (known !== undefined) flats.set(Number(label), { figure: region.figure, material: region.material, tones: known });
    }
    const stack: Stack = { flats, figures: [], ink: [], above: [] };
    const groups = new Map<string, GroupNode>();
    for (const [id, pass] of sortedPasses(facts)) {
        const place = pass.scope.kind === 'ink' ? stack.ink : pass.scope.kind === 'page' ? stack.above : stack.figures;
        const node: PassNode = {
            kind: 'pass',
            id,
            layer: layerOf(id, pass),
            colour: pass.kind === 'tone' ? pass.tone : pass.kind === 'tint' ? toColour(pass.colour ?? '#000000') : null,
            scope: pass.scope,
            mode: pass.mode,
            opacity: pass.visible ? pass.opacity : 0,
        };
        const group = pass.group === null ? undefined : facts.group[pass.group];
        if (pass.group === null || group === undefined) {
            place.push(node);
            continue;
        }
        let there = groups.get(pass.group);
        if (there === undefined) {
            there = { kind: 'group', children: [], ...group };
            groups.set(pass.group, there);
            place.push(there);
        }
        there.children.push(node);
    }
    return stack;
}

/** Every layer a stack needs, ink and flats included. */
export function layersOf(stack: Stack): string[] {
    const layers = ['ink', 'flats'];
    const walk = (nodes: StackNode[]): void => {
        for (const node of nodes) {
            if (node.kind === 'group') walk(node.children);
            else if (node.opacity > 0) layers.push(node.layer);
        }
    };
    [stack.figures, stack.ink, stack.above].forEach(walk);
    return layers;
}

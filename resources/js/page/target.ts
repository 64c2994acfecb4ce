/** Where paint goes. Picking a tone is enough; the sentence under the canvas is made from this and nothing else. */
import type { NewPass } from '../api/client';
import type {
    MaterialState,
    PaletteState,
    PassData,
    PassRulesData,
    RecordsState,
    RoughKind,
    ScopeData,
    ScopeKind,
    Tone,
} from '../api/generated';
import { passKindOf } from '../picture/passKinds/registry';
import { randomId } from './ids';

/** What the ids of passes begin with that a first light was laid in; as in the core. */
const ROUGHED_IN = 'rough';

/** A figure's pass of a first light; as in the core. */
export const roughId = (figure: number, kind: RoughKind): string => `${ROUGHED_IN}${figure}${kind}`;

export const isRoughedIn = (pass: string): boolean => pass.startsWith(ROUGHED_IN);

export interface Target {
    material: MaterialState;
    figureName: string;
    tone: Tone;
    /** A pass picked in the awning; null: the tone's own. */
    pass: string | null;
}

/** The pass a target paints in: the picked one, else the figure's pass of that tone, else one that will be made. */
export function passFor(
    rules: PassRulesData,
    records: RecordsState,
    target: Target,
): { id: string; make: NewPass | null } {
    if (target.pass !== null && records.pass[target.pass] !== undefined) return { id: target.pass, make: null };
    const rule = rules.tones.find((one) => one.tone === target.tone) ?? rules.tones[0];
    const { figure } = target.material;
    const scope = {
        kind: rule.scope,
        id: rule.scope === 'material' ? target.material.id : rule.scope === 'figure' ? figure : 0,
    };
    for (const [id, pass] of Object.entries(records.pass)) {
        // What was computed is computed again: paint goes beside it.
        if (isRoughedIn(id)) continue;
        if (
            pass.figure === figure &&
            pass.content.kind === 'tone' &&
            pass.content.tone === target.tone &&
            isSameScope(pass.scope, scope)
        )
            return { id, make: null };
    }
    const name = target.material.more.find(({ tone }) => tone === target.tone)?.name ?? rule.name;
    return { id: randomId(12), make: { name, figure, content: { kind: 'tone', tone: target.tone }, scope } };
}

/** The ink is one for all. */
/** Whether a clip is told by a figure: inside it, or behind it. */
export const namesFigure = (kind: ScopeKind): boolean => kind === 'figure' || kind === 'behind';

const isSameScope = (a: ScopeData, b: ScopeData): boolean => a.kind === b.kind && (a.kind === 'ink' || a.id === b.id);

/** A pass as it will be once the server has made it: on top of its figure's. */
export function asMade(rules: PassRulesData, records: RecordsState, make: NewPass): PassData {
    const orders = Object.values(records.pass)
        .filter((pass) => pass.figure === make.figure)
        .map((pass) => pass.order);
    const order = Math.max(0, ...orders) + rules.orderStep;
    return {
        mode: 'normal',
        opacity: 1,
        visible: true,
        group: null,
        mask: null,
        turn: null,
        setup: null,
        ...make,
        order,
    };
}

/** Whether each material is still whose it was, and nothing else stands in for another than before. */
export function isSameStanding(a: PaletteState, b: PaletteState): boolean {
    const owners = new Map(
        a.figures.flatMap(({ materials }) => materials.map(({ id, figure }) => [id, figure] as const)),
    );
    const moved = b.figures.some(({ materials }) =>
        materials.some(({ id, figure }) => owners.has(id) && owners.get(id) !== figure),
    );
    return !moved && JSON.stringify(a.standIns) === JSON.stringify(b.standIns);
}

/** The target with its material as it is now, or none when it is gone. */
export function refreshed(palette: PaletteState, target: Target | null): Target | null {
    if (target === null) return null;
    for (const figure of palette.figures) {
        const material = figure.materials.find((one) => one.id === target.material.id);
        if (material !== undefined) return { ...target, material, figureName: figure.name };
    }
    return null;
}

export function sentence(rules: PassRulesData, records: RecordsState, target: Target | null, erasing: boolean): string {
    if (target === null) return 'Pick a tone at the left: it loads the colour and says where the paint goes.';
    const { id, make } = passFor(rules, records, target);
    const pass = make ?? records.pass[id];
    return `${erasing ? 'Erasing in' : 'Painting'} ${target.figureName}’s ${pass.name.toLowerCase()} · ${passKindOf(pass.content).words(pass.content, { mode: pass.mode ?? 'normal' }, target.material)} · ${reachOf(pass, target)}`;
}

function reachOf(pass: NewPass, target: Target): string {
    switch (pass.scope.kind) {
        case 'figure':
            return `stays inside ${target.figureName}`;
        case 'material':
            return `stays inside ${target.figureName}’s ${target.material.name}`;
        case 'ink':
            return 'colours the lines only';
        case 'page':
            return 'reaches over the whole page';
        case 'behind':
            return 'lies behind the figure';
    }
}

/** Where paint goes. Picking a tone is enough; the sentence under the canvas is made from this and nothing else. */
import type { Facts, Material, PassFact, ToneName } from '../api/types';
import { randomId } from './session';

export interface Target {
    material: Material;
    figureName: string;
    tone: ToneName;
    /** A pass picked in the awning; null: the tone's own. */
    pass: string | null;
}

const TONE_PASS: Record<ToneName, string> = { deep: 'Deep shade', shade: 'Shade', base: 'Base', light: 'Light', glint: 'Glint', line: 'Line colour' };

/** The pass a target paints in: the picked one, else the figure's pass of that tone, else one that will be made. */
export function passFor(facts: Facts, target: Target): { id: string; make: Omit<PassFact, 'order' | 'group' | 'visible'> | null } {
    if (target.pass !== null && facts.pass[target.pass] !== undefined) return { id: target.pass, make: null };
    const kind = target.tone === 'line' ? 'ink' : 'figure';
    for (const [id, pass] of Object.entries(facts.pass)) {
        if (pass.figure === target.material.figure && pass.kind === 'tone' && pass.tone === target.tone && pass.scope.kind === kind) return { id, make: null };
    }
    return {
        id: randomId(12),
        make: {
            name: TONE_PASS[target.tone],
            figure: target.material.figure,
            kind: 'tone',
            tone: target.tone,
            colour: null,
            scope: kind === 'ink' ? { kind: 'ink', id: 0 } : { kind: 'figure', id: target.material.figure },
            mode: 'normal',
            opacity: 1,
        },
    };
}

export function sentence(facts: Facts, target: Target | null, erasing: boolean): string {
    if (target === null) return 'Pick a tone at the left: it loads the colour and says where the paint goes.';
    const { id, make } = passFor(facts, target);
    const pass = make ?? facts.pass[id];
    const verb = erasing ? 'Erasing in' : 'Painting';
    const where =
        pass.scope.kind === 'figure' ? `stays inside ${target.figureName}`
        : pass.scope.kind === 'material' ? `stays inside ${target.figureName}’s ${target.material.name}`
        : pass.scope.kind === 'ink' ? 'colours the lines only'
        : 'reaches over the whole page';
    const what = pass.kind === 'tone' ? `each material’s own ${pass.tone === 'line' ? 'line colour' : `${pass.tone} tone`}` : pass.kind === 'tint' ? `${pass.colour} in ${pass.mode}` : 'free colour';
    return `${verb} ${target.figureName}’s ${pass.name.toLowerCase()} · ${what} · ${where}`;
}

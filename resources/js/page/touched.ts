/** Which records a change is about: what is shown of it is newer than what the server tells of an earlier one. */
import type { LaidPaint, Op } from '../api/client';

/** "kind key" of each record. */
export function touchedBy(op: Op): string[] {
    switch (op.kind) {
        case 'fill':
            return op.labels.map((label) => `region ${label}`);
        case 'fill.inside':
        case 'bridges.limit':
        case 'flats.shape':
        case 'flats.resize':
        case 'flats.join':
        case 'flats.absorb':
        case 'flats.strays':
            return [];
        case 'light.solid':
        case 'light.before':
        case 'light.flow':
        case 'light.stand':
        case 'flats.lock':
        case 'variant.wear':
            return op.labels.map((label) => `region ${label}`);
        case 'colour.shift':
            return [`shift ${op.id}`];
        case 'bridges':
            return op.bridge === null ? [] : [`bridge ${op.bridge}`];
        case 'ink.draw':
            return op.strokes.map(({ id }) => `stroke ${id}`);
        case 'pass.change':
        case 'pass.remove':
        case 'pass.copy':
        case 'pass.add':
            return [`pass ${op.id}`];
        case 'pass.merge':
            return [op.id, op.into, op.copy].filter((id) => id !== null).map((id) => `pass ${id}`);
        case 'mask.soften':
            return [`pass ${op.id}`, `pass ${op.mask}`];
        case 'pass.soften':
        case 'paint.drag':
        case 'paint.move':
            return [];
        case 'paint.shape':
        case 'paint.pour':
            return madeBy(op.laying);
        case 'paint.ramp':
            return [op.laying, ...op.over.map(({ laying }) => laying)].flatMap(madeBy);
        case 'setup.hang':
            return op.ids.map((id) => `pass ${id}`);
        case 'paint.place':
        case 'stroke':
            return op.make === null ? [] : [`pass ${op.pass}`];
        case 'setup.join':
            return op.passes.map((id) => `pass ${id}`);
        case 'pass.order':
            return op.passes.map(({ id }) => `pass ${id}`);
        case 'group':
            return [`group ${op.id}`, ...op.passes.map((pass) => `pass ${pass}`)];
        case 'drawing.change':
        case 'drawing.remove':
            return [`drawing ${op.id}`];
        case 'lines.colour':
        case 'page.start':
            return ['page page'];
    }
}

/** The pass that is hung by painting in it. */
const madeBy = ({ make, pass }: LaidPaint): string[] => (make === null ? [] : [`pass ${pass}`]);

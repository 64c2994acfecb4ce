/** What passes are laid over on one stretch of a page: its flats, and the bytes of its layers; as in the core. */
import type { ScopeData } from '../api/generated';
import type { Block } from './compose';
import { thousandthOf, type Flat, type MaskNode, type PassNode, type Stack } from './stack';

/** Labels out of two bytes a pixel, high byte first; of some pixels, or of all. */
export function labelsIn(packed: Uint8Array, at: ArrayLike<number> | null = null): Uint16Array {
    const labels = new Uint16Array(at?.length ?? packed.length / 2);
    for (let i = 0; i < labels.length; i++) {
        const from = 2 * (at?.[i] ?? i);
        labels[i] = (packed[from] << 8) | packed[from + 1];
    }
    return labels;
}

/** A rectangle of the page, px at its level. */
export interface Stretch {
    x: number;
    y: number;
    width: number;
    height: number;
}

export class Ground {
    readonly count: number;
    readonly labels: Uint16Array;
    /** Px; of the whole page, as large as it is. */
    readonly page: Stack['page'];
    /** By label, of those that are here. */
    readonly flats: (Flat | undefined)[] = [];

    constructor(
        stack: Stack,
        private readonly block: Block,
    ) {
        this.count = block.count;
        this.page = stack.page;
        const packed = block.bytes('flats');
        this.labels = packed === null ? new Uint16Array(block.count) : labelsIn(packed);
        for (const label of new Set(this.labels)) this.flats[label] = stack.flats.get(label);
    }

    bytes(layer: string): Uint8Array | null {
        return this.block.bytes(layer);
    }

    get width(): number {
        return this.block.width;
    }

    /** How often the page is halved here. */
    get level(): number {
        return this.block.level ?? 0;
    }

    /** Px here for a thousandth of the page's longer side. */
    get thousandth(): number {
        return thousandthOf(this.page, this.level);
    }

    /** Whether these are some pixels of a block by themselves. */
    get isGathered(): boolean {
        return this.block.places !== undefined;
    }

    /** The coverage of a pass that fills all that its clip and its mask leave; null: nothing of that is here. */
    filled({ scope, mask }: Pick<PassNode, 'scope' | 'mask'>): Uint8Array | null {
        const isInside = this.inside(scope);
        if (!isInside.includes(true)) return null;
        const coverage = this.clipped(new Uint8Array(this.count).fill(255), isInside);
        return mask === null ? coverage : this.masked(coverage, mask);
    }

    /** The place of each pixel here on the page at its level, and of its middle in px of the whole page. */
    everywhere(visit: (i: number, x: number, y: number, middleX: number, middleY: number) => void): void {
        const { x, y, width, places } = this.block;
        const scale = 2 ** this.level;
        for (let i = 0; i < this.count; i++) {
            const at = places?.[i] ?? i;
            const [px, py] = [x + (at % width), y + Math.floor(at / width)];
            visit(i, px, py, (px + 0.5) * scale, (py + 0.5) * scale);
        }
    }

    /** @param value of the middle of a pixel, in px of the whole page; 0..255, rounded */
    generated(value: (x: number, y: number) => number): Uint8Array {
        const bytes = new Uint8Array(this.count);
        this.everywhere((i, _x, _y, middleX, middleY) => (bytes[i] = Math.floor(value(middleX, middleY) + 0.5)));
        return bytes;
    }

    /** A plane that is drawn for a whole rectangle of the page at its level; of some pixels, what lies in them. */
    drawn(plane: (stretch: Stretch) => Uint8Array): Uint8Array {
        const { x, y, width, places } = this.block;
        const last = places === undefined ? this.count - 1 : greatest(places);
        const whole = plane({ x, y, width, height: Math.floor(last / width) + 1 });
        return places === undefined ? whole : Uint8Array.from(places, (at) => whole[at]);
    }

    /** What of a pass's coverage its clip and its mask leave; null: nothing is laid here. */
    coverageOf({ layer, scope, mask }: Pick<PassNode, 'layer' | 'scope' | 'mask'>): Uint8Array | null {
        const isInside = this.inside(scope);
        // Most passes keep to figures that are elsewhere.
        const bytes = isInside.includes(true) ? this.bytes(layer) : null;
        if (bytes === null) return null;
        const coverage = this.clipped(coverageIn(bytes, this.count), isInside);
        return mask === null ? coverage : this.masked(coverage, mask);
    }

    private clipped(coverage: Uint8Array, isInside: boolean[]): Uint8Array {
        if (!isInside.includes(false)) return coverage;
        const left = new Uint8Array(this.count);
        for (let i = 0; i < left.length; i++) if (isInside[this.labels[i]]) left[i] = coverage[i];
        return left;
    }

    /** What a mask leaves of a coverage. */
    private masked(coverage: Uint8Array, mask: MaskNode): Uint8Array {
        const bytes = this.bytes(mask.layer);
        const by = bytes === null ? null : coverageIn(bytes, this.count);
        const isInside = this.inside(mask.scope);
        const left = new Uint8Array(this.count);
        for (let i = 0; i < left.length; i++) {
            const covered = by !== null && isInside[this.labels[i]] ? by[i] : 0;
            left[i] = Math.round((coverage[i] * (mask.outside ? 255 - covered : covered)) / 255);
        }
        return left;
    }

    /** By label, of those that are here: whether a clip lets it through. */
    private inside(scope: ScopeData): boolean[] {
        const isInside: boolean[] = [];
        for (const key of Object.keys(this.flats)) isInside[Number(key)] = holds(scope, this.flats[Number(key)]);
        return isInside;
    }
}

function greatest(values: ArrayLike<number>): number {
    let most = 0;
    for (let i = 0; i < values.length; i++) most = Math.max(most, values[i]);
    return most;
}

/** Of a coverage layer all of it, of a paint layer its alpha. */
const coverageIn = (bytes: Uint8Array, count: number): Uint8Array =>
    bytes.length > count ? bytes.subarray(3 * count) : bytes;

function holds(scope: ScopeData, flat: Flat | undefined): boolean {
    switch (scope.kind) {
        case 'figure':
            return flat?.figure === scope.id;
        case 'material':
            return flat?.material === scope.id;
        default:
            return true;
    }
}

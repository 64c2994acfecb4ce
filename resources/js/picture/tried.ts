/**
 * A light that is being tried: the passes it would hang, and their coverage worked out small. Tiles of any level are
 * drawn out of it, between its pixels by how near they are, as nothing of it is kept anywhere.
 */
import type { PassData, RecordsState, TriedLightState } from '../api/generated';
import { inflate } from '../api/packed';
import { SIDE } from './compose';
import { remember } from './remember';
import { layerOf } from './stack';

/** Tiles kept of all layers; a page in view at any level is a dozen or two, of a dozen layers. */
const MOST_KEPT = 400;

let made = 0;

export class TriedLight {
    /** Under versions that no tile of the page has; another for each that is tried. */
    readonly version = 2 ** 40 + ++made;
    readonly passes: Record<string, PassData> = {};
    private readonly coverage: Map<string, Uint8Array>;
    private readonly tiles = new Map<string, Uint8Array>();

    /** @param coverage of each pass by its id: one byte a pixel of the place */
    constructor(
        private readonly state: TriedLightState,
        coverage: Map<string, Uint8Array>,
    ) {
        for (const [id, { spec }] of Object.entries(state.passes)) this.passes[id] = spec;
        this.coverage = new Map([...coverage].map(([id, bytes]) => [layerOf(id, this.passes[id]), bytes]));
    }

    /** As the server tells it: deflated, as text. */
    static async from(state: TriedLightState): Promise<TriedLight> {
        const unpacked = Object.entries(state.passes).map(async ([id, { coverage }]): Promise<[string, Uint8Array]> => {
            return [id, await inflate(Uint8Array.from(atob(coverage), (byte) => byte.charCodeAt(0)))];
        });
        return new TriedLight(state, new Map(await Promise.all(unpacked)));
    }

    has(layer: string): boolean {
        return this.coverage.has(layer);
    }

    /** Whether a tile shows anything of it; of another try in its place, neither may. */
    touches(level: number, column: number, row: number): boolean {
        const { x, y, width, height } = this.state;
        const [span, by] = [SIDE << level, 1 << this.state.level];
        const meets = (from: number, count: number, at: number): boolean =>
            at * span < (from + count + 1) * by && (at + 1) * span > (from - 1) * by;
        return meets(x, width, column) && meets(y, height, row);
    }

    /** One byte a pixel. */
    tile(layer: string, level: number, column: number, row: number): Uint8Array | null {
        const coverage = this.coverage.get(layer);
        if (coverage === undefined || !this.touches(level, column, row)) return null;
        const key = `${layer} ${level} ${column},${row}`;
        const tile = this.tiles.get(key) ?? this.drawn(coverage, level, column, row);
        remember(this.tiles, key, tile, MOST_KEPT);
        return tile;
    }

    private drawn(coverage: Uint8Array, level: number, column: number, row: number): Uint8Array {
        const { x, y, width, height, level: own } = this.state;
        const across = places(column, level, own, x, width);
        const down = places(row, level, own, y, height);
        const tile = new Uint8Array(SIDE * SIDE);
        const line = new Float32Array(width + 1);
        for (let i = 0; i < SIDE; i++) {
            if (!mixRows(line, coverage, width, height, down.before[i], down.part[i])) continue;
            for (let j = 0; j < SIDE; j++) {
                const left = across.before[j];
                if (left < -1 || left >= width) continue;
                const from = left < 0 ? 0 : line[left];
                tile[i * SIDE + j] = Math.round(from + (line[left + 1] - from) * across.part[j]);
            }
        }
        return tile;
    }
}

/** A row between two of the coverage, with nothing after its last pixel. @return whether there is anything in it */
function mixRows(
    line: Float32Array,
    coverage: Uint8Array,
    width: number,
    height: number,
    above: number,
    part: number,
): boolean {
    let isThere = false;
    for (let i = 0; i < width; i++) {
        const upper = above < 0 || above >= height ? 0 : coverage[above * width + i];
        const lower = above < -1 || above + 1 >= height ? 0 : coverage[(above + 1) * width + i];
        line[i] = upper + (lower - upper) * part;
        isThere ||= line[i] > 0;
    }
    return isThere;
}

interface Places {
    /** The small pixel before each of a tile's. */
    before: Int32Array;
    /** How far it is on the way to the next. */
    part: Float32Array;
}

/** Where along one side of the coverage the pixels of a tile lie; pixels lie at their middles. */
function places(tile: number, level: number, own: number, from: number, count: number): Places {
    const at = Float64Array.from(
        { length: SIDE },
        (_, i) => ((tile * SIDE + i + 0.5) * 2 ** level) / 2 ** own - 0.5 - from,
    );
    return {
        before: Int32Array.from(at, (place) => Math.max(-2, Math.min(count, Math.floor(place)))),
        part: Float32Array.from(at, (place) => place - Math.floor(place)),
    };
}

/**
 * The page with the passes of a light that is tried; those that hang already stay as they are, but for a colour it
 * gives them.
 */
export function withTried(records: RecordsState, tried: TriedLight): RecordsState {
    const hung = Object.entries(records.pass).map(([id, pass]): [string, PassData] => {
        const isGiven = pass.content.kind === 'tint' && pass.content.follows === 'given';
        return [id, isGiven ? { ...pass, content: tried.passes[id]?.content ?? pass.content } : pass];
    });
    return { ...records, pass: { ...tried.passes, ...Object.fromEntries(hung) } };
}

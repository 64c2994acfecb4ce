/** Composites tiles from the layers it was sent, and keeps what lies below the layer the hand is working on. */
import { Composer, PIXELS, SIDE } from './compose';
import type { FloatCanvas } from './canvas';
import type { StackMessage, TileJob } from './jobs';
import type { Stack } from './stack';

interface Kept {
    key: string;
    canvas: FloatCanvas;
}

/** Tiles whose layers are kept; a page in view at any level is fewer. */
const MOST_TILES = 160;
const MOST_BELOW = 24;

export class TileComposer {
    private stack: Stack = { flats: new Map(), planes: [], ink: [], above: [] };
    private stackVersion = 0;
    private readonly layers = new Map<string, Map<string, { version: number; bytes: Uint8Array | null }>>();
    private readonly below = new Map<string, Kept>();

    take({ version, stack }: StackMessage): void {
        this.stack = stack;
        this.stackVersion = version;
    }

    compose(job: TileJob): Uint8ClampedArray<ArrayBuffer> {
        const here = this.receive(job);
        const bytes = (layer: string): Uint8Array | null => {
            const found = here.get(layer)?.bytes ?? null;
            return layer === 'ink' && job.levels !== null && found !== null
                ? found.map((value) => (job.levels as Uint8Array)[value])
                : found;
        };
        const composer = new Composer(this.stack, { count: PIXELS, bytes, x: job.x, y: job.y, width: SIDE }, job.look);
        const steps = composer.steps();
        const at = job.active === null ? -1 : steps.findIndex((step) => step.layers.includes(job.active as string));
        const canvas = at > 0 ? this.startBelow(job, at, composer) : Composer.paper(PIXELS);
        for (const step of steps.slice(Math.max(0, at))) step.lay(canvas);
        return canvas.rgba();
    }

    /** What lies below the active layer, from last time if nothing of it has changed. */
    private startBelow(job: TileJob, at: number, composer: Composer): FloatCanvas {
        const steps = composer.steps().slice(0, at);
        const versions = new Map(job.layers.map((sent) => [sent.layer, sent.version]));
        const look = `${job.look.ink} ${job.look.hatch} ${job.look.passes}`;
        const key = [
            this.stackVersion,
            look,
            ...steps.flatMap((step) => step.layers.map((layer) => `${layer} ${versions.get(layer)}`)),
        ].join('|');
        const kept = this.below.get(job.key);
        if (kept?.key === key) return kept.canvas.copy();
        const canvas = Composer.paper(PIXELS);
        for (const step of steps) step.lay(canvas);
        remember(this.below, job.key, { key, canvas: canvas.copy() }, MOST_BELOW);
        return canvas;
    }

    private receive(job: TileJob): Map<string, { version: number; bytes: Uint8Array | null }> {
        const here = this.layers.get(job.key) ?? new Map();
        remember(this.layers, job.key, here, MOST_TILES);
        for (const { layer, version, bytes } of job.layers) if (bytes !== undefined) here.set(layer, { version, bytes });
        return here;
    }

    /** Which version of a tile's layer is here. */
    has(key: string, layer: string): number | undefined {
        return this.layers.get(key)?.get(layer)?.version;
    }
}

/** Keeps the newest of a map; what was touched last goes last. */
export function remember<V>(map: Map<string, V>, key: string, value: V, most: number): void {
    map.delete(key);
    map.set(key, value);
    for (const old of map.keys()) {
        if (map.size <= most) return;
        map.delete(old);
    }
}

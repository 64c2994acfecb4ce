/**
 * Composites tiles from the layers it was sent, and keeps what lies below and above the layer the hand is working on.
 */
import { Composer, PIXELS, SIDE, type Block, type Step } from './compose';
import { FloatCanvas } from './canvas';
import { AROUND, type StackMessage, type TileJob } from './jobs';
import { soften, softEdges } from './softEdges';
import { passKindOf } from './passKinds/registry';
import { Pictures } from './pictures';
import { remember } from './remember';
import { EMPTY, type Stack, type StackNode } from './stack';
import { composeWide, cut } from './wide';

interface Kept {
    key: string;
    canvas: FloatCanvas;
}

/** Tiles whose layers are kept; a page in view at any level is fewer. */
const MOST_TILES = 160;
const MOST_BELOW = 24;
/** Tiles without what lies over the whole page; less than a megabyte each. */
const MOST_BENEATH = 32;
/** Stretches of plain layers above: a tile has one or two. */
const MOST_ABOVE = 36;

export class TileComposer {
    private stack: Stack = EMPTY;
    private stackVersion = 0;
    private readonly layers = new Map<string, Map<string, { version: number; bytes: Uint8Array | null }>>();
    /** Counts stacks that differ in more than the topmost layers that are computed: those of a mood. */
    private beneathVersion = 0;
    private beneathOf = '';
    /** How many of those are shown. */
    private computed = 0;
    private readonly beneath = new Map<string, Kept>();
    private readonly below = new Map<string, Kept>();
    private readonly above = new Map<string, Kept>();
    private readonly pictures = new Pictures();

    take({ version, stack }: StackMessage): void {
        this.pictures.take(this.stack, stack, version);
        this.stack = stack;
        this.stackVersion = version;
        const { painted, computed } = partedAbove(stack);
        this.computed = computed;
        const beneathOf = computed === 0 ? '' : fingerprint({ ...stack, above: painted });
        if (beneathOf !== this.beneathOf) this.beneathVersion++;
        this.beneathOf = beneathOf;
    }

    compose(job: TileJob): Uint8ClampedArray<ArrayBuffer> {
        const here = this.receive(job);
        const bytes = (layer: string): Uint8Array | null => {
            const found = here.get(layer)?.bytes ?? null;
            return layer === 'ink' && job.levels !== null && found !== null
                ? found.map((value) => (job.levels as Uint8Array)[value])
                : found;
        };
        if (job.wide !== null) {
            const { x, y, width, height } = job.wide;
            const wide = { count: width * height, bytes, x, y, width, level: job.level };
            return cut(composeWide(this.stack, wide, job.look), width, job.x - x, job.y - y, SIDE);
        }
        const block = { count: PIXELS, bytes, x: job.x, y: job.y, width: SIDE, level: job.level };
        const picture = this.hard(job, block);
        const around = bytes(AROUND);
        if (around !== null && this.stack.soft.size > 0)
            soften(picture, softEdges(around, SIDE, this.stack), this.stack, block, job.look);
        return picture;
    }

    /** With every pixel its own region's alone. */
    private hard(job: TileJob, block: Block): Uint8ClampedArray<ArrayBuffer> {
        // The ink stands for another thing while levels are tried.
        if (job.levels !== null) return this.laid(job, block).rgba();
        const layers = job.layers.map(({ layer }) => layer).filter((layer) => layer !== AROUND);
        const key = this.comesFrom(job, layers);
        const now = { stack: this.stack, version: this.stackVersion };
        const picture = this.pictures.again(job.key, key, now, block, job.look) ?? this.laid(job, block).rgba();
        this.pictures.keep(job.key, key, this.stackVersion, picture);
        return picture;
    }

    private laid(job: TileJob, block: Block): FloatCanvas {
        const steps = new Composer(this.stack, block, job.look).steps();
        const at = job.active === null ? -1 : steps.findIndex((step) => step.layers.includes(job.active as string));
        if (at < 0) return this.overBeneath(job, steps);
        const canvas = this.startBelow(job, steps.slice(0, at));
        steps[at].lay(canvas);
        for (const stretch of stretches(steps.slice(at + 1))) this.layAbove(canvas, job, stretch);
        return canvas;
    }

    /** The topmost layers that are computed, over all else from last time if nothing of that has changed. */
    private overBeneath(job: TileJob, steps: Step[]): FloatCanvas {
        const above = job.look.passes ? this.computed : 0;
        const beneath = steps.slice(0, steps.length - above);
        const canvas = above === 0 || job.levels !== null ? laidOnPaper(beneath) : this.keptBeneath(job, beneath);
        for (const step of steps.slice(beneath.length)) step.lay(canvas);
        return canvas;
    }

    private keptBeneath(job: TileJob, steps: Step[]): FloatCanvas {
        const layers = steps.flatMap((step) => step.layers);
        const key = `${this.beneathVersion} ${this.comesFrom(job, layers)}`;
        const kept = this.beneath.get(job.key);
        if (kept?.key === key) return kept.canvas.copy();
        const canvas = laidOnPaper(steps);
        remember(this.beneath, job.key, { key, canvas: canvas.copy() }, MOST_BENEATH);
        return canvas;
    }

    /** What lies below the active layer, from last time if nothing of it has changed. */
    private startBelow(job: TileJob, steps: Step[]): FloatCanvas {
        const key = this.keyOf(job, steps);
        const kept = this.below.get(job.key);
        if (kept?.key === key) return kept.canvas.copy();
        const canvas = laidOnPaper(steps);
        remember(this.below, job.key, { key, canvas: canvas.copy() }, MOST_BELOW);
        return canvas;
    }

    /** Plain layers in a row are laid on nothing once, and from then on over whatever the hand made below them. */
    private layAbove(canvas: FloatCanvas, job: TileJob, stretch: Step[]): void {
        if (stretch.length < 2 || job.levels !== null) {
            for (const step of stretch) step.lay(canvas);
            return;
        }
        const name = `${job.key} ${stretch[0].layers.join(' ')}`;
        const key = this.keyOf(job, stretch);
        let kept = this.above.get(name);
        if (kept?.key !== key) {
            kept = { key, canvas: FloatCanvas.clear(PIXELS) };
            for (const step of stretch) step.lay(kept.canvas);
        }
        remember(this.above, name, kept, MOST_ABOVE);
        canvas.lay(kept.canvas, null, 'normal', 1);
    }

    /** Whatever these steps come from. */
    private keyOf(job: TileJob, steps: Step[]): string {
        return `${this.stackVersion} ${this.comesFrom(
            job,
            steps.flatMap(({ layers }) => layers),
        )}`;
    }

    /** Whatever a picture of these layers comes from, but the stack. */
    private comesFrom(job: TileJob, layers: string[]): string {
        const versions = new Map(job.layers.map((sent) => [sent.layer, sent.version]));
        const look = `${job.look.ink} ${job.look.hatch} ${job.look.veil} ${job.look.passes}`;
        return [look, ...layers.map((layer) => `${layer} ${versions.get(layer)}`)].join('|');
    }

    private receive(job: TileJob): Map<string, { version: number; bytes: Uint8Array | null }> {
        const here = this.layers.get(job.key) ?? new Map();
        remember(this.layers, job.key, here, MOST_TILES);
        for (const { layer, version, bytes } of job.layers)
            if (bytes !== undefined) here.set(layer, { version, bytes });
        return here;
    }

    /** Which version of a tile's layer is here. */
    has(key: string, layer: string): number | undefined {
        return this.layers.get(key)?.get(layer)?.version;
    }
}

function laidOnPaper(steps: Step[]): FloatCanvas {
    const canvas = Composer.paper(PIXELS);
    for (const step of steps) step.lay(canvas);
    return canvas;
}

const isPainted = (node: StackNode): boolean => node.kind === 'group' || passKindOf(node.content).holds !== null;

/** What is shown over the whole page: the layers below the first computed one, and how many there are from it on. */
function partedAbove({ above }: Stack): { painted: StackNode[]; computed: number } {
    const shown = above.filter((node) => node.opacity > 0);
    const first = shown.findIndex((node) => !isPainted(node));
    const painted = first < 0 ? shown : shown.slice(0, first);
    return { painted, computed: shown.length - painted.length };
}

/** The same for stacks that look alike. */
const fingerprint = (stack: Stack): string =>
    JSON.stringify(stack, (_, value: unknown) => (value instanceof Map || value instanceof Set ? [...value] : value));

/** Plain steps in a row together, others by themselves. */
export function stretches(steps: Step[]): Step[][] {
    const found: Step[][] = [];
    steps.forEach((step, i) => {
        if (i > 0 && step.isPlain && steps[i - 1].isPlain) found[found.length - 1].push(step);
        else found.push([step]);
    });
    return found;
}

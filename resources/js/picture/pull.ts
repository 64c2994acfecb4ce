/** Paint pulled along while the hand drags; as the core does it, at the scale that is on screen. */
import { PIXELS, SIDE } from './compose';

/** Steps to a tip's width; as in the core. */
const STEPS = 12;

/** A tile of the layer, planes one after the other, and where in it paint may be pulled; null where there is none. */
export interface PullTile {
    bytes: Uint8Array;
    inside: Uint8Array | null;
}

interface TipPixel {
    right: number;
    down: number;
    covers: number;
}

type Place = readonly [x: number, y: number];

export class PullPreview {
    private readonly tip: TipPixel[];
    private readonly carried: (number[] | null)[];
    private readonly size: number;
    private readonly apart: number;
    /** How far along the next segment the next place lies. */
    private left: number;
    private last: Place | null = null;
    /** Where the hand is, px of the page; and where it was when the path went on last. */
    private hand: Place = [0, 0];
    private kept: Place | null = null;
    private readonly near: number;

    /**
     * @param size px of the page
     * @param strength how much of what it carries the tip leaves in a step, 0..1
     * @param tileAt a tile of the level; what is written into its bytes is what it holds from then on
     */
    constructor(
        size: number,
        hardness: number,
        private readonly strength: number,
        private readonly level: number,
        private readonly planes: 1 | 4,
        private readonly tileAt: (key: string) => PullTile | null,
    ) {
        // A place nearer than this is the same place; as in the core.
        this.near = Math.max(0.5, 0.06 * size);
        this.size = Math.max(1, size / (1 << level));
        this.tip = tipOf(this.size / 2, hardness);
        this.carried = this.tip.map(() => null);
        this.apart = this.left = Math.max(1, this.size / STEPS);
    }

    /** Follows the hand over the page; answers the tiles touched. */
    add(x: number, y: number): Set<string> {
        this.hand = [x, y];
        if (this.kept !== null && Math.hypot(x - this.kept[0], y - this.kept[1]) < this.near) return new Set();
        this.kept = this.hand;
        return this.to(x, y);
    }

    /** The path catches up with the hand. */
    end(): Set<string> {
        return this.to(...this.hand);
    }

    private to(pageX: number, pageY: number): Set<string> {
        const touched = new Set<string>();
        const [x, y] = [pageX / (1 << this.level), pageY / (1 << this.level)];
        if (this.last === null) this.dab(Math.floor(x), Math.floor(y), touched);
        else {
            const [fromX, fromY] = this.last;
            const length = Math.hypot(x - fromX, y - fromY);
            let along = this.left;
            for (; along <= length; along += this.apart)
                this.dab(
                    Math.floor(fromX + ((x - fromX) * along) / length),
                    Math.floor(fromY + ((y - fromY) * along) / length),
                    touched,
                );
            this.left = along - length;
        }
        this.last = [x, y];
        return touched;
    }

    private dab(x: number, y: number, touched: Set<string>): void {
        this.tip.forEach(({ right, down, covers }, i) => {
            const [px, py] = [x + right, y + down];
            if (px < 0 || py < 0) return;
            const key = `${px >> 8},${py >> 8}`;
            const tile = this.tileAt(key);
            const at = (py & 255) * SIDE + (px & 255);
            if (tile === null || tile.inside?.[at] === 0) return;
            const here = this.read(tile.bytes, at);
            const carried = this.carried[i];
            if (carried === null) {
                this.carried[i] = here;
                return;
            }
            const by = here.map((value, plane) => (carried[plane] - value) * this.strength);
            this.carried[i] = here.map((value, plane) => value + by[plane]);
            write(
                tile.bytes,
                at,
                here.map((value, plane) => value + by[plane] * covers),
            );
            touched.add(key);
        });
    }

    /** Colours weighed by the alpha behind them; coverage as it is. */
    private read(bytes: Uint8Array, at: number): number[] {
        const weight = bytes[(this.planes - 1) * PIXELS + at];
        return this.planes === 1
            ? [weight]
            : [0, 1, 2].map((plane) => (bytes[plane * PIXELS + at] * weight) / 255).concat(weight);
    }
}

function write(bytes: Uint8Array, at: number, values: number[]): void {
    const last = values.length - 1;
    const weight = values[last];
    for (let i = 0; i < last; i++)
        bytes[i * PIXELS + at] = weight > 0 ? Math.floor(Math.min(255, (255 * values[i]) / weight + 0.5)) : 0;
    bytes[last * PIXELS + at] = Math.floor(weight + 0.5);
}

function tipOf(radius: number, hardness: number): TipPixel[] {
    const tip: TipPixel[] = [];
    const edge = Math.max(1, radius * (1 - hardness));
    for (let down = -Math.ceil(radius); down <= radius; down++) {
        for (let right = -Math.ceil(radius); right <= radius; right++) {
            const share = Math.min(1, (radius + 0.5 - Math.hypot(right, down)) / edge);
            if (share > 0) tip.push({ right, down, covers: share * share * (3 - 2 * share) });
        }
    }
    return tip;
}

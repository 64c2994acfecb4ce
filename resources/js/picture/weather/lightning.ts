/** The coverage of a stroke of lightning, as core/src/Compose/Weather/Lightning.php makes it. */
import type { LightningData } from '../../api/generated';
import { chance } from '../chance';
import type { Stretch } from '../ground';
import type { Stack } from '../stack';

type Point = [number, number];

/** How often the main way and a branch are halved. */
const [HALVINGS, BRANCH_HALVINGS] = [7, 5];
/** How far a middle is moved aside at the most, as a share of the length of its part, at a jag of 1. */
const ASIDE = 0.45;
/** A branch turns off by so much, in radians, and has so much of the way that is left. */
const [TURN, LONG] = [
    [0.35, 0.9],
    [0.25, 0.6],
];
/** What of its width lightning has at its end, and a branch at its beginning. */
const [END, THIN] = [0.35, 0.55];
/** How strong the glow is beside the line and about the origin, and how far the latter reaches. */
const [GLOW, HALO, HALO_REACH] = [0.45, 0.5, 5];
/** Numbers drawn for one way. */
const NUMBERS = 1 << 10;

/** From one place to another, px, and half the width there. */
interface Segment {
    from: Point;
    to: Point;
    half: number;
}

/** The widest it can be set, as core/src/Page/Pass/LightningContent.php bounds it. */
const WIDEST = 30;

/** The same stroke without its glow, wider by the outline on either side; null: it has none. */
export const outlined = (content: LightningData): LightningData | null =>
    content.outline <= 0
        ? null
        : {
              ...content,
              colour: content.outlineColour,
              width: Math.min(WIDEST, content.width + 2 * content.outline),
              glow: 0,
              outline: 0,
          };

export class Lightning {
    private readonly segments: Segment[];
    /** Px. */
    private readonly glow: number;
    private readonly origin: Point;

    /** @param level how often the page is halved */
    constructor(content: LightningData, page: Stack['page'], level: number) {
        const [width, height] = [page.width / 2 ** level, page.height / 2 ** level];
        const unit = Math.max(width, height) / 1000;
        const { seed } = content;
        this.glow = content.glow * unit;
        this.origin = [content.from[0] * width, content.from[1] * height];
        const end: Point = [content.to[0] * width, content.to[1] * height];
        const half = (content.width * unit) / 2;
        const main = wayOf(this.origin, end, HALVINGS, content, 0);
        this.segments = tapered(main, half, half * END);
        for (let branch = 1; branch <= content.branches; branch++) {
            const random = (number: number): number => chance(seed, branch * NUMBERS - number);
            const [x, y] = main[1 + Math.floor((main.length - 3) * 0.9 * random(1))];
            const turn = between(TURN, random(2)) * (random(3) < 0.5 ? -1 : 1);
            const long = between(LONG, random(4));
            const [across, down] = [end[0] - x, end[1] - y];
            const to: Point = [
                x + long * (across * Math.cos(turn) - down * Math.sin(turn)),
                y + long * (across * Math.sin(turn) + down * Math.cos(turn)),
            ];
            const way = wayOf([x, y], to, BRANCH_HALVINGS, content, branch * NUMBERS);
            this.segments.push(...tapered(way, half * THIN, half * THIN * END));
        }
    }

    /** One byte a px of a stretch of the page. */
    in(stretch: Stretch): Uint8Array {
        const bytes = new Uint8Array(stretch.width * stretch.height);
        for (const segment of this.segments) this.add(bytes, stretch, segment);
        if (this.glow > 0) this.addHalo(bytes, stretch);
        return bytes;
    }

    /** The most of what is there and of what the segment lays: so parts that meet show no joint. */
    private add(bytes: Uint8Array, stretch: Stretch, { from, to, half }: Segment): void {
        const reach = half + Math.max(0.5, this.glow);
        const wayX = to[0] - from[0];
        const wayY = to[1] - from[1];
        const squared = Math.max(1e-9, wayX * wayX + wayY * wayY);
        const thin = Math.min(1, 2 * half);
        const box = boxOf(stretch, from, to, reach);
        for (let row = box.top; row <= box.bottom; row++) {
            const y = row + 0.5 - from[1];
            const at = (row - stretch.y) * stretch.width - stretch.x;
            for (let column = box.left; column <= box.right; column++) {
                const x = column + 0.5 - from[0];
                const part = Math.max(0, Math.min(1, (x * wayX + y * wayY) / squared));
                const [offX, offY] = [x - part * wayX, y - part * wayY];
                const off = Math.sqrt(offX * offX + offY * offY) - half;
                const covered = thin * Math.max(0, Math.min(1, 0.5 - off));
                const value = Math.floor(255 * Math.max(covered, this.glowAt(off)) + 0.5);
                if (value > bytes[at + column]) bytes[at + column] = value;
            }
        }
    }

    /** @param off px beside the line */
    private glowAt(off: number): number {
        if (this.glow <= 0 || off >= this.glow) return 0;
        const near = 1 - Math.max(0, off) / this.glow;
        return GLOW * near * near;
    }

    /** The light about the origin, screened over what is there. */
    private addHalo(bytes: Uint8Array, stretch: Stretch): void {
        const reach = HALO_REACH * this.glow;
        const box = boxOf(stretch, this.origin, this.origin, reach);
        for (let row = box.top; row <= box.bottom; row++) {
            const y = row + 0.5 - this.origin[1];
            const at = (row - stretch.y) * stretch.width - stretch.x;
            for (let column = box.left; column <= box.right; column++) {
                const x = column + 0.5 - this.origin[0];
                const near = 1 - Math.sqrt(x * x + y * y) / reach;
                if (near <= 0) continue;
                const there = bytes[at + column];
                bytes[at + column] = Math.floor(there + (255 - there) * HALO * near * near + 0.5);
            }
        }
    }
}

const between = ([least, most]: number[], part: number): number => least + (most - least) * part;

/** Halved again and again; each middle is moved aside by chance. */
function wayOf(from: Point, to: Point, halvings: number, { jag, seed }: LightningData, number: number): Point[] {
    let points = [from, to];
    for (let i = 0; i < halvings; i++) {
        const finer = [points[0]];
        for (let p = 1; p < points.length; p++) {
            const [[x, y], [nextX, nextY]] = [points[p - 1], points[p]];
            const aside = ASIDE * jag * (chance(seed, number++) - 0.5);
            finer.push([(x + nextX) / 2 - aside * (nextY - y), (y + nextY) / 2 + aside * (nextX - x)], points[p]);
        }
        points = finer;
    }
    return points;
}

const tapered = (points: Point[], first: number, last: number): Segment[] =>
    points.slice(1).map((to, i) => ({
        from: points[i],
        to,
        half: first + ((last - first) * (i + 1)) / (points.length - 1),
    }));

/** The rows and columns of a stretch that lie so near two places. */
const boxOf = ({ x, y, width, height }: Stretch, from: Point, to: Point, reach: number) => ({
    top: Math.max(y, Math.floor(Math.min(from[1], to[1]) - reach)),
    bottom: Math.min(y + height - 1, Math.ceil(Math.max(from[1], to[1]) + reach)),
    left: Math.max(x, Math.floor(Math.min(from[0], to[0]) - reach)),
    right: Math.min(x + width - 1, Math.ceil(Math.max(from[0], to[0]) + reach)),
});

/** Heaped clouds, as core/src/Compose/Weather/Clouds.php makes them. */
import type { CloudsData } from '../../api/generated';
import { chance } from '../chance';
import type { Stretch } from '../ground';
import type { Stack } from '../stack';

/** Towers in a heap that is as wide as high. */
const [TOWERS, MOST_TOWERS] = [1.3, 24];
/** The radius of a tower's ball in its height, and how much its balls weigh beside a lump. */
const [BALL, WEIGHT] = [0.55, 0.04];
/** The radius of a ball between two towers, in the way from one to the other. */
const BETWEEN = 0.6;
/** Lumps of a tower as large as they are, at a fullness of 0 and what is added at 1; how many at the most. */
const [FEW, MORE, MOST] = [2, 6, 40];
/** Lumps along the foot are so far apart, in their usual radius. */
const APART = 1.1;
/** Numbers drawn for one heap, and for one tower or for the foot. */
const [NUMBERS, OF_ONE] = [1 << 16, 1 << 10];
/** The least edge, px, and what is added of a lump's radius at a softness of 1. */
const [EDGE, SOFT] = [1, 0.8];
/** How much the place in its heap counts beside the ball's own side. */
const WHOLE = 0.4;
/** The light at which both colours are even, and half of the passage between them at a contrast of 0 and of 1. */
const EVEN = 0.3;
const PASSAGE = [0.8, 0.06];

/** Px. */
interface Ball {
    x: number;
    y: number;
    radius: number;
    weight: number;
}

interface Heap {
    left: number;
    top: number;
    width: number;
    height: number;
    edge: number;
    balls: Ball[];
}

export interface CloudPlanes {
    /** One byte a px: how much clouds cover. */
    covered: Uint8Array;
    /** One byte a px: how much of that is in the light. */
    lit: Uint8Array;
}

export class Clouds {
    private readonly heaps: Heap[];
    /** Toward the light: right, down, toward the reader. */
    private readonly light: [number, number, number];
    private readonly passage: number;

    /** @param level how often the page is halved */
    constructor(content: CloudsData, page: Stack['page'], level: number) {
        const [width, height] = [page.width / 2 ** level, page.height / 2 ** level];
        const lump = (content.lumps * Math.max(width, height)) / 1000;
        this.heaps = content.heaps.map(([x, y, wide, high], number) =>
            heapOf(content, number, [x * width, y * height, wide * width, high * height], lump),
        );
        const radians = Math.PI / 180;
        const across = Math.cos(content.height * radians);
        this.light = [
            across * Math.cos(content.light * radians),
            -across * Math.sin(content.light * radians),
            Math.sin(content.height * radians),
        ];
        this.passage = PASSAGE[0] + (PASSAGE[1] - PASSAGE[0]) * content.contrast;
    }

    in(stretch: Stretch): CloudPlanes {
        const size = stretch.width * stretch.height;
        const [shares, light, weights] = [new Float64Array(size), new Float64Array(size), new Float64Array(size)];
        for (const heap of this.heaps)
            for (const ball of heap.balls) this.add(shares, light, weights, stretch, heap, ball);
        const [covered, lit] = [new Uint8Array(size), new Uint8Array(size)];
        for (let i = 0; i < size; i++) {
            if (shares[i] <= 0) continue;
            covered[i] = Math.floor(255 * shares[i] + 0.5);
            lit[i] = this.passed(light[i] / weights[i]);
        }
        return { covered, lit };
    }

    private add(
        shares: Float64Array,
        light: Float64Array,
        weights: Float64Array,
        stretch: Stretch,
        { left, top, width, height, edge }: Heap,
        { x: atX, y: atY, radius, weight }: Ball,
    ): void {
        const [lightX, lightY, lightZ] = this.light;
        const [foot, squared, reach] = [top + height, radius * radius, radius + edge];
        const [middleX, middleY] = [left + width / 2, top + height / 2];
        const [first, last] = between(atX - reach, atX + reach, stretch.x, stretch.width);
        const [upper, lower] = between(atY - reach, Math.min(atY + reach, foot + edge), stretch.y, stretch.height);
        for (let row = upper; row <= lower; row++) {
            const middle = row + 0.5;
            const y = middle - atY;
            const above = Math.max(0, Math.min(1, (foot - middle) / edge + 0.5));
            const inHeap = ((middle - middleY) / (height / 2)) * lightY;
            const at = (row - stretch.y) * stretch.width - stretch.x;
            for (let column = first; column <= last; column++) {
                const x = column + 0.5 - atX;
                const away = x * x + y * y;
                const share = above * Math.max(0, Math.min(1, (radius - Math.sqrt(away)) / edge + 0.5));
                if (share <= 0) continue;
                const i = at + column;
                if (share > shares[i]) shares[i] = share;
                const deep = Math.max(0.001, 1 - away / squared);
                const counts = weight * deep * deep * deep;
                weights[i] += counts;
                light[i] +=
                    counts *
                    ((x * lightX + y * lightY) / radius +
                        Math.sqrt(deep) * lightZ +
                        WHOLE * (((column + 0.5 - middleX) / (width / 2)) * lightX + inHeap));
            }
        }
    }

    /** 0 in the shade, 255 in the light. */
    private passed(light: number): number {
        const part = Math.max(0, Math.min(1, (light - EVEN) / (2 * this.passage) + 0.5));
        return Math.floor(255 * part * part * (3 - 2 * part) + 0.5);
    }
}

/** The first and the last px of a range that lie in a stretch. */
const between = (from: number, to: number, least: number, count: number): [number, number] => [
    Math.max(least, Math.floor(from)),
    Math.min(least + count - 1, Math.ceil(to)),
];

/** How high a heap is at a place along it, 0..1: as half an ellipse. */
const dome = (along: number): number => Math.sqrt(Math.max(0, 1 - (2 * along - 1) ** 2));

function heapOf(content: CloudsData, number: number, [left, top, width, height]: number[], usual: number): Heap {
    const lump = Math.min(usual, height / 3, width / 3);
    const edge = EDGE + SOFT * content.softness * lump;
    const towers = Math.max(1, Math.min(MOST_TOWERS, Math.floor((TOWERS * width) / height + 0.5)));
    const foot = top + height;
    const balls: Ball[] = [];
    for (let i = 0; i < towers; i++)
        balls.push(...towerOf(content, number, i, { left, width, height, foot, towers, lump }));
    for (let i = 1; i < towers; i++) {
        const radius = (BETWEEN * width) / towers;
        balls.push({ x: left + (width * i) / towers, y: foot - 0.2 * radius, radius, weight: WEIGHT });
    }
    const row = Math.min(OF_ONE / 4, Math.max(1, Math.ceil(width / (APART * lump))));
    for (let k = 0; k < row; k++) {
        const random = (which: number): number => chance(content.seed, number * NUMBERS + 4 * k + which);
        const along = (k + 0.25 + 0.5 * random(0)) / row;
        const radius = lump * (0.6 + 0.6 * random(1)) * (0.4 + 0.6 * dome(along));
        const x = left + radius + along * Math.max(0, width - 2 * radius);
        balls.push({ x, y: foot - radius * (0.2 + 0.5 * random(2)), radius, weight: 0.3 + random(3) });
    }
    return { left, top, width, height, edge, balls };
}

interface Place {
    left: number;
    width: number;
    height: number;
    foot: number;
    towers: number;
    lump: number;
}

/** A large ball on another one, and lumps about its rim. */
function towerOf({ seed, fullness }: CloudsData, number: number, i: number, place: Place): Ball[] {
    const { left, width, height, foot, towers, lump } = place;
    const random = (which: number): number => chance(seed, number * NUMBERS + (i + 1) * OF_ONE + which);
    const along = (i + 0.3 + 0.4 * random(0)) / towers;
    const high = height * (0.6 + 0.4 * random(1)) * dome(along);
    const radius = Math.min(BALL * high, width / 2);
    const x = left + radius + along * Math.max(0, width - 2 * radius);
    const y = foot - high + radius;
    const balls = [
        { x, y, radius, weight: WEIGHT },
        { x, y: foot - 0.4 * radius, radius: 1.1 * radius, weight: WEIGHT },
    ];
    const count = Math.min(MOST, Math.floor(((FEW + MORE * fullness) * radius) / lump + 0.5));
    for (let k = 0; k < count; k++) {
        const turn = (Math.PI * (k + random(4 * k + 2))) / count;
        const size = Math.min(0.7 * radius, lump * (0.55 + 0.7 * random(4 * k + 3)));
        const out = (1 - 0.45 * random(4 * k + 4) ** 2) * (radius - 0.35 * size);
        const weight = 0.3 + random(4 * k + 5);
        balls.push({ x: x + out * Math.cos(turn), y: y - out * Math.sin(turn), radius: size, weight });
    }
    return balls;
}

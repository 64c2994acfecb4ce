/** The coverage of light shafts, as core/src/Compose/Weather/Shafts.php makes it. */
import type { ShaftsData } from '../../api/generated';
import { chance } from '../chance';
import type { Stretch } from '../ground';
import type { Stack } from '../stack';

/** A shaft fills so much of its part at the least, and has so much of the strength, at a variety of 1. */
const [NARROW, FAINT] = [0.7, 0.8];
/** An edge is so soft at the least, as a share of half the part. */
const EDGE = 0.04;
/** Toward the sides of all of them the outer ones fade over so much of half the spread. */
const SIDE = 0.2;

interface Shaft {
    /** Half its width, as a share of half its part. */
    wide: number;
    strength: number;
}

export class Shafts {
    private readonly from: [number, number];
    private readonly way: [number, number];
    /** Px. */
    private readonly reach: number;
    /** Half the spread, in radians. */
    private readonly half: number;
    private readonly softness: number;
    private readonly shafts: Shaft[];

    /** @param level how often the page is halved */
    constructor(content: ShaftsData, page: Stack['page'], level: number) {
        const [width, height] = [page.width / 2 ** level, page.height / 2 ** level];
        this.from = [content.from[0] * width, content.from[1] * height];
        this.way = [content.to[0] * width - this.from[0], content.to[1] * height - this.from[1]];
        this.reach = Math.max(1e-6, Math.sqrt(this.way[0] ** 2 + this.way[1] ** 2));
        this.half = ((content.spread / 2) * Math.PI) / 180;
        this.softness = content.softness;
        this.shafts = Array.from({ length: content.count }, (_, i) => ({
            wide: 1 - NARROW * content.variety * chance(content.seed, 2 * i),
            strength: 1 - FAINT * content.variety * chance(content.seed, 2 * i + 1),
        }));
    }

    /** One byte a px of a stretch of the page. */
    in(stretch: Stretch): Uint8Array {
        const bytes = new Uint8Array(stretch.width * stretch.height);
        const squared = this.reach * this.reach;
        for (let row = 0, at = 0; row < stretch.height; row++) {
            const y = stretch.y + row + 0.5 - this.from[1];
            for (let column = 0; column < stretch.width; column++, at++) {
                const x = stretch.x + column + 0.5 - this.from[0];
                const distance = x * x + y * y;
                if (distance < squared) bytes[at] = this.value(x, y, Math.sqrt(distance));
            }
        }
        return bytes;
    }

    /** How much light is at a place, 0..255; x and y in px from the source. */
    private value(x: number, y: number, distance: number): number {
        const [wayX, wayY] = this.way;
        const aside = Math.atan2(wayX * y - wayY * x, wayX * x + wayY * y) / this.half;
        if (aside <= -1 || aside >= 1) return 0;
        const count = this.shafts.length;
        const at = ((aside + 1) / 2) * count;
        const number = Math.min(count - 1, Math.floor(at));
        const { wide, strength } = this.shafts[number];
        const off = Math.abs(2 * (at - number) - 1);
        const inside = smooth((wide - off) / (this.softness * wide + EDGE));
        const side = smooth((1 - Math.abs(aside)) / SIDE);
        return Math.floor(255 * strength * inside * side * smooth(1 - distance / this.reach) + 0.5);
    }
}

/** The smooth step of a value that is bounded to 0..1. */
function smooth(value: number): number {
    const bounded = Math.max(0, Math.min(1, value));
    return bounded * bounded * (3 - 2 * bounded);
}

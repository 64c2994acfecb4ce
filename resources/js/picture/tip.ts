/** What each kind of brush tip looks like; as core/src/Brush/TipPicture.php draws it. */
import type { TipData, TipKind } from '../api/generated';
import { chance } from './chance';

/** Places along a side. */
export const TIP_SIDE = 96;
const BRISTLES = 17;
const STRANDS = 7;
const DOTS = 14;
const CRUMBS = 12;
/** Pixels along a side of a tip that was brought. */
const BROUGHT_SIDE = 48;

type Cover = (u: number, v: number) => number;

const drawn = new Map<string, Float64Array>();

/** How much it covers, 0..1, row after row. */
export function tipPicture({ kind, seed, picture: brought }: TipData, hardness: number): Float64Array {
    const key = `${kind} ${seed} ${hardness} ${brought ?? ''}`;
    const known = drawn.get(key);
    if (known !== undefined) return known;
    const cover = kind === 'picture' ? coverIn(brought ?? '') : coverOf(kind, seed, hardness);
    const picture = Float64Array.from({ length: TIP_SIDE * TIP_SIDE }, (_, i) =>
        Math.max(
            0,
            Math.min(
                1,
                cover(
                    (2 * ((i % TIP_SIDE) + 0.5)) / TIP_SIDE - 1,
                    (2 * (Math.floor(i / TIP_SIDE) + 0.5)) / TIP_SIDE - 1,
                ),
            ),
        ),
    );
    drawn.set(key, picture);
    return picture;
}

/** A tip somebody brought: straight lines between the middles of its pixels, nothing beyond them. */
function coverIn(brought: string): Cover {
    const bytes = Uint8Array.from(atob(brought), (letter) => letter.charCodeAt(0));
    const pixel = (column: number, row: number): number =>
        Math.min(column, row) < 0 || Math.max(column, row) >= BROUGHT_SIDE ? 0 : bytes[row * BROUGHT_SIDE + column];
    return (u, v) => {
        const [x, y] = [((u + 1) / 2) * BROUGHT_SIDE - 0.5, ((v + 1) / 2) * BROUGHT_SIDE - 0.5];
        const [column, row] = [Math.floor(x), Math.floor(y)];
        const [right, down] = [x - column, y - row];
        const above = pixel(column, row) * (1 - right) + pixel(column + 1, row) * right;
        const below = pixel(column, row + 1) * (1 - right) + pixel(column + 1, row + 1) * right;
        return (above * (1 - down) + below * down) / 255;
    };
}

function coverOf(kind: Exclude<TipKind, 'picture'>, seed: number, hardness: number): Cover {
    const edge = Math.max(0.04, 1 - hardness);
    const disc: Cover = (u, v) => {
        const share = Math.min(1, Math.max(0, (1 - Math.sqrt(u * u + v * v)) / edge));
        return share * share * (3 - 2 * share);
    };
    switch (kind) {
        case 'round':
            return disc;
        case 'flat':
            return (u, v) => Math.min((0.96 - Math.abs(u)) / edge, (0.3 - Math.abs(v)) / edge);
        case 'bristle':
            return (u, v) => comb(seed, u, v, BRISTLES, 0.9, 0.2);
        case 'strands':
            return (u, v) => comb(seed, u, v, STRANDS, 2.6, 0.12);
        case 'grain':
            return (u, v) => disc(u, v) * (crumbs(seed, u, v) - 0.42) * 4;
        case 'splatter':
            return (u, v) => dots(seed, u, v);
        case 'sparkle':
            return (u, v) => (1 - Math.sqrt(Math.abs(u)) - Math.sqrt(Math.abs(v))) / 0.18;
    }
}

function comb(seed: number, u: number, v: number, hairs: number, thin: number, long: number): number {
    let cover = 0;
    for (let i = 0; i < hairs; i++) {
        const at = (2 * i + 1) / hairs - 1 + (chance(seed, 3 * i) - 0.5) / hairs;
        const strength = 0.35 + 0.65 * chance(seed, 3 * i + 1);
        const reach = long + 0.3 * chance(seed, 3 * i + 2);
        if (Math.abs(u) < reach) cover = Math.max(cover, strength * (1 - Math.abs(v - at) * hairs * thin));
    }
    return cover;
}

function crumbs(seed: number, u: number, v: number): number {
    const [x, y] = [((u + 1) / 2) * CRUMBS, ((v + 1) / 2) * CRUMBS];
    const [column, row] = [Math.floor(x), Math.floor(y)];
    const [right, down] = [x - column, y - row];
    const at = (dx: number, dy: number): number => chance(seed, (row + dy) * 64 + column + dx);
    return (
        (at(0, 0) * (1 - right) + at(1, 0) * right) * (1 - down) + (at(0, 1) * (1 - right) + at(1, 1) * right) * down
    );
}

function dots(seed: number, u: number, v: number): number {
    let cover = 0;
    for (let i = 0; i < DOTS; i++) {
        const [x, y] = [1.6 * chance(seed, 3 * i) - 0.8, 1.6 * chance(seed, 3 * i + 1) - 0.8];
        const radius = 0.04 + 0.16 * chance(seed, 3 * i + 2) ** 2;
        cover = Math.max(cover, (radius - Math.sqrt((u - x) ** 2 + (v - y) ** 2)) / 0.05 + 0.5);
    }
    return cover;
}

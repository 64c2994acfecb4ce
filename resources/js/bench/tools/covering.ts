/** What shapes, ramps and regions cover, in the tiles that are on screen: the preview of what the core lays. */
import type { RampForm } from '../../api/generated';
import { PIXELS, SIDE } from '../../picture/compose';
import type { Spot } from '../model/lines';
import type { ToolHost } from './tool';

/** Coverage by "column,row" of the level's tiles. */
export type Cover = Map<string, Uint8Array>;

const cornerOf = (key: string): [number, number] =>
    key.split(',').map((part) => Number(part) * SIDE) as [number, number];

/** The inside of an outline; where it crosses itself, every other time. */
export function shapeCover(outline: readonly Spot[], level: number, places: Iterable<string>): Cover {
    const scale = 1 / (1 << level);
    const cover: Cover = new Map();
    const canvas = new OffscreenCanvas(SIDE, SIDE);
    const context = canvas.getContext('2d', { willReadFrequently: true });
    if (context === null) return cover;
    for (const key of places) {
        const [left, top] = cornerOf(key);
        context.clearRect(0, 0, SIDE, SIDE);
        context.beginPath();
        for (const { x, y } of outline) context.lineTo(x * scale - left, y * scale - top);
        context.closePath();
        context.fill('evenodd');
        const { data } = context.getImageData(0, 0, SIDE, SIDE);
        const tile = new Uint8Array(PIXELS);
        for (let i = 0; i < PIXELS; i++) tile[i] = data[4 * i + 3];
        cover.set(key, tile);
    }
    return cover;
}

/** Two coverages as one: where both lie it is no darker; as in the core. */
export const most = (one: Uint8Array, other: Uint8Array): Uint8Array =>
    one.map((value, i) => Math.max(value, other[i]));

/** The same of all their tiles. */
export function joined(one: Cover, other: Cover): Cover {
    const all: Cover = new Map(one);
    for (const [key, tile] of other) {
        const here = all.get(key);
        all.set(key, here === undefined ? tile : most(here, tile));
    }
    return all;
}

/** Full at one place, nothing at another; as in the core. */
export function rampCover(from: Spot, to: Spot, form: RampForm, level: number, places: Iterable<string>): Cover {
    const step = 1 << level;
    const [dx, dy] = [to.x - from.x, to.y - from.y];
    const squared = dx * dx + dy * dy;
    const length = Math.sqrt(squared);
    const cover: Cover = new Map();
    for (const key of places) {
        const [left, top] = cornerOf(key);
        const tile = new Uint8Array(PIXELS);
        for (let i = 0; i < PIXELS; i++) {
            const x = (left + (i & 255) + 0.5) * step - from.x;
            const y = (top + (i >> 8) + 0.5) * step - from.y;
            const part = form === 'straight' ? (x * dx + y * dy) / squared : Math.hypot(x, y) / length;
            tile[i] = Math.floor(255 * Math.max(0, Math.min(1, 1 - part)) + 0.5);
        }
        cover.set(key, tile);
    }
    return cover;
}

/** Whole regions. */
export function regionCover(host: ToolHost, labels: readonly number[], places: Iterable<string>): Cover {
    const cover: Cover = new Map();
    for (const key of places) {
        const inside = insideTile(host, labels, key);
        if (inside !== null) cover.set(key, inside);
    }
    return cover;
}

/** What of a cover lies inside regions; all of it where none are named. */
export function keptInside(host: ToolHost, labels: readonly number[], cover: ReadonlyMap<string, Uint8Array>): Cover {
    if (labels.length === 0) return new Map(cover);
    const kept: Cover = new Map();
    for (const [key, tile] of cover) {
        const inside = insideTile(host, labels, key);
        if (inside !== null)
            kept.set(
                key,
                tile.map((value, i) => value & inside[i]),
            );
    }
    return kept;
}

/** 255 where a tile shows one of the regions; null while its flats are on their way, or empty. */
export function insideTile(host: ToolHost, labels: readonly number[], key: string): Uint8Array | null {
    const [column, row] = key.split(',').map(Number);
    const flats = host.bench.session.tiles.peek(host.level, 'flats', column, row);
    if (flats === null) return null;
    const wanted = new Set(labels);
    const tile = new Uint8Array(PIXELS);
    for (let i = 0; i < PIXELS; i++) if (wanted.has((flats[2 * i] << 8) | flats[2 * i + 1])) tile[i] = 255;
    return tile;
}

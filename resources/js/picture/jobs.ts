/** What the page's window and its compositing workers say to each other. */
import type { Look } from './compose';
import type { Stack } from './stack';

/** Under this name the labels of a tile and of a pixel round about it are sent along, where edges are soft. */
export const AROUND = 'flats around';

/** A part of the page, in pixels of its level. */
export interface Part {
    x: number;
    y: number;
    width: number;
    height: number;
}

/** A layer's bytes in one tile, under a version: sent only when the worker does not have that version yet. */
export interface SentLayer {
    layer: string;
    version: number;
    bytes?: Uint8Array | null;
}

export interface TileJob {
    kind: 'tile';
    id: number;
    /** Names the tile whatever it looks like. */
    key: string;
    /** How often the page is halved here. */
    level: number;
    /** The left top corner of the tile. */
    x: number;
    y: number;
    /** The part of the page whose bytes are sent, where more than the tile is composed; null: the tile. */
    wide: Part | null;
    look: Look;
    layers: SentLayer[];
    /** The layer the hand is working on: what lies below it is kept for the next time. */
    active: string | null;
    /** A table the ink goes through: clean-up levels that are being tried. */
    levels: Uint8Array | null;
}

export interface StackMessage {
    kind: 'stack';
    version: number;
    stack: Stack;
}

export type ToWorker = TileJob | StackMessage;

export interface FromWorker {
    id: number;
    /** Null when it could not be composited. */
    pixels: Uint8ClampedArray<ArrayBuffer> | null;
}

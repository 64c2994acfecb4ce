/**
 * Tiles as they were composited last, so that a tone that is changed costs only the pixels that have it: while nothing
 * else of a tile is another, the rest of its picture stays as it is.
 */
import { changedLabels } from './changes';
import { composeBlock, type Block, type Look } from './compose';
import { gathered, pixelsOf, put } from './gathered';
import { remember } from './remember';
import type { Stack } from './stack';

type Picture = Uint8ClampedArray<ArrayBuffer>;

interface Kept {
    /** Whatever the picture comes from, but the stack. */
    key: string;
    stackVersion: number;
    picture: Picture;
}

/** A quarter of a megabyte each; a page in view at any level is fewer. */
const MOST_KEPT = 64;
/** So many stacks back it is known what changed since. */
const MOST_CHANGES = 64;

export class Pictures {
    private readonly kept = new Map<string, Kept>();
    /** By the version of a stack: the labels that look different in it; null where anything may. */
    private readonly changes = new Map<number, Set<number> | null>();

    take(before: Stack, after: Stack, version: number): void {
        this.changes.set(version, changedLabels(before, after));
        this.changes.delete(version - MOST_CHANGES);
    }

    keep(tile: string, key: string, stackVersion: number, picture: Picture): void {
        remember(this.kept, tile, { key, stackVersion, picture: picture.slice() }, MOST_KEPT);
    }

    /** The tile under the newest stack, out of what is kept of it; null when that is of no use. */
    again(tile: string, key: string, now: { stack: Stack; version: number }, block: Block, look: Look): Picture | null {
        const kept = this.kept.get(tile);
        if (kept?.key !== key) return null;
        const changed = this.since(kept.stackVersion, now.version);
        if (changed === null) return null;
        const at = pixelsOf(block, changed);
        const picture = kept.picture.slice();
        if (at.length > 0) put(picture, at, composeBlock(now.stack, gathered(block, at), look));
        return picture;
    }

    private since(from: number, to: number): Set<number> | null {
        const all = new Set<number>();
        for (let version = from + 1; version <= to; version++) {
            const changed = this.changes.get(version);
            if (changed === undefined || changed === null) return null;
            changed.forEach((label) => all.add(label));
        }
        return all;
    }
}

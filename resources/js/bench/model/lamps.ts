/** Where a lamp hangs on the page, in parts of its width and height. */
export interface LampPlace {
    x: number;
    y: number;
}

interface Box {
    left: number;
    top: number;
    width: number;
    height: number;
}

/** A part of the page that an arrow moves it by. */
const STEP = 0.02;

const held = (part: number): number => Math.max(0, Math.min(1, part));

/** The place under a pointer over a picture of the page. */
export const placed = (x: number, y: number, { left, top, width, height }: Box): LampPlace => ({
    x: held((x - left) / width),
    y: held((y - top) / height),
});

/** Where an arrow moves it; null where the key means nothing here. */
export function nudged({ x, y }: LampPlace, key: string): LampPlace | null {
    switch (key) {
        case 'ArrowLeft':
            return { x: held(x - STEP), y };
        case 'ArrowRight':
            return { x: held(x + STEP), y };
        case 'ArrowUp':
            return { x, y: held(y - STEP) };
        case 'ArrowDown':
            return { x, y: held(y + STEP) };
        default:
            return null;
    }
}

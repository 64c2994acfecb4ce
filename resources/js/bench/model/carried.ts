/** Paint that was drawn round and taken along: this window remembers it from page to page. */
import type { Spot } from './lines';

const KEY = 'awning-carried';

export interface Carried {
    page: number;
    pass: string;
    /** As it is told of. */
    name: string;
    outline: Spot[];
}

export function remember(carried: Carried | null): void {
    if (carried === null) sessionStorage.removeItem(KEY);
    else sessionStorage.setItem(KEY, JSON.stringify(carried));
}

export function remembered(): Carried | null {
    try {
        return JSON.parse(sessionStorage.getItem(KEY) ?? 'null') as Carried | null;
    } catch {
        return null;
    }
}

/** How far it goes: to where it was, on the page it came from; on another one into the middle of what is in view. */
export function wayOf({ page, outline }: Carried, here: number, middle: Spot): [number, number] {
    if (page === here) return [0, 0];
    const [xs, ys] = [outline.map(({ x }) => x), outline.map(({ y }) => y)];
    const half = (values: number[]): number => (Math.min(...values) + Math.max(...values)) / 2;
    // Whole pixels: paint stays as sharp as it is.
    return [Math.round(middle.x - half(xs)), Math.round(middle.y - half(ys))];
}

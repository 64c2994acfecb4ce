/** What looks different when a stack takes the place of another: a tone that is changed concerns only where it is. */
import { TONES } from '../api/generated';
import { madeOnce } from './madeOnce';
import type { Flat, Stack } from './stack';

/** @return the labels that look different, and nothing else does; null: anything may */
export function changedLabels(before: Stack, after: Stack): Set<number> | null {
    const hasMarks = [before, after].some(({ clear, proposed }) => clear !== null || proposed !== null);
    if (hasMarks || passesOf(before) !== passesOf(after)) return null;
    const changed = new Set<number>();
    for (const [label, flat] of before.flats) if (!isSame(flat, after.flats.get(label))) changed.add(label);
    for (const label of after.flats.keys()) if (!before.flats.has(label)) changed.add(label);
    return changed;
}

/** All that is laid over the flats, and how these meet. */
const passesOf = ({ planes, ink, lines, above, soft }: Stack): string =>
    JSON.stringify([planes, ink, lines, above, [...soft]]);

function isSame(flat: Flat, other: Flat | undefined): boolean {
    return (
        other !== undefined &&
        flat.figure === other.figure &&
        flat.material === other.material &&
        TONES.every((tone) => flat.tones[tone] === other.tones[tone]) &&
        isSameLight(flat.light, other.light)
    );
}

function isSameLight(light: Flat['light'], other: Flat['light']): boolean {
    if (light === null || other === null) return light === other;
    return light.light === other.light && light.around === other.around && light.opposite === other.opposite;
}

/** @param flats two bytes a pixel, high byte first */
export function holdsAny(flats: Uint8Array, labels: ReadonlySet<number>): boolean {
    const here = labelsOf(flats);
    for (const label of labels) if (here.has(label)) return true;
    return false;
}

/** The labels in a tile of flats. */
const labelsOf = madeOnce((flats: Uint8Array): ReadonlySet<number> => {
    const labels = new Set<number>();
    let last = -1;
    for (let at = 0; at < flats.length; at += 2) {
        const label = (flats[at] << 8) | flats[at + 1];
        if (label !== last) labels.add(label);
        last = label;
    }
    return labels;
});

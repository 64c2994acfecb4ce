/** The moods that a page keeps at hand, as its strip shows them. */
import { useState } from 'react';
import type { HeldMoodData } from '../../../api/generated';
import { usePage } from '../../model/context';

export interface AtHand {
    id: string;
    /** In addresses of pictures. */
    key: string;
    /** Told apart from others of the same name. */
    name: string;
    layers: { name: string }[];
}

export function heldMoods(held: Record<string, HeldMoodData>): AtHand[] {
    const all = Object.entries(held).sort(
        ([a, one], [b, other]) => one.name.localeCompare(other.name) || (a < b ? -1 : 1),
    );
    const seen = new Map<string, number>();
    return all.map(([id, { name, layers }]) => {
        const count = (seen.get(name) ?? 0) + 1;
        seen.set(name, count);
        return {
            id,
            key: `held${id}`,
            name: count === 1 ? name : `${name} ${count}`,
            layers: Object.values(layers),
        };
    });
}

/** Whether the server has a mood by now: before that there is no picture of it. */
export function useKept(ids: string[]): (id: string) => boolean {
    const isSent = usePage((view) => view.unsent === 0);
    const [kept, setKept] = useState<string[]>([]);
    if (isSent && String(kept) !== String(ids)) setKept(ids);
    return (id) => kept.includes(id);
}

/**
 * Pictures that the server has to make, a few at a time: a browser opens only so many connections to one server, and
 * what somebody does meanwhile must not wait for pictures.
 */
import { useState } from 'react';

const AT_ONCE = 2;

export interface InTurn {
    /** What each picture shows now: its own address when its turn has come, until then the one it showed before. */
    shown: (string | undefined)[];
    /** The picture of that address has arrived, or cannot be had. */
    end: (address: string) => void;
}

/** @param addresses of pictures, in the order in which they are wanted */
export function useInTurn(addresses: string[]): InTurn {
    const [ended, setEnded] = useState<ReadonlySet<string>>(new Set());
    const [last, setLast] = useState<(string | undefined)[]>([]);
    const waiting = addresses.filter((address) => !ended.has(address));
    const now = new Set(waiting.slice(0, AT_ONCE));
    const shown = addresses.map((address, i) => (ended.has(address) || now.has(address) ? address : last[i]));
    if (shown.some((address, i) => address !== last[i])) setLast(shown);
    return {
        shown,
        // Only those still wanted are remembered.
        end: (address) => setEnded((before) => new Set([...before, address].filter((one) => addresses.includes(one)))),
    };
}

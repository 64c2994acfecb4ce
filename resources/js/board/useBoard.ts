/** One board in one window: its pictures, which is chosen, and the colours that were picked out of them. */
import { useState } from 'react';
import type { ReferenceState } from '../api/generated';
import type { Across } from '../picture/mean';
import { usePictures, type Pictures } from './usePictures';

type BoardHand = 'arrange' | 'pick';

/** So many picked colours are kept in the hand. */
const MOST = 12;

export interface Board {
    series: number;
    pictures: Pictures;
    chosen: ReferenceState | null;
    choose(id: number | null): void;
    hand: BoardHand;
    take(hand: BoardHand): void;
    across: Across;
    setAcross(across: Across): void;
    /** As #rrggbb, in the order they were picked. */
    colours: readonly string[];
    pick(colour: string): void;
    setColours(colours: readonly string[]): void;
}

export function useBoard(series: number, page: number | null): Board {
    const pictures = usePictures(series, page);
    const [id, choose] = useState<number | null>(null);
    const [hand, take] = useState<BoardHand>('arrange');
    const [across, setAcross] = useState<Across>('11');
    const [colours, setColours] = useState<readonly string[]>([]);
    return {
        series,
        pictures,
        chosen: pictures.all?.find((one) => one.id === id) ?? null,
        choose,
        hand,
        take,
        across,
        setAcross,
        colours,
        pick: (colour) => setColours((before) => [...before.filter((one) => one !== colour), colour].slice(-MOST)),
        setColours,
    };
}

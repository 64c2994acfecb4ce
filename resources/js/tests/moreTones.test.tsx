// @vitest-environment happy-dom
/** The tones that a material has beside its six: named, put in order, added and taken out. */
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { MORE } from '../api/tones';
import type { MaterialState } from '../api/generated';
import { MoreTones } from '../palette/MoreTones';
import type { PaletteDesk } from '../palette/usePalette';
import { oilskin } from './world';

const [lip, facet, third, fourth] = MORE;
let done: unknown[][];
let picked: unknown[];
let isDone: boolean;

beforeEach(() => {
    [done, picked, isDone] = [[], [], true];
});
afterEach(cleanup);

const gem: MaterialState = {
    ...oilskin,
    id: 11,
    more: [
        { tone: lip, name: 'Inner lip' },
        { tone: facet, name: 'Facet' },
    ],
    tones: { ...oilskin.tones, base: '#102030', shade: '#405060', [lip]: '#aa1020', [facet]: '#20bb30' },
};
const named = (tone: string, name: string, colour: string): unknown => ({ tone, name, colour });
const asIs = [named(lip, 'Inner lip', '#aa1020'), named(facet, 'Facet', '#20bb30')];

function open(material = gem, at: PaletteDesk['picked'] = null): void {
    const desk = {
        picked: at,
        pick: (what: unknown) => picked.push(what),
        change: async (...what: unknown[]) => {
            done.push(what);
            return isDone;
        },
    } as unknown as PaletteDesk;
    render(<MoreTones desk={desk} material={material} />);
}

function add(name: string): void {
    const field = screen.getByPlaceholderText('Inner lip');
    fireEvent.change(field, { target: { value: name } });
    fireEvent.submit(field.closest('form') as HTMLFormElement);
}

describe('more tones of a material', () => {
    it('are picked by their colours', () => {
        open();
        fireEvent.click(screen.getByLabelText('Pick Facet'));
        expect(picked).toEqual([{ material: 11, tone: facet }]);
        expect(screen.queryByText(/it may have four more/)).toBeNull();
    });
    it('are named anew, one without the others', () => {
        open();
        const field = screen.getByDisplayValue('Facet');
        fireEvent.change(field, { target: { value: 'Cut edge' } });
        fireEvent.blur(field);
        expect(done).toEqual([['tones.name', gem, { more: [asIs[0], named(facet, 'Cut edge', '#20bb30')] }]]);
    });
    it('change places with the one before; the first has none', () => {
        open();
        const [first, second] = screen.getAllByText('Earlier') as HTMLButtonElement[];
        expect(first.disabled).toBe(true);
        fireEvent.click(second);
        expect(done).toEqual([['tones.name', gem, { more: [asIs[1], asIs[0]] }]]);
    });
    it('are taken out', () => {
        open();
        fireEvent.click(screen.getAllByText('Take out')[0]);
        expect(done).toEqual([['tones.name', gem, { more: [asIs[1]] }]]);
    });
    it('come from the tone that is picked, under the first free name, and are picked then', async () => {
        open(gem, { material: 11, tone: 'shade' });
        add('Third');
        await expect.poll(() => picked).toEqual([{ material: 11, tone: third }]);
        expect(done).toEqual([['tones.name', gem, { more: [...asIs, named(third, 'Third', '#405060')] }]]);
    });
    it('come from the base where a tone of another material is picked', async () => {
        open(gem, { material: 12, tone: 'shade' });
        add('Third');
        await expect.poll(() => done).toMatchObject([['tones.name', gem, { more: [{}, {}, { colour: '#102030' }] }]]);
    });
    it('are not picked where they could not be added', async () => {
        isDone = false;
        open();
        add('Third');
        await expect.poll(() => done).toHaveLength(1);
        expect(picked).toEqual([]);
    });
    it('are four at the most, and of none it says what they are for', () => {
        open({ ...gem, more: [lip, facet, third, fourth].map((tone) => ({ tone, name: tone })) });
        expect(screen.queryByPlaceholderText('Inner lip')).toBeNull();
        cleanup();
        open({ ...gem, more: [] });
        expect(screen.getByText(/it may have four more of its own/)).toBeTruthy();
    });
});

// @vitest-environment happy-dom
/** Panels of single stages, rendered without a server: picked lines, figures of the flats, what was painted. */
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { api } from '../api/client';
import type { InkStrokeData } from '../api/generated';
import type { BenchModel } from '../bench/model/model';
import { FlatsPanel } from '../bench/panels/flats/FlatsPanel';
import { PickedLines } from '../bench/panels/ink/PickedLines';
import { PassHistory } from '../bench/panels/passes/PassHistory';
import { HelpMark } from '../ui/Help';
import { asked, openWith, show, unfold } from './showing';
import { region, shade } from './world';

describe('picked lines', () => {
    const line = (weight: number, grain: number): InkStrokeData => ({
        points: [
            [10, 10, 1],
            [50, 10, 1],
        ],
        weight,
        taper: 0,
        steady: 0,
        grain,
    });
    const strokes = (): InkStrokeData[] =>
        asked.flatMap((op) =>
            (op as unknown as { strokes: { stroke: InkStrokeData }[] }).strokes.map(({ stroke }) => stroke),
        );
    const picked = (...lines: InkStrokeData[]): BenchModel => {
        const ids = lines.map((_, i) => `stroke0${i}`);
        const bench = openWith({ stroke: Object.fromEntries(lines.map((one, i) => [ids[i], one])) });
        bench.set({ pickedLines: ids });
        show(bench, <PickedLines />);
        return bench;
    };

    it('become heavier and lighter by a pixel, never lighter than one', () => {
        picked(line(7, 0), line(1.5, 0));
        fireEvent.click(screen.getByText('Heavier'));
        fireEvent.click(screen.getByText('Lighter'));
        fireEvent.click(screen.getByText('Lighter'));
        expect(strokes().map(({ weight }) => weight)).toEqual([8, 2.5, 7, 1.5, 6, 1]);
    });
    it('become drier and wetter by a tenth, within dry and wet', () => {
        picked(line(5, 0.95), line(5, 0));
        fireEvent.click(screen.getByText('Drier'));
        fireEvent.click(screen.getByText('Wetter'));
        fireEvent.click(screen.getByText('Wetter'));
        expect(strokes().map(({ grain }) => grain)).toEqual([1, 0.1, 0.9, 0, 0.8, 0]);
    });
    it('are joined when there are two, and only then', () => {
        const bench = picked(line(5, 0), {
            ...line(5, 0),
            points: [
                [60, 10, 1],
                [90, 30, 1],
            ],
        });
        fireEvent.click(screen.getByText('Join'));
        const [{ strokes: both }] = asked as unknown as { strokes: { id: string; stroke: InkStrokeData | null }[] }[];
        expect(both.map(({ id, stroke }) => [id, stroke === null])).toEqual([
            ['stroke00', false],
            ['stroke01', true],
        ]);
        expect(bench.view.pickedLines).toEqual(['stroke00']);
        cleanup();
        picked(line(5, 0));
        expect((screen.getByText('Join') as HTMLButtonElement).disabled).toBe(true);
    });
});

describe('the figures of the flats', () => {
    it('tell how much of the page is theirs', async () => {
        vi.spyOn(api, 'findings').mockResolvedValue([]);
        const of = (figure: number, area: number) => ({ ...region(9, area), figure });
        const bench = openWith({ region: { 1: of(3, 300), 2: of(4, 100), 3: region(0, 50) } });
        show(bench, <FlatsPanel />);
        const rows = [...document.querySelectorAll('li')].filter((one) => one.querySelector('.figures') !== null);
        const told = (name: string) =>
            rows.find((one) => one.textContent?.includes(name))?.querySelector('.figures')?.textContent;
        expect([told('Oda'), told('Tamsin'), told('Nobody')]).toEqual(['66.7 %', '22.2 %', 'none']);
    });
});

describe('what was painted', () => {
    it('can be gone back to, but for what is there now', async () => {
        const entry = (id: number, who: string | null) => ({
            entry: id,
            title: `Step ${id}`,
            who,
            when: '2026-12-01T10:00:00Z',
        });
        vi.spyOn(api, 'passHistory').mockResolvedValue([entry(9, 'Mira'), entry(7, null), entry(4, 'Ida')]);
        const bench = openWith({ pass: { shade001: shade } });
        const back = vi.spyOn(bench.session, 'restorePass').mockResolvedValue(undefined as never);
        show(bench, <PassHistory id="shade001" />);
        unfold('What was painted');
        await screen.findByText('Step 9');
        const rows = screen.getAllByRole('listitem');
        expect(rows.map((one) => within(one).queryByText('Back to this') !== null)).toEqual([false, true, true]);
        expect(rows[1].textContent).toContain('Somebody');
        fireEvent.click(within(rows[1]).getByText('Back to this'));
        expect(back.mock.calls).toEqual([['shade001', 7]]);
    });
    it('is nothing where nothing is', async () => {
        vi.spyOn(api, 'passHistory').mockResolvedValue([]);
        show(openWith({ pass: { shade001: shade } }), <PassHistory id="shade001" />);
        unfold('What was painted');
        expect(await screen.findByText('Nothing is painted in it yet.')).toBeTruthy();
    });
});

describe('help', () => {
    it('opens the chapter at the paragraph that was asked for, and finds words in others', async () => {
        HTMLDialogElement.prototype.showModal = () => undefined;
        const scrolled: string[] = [];
        Element.prototype.scrollIntoView = function scroll(this: Element) {
            scrolled.push(this.id);
        };
        const chapter = (id: string, title: string, html: string) => {
            const [, section, heading, text] = /id="(.+)">(.+)<.h2><p>(.+)<.p>/.exec(html) ?? [];
            return { id, title, html, sections: [{ id: section, title: heading, text }] };
        };
        vi.spyOn(api, 'manual').mockResolvedValue([
            chapter('flats', 'Flats', '<h2 id="bridges">Bridges</h2><p>A gap is closed.</p>'),
            chapter('light', 'Light', '<h2 id="passes">Passes</h2><p>A lantern glows.</p>'),
        ] as never);
        render(<HelpMark at="light#passes" about="Passes" />);
        fireEvent.click(screen.getByRole('button'));
        expect(await screen.findByText('A lantern glows.')).toBeTruthy();
        expect(scrolled).toContain('passes');
        expect(screen.queryByText('A gap is closed.')).toBeNull();
        fireEvent.change(screen.getByLabelText('Search the manual'), { target: { value: 'gap' } });
        expect(screen.queryByText('A lantern glows.')).toBeNull();
        expect(document.body.textContent).toMatch(/Bridges|gap/);
    });
});

// @vitest-environment happy-dom
/** The panel of the Ink stage: drawings, their clean-up and place, lines to tidy, the size of the page. */
import { act, fireEvent, screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { api } from '../api/client';
import type { DrawingData, InkStrokeData, PageStateData } from '../api/generated';
import type { BenchModel } from '../bench/model/model';
import { ImportBox } from '../bench/panels/ink/ImportBox';
import { InkPanel } from '../bench/panels/ink/InkPanel';
import { asked, button, open, openWith, press, show, slide, type } from './showing';
import { drawing, pageState } from './world';

const scan: DrawingData = {
    ...drawing,
    name: 'Deck.png',
    order: 2,
    found: { ...drawing.found, askew: -1.254, turned: 1.2 },
};
const pencil: DrawingData = { ...scan, name: 'Pencil.tif', role: 'underdrawing', visible: false, order: 7 };

/** A page with these drawings, and the Ink stage's panel beside it. */
function inked(drawing: Record<string, DrawingData>, more: Partial<PageStateData['records']> = {}): BenchModel {
    const bench = openWith({ drawing, ...more });
    vi.spyOn(bench.session.tiles, 'get').mockReturnValue(null);
    show(bench, <InkPanel />);
    return bench;
}
const tried = (bench: BenchModel) => bench.view.trial;

beforeEach(() => {
    vi.spyOn(api, 'originalUrl').mockReturnValue('about:blank');
});

describe('drawings', () => {
    it('are told of by name, size and what they are; the first one’s settings show until another is picked', () => {
        const bench = inked({ deck001: scan, pencil1: pencil });
        const rows = screen.getAllByRole('listitem').map((one) => one.textContent);
        expect(rows).toEqual(['Deck.png400 × 200 px · ink', 'Pencil.tif400 × 200 px · underdrawing, hidden']);
        expect(screen.queryByLabelText('Strength')).toBeNull();
        fireEvent.click(screen.getByText('Pencil.tif'));
        expect(bench.view.drawing).toBe('pencil1');
        fireEvent.click(screen.getByLabelText('Above the ink'));
        const strength = screen.getByLabelText('Strength');
        fireEvent.change(strength, { target: { value: '80' } });
        expect(asked, 'only the tick is asked for while the slider moves').toHaveLength(1);
        fireEvent.pointerUp(strength);
        press('Ink');
        expect(asked).toMatchObject([
            { kind: 'drawing.change', id: 'pencil1', values: { above: true } },
            { id: 'pencil1', values: { strength: 0.8 } },
            { id: 'pencil1', values: { role: 'ink' } },
        ]);
        expect(screen.queryByLabelText('Strength'), 'it is ink now').toBeNull();
    });
    it('wait for a scan on an empty page', () => {
        show(openWith({ page: {} }), <InkPanel />);
        expect(screen.getByText(/Once a scan is imported/)).toBeTruthy();
    });
    it('are changed by nobody but who holds the page', () => {
        const bench = openWith({ drawing: { deck001: scan } }, false);
        vi.spyOn(bench.session.tiles, 'get').mockReturnValue(null);
        show(bench, <InkPanel />);
        for (const name of ['Underdrawing', 'Add a drawing', 'Clean again', '2 ×'])
            expect(button(name).disabled, name).toBe(true);
    });
});

describe('clean-up', () => {
    it('tries what is set, and cleans with all of it', async () => {
        const bench = inked({ deck001: scan });
        const clean = vi.spyOn(bench.session.work, 'clean').mockResolvedValue(null);
        expect(button('Clean again').disabled, 'nothing is tried').toBe(true);
        slide('Even out the light', 40);
        slide('Line weight', -2);
        type('Specks below, px', '25');
        type('Pinholes to, px', '7');
        fireEvent.change(screen.getByLabelText('Coloured lines'), { target: { value: 'blue' } });
        fireEvent.click(screen.getByLabelText('Pure black and white'));
        fireEvent.click(screen.getByLabelText('Remove what lies around the sheet'));
        const set = {
            ...scan.clean,
            flatten: 0.4,
            weight: -2,
            specks: 25,
            pinholes: 7,
            colours: 'blue',
            hard: true,
            crop: false,
        };
        expect(tried(bench)).toEqual({ clean: set, place: scan.place });
        expect(screen.getByText('-2 px')).toBeTruthy();
        slide('Line weight', 3);
        expect(screen.getByText('+3 px')).toBeTruthy();
        press('Clean again');
        expect(clean.mock.calls).toEqual([['deck001', { ...set, weight: 3 }, scan.place]]);
        await vi.waitFor(() => expect(tried(bench)).toBeNull());
    });
    it('keeps paper below ink, measured until they are set', () => {
        const bench = inked({ deck001: scan });
        const levels = () => [tried(bench)?.clean.paper, tried(bench)?.clean.ink];
        slide('Paper ends at', 30);
        expect(levels()).toEqual([30, 200]);
        slide('Paper ends at', 220);
        expect(levels()).toEqual([220, 221]);
        slide('Full ink from', 90);
        expect(levels()).toEqual([89, 90]);
        const measured = screen.getByLabelText('Measured from the paper') as HTMLInputElement;
        expect(measured.checked).toBe(false);
        fireEvent.click(measured);
        expect(levels()).toEqual([null, null]);
        fireEvent.click(measured);
        expect(levels(), 'as they were found').toEqual([20, 200]);
    });
    it('straightens by what was found, or by an angle that is typed', () => {
        const bench = inked({ deck001: scan });
        const angle = screen.getByLabelText('Turn, °') as HTMLInputElement;
        expect([angle.disabled, angle.value]).toEqual([true, '1.2']);
        fireEvent.click(screen.getByLabelText('Straighten (-1.25° askew)'));
        expect(tried(bench)?.clean.turn).toBe(-1.2);
        type('Turn, °', '-16');
        expect(tried(bench)?.clean.turn, 'farther than it goes').toBe(-1.2);
        type('Turn, °', '2.5');
        expect(tried(bench)?.clean.turn).toBe(2.5);
        press('Put back');
        expect(tried(bench)).toBeNull();
    });
    it('says where no angle was found, and shows the original from the left', () => {
        const bench = inked({ deck001: { ...scan, found: { ...scan.found, askew: null } } });
        expect(screen.getByLabelText('Straighten (no angle found)')).toBeTruthy();
        slide('Show original', 30);
        expect(bench.view.compare).toBe(0.3);
        fireEvent.error(document.querySelector('img') as HTMLImageElement);
        expect(screen.getByText(/The original shows here once/)).toBeTruthy();
        expect((screen.getByRole('slider', { name: /Show original/ }) as HTMLInputElement).disabled).toBe(true);
    });
});

describe('the place of a drawing', () => {
    const placing = (drawing: Record<string, DrawingData>): BenchModel => {
        const bench = inked(drawing);
        press('Place');
        expect(bench.view.tool).toBe('place');
        return bench;
    };
    const place = (bench: BenchModel) => tried(bench)?.place;

    it('is typed in px, percent and degrees, and laid when it is told to', async () => {
        const bench = placing({ deck001: scan });
        const clean = vi.spyOn(bench.session.work, 'clean').mockResolvedValue(null);
        expect(button('Lay it here').disabled).toBe(true);
        type('Middle, x px', '310.5');
        type('Middle, y px', '-20');
        type('Size, %', '62.5');
        type('Turn, °', '-12');
        fireEvent.click(screen.getByLabelText('Mirrored'));
        const moved = { ...scan.place, x: 310.5, y: -20, scale: 0.625, turn: -12, mirror: true };
        expect(place(bench)).toEqual(moved);
        press('Lay it here');
        expect(clean.mock.calls).toEqual([['deck001', scan.clean, moved]]);
        await vi.waitFor(() => expect(tried(bench)).toBeNull());
    });
    it('is a part of it, whose sides do not cross', () => {
        const bench = placing({ deck001: scan });
        fireEvent.click(screen.getByLabelText('Only a part of it'));
        expect(place(bench)?.crop).toEqual([0, 0, 400, 200]);
        type('Left, px', '150');
        type('Right, px', '150');
        expect(place(bench)?.crop, 'no narrower than a pixel').toEqual([150, 0, 400, 200]);
        type('Right, px', '151');
        type('Bottom, px', '90');
        type('Top, px', '90');
        expect(place(bench)?.crop).toEqual([150, 0, 151, 90]);
        fireEvent.click(screen.getByLabelText('Only a part of it'));
        expect(place(bench)?.crop).toBeNull();
    });
    it('is straightened by corners: of the sheet that was found, or of the picture', () => {
        const sheet: [number, number][] = [
            [10.4, 5],
            [390, 8],
            [380, 190],
            [12, 195.6],
        ];
        const bench = placing({ deck001: { ...scan, found: { ...scan.found, sheet } } });
        fireEvent.click(screen.getByLabelText(/as found/));
        type('Upper right, y', '9');
        type('Lower left, x', '-3');
        expect(place(bench)?.corners).toEqual([
            [10, 5],
            [390, 9],
            [380, 190],
            [-3, 196],
        ]);
    });
    it('has an order among several, and may hide what lies behind', () => {
        const bench = placing({ deck001: scan, pencil1: pencil, third01: { ...scan, order: 4 } });
        expect(button('To the back').disabled, 'it lies behind the others').toBe(true);
        fireEvent.click(screen.getByLabelText('Hides the lines behind it'));
        expect(place(bench)?.covers).toBe(true);
        press('To the front');
        expect(asked).toMatchObject([{ kind: 'drawing.change', id: 'deck001', values: { order: 8 } }]);
        expect(button('To the front').disabled).toBe(true);
        press('To the back');
        expect(asked[1]).toMatchObject({ values: { order: 3 } });
    });
    it('is of one alone without an order', () => {
        placing({ deck001: scan });
        expect(screen.queryByText('To the front')).toBeNull();
    });
    it('may be taken by another picture of the same file', () => {
        const bench = placing({ deck001: { ...scan, picture: 2, pictures: 5 } });
        const take = vi.spyOn(bench.session.work, 'importWaiting').mockResolvedValue(null);
        expect(button('Take this one').disabled).toBe(true);
        type('Picture, of 5', '4');
        press('Take this one');
        expect(take.mock.calls).toEqual([[5, { drawing: 'deck001', picture: 4 }]]);
        press('Remove the drawing');
        expect(asked).toMatchObject([{ kind: 'drawing.remove', id: 'deck001' }]);
    });
});

describe('lines', () => {
    const stroke = { points: [[1, 2, 1]], weight: 4 } as unknown as InkStrokeData;
    it('that would change are shown before they are tidied', async () => {
        const bench = inked({}, { stroke: { line0001: stroke, line0002: stroke } });
        expect(screen.getByText('and 2 lines drawn here')).toBeTruthy();
        const look = vi.spyOn(api, 'tidyLines').mockResolvedValue([{}, {}, {}] as never);
        const tidy = vi.spyOn(bench.session.work, 'tidy').mockResolvedValue(null);
        type('Overshoots to, px', '30');
        press('Show what would change');
        await screen.findByText('3 lines would change, as marked on the page.');
        expect(look.mock.calls).toEqual([[7, 30, 8]]);
        type('Gaps to, px', '5');
        expect(bench.view.proposed, 'what is marked was for other numbers').toBeNull();
        look.mockResolvedValue([]);
        press('Show what would change');
        await screen.findByText('Nothing would change.');
        expect(screen.queryByText('Do it')).toBeNull();
        press('Leave it');
        look.mockResolvedValue([{}] as never);
        press('Show what would change');
        fireEvent.click(await screen.findByText('Do it'));
        expect(tidy.mock.calls).toEqual([[30, 5]]);
        await vi.waitFor(() => expect(bench.view.proposed).toBeNull());
    });
    it('of which there is one alone are not tidied', () => {
        inked({}, { stroke: { line0001: stroke } });
        expect(screen.getByText('and one line drawn here')).toBeTruthy();
        expect(screen.queryByText('Tidy lines')).toBeNull();
        expect(screen.getByText('Lines as SVG').getAttribute('href')).toBe(api.linesUrl(7));
    });
});

describe('the page', () => {
    it('is enlarged by a factor, and says to what', () => {
        const bench = inked({});
        const enlarge = vi.spyOn(bench.session.work, 'enlarge').mockResolvedValue(null);
        expect(screen.getByText('600 × 400 px, 300 dpi')).toBeTruthy();
        expect(button('1.5 ×').title).toMatch(/^to 900 × 600 px/);
        press('3 ×');
        expect(enlarge.mock.calls).toEqual([[3]]);
    });
    it('has a grid that lines keep to once it is there', () => {
        const bench = inked({});
        expect(screen.queryByLabelText('Snap to the grid')).toBeNull();
        type('Grid, px', '40');
        fireEvent.click(screen.getByLabelText('Snap to the grid'));
        expect([bench.view.grid, bench.view.isSnapping]).toEqual([40, false]);
    });
    it('that is empty is begun in the size that is typed', () => {
        show(openWith({ page: {} }), <ImportBox />);
        type('Width, px', '1200');
        type('Height, px', '12');
        press('Begin an empty page');
        expect(asked).toMatchObject([{ kind: 'page.start', width: 1200, height: 3508, dpi: 300 }]);
    });
    it('takes scans that are dropped on it, and the one that waits', async () => {
        const waiting = { id: 9, name: 'harbour.pdf' } as PageStateData['waiting'];
        const bench = open({ records: { ...pageState().records, page: {} }, waiting });
        const scans = vi.spyOn(bench.session.work, 'importScans').mockResolvedValue(undefined);
        const last = vi.spyOn(bench.session.work, 'importWaiting').mockResolvedValue(null);
        show(bench, <ImportBox />);
        const box = screen.getByText('Bring in the line art').closest('.border-dashed') as HTMLElement;
        fireEvent.dragOver(box);
        expect(box.className).toContain('border-primary');
        const file = new File(['x'], 'a.png');
        fireEvent.drop(box, { dataTransfer: { files: [file] } });
        expect(box.className).not.toContain('border-primary ');
        expect(scans.mock.calls).toEqual([[[file]]]);
        press('Import harbour.pdf');
        expect(last.mock.calls).toEqual([[9]]);
        fireEvent.change(within(box).getByLabelText('Scan to import'), { target: { files: [file, file] } });
        await act(async () => undefined);
        expect(scans.mock.lastCall).toEqual([[file, file], null]);
    });
    it('says why nothing can be brought in', () => {
        const bench = open({ records: { ...pageState().records, page: {} } }, false);
        act(() => bench.session.store.setState({ holder: 'Mira' }));
        show(bench, <ImportBox />);
        expect(screen.getByText('Mira is working on this page; you are watching.')).toBeTruthy();
        for (const name of ['Choose files', 'Begin an empty page']) expect(button(name).disabled, name).toBe(true);
    });
});

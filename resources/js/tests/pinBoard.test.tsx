// @vitest-environment happy-dom
/** Pictures on the pin-up board, and the colours that are picked out of them. */
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api } from '../api/client';
import type { FigureState, ReferenceState } from '../api/generated';
import { ChosenPicture } from '../board/ChosenPicture';
import { ColoursInHand } from '../board/ColoursInHand';
import { HungPicture } from '../board/HungPicture';
import { PickedColours } from '../board/PickedColours';
import { PinBoard } from '../board/PinBoard';
import { sample } from '../board/sample';
import { useBoard, type Board } from '../board/useBoard';
import { Failure } from '../api/http';
import { seriesOutbox } from '../page/seriesOutbox';

vi.mock('../board/sample', () => ({ sample: vi.fn(() => 0x336699) }));

const hung = (more: Partial<ReferenceState> = {}): ReferenceState => ({
    id: 1,
    page: null,
    name: 'quay.jpg',
    width: 400,
    height: 300,
    colours: {},
    x: 100,
    y: 50,
    across: 200,
    mirrored: false,
    grey: false,
    trouble: null,
    ...more,
});

let done: unknown[][];
const noted =
    (what: string) =>
    (...of: unknown[]): Promise<void> => {
        done.push([what, ...of]);
        return Promise.resolve();
    };

function boardOf(more: Partial<Board> = {}, all: ReferenceState[] | null = [hung()]): Board {
    return {
        series: 2,
        pictures: {
            all,
            message: null,
            hang: noted('hang'),
            hangPage: noted('hangPage'),
            show: noted('show'),
            arrange: noted('arrange'),
            takeAway: noted('takeAway'),
        },
        chosen: null,
        choose: noted('choose'),
        hand: 'arrange',
        take: noted('take'),
        across: '3',
        setAcross: noted('across'),
        colours: [],
        pick: noted('pick'),
        setColours: noted('colours'),
        ...more,
    };
}

beforeEach(() => {
    done = [];
    Element.prototype.setPointerCapture = () => undefined;
});
afterEach(() => {
    cleanup();
    vi.restoreAllMocks();
});

const button = (name: string | RegExp): HTMLElement => screen.getByRole('button', { name });

describe('a picture that hangs', () => {
    const view = { x: 20, y: 10, zoom: 0.5 };
    const opened = (more: Partial<Board> = {}, picture = hung()): HTMLElement => {
        render(<HungPicture board={boardOf(more)} picture={picture} view={view} />);
        return screen.getByRole('button');
    };

    it('lies where the board has it, in its proportions', () => {
        const { style } = opened().parentElement as HTMLElement;
        expect([style.left, style.top, style.width, style.height]).toEqual(['40px', '20px', '100px', '75px']);
    });
    it('is dragged by as much as the hand moves on the board, and kept when it lets go', () => {
        const picture = opened();
        fireEvent.pointerDown(picture, { button: 0, clientX: 200, clientY: 100 });
        fireEvent.pointerMove(picture, { clientX: 230, clientY: 90 });
        fireEvent.pointerUp(picture);
        fireEvent.pointerMove(picture, { clientX: 500, clientY: 500 });
        expect(done).toEqual([
            ['choose', 1],
            ['show', 1, { x: 160, y: 30 }],
            ['arrange', 1, { x: 160, y: 30 }],
        ]);
    });
    it('stays where it is when it is only pressed, or pressed by another button', () => {
        const picture = opened();
        fireEvent.pointerDown(picture, { button: 2 });
        expect(done).toEqual([]);
        fireEvent.pointerDown(picture, { button: 0 });
        fireEvent.pointerUp(picture);
        expect(done).toEqual([['choose', 1]]);
    });
    it('is made larger by its corner, and never too small to be pressed', () => {
        opened({ chosen: hung() });
        const corner = screen.getByTitle('Drag to make it larger or smaller');
        fireEvent.pointerDown(corner, { clientX: 10, clientY: 10 });
        fireEvent.pointerMove(corner, { clientX: 35, clientY: 90 });
        fireEvent.pointerMove(corner, { clientX: -900, clientY: 10 });
        fireEvent.pointerUp(corner);
        expect(done).toEqual([
            ['show', 1, { across: 250 }],
            ['show', 1, { across: 40 }],
            ['arrange', 1, { across: 40 }],
        ]);
    });
    it('has no corner unless it is chosen to be arranged', () => {
        opened({ chosen: hung({ id: 2 }) });
        expect(screen.queryByTitle(/larger/)).toBeNull();
        cleanup();
        opened({ chosen: hung(), hand: 'pick' });
        expect(screen.queryByTitle(/larger/)).toBeNull();
    });
    it('is moved and sized by keys', () => {
        const picture = opened();
        for (const key of ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown', '+', '-', 'a'])
            fireEvent.keyDown(picture, { key });
        const [left, right, up, down, larger, smaller, ...rest] = done.map(([, , to]) => to);
        expect([left, right, up, down]).toEqual([{ x: 90 }, { x: 110 }, { y: 40 }, { y: 60 }]);
        expect((larger as { across: number }).across).toBeCloseTo(220);
        expect((smaller as { across: number }).across).toBeCloseTo(200 / 1.1);
        expect(rest).toEqual([]);
    });
    it('gives the colour under the pointer, as it was sent even where it hangs mirrored', () => {
        const taken = vi.mocked(sample);
        for (const mirrored of [false, true]) {
            taken.mockClear();
            const picture = opened({ hand: 'pick' }, hung({ mirrored }));
            const image = picture.querySelector('img') as HTMLImageElement;
            Object.defineProperties(image, { naturalWidth: { value: 400 }, naturalHeight: { value: 300 } });
            image.getBoundingClientRect = () => ({ left: 40, top: 20, width: 100, height: 75 }) as DOMRect;
            fireEvent.pointerDown(picture, { button: 0, clientX: 65, clientY: 35 });
            expect(taken.mock.calls[0].slice(1)).toEqual([mirrored ? 300 : 100, 60, 3]);
            cleanup();
        }
        expect(done.filter(([what]) => what === 'pick')).toEqual([
            ['pick', '#336699'],
            ['pick', '#336699'],
        ]);
    });
    it('says what is the matter until it can be shown', () => {
        expect(opened({}, hung({ width: null, height: null })).textContent).toBe('Reading quay.jpg …');
        cleanup();
        expect(opened({}, hung({ width: null, trouble: 'It is cut.' })).textContent).toBe('quay.jpg: It is cut.');
        cleanup();
        const { style } = opened({}, hung({ mirrored: true, grey: true })).querySelector('img') as HTMLImageElement;
        expect([style.transform, style.filter]).toEqual(['scaleX(-1)', 'grayscale(1)']);
    });
});

describe('the board', () => {
    const file = new File(['x'], 'sea.png', { type: 'image/png' });
    const opened = (board: Board, mayHang = true): HTMLElement => {
        render(<PinBoard board={board} mayHang={mayHang} className="" />);
        const ground = screen.getByRole('group', { name: 'Pin-up board' });
        Object.defineProperties(ground, { clientWidth: { value: 224 }, clientHeight: { value: 174 } });
        return ground;
    };
    const at = (): string[] => {
        const { style } = screen.getByRole('button', { name: 'quay.jpg' }).parentElement as HTMLElement;
        return [style.left, style.top, style.width];
    };
    const pasted = (files: File[]): boolean => {
        const event = new Event('paste', { cancelable: true });
        Object.assign(event, { clipboardData: { files } });
        act(() => void window.dispatchEvent(event));
        return event.defaultPrevented;
    };

    it('takes pictures that are dropped or pasted, from who may hang them', () => {
        const ground = opened(boardOf({}, []));
        expect(screen.getByText(/Drop pictures on the board/)).toBeTruthy();
        fireEvent.drop(ground, { dataTransfer: { files: [file] } });
        fireEvent.drop(ground, { dataTransfer: { files: [] } });
        expect(pasted([file, new File(['y'], 'a.txt', { type: 'text/plain' })])).toBe(true);
        expect(pasted([new File(['y'], 'a.txt', { type: 'text/plain' })])).toBe(false);
        expect(done).toEqual([
            ['hang', [file]],
            ['hang', [file]],
        ]);
        cleanup();
        fireEvent.drop(opened(boardOf({}, []), false), { dataTransfer: { files: [file] } });
        expect(pasted([file])).toBe(false);
        expect([done.length, screen.queryByText(/Drop pictures/)]).toEqual([2, null]);
    });
    it('shows all that hangs there, is zoomed about the pointer and dragged by its ground', () => {
        const ground = opened(boardOf());
        fireEvent.click(button('Show all'));
        expect(at()).toEqual(['12px', '12px', '200px']);
        fireEvent.pointerDown(ground, { clientX: 5, clientY: 5 });
        fireEvent.pointerMove(ground, { clientX: 25, clientY: 2 });
        fireEvent.pointerUp(ground);
        fireEvent.pointerMove(ground, { clientX: 99, clientY: 99 });
        expect(at()).toEqual(['32px', '9px', '200px']);
        // What lay under the pointer stays there.
        const turned = Object.assign(new Event('wheel', { cancelable: true }), {
            deltaY: -100,
            clientX: 32,
            clientY: 9,
        });
        act(() => void ground.dispatchEvent(turned));
        expect(turned.defaultPrevented).toBe(true);
        expect(at()).toEqual(['32px', '9px', '240px']);
        expect(done).toEqual([['choose', null]]);
    });
});

describe('the chosen picture', () => {
    const colours = (count: number) =>
        Array.from({ length: count }, (_, i) => ({ colour: `#0000${10 + i}`, share: (i + 1) / 10 }));
    const chosen = hung({ colours: { 3: colours(3), 6: colours(6) } as never });

    it('has as many main colours as are asked for; one or all of them are picked', () => {
        render(<ChosenPicture board={boardOf({ chosen })} mayHang={false} />);
        expect(screen.getAllByRole('button', { name: /^Pick #/ })).toHaveLength(6);
        fireEvent.change(screen.getByRole('slider'), { target: { value: '3' } });
        fireEvent.click(button('Pick #000011, 20 %'));
        fireEvent.click(button('Pick all of these'));
        expect(done).toEqual([
            ['pick', '#000011'],
            ['colours', ['#000010', '#000011', '#000012']],
        ]);
        expect(screen.queryByText('mirrored')).toBeNull();
    });
    it('hangs mirrored or grey, and is taken away when that is said twice', () => {
        render(<ChosenPicture board={boardOf({ chosen: { ...chosen, grey: true } })} mayHang />);
        fireEvent.click(screen.getByLabelText('mirrored'));
        fireEvent.click(screen.getByLabelText('grey'));
        fireEvent.click(button('Remove'));
        expect(done).toEqual([
            ['arrange', 1, { mirrored: true }],
            ['arrange', 1, { grey: false }],
        ]);
        fireEvent.click(button('Really remove it'));
        expect(done[2]).toEqual(['takeAway', 1]);
    });
    it('is asked for where there is none; what is wrong with it is said', () => {
        render(<ChosenPicture board={boardOf()} mayHang />);
        expect(screen.getByText('Press a picture to see its main colours.')).toBeTruthy();
        cleanup();
        render(<ChosenPicture board={boardOf({ chosen: hung({ width: null, trouble: 'It is cut.' }) })} mayHang />);
        expect([screen.getByRole('alert').textContent, screen.queryByRole('slider')]).toEqual(['It is cut.', null]);
    });
});

describe('picked colours', () => {
    const figures = [
        { id: 3, name: 'Oda' },
        { id: 4, name: 'Tamsin' },
    ] as FigureState[];
    const opened = (colours: string[], mayColour = true) => {
        const taken = vi.fn();
        render(<PickedColours board={boardOf({ colours })} figures={figures} mayColour={mayColour} onTaken={taken} />);
        return taken;
    };
    const named = (name: string): void => {
        fireEvent.change(screen.getByLabelText('Name of the material'), { target: { value: name } });
    };

    it('become a ramp from dark to light, of the figure that is chosen', async () => {
        const outbox = vi.spyOn(seriesOutbox(2), 'apply').mockResolvedValue({} as never);
        const taken = opened(['#ffeecc', '#112233', '#8899aa']);
        expect((button('Make one ramp') as HTMLButtonElement).disabled).toBe(true);
        fireEvent.change(screen.getByLabelText('Of which figure'), { target: { value: '4' } });
        named('tar');
        fireEvent.click(button('Make one ramp'));
        await vi.waitFor(() => expect(taken).toHaveBeenCalledOnce());
        expect(outbox.mock.calls).toEqual([
            ['colours.take', { figure: 4, name: 'tar', ramp: true, colours: ['#112233', '#8899aa', '#ffeecc'] }],
        ]);
        expect(done).toEqual([['colours', []]]);
    });
    it('become a material each where they are more than a ramp has', async () => {
        const outbox = vi.spyOn(seriesOutbox(2), 'apply').mockResolvedValue({} as never);
        opened(['#000001', '#000002', '#000003', '#000004', '#000005', '#000006']);
        named('tar');
        expect((button('Make one ramp') as HTMLButtonElement).disabled).toBe(true);
        expect(screen.getByText(/A ramp has 5 tones at the most/)).toBeTruthy();
        fireEvent.click(button('Make 6 materials'));
        await vi.waitFor(() => expect(outbox.mock.calls[0]?.[1]).toMatchObject({ ramp: false }));
        cleanup();
        opened(['#000001']);
        expect(button('Make a material')).toBeTruthy();
    });
    it('stay in the hand where they are refused, and what is wrong stands beside it', async () => {
        vi.spyOn(seriesOutbox(2), 'apply').mockRejectedValue(new Failure('refused', 'There is one of that name.', 422));
        const taken = opened(['#000001']);
        named('oilskin');
        fireEvent.click(button('Make one ramp'));
        expect(await screen.findByText('There is one of that name.')).toBeTruthy();
        expect([taken.mock.calls, done]).toEqual([[], []]);
    });
    it('are let go of one by one or all at once', () => {
        opened(['#000001', '#000002'], false);
        fireEvent.click(button('Remove #000001'));
        fireEvent.click(button('Remove all'));
        expect(done).toEqual([
            ['colours', ['#000002']],
            ['colours', []],
        ]);
        expect(screen.queryByText('Make one ramp')).toBeNull();
        cleanup();
        opened([]);
        expect(screen.getByText(/Colours you pick wait here/)).toBeTruthy();
    });
    it('in a row give the last of them to what it is for', () => {
        const use = vi.fn();
        render(
            <ColoursInHand
                board={boardOf({ colours: ['#000001', '#000002'] })}
                use={{ label: 'As the shade', with: use }}
            />,
        );
        fireEvent.click(button('As the shade'));
        fireEvent.click(button('Take #000001 in the hand'));
        expect([use.mock.calls, done]).toEqual([[['#000002']], [['pick', '#000001']]]);
        cleanup();
        render(<ColoursInHand board={boardOf()} use={null} />);
        expect(screen.queryByRole('button')).toBeNull();
    });
});

describe('a board with a server behind it', () => {
    let board: Board;
    const Shown = (): null => {
        board = useBoard(2, null);
        return null;
    };
    const opened = async (all: ReferenceState[]): Promise<void> => {
        vi.spyOn(api, 'pictures').mockResolvedValue(all);
        render(
            <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
                <Shown />
            </QueryClientProvider>,
        );
        await vi.waitFor(() => expect(board.pictures.all).not.toBeNull());
    };

    it('keeps twelve picked colours, the last ones, each once', async () => {
        await opened([]);
        for (let i = 0; i < 14; i++) act(() => board.pick(`#0000${10 + i}`));
        act(() => board.pick('#000015'));
        expect([board.colours.length, board.colours[0], board.colours[11]]).toEqual([12, '#000012', '#000015']);
        expect(board.colours.filter((one) => one === '#000015')).toHaveLength(1);
    });
    it('shows at once where a picture is put, and what is said against it', async () => {
        await opened([hung(), hung({ id: 2, x: 7 })]);
        const arranged = vi.spyOn(api, 'arrangePicture').mockRejectedValue(new Error('Not yours to move.'));
        act(() => board.choose(2));
        expect(board.chosen?.x).toBe(7);
        let moving = Promise.resolve();
        act(() => void (moving = board.pictures.arrange(2, { x: 70 })));
        await vi.waitFor(() => expect(board.chosen?.x).toBe(70));
        await act(() => moving);
        expect(arranged.mock.calls).toEqual([[2, 2, { x: 70 }]]);
        // It is as the server has it again.
        await vi.waitFor(() => expect([board.chosen?.x, board.pictures.message]).toEqual([7, 'Not yours to move.']));
    });
    it('hangs files one after the other, and takes pictures away', async () => {
        await opened([]);
        const [a, b] = ['a', 'b'].map((name) => new File(['x'], name));
        const hang = vi
            .spyOn(api, 'hangPicture')
            .mockImplementation(async (_series, _page, { name }) =>
                name === 'a' ? [hung()] : [hung(), hung({ id: 2 })],
            );
        vi.spyOn(api, 'takePictureAway').mockResolvedValue(undefined as never);
        await act(() => board.pictures.hang([a, b]));
        expect(hang.mock.calls.map(([series, page, file]) => [series, page, file.name])).toEqual([
            [2, null, 'a'],
            [2, null, 'b'],
        ]);
        await vi.waitFor(() => expect(board.pictures.all).toHaveLength(2));
        await act(() => board.pictures.takeAway(1));
        await vi.waitFor(() => expect(board.pictures.all?.map(({ id }) => id)).toEqual([2]));
    });
});

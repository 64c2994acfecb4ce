// @vitest-environment happy-dom
/** A piece of a page on the palette's desk: which piece it is, what of it follows a tone, and what a click takes. */
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { UseState } from '../api/generated';
import { PlaceCrop } from '../palette/PlaceCrop';

const [WIDTH, HEIGHT] = [232, 118];

class Picture {
    readonly data: Uint8ClampedArray;
    constructor(
        data: Uint8ClampedArray,
        readonly width: number,
        readonly height: number,
    ) {
        this.data = data;
    }
}

let asked: string[];
let cut: number[][];
let shown: Picture[];
let arrive: () => void;

/** Left of the middle nearly the tone, right of it another colour; one pixel lies just out of the tone's reach. */
function piece(): Picture {
    const data = new Uint8ClampedArray(4 * WIDTH * HEIGHT);
    for (let i = 0; i < WIDTH * HEIGHT; i++) {
        const colour = i === 5 ? [111, 100, 50] : i % WIDTH < 116 ? [110, 95, 60] : [10, 200, 30];
        data.set([...colour, 255], 4 * i);
    }
    return new Picture(data, WIDTH, HEIGHT);
}

beforeEach(() => {
    [asked, cut, shown] = [[], [], []];
    vi.stubGlobal('ImageData', Picture);
    vi.stubGlobal(
        'Image',
        class {
            onload = (): void => undefined;
            naturalWidth = 500;
            naturalHeight = 300;
            set src(address: string) {
                asked.push(address);
                arrive = () => this.onload();
            }
        },
    );
    vi.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue({
        drawImage: (_image: unknown, ...numbers: number[]) => cut.push(numbers),
        getImageData: piece,
        putImageData: (picture: Picture) => shown.push(picture),
    } as never);
});
afterEach(() => {
    cleanup();
    vi.unstubAllGlobals();
    vi.restoreAllMocks();
});

const usedAt = (x: number, y: number): UseState =>
    ({ regions: 1, pages: [8], width: 1000, place: { page: 8, x, y } }) as unknown as UseState;

const usual = { before: '#646432', now: '#6e5a3c', state: 'v3', onTake: null };

function open(more: Partial<Parameters<typeof PlaceCrop>[0]> = {}): void {
    render(<PlaceCrop use={usedAt(600, 300)} pageWidth={1000} {...usual} {...more} />);
    act(() => arrive());
}

const at = (picture: Picture, x: number, y: number): number[] => [
    ...picture.data.subarray(4 * (y * WIDTH + x), 4 * (y * WIDTH + x) + 4),
];

describe('a piece of a page', () => {
    it('says what will be there where no page uses the material', () => {
        render(<PlaceCrop use={undefined} pageWidth={null} {...usual} />);
        expect(screen.getByText(/No page uses this material yet/)).toBeTruthy();
        expect(asked).toEqual([]);
    });
    it('lies about the place, at the scale of the small picture', () => {
        open();
        expect(asked).toEqual(['/api/pages/8/picture?v3']);
        expect(cut).toEqual([[300 - WIDTH / 2, 150 - HEIGHT / 2, WIDTH, HEIGHT, 0, 0, WIDTH, HEIGHT]]);
    });
    it('stays inside the picture', () => {
        open({ use: usedAt(10, 590) });
        expect(cut[0].slice(0, 2)).toEqual([0, 300 - HEIGHT]);
        cleanup();
        open({ use: usedAt(990, 2) });
        expect(cut[1].slice(0, 2)).toEqual([500 - WIDTH, 0]);
    });
    it('is as large as the picture where the page’s width is not known', () => {
        open({ pageWidth: null, use: usedAt(200, 100) });
        expect(cut[0].slice(0, 2)).toEqual([200 - WIDTH / 2, 100 - HEIGHT / 2]);
    });
    it('shows what is of the tone in the colour that the tone becomes, and nothing else', () => {
        open();
        const picture = shown[shown.length - 1];
        // From 100, 100, 50 to 110, 90, 60: each pixel goes by so much.
        expect(at(picture, 20, 40)).toEqual([120, 85, 70, 255]);
        expect(at(picture, 200, 40)).toEqual([10, 200, 30, 255]);
        expect(at(picture, 5, 0), 'a channel is eleven off').toEqual([111, 100, 50, 255]);
    });
    it('is asked for anew for another state, and a picture that comes too late is not shown', () => {
        const { rerender } = render(<PlaceCrop use={usedAt(600, 300)} pageWidth={1000} {...usual} />);
        const late = arrive;
        rerender(<PlaceCrop use={usedAt(600, 300)} pageWidth={1000} {...usual} state="v4" />);
        expect(asked).toEqual(['/api/pages/8/picture?v3', '/api/pages/8/picture?v4']);
        act(() => late());
        expect(cut).toEqual([]);
        act(() => arrive());
        expect(cut).toHaveLength(1);
    });
    it('gives the colour that is clicked, of as many pixels as is chosen', () => {
        const taken: number[] = [];
        open({ onTake: (colour) => taken.push(colour) });
        const canvas = screen.getByRole('img', { name: /A piece of a page/ });
        canvas.getBoundingClientRect = () => ({ left: 40, top: 10 }) as DOMRect;
        fireEvent.click(canvas, { clientX: 40 + 200, clientY: 10 + 50 });
        fireEvent.click(canvas, { clientX: 40 + 20, clientY: 10 + 50 });
        expect(taken).toEqual([0x0ac81e, 0x6e5f3c]);
        fireEvent.change(screen.getByLabelText('Of how many pixels'), { target: { value: '1' } });
        fireEvent.click(canvas, { clientX: 40 + 5, clientY: 10 });
        expect(taken[2]).toBe(0x6f6432);
    });
    it('gives none where nothing may be changed', () => {
        open();
        fireEvent.click(screen.getByRole('img', { name: /A piece of a page/ }), { clientX: 3, clientY: 3 });
        expect(screen.queryByLabelText('Of how many pixels')).toBeNull();
    });
});

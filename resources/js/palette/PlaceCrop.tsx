/** A piece of a page that uses the material; pixels of the tone follow the hand. */
import { useEffect, useRef, useState, type MouseEvent } from 'react';
import type { UseState } from '../api/generated';
import { ACROSS, ACROSS_NAMES, meanAround, type Across } from '../picture/mean';
import { toColour, type Colour } from '../picture/colour';
import { Choice } from '../ui/Choice';

const WIDTH = 232;
const HEIGHT = 118;
/** Pixels whose channels are no further off are of the tone. */
const NEAR = 10;

interface Props {
    use: UseState | undefined;
    pageWidth: number | null;
    before: string;
    now: string;
    /** Names the state of pages and palette: a new picture for a new one. */
    state: string;
    /** Takes a colour out of the picture; null where nothing may be changed. */
    onTake: ((colour: Colour) => void) | null;
}

export function PlaceCrop({ use, pageWidth, before, now, state, onTake }: Props) {
    const [across, setAcross] = useState<Across>('3');
    const canvas = useRef<HTMLCanvasElement>(null);
    const [crop, setCrop] = useState<ImageData | null>(null);
    const place = use?.place ?? null;
    const page = place?.page;
    const x = place?.x ?? 0;
    const y = place?.y ?? 0;
    useEffect(() => {
        if (page === undefined) return;
        const image = new Image();
        let isCurrent = true;
        image.onload = () => {
            if (isCurrent) setCrop(cropOf(image, x, y, pageWidth ?? image.naturalWidth));
        };
        image.src = `/api/pages/${page}/picture?${state}`;
        return () => {
            isCurrent = false;
        };
    }, [page, x, y, pageWidth, state]);
    useEffect(() => {
        const context = canvas.current?.getContext('2d');
        if (crop === null || context === null || context === undefined) return;
        context.putImageData(recoloured(crop, toColour(before), toColour(now)), 0, 0);
    }, [crop, before, now]);
    if (place === null)
        return (
            <p className="quiet w-56 text-[13px]">
                No page uses this material yet: once one does, a piece of it shows here.
            </p>
        );
    const take = (event: MouseEvent<HTMLCanvasElement>): void => {
        if (crop === null || onTake === null) return;
        const box = event.currentTarget.getBoundingClientRect();
        onTake(meanAround(crop, event.clientX - box.left, event.clientY - box.top, Number(across)));
    };
    return (
        <div className="flex flex-col gap-1 text-[13px]">
            <canvas
                ref={canvas}
                width={WIDTH}
                height={HEIGHT}
                role="img"
                aria-label="A piece of a page that uses it"
                className={onTake === null ? '' : 'cursor-crosshair'}
                onClick={take}
            />
            {onTake !== null && (
                <span className="flex items-center gap-2">
                    <span className="quiet">Click takes the colour of</span>
                    <Choice
                        label="Of how many pixels"
                        isLabelHidden
                        value={across}
                        options={ACROSS}
                        names={ACROSS_NAMES}
                        onChange={setAcross}
                    />
                </span>
            )}
        </div>
    );
}

function cropOf(image: HTMLImageElement, x: number, y: number, pageWidth: number): ImageData | null {
    const scale = image.naturalWidth / pageWidth;
    const drawn = document.createElement('canvas');
    drawn.width = WIDTH;
    drawn.height = HEIGHT;
    const context = drawn.getContext('2d');
    if (context === null) return null;
    const left = Math.max(0, Math.min(image.naturalWidth - WIDTH, x * scale - WIDTH / 2));
    const top = Math.max(0, Math.min(image.naturalHeight - HEIGHT, y * scale - HEIGHT / 2));
    context.drawImage(image, left, top, WIDTH, HEIGHT, 0, 0, WIDTH, HEIGHT);
    return context.getImageData(0, 0, WIDTH, HEIGHT);
}

function recoloured(crop: ImageData, before: number, now: number): ImageData {
    const picture = new ImageData(new Uint8ClampedArray(crop.data), crop.width, crop.height);
    const from = [before >> 16, (before >> 8) & 255, before & 255];
    const step = [(now >> 16) - from[0], ((now >> 8) & 255) - from[1], (now & 255) - from[2]];
    for (let at = 0; at < picture.data.length; at += 4) {
        if (from.every((part, i) => Math.abs(picture.data[at + i] - part) <= NEAR)) {
            for (let i = 0; i < 3; i++) picture.data[at + i] += step[i];
        }
    }
    return picture;
}
